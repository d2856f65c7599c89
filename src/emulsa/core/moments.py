"""Moments: when something was done, as ISO 8601 in UTC, and how they are told from other words.

The core asks no clock; a moment is given to it. Arithmetic is by whole seconds of the calendar.
"""

from __future__ import annotations

import calendar
import re
from dataclasses import dataclass
from functools import lru_cache
from typing import Annotated, Any

from emulsa.core.errors import Unreadable, Unsound

PATTERN = re.compile(
    r"(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})(?::(\d{2})(\.\d{1,6})?)?(Z|[+-]\d{2}:\d{2})"
)
LONGEST = 40


@dataclass(frozen=True)
class Instant:
    """A limit on text: it must be an instant with its zone, as 2026-01-17T09:20:00.000Z."""

    def check(self, value: Any, field: str | None = None) -> Any:
        seconds(value, field)
        return value

    def __get_pydantic_json_schema__(self, schema: Any, handler: Any) -> Any:
        return {**handler(schema), "format": "date-time"}


Moment = Annotated[str, Instant()]


def seconds(moment: str, field: str | None = None) -> float:
    """Seconds since 1970 of an instant; Unreadable for anything else.

    >>> seconds("1970-01-02T00:00:01.5Z"), seconds("2026-01-17T10:20:00+01:00") % 86_400
    (86401.5, 33600.0)
    """
    found = PATTERN.fullmatch(moment) if len(moment) <= LONGEST else None
    if found:
        year, month, day, hour, minute, second = (int(found[k] or 0) for k in range(1, 7))
        last = calendar.monthrange(year, month)[1] if year and 1 <= month <= 12 else 0
        if 1 <= day <= last and hour < 24 and minute < 60 and second < 60:
            whole = calendar.timegm((year, month, day, hour, minute, second))
            return whole + float(found[7] or 0) - _zone_s(found[8])
    raise Unreadable(f"“{moment[:LONGEST]}” is no moment; write 2026-01-17T09:20:00Z.", field=field)


@lru_cache(1_024)  # the same days stand in many records
def day_number(text: str, field: str) -> int:
    """A day as a number that grows by one from day to day; Unsound when there is no such day.

    >>> day_number("2026-03-01", "day") - day_number("2026-02-28", "day")
    1
    """
    if re.fullmatch(r"\d{4}-\d{2}-\d{2}", text):
        year, month, day = (int(part) for part in text.split("-"))
        if year and 1 <= month <= 12 and 1 <= day <= calendar.monthrange(year, month)[1]:
            return calendar.timegm((year, month, day, 0, 0, 0)) // 86_400
    raise Unsound(f"“{text}” is not a day; write 2026-01-17.", field=field)


def between(earlier: str, later: str) -> float | None:
    """Seconds from one instant to another; nothing when either is none.

    >>> between("2026-01-17T09:20:00Z", "2026-01-17T09:21:00Z"), between("", "2026-01-17T09:21:00Z")
    (60.0, None)
    """
    try:
        return seconds(later) - seconds(earlier)
    except Unreadable:
        return None


def moment_at(unix_s: float) -> str:
    """The instant of seconds since 1970, to the second.

    >>> moment_at(86_401)
    '1970-01-02T00:00:01Z'
    """
    days, rest = divmod(round(unix_s), 86_400)
    year, month, day = _civil(days)
    hour, minute = rest // 3600, rest // 60 % 60
    return f"{year:04d}-{month:02d}-{day:02d}T{hour:02d}:{minute:02d}:{rest % 60:02d}Z"


def _civil(days: int) -> tuple[int, int, int]:
    """A number of days since 1970 as year, month and day; eras of 400 years begin in March."""
    era, of_era = divmod(days + 719_468, 146_097)
    year = (of_era - of_era // 1_460 + of_era // 36_524 - of_era // 146_096) // 365
    of_year = of_era - (365 * year + year // 4 - year // 100)
    month = (5 * of_year + 2) // 153
    day = of_year - (153 * month + 2) // 5 + 1
    month += 3 if month < 10 else -9
    return year + era * 400 + (month <= 2), month, day


def _zone_s(zone: str) -> int:
    if zone == "Z":
        return 0
    sign = -1 if zone[0] == "-" else 1
    return sign * (int(zone[1:3]) * 3_600 + int(zone[4:6]) * 60)
