"""What is decided for a photographer is said on the page, and asked where one would ask."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Open, Service

pytestmark = pytest.mark.browser


def read(page: Page, *lines: str) -> None:
    field = page.get_by_label("Type a reading")
    for text in lines:
        field.fill(text)
        field.press("Enter")
        expect(field).to_have_value("")


def test_expansion_waits_for_a_mark(open_page: Open, begun: str) -> None:
    """9 on III and 11 on V: N, with what marking would ask; one touch marks, undo takes it back.

    VIII − V = 3.
    """
    page = open_page(begun)
    read(page, "9 shade III", "11 grass")
    asked = page.get_by_text("Mark the highlight for N+3.")
    expect(asked).to_be_visible()
    development = page.get_by_role("slider", name=re.compile("Development"))
    expect(development).to_have_attribute("aria-valuetext", re.compile(r"^N\b(?![+−])"))
    page.get_by_role("button", name="Mark grass").click()
    expect(asked).to_have_count(0)
    expect(development).to_have_attribute("aria-valuetext", re.compile(r"^N\+3"))
    page.keyboard.press("Escape")
    page.keyboard.press("u")
    expect(asked).to_be_visible()


def test_a_rating_is_asked_for_its_reason(open_page: Open, begun: str, service: Service) -> None:
    """EI 12 for a filter on EI 100 film is no pull: asked why, and developed as planned."""
    page = open_page(begun)
    read(page, "9 shade III", "ei 12")
    expect(
        page.get_by_role("button", name=re.compile("^Film: Corvane 100 · EI 12"))
    ).to_be_visible()
    page.get_by_role("button", name="a filter or bellows counted in it").click()
    expect(page.get_by_role("button", name="for safety")).to_have_count(0)
    kept = service.call("GET", "/api/scenes/new")
    assert kept["scene"]["rating_reason"] == "filter"


def test_openings_of_one_scene_and_of_several(open_page: Open, service: Service) -> None:
    """A half of 6.42^1.31 = 11.4 s: half the clock's time, 5.7 (the hand's 5.5), where the other
    is of this scene; 11.4 · ½^1.31 = 4.6 s where it is of another, since each fails for itself."""
    page = open_page("/scene/scene-pool")
    expect(page.locator("[data-result]")).to_have_text("f/3211 s")
    page.keyboard.press("e")
    page.get_by_label("Share of exposure").select_option("0.5")
    sheet = page.get_by_role("dialog")
    sheet.get_by_role("button", name="2A", exact=True).click()
    expect(sheet.locator("[data-check]")).to_contain_text("5.5 s")
    page.get_by_label("The other openings are of").select_option(label="other scenes")
    expect(sheet.locator("[data-check]")).to_contain_text("4.6 s")
    sheet.get_by_role("button", name="Log exposure").click()
    expect(sheet).to_have_count(0)
    (logged,) = service.call("GET", "/api/scenes/scene-pool")["exposures"]
    story = service.call("GET", f"/api/log/{logged['id']}")
    assert "one of several scenes" in str(story["ledger"])


def test_a_negative_can_show_too_much_and_teach_nothing(open_page: Open, service: Service) -> None:
    """*Heavy* is a word; a reason to leave a negative out is kept and said."""
    page = open_page("/log/exposure-shed-A")
    page.get_by_role("button", name=re.compile("^Judge")).click()
    page.get_by_role("button", name="Shadows: heavy").click()
    page.get_by_label("Leave it out of learning, because").fill("lid left off")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_text("heavy shadows, more than full")).to_be_visible()
    expect(page.get_by_text("give half a stop less")).to_be_visible()
    kept = service.call("GET", "/api/log/exposure-shed-A")["judgement"]
    assert (kept["shadow"], kept["left_out"]) == ("heavy", "lid left off")


def test_a_format_does_not_change_the_film(open_page: Open) -> None:
    """The film that stands there stays when another format is chosen."""
    page = open_page("/film/rolls")
    page.get_by_role("button", name="Load a roll").click()
    film = page.get_by_label("Film", exact=True)
    film.select_option("film-corvane")
    for format_ in ("6x9", "24x36", "6x6"):
        page.get_by_label("Format").select_option(format_)
        expect(film).to_have_value("film-corvane")
    page.get_by_label("EI for the whole roll").fill("50")
    page.get_by_label("Why at this EI").select_option(label="for safety")


def test_metres_are_metres(open_page: Open, begun: str) -> None:
    """200,5 is two hundred metres and a half in Depth and movement."""
    page = open_page(begun)
    read(page, "9 shade III")
    page.get_by_role("button", name=re.compile("^Depth and movement")).click()
    page.get_by_label("Depth that must be sharp").select_option("limits")
    page.get_by_label("Near, m").fill("4")
    page.get_by_label("Far, m").fill("200,5")
    page.get_by_role("button", name="Set", exact=True).click()
    asked = page.get_by_role("group", name="Decimal comma")
    asked.get_by_role("button", name="A decimal comma").click()
    expect(asked).to_have_count(0)
    page.get_by_role("button", name="Set", exact=True).click()
    expect(
        page.get_by_role("button", name=re.compile("^Depth and movement: 4 m to 200.5 m"))
    ).to_be_visible()
