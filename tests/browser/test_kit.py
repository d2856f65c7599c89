"""The kit in full: archive and copy, measured shutters, laws as they are typed, your way, cards."""

import re
from typing import Any

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import PHONE, Open, Service

pytestmark = pytest.mark.browser


def lens_of(service: Service, id_: str) -> Any:
    return next(each for each in service.call("GET", "/api/kit")["lenses"] if each["id"] == id_)


def test_archived_and_brought_back(open_page: Open, service: Service) -> None:
    """Archiving hides it here and in the scenes' choices; nothing is deleted."""
    page = open_page("/kit")
    page.get_by_role("button", name=re.compile("^Velm 25")).click()
    page.get_by_role("button", name="Archive").click()
    expect(page.get_by_role("button", name=re.compile("^Velm 25"))).to_have_count(0)
    page.get_by_role("button", name="Show 1 archived").click()
    page.get_by_role("button", name=re.compile("^Velm 25 · archived")).click()
    page.get_by_role("button", name="Bring back").click()
    expect(page.get_by_role("button", name="Hide archived")).to_have_count(0)
    expect(page.get_by_role("button", name=re.compile("^Velm 25 EI"))).to_be_visible()


def test_a_copy_is_a_record_of_its_own(open_page: Open, service: Service) -> None:
    """Another distance of the same hole: copied, changed, kept beside the first."""
    page = open_page("/kit")
    page.get_by_role("button", name=re.compile("^0.3 mm at 60 mm")).click()
    page.get_by_role("button", name="Copy").click()
    expect(page.get_by_label("Name")).to_have_value("0.3 mm at 60 mm copy")
    page.get_by_label("Name").fill("0.3 mm at 90 mm")
    page.get_by_label("Distance to the film, mm").fill("90")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    pinholes = service.call("GET", "/api/kit")["pinholes"]
    assert [each["optics"]["distance_mm"] for each in pinholes] == [60, 90]


def test_a_law_is_drawn_as_it_is_typed(open_page: Open) -> None:
    """The curve moves with the numbers, and an unsound row is named when it is kept."""
    page = open_page("/kit")
    page.get_by_role("button", name=re.compile("^Corvane 100 EI")).click()
    plot = page.get_by_role("img", name=re.compile("^Metered and given: "))
    expect(plot).to_be_visible()
    curve = plot.locator("path").first
    before = curve.get_attribute("d")
    page.get_by_label("Exponent p (1.2 to 1.45 is usual)").fill("1.4")
    expect(curve).not_to_have_attribute("d", before or "")
    page.get_by_label("Reciprocity", exact=True).select_option("table")
    page.get_by_label("Rows: metered s, corrected s").fill("1 1\n10 8")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("alert").filter(has_text="Row 2")).to_be_visible()


def test_every_figure_says_where_it_is_from(open_page: Open, service: Service) -> None:
    """EI source and the law; the price flows into brackets."""
    page = open_page("/kit")
    page.get_by_role("button", name=re.compile("^Velm 25")).click()
    page.get_by_label("Price of a sheet").fill("1.8")
    page.get_by_label("Reciprocity source").fill("a guess")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("region", name="Films")).to_contain_text("a guess, 1.80 a sheet")
    film = next(
        each for each in service.call("GET", "/api/kit")["films"] if each["id"] == "film-velm"
    )
    assert (film["price"], film["provenance"]["law"]) == (1.8, "a guess")


def test_a_filter_of_a_colour(open_page: Open, service: Service) -> None:
    """What it is, its colour and its factor in tungsten light."""
    page = open_page("/kit")
    page.get_by_role("button", name="Add a filter").click()
    page.get_by_label("Name").fill("Green")
    page.get_by_label("Strength").fill("8")
    page.get_by_label("What it is").select_option("contrast")
    page.get_by_label("Colour").select_option("green")
    page.get_by_label("Factor in tungsten light").fill("4")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("region", name="Filters")).to_contain_text("×8, green")
    kept = next(
        each for each in service.call("GET", "/api/kit")["filters"] if each["name"] == "Green"
    )
    assert kept["filter"]["tungsten_factor"] == 4


def test_a_camera_has_backs(open_page: Open, service: Service) -> None:
    """One a line; a line without a size is refused and stays."""
    page = open_page("/kit")
    page.get_by_role("button", name=re.compile("^Field camera")).click()
    field = page.get_by_label("Other backs: name, width × height in mm")
    field.fill("roll back")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("alert").first).to_be_visible()
    expect(field).to_have_value("roll back")
    field.fill("roll back 6×12  112 x 56")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("region", name="Cameras")).to_contain_text("roll back 6×12")


def test_your_way_of_working(open_page: Open, service: Service) -> None:
    """The school of new scenes and the checklist; a refusal stands at its field."""
    page = open_page("/kit")
    page.get_by_role("region", name="Preferences").get_by_role("button", name="Change").click()
    page.get_by_label("Default placement").select_option("shadow")
    page.get_by_label("Shadow zone").fill("12")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("alert").filter(has_text="between 0 and 10")).to_be_visible()
    page.get_by_label("Shadow zone").fill("4")
    page.get_by_label(re.compile("^Before opening")).fill("Level the camera\nSlide out")
    page.get_by_label("every ten seconds").check()
    page.get_by_label("Lost texture, per zone").fill("5")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("region", name="Preferences")).to_contain_text("2 steps before opening")
    kept = service.call("GET", "/api/preferences")["preferences"]
    assert kept["school"] == "shadow"
    assert kept["habits"]["shadow_zone"] == 4
    assert kept["checklist"] == ["Level the camera", "Slide out"]
    assert kept["sounds"]["each_ten"]
    assert kept["weights"]["tones"] == 5


@pytest.mark.parametrize("size", [None, PHONE])
def test_cards_are_a_touch_away(open_page: Open, service: Service, size: Any) -> None:
    """Ten cards for what is chosen, each answering with its file."""
    page = open_page("/kit", size) if size else open_page("/kit")
    cards = page.get_by_role("region", name="Cards")
    cards.get_by_label("Film").select_option("film-ostrel")
    links = cards.get_by_role("link", name=re.compile("as PDF$"))
    expect(links).to_have_count(10)
    for link in links.all():
        answer = page.request.get(service.url + (link.get_attribute("href") or ""))
        assert answer.ok
        assert answer.headers["content-type"] == "application/pdf"
    table = page.request.get(
        service.url
        + (cards.get_by_role("link", name=re.compile("as CSV$")).first.get_attribute("href") or "")
    )
    assert "meter at f/22" in table.text()
