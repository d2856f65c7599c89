"""What a question reads stands in the page's table: an act wakes every answer it may have changed."""

import json
import sqlite3
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest

from emulsa.api.acting import Route
from emulsa.api.routing import TABLE
from emulsa.core import wire
from emulsa.demo import prints, sheets
from emulsa.store import journal
from tests.acts.doing import Hands, Request
from tests.api.test_evening import CORVANE, OSTREL

READS: dict[str, list[str]] = json.loads(
    (Path(__file__).parents[2] / "web" / "src" / "api" / "reads.json").read_text(encoding="utf-8")
)
BY_PATH = {route.path: route for route in TABLE.values() if route.kind == "question"}

# Names in an address: every record of this table in turn, as the demo has them.
IN_PATH = {
    "/api/rolls/strips/{id}/choices": "strip",
    "/api/outings/{id}/packing": "outing",
    "/api/scenes/{id}": "scene",
    "/api/log/{id}": "exposure",
    "/api/darkroom/runs/{id}/course": "run",
    "/api/darkroom/runs/{id}/beside": "run",
    "/api/mixing/powders/{id}": "powder",
    "/api/history/{id}": "film",
    "/api/bench/tests/{id}": "film_test",
    "/api/bench/learned/{id}": "recipe",
    "/api/bench/tests/{id}/film": "film_test",
    "/api/pieces/{id}/spots": "piece",
    "/api/prints/{id}": "print",
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
        "/api/scenes/opinions": scenes,
        "/api/scenes/bracket": [{"scene": each, "step_stops": 0.5, "frames": 3} for each in scenes],
        "/api/scenes/line": [
            {"scene": each, "text": text, "reading_id": "new"}
            for each in scenes
            for text in ("9 slate III", "1/125@11 wall V")
        ],
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
        "/api/exposures/check": [{**given, "scene_id": each, "time": 9} for each in ids["scene"]],
        "/api/darkroom/runs/{id}/beside": [{"others": []}],
        "/api/darkroom/weigh": [{"piece_id": each, "choice": {}} for each in ids["piece"]],
        "/api/evening": [{"kinds": [CORVANE, OSTREL], "line_id": "line-usual"}],
    }
    queries: dict[str, list[dict[str, str]]] = {
        "/api/bench/plan": [{"lens_id": "lens-150", "ev": "13", "ei": "100"}],
        "/api/devices/spot-meter": [{"scene_id": each} for each in ids["scene"]],
        "/api/pieces/fitting": [{"film_id": each} for each in ids["film"]],
        "/api/mixing": [
            {
                "recipe_id": "recipe-corvane-mq",
                "tank_id": "tank-four",
                "line_id": "line-usual",
                "ready": "3",
            }
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


@pytest.mark.parametrize("path", sorted(READS))
def test_every_table_a_question_reads_is_named(hands: Hands, path: str) -> None:
    """SQLite itself says which tables a question looks into; each stands in the page's table.

    How numbers are written is looked up for every question, and changed, reads all anew.
    """
    route = BY_PATH[path]
    seen = set[str]()

    def watch(action: int, table: str | None, *_: object) -> int:
        if action == sqlite3.SQLITE_READ and table:
            seen.add(table)
        return sqlite3.SQLITE_OK

    requests = asked(hands, route)
    assert requests
    connection = hands.house.pool.take()
    connection.set_authorizer(watch)
    hands.house.pool.give(connection)
    answered = [hands.do(each) for each in requests]
    assert any(each.ok for each in answered), answered[0].content
    if READS[path] != ["*"]:  # woken by everything
        assert seen & set(journal.JOURNALED) - set(READS[path]) - {"preference"} == set()
