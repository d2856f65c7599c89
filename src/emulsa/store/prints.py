"""Prints, and the negatives that can be printed."""

from __future__ import annotations

import json
from collections.abc import Sequence
from sqlite3 import Connection, Row

from emulsa.core.film.formats import frame_format
from emulsa.core.prints.negative import PrintedNegative, from_densities
from emulsa.core.prints.record import Print
from emulsa.store import rows
from emulsa.store.records import JUDGEMENT, PRINT

MOST = 200  # negatives to choose from, the latest

NEGATIVES = """
    SELECT
        exposure.id AS exposure_id, piece.id AS piece_id, piece.label, scene.title AS scene_title,
        film.name AS film_name, run.n AS n, coalesce(run.developed_at, '') AS developed_at,
        CASE WHEN judgement.measured <> '[]' THEN json_extract(exposure.answer, '$.falls') END
            AS falls,
        coalesce(judgement.best, 0) AS best, exposure.bracket_id,
        picture.id AS picture_id, picture.width, picture.height,
        roll.format AS frame_format, max(camera.width_mm, camera.height_mm) AS camera_long_mm
    FROM exposure
    JOIN piece ON piece.id = exposure.piece_id
    JOIN scene ON scene.id = exposure.scene_id
    JOIN film ON film.id = piece.film_id
    LEFT JOIN roll ON roll.id = piece.roll_id
    LEFT JOIN lens ON lens.id = exposure.lens_id
    LEFT JOIN pinhole ON pinhole.id = exposure.pinhole_id
    LEFT JOIN camera ON camera.id = coalesce(lens.camera_id, pinhole.camera_id)
    LEFT JOIN run ON run.id = piece.run_id
    LEFT JOIN judgement ON judgement.id = piece.id
    LEFT JOIN attachment AS picture ON picture.rowid = (
        SELECT min(attachment.rowid) FROM attachment WHERE attachment.exposure_id = exposure.id
    )
"""


def prints(connection: Connection) -> list[Print]:
    return rows.many(connection, PRINT)


def print_(connection: Connection, id_: str | None) -> Print | None:
    found: Print | None = rows.one(connection, PRINT, id_)
    return found


def delete(connection: Connection, id_: str) -> None:
    rows.delete(connection, PRINT, id_)


def of_exposure(connection: Connection, exposure_id: str) -> list[Print]:
    """An exposure's prints, the latest first."""
    return rows.many(
        connection, PRINT, "WHERE exposure_id = :id ORDER BY rowid DESC", {"id": exposure_id}
    )


def negatives(connection: Connection) -> list[PrintedNegative]:
    """Developed negatives, the latest first; of a bracket the best frame before the others."""
    found = connection.execute(
        f"""
        {NEGATIVES}
        WHERE piece.state IN ('developed', 'judged')
        ORDER BY exposure.exposed_at DESC, judgement.best DESC, exposure.rowid LIMIT :most
        """,
        {"most": MOST},
    ).fetchall()
    return _read(connection, found)


def negative(connection: Connection, exposure_id: str) -> PrintedNegative | None:
    """The negative of an exposure, whatever became of it."""
    found = connection.execute(f"{NEGATIVES} WHERE exposure.id = :id", {"id": exposure_id})
    return next(iter(_read(connection, found.fetchall())), None)


def _read(connection: Connection, found: Sequence[Row]) -> list[PrintedNegative]:
    looked = {
        each.id: each
        for each in rows.of_ids(connection, JUDGEMENT, "id", [row["piece_id"] for row in found])
    }
    read = []
    for row in found:
        falls = json.loads(row["falls"]) if row["falls"] else ()
        low, high, fog = from_densities(
            looked.get(row["piece_id"]), {each["id"]: each["zone"] for each in falls}
        )
        read.append(
            PrintedNegative(
                exposure_id=row["exposure_id"],
                label=row["label"],
                scene_title=row["scene_title"],
                film_name=row["film_name"],
                n=row["n"],
                best=bool(row["best"]),
                in_bracket=row["bracket_id"] is not None,
                picture_id=row["picture_id"],
                width=row["width"] or 0,
                height=row["height"] or 0,
                low=low,
                high=high,
                base_fog=fog,
                long_mm=_long_mm(row),
            )
        )
    return read


def _long_mm(row: Row) -> float | None:
    """The longer side of a negative: of its roll's frame, else of its lens's camera."""
    if row["frame_format"]:
        return max(frame_format(row["frame_format"]).size_mm)
    found: float | None = row["camera_long_mm"]
    return found
