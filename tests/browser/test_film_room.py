"""The Film and Darkroom rooms: a sheet and a roll through every state, by hand."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import PHONE, Open, Service
from tests.browser.looks import violations

pytestmark = pytest.mark.browser


def side(page: Page, name: str) -> None:
    expect(page.get_by_role("button", name=f"Side {name}")).to_be_visible()


def undo(page: Page) -> None:
    page.get_by_role("button", name="Undo").click()


def test_a_loading_session(open_page: Open) -> None:
    """Touched and typed sides are the same choice; loaded in one action, undone in one."""
    page = open_page("/film")
    page.get_by_role("button", name="Side 6A, empty").click()
    expect(page.get_by_role("button", name="Side 6A, empty")).to_have_attribute(
        "aria-pressed", "true"
    )
    field = page.get_by_label("Sides")
    expect(field).to_have_value("6A")
    field.fill("5b 6")
    expect(page.get_by_role("button", name="Load 3 sheets")).to_be_visible()
    page.get_by_role("button", name="Side 6B, empty").click()
    expect(field).to_have_value("5B 6A")
    page.get_by_text("In the changing bag").click()
    expect(page.get_by_text("Slide in with its light side out")).to_be_visible()
    page.get_by_role("dialog").get_by_role("button", name="Close").click()
    expect(page.get_by_label("Box", exact=True)).to_contain_text("C 417, 17 left")
    field.press("Enter")
    side(page, "6A, unexposed Corvane 100")
    expect(field).to_have_value("")
    undo(page)
    side(page, "6A, empty")
    side(page, "5B, empty")


def test_sides_that_are_not_alike(open_page: Open) -> None:
    """Nothing is done by halves: mixed choices say so, unreadable ones keep what was typed."""
    page = open_page("/film")
    field = page.get_by_label("Sides")
    field.fill("5")
    expect(page.get_by_text("These sides are not alike")).to_be_visible()
    expect(page.get_by_role("button", name="2 sheets")).to_be_disabled()
    field.fill("5 nine")
    expect(page.get_by_role("alert").filter(has_text="“nine” is not a side")).to_be_visible()
    expect(field).to_have_value("5 nine")


def test_unexposed_back_exposed_into_a_box(open_page: Open) -> None:
    """An unexposed sheet goes back to its box as new; exposed ones into one with a name."""
    page = open_page("/film")
    page.get_by_role("button", name="Side 2A, unexposed").click()
    page.get_by_role("button", name="Unload 1 sheet").click()
    side(page, "2A, empty")
    page.get_by_role("button", name="Side 1A, exposed").click()
    page.get_by_role("button", name="Side 1B, exposed").click()
    put = page.get_by_role("button", name="Box 2 sheets")
    put.click()
    expect(page.get_by_role("alert").filter(has_text="name the box")).to_be_visible()
    page.get_by_label("Exposed-film box").fill("exposed, quarry, N−1")
    put.click()
    side(page, "1B, empty")
    boxes = page.get_by_role("region", name="Boxes of exposed film")
    expect(boxes).to_contain_text("exposed, quarry, N−1 · 2 sheets")
    expect(boxes).to_contain_text("1A, N−1")


def test_a_holder_with_a_leak(open_page: Open, service: Service) -> None:
    """A fault is noted, seen on the board and before loading; a retired holder leaves the board."""
    page = open_page("/film")
    page.get_by_role("button", name="Holder 6", exact=True).click()
    page.get_by_role("button", name="Add a fault").click()
    page.get_by_label("Where").select_option("B")
    page.get_by_role("button", name="Save").click()
    page.get_by_role("button", name="Side 6B, empty").click()
    expect(page.get_by_text("Caution: Holder 6 side B has a light leak noted")).to_be_visible()
    page.get_by_role("button", name="Holder 6", exact=True).click()
    page.get_by_role("button", name="Retire").click()
    expect(page.get_by_role("button", name="Holder 6", exact=True)).to_have_count(0)
    page.get_by_role("button", name="show 1 retired").click()
    expect(page.get_by_role("button", name="Holder 6", exact=True)).to_be_visible()


def test_two_hands_on_a_holder(open_page: Open, service: Service) -> None:
    """What another hand kept meanwhile is shown beside one's own, and one of them is chosen."""
    page = open_page("/film")
    page.get_by_role("button", name="Holder 6", exact=True).click()
    page.get_by_label("Note").fill("mine")
    holder = service.call("GET", "/api/holders")[5]["holder"]
    service.call("PUT", "/api/holders/holder-6", {**holder, "note": "theirs"})
    page.get_by_role("button", name="Save", exact=True).click()
    clash = page.get_by_role("alert").filter(has_text="changed elsewhere")
    expect(clash).to_contain_text("note: saved theirs, yours mine")
    clash.get_by_role("button", name="Save mine").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    assert service.call("GET", "/api/holders")[5]["holder"]["note"] == "mine"
    page.get_by_role("button", name="Holder 6", exact=True).click()
    page.get_by_role("button", name="History").click()
    entries = page.get_by_role("dialog", name="Change history").get_by_role("listitem")
    expect(entries.first).to_contain_text("note: theirs → mine")
    page.get_by_role("button", name="Restore earlier version").first.click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    assert service.call("GET", "/api/holders")[5]["holder"]["note"] == "theirs"


def test_a_box_of_film(open_page: Open) -> None:
    """Added, refused where it is wrong, kept, counted down by loading."""
    page = open_page("/film/stock")
    expect(page.get_by_text("expired October 2025")).to_be_visible()
    page.get_by_role("button", name="Add a box").click()
    page.get_by_label("Film", exact=True).select_option("film-velm")
    page.get_by_label("Sheets or rolls in it when full").fill("10")
    page.get_by_label("Price of the whole box").fill("45")
    page.get_by_label("Expires").fill("June")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("alert").filter(has_text="is not a month")).to_be_visible()
    page.get_by_label("Expires").fill("2027-06")
    assert violations(page) == []
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("button", name="10 of 10 Velm 25")).to_contain_text("4.50 each")


def test_a_sheet_from_exposed_to_judged(open_page: Open) -> None:
    """Add to run, put off, put in again, developed, judged; its page tells all of it."""
    page = open_page("/darkroom")
    group = page.get_by_role("region", name="Corvane 100 N−1")
    group.get_by_role("button", name="Add to run").click()
    page.get_by_label("1B").uncheck()
    page.get_by_label("Name").fill("Evening, trays")
    page.get_by_role("button", name="Add 1 sheet to run").click()
    run = page.get_by_role("region", name="Evening, trays")
    expect(run).to_contain_text("1A")
    expect(group).to_contain_text("1 sheet")
    run.get_by_role("button", name="Cancel run").click()
    expect(group).to_contain_text("2 sheets")
    group.get_by_role("button", name="Add to run").click()
    page.get_by_label("1B").uncheck()
    page.get_by_role("button", name="Add 1 sheet to run").click()
    page.get_by_role("button", name="Mark developed").click()
    given = page.get_by_role("dialog").get_by_label("Time really given, m:ss")
    expect(given).to_have_value("6:50")
    given.fill("7:10")
    page.get_by_role("dialog").get_by_role("button", name="Mark developed").click()
    judging = page.get_by_role("region", name="To judge")
    judging.get_by_role("button", name="Judge").click()
    page.get_by_role("button", name="Shadows: none").click()
    page.get_by_role("button", name="Highlights: blocked").click()
    page.get_by_role("checkbox", name="fog").check()
    assert violations(page) == []
    page.get_by_role("button", name="Save").click()
    expect(judging).to_have_count(0)
    page.goto(page.url.replace("/darkroom", "/log/exposure-1A"))
    main = page.get_by_role("main")
    for step in ("loaded", "exposed", "taken out of the run", "developed", "judged"):
        expect(main).to_contain_text(step)
    expect(main).to_contain_text("no texture in the shadows, blocked highlights; fog")
    expect(main).to_contain_text("give a stop more; develop a step less")
    page.get_by_role("link", name="Film").first.click()
    side(page, "1A, empty")


def test_a_roll_from_loading_to_strips(open_page: Open, service: Service) -> None:
    """Loaded, seen to move, exposed from the scene, taken out, put back, finished, cut."""
    page = open_page("/film/rolls")
    page.get_by_role("button", name="Load a roll").click()
    page.get_by_label("Film", exact=True).select_option("film-ostrel")
    page.get_by_label("Format").select_option("6x6")
    page.get_by_label("Frames", exact=True).fill("5")
    page.get_by_role("button", name="Load", exact=True).click()
    roll = page.get_by_role("region", name="Roll 2")
    expect(roll).to_contain_text("Did it advance?")
    roll.get_by_role("button", name="Film advances").click()
    expect(roll.get_by_text("Did it advance?")).to_have_count(0)

    page.goto(f"{service.url}/scene/scene-adit")
    expect(page.locator("[data-result]")).to_be_visible()
    page.keyboard.press("e")
    page.get_by_role("button", name="R2-1").click()
    expect(page.get_by_role("button", name="R2-2")).to_have_count(0)
    page.get_by_role("button", name="Log exposure").click()
    expect(page.get_by_role("status").filter(has_text="R2-1 exposed")).to_be_visible()

    page.goto(f"{service.url}/film/rolls")
    roll.get_by_role("button", name="Remove part-exposed").click()
    expect(roll).to_contain_text("in the bag, partly exposed; frame 2 comes next")
    roll.get_by_role("button", name="Put back, wound on to frame 2").click()
    expect(roll).to_contain_text("Did it advance?")
    for frame in (2, 3):
        roll.get_by_role("button", name=f"Wind on, frame {frame}").click()
    roll.get_by_role("button", name="Finish roll").click()
    roll.get_by_role("button", name="Cut into strips").click()
    cuts = page.get_by_label("Cut after frames")
    cuts.fill("9")
    page.get_by_role("button", name="Cut", exact=True).click()
    expect(page.get_by_role("alert").filter(has_text="is cut after frame 1 to 4")).to_be_visible()
    cuts.fill("1")  # on the edge of the picture
    page.get_by_role("button", name="Cut", exact=True).click()
    refused = page.get_by_role("alert").filter(has_text="a cut goes between two blank frames")
    expect(refused).to_contain_text("after frame 1 those are 1 and 2")
    cuts.fill("2")
    page.get_by_role("button", name="Cut", exact=True).click()
    expect(roll).to_contain_text("Frames 1–2")
    expect(roll).to_contain_text("nothing exposed on it")
    roll.get_by_role("button", name="Choose development").click()
    page.get_by_role("button", name="Develop for").click()
    expect(roll).to_contain_text("Metol–hydroquinone 1+1, tank")


def test_what_each_frame_loses_is_seen_before_choosing(open_page: Open) -> None:
    """The least lost is offered; another N shows its losses; a weight changes the least lost."""
    page = open_page("/film/rolls", PHONE)
    page.get_by_role("button", name="Choose development").click()
    dialog = page.get_by_role("dialog")
    handle = dialog.get_by_role("slider", name="Development of the roll")
    least = re.compile(
        r"^N−1: [\d.]+ too hard or too soft, weighed over all frames; no development comes nearer$"
    )
    expect(handle).to_have_attribute("aria-valuetext", least)
    expect(dialog).to_contain_text("softer by 2 stops; paper grade 4")
    handle.focus()
    for _ in range(4):
        page.keyboard.press("ArrowRight")
    expect(handle).to_have_attribute("aria-valuenow", "1")
    expect(dialog).to_contain_text("harder by 2 stops")
    assert violations(page) == []
    weights = dialog.get_by_label("Priority")
    weights.nth(0).select_option("0")
    weights.nth(1).select_option("0")
    weights.nth(2).select_option("0")
    expect(handle).to_have_attribute("aria-valuetext", re.compile("^N\\+1: .*comes nearer$"))
    dialog.get_by_role("button", name="Develop for N+1").click()
    page.get_by_role("link", name="Darkroom").click()
    expect(page.get_by_role("region", name="Ostrel 400 N+1")).to_contain_text("Roll 1")


def test_a_roll_rated_off_its_box_speed(open_page: Open, service: Service) -> None:
    """The whole roll is pushed, with the time that goes with it."""
    page = open_page("/film/rolls")
    page.get_by_role("button", name="Load a roll").click()
    page.get_by_label("Film", exact=True).select_option("film-ostrel")
    page.get_by_label("EI for the whole roll").fill("500")
    page.get_by_role("button", name="Load", exact=True).click()
    roll = page.get_by_role("region", name="Roll 2")
    expect(roll).to_contain_text("EI 500, pushed 1 stop: 14 min 30 s")
    roll.get_by_role("button", name="Take out unexposed").click()
    expect(roll).to_have_count(0)
