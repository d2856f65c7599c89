"""Degrees as they are typed: °C, or °F said beside the number. The core works in °C alone."""

from __future__ import annotations

import re
from typing import Any

from emulsa.core.errors import Unreadable
from emulsa.core.typed import pointed

F_PER_C, F_AT_0 = 1.8, 32.0  # by definition
PATTERN = re.compile(r"([-−]?\d+(?:\.\d+)?)\s*°?\s*([CcFf])?")


def celsius(fahrenheit: float) -> float:
    """T_C = (T_F − 32) / 1.8.

    >>> celsius(68)
    20.0
    """
    return (fahrenheit - F_AT_0) / F_PER_C


def fahrenheit(celsius_: float) -> float:
    """T_F = 1.8 · T_C + 32.

    >>> fahrenheit(20)
    68.0
    """
    return celsius_ * F_PER_C + F_AT_0


def typed(text: str, field: str | None = None) -> float:
    """Degrees Celsius of a temperature as one writes it; Unreadable for anything else.

    >>> typed("68 °F"), typed("20.5"), typed("−4 °C")
    (20.0, 20.5, -4.0)
    """
    found = PATTERN.fullmatch(pointed(text.strip(), field))
    if not found:
        raise Unreadable(
            f"“{text[:40]}” is not a temperature; type a number, as in 20.", field=field
        )
    number = float(found[1].replace("−", "-"))
    return celsius(number) if (found[2] or "").lower() == "f" else number


def of(value: Any, field: str | None = None) -> Any:
    """A temperature in °C from text; anything else as it is."""
    return typed(value, field) if isinstance(value, str) else value
