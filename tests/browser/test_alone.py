"""Above every room: records that cannot be read, a clock that goes wrong; and clocks laid over
everything, behind which nothing can be reached."""

import sqlite3
from contextlib import closing
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from emulsa.server.app import Settings
from tests.browser.conftest import WIDE, Open, Service
from tests.browser.test_run_clock import opened, run

pytestmark = pytest.mark.browser
__all__ = ["run"]

WHERE = """() => {
    const at = document.activeElement;
    if (at === document.body) return 'nowhere';
    return at.closest('#root') ? 'behind' : 'in front';
}"""


def spoil(service: Service, sql: str) -> None:
    with closing(sqlite3.connect(Settings(service.folder).database, timeout=20)) as db, db:
        db.execute(sql)


def test_a_record_that_cannot_be_read_is_one_line(open_page: Open, service: Service) -> None:
    """Its room shows the others; the line says what is wrong and mends it, and undo brings it
    back."""
    spoil(service, "UPDATE printing_paper SET filters = '[]' WHERE id = 'paper-sleet'")
    spoil(service, "UPDATE film_test SET curves = '[{}]' WHERE id = 'test-corvane'")
    page = open_page("/bench")
    expect(page.get_by_role("link", name="Velm, one time")).to_be_visible()
    expect(page.get_by_role("link", name="Corvane 100, four times in trays")).to_have_count(0)
    line = page.get_by_text("The film test “Corvane 100, four times in trays” cannot be read:")
    expect(line).to_be_visible()
    expect(page.get_by_text("The paper “Sleet fibre, variable” cannot be read:")).to_be_visible()
    page.get_by_role("button", name="Take it out").first.click()
    expect(line).to_have_count(0)
    page.get_by_role("button", name="Undo", exact=False).first.click()
    expect(line).to_be_visible()
    page.get_by_role("button", name="Take it out").nth(1).click()
    expect(page.get_by_text("This printing paper is still used by")).to_be_visible()


@pytest.mark.parametrize(
    ("ahead_s", "said"),
    [
        (3 * 86_400 + 60, "This device's clock is 3 days ahead of home's."),
        (-2 * 3_600, "This device's clock is 2 hours behind home's."),
        (120, ""),
    ],
)
def test_a_clock_that_goes_wrong(open_page: Open, ahead_s: int, said: str) -> None:
    """It is compared whenever home answers; a minute or two is nothing."""
    page = open_page("/log", WIDE, "day", True)
    page.add_init_script(f"const was = Date.now; Date.now = () => was() + {1000 * ahead_s}")
    page.reload()
    expect(page.get_by_role("heading", name="Log", exact=True)).to_be_visible()
    if said:
        expect(page.get_by_text(said)).to_be_visible()
    else:
        expect(page.get_by_text("This device's clock")).to_have_count(0)


def stays_in_front(page: Page, times: int = 12) -> None:
    """Tab, back and Enter reach nothing of the page behind."""
    for key in ["Tab"] * times + ["Shift+Tab"] * times:
        page.keyboard.press(key)
        assert page.evaluate(WHERE) != "behind"
    assert page.evaluate("document.getElementById('root').inert") is True


def test_a_rehearsal_holds_the_keyboard(open_page: Open, run: Service) -> None:
    """Behind a run's clock, its black screen too, no development can be changed; given up, the
    focus is where it was."""
    page = opened(open_page)
    before = run.call("GET", "/api/darkroom")
    assert page.evaluate(WHERE) == "in front"
    stays_in_front(page)
    page.get_by_role("button", name="Rehearse").click()
    page.get_by_role("button", name="Blackout").click()
    for key in ("Tab", "Enter", "Tab", "Tab", "Enter", " "):
        page.keyboard.press(key)
        assert page.evaluate(WHERE) != "behind"
    assert run.call("GET", "/api/darkroom") == before


def test_a_prints_clock_holds_the_keyboard(open_page: Open, service: Service) -> None:
    """It goes on by keys, and no room opens by one; closed, the focus is at what opened it."""
    page = open_page("/print/print-shed")
    opener = page.get_by_role("button", name="Expose by the clock")
    opener.click()
    clock: Any = page.get_by_role("dialog", name="Clock of the print")
    expect(clock).to_be_visible()
    stays_in_front(page)
    clock.focus()
    page.keyboard.press("g")
    page.keyboard.press("2")
    expect(page).to_have_url(f"{service.url}/print/print-shed")
    page.keyboard.press("Escape")
    expect(clock).to_have_count(0)
    expect(opener).to_be_focused()
