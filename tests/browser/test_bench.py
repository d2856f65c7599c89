"""The bench: curves read by keys, densities pasted, times taken over, negatives weighed."""

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import PHONE, Open, Service

pytestmark = pytest.mark.browser


def test_a_test_is_read_and_used(open_page: Open, service: Service) -> None:
    """The verdict largest, the curves by arrow keys, tested times at one touch, undone."""
    page = open_page("/bench")
    page.get_by_role("link", name="Corvane 100, four times in trays").click()
    says = page.get_by_role("region", name="What this film does")
    expect(says).to_contain_text("rate it at EI 64")
    expect(says).to_contain_text("1⅔ stops slower")
    plot = page.get_by_role("slider", name="Read the curves at an exposure")
    plot.press("ArrowRight")
    expect(page.get_by_text("Zone 5.3: 6 min")).to_be_visible()
    page.get_by_label("6 min", exact=True).uncheck()
    expect(page.get_by_text("Zone 5.3: 8 min")).to_be_visible()
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
    expect(page.get_by_text("between 0.1 and 3")).to_be_visible()
    page.get_by_label("Step, stops").fill("1")
    page.get_by_label("They fall: turn them").check()
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_text("13 steps, clear film 0.12")).to_be_visible()
    expect(page.get_by_text("rate it at EI")).to_be_visible()
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
    part.get_by_role("button", name="Negatives").click()
    part.get_by_role("checkbox").first.uncheck()
    expect(part).to_contain_text("1 negative says")
    expect(part.get_by_role("button", name="Use these minutes")).to_be_disabled()
    part.get_by_role("checkbox").first.check()
    part.get_by_role("button", name="Use these minutes").click()
    expect(page.get_by_role("button", name="Undo: use what negatives say")).to_be_visible()


def test_patches_are_read_by_the_densitometer(open_page: Open) -> None:
    """One after the other into the list; the development's curve is there when it is saved."""
    page = open_page("/bench/test-velm")
    page.get_by_role("button", name="Change 7 min").click()
    page.get_by_label("zero is set").check()
    for number in range(1, 7):
        page.get_by_role("button", name="Read the next patch").click()
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
    dialog.get_by_label("Frames").fill("1")
    expect(dialog.get_by_text("Frames of a test must be between 2 and 40")).to_be_visible()
