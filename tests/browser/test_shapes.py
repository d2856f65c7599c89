"""In every hand: drawings that stay readable with hard data, in any window."""

from typing import Any

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import PHONE, WIDE, Open, Service, settled

pytestmark = pytest.mark.browser

LYING = {"width": 844, "height": 390}
TABLET = {"width": 820, "height": 1180}
SMALL = {"width": 320, "height": 568}

# Texts of a drawing that lie on each other by more than their edges.
OVERLAPPING = """(drawing) => {
  const shown = [...drawing.querySelectorAll('text')].filter((each) => each.checkVisibility());
  const boxes = shown.map((each) => [each.textContent, each.getBoundingClientRect()]);
  const found = [];
  for (let one = 0; one < boxes.length; one++) {
    for (let two = one + 1; two < boxes.length; two++) {
      const [a, b] = [boxes[one][1], boxes[two][1]];
      const across = Math.min(a.right, b.right) - Math.max(a.left, b.left);
      const down = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
      if (across > 3 && down > 5) found.push(`${boxes[one][0]} / ${boxes[two][0]}`);
    }
  }
  return found;
}"""
# Texts of a drawing that its own window cuts off.
CUT = """(drawing) => {
  const outer = drawing.getBoundingClientRect();
  return [...drawing.querySelectorAll('text')]
    .filter((each) => each.checkVisibility())
    .filter((each) => {
      const box = each.getBoundingClientRect();
      return box.left < outer.left - 1 || box.right > outer.right + 1;
    })
    .map((each) => each.textContent);
}"""


def crowded(service: Service, readings: int) -> None:
    """A scene of so many readings, some of them on one tone, with long names."""
    scene = service.call("GET", "/api/scenes/scene-pool")["scene"]
    names = ("wet slate face of the winding house", "frost", "doorway in the shade", "sky")
    more = [
        {
            "id": f"r{place}",
            "label": f"{names[place % 4]} {place}",
            "reading": {"kind": "ev", "ev": 7 + (place % 13) * 0.75},
        }
        for place in range(readings)
    ]
    service.call(
        "PUT",
        "/api/scenes/scene-pool",
        scene | {"readings": more, "pin": {"reading": "r3", "zone": 4}, "high": None},
    )


def test_thirty_readings_stay_readable(open_page: Open, service: Service) -> None:
    """The placed, the ends and the first lost are named; the others are listed, none is gone."""
    crowded(service, 30)
    page = open_page("/scene/scene-pool")
    bridge = page.get_by_role("group", name="Tone bridge")
    listed = page.get_by_role("list", name="Other readings").get_by_role("button")
    for size in (WIDE, TABLET, PHONE, LYING, SMALL):
        page.set_viewport_size(size)  # type: ignore[arg-type]
        settled(page)
        expect(bridge.locator("[data-pin]")).to_have_count(30)
        assert bridge.evaluate(OVERLAPPING) == [], size
        assert bridge.evaluate(CUT) == [], size
        named = bridge.locator("[data-pin]").filter(has=page.locator("text")).count()
        assert listed.count() + named == 30
        assert named <= 9
    listed.first.click()
    expect(page.get_by_role("dialog")).to_be_visible()


def test_few_readings_with_long_names(open_page: Open, service: Service) -> None:
    """In two lines where there is no room for one; nothing is cut off."""
    crowded(service, 4)
    page = open_page("/scene/scene-pool")
    bridge = page.get_by_role("group", name="Tone bridge")
    for size in (WIDE, PHONE, SMALL):
        page.set_viewport_size(size)  # type: ignore[arg-type]
        settled(page)
        expect(bridge.locator("[data-pin]")).to_have_count(4)
        assert bridge.evaluate(CUT) == [], size
        assert bridge.evaluate(OVERLAPPING) == [], size


def test_fifty_holders_are_told_apart(open_page: Open, service: Service) -> None:
    """By what is in them; empty ones are numbers until they are asked for."""
    for number in range(7, 51):
        holder: dict[str, Any] = {"id": f"h{number}", "number": number, "format": "4x5"}
        service.call("PUT", f"/api/holders/h{number}", holder)
    page = open_page("/film")
    empty = page.get_by_role("region", name="Empty")
    expect(empty).to_contain_text("10, 11, 12")
    expect(empty.get_by_role("button", name="Holder 10")).to_have_count(0)
    expect(page.get_by_role("region", name="Exposed")).to_contain_text("1")
    shown = page.locator("main").evaluate("each => each.scrollHeight")
    assert shown < 1_200
    empty.get_by_role("button", name="Show empty holders").click()
    expect(empty.get_by_role("button", name="Holder 10")).to_be_visible()


def test_the_day_is_a_thread(open_page: Open, service: Service) -> None:
    """Its knots are said by their hours; names that would touch stand on lines of their own."""
    page = open_page("/outing")
    thread = page.get_by_role("img", name="4 exposures between")
    expect(thread).to_be_visible()
    assert thread.evaluate(OVERLAPPING) == []
    slip = page.get_by_role("img", name="white bubbles VIII")
    expect(slip).to_have_count(1)
    page.set_viewport_size({"width": 390, "height": 844})
    assert thread.evaluate(CUT) == []
    expect(page.get_by_role("button", name="5 unexposed · 4 to develop")).to_be_visible()


def test_the_log_is_narrowed_by_touch(open_page: Open) -> None:
    """A column of the comb, a month; each again, and all is shown."""
    page = open_page("/log")
    comb = page.get_by_role("group", name="By development")
    comb.get_by_role("button", name="N+1: 3 exposures").click()
    expect(page.get_by_text("3 exposures").first).to_be_visible()
    expect(comb.get_by_role("button", name="N−1: 7 exposures")).to_be_visible()
    comb.get_by_role("button", name="N+1: 3 exposures").click()
    months = page.get_by_role("group", name="By month")
    months.get_by_role("button", name="Earlier: 2025").click()
    months.get_by_role("button", name="7 exposures").last.click()
    expect(page.get_by_text("7 exposures").first).to_be_visible()
    row = page.locator("[data-place]").filter(has_text="5A")
    expect(row.get_by_role("img", name="printed")).to_be_visible()


def test_what_waits_is_a_block_of_its_minutes(open_page: Open) -> None:
    """In the darkroom and at a glance, alike."""
    page = open_page("/darkroom")
    blocks = page.get_by_role("list", name="Developing times side by side").get_by_role("listitem")
    expect(blocks).to_have_count(3)
    expect(blocks.first).to_contain_text("6 min 50 s")
    expect(blocks.first).to_contain_text("2 sheets")
    wide = [each.bounding_box() for each in page.locator("[data-block] > :first-child").all()]
    lengths = [each["width"] for each in wide if each]
    assert lengths[1] / lengths[0] == pytest.approx(11.5 / 6.833, rel=0.03)


def titled(page: Page, title: str) -> None:
    expect(page).to_have_title(title)


def test_windows_have_titles_and_a_way_back(open_page: Open) -> None:
    """Of the record, then the room; on a phone a page within a room leads back to it."""
    page = open_page("/log/exposure-1A", PHONE)
    titled(page, "1A · Winding house, sun on the incline · Log · Emulsa")
    page.get_by_role("link", name="Back to Log").click()
    titled(page, "Log · Emulsa")
    expect(page.get_by_role("link", name="Back to")).to_have_count(0)
    page.goto(page.url.replace("/log", "/scene/scene-adit"))
    titled(page, "Into the adit · Scene · Emulsa")
