"""From densities to the developer: a film test is typed, its times are taken over, and the sheet
that waits gets them in every room."""

import io
from typing import Any

from pypdf import PdfReader

from emulsa.core import wire
from emulsa.demo.sheets import CORVANE_TEST
from tests.path.hand import Hand

TEST: Any = wire.encode(CORVANE_TEST) | {
    "id": "test",
    "film_id": "film",
    "recipe_id": "recipe",
    "beside": None,
}


def used(hand: Hand) -> Any:
    return hand.group(temperature_c=20)["time"]["minutes"]


def test_from_densities_to_the_darkroom(hand: Hand) -> None:
    """8 min before; the test says 9 min 30 s for N; undo brings the old minutes back."""
    hand.bench()
    hand.film({"points": [{"n": 0, "minutes": 8}], "developer": "Own 1+1"})
    hand.scene(
        readings=[{"id": "rock", "label": "rock", "reading": {"kind": "ev", "ev": 9.0}}],
        aperture="22",
    )
    piece = hand.sheet()
    hand.post("/api/exposures", {"id": "e", "scene_id": "scene", "piece_id": piece})
    assert used(hand) == 8
    densities = TEST["curves"][0]["steps"]
    text = "\n".join(str(each["density"]) for each in densities)
    read = hand.post("/api/bench/densities", {"text": text})
    assert read["densities"] == [each["density"] for each in densities]
    first = densities[0]["stops"]
    turned = hand.post(
        "/api/bench/densities",
        {"text": "\n".join(reversed(text.split("\n"))), "row": {"first": first}, "turn": True},
    )
    assert turned["turned"]
    for step, expected in zip(turned["steps"], densities, strict=True):
        assert (step["stops"], step["density"]) == (expected["stops"], expected["density"])
    view = hand.put("/api/bench/tests/test?base=", TEST)
    assert view["worked"]["rate_at"] == "EI 64"
    (line,) = hand.get("/api/bench")["tests"]
    assert (line["curves"], line["waiting"], line["rate_at"]) == (4, 0, "EI 64")
    paper = hand.client.get("/api/bench/tests/test.pdf").content
    text = PdfReader(io.BytesIO(paper)).pages[0].extract_text()
    for word in ("rate it at EI 64", "one step beyond", "for VIII", "11 min"):
        assert word in text
    assert len(PdfReader(io.BytesIO(paper)).pages) == 1
    assert "D_VIS" in hand.client.get("/api/bench/tests/test.txt").text
    hand.post("/api/bench/tests/test/use")
    rung = next(each for each in view["worked"]["ladder"] if each["n"] == 0)
    assert abs(used(hand) - rung["minutes"]) < 1 / 24 + 1e-9
    recipe = hand.get("/api/kit")["recipes"][0]["recipe"]
    assert {each["origin"] for each in recipe["points"]} == {"tested"}
    assert hand.get("/api/journal")["undo"]["label"].startswith("use tested times of")
    hand.post("/api/undo")
    assert used(hand) == 8
