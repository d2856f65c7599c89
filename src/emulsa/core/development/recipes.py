"""Recipes: film × developer × dilution × agitation × temperature, with minutes for each N.

Between points the time is log-linear in N; beyond them the rule of thumb carries on from the
nearest point and the answer is *estimated*. A personal or tested point beats a published one for
the same N. Source: Todd & Zakia (contrast against log time); rule of thumb: common practice.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.data.development import K_PER_C, THUMB
from emulsa.core.errors import Missing
from emulsa.core.limits import ExposureIndex, Label, Length, Within

Origin = Literal["tested", "published", "personal", "estimated"]
TRUST: tuple[Origin, ...] = ("tested", "personal", "published", "estimated")
Minutes = Annotated[float, Within("Developing minutes", 0.5, 240, "min")]
N = Annotated[float, Within("N", -5, 5)]
Celsius = Annotated[float, Within("The temperature", 18, 27, "°C")]
PerCelsius = Annotated[float, Within("The temperature constant k", 0.03, 0.2, "per °C")]


@dataclass(frozen=True, kw_only=True, slots=True)
class Point:
    """Minutes for one N at the recipe's temperature, and who says so."""

    n: N
    minutes: Minutes
    ei: ExposureIndex | None = None
    origin: Literal["tested", "published", "personal"] = "personal"


@dataclass(frozen=True, kw_only=True, slots=True)
class Recipe:
    """A way of developing one film."""

    developer: Label = ""
    dilution: Label = ""
    agitation: Label = ""
    temperature_c: Celsius = 20.0
    k_per_c: PerCelsius = K_PER_C
    points: Annotated[tuple[Point, ...], Length("Points of a recipe", 0, 32)] = ()


@dataclass(frozen=True, kw_only=True, slots=True)
class Timed:
    """Minutes at the recipe's temperature, the EI that goes with them, and how sure they are."""

    minutes: float
    ei: float | None
    origin: Origin


def thumb_factor(n: float) -> float:
    """The rule of thumb's factor of the normal time, log-linear in N, end slopes carried on.

    >>> thumb_factor(-1), thumb_factor(2)
    (0.8, 1.8)
    """
    if n == 0:
        return 1.0
    return _between([(each, factor) for each, factor in THUMB], n)


def best_points(recipe: Recipe) -> list[Point]:
    """One point for each N, the most trusted, in the order of N."""
    best: dict[float, Point] = {}
    for point in sorted(recipe.points, key=lambda point: TRUST.index(point.origin)):
        best.setdefault(point.n, point)
    return sorted(best.values(), key=lambda point: point.n)


def time_for(recipe: Recipe, n: float) -> Timed:
    """Developing time for N at the recipe's own temperature; Missing when it has no time at all.

    >>> time_for(Recipe(points=(Point(n=0, minutes=8),)), -1)
    Timed(minutes=6.4, ei=None, origin='estimated')
    """
    points = best_points(recipe)
    if not points:
        raise Missing(
            "This recipe has no developing time yet; enter the minutes for N.", field="points"
        )
    for point in points:
        if abs(point.n - n) < 1e-9:
            return Timed(minutes=point.minutes, ei=point.ei, origin=point.origin)
    below = [point for point in points if point.n < n]
    above = [point for point in points if point.n > n]
    if below and above:
        return _interpolated(below[-1], above[0], n)
    nearest = (below or above)[-1 if below else 0]
    minutes = nearest.minutes * thumb_factor(n) / thumb_factor(nearest.n)
    return Timed(minutes=minutes, ei=nearest.ei, origin="estimated")


def _interpolated(low: Point, high: Point, n: float) -> Timed:
    minutes = _between([(low.n, low.minutes), (high.n, high.minutes)], n)
    ei = None
    if low.ei is not None and high.ei is not None:
        ei = _between([(low.n, low.ei), (high.n, high.ei)], n)
    return Timed(minutes=minutes, ei=ei, origin=max(low.origin, high.origin, key=TRUST.index))


def _between(rows: list[tuple[float, float]], n: float) -> float:
    """Log-linear through rising rows, end slopes carried on."""
    place = next((k for k in range(1, len(rows)) if rows[k][0] >= n), len(rows) - 1)
    (n0, y0), (n1, y1) = rows[place - 1], rows[place]
    if n == n1:
        return y1
    return float(y0 * math.exp(math.log(y1 / y0) * (n - n0) / (n1 - n0)))
