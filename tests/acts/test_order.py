"""Acts of different things, in either order, come to the same; undone, to what was before."""

from collections.abc import Iterator
from itertools import islice
from random import Random
from typing import Any

import pytest

from emulsa.store import journal
from tests.acts.conftest import Season
from tests.acts.doing import ACTS, Answer, Hands, Request
from tests.acts.walk import DRAWN, WEIGHTS, Looking, Nothing
from tests.effort import some

PAIRS = some(40, 1_500)
NUMBERED = "rolls.load"  # rolls are numbered in the order they are loaded in
# what these come to is read from every judged negative, whoever judged it
WEIGHED = {"learning.use", "learning.rate"}
# nor do these name what they go by: the kit of the latest scene, and kit as it is then
PRACTISED = {"practice.go_out", "practice.expose", "practice.take_spot", "practice.delete_all"}
WORDS = {"", "ev", "read", "drop", "place"}  # what requests may share without naming one thing


def names(request: Request) -> set[str]:
    """Everything a request names but the plan, which is what it was made by whatever becomes of
    it."""

    def inside(value: Any) -> Iterator[str]:
        if isinstance(value, str):
            yield value
        elif isinstance(value, dict):
            for name, each in value.items():
                yield from inside(each if name != "plan" else None)
        elif isinstance(value, list):
            for each in value:
                yield from inside(each)

    return {*inside([request.path, request.query, request.body])} - WORDS


def things(hands: Hands, request: Request) -> set[str]:
    """What an act names and what it changes; nothing when it is refused or changes nothing."""
    before = journal.reach(hands.db).undo
    answer = hands.do(request, moment=hands.moment())
    done = journal.reach(hands.db).undo
    if not answer.ok or done == before:
        return set()
    assert done is not None
    rows = hands.db.execute("SELECT record FROM change WHERE action_id = ?", [done.id]).fetchall()
    assert hands.undo().ok
    return names(request) | {str(row["record"]) for row in rows}


def pairs(hands: Hands, dice: Random) -> Iterator[tuple[Request, Request]]:
    """Acts of different things, both possible now."""
    look = Looking(hands, dice, made=100_000)
    weights = [WEIGHTS.get(name, 1) for name in ACTS]
    while True:
        try:
            one, other = (
                hands.based(DRAWN[name](look)) for name in dice.choices(ACTS, weights, k=2)
            )
        except Nothing:
            continue
        if one.name == other.name == NUMBERED or {one.name, other.name} & (WEIGHED | PRACTISED):
            continue
        first, second = things(hands, one), things(hands, other)
        if first and second and not first & second:
            yield one, other


def come_to(hands: Hands, acts: tuple[tuple[Request, str], ...]) -> dict[str, Any]:
    """What acts come to, each at its own moment, and all of them taken back; without the order
    records were made in, which is that of the acts."""
    for request, moment in acts:
        assert hands.do(request, moment=moment).ok
    picture = hands.picture()
    for _ in acts:
        assert hands.undo().ok
    return {table: sorted((row[1:] for row in rows), key=repr) for table, rows in picture.items()}


def test_two_acts_of_different_things_in_either_order(season: Season, ended: Hands) -> None:
    """Drawn where a season left everything; neither names or changes what the other does."""
    before, kinds = ended.picture(), set()
    first, second = "2026-02-01T10:00:00.000Z", "2026-02-01T10:05:00.000Z"
    for one, other in islice(pairs(ended, Random(11)), PAIRS):
        one_way = come_to(ended, ((one, first), (other, second)))
        assert come_to(ended, ((other, second), (one, first))) == one_way, (one, other)
        assert ended.picture() == before
        kinds |= {one.name, other.name}
    assert len(kinds) > len(ACTS) / some(4, 2)


@pytest.mark.parametrize("again", ["holders.load", "rolls.load"])
def test_a_load_handed_in_late_never_unexposes(begun: Hands, again: str) -> None:
    """The same loading once more, under another id of an act, when its film is long exposed and in
    a box: everything stays as it is."""
    load = Request("holders.load", body={"id": "l", "film_id": "film-corvane", "sides": "6A"})
    if again == "rolls.load":
        body = {"id": "l", "film_id": "film-corvane", "format": "6x6", "camera_id": "camera-box"}
        load = Request("rolls.load", body=body)
    piece = "l-6A" if again == "holders.load" else "l-1"
    assert begun.do(load).ok
    given = {"id": "e", "scene_id": "scene-pool", "piece_id": piece}
    assert begun.do(Request("exposures.log", body=given)).ok
    if again == "holders.load":
        boxed = Request("holders.unload", body={"sides": "6A", "box": "tin"})
        assert begun.do(boxed).ok
    before = begun.picture()
    assert begun.do(load).ok
    assert begun.picture() == before


@pytest.mark.parametrize(
    ("record", "table"),
    [
        ("sheet-1A", "piece"),
        ("l-6A", "piece"),
        ("r", "roll"),
        ("r-1-4", "strip"),
        ("run", "run"),
        ("e", "exposure"),
        ("b", "bottle"),
    ],
)
def test_the_films_story_is_not_put_back_singly(begun: Hands, record: str, table: str) -> None:
    """Pieces, steps, runs, rolls' positions and the making of a record: undo takes them back, with
    all that came after; restoring one of them alone is refused and changes nothing."""
    run = {"id": "run", "name": "Evening", "minutes": 8}
    roll = {"id": "r", "film_id": "film-ostrel", "format": "6x6", "frames": 4}
    acts = [
        Request("holders.load", body={"id": "l", "film_id": "film-corvane", "sides": "6A"}),
        Request("exposures.log", body={"id": "e", "scene_id": "scene-pool", "piece_id": "l-6A"}),
        Request("rolls.load", body=roll),
        Request("rolls.skip", {"id": "r"}),
        Request("runs.begin", body={"run": run, "piece_ids": ["l-6A", "sheet-1A"]}),
        Request("kit.put_bottle", {"id": "b"}, body={"id": "b", "name": "Stop", "kind": "stop"}),
    ]
    for each in acts:
        assert begun.do(each).ok
    rows = begun.db.execute(
        "SELECT DISTINCT action_id FROM change WHERE record = ? AND table_name = ?", [record, table]
    ).fetchall()
    assert rows
    before = begun.picture()
    for row in rows:
        back = Request("history.restore", {"id": record}, body={"action_id": row["action_id"]})
        answer = begun.do(back)
        assert answer.status == 409
        assert "story" in answer.content["error"]["message"]
        assert begun.picture() == before


def test_texts_and_figures_are_put_back(begun: Hands) -> None:
    """Of kit, scenes, outings, holders and exposures; what came after on other records stays."""
    acts = [
        Request("kit.put_film", {"id": "film-velm"}, body={"id": "film-velm", "name": "Velm 20", "exposure_index": 20}),  # noqa: E501
        Request("scenes.edit", {"id": "scene-pool"}, body={"edits": [{"kind": "set_n", "n": 1}]}),
        Request("outings.put", {"id": "outing-quarry"}, body={"id": "outing-quarry", "title": "Renamed"}),  # noqa: E501
        Request("holders.put", {"id": "holder-6"}, body={"id": "holder-6", "number": 6, "note": "leaks"}),  # noqa: E501
        Request("exposures.put_right", {"id": "exposure-1A"}, body={"aperture": "45", "time": "30 s", "n": 0}),  # noqa: E501
    ]  # fmt: skip
    before = begun.picture()
    for each in acts:
        assert begun.do(each).ok
    actions = begun.db.execute("SELECT id FROM action ORDER BY id DESC LIMIT 5").fetchall()
    for row, each in zip(reversed(actions), acts, strict=True):
        back = Request("history.restore", each.path, body={"action_id": row["id"]})
        answer: Answer = begun.do(back)
        assert answer.ok, answer.content
    assert begun.picture() == before
