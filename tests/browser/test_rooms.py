"""The other rooms, from the first start on, and what every room owes its user."""

import re

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import PHONE, Open, Service, settled
from tests.browser.looks import NAMED_ALIKE, ROOMS, WINDOWS, daily_looks, dress, violations

pytestmark = pytest.mark.browser


@pytest.mark.parametrize("room", ROOMS)
def test_a_room_in_every_window(open_page: Open, room: str) -> None:
    """Nothing scrolls sideways in any; nobody is shut out of the desk's by day, of the phone's at
    dusk; no two controls sound alike, and links of one name lead to one place."""
    page = open_page(room)
    expect(page.get_by_role("main")).to_be_visible()
    settled(page)
    assert page.evaluate(NAMED_ALIKE) == []
    for width, height in reversed(WINDOWS):
        page.set_viewport_size({"width": width, "height": height})
        expect(page.get_by_role("main")).to_be_visible()
        page.wait_for_function("document.documentElement.scrollWidth <= innerWidth")
    for look, window in daily_looks():
        dress(page, look, window)
        assert violations(page) == [], (look, window)


def test_a_room_that_does_not_load(open_page: Open) -> None:
    """It is said with a way to try again, and the other rooms still open."""
    page = open_page("/outing")
    page.route("**/assets/log-*.js", lambda route: route.abort())
    page.get_by_role("link", name="Log").click()
    expect(page.get_by_role("alert")).to_contain_text("Nothing you typed or logged is")
    page.get_by_role("link", name="Darkroom").click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Darkroom")
    page.get_by_role("link", name="Log").click()
    page.unroute("**/assets/log-*.js")
    page.get_by_role("button", name="Open it again").click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Log")
    open_page.problems.clear()  # type: ignore[attr-defined]


def test_a_part_of_the_house_that_does_not_load(open_page: Open) -> None:
    """The page is not left empty: it is said, with a way to try again."""
    page = open_page("/outing")
    expect(page.get_by_role("heading", level=1)).to_have_text("Outing")
    page.route("**/assets/Help-*.js", lambda route: route.abort())
    page.keyboard.press("?")
    expect(page.get_by_role("alert")).to_contain_text("Nothing you typed or logged is")
    page.unroute("**/assets/Help-*.js")
    page.get_by_role("button", name="Open it again").click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Outing")
    open_page.problems.clear()  # type: ignore[attr-defined]


def test_digits_open_rooms(open_page: Open) -> None:
    """Each room has its digit, after g; alone it opens none. A question mark lists the keys."""
    page = open_page("/outing")
    expect(page.get_by_role("heading", level=1)).to_have_text("Outing")
    for key, name in (
        ("3", "Film"),
        ("4", "Darkroom"),
        ("5", "Bench"),
        ("7", "Log"),
        ("8", "Practice"),
        ("9", "Kit"),
        ("1", "Outing"),
    ):
        page.keyboard.press("g")
        page.keyboard.press(key)
        expect(page.get_by_role("heading", level=1)).to_have_text(name)
    page.keyboard.press("3")
    page.wait_for_timeout(200)
    expect(page.get_by_role("heading", level=1)).to_have_text("Outing")
    page.keyboard.press("?")
    expect(page.get_by_role("dialog")).to_contain_text("type a reading")


def test_parts_are_dressed(open_page: Open) -> None:
    """A part whose recipe is missing would stand unstyled: dialog, field, choice, popover."""
    page = open_page("/scene/scene-pool")
    expect(page.locator("[data-result]")).to_be_visible()
    page.keyboard.press("e")
    dialog = page.get_by_role("dialog")
    expect(dialog).to_have_css("max-width", "560px")
    expect(dialog.get_by_label("Time given")).to_have_css("min-height", "44px")
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Film: Corvane").click()
    popover = page.get_by_role("dialog", name="Film")
    expect(popover).to_have_css("border-top-width", "1px")
    expect(popover.get_by_label("Develop in")).to_have_css("appearance", "none")


def test_the_temperature_is_typed(open_page: Open) -> None:
    """Times follow it; outside 18 to 27 °C they are refused beside the field, and only they."""
    page = open_page("/darkroom")
    minutes = page.get_by_role("region", name="Corvane 100 N−1").locator("[data-minutes]")
    expect(minutes).to_have_text("6 min 50 s")
    field = page.get_by_label("Developer temperature")
    field.fill("22")
    expect(minutes).to_have_text("5 min 40 s")
    field.fill("30")
    expect(page.get_by_role("alert").filter(has_text="between 18 and 27 °C")).to_be_visible()
    expect(page.get_by_role("region", name="Corvane 100 N−1")).to_contain_text("1A")
    field.fill("warm")
    expect(page.get_by_role("alert").filter(has_text="is not a temperature")).to_be_visible()
    page.get_by_role("button", name="Switch to °F").click()
    expect(page.get_by_label("Developer temperature, °F")).to_have_value("68")
    expect(minutes).to_have_text("6 min 50 s")


def test_the_kit_is_kept(open_page: Open, service: Service) -> None:
    """A film with a table; a row that shortens is refused where it was typed, then mended."""
    page = open_page("/kit")
    page.get_by_role("button", name="Add a film").click()
    page.get_by_label("Name").fill("Harrow 50")
    page.get_by_label("Reciprocity", exact=True).select_option("table")
    rows = page.get_by_label("Rows: metered s, corrected s")
    rows.fill("1 1\n10 8")
    page.get_by_role("button", name="Save").click()
    expect(
        page.get_by_role("alert").filter(has_text="Row 2 of the reciprocity table")
    ).to_be_visible()
    expect(rows).to_have_value("1 1\n10 8")
    rows.fill("1 1\n10 18")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("region", name="Films")).to_contain_text("Harrow 50")
    kept = next(
        each for each in service.call("GET", "/api/kit")["films"] if each["name"] == "Harrow 50"
    )
    assert kept["law"] == {"kind": "table", "rows": [[1, 1], [10, 18]]}
    page.get_by_role("button", name="Corvane 100").first.click()
    page.get_by_role("button", name="Delete").click()
    expect(page.get_by_role("alert").filter(has_text="still used")).to_be_visible()


def test_from_the_first_start(open_page: Open, service: Service) -> None:
    """A new outing and its first scene, begun in the page."""
    page = open_page("/outing")
    page.get_by_role("button", name="New outing").click()
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("alert").filter(has_text="must not be empty")).to_be_visible()
    page.get_by_label("Title").fill("Fourth outing, thaw")
    page.get_by_label("Day", exact=True).fill("2026-02-03")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("heading", name="Fourth outing, thaw")).to_be_visible()
    section = page.get_by_role("region", name="Fourth outing, thaw")
    section.get_by_label("Begin the first scene").fill("Tramway bridge")
    section.get_by_role("button", name="Begin scene").click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Tramway bridge")
    expect(page.get_by_text("Type a reading to begin").first).to_be_visible()
    page.get_by_role("button", name="Tramway bridge", exact=True).click()
    page.get_by_role("button", name="Delete scene").click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Outing")


def test_an_empty_house_teaches_the_next_step(open_page: Open, service: Service) -> None:
    """Without outings, holders, film or waiting sheets every room says what to do."""
    service.lay(service.empty)
    page = open_page("/outing")
    for path, taught in (
        ("/outing", "No outing yet."),
        ("/scene", "Meter the thing that matters"),
        ("/film", "No holders yet."),
        ("/darkroom", "Nothing to develop."),
        ("/kit", "The film you rate"),
    ):
        page.goto(service.url + path)
        expect(page.get_by_text(taught)).to_be_visible()


def test_an_unknown_address(open_page: Open) -> None:
    """Leads back."""
    page = open_page("/attic")
    page.get_by_role("link", name="Back to the outing").click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Outing")


STATES = [
    ("/scene/scene-pool", "Placement methods", "tab"),
    ("/scene/scene-pool", "Second opinion", "tab"),
    ("/scene/scene-pool", "e", "key"),
    ("/scene/scene-pool", "b", "key"),
    ("/scene/scene-adit", "clock", "clock"),
    ("/kit", "Corvane 100 EI", "button"),
    ("/kit", "90 mm wide", "button"),
]


@pytest.mark.parametrize(("room", "what", "how"), STATES)
def test_nothing_that_opens_shuts_anybody_out(
    open_page: Open, room: str, what: str, how: str
) -> None:
    """Strips, sheets and the clock: no axe violations in either light."""
    page = open_page(room)
    ready = "[data-result]" if room.startswith("/scene") else "main section"
    expect(page.locator(ready).first).to_be_visible()
    if how == "tab":
        page.get_by_role("tab", name=what).click()
    elif how == "key":
        page.keyboard.press(what)
    elif how == "clock":
        page.keyboard.press("e")
        page.get_by_role("button", name="Clock", exact=True).click()
    else:
        page.get_by_role("button", name=re.compile(f"^{what}")).click()
    settled(page)
    assert violations(page) == []
    page.evaluate("document.documentElement.classList.replace('light', 'dark')")
    assert violations(page, "color-contrast") == []


def test_the_other_ways_are_tabs_with_a_panel(open_page: Open) -> None:
    """Arrows go from one to the next, and the panel is called by its tab; upright pins say so."""
    page = open_page("/scene/scene-pool")
    first = page.get_by_role("tab", name="Other apertures")
    first.focus()
    page.keyboard.press("ArrowRight")
    expect(page.get_by_role("tab", name="Placement methods")).to_be_focused()
    expect(page.get_by_role("tabpanel", name="Placement methods")).to_contain_text("mid-tone")
    page = open_page("/scene/scene-pool", PHONE)
    pin = page.get_by_role("slider", name="dark crack, placed")
    expect(pin).to_have_attribute("aria-orientation", "vertical")
    expect(page.get_by_role("group", name="Tone bridge, upright")).to_be_visible()
