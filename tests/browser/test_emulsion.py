"""A film's own page: read, used, laid side by side."""

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import PHONE, Open, Service
from tests.browser.looks import violations

pytestmark = pytest.mark.browser


def test_what_was_done_is_read_and_used(open_page: Open, service: Service) -> None:
    """From a story to its film: the grid, a push's own minutes at one touch, one of each side by
    side."""
    page = open_page("/log/exposure-trial-4A")
    page.get_by_role("link", name="Harle 200").click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Harle 200")
    grid = page.get_by_role("table")
    expect(grid.get_by_role("columnheader", name="EI 400")).to_be_visible()
    expect(grid).to_contain_text("3 of 5 print")
    assert violations(page) == []
    use = page.get_by_role("button", name="Use 19 min 50 s at EI 400", exact=True)
    use.click()
    expect(use).to_have_count(0)
    recipes = {each["id"]: each for each in service.call("GET", "/api/kit")["recipes"]}
    ratings = recipes["recipe-harle-fine"]["recipe"]["ratings"]
    assert [(each["ei"], round(each["minutes"], 1)) for each in ratings][-1] == (400, 19.8)
    page.get_by_role("link", name="Look at one of each, side by side").click()
    expect(page.locator("[data-pane]")).to_have_count(3)


def test_what_it_is_good_for(open_page: Open, service: Service) -> None:
    """A use and a verdict, added, said otherwise, taken away; on a phone, too."""
    page = open_page("/bench/film/film-velm", PHONE)
    uses = page.get_by_role("region", name="Good for")
    expect(uses).to_contain_text("Nothing said yet")
    for verdict in ("yes", "no"):
        uses.get_by_label("Use", exact=True).fill("landscape")
        uses.get_by_label("Verdict").select_option(verdict)
        uses.get_by_role("button", name="Add").click()
        expect(uses.get_by_role("listitem")).to_contain_text([f"landscape{verdict}"])
    films = {each["id"]: each for each in service.call("GET", "/api/kit")["films"]}
    assert films["film-velm"]["uses"] == [{"use": "landscape", "verdict": "no"}]
    assert violations(page) == []
    uses.get_by_role("button", name="Remove landscape").click()
    expect(uses).to_contain_text("Nothing said yet")


def test_nothing_was_done_yet(open_page: Open) -> None:
    """Says what would stand here; other films are a touch away."""
    page = open_page("/bench/film/film-velm")
    expect(page.get_by_text("Nothing developed yet.")).to_be_visible()
    page.get_by_role("region", name="Films of the last year").get_by_role(
        "link", name="Corvane 100"
    ).click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Corvane 100")
    expect(page.get_by_role("table")).to_contain_text("EI 100")
