"""The demo's days, told from the day it is built: written for one, they stand beside any."""

from __future__ import annotations

import dataclasses
import re
from collections.abc import Callable
from datetime import date, timedelta
from typing import Any

WRITTEN = date(2026, 1, 18)  # the day the demo's dates were written for
DAY = re.compile(r"(\d{4}-\d{2}-\d{2})(T.*)?")
MONTH = re.compile(r"(\d{4})-(\d{2})")

Moved = Callable[[Any], Any]


def moved_to(today: date) -> Moved:
    """Moves every day, moment and month of a record as far as today is from the day written for.

    >>> moved_to(date(2026, 3, 19))(("2026-01-17", "2027-06", "2026-01-17T09:20:00Z", "wet slate"))
    ('2026-03-18', '2027-08', '2026-03-18T09:20:00Z', 'wet slate')
    """
    days = (today - WRITTEN).days
    months = (today.year - WRITTEN.year) * 12 + today.month - WRITTEN.month

    def moved(value: Any) -> Any:
        if isinstance(value, str):
            return _text(value, days, months)
        if isinstance(value, tuple):
            return tuple(moved(each) for each in value)
        if dataclasses.is_dataclass(value) and not isinstance(value, type):
            fields = {each.name: getattr(value, each.name) for each in dataclasses.fields(value)}
            return dataclasses.replace(
                value, **{name: moved(each) for name, each in fields.items()}
            )
        return value

    return moved


def _text(text: str, days: int, months: int) -> str:
    day, month = DAY.fullmatch(text), MONTH.fullmatch(text)
    if day:
        return (date.fromisoformat(day[1]) + timedelta(days)).isoformat() + (day[2] or "")
    if month:
        years, index = divmod(int(month[1]) * 12 + int(month[2]) - 1 + months, 12)
        return f"{years:04}-{index + 1:02}"
    return text
