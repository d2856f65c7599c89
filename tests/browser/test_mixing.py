"""Deciding otherwise, mixing line by line, the clearing test, recipes and data sheets, dragging."""

import re

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import PHONE, Open, Service
from tests.browser.looks import violations

pytestmark = pytest.mark.browser


def test_other_minutes_with_a_reason(open_page: Open, service: Service) -> None:
    """Refused without why, weighed in zones as they are typed, taken back by the plan."""
    page = open_page("/darkroom")
    group = page.get_by_role("region", name="Corvane 100 N−1")
    group.get_by_role("button", name="Change development").click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_role("checkbox", name="1B").uncheck()
    dialog.get_by_label("Your time").fill("8")
    dialog.get_by_role("button", name="Save").click()
    expect(dialog.get_by_role("alert").filter(has_text="Give the reason")).to_be_visible()
    expect(dialog.get_by_label("Your time")).to_have_value("8")
    dialog.get_by_label("Why").fill("thin last time")
    expect(dialog.locator("[data-weighed]")).to_contain_text("High values 0.5 zone too high")
    assert violations(page) == []
    dialog.get_by_role("button", name="Save").click()
    expect(dialog).to_have_count(0)
    own = page.get_by_role("region", name="Corvane 100 N−1").filter(has_text="thin last time")
    expect(own).to_contain_text("8 min")
    expect(own).to_contain_text("your own")
    own.get_by_role("button", name="Change development").click()
    page.get_by_role("button", name="As planned again").click()
    expect(page.get_by_role("region", name="Corvane 100 N−1")).to_have_count(1)


def test_the_other_school_of_contraction(open_page: Open, service: Service) -> None:
    """Offered where it is wanted; taken in one touch, undone in one."""
    page = open_page("/darkroom", PHONE)
    group = page.get_by_role("region", name="Corvane 100 N−1")
    expect(group).to_contain_text("developer exhausts in the highlights")
    group.get_by_role("button", name="Use this recipe").click()
    expect(group).to_contain_text("Two-part staining, semi-stand")
    expect(group.locator("[data-minutes]")).to_have_text("45 min")
    page.get_by_role("button", name="Undo").click()
    expect(group.locator("[data-minutes]")).to_have_text("6 min 50 s")


def test_a_recipe_that_is_not_recommended(open_page: Open, service: Service) -> None:
    """Marked in Kit; in the darkroom it asks for a reason before it gives a time."""
    page = open_page("/kit")
    page.get_by_role("button", name=re.compile("^Metol–hydroquinone 1\\+1, trays")).click()
    page.get_by_label("Not recommended by").fill("the film's leaflet")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    page.goto(f"{service.url}/darkroom")
    group = page.get_by_role("region", name="Corvane 100 N+1")
    expect(group).to_contain_text("Not recommended (the film's leaflet)")
    expect(group.get_by_role("button", name="Add to run")).to_be_disabled()
    group.get_by_role("button", name="Use this recipe or choose another").click()
    page.get_by_role("dialog").get_by_label("Why").fill("it is all there is")
    page.get_by_role("button", name="Save").click()
    expect(group.get_by_role("button", name="Add to run")).to_be_enabled()


def test_tables_of_a_recipe(open_page: Open, service: Service) -> None:
    """Who says a time, the maker's temperatures, the pushes: as lines, kept as they are meant."""
    page = open_page("/kit")
    page.get_by_role("button", name=re.compile("^Soft metol, trays")).click()
    page.get_by_label("Minutes for N", exact=True).fill(
        "-1  7  published  20  leaflet // in trays\n0  9  tested  own step tablet"
    )
    page.get_by_label("Minutes by temperature").fill("20  9\n24  6.5")
    page.get_by_label("Pushed and pulled, by EI").fill("50  11.5  published  leaflet")
    page.get_by_label("Agitation scheme").select_option("semi-stand")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    kept = next(
        each["recipe"]
        for each in service.call("GET", "/api/kit")["recipes"]
        if each["id"] == "recipe-velm-soft"
    )
    points = [tuple(point.values())[:6] for point in kept["points"]]
    assert points == [
        (-1, 7, 20, "published", "leaflet", "in trays"),
        (0, 9, None, "tested", "own step tablet", ""),
    ]
    assert kept["warmth"][1] == {"temperature_c": 24, "minutes": 6.5}
    assert kept["ratings"] == [{"ei": 50, "minutes": 11.5, "origin": "published", "who": "leaflet"}]
    assert kept["scheme"] == "semi-stand"


def test_a_data_sheet_is_pasted(open_page: Open, service: Service) -> None:
    """Read, matched to a film, kept together; what cannot be read is left out and said."""
    page = open_page("/kit")
    page.get_by_role("button", name="Paste a data sheet").click()
    dialog = page.get_by_role("dialog")
    table = dialog.get_by_label("The table, with its head")
    table.fill("nothing of the kind")
    dialog.get_by_role("button", name="Read table").click()
    expect(dialog.get_by_role("alert").filter(has_text="head of the table")).to_be_visible()
    table.fill("Film | EI | 1+1 | 1+3\nSome film | 100 | 9½ | -\nOther | 50 | 8-10 | 9")
    dialog.get_by_role("button", name="Read table").click()
    expect(dialog).to_contain_text("left out: “8-10” is two times; choose one.")
    dialog.get_by_label("“Some film” at EI 100 is").select_option(label="Velm 25")
    dialog.get_by_label("Developer, by its generic name").fill("glycin developer")
    assert violations(page) == []
    dialog.get_by_role("button", name="Save 2 recipes").click()
    expect(dialog).to_have_count(0)
    bad = page.get_by_role("button", name=re.compile(r"^glycin developer 1\+3"))
    expect(bad).to_contain_text("not recommended: data sheet")
    expect(page.get_by_role("button", name=re.compile(r"^glycin developer 1\+1"))).to_be_visible()


def test_mixing_line_by_line(open_page: Open, service: Service) -> None:
    """From the run's card; ticks stay through a reload; two waters tell how much of each."""
    page = open_page("/darkroom/evening")
    page.get_by_role("link", name="Mixing sheet").first.click()
    first = page.get_by_role("checkbox", name="Measure 250 ml of water at 20 °C.")
    first.check()
    page.reload()
    expect(first).to_be_checked()
    page.get_by_label("Tap water, °C").fill("12")
    page.get_by_label("Hot or ice water, °C").fill("14")
    expect(page.get_by_role("alert").filter(has_text="take warmer water")).to_be_visible()
    page.get_by_label("Hot or ice water, °C").fill("44")
    expect(page.get_by_role("checkbox", name="Add 62 ml of hot water, 44 °C")).to_be_visible()
    assert violations(page) == []
    with page.expect_download() as download:
        page.get_by_role("link", name="Mixing sheet (PDF)").evaluate(
            "link => { link.download = 'sheet.pdf'; link.click(); }"
        )
    assert download.value.path().read_bytes().startswith(b"%PDF")


def test_by_the_water_and_by_what_the_tank_is_filled_with(open_page: Open) -> None:
    """Concentrate for water that is measured first; one reel in a tank of two."""
    page = open_page("/darkroom/mixing?recipe_id=recipe-corvane-mq")
    developer = page.get_by_role("region", name="Metol–hydroquinone developer")
    page.get_by_label("Or water first, ml").fill("400")
    expect(developer.get_by_text("Add 400 ml of concentrate; stir.")).to_be_visible()
    expect(developer.get_by_text("Measure 400 ml of water at 20 °C.")).to_be_visible()
    page.get_by_label("Or water first, ml").fill("")
    page.get_by_label("Tank filled with, ml").fill("290")
    expect(developer.get_by_text("Measure 145 ml of water at 20 °C.")).to_be_visible()
    page.get_by_label("Tank filled with, ml").fill("")
    page.get_by_label("Or water first, ml").fill("plenty")
    expect(page.get_by_role("alert").filter(has_text="“plenty” is not a volume")).to_be_visible()


def test_the_film_is_typed_as_fast_as_one_can(open_page: Open) -> None:
    """Every digit stays where it was typed; the sheet that is asked for is of the whole number."""
    page = open_page("/darkroom/mixing?recipe_id=recipe-corvane-mq")
    field = page.get_by_label("Film area, square inches")
    for area in ("1234", "2345", "3456"):
        field.press("Control+A")
        page.keyboard.type(area)
        expect(field).to_have_value(area)
        expect(page).to_have_url(re.compile(f"recipe_id=recipe-corvane-mq.*area_in2={area}$"))


def test_measures_of_ones_own(open_page: Open, service: Service) -> None:
    """°F and fluid ounces, chosen once, are typed and read on the mixing sheet."""
    page = open_page("/kit")
    page.get_by_role("region", name="Preferences").get_by_role("button", name="Change").click()
    page.get_by_label("Temperatures in").select_option("F")
    page.get_by_label("Volumes in").select_option("fl oz")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    page.goto(f"{service.url}/darkroom/mixing")
    expect(page.get_by_label("Target temperature, °F")).to_have_value("68")
    expect(
        page.get_by_role("checkbox", name="Measure 8.45 fl oz of water at 68 °F.")
    ).to_be_visible()
    page.get_by_label("Target temperature, °F").fill("75")
    expect(page.get_by_role("checkbox", name="water at 75 °F.").first).to_be_visible()


def test_stock_from_powder_and_the_clearing_test(open_page: Open, service: Service) -> None:
    """The powder's lines with their cautions; the fixer tried, and kept with its bottle."""
    page = open_page("/darkroom/mixing", PHONE)
    page.get_by_label("Mix", exact=True).select_option("powder-mq")
    expect(page.get_by_role("checkbox", name="Pour in all of part A")).to_be_visible()
    expect(page.get_by_text("Powders raise dust")).to_be_visible()
    page.get_by_label("Seconds").fill("70")
    page.get_by_label("Save to").select_option(label="Fixer 1+4")
    page.get_by_role("button", name="Work out fixing time").click()
    expect(page.get_by_text("Fix for 2:20")).to_be_visible()
    expect(page.get_by_text("twice as long as when it was fresh")).to_be_visible()
    assert violations(page) == []


def test_a_sheet_is_dragged(open_page: Open, service: Service) -> None:
    """Onto another run: its cost is said where it lies now."""
    page = open_page("/darkroom/evening", {"width": 1280, "height": 1200})  # both runs in sight
    second = page.get_by_role("article", name="Run 2: Corvane 100 N+1")
    page.get_by_role("listitem").filter(has_text="1B Winding house").drag_to(second)
    shared = page.get_by_role("article", name="Run 2: Corvane 100 N−1 to N+1")
    expect(shared).to_contain_text("1B")
    expect(shared).to_contain_text("zone too high")


def test_the_evening_in_the_calendar(open_page: Open) -> None:
    """What it takes is summed up, bottles left out; the file begins when it is said."""
    page = open_page("/darkroom/evening")
    expect(page.get_by_text("developer, concentrate")).to_be_visible()
    expect(page.get_by_text("Fixer, concentrate")).to_have_count(0)
    page.get_by_role("checkbox", name="Fixer 1+4").uncheck()
    expect(page.get_by_text("Fixer, concentrate")).to_be_visible()
    page.get_by_label("Start").fill("2026-01-20T19:30")
    with page.expect_download() as download:
        page.get_by_role("button", name="Calendar file").click()
    text = download.value.path().read_text("utf-8")
    assert text.count("BEGIN:VEVENT") == 3
    assert "20260120T" in text


def test_bottles_of_the_evening(open_page: Open, service: Service) -> None:
    """Ticked they go with the run, and are used up when it is developed; else they say nothing."""
    page = open_page("/darkroom/evening")
    expect(page.get_by_text("Fixer 1+4 is past its 180 days")).to_be_visible()
    page.get_by_role("checkbox", name="Fixer 1+4").uncheck()
    expect(page.get_by_text("Fixer 1+4 is past its 180 days")).to_have_count(0)
    page.get_by_role("button", name="Set up run 1").first.click()
    expect(page.get_by_role("button", name="Set up run 2")).to_have_count(0)
    (run,) = service.call("GET", "/api/darkroom")["runs"]
    assert run["run"]["bottle_ids"] == ["bottle-stop"]
    service.call("POST", f"/api/darkroom/runs/{run['run']['id']}/developed")
    bottles = service.call("GET", "/api/kit")["bottles"]
    assert {each["id"]: each["used_rolls"] for each in bottles} == {
        "bottle-fixer": 6,
        "bottle-stop": 0.5,
    }
