"""How one photographer writes numbers: degrees, volumes, lengths, stops and dates.

The core keeps °C, ml, mm, stops and ISO dates; only what is read by a person is written otherwise.
Whoever answers a person says once how that person writes (``writing``), and every sentence made
inside follows, as decimal numbers follow their context. Outside of it the core writes as the
compute contract does.
"""

from __future__ import annotations

import calendar
import re
from collections.abc import Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from dataclasses import dataclass
from typing import Literal

from emulsa.core.degrees import F_AT_0, F_PER_C, fahrenheit
from emulsa.core.lengths import ML_PER_FL_OZ, MM_PER_IN
from emulsa.core.numbers import number_text, plain


@dataclass(frozen=True, kw_only=True, slots=True)
class Written:
    """The forms one photographer reads.

    Focal lengths and holes stay in millimetres, as they are engraved.
    """

    temperature: Literal["C", "F"] = "C"
    volume: Literal["ml", "fl oz"] = "ml"
    length: Literal["mm", "in"] = "mm"
    stops: Literal["third", "tenth"] = "third"
    dates: Literal["day first", "month first", "iso"] = "day first"
    currency: str = ""


CONTRACT = Written()
SIXTH = 1 / 6
_CURRENT: ContextVar[Written | None] = ContextVar("written", default=None)


@dataclass(frozen=True, kw_only=True, slots=True)
class Unit:
    """A unit as a field shows it: its name, how many make one of the core's, where it begins, and
    how many digits a measure gives."""

    name: str
    per: float
    zero: float
    digits: int
    own: bool


@contextmanager
def writing(form: Written) -> Iterator[None]:
    """Everything written inside is written so.

    >>> with writing(Written(temperature="F")):
    ...     temperature_text(20)
    '68 °F'
    """
    token = _CURRENT.set(form)
    try:
        yield
    finally:
        _CURRENT.reset(token)


def _form() -> Written:
    return _CURRENT.get() or CONTRACT


def units() -> dict[str, Unit]:
    """By the core's unit, the one the photographer measures in.

    >>> with writing(Written(temperature="F")):
    ...     units()["°C"].per, units()["°C"].zero
    (1.8, 32.0)
    """
    form = _form()
    found = {
        "mm": Unit(name="mm", per=1, zero=0, digits=3, own=True),
        "ml": Unit(name="ml", per=1, zero=0, digits=1, own=True),
        "°C": Unit(name="°C", per=1, zero=0, digits=1, own=True),
    }
    if form.length == "in":
        found["mm"] = Unit(name="in", per=1 / MM_PER_IN, zero=0, digits=3, own=False)
    if form.volume == "fl oz":
        found["ml"] = Unit(name="fl oz", per=1 / ML_PER_FL_OZ, zero=0, digits=2, own=False)
    if form.temperature == "F":
        found["°C"] = Unit(name="°F", per=F_PER_C, zero=F_AT_0, digits=1, own=False)
    return found


FARTHEST_MM = 1e8  # so far that no lens tells it from the horizon


def ratio_text(magnification: float) -> str:
    """How large an image is, as one says it.

    >>> ratio_text(0.5), ratio_text(2), ratio_text(1 / 3)
    ('1 : 2', '2 : 1', '1 : 3')
    """
    if magnification >= 1:
        return f"{magnification:.3g} : 1"
    return f"1 : {1 / magnification:.3g}" if magnification else "infinity"


def length_text(mm: float) -> str:
    """A length one sets or measures: millimetres, or inches to a hundredth.

    >>> length_text(30)
    '30 mm'
    """
    return f"{_length(mm)} {_form().length}"


def distance_text(mm: float) -> str:
    """How far away something is: to what one can pace, close up to the millimetre.

    >>> distance_text(3999), distance_text(430), distance_text(1e8)
    ('4 m', '43 cm', 'the horizon')
    """
    if mm >= FARTHEST_MM:
        return "the horizon"
    if mm < 1000:
        return f"{mm / 10:.3g} cm"
    return f"{mm / 1000:.2g} m" if mm < 9_950 else f"{mm / 1000:.0f} m"


def area_text(size_mm: tuple[float, float]) -> str:
    """A width and a height, the unit once.

    >>> area_text((120, 95))
    '120 × 95 mm'
    """
    return f"{_length(size_mm[0])} × {length_text(size_mm[1])}"


def volume_text(ml: float) -> str:
    """To a tenth below 20 ml, to the millilitre above; ounces to a hundredth.

    >>> volume_text(31.25), volume_text(9.8039)
    ('31 ml', '9.8 ml')
    """
    return f"{_volume(ml)} {_form().volume}"


def amount_text(ml: float) -> str:
    """The same for what is bought or let run: litres from two on.

    >>> amount_text(12_623), amount_text(750)
    ('12.6 l', '750 ml')
    """
    if _form().volume == "ml" and ml >= 2_000:
        return f"{plain(round(ml / 1_000, 1))} l"
    return volume_text(ml)


def money_text(amount: float) -> str:
    """Money, with the photographer's own sign.

    >>> with writing(Written(currency="£")):
    ...     money_text(2.5)
    '£2.50'
    """
    return f"{_form().currency}{amount:.2f}"


def degrees_text(celsius: float) -> str:
    """The number alone, to a tenth, as one types it beside the unit.

    >>> degrees_text(20)
    '20'
    """
    return plain(round(celsius if _form().temperature == "C" else fahrenheit(celsius), 1))


def temperature_text(celsius: float) -> str:
    """To a tenth of a degree.

    >>> temperature_text(20)
    '20 °C'
    """
    return f"{degrees_text(celsius)} °{_form().temperature}"


def warmth_text(celsius: float) -> str:
    """A difference of temperatures, which has no zero to move.

    >>> with writing(Written(temperature="F")):
    ...     warmth_text(0.5)
    '0.9 °F'
    """
    form = _form()
    return f"{plain(celsius if form.temperature == 'C' else F_PER_C * celsius)} °{form.temperature}"


def range_text(
    low: float, high: float, given: float | None, unit: str, engraved: bool = False
) -> tuple[str, str]:
    """A range with its unit, and a value of it, both in the one the photographer uses.

    >>> range_text(0, 3_000, 3_500, "mm"), range_text(-8, 24, None, "")
    (('0 and 3000 mm', '3500'), ('−8 and 24', 'not a number'))
    """
    own = {
        "mm": (_length, _form().length),
        "ml": (_range_ml, _form().volume),
        "°C": (_range_c, f"°{_form().temperature}"),
    }
    write, name = (plain, unit) if engraved else own.get(unit, (plain, unit))
    said = "not a number" if given is None else write(given)
    return f"{write(low)} and {write(high)}{' ' if name else ''}{name}", said


def stops_text(stops: float) -> str:
    """Signed stops: to the nearest third or half, or in tenths; two decimals when it is less.

    Where nobody said how they write, a fraction stands only for an exact one.

    >>> stops_text(3), stops_text(0.526), stops_text(-2), stops_text(1 / 3), stops_text(0)
    ('+3', '+0.53', '−2', '+⅓', '0')
    >>> for form in (Written(), Written(stops="tenth")):
    ...     with writing(form):
    ...         stops_text(0.526), stops_text(-5 / 3), stops_text(0.04)
    ('+½', '−1⅔', '+0.04')
    ('+0.5', '−1.7', '+0.04')
    """
    if abs(stops) < 0.005:
        return "0"
    return ("−" if stops < 0 else "+") + size_text(abs(stops))


def size_text(stops: float) -> str:
    """How many stops, without a sign.

    >>> size_text(0.526), size_text(4 / 3)
    ('0.53', '1⅓')
    """
    form = _CURRENT.get()
    if form is not None and form.stops == "tenth":
        return f"{stops:.1f}".removesuffix(".0") if stops >= 0.05 else f"{stops:.2f}"
    if form is not None and stops >= 1 / 6:
        return number_text(stops)
    if min(abs(stops * 3 - round(stops * 3)) / 3, abs(stops * 2 - round(stops * 2)) / 2) < 1e-6:
        return number_text(stops)
    return f"{stops:.2f}"


def size_words(stops: float) -> str:
    """How many stops, without a sign, with their noun.

    >>> size_words(2), size_words(-1 / 3), size_words(1)
    ('2 stops', '⅓ stop', '1 stop')
    """
    return stops_words(abs(stops)).removeprefix("+")


def doubt_text(sigma_stops: float) -> str:
    """A doubt, one standard deviation, behind what it belongs to; nothing under a sixth.

    >>> doubt_text(0.5), doubt_text(0.2), doubt_text(0.1)
    ('± ½', '± ⅓', '')
    """
    if sigma_stops < SIXTH - 1e-9:
        return ""
    form = _CURRENT.get()
    if form is not None and form.stops == "tenth":
        return f"± {size_text(sigma_stops)}"
    return f"± {number_text(max(2 * SIXTH, sigma_stops))}"


def stops_words(stops: float) -> str:
    """Signed stops with their noun.

    >>> stops_words(2), stops_words(-1 / 3), stops_words(-1.5)
    ('+2 stops', '−⅓ stop', '−1½ stops')
    """
    return f"{stops_text(stops)} stop" + ("s" if abs(stops) > 1.005 else "")


def day_words(day: str) -> str:
    """An ISO date as one says it; anything else as it is.

    >>> day_words("2026-01-17"), day_words("")
    ('17 January 2026', '')
    >>> with writing(Written(dates="month first")):
    ...     day_words("2026-01-17")
    'January 17, 2026'
    """
    found = re.fullmatch(r"(\d{4})-(\d{2})-(\d{2})", day)
    if not found or not 1 <= int(found[2]) <= 12 or _form().dates == "iso":
        return day
    month = calendar.month_name[int(found[2])]
    if _form().dates == "month first":
        return f"{month} {int(found[3])}, {found[1]}"
    return f"{int(found[3])} {month} {found[1]}"


def month_words(month: str) -> str:
    """A month, or a day of it, as it stands on a box; anything else as it is.

    >>> month_words("2027-06"), month_words("2027-06-30")
    ('June 2027', 'June 2027')
    """
    found = re.fullmatch(r"(\d{4})-(\d{2})(?:-\d{2})?", month)
    if not found or not 1 <= int(found[2]) <= 12:
        return month
    if _form().dates == "iso":
        return f"{found[1]}-{found[2]}"
    return f"{calendar.month_name[int(found[2])]} {found[1]}"


def _length(mm: float) -> str:
    return plain(mm) if _form().length == "mm" else plain(round(mm / MM_PER_IN, 2))


def _volume(ml: float) -> str:
    if _form().volume == "fl oz":
        return plain(round(ml / ML_PER_FL_OZ, 2))
    return plain(round(ml, 1 if ml < 20 else 0))


def _range_c(celsius: float) -> str:
    return plain(celsius) if _form().temperature == "C" else degrees_text(celsius)


def _range_ml(ml: float) -> str:
    return plain(ml) if _form().volume == "ml" else plain(round(ml / ML_PER_FL_OZ, 2))
