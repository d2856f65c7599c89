"""Marks and literals: an engraved mark means its exact step, a free number means itself.

A *string* is a mark (``"f/22"`` = 2^4.5, ``"1/60"`` = 1/64 s, ``"15"`` on a shutter = 16 s);
a *number* is literal (138, 37.5 s). Full, half and third series; ``old_leaf`` marks are literal.
Where two series engrave the same word (13, 1/20) the full and third series win unless told.
Source: ISO 517 (apertures) and ISO 516 (shutters), tables in ``core.data.marks``.
"""

from __future__ import annotations

import math
import re
from bisect import bisect_left
from collections.abc import Sequence
from functools import cache, lru_cache
from typing import Annotated, Literal

from emulsa.core.data import marks as engraved
from emulsa.core.errors import Unreadable
from emulsa.core.limits import F_NUMBERS, TIMES, FNumber, Length, Seconds
from emulsa.core.numbers import plain
from emulsa.core.typed import pointed

MarkText = Annotated[str, Length("A mark", 1, 16)]
ApertureMark = MarkText | FNumber
TimeMark = MarkText | Seconds
Series = Literal["full", "half", "third", "old_leaf"]
ApertureSeries = Literal["full", "half", "third", "old_leaf", "uniform", "continental"]
Mark = tuple[str, float]  # as engraved, and exactly
SEARCHED: tuple[Series, ...] = ("full", "third", "half")
OLD: tuple[ApertureSeries, ...] = ("uniform", "continental")
UNIFORM = "U"  # how a mark of the uniform scale is told from an f-number


@cache
def aperture_marks(series: ApertureSeries) -> dict[str, float]:
    """Engraved text → exact f-number of one series' own marks; of the uniform scale with a U.

    >>> aperture_marks("full")["22"] == 2**4.5, aperture_marks("uniform")["U16"]
    (True, 16.0)
    """
    if series == "uniform":
        return {f"{UNIFORM}{2**k}": 4 * 2 ** (k / 2) for k in range(engraved.UNIFORM_MARKS)}
    if series == "continental":
        return {text: float(text) for text in engraved.CONTINENTAL_APERTURES}
    if series == "half":
        return {text: 2 ** ((n + 0.5) / 2) for n, text in enumerate(engraved.HALF_APERTURES)}
    if series == "third":
        return {
            text: 2 ** ((n // 2 + (1 + n % 2) / 3) / 2)
            for n, text in enumerate(engraved.THIRD_APERTURES)
        }
    return {text: 2 ** (n / 2) for n, text in enumerate(engraved.FULL_APERTURES)}


@cache
def time_marks(series: Series) -> dict[str, float]:
    """Engraved text → exact seconds of one series' own marks.

    >>> time_marks("full")["1/60"], time_marks("full")["15"]
    (0.015625, 16.0)
    """
    first = engraved.FASTEST_FULL_POWER
    if series == "half":
        start = engraved.FASTEST_HALF_POWER
        return {text: 2 ** (start + n) for n, text in enumerate(engraved.HALF_SPEEDS)}
    if series == "third":
        return {
            text: 2 ** (first + n // 2 + (1 + n % 2) / 3)
            for n, text in enumerate(engraved.THIRD_SPEEDS)
        }
    return {text: 2.0 ** (first + n) for n, text in enumerate(engraved.FULL_SPEEDS)}


@lru_cache(512)
def f_number(mark: str | float, series: ApertureSeries | None = None) -> float:
    """The f-number a mark or a literal number means.

    >>> f_number("f/11") == 2**3.5, f_number(138), f_number("16", "uniform"), f_number("U16")
    (True, 138.0, 16.0, 16.0)
    """
    if not isinstance(mark, str):
        return F_NUMBERS.check(float(mark), "aperture")
    text = re.sub(r"^[fF]\s*/?\s*", "", mark.strip())
    found = _aperture(text, series)
    if found is None:
        raise Unreadable(
            f"“{mark}” is not an engraved aperture; use a mark such as 22 or f/5.6,"
            " or a plain number for a measured opening.",
            field="aperture",
        )
    return found


def typed_aperture(mark: ApertureMark) -> ApertureMark:
    """An aperture as it is typed, as it is kept: an engraved mark bare of its f, else the number.

    >>> typed_aperture("f/22"), typed_aperture(" 138"), typed_aperture("6.8")
    ('22', 138.0, 6.8)
    """
    if not isinstance(mark, str):
        return mark
    text = re.sub(r"^f\s*/?\s*", "", pointed(mark.strip(), "aperture"), flags=re.IGNORECASE)
    if _aperture(text, None) is not None:
        return text.upper() if text[0] in "uU" else text
    number = literal_seconds(text)
    if number is None:
        f_number(text)  # says what an aperture is
    assert number is not None
    return F_NUMBERS.check(number, "aperture")


@lru_cache(512)
def seconds(mark: str | float, series: Series | None = None) -> float:
    """The seconds a shutter or meter-dial mark or a literal number means.

    >>> seconds("1/500"), seconds("1/100", "old_leaf"), seconds(37.5)
    (0.001953125, 0.01, 37.5)
    """
    if not isinstance(mark, str):
        return TIMES.check(float(mark), "time")
    text = re.sub(r"\s*(s|sec)$", "", mark.strip())
    found = literal_seconds(text) if series == "old_leaf" else _time(text, series)
    if found is None:
        raise Unreadable(
            f"“{mark}” is not an engraved shutter time; use a mark such as 1/60 or 15,"
            " or a plain number of seconds.",
            field="time",
        )
    return TIMES.check(found, "time")


def literal_seconds(text: str) -> float | None:
    """``1/7`` or ``37.5`` read as the number it is; nothing when it is no number."""
    match = re.fullmatch(r"(\d+(?:\.\d+)?)(?:/(\d+(?:\.\d+)?))?", text)
    if not match or (match[2] and float(match[2]) == 0):
        return None
    return float(match[1]) / float(match[2] or 1)


def _aperture(text: str, series: ApertureSeries | None) -> float | None:
    # a half- or third-stop scale carries the full marks too; a U is never anything else
    text = engraved_on(text, series) if series == "uniform" else text.replace("u", UNIFORM)
    tried = (*SEARCHED, *OLD) if series is None else (series, "full", "uniform")
    tables = (aperture_marks(each) for each in tried)
    return next((table[text] for table in tables if text in table), None)


def _time(text: str, series: Series | None) -> float | None:
    tried: tuple[Series, ...] = SEARCHED if series is None else (series, "full")
    return next((time_marks(each)[text] for each in tried if text in time_marks(each)), None)


def engraved_on(mark: str, series: ApertureSeries | None) -> str:
    """A mark of a lens told from every other scale's: 8 on a uniform lens is U8, which is f/11.

    >>> engraved_on("8", "uniform"), engraved_on("U 8", "uniform"), engraved_on("8", "third")
    ('U8', 'U8', '8')
    """
    if series != "uniform":
        return mark
    return UNIFORM + mark.strip().lstrip("fF/ uU").strip()


@cache
def aperture_scale(series: ApertureSeries) -> tuple[Mark, ...]:
    """A whole scale, widest first: the full marks and, for half and third, those between; an old
    scale has its own alone."""
    if series in OLD:
        return _by_value(aperture_marks(series))
    return _by_value({**aperture_marks("full"), **aperture_marks(series)})


@cache
def time_scale(series: Series) -> tuple[Mark, ...]:
    """A whole shutter scale, shortest first; an old leaf shutter's own marks are literal."""
    if series == "old_leaf":
        return _by_value({text: literal_seconds(text) or 0 for text in engraved.OLD_LEAF_SPEEDS})
    return _by_value({**time_marks("full"), **time_marks(series)})


def _by_value(marks: dict[str, float]) -> tuple[Mark, ...]:
    return tuple(sorted(marks.items(), key=lambda mark: mark[1]))


def nearest(value: float, scale: Sequence[Mark]) -> Mark:
    """The mark of a rising ``scale`` fewest stops away from ``value``; a tie goes to the larger.

    Distances are compared after rounding to 1e-9, so that the last bit of a logarithm, which
    differs between platforms, never decides a tie.

    >>> nearest(0.3, [("1/4", 0.25), ("1/2", 0.5)])
    ('1/4', 0.25)
    """
    place = bisect_left(scale, value, key=lambda mark: mark[1])
    if place == 0 or place == len(scale):
        return scale[min(place, len(scale) - 1)]
    shorter, longer = scale[place - 1], scale[place]
    below, above = math.log2(value / shorter[1]), math.log2(longer[1] / value)
    return shorter if round(below - above, 9) < 0 else longer


def mark_text(mark: str | float) -> str:
    """An aperture as written.

    >>> mark_text("22"), mark_text("f/8"), mark_text(138.0), mark_text("U8")
    ('f/22', 'f/8', 'f/138', 'U8')
    """
    text = mark.strip() if isinstance(mark, str) else plain(mark)
    if text[:1] == UNIFORM:
        return text
    return "f/" + text.lstrip("fF").lstrip(" /")
