"""Runs, and the negatives judged after them."""

from __future__ import annotations

import json
from sqlite3 import Connection, Row
from typing import Any

from emulsa.core import wire
from emulsa.core.darkroom.run import Run, Went
from emulsa.core.film.judgement import Judgement


def put(connection: Connection, run: Run) -> None:
    connection.execute(
        """
        INSERT INTO run (
            id, name, recipe_id, n, minutes, temperature_c, tank_id, line_id, bottle_ids, went,
            begun_at, developed_at, note
        ) VALUES (
            :id, :name, :recipe_id, :n, :minutes, :temperature_c, :tank_id, :line_id, :bottle_ids,
            :went, :begun_at, :developed_at, :note
        )
        ON CONFLICT (id) DO UPDATE SET
            name = :name, recipe_id = :recipe_id, n = :n, minutes = :minutes,
            temperature_c = :temperature_c, tank_id = :tank_id, line_id = :line_id,
            bottle_ids = :bottle_ids, went = :went,
            begun_at = :begun_at, developed_at = :developed_at, note = :note
        """,
        {
            "id": run.id,
            "name": run.name,
            "recipe_id": run.recipe_id,
            "n": run.n,
            "minutes": run.minutes,
            "temperature_c": run.temperature_c,
            "tank_id": run.tank_id,
            "line_id": run.line_id,
            "bottle_ids": json.dumps(run.bottle_ids),
            "went": None if run.went is None else wire.dumps(run.went),
            "begun_at": run.begun_at,
            "developed_at": run.developed_at,
            "note": run.note,
        },
    )


def run(connection: Connection, id_: str) -> Run | None:
    row = connection.execute("SELECT * FROM run WHERE id = :id", {"id": id_}).fetchone()
    return _run(row) if row else None


def open_runs(connection: Connection) -> list[Run]:
    """Runs that are not out of the developer yet, the first begun first."""
    rows = connection.execute(
        "SELECT * FROM run WHERE developed_at = '' ORDER BY begun_at, rowid"
    ).fetchall()
    return [_run(row) for row in rows]


def lines(connection: Connection) -> list[dict[str, Any]]:
    """Every run as one flat row with names in place of ids, oldest first."""
    rows = connection.execute(
        """
        SELECT
            run.id, run.name, run.begun_at, run.developed_at, film.name AS film,
            recipe.name AS recipe, run.n, run.minutes, run.temperature_c, tank.name AS tank,
            line.name AS line,
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
        for row in rows
    ]


def delete(connection: Connection, id_: str) -> None:
    connection.execute("DELETE FROM run WHERE id = :id", {"id": id_})


def put_judgement(connection: Connection, judgement: Judgement) -> None:
    connection.execute(
        """
        INSERT INTO judgement (id, at, shadow, highlight, faults, note)
        VALUES (:id, :at, :shadow, :highlight, :faults, :note)
        ON CONFLICT (id) DO UPDATE SET
            at = :at, shadow = :shadow, highlight = :highlight, faults = :faults, note = :note
        """,
        {
            "id": judgement.id,
            "at": judgement.at,
            "shadow": judgement.shadow,
            "highlight": judgement.highlight,
            "faults": json.dumps(judgement.faults),
            "note": judgement.note,
        },
    )


def judgements(connection: Connection, piece_ids: list[str]) -> dict[str, Judgement]:
    """The judgements of these pieces, by piece."""
    rows = connection.execute(
        "SELECT * FROM judgement WHERE id IN (SELECT value FROM json_each(:ids))",
        {"ids": json.dumps(piece_ids)},
    ).fetchall()
    return {row["id"]: _judgement(row) for row in rows}


def of_scene(connection: Connection, scene_id: str) -> list[Judgement]:
    """What the negatives of a scene showed, the latest first."""
    rows = connection.execute(
        """
        SELECT DISTINCT judgement.* FROM judgement
        JOIN exposure ON exposure.piece_id = judgement.id
        WHERE exposure.scene_id = :scene_id ORDER BY judgement.at DESC
        """,
        {"scene_id": scene_id},
    ).fetchall()
    return [_judgement(row) for row in rows]


def _run(row: Row) -> Run:
    went = row["went"]
    return Run(
        **{
            **dict(row),
            "bottle_ids": tuple(json.loads(row["bottle_ids"])),
            "went": wire.loads(Went, went) if went else None,
        }
    )


def _judgement(row: Row) -> Judgement:
    return Judgement(**{**dict(row), "faults": tuple(json.loads(row["faults"]))})
