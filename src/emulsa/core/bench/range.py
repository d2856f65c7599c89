"""What negatives say as a line: the range they hold, each of them on it, and the value in use.

Whether the value in use lies in the range is the whole question; it is seen without reading.
Places are shares of the line, from the shorter or smaller value to the greater, in equal steps of
the ratio between them, as minutes and indices are heard.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from emulsa.core.light.hand_time import minutes_text
from emulsa.core.numbers import counted, plain
from emulsa.core.sensitometry.learned import LearnAnswer, LearnRequest, MinutesPoint
from emulsa.core.sensitometry.learning import minutes_at
from emulsa.core.sensitometry.single import Open, Single, lights_of, speeds_of
from emulsa.core.sensitometry.speeds import rounded

LEAST = math.log(2) / 2  # the line is never shorter than half a stop
ROOM = 0.08  # of the line, free at its ends


@dataclass(frozen=True, kw_only=True, slots=True)
class RangeMark:
    """A negative on the line; ``open`` where its word has no end to that side."""

    at: float
    label: str
    open: Open


@dataclass(frozen=True, kw_only=True, slots=True)
class Range:
    """A line from ``low_text`` to ``high_text``; ``low`` and ``high`` bound what the negatives hold
    two times of three, ``in_use`` is today's value."""

    what: str
    low: float
    high: float
    low_text: str
    high_text: str
    in_use: float
    in_use_text: str
    marks: tuple[RangeMark, ...]
    text: str


def minutes_range(
    request: LearnRequest,
    answer: LearnAnswer,
    in_use: Sequence[MinutesPoint],
    labels: dict[str, str],
) -> Range | None:
    """The minutes for N; nothing before a judged highlight, or for a recipe of one time only."""
    said = next((each for each in answer.development.minutes if each.n == 0), None)
    used = next((each.minutes for each in in_use if each.n == 0), None)
    if said is None or used is None or not answer.development.negatives:
        return None
    told = request.minutes_per_n if request.prior_minutes is None else request.prior_minutes
    points = sorted(told, key=lambda each: each.n)
    alone = [
        # higher lights want less time
        Single(each.id, minutes_at(points, -each.at), _OTHER[each.open])
        for each in lights_of(request, answer.speed.mean)
    ]
    return _range("Minutes for N", (said.low, said.high), used, alone, labels, minutes_text)


def index_range(request: LearnRequest, answer: LearnAnswer, labels: dict[str, str]) -> Range | None:
    """The film's index; nothing before a judged shadow."""
    speed = answer.speed
    if not speed.negatives:
        return None
    prior = request.ei if request.prior_ei is None else request.prior_ei
    bounds = (prior * 2 ** -(speed.mean + speed.sd), prior * 2 ** -(speed.mean - speed.sd))
    alone = [Single(each.id, prior * 2**-each.at, _OTHER[each.open]) for each in speeds_of(request)]
    return _range("EI", bounds, request.ei, alone, labels, lambda ei: f"EI {plain(rounded(ei))}")


_OTHER: dict[Open, Open] = {"": "", "up": "down", "down": "up"}


def _range(
    what: str,
    bounds: tuple[float, float],
    used: float,
    alone: Sequence[Single],
    labels: dict[str, str],
    written: Callable[[float], str],
) -> Range:
    low, high = sorted(bounds)
    every = [math.log(each) for each in (low, high, used, *(one.at for one in alone))]
    first, last = min(every), max(every)
    lacking = max(0.0, LEAST - (last - first)) / 2
    first, last = first - lacking, last + lacking

    def place(value: float) -> float:
        return ROOM + (1 - 2 * ROOM) * (math.log(value) - first) / (last - first)

    within = low <= used <= high
    said = f"{counted(len(alone), 'negative')} hold{'s' * (len(alone) == 1)} between"
    return Range(
        what=what,
        low=place(low),
        high=place(high),
        low_text=written(low),
        high_text=written(high),
        in_use=place(used),
        in_use_text=written(used),
        marks=tuple(
            RangeMark(at=place(each.at), label=labels.get(each.id, ""), open=each.open)
            for each in alone
        ),
        text=f"{what}: {said} {written(low)} and {written(high)}; in use {written(used)},"
        f" {'within it' if within else 'outside it'}",
    )
