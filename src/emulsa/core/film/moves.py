"""What an act comes to: pieces moved, records kept, records gone, and how undo calls it.

Acts are decided here in the core, from a snapshot of what is there and what is asked, and carried
out by the store as they stand: nothing is decided there.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Any

from emulsa.core.film import states
from emulsa.core.film.pieces import Piece, where_text
from emulsa.core.film.states import Move, State


@dataclass(frozen=True, kw_only=True, slots=True)
class Moved:
    """A piece after a move, nothing when it is gone, and the step its story gains."""

    piece_id: str
    after: Piece | None
    move: Move
    state_before: State
    state_after: State
    at: str
    note: str = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class Gone:
    """A record that is no more: its kind and id."""

    kind: type
    id: str


@dataclass(frozen=True, kw_only=True, slots=True)
class Outcome:
    """What an act changes, in the order it is carried out: kept, moved, gone.

    ``says`` is how undo calls it, a verb phrase; an outcome that changes nothing is a repeat.
    """

    says: str
    kept: tuple[object, ...] = ()
    moved: tuple[Moved, ...] = ()
    gone: tuple[Gone, ...] = ()


def load(piece: Piece, note: str = "") -> Moved:
    """A new piece where nothing was: the first step of its story."""
    after = states.move("empty", "load", where_text(piece))
    return Moved(
        piece_id=piece.id,
        after=piece,
        move="load",
        state_before="empty",
        state_after=after,
        at=piece.loaded_at,
        note=note,
    )


def move(piece: Piece, name: Move, at: str, note: str = "", **changes: Any) -> Moved:
    """A piece moved and changed; Impossible, with the reason, when there is no such move.

    A piece taken out unexposed is gone; its steps stay.
    """
    after = states.move(piece.state, name, where_text(piece))
    return Moved(
        piece_id=piece.id,
        after=None if after == "empty" else replace(piece, state=after, **changes),
        move=name,
        state_before=piece.state,
        state_after=after,
        at=at,
        note=note,
    )
