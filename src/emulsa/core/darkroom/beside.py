"""Two runs at once with one pair of hands: when the second can begin."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Annotated

from emulsa.core.darkroom.process import TimedStep
from emulsa.core.data.line import WHERE
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.limits import STEPS, Within

Spans = list[tuple[float, float]]


@dataclass(frozen=True, kw_only=True, slots=True)
class Going:
    """A run that goes: its steps, and the second its clock shows."""

    steps: Annotated[tuple[TimedStep, ...], STEPS]
    at_s: Annotated[float, Within("The clock", 0, 200_000, "s")]


@dataclass(frozen=True, kw_only=True, slots=True)
class BesideRuns:
    """How long to wait before beginning, and that in words."""

    wait_s: float
    text: str


def beside(steps: Sequence[TimedStep], others: Sequence[Going]) -> BesideRuns:
    """The first moment from which no bath that needs the hands is beside another that does."""
    own = held(steps, 0.0)
    taken = sorted(span for each in others for span in held(each.steps, each.at_s))
    wait, moved = 0.0, True
    while moved:
        moved = False
        for start, end in own:
            for busy, free in taken:
                if start + wait < free - 1e-6 and busy < end + wait - 1e-6:
                    wait, moved = free - start, True
    if wait <= 0:
        return BesideRuns(wait_s=0.0, text="The hands are free for all of it: begin when you like.")
    return BesideRuns(
        wait_s=wait,
        text="Begun now, both runs would need the hands at once;"
        f" begin in {minutes_text(math.ceil(wait / 5) / 12)}.",
    )


def held(steps: Sequence[TimedStep], at_s: float) -> Spans:
    """When the hands are on a run, in seconds from now, pouring in included."""
    spans, before = [], 0.0
    for step in steps:
        if WHERE[step.kind][1] and step.end_s > at_s:
            spans.append((max(0.0, before - at_s), step.end_s - at_s))
        before = step.end_s
    return spans
