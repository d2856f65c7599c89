"""Outings."""

from __future__ import annotations

import json
from sqlite3 import Connection, Row

from emulsa.core.errors import Impossible
from emulsa.core.outing.record import Outing

COLUMNS = (
    "id, title, day, place, conditions, light, temperature_c, latitude, longitude, packed, note"
)


def put(connection: Connection, outing: Outing) -> None:
    connection.execute(
        """
        INSERT INTO outing (
            id, title, day, place, conditions, light, temperature_c, latitude, longitude, packed,
            note
        ) VALUES (
            :id, :title, :day, :place, :conditions, :light, :temperature_c, :latitude, :longitude,
            :packed, :note
        )
        ON CONFLICT (id) DO UPDATE SET
            title = :title, day = :day, place = :place, conditions = :conditions, light = :light,
            temperature_c = :temperature_c, latitude = :latitude, longitude = :longitude,
            packed = :packed, note = :note
        """,
        {
            "id": outing.id,
            "title": outing.title,
            "day": outing.day,
            "place": outing.place,
            "conditions": outing.conditions,
            "light": outing.light,
            "temperature_c": outing.temperature_c,
            "latitude": outing.latitude,
            "longitude": outing.longitude,
            "packed": json.dumps(outing.packed),
            "note": outing.note,
        },
    )


def outings(connection: Connection, limit: int = -1) -> list[Outing]:
    """Latest first; all of them, or the latest few."""
    rows = connection.execute(
        f"SELECT {COLUMNS} FROM outing ORDER BY day DESC, rowid DESC LIMIT :limit",
        {"limit": limit},
    )
    return [_outing(row) for row in rows.fetchall()]


def outing(connection: Connection, id_: str) -> Outing | None:
    row = connection.execute(f"SELECT {COLUMNS} FROM outing WHERE id = :id", {"id": id_}).fetchone()
    return _outing(row) if row else None


def _outing(row: Row) -> Outing:
    return Outing(**{**dict(row), "packed": tuple(json.loads(row["packed"]))})


def delete(connection: Connection, id_: str) -> None:
    """Delete an outing without scenes; Impossible otherwise."""
    if connection.execute("SELECT 1 FROM scene WHERE outing_id = :id", {"id": id_}).fetchone():
        raise Impossible("This outing still has scenes; delete or keep them first.", field="id")
    connection.execute("DELETE FROM outing WHERE id = :id", {"id": id_})
