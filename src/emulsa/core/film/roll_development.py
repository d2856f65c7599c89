"""One development for many frames: what each of them loses by it, and which N costs least.

A frame that wants n and is developed for M has its important highlight M − n zones too high (+) or
too low (−): from the definition of N. Too high: so many stops of its upper range print without
texture. Too low: nothing is lost, but the print needs harder paper. One N is about one paper grade
(common practice, no source).
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import Annotated

from emulsa.core.errors import Missing
from emulsa.core.film.pieces import FrameNumber, Weight
from emulsa.core.limits import Id, Label, Length
from emulsa.core.logged.log import light_stops
from emulsa.core.logged.record import Shot
from emulsa.core.printing.grade import NORMAL_GRADE, held
from emulsa.core.tones.development_number import DevelopmentNumber, meant, n_text
from emulsa.core.written import size_text, stops_words

CANDIDATES = tuple(half / 2 for half in range(-4, 5))  # N−2 … N+2 by halves

# A blocked highlight cannot be printed, a soft negative can: a stop of either is not the same.
# A judgement of this program, stated where it is used.
BLOCKED_COSTS, SOFT_COSTS = 2.0, 1.0


@dataclass(frozen=True, kw_only=True, slots=True)
class WantedFrame:
    """A frame, the N it wants as it was really exposed, how much it matters, and the recipe it was
    exposed for."""

    frame: FrameNumber
    n: DevelopmentNumber
    weight: Weight = 1
    title: Label = ""
    recipe_id: Id | None = None


Frames = Annotated[tuple[WantedFrame, ...], Length("Frames", 1, 72)]


@dataclass(frozen=True, kw_only=True, slots=True)
class FrameLoss:
    """What one frame loses, the grade it will print on, and what a next one like it could do."""

    frame: int
    title: str
    n: float
    n_text: str
    weight: int
    lost_stops: float
    grade: float
    beyond_paper: bool
    shift_stops: float
    says: str


@dataclass(frozen=True, kw_only=True, slots=True)
class RollChoice:
    """One development for all frames: its cost by their weights, and each frame's loss."""

    n: float
    n_text: str
    cost: float
    cost_text: str
    best: bool
    losses: tuple[FrameLoss, ...]


def choices(frames: Frames) -> tuple[RollChoice, ...]:
    """Every development from N−2 to N+2 by halves, with what it does to each frame.

    The best has the least cost, nearer to normal when two are alike; Missing without frames.
    """
    if not any(each.weight for each in frames):
        raise Missing(
            "No frame of this roll matters yet; give one of them a weight.", field="weight"
        )
    costs = {n: math.fsum(_cost(each, n) for each in frames) for n in CANDIDATES}
    best = min(CANDIDATES, key=lambda n: (round(costs[n], 9), abs(n), n))
    return tuple(
        RollChoice(
            n=n,
            n_text=n_text(n),
            cost=costs[n],
            cost_text=size_text(costs[n]),
            best=n == best,
            losses=tuple(loss(each, n) for each in frames),
        )
        for n in CANDIDATES
    )


def wanted(shots: Sequence[Shot], ei: float) -> float:
    """The N a frame wants when its roll is developed as rated at ``ei``: the planned one, less what
    its exposures were off and what its own EI gave it over the roll's.

    ``shots`` are its exposures, the last one's plan counts.
    """
    last = shots[-1]
    off = light_stops([(each.share, each.error_stops) for each in shots])
    if last.exposure_index is not None:
        off += math.log2(ei / last.exposure_index)
    return meant(last.n, off)


def planned_recipe(frames: Iterable[WantedFrame]) -> str | None:
    """The recipe most of the frames were exposed for, by their weights; the first of equals."""
    votes: dict[str, int] = {}
    for each in frames:
        if each.recipe_id is not None:
            votes[each.recipe_id] = votes.get(each.recipe_id, 0) + 1 + each.weight
    return max(votes, key=lambda id_: votes[id_], default=None)


def loss(frame: WantedFrame, n: float) -> FrameLoss:
    """What a frame loses when the roll is developed for ``n``."""
    over = n - frame.n
    grade = NORMAL_GRADE - over
    given = held(grade)
    return FrameLoss(
        frame=frame.frame,
        title=frame.title,
        n=frame.n,
        n_text=n_text(frame.n),
        weight=frame.weight,
        lost_stops=max(0.0, over),
        grade=given,
        beyond_paper=given != grade,
        shift_stops=-over / 2 if over > 0 else 0.0,
        says=_says(over, given, given != grade),
    )


def _cost(frame: WantedFrame, n: float) -> float:
    over = n - frame.n
    return frame.weight * (BLOCKED_COSTS * over if over > 0 else SOFT_COSTS * -over)


def _says(over: float, grade: float, beyond: bool) -> str:
    if abs(over) < 1e-9:
        return "nothing lost"
    paper = f"paper grade {grade:g}" + (", and that is not enough" if beyond else "")
    stops = stops_words(abs(over)).lstrip("+")
    if over < 0:
        return f"softer by {stops}; {paper}"
    return f"loses {stops} of its highlights; {paper}"
