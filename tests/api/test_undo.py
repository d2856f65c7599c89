"""Every write is one action that undo takes back exactly and redo brings again."""

import threading
from typing import Any

import pytest
from starlette.testclient import TestClient

from emulsa.demo import quarry
from tests.api.test_api import refusal

Json = dict[str, Any]

ROOMS = (
    "/api/kit",
    "/api/preferences",
    "/api/outings",
    "/api/holders",
    "/api/holders/boxes",
    "/api/stock",
    "/api/rolls",
    "/api/pieces/ready",
    "/api/log",
    "/api/log/exposure-1A",
    "/api/log/exposure-shed-A",
    "/api/darkroom",
    "/api/scenes/scene-pool",
    "/api/scenes/scene-winding-house",
)

# One of each sort; every kind of act is undone in tests/acts.
WRITES: list[tuple[str, str, Json | None]] = [
    ("PUT", "/api/kit/films/film-velm", {"id": "film-velm", "name": "Velm 20", "exposure_index": 20}),
    ("POST", "/api/holders/load", {"id": "l", "film_id": "film-velm", "sides": "6"}),
    ("POST", "/api/exposures", {"id": "e", "scene_id": "scene-pool", "piece_id": "sheet-2A"}),
    ("POST", "/api/rolls/roll-tips/cut", {"after": [4]}),
    ("POST", "/api/darkroom/runs", {"run": {"id": "run", "name": "Evening"}, "piece_ids": ["sheet-4A"]}),
    ("DELETE", "/api/attachments/scan-shed", None),
]  # fmt: skip


def picture(client: TestClient) -> list[str]:
    """What every room shows."""
    return [client.get(path).text for path in ROOMS]


@pytest.mark.parametrize(("method", "path", "body"), WRITES, ids=lambda part: str(part)[:40])
def test_every_write_is_undone_and_redone(
    client: TestClient, method: str, path: str, body: Json | None
) -> None:
    """One write, one labelled action; before and after are exact."""
    before = picture(client)
    assert client.request(method, path, json=body).status_code == 200
    after = picture(client)
    assert after != before
    label = client.get("/api/journal").json()["undo"]["label"]
    assert label
    assert client.post("/api/undo").json()["label"] == label
    assert picture(client) == before
    assert client.post("/api/redo").json()["label"] == label
    assert picture(client) == after


def test_an_id_is_for_one_act(client: TestClient) -> None:
    """Used for something else it is refused: the two would be taken for each other."""
    key = {"Idempotency-Key": "one"}
    loading = {"id": "l", "film_id": "film-velm", "sides": "6"}
    assert client.post("/api/holders/load", json=loading, headers=key).status_code == 200
    for other in ({**loading, "sides": "5B"}, {**loading, "id": "m"}):
        assert client.post("/api/holders/load", json=other, headers=key).status_code == 409
    assert client.delete("/api/scenes/scene-pool", headers=key).status_code == 409
    asked = client.post("/api/holders/load", json=loading, headers={"Idempotency-Key": ""})
    assert refusal(asked, 422)["field"] == "idempotency-key"


def test_undo_names_what_it_takes_back(client: TestClient) -> None:
    """Two hands at once undo one; the second is told what undo would take now."""
    for number in (1, 2):
        outing = {"id": f"o{number}", "title": f"Outing {number}"}
        assert client.put(f"/api/outings/o{number}", json=outing).status_code == 200
    expected = {"action_id": client.get("/api/journal").json()["undo"]["id"]}
    assert client.post("/api/undo", json=expected).status_code == 200
    error = refusal(client.post("/api/undo", json=expected), 409)
    assert (error["field"], "Outing 1" in error["message"]) == ("action_id", True)
    assert client.post("/api/redo", json=expected).status_code == 200


def test_eight_writers_lose_nothing(client: TestClient) -> None:
    """Eight at once: every acknowledged outing is there afterwards."""
    kept: list[str] = []

    def write(writer: int) -> None:
        for number in range(5):
            id_ = f"o{writer}-{number}"
            answer = client.put(f"/api/outings/{id_}", json={"id": id_, "title": id_})
            if answer.status_code == 200:
                kept.append(id_)

    threads = [threading.Thread(target=write, args=(writer,)) for writer in range(8)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    there = {each["outing"]["id"] for each in client.get("/api/outings?limit=100").json()}
    assert len(kept) == 40
    assert set(kept) <= there


def test_one_side_is_exposed_once(client: TestClient) -> None:
    """Eight hands on one sheet: one gets it, the others are told."""
    answers: list[int] = []

    def expose(hand: int) -> None:
        given = {"id": f"e{hand}", "scene_id": "scene-pool", "piece_id": "sheet-2A"}
        answers.append(client.post("/api/exposures", json=given).status_code)

    threads = [threading.Thread(target=expose, args=(hand,)) for hand in range(8)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert sorted(answers) == [200, *([409] * 7)]
    exposed = client.get("/api/scenes/scene-pool").json()["exposures"]
    assert [each["where"] for each in exposed] == ["2A"]


def test_the_demo_is_what_it_promises(client: TestClient) -> None:
    """Four scenes or more, four films of three kinds of law with two recipes each, six holders."""
    kit = client.get("/api/kit").json()
    assert {film["law"]["kind"] for film in kit["films"]} == {"none", "power", "table"}
    assert len(kit["films"]) == 4
    for film in kit["films"]:
        assert sum(recipe["film_id"] == film["id"] for recipe in kit["recipes"]) == 2
    assert len(client.get("/api/holders").json()) == 6
    field = [lens for lens in kit["lenses"] if lens["camera_id"] == "camera-field"]
    assert len(field) == 3
    hole = kit["pinholes"][0]["optics"]
    assert hole["distance_mm"] / hole["diameter_mm"] == pytest.approx(200)
    assert len(kit["meters"]) == 1
    scenes = client.get("/api/outings").json()[0]["scenes"]
    assert len(scenes) >= 4
    assert {scene["exposures"] > 0 for scene in scenes} == {True, False}
    states = {side["state"] for each in client.get("/api/holders").json() for side in each["sides"]}
    assert states == {"empty", "loaded", "exposed"}
    assert quarry.OUTING.day.startswith("2026-01")
