"""Outings."""

from __future__ import annotations

from sqlite3 import Connection

from emulsa.core.errors import Impossible
from emulsa.core.outing import Outing


def put(connection: Connection, outing: Outing) -> None:
    connection.execute(
        """
        INSERT INTO outing (id, title, day, place, conditions, note)
        VALUES (:id, :title, :day, :place, :conditions, :note)
        ON CONFLICT (id) DO UPDATE SET
            title = :title, day = :day, place = :place, conditions = :conditions, note = :note
        """,
        {
            "id": outing.id,
            "title": outing.title,
            "day": outing.day,
            "place": outing.place,
            "conditions": outing.conditions,
            "note": outing.note,
        },
    )


def outings(connection: Connection) -> list[Outing]:
    """Latest first."""
    rows = connection.execute(
        "SELECT id, title, day, place, conditions, note FROM outing ORDER BY day DESC, rowid DESC"
    ).fetchall()
    return [Outing(**dict(row)) for row in rows]


def outing(connection: Connection, id_: str) -> Outing | None:
    row = connection.execute("SELECT * FROM outing WHERE id = :id", {"id": id_}).fetchone()
    return Outing(**dict(row)) if row else None


def delete(connection: Connection, id_: str) -> None:
    """Delete an outing without scenes; Impossible otherwise."""
    if connection.execute("SELECT 1 FROM scene WHERE outing_id = :id", {"id": id_}).fetchone():
        raise Impossible("This outing still has scenes; delete or keep them first.", field="id")
    connection.execute("DELETE FROM outing WHERE id = :id", {"id": id_})
