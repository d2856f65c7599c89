"""Supplies, threads, film at a laboratory, prints by inkjet, one exposure on many films, sorted."""

import re

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import PHONE, Open, Service
from tests.browser.waiting import until

pytestmark = pytest.mark.browser


def test_paper_and_chemistry_are_told_under_the_boxes(open_page: Open, service: Service) -> None:
    """What is left and what to think of; a box typed in Kit is there; on a phone, too."""
    page = open_page("/film/stock")
    supplies = page.get_by_role("region", name="Paper and chemistry")
    expect(supplies.get_by_role("listitem").first).to_contain_text("21 of 25 sheets left")
    expect(supplies).to_contain_text("Metol–hydroquinone stock")
    supplies.get_by_role("link", name="Sleet fibre, variable, 240 × 300 mm").first.click()
    page.get_by_role("button", name="Sleet fibre, variable").first.click()
    sheet = page.get_by_role("dialog")
    boxes = sheet.get_by_label("Boxes")
    expect(boxes).to_have_value(re.compile(r"^240  300  25  opened \d{4}-\d\d-\d\d  price 45\n"))
    boxes.fill("180 240 50 gone 45 price 60")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet).to_have_count(0)
    phone = open_page("/film/stock", PHONE)
    supplies = phone.get_by_role("region", name="Paper and chemistry")
    expect(supplies).to_contain_text("5 of 50 sheets left")
    expect(supplies).to_contain_text("not opened, 1.20 a sheet, time to buy")
    assert phone.evaluate("document.documentElement.scrollWidth <= innerWidth")


def test_a_filter_of_another_thread_is_not_offered(open_page: Open, service: Service) -> None:
    """It is said that there are such; one that is on stays to be taken off."""
    kit = service.call("GET", "/api/kit")
    scene = service.call("GET", "/api/scenes/scene-pool")["scene"]
    lens = next(each for each in kit["lenses"] if each["id"] == scene["lens_id"])
    service.call("PUT", f"/api/kit/lenses/{lens['id']}", {**lens, "thread_mm": 77})
    for each in kit["filters"]:
        service.call("PUT", f"/api/kit/filters/{each['id']}", {**each, "thread_mm": 52})
    page = open_page("/scene/scene-pool")
    page.get_by_role("button", name="Filter: ").click()
    worn = next(each["name"] for each in kit["filters"] if each["id"] in scene["filter_ids"])
    expect(page.get_by_role("button", name=worn).last).to_be_visible()
    others = len(kit["filters"]) - len(scene["filter_ids"])
    expect(page.get_by_text(f"{others} filters of the kit not offered")).to_be_visible()


def test_other_films_tell_what_they_would_need(open_page: Open) -> None:
    """Where the film is chosen each stands with its setting and N; what the scene shall show is
    typed beside its title, and told in the log."""
    page = open_page("/scene/scene-winding-house")
    page.get_by_role("button", name="Film: ").click()
    expect(page.get_by_role("button", name="Ostrel 400")).to_contain_text(
        "EI 250, f/32, 1/2 s, N−1"
    )
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Winding house, sun on the incline").first.click()
    sheet = page.get_by_role("dialog", name="Scene")
    sheet.get_by_label("What the picture shall show").fill("the drum out of the dark")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet).to_have_count(0)
    page.goto(page.url.replace("/scene/scene-winding-house", "/log/exposure-1A"))
    expect(page.get_by_text("Meant to show: the drum out of the dark")).to_be_visible()


def test_film_is_sent_to_a_laboratory(open_page: Open, service: Service) -> None:
    """From its group, one sheet left out; it lies there with its slip until it is back."""
    page = open_page("/darkroom")
    page.get_by_role("button", name="Send to a laboratory: Corvane 100 N−1 1A").click()
    sheet = page.get_by_role("dialog", name="To a laboratory: Corvane 100, N−1")
    sheet.get_by_role("checkbox", name="1B").click()
    sheet.get_by_label("Laboratory").fill("Ridge laboratory")
    sheet.get_by_label("Note on the slip").fill("uncut")
    sheet.get_by_role("button", name="Send 1 sheet").click()
    sent = page.get_by_role("heading", name="Sent to Ridge laboratory")
    expect(sent).to_be_visible()
    expect(page.get_by_role("link", name="Slip for Ridge laboratory (PDF)")).to_be_visible()
    expect(page.get_by_role("button", name="Open run clock")).to_have_count(0)
    (view,) = service.call("GET", "/api/darkroom")["runs"]
    assert view["run"]["note"] == "uncut"
    assert [each["where"] for each in view["pieces"]] == ["1A"]
    page.get_by_role("button", name="Back, developed").click()
    expect(sent).to_have_count(0)
    until(page, lambda: service.call("GET", "/api/darkroom")["runs"] == [])


def test_a_print_by_inkjet(open_page: Open, service: Service) -> None:
    """Begun from its scan; its border moves the image at once; a print is kept and noted."""
    page = open_page("/print")
    page.get_by_role("button", name="Plan a print").click()
    page.get_by_role("button", name="Inkjet print of 1B, Tip in mist, post").click()
    expect(page.get_by_text("Image 265 × 210 mm on 300 × 240 mm")).to_be_visible()
    page.get_by_label("White border, mm").fill("40")
    expect(page.get_by_text("Image 202 × 160 mm on 300 × 240 mm")).to_be_visible()
    page.get_by_label("Paper", exact=True).fill("Cotton, matt")
    page.get_by_role("button", name="Save print", exact=True).click()
    made = page.get_by_role("button", name=re.compile("^Print 1"))
    expect(made).to_contain_text("not judged")
    made.click()
    noted = page.get_by_role("region", name="Print 1")
    expect(noted.get_by_role("button", name="Mark a place")).to_have_count(0)
    noted.get_by_label("What it shows").fill("a shade warm")
    name = page.url.rsplit("/", 1)[1]
    until(
        page,
        lambda: (
            [each["notes"]["says"] for each in service.call("GET", f"/api/prints/{name}")["tries"]]
            == ["a shade warm"]
        ),
    )
    kept = service.call("GET", f"/api/prints/{name}")["print"]["inkjet"]
    assert (kept["paper"], kept["border_mm"]) == ("Cotton, matt", 40)


def test_films_in_lines_are_sorted(open_page: Open, service: Service) -> None:
    """By the column one touches, what is not known last; touched again they stand as before."""
    page = open_page("/bench/test-corvane")
    table = page.get_by_role("table", name="Films in lines")
    names = table.get_by_role("rowheader")
    expect(names).to_have_count(3)
    before = names.all_inner_texts()
    worked = service.call("GET", "/api/bench/tests/test-corvane")["worked"]["compared"]["table"]
    fog = [
        each["title"]
        for each in sorted(worked["lines"], key=lambda line: line["cells"][1]["order"])
    ]
    assert fog != before
    table.get_by_role("button", name="Sort by fog").click()
    expect(names).to_have_text(fog)
    column = table.get_by_role("columnheader", name="Sort by fog")
    expect(column).to_have_attribute("aria-sort", "ascending")
    table.get_by_role("button", name="Sort by fog").click()
    expect(names).to_have_text(before)


def test_a_logged_bracket_is_taken_for_a_test(open_page: Open, service: Service) -> None:
    """With the minutes it was developed in; taken, it waits for its densities."""
    test = {"id": "card", "film_id": "film-harle", "title": "Harle on the card"}
    service.call("PUT", "/api/bench/tests/card", test)
    page = open_page("/bench/card")
    page.get_by_role("button", name="Exposure list").click()
    part = page.get_by_role("region", name="A bracket that is logged")
    expect(part.get_by_label("Bracket")).to_contain_text("5 frames, −2 to +2, Tip in mist, post")
    expect(part.get_by_label("Developed, minutes")).to_have_value("9.5")
    part.get_by_role("button", name="Use as a development").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    (strip,) = service.call("GET", "/api/bench/tests/card")["test"]["strips"]
    assert (strip["curve_id"], strip["first_stops"], len(strip["piece_ids"])) == ("9.5 min", -4, 5)
