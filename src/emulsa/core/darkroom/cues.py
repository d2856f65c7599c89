"""What is heard during a run, in order: each pouring, moving, resting and draining, and what comes.

Ten seconds before a bath ends the next one is announced (common practice, no source).
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import zip_longest
from typing import Literal

from emulsa.core.darkroom.process import TimedStep

SOON_S = 10.0
Sound = Literal["pour", "move", "rest", "drain", "soon", "next", "end"]


@dataclass(frozen=True, kw_only=True, slots=True)
class Heard:
    """A sound at a moment of the run's clock, and the words that go with it."""

    at_s: float
    sound: Sound
    says: str


def heard(steps: Sequence[TimedStep], out: str = "Pour out") -> tuple[Heard, ...]:
    """Every sound of a run, first to last; ``out`` is what the hands do at a bath's end."""
    found = [
        each
        for step, after in zip_longest(steps, steps[1:])
        for each in _of(step, after.name if after else None, out)
    ]
    return tuple(sorted(found, key=lambda each: each.at_s))


def _of(step: TimedStep, then: str | None, out: str) -> Iterator[Heard]:
    poured = False
    drains = {cue.start_s for cue in step.cues if cue.kind == "drain"}
    for cue in step.cues:
        if cue.kind == "pour":
            poured = True
            yield Heard(at_s=cue.start_s, sound="pour", says=f"Pour in: {step.name}")
        elif cue.kind == "change":
            yield Heard(at_s=cue.start_s, sound="pour", says="Change the water")
        elif cue.kind == "drain":
            yield Heard(at_s=cue.start_s, sound="drain", says=f"{out}: {step.name}")
        else:
            yield Heard(at_s=cue.start_s, sound="move", says="Agitate")
            if cue.end_s < step.end_s and cue.end_s not in drains:
                yield Heard(at_s=cue.end_s, sound="rest", says="Rest")
    if not poured:
        yield Heard(at_s=step.start_s, sound="next", says=step.name)
    if step.end_s - step.start_s > 2 * SOON_S:
        says = f"In ten seconds: {then or 'done'}"
        yield Heard(at_s=step.end_s - SOON_S, sound="soon", says=says)
    if then is None:
        yield Heard(at_s=step.end_s, sound="end", says="Done")
