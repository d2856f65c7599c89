"""Outings through the service: planned, packed, gone back to, and on paper."""

import io
from typing import Any

import pytest
from pypdf import PdfReader
from starlette.testclient import TestClient

from tests.api.test_api import refusal
from tests.api.test_film_in_hand import ok

Json = dict[str, Any]
QUARRY = "/api/outings/outing-quarry"


def words(answer: Any) -> str:
    """The text of a PDF."""
    assert answer.status_code == 200, answer.text
    assert answer.headers["content-type"] == "application/pdf"
    pages = PdfReader(io.BytesIO(answer.content)).pages
    return " ".join(" ".join(page.extract_text().split()) for page in pages)


def test_latest_first(client: TestClient) -> None:
    """By day; a limit is a limit; names alone are a short list."""
    titles = [each["outing"]["title"] for each in ok(client.get("/api/outings"))]
    assert titles == [
        "Third outing, frost",
        "Second outing, first frost",
        "First outing, a film on trial",
    ]
    assert len(ok(client.get("/api/outings?limit=1"))) == 1
    refusal(client.get("/api/outings?limit=0"), 422)
    names = ok(client.get("/api/outings/names"))
    assert [each["title"] for each in names] == titles
    assert names[0]["day"] == "2026-01-17"


@pytest.mark.parametrize(
    ("text", "found"),
    [
        ("saw", ["Cutting shed, saw beds"]),
        ("SECOND", ["Tip in mist", "Tip under cloud", "Tip in sun, long shadows", "Cutting shed, saw beds"]),
        ("nowhere", []),
        ("%", []),
    ],
)  # fmt: skip
def test_scenes_to_go_back_to(client: TestClient, text: str, found: list[str]) -> None:
    """By any part of title, place or outing; a sign of the search's language is only a sign."""
    earlier = ok(client.get("/api/outings/earlier", params={"text": text}))
    assert sorted(each["scene"]["title"] for each in earlier) == sorted(found)


def test_going_back(client: TestClient) -> None:
    """A copy with readings and kit, what its negatives showed, and what that suggests."""
    (shed,) = ok(client.get("/api/outings/earlier?text=saw"))
    assert shed["showed"] == [
        "thin shadows, full highlights; saw teeth just hold",
        "full shadows, full highlights",
    ]
    assert shed["next_time"] == ["give half a stop more"]
    body = {"id": "again", "scene_id": "scene-shed"}
    scene = ok(client.post(f"{QUARRY}/revisit", json=body))
    assert scene["revisits"] == "scene-shed"
    old = ok(client.get("/api/scenes/scene-shed"))["scene"]
    for field in ("title", "film_id", "lens_id", "aperture"):
        assert scene[field] == old[field]
    assert [each["label"] for each in scene["readings"]] == [e["label"] for e in old["readings"]]
    view = ok(client.get("/api/scenes/again"))
    assert view["showed"] == shed["showed"]
    assert view["exposures"] == []
    assert ok(client.post(f"{QUARRY}/revisit", json=body)) == scene
    refusal(client.post(f"{QUARRY}/revisit", json={"id": "x", "scene_id": "gone"}), 404)
    refusal(client.post("/api/outings/gone/revisit", json={**body, "id": "y"}), 404)


def test_packing(client: TestClient) -> None:
    """What is ticked stays ticked with its outing, and undo unticks it."""
    items = ok(client.get(f"{QUARRY}/packing"))
    keys = [each["key"] for each in items]
    assert "lens-150" in keys
    ok(client.post(f"{QUARRY}/packed", json={"put_in": ["lens-150", "meter-spot"]}))
    assert ok(client.get("/api/outings"))[0]["outing"]["packed"] == ["lens-150", "meter-spot"]
    ok(client.post(f"{QUARRY}/packed", json={"put_in": ["camera"], "taken_out": ["lens-150"]}))
    assert ok(client.get("/api/outings"))[0]["outing"]["packed"] == ["meter-spot", "camera"]
    for _ in range(2):
        client.post("/api/undo")
    assert ok(client.get("/api/outings"))[0]["outing"]["packed"] == []
    refusal(client.get("/api/outings/gone/packing"), 404)
    refusal(client.post(f"{QUARRY}/packed", json={"put_in": ["x"] * 401}), 422)


def test_the_outing_on_paper(client: TestClient) -> None:
    """Conditions, loaded film, every scene with its readings and what was exposed on it."""
    outing = ok(client.get("/api/outings"))[0]["outing"]
    full = {**outing, "light": "low sun", "temperature_c": -4, "latitude": 54.5, "longitude": -3}
    ok(client.put(QUARRY, json=full))
    answer = client.get(f"{QUARRY}/sheet.pdf")
    assert "outing-2026-01-17.pdf" in answer.headers["content-disposition"]
    text = words(answer)
    for part in (
        "Third outing, frost",
        "Skarrowmoor slate quarry, disused",
        "low sun",
        "−4 °C",
        "54.5",
        "Corvane 100",
        "Winding house, sun on the incline",
        "doorway in shade",
        "f/32, 1.3 s",
        "N−1",
        "not exposed",
        "mind edges",
    ):
        assert part in text, part
    refusal(client.get("/api/outings/gone/sheet.pdf"), 404)


def test_exposed_sides_have_their_slip(client: TestClient) -> None:
    """On the board, what an exposed side was exposed on; an unexposed one has none."""
    sides = {
        side["where"]: side["slip"]
        for each in ok(client.get("/api/holders"))
        for side in each["sides"]
    }
    assert sides["1A"]["text"].startswith("doorway in shade placed on III")
    assert sides["3A"]["text"].startswith("pit props placed on III")
    assert sides["2A"] is sides["6A"] is None


def test_labels_of_holders(client: TestClient) -> None:
    """One for each side in use; a retired holder has none."""
    text = words(client.get("/api/holders/labels.pdf"))
    for side in ("1A", "1B", "6A", "6B"):
        assert side in text
    assert "light side out: unexposed" in text
    assert "N−1 Corvane 100 Winding house, sun on the incline" in text  # 1A is exposed
    assert text.count("loaded") == 12 - 4  # to be filled in, on those that are not exposed
    holder = ok(client.get("/api/holders"))[5]["holder"]
    ok(client.put("/api/holders/holder-6", json={**holder, "retired": True}))
    assert "6A" not in words(client.get("/api/holders/labels.pdf"))


@pytest.mark.parametrize(
    ("change", "field", "says"),
    [
        ({"latitude": 54, "longitude": None}, "longitude", "both coordinates"),
        ({"longitude": 3, "latitude": None}, "latitude", "both coordinates"),
        ({"latitude": 91, "longitude": 0}, "latitude", "between −90 and 90"),
        ({"temperature_c": 80}, "temperature_c", "between −60 and 60"),
        ({"title": ""}, "title", ""),
        ({"packed": ["x" * 500]}, "packed.0", ""),
    ],
)
def test_outings_that_are_refused(client: TestClient, change: Json, field: str, says: str) -> None:
    """One sentence at its field, and nothing is written."""
    before = client.get("/api/outings").text
    outing = ok(client.get("/api/outings"))[0]["outing"]
    error = refusal(client.put(QUARRY, json={**outing, **change}), 422)
    assert error["field"] == field
    assert says in error["message"]
    assert client.get("/api/outings").text == before


@pytest.mark.parametrize(
    ("text", "sides"),
    [("", []), ("6", ["6A", "6B"]), ("1-2 6b", ["1A", "1B", "2A", "2B", "6B"])],
)
def test_sides_that_are_named(client: TestClient, text: str, sides: list[str]) -> None:
    """What is typed is read by the same rule that loads."""
    assert ok(client.get("/api/holders/sides", params={"text": text})) == sides


def test_sides_that_are_not_there(client: TestClient) -> None:
    """Refused with the number."""
    error = refusal(client.get("/api/holders/sides", params={"text": "77"}), 422)
    assert "no holder 77" in error["message"]
    assert len(ok(client.get("/api/holders/lists"))) >= 5


def test_a_day_is_drawn(client: TestClient) -> None:
    """A slip for every scene with a reading, its exposures by the hour with what became of them."""
    day = ok(client.get(f"{QUARRY}/drawn"))
    assert set(day["slips"]) == {"scene-winding-house", "scene-incline", "scene-pool", "scene-adit"}
    assert day["slips"]["scene-pool"]["n_text"] == "N"
    assert [each["where"] for each in day["made"]] == ["1A", "1B", "4A", "3A"]
    assert {each["state"] for each in day["made"]} == {"exposed"}
    assert day["made"][2] | {"exposed_at": ""} == {
        "exposure_id": "exposure-4A",
        "scene_id": "scene-incline",
        "exposed_at": "",
        "where": "4A",
        "state": "exposed",
        "set_text": "f/22, 1/8 s",
        "n_text": "N+1",
    }
    refusal(client.get("/api/outings/none/drawn"), 404)
