"""A typed line is one act: read under the lock over the scene as it is, kept, undone at once."""

import json
from sqlite3 import Connection
from typing import Any

import pytest
from starlette.testclient import TestClient

from tests.api.test_api import refusal

POOL = "/api/scenes/scene-pool"


def said(client: TestClient, text: str, scene: str = "scene-pool", **more: Any) -> Any:
    body = {"text": text, "reading_id": "new"}
    base = more.pop("base", None)
    if base is None:
        known = client.get(f"/api/scenes/{scene}")
        base = known.json()["version"] if known.status_code == 200 else ""
    return client.post(f"/api/scenes/{scene}/line?base={base}", json={**body, **more})


def test_what_is_shown_is_what_is_kept(client: TestClient) -> None:
    """The preview's edits and the act come to the same scene; one undo takes all of it back."""
    view = client.get(POOL).json()
    text = "11 lichen VI; f/32; filter amber ×4"
    asked = {"scene": view["scene"], "text": text, "reading_id": "new"}
    shown = client.post("/api/scenes/line", json=asked).json()
    drafted = {"scene": view["scene"], "edits": shown["edits"]}
    kit = client.get("/api/kit").json()["filters"]
    kept = said(client, text).json()
    assert kept["lines"]["new"] == "11 lichen"
    assert kept["scene"]["aperture"] == "32"
    made = [each for each in client.get("/api/kit").json()["filters"] if each not in kit]
    assert [each["name"] for each in made] == ["Amber"]
    assert kept["scene"]["filter_ids"][-1] == made[0]["id"]
    would = client.post("/api/scenes/solve", json=drafted).json()["scene"]
    without_time = {"readings"}
    assert {k: v for k, v in would.items() if k not in without_time} == {
        k: v for k, v in kept["scene"].items() if k not in without_time
    }
    assert client.post("/api/undo").json()
    assert client.get(POOL).json()["scene"] == view["scene"]
    assert client.get("/api/kit").json()["filters"] == kit


def test_a_line_is_read_over_the_scene_it_was_typed_on(client: TestClient) -> None:
    """Another hand was faster: nothing is overwritten, and what is kept now is told."""
    base = client.get(POOL).json()["version"]
    assert said(client, "f/22").status_code == 200
    late = said(client, "f/45", base=base)
    assert late.status_code == 409
    assert late.json()["error"]["stored"]["aperture"] == "22"
    assert client.get(POOL).json()["scene"]["aperture"] == "22"


@pytest.mark.parametrize(
    ("text", "code", "message"),
    [
        ("13,3 bark", "comma", "as in 13.3 bark"),
        ("500@8", "ambiguous", "1/500 s as a dial shows it?"),
        ("shade", "unreadable", "does not begin with a reading"),
        ("9 shade z11", "out-of-range", "between 0 and 10"),
    ],
)
def test_what_is_not_understood_keeps_nothing(
    client: TestClient, text: str, code: str, message: str
) -> None:
    """The scene stays as it was; one that is not there is not begun by it."""
    kept = client.get(POOL).json()
    told = refusal(said(client, text), 422)
    assert told["code"] == code
    assert message in told["message"]
    assert client.get(POOL).json() == kept
    assert said(client, text, "begun").status_code == 404


def test_a_comma_is_what_was_answered(client: TestClient) -> None:
    """In the line, and in every other field from then on."""
    refused = client.post("/api/scenes/solve", json=spread(client, "0,5"))
    assert refusal(refused, 422)["code"] == "comma"
    way = client.get("/api/preferences").json()["preferences"]
    assert client.put("/api/preferences", json={**way, "decimal_comma": True}).status_code == 200
    assert said(client, "13,3 bark").json()["lines"]["new"] == "13.3 bark"
    solved = client.post("/api/scenes/solve", json=spread(client, "0,5")).json()
    assert solved["scene"]["depth"] == {"kind": "spread", "focus_spread_mm": 0.5}
    assert client.get("/api/number?text=6,25").json() == {"value": 6.25}


def spread(client: TestClient, text: str) -> dict[str, Any]:
    edit = {"kind": "depth", "depth": {"kind": "spread", "focus_spread_mm": text}}
    return {"scene": client.get(POOL).json()["scene"], "edits": [edit]}


def test_what_is_kept_of_an_act_is_what_was_meant(client: TestClient, db: Connection) -> None:
    """A number typed with a comma is told as the number: elsewhere commas may mean otherwise."""
    way = client.get("/api/preferences").json()["preferences"]
    client.put("/api/preferences", json={**way, "decimal_comma": True})
    edits = spread(client, "0,5")["edits"]
    base = client.get(POOL).json()["version"]
    body = {"edits": [*edits, {"kind": "name", "title": "Pool, 3,5 m"}]}
    assert client.post(f"{POOL}/edits?base={base}", json=body).status_code == 200
    row = db.execute("SELECT request FROM act ORDER BY rowid DESC LIMIT 1").fetchone()
    depth, name = json.loads(row["request"])["body"]["edits"]
    assert depth["depth"] == {"kind": "spread", "focus_spread_mm": 0.5}
    assert name["title"] == "Pool, 3,5 m"


@pytest.mark.parametrize(
    ("path", "body", "path_in"),
    [
        ("/api/prints/strip", {"kind": "linear", "step_s": "3,5", "strips": 3}, "step_s"),
        ("/api/kit/ladder", {"points": "0 8,5"}, "points"),
        ("/api/compute/pinhole", {"diameter_mm": "0,3", "distance_mm": 75, "format_mm": [120, 95]}, "diameter_mm"),
    ],
)  # fmt: skip
def test_what_needs_no_log_is_read_as_one_writes(
    client: TestClient, path: str, body: dict[str, Any], path_in: str
) -> None:
    """A question of what is sent alone: asked about its comma once, answered from then on."""
    asked = refusal(client.post(path, json=body), 422)
    assert asked["code"] == "comma"
    assert asked["field"].startswith(path_in)
    way = client.get("/api/preferences").json()["preferences"]
    client.put("/api/preferences", json={**way, "decimal_comma": True})
    answer = client.post(path, json=body)
    assert answer.status_code == 200
    pointed = json.loads(
        json.dumps(body).replace("3,5", "3.5").replace("8,5", "8.5").replace("0,3", "0.3")
    )
    assert answer.json() == client.post(path, json=pointed).json()
