"""One way of writing numbers along the whole path: sums, sentences, refusals, sheets and tables."""

import csv
import io
from typing import Any

from pypdf import PdfReader

from tests.conftest import Client
from tests.path.hand import Hand

SCENE = {
    "readings": [{"id": "rock", "label": "rock", "reading": {"kind": "ev", "ev": 9.0}}],
    "focus": {"kind": "draw", "draw_mm": 40},
    "aperture": "22",
}
ELSEWHERE = {
    "temperature": "F",
    "volume": "fl oz",
    "length": "in",
    "stops": "tenth",
    "dates": "month first",
}


def write(hand: Hand, **measures: str) -> None:
    kept = hand.get("/api/preferences")
    body = {**kept["preferences"], "measures": measures}
    hand.put(f"/api/preferences?base={kept['version']}", body)


def bellows(hand: Hand, exposure_id: str) -> Any:
    rows = hand.get(f"/api/log/{exposure_id}")["ledger"]
    return next(row for row in rows if row["step"] == "bellows")["stops_text"]


def test_numbers_are_written_one_way_from_the_scene_to_the_sheet(hand: Hand) -> None:
    """40 mm at 150 mm is a factor of (190/150)² = 1.604, 0.68 stop: ⅔ or 0.7. 20 °C is 68 °F, an
    inch 25.4 mm by definition. What was logged is written as one writes now."""
    hand.bench()
    hand.film({"points": [{"n": 0, "minutes": 8}], "developer": "Own 1+1", "dilution": "1+1"})
    hand.scene(**SCENE)
    hand.put(
        "/api/stock/box",
        {"id": "box", "film_id": "film", "format": "4x5", "count": 9, "expires": "2020-03"},
    )
    piece = hand.sheet()
    hand.post("/api/exposures", {"id": "e", "scene_id": "scene", "piece_id": piece})
    assert bellows(hand, "e") == "+⅔"
    write(hand, **ELSEWHERE)
    assert bellows(hand, "e") == "+0.7"
    solved = hand.post(
        "/api/scenes/solve", {"scene": hand.get("/api/scenes/scene")["scene"], "edits": []}
    )
    (row,) = [row for row in solved["answer"]["ledger"] if row["step"] == "bellows"]
    assert row["stops_text"] == "+0.7"
    refused = hand.client.post(
        "/api/scenes/scene/edits?base=x",
        json={"edits": [{"kind": "focus", "focus": {"kind": "draw", "draw_mm": 3_048}}]},
    )
    assert "between 0 and 118.11 in; this is 120" in refused.json()["error"]["message"]
    table = hand.client.get("/api/cards/bellows.csv?lens_id=lens").content.decode("utf-8-sig")
    first = [row[0] for row in csv.reader(io.StringIO(table)) if row]
    assert "0 in" in first
    assert not any(cell.endswith("mm") for cell in first[1:])
    paper = hand.client.get("/api/cards/bellows.pdf?lens_id=lens")
    text = "".join(page.extract_text() for page in PdfReader(io.BytesIO(paper.content)).pages)
    assert "0 in" in text
    (box,) = [each for each in hand.get("/api/stock") if each["stock"]["id"] == "box"]
    assert "expired March 2020" in str(box)
    write(hand, dates="iso")
    (box,) = [each for each in hand.get("/api/stock") if each["stock"]["id"] == "box"]
    assert "expired 2020-03" in str(box)


def test_the_contract_is_written_as_it_is_written(client: Client) -> None:
    """A question of the compute contract is answered alike for everyone."""
    asked = {"draw_mm": 40, "focal_length_mm": 150}
    before = client.post("/api/compute/bellows", json=asked).json()
    kept = client.get("/api/preferences").json()
    client.put(
        f"/api/preferences?base={kept['version']}",
        json={**kept["preferences"], "measures": ELSEWHERE},
    )
    assert client.post("/api/compute/bellows", json=asked).json() == before
