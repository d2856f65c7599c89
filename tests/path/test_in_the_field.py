"""From the meter to the log, where the path once went astray; every number worked out by hand."""

import csv
import io
import itertools
import math
from typing import Any

import pytest

from tests.api.test_api import refusal
from tests.path.hand import Hand, Json, done, minutes_everywhere
from tests.path.test_one_time import METERED, NORMAL, PUSHED, RECIPE

FAST = {"exposure_index": 3200}
THIRDS = {"focal_length_mm": 150, "widest": "5.6", "smallest": "64", "aperture_series": "third"}
FULL = {"focal_length_mm": 150, "widest": "5.6", "smallest": "64", "aperture_series": "full"}


def typed(hand: Hand, text: str, reading_id: str = "wall") -> Any:
    """A line typed over the scene, as the page asks what it means."""
    scene = hand.get("/api/scenes/scene")["scene"]
    body = {"scene": scene, "text": text, "reading_id": reading_id}
    return hand.client.post("/api/scenes/line", json=body)


def carried_out(hand: Hand, text: str, reading_id: str = "wall") -> Json:
    """The line carried out; the scene worked out anew."""
    edits = done(typed(hand, text, reading_id))["edits"]
    view = hand.get("/api/scenes/scene")
    path = f"/api/scenes/scene/edits?base={view['version']}"
    done(hand.client.post(path, json={"edits": edits}))
    return hand.solve()


class TestATimeReadOffAMeter:
    """``1/125@11 wall V``: on EI 3200 the meter was at 3200, and the film gets 1/125 at f/11."""

    def scene(self, hand: Hand, **meter: Any) -> None:
        hand.film({"points": [{"n": 0, "minutes": 9}]}, **FAST)
        hand.put("/api/kit/meters/meter", {"id": "meter", "name": "Spot", **meter})
        hand.scene(aperture="11", meter_id="meter")

    def test_is_asked_once_and_then_kept(self, hand: Hand) -> None:
        """Nobody said yet: both ISO are offered; the answer in the preferences stands."""
        self.scene(hand)
        asked = refusal(typed(hand, "1/125@11 wall V"), 422)
        assert (asked["field"], asked["allowed"]) == ("time_iso", [3200, 100])
        kept = hand.get("/api/preferences")["preferences"]
        hand.put("/api/preferences", {**kept, "time_iso": "film"})
        solved = carried_out(hand, "1/125@11 wall V")
        assert solved["answer"]["set"]["text"] == "1/125"
        assert hand.get("/api/scenes/scene")["said"]["wall"] == "1/125 at f/11, ISO 3200"
        assert "ISO 3200" in done(typed(hand, "1/125@11 roof V", "roof"))["says"]

    def test_belongs_to_the_iso_of_the_meter(self, hand: Hand) -> None:
        """The meter is kept at ISO 400: three stops less than 3200, 1/125 is 1/1000 on the film."""
        self.scene(hand, iso=400)
        solved = carried_out(hand, "1/125@11 wall V")
        assert solved["answer"]["metered_s"] == pytest.approx(1 / 1024)

    def test_can_be_said_on_the_line(self, hand: Hand) -> None:
        """At ISO 100: five stops less, 2⁻⁷/2⁵ = 1/4096 s, and that is what was asked for."""
        self.scene(hand)
        solved = carried_out(hand, "1/125@11 iso100 wall V")
        assert solved["answer"]["metered_s"] == pytest.approx(1 / 4096)

    def test_with_what_the_meter_held(self, hand: Hand) -> None:
        """+2½ dialled in for snow: what it says is the exposure, and the snow lies on VII½."""
        self.scene(hand, iso=3200, held_stops=2.5)
        solved = carried_out(hand, "1/125@11 snow", "snow")
        assert solved["answer"]["set"]["text"] == "1/125"
        assert solved["falls"][0]["zone_text"] == "VII½"


def test_one_reading_leaves_n_alone(hand: Hand) -> None:
    """Frost on VII½ and nothing else read: N, whichever way it is placed; the second decides."""
    hand.film(RECIPE)
    hand.scene(aperture="32")
    assert carried_out(hand, "11 frost VII½", "frost")["answer"]["development"]["n_text"] == "N"
    dragged = [{"kind": "place", "reading": "frost", "zone": 7.5}]
    view = hand.get("/api/scenes/scene")
    done(
        hand.client.post(f"/api/scenes/scene/edits?base={view['version']}", json={"edits": dragged})
    )
    assert hand.solve()["answer"]["development"]["n_text"] == "N"
    # 12½ EV lies 1½ above: on IX, a zone over VIII
    assert carried_out(hand, "12.5 sky", "sky")["answer"]["development"]["n_text"] == "N−1"


def test_a_pin_means_the_same_by_hand_and_by_word(hand: Hand) -> None:
    """Frost placed on VII½ lets a chosen N go, typed or dragged alike."""
    hand.film(RECIPE)
    found = []
    for way in ("typed", "dragged"):
        hand.scene(**METERED)
        scene = hand.get("/api/scenes/scene")["scene"]
        hand.put("/api/scenes/scene", {**scene, "n": 2})
        if way == "typed":
            solved = carried_out(hand, "11 frost VII½", "frost")
        else:
            edits = [{"kind": "place", "reading": "frost", "zone": 7.5}]
            version = hand.get("/api/scenes/scene")["version"]
            path = f"/api/scenes/scene/edits?base={version}"
            done(hand.client.post(path, json={"edits": edits}))
            solved = hand.solve()
        found.append((solved["scene"]["n"], solved["answer"]["development"]["n"]))
    assert found[0] == found[1]
    assert found[0][0] is None


class TestABracket:
    """Thirds, seven frames, around 8 s at f/32 (EV 5 on III) and around fast speeds."""

    def scene(self, hand: Hand, optics: Json, **more: Any) -> None:
        hand.put("/api/kit/lenses/lens", {"id": "lens", "name": "150 mm", "optics": optics})
        hand.film(RECIPE)
        hand.scene(**{**METERED, **more})

    def frames(self, hand: Hand, step: float, frames: int) -> Any:
        scene = hand.get("/api/scenes/scene")["scene"]
        body = {"scene": scene, "step_stops": step, "frames": frames, "side": "both"}
        return hand.post("/api/scenes/bracket", body)

    @pytest.mark.parametrize("ev", [5, 11, 12 + 1 / 3])
    def test_by_thirds_on_a_full_stop_shutter(self, hand: Hand, ev: float) -> None:
        """EV 11 on III at f/32 is 1/8 s: 1/4, 1/8 and 1/16 alone would be three exposures for
        seven frames. With thirds on the aperture they are seven, a third apart."""
        readings = [{"id": "dark", "label": "dark", "reading": {"kind": "ev", "ev": ev}}]
        shutter = {"series": "full"}
        self.scene(hand, {**THIRDS, "shutter": shutter}, readings=readings, high=None)
        made = self.frames(hand, 1 / 3, 7)
        assert made["advice"] == []
        given = [_light(each) for each in made["frames"]]
        steps = [before - after for before, after in itertools.pairwise(given)]
        assert steps == pytest.approx([1 / 3] * 6, abs=1 / 12)

    def test_what_cannot_be_set_is_said_before(self, hand: Hand) -> None:
        """Full stops on both scales and fast speeds: thirds are not to be had."""
        readings = [{"id": "dark", "label": "dark", "reading": {"kind": "ev", "ev": 11}}]
        self.scene(hand, {**FULL, "shutter": {"series": "full"}}, readings=readings, high=None)
        made = self.frames(hand, 1 / 3, 7)
        assert [each["code"] for each in made["advice"]] == ["bracket-step"]
        assert "3 different exposures" in made["advice"][0]["text"]
        assert any(each["error_text"] for each in made["frames"])

    def test_frames_are_told_apart_everywhere(self, hand: Hand) -> None:
        """⅔ of a stop, three frames: their place is said by the side, in the Darkroom, at judging,
        in the story and in the CSV; their falls are their own; the best of them is one."""
        self.scene(hand, {**THIRDS, "shutter": {}})
        made = self.frames(hand, 2 / 3, 3)
        pieces = [hand.sheet(number) for number in (1, 2, 3)]
        frames = [
            {
                "id": f"frame-{place}",
                "scene_id": "scene",
                "piece_id": piece,
                "bracket_stops": each["stops"],
                "aperture": each["aperture"],
                "time": each["seconds"],
            }
            for place, (each, piece) in enumerate(zip(made["frames"], pieces, strict=True))
        ]
        logged = hand.post("/api/exposures/bracket", {"id": "bracket", "frames": frames})
        assert [each["error_stops"] for each in logged] == pytest.approx([0, 0, 0], abs=1 / 12)
        texts = [each["part_text"] for each in logged]
        assert len(set(texts)) == 3
        assert [text[-2:] for text in texts] != ["", "", ""]
        sides = {
            side["piece_id"]: side["part_text"]
            for holder in hand.get("/api/holders")
            for side in holder["sides"]
        }
        assert [sides[piece] for piece in pieces] == texts
        group = hand.group()
        assert {s["piece_ids"][0]: s["part_text"] for s in group["sheets"]} == dict(
            zip(pieces, texts, strict=True)
        )
        table = hand.client.get("/api/exchange/exposures.csv").content.decode("utf-8-sig")
        rows = csv.DictReader(io.StringIO(table))
        stops = {row["id"]: (row["bracket"], float(row["bracket_stops"])) for row in rows}
        assert stops == {
            f"frame-{place}": ("bracket", pytest.approx(each["stops"]))
            for place, each in enumerate(made["frames"])
        }
        # III in the plan lies on III⅔ of the frame given ⅔ more
        stories = [hand.get(f"/api/log/frame-{place}") for place in range(3)]
        assert [each["readings"][0] for each in stories] == [
            "dark, zone III⅔", "dark, zone III", "dark, zone II⅓",
        ]  # fmt: skip
        assert [each["exposure"]["part_text"] for each in stories] == texts
        hand.run(group, group["time"]["minutes"])
        hand.post("/api/darkroom/runs/run/developed")
        lines = {each["piece_id"]: each for each in hand.get("/api/darkroom")["to_judge"]}
        assert [lines[piece]["part_text"] for piece in pieces] == texts
        for piece in (pieces[1], pieces[0]):
            verdict = {"id": piece, "shadow": "full", "highlight": "full", "best": True}
            hand.put(f"/api/darkroom/judgements/{piece}", verdict)
        stories = [hand.get(f"/api/log/frame-{place}") for place in range(3)]
        best = [bool(each["judgement"] and each["judgement"]["best"]) for each in stories]
        assert best == [True, False, False]


def _light(frame: Json) -> float:
    """log2 of the light a frame gives, by its own aperture and time: t/N²."""
    marks = {"22": 16 * math.sqrt(2), "32": 32.0, "45": 32 * math.sqrt(2)}
    aperture = frame["aperture"]
    n = marks.get(aperture) if isinstance(aperture, str) else aperture
    if n is None:  # a third-stop mark: exact on the scale of sixths of an octave
        n = 2 ** (round(6 * math.log2(float(aperture))) / 6)
    return math.log2(frame["seconds"] / n**2)


class TestAMarkOrANumber:
    """A mark is a mark where a dial has it; before a pinhole nothing is one."""

    @pytest.mark.parametrize(
        ("text", "seconds"),
        [
            ("15@32", 16.0),  # both are marks of dials: 15 s is engraved for 2⁴
            ("15@150", 15.0),  # no dial has an f/150: the watch counted
            ("30@138", 30.0),
        ],
    )
    def test_of_a_reading(self, hand: Hand, text: str, seconds: float) -> None:
        hand.film(RECIPE)
        hand.scene(aperture="32")
        edits = done(typed(hand, f"{text} iso100 wall V"))["edits"]
        reading = next(each["reading"] for each in edits if each["kind"] == "read")
        n = 32.0 if reading["aperture"] == "32" else float(reading["aperture"])
        solved = carried_out(hand, f"{text} iso100 wall V")
        # on V the light is what the meter said: t at f/32 is t·(32/N)²
        assert solved["answer"]["metered_s"] == pytest.approx(seconds * (32 / n) ** 2)

    def test_of_what_was_given_to_a_pinhole(self, hand: Hand) -> None:
        """15 given before a pinhole is 15 s; on a shutter's dial it is the mark, 16 s."""
        pinhole = {"diameter_mm": 0.2, "distance_mm": 30}
        hand.put("/api/kit/pinholes/hole", {"id": "hole", "name": "0.2", "optics": pinhole})
        hand.film(RECIPE)
        hand.scene(**{**NORMAL, "aperture": None})
        scene = hand.get("/api/scenes/scene")["scene"]
        hand.put("/api/scenes/scene", {**scene, "lens_id": None, "pinhole_id": "hole"})
        first = hand.expose(hand.sheet(1), "e1", time="15")
        assert first["seconds"] == 15
        hand.put("/api/scenes/scene", {**scene, "lens_id": "lens", "aperture": "32"})
        second = hand.expose(hand.sheet(2), "e2", time="15")
        assert second["seconds"] == 16

    def test_the_mark_is_shown_as_it_is_engraved(self, hand: Hand) -> None:
        """1/500 stands for 2⁻⁹ s and is never written 1/512."""
        hand.film(RECIPE)
        hand.scene(**METERED)
        exposed = hand.expose(hand.sheet(), time="1/500", aperture="5.6")
        assert exposed["seconds"] == 1 / 512
        assert exposed["set_text"] == "f/5.6, 1/500 s"
        assert "512" not in hand.get("/api/log/e")["exposure"]["set_text"]


class TestARoll:
    """Its recipe, its rest, its accidents."""

    def test_the_recipe_planned_for_its_frames_comes_first(self, hand: Hand) -> None:
        """Two recipes; the frames were exposed for the second, and that one is offered."""
        hand.film(RECIPE)
        other = {"id": "z-other", "film_id": "film", "name": "Zinc soft", "recipe": RECIPE}
        hand.put("/api/kit/recipes/z-other", other)
        hand.scene(**METERED, recipe_id="z-other")
        hand.roll()
        hand.expose(hand.frame(1))
        hand.post("/api/rolls/roll/take-out", {"finished": True})
        strip = hand.roll_view()["strips"][0]["strip"]["id"]
        assert hand.get(f"/api/rolls/strips/{strip}/choices")["recipe_id"] == "z-other"

    @pytest.mark.parametrize("finished", [False, True])
    def test_its_rest_can_be_cut_off_and_loaded_again(self, hand: Hand, finished: bool) -> None:
        """Frame 1 exposed, cut between 2 and 3 (the knife takes both), frame 4 goes into a camera
        again under its number, and the first strip is developed meanwhile."""
        hand.film(RECIPE)
        hand.scene(**METERED)
        hand.roll()
        hand.expose(hand.frame(1), "e1")
        hand.post("/api/rolls/roll/take-out", {"finished": finished})
        assert [each["state"] for each in hand.roll_view()["frames"]] == [
            "exposed", "loaded", "loaded", "loaded",
        ]  # fmt: skip
        hand.post("/api/rolls/roll/cut", {"after": [2]})
        view = hand.roll_view()
        assert [each["state"] for each in view["frames"]] == ["exposed", "blank", "blank", "loaded"]
        assert view["rest_from"] == 4
        hand.post("/api/rolls/roll/put-back", {"camera_id": "camera"})
        first = hand.roll_view()["strips"][0]
        assert first["out"]
        body = {"n": -1, "recipe_id": "recipe"}
        hand.post(f"/api/rolls/strips/{first['strip']['id']}/development", body)
        group = hand.group()
        hand.run(group, group["time"]["minutes"])
        hand.post("/api/darkroom/runs/run/developed")
        hand.expose(hand.frame(4), "e4")
        assert [each["state"] for each in hand.roll_view()["frames"]] == [
            "developed", "blank", "blank", "exposed",
        ]  # fmt: skip

    def test_a_frame_at_another_ei_is_recorded_and_counted(self, hand: Hand) -> None:
        """The roll at 6400, the frame worked out for 3200: as the roll is developed it has a stop
        more light, wants N−1 of it; 12 min·0.8 = 9.6."""
        hand.film(PUSHED, exposure_index=3200)
        hand.scene(**NORMAL)
        hand.roll(exposure_index=6400)
        piece = hand.frame(1)
        body = {"id": "e", "scene_id": "scene", "piece_id": piece}
        doubts = hand.post("/api/exposures/check", body)["doubts"]
        assert [each["code"] for each in doubts] == ["frame-at-another-ei"]
        assert "1 stop" in doubts[0]["text"]
        assert "record it" in refusal(hand.client.post("/api/exposures", json=body), 409)["message"]
        hand.expose(piece, happened=True)
        assert hand.roll_view()["frames"][0]["ei_text"] == "EI 3200"
        hand.post("/api/rolls/roll/take-out", {"finished": True})
        strip = hand.roll_view()["strips"][0]["strip"]["id"]
        choices = hand.get(f"/api/rolls/strips/{strip}/choices")["choices"]
        best = next(each for each in choices if each["best"])
        assert best["n"] == -1
        body = {"n": best["n"], "recipe_id": "recipe"}
        hand.post(f"/api/rolls/strips/{strip}/development", body)
        for room, said in minutes_everywhere(hand, piece, 20):
            assert said == pytest.approx(9.6), room

    def test_a_second_exposure_by_accident_is_recorded_and_counted(self, hand: Hand) -> None:
        """Exposed twice in full: a stop over together; N−1 stands, N−2 is offered: 5.5."""
        hand.film(RECIPE)
        hand.scene(**METERED)
        piece = hand.sheet()
        hand.expose(piece, "e1")
        body = {"id": "e2", "scene_id": "scene", "piece_id": piece}
        doubts = hand.post("/api/exposures/check", body)["doubts"]
        assert [each["code"] for each in doubts] == ["exposed-twice"]
        refusal(hand.client.post("/api/exposures", json=body), 409)
        hand.expose(piece, "e2", happened=True)
        offer = hand.group()["time"]["offer"]
        assert (offer["n"], offer["minutes"]) == (-2, pytest.approx(5.5))
        for room, said in minutes_everywhere(hand, piece, 20):
            assert said == pytest.approx(6 + 5 / 6), room


def test_an_aperture_beyond_the_scale_is_answered(hand: Hand) -> None:
    """EV 5 on III in 60 s: N² = 60·2⁷, f/88, beyond f/64: ruled out, with the nearest mark."""
    request = {
        "readings": [{"id": "dark", "reading": {"kind": "ev", "ev": 5}}],
        "placement": {"school": "shadow", "reading": "dark", "zone": 3},
        "ei": 100,
        "law": {"kind": "none", "until_s": 9_000},
        "optics": {"kind": "lens", **THIRDS, "shutter": {}},
        "solve_for": "aperture",
        "time": 60.0,
    }
    answer = hand.post("/api/compute/exposure", request)
    assert answer["set"]["aperture"] == "f/64"
    assert answer["set"]["ruled_out_by"]
    assert answer["set"]["ruled_out_text"]
