"""Pieces of film and the steps they took."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable
from sqlite3 import Connection

from emulsa.core.film.pieces import Piece, Step
from emulsa.core.film.states import State
from emulsa.store import rows
from emulsa.store.records import PIECE


def piece(connection: Connection, id_: str | None) -> Piece | None:
    return rows.one(connection, PIECE, id_)


def of_ids(connection: Connection, ids: Iterable[str]) -> dict[str, Piece]:
    """The pieces of these ids that are there."""
    return {each.id: each for each in rows.of_ids(connection, PIECE, "id", ids)}


def in_holders(connection: Connection) -> list[Piece]:
    """The sheets that lie in a holder now."""
    return rows.many(
        connection, PIECE, "WHERE in_place = 1 AND holder_id IS NOT NULL ORDER BY holder_id, side"
    )


def unexposed_of(connection: Connection, film_id: str) -> list[Piece]:
    """The loaded, unexposed pieces of a film."""
    return rows.many(
        connection,
        PIECE,
        "WHERE film_id = :id AND state = 'loaded' AND in_place = 1 ORDER BY loaded_at, rowid",
        {"id": film_id},
    )


def of_roll(connection: Connection, roll_id: str) -> tuple[Piece, ...]:
    """A roll's frames in their order."""
    return tuple(
        rows.many(connection, PIECE, "WHERE roll_id = :id ORDER BY frame", {"id": roll_id})
    )


def of_rolls(connection: Connection, roll_ids: Iterable[str]) -> dict[str, list[Piece]]:
    """The frames of these rolls, each in its order."""
    found: dict[str, list[Piece]] = defaultdict(list)
    for each in rows.of_ids(connection, PIECE, "roll_id", roll_ids, "frame"):
        found[each.roll_id or ""].append(each)
    return found


def latest_in_state(connection: Connection, state: State, most: int) -> list[Piece]:
    """Pieces in a state, in the order of loading: every frame of a roll, since a roll is developed
    whole, and of the sheets the latest ``most``."""
    frames = rows.many(
        connection, PIECE, "WHERE state = :state AND roll_id IS NOT NULL", {"state": state}
    )
    sheets = rows.many(
        connection,
        PIECE,
        "WHERE state = :state AND roll_id IS NULL ORDER BY rowid DESC LIMIT :most",
        {"state": state, "most": most},
    )
    return sorted([*frames, *reversed(sheets)], key=lambda each: each.loaded_at)


def count_sheets(connection: Connection, state: State) -> int:
    found = connection.execute(
        "SELECT count(*) FROM piece WHERE state = :state AND roll_id IS NULL", {"state": state}
    )
    return int(found.fetchone()[0])


def of_run(connection: Connection, run_id: str) -> list[Piece]:
    return rows.many(
        connection, PIECE, "WHERE run_id = :id ORDER BY loaded_at, rowid", {"id": run_id}
    )


def boxes(connection: Connection) -> dict[str, list[Piece]]:
    """Exposed sheets that were taken out of their holders, by the box they are kept in."""
    found: dict[str, list[Piece]] = defaultdict(list)
    for each in rows.many(
        connection,
        PIECE,
        """
        WHERE in_place = 0 AND kept_in <> '' AND state = 'exposed'
        ORDER BY kept_in, loaded_at, rowid
        """,
    ):
        found[each.kept_in].append(each)
    return found


def steps(connection: Connection, piece_id: str) -> list[Step]:
    """The story of a piece, in its order."""
    found = connection.execute(
        """
        SELECT id, at, piece_id, move, before, after, note FROM step
        WHERE piece_id = :piece_id ORDER BY rowid
        """,
        {"piece_id": piece_id},
    )
    return [Step(**dict(row)) for row in found]
