"""By the keyboard: what begins a reading, what acts, and where the focus is after every dialog."""

from typing import Any

import pytest
from playwright.sync_api import Locator, Page, Route, expect

from tests.browser.conftest import PHONE, WIDE, Open, Service
from tests.browser.looks import dress, some_looks, violations

pytestmark = pytest.mark.browser

MANY_TABS = 30
INSIDE = "document.querySelector('[role=dialog][data-state=open]').contains(document.activeElement)"


def labels(service: Service, scene: str) -> list[str]:
    readings = service.call("GET", f"/api/scenes/{scene}")["scene"]["readings"]
    return [each["label"] for each in readings]


def test_a_digit_begins_a_reading_anywhere(open_page: Open, service: Service) -> None:
    """It goes into the line, and the letters after it: none of them opens a room or exposes."""
    page = open_page("/scene/scene-pool")
    expect(page.locator("[data-result]")).to_be_visible()
    page.get_by_role("tab", name="Placement methods").focus()
    page.keyboard.type("9 beu shade", delay=20)
    line = page.get_by_label("Type a reading")
    expect(line).to_be_focused()
    expect(line).to_have_value("9 beu shade")
    page.keyboard.press("Enter")
    expect(page.locator('[data-pin="beu shade"]')).to_be_visible()
    expect(page.get_by_role("heading", level=1)).to_contain_text("Frozen pool")
    assert labels(service, "scene-pool")[-1] == "beu shade"
    expect(page.get_by_role("dialog")).to_have_count(0)


def test_no_letter_acts_right_after_typing(open_page: Open) -> None:
    """One that falls beside the line a moment later is not a command; later it is."""
    page = open_page("/scene/scene-pool")
    expect(page.locator("[data-result]")).to_be_visible()
    page.get_by_label("Type a reading").focus()
    page.keyboard.type("f")
    page.keyboard.press("Backspace")
    page.evaluate("document.activeElement.blur()")
    page.keyboard.press("e")
    page.keyboard.press("b")
    expect(page.get_by_role("dialog")).to_have_count(0)
    page.wait_for_timeout(1_100)
    page.keyboard.press("e")
    expect(page.get_by_role("dialog", name="Expose")).to_be_visible()
    page.keyboard.press("Escape")
    page.get_by_label("Type a reading").focus()
    page.keyboard.type("f")
    page.keyboard.press("Escape")  # says that one is done
    page.keyboard.press("b")
    expect(page.get_by_role("dialog", name="Bracket")).to_be_visible()


def test_typing_right_after_begin(open_page: Open, service: Service) -> None:
    """The line of the new scene has the focus: what is typed is its first reading."""
    page = open_page("/outing")
    page.get_by_label("Next scene on Third outing, frost").fill("Tramway bridge")
    page.keyboard.press("Enter")
    page.wait_for_url("**/scene/*")
    expect(page.get_by_label("Type a reading")).to_be_focused()
    page.keyboard.type("12 mud")
    page.keyboard.press("Enter")
    expect(page.locator('[data-pin="mud"]')).to_be_visible()
    assert labels(service, page.url.rsplit("/", 1)[1]) == ["mud"]


def held(page: Page) -> list[Route]:
    """Lines on their way to the service, each until it is let through."""
    waiting: list[Route] = []
    page.route("**/api/scenes/*/line?**", lambda route: waiting.append(route))
    return waiting


def let_through(page: Page, waiting: list[Route]) -> None:
    while not waiting:
        page.wait_for_timeout(10)
    waiting.pop(0).continue_()


def test_the_line_is_free_at_once(open_page: Open, service: Service) -> None:
    """While the first is still on its way the second is typed: two readings, no word glued on."""
    page = open_page("/scene/scene-pool")
    expect(page.locator("[data-result]")).to_be_visible()
    waiting = held(page)
    line = page.get_by_label("Type a reading")
    line.focus()
    page.keyboard.type("12 wall")
    page.keyboard.press("Enter")
    expect(line).to_have_value("")
    page.keyboard.type("7 walker")
    page.keyboard.press("Enter")
    let_through(page, waiting)
    let_through(page, waiting)
    expect(page.locator('[data-pin="walker"]')).to_be_visible()
    assert labels(service, "scene-pool")[-2:] == ["wall", "walker"]


def test_a_line_refused_meanwhile_comes_back(open_page: Open) -> None:
    """What was typed since stays; the refused one is said and taken up again by a touch. Alone it
    comes back chosen, to be typed over."""
    page = open_page("/scene/scene-pool")
    expect(page.locator("[data-result]")).to_be_visible()
    line = page.get_by_label("Type a reading")
    line.focus()
    page.keyboard.type("9 shade XIV")
    page.keyboard.press("Enter")
    expect(line).to_have_value("9 shade XIV")
    expect(line).to_have_attribute("aria-invalid", "true")
    page.keyboard.type("8")
    expect(line).to_have_value("8")
    line.fill("")
    waiting = held(page)
    page.keyboard.type("9 shade XIV")
    page.keyboard.press("Enter")
    page.keyboard.type("7 wall")
    expect(line).to_have_value("7 wall")
    let_through(page, waiting)
    expect(page.get_by_role("alert")).to_contain_text("“9 shade XIV” was not added.")
    expect(line).to_have_value("7 wall")
    page.get_by_role("button", name="Use “9 shade XIV”").click()
    expect(line).to_have_value("9 shade XIV")


# Every way into a dialog: the room, what is waited for, what opens it.
OPENERS = [
    ("/outing", "main section", "New outing"),
    ("/outing", "main section", "Change Third outing, frost"),
    ("/outing", "main section", "Revisit a scene on Third outing, frost"),
    ("/outing", "main section", "Pack for Third outing, frost"),
    ("/scene/scene-pool", "[data-result]", "Bracket"),
    ("/scene/scene-pool", "[data-result]", "Expose e"),
    ("/film", "main li", "Holder 1"),
    ("/film/rolls", "main section", "Load a roll"),
    ("/film/rolls", "main section", "Cut into strips"),
    ("/film/stock", "main li", "Add a box"),
    ("/darkroom", "[data-minutes]", "Add to run: Corvane 100 N−1 1A"),
    ("/darkroom", "[data-minutes]", "Change development: Corvane 100 N−1 1A"),
    ("/bench", "main section", "Add a film test"),
    ("/log", "[data-place]", "Import and export"),
    ("/log/exposure-1A", "[data-result]", "Correct"),
    ("/kit", "main section", "Add a film"),
    ("/kit", "main section", "Add a tank"),
    ("/kit", "main section", "Paste a data sheet"),
    ("/kit", "main section", "Help and keys"),
]


@pytest.mark.parametrize(
    ("place", "path", "ready", "name"),
    [(place, *opener) for place, opener in enumerate(OPENERS)],
    ids=[f"{path} {name}" for path, _, name in OPENERS],
)
def test_a_dialog_keeps_the_focus_and_gives_it_back(
    open_page: Open, place: int, path: str, ready: str, name: str
) -> None:
    """By keys alone: opened, gone round in, left by Escape; the focus is where it was. Nobody is
    shut out of it, in any look and window."""
    page = open_page(path)
    expect(page.locator(ready).first).to_be_visible()
    opener = page.get_by_role("button", name=name, exact=True).first
    expect(opener).to_be_enabled()  # once what it needs is known
    opener.focus()
    page.keyboard.press("Enter")
    dialog = page.locator('[role="dialog"][data-state="open"]')
    expect(dialog).to_have_count(1)
    page.wait_for_function(INSIDE)
    for _ in range(MANY_TABS):
        page.keyboard.press("Tab")
        assert page.evaluate(INSIDE), "Tab left the dialog"
    page.keyboard.press("Escape")
    expect(dialog).to_have_count(0)
    expect(opener).to_be_focused()
    page.keyboard.press("Enter")
    expect(dialog).to_have_count(1)
    for look, window in some_looks(place):
        dress(page, look, window)
        assert violations(page) == [], (look, window)


def test_an_opener_that_is_gone(open_page: Open) -> None:
    """The focus goes to the room, not to nothing."""
    page = open_page("/outing")
    expect(page.locator("main section").first).to_be_visible()
    page.keyboard.press("?")
    expect(page.get_by_role("dialog")).to_be_visible()
    page.keyboard.press("Escape")
    expect(page.get_by_role("dialog")).to_have_count(0)
    expect(page.locator("main").first).to_be_focused()


def boxes(found: Locator) -> list[dict[str, Any]]:
    return [each for each in (one.bounding_box() for one in found.all()) if each]


SIZES = [
    WIDE,
    {"width": 844, "height": 390},
    {"width": 640, "height": 400},
    PHONE,
    {"width": 320, "height": 568},
]


def in_sight(page: Page, what: Locator) -> bool:
    box, size = what.bounding_box(), page.viewport_size
    assert size is not None
    return (
        box is not None
        and box["y"] >= 0
        and box["y"] + box["height"] <= size["height"] + 0.5
        and box["x"] >= 0
        and box["x"] + box["width"] <= size["width"] + 0.5
    )


def test_what_is_worked_with_is_always_in_sight(open_page: Open) -> None:
    """Result, reading line, Expose and Bracket, on a scene with several cautions."""
    page = open_page("/scene/scene-pool")
    for size in SIZES:
        page.set_viewport_size(size)  # type: ignore[arg-type]
        for what in (
            page.locator("[data-result]"),
            page.get_by_label("Type a reading"),
            page.get_by_role("button", name="Expose", exact=size["width"] < 900),
            page.get_by_role("button", name="Bracket", exact=True),
        ):
            expect(what.first).to_be_visible()
            assert in_sight(page, what.first), size
