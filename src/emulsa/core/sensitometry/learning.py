"""What judged negatives say of a film and a recipe: how slow it is, how high its lights come.

Two unknowns, weighed together by Bayes' rule on a grid: a slow film lowers its high values too.
How sure an eye is, and how far films usually are from their boxes, is common practice, no source.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from operator import add, mul
from typing import Annotated, Literal

from emulsa.core.errors import Unsound
from emulsa.core.limits import ExposureIndex, Id, Length, Within
from emulsa.core.numbers import number_text, plain
from emulsa.core.sensitometry.curve import CurveN, Minutes
from emulsa.core.sensitometry.speeds import rounded
from emulsa.core.sensitometry.straight import straight

Error = Annotated[float, Within("An error", -3, 3)]
Shadow = Literal["none", "thin", "full"]
Highlight = Literal["flat", "full", "blocked"]

SPEED_PRIOR, HIGH_PRIOR = 2 / 3, 3 / 4  # stops, zones: how far off before anything is seen
EYE = 0.5  # stops or zones an eye wanders
MEASURED_SHADOW, MEASURED_HIGH = 0.15, 0.2
NONE_UNDER, FULL_FROM = -1.0, -1 / 3  # stops a shadow is under: none, thin, full
FLAT_UNDER, BLOCKED_OVER = -0.5, 0.5  # zones the high values are off
REACH, STEP = 4.0, 0.02
ENOUGH_STOPS, ENOUGH_ZONES, ENOUGH_NEGATIVES = 1 / 3, 1 / 4, 2
COUNT = round(2 * REACH / STEP) + 1
GRID = tuple(-REACH + STEP * place for place in range(COUNT))
# c − s reaches twice as far as either; what is expected of a negative a little further
DGRID = tuple(-2 * REACH + STEP * place for place in range(2 * COUNT - 1))
PRIOR_C = tuple(math.exp(-0.5 * (c / HIGH_PRIOR) ** 2) for c in GRID)
TABLE_REACH = 15.0
TABLE_COUNT = round(2 * TABLE_REACH / STEP) + 2
NEGLIGIBLE = 1e-12
SQRT2 = math.sqrt(2)
SHADOWS = {
    "none": (-math.inf, NONE_UNDER),
    "thin": (NONE_UNDER, FULL_FROM),
    "full": (FULL_FROM, math.inf),
}
HIGHLIGHTS = {
    "flat": (-math.inf, FLAT_UNDER),
    "full": (FLAT_UNDER, BLOCKED_OVER),
    "blocked": (BLOCKED_OVER, math.inf),
}


@dataclass(frozen=True, kw_only=True, slots=True)
class MinutesPoint:
    """A point of the recipe."""

    n: CurveN
    minutes: Minutes


@dataclass(frozen=True, kw_only=True, slots=True)
class Seen:
    """A judged negative: what it was given, and what its shadows and lights show, by eye or
    measured. ``developed_error_zones``: its development carried the lights so much further than
    its N asks for."""

    id: Id
    given_error_stops: Error = 0
    developed_error_zones: Error = 0
    n: CurveN = 0
    shadow: Shadow | None = None
    highlight: Highlight | None = None
    shadow_error_stops: Error | None = None
    highlight_error_zones: Error | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class LearnRequest:
    """One film and recipe, and its negatives."""

    ei: ExposureIndex
    minutes_per_n: Annotated[tuple[MinutesPoint, ...], Length("Points to learn from", 0, 40)]
    negatives: Annotated[tuple[Seen, ...], Length("Negatives", 0, 2_000)]

    def __post_init__(self) -> None:
        ids = [each.id for each in self.negatives]
        if len(set(ids)) < len(ids):
            raise Unsound("Each negative counts once.", field="negatives")


@dataclass(frozen=True, kw_only=True, slots=True)
class LearnedSpeed:
    """Stops the film is slower than its index, and the index that follows."""

    mean: float
    sd: float
    negatives: int
    enough: bool
    ei: float
    sentence: str


@dataclass(frozen=True, kw_only=True, slots=True)
class LearnedMinutes:
    """An N's minutes as the negatives say, and the range two of three times they lie in."""

    n: float
    minutes: float
    low: float
    high: float


@dataclass(frozen=True, kw_only=True, slots=True)
class LearnedDevelopment:
    """Zones the high values come too high, and the minutes that follow."""

    mean: float
    sd: float
    negatives: int
    enough: bool
    minutes: tuple[LearnedMinutes, ...]
    sentence: str


@dataclass(frozen=True, kw_only=True, slots=True)
class LearnAnswer:
    """What the negatives say; nothing is changed by it."""

    speed: LearnedSpeed
    development: LearnedDevelopment


def learn(request: LearnRequest) -> LearnAnswer:
    """The film's own speed and the development's own height, each with how sure it is."""
    belief = _belief(request.negatives)
    s_mean, s_sd, c_mean, c_sd = _moments(*belief)
    shadows = sum(
        1
        for each in request.negatives
        if each.shadow is not None or each.shadow_error_stops is not None
    )
    lights = sum(
        1
        for each in request.negatives
        if each.highlight is not None or each.highlight_error_zones is not None
    )
    s_enough = _enough(s_mean, s_sd, shadows, ENOUGH_STOPS)
    c_enough = _enough(c_mean, c_sd, lights, ENOUGH_ZONES)
    ei = rounded(request.ei * 2**-s_mean)
    minutes = tuple(
        _minutes(request.minutes_per_n, each.n, c_mean, c_sd) for each in _known(request)
    )
    return LearnAnswer(
        speed=LearnedSpeed(
            mean=s_mean,
            sd=s_sd,
            negatives=shadows,
            enough=s_enough,
            ei=ei,
            sentence=_speed_sentence(shadows, s_enough, ei, request.ei),
        ),
        development=LearnedDevelopment(
            mean=c_mean,
            sd=c_sd,
            negatives=lights,
            enough=c_enough,
            minutes=minutes,
            sentence=_minutes_sentence(lights, c_enough, c_mean),
        ),
    )


def _known(request: LearnRequest) -> Sequence[MinutesPoint]:
    points = sorted(request.minutes_per_n, key=lambda each: each.n)
    return points if len(points) > 1 else ()


def _enough(mean: float, sd: float, negatives: int, least: float) -> bool:
    return negatives >= ENOUGH_NEGATIVES and abs(mean) > sd and abs(mean) >= least - 1e-12


def _belief(negatives: Sequence[Seen]) -> tuple[list[float], list[float]]:
    """Log weights of the speed s, and of d = c − s, by all that was seen.

    Shadows see s; high values see only d. So the evidence is a product of the two, and what ties
    them together is the prior of c = s + d.
    """
    of_s, of_d = _Evidence(GRID, -1.0), _Evidence(DGRID, 1.0)
    for each in negatives:
        if each.shadow_error_stops is not None:
            of_s.measured(each.given_error_stops, each.shadow_error_stops, MEASURED_SHADOW)
        elif each.shadow is not None:
            of_s.by_eye(each.given_error_stops, SHADOWS[each.shadow])
        carried = each.given_error_stops + each.developed_error_zones
        if each.highlight_error_zones is not None:
            of_d.measured(carried, each.highlight_error_zones, MEASURED_HIGH)
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


def _moments(of_s: list[float], of_d: list[float]) -> tuple[float, float, float, float]:
    """Means and deviations of s and of c over the grid."""
    top_s, top_d = max(of_s), max(of_d)
    weight_d = [math.exp(each - top_d) for each in of_d]
    total = s1 = s2 = c1 = c2 = 0.0
    for place, log_weight in enumerate(of_s):
        weight = math.exp(log_weight - top_s)
        if weight < NEGLIGIBLE:
            continue
        # c at place j is seen as d = c − s at j − place, counted from the grid's lower end
        seen = list(map(mul, PRIOR_C, weight_d[COUNT - 1 - place : 2 * COUNT - 1 - place]))
        s, row = GRID[place], weight * sum(seen)
        moved = list(map(mul, seen, GRID))
        total += row
        s1 += row * s
        s2 += row * s * s
        c1 += weight * sum(moved)
        c2 += weight * sum(map(mul, moved, GRID))
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


def _minutes(points: Sequence[MinutesPoint], n: float, mean: float, sd: float) -> LearnedMinutes:
    ordered = sorted(points, key=lambda each: each.n)
    return LearnedMinutes(
        n=n,
        minutes=_at(ordered, n - mean),
        low=_at(ordered, n - mean - sd),
        high=_at(ordered, n - mean + sd),
    )


def _at(points: Sequence[MinutesPoint], n: float) -> float:
    """Minutes of an N, straight in their logarithm."""
    return math.exp(straight([(each.n, math.log(each.minutes)) for each in points], n))


def _speed_sentence(negatives: int, enough: bool, ei: float, own: float) -> str:
    if not negatives:
        return "No judged shadow yet."
    said = f"{negatives} negative{'s' if negatives > 1 else ''}"
    if not enough:
        return f"{said}: nothing speaks against EI {plain(own)} yet."
    return f"{said} say EI {plain(ei)}."


def _minutes_sentence(negatives: int, enough: bool, mean: float) -> str:
    if not negatives:
        return "No judged highlight yet."
    said = f"{negatives} negative{'s' if negatives > 1 else ''}"
    if not enough:
        return f"{said}: nothing speaks against the minutes yet."
    size = number_text(max(1 / 3, abs(mean)))
    return f"{said}: high values come {size} zone too {'high' if mean > 0 else 'low'}."
