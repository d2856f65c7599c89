"""A logged exposure in words."""

from __future__ import annotations

import math
from collections.abc import Iterable

from emulsa.core.exposing.chain import WORTH_SHOWING_STOPS
from emulsa.core.light.hand_time import time_text
from emulsa.core.light.marks import ApertureMark, mark_text
from emulsa.core.logged.record import Exposure, Shot
from emulsa.core.written import size_words, stops_text

SHARE_SLACK = 1e-3  # thirds of a multiple exposure add up in spite of their last digit
UNSURE = (
    "sky-estimated",
    "reciprocity-unknown",
    "reciprocity-extrapolated",
    "setting-off",
    "faster-than-shutter",
    "families-crossed",
)


def set_text(aperture: ApertureMark, seconds: float, mark: str = "") -> str:
    """Aperture and time really given, as one writes them; of a measured shutter what its dial stood
    at, and what that gives.

    >>> set_text("32", 9), set_text("9", 1 / 217, "1/250")
    ('f/32, 9 s', 'f/9, 1/250 (gives 1/217 s)')
    """
    time = time_text(seconds)
    if mark and time != f"{mark} s":
        time = f"{mark} (gives {time})"
    return f"{mark_text(aperture)}, {time}"


def off_text(error_stops: float) -> str:
    """How far an exposure was off, where it would show in the negative; else nothing.

    >>> off_text(0.03), off_text(-0.5), off_text(2)
    ('', '½ stop too little', '2 stops too much')
    """
    if abs(error_stops) < WORTH_SHOWING_STOPS - 1e-9:
        return ""
    amount = size_words(error_stops)
    return f"{amount} too {'much' if error_stops > 0 else 'little'}"


def planned_text(logged: Exposure) -> str:
    """What the plan of the day said to set; nothing when none was kept."""
    setting = logged.answer.get("set")
    return f"{setting['aperture']}, {setting['text']}" if setting else ""


def against_plan(logged: Exposure) -> str:
    """How what was given stands to the plan of the day: as planned, or what was planned instead;
    what was brought in has no plan, and that is said."""
    planned = planned_text(logged)
    if not planned:
        return "brought in without a plan"
    given = set_text(logged.aperture, logged.seconds)
    mark = set_text(logged.aperture, logged.seconds, logged.mark)
    setting = logged.answer["set"]
    dial = f"{setting['aperture']}, {logged.mark}" if logged.mark else ""
    return "as planned" if planned in (given, mark, dial) else f"planned {planned}"


def doubts_of(logged: Exposure) -> list[str]:
    """What was unsure of an exposure when it was made, in the words of the day."""
    said = logged.answer.get("advice", [])
    return [each["text"] for each in said if each.get("code") in UNSURE]


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


def twice_text(shares: Iterable[float]) -> str:
    """Said of film that was exposed again by accident: its openings add up to more than one.

    >>> twice_text([1.0, 1.0]), twice_text([0.5, 0.5]), twice_text([1 / 3, 1 / 3, 1 / 3])
    ('exposed twice', '', '')
    """
    return "exposed twice" if math.fsum(shares) > 1 + SHARE_SLACK else ""
