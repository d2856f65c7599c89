"""The scene as its user meets it: the canonical path, dragging, and what goes wrong."""

import json
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from emulsa.core import operations
from emulsa.core.data import examples
from tests.browser.conftest import PHONE, Open, Service, settled
from tests.browser.waiting import until

pytestmark = pytest.mark.browser

MOST_INTERACTIONS = 10


class Hands:
    """Counts what the photographer does: a key, a typed line with its Enter, a tap."""

    def __init__(self, page: Page) -> None:
        self.page = page
        self.count = 0

    def key(self, key: str) -> None:
        self.count += 1
        self.page.keyboard.press(key)

    def line(self, text: str) -> None:
        """A line typed into what has the focus, kept with Enter."""
        self.count += 1
        self.page.keyboard.type(text)
        self.page.keyboard.press("Enter")

    def tap(self, name: str) -> None:
        self.count += 1
        self.page.get_by_role("button", name=name, exact=True).tap()


def core_answer() -> dict[str, Any]:
    """The canonical scene by the core alone, on the demo's film."""
    request = json.loads(json.dumps(examples.EXPOSURE_EXAMPLE))
    slate = {"id": "slate", "label": "slate", "reading": {"kind": "ev", "ev": 11 + 1 / 3}}
    request["readings"].insert(1, slate)
    request["law"]["exponent"] = 1.31  # the demo film's own
    # and its recipe's own index for each N: N−1 at EI 80 is a third of a stop more
    request["ei_by_n"] = [{"n": n, "ei": ei} for n, ei in ((-2, 64), (-1, 80), (0, 100), (1, 125))]
    answer: dict[str, Any] = json.loads(operations.answer_json("exposure", json.dumps(request)))
    return answer


def type_the_scene(hands: Hands) -> None:
    field = hands.page.get_by_label("Type a reading")
    for text in ("9 shade III", "11 1/3 slate", "15 frost", "filter deep red", "draw 30", "f/32"):
        hands.line(text)
        expect(field).to_have_value("")


def test_the_canonical_scene_by_keyboard_alone(open_page: Open, begun: str) -> None:
    """Three readings, placement, red filter, 30 mm draw, f/32, exposed on 2B; then the darkroom."""
    page = open_page(begun)
    expect(page.get_by_text("Meter the thing that matters")).to_be_visible()
    hands = Hands(page)
    hands.key("/")
    type_the_scene(hands)
    expect(page.locator("[data-result]")).to_have_text("f/3213 s")

    answer = core_answer()
    rows = page.get_by_role("complementary").get_by_role("listitem")
    wanted = [row for row in answer["ledger"] if row["step"] != "set"]
    expect(rows).to_have_count(len(wanted))
    for place, row in enumerate(wanted):
        for part in ("label", "time_text"):
            expect(rows.nth(place)).to_contain_text(row[part])
        # 0.526 stop of bellows is written as a half, log2(100/80) as a third: fractions beside
        # fractions
        near = {"bellows": "+½", "ei": "+⅓"}
        stops = near.get(row["step"], row["stops_text"])
        if row["step"] != "reciprocity":
            expect(rows.nth(place)).to_contain_text(stops)

    hands.key("Escape")
    hands.key("e")
    expect(page.get_by_label("Side or frame")).to_be_focused()
    hands.line("2B")
    expect(page.get_by_text("2B exposed: 13 s at f/32")).to_be_visible()
    assert hands.count <= MOST_INTERACTIONS

    page.reload()
    expect(page.get_by_role("button", name="2B · f/32, 13 s · N−1")).to_be_visible()
    page.keyboard.press("g")
    page.keyboard.press("4")
    group = page.get_by_role("region", name="Corvane 100 N−1")
    expect(group.get_by_role("listitem").filter(has_text="2B")).to_contain_text("Tramway bridge")
    expect(group.locator("[data-minutes]")).to_have_text("6 min 50 s")


def test_the_canonical_scene_on_a_phone(open_page: Open, begun: str) -> None:
    """The same with one thumb on 390 × 844, result and bridge together on the screen."""
    page = open_page(begun, PHONE)
    hands = Hands(page)
    hands.count += 1
    page.get_by_label("Type a reading").tap()
    type_the_scene(hands)
    expect(page.locator("[data-result]")).to_have_text("f/3213 s")
    for part in (
        page.locator("[data-result]"),
        page.locator("[data-pin=frost]"),
        page.locator("[data-handle]"),
    ):
        box = part.bounding_box()
        assert box is not None
        assert box["y"] >= 0
        assert box["y"] + box["height"] <= PHONE["height"]
        assert box["x"] >= 0
        assert box["x"] + box["width"] <= PHONE["width"]
    hands.tap("Expose now")
    hands.tap("2B")
    hands.tap("Log exposure")
    expect(page.get_by_text("2B exposed: 13 s at f/32")).to_be_visible()
    assert hands.count <= MOST_INTERACTIONS
    page.reload()
    page.get_by_role("link", name="Darkroom").tap()
    group = page.get_by_role("region", name="Corvane 100 N−1")
    expect(group.get_by_role("listitem").filter(has_text="2B")).to_be_visible()
    expect(group.locator("[data-minutes]")).to_have_text("6 min 50 s")


def test_a_pin_is_dragged(open_page: Open, service: Service) -> None:
    """All pins move with it, it snaps to thirds, it is kept when let go, and undo takes it back."""
    page = open_page("/scene/scene-winding-house")
    doorway, frost = (
        page.locator('[data-pin="doorway in shade"]'),
        page.locator('[data-pin="lit frost"]'),
    )
    expect(doorway).to_have_attribute("aria-valuenow", "3")
    # the bridge stands still once everything under it is drawn
    expect(page.get_by_role("group", name="The same exposure at other apertures")).to_be_visible()
    start = doorway.locator("circle").nth(1).bounding_box()
    assert start is not None
    x, y = start["x"] + start["width"] / 2, start["y"] + start["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + 40, y, steps=4)
    page.mouse.move(x + 71, y, steps=4)
    expect(doorway).to_have_attribute("aria-valuenow", "4")
    expect(frost).to_have_attribute("aria-valuenow", "10")
    page.mouse.up()
    expect(page.get_by_role("button", name="Placement: shadow on IV")).to_be_visible()
    expect(page.locator("[data-result]")).to_have_text("f/324.4 s")
    expect(page.get_by_role("button", name="Undo: change scene Winding house")).to_be_enabled()
    kept = service.call("GET", "/api/scenes/scene-winding-house")["scene"]["pin"]
    assert kept == {"reading": "doorway", "zone": 4}
    page.keyboard.press("u")
    expect(doorway).to_have_attribute("aria-valuenow", "3")
    assert service.call("GET", "/api/scenes/scene-winding-house")["scene"]["pin"]["zone"] == 3


def test_pins_and_handle_by_keyboard(open_page: Open, service: Service) -> None:
    """Arrows move a pin by thirds and the N handle by halves; both say what they mean."""
    page = open_page("/scene/scene-winding-house")
    frost = page.locator('[data-pin="lit frost"]')
    frost.focus()
    page.keyboard.press("ArrowLeft")
    expect(page.get_by_role("button", name="Placement: highlight on VIII⅔")).to_be_visible()
    expect(frost).to_have_attribute(
        "aria-valuetext", "EV 15, placed on VIII⅔, printed as VIII⅔, highlight texture lost"
    )
    page.keyboard.press("u")
    handle = page.locator("[data-handle]")
    expect(handle).to_have_attribute("aria-valuetext", "N−1: lit frost printed as VIII")
    handle.focus()
    page.keyboard.press("ArrowLeft")
    expect(handle).to_have_attribute("aria-valuetext", "N−1½: lit frost printed as VII½")
    high = service.call("GET", "/api/scenes/scene-winding-house")["scene"]["high"]
    assert high == {"reading": "frost", "zone": 7.5}


def test_the_line_says_its_meaning_and_keeps_what_was_typed(
    open_page: Open, service: Service
) -> None:
    """The meaning before Enter; a refusal after it, with nothing lost, even across rooms."""
    page = open_page("/scene/scene-pool")
    field = page.get_by_label("Type a reading")
    field.fill("15 lit frost")
    expect(page.get_by_text("EV 15 · “lit frost” · falls on IX").first).to_be_visible()
    for typed, said in (
        ("f/4", "This lens has no f/4: its apertures run from f/5.6 to f/64."),
        ("25 sun", "EV 25 is more than any light (EV is between −8 and 24)"),
        ("draw 5000", "must be between 0 and 3000 mm"),
        ("13,3 bark", "Is the comma a decimal point, as in 13.3 bark?"),
        ("filter amber", "There is no filter “amber”. Say its factor"),
    ):
        field.fill(typed)
        field.press("Enter")
        expect(page.get_by_role("alert").filter(has_text=said)).to_be_attached()
        expect(field).to_have_value(typed)
    page.get_by_role("link", name="Film").click()
    page.get_by_role("link", name="Scene").click()
    expect(page.get_by_label("Type a reading")).to_have_value("filter amber")
    assert len(service.call("GET", "/api/scenes/scene-pool")["scene"]["readings"]) == 3


def test_words_of_the_sentence(open_page: Open) -> None:
    """Focus, filter and film are changed in place; a refusal stands beside the field."""
    page = open_page("/scene/scene-pool")
    page.get_by_role("button", name="Focus: 40 mm past infinity").click()
    page.get_by_label("Focus given as").select_option("subject")
    page.get_by_label("Subject to lens, mm").fill("120")
    page.get_by_role("button", name="Set focus").click()
    expect(
        page.get_by_role("alert").filter(
            has_text="farther away than the focal length: more than 150 mm"
        )
    ).to_be_visible()
    expect(page.get_by_label("Subject to lens, mm")).to_have_value("120")
    page.get_by_label("Subject to lens, mm").fill("900")
    page.get_by_role("button", name="Set focus").click()
    expect(page.get_by_role("button", name="Focus: subject at 900 mm")).to_be_visible()
    expect(page.get_by_role("complementary")).to_contain_text("factor 1.44")
    page.get_by_role("button", name="Filter: Deep red").click()
    page.get_by_role("button", name="none", exact=False).first.click()
    expect(page.get_by_role("complementary")).not_to_contain_text("Deep red")
    page.get_by_role("button", name="f/16", exact=False).click()
    expect(page.locator("[data-result]")).to_contain_text("f/16")


def test_a_reading_is_taken_again_and_removed(open_page: Open) -> None:
    """Touching a pin opens its reading; it reads back as the line it was."""
    page = open_page("/scene/scene-pool")
    page.locator('[data-pin="grey ice"]').focus()
    page.keyboard.press("Enter")
    field = page.get_by_label("Reading and name")
    expect(field).to_have_value("11⅔ grey ice")
    field.fill("99 grey ice")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("alert").filter(has_text="EV 99")).to_be_visible()
    field.fill("12 grey ice")
    page.get_by_role("button", name="Save").click()
    expect(page.locator('[data-pin="grey ice"]')).to_contain_text("EV 12")
    page.locator('[data-pin="grey ice"]').focus()
    page.keyboard.press("Enter")
    page.get_by_role("button", name="Remove").click()
    expect(page.locator('[data-pin="grey ice"]')).to_have_count(0)


def test_what_was_really_given(open_page: Open) -> None:
    """A longer time is logged as given, with its true error; it can be put right later."""
    page = open_page("/scene/scene-pool")
    expect(page.locator("[data-result]")).to_be_visible()
    page.keyboard.press("e")
    page.get_by_label("Time given").fill("0:14")
    page.get_by_label("Side or frame").fill("9Z")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert").filter(has_text="choose from 2A, 2B, 4B")).to_be_visible()
    expect(page.get_by_label("Time given")).to_have_value("0:14")
    page.get_by_label("Side or frame").fill("2a")
    page.keyboard.press("Enter")
    page.get_by_role("button", name="2A · f/32, 14 s · N").click()
    dialog = page.get_by_role("dialog")
    expect(dialog).to_contain_text("⅓ stop too much")
    dialog.get_by_label("Time given").fill("12")
    dialog.get_by_role("button", name="Save").click()
    expect(page.get_by_role("button", name="2A · f/32, 12 s · N")).to_be_visible()


def test_the_server_goes_away_and_comes_back(open_page: Open, service: Service) -> None:
    """It is said, nothing typed is lost, and the next try keeps it."""
    page = open_page("/scene/scene-pool")
    field = page.get_by_label("Type a reading")
    field.fill("12 moss")
    service.stop()
    field.press("Enter")
    expect(
        page.get_by_role("alert").filter(has_text="Emulsa is not responding").first
    ).to_be_attached()
    expect(field).to_have_value("12 moss")
    service.start()
    field.press("Enter")
    expect(page.locator("[data-pin=moss]")).to_be_visible()
    open_page.problems[:] = [each for each in open_page.problems if "ERR_CON" not in each]  # type: ignore[attr-defined]


def test_lines_typed_faster_than_the_page_is_drawn(
    open_page: Open, begun: str, service: Service
) -> None:
    """Each line works on what the one before it left: none is lost."""
    page = open_page(begun)
    page.get_by_label("Type a reading").focus()
    for text in ("9 shade III", "11 slate", "12 moss", "15 frost", "f/32"):
        page.keyboard.type(text)
        page.keyboard.press("Enter")
        expect(page.get_by_label("Type a reading")).to_have_value("")
    expect(page.locator("[data-pin]")).to_have_count(4)

    def kept() -> Any:
        return service.call("GET", "/api/scenes/new")["scene"]

    until(page, lambda: kept()["aperture"] == "32")
    assert [each["label"] for each in kept()["readings"]] == ["shade", "slate", "moss", "frost"]


# Names on the tone bridge that stand outside it, and pairs of them that lie over each other.
NAMES = """() => {
    const room = document.querySelector('[data-pin]').ownerSVGElement.getBoundingClientRect();
    const found = [...document.querySelectorAll('[data-pin]')].map((pin) => ({
        name: pin.dataset.pin, at: pin.querySelector('text').getBoundingClientRect(),
    }));
    const outside = found.filter(({at}) => at.top < room.top || at.right > room.right + 1);
    const over = found.flatMap((one, k) => found.slice(k + 1).filter(({at}) =>
        at.left < one.at.right && one.at.left < at.right
        && at.top < one.at.bottom - 3 && one.at.top < at.bottom - 3));
    return [...outside, ...over].map(({name}) => name);
}"""


def test_every_name_is_read_on_a_low_screen(open_page: Open) -> None:
    """On a laptop's height the rails come together before a name is cut off or written over."""
    page = open_page("/scene/scene-winding-house")
    page.locator("[data-pin]").first.wait_for()
    for height in (600, 650, 720, 800, 1_000):
        page.set_viewport_size({"width": 1_366, "height": height})
        settled(page)
        assert page.evaluate(NAMES) == [], height
