"""Outings."""

from __future__ import annotations

from sqlite3 import Connection

from emulsa.core.errors import Impossible
from emulsa.core.outing.guide import FEW, SoFar
from emulsa.core.outing.record import Outing
from emulsa.store import rows
from emulsa.store.records import OUTING


def outings(connection: Connection, limit: int = -1) -> list[Outing]:
    """Latest first; all of them, or the latest few."""
    return rows.many(
        connection, OUTING, "ORDER BY day DESC, rowid DESC LIMIT :limit", {"limit": limit}
    )


def outing(connection: Connection, id_: str | None) -> Outing | None:
    return rows.one(connection, OUTING, id_)


def delete(connection: Connection, id_: str) -> None:
    """Delete an outing without scenes; Impossible otherwise."""
    if connection.execute("SELECT 1 FROM scene WHERE outing_id = :id", {"id": id_}).fetchone():
        raise Impossible("This outing still has scenes; delete or keep them first.", field="id")
    rows.delete(connection, OUTING, id_)


def so_far(connection: Connection) -> SoFar:
    """What has been done in this log, counted only as far as the guide wants to know."""
    row = connection.execute(
        """
        SELECT
            (SELECT count(*) FROM (SELECT 1 FROM reading LIMIT 1)) AS readings,
            (SELECT count(*) FROM (SELECT 1 FROM exposure LIMIT :few)) AS exposures,
            (SELECT count(*) FROM (SELECT 1 FROM recipe LIMIT 1)) AS recipes,
            (
                SELECT count(*) FROM (
                    SELECT 1 FROM piece WHERE state IN ('developed', 'judged') LIMIT 1
                )
            ) AS developed,
            (SELECT count(*) FROM (SELECT 1 FROM judgement LIMIT 1)) AS judged,
            (SELECT id FROM scene ORDER BY rowid DESC LIMIT 1) AS scene_id,
            (SELECT id FROM exposure ORDER BY rowid DESC LIMIT 1) AS exposure_id,
            (
                SELECT piece.film_id FROM exposure JOIN piece ON piece.id = exposure.piece_id
                ORDER BY exposure.rowid DESC LIMIT 1
            ) AS film_id
        """,
        {"few": FEW},
    ).fetchone()
    return SoFar(**dict(row))
