"""A characteristic curve: density over exposure, drawn through its steps without overshoot.

Between steps a monotone piecewise cubic, exact at the steps (Fritsch & Carlson 1980, with the
slopes of Fritsch & Butland 1984, from memory). Everything is kept along log10 of exposure; a curve
that was metered counts from what the meter renders as V.
"""

from __future__ import annotations

import math
from bisect import bisect_right
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Annotated, Literal

from emulsa.core.errors import OutOfRange, Unsound
from emulsa.core.limits import ExposureIndex, Id, Length, Within

STOP = math.log10(2)  # one stop of log H: 0.30103
LogH = Annotated[float, Within("log H", -12, 12)]
Stops = Annotated[float, Within("Stops from V", -20, 20)]
Density = Annotated[float, Within("A density", -0.5, 6)]
Fog = Annotated[float, Within("Base plus fog", 0, 3)]
Minutes = Annotated[float, Within("The minutes", 0.1, 600)]
CurveN = Annotated[float, Within("The N of a curve", -5, 5)]
Net = Annotated[float, Within("A net density", 0.01, 4)]

FEWEST = 5
FALLS = 0.02  # from its neighbour: what a densitometer's reading wanders
FALLS_BELOW = 0.04  # from the highest before
FOG_OVER = 0.02  # base plus fog may lie above the lowest density by so much
EPSILON = 1e-9
SPEED_NET = 0.10  # ISO 6, from memory: the speed point lies 0.10 above base plus fog


@dataclass(frozen=True, kw_only=True, slots=True)
class LuxSeconds:
    """Exposures known as light: a step tablet under a calibrated lamp."""

    kind: Literal["lux_seconds"]


@dataclass(frozen=True, kw_only=True, slots=True)
class Metered:
    """Exposures known by a meter: so many stops from what it renders as V at this index."""

    kind: Literal["metered"]
    ei: ExposureIndex


@dataclass(frozen=True, kw_only=True, slots=True)
class DensityStep:
    """One step: its exposure by the curve's kind, and its density with base."""

    density: Density
    log_h: LogH | None = None
    stops: Stops | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Curve:
    """A curve as it was measured, with the development it stands for."""

    id: Id
    base_fog: Fog
    exposure: LuxSeconds | Metered
    steps: Annotated[tuple[DensityStep, ...], Length("Steps of a curve", 0, 400)]
    minutes: Minutes | None = None
    n: CurveN | None = None


class Drawn:
    """A curve ready to be read: ``x`` along log10 of exposure, ``y`` densities with base."""

    def __init__(self, curve: Curve, field: str) -> None:
        self.curve = curve
        self.metered = curve.exposure.kind == "metered"
        points = _points(curve, field)
        if len(points) < FEWEST:
            raise OutOfRange(
                f"A curve needs at least {FEWEST} different exposures; there are {len(points)}.",
                field=f"{field}.steps",
                allowed=[FEWEST, 400],
            )
        _rising(points, field)
        self.x = [x for x, _, _ in points]
        self.y = [y for _, y, _ in points]
        lowest = min(self.y)
        if curve.base_fog > lowest + FOG_OVER + EPSILON:
            raise Unsound(
                "Base plus fog cannot lie above the lowest density: measure clear film of the same"
                " development.",
                field=f"{field}.base_fog",
                allowed=[0, lowest + FOG_OVER],
            )
        self._cubics = _cubics(self.x, self.y, _slopes(self.x, self.y))

    @property
    def first(self) -> float:
        return self.x[0]

    @property
    def last(self) -> float:
        return self.x[-1]

    def inside(self, x: float) -> bool:
        return self.first - EPSILON <= x <= self.last + EPSILON

    def density(self, x: float) -> float:
        """The density at an exposure inside the data."""
        place = min(max(bisect_right(self.x, x) - 1, 0), len(self.x) - 2)
        a, b, c, d = self._cubics[place]
        t = x - self.x[place]
        return a + t * (b + t * (c + t * d))

    def along(self, ascending: Iterable[float]) -> list[float]:
        """The densities at exposures that rise, inside the data."""
        place, last = 0, len(self.x) - 2
        found = []
        for x in ascending:
            while place < last and self.x[place + 1] <= x:
                place += 1
            a, b, c, d = self._cubics[place]
            t = x - self.x[place]
            found.append(a + t * (b + t * (c + t * d)))
        return found

    def cubic(self, place: int) -> tuple[float, float, float, float]:
        """The piece from a step to the next as a + b·t + c·t² + d·t³, t from the step."""
        return self._cubics[place]

    def crossings(self, net: float) -> Iterator[tuple[float, bool]]:
        """Where the curve passes a net density, and whether upward, along the exposure."""
        target = net + self.curve.base_fog
        above = [y >= target - EPSILON for y in self.y]
        for place in range(len(self.x) - 1):
            if above[place] != above[place + 1]:
                yield self._solved(place, target), above[place + 1]

    def reaches(self, net: float) -> float | None:
        """Where the curve last comes up to a net density; nothing when it never does."""
        target = net + self.curve.base_fog
        line = target - EPSILON
        for place in range(len(self.y) - 2, -1, -1):
            if self.y[place] < line <= self.y[place + 1]:
                return self._solved(place, target)
        return None

    def slope(self, start: float, length: float) -> float | None:
        """The mean slope over a length of exposure; nothing where it leaves the data."""
        if not (self.inside(start) and self.inside(start + length)):
            return None
        return (self.density(start + length) - self.density(start)) / length

    def _solved(self, place: int, target: float) -> float:
        """Where a piece that passes a density once has it: Newton, held by bisection."""
        a, b, c, d = self.cubic(place)
        low, high = 0.0, self.x[place + 1] - self.x[place]
        rising = self.y[place + 1] > self.y[place]
        t = high * (target - self.y[place]) / (self.y[place + 1] - self.y[place])
        for _ in range(60):
            off = a + t * (b + t * (c + t * d)) - target
            if abs(off) < 1e-13 or high - low < 1e-14:
                break
            if (off > 0) == rising:
                high = t
            else:
                low = t
            steep = b + t * (2 * c + 3 * t * d)
            better = t - off / steep if steep else math.nan
            t = better if low < better < high else (low + high) / 2
        return self.x[place] + t


def _points(curve: Curve, field: str) -> list[tuple[float, float, int]]:
    """Exposure, density and the place in the request of each step, sorted, equals averaged."""
    metered = curve.exposure.kind == "metered"
    name, other = ("stops", "log_h") if metered else ("log_h", "stops")
    found: list[tuple[float, float, int]] = []
    for place, step in enumerate(curve.steps):
        at = getattr(step, name)
        if at is None or getattr(step, other) is not None:
            raise Unsound(
                f"Each step of this curve has its exposure as “{name}”, and no “{other}”.",
                field=f"{field}.steps.{place}",
            )
        found.append((at * STOP if metered else at, step.density, place))
    found.sort(key=lambda each: (each[0], each[2]))
    merged: list[tuple[float, float, int]] = []
    same: list[tuple[float, float, int]] = []
    for point in found:
        if same and point[0] - same[0][0] > EPSILON:
            merged.append(_mean(same))
            same = []
        same.append(point)
    if same:
        merged.append(_mean(same))
    return merged


def _mean(same: Sequence[tuple[float, float, int]]) -> tuple[float, float, int]:
    return same[0][0], math.fsum(y for _, y, _ in same) / len(same), same[0][2]


def _rising(points: Sequence[tuple[float, float, int]], field: str) -> None:
    """Unsound, at the step, when densities fall; turned data are recognised as that."""
    highest = -math.inf
    for place, (_, y, given) in enumerate(points):
        before = points[place - 1][1] if place else y
        if y < before - FALLS - EPSILON or y < highest - FALLS_BELOW - EPSILON:
            turned = all(one[1] >= other[1] - FALLS for one, other in pairwise(points))
            how = (
                "all of them fall: they are in the other order, turn them"
                if turned
                else "look whether two were changed over, or a patch was read twice"
            )
            raise Unsound(
                f"With more exposure the density falls here, from {before:.2f} to {y:.2f}; {how}.",
                field=f"{field}.steps.{given}",
            )
        highest = max(highest, y)


def _cubics(
    x: Sequence[float], y: Sequence[float], slopes: Sequence[float]
) -> list[tuple[float, float, float, float]]:
    """The pieces between the steps, from their ends and the slopes there."""
    found = []
    for place in range(len(x) - 1):
        h = x[place + 1] - x[place]
        low, high = slopes[place], slopes[place + 1]
        mean = (y[place + 1] - y[place]) / h
        c = (3 * mean - 2 * low - high) / h
        d = (low + high - 2 * mean) / (h * h)
        found.append((y[place], low, c, d))
    return found


def _slopes(x: Sequence[float], y: Sequence[float]) -> list[float]:
    """The slope at every step: the weighted harmonic mean of its neighbours', none where the data
    turn; at the ends by three points, kept from overshooting."""
    h = [b - a for a, b in pairwise(x)]
    mean = [(b - a) / each for a, b, each in zip(y, y[1:], h, strict=False)]
    slopes = [_end(h[0], h[1], mean[0], mean[1])]
    for left, right, before, after in zip(h, h[1:], mean, mean[1:], strict=False):
        if before * after <= 0:
            slopes.append(0.0)
        else:
            w1, w2 = 2 * right + left, right + 2 * left
            slopes.append((w1 + w2) / (w1 / before + w2 / after))
    slopes.append(_end(h[-1], h[-2], mean[-1], mean[-2]))
    return slopes


def _end(h: float, next_h: float, mean: float, next_mean: float) -> float:
    slope = ((2 * h + next_h) * mean - h * next_mean) / (h + next_h)
    if slope * mean <= 0:
        return 0.0
    if mean * next_mean <= 0 and abs(slope) > 3 * abs(mean):
        return 3 * mean
    return slope
