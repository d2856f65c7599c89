"""Judging: what a negative shows, and which frame of a bracket is the best."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace

from emulsa.core.film.judgement import Judgement
from emulsa.core.film.moves import Outcome, move
from emulsa.core.film.pieces import Piece


def judge(
    piece: Piece,
    judgement: Judgement,
    known: Judgement | None,
    of_bracket: Iterable[Judgement],
    at: str,
) -> Outcome:
    """The later word counts; the same word again changes nothing.

    One frame of a bracket is the best: chosen anew, it takes that from the one before.
    """
    if known is not None and replace(judgement, at=known.at) == known:
        return Outcome(says=f"judge {piece.label}")
    others = tuple(
        replace(each, best=False)
        for each in of_bracket
        if judgement.best and each.best and each.id != piece.id
    )
    return Outcome(
        says=f"judge {piece.label}",
        kept=(*others, replace(judgement, at=at)),
        moved=(move(piece, "judge", at),),
    )
