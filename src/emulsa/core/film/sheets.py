"""Sheets and holders: the states of a side and the moves they allow.

empty → loaded → exposed; a loaded sheet can be taken out again, an exposed one is exposed again
only as an intended multiple exposure. Nothing skips: every other move is
refused with the reason. (In a run, developed and judged follow with the darkroom's runs.)
"""

from __future__ import annotations

import re
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.errors import Impossible, Unreadable
from emulsa.core.limits import Id, Label, Note, Within, plain

State = Literal["empty", "loaded", "exposed"]
Move = Literal["load", "unload", "expose", "expose_again"]
Side = Literal["A", "B"]
Number = Annotated[int, Within("A holder's number", 1, 999)]

MOVES: dict[tuple[State, Move], State] = {
    ("empty", "load"): "loaded",
    ("loaded", "unload"): "empty",
    ("loaded", "expose"): "exposed",
    ("exposed", "expose_again"): "exposed",
}

REFUSALS: dict[tuple[State, Move], str] = {
    ("loaded", "load"): "already holds an unexposed sheet; unload it first",
    ("exposed", "load"): "holds an exposed sheet; develop it before loading",
    ("empty", "unload"): "is empty",
    ("exposed", "unload"): "holds an exposed sheet, which stays until it is developed",
    ("empty", "expose"): "is empty; load a sheet first",
    ("exposed", "expose"): "is already exposed; choose an unexposed side",
    ("empty", "expose_again"): "is empty; load a sheet first",
    ("loaded", "expose_again"): "has not been exposed yet",
}


@dataclass(frozen=True, kw_only=True, slots=True)
class Holder:
    """A double holder: two sides, A and B."""

    id: Id
    number: Number
    note: Note = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class Sheet:
    """One sheet of film in one side of a holder."""

    id: Id
    film_id: Id
    holder_id: Id
    side: Side
    state: Literal["loaded", "exposed"]
    loaded_at: Label


def move(state: State, name: Move, where: str) -> State:
    """The state after a move; Impossible, naming the side and the reason, when there is none.

    >>> move("empty", "load", "2B")
    'loaded'
    """
    after = MOVES.get((state, name))
    if after is None:
        raise Impossible(f"Side {where} {REFUSALS[(state, name)]}.", field="side")
    return after


def share_left(given: float, wanted: float, where: str) -> float:
    """What is left of a sheet's exposure for a further share; Impossible when that is too little.

    >>> share_left(0.5, 0.25, "2B")
    0.5
    """
    left = 1 - given
    if wanted > left + 1e-6:
        raise Impossible(
            f"Side {where} has had {plain(round(100 * given))} % of its exposure; at most"
            f" {plain(max(0.0, round(100 * left)))} % is left for another.",
            field="share",
            allowed=[0.01, max(left, 0.01)],
        )
    return left


def sides(text: str, known: set[int]) -> list[tuple[int, Side]]:
    """``3-4``, ``2B``, ``1A 5`` as holder numbers and sides, in order, each once.

    >>> sides("3-4, 1B", {1, 3, 4})
    [(3, 'A'), (3, 'B'), (4, 'A'), (4, 'B'), (1, 'B')]
    """
    found: list[tuple[int, Side]] = []
    for word in re.split(r"[\s,]+", text.strip()):
        match = re.fullmatch(r"(\d{1,3})([ABab])?(?:[-–](\d{1,3}))?", word)
        if not match or (match[2] and match[3]):
            raise Unreadable(
                f"“{word}” is not a side; write 2B for one, 3 for both, 3-4 for several holders.",
                field="sides",
            )
        first, last = int(match[1]), int(match[3] or match[1])
        for number in range(first, last + 1):
            if number not in known:
                raise Unreadable(f"There is no holder {number}.", field="sides")
            letters: tuple[Side, ...] = ("A", "B")
            if match[2]:
                letters = ("A",) if match[2].upper() == "A" else ("B",)
            found += [(number, side) for side in letters if (number, side) not in found]
    return found
