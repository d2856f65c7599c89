"""The log: what was given to each piece of film, with the plan as it was."""

from __future__ import annotations

import json
from collections import defaultdict
from sqlite3 import Connection, Row

from emulsa.core import wire
from emulsa.core.corrections.light_change import Interval
from emulsa.core.logged.record import Exposure, Shot, Taken


def put(connection: Connection, exposure: Exposure) -> None:
    connection.execute(
        """
        INSERT INTO exposure (
            id, scene_id, piece_id, exposed_at, aperture, seconds, error_stops, n,
            development_change, recipe_id, request, answer, core_version, note, bracket_id,
            bracket_stops, share, intervals, lens_id, pinhole_id, filter_ids, exposure_index, cost
        ) VALUES (
            :id, :scene_id, :piece_id, :exposed_at, :aperture, :seconds, :error_stops, :n,
            :development_change, :recipe_id, :request, :answer, :core_version, :note,
            :bracket_id, :bracket_stops, :share, :intervals, :lens_id, :pinhole_id, :filter_ids,
            :exposure_index, :cost
        )
        ON CONFLICT (id) DO UPDATE SET
            aperture = :aperture, seconds = :seconds, error_stops = :error_stops, n = :n,
            recipe_id = :recipe_id, note = :note
        """,
        {
            "id": exposure.id,
            "scene_id": exposure.scene_id,
            "piece_id": exposure.piece_id,
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
            "lens_id": exposure.taken.lens_id,
            "pinhole_id": exposure.taken.pinhole_id,
            "filter_ids": json.dumps(exposure.taken.filter_ids),
            "exposure_index": exposure.taken.exposure_index,
            "cost": exposure.taken.cost,
        },
    )


def exposure(connection: Connection, id_: str) -> Exposure | None:
    row = connection.execute("SELECT * FROM exposure WHERE id = :id", {"id": id_}).fetchone()
    return _exposure(row) if row else None


def of_scene(connection: Connection, scene_id: str) -> list[tuple[Exposure, str]]:
    """A scene's exposures with where each piece was exposed (``2B``), latest first."""
    rows = connection.execute(
        """
        SELECT exposure.*, piece.label AS place
        FROM exposure
        JOIN piece ON piece.id = exposure.piece_id
        WHERE exposure.scene_id = :scene_id
        ORDER BY exposed_at DESC, exposure.rowid DESC
        """,
        {"scene_id": scene_id},
    )
    return [(_exposure(row), row["place"]) for row in rows.fetchall()]


def of_pieces(connection: Connection, piece_ids: list[str]) -> dict[str, list[Exposure]]:
    """The exposures each of these pieces had, in their order."""
    found: dict[str, list[Exposure]] = defaultdict(list)
    for row in connection.execute(
        """
        SELECT * FROM exposure
        WHERE piece_id IN (SELECT value FROM json_each(:ids)) ORDER BY exposed_at, rowid
        """,
        {"ids": json.dumps(piece_ids)},
    ):
        found[row["piece_id"]].append(_exposure(row))
    return found


def last_of_pieces(connection: Connection, piece_ids: list[str]) -> dict[str, Shot]:
    """What the latest exposure of each of these pieces asks of its development.

    Without the sums it was made from: hundreds of sheets wait at once.
    """
    rows = connection.execute(
        """
        SELECT
            id, piece_id, scene_id, exposed_at, aperture, seconds, error_stops, n,
            development_change, recipe_id, exposure_index
        FROM exposure
        WHERE piece_id IN (SELECT value FROM json_each(:ids)) ORDER BY exposed_at, rowid
        """,
        {"ids": json.dumps(piece_ids)},
    )
    return {
        row["piece_id"]: Shot(**{**dict(row), "aperture": json.loads(row["aperture"])})
        for row in rows
    }


def share_given(connection: Connection, piece_id: str) -> float:
    """How much of its exposure a piece has had: 1 is all of it."""
    row = connection.execute(
        "SELECT coalesce(sum(share), 0) AS given FROM exposure WHERE piece_id = :piece_id",
        {"piece_id": piece_id},
    ).fetchone()
    return float(row["given"])


def _exposure(row: Row) -> Exposure:
    return Exposure(
        id=row["id"],
        scene_id=row["scene_id"],
        piece_id=row["piece_id"],
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
        taken=Taken(
            lens_id=row["lens_id"],
            pinhole_id=row["pinhole_id"],
            filter_ids=tuple(json.loads(row["filter_ids"])),
            exposure_index=row["exposure_index"],
            cost=row["cost"],
        ),
    )
