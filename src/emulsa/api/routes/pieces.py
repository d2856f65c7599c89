"""Film that can be exposed now: unexposed sides, and the frames that come next on loaded rolls."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.answers import Routes
from emulsa.api.connection import Db
from emulsa.core.film.pieces import Piece
from emulsa.core.film.rolls import Roll, in_the_gate
from emulsa.core.film.states import State
from emulsa.store import exposures, pieces, rolls
from emulsa.store.database import Connection

router = Routes(prefix="/api/pieces", tags=["pieces"])


@dataclass(frozen=True)
class Ready:
    """A place that can take an exposure, or another share of one; ``doubt`` is worth a look.

    ``in_gate``: it can take it now; frames further on a roll wait their turn.
    """

    piece_id: str
    where: str
    film_id: str
    state: State
    share_given: float
    roll_number: int | None
    in_gate: bool
    doubt: str


@router.get("/ready")
def ready(db: Db) -> list[Ready]:
    """Sides by number, then rolls frame by frame from the one in the gate."""
    found = [(each, None) for each in pieces.in_holders(db)]
    order = {each.id: each for each in rolls.rolls(db)}
    sheets = sorted(found, key=lambda each: _by_side(each[0]))
    frames = [
        (frame, roll)
        for roll in order.values()
        if roll.place == "camera"
        for frame in pieces.of_roll(db, roll.id)
        if (frame.frame or 0) >= roll.next_frame - 1
    ]
    return _views(db, [*sheets, *frames])


def _views(db: Connection, found: list[tuple[Piece, Roll | None]]) -> list[Ready]:
    given = exposures.of_pieces(db, [piece.id for piece, _ in found])
    return [
        Ready(
            piece_id=piece.id,
            where=piece.label,
            film_id=piece.film_id,
            state=piece.state,
            share_given=sum(each.share for each in given[piece.id]),
            roll_number=roll.number if roll else None,
            in_gate=roll is None
            or in_the_gate(roll, piece.frame or 0, exposed=piece.state == "exposed"),
            doubt=""
            if roll is None or roll.advanced
            else f"Roll {roll.number} was not yet seen to move; turn the crank and watch it.",
        )
        for piece, roll in found
        if piece.state in ("loaded", "exposed")
    ]


def _by_side(piece: Piece) -> tuple[int, str]:
    return int(piece.label[:-1]), piece.label[-1]
