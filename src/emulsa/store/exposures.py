"""The log: what was given to each sheet, with the plan as it was."""

from __future__ import annotations

import json
from sqlite3 import Connection, Row

from emulsa.core import wire
from emulsa.core.corrections.light_change import Interval
from emulsa.core.exposed import Exposure


def put(connection: Connection, exposure: Exposure) -> None:
    connection.execute(
        """
        INSERT INTO exposure (
            id, scene_id, sheet_id, exposed_at, aperture, seconds, error_stops, n,
            development_change, recipe_id, request, answer, core_version, note, bracket_id,
            bracket_stops, share, intervals
        ) VALUES (
            :id, :scene_id, :sheet_id, :exposed_at, :aperture, :seconds, :error_stops, :n,
            :development_change, :recipe_id, :request, :answer, :core_version, :note,
            :bracket_id, :bracket_stops, :share, :intervals
        )
        ON CONFLICT (id) DO UPDATE SET
            aperture = :aperture, seconds = :seconds, error_stops = :error_stops, n = :n,
            recipe_id = :recipe_id, note = :note
        """,
        {
            "id": exposure.id,
            "scene_id": exposure.scene_id,
            "sheet_id": exposure.sheet_id,
            "exposed_at": exposure.exposed_at,
            "aperture": json.dumps(exposure.aperture),
            "seconds": exposure.seconds,
            "error_stops": exposure.error_stops,
            "n": exposure.n,
            "development_change": exposure.development_change,
            "recipe_id": exposure.recipe_id,
            "request": wire.dumps(exposure.request),
            "answer": wire.dumps(exposure.answer),
            "core_version": exposure.core_version,
            "note": exposure.note,
            "bracket_id": exposure.bracket_id,
            "bracket_stops": exposure.bracket_stops,
            "share": exposure.share,
            "intervals": wire.dumps(exposure.intervals),
        },
    )


def exposure(connection: Connection, id_: str) -> Exposure | None:
    row = connection.execute("SELECT * FROM exposure WHERE id = :id", {"id": id_}).fetchone()
    return _exposure(row) if row else None


def exposures(connection: Connection) -> list[Exposure]:
    """All of them, latest first."""
    rows = connection.execute("SELECT * FROM exposure ORDER BY exposed_at DESC, rowid DESC")
    return [_exposure(row) for row in rows.fetchall()]


def of_scene(connection: Connection, scene_id: str) -> list[tuple[Exposure, str]]:
    """A scene's exposures with where each sheet is (``2B``), latest first."""
    rows = connection.execute(
        """
        SELECT exposure.*, holder.number || sheet.side AS place
        FROM exposure
        JOIN sheet ON sheet.id = exposure.sheet_id
        JOIN holder ON holder.id = sheet.holder_id
        WHERE exposure.scene_id = :scene_id
        ORDER BY exposed_at DESC, exposure.rowid DESC
        """,
        {"scene_id": scene_id},
    )
    return [(_exposure(row), row["place"]) for row in rows.fetchall()]


def share_given(connection: Connection, sheet_id: str) -> float:
    """How much of its exposure a sheet has had: 1 is all of it."""
    row = connection.execute(
        "SELECT coalesce(sum(share), 0) AS given FROM exposure WHERE sheet_id = :sheet_id",
        {"sheet_id": sheet_id},
    ).fetchone()
    return float(row["given"])


def _exposure(row: Row) -> Exposure:
    return Exposure(
        id=row["id"],
        scene_id=row["scene_id"],
        sheet_id=row["sheet_id"],
        exposed_at=row["exposed_at"],
        aperture=json.loads(row["aperture"]),
        seconds=row["seconds"],
        error_stops=row["error_stops"],
        n=row["n"],
        development_change=row["development_change"],
        recipe_id=row["recipe_id"],
        request=json.loads(row["request"]),
        answer=json.loads(row["answer"]),
        core_version=row["core_version"],
        note=row["note"],
        bracket_id=row["bracket_id"],
        bracket_stops=row["bracket_stops"],
        share=row["share"],
        intervals=wire.loads(tuple[Interval, ...], row["intervals"]),
    )
