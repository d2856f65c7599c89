"""At the end of every list: what would not be read again is refused with its sentence, and every
log the program accepted comes whole out of its archive."""

from collections.abc import Callable
from contextlib import closing
from dataclasses import replace
from io import BytesIO
from pathlib import Path
from typing import Any

import pytest
from PIL import Image

from emulsa.api.views.scenes import solution
from emulsa.core import wire
from emulsa.core.kit.printing import PaperFilter
from emulsa.exchange.logbook import archive
from emulsa.store import database, opening, records, rows, scenes, staging
from emulsa.store.folder import ATTACHMENTS, DATABASE
from emulsa.store.journal import JOURNALED, recording
from emulsa.store.steps import finish
from emulsa.store.transactions import transaction
from tests.acts.conftest import Season
from tests.acts.doing import Answer, Hands, Request
from tests.effort import part

ROOMS = ("kit.read", "bench.read", "prints.read", "outings.read", "darkroom.read", "rolls.read")


def brought_in(folder: Path, tmp_path: Path) -> dict[str, list[Any]]:
    """The log's own archive, brought into an empty folder: its rows there."""
    zipped, empty = tmp_path / "out.zip", tmp_path / "empty"
    with closing(database.connect(folder / DATABASE)) as out:
        finish(archive.write(out, folder / ATTACHMENTS, zipped))
    empty.mkdir()
    opening.prepare(empty / DATABASE)
    with (
        closing(database.connect(empty / DATABASE)) as into,
        staging.gathering(empty / "stage") as (path, stage),
    ):
        merged = finish(archive.gather(stage, empty / ATTACHMENTS, zipped))
        staging.filled(stage)
        with staging.beside(into, path), transaction(into), recording(into, "now", "bring in"):
            archive.merge(into, merged, {})
        return told(into)


def told(db: database.Connection) -> dict[str, list[Any]]:
    return {
        table: sorted(tuple(row) for row in db.execute(f"SELECT * FROM {table}"))
        for table in JOURNALED
    }


def test_a_season_comes_whole_out_of_its_archive(season: Season, tmp_path: Path) -> None:
    """Every kind of act, and nothing of it the archive would not take: the same rows."""
    with closing(database.connect(season.ended / DATABASE)) as db:
        there = told(db)
    assert brought_in(season.ended, tmp_path) == there


def _meter(hands: Hands) -> Request:
    """Three patches, a slip in each: −1.5 for 15."""
    pairs = [{"trusted_ev": 15, "other_ev": -1.5} for _ in range(3)]
    (meter,) = hands.db.execute("SELECT id FROM meter LIMIT 1").fetchone()
    body = {"trusted_id": meter, "other_id": meter, "pairs": pairs}
    return Request("checks.use_meters", body=body)


def _paper(hands: Hands) -> Request:
    """A seventeenth filter."""
    paper = rows.one(hands.db, records.PAPER, "paper-sleet")
    filters = tuple(PaperFilter(label=f"filter {each}", range=1.0) for each in range(16))
    full = wire.encode(replace(paper, filters=filters))
    assert hands.do(Request("kit.put_printing_paper", {"id": paper.id}, body=full)).ok
    return _proof("one more", 0.2)


def _short_range(_: Hands) -> Request:
    """A tablet so short that no paper has its range."""
    return _proof("Hard filter", 0.03)


def _proof(label: str, step: float) -> Request:
    densities = [0.06, 0.06, 0.07, 0.3, 1.1, 1.9, 2.0, 2.0]
    body = {"paper_id": "paper-sleet", "label": label, "target": "own tablet"}
    tablet = [step * each for each in range(len(densities))]
    return Request("checks.use_paper", body={**body, "tablet": tablet, "densities": densities})


def _points(hands: Hands) -> Request:
    """Tested times beside thirty-two points of one's own."""
    test = rows.one(hands.db, records.FILM_TEST, "test-corvane")
    recipe = rows.one(hands.db, records.RECIPE, test.recipe_id)
    point = recipe.recipe.points[0]
    many = tuple(
        replace(point, n=-5 + each / 4, minutes=5 + each, origin="published", learned=False)
        for each in range(32)
    )
    full = replace(recipe, recipe=replace(recipe.recipe, points=many))
    body = wire.encode(full)
    assert hands.do(Request("kit.put_recipe", {"id": recipe.id}, body=body)).ok
    return Request("bench.use_times", {"id": test.id})


def _development(hands: Hands) -> Request:
    """A thirteenth development of one test."""
    test = rows.one(hands.db, records.FILM_TEST, "test-corvane")
    curves = tuple(
        replace(test.curves[0], id=f"{each} min", minutes=each, steps=()) for each in range(5, 17)
    )
    body = wire.encode(replace(test, curves=curves))
    assert hands.do(Request("bench.put", {"id": test.id}, body=body)).ok
    (film,) = hands.db.execute(
        "SELECT id FROM piece WHERE film_id = ? AND state = 'loaded' AND roll_id IS NULL",
        [test.film_id],
    ).fetchone()
    asked = {"bracket_id": "b", "lens_id": "lens-150", "ev": 13, "ei": 100, "minutes": 30}
    return Request("strips.expose", {"id": test.id}, body={**asked, "piece_ids": [film]})


def _rework(hands: Hands) -> Request:
    """Twenty times as large at f/22: a part beyond the hour."""
    setting = {"aperture": "22", "magnification": 20}
    part = "UPDATE print SET plan = json_set(plan, '$.parts[0].seconds', 600) WHERE id = ?"
    hands.db.execute(part, ["print-shed"])
    return Request("prints.use_reworked", {"id": "print-shed"}, body={"setting": setting})


def _readings(hands: Hands) -> Request:
    """Readings by fifties, the last of them beyond two hundred."""
    scene = "scene-adit"
    hands.db.execute("DELETE FROM reading WHERE scene_id = ?", [scene])

    def more(start: int) -> Request:
        edits = [
            {"kind": "read", "id": f"r{each}", "label": "wall", "reading": {"kind": "ev", "ev": 9}}
            for each in range(start, start + 50)
        ]
        return Request("scenes.edit", {"id": scene}, body={"edits": edits})

    for start in (0, 50, 100, 150):
        assert hands.do(more(start)).ok
    return more(200)


def _exposure(hands: Hands) -> Request:
    """A year of light."""
    given = hands.db.execute(
        "SELECT scene_id, piece_id FROM exposure WHERE piece_id IN"
        " (SELECT id FROM piece WHERE state = 'exposed') LIMIT 1"
    ).fetchone()
    scene = scenes.scene(hands.db, given["scene_id"])
    assert scene is not None
    body = {"id": "e", "scene_id": given["scene_id"], "piece_id": "new", "unplaced": True}
    plan = wire.encode(solution(hands.db, scene).plan)
    return Request("exposures.log", body={**body, "plan": plan, "time": 3.1e7, "happened": True})


def _picture(hands: Hands) -> Request:
    """A picture as long as it may have points."""
    file = BytesIO()
    Image.new("1", (1_000_001, 1)).save(file, "PNG")
    (exposure,) = hands.db.execute("SELECT id FROM exposure LIMIT 1").fetchone()
    query = {"exposure_id": exposure, "name": "line.png"}
    return Request("attachments.attach", {"id": "pic"}, query, file=file.getvalue())


LIMITS: dict[str, tuple[Callable[[Hands], Request], str]] = {
    "a meter by a slip": (_meter, "must be between −5 and 5"),
    "a paper's filters": (_paper, "16 at most; there are 17"),
    "a paper's range": (_short_range, "must be between"),
    "a recipe's points": (_points, "32 at most; there are"),
    "a test's developments": (_development, "This test holds 12 developments"),
    "a part's time": (_rework, "must be between"),
    "a scene's readings": (_readings, "200 at most; there are"),
    "an exposure's time": (_exposure, "must be between"),
    "a picture's side": (_picture, "must be between"),
}


@pytest.mark.parametrize("case", LIMITS)
def test_what_could_not_be_read_again_is_refused(begun: Hands, tmp_path: Path, case: str) -> None:
    """With its sentence, before anything is kept: every room is as it was, and the archive too."""
    asking, sentence = LIMITS[case]
    request = asking(begun)
    before = begun.picture()
    answer: Answer = begun.do(request)
    assert answer.status in (409, 422), answer
    assert sentence in answer.content["error"]["message"]
    assert begun.picture() == before
    for room in ROOMS:
        assert begun.do(Request(room)).ok, room
    if case in part([*LIMITS], len(LIMITS)):  # as it was is as it was: one is enough
        assert brought_in(begun.folder, tmp_path) == told(begun.db)
