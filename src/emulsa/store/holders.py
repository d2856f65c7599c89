"""Holders, what lies in them, and the sheet sizes of one's own."""

from __future__ import annotations

from sqlite3 import Connection

from emulsa.core.darkroom.areas import Areas
from emulsa.core.errors import Impossible
from emulsa.core.film.acts.loading import Board
from emulsa.core.film.formats import SheetFormat, on_long_film
from emulsa.core.film.holders import Holder
from emulsa.store import pieces, rows
from emulsa.store.records import FORMAT, HOLDER


def holders(connection: Connection) -> list[Holder]:
    """By number, retired ones too."""
    return rows.many(connection, HOLDER)


def formats(connection: Connection) -> tuple[SheetFormat, ...]:
    return tuple(rows.many(connection, FORMAT))


def delete(connection: Connection, id_: str) -> None:
    """Delete a holder that never held an exposed sheet; Impossible otherwise: it is retired."""
    if connection.execute("SELECT 1 FROM piece WHERE holder_id = :id", {"id": id_}).fetchone():
        raise Impossible(
            "Film was exposed in this holder; retire it, so that the log stays whole.", field="id"
        )
    rows.delete(connection, HOLDER, id_)


def board(connection: Connection, loading_id: str = "") -> Board:
    """The holders and what lies in them, and every sheet that was loaded by this loading."""
    known = connection.execute(
        "SELECT DISTINCT piece_id FROM step WHERE substr(piece_id, 1, :length) = :start",
        {"start": f"{loading_id}-", "length": len(loading_id) + 1},
    )
    return Board(
        holders=tuple(holders(connection)),
        lying={
            (each.holder_id or "", each.side or ""): each for each in pieces.in_holders(connection)
        },
        formats=formats(connection),
        known_ids=frozenset(row["piece_id"] for row in known) if loading_id else frozenset(),
    )


def areas(connection: Connection) -> Areas:
    """What is needed to say the area of any film."""
    by_holder = connection.execute("SELECT id, format FROM holder")
    of_rolls, own = connection.execute("SELECT id, format FROM roll"), formats(connection)
    return Areas(
        formats={row["id"]: row["format"] for row in by_holder},
        own=own,
        long=frozenset(row["id"] for row in of_rolls if on_long_film(row["format"], own)),
    )
