"""From nothing: a scene begun by its first reading, exposed without a holder, the holder named
later; the negative is the same along the whole way."""

from typing import Any

import pytest

from tests.path.hand import Hand

DAY = "2026-01-17"


def began(hand: Hand, *edits: Any, **makes: Any) -> Any:
    body = {"id": "s", "outing_id": "o", "day": DAY, "edits": list(edits), "makes": makes}
    return hand.post("/api/scenes", body)["scene"]


def read(ev: float) -> Any:
    return {"kind": "read", "id": "wall", "label": "wall", "reading": {"kind": "ev", "ev": ev}}


def exposed(hand: Hand, id_: str = "e") -> Any:
    given = {"id": id_, "scene_id": "s", "piece_id": f"sheet-{id_}", "unplaced": True}
    return hand.post("/api/exposures", given)


def test_a_scene_is_begun_by_its_first_reading(hand: Hand) -> None:
    """Today's outing is made by it, called by its date, and taken when it is there."""
    assert began(hand, read(12))["title"] == "Scene 1"
    (day,) = hand.get("/api/outings")
    assert (day["outing"]["title"], day["outing"]["day"]) == ("17 January 2026", DAY)
    hand.post("/api/scenes", {"id": "t", "outing_id": "p", "day": DAY, "edits": [read(9)]})
    (day,) = hand.get("/api/outings")
    assert [each["title"] for each in day["scenes"]] == ["Scene 1", "Scene 2"]


def test_a_sheet_in_no_holder_waits_and_is_named_later(hand: Hand) -> None:
    """12 at EI 100 is 1/60 at f/8. It waits in the Darkroom; named 2B it is the sheet of that side,
    of that film and from that box, and the side holds it."""
    began(hand, read(12))
    assert exposed(hand)["set_text"] == "f/8, 1/60 s"
    hand.bench()
    hand.film({"developer": "Own 1+1", "points": [{"n": 0, "minutes": 8}]})
    hand.put("/api/stock/box", {"id": "box", "film_id": "film", "format": "4x5", "count": 25})
    hand.put("/api/holders/two", {"id": "two", "number": 2})
    load = {"id": "l", "film_id": "film", "stock_id": "box", "sides": "2"}
    hand.post("/api/holders/load", load)
    hand.post("/api/pieces/sheet-e/holder", {"side": "2b"})
    (holder,) = hand.get("/api/holders")
    assert [side["state"] for side in holder["sides"]] == ["loaded", "exposed"]
    (story,) = [hand.get("/api/log/e")]
    assert (story["exposure"]["where"], story["film_name"]) == ("2B", "Own film")
    assert [step["said"] for step in story["steps"]] == ["loaded", "exposed", "its holder named"]
    (group,) = hand.get("/api/darkroom")["groups"]
    assert (group["film_name"], group["time"]["minutes"]) == ("Own film", 8)
    (box,) = hand.get("/api/stock")
    assert box["state"]["left"] == 23


def test_nothing_that_is_there_is_written_over(hand: Hand) -> None:
    """A sheet, an exposure and an outing keep what they are when their ids are given again."""
    began(hand, read(12))
    exposed(hand)
    before = hand.get("/api/log/e")
    for ids in ({"id": "e", "piece_id": "other"}, {"id": "other", "piece_id": "sheet-e"}):
        again = {**ids, "scene_id": "s", "unplaced": True, "note": "again"}
        refused = hand.client.post("/api/exposures", json=again)
        assert "in the log already" in refused.json()["error"]["message"]
    hand.post("/api/scenes", {"id": "t", "outing_id": "o", "day": "2026-02-03", "edits": [read(9)]})
    (day,) = hand.get("/api/outings")
    assert (day["outing"]["day"], len(day["scenes"])) == (DAY, 2)
    assert hand.get("/api/log/e") == before


def test_a_named_sheet_keeps_its_name(hand: Hand) -> None:
    """A sheet is named once; an exposed side is not taken, nor one of other film."""
    began(hand, read(12), {"kind": "film", "film_id": "f"}, films=[
        {"id": "f", "name": "Velm", "exposure_index": 25}
    ])  # fmt: skip
    exposed(hand)
    hand.film({"developer": "Own 1+1", "points": [{"n": 0, "minutes": 8}]})
    hand.put("/api/holders/two", {"id": "two", "number": 2})
    hand.post("/api/holders/load", {"id": "l", "film_id": "film", "sides": "2A"})
    for side, said in (
        ("2A", "Side 2A holds other film"),
        ("2", "A sheet lies in one side"),
        ("7A", "There is no holder 7"),
    ):
        refused = hand.client.post("/api/pieces/sheet-e/holder", json={"side": side})
        assert refused.status_code in (409, 422), refused.text
        assert said in refused.json()["error"]["message"]
    hand.post("/api/pieces/sheet-e/holder", {"side": "2B"})
    refused = hand.client.post("/api/pieces/sheet-e/holder", json={"side": "2B"})
    assert "is known: 2B" in refused.json()["error"]["message"]


@pytest.mark.parametrize(
    ("kind", "text"),
    [
        # 64 / 2^2 = 16 s metered; 16^1.35 = 42.2, 16^1.25 = 32, and nothing up to 2 min
        ("like most older films", "42 s"),
        ("like most modern films", "32 s"),
        ("hardly any up to 2 min", "16 s"),
    ],
)
def test_film_is_taken_like_most_of_a_kind(hand: Hand, kind: str, text: str) -> None:
    """EV 2 at EI 100 and f/8: as metered until a kind is chosen; chosen once, Kit changes it."""
    scene = began(hand, read(2))
    assert hand.post("/api/scenes/solve", {"scene": scene})["answer"]["set"]["text"] == "16 s"
    kept = hand.post("/api/scenes/s/reciprocity", {"like": kind})["scene"]
    solution = hand.post("/api/scenes/solve", {"scene": kept})
    assert solution["answer"]["set"]["text"] == text
    assert "reciprocity" not in {each["what"] for each in solution["assumed"]}
    again = hand.client.post("/api/scenes/s/reciprocity", json={"like": kind})
    assert "change it in Kit" in again.json()["error"]["message"]


def test_a_run_goes_without_tank_or_baths(hand: Hand) -> None:
    """A plain sequence is taken and named as that; the developer has the film's own minutes."""
    hand.client.delete("/api/kit/lines/line-bench")
    hand.client.delete("/api/kit/tanks/tank-bench")
    began(hand, read(12))
    exposed(hand)
    run = {"id": "r", "name": "First", "minutes": 8, "temperature_c": 20}
    hand.post("/api/darkroom/runs", {"run": run, "piece_ids": ["sheet-e"]})
    course = hand.get("/api/darkroom/runs/r/course")
    assert (course["tank"]["name"], course["line"]["name"]) == (
        "Any tank, assumed",
        "Plain sequence, assumed",
    )
    seconds = {each["name"]: each["end_s"] - each["start_s"] for each in course["process"]["steps"]}
    assert seconds == {"Developer": 480, "Stop bath": 30, "Fixer": 300, "Wash": 600}
