"""Practice in the real interface: questions by keyboard and keypad, a simulated scene metered,
exposed and judged, a set for a class, everything of it deleted."""

import re
from typing import Any

import pytest
from playwright.sync_api import Locator, Page, Route, expect

from emulsa.core.practice.answering import in_unit
from emulsa.core.practice.exercise import drawn
from emulsa.core.practice.question import PracticeKit
from emulsa.core.written import Written, writing
from tests.browser.conftest import PHONE, Open, Service

pytestmark = pytest.mark.browser

Json = dict[str, Any]
ROOM, QUESTIONS = "/practice", "/practice/questions"
AIM = re.compile("^Point the meter: arrows")


def first(page: Page) -> Json:
    """The question that is on the page, as the service asked it."""
    answer: Json = page.evaluate(
        """async () => {
          const day = new Date().toLocaleDateString("sv-SE");
          const topic = new URLSearchParams(location.search).get("topic");
          const of = topic ? `&topic=${topic}` : "";
          return (await fetch(`/api/practice/question?day=${day}${of}`)).json();
        }"""
    )
    return answer


def right_one(asked: Json) -> str:
    """The right answer, as one would type it."""
    told = asked["question"]
    found = drawn(told["topic"], told["seed"], told["level"], PracticeKit(**asked["kit"]))
    return f"{found.answer:.6f}" if found.unit == "s" else in_unit(found.answer, found.unit)


def answers(service: Service) -> list[Json]:
    told: list[Json] = service.call("GET", "/api/practice/everything.json")["answers"]
    return told


def spot(page: Page) -> Locator:
    return page.get_by_role("button", name=AIM)


def point(page: Page, x: float, y: float) -> None:
    box = spot(page).bounding_box()
    assert box is not None
    spot(page).click(position={"x": x * box["width"], "y": y * box["height"]})


def test_a_question_is_answered_by_the_keyboard_alone(open_page: Open, service: Service) -> None:
    """Typed, judged at once with its sum; Enter goes on, after five it is over."""
    before = len(answers(service))
    page = open_page(f"{QUESTIONS}?topic=roll")
    field = page.get_by_label("Your answer")
    expect(field).to_be_focused()
    with writing(Written()):
        typed = right_one(first(page))
    page.keyboard.type(typed)
    page.keyboard.press("Enter")
    expect(page.get_by_role("status").filter(has_text="Right.")).to_be_visible()
    expect(
        page.get_by_role("list", name="The right way").get_by_role("listitem")
    ).not_to_have_count(0)
    expect(page.get_by_label("1 of 5 answered, 1 right")).to_be_visible()
    expect(page.get_by_role("button", name="Next")).to_be_focused()
    for place in range(2, 6):
        page.keyboard.press("Enter")
        expect(field).to_have_value("")
        expect(field).to_be_focused()
        page.keyboard.type("N+5")
        page.keyboard.press("Enter")
        expect(page.get_by_label(f"{place} of 5 answered, 1 right")).to_be_visible()
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="1 of 5 right.")).to_be_visible()
    kept = answers(service)[before:]
    assert [each["topic"] for each in kept] == ["roll"] * 5
    assert [each["given"] for each in kept[1:]] == [5, 5, 5, 5]
    page.get_by_role("button", name="Five more").click()
    expect(page.get_by_label("0 of 5 answered, 0 right")).to_be_visible()


def test_nothing_typed_meets_the_wrong_question(open_page: Open, service: Service) -> None:
    """While the next question is on its way the one that was answered stands, with its sum; what is
    typed meanwhile is no second answer to it."""
    before = len(answers(service))
    page = open_page(f"{QUESTIONS}?topic=roll")
    field, right_way = page.get_by_label("Your answer"), page.get_by_role("list", name="The right")
    expect(field).to_be_focused()
    asked = page.get_by_role("heading", level=2).inner_text()
    page.keyboard.type("N+5")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="Next")).to_be_focused()
    held: list[Route] = []
    page.route("**/api/practice/question?**", lambda route: held.append(route))
    with page.expect_request("**/api/practice/question?**"):
        page.keyboard.press("Enter")
    page.keyboard.type("N+4")
    expect(page.get_by_role("heading", level=2)).to_have_text(asked)
    expect(field).to_have_value("N+5")
    expect(right_way).to_be_visible()
    for route in held:
        route.continue_()
    page.unroute_all()
    expect(right_way).to_be_hidden()
    expect(field).to_have_value("")
    expect(field).to_be_focused()
    page.keyboard.type("N+3")
    page.keyboard.press("Enter")
    expect(page.get_by_label("2 of 5 answered, 0 right")).to_be_visible()
    assert [each["given"] for each in answers(service)[before:]] == [5, 3]


def test_what_was_thought_is_told_and_asked_again(open_page: Open, service: Service) -> None:
    """A factor taken for stops: named, explained, in the room to be mended today."""
    service.call("DELETE", "/api/practice")
    page = open_page(f"{QUESTIONS}?topic=filters&misconception=factor-as-stops")
    expect(page.get_by_role("heading", level=2)).to_contain_text("Before the lens")
    told = service.call(
        "GET",
        "/api/practice/question?day=2026-01-17&topic=filters&misconception=factor-as-stops",
    )["question"]
    found = drawn("filters", told["seed"], told["level"])
    slip = next(each for each in found.slips if each.misconception == "factor-as-stops")
    page.get_by_label("Your answer").fill(f"{slip.answer:.6f}")
    page.get_by_role("button", name="Answer").click()
    told_why = page.get_by_role("status").filter(
        has_text="A factor is not stops: ×8 is three stops."
    )
    expect(told_why).to_be_visible()
    page.goto(service.url + ROOM)
    mend = page.get_by_role("list", name="To mend")
    expect(mend).to_contain_text("Factor or stops")
    expect(mend).to_contain_text("today")
    expect(page.get_by_role("link", name="Five short ones, 1 to mend today")).to_be_visible()


def test_what_cannot_be_read_keeps_what_was_typed(open_page: Open, service: Service) -> None:
    before = len(answers(service))
    page = open_page(f"{QUESTIONS}?topic=dial")
    page.get_by_label("Your answer").fill("soon")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("soon")
    expect(page.get_by_label("Your answer")).to_have_value("soon")
    assert len(answers(service)) == before


def test_on_a_phone_the_keypad_answers(open_page: Open, service: Service) -> None:
    """No letters are needed: digits and Enter are under the thumb."""
    before = len(answers(service))
    page = open_page(f"{QUESTIONS}?topic=placement", size=PHONE)
    page.get_by_label("Your answer").click()
    pad = page.get_by_role("group", name="Keypad")
    expect(pad).to_be_visible()
    pad.get_by_role("button", name="9").click()
    pad.get_by_role("button", name="one third").click()
    expect(page.get_by_label("Your answer")).to_have_value("9⅓")
    pad.get_by_role("button", name="Enter").click()
    expect(page.get_by_role("status").filter(has_text=re.compile("Right|too"))).to_be_visible()
    assert answers(service)[before]["given"] == pytest.approx(9 + 1 / 3)


def test_a_scene_is_metered_exposed_and_judged(open_page: Open, service: Service) -> None:
    """From a picture in the room to its verdict: two readings taken with the spot, one placed by
    the line, the time set, developed, and the print beside what was asked."""
    page = open_page(ROOM)
    page.get_by_role("button", name="Winding house", exact=True).click()
    page.wait_for_url("**/practice/scene/*")
    id_ = page.url.rsplit("/", 1)[1]
    expect(spot(page)).to_be_visible()
    for x, y in ((0.695, 0.66), (0.3, 0.85)):
        point(page, x, y)
        expect(page.locator("[data-meter]")).to_contain_text("EV")
        page.get_by_role("button", name="Take it down").click()
        expect(page.get_by_text("Touch the picture")).to_be_visible()
    kept = service.call("GET", f"/api/practice/scenes/{id_}")
    labels = [each["label"] for each in kept["view"]["scene"]["readings"]]
    assert labels == ["doorway in shade", "lit frost"]
    assert [each["reading"] for each in kept["spots"]] == [
        each["id"] for each in kept["view"]["scene"]["readings"]
    ]
    page.get_by_role("slider", name=re.compile("^doorway in shade")).focus()
    for _ in range(9):
        page.keyboard.press("ArrowLeft")
    page.get_by_role("button", name="Expose").click()
    page.get_by_label("Time given").fill("1/2")
    page.get_by_label("Developed for").fill("N−1")
    page.get_by_role("button", name="Expose and develop").click()
    expect(page.locator("[data-verdict]")).to_contain_text("under")
    causes = page.get_by_role("list", name="Causes")
    for each in ("Meter", "Placement", "Light", "Setting"):
        expect(causes).to_contain_text(each)
    for name in ("what was asked", "what your plan prints"):
        expect(page.locator(f'canvas[data-drawn="{name}"]')).to_be_visible()
    expect(page.get_by_role("img", name=re.compile("^Places, asked and became"))).to_be_visible()
    exposed = service.call("GET", "/api/practice/everything.json")["scenes"][0]["exposed"]
    assert (exposed["given_s"], exposed["n"]) == (0.5, -1)
    page.get_by_role("button", name="Again").click()
    expect(spot(page)).to_be_visible()


def test_the_meter_is_pointed_by_keys_and_by_name(open_page: Open, service: Service) -> None:
    """Arrows move the circle, Enter takes the reading; a named place is a control of its own."""
    view = service.call(
        "POST", "/api/practice/scenes", {"id": "keys", "kind": "drawn", "name": "tip", "seed": 4}
    )
    assert view["title"] == "Tip in mist"
    page = open_page("/practice/scene/keys")
    named = page.get_by_role("button", name="Point the meter at near blocks")
    named.focus()
    page.keyboard.press("Enter")
    expect(page.locator("[data-meter]")).to_contain_text("EV")
    spot(page).focus()
    page.keyboard.press("ArrowRight")
    page.keyboard.press("Enter")
    expect(page.locator("[data-meter]")).to_have_text("")
    kept = service.call("GET", "/api/practice/scenes/keys")
    assert [each["label"] for each in kept["view"]["scene"]["readings"]] == ["near blocks"]


def test_by_hand_no_sum_is_shown_before_the_verdict(open_page: Open, service: Service) -> None:
    """Readings and falls are there, times are not; what was counted is typed and judged."""
    page = open_page(ROOM)
    page.get_by_label("I do the sums myself").check()
    page.get_by_role("button", name="Barn and whitewashed wall").click()
    page.wait_for_url("**/practice/scene/*")
    point(page, 0.3, 0.45)
    page.get_by_role("button", name="Take it down").click()
    expect(page.get_by_text("The sums are yours")).to_be_visible()
    expect(page.locator("[data-result]")).to_have_count(0)
    page.get_by_role("button", name="Expose").click()
    expect(page.get_by_label("Time given")).to_have_value("")
    page.get_by_label("Time given").fill("4")
    page.get_by_label("Filter counted as").fill("2")
    page.get_by_label("Your sum, long light in it").fill("4")
    page.get_by_role("button", name="Expose and develop").click()
    expect(page.get_by_role("list", name="Causes")).to_contain_text("2 stops counted")


def test_a_set_is_for_everybody(open_page: Open, service: Service) -> None:
    page = open_page(ROOM)
    page.get_by_role("button", name="A set for everybody").click()
    page.get_by_label("Number of the set").fill("41")
    page.get_by_label("Questions", exact=True).fill("3")
    sheet = page.get_by_role("link", name="Questions to print").get_attribute("href")
    assert sheet == "/api/practice/set.pdf?seed=41&many=3&level=1"
    page.get_by_role("button", name="Answer it here").click()
    wanted = service.call("POST", "/api/practice/set", {"seed": 41, "many": 3, "level": 1})
    for place, each in enumerate(wanted, start=1):
        expect(page.get_by_role("heading", level=2)).to_have_text(each["text"])
        page.get_by_label("Your answer").fill("1")
        page.keyboard.press("Enter")
        expect(page.get_by_label(re.compile(f"^{place} of 3 answered"))).to_be_visible()
        page.keyboard.press("Enter")
    assert [each["of_set"] for each in answers(service)[-3:]] == [41, 41, 41]


def test_everything_of_it_is_deleted_and_comes_back(open_page: Open, service: Service) -> None:
    kept = service.call("GET", "/api/practice/everything.json")
    assert kept["answers"]
    page = open_page(ROOM)
    page.get_by_role("button", name="What is kept of practice").click()
    page.get_by_role("button", name="Delete all practice").click()
    expect(page.get_by_text("Nothing to mend")).to_be_visible()
    assert answers(service) == []
    page.get_by_role("button", name=re.compile("^Undo")).click()
    expect(page.get_by_role("list", name="Where you were")).to_be_visible()
    assert service.call("GET", "/api/practice/everything.json") == kept
