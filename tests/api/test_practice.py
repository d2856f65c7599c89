"""Practice by its routes: the course, sets, scenes one goes out to; none of it in the log."""

import csv
import io
import json
from typing import Any

import pytest
from starlette.testclient import TestClient

from emulsa.core.data.drawn_scenes import DRAWN
from emulsa.core.practice.exercise import drawn
from emulsa.core.practice.scene import PracticeScene, made
from emulsa.core.practice.spot import Aim, SceneMeterRequest, scene_meter

DAY = "2026-01-17"
PLACE = "doorway in shade"


@pytest.fixture(autouse=True)
def unpractised(client: TestClient) -> None:
    """The demo has practised; here one begins."""
    client.delete("/api/practice")


def answered(client: TestClient, typed: str, **more: Any) -> Any:
    question = client.get(f"/api/practice/question?day={DAY}").json()
    asked = question["question"]
    body = {
        "id": f"a-{typed}-{asked['seed']}",
        "day": DAY,
        "topic": asked["topic"],
        "seed": asked["seed"],
        "level": asked["level"],
        "kit": question["kit"],
        "typed": typed,
        **more,
    }
    return client.post("/api/practice/answers", json=body)


def gone_out(client: TestClient, **more: Any) -> Any:
    body = {"id": "p1", "kind": "drawn", "name": "winding-house", "seed": 3, **more}
    answer = client.post("/api/practice/scenes", json=body)
    assert answer.status_code == 200, answer.text
    return answer.json()


def aimed(client: TestClient, name: str, id_: str = "p1") -> dict[str, float]:
    places = client.get(f"/api/practice/scenes/{id_}/field").json()["places"]
    place = next(each for each in places if each["name"] == name)
    return {"x": place["x"], "y": place["y"]}


def took(client: TestClient, name: str, reading_id: str, version: str, minutes: float = 0) -> Any:
    body = {**aimed(client, name), "reading_id": reading_id, "minutes": minutes}
    return client.post(f"/api/practice/scenes/p1/spots?base={version}", json=body).json()


def shadow_and_light(client: TestClient) -> str:
    """A shadow read and placed on III, a light read and marked; the version then."""
    version = gone_out(client)["view"]["version"]
    version = took(client, PLACE, "r1", version)["version"]
    version = took(client, "lit frost", "r2", version)["version"]
    edits = [
        {"kind": "place", "reading": "r1", "zone": 3},
        {"kind": "mark_high", "reading": "r2", "zone": 8},
        {"kind": "filters", "filter_ids": []},
        {"kind": "focus", "focus": None},
    ]
    answer = client.post(f"/api/practice/scenes/p1/edits?base={version}", json={"edits": edits})
    assert answer.status_code == 200, answer.text
    return str(answer.json()["version"])


def test_a_question_is_asked_and_judged_as_it_is_typed(client: TestClient) -> None:
    room = client.get(f"/api/practice?day={DAY}").json()
    assert room["today_text"] == "nothing answered today yet"
    assert [each["text"] for each in room["topics"]] == ["not begun"] * 9
    first = client.get(f"/api/practice/question?day={DAY}").json()
    assert first["question"]["topic"] == "dial"
    assert first["question"]["text"].endswith("?")
    found = drawn("dial", first["question"]["seed"], 1)
    right = answered(client, f"{found.answer:.6f}").json()
    assert right["right"]
    assert right["says"] == "Right."
    wrong = next(each for each in found.slips if each.misconception == "ev-one-off")
    assert wrong
    second = client.get(f"/api/practice/question?day={DAY}").json()
    assert second["question"]["seed"] != first["question"]["seed"]
    found = drawn("dial", second["question"]["seed"], 1)
    twice = answered(client, f"{2 * found.answer:.6f}").json()
    assert not twice["right"]
    assert twice["says"] == "1 stop too much."
    assert twice["shortly"] == "One EV is one stop"
    assert twice["steps"][-1]["running"] == twice["answer_text"]
    room = client.get(f"/api/practice?day={DAY}").json()
    assert room["today_text"] == "2 answers today, 1 right"
    (due,) = room["due"]
    assert (due["shortly"], due["due_text"], due["today"]) == ("One EV is one stop", "today", True)
    again = client.get(f"/api/practice/question?day={DAY}").json()
    assert again["why"] == "again: One EV is one stop"
    assert room["topics"][0]["text"] == "level 1 of 3, 0 of 3 right in a row"


def test_a_chosen_topic_and_misconception_are_asked_of(client: TestClient) -> None:
    chosen = client.get(
        f"/api/practice/question?day={DAY}&topic=filters&misconception=factor-as-stops"
    ).json()
    assert chosen["question"]["topic"] == "filters"
    seed = chosen["question"]["seed"]
    slips = {each.misconception for each in drawn("filters", seed, 1).slips}
    assert "factor-as-stops" in slips
    strange = client.get(f"/api/practice/question?day={DAY}&topic=filters&misconception=luck")
    assert strange.status_code == 422
    assert strange.json()["error"]["message"] == "There is no such misconception."


def test_what_cannot_be_read_is_refused_and_nothing_kept(client: TestClient) -> None:
    refused = answered(client, "ninety")
    assert refused.status_code == 422
    assert refused.json()["error"]["field"] == "typed"
    assert client.get(f"/api/practice?day={DAY}").json()["answers"] == 0


def test_an_answer_is_undone(client: TestClient) -> None:
    answered(client, "1")
    assert client.get(f"/api/practice?day={DAY}").json()["answers"] == 1
    undone = client.post("/api/undo").json()
    assert undone["label"] == "answer a question of practice"
    assert client.get(f"/api/practice?day={DAY}").json()["answers"] == 0


def test_a_set_is_the_same_for_everybody(client: TestClient, empty_client: TestClient) -> None:
    asked = {"seed": 41, "many": 12, "level": 2}
    one, other = (
        each.post("/api/practice/set", json=asked).json() for each in (client, empty_client)
    )
    assert one == other
    assert len({each["seed"] for each in one}) == 12
    assert len({each["topic"] for each in one}) == 9
    sheet = client.get("/api/practice/set.pdf?seed=41&many=12&level=2")
    assert sheet.content.startswith(b"%PDF")
    assert (
        len(client.get("/api/practice/set.pdf?seed=41&many=12&level=2&answers=true").content)
        > 1_000
    )


def test_results_as_a_table(client: TestClient) -> None:
    (question,) = client.post("/api/practice/set", json={"seed": 5, "many": 1}).json()
    body = {
        "id": "s1",
        "day": DAY,
        "topic": question["topic"],
        "seed": question["seed"],
        "level": question["level"],
        "typed": "1/8",
        "of_set": 5,
    }
    assert client.post("/api/practice/answers", json=body).status_code == 200
    text = client.get("/api/practice/answers.csv").content.decode("utf-8-sig")
    (row,) = csv.DictReader(io.StringIO(text))
    assert row["question"] == question["text"]
    assert (row["day"], row["set"], row["given"]) == (DAY, "5", "1/8 s")


@pytest.mark.parametrize("name", DRAWN)
def test_every_drawn_scene_is_gone_out_to(client: TestClient, name: str) -> None:
    view = gone_out(client, name=name)
    assert view["title"] == view["view"]["scene"]["title"]
    assert view["brief"].endswith(".")
    field = client.get("/api/practice/scenes/p1/field").json()
    assert field["picture"] == name
    assert len(field["moved"]) == len(field["places"]) + 1
    assert client.get(f"/api/practice/drawn/{name}.png").content.startswith(b"\x89PNG")


def test_the_meter_says_what_the_simulated_spot_reads(client: TestClient) -> None:
    gone_out(client)
    at = aimed(client, PLACE)
    says = client.post("/api/practice/scenes/p1/meter", json=at).json()
    assert says["place"] == PLACE
    source = PracticeScene(kind="drawn", name="winding-house", seed=3)
    read = scene_meter(SceneMeterRequest(scene=source, aim=Aim(**at)))
    kept = took(
        client, PLACE, "r1", client.get("/api/practice/scenes/p1").json()["view"]["version"]
    )
    (reading,) = kept["scene"]["readings"]
    assert reading["label"] == PLACE
    assert reading["reading"]["ev"] == pytest.approx(read.ev100)
    assert says["line"] == f"{says['ev_text'].removeprefix('EV ')} {PLACE}"
    assert kept["spots"][0]["reading"] == "r1"


def test_exposed_as_asked_it_is_right_and_off_it_is_told_why(client: TestClient) -> None:
    """The core's own sum, set as it is: off by what the meter was off. Two stops less: two under,
    by the setting."""
    shadow_and_light(client)
    scene = client.get("/api/practice/scenes/p1").json()["view"]["scene"]
    solved = client.post("/api/scenes/solve", json={"scene": scene}).json()
    due = solved["answer"]["corrected_s"]
    right = client.post("/api/practice/scenes/p1/exposure", json={"given_s": due}).json()
    assert right["verdict"]["total_text"].startswith(("right", "⅓", "½"))
    settings = [each for each in right["verdict"]["causes"] if each["label"] == "Setting"]
    assert settings[0]["stops_text"] == "0"
    again = client.post("/api/practice/scenes/p1/again").json()
    assert again["verdict"] is None
    quarter = client.post("/api/practice/scenes/p1/exposure", json={"given_s": due / 8}).json()
    verdict = quarter["verdict"]
    assert "under" in verdict["total_text"]
    assert next(e for e in verdict["causes"] if e["label"] == "Setting")["stops_text"].startswith(
        "−"
    )
    places = {each["name"]: each for each in verdict["places"]}
    assert places[PLACE]["became"] < places[PLACE]["asked"]
    assert "too dark" in places[PLACE]["says"]
    assert len(verdict["asked_grey"]) == len(verdict["became_grey"]) == 1025
    line = client.get(f"/api/practice?day={DAY}").json()["practised"][0]
    assert line["says"] == verdict["total_text"]


def test_sums_by_hand_are_judged_by_what_one_counted(client: TestClient) -> None:
    """A filter counted twice is found, with exercises on it."""
    version = gone_out(client, by_hand=True)["view"]["version"]
    version = took(client, PLACE, "r1", version)["version"]
    yellow = next(
        each
        for each in client.get("/api/kit").json()["filters"]
        if each["filter"].get("factor") or each["filter"].get("stops")
    )
    edits = [
        {"kind": "place", "reading": "r1", "zone": 3},
        {"kind": "filters", "filter_ids": [yellow["id"]]},
    ]
    client.post(f"/api/practice/scenes/p1/edits?base={version}", json={"edits": edits})
    shot = {"given_s": "2", "filter_stops": "8", "computed_s": "2"}
    verdict = client.post("/api/practice/scenes/p1/exposure", json=shot).json()["verdict"]
    assert verdict["misconception"] == "filter-twice"
    assert verdict["topic"] == "filters"
    assert verdict["explanation"].startswith("The filter was counted twice")
    assert "8 stops counted" in next(e for e in verdict["causes"] if e["label"] == "Filter")["says"]


def test_one_s_own_scene_is_rehearsed_with_its_tones(client: TestClient) -> None:
    own = client.get(f"/api/practice?day={DAY}").json()["own"][0]
    view = gone_out(client, kind="own", name="", scene_id=own["id"])
    real = client.get(f"/api/scenes/{own['id']}").json()["scene"]
    assert view["title"] == real["title"]
    assert view["view"]["scene"]["film_id"] == real["film_id"]
    assert view["view"]["scene"]["readings"] == []
    names = [each["name"] for each in view["source"]["own"]]
    assert len(names) == len(real["readings"])
    field = client.get("/api/practice/scenes/p1/field").json()
    assert [each["name"] for each in field["places"]] == names
    assert len(field["index"]) == field["columns"] * field["rows"]


def test_nothing_of_practice_is_in_the_log(client: TestClient) -> None:
    """Log, table and statistics are what they were, to the byte."""
    asked = ("/api/log", "/api/exchange/exposures.csv", "/api/outings", "/api/learning")
    before = [client.get(each).content for each in asked]
    shadow_and_light(client)
    client.post("/api/practice/scenes/p1/exposure", json={"given_s": 1})
    answered(client, "1")
    assert [client.get(each).content for each in asked] == before


def test_all_of_it_is_taken_along_or_deleted_and_comes_back(client: TestClient) -> None:
    shadow_and_light(client)
    answered(client, "1")
    everything = json.loads(client.get("/api/practice/everything.json").content)
    assert [each["id"] for each in everything["scenes"]] == ["p1"]
    assert len(everything["answers"]) == 1
    client.delete("/api/practice")
    emptied = client.get(f"/api/practice?day={DAY}").json()
    assert (emptied["answers"], emptied["practised"]) == (0, [])
    assert client.post("/api/undo").json()["label"] == "delete all practice"
    assert json.loads(client.get("/api/practice/everything.json").content) == everything


def test_light_that_moved_is_told(client: TestClient) -> None:
    """Dusk goes down a stop in eight minutes: read at once and exposed then, it is under."""
    view = gone_out(client, kind="dusk", name="")
    took(client, "wet sand", "r1", view["view"]["version"])
    scene = client.get("/api/practice/scenes/p1").json()["view"]["scene"]
    due = client.post("/api/scenes/solve", json={"scene": scene}).json()["answer"]["corrected_s"]
    shot = {"given_s": due, "minutes": 10}
    verdict = client.post("/api/practice/scenes/p1/exposure", json=shot).json()["verdict"]
    light = next(each for each in verdict["causes"] if each["label"] == "Light")
    assert light["says"] == "darker 10 min after the reading"
    assert verdict["misconception"] in ("light-change-ignored", "black-on-v", "white-on-v")
    later = made(PracticeScene(kind="dusk", seed=3, minutes=10)).mean_ev100
    assert later < made(PracticeScene(kind="dusk", seed=3)).mean_ev100
    assert client.get("/api/practice/scenes/p1/field?minutes=10").json()["light_text"] == (
        "darker than when you came"
    )
