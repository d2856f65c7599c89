"""The bench: curves read by keys, densities pasted, times taken over, negatives weighed."""

import re

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import PHONE, Open, Service

pytestmark = pytest.mark.browser


def test_a_test_is_read_and_used(open_page: Open, service: Service) -> None:
    """The verdict largest, the curves by arrow keys, tested times at one touch, undone."""
    page = open_page("/bench")
    page.get_by_role("link", name="Corvane 100, four times in trays").click()
    says = page.get_by_role("region", name="What this film does")
    expect(says).to_contain_text("Rate at EI 64")
    beside = page.get_by_role("table", name="Beside Ostrel 400")
    expect(beside).to_contain_text("1⅔ stops slower")
    expect(page.get_by_role("img", name="rust +⅔")).to_be_visible()
    handle = page.get_by_role("slider", name="Density films are matched at")
    handle.press("PageUp")
    expect(handle).to_have_attribute("aria-valuenow", "0.2")
    expect(page.get_by_text("matched 0.20 above clear film")).to_be_visible()
    page.get_by_role("button", name="Undo: save film test").click()
    expect(handle).to_have_attribute("aria-valuenow", "0.1")
    plot = page.get_by_role("slider", name="Read the curves at an exposure")
    plot.press("ArrowRight")
    expect(page.get_by_text("Zone V⅓: 6 min")).to_be_visible()
    page.get_by_label("6 min", exact=True).uncheck()
    expect(page.get_by_text("Zone V⅓: 8 min")).to_be_visible()
    page.get_by_role("button", name="Use as tested times").click()
    expect(page.get_by_text("The test says the same.")).to_be_visible()
    recipes = service.call("GET", "/api/kit")["recipes"]
    points = next(e for e in recipes if e["id"] == "recipe-corvane-mq")["recipe"]["points"]
    assert "tested" in {each["origin"] for each in points}
    page.get_by_role("button", name="Undo: use tested times").click()
    expect(page.get_by_text("The test says 1 min more.")).to_be_visible()


def test_densities_are_pasted_and_turned(open_page: Open) -> None:
    """A column the wrong way round is recognised; a slip is named and nothing is lost."""
    page = open_page("/bench/test-velm", PHONE)
    page.get_by_role("button", name="Change 7 min").click()
    field = page.get_by_label("Densities")
    field.fill("0.95\nsoon")
    expect(page.get_by_text("“soon” is no density")).to_be_visible()
    column = [1.4, 1.22, 1.04, 0.86, 0.68, 0.5, 0.35, 0.24, 0.17, 0.14, 0.13, 0.12, 0.12]
    field.fill("\n".join(map(str, column)))
    page.get_by_label("Step, stops").fill("9")
    expect(page.get_by_text("between 0.1 and 7")).to_be_visible()
    page.get_by_label("Step, stops").fill("1")
    page.get_by_label("They fall: turn them").check()
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_text("13 steps, clear film 0.12")).to_be_visible()
    expect(page.get_by_text("Rate at EI")).to_be_visible()
    page.get_by_role("button", name="Change 10 min").click()
    page.get_by_label("Densities").fill("\n".join(map(str, column)))
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_text("the density falls here").first).to_be_visible()


def test_a_test_is_begun_from_nothing(open_page: Open) -> None:
    """Film, recipe, title; the page of the test opens and says what it waits for."""
    page = open_page("/bench")
    page.get_by_role("button", name="Add a film test").click()
    page.get_by_label("Title").fill("Corvane again")
    page.get_by_role("button", name="Add", exact=True).click()
    expect(page.get_by_role("heading", name="Corvane again")).to_be_visible()
    expect(page.get_by_text("No curve has five densities yet")).to_be_visible()
    page.get_by_role("button", name="Delete test").click()
    expect(page.get_by_role("link", name="Corvane again")).to_have_count(0)


def test_negatives_are_weighed_and_left_out(open_page: Open) -> None:
    """Two judged negatives of the demo; with one left out one counts, and nothing can be used."""
    page = open_page("/bench")
    part = page.get_by_role("article", name="Corvane 100")
    expect(part).to_contain_text("2 negatives say")
    part.get_by_role("button", name="Show negatives").click()
    part.get_by_role("checkbox").first.uncheck()
    expect(part).to_contain_text("1 negative speaks for EI")
    expect(part).to_contain_text("not enough yet")
    expect(part.get_by_role("button", name="for N")).to_have_count(0)
    part.get_by_role("checkbox").first.check()
    part.get_by_role("button", name="for N").click()
    expect(page.get_by_role("button", name="Undo: use what negatives say")).to_be_visible()


def test_patches_are_read_by_the_densitometer(open_page: Open) -> None:
    """One after the other into the list; the development's curve is there when it is saved."""
    page = open_page("/bench/test-velm")
    page.get_by_role("button", name="Change 7 min").click()
    page.get_by_label("Zeroed").check()
    for number in range(1, 7):
        page.get_by_role("button", name="Read next patch").click()
        expect(page.get_by_text(f"{number} step", exact=False).first).to_be_visible()
    page.get_by_label("Base plus fog").fill("0.2")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_text("6 steps, clear film 0.20")).to_be_visible()


def test_the_exposures_of_a_test_are_listed(open_page: Open) -> None:
    """Thirteen frames about V with the lens's own marks; a card too dark is said."""
    page = open_page("/bench/test-velm", PHONE)
    page.get_by_role("button", name="Exposure list").click()
    dialog = page.get_by_role("dialog", name="Exposure list")
    expect(dialog.get_by_role("row")).to_have_count(14)
    expect(dialog.get_by_label("Meter set to EI")).to_have_value("25")
    dialog.get_by_label("Card reads, EV").fill("3")
    expect(dialog.get_by_text("choose another card")).to_be_visible()
    dialog.get_by_role("textbox", name="Frames").fill("1")
    expect(dialog.get_by_text("Frames of a test must be between 2 and 40")).to_be_visible()


def test_a_shutter_is_checked_and_its_times_are_used(open_page: Open, service: Service) -> None:
    """The tester twice, a mark with both readings; what cannot be is refused where it stands; the
    lens has the means, and Kit shows them."""
    page = open_page("/bench")
    page.get_by_role("button", name="Check a shutter").click()
    dialog = page.get_by_role("dialog", name="Check a shutter")
    dialog.get_by_label("Lens").select_option(label="150 mm")
    field = dialog.get_by_label("Readings: mark, then seconds")
    field.fill("1/60  0.0208 0.0210\n1/7 0.1")
    expect(dialog.get_by_text("This shutter has no mark 1/7.")).to_be_visible()
    field.fill("1/60  0.5")
    dialog.get_by_role("button", name="Use these times").click()
    expect(dialog.get_by_text("more than two stops off")).to_be_visible()
    field.fill("1/60  0.0208 0.0210")
    expect(dialog.get_by_role("row", name="1/60")).to_contain_text("of light")
    dialog.get_by_role("button", name="Use these times").click()
    expect(dialog).to_have_count(0)
    lenses = service.call("GET", "/api/kit")["lenses"]
    lens = next(each for each in lenses if each["id"] == "lens-150")
    times = {each["mark"]: each["seconds"] for each in lens["optics"]["shutter"]["measured"]}
    assert 0.0208 < times["1/60"] < 0.0210
    page.goto(page.url.replace("/bench", "/kit"))
    page.get_by_role("button", name=re.compile("^150 mm")).click()
    expect(page.get_by_text("1/60: 0.0209 s")).to_be_visible()


def test_densities_come_from_a_scan(open_page: Open) -> None:
    """Patches over the demo's strip, a wedge beside it, moved by keys; the curve is there."""
    page = open_page("/bench/test-velm")
    page.get_by_role("button", name="Change 7 min").click()
    page.get_by_role("button", name="Read from a scan").click()
    scan = page.get_by_role("dialog", name="Densities from a scan")
    read = scan.get_by_role("list", name="Densities read").get_by_role("listitem")
    expect(read).to_have_count(13)
    expect(scan.get_by_text("a wedge of known densities")).to_be_visible()
    for number, density in enumerate(("0.05", "0.35", "0.65"), start=1):
        scan.get_by_role("button", name="Add wedge step").click()
        scan.get_by_label(f"Density {number}", exact=True).fill(density)
    expect(scan.get_by_text("Clear film 0.00")).to_be_visible()
    first = scan.get_by_role("button", name="Patch 1, at")
    first.press("ArrowRight")
    expect(first).to_have_accessible_name("Patch 1, at 6 and 28 %")
    scan.get_by_role("button", name="Use these densities").click()
    expect(page.get_by_label("Densities", exact=True)).to_have_value(re.compile("^0.1[12]"))
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_text("13 steps, clear film 0.00")).to_be_visible()


def test_what_the_eye_says_is_kept(open_page: Open) -> None:
    """Conditions, colours and observations in one sheet; a slip keeps what was typed."""
    page = open_page("/bench/test-ostrel", PHONE)
    page.get_by_role("button", name="Details").click()
    sheet = page.get_by_role("dialog", name="Details of the test")
    sheet.get_by_label("Grain").select_option("coarse")
    sheet.get_by_label("Colours of a card").fill("red soon")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet.get_by_role("alert").first).to_contain_text("number")
    expect(sheet.get_by_label("Grain")).to_have_value("coarse")
    sheet.get_by_label("Colours of a card").fill("red 0,86\ngrey 0.98")
    sheet.get_by_role("button", name="Save").click()
    # whether 0,86 is 0.86 is asked once, within the sheet; what was typed stays
    sheet.get_by_role("group", name="Decimal comma").get_by_text("A decimal comma").click()
    expect(sheet.get_by_label("Colours of a card")).to_have_value("red 0,86\ngrey 0.98")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet).to_have_count(0)
    page.get_by_role("button", name="Details").click()
    expect(sheet.get_by_label("Colours of a card")).to_have_value("red 0.86\ngrey 0.98")
