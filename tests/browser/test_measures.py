"""Every number in the units one works in: shown so, typed so, kept the core's own way."""

import re

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import Open, Service

pytestmark = pytest.mark.browser

OTHER = {
    "temperature": "F",
    "volume": "fl oz",
    "length": "in",
    "stops": "tenth",
    "currency": "£",
    "dates": "iso",
}


@pytest.fixture
def elsewhere(service: Service) -> Service:
    """A photographer who works in other units."""
    kept = service.call("GET", "/api/preferences")["preferences"]
    service.call("PUT", "/api/preferences", {**kept, "measures": OTHER})
    return service


def test_a_scene_in_inches_and_tenths(open_page: Open, elsewhere: Service) -> None:
    """40 mm past infinity is 1.575 in; a bellows factor of 1.60 is 0.7 stop; a draw is typed so."""
    page = open_page("/scene/scene-pool")
    focus = page.get_by_role("button", name="Focus: 1.575 in past infinity")
    expect(focus).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("^Bellows"))).to_contain_text("+0.7")
    focus.click()
    field = page.get_by_label("Draw, in")
    expect(field).to_have_value("1.575")
    field.fill("2")
    page.get_by_role("button", name="Set focus").click()
    expect(page.get_by_role("button", name="Focus: 2 in past infinity")).to_be_visible()
    kept = elsewhere.call("GET", "/api/scenes/scene-pool")["scene"]["focus"]
    assert kept["draw_mm"] == pytest.approx(50.8)
    page.get_by_label("Type a reading").fill("draw 1 in")
    expect(page.get_by_text("focus 1 in past infinity").first).to_be_visible()


def test_kit_in_fahrenheit_and_ounces(open_page: Open, elsewhere: Service) -> None:
    """20 °C is 68 °F, 500 ml are 16.91 fl oz; 125 °F water can be typed."""
    page = open_page("/kit")
    page.get_by_role("button", name="Metol–hydroquinone 1+1, trays").click()
    expect(page.get_by_label("Temperature, °F")).to_have_value("68")
    page.get_by_label("Temperature, °F").fill("70")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    page.get_by_role("button", name=re.compile("^Metol–hydroquinone stock")).click()
    page.get_by_label("Water temperature, °F").fill("125")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    page.get_by_role("button", name=re.compile("^Four-sheet tank")).click()
    expect(page.get_by_label("Volume, fl oz")).to_have_value("16.91")
    kit = elsewhere.call("GET", "/api/kit")
    recipe = next(each for each in kit["recipes"] if each["id"] == "recipe-corvane-mq")
    assert recipe["recipe"]["temperature_c"] == pytest.approx(21.111, abs=0.001)
    assert kit["powders"][0]["start_c"] == pytest.approx(51.667, abs=0.001)


def test_money_and_days(open_page: Open, elsewhere: Service) -> None:
    """The photographer's own sign, and dates as the preferences say."""
    page = open_page("/film/stock")
    expect(page.get_by_text("£2.40 each")).to_be_visible()
    expect(page.get_by_text("opened 2025-11-02")).to_be_visible()
    page.goto(f"{elsewhere.url}/outing")
    page.get_by_role("button", name="Second outing, first frost").click()
    expect(page.get_by_text("33.8 °F")).to_be_visible()
