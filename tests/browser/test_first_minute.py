"""The first minute on an empty folder: an answer first, questions later; interactions counted."""

import re

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import PHONE, WIDE, Open, Service
from tests.browser.test_scene import Hands

pytestmark = pytest.mark.browser

TO_AN_ANSWER, TO_A_LOGGED_ONE = 2, 4


@pytest.mark.parametrize("size", [WIDE, PHONE], ids=["wide", "phone"])
def test_a_newcomers_first_exposure(
    open_page: Open, service: Service, size: dict[str, int]
) -> None:
    """Type, Enter: the exposure; expose, log: it is in the log, on today's outing."""
    service.lay(service.empty)
    page = open_page("/", size)
    line = page.get_by_label("Type a reading")
    expect(line).to_be_focused()
    hands = Hands(page)
    hands.line("12 wall")
    hands.count += 1  # its Enter
    expect(page.locator("[data-result]")).to_have_text("f/81/60")
    assert hands.count <= TO_AN_ANSWER
    expect(line).to_be_focused()
    for soft in ("Film: EI 100, assumed", "Lens: any lens", "Aperture: f/8, assumed"):
        expect(page.get_by_role("button", name=soft)).to_be_visible()
    hands.count += 1
    page.get_by_role(
        "button", name="Expose now" if size is PHONE else re.compile("^Expose")
    ).click()
    expect(page.get_by_label("Side or frame")).to_have_value("no holder")
    hands.key("Enter")
    expect(page.get_by_text("A sheet in no holder exposed: 1/60 at f/8")).to_be_visible()
    assert hands.count <= TO_A_LOGGED_ONE
    (logged,) = service.call("GET", "/api/log")["lines"]
    assert (logged["where"], logged["film_name"]) == ("no holder", "Film at EI 100")
    assert len(service.call("GET", "/api/outings")) == 1
    page.reload()
    expect(page.locator("[data-result]")).to_have_text("f/81/60")
    expect(page.get_by_role("button", name="no holder · f/8, 1/60 s · N")).to_have_count(
        1 if size is WIDE else 0
    )
    page.keyboard.press("g")
    page.keyboard.press("4")
    expect(page.get_by_role("heading", level=1)).to_have_text("Darkroom")


def test_what_is_assumed_becomes_real_when_it_is_named(open_page: Open, service: Service) -> None:
    """Film, lens, filter and aperture are made of what is typed; the scene is the canonical one:
    EV 9 on III at EI 100 is f/32 and 9 s through red at 30 mm of draw, as in the contract."""
    service.lay(service.empty)
    page = open_page("/")
    field = page.get_by_label("Type a reading")
    expect(field).to_be_focused()
    hands = Hands(page)
    for text, becomes in (
        ("9 shade III", "Placement: shadow on III"),
        ("15 frost", "Film: EI 100, assumed"),
        ("film Corvane", "Film: Corvane · EI 100"),
        ("lens 150", "Lens: 150 mm"),
        ("draw 30", "Focus: 30 mm past infinity"),
        ("filter red", "Filter: Red"),
        ("f/32", "Aperture: f/32"),
    ):
        hands.line(text)
        expect(field).to_have_value("")
        expect(page.get_by_role("button", name=becomes)).to_be_visible()
    reciprocity = page.get_by_role("button", name="Reciprocity: reciprocity unknown")
    if page.viewport_size == WIDE:
        page.get_by_role("button", name=re.compile(r"^\d more$")).click()
    expect(page.get_by_text("is not known: 5.8 s is not corrected")).to_be_visible()
    reciprocity.click()
    page.get_by_role("button", name=re.compile("like most modern films")).click()
    expect(reciprocity).to_have_count(0)
    # 5.76 s to the power of 1.25 is 8.92 s, worked by hand as 9 s
    expect(page.locator("[data-result]")).to_have_text("f/329 s")
    kit = service.call("GET", "/api/kit")
    assert [each["name"] for each in kit["films"]] == ["Corvane"]
    assert kit["films"][0]["provenance"]["law"] == "typical, no source"
    assert [each["name"] for each in (*kit["lenses"], *kit["filters"])] == ["150 mm", "Red"]


def test_undo_takes_the_first_line_back_with_all_it_made(open_page: Open, service: Service) -> None:
    """Outing and scene are there by one act, and go by one."""
    service.lay(service.empty)
    page = open_page("/")
    expect(page.get_by_label("Type a reading")).to_be_focused()
    hands = Hands(page)
    hands.line("pinhole 0.2 at 30")
    expect(page.get_by_role("button", name="Lens: pinhole 0.2 mm at 30 mm")).to_be_visible()
    page.get_by_role("button", name=re.compile("^Undo")).click()
    expect(page.get_by_role("button", name="Nothing to undo")).to_be_visible()
    assert service.call("GET", "/api/outings") == []
    assert service.call("GET", "/api/kit")["pinholes"] == []


def test_a_phone_needs_no_letters_for_a_reading(open_page: Open, service: Service) -> None:
    """Digits, a fraction, a name used before and a zone are each one touch."""
    page = open_page("/scene/scene-winding-house", PHONE)
    line = page.get_by_label("Type a reading")
    line.tap()
    keypad = page.get_by_role("group", name="Keypad")
    expect(line).to_have_attribute("inputmode", "none")
    for key in ("1", "1", "one third", "space", "at", "delete back"):
        keypad.get_by_role("button", name=key, exact=True).tap()
    names = keypad.get_by_role("group", name="Names").get_by_role("button")
    name = names.first.inner_text()
    names.first.tap()
    keypad.get_by_role("button", name="zone IV", exact=True).tap()
    expect(line).to_have_value(f"11⅓ {name} IV ")
    expect(page.get_by_role("status").filter(has_text="placed on IV")).to_contain_text("EV 11⅓")
    expect(line).to_be_focused()
    keypad.get_by_role("button", name="Enter").tap()
    expect(page.get_by_role("button", name="Placement: shadow on IV")).to_be_visible()
    keypad.get_by_role("button", name="letters").tap()
    expect(keypad).to_have_count(0)
    expect(line).to_be_focused()
    expect(line).to_have_attribute("inputmode", "text")


def test_a_slip_is_put_right_with_one_touch(open_page: Open, service: Service) -> None:
    """The nearest line is offered; a decimal comma is asked once; a pasted table is one line."""
    service.lay(service.empty)
    page = open_page("/")
    line = page.get_by_label("Type a reading")
    line.fill("shade 9 III")
    page.get_by_role("button", name="Use “9 shade III”").click()
    expect(line).to_have_value("9 shade III")
    line.fill("13,5 bark")
    page.get_by_role("button", name="A decimal comma").click()
    expect(page.get_by_text("EV 13½").first).to_be_visible()
    line.press("Enter")
    expect(line).to_have_value("")
    line.fill("9,5 wall")
    expect(page.get_by_text("EV 9½").first).to_be_visible()
    line.fill("")
    page.evaluate(
        """() => { const data = new DataTransfer(); data.setData('text', 'moss\\t7\\nsky\\t14');
        document.activeElement.dispatchEvent(new ClipboardEvent('paste',
            {clipboardData: data, bubbles: true, cancelable: true})); }"""
    )
    line.press("Enter")
    expect(page.get_by_role("slider", name=re.compile("^moss"))).to_be_visible()
    expect(page.get_by_role("slider", name=re.compile("^sky"))).to_be_visible()


def test_a_line_that_was_only_refused_is_read_again(open_page: Open, service: Service) -> None:
    """The first thing that is typed has a comma: once it is answered, the line says its meaning."""
    service.lay(service.empty)
    page = open_page("/")
    page.get_by_label("Type a reading").fill("13,5 bark")
    page.get_by_role("button", name="A decimal comma").click()
    expect(page.get_by_text("EV 13½").first).to_be_visible()
    expect(page.get_by_role("group", name="Decimal comma")).to_have_count(0)


def test_the_guide_goes_with_what_is_really_done(open_page: Open, service: Service) -> None:
    """Five steps; the next is a link to where it is done; it can be closed for good."""
    service.lay(service.empty)
    page = open_page("/")
    guide = page.get_by_role("complementary", name="First outing")
    expect(guide.get_by_role("listitem")).to_have_count(5)
    expect(page.get_by_label("Type a reading")).to_be_focused()
    Hands(page).line("hazy")
    expect(guide.get_by_label("done")).to_have_count(1)
    guide.get_by_role("link", name="Log an exposure").click()
    page.get_by_role("button", name="Log exposure").click()
    expect(guide.get_by_label("done")).to_have_count(2)
    guide.get_by_role("link", name="Choose a development").click()
    sheet = page.get_by_role("dialog", name="Add a recipe")
    expect(sheet.get_by_label("Film", exact=True)).to_have_value("film-at-100")
    page.keyboard.press("Escape")
    guide.get_by_role("button", name="Close the guide").click()
    expect(guide).to_have_count(0)
    assert service.call("GET", "/api/preferences")["preferences"]["guide"] is False


def test_a_set_is_one_touch(open_page: Open, service: Service) -> None:
    """A camera with its three lenses, there to be changed, and undone as one."""
    service.lay(service.empty)
    page = open_page("/kit")
    page.get_by_role("button", name=re.compile("^4×5 camera with three lenses")).click()
    expect(page.get_by_text("Added: 4×5 camera with three lenses")).to_be_visible()
    kit = service.call("GET", "/api/kit")
    assert [each["name"] for each in kit["lenses"]] == ["90 mm", "150 mm", "210 mm"]
    assert {each["camera_id"] for each in kit["lenses"]} == {kit["cameras"][0]["id"]}
    page.get_by_role("button", name="Undo: add 4×5 camera with three lenses").click()
    expect(page.get_by_role("button", name="Nothing to undo")).to_be_visible()
    assert service.call("GET", "/api/kit")["lenses"] == []


def test_what_was_typed_in_a_form_is_not_lost_by_a_slip(open_page: Open) -> None:
    """A click beside it does nothing, Escape asks; only Discard throws away."""
    page = open_page("/kit")
    page.get_by_role("button", name="Add a film").click()
    sheet = page.get_by_role("dialog", name="Add a film")
    name = sheet.get_by_label("Name", exact=True)
    name.fill("Tarn")
    page.mouse.click(4, 4)
    expect(name).to_have_value("Tarn")
    page.keyboard.press("Escape")
    expect(sheet.get_by_role("alert")).to_have_text("Discard what you typed?")
    sheet.get_by_role("button", name="Keep editing").click()
    expect(name).to_have_value("Tarn")
    page.keyboard.press("Escape")
    sheet.get_by_role("button", name="Discard").click()
    expect(sheet).to_have_count(0)
