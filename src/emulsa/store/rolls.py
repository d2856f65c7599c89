"""Rolls and their strips; the frames are pieces."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable
from sqlite3 import Connection

from emulsa.core.darkroom.acts.running import OnRolls
from emulsa.core.film.pieces import Piece
from emulsa.core.film.rolls import Roll, Strip
from emulsa.store import pieces, rows
from emulsa.store.records import ROLL, STRIP


def rolls(connection: Connection) -> list[Roll]:
    """Latest first."""
    return rows.many(connection, ROLL)


def roll(connection: Connection, id_: str | None) -> Roll | None:
    return rows.one(connection, ROLL, id_)


def next_number(connection: Connection) -> int:
    row = connection.execute("SELECT coalesce(max(number), 0) + 1 AS next FROM roll").fetchone()
    return int(row["next"])


def strips(connection: Connection) -> dict[str, list[Strip]]:
    """Every roll's strips in their order."""
    found: dict[str, list[Strip]] = defaultdict(list)
    for each in rows.many(connection, STRIP):
        found[each.roll_id].append(each)
    return found


def strips_of(connection: Connection, roll_id: str) -> list[Strip]:
    return rows.many(connection, STRIP, "WHERE roll_id = :id ORDER BY first_frame", {"id": roll_id})


def strip(connection: Connection, id_: str) -> Strip | None:
    return rows.one(connection, STRIP, id_)


def with_film(connection: Connection, found: Iterable[Piece]) -> OnRolls:
    """The rolls these pieces are on, each with its strips and all its frames."""
    ids = {each.roll_id for each in found if each.roll_id}
    return OnRolls(
        rolls={each.id: each for each in rows.of_ids(connection, ROLL, "id", ids)},
        strips={each: strips_of(connection, each) for each in ids},
        frames={each: pieces.of_roll(connection, each) for each in ids},
    )
