"""A logged exposure in words."""

from __future__ import annotations

from emulsa.core.light.hand_time import time_text
from emulsa.core.light.marks import ApertureMark, mark_text
from emulsa.core.logged.record import Exposure, Shot
from emulsa.core.written import stops_text


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


def part_text(logged: Exposure | Shot) -> str:
    """Its place in a bracket (``bracket +1``) or its part of a multiple exposure; else nothing."""
    return part_of(logged.share, logged.bracket_id, logged.bracket_stops)


def part_of(share: float, bracket_id: str | None, bracket_stops: float) -> str:
    """What of its exposure a frame is.

    >>> part_of(0.5, None, 0.0), part_of(1.0, "b", 2 / 3), part_of(1.0, None, 0.0)
    ('50 % of it', 'bracket +⅔', '')
    """
    if share < 1:
        return f"{100 * share:.0f} % of it"
    return f"bracket {stops_text(bracket_stops)}" if bracket_id else ""
