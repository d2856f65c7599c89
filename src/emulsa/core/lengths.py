"""Lengths and volumes as they are typed: mm, or inches said beside the number; ml, or ounces."""

from __future__ import annotations

import re
from typing import Any

from emulsa.core.errors import Unreadable
from emulsa.core.typed import pointed

MM_PER_IN = 25.4  # by definition
ML_PER_FL_OZ = 29.5735295625  # US fluid ounce, by definition: 32 to a quart, 128 to a gallon
LENGTH = re.compile(r"(-?\d+(?:\.\d+)?)\s*(mm|cm|m|in|″|\")?")
VOLUME = re.compile(r"(-?\d+(?:\.\d+)?)\s*(ml|l|fl\s*oz|oz|qt|gal)?", re.I)
HORIZON_MM = 1e8  # so far that no lens tells it from the horizon
IN_MM = {
    "": 1.0,
    "mm": 1.0,
    "cm": 10.0,
    "m": 1_000.0,
    "in": MM_PER_IN,
    "″": MM_PER_IN,
    '"': MM_PER_IN,
}
IN_ML = {
    "": 1.0,
    "ml": 1.0,
    "l": 1_000.0,
    "floz": ML_PER_FL_OZ,
    "oz": ML_PER_FL_OZ,
    "qt": 32 * ML_PER_FL_OZ,
    "gal": 128 * ML_PER_FL_OZ,
}


def mm(text: str, field: str | None = None) -> float:
    """Millimetres of a length as one writes it; Unreadable for anything else.

    >>> mm("30"), mm("6 in"), round(mm("2.5 cm"), 6), mm("horizon")
    (30.0, 152.39999999999998, 25.0, 100000000.0)
    """
    if text.strip().lower() == "horizon":
        return HORIZON_MM
    found = LENGTH.fullmatch(pointed(text.strip(), field))
    if not found:
        raise Unreadable(
            f"“{text[:40]}” is not a length; type a number, as in 30 or 1.2 in.", field=field
        )
    return float(found[1]) * IN_MM[found[2] or ""]


def ml(text: str, field: str | None = None) -> float:
    """Millilitres of a volume as one writes it; Unreadable for anything else.

    >>> ml("500"), ml("1 l"), ml("16 fl oz")
    (500.0, 1000.0, 473.176473)
    """
    found = VOLUME.fullmatch(pointed(text.strip(), field))
    if not found:
        raise Unreadable(
            f"“{text[:40]}” is not a volume; type a number, as in 500 or 16 fl oz.", field=field
        )
    unit = re.sub(r"\s", "", found[2] or "").lower()
    return float(found[1]) * IN_ML[unit]


def mm_of(value: Any, field: str | None = None) -> Any:
    """Millimetres from text; anything else as it is."""
    return mm(value, field) if isinstance(value, str) else value


def ml_of(value: Any, field: str | None = None) -> Any:
    """Millilitres from text; anything else as it is."""
    return ml(value, field) if isinstance(value, str) else value
