"""Pieces of film: what takes one exposure. A sheet in a side of a holder, or a frame of a roll.

A piece is known by the box it came from, by the side or frame it was exposed in, and by its
exposures; it keeps all three wherever it goes, so that sheets can never be swapped unseen.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.development.choice import Choice
from emulsa.core.errors import Impossible
from emulsa.core.film.states import Kept, Move, State
from emulsa.core.limits import Id, Label, Note, Within
from emulsa.core.numbers import plain

Side = Literal["A", "B"]
NO_HOLDER = "no holder"  # the label of a sheet until its holder is named
FrameNumber = Annotated[int, Within("A frame's number", 1, 72)]
Weight = Annotated[int, Within("How much a picture matters", 0, 3)]


@dataclass(frozen=True, kw_only=True, slots=True)
class Piece:
    """A sheet (``holder_id`` and ``side``) or a frame (``roll_id`` and ``frame``).

    ``label`` is where it was loaded, as one says it (``2B``, ``R3-7``), and never changes.
    ``in_place`` tells whether it still lies there; ``kept_in`` names the box it was put into.
    ``weight`` says how much the picture matters when one development must serve several: 0 not at
    all, 1 as any other, 3 above all. ``choice`` is what was decided over its development.
    """

    id: Id
    film_id: Id
    label: Label
    state: Kept
    loaded_at: Label
    stock_id: Id | None = None
    holder_id: Id | None = None
    side: Side | None = None
    roll_id: Id | None = None
    frame: FrameNumber | None = None
    in_place: bool = True
    kept_in: Label = ""
    weight: Weight = 1
    choice: Choice | None = None
    run_id: Id | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Step:
    """One move of a piece, as the log keeps it."""

    id: Id
    at: Label
    piece_id: Id
    move: Move
    before: State
    after: State
    note: Note = ""


def unplaced(id_: str, film_id: str, at: str) -> Piece:
    """A sheet that was exposed before anybody said in which holder it lay."""
    return Piece(
        id=id_, film_id=film_id, label=NO_HOLDER, state="loaded", loaded_at=at, in_place=False
    )


def where_text(piece: Piece) -> str:
    """Where a piece is loaded, in words: *Side 2B*, *Frame 7 of roll 3*.

    >>> where_text(Piece(id="a", film_id="f", label="R3-7", state="loaded", loaded_at="", frame=7))
    'Frame 7 of roll 3'
    """
    if piece.label == NO_HOLDER:
        return "The sheet in no holder"
    if piece.frame is None:
        return f"Side {piece.label}"
    return f"Frame {piece.frame} of roll {piece.label[1:].split('-')[0]}"


def frame_label(roll_number: int, frame: int) -> str:
    """The label of a frame, short enough for a column.

    >>> frame_label(3, 7)
    'R3-7'
    """
    return f"R{roll_number}-{frame}"


def share_left(given: float, wanted: float, where: str) -> float:
    """What is left of a piece's exposure for a further share; Impossible when that is too little.

    >>> share_left(0.5, 0.25, "Side 2B")
    0.5
    """
    left = 1 - given
    if wanted > left + 1e-6:
        raise Impossible(
            f"{where} has had {plain(round(100 * given))} % of its exposure; at most"
            f" {plain(max(0.0, round(100 * left)))} % is left for another.",
            field="share",
            allowed=[0.01, max(left, 0.01)],
        )
    return left
