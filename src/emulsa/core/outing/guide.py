"""The first outing, guided: five things that are really done, and which of them are."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

StepKey = Literal["read", "expose", "recipe", "develop", "judge"]
FEW = 6  # who has logged so many exposures needs no guide

STEPS: tuple[tuple[StepKey, str, str], ...] = (
    ("read", "Take a reading", "Type what the meter says, as in 9 shade III. No meter: type hazy."),
    ("expose", "Log an exposure", "What was really given, on which side; a holder can come later."),
    ("recipe", "Choose a development", "Developer, dilution and your minutes for N."),
    ("develop", "Develop the film", "Set up a run; its clock tells when to agitate and pour."),
    ("judge", "Judge the negative", "Shadows, highlights, faults: what the next one learns from."),
)


@dataclass(frozen=True, kw_only=True, slots=True)
class SoFar:
    """What has been done in this log; ``film_id`` is the latest exposure's."""

    readings: int = 0
    exposures: int = 0
    recipes: int = 0
    developed: int = 0
    judged: int = 0
    scene_id: str | None = None
    exposure_id: str | None = None
    film_id: str | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Step:
    """One of the five, whether it is done, and whether it is the next."""

    key: StepKey
    title: str
    says: str
    done: bool
    next: bool


def guide(so_far: SoFar, wanted: bool) -> tuple[Step, ...]:
    """The five steps, or none: put away, all done, or not needed.

    >>> [each.key for each in guide(SoFar(readings=1), True) if each.next]
    ['expose']
    >>> guide(SoFar(readings=1), False)
    ()
    """
    counts = (
        so_far.readings,
        so_far.exposures,
        so_far.recipes,
        so_far.developed,
        so_far.judged,
    )
    if not wanted or all(counts) or so_far.exposures >= FEW:
        return ()
    first = counts.index(0)
    return tuple(
        Step(key=key, title=title, says=says, done=count > 0, next=place == first)
        for place, ((key, title, says), count) in enumerate(zip(STEPS, counts, strict=True))
    )
