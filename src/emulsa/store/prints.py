"""Prints, and the negatives that can be printed."""

from __future__ import annotations

import json
from collections.abc import Iterable, Sequence
from contextlib import suppress
from dataclasses import dataclass, fields
from sqlite3 import Connection, Row
from typing import Any

from emulsa.core.errors import CoreError, Missing
from emulsa.core.film.formats import SheetFormat, frame_format
from emulsa.core.prints.negative import PrintedNegative, from_densities
from emulsa.core.prints.record import KeptStrip, Print, PrintTry
from emulsa.store import holders, rows
from emulsa.store.drawn import (
    DrawnShape,
    PrintRow,
    TryRow,
    apart,
    plan_of,
    shapes_of,
    together,
)
from emulsa.store.records import JUDGEMENT, PRINT, PRINT_SHAPE, PRINT_STRIP, PRINT_TRY
from emulsa.store.rows import Table
from emulsa.store.spoilt import Spoilt, sound

MOST = 200  # negatives to choose from, the latest

TRY_NOTED = Table("print_try", PrintTry, without=("plan",))  # plans share what is alike

NEGATIVES = """
    SELECT
        exposure.id AS exposure_id, piece.id AS piece_id, piece.label, scene.title AS scene_title,
        film.name AS film_name, run.n AS n, exposure.film_kind,
        coalesce(run.developed_at, '') AS developed_at,
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


@dataclass(frozen=True)
class KeptPrint:
    """A print as a line: how many were made, and the final one; plans without their shapes."""

    print: Print
    tries: int
    final: PrintTry | None


def put(connection: Connection, print_: Print) -> None:
    """Insert a print, or make the stored one equal to it."""
    bare, shapes, drawn = apart(print_.plan)
    _draw(connection, drawn)
    rows.put(connection, PRINT, PrintRow(**_own(print_, Print) | {"plan": bare}, shapes=shapes))


def put_try(connection: Connection, made: PrintTry) -> None:
    """Insert a try, or make the stored one equal to it."""
    bare, shapes, drawn = apart(made.plan)
    _draw(connection, drawn)
    rows.put(connection, PRINT_TRY, TryRow(**_own(made, PrintTry) | {"plan": bare}, shapes=shapes))


def print_(connection: Connection, id_: str | None) -> Print | None:
    row = rows.one(connection, PRINT, id_)
    return _print(connection, row) if row else None


def lines(connection: Connection, exposure_id: str | None = None) -> list[KeptPrint]:
    """Every print, or those of an exposure, the latest first."""
    where = "WHERE exposure_id = :id ORDER BY rowid DESC" if exposure_id else ""
    found = rows.many(connection, PRINT, where, {"id": exposure_id})
    made = {
        row["print_id"]: row["made"]
        for row in connection.execute(
            "SELECT print_id, count(*) AS made FROM print_try GROUP BY print_id"
        )
    }
    final = {each.print_id: each for each in rows.many(connection, PRINT_TRY, "WHERE final = 1")}
    return [KeptPrint(each, made.get(each.id, 0), final.get(each.id)) for each in found]


def tries(connection: Connection, print_id: str) -> list[PrintTry]:
    """The tries of a print in the order of their numbers, with their plans as they were."""
    return _tries(connection, f"WHERE print_id = :id ORDER BY {PRINT_TRY.order}", print_id)


def last_try(connection: Connection, print_id: str) -> PrintTry | None:
    """The try of the highest number."""
    latest = "WHERE print_id = :id ORDER BY number DESC, rowid DESC LIMIT 1"
    return next(iter(_tries(connection, latest, print_id)), None)


def try_(connection: Connection, id_: str) -> PrintTry | None:
    return next(iter(_tries(connection, "WHERE id = :id", id_)), None)


def _tries(connection: Connection, which: str, id_: str) -> list[PrintTry]:
    found = connection.execute(f"{PRINT_TRY.select} {which}", {"id": id_}).fetchall()
    names = {row["id"]: json.loads(row["shapes"]) for row in found}
    shapes = shapes_of(connection, {name for of_one in names.values() for name in of_one})

    def read(row: dict[str, Any]) -> PrintTry:
        try:
            plan = plan_of(row["plan"], names[row["id"]], shapes)
            return PrintTry(**TRY_NOTED.values(row), plan=plan)
        except (CoreError, ValueError, TypeError, KeyError) as problem:
            raise Spoilt(PRINT_TRY.name, row, problem) from problem

    return sound(map(dict, found), read)


def strips(connection: Connection, print_id: str) -> list[KeptStrip]:
    """The strips of a print in the order they were kept."""
    where = "WHERE print_id = :id ORDER BY rowid"
    return rows.many(connection, PRINT_STRIP, where, {"id": print_id})


def delete(connection: Connection, id_: str) -> None:
    """A print with its strips and tries; shapes stay, as others may have them."""
    for table in (PRINT_STRIP, PRINT_TRY):
        connection.execute(f"DELETE FROM {table.name} WHERE print_id = :id", {"id": id_})
    rows.delete(connection, PRINT, id_)


def _draw(connection: Connection, drawn: Iterable[DrawnShape]) -> None:
    """Shapes that are there already stay as they are."""
    connection.executemany(
        "INSERT INTO print_shape (id, shape) VALUES (:id, :shape) ON CONFLICT (id) DO NOTHING",
        [PRINT_SHAPE.row(each) for each in drawn],
    )


def _print(connection: Connection, row: PrintRow) -> Print:
    plan = together(row.plan, row.shapes, shapes_of(connection, row.shapes))
    return Print(**_own(row, Print) | {"plan": plan})


def _own(record: Any, kind: type) -> dict[str, Any]:
    return {each.name: getattr(record, each.name) for each in fields(kind)}


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
    read, own = [], holders.formats(connection)
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
                film_kind=row["film_kind"],
                best=bool(row["best"]),
                in_bracket=row["bracket_id"] is not None,
                picture_id=row["picture_id"],
                width=row["width"] or 0,
                height=row["height"] or 0,
                low=low,
                high=high,
                base_fog=fog,
                long_mm=_long_mm(row, own),
            )
        )
    return read


def _long_mm(row: Row, own: Sequence[SheetFormat]) -> float | None:
    """The longer side of a negative: of its roll's frame, else of its lens's camera."""
    if row["frame_format"]:
        with suppress(Missing):  # a format of one's own that is gone: the camera may tell
            return max(frame_format(row["frame_format"], own).size_mm)
    found: float | None = row["camera_long_mm"]
    return found
