"""How a picture's levels answer light: a normal linear model of few readings, with priors.

EV(u, ρ) = f(u) + V·ρ². f is the picture stops themselves (``plain``), their contrast, or a curve
straight between knots. What a picture usually is stands in the priors (typical, no source); each
reading counts by its own doubt and by what a place may differ from others of its level.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from emulsa.core.picture.algebra import Matrix, Vector, dot, inverse, times

Model = Literal["plain", "contrast", "curve"]

LOCAL_LINEAR, LOCAL = 0.1, 0.2  # stops places of one level differ by (common practice, no source)
KNOTS = tuple(range(-8, 4))
SLOPE_AT = KNOTS.index(-1)  # from −1 to 0 the slope is known best
CONTRAST_SD, SLOPE_SD, BEND_SD = 0.2, 0.3, 0.35
CORNER, CORNER_SD = 0.5, 0.5  # stops
LEAST_SLOPE = 0.2
PASSES, STILL = 4_000, 1e-13
LEAST_FREEDOM = 0.5


@dataclass(frozen=True, slots=True)
class Observed:
    """A reading: the picture's stops there, how far out it lies, its EV and its whole doubt."""

    stops: float
    rho2: float
    ev100: float
    sigma: float


@dataclass(frozen=True, slots=True)
class Term:
    """Something that is believed beforehand: a sum of the unknowns, its value and its doubt."""

    row: tuple[float, ...]
    value: float
    sigma: float


@dataclass(frozen=True, slots=True)
class Response:
    """The answer: unknowns with their covariance, before inflation; ``free`` where slopes were
    held."""

    model: Model
    known_corner: float | None
    mean: Vector
    free: Vector
    covariance: Matrix
    log_determinant: float
    misfit: float
    residuals: Vector
    leverages: Vector
    prior_misfit: float

    @property
    def freedom(self) -> float:
        return math.fsum(1 - each for each in self.leverages)

    @property
    def held(self) -> bool:
        return self.mean is not self.free

    def row(self, stops: float, rho2: float = 0.0) -> Vector:
        """The unknowns' share in a place."""
        return row_of(self.model, stops, rho2, corner=self.known_corner is None)

    def ev(self, stops: float, rho2: float = 0.0) -> float:
        given = _given(self.model, stops, rho2, self.known_corner)
        return given + dot(self.row(stops, rho2), self.mean)

    def variance(self, row: Sequence[float]) -> float:
        share = [(place, each) for place, each in enumerate(row) if each]
        return max(
            0.0, math.fsum(a * b * self.covariance[i][j] for i, a in share for j, b in share)
        )


def local_stops(encoding: str) -> float:
    return LOCAL_LINEAR if encoding == "linear" else LOCAL


def row_of(model: Model, stops: float, rho2: float, corner: bool) -> Vector:
    """How the unknowns make up a place: f, then the fall-off where it is one of them."""
    if model == "plain":
        row = [1.0]
    elif model == "contrast":
        row = [1.0, stops]
    else:
        row = [0.0] * len(KNOTS)
        place = min(max(math.floor(stops) - KNOTS[0], 0), len(KNOTS) - 2)
        share = stops - KNOTS[place]
        row[place], row[place + 1] = 1 - share, share
    return [*row, rho2] if corner else row


def _given(model: Model, stops: float, rho2: float, known_corner: float | None) -> float:
    """What of a place's EV is no unknown: the picture's own stops, where it is trusted to be plain,
    and a fall-off that is known."""
    return (stops if model == "plain" else 0.0) + (known_corner or 0.0) * rho2


def priors(model: Model, corner: bool) -> list[Term]:
    """What is believed of any picture; where it stands is not."""
    found: list[Term] = []
    if model == "contrast":
        found.append(Term((0.0, 1.0), 1.0, CONTRAST_SD))
    if model == "curve":
        found.append(Term(_slope(SLOPE_AT), 1.0, SLOPE_SD))
        for place in range(1, len(KNOTS) - 1):
            bend = tuple(b - a for a, b in zip(_slope(place - 1), _slope(place), strict=True))
            found.append(Term(bend, 0.0, BEND_SD))
    if corner:
        found = [Term((*each.row, 0.0), each.value, each.sigma) for each in found]
        size = {"plain": 1, "contrast": 2, "curve": len(KNOTS)}[model]
        found.append(Term((*[0.0] * size, 1.0), CORNER, CORNER_SD))
    return found


def fitted(
    model: Model,
    points: Sequence[Observed],
    known_corner: float | None,
    settings_ev: tuple[float, float] | None,
) -> Response:
    """The response by these readings; ``settings_ev`` (EV at level 118, its doubt) stands for them
    where there is none."""
    corner = known_corner is None
    terms = priors(model, corner)
    if settings_ev is not None:
        terms.append(Term(tuple(row_of(model, 0.0, 0.0, corner)), *settings_ev))
    rows = [row_of(model, each.stops, each.rho2, corner) for each in points]
    seen = [
        Term(
            tuple(row),
            each.ev100 - _given(model, each.stops, each.rho2, known_corner),
            each.sigma,
        )
        for row, each in zip(rows, points, strict=True)
    ]
    size = len(row_of(model, 0.0, 0.0, corner))
    precision: Matrix = [[0.0] * size for _ in range(size)]
    pull = [0.0] * size
    for term in (*terms, *seen):
        weight = 1 / term.sigma**2
        for i, a in enumerate(term.row):
            if a:
                pull[i] += weight * a * term.value
                for j, b in enumerate(term.row):
                    precision[i][j] += weight * a * b
    covariance, logarithm = inverse(precision)
    free = times(covariance, pull)
    residuals = [each.value - dot(each.row, free) for each in seen]
    leverages = [dot(each.row, times(covariance, each.row)) / each.sigma**2 for each in seen]
    return Response(
        model=model,
        known_corner=known_corner,
        mean=_rising(free, covariance) if model == "curve" else free,
        free=free,
        covariance=covariance,
        log_determinant=logarithm,
        misfit=math.fsum((r / each.sigma) ** 2 for r, each in zip(residuals, seen, strict=True)),
        residuals=residuals,
        leverages=leverages,
        prior_misfit=math.fsum(
            ((each.value - dot(each.row, free)) / each.sigma) ** 2 for each in terms
        ),
    )


def inflation(misfit: float, freedom: float) -> float:
    """How much larger every doubt is, as readings lie further apart than they should."""
    return math.sqrt(max(1.0, misfit / freedom)) if freedom >= LEAST_FREEDOM else 1.0


def _slope(place: int) -> tuple[float, ...]:
    row = [0.0] * len(KNOTS)
    row[place], row[place + 1] = -1.0, 1.0
    return tuple(row)


def _rising(free: Vector, covariance: Matrix) -> Vector:
    """The nearest mean, by the same quadratic form, whose slopes are all steep enough: coordinate
    ascent on the dual."""
    size = len(free)
    slopes = [[*_slope(place), *[0.0] * (size - len(KNOTS))] for place in range(len(KNOTS) - 1)]
    if all(dot(each, free) >= LEAST_SLOPE - 1e-12 for each in slopes):
        return free
    moves = [times(covariance, each) for each in slopes]
    given = [dot(each, move) for each, move in zip(slopes, moves, strict=True)]
    held, found = [0.0] * len(slopes), list(free)
    for _ in range(PASSES):
        most = 0.0
        for k, slope in enumerate(slopes):
            wanted = max(0.0, held[k] + (LEAST_SLOPE - dot(slope, found)) / given[k])
            by = wanted - held[k]
            if by:
                held[k] = wanted
                found = [x + by * move for x, move in zip(found, moves[k], strict=True)]
                most = max(most, abs(by) * given[k])
        if most < STILL:
            break
    return found
