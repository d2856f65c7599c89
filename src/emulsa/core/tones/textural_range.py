"""Which tones keep texture, and which are lost. Typical print scale II…VIII: common practice."""

from __future__ import annotations

from typing import Literal

from emulsa.core.errors import Unsound

TYPICAL = (2.0, 8.0)


def check(low: float, high: float) -> tuple[float, float]:
    """The range itself, or Unsound when it is empty or upside down."""
    if high <= low:
        raise Unsound(
            "The textural range must rise: its upper zone must lie above its lower zone.",
            field="textural_range",
            allowed=[0, 10],
        )
    return low, high


def lost(zone: float, low: float, high: float) -> Literal["", "shadow", "highlight"]:
    """Whether a tone at ``zone`` falls below or above the range; a tone on the edge is kept.

    >>> lost(9, 2, 8), lost(8, 2, 8), lost(1, 2, 8)
    ('highlight', '', 'shadow')
    """
    if zone < low - 1e-6:
        return "shadow"
    return "highlight" if zone > high + 1e-6 else ""
