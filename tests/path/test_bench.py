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


def version(hand: Hand, kind: str) -> str:
    """Of which version of its recipe or film a test speaks."""
    return str(hand.get("/api/bench/tests/test")[f"{kind}_version"])


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
    for word in ("Rate at EI 64", "extrapolated", "wanted at VIII", "11 min"):
        assert word in text
    assert len(PdfReader(io.BytesIO(paper)).pages) == 1
    assert "D_VIS" in hand.client.get("/api/bench/tests/test.txt").text
    hand.post(f"/api/bench/tests/test/use?base={version(hand, 'recipe')}")
    rung = next(each for each in view["worked"]["ladder"] if each["n"] == 0)
    assert abs(used(hand) - rung["minutes"]) < 1 / 24 + 1e-9
    recipe = hand.get("/api/kit")["recipes"][0]["recipe"]
    assert {each["origin"] for each in recipe["points"]} == {"tested"}
    assert hand.get("/api/journal")["undo"]["label"].startswith("use tested times of")
    hand.post("/api/undo")
    assert used(hand) == 8


def strip(hand: Hand, minutes: float, pieces: list[str], bracket: str) -> Any:
    return hand.post(
        "/api/bench/tests/test/frames",
        {
            "bracket_id": bracket,
            "lens_id": "lens",
            "ev": 12,
            "ei": 100,
            "first_stops": -4,
            "step_stops": 7,
            "minutes": minutes,
            "piece_ids": pieces,
        },
    )


def test_a_test_from_the_list_to_tested_times(hand: Hand) -> None:
    """Frames logged as the list gives them, on sheets; a run for each development, as long as the
    test says; densities; times in use; then a scene goes by the film's own curve. Undo takes the
    frames, their outing and the strip back together."""
    hand.bench()
    hand.film({"points": [{"n": 0, "minutes": 8}, {"n": 1, "minutes": 11}], "developer": "Own"})
    hand.put("/api/bench/tests/test?base=", {**TEST, "curves": [], "strips": []})
    sheets = [hand.sheet(number) for number in (1, 2, 3, 4)]
    ready = hand.get("/api/bench/tests/test/film")["unexposed"]
    assert ready[0]["piece_ids"] == sheets
    strip(hand, 8, sheets[:2], "b8")
    log = hand.get("/api/log")["lines"]
    assert sorted(each["part_text"] for each in log) == ["bracket +3", "bracket −4"]
    assert {each["error_text"] for each in log} <= {"", "0"}
    hand.post("/api/undo")
    assert hand.get("/api/log")["lines"] == []
    assert hand.get("/api/bench/tests/test")["test"]["strips"] == []
    strip(hand, 8, sheets[:2], "b8")
    strip(hand, 12, sheets[2:], "b12")
    view = hand.get("/api/bench/tests/test")
    assert [each["id"] for each in view["test"]["curves"]] == ["8 min", "12 min"]
    for curve, run in (("8 min", "r8"), ("12 min", "r12")):
        name = f"Own film, {curve}, test"
        hand.post(f"/api/bench/tests/test/strips/{curve}/run", {"run_id": run, "name": name})
    runs = {each["run"]["id"]: each for each in hand.get("/api/darkroom")["runs"]}
    assert {id_: each["minutes_text"] for id_, each in runs.items()} == {
        "r8": "8 min",
        "r12": "12 min",
    }
    view = hand.get("/api/bench/tests/test")
    assert [each["run_id"] for each in view["test"]["strips"]] == ["r8", "r12"]
    measured = {**view["test"], "curves": TEST["curves"]}
    view = hand.put(f"/api/bench/tests/test?base={view['version']}", measured)
    hand.scene(
        readings=[
            {"id": "rock", "label": "rock", "reading": {"kind": "ev", "ev": 9.0}},
            {"id": "snow", "label": "snow", "reading": {"kind": "ev", "ev": 14.0}},
        ],
        pin={"reading": "rock", "zone": 3},
        aperture="22",
        n=0,
    )
    before = {each["id"]: each["lands"] for each in hand.solve()["falls"]}
    assert before == {"rock": 3, "snow": 8}
    hand.post(f"/api/bench/tests/test/use?base={version(hand, 'recipe')}")
    solved = hand.solve()
    after = {each["id"]: each["lands"] for each in solved["falls"]}
    assert "own-film" in {each["code"] for each in solved["answer"]["advice"]}
    assert after["snow"] != 8
    assert after["rock"] < 2.9  # the film is slower than its index: the shadow sinks
    hand.post(f"/api/bench/tests/test/textural?base={version(hand, 'film')}")
    film = next(each for each in hand.get("/api/kit")["films"] if each["id"] == "film")
    textural = view["worked"]["textural"]
    assert film["textural_range"] == [textural["low"], textural["high"]]


def test_densities_at_the_metered_spots_teach(hand: Hand) -> None:
    """A shadow placed on III that stands as thin as Zone II, measured on two sheets: the film is a
    stop slow, and the room says the index; the eye alone would not have said it."""
    hand.bench()
    hand.film({"points": [{"n": 0, "minutes": 8}, {"n": 1, "minutes": 11}], "developer": "Own"})
    hand.scene(
        readings=[{"id": "rock", "label": "rock", "reading": {"kind": "ev", "ev": 9.0}}],
        pin={"reading": "rock", "zone": 3},
        aperture="22",
    )
    pieces = [hand.sheet(number) for number in (1, 2)]
    for number, piece in enumerate(pieces):
        hand.expose(piece, f"e{number}")
    run = hand.run(hand.group(), 8)
    hand.post(f"/api/darkroom/runs/{run}/developed")
    for piece in pieces:
        (spot,) = hand.get(f"/api/pieces/{piece}/spots")
        assert (spot["label"], spot["zone_text"]) == ("rock", "III")
        judged = {"id": piece, "shadow": "full", "highlight": "full"}
        measured = {"base_fog": 0.1, "measured": [{"reading_id": "rock", "density": 0.3}]}
        hand.put(f"/api/darkroom/judgements/{piece}?base=", judged | measured)
    (learned,) = hand.get("/api/bench")["learned"]
    assert learned["answer"]["speed"]["enough"]
    assert learned["answer"]["speed"]["ei"] == 50
    assert "shadow measured 0.20" in learned["negatives"][0]["says"]


def test_a_strip_of_a_roll_is_exposed_from_the_gate_on(hand: Hand) -> None:
    """Frames in their order, the camera wound on; the run waits for the roll to be finished, and a
    frame that is not in the gate is refused with nothing written."""
    hand.bench()
    hand.film({"points": [{"n": 0, "minutes": 8}], "developer": "Own"})
    hand.put("/api/bench/tests/test?base=", {**TEST, "curves": []})
    hand.roll()
    hand.post("/api/rolls/roll/advanced")
    (ready,) = hand.get("/api/bench/tests/test/film")["unexposed"]
    assert len(ready["piece_ids"]) == 4
    asked = {"bracket_id": "b", "lens_id": "lens", "ev": 12, "ei": 100, "minutes": 8}
    late = {**asked, "piece_ids": ready["piece_ids"][1:3]}
    refused = hand.client.post("/api/bench/tests/test/frames", json=late)
    assert "not in the gate" in refused.json()["error"]["message"]
    assert hand.get("/api/log")["lines"] == []
    assert hand.get("/api/bench/tests/test")["test"]["strips"] == []
    hand.post("/api/bench/tests/test/frames", {**asked, "piece_ids": ready["piece_ids"][:2]})
    assert hand.roll_view()["roll"]["next_frame"] == 3
    (rest,) = hand.get("/api/bench/tests/test/film")["unexposed"]
    assert rest["label"] == "roll 1, from frame 3"
    run = {"run_id": "r", "name": "Strip"}
    early = hand.client.post("/api/bench/tests/test/strips/8 min/run", json=run)
    assert early.json()["error"]["message"] == "Finish roll 1 first."
    twice = hand.client.post(
        "/api/bench/tests/test/frames",
        json={**asked, "bracket_id": "c", "piece_ids": rest["piece_ids"]},
    )
    assert "exposed for 8 min already" in twice.json()["error"]["message"]


def test_what_would_not_fit_is_said_before_it_is_used(hand: Hand) -> None:
    """A slip that would turn a meter by more than it can be turned, where it is read."""
    for each in ("one", "two"):
        hand.put(f"/api/kit/meters/{each}?base=", {"id": each, "name": f"Meter {each}"})
    readings = {"trusted_id": "one", "other_id": "two"}
    slip = {**readings, "pairs": [{"trusted_ev": 15, "other_ev": -1.5}]}
    said = hand.post("/api/bench/checks/meters", slip)["says"]
    assert "must be between −5 and 5" in said[-1]
    sound = {**readings, "pairs": [{"trusted_ev": 9, "other_ev": 8.8}]}
    assert "must be between" not in " ".join(hand.post("/api/bench/checks/meters", sound)["says"])
