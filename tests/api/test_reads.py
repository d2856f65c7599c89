"""What an answer was read of: the page reads it anew when an act touched that."""

import json
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest

from emulsa.api.acting import serve
from emulsa.api.route import Asked, Route
from emulsa.api.routing import TABLE
from emulsa.core import wire
from emulsa.core.errors import CoreError
from emulsa.demo import prints, sheets
from emulsa.exchange import curves
from emulsa.store import database, journal, log
from emulsa.store.watched import ANY, EVERY, UNTOUCHED, watching, woken_by
from tests.acts.doing import Hands, Request
from tests.api.test_evening import CORVANE, OSTREL

# Jobs are held in memory; scans need a picture that was attached.
ELSEWHERE = ("/api/exchange/jobs/{id}", "/api/bench/tests/{id}/scan")
BY_PATH = {
    route.path: route
    for route in TABLE.values()
    if route.kind == "question"
    and route.path.startswith("/api/")  # not those a test tries routes with
    and not (route.media_type or route.operation or route.path in ELSEWHERE)
}
# What must be among it, or a room would show what is not so any more.
BY_PATH_AT_LEAST = {
    "/api/journal": {ANY},
    "/api/carry": {ANY},
    "/api/carry/asides": {ANY},
    "/api/history/{id}": {ANY},
    "/api/scenes/solve": {"film", "lens", "meter", "filter", "recipe"},
    "/api/scenes/seen": {"film", "lens", "filter", "attachment"},
    "/api/log": {"exposure", "scene", "outing", "film", "attachment"},
    "/api/kit": {"film", "recipe", "printing_paper", "sheet_format"},
}

STEP = {
    "name": "Wash",
    "kind": "wash",
    "start_s": 0,
    "end_s": 60,
    "cues": [],
    "may_wait": True,
}

# Names in an address: every record of this table in turn, as the demo has them.
IN_PATH = {
    "/api/outings/{id}/light": "outing",
    "/api/rolls/strips/{id}/choices": "strip",
    "/api/outings/{id}/packing": "outing",
    "/api/outings/{id}/drawn": "outing",
    "/api/scenes/{id}": "scene",
    "/api/log/{id}": "exposure",
    "/api/darkroom/runs/{id}/course": "run",
    "/api/darkroom/runs/{id}/beside": "run",
    "/api/darkroom/runs/{id}/retime": "run",
    "/api/scenes/{id}/relit": "scene",
    "/api/scenes/{id}/calibration.json": "scene",
    "/api/exposures/{id}/seen": "exposure",
    "/api/mixing/powders/{id}": "powder",
    "/api/history/{id}": "film",
    "/api/bench/tests/{id}": "film_test",
    "/api/bench/learned/{id}": "recipe",
    "/api/bench/tests/{id}/film": "film_test",
    "/api/pieces/{id}/spots": "piece",
    "/api/pieces/{id}/foreseen": "piece",
    "/api/prints/{id}": "print",
    "/api/films/{id}": "film",
    "/api/practice/scenes/{id}": "practised_scene",
    "/api/practice/scenes/{id}/field": "practised_scene",
    "/api/practice/scenes/{id}/meter": "practised_scene",
}


@pytest.fixture
def hands(folder: Path) -> Iterator[Hands]:
    working = Hands(folder)
    yield working
    working.close()


def asked(hands: Hands, route: Route) -> list[Request]:
    """The question, put for everything in the demo it can be put for."""
    ids = {
        table: [row["id"] for row in hands.db.execute(f"SELECT id FROM {table} ORDER BY id")]
        for table in ("scene", "piece", "film", *IN_PATH.values())
    }
    scenes = [
        hands.do(Request("scenes.read", {"id": each})).content["scene"] for each in ids["scene"]
    ]
    given = {"id": "new", "piece_id": "sheet-2A"}
    bodies: dict[str, list[Any]] = {
        "/api/scenes/solve": [{"scene": each} for each in scenes],
        "/api/scenes/seen": [{"scene": each, "asked": {}} for each in scenes],
        "/api/exposures/{id}/seen": [{}],
        "/api/scenes/opinions": scenes,
        "/api/scenes/on-films": scenes,
        "/api/scenes/bracket": [{"scene": each, "step_stops": 0.5, "frames": 3} for each in scenes],
        "/api/scenes/line": [
            {"scene": each, "text": text, "reading_id": "new"}
            for each in scenes
            for text in ("9 slate III", "1/125@11 wall V")
        ],
        "/api/practice/set": [{"seed": 7}],
        "/api/practice/scenes/{id}/meter": [{"x": 0.5, "y": 0.5}],
        "/api/prints/draw": [wire.encode(each) for each in prints.PRINTS],
        "/api/prints/preview": [wire.encode(each) for each in prints.PRINTS],
        "/api/prints/preview/area": [{"print": wire.encode(prints.SHED_PRINT), "area_id": "roof"}],
        "/api/prints/rework": [
            {
                "print": wire.encode(each),
                "wanted": {"setting": {"aperture": "8", "magnification": 3}},
            }
            for each in prints.PRINTS
        ],
        "/api/bench/draw": [wire.encode(each) for each in sheets.TESTS],
        "/api/bench/learned/{id}": [{"without": []}],
        "/api/bench/checks/shutter": [
            {"lens_id": "lens-150", "marks": [{"mark": "1/60", "seconds": [0.02]}]}
        ],
        "/api/bench/checks/meters": [
            {
                "trusted_id": "meter-spot",
                "other_id": "meter-spot",
                "pairs": [{"trusted_ev": 9, "other_ev": 9.5}],
            }
        ],
        "/api/bench/densities": [{"text": "0.2\n0.3"}],
        "/api/bench/curves": [{"text": f"{','.join(curves.TITLES)}\na,8,0.1,100,-3,0.2"}],
        "/api/bench/checks/paper": [
            {
                "paper_id": "paper-sleet",
                "label": "Hard filter",
                "target": "own tablet",
                "tablet": [0.2 * step for step in range(8)],
                "densities": [0.06, 0.06, 0.07, 0.3, 1.1, 1.9, 2.1, 2.1],
            }
        ],
        "/api/darkroom/runs/{id}/retime": [
            {"elapsed_min": 2, "measured": [{"minute": 1, "temperature_c": 19}]}
        ],
        "/api/history/compare": [{"mine": {"note": "a"}, "theirs": {"note": "b"}}],
        "/api/darkroom/runs/shift": [{"steps": [STEP], "at_s": 10}],
        "/api/devices/shutter-tester/measure": [{}],
        "/api/devices/spot-meter/trigger": [
            {"scene": scenes[0], "target": "grey-card", "reading_id": "new"}
        ],
        "/api/kit/ladder": [{"points": "0 8:00"}],
        "/api/kit/law": [{"law": {"kind": "power", "exponent": 1.3}}],
        "/api/kit/pinhole-facts": [{"optics": {"diameter_mm": 0.3, "distance_mm": 75}}],
        "/api/kit/lens-marks": [{"focal_length_mm": 150, "widest": "5.6", "smallest": "64"}],
        "/api/kit/data-sheet": [{"text": "Film | 1+9\nCorvane | 8:00"}],
        "/api/prints/flash": [{"last_white_s": 4, "first_grey_s": 5}],
        "/api/prints/strip": [{"kind": "linear", "step_s": 3, "strips": 5}],
        "/api/scenes/{id}/relit": [
            {"text": "8 crack", "intervals": [{"metered_s": 9, "elapsed_s": 5}]}
        ],
        "/api/exposures/check": [{**given, "scene_id": each, "time": 9} for each in ids["scene"]],
        "/api/darkroom/runs/{id}/beside": [{"others": []}],
        "/api/darkroom/mates": [{"piece_id": each, "choice": {}} for each in ids["piece"]],
        "/api/scenes/focus": [{"scene": each} for each in scenes],
        "/api/darkroom/weigh": [{"piece_id": each, "choice": {}} for each in ids["piece"]],
        "/api/evening": [{"kinds": [CORVANE, OSTREL], "line_id": "line-usual"}],
    }
    queries: dict[str, list[dict[str, str]]] = {
        "/api/bench/plan": [{"lens_id": "lens-150", "ev": "13", "ei": "100"}],
        "/api/devices/spot-meter": [{"scene_id": each} for each in ids["scene"]],
        "/api/pieces/fitting": [{"film_id": each} for each in ids["film"]],
        "/api/number": [{"text": "9⅓"}],
        "/api/practice": [{"day": "2026-01-17"}],
        "/api/practice/question": [{"day": "2026-01-17"}],
        "/api/outings/{id}/light": [{"begin": "2026-11-28T00:00:00Z"}],
        "/api/kit/film-kind": [{"kind": "reversal"}],
        "/api/mixing": [
            {
                "recipe_id": "recipe-corvane-mq",
                "tank_id": "tank-four",
                "line_id": "line-usual",
                "ready": "3",
            }
        ],
        "/api/comparison": [
            {"of": "scan-trial-1A,scan-trial-2A,scan-shed", "x": "0.5", "y": "0.5"},
            {"of": "scan-velm-7"},
        ],
        "/api/log": [{}, {"text": "slate"}, {"film_id": "film-corvane", "n": "-1"}],
    }
    table = IN_PATH.get(route.path)
    paths: list[dict[str, str]] = [{"id": each} for each in ids[table]] if table else [{}]
    return [
        Request(route.name, path, query, body)
        for path in paths
        for query in queries.get(route.path, [{}])
        for body in bodies.get(route.path, [None])
    ]


@pytest.mark.parametrize("path", sorted(BY_PATH))
def test_an_answer_says_what_it_was_read_of(hands: Hands, path: str) -> None:
    """SQLite itself says which tables were looked into, whoever asks it: the answer names them."""
    route = BY_PATH[path]
    told = [woken(hands, each) for each in asked(hands, route)]
    answered = [each for each in told if each is not None]
    assert answered
    named = set[str]().union(*answered)
    assert named <= {*journal.JOURNALED, ANY}
    if route.is_pure:  # only what a comma between digits means is looked up
        commas = any(wire.has_comma(json.dumps(each.body)) for each in asked(hands, route))
        assert named == ({"preference"} if commas else set())
    else:
        assert "preference" in named  # by it every answer is written
    assert BY_PATH_AT_LEAST.get(path, set()) <= named


def woken(hands: Hands, request: Request) -> tuple[str, ...] | None:
    """By which tables an answer is woken; nothing for a refusal."""
    body = b"" if request.body is None else json.dumps(request.body).encode()
    try:
        route = TABLE[request.name]
        return serve(route, hands.house, Asked(request.path, request.query, body)).woken_by
    except CoreError:
        return None


def test_a_statement_is_looked_at_once_and_says_the_same_again(hands: Hands) -> None:
    """Prepared already or not, on this connection or another; only while somebody watches."""
    statement = "SELECT count(*) FROM piece WHERE film_id IN (SELECT id FROM film)"
    seen = []
    for _ in range(2):
        with watching() as tables:
            hands.db.execute(statement)
        seen.append(tables)
    connection = hands.house.pool.take()
    with watching() as tables:
        connection.execute(statement)
    hands.house.pool.give(connection)
    assert [*seen, tables] == [{"piece", "film"}] * 3
    with watching() as tables:
        pass
    assert tables == set()


def test_every_table_wakes_somebody_or_nobody(hands: Hands) -> None:
    """A table of a later migration is journaled, or is named among those that are not."""
    known = {*journal.JOURNALED, *EVERY, *UNTOUCHED}
    rest = {each for each in database.form(hands.db) if not each.startswith("log_")}
    assert rest == known
    triggers = hands.db.execute(
        "SELECT tbl_name FROM sqlite_master WHERE type = 'trigger' AND name LIKE 'log_%'"
        " AND tbl_name NOT LIKE 'log_%'"
    )
    assert {each["tbl_name"] for each in triggers} == {*log.INDEXED}  # what the index is made of
    assert woken_by({"log_text"}) == tuple(sorted(log.INDEXED))
    assert woken_by({"action", "film", "device", "found"}) == (ANY, "film")
