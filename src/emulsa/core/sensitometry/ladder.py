"""The ladder of N between the tested times: minutes and index of every half step."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

from emulsa.core.advice import Advice
from emulsa.core.straight import straight

LADDER = tuple(step / 2 for step in range(-6, 5))

Point = tuple[float, float, float]  # minutes, N, index


@dataclass(frozen=True, kw_only=True, slots=True)
class Rung:
    """An N of the ladder: its minutes and the index a meter is set to for it."""

    n: float
    minutes: float
    ei: float
    extrapolated: bool


def ladder(points: Sequence[Point]) -> tuple[tuple[Rung, ...], list[Advice]]:
    """Minutes and index of every half N within the tested times, and one step beyond."""
    points = sorted(points)
    rising = all(b[1] > a[1] + 1e-9 and b[0] > a[0] for a, b in pairwise(points))
    if len(points) < 2 or not rising:
        why = (
            "it needs two curves whose minutes are known and that reach Zone VIII"
            if len(points) < 2
            else "N does not rise with the minutes"
        )
        return (), [
            Advice(code="no-ladder", severity="note", text=f"There is no ladder of N: {why}.")
        ]
    lowest, highest = points[0][1], points[-1][1]
    inside = [n for n in LADDER if lowest - 1e-9 <= n <= highest + 1e-9]
    below = [n for n in LADDER if n < lowest - 1e-9][-1:]
    above = [n for n in LADDER if n > highest + 1e-9][:1]
    return tuple(_rung(points, n, n not in inside) for n in (*below, *inside, *above)), []


def _rung(points: Sequence[tuple[float, float, float]], n: float, extrapolated: bool) -> Rung:
    return Rung(
        n=n,
        minutes=math.exp(straight([(own, math.log(minutes)) for minutes, own, _ in points], n)),
        ei=math.exp(straight([(own, math.log(ei)) for _, own, ei in points], n)),
        extrapolated=extrapolated,
    )
