"""Two hands at the same moment: what comes of it is what one order of them would have come to.

Every race is tried in each order by itself first; then fifty times at once, in threads over
connections of their own. Answers and every row of every table must be those of one of the orders.
"""

import itertools
from collections.abc import Sequence
from typing import Any

import pytest

from emulsa.api.views.scenes import solution
from emulsa.core import wire
from emulsa.store import exposures, journal, scenes
from tests.acts.doing import Answer, Hands, Request, at_once
from tests.effort import some

ROUNDS = some(8, 50)
FEWER = some(3, 12)  # of races that differ from another one only in what they are about
AT = "2026-02-01T10:00:00.000Z"

RUN = {"id": "run", "name": "Evening", "minutes": 8, "bottle_ids": ["bottle-fixer"]}
PREPARED = (
    Request("rolls.load", body={
        "id": "roll", "film_id": "film-ostrel", "format": "6x6", "frames": 4,
        "camera_id": "camera-box",
    }),
    Request("runs.begin", body={"run": RUN, "piece_ids": ["sheet-4A"]}),
    Request("exposures.log", body={
        "id": "half", "scene_id": "scene-winding-house", "piece_id": "sheet-2B", "share": 0.5,
    }),
)  # fmt: skip

FRAME = {"id": "e", "scene_id": "scene-adit", "piece_id": "roll-1"}
SHEET = {"id": "e", "scene_id": "scene-pool", "piece_id": "sheet-2A"}
ROLL = {"id": "roll", "number": 1, "film_id": "film-ostrel", "format": "6x6", "frames": 4}
NOTED = {**ROLL, "camera_id": "camera-box", "note": "light leak at frame 2"}
OUTING = {"id": "outing-quarry", "title": "Third outing, frost", "day": "2026-01-17"}
WENT = {"started_at": AT, "steps": [{"name": "Developer", "seconds": 480}]}
THAW = [{"kind": "read", "id": "crack", "reading": {"kind": "ev", "ev": 10}}]


def share(id_: str, part: float) -> Request:
    body = {"id": id_, "scene_id": "scene-pool", "piece_id": "sheet-2B", "share": part}
    return Request("exposures.log", body=body)


RACES: dict[str, tuple[Request, ...]] = {
    "weigh a frame · expose it": (
        Request("rolls.weigh", {"id": "roll"}, body={"frame": 1, "weight": 3}),
        Request("exposures.log", body=FRAME),
    ),
    "see a roll advance · expose on it": (
        Request("rolls.advanced", {"id": "roll"}),
        Request("exposures.log", body=FRAME),
    ),
    "note on a roll · expose on it": (
        Request("rolls.put", {"id": "roll"}, body=NOTED),
        Request("exposures.log", body=FRAME),
    ),
    "wind on · expose": (
        Request("rolls.skip", {"id": "roll"}),
        Request("exposures.log", body=FRAME),
    ),
    "take out · expose": (
        Request("rolls.take_out", {"id": "roll"}, body={"finished": True}),
        Request("exposures.log", body=FRAME),
    ),
    "how it went · developed": (
        Request("runs.keep_course", {"id": "run"}, body=WENT),
        Request("runs.developed", {"id": "run"}),
    ),
    "out of the run · developed": (
        Request("runs.leave", {"id": "run"}),
        Request("runs.developed", {"id": "run"}),
    ),
    "clearing test · developed": (
        Request("mixing.clearing", body={"clearing_s": 50, "bottle_id": "bottle-fixer"}),
        Request("runs.developed", {"id": "run"}),
    ),
    "an outing's note · packed": (
        Request("outings.put", {"id": "outing-quarry"}, body={**OUTING, "note": "Crampons"}),
        Request("outings.pack", {"id": "outing-quarry"}, body={"put_in": ["always:Tape measure"]}),
    ),
    "packed · packed": (
        Request("outings.pack", {"id": "outing-quarry"}, body={"put_in": ["always:Tape measure"]}),
        Request("outings.pack", {"id": "outing-quarry"}, body={"put_in": ["always:Cable release"]}),
    ),
    "retire a holder · load it": (
        Request("holders.put", {"id": "holder-6"}, body={"id": "holder-6", "number": 6, "retired": True}),
        Request("holders.load", body={"id": "l", "film_id": "film-corvane", "sides": "6A"}),
    ),
    "the last sheets of a box, twice": (
        Request("holders.load", body={"id": "l", "film_id": "film-ostrel", "sides": "6", "stock_id": "box-ostrel"}),
        Request("holders.load", body={"id": "m", "film_id": "film-ostrel", "sides": "5B 6", "stock_id": "box-ostrel"}),
    ),
    "change the scene · expose it": (
        Request("scenes.edit", {"id": "scene-pool"}, body={"edits": THAW}),
        Request("exposures.log", body=SHEET),
    ),
    "change the film · expose it": (
        Request("kit.put_film", {"id": "film-corvane"}, body={
            "id": "film-corvane", "name": "Corvane 100", "exposure_index": 80,
        }),
        Request("exposures.log", body=SHEET),
    ),
    "delete the scene · expose it": (
        Request("scenes.delete", {"id": "scene-pool"}),
        Request("exposures.log", body=SHEET),
    ),
    "two exposures on one sheet": (
        Request("exposures.log", body=SHEET),
        Request("exposures.log", body={**SHEET, "id": "f"}),
    ),
    "one exposure from two pages": (
        Request("exposures.log", body=SHEET),
        Request("exposures.log", body={**SHEET, "note": "from the phone"}),
    ),
    "shares of one sheet": (share("s1", 0.25), share("s2", 0.25), share("s3", 0.25)),
    "one share from two pages": (share("s1", 0.25), share("s1", 0.25)),
    "decide over it · put it into a run": (
        Request("darkroom.decide_over", body={"piece_ids": ["sheet-1A"], "choice": {"minutes": 9, "reason": "thin"}}),
        Request("runs.begin", body={"run": {**RUN, "id": "other"}, "piece_ids": ["sheet-1A"]}),
    ),
    "one sheet into two runs": (
        Request("runs.begin", body={"run": {**RUN, "id": "other"}, "piece_ids": ["sheet-1A"]}),
        Request("runs.begin", body={"run": {**RUN, "id": "third"}, "piece_ids": ["sheet-1A", "sheet-1B"]}),
    ),
    "correct it · take the picture's note": (
        Request("exposures.put_right", {"id": "exposure-1A"}, body={"aperture": "32", "time": "12 s", "n": 0}),
        Request("exposures.put_right", {"id": "exposure-1A"}, body={"aperture": "45", "time": "24 s", "n": -1}),
    ),
    "undo · undo": (
        Request("journal.undo", body={"action_id": -1}),
        Request("journal.undo", body={"action_id": -1}),
    ),
}  # fmt: skip


@pytest.fixture
def prepared(begun: Hands) -> Hands:
    """A roll in the box camera, a run begun, a sheet that had half its exposure."""
    for each in PREPARED:
        assert begun.do(each).ok
    return begun


ALIKE = {
    *("take out · expose", "wind on · expose", "out of the run · developed", "packed · packed"),
    *("change the film · expose it", "delete the scene · expose it", "two exposures on one sheet"),
    *("one exposure from two pages", "one share from two pages", "one sheet into two runs"),
    *("decide over it · put it into a run", "correct it · take the picture's note", "undo · undo"),
}


@pytest.mark.parametrize("name", RACES)
def test_both_orders_and_nothing_else(prepared: Hands, name: str) -> None:
    """Round after round comes to what one order of the acts comes to."""
    acts = [_meant(prepared, each) for each in RACES[name]]
    before = prepared.picture()
    orders = [_in_order(prepared, order) for order in itertools.permutations(list(enumerate(acts)))]
    _back_to(prepared, before)
    for _ in range(FEWER if name in ALIKE else ROUNDS):
        answers = at_once(*(_doing(prepared, each) for each in acts))
        assert (_statuses(answers), prepared.picture()) in orders
        _back_to(prepared, before)


@pytest.mark.parametrize(
    "request_",
    [
        Request("exposures.log", body=SHEET),
        Request("runs.begin", body={"run": {**RUN, "id": "other"}, "piece_ids": ["sheet-1A"]}),
        share("s1", 0.25),
        Request("holders.load", body={"id": "l", "film_id": "film-corvane", "sides": "6"}),
        Request("runs.developed", {"id": "run"}),
        Request("runs.leave", {"id": "run"}),
        Request("kit.delete_powder", {"id": "powder-mq"}),
        Request("rolls.skip", {"id": "roll"}),
        Request("journal.undo", body={"action_id": -1}),
        Request("outings.begin", {"id": "outing-quarry"}, body={"id": "new", "title": "Tramway"}),
        Request(
            "attachments.attach",
            {"id": "scan"},
            {"exposure_id": "exposure-1A", "name": "scan.png"},
            file=b"\x89PNG",
        ),
    ],
    ids=lambda each: each.name,
)
def test_the_same_act_from_many_hands_at_once(
    prepared: Hands, request_: Request, small_png: bytes
) -> None:
    """Eight times under one id: done once, and all are answered what the one was."""
    if request_.file is not None:
        request_ = Request(request_.name, request_.path, request_.query, file=small_png)
    request_ = _meant(prepared, request_)
    before = prepared.picture()
    for number in range(ROUNDS):
        key = f"{request_.name}-{number}"
        acts = [_doing(prepared, request_, key)] * 8
        answers = at_once(*acts)
        assert answers[0].ok, answers[0].content
        assert answers == [answers[0]] * 8
        done = prepared.db.execute("SELECT count(*) FROM act WHERE id = ?", [key]).fetchone()[0]
        assert done == 1
        _back_to(prepared, before)


def test_sixteen_hands_on_one_version(prepared: Hands) -> None:
    """One is kept; fifteen are told, and shown what is kept."""
    before = prepared.picture()
    version = prepared.based(Request("outings.put", {"id": "outing-quarry"}, body=OUTING)).query
    for _ in range(ROUNDS):
        acts = [
            Request(
                "outings.put", {"id": "outing-quarry"}, version, {**OUTING, "title": f"By {hand}"}
            )
            for hand in range(16)
        ]
        answers = at_once(*(_doing(prepared, each) for each in acts))
        assert sorted(each.status for each in answers) == [200, *([409] * 15)]
        kept = next(each.content["title"] for each in answers if each.ok)
        told = {each.content["error"]["stored"]["title"] for each in answers if not each.ok}
        assert told == {kept}
        _back_to(prepared, before)


def test_a_plan_stays_whatever_becomes_of_the_scene(prepared: Hands) -> None:
    """An exposure that carries its plan is logged by it, though the scene was changed when the
    shutter was open."""
    scene = scenes.scene(prepared.db, "scene-pool")
    assert scene is not None
    plan = wire.encode(solution(prepared.db, scene).plan)
    edit = prepared.based(Request("scenes.edit", {"id": "scene-pool"}, body={"edits": THAW}))
    before = prepared.picture()
    for _ in range(ROUNDS):
        log = Request("exposures.log", body={**SHEET, "plan": plan})
        assert all(each.ok for each in at_once(_doing(prepared, edit), _doing(prepared, log)))
        logged = exposures.exposure(prepared.db, "e")
        assert logged is not None
        assert logged.request == plan["request"]
        _back_to(prepared, before)


def _meant(hands: Hands, request: Request) -> Request:
    """The request with the version it is made on, and the action that undo is meant for."""
    if request.name == "journal.undo":
        reach = journal.reach(hands.db)
        assert reach.undo is not None
        return Request(request.name, body={"action_id": reach.undo.id})
    return hands.based(request)


def _doing(hands: Hands, request: Request, key: str = "") -> Any:
    return lambda: hands.do(request, key, AT)


def _statuses(answers: Sequence[Answer]) -> tuple[int, ...]:
    return tuple(each.status for each in answers)


def _in_order(hands: Hands, order: Sequence[tuple[int, Request]]) -> Any:
    """What an order of acts comes to: the status of each, and every row."""
    before = hands.picture()
    statuses = [0] * len(order)
    for place, request in order:
        statuses[place] = hands.do(request, moment=AT).status
    picture = hands.picture()
    _back_to(hands, before)
    return (tuple(statuses), picture)


def _back_to(hands: Hands, before: dict[str, Any]) -> None:
    """Undo until everything is as it was; what a race has undone is brought again by redo."""
    while (reach := journal.reach(hands.db)).undo and reach.undo.id > len(PREPARED):
        assert hands.undo().ok
    while hands.picture() != before:
        assert hands.redo().ok
