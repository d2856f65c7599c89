"""Runs, and the negatives judged after them."""

from __future__ import annotations

from collections.abc import Iterable
from sqlite3 import Connection
from typing import Any

from emulsa.core import wire
from emulsa.core.darkroom.run import Run, Went
from emulsa.core.film.judgement import Judgement
from emulsa.store import rows
from emulsa.store.records import JUDGEMENT, RUN


def run(connection: Connection, id_: str | None) -> Run | None:
    return rows.one(connection, RUN, id_)


def open_runs(connection: Connection) -> list[Run]:
    """Runs that are not out of the developer yet, the first begun first."""
    return rows.many(connection, RUN, "WHERE developed_at = '' ORDER BY begun_at, rowid")


def lines(connection: Connection) -> list[dict[str, Any]]:
    """Every run as one flat row with names in place of ids, oldest first."""
    found = connection.execute(
        """
        SELECT
            run.id, run.name, run.begun_at, run.developed_at, film.name AS film,
            recipe.name AS recipe, run.n, run.minutes, run.temperature_c, tank.name AS tank,
            line.name AS line, run.laboratory,
            coalesce((
                SELECT group_concat(label, ';') FROM (
                    SELECT label FROM piece WHERE piece.run_id = run.id ORDER BY loaded_at, rowid
                )
            ), '') AS pieces,
            run.went, run.note
        FROM run
        LEFT JOIN recipe ON recipe.id = run.recipe_id
        LEFT JOIN film ON film.id = recipe.film_id
        LEFT JOIN tank ON tank.id = run.tank_id
        LEFT JOIN line ON line.id = run.line_id
        ORDER BY run.begun_at, run.rowid
        """
    )
    return [
        {**dict(row), "went": wire.loads(Went, row["went"]) if row["went"] else None}
        for row in found
    ]


def judgements(connection: Connection, piece_ids: Iterable[str]) -> dict[str, Judgement]:
    """The judgements of these pieces, by piece."""
    return {each.id: each for each in rows.of_ids(connection, JUDGEMENT, "id", piece_ids)}


def of_scene(connection: Connection, scene_id: str) -> list[Judgement]:
    """What the negatives of a scene showed, the latest first."""
    return rows.many(
        connection,
        JUDGEMENT,
        """
        WHERE id IN (SELECT piece_id FROM exposure WHERE scene_id = :id) ORDER BY at DESC
        """,
        {"id": scene_id},
    )
