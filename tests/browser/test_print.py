"""Print: planned by touch and by keys, seen before paper, run by a fast clock, worked again."""

import re
import time
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import PHONE, Open, Service, settled
from tests.browser.waiting import until

pytestmark = pytest.mark.browser

GREY = """
([x, y]) => {
    const canvas = document.querySelector("canvas[data-preview]");
    if (!canvas) return -1;
    const pen = canvas.getContext("2d");
    const at = [Math.round(x * canvas.width), Math.round(y * canvas.height)];
    return pen.getImageData(at[0], at[1], 1, 1).data[0];
}
"""


# sounds are told by their pitch
HEAR = """
() => {
    window.heard = [];
    const own = OscillatorNode.prototype.start;
    OscillatorNode.prototype.start = function (...all) {
        window.heard.push(Math.round(this.frequency.value));
        return own.apply(this, all);
    };
}
"""


def grey(page: Page, x: float, y: float) -> Any:
    """What the preview shows at a place; -1 while it is not there yet."""
    return page.evaluate(GREY, [x, y])


def saved(service: Service, name: str = "print-shed") -> Any:
    return service.call("GET", f"/api/prints/{name}")["print"]


def tries_of(service: Service) -> list[Any]:
    found: list[Any] = service.call("GET", "/api/prints/print-shed")["tries"]
    return found


def acts(service: Service) -> list[str]:
    return [each["act"] for each in saved(service, "print-shed-b")["plan"]["areas"]]


def test_a_picture_is_shown_as_its_plan_prints(open_page: Open, service: Service) -> None:
    """Pixels of the preview are the core's tables; dragging stops darkens the area at once, and the
    change is kept and undone."""
    page = open_page("/print/print-shed")
    column = page.get_by_role("region", name="How this print is made")
    expect(column).to_contain_text("28 s + 36 s burned")
    expect(page.locator("canvas[data-preview=print]")).to_be_attached()
    tables = service.call("POST", "/api/prints/preview", saved(service))
    assert grey(page, 0.05, 0.95) in tables["base"]
    before = grey(page, 0.5, 0.2)
    assert before in tables["base"]
    page.get_by_role("button", name="Floor, +½").click()
    inside = grey(page, 0.55, 0.9)
    panel = page.get_by_role("region", name="Area Floor")
    panel.get_by_role("slider").fill("2")
    expect(page.get_by_role("button", name="Floor, +2")).to_be_visible()
    until(page, lambda: grey(page, 0.55, 0.9) < inside)
    assert grey(page, 0.5, 0.2) == before
    expect(page.get_by_role("button", name=re.compile("Undo: save print"))).to_be_visible()
    assert saved(service)["plan"]["areas"][1]["stops"] == 2
    page.get_by_role("button", name="Undo: save print").click()
    expect(page.get_by_role("button", name="Floor, +½")).to_be_visible()


def test_an_area_is_drawn_by_keys_and_by_touch(open_page: Open, service: Service) -> None:
    """The cross is moved by arrows, Enter puts points; an outline is closed; a corner takes one
    touch on a phone."""
    page = open_page("/print/print-shed-b")
    page.get_by_role("button", name="Outline").click()
    picture = page.get_by_role("application")
    picture.focus()
    for keys in (["ArrowLeft"], ["ArrowDown", "Shift+ArrowDown"], ["Shift+ArrowRight"]):
        for key in keys:
            picture.press(key)
        picture.press("Enter")
    page.get_by_role("button", name="Close outline").click()
    panel = page.get_by_role("region", name="Area Area 1")
    panel.get_by_label("Area", exact=True).fill("Wall")
    page.get_by_role("region", name="Area Wall").get_by_label("Burn or hold back").select_option(
        "dodge"
    )
    expect(page.get_by_role("button", name="Wall, −1")).to_be_visible()
    until(page, lambda: acts(service) == ["dodge"])
    phone = open_page("/print/print-shed-b", PHONE)
    phone.get_by_role("button", name="Corner").click()
    phone.get_by_role("application").click(position={"x": 280, "y": 200})
    phone.get_by_role("region", name=re.compile("^Area Area")).get_by_label(
        "Stops", exact=True
    ).fill("0.5")
    expect(phone.get_by_role("button", name="Area 2, +½")).to_be_visible()
    until(phone, lambda: acts(service) == ["dodge", "burn"])
    kinds = [each["shape"]["kind"] for each in saved(service, "print-shed-b")["plan"]["areas"]]
    assert kinds == ["outline", "corner"]


def test_a_strip_is_touched_between_two(open_page: Open, service: Service) -> None:
    """What to give as the card moves; the gap between two strips is the base time."""
    page = open_page("/print/print-shed-b")
    page.get_by_role("button", name="Test strip").click()
    sheet = page.get_by_role("dialog", name="Test strip")
    expect(sheet.get_by_role("button", name="6 s give 3.3 s strip 2")).to_be_visible()
    for _ in range(2):  # touched again it is still only chosen
        sheet.get_by_role("button", name="Between strip 3 and 4").click()
        expect(sheet.get_by_text("Base time 10.5 s")).to_be_visible()
    settled(page)
    assert service.call("GET", "/api/prints/print-shed-b")["strips"] == []  # chosen, not kept yet
    sheet.get_by_role("button", name="Use this time").click()
    expect(sheet).to_have_count(0)
    kept = saved(service, "print-shed-b")
    assert kept["plan"]["parts"][0]["seconds"] == 10.5
    (strip,) = service.call("GET", "/api/prints/print-shed-b")["strips"]
    assert "between strips 3 and 4 chosen" in strip["says"]


def test_a_print_is_run_by_its_clock_and_kept(open_page: Open, service: Service) -> None:
    """Red on black, its caution first; every exposure by a key, holds announced, then the baths;
    the print is kept with its plan under the next number."""
    page = open_page("/print/print-shed", fresh=True)  # its time is set by hand
    begun = time.time()

    def at(rehearsed_s: float) -> None:
        page.clock.set_fixed_time(begun + rehearsed_s / 10)

    at(0)
    page.evaluate(HEAR)
    page.get_by_role("button", name="Expose by the clock").click()
    clock = page.get_by_role("dialog", name="Clock of the print")
    expect(clock).to_contain_text("A screen can fog paper")
    clock.get_by_role("button", name="Rehearse").click()
    expect(clock).to_contain_text("Next: Soft filter")
    clock.press("Enter")
    for gone_s in range(1, 18):
        at(gone_s)
        expect(clock.get_by_role("timer")).to_have_text(str(18 - gone_s))
        expect(clock).to_contain_text("hold the beams" if gone_s < 4 else "let go")
        expect(clock).to_have_attribute("data-light", "on")
    at(18.5)
    expect(clock).to_contain_text("Next: Hard filter")
    expect(clock).to_have_attribute("data-light", "off")
    heard = page.evaluate("window.heard")
    # begun, held, let go: low and high each time; the last three seconds; twice the end
    assert (heard.count(520), heard.count(780)) == (3, 3)
    assert heard.count(980) == 2
    assert 1 <= heard.count(660) <= 3
    assert heard.count(440) > 5  # the metronome
    page.reload()  # a clock goes on through it
    expect(clock).to_contain_text("Next: Hard filter")
    clock.focus()
    for minute, name in enumerate(("Burn roof hole", "Burn floor", "Developer"), start=1):
        clock.press("PageDown")
        expect(clock).to_have_attribute("data-light", "on")
        at(60 * minute)
        expect(clock).to_contain_text(f"Next: {name}")
    clock.press(" ")  # into the developer: from here it is a run, by its clock
    expect(clock).to_have_count(0)
    baths = page.get_by_role("dialog", name="Clock of Cutting shed, saw beds")
    expect(baths).to_contain_text("rehearsal, 10 times as fast")
    band = baths.get_by_role("img", name="Developer 2:00, Stop bath 0:30, Fixer 5:00, Wash 30:00")
    expect(band).to_have_accessible_name(re.compile("; now Developer$"))
    at(190)
    expect(baths).to_contain_text("Rock the tray")
    at(298)
    expect(baths).to_contain_text("Lift and drain")
    expect(baths).to_have_css("background-color", "rgb(0, 0, 0)")  # on whatever light of the page
    page.reload()
    baths.get_by_role("button", name="Save print").click()
    expect(baths.get_by_role("button", name="Save print")).to_have_count(0)
    at(310)
    expect(baths).to_contain_text("lift and drain in 10")  # its clock goes on: in the stop bath
    expect(baths.get_by_role("timer")).to_have_text("0:20")
    tries = tries_of(service)
    assert [each["number"] for each in tries] == [1, 2, 3, 4, 5]
    assert tries[4]["changed"] == []  # of the plan as it stood, which is the fourth's


def test_a_print_is_worked_for_another_size(open_page: Open, service: Service) -> None:
    """The ledger first; then every time; an earlier print is made again."""
    page = open_page("/print/print-shed")
    page.get_by_role("button", name="New paper or size").click()
    sheet = page.get_by_role("dialog", name="New paper or size")
    sheet.get_by_label("Magnification").fill("5")
    expect(sheet.get_by_role("table")).to_contain_text("+2 stops")
    sheet.get_by_role("button", name="Rework every time").click()
    expect(sheet).to_have_count(0)
    expect(page.get_by_text("Soft filter 72 s, was 18 s")).to_be_visible()
    expect(page.get_by_text("open up, or heat may buckle")).to_be_visible()
    page.get_by_role("button", name="Print 1", exact=False).first.click()
    page.get_by_role("button", name="Use this plan again").click()
    expect(page.get_by_text("Roof hole left alone")).to_be_visible()
    assert saved(service)["plan"]["areas"] == []


def test_a_negative_is_chosen_and_its_print_deleted(open_page: Open) -> None:
    """From the list of developed negatives to a plan of its own, on a phone."""
    page = open_page("/print", PHONE)
    page.get_by_role("button", name="Plan a print").click()
    page.get_by_role("button", name=re.compile("^Print 5B")).click()
    expect(page.get_by_role("heading", name="Cutting shed, saw beds")).to_be_visible()
    expect(page.get_by_text("10 s").first).to_be_visible()
    page.get_by_role("button", name="Turn the sheet").click()
    expect(page.get_by_text(re.compile("It leaves|to mount it by|fits"))).to_be_visible()
    page.get_by_role("button", name="Delete print").click()
    expect(page.get_by_role("button", name="Plan a print")).to_be_visible()


def test_two_hands_over_one_print(open_page: Open, service: Service) -> None:
    """What another hand saved meanwhile is not written over: both are told, one is taken."""
    page = open_page("/print/print-shed")
    expect(page.get_by_role("button", name="Floor, +½")).to_be_visible()
    other = {**saved(service), "title": "Shed, by another hand"}
    version = service.call("GET", "/api/prints/print-shed")["version"]
    service.call("PUT", f"/api/prints/print-shed?base={version}", other)
    page.get_by_role("button", name="Turn the sheet").click()
    page.get_by_role("button", name="Save mine").click()
    until(page, lambda: saved(service)["title"] == "Cutting shed, saw beds")
    assert saved(service)["plan"]["sheet"]["turned"] is False


def test_burns_are_put_in_order(open_page: Open, service: Service) -> None:
    """By dragging a row of the sums, and by keys in the area's panel."""
    page = open_page("/print/print-shed")
    times = page.get_by_role("list", name="Times in the order worked")
    floor = times.get_by_role("listitem").filter(has_text="Burn floor")
    floor.drag_to(times.get_by_role("listitem").filter(has_text="Burn roof hole"))
    until(page, lambda: saved(service)["plan"]["areas"][0]["id"] == "floor")
    page.get_by_role("button", name="Floor, +½").click()
    page.get_by_role("region", name="Area Floor").get_by_role("button", name="Later").press("Enter")
    until(page, lambda: saved(service)["plan"]["areas"][0]["id"] == "roof")


def test_a_parts_time_is_dragged(open_page: Open, service: Service) -> None:
    """The whole picture darkens with the base time, its sum follows, and it is kept."""
    page = open_page("/print/print-shed")
    times = page.get_by_role("list", name="Times in the order worked")
    expect(page.locator("canvas[data-preview=print]")).to_be_attached()
    before = grey(page, 0.5, 0.2)
    times.get_by_role("slider", name="Soft filter, seconds").fill("40")
    until(page, lambda: grey(page, 0.5, 0.2) < before)
    expect(page.get_by_role("region", name="How this print is made")).to_contain_text("49 s")
    until(page, lambda: saved(service)["plan"]["parts"][0]["seconds"] == 40)


def test_a_burn_has_light_of_its_own(open_page: Open, service: Service) -> None:
    """Through its filter and aperture, once more through another; something is held back in it, and
    goes when the burn goes."""
    page = open_page("/print/print-shed-b")
    page.get_by_role("button", name="Corner").click()
    page.get_by_role("group", name="The picture with its areas").or_(
        page.get_by_role("application")
    ).click(position={"x": 300, "y": 300})
    panel = page.get_by_role("region", name="Area Area 1")
    panel.get_by_label("Light").select_option("none")
    panel.get_by_label("Filter or grade").fill("Hard filter")
    panel.get_by_label("Aperture").fill("22")
    column = page.get_by_role("region", name="How this print is made")
    expect(column).to_contain_text("Burn area 1, hard filter at f/22+4.7 s")
    panel.get_by_role("button", name="Again through another filter").click()
    panel = page.get_by_role("region", name="Area Area 1")
    expect(panel.get_by_label("Filter or grade")).to_have_value("")
    panel.get_by_text("Ended by eye").click()
    expect(column).to_contain_text("Burn area 1, white lightby eye, about 4.7 s")
    panel.get_by_role("button", name="Close").click()
    page.get_by_role("button", name="Hole in a card").click()
    for x in (300, 340):
        page.get_by_role("application").click(position={"x": x, "y": 200})
    panel = page.get_by_role("region", name="Area Area 3")
    panel.get_by_label("Burn or hold back").select_option("dodge")
    panel.get_by_label("During").select_option(label="burn of Area 1")
    panel.get_by_label("Stops", exact=True).fill("1")
    expect(column).to_contain_text("hold area 3 2.3 s")
    until(page, lambda: len(saved(service, "print-shed-b")["plan"]["areas"]) == 3)
    first, second, held = saved(service, "print-shed-b")["plan"]["areas"]
    assert first["own"] == {"filter": "Hard filter", "aperture": "22", "by_eye": False}
    assert second["own"] == {"filter": "", "aperture": None, "by_eye": True}
    assert (second["shape"], second["seconds"]) == (first["shape"], 5)
    assert (held["part"], held["act"], held["stops"]) == (first["id"], "dodge", 1)
    page.get_by_role("button", name="Area 1, +5 s").first.click()
    page.get_by_role("button", name="Remove area").click()
    until(page, lambda: len(saved(service, "print-shed-b")["plan"]["areas"]) == 1)
    (left,) = saved(service, "print-shed-b")["plan"]["areas"]
    assert left["id"] == second["id"]


def test_what_is_ended_by_eye_is_kept_as_long_as_it_took(open_page: Open, service: Service) -> None:
    """What is to be done is said before each light; by eye the clock counts up until a key, and the
    print is kept with what that came to; the border is the last light."""
    page = open_page("/print/print-mist", fresh=True)  # its time is set by hand
    begun = time.time()

    def at(gone_s: float) -> None:
        page.clock.set_fixed_time(begun + gone_s)

    at(0)
    page.get_by_role("button", name="Expose by the clock").click()
    clock = page.get_by_role("dialog", name="Clock of the print")
    expect(clock).to_contain_text("Focus on the grain with the lens open, then stop down to f/16.")
    clock.press("Enter")
    at(20)
    expect(clock).to_contain_text("Next: Burn mist, soft filter at f/22")
    expect(clock).to_contain_text("Set the lens to f/22.")
    clock.press("Enter")
    at(22)
    expect(clock).to_contain_text("hold the post")
    at(40)
    expect(clock).to_contain_text("Next: Burn mist, hard filter at f/22")
    clock.press("Enter")
    at(49.7)  # longer than was planned
    expect(clock.get_by_role("timer")).to_have_text("10")
    expect(clock).to_contain_text("to end; by eye, about 5.6 s")
    expect(clock).to_have_attribute("data-light", "on")
    clock.press("Enter")
    expect(clock).to_contain_text("Next: Black border")
    expect(clock).to_contain_text("lay the mask on the picture")
    clock.press("Enter")
    at(60)
    expect(clock).to_contain_text("Next: Developer")
    clock.press("Enter")
    page.get_by_role("button", name="Save print", exact=True).click()
    until(page, lambda: service.call("GET", "/api/prints/print-mist")["tries"] != [])
    (made,) = service.call("GET", "/api/prints/print-mist")["tries"]
    again = {"id": made["id"], "number": None, "at": ""}
    service.call("POST", "/api/prints/print-mist/again", again)
    by_eye = saved(service, "print-mist")["plan"]["areas"][1]
    assert by_eye["seconds"] == 10.0  # 9.7 s less the lamp's lag, before drying down


def test_margins_and_mat_are_typed(open_page: Open, service: Service) -> None:
    """Each side by itself, a mat with its window; both are drawn and read back, and go again."""
    page = open_page("/print/print-shed-b")
    page.get_by_role("button", name="Change sizes").click()
    sheet = page.get_by_role("dialog", name="Plan of the print")
    sheet.get_by_text("Margins of their own on each side").click()
    sheet.get_by_label("Bottom, mm").fill("45.5")
    sheet.get_by_text("Shown in a mat").click()
    sheet.get_by_label("Mat width, mm").fill("420")
    sheet.get_by_label("White left free, mm").fill("-2")
    sheet.get_by_label("Flash of the border, s").fill("3.5")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet).to_have_count(0)
    kept = saved(service, "print-shed-b")["plan"]["sheet"]
    assert kept["sides"] == {"left_mm": 25, "right_mm": 25, "top_mm": 25, "bottom_mm": 45.5}
    assert kept["mat"] == {"width_mm": 420, "height_mm": 500, "free_mm": -2, "lower_mm": 10}
    assert kept["black_edge_s"] == 3.5
    expect(page.get_by_role("img", name="The print in its mat, to scale")).to_be_visible()
    expect(page.get_by_role("region", name="The sheet")).to_contain_text("Mat and frame 420 ×")
    page.get_by_role("button", name="Change sizes").click()
    expect(sheet.get_by_label("Bottom, mm").first).to_have_value("45.5")
    for ticked in ("Margins of their own on each side", "Shown in a mat"):
        sheet.get_by_text(ticked).click()
    sheet.get_by_role("button", name="Save").click()
    expect(sheet).to_have_count(0)
    kept = saved(service, "print-shed-b")["plan"]["sheet"]
    assert (kept["sides"], kept["mat"]) == (None, None)
