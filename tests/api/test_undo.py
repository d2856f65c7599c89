"""Every write is one action that undo takes back exactly and redo brings again."""

import threading
from typing import Any

import pytest
from starlette.testclient import TestClient

from emulsa.demo import quarry

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

WRITES: list[tuple[str, str, Json | None]] = [
    ("PUT", "/api/kit/films/film-velm", {"id": "film-velm", "name": "Velm 20", "exposure_index": 20}),
    ("PUT", "/api/kit/filters/new", {"id": "new", "name": "Green", "filter": {"factor": 4}}),
    ("PUT", "/api/kit/meters/meter-spot", {"id": "meter-spot", "name": "Spot", "calibration": {"offset_stops": 0.5}}),
    ("DELETE", "/api/kit/filters/filter-neutral", None),
    ("PUT", "/api/outings/outing-quarry", {"id": "outing-quarry", "title": "Renamed"}),
    ("PUT", "/api/outings/second", {"id": "second", "title": "Second"}),
    ("POST", "/api/outings/outing-quarry/scenes", {"id": "new", "title": "Tramway"}),
    ("PUT", "/api/scenes/scene-pool", {"id": "scene-pool", "outing_id": "outing-quarry", "title": "Emptied"}),
    ("DELETE", "/api/scenes/scene-pool", None),
    ("PUT", "/api/holders/holder-6", {"id": "holder-6", "number": 60, "note": "leaks light"}),
    ("DELETE", "/api/holders/holder-6", None),
    ("POST", "/api/holders/load", {"id": "l", "film_id": "film-velm", "sides": "6"}),
    ("POST", "/api/holders/unload", {"sides": "2"}),
    ("POST", "/api/exposures", {"id": "e", "scene_id": "scene-pool", "piece_id": "sheet-2A"}),
    ("PUT", "/api/exposures/exposure-1A", {"time": 2, "aperture": "32", "n": 0}),
    ("PUT", "/api/preferences", {"school": "average", "checklist": ["Look again"]}),
    ("PUT", "/api/kit/cameras/camera-box", {"id": "camera-box", "name": "Box", "archived": True}),
    ("POST", "/api/exposures", {"id": "m", "scene_id": "scene-pool", "piece_id": "sheet-2A", "share": 0.5}),
    ("PUT", "/api/kit/formats/half", {"id": "half", "name": "Half plate", "size_mm": [164, 119]}),
    ("PUT", "/api/stock/box-velm", {"id": "box-velm", "film_id": "film-velm", "format": "4x5", "count": 30}),
    ("POST", "/api/holders/unload", {"sides": "1", "box": "exposed, quarry"}),
    ("PUT", "/api/outings/outing-quarry/packed", {"packed": ["always:Tape measure"]}),
    ("POST", "/api/outings/outing-quarry/revisit", {"id": "again", "scene_id": "scene-shed"}),
    ("POST", "/api/rolls", {"id": "r", "film_id": "film-ostrel", "format": "6x9", "stock_id": "brick-ostrel"}),
    ("POST", "/api/rolls/roll-tips/weight", {"frame": 2, "weight": 3}),
    ("POST", "/api/rolls/roll-tips/cut", {"after": [3]}),
    ("PUT", "/api/rolls/strips/roll-tips-1-12/development", {"n": -0.5, "recipe_id": "recipe-ostrel-mq"}),
    ("POST", "/api/darkroom/runs", {"run": {"id": "run", "name": "Evening"}, "piece_ids": ["sheet-4A"]}),
    ("PUT", "/api/darkroom/judgements/sheet-shed-A", {"id": "sheet-shed-A", "shadow": "none", "highlight": "flat"}),
    ("DELETE", "/api/attachments/scan-shed", None),
    (
        "POST",
        "/api/exposures/bracket",
        {
            "id": "b",
            "frames": [
                {"id": "b1", "scene_id": "scene-pool", "piece_id": "sheet-2A", "bracket_stops": 1},
                {"id": "b2", "scene_id": "scene-pool", "piece_id": "sheet-2B"},
            ],
        },
    ),
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
    assert client.request(method, path, json=body).status_code in (200, 204)
    after = picture(client)
    assert after != before
    label = client.get("/api/journal").json()["undo"]["label"]
    assert label
    assert client.post("/api/undo").json()["label"] == label
    assert picture(client) == before
    assert client.post("/api/redo").json()["label"] == label
    assert picture(client) == after


def test_a_long_evening_is_undone_to_its_start(client: TestClient) -> None:
    """All of them one after the other, and all the way back."""
    pictures = [picture(client)]
    for method, path, body in WRITES:
        if client.request(method, path, json=body).status_code < 300:
            pictures.append(picture(client))
    assert len(pictures) > 8
    for expected in reversed(pictures[:-1]):
        assert client.post("/api/undo").status_code == 200
        assert picture(client) == expected
    assert client.post("/api/undo").status_code == 409


def test_the_same_write_twice_is_one(client: TestClient) -> None:
    """A page that was away hands its writes in again; nothing is doubled."""
    for method, path, body in WRITES:
        if method == "DELETE" or path == "/api/holders/unload":
            continue
        first = client.request(method, path, json=body)
        count = client.get("/api/journal").json()["undo"]["id"]
        second = client.request(method, path, json=body)
        assert second.status_code == first.status_code
        assert client.get("/api/journal").json()["undo"]["id"] == count, path


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
    """Four scenes or more, three films of different laws with two recipes each, six holders."""
    kit = client.get("/api/kit").json()
    assert len({film["law"]["kind"] for film in kit["films"]}) == len(kit["films"]) == 3
    for film in kit["films"]:
        assert sum(recipe["film_id"] == film["id"] for recipe in kit["recipes"]) == 2
    assert len(client.get("/api/holders").json()) == 6
    field = [lens for lens in kit["lenses"] if lens["camera_id"] == "camera-field"]
    assert len(field) == 3
    hole = kit["pinholes"][0]["optics"]
    assert hole["distance_mm"] / hole["diameter_mm"] == pytest.approx(150)
    assert len(kit["meters"]) == 1
    scenes = client.get("/api/outings").json()[0]["scenes"]
    assert len(scenes) >= 4
    assert {scene["exposures"] > 0 for scene in scenes} == {True, False}
    states = {side["state"] for each in client.get("/api/holders").json() for side in each["sides"]}
    assert states == {"empty", "loaded", "exposed"}
    assert quarry.OUTING.day.startswith("2026-01")
