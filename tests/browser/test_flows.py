"""Smaller paths through the rooms, each as somebody walks it."""

import re
from typing import Any

import pytest
from playwright.sync_api import Route, expect

from tests.browser.conftest import PHONE, Open, Service

pytestmark = pytest.mark.browser


def test_the_first_reading_of_a_scene(open_page: Open, begun: str) -> None:
    """One reading on V, said to be as metered; N waits for a second one; then it is placed."""
    page = open_page(begun)
    field = page.get_by_label("Type a reading")
    field.fill("11 wall")
    field.press("Enter")
    expect(page.get_by_role("button", name="Placement: as metered, on V")).to_be_visible()
    expect(page.get_by_text("add a second reading for N")).to_be_visible()
    expect(page.locator("[data-result]")).to_have_text("f/81/30")
    page.get_by_role("button", name="Aperture: f/8, assumed").click()
    page.get_by_label("Aperture on the lens").fill("f/22")
    page.get_by_role("button", name="Set aperture").click()
    expect(page.locator("[data-result]")).to_have_text("f/221/4")
    page.get_by_role("button", name="Placement: as metered, on V").click()
    page.get_by_role("button", name="IV", exact=True).click()
    expect(page.get_by_role("button", name="Placement: shadow on IV")).to_be_visible()
    expect(page.locator("[data-result]")).to_have_text("f/221/8")


def test_a_tone_that_is_lost_says_so(open_page: Open, service: Service) -> None:
    """N held at normal, the lit frost frays at the end of its strand and says which tone goes."""
    scene = service.call("GET", "/api/scenes/scene-winding-house")["scene"]
    service.call("PUT", "/api/scenes/scene-winding-house", {**scene, "n": 0})
    page = open_page("/scene/scene-winding-house")
    expect(page.get_by_text("highlight texture lost")).to_be_visible()
    expect(page.get_by_text("its texture is lost unless you contract")).to_be_visible()
    handle = page.locator("[data-handle]")
    handle.focus()
    page.keyboard.press("ArrowLeft")
    expect(handle).to_have_attribute("aria-valuenow", "8.5")
    page.keyboard.press("ArrowLeft")
    expect(page.get_by_text("highlight texture lost")).to_have_count(0)


def test_the_important_highlight_is_chosen(open_page: Open) -> None:
    """By its pin: another reading, another zone; N follows."""
    page = open_page("/scene/scene-winding-house")
    page.locator('[data-pin="wet slate face"]').focus()
    page.keyboard.press("Enter")
    page.get_by_label("Important highlight, print zone").select_option("7")
    expect(page.locator("[data-handle]")).to_have_attribute(
        "aria-valuetext", "N+1½: wet slate face printed as VI⅔"
    )
    expect(page.get_by_role("dialog")).to_have_count(0)
    page.keyboard.press("u")
    expect(page.locator("[data-handle]")).to_contain_text("N−1")


def test_a_row_of_the_ledger_explains_itself(open_page: Open) -> None:
    """Touching a row opens its source; touching it again closes it."""
    page = open_page("/scene/scene-pool")
    row = page.get_by_role("button", name=re.compile("^Bellows"))
    expect(row).to_have_attribute("aria-expanded", "false")
    row.click()
    expect(page.get_by_text("Stroebel, View Camera Technique")).to_be_visible()
    row.click()
    expect(page.get_by_text("Stroebel, View Camera Technique")).to_have_count(0)


def test_an_alternative_is_taken(open_page: Open, service: Service) -> None:
    """The same exposure at another aperture, by touching it."""
    page = open_page("/scene/scene-pool")
    strip = page.get_by_role("group", name="The same exposure at other apertures")
    expect(strip.get_by_role("button")).to_have_count(8)
    expect(strip.get_by_role("button", name="f/32")).to_have_attribute("aria-pressed", "true")
    strip.get_by_role("button", name="f/45").click()
    expect(page.locator("[data-result]")).to_have_text("f/4528 s")
    assert service.call("GET", "/api/scenes/scene-pool")["scene"]["aperture"] == "45"


def test_film_and_rating(open_page: Open) -> None:
    """Another film brings its EI; rating it otherwise changes the time; its recipe is chosen."""
    page = open_page("/scene/scene-pool")
    page.get_by_role("button", name="Film: Corvane 100 · EI 100").click()
    page.get_by_label("Exposure index").fill("fifty")
    page.get_by_role("button", name="Set EI").click()
    expect(page.get_by_role("alert").filter(has_text="“fifty” is not a number")).to_be_visible()
    expect(page.get_by_label("Exposure index")).to_have_value("fifty")
    page.get_by_label("Exposure index").fill("50")
    page.get_by_role("button", name="Set EI").click()
    expect(page.get_by_role("button", name="Film: Corvane 100 · EI 50")).to_be_visible()
    expect(page.locator("[data-result]")).to_contain_text("28 s")
    page.get_by_role("button", name="Film: Corvane 100 · EI 50").click()
    page.get_by_role("button", name=re.compile("Velm 25")).click()
    expect(page.get_by_role("button", name="Film: Velm 25 · EI 25")).to_be_visible()


@pytest.mark.parametrize(
    ("kind", "values", "said"),
    [
        ("extension", {"Lens to film, mm": "190"}, "190 mm extension"),
        ("magnification", {"Image size ÷ subject size": "0.25"}, "magnification 0.25"),
        ("target", {"Target, mm": "50", "Its image, mm": "10"}, "target 50 → 10 mm"),
        ("infinity", {}, "infinity"),
    ],
)
def test_ways_of_saying_the_focus(
    open_page: Open, kind: str, values: dict[str, str], said: str
) -> None:
    """Each with the numbers it needs, read back in the sentence."""
    page = open_page("/scene/scene-pool")
    page.get_by_role("button", name="Focus: 40 mm past infinity").click()
    page.get_by_label("Focus given as").select_option(kind)
    for label, value in values.items():
        page.get_by_label(label).fill(value)
    page.get_by_role("button", name="Set focus").click()
    expect(page.get_by_role("button", name=f"Focus: {said}")).to_be_visible()


def test_a_pinhole_has_no_aperture_and_no_focus(open_page: Open) -> None:
    """The sentence holds only what can be said; its f-number is its own."""
    page = open_page("/scene/scene-adit")
    expect(page.locator("[data-result]")).to_have_text("f/20013 min 30 s")
    for word in ("Aperture", "Focus"):
        expect(page.get_by_role("button", name=re.compile(f"^{word}:"))).to_have_count(0)
    page.get_by_role("button", name=re.compile("^Lens: pinhole")).click()
    page.get_by_role("button", name=re.compile("90 mm wide")).click()
    expect(page.get_by_role("button", name="Aperture: f/8, assumed")).to_be_visible()


def test_no_sheet_of_this_film(open_page: Open, service: Service) -> None:
    """It is logged without a holder, or loaded first: the way is said, and leads there."""
    service.call("POST", "/api/holders/unload", {"sides": "3B"})
    page = open_page("/scene/scene-adit")
    expect(page.locator("[data-result]")).to_be_visible()
    page.keyboard.press("e")
    expect(page.get_by_label("Side or frame")).to_have_value("no holder")
    page.get_by_role("link", name="Load a holder or a roll in Film").click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Film")


def test_the_sums_on_a_phone(open_page: Open) -> None:
    """Behind a word, with everything the wide screen shows beside the bridge."""
    page = open_page("/scene/scene-winding-house", PHONE)
    page.get_by_role("button", name="how it adds up").tap()
    dialog = page.get_by_role("dialog", name="How it adds up")
    for part in ("Placed on III", "Medium yellow", "Reciprocity", "Develop", "1A · f/32"):
        expect(dialog).to_contain_text(part)
    dialog.get_by_role("button", name="Close").tap()
    expect(dialog).to_have_count(0)


def test_a_pin_is_dragged_upright_on_a_phone(open_page: Open) -> None:
    """Shadows below: pulling a pin up a zone makes the scene lighter."""
    page = open_page("/scene/scene-winding-house", PHONE)
    pin = page.locator('[data-pin="doorway in shade"]')
    expect(pin).to_have_attribute("aria-valuenow", "3")
    circle = pin.locator("circle").nth(1).bounding_box()
    rail = page.get_by_role("group", name=re.compile("^Tone bridge"))
    cell = rail.locator("g > g > rect").first
    box = cell.bounding_box()
    assert circle is not None
    assert box is not None
    zone = box["height"]
    x, y = circle["x"] + circle["width"] / 2, circle["y"] + circle["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x, y - zone / 2, steps=3)
    page.mouse.move(x, y - zone, steps=3)
    page.mouse.up()
    expect(pin).to_have_attribute("aria-valuenow", "4")


def test_the_light_is_kept(open_page: Open) -> None:
    """Dusk after day, and still dusk after a reload; the greys of the rails are the same."""
    page = open_page("/scene/scene-pool")
    grey = '[aria-label^="Tone bridge"] rect[fill^="rgb"] >> nth=3'
    before = page.locator(grey).get_attribute("fill")
    page.get_by_role("button", name="Change to dusk light").click()
    expect(page.locator("html")).to_have_class("dark")
    assert page.locator(grey).get_attribute("fill") == before
    assert page.evaluate("localStorage.getItem('emulsa-light')") == "dusk"


def test_holders_come_and_go(open_page: Open) -> None:
    """Numbered on, renumbered with a refusal, noted, and taken off when empty."""
    page = open_page("/film")
    page.get_by_role("button", name="Add a holder").click()
    page.get_by_role("button", name="Holder 7", exact=True).click()
    page.get_by_label("Number").fill("3")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("alert").filter(has_text="There is a holder 3 already")).to_be_visible()
    page.get_by_label("Number").fill("12")
    page.get_by_label("Note").fill("left slide sticks")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_text("left slide sticks")).to_be_visible()
    page.get_by_role("button", name="Holder 12", exact=True).click()
    page.get_by_role("button", name="Delete").click()
    expect(page.get_by_role("button", name="Holder 12", exact=True)).to_have_count(0)


KIT: list[tuple[str, str, dict[str, str], str, str]] = [
    ("Lenses", "Add a lens", {"Name": "210 mm", "Focal length, mm": "4"}, "between 5 and 3000 mm", "Focal length, mm"),
    ("Pinholes", "Add a pinhole", {"Name": "Wide hole", "Diameter, mm": "9"}, "between 0.02 and 5 mm", "Diameter, mm"),
    ("Filters", "Add a filter", {"Name": "Green", "Strength": "0.5"}, "between 1 and 100000", "Strength"),
    ("Meters", "Add a meter", {"Name": "Old meter", "K, reflected": "NaN"}, "not a number", "K, reflected"),
    ("Cameras", "Add a camera", {"Name": "Whole plate", "Image width, mm": "0"}, "between 5 and 1500 mm", "Image width, mm"),
]  # fmt: skip


@pytest.mark.parametrize(("section", "add", "typed", "refused", "field"), KIT)
def test_kit_is_refused_where_it_was_typed(
    open_page: Open, section: str, add: str, typed: dict[str, str], refused: str, field: str
) -> None:
    """One sentence with the range beside the field, everything typed still there; then it is kept."""
    page = open_page("/kit")
    page.get_by_role("button", name=add).click()
    dialog = page.get_by_role("dialog")
    for label, value in typed.items():
        dialog.get_by_label(label, exact=True).fill(value)
    dialog.get_by_role("button", name="Save").click()
    expect(dialog.get_by_role("alert").filter(has_text=refused)).to_be_visible()
    for label, value in typed.items():
        expect(dialog.get_by_label(label, exact=True)).to_have_value(value)
    dialog.get_by_label(field, exact=True).fill("12")
    if field == "Diameter, mm":
        dialog.get_by_label(field, exact=True).fill("0.4")
    dialog.get_by_role("button", name="Save").click()
    expect(page.get_by_role("region", name=section)).to_contain_text(typed["Name"])


def test_a_recipe_by_its_points(open_page: Open, service: Service) -> None:
    """As they stand in a notebook; the darkroom uses them at once."""
    page = open_page("/kit")
    page.get_by_role("button", name="Metol–hydroquinone 1+1, trays").click()
    points = page.get_by_label("Minutes for N")
    expect(points).to_have_value(re.compile(r"^-2 {2}5:30 {2}personal {2}64"))
    points.fill("N-1  seven  tested\nN  9  tested  100")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("alert").filter(has_text="“seven” is not a time")).to_be_visible()
    points.fill("N-1  7  tested\nN  9  tested  100")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    page.keyboard.press("g")
    page.keyboard.press("4")
    group = page.get_by_role("region", name="Corvane 100 N−1")
    expect(group.locator("[data-minutes]")).to_have_text("7 min")
    expect(group).to_contain_text("tested")
    recipes: list[dict[str, Any]] = service.call("GET", "/api/kit")["recipes"]
    kept = next(each for each in recipes if each["id"] == "recipe-corvane-mq")
    assert [(point["n"], point["minutes"]) for point in kept["recipe"]["points"]] == [
        (-1, 7),
        (0, 9),
    ]


def test_an_outing_is_put_right(open_page: Open) -> None:
    """Title, place and weather, later on."""
    page = open_page("/outing")
    page.get_by_role("region", name="Third outing").get_by_role("button", name="change").click()
    page.get_by_label("Weather").fill("Thaw, drizzle; 3 °C")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    expect(page.get_by_text("Thaw, drizzle; 3 °C")).to_be_visible()
    page.keyboard.press("u")
    expect(page.get_by_text("Thaw, drizzle; 3 °C")).to_have_count(0)
    page.keyboard.press("U")
    expect(page.get_by_text("Thaw, drizzle; 3 °C")).to_be_visible()


def test_undo_and_redo_as_fast_as_one_can(open_page: Open, service: Service) -> None:
    """Three changes; u u u without waiting takes back all of them, U U brings two again."""
    for title in ("One", "Two", "Three"):
        kept = service.call("GET", "/api/outings")[0]
        path = f"/api/outings/outing-quarry?base={kept['version']}"
        service.call("PUT", path, {**kept["outing"], "title": title})
    page = open_page("/outing")
    expect(page.get_by_role("heading", name="Three", level=2)).to_be_visible()
    for key in "uuu":
        page.keyboard.press(key)
    expect(page.get_by_role("heading", name="Third outing", level=2)).to_be_visible()
    for key in "UU":
        page.keyboard.press(key)
    expect(page.get_by_role("heading", name="Two", level=2)).to_be_visible()
    assert service.call("GET", "/api/outings")[0]["outing"]["title"] == "Two"


def test_undo_at_once_means_what_was_just_done(open_page: Open) -> None:
    """Pressed before the page has heard what there is to undo: it is not lost, and means that."""
    page = open_page("/scene/scene-winding-house")
    handle = page.locator("[data-handle]")
    expect(handle).to_contain_text("N−1")
    held: list[Route] = []
    page.route("**/api/journal", lambda route: held.append(route))
    page.locator('[data-pin="wet slate face"]').focus()
    page.keyboard.press("Enter")
    page.get_by_label("Important highlight, print zone").select_option("7")
    expect(page.get_by_role("dialog")).to_have_count(0)
    expect(handle).to_contain_text("N+1½")
    page.keyboard.press("u")
    page.wait_for_timeout(300)
    assert held
    for each in held:
        each.continue_()
    page.unroute("**/api/journal")
    expect(handle).to_contain_text("N−1")


def test_hands_on_the_keyboard_are_seen(open_page: Open) -> None:
    """Tab reaches the line, the words, every pin, the handle and Expose, each with a visible ring."""
    page = open_page("/scene/scene-pool")
    expect(page.locator("[data-handle]")).to_be_visible()
    reached: list[str] = []
    for _ in range(60):
        page.keyboard.press("Tab")
        name = page.evaluate(
            """() => {
              const at = document.activeElement;
              if (at === document.body) return '';
              const style = getComputedStyle(at);
              const ring = style.outlineStyle !== 'none' && parseFloat(style.outlineWidth) >= 2;
              const parent = at.closest('form > div');
              const framed = parent && getComputedStyle(parent).outlineStyle !== 'none';
              return (at.getAttribute('aria-label') || at.textContent) + (ring || framed ? '' : ' UNSEEN');
            }"""
        )
        if name in reached:
            break
        reached += [name] if name else []
    assert not [name for name in reached if "UNSEEN" in name]
    said = " | ".join(reached)
    for part in ("Type a reading", "Focus:", "dark crack", "grey ice", "Development N", "Expose"):
        assert part in said


@pytest.mark.parametrize("arrived", [False, True], ids=["on its way", "answer lost"])
def test_what_was_begun_before_a_reload_goes_on(
    open_page: Open, service: Service, arrived: bool
) -> None:
    """An act whose page went away is handed in again by the next one, and is done once."""
    page = open_page("/outing", fresh=True)
    begins = "**/api/outings/outing-quarry/scenes"
    ids: list[str] = []

    def unanswered(route: Route) -> None:
        if ids:  # handed in again
            route.continue_()
            return
        ids.append(route.request.headers["idempotency-key"])
        if arrived:
            route.fetch()

    page.route(begins, unanswered)
    page.get_by_label("Next scene").first.fill("Tramway bridge")
    with page.expect_request(begins):
        page.get_by_role("button", name="Begin scene").first.click()
    with page.expect_response(begins) as again:
        page.reload()
    assert [again.value.request.headers["idempotency-key"]] == ids
    expect(page.get_by_role("link", name=re.compile("Tramway bridge"))).to_have_count(1)
    outings = service.call("GET", "/api/outings")
    titles = [scene["title"] for outing in outings for scene in outing["scenes"]]
    assert titles.count("Tramway bridge") == 1
