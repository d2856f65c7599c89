"""Outings."""

from __future__ import annotations

from sqlite3 import Connection

from emulsa.core.errors import Impossible
from emulsa.core.outing.record import Outing
from emulsa.store import rows
from emulsa.store.records import OUTING


def outings(connection: Connection, limit: int = -1) -> list[Outing]:
    """Latest first; all of them, or the latest few."""
    return rows.many(
        connection, OUTING, "ORDER BY day DESC, rowid DESC LIMIT :limit", {"limit": limit}
    )


def outing(connection: Connection, id_: str | None) -> Outing | None:
    found: Outing | None = rows.one(connection, OUTING, id_)
    return found


def delete(connection: Connection, id_: str) -> None:
    """Delete an outing without scenes; Impossible otherwise."""
    if connection.execute("SELECT 1 FROM scene WHERE outing_id = :id", {"id": id_}).fetchone():
        raise Impossible("This outing still has scenes; delete or keep them first.", field="id")
    rows.delete(connection, OUTING, id_)
