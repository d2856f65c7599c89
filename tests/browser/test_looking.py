"""Scans under one loupe: one place and one enlargement, moved by hand, wheel, fingers and keys."""

import io
import re
import urllib.request
from typing import Any
from uuid import uuid4

import pytest
from PIL import Image
from playwright.sync_api import Page, expect

from tests.browser.conftest import PHONE, Open, Service
from tests.browser.looks import violations
from tests.browser.waiting import until

pytestmark = pytest.mark.browser

BRACKET = "scan-trial-1A,scan-trial-1B,scan-trial-2A"
# where a pane's picture lies: left, top and scale
LAID = """() => [...document.querySelectorAll('[data-pane]')].map((pane) => {
    const at = new DOMMatrix(getComputedStyle(pane.firstElementChild).transform);
    return [at.e, at.f, at.a].map((each) => Math.round(each * 1000) / 1000);
})"""
TILES = """() => [...document.querySelectorAll('[data-pane]')].map((pane) =>
    [...pane.firstElementChild.querySelectorAll('img')]
        .filter((each) => each.src.includes('/tiles/') && each.complete && each.naturalWidth > 0)
        .map((each) => each.src.split('/tiles/')[1]))"""


def laid(page: Page) -> Any:
    return page.evaluate(LAID)


def deep(service: Service, id_: str, grey: int) -> None:
    """A scan of sixteen bits, large enough for several sizes of tiles."""
    picture = Image.new("I", (3000, 2400), grey * 257)
    picture.paste(60_000, (1500, 0, 3000, 2400))
    file = io.BytesIO()
    picture.convert("I;16").save(file, "TIFF")
    query = "exposure_id=exposure-1A&name=" + id_ + ".tif"
    asked = urllib.request.Request(
        f"{service.url}/api/attachments/{id_}?{query}",
        data=file.getvalue(),
        method="PUT",
        headers={"X-Emulsa": "1", "Idempotency-Key": uuid4().hex},
    )
    urllib.request.urlopen(asked, timeout=20).close()


def test_one_place_for_all(open_page: Open) -> None:
    """Wheel, drag, keys and the buttons move every scan alike; 0 shows the whole picture again."""
    page = open_page(f"/log/together?of={BRACKET}")
    panes = page.locator("[data-pane]")
    expect(panes).to_have_count(3)
    expect(page.get_by_role("status").filter(has_text="the whole picture")).to_be_visible()
    whole = laid(page)
    assert whole[0] == whole[1] == whole[2]
    box = panes.nth(1).bounding_box()
    assert box
    page.mouse.move(box["x"] + box["width"] * 0.25, box["y"] + box["height"] * 0.75)
    page.mouse.wheel(0, -600)
    until(page, lambda: laid(page)[0] != whole[0])
    near = laid(page)
    assert near[0] == near[1] == near[2]
    times = near[0][2] / whole[0][2]
    assert 2.5 < times < 3.5
    # what was under the pointer is under it still
    under = (box["width"] * 0.25 - whole[1][0]) / whole[1][2]
    assert (box["width"] * 0.25 - near[1][0]) / near[1][2] == pytest.approx(under, abs=1)
    page.mouse.down()
    page.mouse.move(box["x"] + box["width"] * 0.25 - 40, box["y"] + box["height"] * 0.75 - 25)
    page.mouse.up()
    until(page, lambda: laid(page)[2] != near[2])
    dragged = laid(page)
    assert dragged[0] == dragged[1] == dragged[2]
    assert dragged[0][0] - near[0][0] == pytest.approx(-40, abs=1)
    page.keyboard.press("ArrowLeft")
    until(page, lambda: laid(page)[0] != dragged[0])
    assert laid(page)[0][0] > dragged[0][0]
    page.keyboard.press("0")
    until(page, lambda: laid(page) == whole)
    expect(page.get_by_role("button", name="Further away")).to_be_disabled()
    page.keyboard.press("+")
    page.get_by_role("button", name="Nearer").click()
    expect(page.get_by_role("status").filter(has_text="2 × nearer")).to_be_visible()
    page.get_by_role("button", name="Whole").click()
    until(page, lambda: laid(page) == whole)


def test_a_deep_scan_comes_in_tiles(open_page: Open, service: Service) -> None:
    """From afar a few of the coarse ones; near, those in sight of the scan itself, for each."""
    deep(service, "deep-a", 40)
    deep(service, "deep-b", 90)
    page = open_page("/log/together?of=deep-a,deep-b")
    coarse = ["2/0/0", "2/0/1", "2/1/0", "2/1/1"]
    until(page, lambda: [sorted(tiles) for tiles in page.evaluate(TILES)] == [coarse, coarse])
    for _ in range(8):
        page.get_by_role("button", name="Nearer").click()

    def near() -> bool:
        """The scan itself about its middle (of 3000 × 2400), alike in both, and not all."""
        first, second = (sorted(tiles) for tiles in page.evaluate(TILES))
        fine = first and all(each.startswith("0/") for each in first)
        return bool(fine and first == second and "0/2/2" in first and "0/0/0" not in first)

    until(page, near)


def test_two_fingers_bring_it_nearer(open_page: Open) -> None:
    """On a phone: pinched apart it is nearer, in both scans; one finger moves it."""
    page = open_page("/log/together?of=scan-trial-1A,scan-trial-1B", size=PHONE)
    panes = page.locator("[data-pane]")
    expect(panes).to_have_count(2)
    whole = laid(page)
    page.evaluate(
        """() => {
            const pane = document.querySelector('[data-pane]');
            pane.setPointerCapture = () => undefined;
            const box = pane.getBoundingClientRect();
            const say = (kind, id, x, y) => pane.dispatchEvent(new PointerEvent(kind, {
                pointerId: id, clientX: box.left + x, clientY: box.top + y, bubbles: true,
                pointerType: 'touch',
            }));
            say('pointerdown', 1, 60, 60);
            say('pointerdown', 2, 100, 60);
            say('pointermove', 2, 140, 60);
            say('pointerup', 1, 60, 60);
            say('pointerup', 2, 140, 60);
        }"""
    )
    until(page, lambda: laid(page)[0] != whole[0])
    near = laid(page)
    assert near[0] == near[1]
    assert near[0][2] / whole[0][2] == pytest.approx(2, abs=0.01)


def test_what_differs_and_nothing_else(open_page: Open) -> None:
    """Two developers: film, recipe, minutes stand under each; what is other is set apart in words a
    screen reader has, too."""
    page = open_page("/log/together?of=scan-trial-2A,scan-trial-4A")
    figures = page.get_by_role("figure")
    first, second = figures.nth(0), figures.nth(1)
    expect(first).to_contain_text("Harle 200, EI 200")
    expect(second).to_contain_text("Harle 200, EI 400")
    expect(second).to_contain_text("Fine-grain metol, trays")
    expect(second).to_contain_text("18 min, N")
    expect(first).not_to_contain_text("150 mm")
    assert violations(page) == []


def test_words_are_chosen_there(open_page: Open, service: Service) -> None:
    """A word a touch: kept with the negative's judgement, taken back by touching it again; another
    frame becomes the best of the bracket; the story says it all."""
    page = open_page(f"/log/together?of={BRACKET}")
    third = page.get_by_role("figure").nth(2)
    third.get_by_role("button", name="coarse").click()
    expect(third.get_by_role("button", name="coarse")).to_have_attribute("aria-pressed", "true")
    third.get_by_role("button", name="crisp").click()
    expect(third.get_by_role("button", name="crisp")).to_have_attribute("aria-pressed", "true")
    third.get_by_role("button", name="crisp").click()
    expect(third.get_by_role("button", name="crisp")).to_have_attribute("aria-pressed", "false")
    best = third.get_by_label("the best frame of its bracket")
    best.click()
    expect(best).to_be_checked()
    expect(page.get_by_role("figure").nth(1).get_by_label("the best")).not_to_be_checked()
    story = service.call("GET", "/api/log/exposure-trial-2A")
    judged = story["judgement"]
    assert (judged["shadow"], judged["highlight"]) == ("full", "full")
    assert (judged["grain"], judged["edge"], judged["best"]) == ("coarse", "", True)
    assert "coarse grain, the best of its bracket" in story["showed"].replace("; ", ", ")


def test_a_negative_nobody_judged_needs_both_ends(open_page: Open, service: Service) -> None:
    """The first word waits for the second end, and says so; then all of them are kept."""
    run = {"id": "run-new", "name": "tray", "recipe_id": "recipe-corvane-mq"}
    service.call("POST", "/api/darkroom/runs", {"run": run, "piece_ids": ["sheet-1A"]})
    service.call("POST", "/api/darkroom/runs/run-new/developed", {})
    deep(service, "deep-a", 40)
    page = open_page("/log/together?of=deep-a")
    figure = page.get_by_role("figure")
    figure.get_by_role("button", name="fine").click()
    figure.get_by_role("button", name="thin").click()
    waits = page.get_by_text("Kept once shadows and highlights are both chosen.")
    expect(waits).to_be_visible()
    assert service.call("GET", "/api/log/exposure-1A")["judgement"] is None
    figure.get_by_role("button", name="flat").click()
    expect(waits).not_to_be_visible()
    judged = service.call("GET", "/api/log/exposure-1A")["judgement"]
    assert (judged["shadow"], judged["highlight"], judged["grain"]) == ("thin", "flat", "fine")


def test_places_are_named_and_gone_back_to(open_page: Open) -> None:
    """A place in sight gets a name; touched, it is in sight again, as near as it was."""
    page = open_page(f"/log/together?of={BRACKET}")
    expect(page.locator("[data-pane]")).to_have_count(3)
    page.keyboard.press("+")
    page.keyboard.press("+")
    page.keyboard.press("ArrowRight")
    page.get_by_role("button", name="Name this place").click()
    here = laid(page)
    page.get_by_label("Name of this place").fill("post")
    page.get_by_role("button", name="Save").click()
    named = page.get_by_role("button", name="post", exact=True)
    expect(named).to_be_visible()
    page.keyboard.press("0")
    until(page, lambda: laid(page) != here)
    named.click()
    until(page, lambda: laid(page) == here)
    page.reload()
    page.get_by_role("button", name="post", exact=True).click()
    until(page, lambda: laid(page) == here)


def test_greys_are_matched_where_one_looks(open_page: Open) -> None:
    """Matched, the others are as light as the first at the middle; and as scanned again."""
    page = open_page(f"/log/together?of={BRACKET}")
    page.get_by_role("button", name="Match greys here").click()
    gains = """() => [...document.querySelectorAll('[data-pane]')]
        .map((pane) => getComputedStyle(pane.firstElementChild).filter)"""
    until(page, lambda: page.evaluate(gains)[2] != "none")
    first, second, third = page.evaluate(gains)
    assert first == "none"
    by = [float(re.findall(r"[\d.]+", each)[0]) for each in (second, third)]
    assert 1 < by[0] < by[1]  # each had a stop less light than the one before
    page.get_by_role("button", name="Greys as scanned").click()
    until(page, lambda: page.evaluate(gains) == ["none"] * 3)


def test_chosen_in_the_log(open_page: Open) -> None:
    """Pictures of the log are ticked and looked at together, in the order they were ticked."""
    page = open_page("/log?view=pictures&text=tip in mist")
    page.get_by_label("Side by side: 2A").check()
    expect(page.get_by_text("1 chosen")).to_be_visible()
    page.get_by_label("Side by side: 1B").check()
    page.get_by_role("link", name="Side by side").click()
    expect(page.locator("[data-pane]")).to_have_count(2)
    expect(page.get_by_role("figure").nth(0)).to_contain_text("2A")
    expect(page.get_by_role("figure").nth(1)).to_contain_text("1B")


def test_from_a_story_and_how_it_was_scanned(open_page: Open) -> None:
    """A story's picture opens large; its bracket lies a touch away; how it was scanned is told."""
    page = open_page("/log/exposure-trial-2A")
    page.get_by_role("button", name="Scan details of tip-in-mist-2A.png").click()
    page.get_by_label("Scanner or camera").fill("copy stand")
    page.get_by_label("Points an inch").fill("2400")
    page.get_by_label("inverted to a positive").check()
    page.get_by_role("button", name="Save", exact=True).click()
    expect(page.get_by_text("copy stand, 2,400 points an inch, inverted")).to_be_visible()
    page.get_by_role("link", name="its bracket").click()
    expect(page.locator("[data-pane]")).to_have_count(5)
    expect(page.get_by_role("figure").nth(1)).to_contain_text("not known")
    page.go_back()
    page.get_by_role("link", name="Look at tip-in-mist-2A.png large").click()
    expect(page.locator("[data-pane]")).to_have_count(1)
    expect(page.get_by_role("heading", level=1)).to_have_text(re.compile("2A · Tip in mist"))
