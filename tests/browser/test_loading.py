"""Lists for hands that cannot see: read in the light, said in the dark, one's own."""

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import PHONE, Open, Service
from tests.browser.looks import violations
from tests.browser.waiting import until

pytestmark = pytest.mark.browser

HEAR = """() => {
    window.said = [];
    window.speechSynthesis.speak = (words) => window.said.push(words.text);
    window.speechSynthesis.cancel = () => undefined;
}"""


def test_the_next_step_by_any_key(open_page: Open) -> None:
    """Black, nothing to read but by ear; a key says the next step, backspace the one before, the
    last says so; Escape leaves, and the focus is in the sheet again."""
    page = open_page("/film/rolls")
    page.evaluate(HEAR)
    page.get_by_role("button", name="Loading lists").click()
    sheet = page.get_by_role("dialog", name="Loading, step by step")
    expect(sheet.get_by_label("List")).to_have_value("roll_120")
    sheet.get_by_label("List").select_option("tank")
    expect(sheet.get_by_role("list", name="Sheets into a tank")).to_contain_text("the insert dry")
    assert violations(page) == []
    sheet.get_by_role("button", name="Say it in the dark").click()
    dark = page.locator("[data-spoken]")
    expect(dark).to_have_css("background-color", "rgb(0, 0, 0)")
    status = dark.get_by_role("status")
    expect(status).to_have_text("Tank, insert and lid where each hand finds them; the insert dry")
    page.keyboard.press("Space")
    expect(status).to_contain_text("count the sheets you take")
    page.keyboard.press("Backspace")
    expect(status).to_contain_text("Tank, insert and lid")
    for _ in range(7):
        page.keyboard.press("Enter")
    expect(status).to_have_text("That was the last step.")
    said = page.evaluate("window.said")
    assert said[0].startswith("Tank, insert")
    assert said[-1] == "That was the last step."
    page.keyboard.press("Escape")
    expect(dark).to_have_count(0)
    expect(page.get_by_role("dialog", name="Loading, step by step")).to_be_visible()


def test_a_touch_and_a_long_touch(open_page: Open) -> None:
    """On a phone: each touch the next step, one held for two seconds leaves."""
    page = open_page("/film", PHONE)
    page.get_by_role("button", name="Loading lists").click()
    page.get_by_role("button", name="Say it in the dark").click()
    dark = page.locator("[data-spoken]")
    expect(dark.get_by_role("status")).to_contain_text("Count the sheets")
    dark.click(position={"x": 100, "y": 300})
    expect(dark.get_by_role("status")).to_contain_text("Brush holders")
    page.mouse.move(150, 400)
    page.mouse.down()
    until(page, lambda: dark.count() == 0)
    page.mouse.up()


def test_ones_own_steps(open_page: Open, service: Service) -> None:
    """One in a line; what was typed stays when it is refused; the usual ones come back."""
    page = open_page("/film")
    page.get_by_role("button", name="Loading lists").click()
    page.get_by_role("button", name="Change the steps").click()
    steps = page.get_by_label("Steps, one in a line")
    steps.fill("x" * 130)
    page.get_by_role("button", name="Save steps").click()
    expect(page.get_by_role("alert").first).to_be_visible()
    expect(steps).to_have_value("x" * 130)
    steps.fill("Breathe\nBox open")
    page.get_by_role("button", name="Save steps").click()
    expect(
        page.get_by_role("list", name="Sheets into holders").get_by_role("listitem")
    ).to_have_text(["Breathe", "Box open"])
    assert service.call("GET", "/api/holders/lists")[0]["list"]["own"]
    page.get_by_role("button", name="Change the steps").click()
    page.get_by_role("button", name="Usual steps again").click()
    expect(page.get_by_role("list", name="Sheets into holders")).to_contain_text("Brush holders")
