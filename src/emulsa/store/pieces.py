"""Pieces of film and the steps they took: every change of state goes through ``move``."""

from __future__ import annotations

import json
from dataclasses import replace
from sqlite3 import Connection, Row
from typing import Any

from emulsa.core import wire
from emulsa.core.development.choice import Choice
from emulsa.core.film import states
from emulsa.core.film.pieces import Piece, Step, where_text
from emulsa.core.film.states import Move, State


def put(connection: Connection, piece: Piece) -> None:
    connection.execute(
        """
        INSERT INTO piece (
            id, film_id, stock_id, label, holder_id, side, roll_id, frame, in_place, kept_in,
            state, weight, choice, run_id, loaded_at
        ) VALUES (
            :id, :film_id, :stock_id, :label, :holder_id, :side, :roll_id, :frame, :in_place,
            :kept_in, :state, :weight, :choice, :run_id, :loaded_at
        )
        ON CONFLICT (id) DO UPDATE SET
            in_place = :in_place, kept_in = :kept_in, state = :state, weight = :weight,
            choice = :choice, run_id = :run_id
        """,
        {
            "id": piece.id,
            "film_id": piece.film_id,
            "stock_id": piece.stock_id,
            "label": piece.label,
            "holder_id": piece.holder_id,
            "side": piece.side,
            "roll_id": piece.roll_id,
            "frame": piece.frame,
            "in_place": int(piece.in_place),
            "kept_in": piece.kept_in,
            "state": piece.state,
            "weight": piece.weight,
            "choice": None if piece.choice is None else wire.dumps(piece.choice),
            "run_id": piece.run_id,
            "loaded_at": piece.loaded_at,
        },
    )


def load(connection: Connection, piece: Piece, note: str = "") -> Piece:
    """A new piece where nothing was: the first step of its story."""
    states.move("empty", "load", where_text(piece))
    put(connection, piece)
    _step(connection, piece.id, "load", "empty", piece.loaded_at, note)
    return piece


def move(
    connection: Connection, piece: Piece, name: Move, at: str, note: str = "", **changes: Any
) -> Piece:
    """Move a piece, change what goes with it, and log the step; Impossible when there is no move.

    A piece taken out unexposed is gone; its steps stay.
    """
    after = states.move(piece.state, name, where_text(piece))
    _step(connection, piece.id, name, piece.state, at, note)
    if after == "empty":
        connection.execute("DELETE FROM piece WHERE id = :id", {"id": piece.id})
        return piece
    moved = replace(piece, state=after, **changes)
    put(connection, moved)
    return moved


def piece(connection: Connection, id_: str) -> Piece | None:
    row = connection.execute("SELECT * FROM piece WHERE id = :id", {"id": id_}).fetchone()
    return _piece(row) if row else None


def in_holders(connection: Connection) -> list[Piece]:
    """The sheets that lie in a holder now."""
    rows = connection.execute(
        """
        SELECT * FROM piece WHERE in_place = 1 AND holder_id IS NOT NULL ORDER BY holder_id, side
        """
    ).fetchall()
    return [_piece(row) for row in rows]


def in_side(connection: Connection, holder_id: str, side: str) -> Piece | None:
    row = connection.execute(
        "SELECT * FROM piece WHERE in_place = 1 AND holder_id = :holder_id AND side = :side",
        {"holder_id": holder_id, "side": side},
    ).fetchone()
    return _piece(row) if row else None


def of_roll(connection: Connection, roll_id: str) -> tuple[Piece, ...]:
    """A roll's frames in their order."""
    rows = connection.execute(
        "SELECT * FROM piece WHERE roll_id = :roll_id ORDER BY frame", {"roll_id": roll_id}
    ).fetchall()
    return tuple(_piece(row) for row in rows)


def in_state(connection: Connection, *wanted: State) -> list[Piece]:
    """Every piece in one of these states, in the order of loading."""
    rows = connection.execute(
        """
        SELECT * FROM piece
        WHERE state IN (SELECT value FROM json_each(:states)) ORDER BY loaded_at, rowid
        """,
        {"states": json.dumps(wanted)},
    ).fetchall()
    return [_piece(row) for row in rows]


def of_run(connection: Connection, run_id: str) -> list[Piece]:
    rows = connection.execute(
        "SELECT * FROM piece WHERE run_id = :run_id ORDER BY loaded_at, rowid", {"run_id": run_id}
    ).fetchall()
    return [_piece(row) for row in rows]


def boxes(connection: Connection) -> dict[str, list[Piece]]:
    """Exposed sheets that were taken out of their holders, by the box they are kept in."""
    rows = connection.execute(
        """
        SELECT * FROM piece WHERE in_place = 0 AND kept_in <> '' AND state = 'exposed'
        ORDER BY kept_in, loaded_at, rowid
        """
    ).fetchall()
    found: dict[str, list[Piece]] = {}
    for row in rows:
        found.setdefault(row["kept_in"], []).append(_piece(row))
    return found


def steps(connection: Connection, piece_id: str) -> list[Step]:
    """The story of a piece, in its order."""
    rows = connection.execute(
        """
        SELECT id, at, piece_id, move, before, after, note FROM step
        WHERE piece_id = :piece_id ORDER BY rowid
        """,
        {"piece_id": piece_id},
    ).fetchall()
    return [Step(**dict(row)) for row in rows]


def _step(
    connection: Connection, piece_id: str, name: Move, before: State, at: str, note: str
) -> None:
    connection.execute(
        """
        INSERT INTO step (id, at, piece_id, move, before, after, note)
        SELECT
            :piece_id || ':' || (count(*) + 1), :at, :piece_id, :move, :before, :after, :note
        FROM step WHERE piece_id = :piece_id
        """,
        {
            "piece_id": piece_id,
            "at": at,
            "move": name,
            "before": before,
            "after": states.MOVES[(before, name)],
            "note": note,
        },
    )


def _piece(row: Row) -> Piece:
    choice = row["choice"]
    return Piece(
        **{
            **dict(row),
            "in_place": bool(row["in_place"]),
            "choice": wire.loads(Choice, choice) if choice else None,
        }
    )
