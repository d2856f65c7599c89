"""What judged negatives say of a film and a recipe: how slow it is, how high its lights come.

Two unknowns, weighed together by Bayes' rule on a grid: a slow film lowers its high values too.
How sure an eye is, and how far films usually are from their boxes, is common practice, no source.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import pairwise
from operator import add, mul
from typing import Annotated, Literal

from emulsa.core.data.negative import NORMAL_POINTS
from emulsa.core.errors import Unsound
from emulsa.core.limits import ExposureIndex, Id, Length, Within
from emulsa.core.numbers import counted, plain, sized
from emulsa.core.sensitometry.curve import CurveN, Minutes
from emulsa.core.sensitometry.speeds import rounded
from emulsa.core.sensitometry.straight import straight

Error = Annotated[float, Within("An error", -3, 3)]
Shadow = Literal["none", "thin", "full", "heavy", "at_least_full"]
Highlight = Literal["flat", "full", "blocked"]
NetDensity = Annotated[float, Within("A measured net density", 0, 5)]
ReadZone = Annotated[float, Within("A measured zone", -1, 12)]
MeasuredAt = tuple[ReadZone, NetDensity]

SPEED_PRIOR, HIGH_PRIOR = 2 / 3, 3 / 4  # stops, zones: how far off before anything is seen
EYE = 0.5  # stops or zones an eye wanders
MEASURED_SHADOW, MEASURED_HIGH = 0.15, 0.2
# stops a shadow is off, where each word ends; an eye tells "heavy" two thirds over (practice)
NONE_UNDER, FULL_FROM, HEAVY_FROM = -1.0, -1 / 3, 2 / 3
FLAT_UNDER, BLOCKED_OVER = -0.5, 0.5  # zones the high values are off
ONE_STEP_STOPS, ONE_STEP_ZONES = 2 / 3, 1.0  # what a word of an open end moves at most
FURTHEST = 3.0  # stops: exposed further off than this, a negative says nothing of its film
REACH, STEP = 4.0, 0.02
ENOUGH_STOPS, ENOUGH_ZONES, ENOUGH_NEGATIVES = 1 / 3, 1 / 4, 2
WORTH_SAYING_ZONES = 1 / 6
NEAR = 1e-9
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
    "full": (FULL_FROM, HEAVY_FROM),
    "heavy": (HEAVY_FROM, math.inf),
    "at_least_full": (FULL_FROM, math.inf),
}
HIGHLIGHTS = {
    "flat": (-math.inf, FLAT_UNDER),
    "full": (FLAT_UNDER, BLOCKED_OVER),
    "blocked": (BLOCKED_OVER, math.inf),
}
OPEN_FASTER = ("heavy", "at_least_full")


@dataclass(frozen=True, kw_only=True, slots=True)
class MinutesPoint:
    """A point of the recipe."""

    n: CurveN
    minutes: Minutes


@dataclass(frozen=True, kw_only=True, slots=True)
class Seen:
    """A judged negative: what it was given, and what its shadows and lights show, by eye or
    measured.

    ``ei`` is the index it was exposed at (empty: the prior's). ``developed_error_zones``: the
    minutes it got stand so many zones above the prior's for its planned N. ``at_least_full`` is
    what was judged before *heavy* was a word. ``shadow_net`` and ``highlight_net`` are a zone and
    the net density that was measured there.
    """

    id: Id
    given_error_stops: Error = 0
    developed_error_zones: Error = 0
    n: CurveN = 0
    ei: ExposureIndex | None = None
    shadow: Shadow | None = None
    highlight: Highlight | None = None
    shadow_error_stops: Error | None = None
    highlight_error_zones: Error | None = None
    shadow_net: MeasuredAt | None = None
    highlight_net: MeasuredAt | None = None

    def __post_init__(self) -> None:
        for off, net, field in (
            (self.shadow_error_stops, self.shadow_net, "shadow_net"),
            (self.highlight_error_zones, self.highlight_net, "highlight_net"),
        ):
            if off is not None and net is not None:
                raise Unsound("Give a density or how far it is off, not both.", field=field)


@dataclass(frozen=True, kw_only=True, slots=True)
class LearnRequest:
    """One film and recipe, and its negatives.

    ``ei`` and ``minutes_per_n`` are what is in use now; ``prior_ei`` and ``prior_minutes`` the
    film's and the recipe's own word, against which all evidence is weighed: they stand still, so
    that the same negatives say the same after a yes. ``reference_net`` is a film's own scale of
    zones and net densities; without one, a normal negative's.
    """

    ei: ExposureIndex
    minutes_per_n: Annotated[tuple[MinutesPoint, ...], Length("Points to learn from", 0, 40)]
    negatives: Annotated[tuple[Seen, ...], Length("Negatives", 0, 2_000)]
    prior_ei: ExposureIndex | None = None
    prior_minutes: (
        Annotated[tuple[MinutesPoint, ...], Length("Points to learn from", 0, 40)] | None
    ) = None
    reference_net: Annotated[tuple[MeasuredAt, ...], Length("Rows of the reference", 3, 40)] = (
        NORMAL_POINTS
    )

    def __post_init__(self) -> None:
        ids = [each.id for each in self.negatives]
        if len(set(ids)) < len(ids):
            raise Unsound("Each negative counts once.", field="negatives")
        points = self.minutes_per_n if self.prior_minutes is None else self.prior_minutes
        if len({each.n for each in points}) < len(points):
            field = "minutes_per_n" if self.prior_minutes is None else "prior_minutes"
            raise Unsound("One time for each N.", field=field)
        for place, (before, after) in enumerate(pairwise(self.reference_net)):
            if after[0] <= before[0] or after[1] <= before[1]:
                raise Unsound(
                    "Zones and densities of the reference must rise from row to row.",
                    field=f"reference_net.{place + 1}",
                )


@dataclass(frozen=True, kw_only=True, slots=True)
class LearnedSpeed:
    """Stops the film is slower than its own index, and the index that is offered; ``capped`` where
    the words that were used hold no more than one step."""

    mean: float
    sd: float
    negatives: int
    enough: bool
    capped: bool
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
    """Zones the high values come too high by the recipe's own minutes, and the minutes that are
    offered."""

    mean: float
    sd: float
    negatives: int
    enough: bool
    capped: bool
    minutes: tuple[LearnedMinutes, ...]
    sentence: str


@dataclass(frozen=True, kw_only=True, slots=True)
class LearnAnswer:
    """What the negatives say; nothing is changed by it."""

    speed: LearnedSpeed
    development: LearnedDevelopment
    left_out: tuple[str, ...] = ()


def learn(request: LearnRequest) -> LearnAnswer:
    """The film's own speed and the development's own height, each with how sure it is."""
    prior = request.ei if request.prior_ei is None else request.prior_ei
    moved = [_against(each, prior, request.reference_net) for each in request.negatives]
    weighed = [each for each in moved if abs(each.light) <= FURTHEST + NEAR]
    of_s, of_d = _belief(weighed)
    s_mean, s_sd, c_mean, c_sd = _moments(of_s, of_d)
    speed = _speed(weighed, s_mean, math.log2(prior / request.ei))
    c_mean_given = _c_given(of_d, speed.offered) if speed.capped else c_mean
    points = sorted(
        request.minutes_per_n if request.prior_minutes is None else request.prior_minutes,
        key=lambda each: each.n,
    )
    in_use_c = _zones_in_use(request, points)
    lights = _lights(weighed, c_mean_given, in_use_c, speed.offered)
    at_ei = request.ei if speed.offered == speed.in_use else rounded(prior * 2**-speed.offered)
    known = points if len(points) > 1 else ()
    s_enough = speed.enough(s_sd, ENOUGH_STOPS)
    c_enough = lights.enough(c_sd, ENOUGH_ZONES)
    return LearnAnswer(
        speed=LearnedSpeed(
            mean=s_mean,
            sd=s_sd,
            negatives=speed.negatives,
            enough=s_enough,
            capped=speed.capped,
            ei=at_ei,
            sentence=_speed_sentence(speed, s_enough, at_ei, request.ei),
        ),
        development=LearnedDevelopment(
            mean=c_mean,
            sd=c_sd,
            negatives=lights.negatives,
            enough=c_enough,
            capped=lights.capped,
            minutes=tuple(_minutes(points, each.n, lights.offered, c_sd) for each in known),
            sentence=_minutes_sentence(lights, c_enough),
        ),
        left_out=tuple(each.id for each in moved if abs(each.light) > FURTHEST + NEAR),
    )


@dataclass(frozen=True, slots=True)
class _Moved:
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


def _against(each: Seen, prior: float, reference: Sequence[MeasuredAt]) -> _Moved:
    rated = 0.0 if each.ei is None else math.log2(prior / each.ei)
    return _Moved(
        id=each.id,
        light=each.given_error_stops + rated,
        rated=rated,
        developed=each.developed_error_zones,
        shadow=each.shadow,
        highlight=each.highlight,
        shadow_off=_off(each.shadow_error_stops, each.shadow_net, reference),
        highlight_off=_off(each.highlight_error_zones, each.highlight_net, reference),
    )


def _off(
    said: float | None, net: MeasuredAt | None, reference: Sequence[MeasuredAt]
) -> float | None:
    """How far a tone is off: as said, or the zone read off at its density less where it lies."""
    if net is None:
        return said
    read = straight([(density, zone) for zone, density in reference], net[1])
    return min(max(read - net[0], -FURTHEST), FURTHEST)


@dataclass(frozen=True, slots=True)
class _Offer:
    """What is offered (o) against what is in use (u): o is u where no negative speaks for the side
    the mean lies on."""

    negatives: int
    in_use: float
    offered: float
    capped: bool
    speaks: bool

    def enough(self, sd: float, least: float) -> bool:
        """Whether it may be taken over: evidence on its side, two negatives, surer than chance."""
        off = abs(self.offered - self.in_use)
        many = self.negatives >= ENOUGH_NEGATIVES
        return self.speaks and many and off > sd and off >= least - NEAR


def _offer(
    negatives: int,
    mean: float,
    in_use: float,
    bounds: tuple[Sequence[float], Sequence[float]],
    cap: tuple[float | None, float | None],
) -> _Offer:
    """``bounds`` are what single negatives hold by their word alone: at least, at most. ``cap`` is
    the furthest up and down that words of an open end reach; empty where they bind nothing."""
    up = mean > in_use
    at_least, at_most = bounds
    speaks = (
        any(each >= in_use - NEAR for each in at_least)
        if up
        else any(each <= in_use + NEAR for each in at_most)
    )
    if not speaks:
        return _Offer(negatives, in_use, in_use, False, False)
    offered = mean
    highest, lowest = cap
    if highest is not None:
        offered = min(offered, max(highest, min(mean, in_use)))
    if lowest is not None:
        offered = max(offered, min(lowest, max(mean, in_use)))
    return _Offer(negatives, in_use, offered, abs(offered - mean) > NEAR, True)


def _speed(weighed: Sequence[_Moved], mean: float, in_use: float) -> _Offer:
    seen = [each for each in weighed if each.shadow is not None or each.shadow_off is not None]
    measured = [each.light - each.shadow_off for each in seen if each.shadow_off is not None]
    words = [(each.light, each.shadow) for each in seen if each.shadow_off is None]
    at_least = [light - SHADOWS[word][1] for light, word in words if word in ("none", "thin")]
    at_most = [light - SHADOWS[word][0] for light, word in words if word in ("full", *OPEN_FASTER)]
    cap: tuple[float | None, float | None] = (None, None)
    if words and not measured:
        rated = [each.rated for each in seen]
        if all(word == "none" for _, word in words):
            cap = (max(rated) + ONE_STEP_STOPS, None)
        elif all(word in OPEN_FASTER for _, word in words):
            cap = (None, min(rated) - ONE_STEP_STOPS)
    return _offer(len(seen), mean, in_use, ([*measured, *at_least], [*measured, *at_most]), cap)


def _lights(weighed: Sequence[_Moved], mean: float, in_use: float, speed: float) -> _Offer:
    """The same of the high values, with the speed that is offered."""
    seen = [
        each for each in weighed if each.highlight is not None or each.highlight_off is not None
    ]
    at_least: list[float] = []
    at_most: list[float] = []
    words = [each for each in seen if each.highlight_off is None]
    for each in seen:
        without = speed - each.light - each.developed
        if each.highlight_off is not None:
            low = high = each.highlight_off
        else:
            assert each.highlight is not None
            low, high = HIGHLIGHTS[each.highlight]
        at_least.append(low + without)
        at_most.append(high + without)
    cap: tuple[float | None, float | None] = (None, None)
    if words and len(words) == len(seen):
        undone = [-each.developed for each in seen]
        if all(each.highlight == "blocked" for each in words):
            cap = (max(undone) + ONE_STEP_ZONES, None)
        elif all(each.highlight == "flat" for each in words):
            cap = (None, min(undone) - ONE_STEP_ZONES)
    return _offer(len(seen), mean, in_use, (at_least, at_most), cap)


def _zones_in_use(request: LearnRequest, prior: Sequence[MinutesPoint]) -> float:
    """u_c = n₀ − N′: by how many zones the minutes in use stand under the prior's.

    n₀ is the N nearest to normal that is in use, N′ the N whose prior minutes those are."""
    logs = [(math.log(each.minutes), each.n) for each in prior]
    rising = all(b[0] > a[0] for a, b in pairwise(logs))
    if request.prior_minutes is None or len(prior) < 2 or not rising or not request.minutes_per_n:
        return 0.0
    if {(each.n, each.minutes) for each in request.minutes_per_n} == {
        (each.n, each.minutes) for each in prior
    }:
        return 0.0
    used = min(request.minutes_per_n, key=lambda each: (abs(each.n), each.n))
    return used.n - straight(logs, math.log(used.minutes)) + 0.0


def _c_given(of_d: Sequence[float], speed: float) -> float:
    """E[c | s]: the mean height of the lights when the film's speed is known."""
    top = max(of_d)
    weights = []
    for place, c in enumerate(GRID):
        d = (c - speed + 2 * REACH) / STEP
        low = min(max(math.floor(d), 0), len(DGRID) - 2)
        log_weight = of_d[low] + (of_d[low + 1] - of_d[low]) * (d - low)
        weights.append(PRIOR_C[place] * math.exp(min(log_weight - top, 0.0)))
    return math.fsum(map(mul, weights, GRID)) / math.fsum(weights)


def _belief(negatives: Sequence[_Moved]) -> tuple[list[float], list[float]]:
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


def _minutes(points: Sequence[MinutesPoint], n: float, off: float, sd: float) -> LearnedMinutes:
    return LearnedMinutes(
        n=n,
        minutes=_at(points, n - off),
        low=_at(points, n - off - sd),
        high=_at(points, n - off + sd),
    )


def _at(points: Sequence[MinutesPoint], n: float) -> float:
    """Minutes of an N, straight in their logarithm."""
    return math.exp(straight([(each.n, math.log(each.minutes)) for each in points], n))


def _speed_sentence(speed: _Offer, enough: bool, ei: float, own: float) -> str:
    if not speed.negatives:
        return "No judged shadow yet."
    said = counted(speed.negatives, "negative")
    if enough:
        end = "" if not speed.capped else f" or {'less' if ei < own else 'more'}"
        return f"{said} say EI {plain(ei)}{end}."
    if abs(math.log2(ei / own)) < NEAR:
        return f"{said}: nothing speaks against EI {plain(own)}."
    return f"{said} speak{'s' * (speed.negatives == 1)} for EI {plain(ei)}; not enough yet."


def _minutes_sentence(lights: _Offer, enough: bool) -> str:
    if not lights.negatives:
        return "No judged highlight yet."
    said = counted(lights.negatives, "negative")
    off = lights.offered - lights.in_use
    if abs(off) < WORTH_SAYING_ZONES - NEAR:
        return f"{said}: nothing speaks against the minutes."
    size = sized(abs(off), "zone")
    way = f"{size} too {'high' if off > 0 else 'low'}{' or more' * lights.capped}"
    if enough:
        return f"{said}: high values come {way}."
    return f"{said} speak{'s' * (lights.negatives == 1)} for high values {way}; not enough yet."
