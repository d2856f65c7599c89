"""An evening planned through the service: shared runs, what is mixed, one pair of hands."""

import itertools
from typing import Any

import pytest
from starlette.testclient import TestClient

from tests.api.test_api import refusal
from tests.api.test_film_in_hand import ok

Json = dict[str, Any]

CORVANE = {"film_id": "film-corvane", "recipe_id": "recipe-corvane-mq", "tank_id": "tank-four"}
OSTREL = {"film_id": "film-ostrel", "recipe_id": "recipe-ostrel-mq", "tank_id": "tank-hangers"}


def plan(client: TestClient, *kinds: Json, **more: Any) -> Any:
    body = {"kinds": list(kinds), "line_id": "line-usual", **more}
    return client.post("/api/evening", json=body)


def test_close_times_share_a_run(client: TestClient) -> None:
    """N−1 twice and N+1 are two runs; in one run each is told what it gives up."""
    evening = ok(plan(client, CORVANE))
    assert [[piece["where"] for piece in run["pieces"]] for run in evening["runs"]] == [
        ["1A", "1B"],
        ["4A"],
    ]
    # 4A wants N+1, 11 min 30 s, and was exposed over: its high value fell higher
    assert [run["minutes_text"] for run in evening["runs"]] == ["6 min 50 s", "11 min 30 s"]
    assert {piece["error_text"] for run in evening["runs"] for piece in run["pieces"]} == {
        "on target"
    }
    one = ok(plan(client, {**CORVANE, "max_runs": 1}))
    (run,) = one["runs"]
    errors = {piece["where"]: piece["error_zones"] for piece in run["pieces"]}
    assert errors["1A"] > 0 > errors["4A"]
    assert one["proven"] == {"film-corvane recipe-corvane-mq": True}
    assert {each["part"]: each["ml"] for each in run["course"]["mix"]} == {
        "concentrate": 250,
        "water": 250,
    }


def test_a_sheet_is_moved_by_hand(client: TestClient) -> None:
    """Shared as asked, with what that costs; a piece left out is refused."""
    parts = [["sheet-1A"], ["sheet-1B", "sheet-4A"]]
    moved = ok(plan(client, {**CORVANE, "parts": parts}))
    assert [[p["id"] for p in run["pieces"]] for run in moved["runs"]] == parts
    assert moved["proven"] == {"film-corvane recipe-corvane-mq": False}
    lost = refusal(plan(client, {**CORVANE, "parts": [["sheet-1A"]]}), 422)
    assert "one is missing" in lost["message"]


def test_the_hands_do_one_thing_at_a_time(client: TestClient) -> None:
    """Both films in one evening: no two hand-held baths overlap, and the washer is shared."""
    evening = ok(plan(client, CORVANE, OSTREL))
    held = sorted((t["start_s"], t["end_s"]) for t in evening["tasks"] if t["hands"])
    assert all(before[1] <= after[0] + 1e-6 for before, after in itertools.pairwise(held))
    washes = sorted((t["start_s"], t["end_s"]) for t in evening["tasks"] if t["place"] == "washer")
    assert all(before[1] <= after[0] + 1e-6 for before, after in itertools.pairwise(washes))
    assert evening["finish_s"] == max(t["end_s"] for t in evening["tasks"])
    again = ok(plan(client, CORVANE, OSTREL, dryers=1, bottle_ids=["bottle-fixer"]))
    assert again["finish_s"] > evening["finish_s"]
    assert any("Fixer 1+4 is past its 180 days" in each["text"] for each in again["advice"])


def test_every_run_says_when_it_is_dry(client: TestClient) -> None:
    """What is washed is hung up at once; with one place to dry the others wait for it."""
    evening = ok(plan(client, CORVANE, OSTREL))
    drying = {each["run_id"]: each for each in evening["tasks"] if each["place"] == "dryer"}
    dry = {each["run_id"]: each for each in evening["dry"]}
    assert list(dry) == [run["id"] for run in evening["runs"]]
    for run, said in dry.items():
        own = [each for each in evening["tasks"] if each["run_id"] == run]
        before = max(each["end_s"] for each in own if each is not drying[run])
        assert drying[run]["start_s"] == before
        assert said["at_s"] == drying[run]["end_s"]
        minutes = round(said["at_s"] / 60)
        assert said["text"] == f"dry at {minutes // 60}:{minutes % 60:02d}"
    one = ok(plan(client, CORVANE, OSTREL, dryers=1))
    waited = sorted(each["at_s"] for each in one["dry"])
    [dries_s] = {round(each["end_s"] - each["start_s"]) for each in drying.values()}
    assert all(after - before >= dries_s - 1 for before, after in itertools.pairwise(waited))


def test_a_roll_takes_the_place_of_four(client: TestClient) -> None:
    """A strip is planned whole; it does not fit a tank for three."""
    strip = "roll-tips-1-12"
    ok(client.post(f"/api/rolls/strips/{strip}/development", json={"n": 0}))
    tank = {"id": "small", "name": "Small tank", "holds": 3, "volume_ml": 300}
    ok(client.put("/api/kit/tanks/small", json=tank))
    refused = refusal(plan(client, {**OSTREL, "tank_id": "small"}), 409)
    assert "a roll counts as 4" in refused["message"]
    evening = ok(plan(client, OSTREL))
    assert ["Roll 1"] in [[piece["where"] for piece in run["pieces"]] for run in evening["runs"]]


@pytest.mark.parametrize(
    ("change", "status", "says"),
    [
        ({"line_id": "none"}, 404, "This bath sequence"),
        ({"kinds": [{**CORVANE, "tank_id": "none"}]}, 422, "This tank"),
        ({"kinds": [{**CORVANE, "recipe_id": "recipe-ostrel-mq"}]}, 422, "no such recipe"),
        ({"kinds": [{**CORVANE, "recipe_id": "recipe-corvane-pyro"}]}, 422, ""),
        ({"temperature_c": 30}, 422, "between 18 and 27"),
        ({"kinds": []}, 422, "Kinds of film"),
    ],
)
def test_evenings_that_cannot_be(client: TestClient, change: Json, status: int, says: str) -> None:
    """One sentence, and nothing is kept: a plan is only an answer."""
    body = {"kinds": [CORVANE], "line_id": "line-usual", **change}
    assert says in refusal(client.post("/api/evening", json=body), status)["message"]
    assert client.get("/api/journal").json()["undo"] is None


@pytest.mark.parametrize(
    ("kind", "record", "field"),
    [
        ("tanks", {"id": "t", "name": "T", "holds": 0}, "holds"),
        ("tanks", {"id": "t", "name": "T", "agitation": "shake"}, "agitation"),
        ("lines", {"id": "l", "name": "L", "baths": [{"name": "Fix", "kind": "fixer"}]}, "baths"),
        (
            "lines",
            {"id": "l", "name": "L", "baths": [{"name": "D", "kind": "developer", "agitation": "x"}]},
            "baths.0.agitation",
        ),
        (
            "lines",
            {"id": "l", "name": "L", "baths": [
                {"name": "D", "kind": "developer"}, {"name": "F", "kind": "fixer", "dilution": "abc"},
            ]},
            "baths.1.dilution",
        ),
        (
            "lines",
            {"id": "l", "name": "L", "baths": [
                {"name": "D", "kind": "developer"}, {"name": "F", "kind": "fixer", "dilution": "1:4"},
            ]},
            "baths.1.colon",
        ),
        (
            "papers",
            {"id": "p", "name": "P", "baths": [{"name": "D", "kind": "developer", "dilution": "?"}]},
            "baths.0.dilution",
        ),
        ("bottles", {"id": "b", "name": "B", "mixed": "May"}, "mixed"),
    ],
)  # fmt: skip
def test_darkroom_kit_that_is_refused(
    client: TestClient, kind: str, record: Json, field: str
) -> None:
    """The field is named, and nothing is written."""
    assert (
        refusal(client.put(f"/api/kit/{kind}/{record['id']}", json=record), 422)["field"] == field
    )


@pytest.mark.parametrize(
    ("bottle", "says"),
    [
        ({"mixed": "2025-01-01", "shelf_days": 30}, "is past its 30 days (mixed 1 January 2025)"),
        ({"capacity_rolls": 8, "used_rolls": 8}, "is exhausted (8 rolls)"),
        ({"fresh_clearing_s": 30, "clearing_s": 60}, "twice as long"),
        ({"fresh_clearing_s": 30, "clearing_s": 59, "capacity_rolls": 8, "used_rolls": 7}, ""),
    ],
)
def test_bottles_that_are_done(client: TestClient, bottle: Json, says: str) -> None:
    """Old, used up, or slow to clear (twice the fresh time: common practice, no source)."""
    record = {"id": "b", "name": "Mine", "kind": "fixer", **bottle}
    ok(client.put("/api/kit/bottles/b", json=record))
    said = [each["text"] for each in ok(plan(client, CORVANE, bottle_ids=["b"]))["advice"]]
    assert (said == []) if not says else (says in said[0])


@pytest.fixture
def run(client: TestClient) -> Json:
    """Two sheets put together in the four-sheet tank."""
    preferences = ok(client.get("/api/preferences"))["preferences"]
    ok(client.put("/api/preferences", json={**preferences, "simulated_devices": True}))
    body = {
        "run": {
            "id": "run",
            "name": "Evening",
            "recipe_id": "recipe-corvane-mq",
            "n": -1,
            "minutes": 6.8,
            "temperature_c": 20,
            "tank_id": "tank-four",
            "line_id": "line-usual",
        },
        "piece_ids": ["sheet-1A", "sheet-1B"],
    }
    ok(client.post("/api/darkroom/runs", json=body))
    return body["run"]


def test_a_runs_course(client: TestClient, run: Json) -> None:
    """Its own tank and line, second by second; a tank a run goes in is not deleted."""
    course = ok(client.get("/api/darkroom/runs/run/course"))
    steps = {step["kind"]: step for step in course["process"]["steps"]}
    developer = steps["developer"]
    assert developer["end_s"] - developer["start_s"] == pytest.approx(6.8 * 60)
    assert sum(cue["kind"] == "agitate" for cue in developer["cues"]) == 7
    assert steps["stop"]["start_s"] - developer["end_s"] == 10  # pouring in
    assert refusal(client.delete("/api/kit/tanks/tank-four"), 409)
    for tank in client.get("/api/kit").json()["tanks"]:
        if tank["id"] != "tank-four":
            client.delete(f"/api/kit/tanks/{tank['id']}")
    assert ok(client.get("/api/darkroom/runs/run/course"))["tank"]["id"] == "tank-four"


def test_a_run_is_timed_anew_by_its_temperature(client: TestClient, run: Json) -> None:
    """Warmer is quicker: what is left is the whole, less the dose, at the last temperature."""
    steady = {"elapsed_min": 2, "measured": [{"minute": 0, "temperature_c": 20}]}
    answer = ok(client.post("/api/darkroom/runs/run/retime", json=steady))
    assert answer["left_min"] == pytest.approx(4.8)
    warm = {"elapsed_min": 0, "measured": [{"minute": 0, "temperature_c": 22}]}
    answer = ok(client.post("/api/darkroom/runs/run/retime", json=warm))
    assert answer["left_min"] == pytest.approx(6.8 * 0.8352702114)
    shorter = answer["course"]["process"]["steps"][1]
    assert shorter["end_s"] - shorter["start_s"] == pytest.approx(answer["left_min"] * 60)
    cold = {"elapsed_min": 2, "measured": [{"minute": 0, "temperature_c": 18}]}
    longer = ok(client.post("/api/darkroom/runs/run/retime", json=cold))["course"]
    developer = longer["process"]["steps"][1]
    moved = [cue for cue in developer["cues"] if cue["kind"] == "agitate"]
    assert len(moved) == 8  # seven at 6:48; now one at 7:00 too, and at 8:00 it is being drained
    assert longer["heard"][-1]["sound"] == "end"
    hot = {"elapsed_min": 1, "measured": [{"minute": 0, "temperature_c": 70}]}
    assert (
        "between 5 and 60"
        in refusal(client.post("/api/darkroom/runs/run/retime", json=hot), 422)["message"]
    )
    began = ok(client.get("/api/devices/thermometer?began_c=22&minute=0"))
    later = ok(client.get("/api/devices/thermometer?began_c=22&minute=10"))
    assert began["temperature_c"] == 22 > later["temperature_c"] > 16


def test_a_run_that_is_over_is_one_act(client: TestClient, run: Json) -> None:
    """How it went and its film developed: kept together, taken back by one undo; over a run that
    was marked developed meanwhile, how it went is kept all the same."""
    went = {
        "started_at": "2026-01-20T20:00:00.000Z",
        "steps": [{"name": "Developer", "seconds": 402}],
        "measured": [],
    }
    before = ok(client.get("/api/log/exposure-1A"))
    ok(client.post("/api/darkroom/runs/run/finished", json=went))
    story = ok(client.get("/api/log/exposure-1A"))
    assert (story["state"], story["run"]["went"]) == ("developed", went)
    assert client.get("/api/journal").json()["undo"]["label"] == "mark run Evening developed"
    client.post("/api/undo")
    assert ok(client.get("/api/log/exposure-1A")) == before
    ok(client.post("/api/darkroom/runs/run/developed"))
    ok(client.post("/api/darkroom/runs/run/finished", json=went))
    assert ok(client.get("/api/log/exposure-1A"))["run"]["went"] == went


def test_how_a_run_went_is_kept(client: TestClient, run: Json) -> None:
    """With its true times and temperatures, once; undo takes it off again."""
    went = {
        "started_at": "2026-01-20T20:00:00.000Z",
        "steps": [{"name": "Developer", "seconds": 402}],
        "measured": [{"minute": 2, "temperature_c": 20.4}],
    }
    ok(client.post("/api/darkroom/runs/run/went", json=went))
    count = client.get("/api/journal").json()["undo"]["id"]
    ok(client.post("/api/darkroom/runs/run/went", json=went))
    assert client.get("/api/journal").json()["undo"]["id"] == count  # the same word is no change
    ok(client.post("/api/darkroom/runs/run/developed"))
    assert ok(client.get("/api/log/exposure-1A"))["run"]["went"] == went
    client.post("/api/undo")
    client.post("/api/undo")
    assert client.get("/api/darkroom").json()["runs"][0]["run"]["went"] is None
