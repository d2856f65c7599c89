"""Pieces of film as they are when something is to be exposed on them."""

from __future__ import annotations

from collections.abc import Sequence

from emulsa.api.routing import Db
from emulsa.core.film.acts.exposing import Target
from emulsa.core.film.pieces import Piece
from emulsa.store import exposures, films, rolls, stock


def targets_of(db: Db, found: Sequence[Piece]) -> dict[str, Target]:
    """What each piece is: its film, its roll, what it has had, what it cost."""
    shots = exposures.shots(db, [each.id for each in found])
    by_id = {each.id: each for each in films.films(db)}
    return {
        each.id: Target(
            piece=each,
            film=by_id[each.film_id],
            roll=rolls.roll(db, each.roll_id) if each.roll_id else None,
            had=shots.get(each.id, ()),
            cost=stock.piece_cost(db, each.id),
        )
        for each in found
    }
