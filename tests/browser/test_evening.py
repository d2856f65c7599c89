"""The evening planned on the page: shared, moved by hand, put together."""

import re

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import PHONE, Open, Service
from tests.browser.looks import violations

pytestmark = pytest.mark.browser


def test_an_evening_is_planned(open_page: Open, service: Service) -> None:
    """Close times share a run; one run more or less shows its cost; put together it waits there."""
    page = open_page("/darkroom")
    page.get_by_role("link", name="Plan the evening").click()
    corvane = page.get_by_role("region", name="Corvane 100, Metol–hydroquinone 1+1, trays")
    expect(corvane.get_by_role("article")).to_have_count(2)
    expect(corvane).to_contain_text("best grouping")
    drawn = page.get_by_role("region", name="The evening")
    expect(drawn.get_by_text(re.compile(r"^dry at \d+:\d\d$"))).to_have_count(3)
    expect(corvane).to_contain_text("concentrate 250 ml, water 250 ml")
    corvane.get_by_label("Runs").fill("1")
    expect(corvane.get_by_role("article")).to_have_count(1)
    expect(corvane).to_contain_text("zone too high")
    expect(corvane).to_contain_text("zone too low")
    corvane.get_by_label("Runs").fill("0")
    expect(page.get_by_role("alert").filter(has_text="between 1 and 60")).to_be_visible()
    corvane.get_by_label("Runs").fill("")
    expect(corvane.get_by_role("article")).to_have_count(2)
    corvane.get_by_role("button", name="Set up run 1").click()
    expect(corvane.get_by_role("article")).to_have_count(1)
    page.get_by_role("banner").get_by_role("link", name="Darkroom").click()
    run = page.get_by_role("region", name="Corvane 100 N−1, run 1")
    expect(run).to_contain_text("1A")
    expect(run).to_contain_text("6 min 50 s, 20 °C")


def test_every_run_of_the_evening_is_put_together(open_page: Open, service: Service) -> None:
    """One after the other on the same page: each is a run of its own."""
    page = open_page("/darkroom/evening")
    for left in (3, 2, 1):
        expect(page.get_by_role("article")).to_have_count(left)
        page.get_by_role("button", name="Set up run 1").first.click()
    expect(page.get_by_text("Nothing to plan.")).to_be_visible()
    runs = service.call("GET", "/api/darkroom")["runs"]
    assert sorted(piece["where"] for run in runs for piece in run["pieces"]) == [
        "1A", "1B", "3A", "4A",
    ]  # fmt: skip
    assert len(runs) == 3


def test_a_sheet_is_moved_to_another_run(open_page: Open) -> None:
    """By hand, with what it costs, and back to the best again."""
    page = open_page("/darkroom/evening", PHONE)
    page.get_by_label("Move 1B to another run").select_option(label="run 2")
    second = page.get_by_role("article", name="Run 2: Corvane 100 N−1 to N+1")
    expect(second).to_contain_text("1B")
    expect(second).to_contain_text("zone too high")
    assert violations(page) == []
    page.get_by_role("button", name="Regroup automatically").click()
    expect(page.get_by_role("article", name="Run 1: Corvane 100 N−1")).to_contain_text("1B")


def test_what_is_needed_first(open_page: Open, service: Service) -> None:
    """Without a tank the page says where to add one; a tank added in Kit plans at once."""
    for tank in ("tank-four", "tank-hangers", "tank-trays"):
        service.call("DELETE", f"/api/kit/tanks/{tank}")
    page = open_page("/darkroom/evening")
    expect(page.get_by_role("button", name="Add: Two trays and a four-sheet tank")).to_be_visible()
    page.goto(f"{service.url}/kit")
    page.get_by_role("button", name="Add a tank").click()
    page.get_by_label("Name").fill("One-sheet tube")
    page.get_by_label("Capacity, 4×5 sheets").fill("1")
    page.get_by_label("Agitation").select_option("rotary")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    page.goto(f"{service.url}/darkroom/evening")
    expect(page.get_by_role("article")).to_have_count(4)


def test_a_line_of_baths_is_kept(open_page: Open, service: Service) -> None:
    """Taken out, moved, put between; without a developer it is refused and nothing typed is lost; a
    wash has its changes, and agitation of one's own its seconds."""
    page = open_page("/kit")
    page.get_by_role("button", name="Add a bath sequence").click()
    page.get_by_label("Name", exact=True).fill("Short line")
    page.get_by_role("button", name="Remove Developer").click()
    page.get_by_role("button", name="Save").click()
    refused = page.get_by_role("alert").filter(has_text="A line has a developer; name it.")
    expect(refused).to_be_visible()
    page.get_by_role("button", name="Add a bath", exact=True).click()
    page.get_by_label("4. name").fill("Soup")
    page.get_by_label("4. type").select_option("developer")
    page.get_by_role("button", name="Move Soup up").click()
    page.get_by_role("button", name="Insert after Soup").click()
    page.get_by_label("4. name").fill("Standing wash")
    page.get_by_label("4. time").fill("7:30")
    page.get_by_label("4. changes of water").fill("5")
    page.get_by_label("4. agitation").select_option("own")
    page.get_by_label("At the start, s").fill("5")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    kept = next(
        each for each in service.call("GET", "/api/kit")["lines"] if each["id"] != "line-usual"
    )
    kinds = [bath["kind"] for bath in kept["baths"]]
    assert kinds == ["stop", "fixer", "developer", "rinse", "wash"]
    rinse = kept["baths"][3]
    assert (rinse["seconds"], rinse["changes"], rinse["agitation"]) == (450, 5, "5")
