"""The complete exposure over HTTP: opinions, brackets, shares, the clock's light, and two hands."""

from typing import Any

import pytest
from starlette.testclient import TestClient

from tests.api.test_api import refusal, scene_of, side_of

Json = dict[str, Any]


def test_every_school_and_up_to_three_plans(client: TestClient) -> None:
    """Each with the scene that takes it up; taking it up does what it said."""
    scene = scene_of(client)
    opinions = client.post("/api/scenes/opinions", json=scene).json()
    assert len(opinions["schools"]) == 7
    assert [each["row"]["school"] for each in opinions["schools"] if each["chosen"]] == ["shadow"]
    assert 1 <= len(opinions["plans"]) <= 3
    for choice in opinions["schools"]:
        if choice["edits"]:
            solution = solved(client, *choice["edits"])
            assert solution["answer"]["camera_ev"] == pytest.approx(choice["row"]["camera_ev"])
    best = opinions["plans"][0]
    solution = solved(client, *best["edits"])
    assert solution["answer"]["set"]["seconds"] == pytest.approx(best["plan"]["seconds"])


def solved(client: TestClient, *edits: Json) -> Json:
    """The pool worked out, with some edits."""
    draft = {"scene": scene_of(client), "edits": edits}
    answer = client.post("/api/scenes/solve", json=draft)
    assert answer.status_code == 200, answer.text
    found: Json = answer.json()
    return found


def test_opinions_of_an_unfinished_scene(client: TestClient) -> None:
    """What is missing is said in the one shape."""
    error = refusal(
        client.post("/api/scenes/opinions", json={**scene_of(client), "readings": []}), 422
    )
    assert error["field"] == "readings"


def test_the_way_of_working_reaches_new_scenes_and_plans(client: TestClient) -> None:
    """The school of new scenes, the zones, the weights; undone as one action."""
    way = client.get("/api/preferences").json()["preferences"]
    way["school"] = "highlight"
    way["habits"]["highlight_zone"] = 7
    way["weights"]["change"] = 9
    assert client.put("/api/preferences", json=way).json()["preferences"] == way
    client.put("/api/outings/second", json={"id": "second", "title": "Second"})
    begun = client.post("/api/outings/second/scenes", json={"id": "n", "title": "Stile"}).json()
    assert begun["school"] == "highlight"
    solution = solved(
        client,
        {"kind": "place_by", "school": "highlight"},
        {"kind": "mark_high", "reading": None},
    )
    assert solution["placement"] == "highlight on VII"
    opinions = client.post("/api/scenes/opinions", json=scene_of(client)).json()
    assert opinions["weights"]["change"] == 9
    for _ in range(3):
        client.post("/api/undo")
    assert client.get("/api/preferences").json()["preferences"]["school"] is None


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"habits": {"shadow_zone": 11}}, "habits.shadow_zone"),
        ({"weights": {"tones": -1}}, "weights.tones"),
        ({"checklist": ["x" * 90]}, "checklist.0"),
        ({"school": "guess"}, "school"),
    ],
)
def test_preferences_are_refused_by_name(client: TestClient, change: Json, field: str) -> None:
    """And what was kept stays."""
    before = client.get("/api/preferences").json()
    assert refusal(client.put("/api/preferences", json=change), 422)["field"] == field
    assert client.get("/api/preferences").json() == before


def frames(client: TestClient, wheres: list[str]) -> list[Json]:
    scene = scene_of(client)
    asked = {"scene": scene, "frames": 3, "sides": " ".join(wheres)}
    answer = client.post("/api/scenes/bracket", json=asked).json()
    assert answer["uses"] == f"{len(answer['film']['piece_ids'])} sheets"
    return [
        {
            "id": f"frame-{where}",
            "scene_id": scene["id"],
            "piece_id": side_of(client, where)["piece_id"],
            "bracket_stops": frame["stops"],
            "aperture": frame["aperture"],
        }
        for where, frame in zip(wheres, answer["frames"], strict=True)
    ]


def test_what_speaks_against_the_film_of_a_bracket(client: TestClient) -> None:
    """A roll rated otherwise is said before it is logged, and refused unless it happened; each
    doubt once, however many frames it is of."""
    roll = {
        "id": "rated",
        "film_id": "film-ostrel",
        "format": "6x6",
        "camera_id": "camera-box",
        "exposure_index": 400,
    }
    assert client.post("/api/rolls", json=roll).status_code == 200
    scene = client.get("/api/scenes/scene-adit").json()["scene"]
    asked = {"scene": scene, "frames": 2, "side": "over", "sides": "R2-1 R2-2"}
    shown = client.post("/api/scenes/bracket", json=asked).json()
    assert shown["film"]["refusal"] == ""
    (doubt,) = shown["doubts"]
    assert doubt["code"] == "frame-at-another-ei"
    assert doubt["text"].startswith(
        "Roll 2 is rated EI 400 and this scene is worked out for EI 250"
    )
    body = {
        "id": "b",
        "frames": [
            {
                "id": f"frame-{place}",
                "scene_id": scene["id"],
                "piece_id": piece_id,
                "bracket_stops": frame["stops"],
            }
            for place, (piece_id, frame) in enumerate(
                zip(shown["film"]["piece_ids"], shown["frames"], strict=True)
            )
        ],
    }
    assert client.post("/api/exposures/bracket", json=body).status_code == 409
    for frame in body["frames"]:
        frame["happened"] = True
    assert client.post("/api/exposures/bracket", json=body).status_code == 200


def test_a_bracket_is_one_action(client: TestClient) -> None:
    """Three sheets, most exposure first, handed in twice logged once, undone together."""
    asked = {"scene": scene_of(client), "frames": 3, "sides": "2a, 2B 4b"}
    shown = client.post("/api/scenes/bracket", json=asked).json()
    assert (shown["film"]["where"], shown["price_text"]) == (["2A", "2B", "4B"], "7.20")
    assert shown["film"]["refusal"] == ""
    body = {"id": "b", "frames": frames(client, ["2A", "2B", "4B"])}
    key = {"Idempotency-Key": "bracket"}
    logged = client.post("/api/exposures/bracket", json=body, headers=key).json()
    assert [each["seconds"] for each in logged] == [28, 11, 4.6]
    assert [each["n"] for each in logged] == [0, 0, 0]
    again = client.post("/api/exposures/bracket", json=body, headers=key)
    assert again.json() == logged
    views = client.get("/api/scenes/scene-pool").json()["exposures"]
    assert sorted(each["part_text"] for each in views) == ["bracket +1", "bracket 0", "bracket −1"]
    assert side_of(client, "4B")["state"] == "exposed"
    client.post("/api/undo")
    assert side_of(client, "2A")["state"] == side_of(client, "4B")["state"] == "loaded"


def test_a_judged_bracket_says_how_far_the_film_prints(client: TestClient) -> None:
    """Logged, developed, judged: the story of each frame says it, and the film's recipe."""
    body = {"id": "b", "frames": frames(client, ["2A", "2B", "4B"])}
    logged = client.post("/api/exposures/bracket", json=body).json()
    run = {"id": "run", "name": "Evening", "recipe_id": "recipe-corvane-mq", "n": 0, "minutes": 8.5}
    pieces = [each["piece_id"] for each in body["frames"]]
    client.post("/api/darkroom/runs", json={"run": run, "piece_ids": pieces}).raise_for_status()
    client.post("/api/darkroom/runs/run/developed").raise_for_status()
    for at, highlight in ((0, "blocked"), (1, "full"), (2, "full")):
        look = {"id": pieces[at], "shadow": "full", "highlight": highlight}
        client.put(f"/api/darkroom/judgements/{pieces[at]}", json=look).raise_for_status()
    said = "prints from −1 to 0; less light was not tried"
    stories = [client.get(f"/api/log/{each['id']}").json() for each in logged]
    assert [each["latitude_text"] for each in stories] == [said] * 3
    assert client.get("/api/log/exposure-1A").json()["latitude_text"] == ""
    learned = client.post("/api/bench/learned/recipe-corvane-mq", json={"without": []}).json()
    assert learned["latitudes"] == [f"Frozen pool, cracks: {said}"]


def test_a_bracket_with_one_sheet_too_few_logs_nothing(client: TestClient) -> None:
    """The last sheet is exposed already, which is said: the first two stay unexposed."""
    asked = {"scene": scene_of(client), "frames": 3, "sides": "2A 2B 1A"}
    shown = client.post("/api/scenes/bracket", json=asked).json()["film"]
    assert shown["refusal"].startswith(
        "3 different unexposed sides or frames of Corvane 100 are needed, in the order of the"
        " frames; loaded are 2A, 2B, "
    )
    assert len(shown["piece_ids"]) == 2
    body = {"id": "b", "frames": frames(client, ["2A", "2B", "1A"])}
    refusal(client.post("/api/exposures/bracket", json=body), 409)
    assert side_of(client, "2A")["state"] == side_of(client, "2B")["state"] == "loaded"


def test_an_even_bracket_is_refused_at_its_field(client: TestClient) -> None:
    """With the range."""
    asked = {"scene": scene_of(client), "frames": 4}
    assert refusal(client.post("/api/scenes/bracket", json=asked), 422)["field"] == "frames"


def test_an_intended_multiple_exposure(client: TestClient) -> None:
    """Half and half on one sheet; a third half is refused; the darkroom sees one sheet."""
    base = {"scene_id": "scene-pool", "piece_id": "sheet-2A", "share": 0.5}
    first = client.post("/api/exposures", json={"id": "m1", **base}).json()
    assert first["seconds"] < 6
    refusal(
        client.post("/api/exposures", json={"id": "m2", **base, "share": 1}), 409
    )  # not said to be intended: an exposed side
    assert client.post("/api/exposures", json={"id": "m3", **base}).status_code == 200
    assert side_of(client, "2A")["share_given"] == pytest.approx(1)
    error = refusal(client.post("/api/exposures", json={"id": "m4", **base}), 409)
    assert error["field"] == "share"
    waiting = [
        sheet["where"]
        for group in client.get("/api/darkroom").json()["groups"]
        for sheet in group["sheets"]
    ]
    assert waiting.count("2A") == 1


def test_the_last_exposure_of_a_sheet_decides(client: TestClient) -> None:
    """Half of it for N+1, then half for N: the sheet is developed for N, whichever was named."""
    for id_, scene in (("first", "scene-incline"), ("last", "scene-pool")):
        body = {"id": id_, "scene_id": scene, "piece_id": "sheet-2A", "share": 0.5}
        answer = client.post("/api/exposures", json=body)
        assert answer.status_code == 200, answer.text
    found = [
        (group["n_text"], sheet["exposure_id"], sheet["scene_title"])
        for group in client.get("/api/darkroom").json()["groups"]
        for sheet in group["sheets"]
        if sheet["where"] == "2A"
    ]
    assert found == [("N", "last", "Frozen pool, cracks")]


def test_a_given_time_is_weighed_first(client: TestClient) -> None:
    """Nothing is kept by asking."""
    given = {"id": "g", "scene_id": "scene-pool", "piece_id": "any", "time": 600}
    found = client.post("/api/exposures/check", json=given).json()["check"]
    assert [each["code"] for each in found["advice"]] == ["minutes-as-seconds"]
    assert found["planned_s"] == 11
    assert client.get("/api/scenes/scene-pool").json()["exposures"] == []


def test_what_a_sheet_was_exposed_for_last_decides(client: TestClient) -> None:
    """Two openings of one sheet, the first for N, the second for N+1: it waits for N+1."""
    pool = client.get("/api/scenes/scene-pool").json()
    given = {"scene_id": "scene-pool", "piece_id": "sheet-2A", "share": 0.5}
    for id_, n in (("first", 0), ("second", 1)):
        body = {"edits": [{"kind": "set_n", "n": n}]}
        base = client.get("/api/scenes/scene-pool").json()["version"]
        assert (
            client.post(f"/api/scenes/scene-pool/edits?base={base}", json=body).status_code == 200
        )
        assert client.post("/api/exposures", json={"id": id_, **given}).json()["n"] == n
    groups = client.get("/api/darkroom").json()["groups"]
    (waits,) = [
        group["n"]
        for group in groups
        if any("sheet-2A" in each["piece_ids"] for each in group["sheets"])
    ]
    assert (pool["scene"]["n"], waits) == (None, 1)


def test_a_school_that_is_taken_up_stays_on_the_scene(client: TestClient) -> None:
    """Its own edits leave it named there, whichever was there before."""
    scene = scene_of(client, "scene-winding-house")
    schools = client.post("/api/scenes/opinions", json=scene).json()["schools"]
    taken = [each for each in schools if each["edits"]]
    assert len(taken) >= 4
    for each in (*taken, *reversed(taken)):
        body = {"scene": scene, "edits": each["edits"]}
        scene = client.post("/api/scenes/solve", json=body).json()["scene"]
        again = client.post("/api/scenes/opinions", json=scene).json()["schools"]
        (chosen,) = [one["row"]["school"] for one in again if one["chosen"]]
        assert chosen == each["row"]["school"]


def test_the_light_changed(client: TestClient) -> None:
    """A stop less on the placed thing, half given: what is left, and what is logged for it."""
    metered = solved(client)["answer"]["metered_s"]
    given = [{"metered_s": metered, "elapsed_s": 5}]
    asked = {"text": "8 crack", "intervals": given}
    answer = client.post("/api/scenes/scene-pool/relit", json=asked).json()
    assert answer["now_metered_s"] == pytest.approx(2 * metered)
    assert 0.4 < answer["steady"]["progress"] < 0.5
    rest = {"metered_s": 2 * metered, "elapsed_s": answer["steady"]["remaining_s"]}
    body = {
        "id": "e",
        "scene_id": "scene-pool",
        "piece_id": "sheet-2A",
        "intervals": [*given, rest],
    }
    logged = client.post("/api/exposures", json=body).json()
    assert logged["error_stops"] == pytest.approx(0, abs=1e-6)
    assert logged["seconds"] == pytest.approx(5 + rest["elapsed_s"])
    error = refusal(client.post("/api/scenes/scene-pool/relit", json={"text": "f/8"}), 422)
    assert error["field"] == "text"


class TestTwoHands:
    """Two tabs on one scene: the later save is told, with both versions, and overwrites nothing."""

    def test_the_later_save_is_told(self, client: TestClient) -> None:
        view = client.get("/api/scenes/scene-pool").json()
        base, scene = view["version"], view["scene"]
        first = client.put(f"/api/scenes/scene-pool?base={base}", json={**scene, "aperture": "22"})
        assert first.status_code == 200
        late = client.put(f"/api/scenes/scene-pool?base={base}", json={**scene, "aperture": "45"})
        assert late.status_code == 409
        error = late.json()["error"]
        assert error["code"] == "conflict"
        assert error["stored"]["aperture"] == "22"
        assert error["version"] == first.json()["version"]
        assert scene_of(client)["aperture"] == "22"
        mine = client.put(
            f"/api/scenes/scene-pool?base={error['version']}", json={**scene, "aperture": "45"}
        )
        assert mine.status_code == 200
        assert scene_of(client)["aperture"] == "45"

    def test_the_same_save_twice_is_no_conflict(self, client: TestClient) -> None:
        view = client.get("/api/scenes/scene-pool").json()
        body = {**view["scene"], "aperture": "22"}
        for _ in range(2):
            kept = client.put(f"/api/scenes/scene-pool?base={view['version']}", json=body)
            assert kept.status_code == 200

    def test_a_change_taken_back_is_no_change(self, client: TestClient) -> None:
        view = client.get("/api/scenes/scene-pool").json()
        base = f"/api/scenes/scene-pool?base={view['version']}"
        client.put(base, json={**view["scene"], "aperture": "22"})
        client.post("/api/undo")
        assert client.put(base, json={**view["scene"], "aperture": "45"}).status_code == 200

    def test_a_new_scene_has_no_other_hand(self, client: TestClient) -> None:
        body = {"id": "new", "outing_id": "outing-quarry", "title": "Stile"}
        kept = client.put("/api/scenes/new?base=", json=body).json()
        assert kept["version"] == client.get("/api/scenes/new").json()["version"]


class TestDevices:
    """The simulated devices that ship, once they are turned on: readings, and tests of a shutter."""

    @pytest.fixture(autouse=True)
    def turned_on(self, client: TestClient) -> None:
        assert client.get("/api/devices").json() == {"simulated": False}
        way = client.get("/api/preferences").json()["preferences"]
        client.put("/api/preferences", json={**way, "simulated_devices": True})
        assert client.get("/api/devices").json() == {"simulated": True}

    def test_they_are_not_there_unasked(self, client: TestClient) -> None:
        """No simulated thermometer times real film, no simulated reading is taken for a real one."""
        client.post("/api/undo")
        assert client.get("/api/devices/spot-meter?scene_id=scene-pool").json()["targets"] == []
        for path in ("/api/devices/thermometer", "/api/devices/none"):
            assert refusal(client.get(path), 404)
        body = {"scene": scene_of(client), "target": "a", "reading_id": "a"}
        assert refusal(client.post("/api/devices/spot-meter/trigger", json=body), 404)
        assert refusal(client.post("/api/devices/shutter-tester/measure", json={}), 404)

    def test_a_reading_arrives_in_the_scene(self, client: TestClient) -> None:
        scene = scene_of(client)
        meter = client.get("/api/devices/spot-meter?scene_id=scene-pool").json()
        assert meter["targets"]
        body = {"scene": scene, "target": meter["targets"][0]["id"], "reading_id": "aimed"}
        arrived = client.post("/api/devices/spot-meter/trigger", json=body).json()
        (taken,) = arrived["edits"]
        assert (taken["id"], taken["label"]) == ("aimed", meter["targets"][0]["label"])
        assert (taken["reading"]["ev"] * 3) % 1 == pytest.approx(0, abs=1e-9)
        assert arrived["says"].startswith(taken["label"])
        assert scene_of(client) == scene, "nothing is kept by aiming"
        after = solved(client, taken)["scene"]
        body |= {"scene": after, "reading_id": "another"}
        again = client.post("/api/devices/spot-meter/trigger", json=body).json()
        assert [each["id"] for each in again["edits"]] == ["aimed"]  # the same thing read again

    def test_aiming_at_nothing(self, client: TestClient) -> None:
        body = {"scene": scene_of(client), "target": "moon", "reading_id": "a"}
        answer = client.post("/api/devices/spot-meter/trigger", json=body)
        assert "dark recess" in refusal(answer, 422)["message"]

    def test_a_tested_shutter_can_be_kept(self, client: TestClient) -> None:
        kit = client.get("/api/kit").json()
        lens = next(each for each in kit["lenses"] if each["id"] == "lens-150")
        found = client.post(
            "/api/devices/shutter-tester/measure", json=lens["optics"]["shutter"]
        ).json()
        assert len(found["measured"]) == 10
        lens["optics"]["shutter"]["measured"] = found["measured"]
        assert client.put("/api/kit/lenses/lens-150", json=lens).status_code == 200
        answer = solved(client, {"kind": "aperture", "aperture": "8"})["answer"]
        assert "measured" in answer["ledger"][-1]["why"]


def test_reciprocity_rows_that_cross_are_refused(client: TestClient) -> None:
    """With the offending row, at entry."""
    for rows, place in (
        ([[1, 1], [10, 8]], "law.rows.1"),
        ([[1, 2], [10, 30], [5, 40]], "law.rows.2"),
        ([[1, 20], [10, 20]], "law.rows.1"),
    ):
        film = {"id": "f", "name": "New", "exposure_index": 100}
        body = {**film, "law": {"kind": "table", "rows": rows}}
        error = refusal(client.put("/api/kit/films/f", json=body), 422)
        assert error["field"] == place
        assert f"Row {int(place[-1]) + 1}" in error["message"]


def test_archived_kit_is_kept_and_used(client: TestClient) -> None:
    """Archiving hides; it deletes nothing, and a scene goes on with what it has."""
    kit = client.get("/api/kit").json()
    film = next(each for each in kit["films"] if each["id"] == "film-corvane")
    assert client.put("/api/kit/films/film-corvane", json={**film, "archived": True}).is_success
    assert solved(client)["answer"]
    assert refusal(client.delete("/api/kit/films/film-corvane"), 409)


def test_the_meter_s_own_iso(client: TestClient) -> None:
    """A meter kept at ISO 400: EV 11 typed is EV 9 at ISO 100."""
    meter = {"id": "meter-spot", "name": "Spot", "iso": 400}
    client.put("/api/kit/meters/meter-spot", json=meter)
    body = {"scene": scene_of(client), "text": "11 shade", "reading_id": "new"}
    read = client.post("/api/scenes/line", json=body).json()
    assert read["says"].startswith("EV 11 at ISO 400")
    solution = solved(client, *read["edits"])
    assert next(each for each in solution["falls"] if each["id"] == "new")["ev100"] == 9
