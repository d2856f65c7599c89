"""Reciprocity: in long exposures film loses speed, and the time must grow faster than metered.

Laws: none up to a stated time; power t0·(t/t0)^p above t0; additive t + a·t^b; a table of metered →
corrected times, or of metered times → added stops *of time*; tables are linear in log–log and go on
with their last slope, flagged; a table of one row is read with t^1.3 on both sides. Nothing is ever
shorter than metered. Every law rises strictly, so its inverse is exact.

Source: Schwarzschild 1900 for the power law; tables are makers' data.

The true error of a clock time T is log2(F⁻¹(T)/t): stops of light on the film, not of the watch.
"""

from __future__ import annotations

import math
from bisect import bisect_right
from dataclasses import dataclass
from itertools import pairwise
from typing import Annotated, Literal

from emulsa.core.errors import Missing, Unsound
from emulsa.core.limits import DEVELOPMENT_CHANGE, Length, Seconds, Within

Exponent = Annotated[float, Within("The exponent p", 1, 2)]
Coefficient = Annotated[float, Within("The coefficient a", 0, 100)]
Power = Annotated[float, Within("The power b", 1, 3)]
Rows = Annotated[tuple[tuple[float, ...], ...], Length("Rows of the table", 1, 64)]
Times = Annotated[tuple[Seconds, ...], Length("Times", 1, 200)]


LARGEST_EXPONENT = 700.0  # exp() overflows just above
SMALLEST_RISE = 1 + 1e-6  # rows nearer than this cannot be told apart, nor inverted
TYPICAL_END_S = 100.0  # metered: where makers' own figures mostly end (from memory)
ONE_ROW_EXPONENT = 1.3  # a single row goes on as a typical film does (common practice, no source)


@dataclass(frozen=True, kw_only=True, slots=True)
class NoFailure:
    """No correction up to a stated time; beyond it nothing is known and the answer is flagged.

    ``unknown``: nobody has said how this film fails; it is counted as if it did not.
    """

    kind: Literal["none"] = "none"
    until_s: Seconds
    unknown: bool = False


@dataclass(frozen=True, kw_only=True, slots=True)
class PowerLaw:
    """t0·(t/t0)^p above t0; flagged beyond ``tested_until_s``, 100 s metered where nobody said."""

    kind: Literal["power"] = "power"
    exponent: Exponent
    from_s: Seconds = 1.0
    tested_until_s: Seconds | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class AdditiveLaw:
    """t + a·t^b at every t; flagged as a power law is."""

    kind: Literal["additive"] = "additive"
    a: Coefficient
    b: Power
    tested_until_s: Seconds | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class TableLaw:
    """Rows of metered, corrected seconds, and optionally the development change (×)."""

    kind: Literal["table"] = "table"
    rows: Rows

    def __post_init__(self) -> None:
        _check_rows(self.rows, Within("The corrected time", 1e-6, 1e7, "s"))
        for place, row in enumerate(self.rows):
            if row[1] < row[0] * (1 - 1e-12):
                raise _unsound(place, "the corrected time is shorter than the metered one")
            if place and row[1] <= self.rows[place - 1][1] * SMALLEST_RISE:
                raise _unsound(place, "corrected times must rise from row to row")


@dataclass(frozen=True, kw_only=True, slots=True)
class StopsLaw:
    """Rows of metered seconds, added stops of time, and optionally the development change (×)."""

    kind: Literal["stops"] = "stops"
    rows: Rows

    def __post_init__(self) -> None:
        _check_rows(self.rows, Within("The added stops", 0, 20, "stops"))
        times = [row[0] * 2 ** row[1] for row in self.rows]
        for place in range(1, len(times)):
            if times[place] <= times[place - 1] * SMALLEST_RISE:
                raise _unsound(place, "the corrected time must rise from row to row")


Law = NoFailure | PowerLaw | AdditiveLaw | TableLaw | StopsLaw


@dataclass(frozen=True, kw_only=True, slots=True)
class Corrected:
    """One time through a law, in either direction."""

    metered_s: float
    corrected_s: float
    added_stops: float
    extrapolated: bool
    development_change: float


@dataclass(frozen=True, kw_only=True, slots=True)
class ReciprocityRequest:
    """Metered times to correct, or clock times to read backwards: one of the two."""

    law: Law
    metered_s: Times | None = None
    clock_s: Times | None = None

    def __post_init__(self) -> None:
        if (self.metered_s is None) == (self.clock_s is None):
            raise Missing("Give either metered_s or clock_s, one of the two.", field="metered_s")


@dataclass(frozen=True, kw_only=True, slots=True)
class ReciprocityAnswer:
    """One entry for each time asked."""

    results: tuple[Corrected, ...]


def corrected_s(law: Law, metered_s: float) -> float:
    """F(t): the time to give for a metered time, in seconds.

    >>> round(corrected_s(PowerLaw(exponent=1.26), 5.76), 2)
    9.08
    """
    if isinstance(law, NoFailure):
        return metered_s
    if isinstance(law, PowerLaw):
        if metered_s <= law.from_s:
            return metered_s
        return float(law.from_s * (metered_s / law.from_s) ** law.exponent)
    if isinstance(law, AdditiveLaw):
        return float(metered_s + law.a * metered_s**law.b)
    return max(metered_s, _interpolate(_points(law), metered_s, ONE_ROW_EXPONENT))


def metered_s(law: Law, clock_s: float) -> float:
    """F⁻¹(T): the metered time a clock time is right for, in seconds.

    >>> round(metered_s(PowerLaw(exponent=1.3), 60), 6)
    23.324302
    """
    if isinstance(law, NoFailure):
        return clock_s
    if isinstance(law, PowerLaw):
        if clock_s <= law.from_s:
            return clock_s
        return float(law.from_s * (clock_s / law.from_s) ** (1 / law.exponent))
    if isinstance(law, AdditiveLaw):
        return _additive_inverse(law, clock_s)
    points = [(corrected, metered) for metered, corrected in _points(law)]
    return min(clock_s, _interpolate(points, clock_s, 1 / ONE_ROW_EXPONENT))


def extrapolated(law: Law, metered_s: float) -> bool:
    """Whether a corrected time rests on more than the law's data."""
    if metered_s > known_until_s(law) * (1 + 1e-9):
        return True
    if not isinstance(law, (TableLaw, StopsLaw)) or metered_s >= law.rows[0][0] * (1 - 1e-9):
        return False
    return corrected_s(law, metered_s) > metered_s * (1 + 1e-9)


def development_change(law: Law, metered_s: float) -> float:
    """The factor on developing time the law asks: linear in log t between rows, held beyond the
    last. Below the first row that has one it fades in with the added stops, so that a film that
    needs no more light needs no other development.

    >>> law = TableLaw(rows=((1, 1), (10, 20, 0.9)))
    >>> round(development_change(law, 2.5), 3), development_change(law, 1)
    (0.96, 1.0)
    """
    if not isinstance(law, (TableLaw, StopsLaw)):
        return 1.0
    rows = [(math.log(row[0]), row[2]) for row in law.rows if len(row) > 2]
    if not rows:
        return 1.0
    x = math.log(metered_s)
    if x <= rows[0][0]:
        return _faded(law, metered_s, math.exp(rows[0][0]), rows[0][1])
    for (x0, y0), (x1, y1) in pairwise(rows):
        if x <= x1:
            return y0 + (y1 - y0) * (x - x0) / (x1 - x0)
    return rows[-1][1]


def _faded(law: Law, metered_s: float, first_s: float, change: float) -> float:
    """1 + (change − 1) · added/added at the first row that has a change; 1 where that adds none."""
    there = math.log2(corrected_s(law, first_s) / first_s)
    if there < 1e-9:
        return 1.0
    added = math.log2(corrected_s(law, metered_s) / metered_s)
    return 1 + (change - 1) * min(1.0, added / there)


def true_error_stops(law: Law, metered_s_wanted: float, clock_s: float) -> float:
    """log2(F⁻¹(T) / t): how far off a given clock time is, in stops of light on the film.

    >>> round(true_error_stops(PowerLaw(exponent=1.26), 5.76, 9), 2)
    -0.01
    """
    return math.log2(metered_s(law, clock_s) / metered_s_wanted)


def reciprocity(request: ReciprocityRequest) -> ReciprocityAnswer:
    """The operation ``reciprocity``: every time asked; what rests on no data is flagged."""
    metered = request.metered_s
    if metered is None:
        metered = tuple(metered_s(request.law, clock) for clock in request.clock_s or ())
    clocks = request.clock_s or tuple(corrected_s(request.law, each) for each in metered)
    return ReciprocityAnswer(
        results=tuple(
            Corrected(
                metered_s=each,
                corrected_s=clock,
                added_stops=math.log2(clock / each),
                extrapolated=extrapolated(request.law, each),
                development_change=development_change(request.law, each),
            )
            for each, clock in zip(metered, clocks, strict=True)
        )
    )


def known_until_s(law: Law) -> float:
    """Where a law's data end, in metered seconds."""
    if isinstance(law, NoFailure):
        return law.until_s
    if isinstance(law, PowerLaw):
        return law.tested_until_s or max(TYPICAL_END_S, law.from_s)
    if isinstance(law, AdditiveLaw):
        return law.tested_until_s or TYPICAL_END_S
    return law.rows[-1][0]


def _points(law: TableLaw | StopsLaw) -> list[tuple[float, float]]:
    if isinstance(law, TableLaw):
        return [(row[0], row[1]) for row in law.rows]
    return [(row[0], row[0] * 2 ** row[1]) for row in law.rows]


def _interpolate(points: list[tuple[float, float]], x: float, alone: float) -> float:
    """Linear in log–log between points, with the end slopes beyond; ``alone`` is one point's."""
    if len(points) == 1:
        return float(points[0][1] * (x / points[0][0]) ** alone)
    place = bisect_right([point[0] for point in points], x)
    place = min(max(place, 1), len(points) - 1)
    (x0, y0), (x1, y1) = points[place - 1], points[place]
    slope = math.log(y1 / y0) / math.log(x1 / x0)
    exponent = math.log(y0) + slope * math.log(x / x0)
    # A nearly flat table read backwards is nearly upright: beyond any clock, and min() drops it.
    return math.exp(exponent) if exponent < LARGEST_EXPONENT else math.inf


def _additive_inverse(law: AdditiveLaw, clock_s: float) -> float:
    """Newton from above: F is convex and rising for b ≥ 1, so the steps fall monotonically."""
    t = clock_s
    for _ in range(200):
        slope = 1 + law.a * law.b * t ** (law.b - 1)
        step = (t + law.a * t**law.b - clock_s) / slope
        t -= step
        if abs(step) <= 1e-15 * t:
            break
    return t


def _check_rows(rows: tuple[tuple[float, ...], ...], second: Within) -> None:
    times = Within("The metered time", 1e-6, 1e7, "s")
    for place, row in enumerate(rows):
        if len(row) not in (2, 3):
            raise _unsound(place, "a row has two numbers, or three with a development change")
        times.check(row[0], f"rows.{place}.0")
        second.check(row[1], f"rows.{place}.1")
        if len(row) == 3:
            DEVELOPMENT_CHANGE.check(row[2], f"rows.{place}.2")
        if place and row[0] <= rows[place - 1][0]:
            raise _unsound(place, "metered times must rise from row to row")


def _unsound(place: int, why: str) -> Unsound:
    return Unsound(f"Row {place + 1} of the reciprocity table: {why}.", field=f"rows.{place}")
