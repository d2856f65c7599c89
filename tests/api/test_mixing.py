"""Deciding over film, mixing for it, using bottles up, and a run's papers, through the service."""

import csv
import io
from datetime import UTC, datetime
from typing import Any

import pytest
from icalendar import Calendar
from pypdf import PdfReader
from starlette.testclient import TestClient

from tests.api.test_api import refusal
from tests.api.test_evening import CORVANE, Json, plan
from tests.api.test_film_in_hand import ok

RUN = {
    "id": "run",
    "name": "Evening",
    "recipe_id": "recipe-corvane-mq",
    "n": -1,
    "minutes": 6.8,
    "temperature_c": 20,
    "tank_id": "tank-four",
    "line_id": "line-usual",
}


def begin(client: TestClient, *pieces: str, **more: Any) -> Any:
    body = {"run": {**RUN, **more}, "piece_ids": list(pieces or ("sheet-1A", "sheet-1B"))}
    return client.post("/api/darkroom/runs", json=body)


def decide(client: TestClient, choice: Json, *pieces: str) -> Any:
    body = {"piece_ids": list(pieces or ("sheet-1A",)), "choice": choice}
    return client.post("/api/darkroom/choices", json=body)


def group_of(client: TestClient, where: str) -> Json:
    found: Json = next(
        group
        for group in ok(client.get("/api/darkroom"))["groups"]
        if any(each["where"] == where for each in group["sheets"])
    )
    return found


def words(content: bytes) -> str:
    return " ".join(page.extract_text() for page in PdfReader(io.BytesIO(content)).pages)


def test_the_last_word_on_a_sheet(client: TestClient) -> None:
    """Other minutes with a reason: the ledger says both, the plan uses them, undo takes them off."""
    choice = {"minutes": 8, "reason": "thin last time"}
    assert ok(decide(client, choice)) == ["sheet-1A"]
    assert ok(decide(client, choice)) == []  # said twice, kept once
    group = group_of(client, "1A")
    assert (group["time"]["minutes"], group["time"]["ledger"][-1]["why"]) == (8, "thin last time")
    assert [each["where"] for each in group["sheets"]] == ["1A"]
    story = ok(client.get("/api/log/exposure-1A"))
    assert story["decided"] == "8 min instead of the plan: thin last time"
    assert ok(client.get("/api/log/exposure-1B"))["decided"] == ""
    pieces = {p["where"]: p for run in ok(plan(client, CORVANE))["runs"] for p in run["pieces"]}
    assert pieces["1A"]["minutes"] == 8
    client.post("/api/undo")
    assert group_of(client, "1A")["choice"]["minutes"] is None
    ok(decide(client, choice))
    ok(decide(client, {}))
    assert group_of(client, "1A")["choice"]["minutes"] is None


def test_a_sheet_that_matters_more(client: TestClient) -> None:
    """Said of it once, the shared time leans towards it; nothing else is decided by that."""
    one = {**CORVANE, "max_runs": 1}
    before = ok(plan(client, one))["runs"][0]["minutes"]
    body = {"piece_ids": ["sheet-4A"], "choice": {}, "weight": 3}
    assert ok(client.post("/api/darkroom/choices", json=body)) == ["sheet-4A"]
    assert ok(plan(client, one))["runs"][0]["minutes"] > before
    assert group_of(client, "4A")["sheets"][0]["weight"] == 3
    over = {**body, "weight": 4}
    assert "between 0 and 3" in refusal(
        client.post("/api/darkroom/choices", json=over), 422
    )["message"]  # fmt: skip


def test_a_choice_is_weighed_first(client: TestClient) -> None:
    """Nothing is kept of it; film that does not wait is not weighed."""
    trial = {"piece_id": "sheet-1A", "choice": {"minutes": 8, "reason": "x"}}
    answer = ok(client.post("/api/darkroom/weigh", json=trial))
    assert (answer["minutes"], answer["off_text"]) == (8, "0.5 zone too high")
    assert client.get("/api/journal").json()["undo"] is None
    drum = {"id": "drum", "name": "Drum", "agitation": "rotary"}
    ok(client.put("/api/kit/tanks/drum", json=drum))
    turned = {"piece_id": "sheet-1A", "choice": {}, "tank_id": "drum"}
    assert ok(client.post("/api/darkroom/weigh", json=turned))["minutes"] == pytest.approx(
        6.8333333333 * 0.85
    )
    quick = {"piece_id": "sheet-1A", "choice": {"minutes": 4.5, "reason": "x"}}
    tray = {"id": "tray", "name": "Tray", "agitation": "shuffle"}
    ok(client.put("/api/kit/tanks/tray", json=tray))
    codes = [
        [each["code"] for each in ok(client.post("/api/darkroom/weigh", json=asked))["advice"]]
        for asked in (quick, {**quick, "tank_id": "drum"}, {**quick, "tank_id": "tray"})
    ]
    assert ["time-short" in each for each in codes] == [True, True, False]
    gone = {**trial, "piece_id": "sheet-2A"}
    assert "does not wait" in refusal(client.post("/api/darkroom/weigh", json=gone), 404)["message"]
    hot = {**trial, "choice": {}, "temperature_c": 40}
    assert refusal(client.post("/api/darkroom/weigh", json=hot), 422)["field"] == "temperature_c"


def test_two_runs_beside_each_other(client: TestClient) -> None:
    """Asked of the service as the clock does, with the other run's steps as they stand."""
    ok(begin(client))
    ok(begin(client, "sheet-4A", id="other", name="Other"))
    steps = ok(client.get("/api/darkroom/runs/run/course"))["process"]["steps"]
    going = {"others": [{"steps": steps, "at_s": 150}]}
    answer = ok(client.post("/api/darkroom/runs/other/beside", json=going))
    assert answer["wait_s"] > 0
    assert "need the hands at once" in answer["text"]
    free = ok(client.post("/api/darkroom/runs/other/beside", json={"others": []}))
    assert free["wait_s"] == 0


def test_what_is_used_is_not_deleted(client: TestClient) -> None:
    """A bottle of a run, a recipe that was decided on; a powder nobody needs goes."""
    recipe = "recipe-velm-mq"
    stain = {"id": "new", "film_id": "film-corvane", "name": "New", "recipe": {}}
    ok(client.put("/api/kit/recipes/new", json=stain))
    ok(decide(client, {"recipe_id": "new"}, "sheet-4A"))
    assert "still used" in refusal(client.delete("/api/kit/recipes/new"), 409)["message"]
    assert client.delete(f"/api/kit/recipes/{recipe}").status_code == 200
    ok(begin(client, bottle_ids=["bottle-stop"]))
    assert "still used" in refusal(client.delete("/api/kit/bottles/bottle-stop"), 409)["message"]
    assert client.delete("/api/kit/powders/powder-mq").status_code == 200
    assert ok(client.get("/api/kit"))["powders"] == []


def test_the_other_school_is_chosen(client: TestClient) -> None:
    """A contraction is offered the semi-stand recipe of its film; chosen, it is planned by it."""
    offered = group_of(client, "1A")["others"]
    assert [each["recipe_id"] for each in offered] == ["recipe-corvane-stain"]
    ok(decide(client, {"recipe_id": "recipe-corvane-stain"}, "sheet-1A", "sheet-1B"))
    assert group_of(client, "1A")["recipe_id"] == "recipe-corvane-stain"
    stain = {**CORVANE, "recipe_id": "recipe-corvane-stain"}
    (run,) = ok(plan(client, stain))["runs"]
    assert run["minutes"] == pytest.approx(45)
    assert {each["part"] for each in run["course"]["mix"]} == {"A", "B", "water"}


@pytest.mark.parametrize(
    ("choice", "pieces", "status", "says"),
    [
        ({"minutes": 8}, ["sheet-1A"], 422, "Give the reason"),
        ({"recipe_id": "none"}, ["sheet-1A"], 404, "recipe"),
        ({"recipe_id": "recipe-ostrel-mq"}, ["sheet-1A"], 409, "of another film"),
        ({"reason": "x"}, ["sheet-2A"], 409, "only film that waits"),
        ({"reason": "x"}, ["lost"], 404, "no longer in the log"),
        ({"minutes": 900, "reason": "x"}, ["sheet-1A"], 422, "between 0.5 and 240"),
    ],
)
def test_decisions_that_are_refused(
    client: TestClient, choice: Json, pieces: list[str], status: int, says: str
) -> None:
    """One sentence, nothing kept, not even for the pieces before the wrong one."""
    assert says in refusal(decide(client, choice, "sheet-1B", *pieces), status)["message"]
    assert client.get("/api/journal").json()["undo"] is None


def test_what_is_not_recommended(client: TestClient) -> None:
    """Refused with who says so, until there is a reason."""
    recipe = ok(client.get("/api/kit"))["recipes"]
    mq = next(each for each in recipe if each["id"] == "recipe-corvane-mq")
    mq["recipe"]["not_recommended"] = "the maker's sheet"
    ok(client.put("/api/kit/recipes/recipe-corvane-mq", json=mq))
    group = group_of(client, "1A")
    assert (group["time"], group["needs_reason"]) == (None, True)
    assert "the maker's sheet" in refusal(plan(client, CORVANE), 409)["message"]
    ok(decide(client, {"reason": "the only one here"}, "sheet-1A", "sheet-1B", "sheet-4A"))
    assert ok(plan(client, CORVANE))["runs"]


def test_a_run_uses_its_bottles_up(client: TestClient) -> None:
    """Two sheets are half a roll; once, however often it is said; undo gives it back."""

    def used() -> float:
        bottles = ok(client.get("/api/kit"))["bottles"]
        return float(next(each["used_rolls"] for each in bottles if each["id"] == "bottle-fixer"))

    before = used()
    ok(begin(client, bottle_ids=["bottle-fixer"]))
    assert used() == before
    ok(client.post("/api/darkroom/runs/run/developed"))
    ok(client.post("/api/darkroom/runs/run/developed"))
    assert used() == before + 0.5
    client.post("/api/undo")
    assert used() == before


@pytest.mark.parametrize(
    ("pieces", "more", "status", "says"),
    [
        (["sheet-1A", "sheet-1A"], {"bottle_ids": ["done"]}, 409, "is exhausted (8 rolls)"),
        (["sheet-1A"], {"temperature_c": 30}, 422, "between 18 and 27"),
        (["sheet-1A", "sheet-1B"], {"tank_id": "one"}, 409, "more than fits"),
        (["sheet-1A", "sheet-2A"], {}, 409, "2A"),
        (["sheet-1A", "sheet-3A"], {}, 409, "Different films never share a run"),
    ],
)
def test_runs_that_are_refused(
    client: TestClient, pieces: list[str], more: Json, status: int, says: str
) -> None:
    """Mixed films, too many, too warm, an exhausted bottle, film that is not exposed."""
    ok(client.put("/api/kit/tanks/one", json={"id": "one", "name": "One-sheet drum", "holds": 1}))
    done = {"id": "done", "name": "Old fixer", "kind": "fixer"}
    ok(client.put("/api/kit/bottles/done", json={**done, "capacity_rolls": 8, "used_rolls": 8}))
    assert says in refusal(begin(client, *pieces, **more), status)["message"]
    assert ok(client.get("/api/darkroom"))["runs"] == []


def test_a_sheet_is_in_one_run(client: TestClient) -> None:
    ok(begin(client))
    again = refusal(begin(client, "sheet-1A", id="second"), 409)
    assert "1A" in again["message"]
    assert len(ok(client.get("/api/darkroom"))["runs"]) == 1


def test_a_mixing_sheet(client: TestClient) -> None:
    """As JSON and as a page, in the photographer's measures; waters that cannot make it are refused."""
    asked = {k: RUN[k] for k in ("recipe_id", "tank_id", "line_id")} | {"area_in2": 40}
    made = ok(client.get("/api/mixing", params=asked))
    assert made["parts"][0]["lines"][0] == "Measure 250 ml of water at 20 °C."
    filled = ok(client.get("/api/mixing", params={**asked, "filled_ml": "290"}))["parts"]
    assert filled[0]["lines"][:2] == [
        "Measure 145 ml of water at 20 °C.",
        "Add 145 ml of concentrate; stir.",
    ]
    by_water = ok(client.get("/api/mixing", params={**asked, "water_ml": "0.4 l"}))["parts"]
    assert by_water[0]["lines"][0] == "Measure 400 ml of water at 20 °C."
    assert (by_water[0]["volume_ml"], filled[0]["volume_ml"]) == (800, 290)
    assert by_water[1:] == made["parts"][1:]  # the other baths fill the tank as they did
    way = ok(client.get("/api/preferences"))["preferences"]
    way["measures"] = {"temperature": "F", "volume": "fl oz"}
    ok(client.put("/api/preferences", json=way))
    waters = {"tap_c": 12, "other_c": 45}
    page = client.get("/api/mixing/sheet.pdf", params={**asked, **waters})
    assert page.headers["content-type"] == "application/pdf"
    assert "°F" in words(page.content)
    assert "fl oz" in words(page.content)
    for more, status, says in (
        ({"tap_c": 24, "other_c": 50}, 409, "colder water"),
        ({"tap_c": 12}, 422, "both waters"),
        ({"recipe_id": "none"}, 404, "recipe"),
        ({"tank_id": "none"}, 404, "This tank"),
        ({"line_id": "none"}, 404, "This bath sequence"),
        ({"water_ml": "plenty"}, 422, "not a volume"),
        ({"filled_ml": "0.5"}, 422, "between"),
        ({"temperature_c": 70}, 422, "between 41 and 140 °F"),
    ):
        answer = client.get("/api/mixing", params={**asked, **more})
        assert says in refusal(answer, status)["message"]


def test_stock_from_powder(client: TestClient) -> None:
    """Kept in the kit, mixed line by line, on paper too."""
    powder = {
        "id": "mq",
        "name": "MQ stock",
        "volume_ml": 2_000,
        "start_ml": 1_500,
        "parts": [{"name": "part A", "grams": 9}, {"name": "part B"}],
    }
    ok(client.put("/api/kit/powders/mq", json=powder))
    made = ok(client.get("/api/mixing/powders/mq"))
    assert made["parts"][0]["lines"][1].startswith("Pour in 9 g of part A")
    assert "part B" in words(client.get("/api/mixing/powders/mq/sheet.pdf").content)
    assert refusal(client.get("/api/mixing/powders/none"), 404)
    assert "less water" in refusal(
        client.put("/api/kit/powders/mq", json={**powder, "start_ml": 2_000}), 422
    )["message"]  # fmt: skip


def test_the_clearing_test(client: TestClient) -> None:
    """Twice the clearing time, three times for tabular grain; doubled, the fixer is done.

    Common practice, no source.
    """
    ok(client.put("/api/kit/bottles/new", json={"id": "new", "name": "New", "kind": "fixer"}))

    def test(seconds: float, **more: Any) -> Any:
        return client.post("/api/mixing/clearing", json={"clearing_s": seconds, **more})

    assert ok(test(30)) == {"fixing_s": 60, "says": "Fix for 1:00", "trouble": ""}
    grained = ok(test(30, tabular=True, bottle_id="new"))
    assert (grained["says"], grained["trouble"]) == ("Fix for 1:30", "")
    assert "twice as long" in ok(test(60, bottle_id="new"))["trouble"]
    bottle = next(each for each in ok(client.get("/api/kit"))["bottles"] if each["id"] == "new")
    assert (bottle["fresh_clearing_s"], bottle["clearing_s"]) == (30, 60)
    assert "no fixer" in refusal(test(30, bottle_id="bottle-stop"), 422)["message"]
    assert refusal(test(30, bottle_id="none"), 404)


def test_a_run_on_paper(client: TestClient) -> None:
    """Its film, its baths, its mixture."""
    ok(begin(client))
    said = words(client.get("/api/darkroom/runs/run/sheet.pdf").content)
    for each in ("Evening", "1A", "Developer", "Wetting agent", "concentrate 250 ml", "20 °C"):
        assert each in said
    assert refusal(client.get("/api/darkroom/runs/none/sheet.pdf"), 404)


def test_the_table_of_runs(client: TestClient) -> None:
    """Every run a line, with what really happened; read by a general CSV reader."""
    ok(begin(client, name="=cold evening"))
    went = {
        "started_at": "2026-01-20T20:00:00.000Z",
        "steps": [{"name": "Developer", "seconds": 402}],
        "measured": [{"minute": 2, "temperature_c": 20.4}],
    }
    ok(client.post("/api/darkroom/runs/run/went", json=went))
    text = client.get("/api/darkroom/runs/table.csv").text.lstrip("\ufeff")
    rows = {row["id"]: row for row in csv.DictReader(io.StringIO(text))}
    row = rows["run"]
    assert row["name"] == "'=cold evening"  # never a formula
    assert (row["pieces"], row["minutes"], row["tank"]) == ("1A;1B", "6.8", "Four-sheet tank")
    assert (row["went_s"], row["measured_c"]) == ("Developer 402", "2 20.4")


def test_the_evening_as_a_calendar(client: TestClient) -> None:
    """Read by a general package: a run each, one after the other from the moment that was said."""
    planning = {"kinds": [CORVANE], "line_id": "line-usual"}
    dated = {"planning": planning, "begins_at": "2026-01-20T19:30+01:00"}
    answer = client.post("/api/evening/calendar.ics", json=dated)
    assert answer.headers["content-type"].startswith("text/calendar")
    events = Calendar.from_ical(answer.content).walk("VEVENT")
    runs = ok(plan(client, CORVANE))["runs"]
    assert [str(each["summary"]) for each in events] == [
        f"{run['name']}: {run['minutes_text']}" for run in runs
    ]
    first = events[0]["dtstart"].dt.astimezone(UTC)
    assert first == datetime(2026, 1, 20, 18, 30, tzinfo=UTC)
    assert all(each["dtend"].dt > each["dtstart"].dt for each in events)
    bad = {**dated, "begins_at": "tomorrow at eight"}
    assert (
        "no moment" in refusal(client.post("/api/evening/calendar.ics", json=bad), 422)["message"]
    )


def test_a_data_sheet_becomes_recipes(client: TestClient) -> None:
    """Read first, kept together afterwards; a lost film keeps none; one undo takes all off."""
    text = "Film | 1+1 | 1+3\nCorvane 100 | 9 | -"
    read = ok(client.post("/api/kit/data-sheet", json={"text": text}))
    assert read["dilutions"] == ["1+1", "1+3"]
    before = len(ok(client.get("/api/kit"))["recipes"])
    new = [
        {
            "id": f"pasted-{place}",
            "film_id": "film-corvane",
            "name": f"MQ {cell['dilution']}",
            "recipe": {
                "dilution": cell["dilution"],
                "points": [{"n": 0, "minutes": 9, "origin": "published"}]
                if cell["minutes"]
                else [],
                "not_recommended": "" if cell["minutes"] else "the data sheet",
            },
        }
        for place, cell in enumerate(read["rows"][0]["cells"])
    ]
    ok(client.post("/api/kit/recipes", json={"recipes": new}))
    ok(client.post("/api/kit/recipes", json={"recipes": new}))
    assert len(ok(client.get("/api/kit"))["recipes"]) == before + 2
    client.post("/api/undo")
    client.post("/api/undo")
    assert len(ok(client.get("/api/kit"))["recipes"]) == before
    lost = [new[0], {**new[1], "film_id": "none"}]
    assert "not in the kit" in refusal(
        client.post("/api/kit/recipes", json={"recipes": lost}), 404
    )["message"]  # fmt: skip
    assert len(ok(client.get("/api/kit"))["recipes"]) == before
    nothing = client.post("/api/kit/data-sheet", json={"text": "hello"})
    assert "head of the table" in refusal(nothing, 422)["message"]
