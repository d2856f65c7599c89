"""What the rooms refuse beyond their own tests: one sentence, the field, and nothing written."""

from collections.abc import Callable
from typing import Any

import pytest
from starlette.testclient import TestClient

from tests.api.test_api import refusal
from tests.api.test_evening import CORVANE, OSTREL, plan
from tests.api.test_film_in_hand import ok
from tests.api.test_mixing import begin

Json = dict[str, Any]
Does = Callable[[TestClient], Any]


def loaded(client: TestClient, **more: Any) -> Any:
    body = {"id": "roll", "film_id": "film-ostrel", "format": "6x6", "frames": 4, **more}
    return client.post("/api/rolls", json=body)


def told(client: TestClient) -> str:
    """Everything a hand could have changed here, and what undo would take back."""
    paths = ("rolls", "darkroom", "kit", "holders", "stock", "journal")
    return "".join(client.get(f"/api/{path}").text for path in paths)


def finished(client: TestClient) -> None:
    ok(loaded(client))
    ok(client.post("/api/rolls/roll/take-out", json={"finished": True}))


def exposed(client: TestClient) -> None:
    ok(loaded(client))
    frame = next(each for each in roll(client)["frames"] if each["frame"] == 1)
    body = {"id": "e", "scene_id": "scene-adit", "piece_id": frame["piece_id"]}
    ok(client.post("/api/exposures", json=body))


def roll(client: TestClient) -> Json:
    found: Json = next(
        each for each in client.get("/api/rolls").json() if each["roll"]["id"] == "roll"
    )
    return found


def rated(client: TestClient) -> Any:
    return client.put("/api/rolls/roll", json={**roll(client)["roll"], "exposure_index": 800})


def weighed(client: TestClient, piece_id: str) -> Any:
    trial = {"piece_id": piece_id, "choice": {"minutes": 8, "reason": "why not"}}
    return client.post("/api/darkroom/weigh", json={"temperature_c": 20, **trial})


def nothing(_: TestClient) -> None:
    """As the demo is."""


CASES: dict[str, tuple[Does, Does, int, str]] = {
    "a roll out of a box of sheets": (
        nothing,
        lambda client: loaded(client, film_id="film-corvane", stock_id="box-corvane"),
        409,
        "taken on 120 film",
    ),
    "a roll rated after exposing": (exposed, rated, 409, "keeps its rating"),
    "a roll finished twice": (
        finished,
        lambda client: client.post("/api/rolls/roll/take-out", json={"finished": False}),
        409,
        "finished already",
    ),
    "a roll put back that is in the camera": (
        loaded,
        lambda client: client.post("/api/rolls/roll/put-back", json={}),
        409,
        "is in a camera",
    ),
    "a roll cut in the camera": (
        loaded,
        lambda client: client.post("/api/rolls/roll/cut", json={"after": [1]}),
        409,
        "out before it is cut",
    ),
    "a frame that is not there": (
        loaded,
        lambda client: client.post("/api/rolls/roll/weight", json={"frame": 9, "weight": 2}),
        422,
        "has no frame 9",
    ),
    "a holder of another's number": (
        nothing,
        lambda client: client.put(
            "/api/holders/mine", json={"id": "mine", "number": 1, "format": "4x5"}
        ),
        409,
        "is a holder 1 already",
    ),
    "film weighed that does not wait": (
        nothing,
        lambda client: weighed(client, "sheet-2A"),
        404,
        "does not wait",
    ),
    "an evening with a bottle that is gone": (
        nothing,
        lambda client: plan(client, CORVANE, bottle_ids=["gone"]),
        422,
        "is not in the kit any more",
    ),
    "an evening of film that does not wait": (
        nothing,
        lambda client: plan(client, {**OSTREL, "recipe_id": "recipe-ostrel-ascorbate"}),
        422,
        "No Ostrel 400 waits",
    ),
    "the clock of a run without minutes": (
        lambda client: begin(client, minutes=None),
        lambda client: client.get("/api/darkroom/runs/run/course"),
        422,
        "no developing time",
    ),
    "the paper of a run that is not there": (
        nothing,
        lambda client: client.get("/api/darkroom/runs/none/sheet.pdf"),
        404,
        "This run was not found",
    ),
    "an archive that was never written": (
        nothing,
        lambda client: client.get("/api/exchange/archive/none.zip"),
        404,
        "write it again",
    ),
    "a file that was never handed in": (
        nothing,
        lambda client: client.post("/api/exchange/csv/read", json={"id": "none"}),
        404,
        "choose it again",
    ),
}


@pytest.mark.parametrize(("first", "does", "status", "says"), CASES.values(), ids=CASES)
def test_what_cannot_be(
    client: TestClient, first: Does, does: Does, status: int, says: str
) -> None:
    """Refused in a sentence that says why; what is kept stays as it was."""
    first(client)
    before = told(client)
    assert says in refusal(does(client), status)["message"]
    assert told(client) == before
