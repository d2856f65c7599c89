"""Light, kinds of film, focus and two films in a tank, as the page asks for them; alike at home and
carried along."""

from __future__ import annotations

from typing import Any

import pytest
from starlette.testclient import TestClient

from emulsa.core.data.film_kinds import KINDS
from tests.api.test_api import refusal
from tests.path.hand import Hand, done

BEGIN = "2026-11-28T00:00:00+00:00"
SCENE = "scene-winding-house"
QUARRY = "outing-quarry"


def said(client: TestClient, text: str, scene_id: str = SCENE) -> Any:
    """What a line means over a scene."""
    scene = client.get(f"/api/scenes/{scene_id}").json()["scene"]
    body = {"scene": scene, "text": text, "reading_id": "new"}
    return client.post("/api/scenes/line", json=body)


def change(client: TestClient, text: str, scene_id: str = SCENE) -> Any:
    """A line carried out; the scene as it is kept then."""
    edits = done(said(client, text, scene_id))
    version = client.get(f"/api/scenes/{scene_id}").json()["version"]
    body = {"edits": edits["edits"], "makes": edits["makes"]}
    return done(client.post(f"/api/scenes/{scene_id}/edits?base={version}", json=body))["scene"]


def film_of(client: TestClient, kind: str, **more: Any) -> str:
    """A film of a kind in the kit; its id."""
    film = {
        "id": f"film-{kind}", "name": kind, "exposure_index": 50, "kind": kind,
        "law": {"kind": "none", "until_s": 100}, **more,
    }  # fmt: skip
    done(client.put(f"/api/kit/films/{film['id']}?base=", json=film))
    return str(film["id"])


def test_the_light_of_an_outings_day(client: TestClient) -> None:
    """With its place the whole day, and when the sun is on the scenes that say where; without one
    nothing, and a day before 1950 is refused."""
    light = done(client.get(f"/api/outings/{QUARRY}/light", params={"begin": BEGIN}))
    assert light["place_text"] == "54° N, 3° W"
    assert [each["scene_id"] for each in light["scenes"]] == [SCENE, "scene-incline"]
    assert light["spans"][0]["light"] == "night"
    assert len(light["moments"]) == 145
    faces = "faces SSE, 150°, over a skyline of 8°"
    assert light["scenes"][0]["bearing_text"] == faces
    without = client.get("/api/outings/outing-autumn/light", params={"begin": BEGIN})
    assert done(without) is None
    past = client.get(f"/api/outings/{QUARRY}/light", params={"begin": "1949-01-01T00:00:00Z"})
    assert "known from 1950" in refusal(past, 422)["message"]


def test_a_bearing_is_kept_and_the_day_goes_by_it(client: TestClient) -> None:
    """Typed on the line, undone again."""
    scene = change(client, "looks 240", "scene-pool")
    assert scene["bearing"] == {"azimuth_deg": 240, "width_deg": 5, "skyline_deg": 0}
    light = done(client.get(f"/api/outings/{QUARRY}/light", params={"begin": BEGIN}))
    assert [each["title"] for each in light["scenes"]][2] == "Frozen pool, cracks"
    done(client.post("/api/undo"))
    assert client.get("/api/scenes/scene-pool").json()["scene"]["bearing"] is None


def test_who_looks_back_types_under_another_sky(client: TestClient) -> None:
    """The quarry's day is over: its words are the table's, and dusk is asked for its sun."""
    reading = done(said(client, "hazy"))["edits"][0]["reading"]
    assert reading["sun_altitude_deg"] is None
    assert "How far is the sun" in refusal(said(client, "dusk"), 422)["message"]


@pytest.mark.parametrize("kind", sorted(KINDS))
def test_a_scene_on_every_kind(client: TestClient, kind: str) -> None:
    """Rooms say only what the kind has: N and its handle, or why there is none; the kind's facts."""
    change(client, "no filter")
    scene = change(client, f"film {film_of(client, kind)[5:]}")
    solved = done(client.post("/api/scenes/solve", json={"scene": scene}))
    has_n = KINDS[kind].n  # type: ignore[index]
    assert (solved["no_n"] == "") is has_n
    assert (solved["answer"]["development"]["n_text"] == "normal") is not has_n
    assert solved["plan"]["request"]["film_kind"] == kind
    facts = done(client.get("/api/kit/film-kind", params={"kind": kind}))
    assert facts["name"] == KINDS[kind].name  # type: ignore[index]


def test_a_yellow_filter_before_film_that_is_blind_to_it(client: TestClient) -> None:
    """It is refused with what to do; a scene whose film is told to be so says it, too; without the
    filter it works."""
    id_ = film_of(client, "blue_sensitive")
    scene = client.get(f"/api/scenes/{SCENE}").json()["scene"]
    version = client.get(f"/api/scenes/{SCENE}").json()["version"]
    chosen = {"edits": [{"kind": "film", "film_id": id_}]}
    answer = client.post(f"/api/scenes/{SCENE}/edits?base={version}", json=chosen)
    assert "take it off" in refusal(answer, 422)["message"]
    draft = {"scene": scene, **chosen}
    problem = done(client.post("/api/scenes/solve", json=draft))["problem"]
    assert (problem["field"], problem["code"]) == ("filters.0", "unsound")
    change(client, "no filter")
    assert change(client, "film blue_sensitive")["film_id"] == id_


def test_focus_is_worked_out_for_what_is_typed(client: TestClient) -> None:
    """Draws read off the scale give the edit that is taken over; then the scene is focused so."""
    scene = client.get("/api/scenes/scene-pool").json()["scene"]
    asked = {"draws": {"near_draw_mm": "12 mm", "far_draw_mm": "0.8 cm"}}
    body = {"scene": {**scene, "focus": None}, "asked": asked}
    seen = done(client.post("/api/scenes/focus", json=body))
    assert seen["scale"]["set_text"] == "focus 10 mm"
    assert seen["take_text"] == "Focus there, set f/36"
    kinds = [each["kind"] for each in seen["take"]]
    assert kinds == ["depth", "focus", "aperture"]
    bad = client.post(
        "/api/scenes/focus", json={"scene": scene, "asked": {"draws": {"near_draw_mm": 4000}}}
    )
    assert refusal(bad, 422)["field"].startswith("asked.draws")


def test_movements_are_in_the_sentence(client: TestClient) -> None:
    """Typed on the line, kept, and said with what must be sharp."""
    change(client, "hinge 1.5 m", "scene-pool")
    scene = change(client, "rise 20", "scene-pool")
    assert scene["movements"]["hinge_mm"] == 1500
    solved = done(client.post("/api/scenes/solve", json={"scene": scene}))
    assert "hinge 1.5 m below the lens, rise 20 mm" in solved["sharp"]["says"]
    assert (solved["sharp"]["hinge"], solved["sharp"]["rise"]) == ("1.5", "20")


class TestTwoFilmsInOneTank:
    """Where developer and times agree."""

    TIMES = (("film", 8.0), ("other", 8.6))

    def two(self, client: TestClient, other_min: float = 8.6, developer: str = "Metol") -> Hand:
        """Two films of one developer, a sheet of each exposed for N."""
        hand = Hand(client)
        hand.bench()
        for film, minutes, name in (
            ("twin-a", 8.0, "Metol"), ("twin-b", other_min, developer)
        ):  # fmt: skip
            hand.put(f"/api/kit/films/{film}?base=", {
                "id": film, "name": film, "exposure_index": 100,
                "law": {"kind": "none", "until_s": 100},
            })  # fmt: skip
            recipe = {
                "developer": name, "dilution": "1+1", "colon": "one_plus_n",
                "points": [{"n": 0, "minutes": minutes}],
            }  # fmt: skip
            hand.put(f"/api/kit/recipes/{film}-r?base=", {
                "id": f"{film}-r", "film_id": film, "name": "Own", "recipe": recipe,
            })  # fmt: skip
            number = 91 if film == "twin-a" else 92
            hand.put(f"/api/holders/h{number}?base=", {"id": f"h{number}", "number": number})
            hand.post("/api/holders/load", {
                "id": f"load{number}", "film_id": film, "sides": f"{number}A",
            })  # fmt: skip
            hand.post("/api/outings/outing-quarry/scenes", {"id": f"s-{film}", "title": film})
            hand.put(f"/api/scenes/s-{film}?base=" + self.version(client, f"s-{film}"), {
                "id": f"s-{film}", "outing_id": "outing-quarry", "title": film, "film_id": film,
                "lens_id": "lens", "aperture": "16",
                "readings": [{"id": "r", "reading": {"kind": "ev", "ev": 10}}],
            })  # fmt: skip
            hand.post("/api/exposures", {
                "id": f"e-{film}", "scene_id": f"s-{film}", "piece_id": self.piece(client, number),
            })  # fmt: skip
        return hand

    def version(self, client: TestClient, id_: str) -> str:
        return str(client.get(f"/api/scenes/{id_}").json()["version"])

    def piece(self, client: TestClient, number: int) -> str:
        return next(
            side["piece_id"]
            for holder in client.get("/api/holders").json()
            for side in holder["sides"]
            if side["where"] == f"{number}A"
        )

    def begin(self, client: TestClient, minutes: float) -> Any:
        run = {
            "id": "twins", "name": "Both", "recipe_id": "twin-a-r", "n": 0, "minutes": minutes,
            "tank_id": "tank-bench", "line_id": "line-bench", "temperature_c": 20,
        }  # fmt: skip
        ids = [self.piece(client, 91), self.piece(client, 92)]
        return client.post("/api/darkroom/runs", json={"run": run, "piece_ids": ids})

    def mates(self, client: TestClient) -> Any:
        body = {"piece_id": self.piece(client, 91), "choice": {}, "temperature_c": 20}
        return done(client.post("/api/darkroom/mates", json=body))

    def test_that_agree_go_together(self, client: TestClient) -> None:
        """The minutes between them, what each gives up, one run; only its own film is taught by
        the recipe."""
        self.two(client)
        (mate,) = self.mates(client)
        assert (mate["film_name"], mate["n_text"], mate["free"]) == ("twin-b", "N", True)
        # ln t = (a·ln 8.6 + b·ln 8)/(a + b), a = ln 1.35, b = ln 1.25
        assert mate["clock_text"] == "8:20"
        assert mate["says"].startswith("both 8 min 20 s: twin-a ")
        done(self.begin(client, mate["minutes"]))
        (run,) = [
            each for each in client.get("/api/darkroom").json()["runs"]
            if each["run"]["id"] == "twins"
        ]  # fmt: skip
        assert {each["where"] for each in run["pieces"]} == {"91A", "92A"}
        done(client.post("/api/darkroom/runs/twins/developed", json={}))
        for number in (91, 92):
            piece = self.piece_of(client, f"e-twin-{'a' if number == 91 else 'b'}")
            judgement = {"id": piece, "shadow": "full", "highlight": "blocked"}
            done(client.put(f"/api/darkroom/judgements/{piece}?base=", json=judgement))
        body = {"without": []}
        learned = done(client.post("/api/bench/learned/twin-a-r", json=body))
        assert [each["label"] for each in learned["negatives"]] == ["91A"]

    def piece_of(self, client: TestClient, exposure_id: str) -> str:
        return str(client.get(f"/api/log/{exposure_id}").json()["exposure"]["piece_id"])

    @pytest.mark.parametrize(
        ("other_min", "developer", "why"),
        [
            (14.0, "Metol", "their times lie too far apart"),
            (8.6, "Hydroquinone", "they want different developers"),
        ],
    )
    def test_that_do_not_are_refused_with_the_reason(
        self, client: TestClient, other_min: float, developer: str, why: str
    ) -> None:
        """They are not offered; who asks all the same is told why."""
        self.two(client, other_min, developer)
        assert self.mates(client) == []
        answer = refusal(self.begin(client, 8), 409)
        assert answer["field"] == "piece_ids"
        assert why in answer["message"]


def test_a_roll_in_a_back_of_ones_own(client: TestClient) -> None:
    """Its format is loaded like any other and cannot be deleted while a roll has it."""
    own = {"id": "own-back", "name": "6×15", "size_mm": [146, 56], "film": "120", "frames": 5}
    done(client.put("/api/kit/formats/own-back?base=", json=own))
    offered = {each["key"]: each for each in client.get("/api/stock/formats").json()}
    assert (offered["own-back"]["kind"], offered["own-back"]["frames"]) == ("frame", 5)
    roll = {"id": "own-roll", "film_id": "film-velm", "format": "own-back", "camera_id": None}
    done(client.post("/api/rolls", json=roll))
    (view,) = [each for each in client.get("/api/rolls").json() if each["roll"]["id"] == "own-roll"]
    assert (view["format_name"], len(view["frames"])) == ("6×15", 5)
    used = client.delete("/api/kit/formats/own-back")
    assert used.status_code == 409
