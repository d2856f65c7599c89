"""How likely each film and each development is, by what judged negatives show of them.

Two unknowns on one grid: s, stops the film is slower than its own word, and c, zones the high
values come too high by the recipe's. A shadow shows x − s, a highlight x + d + c − s. How sure an
eye is, and how far films usually are from their boxes, is common practice, no source.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from operator import add, mul
from typing import Literal

Shadow = Literal["none", "thin", "full", "heavy", "at_least_full"]
Highlight = Literal["flat", "full", "blocked"]

SPEED_PRIOR, HIGH_PRIOR = 2 / 3, 3 / 4  # stops, zones: how far off before anything is seen
EYE = 0.5  # stops or zones an eye wanders
MEASURED_SHADOW, MEASURED_HIGH = 0.15, 0.2
# stops a shadow is off, where each word ends; an eye tells "heavy" two thirds over (practice)
NONE_UNDER, FULL_FROM, HEAVY_FROM = -1.0, -1 / 3, 2 / 3
FLAT_UNDER, BLOCKED_OVER = -0.5, 0.5  # zones the high values are off
REACH, STEP = 4.0, 0.02
COUNT = round(2 * REACH / STEP) + 1
GRID = tuple(-REACH + STEP * place for place in range(COUNT))
# c − s reaches twice as far as either; what is expected of a negative a little further
DGRID = tuple(-2 * REACH + STEP * place for place in range(2 * COUNT - 1))
PRIOR_C = tuple(math.exp(-0.5 * (c / HIGH_PRIOR) ** 2) for c in GRID)
PRIOR_C1 = tuple(map(mul, PRIOR_C, GRID))  # times c, times its square: for the moments
PRIOR_C2 = tuple(map(mul, PRIOR_C1, GRID))
TABLE_REACH = 15.0
TABLE_COUNT = round(2 * TABLE_REACH / STEP) + 2
NEGLIGIBLE = 1e-12
SQRT2 = math.sqrt(2)
SHADOWS = {
    "none": (-math.inf, NONE_UNDER),
    "thin": (NONE_UNDER, FULL_FROM),
    "full": (FULL_FROM, HEAVY_FROM),
    "heavy": (HEAVY_FROM, math.inf),
    "at_least_full": (FULL_FROM, math.inf),
}
HIGHLIGHTS = {
    "flat": (-math.inf, FLAT_UNDER),
    "full": (FLAT_UNDER, BLOCKED_OVER),
    "blocked": (BLOCKED_OVER, math.inf),
}


@dataclass(frozen=True, slots=True)
class Weighed:
    """A negative against the prior: the stops it was given over the prior's index (x₀), ``rated``
    of which by its own index (r), and the zones its minutes stand above the prior's (d)."""

    id: str
    light: float
    rated: float
    developed: float
    shadow: Shadow | None
    highlight: Highlight | None
    shadow_off: float | None
    highlight_off: float | None


def lights_given(of_d: Sequence[float], speed: float) -> float:
    """E[c | s]: the mean height of the lights when the film's speed is known."""
    top = max(of_d)
    weights = []
    for place, c in enumerate(GRID):
        d = (c - speed + 2 * REACH) / STEP
        low = min(max(math.floor(d), 0), len(DGRID) - 2)
        log_weight = of_d[low] + (of_d[low + 1] - of_d[low]) * (d - low)
        weights.append(PRIOR_C[place] * math.exp(min(log_weight - top, 0.0)))
    return math.fsum(map(mul, weights, GRID)) / math.fsum(weights)


def belief(negatives: Sequence[Weighed]) -> tuple[list[float], list[float]]:
    """Log weights of the speed s, and of d = c − s, by all that was seen.

    Shadows see s; high values see only d. So the evidence is a product of the two, and what ties
    them together is the prior of c = s + d.
    """
    of_s, of_d = _Evidence(GRID, -1.0), _Evidence(DGRID, 1.0)
    for each in negatives:
        if each.shadow_off is not None:
            of_s.measured(each.light, each.shadow_off, MEASURED_SHADOW)
        elif each.shadow is not None:
            of_s.by_eye(each.light, SHADOWS[each.shadow])
        carried = each.light + each.developed
        if each.highlight_off is not None:
            of_d.measured(carried, each.highlight_off, MEASURED_HIGH)
        elif each.highlight is not None:
            of_d.by_eye(carried, HIGHLIGHTS[each.highlight])
    prior = [-0.5 * (s / SPEED_PRIOR) ** 2 for s in GRID]
    return list(map(add, prior, of_s.log_weights())), of_d.log_weights()


class _Evidence:
    """What negatives say of one unknown on its grid: what a negative would show is what it was
    given, moved by the unknown (``sign``)."""

    def __init__(self, grid: Sequence[float], sign: float) -> None:
        self._grid, self._sign = grid, sign
        self._seen: dict[tuple[float, tuple[float, float]], int] = {}
        self._squares = [0.0, 0.0, 0.0]  # of measured ones: a parabola in the unknown

    def measured(self, given: float, found: float, wander: float) -> None:
        # −½((found − given − sign·u)/wander)²
        off, precision = found - given, 1 / wander**2
        self._squares[0] += -0.5 * precision * off * off
        self._squares[1] += precision * off * self._sign
        self._squares[2] += -0.5 * precision

    def by_eye(self, given: float, between: tuple[float, float]) -> None:
        key = (given, between)
        self._seen[key] = self._seen.get(key, 0) + 1

    def log_weights(self) -> list[float]:
        a, b, c = self._squares
        total = [a + u * (b + u * c) for u in self._grid]
        for (given, between), times in self._seen.items():
            # the table stands at the grid's own steps; what was given lies between two of them
            place = (given + self._sign * self._grid[0] + TABLE_REACH) / STEP
            whole = math.floor(place + 1e-9)
            share = min(max(place - whole, 0.0), 1.0)
            table = _table(*between)
            direction = 1 if self._sign > 0 else -1
            low = _run(table, whole, direction, len(self._grid))
            high = _run(table, whole + 1, direction, len(self._grid))
            keep, move = times * (1 - share), times * share
            total = [t + keep * x + move * y for t, x, y in zip(total, low, high, strict=True)]
        return total


def _run(table: Sequence[float], start: int, direction: int, count: int) -> Sequence[float]:
    if direction > 0:
        return table[start : start + count]
    return table[start - count + 1 : start + 1][::-1]


@lru_cache(16)
def _table(low: float, high: float) -> tuple[float, ...]:
    """log P(low < expected + ε < high) for what is expected, at the grid's steps."""
    return tuple(
        _log_between(low - expected, high - expected)
        for expected in (-TABLE_REACH + STEP * place for place in range(TABLE_COUNT))
    )


def moments(of_s: Sequence[float], of_d: Sequence[float]) -> tuple[float, float, float, float]:
    """Means and deviations of s and of c over the grid."""
    return _moments(tuple(of_s), tuple(of_d))


@lru_cache(64)  # films nobody has judged a negative of are all alike, and asked for often
def _moments(of_s: tuple[float, ...], of_d: tuple[float, ...]) -> tuple[float, float, float, float]:
    top_s, top_d = max(of_s), max(of_d)
    weight_d = [math.exp(each - top_d) for each in of_d]
    counted = [place for place, each in enumerate(weight_d) if each >= NEGLIGIBLE]
    first, end = counted[0], counted[-1] + 1
    total = s1 = s2 = c1 = c2 = 0.0
    for place, log_weight in enumerate(of_s):
        weight = math.exp(log_weight - top_s)
        if weight < NEGLIGIBLE:
            continue
        # c at place j is seen as d = c − s at j − place, counted from the grid's lower end
        to_d = COUNT - 1 - place
        low, high = max(first - to_d, 0), min(end - to_d, COUNT)
        seen = weight_d[low + to_d : high + to_d]
        s, row = GRID[place], weight * sum(map(mul, PRIOR_C[low:high], seen))
        total += row
        s1 += row * s
        s2 += row * s * s
        c1 += weight * sum(map(mul, PRIOR_C1[low:high], seen))
        c2 += weight * sum(map(mul, PRIOR_C2[low:high], seen))
    s_mean, c_mean = s1 / total, c1 / total
    return (
        s_mean,
        math.sqrt(max(0.0, s2 / total - s_mean**2)),
        c_mean,
        math.sqrt(max(0.0, c2 / total - c_mean**2)),
    )


def _log_between(low: float, high: float) -> float:
    """log P(low < ε < high) of what an eye wanders."""
    share = 0.5 * (math.erfc(low / EYE / SQRT2) - math.erfc(high / EYE / SQRT2))
    return math.log(max(share, 1e-300))
