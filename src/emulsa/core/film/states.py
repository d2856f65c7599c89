"""What can become of a piece of film: its states, and the moves that lead from one to the next.

empty → loaded → exposed → in a run → developed → judged. Nothing skips, and nothing goes back
except by undo: a loaded piece may be taken out again; an exposed one is exposed again as an
intended multiple exposure, or by accident, which is recorded as that; one in a run may be taken out
before it meets the developer. A frame wound on, or developed, without an exposure is blank.
"""

from __future__ import annotations

from typing import Literal

from emulsa.core.errors import Impossible

State = Literal["empty", "loaded", "exposed", "blank", "in_run", "developed", "judged"]
Kept = Literal["loaded", "exposed", "blank", "in_run", "developed", "judged"]
Move = Literal[
    "load",
    "unload",
    "expose",
    "expose_again",
    "expose_by_accident",
    "skip",
    "box",
    "start_run",
    "leave_run",
    "develop",
    "judge",
    "name",
]

BagMove = Literal["load", "unload", "box"]

MOVES: dict[tuple[State, Move], State] = {
    ("empty", "load"): "loaded",
    ("loaded", "unload"): "empty",
    ("loaded", "expose"): "exposed",
    ("loaded", "skip"): "blank",
    ("exposed", "expose_again"): "exposed",
    ("exposed", "expose_by_accident"): "exposed",
    ("exposed", "box"): "exposed",
    ("exposed", "start_run"): "in_run",
    ("in_run", "leave_run"): "exposed",
    ("in_run", "develop"): "developed",
    ("developed", "judge"): "judged",
    ("judged", "judge"): "judged",
    ("exposed", "name"): "exposed",
    ("in_run", "name"): "in_run",
    ("developed", "name"): "developed",
    ("judged", "name"): "judged",
}

# What is done with a side in the changing bag, by how it stands.
BAG_MOVES: dict[State, BagMove] = {
    "empty": "load",
    "loaded": "unload",
    "exposed": "box",
}

IS: dict[State, str] = {
    "empty": "is empty",
    "loaded": "already holds unexposed film",
    "exposed": "is already exposed",
    "blank": "was wound on without an exposure",
    "in_run": "is in a run",
    "developed": "is developed",
    "judged": "is developed and judged",
}

NEEDS: dict[Move, str] = {
    "load": "only an empty place is loaded; unload it first",
    "unload": "only unexposed film goes back to its box as new",
    "expose": "load it, or choose unexposed film",
    "expose_again": "a multiple exposure goes on film that was exposed once",
    "expose_by_accident": "only exposed film can be exposed a second time",
    "skip": "only an unexposed frame is wound on",
    "box": "only exposed film goes into a box of exposed film",
    "start_run": "only exposed film goes into a run",
    "leave_run": "only film that is in a run is taken out of it",
    "develop": "put it into a run first",
    "judge": "develop it first",
    "name": "only a sheet that was exposed is given its holder afterwards",
}

# What the log calls each move.
SAID: dict[Move, str] = {
    "load": "loaded",
    "unload": "taken out unexposed",
    "expose": "exposed",
    "expose_again": "exposed again, as intended",
    "expose_by_accident": "exposed a second time by accident",
    "skip": "wound on without an exposure",
    "box": "put into a box",
    "start_run": "put into a run",
    "leave_run": "taken out of the run",
    "develop": "developed",
    "judge": "judged",
    "name": "its holder named",
}


def move(state: State, name: Move, where: str) -> State:
    """The state after a move; Impossible, naming the place and the reason, when there is none.

    >>> move("empty", "load", "Side 2B")
    'loaded'
    """
    after = MOVES.get((state, name))
    if after is None:
        raise Impossible(f"{where} {IS[state]}; {NEEDS[name]}.", field="side")
    return after
