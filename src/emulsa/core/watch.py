"""Stretches of time as they are typed: 6:50, 6 min 50 s, 6.5. The core works in one unit each."""

from __future__ import annotations

import re
from typing import Any

from emulsa.core.errors import Unreadable
from emulsa.core.typed import pointed

CLOCK = re.compile(r"(\d+):([0-5]\d)(?:\s*min)?")
WORDS = re.compile(r"(?:(\d+(?:\.\d+)?)\s*min)?\s*(?:(\d+(?:\.\d+)?)\s*s)?")
FRACTION = re.compile(r"(\d{1,5})\s*/\s*([1-9]\d{0,5})")
PLAIN = re.compile(r"\d+(?:\.\d+)?")


def _number(text: str | None) -> float:
    return float(text or "0")


def minutes(text: str, field: str | None = None) -> float:
    """Minutes of a time as one writes it; a number alone is minutes. Unreadable for anything else.

    >>> [round(minutes(each), 4) for each in ("6:50", "6 min 50 s", "6.5", "7.5", "45 s")]
    [6.8333, 6.8333, 6.5, 7.5, 0.75]
    """
    said = pointed(text.strip(), field)
    clock, words = CLOCK.fullmatch(said), WORDS.fullmatch(said)
    if clock:
        return int(clock[1]) + int(clock[2]) / 60
    if PLAIN.fullmatch(said):
        return _number(said)
    if words and said:
        return _number(words[1]) + _number(words[2]) / 60
    raise Unreadable(f"“{text[:40]}” is not a time; type minutes, as in 6:50.", field=field)


def minutes_typed(minutes: float) -> str:
    """Minutes as they are typed, to the last digit: by the clock where they are whole seconds.

    >>> minutes_typed(6.5), minutes_typed(5.4666666666666666), minutes_typed(6.123)
    ('6:30', '5:28', '6.123')
    """
    whole = round(minutes * 60)
    if abs(minutes * 60 - whole) > 1e-6:
        return f"{minutes:.12g}"
    return f"{whole // 60}:{whole % 60:02d}"


def seconds(text: str, field: str | None = None) -> float:
    """Seconds of a time as one writes it; a number alone is seconds, and so is a fraction.

    >>> seconds("90"), seconds("1:30"), seconds("5 min"), seconds("1/8")
    (90.0, 90.0, 300.0, 0.125)
    """
    said = pointed(text.strip(), field)
    part = FRACTION.fullmatch(said)
    if part:
        return int(part[1]) / int(part[2])
    return _number(said) if PLAIN.fullmatch(said) else minutes(text, field) * 60


def minutes_of(value: Any, field: str | None = None) -> Any:
    """Minutes from text; anything else as it is."""
    return minutes(value, field) if isinstance(value, str) else value


def seconds_of(value: Any, field: str | None = None) -> Any:
    """Seconds from text; anything else as it is."""
    return seconds(value, field) if isinstance(value, str) else value
