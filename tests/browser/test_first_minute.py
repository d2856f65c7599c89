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
    page.get_by_role("button", name=re.compile("^Expose")).click()
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
