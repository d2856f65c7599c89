"""Film in hand through the service: boxes, loading, unloading, rolls, runs, judgements."""

from typing import Any

import pytest
from starlette.testclient import TestClient

from tests.api.test_api import refusal

Json = dict[str, Any]


def side(client: TestClient, where: str) -> Json:
    board = client.get("/api/holders").json()
    return next(each for holder in board for each in holder["sides"] if each["where"] == where)


def box(client: TestClient, id_: str) -> Json:
    return next(each for each in client.get("/api/stock").json() if each["stock"]["id"] == id_)


def ok(answer: Any) -> Any:
    assert answer.status_code == 200, answer.text
    return answer.json()


def expose(
    client: TestClient, id_: str, piece_id: str, scene: str = "scene-pool", **more: Any
) -> Any:
    body = {"id": id_, "scene_id": scene, "piece_id": piece_id, **more}
    return client.post("/api/exposures", json=body)


@pytest.fixture
def roll(client: TestClient) -> Json:
    """A roll of the pinhole scene's film in the box camera, 6×6 of four frames."""
    body = {
        "id": "roll",
        "film_id": "film-ostrel",
        "format": "6x6",
        "frames": 4,
        "stock_id": "brick-ostrel",
        "camera_id": "camera-box",
    }
    return ok(client.post("/api/rolls", json=body))


def test_a_loading_session_takes_from_its_box(client: TestClient) -> None:
    """Four sides, one action; the box has four less; undo gives them back."""
    before = box(client, "box-corvane")["state"]["left"]
    body = {"id": "l", "film_id": "film-corvane", "stock_id": "box-corvane", "sides": "6 5B"}
    ok(client.post("/api/holders/load", json=body))
    assert box(client, "box-corvane")["state"]["left"] == before - 3
    assert side(client, "6B")["state"] == "loaded"
    client.post("/api/undo")
    assert box(client, "box-corvane")["state"]["left"] == before
    assert side(client, "6B")["state"] == "empty"


@pytest.mark.parametrize(
    ("change", "status", "field", "says"),
    [
        ({"film_id": "film-velm"}, 409, "stock_id", "does not hold Velm 25"),
        ({"stock_id": "brick-ostrel", "film_id": "film-ostrel"}, 409, "stock_id", "holds 120"),
        ({"stock_id": "none"}, 404, "stock_id", "This box of film was not found"),
        ({"sides": "1A"}, 409, "side", "already exposed"),
        ({"sides": "9"}, 422, "sides", "no holder 9"),
    ],
)
def test_loading_that_cannot_be(
    client: TestClient, change: Json, status: int, field: str, says: str
) -> None:
    """Refused whole, with the reason; nothing is loaded."""
    body = {"id": "l", "film_id": "film-corvane", "stock_id": "box-corvane", "sides": "6", **change}
    before = client.get("/api/holders").text
    error = refusal(client.post("/api/holders/load", json=body), status)
    assert error["field"] == field
    assert says in error["message"]
    assert client.get("/api/holders").text == before


def test_a_box_with_too_few(client: TestClient) -> None:
    """The box says what it has left; the first film out of it opens it."""
    small = {"id": "s", "film_id": "film-velm", "format": "4x5", "count": 1, "note": ""}
    ok(client.put("/api/stock/s", json=small))
    load = {"id": "l", "film_id": "film-velm", "stock_id": "s"}
    error = refusal(client.post("/api/holders/load", json={**load, "sides": "6"}), 409)
    assert "1 sheets left; 2 are asked for" in error["message"]
    ok(client.post("/api/holders/load", json={**load, "sides": "6A"}))
    assert box(client, "s")["stock"]["opened"]
    assert refusal(client.put("/api/stock/s", json={**small, "spent": 1}), 422)["field"] == "count"
    assert refusal(client.delete("/api/stock/s"), 409)


def test_exposed_sheets_go_into_a_named_box(client: TestClient) -> None:
    """The side is free again; the sheet keeps its label, its box and its place in the darkroom."""
    error = refusal(client.post("/api/holders/unload", json={"sides": "1A"}), 409)
    assert error["field"] == "box"
    ok(client.post("/api/holders/unload", json={"sides": "1", "box": "exposed, quarry, N−1"}))
    assert side(client, "1A")["state"] == "empty"
    assert client.get("/api/holders/boxes").json() == [
        {"name": "exposed, quarry, N−1", "sheets": ["1A, N−1", "1B, N−1"]}
    ]
    waiting = [
        each["where"]
        for group in client.get("/api/darkroom").json()["groups"]
        for each in group["sheets"]
    ]
    assert "1A, exposed, quarry, N−1" in waiting
    ok(client.post("/api/holders/load", json={"id": "n", "film_id": "film-velm", "sides": "1A"}))
    assert side(client, "1A")["film_name"] == "Velm 25"
    story = ok(client.get("/api/log/exposure-1A"))
    assert story["exposure"]["where"] == "1A"
    assert [each["said"] for each in story["steps"]] == ["loaded", "exposed", "put into a box"]


def test_a_holder_that_exposed_film_is_retired(client: TestClient) -> None:
    """It cannot be deleted or loaded, and it can come back."""
    ok(client.post("/api/holders/unload", json={"sides": "1", "box": "b"}))
    assert "retire it" in refusal(client.delete("/api/holders/holder-1"), 409)["message"]
    holder = client.get("/api/holders").json()[0]["holder"]
    ok(client.put("/api/holders/holder-1", json={**holder, "retired": True}))
    load = {"id": "l", "film_id": "film-velm", "sides": "1A"}
    assert "is retired" in refusal(client.post("/api/holders/load", json=load), 409)["message"]
    busy = client.get("/api/holders").json()[1]["holder"]
    error = refusal(client.put("/api/holders/holder-2", json={**busy, "retired": True}), 409)
    assert error["field"] == "retired"


def test_a_leak_is_seen_before_loading(client: TestClient) -> None:
    """A fault noted on a side is its doubt on the board."""
    holder = client.get("/api/holders").json()[5]["holder"]
    fault = {"kind": "light leak", "side": "B", "noticed": "2026-01-17", "note": "upper edge"}
    ok(client.put("/api/holders/holder-6", json={**holder, "faults": [fault]}))
    assert "light leak" in side(client, "6B")["doubt"]
    assert side(client, "6A")["doubt"] == ""


def view_of(client: TestClient, id_: str = "roll") -> Json:
    """A roll as the room shows it."""
    views = ok(client.get("/api/rolls"))
    found: Json = next(each for each in views if each["roll"]["id"] == id_)
    return found


def states(client: TestClient) -> list[str]:
    return [each["state"] for each in view_of(client)["frames"]]


@pytest.mark.usefixtures("roll")
def test_a_roll_frame_by_frame(client: TestClient) -> None:
    """Frames come in order; a skipped one is blank; a roll taken out remembers what was shot, and
    what was not shot stays unexposed."""
    assert states(client) == ["loaded"] * 4
    ready = [each["where"] for each in client.get("/api/pieces/ready").json()]
    assert ready[-4:] == ["R2-1", "R2-2", "R2-3", "R2-4"]
    assert "comes next" in refusal(expose(client, "x", "roll-2", "scene-adit"), 409)["message"]
    first = ok(expose(client, "e1", "roll-1", "scene-adit"))
    assert first["cost"] == pytest.approx(32.5 / 5 / 4)
    ok(client.post("/api/rolls/roll/skip"))
    assert states(client)[1] == "blank"
    ok(client.post("/api/rolls/roll/take-out", json={"finished": False}))
    out = view_of(client)["roll"]
    assert (out["place"], out["next_frame"]) == ("bag", 3)
    assert "in the bag" in refusal(expose(client, "x", "roll-3", "scene-adit"), 409)["message"]
    ok(client.post("/api/rolls/roll/put-back", json={"camera_id": "camera-box"}))
    assert view_of(client)["roll"]["advanced"] is False
    doubts = {each["where"]: each["doubt"] for each in client.get("/api/pieces/ready").json()}
    assert "not yet seen to move" in doubts["R2-3"]
    ok(client.post("/api/rolls/roll/advanced"))
    ok(expose(client, "e3", "roll-3", "scene-adit"))
    ok(client.post("/api/rolls/roll/take-out", json={"finished": True}))
    assert states(client) == ["exposed", "blank", "exposed", "loaded"]
    assert view_of(client)["rest_from"] == 4
    ok(client.post("/api/rolls/roll/put-back", json={"camera_id": "camera-box"}))
    ok(expose(client, "e4", "roll-4", "scene-adit"))
    assert states(client)[3] == "exposed"


@pytest.mark.usefixtures("roll")
def test_the_rest_of_a_cut_roll_is_loaded_again(client: TestClient) -> None:
    """Shot so far, cut off in the dark and developed; the rest goes on under its own numbers."""
    ok(expose(client, "e1", "roll-1", "scene-adit"))
    ok(client.post("/api/rolls/roll/take-out", json={"finished": False}))
    ok(client.post("/api/rolls/roll/cut", json={"after": [2]}))
    assert states(client) == ["exposed", "blank", "blank", "loaded"]  # two lost to the knife
    view = view_of(client)
    assert [each["out"] for each in view["strips"]] == [True, False]
    first = view["strips"][0]["strip"]["id"]
    ok(client.post(f"/api/rolls/strips/{first}/development", json={"n": 0}))
    ok(client.post("/api/darkroom/runs", json=run_body(["roll-1"])))
    ok(client.post("/api/darkroom/runs/run/developed"))
    ok(client.post("/api/rolls/roll/put-back", json={"camera_id": "camera-box"}))
    assert view_of(client)["roll"]["next_frame"] == 4
    ok(expose(client, "e4", "roll-4", "scene-adit"))
    assert states(client) == ["developed", "blank", "blank", "exposed"]


def test_a_roll_unexposed_goes_back_to_its_brick(client: TestClient, roll: Json) -> None:
    """It is as if it had not been loaded; one with an exposure is not."""
    assert box(client, "brick-ostrel")["state"]["left"] == 3
    assert client.delete("/api/rolls/roll").status_code == 200
    assert box(client, "brick-ostrel")["state"]["left"] == 4
    client.post("/api/undo")
    ok(expose(client, "e1", "roll-1", "scene-adit"))
    assert refusal(client.delete("/api/rolls/roll"), 409)
    assert len(client.get("/api/rolls").json()[0]["frames"]) == 4


def test_a_frame_exposed_in_two_shares(client: TestClient, roll: Json) -> None:
    """The second share goes on the frame just exposed, not on one wound past."""
    ok(expose(client, "a", "roll-1", "scene-adit", share=0.5))
    ok(expose(client, "b", "roll-1", "scene-adit", share=0.5))
    ok(expose(client, "c", "roll-2", "scene-adit", share=0.5))
    error = refusal(expose(client, "d", "roll-1", "scene-adit", share=0.5), 409)
    assert error["field"] in ("share", "piece_id")
    costs = [ok(client.get(f"/api/log/{each}"))["exposure"]["cost"] for each in "ab"]
    assert costs[0] is not None
    assert costs[1] is None


def test_a_rated_roll_wants_its_own_scene(client: TestClient) -> None:
    """A pushed roll says its time, and a scene worked out at another EI is doubted;
    that it happened all the same can be recorded."""
    body = {"id": "r", "film_id": "film-ostrel", "format": "6x6", "exposure_index": 500}
    ok(client.post("/api/rolls", json=body))
    pushed = view_of(client, "r")
    assert pushed["rating"] == "EI 500, pushed 1 stop: 14 min 30 s"
    other = {**pushed["roll"], "exposure_index": 320}
    ok(client.put("/api/rolls/r", json=other))  # nothing is on it yet
    assert view_of(client, "r")["roll"]["exposure_index"] == 320
    client.post("/api/undo")
    error = refusal(expose(client, "x", "r-1", "scene-adit"), 409)
    assert "rated EI 500" in error["message"]
    scene = client.get("/api/scenes/scene-adit").json()["scene"]
    ok(client.put("/api/scenes/scene-adit", json={**scene, "exposure_index": 500}))
    ok(expose(client, "y", "r-1", "scene-adit"))
    ok(client.put("/api/scenes/scene-adit", json=scene))
    ok(expose(client, "z", "r-2", "scene-adit", happened=True))
    frames = view_of(client, "r")["frames"]
    assert [each["ei_text"] for each in frames[:3]] == ["", "EI 250", ""]
    late = {**pushed["roll"], "exposure_index": 400}
    assert refusal(client.put("/api/rolls/r", json=late), 409)["field"] == "exposure_index"


def undecided(client: TestClient) -> list[str]:
    """The strips nobody chose a development for."""
    return [each["text"] for each in client.get("/api/darkroom").json()["undecided"]]


def test_half_a_roll_each_way(client: TestClient) -> None:
    """The front at EI 250 in one developer, the back at EI 500 in another and as rated so: each
    strip has its own minutes, and says what its frames need at its own EI."""
    body = {"id": "roll", "film_id": "film-ostrel", "format": "6x6", "frames": 6}
    ok(client.post("/api/rolls", json=body))
    ok(expose(client, "e1", "roll-1", "scene-adit"))
    for _ in range(2):
        ok(client.post("/api/rolls/roll/skip"))
    scene = client.get("/api/scenes/scene-adit").json()["scene"]
    ok(client.put("/api/scenes/scene-adit", json={**scene, "exposure_index": 500}))
    ok(expose(client, "e4", "roll-4", "scene-adit", happened=True))
    ok(client.post("/api/rolls/roll/take-out", json={"finished": True}))
    ok(client.post("/api/rolls/roll/cut", json={"after": [2]}))
    front, back = (each["strip"]["id"] for each in view_of(client)["strips"])
    asked = f"/api/rolls/strips/{back}/choices"
    needs = [
        ok(client.get(asked, params=ei))["choices"][0]["losses"][0]["n"]
        for ei in ({}, {"exposure_index": 500})
    ]
    assert needs[0] - needs[1] == pytest.approx(
        1, abs=0.02
    )  # half the light as the roll is rated, all of it at 500
    chosen = {front: ("recipe-ostrel-ascorbate", None), back: ("recipe-ostrel-mq", 500)}
    for strip, (recipe, ei) in chosen.items():
        body = {"n": 0, "recipe_id": recipe, "exposure_index": ei}
        ok(client.post(f"/api/rolls/strips/{strip}/development", json=body))
    # what the frames' long times ask by the film's table is the same for all of a strip
    minutes = {
        each["where"]: group["time"]["minutes"] / group["development_change"]
        for group in client.get("/api/darkroom").json()["groups"]
        for each in group["sheets"]
    }
    assert minutes["Roll 2, frames 1–2"] == pytest.approx(7.5)  # the ascorbate recipe's N
    assert minutes["Roll 2, frames 3–6"] == pytest.approx(14.5)  # the other's own time for EI 500


def test_plain_n_without_ceremony(client: TestClient) -> None:
    """One choice without a reason, and back again: N−1 of 6:50 becomes the recipe's 8:30."""
    groups = client.get("/api/darkroom").json()["groups"]
    of = {(each["film_name"], each["n_text"]): each for each in groups}
    pieces = of["Corvane 100", "N−1"]["sheets"][0]["piece_ids"]
    said = {"piece_ids": pieces, "choice": {"plain_n": True}}
    assert ok(client.post("/api/darkroom/choices", json=said)) == pieces
    found = next(
        group
        for group in client.get("/api/darkroom").json()["groups"]
        if group["choice"]["plain_n"]
    )
    assert found["sheets"][0]["piece_ids"] == pieces
    assert found["time"]["minutes_text"] == "8 min 30 s"
    client.post("/api/darkroom/choices", json={"piece_ids": pieces, "choice": {}})
    assert not any(g["choice"]["plain_n"] for g in client.get("/api/darkroom").json()["groups"])


def test_one_development_for_a_roll_and_strips_of_their_own(client: TestClient, roll: Json) -> None:
    """Undecided until chosen; the losses are shown first; cut, each strip has its own."""
    ok(expose(client, "e1", "roll-1", "scene-adit"))
    refusal(client.post("/api/rolls/roll/cut", json={"after": [2]}), 409)
    ok(client.post("/api/rolls/roll/skip"))
    ok(client.post("/api/rolls/roll/skip"))
    ok(expose(client, "e4", "roll-4", "scene-adit"))
    ok(client.post("/api/rolls/roll/take-out", json={"finished": True}))
    assert undecided(client) == ["roll 2", "roll 1"]
    strip = view_of(client)["strips"][0]["strip"]["id"]
    ok(client.post("/api/rolls/roll/weight", json={"frame": 4, "weight": 0}))
    found = ok(client.get(f"/api/rolls/strips/{strip}/choices"))["choices"]
    assert [each["n"] for each in found if each["best"]] == [found[0]["losses"][0]["n"]]
    assert [each["weight"] for each in found[0]["losses"]] == [1, 0]
    ok(client.post(f"/api/rolls/strips/{strip}/development", json={"n": 0}))
    assert undecided(client) == ["roll 1"]
    ok(client.post("/api/rolls/roll/cut", json={"after": [2]}))
    cut = view_of(client)
    assert [
        (each["strip"]["first_frame"], each["strip"]["last_frame"]) for each in cut["strips"]
    ] == [(1, 2), (3, 4)]
    assert undecided(client) == ["roll 2, frames 1–2", "roll 2, frames 3–4", "roll 1"]
    for each, n in zip(cut["strips"], (-1, 1), strict=True):
        ok(client.post(f"/api/rolls/strips/{each['strip']['id']}/development", json={"n": n}))
    waiting = {
        each["where"]: group["n"]
        for group in client.get("/api/darkroom").json()["groups"]
        for each in group["sheets"]
        if each["where"].startswith("Roll")
    }
    assert waiting == {"Roll 2, frames 1–2": -1, "Roll 2, frames 3–4": 1}


def run_body(pieces: list[str], **more: Any) -> Json:
    return {"run": {"id": "run", "name": "Evening 1", "n": -1, **more}, "piece_ids": pieces}


def test_a_sheet_through_every_state(client: TestClient) -> None:
    """Loaded, exposed, in a run, developed, judged: each step in its story, each undone exactly."""
    log = [client.get("/api/log/exposure-1A").text]
    ok(client.post("/api/darkroom/runs", json=run_body(["sheet-1A", "sheet-1B"])))
    log.append(client.get("/api/log/exposure-1A").text)
    assert (
        "is in a run"
        in refusal(client.post("/api/holders/unload", json={"sides": "1A"}), 409)["message"]
    )
    ok(client.post("/api/darkroom/runs/run/developed"))
    log.append(client.get("/api/log/exposure-1A").text)
    view = client.get("/api/darkroom").json()
    assert [each["where"] for each in view["to_judge"]] == ["1A", "1B"]
    judged = {"id": "sheet-1A", "shadow": "thin", "highlight": "blocked", "faults": ["fog"]}
    ok(client.put("/api/darkroom/judgements/sheet-1A", json=judged))
    story = ok(client.get("/api/log/exposure-1A"))
    assert [each["said"] for each in story["steps"]] == [
        "loaded",
        "exposed",
        "put into a run",
        "developed",
        "judged",
    ]
    assert story["showed"] == "thin shadows, blocked highlights; fog"
    assert story["next_time"] == "give half a stop more; develop a step less"
    assert story["run"]["name"] == "Evening 1"
    for before in reversed(log):
        client.post("/api/undo")
        assert client.get("/api/log/exposure-1A").text == before


def test_developed_film_leaves_its_side_free(client: TestClient) -> None:
    """What went into the developer is out of its holder, which can be loaded again."""
    ok(client.post("/api/darkroom/runs", json=run_body(["sheet-1A"])))
    ok(client.post("/api/darkroom/runs/run/developed"))
    assert side(client, "1A")["state"] == "empty"
    ok(client.post("/api/holders/load", json={"id": "l", "film_id": "film-corvane", "sides": "1A"}))


@pytest.mark.parametrize(
    ("pieces", "says"),
    [
        (["sheet-1A", "sheet-3A"], "never share a run"),
        (["sheet-2A"], "only exposed film"),
        (["gone"], "no longer in the log"),
    ],
)
def test_runs_that_cannot_be(client: TestClient, pieces: list[str], says: str) -> None:
    """Mixed films, unexposed film, film that is not there: refused whole."""
    before = client.get("/api/darkroom").text
    answer = client.post("/api/darkroom/runs", json=run_body(pieces))
    assert answer.status_code in (404, 409)
    assert says in answer.json()["error"]["message"]
    assert client.get("/api/darkroom").text == before


def test_a_run_put_off_gives_its_film_back(client: TestClient) -> None:
    """Its film waits again; a sheet is never in two runs."""
    before = client.get("/api/darkroom").text
    ok(client.post("/api/darkroom/runs", json=run_body(["sheet-1A"])))
    second = {**run_body(["sheet-1A"]), "run": {"id": "other", "name": "x"}}
    assert "is in a run" in refusal(client.post("/api/darkroom/runs", json=second), 409)["message"]
    assert client.delete("/api/darkroom/runs/run").status_code == 200
    assert client.get("/api/darkroom").text == before


def test_a_strip_goes_whole(client: TestClient, roll: Json) -> None:
    """Half of a strip in a run is no strip."""
    ok(expose(client, "e1", "roll-1", "scene-adit"))
    ok(expose(client, "e2", "roll-2", "scene-adit"))
    begin = run_body(["roll-1"])
    assert "Finish roll 2" in refusal(client.post("/api/darkroom/runs", json=begin), 409)["message"]
    ok(client.post("/api/rolls/roll/take-out", json={"finished": True}))
    assert "hang together" in refusal(client.post("/api/darkroom/runs", json=begin), 409)["message"]
    ok(client.post("/api/darkroom/runs", json=run_body(["roll-1", "roll-2"])))


def test_going_back_to_a_scene(client: TestClient) -> None:
    """The readings come along with what the negative showed; N is to be decided again."""
    ok(client.post("/api/darkroom/runs", json=run_body(["sheet-1A"])))
    ok(client.post("/api/darkroom/runs/run/developed"))
    judged = {"id": "sheet-1A", "shadow": "none", "highlight": "full"}
    ok(client.put("/api/darkroom/judgements/sheet-1A", json=judged))
    found = ok(client.get("/api/outings/earlier", params={"text": "winding"}))
    assert found[0]["next_time"] == ["give a stop more"]
    ok(client.put("/api/outings/thaw", json={"id": "thaw", "title": "Thaw", "day": "2026-03-01"}))
    body = {"id": "again", "scene_id": "scene-winding-house"}
    scene = ok(client.post("/api/outings/thaw/revisit", json=body))
    assert len(scene["readings"]) == 4
    assert scene["n"] is None
    view = ok(client.get("/api/scenes/again"))
    assert view["showed"] == ["no texture in the shadows, full highlights"]
    assert refusal(client.delete("/api/scenes/scene-winding-house"), 409)


def test_the_bag_is_packed(client: TestClient) -> None:
    """The list follows kit and loaded film; what is packed stays ticked."""
    items = ok(client.get("/api/outings/outing-quarry/packing"))
    texts = [each["text"] for each in items]
    assert "150 mm" in texts
    assert "Corvane 100: 2A, 2B, 4B" in texts
    keys = [items[0]["key"]]
    ok(client.post("/api/outings/outing-quarry/packed", json={"put_in": keys}))
    assert client.get("/api/outings").json()[0]["outing"]["packed"] == keys


@pytest.mark.parametrize(
    "path", ["/api/holders/labels.pdf", "/api/outings/outing-quarry/sheet.pdf"]
)
def test_paper_for_the_bag(client: TestClient, path: str) -> None:
    """Labels and the outing sheet are PDF, with what they are for on them."""
    import io

    from pypdf import PdfReader

    answer = client.get(path)
    assert answer.headers["content-type"] == "application/pdf"
    text = "".join(page.extract_text() for page in PdfReader(io.BytesIO(answer.content)).pages)
    assert ("6B" if "labels" in path else "Winding house") in text.replace("\n", " ")


def test_coordinates_come_in_pairs(client: TestClient) -> None:
    """One alone is asked for the other; outside the globe is refused with the range."""
    outing = {"id": "o", "title": "x", "latitude": 52.9}
    assert refusal(client.put("/api/outings/o", json=outing), 422)["field"] == "longitude"
    error = refusal(client.put("/api/outings/o", json={**outing, "longitude": 200}), 422)
    assert error["allowed"] == [-180, 180]


def test_two_hands_on_every_kind_of_record(client: TestClient) -> None:
    """A change made on an old version is refused with what is kept now, whatever the record."""
    kit = client.get("/api/kit").json()
    outing = client.get("/api/outings").json()[0]
    holder = client.get("/api/holders").json()[0]
    stock = client.get("/api/stock").json()[0]
    way = client.get("/api/preferences").json()
    exposure = ok(client.get("/api/log/exposure-1A"))["exposure"]
    film = kit["films"][0]
    correction = {"aperture": "32", "time": 2, "n": 0}
    for path, record, version, change, other in (
        (
            f"/api/kit/films/{film['id']}",
            film,
            kit["versions"][film["id"]],
            {"note": "a"},
            {"note": "b"},
        ),
        (
            "/api/outings/outing-quarry",
            outing["outing"],
            outing["version"],
            {"note": "a"},
            {"note": "b"},
        ),
        (
            "/api/holders/holder-1",
            holder["holder"],
            holder["version"],
            {"note": "a"},
            {"note": "b"},
        ),
        (
            f"/api/stock/{stock['stock']['id']}",
            stock["stock"],
            stock["version"],
            {"note": "a"},
            {"note": "b"},
        ),
        ("/api/preferences", way["preferences"], way["version"], {"after": "a"}, {"after": "b"}),
        (
            "/api/exposures/exposure-1A",
            correction,
            exposure["version"],
            {"note": "a"},
            {"note": "b"},
        ),
    ):
        ok(client.put(path, params={"base": version}, json={**record, **change}))
        answer = client.put(path, params={"base": version}, json={**record, **other})
        error = answer.json()["error"]
        assert (answer.status_code, error["code"]) == (409, "conflict"), path
        assert error["stored"]
        ok(client.put(path, params={"base": error["version"]}, json={**record, **other}))


def test_a_records_history_and_putting_it_back(client: TestClient) -> None:
    """Every change with its fields; put back, a record alone goes back, and that is undoable."""
    scene = client.get("/api/scenes/scene-pool").json()["scene"]
    ok(
        client.put(
            "/api/scenes/scene-pool",
            json={
                **scene,
                "title": "Frozen pool",
                "readings": scene["readings"][:2],
                "pin": None,
                "high": None,
            },
        )
    )
    ok(client.put("/api/outings/outing-quarry", json={"id": "outing-quarry", "title": "Other"}))
    current = client.get("/api/scenes/scene-pool").json()["scene"]
    ok(client.put("/api/scenes/scene-pool", json={**current, "note": "cold"}))
    history = ok(client.get("/api/history/scene-pool"))
    assert [each["label"] for each in history] == ["change scene Frozen pool"] * 2
    assert {each["restorable"] for each in history} == {True}
    assert {each["field"] for each in history[1]["differences"]} >= {
        "title",
        "pin: reading",
        "reading: label",
    }
    ok(client.post("/api/history/scene-pool/put-back", json={"action_id": history[1]["action_id"]}))
    assert client.get("/api/scenes/scene-pool").json()["scene"] == scene
    titles = [each["outing"]["title"] for each in client.get("/api/outings").json()]
    assert "Other" in titles
    client.post("/api/undo")
    assert client.get("/api/scenes/scene-pool").json()["scene"]["note"] == "cold"
    assert refusal(client.post("/api/history/scene-pool/put-back", json={"action_id": 99}), 422)


def test_what_is_there_already_is_restored_without_a_trace(client: TestClient) -> None:
    """Changed and changed back, the version before both is the one there is: nothing is done, and
    undo still names the last change."""
    scene = client.get("/api/scenes/scene-pool").json()["scene"]
    for note in ("cold", "colder", "cold"):
        ok(client.put("/api/scenes/scene-pool", json={**scene, "note": note}))
    before = ok(client.get("/api/journal"))["undo"]
    history = ok(client.get("/api/history/scene-pool"))
    ok(client.post("/api/history/scene-pool/put-back", json={"action_id": history[1]["action_id"]}))
    assert ok(client.get("/api/journal"))["undo"] == before
    assert ok(client.get("/api/history/scene-pool")) == history
    assert client.get("/api/scenes/scene-pool").json()["scene"]["note"] == "cold"


def test_lists_for_loading(client: TestClient) -> None:
    """Six lists; one's own steps as typed, a line each; the usual ones again when there are none or
    they are the usual; undone they are as they were; on another version nothing is written over."""

    def lists() -> dict[str, Json]:
        return {each["list"]["key"]: each for each in ok(client.get("/api/holders/lists"))}

    usual = lists()
    assert list(usual) == ["holders", "reel", "tank", "hangers", "roll_120", "roll_135"]
    assert usual["reel"]["list"]["steps"][-1] == "Lid on until it locks; then light"
    assert not any(each["list"]["own"] for each in usual.values())
    path = "/api/holders/lists/reel"
    stale = client.put(f"{path}?base=other", json={"text": "Count"})
    assert stale.status_code == 409
    own = ok(client.put(path, json={"text": " Count to ten \n\n Lid on\n"}))["list"]
    assert (own["steps"], own["own"]) == (["Count to ten", "Lid on"], True)
    assert lists()["tank"] == usual["tank"]
    label = ok(client.get("/api/journal"))["undo"]["label"]
    assert label == "change the steps of film onto a reel"
    for again in ("", "\n".join(usual["reel"]["list"]["steps"])):
        ok(client.put(path, json={"text": again}))
        assert lists() == usual
        client.post("/api/undo")
        assert lists()["reel"]["list"]["own"]
    client.post("/api/undo")
    assert lists() == usual
    refused = refusal(client.put(path, json={"text": "x" * 121}), 422)
    assert "between" in refused["message"] or "most" in refused["message"]
