"""A logged exposure in words."""

from __future__ import annotations

from emulsa.core.light.hand_time import stops_text, time_text
from emulsa.core.light.marks import ApertureMark, mark_text
from emulsa.core.logged.record import Exposure


def set_text(aperture: ApertureMark, seconds: float) -> str:
    """Aperture and time really given, as one writes them.

    >>> set_text("32", 9)
    'f/32, 9 s'
    """
    return f"{mark_text(aperture)}, {time_text(seconds)}"


def planned_text(logged: Exposure) -> str:
    """What the plan of the day said to set; nothing when none was kept."""
    setting = logged.answer.get("set")
    return f"{setting['aperture']}, {setting['text']}" if setting else ""


def part_text(logged: Exposure) -> str:
    """Its place in a bracket (``bracket +1``) or its part of a multiple exposure; else nothing."""
    if logged.share < 1:
        return f"{100 * logged.share:.0f} % of it"
    return f"bracket {stops_text(logged.bracket_stops)}" if logged.bracket_id else ""
