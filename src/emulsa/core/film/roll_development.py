"""One development for many frames: what each of them loses by it, and which N costs least.

A frame that wants n and is developed for M has its important highlight M − n zones too high (+) or
too low (−): from the definition of N. Too high: the negative is harder and needs softer paper; only
beyond the softest is texture lost. Too low: it needs harder paper. One N is about one paper grade
(common practice, no source).
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import Annotated

from emulsa.core.development.ratings import pushed
from emulsa.core.errors import Missing
from emulsa.core.film.pieces import FrameNumber, Weight
from emulsa.core.limits import Id, Label, Length
from emulsa.core.logged.log import light_stops
from emulsa.core.logged.record import Shot
from emulsa.core.numbers import number_text
from emulsa.core.printing.grade import NORMAL_GRADE, SOFTEST, held
from emulsa.core.tones.development_number import DevelopmentNumber, meant, n_text
from emulsa.core.written import size_text, size_words

CANDIDATES = tuple(half / 2 for half in range(-4, 5))  # N−2 … N+2 by halves

# A hard negative prints worse than a soft one: a stop of either is not the same.
# A judgement of this program, stated where it is used.
BLOCKED_COSTS, SOFT_COSTS = 2.0, 1.0
SOFTEST_STOPS = NORMAL_GRADE - SOFTEST[0]  # too hard by more is more than the softest paper holds


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


def wanted(
    shots: Sequence[Shot], pushed_stops: float, film_ei: float, hold_highlights: bool = False
) -> float:
    """The N a frame wants when its roll is pushed by so many stops: the planned one, less what the
    roll is pushed over the frame; where the high values are held, less what its light was over the
    scene's, its place in a bracket included.

    ``shots`` are its exposures, the last one's plan counts.
    """
    last = shots[-1]
    off = light_stops(shots) + last.bracket_stops if hold_highlights else 0.0
    own = 0.0
    if last.exposure_index is not None:
        own = pushed(last.exposure_index, film_ei, last.rating_reason)
    return meant(last.n, off + pushed_stops - own)


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
        lost_stops=max(0.0, over - SOFTEST_STOPS),
        grade=given,
        beyond_paper=given != grade,
        shift_stops=-over / 2 if over > 0 else 0.0,
        says=_says(over, given, beyond=given != grade),
    )


def _cost(frame: WantedFrame, n: float) -> float:
    over = n - frame.n
    return frame.weight * (BLOCKED_COSTS * over if over > 0 else SOFT_COSTS * -over)


def _says(over: float, grade: float, beyond: bool) -> str:
    if abs(over) < 1e-9:
        return "nothing lost"
    way = "harder" if over > 0 else "softer"
    said = f"{way} by {size_words(over)}; paper grade {number_text(grade)}"
    if not beyond:
        return said
    if over < 0:
        return f"{said}, and that is not enough"
    return f"{said}, and {size_words(over - SOFTEST_STOPS)} of its highlights lost"
