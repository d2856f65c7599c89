"""Which tones keep texture, and which are lost. Typical print scale II…VIII: common practice."""

from __future__ import annotations

from typing import Literal

from emulsa.core.errors import Unsound

Lost = Literal["", "shadow", "highlight"]

TYPICAL = (2.0, 8.0)
EDGE = 0.25  # of a zone: what planning N in halves may leave over (derived)


def check(low: float, high: float) -> tuple[float, float]:
    """The range itself, or Unsound when it is empty or upside down."""
    if high <= low:
        raise Unsound(
            "The textural range must rise: its upper zone must lie above its lower zone.",
            field="textural_range",
            allowed=[0, 10],
        )
    return low, high


def lost(zone: float, low: float, high: float) -> Lost:
    """Whether a tone at ``zone`` falls below or above the range; a tone on the edge is kept,
    and so is one as far over it as planning N in halves may leave.

    >>> lost(9, 2, 8), lost(8, 2, 8), lost(1, 2, 8)
    ('highlight', '', 'shadow')
    """
    if zone < low - EDGE - 1e-9:
        return "shadow"
    return "highlight" if zone > high + EDGE + 1e-9 else ""
