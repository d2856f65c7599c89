"""Times as a hand can work them and as one writes them. Common practice, no source."""

from __future__ import annotations

import re
from bisect import bisect_right
from functools import cache, lru_cache

from emulsa.core.light.marks import SEARCHED, time_marks
from emulsa.core.typed import pointed

# Up to this many seconds, work in steps of so many: a tenth while a metronome can be followed,
# whole seconds by the watch, then coarser as the same step becomes a smaller part of a stop.
HAND_STEPS = ((5, 0.1), (10, 0.5), (60, 1), (600, 5), (3_600, 30), (float("inf"), 60))
HAND_LIMITS = [limit for limit, _ in HAND_STEPS]
WATCH = re.compile(r"(?:(\d+):([0-5]?\d)|(\d+(?:\.\d+)?))\s*(?:s|sec|seconds)?")
SHORTEST_BY_HAND_S = 0.3  # below this a hand-timed exposure is a fraction, not a count


def hand_time_s(seconds: float) -> float:
    """The nearest time a hand can work; ties go to the longer. Fractions below 0.3 s.

    >>> hand_time_s(9.08), hand_time_s(1.28), hand_time_s(128.2), hand_time_s(43.3)
    (9.0, 1.3, 130.0, 43.0)
    """
    if seconds < SHORTEST_BY_HAND_S:
        return 1 / max(round(1 / seconds), 1)
    snapped = round(seconds, 9)
    _, step = HAND_STEPS[bisect_right(HAND_LIMITS, snapped)]
    return round(float(int(snapped / step + 0.5 + 1e-9) * step), 9)


def watch_s(text: str) -> float | None:
    """Seconds as a watch counts them: ``9``, ``37.5 s``, ``2:10``; nothing for anything else.

    >>> watch_s("2:10"), watch_s("0.5 s"), watch_s("1/60")
    (130.0, 0.5, None)
    """
    found = WATCH.fullmatch(pointed(text.strip()))
    if not found:
        return None
    if found[1] is not None:
        return int(found[1]) * 60.0 + int(found[2])
    return float(found[3])


@lru_cache(2048)  # the same times stand in the ledger, the strip and the plans
def time_text(seconds: float) -> str:
    """A time as one writes it, to what matters at its length; the exact step of a mark as engraved.

    >>> [time_text(each) for each in (1 / 64, 1 / 48, 5.76, 43.2, 130, 3900, 7200)]
    ['1/60 s', '1/48 s', '5.8 s', '43 s', '2 min 10 s', '1 h 5 min', '2 h']
    """
    if seconds < 0.95:
        return _fraction(seconds)
    if seconds < 9.95:
        return f"{round(seconds, 1):g} s"
    whole = round(seconds)
    if whole < 60:
        return f"{whole} s"
    if whole < 3_600:
        return _joined((whole // 60, "min"), (whole % 60, "s"))
    minutes = round(seconds / 60)
    return _joined((minutes // 60, "h"), (minutes % 60, "min"))


def hours_text(minutes: float) -> str:
    """A stretch of an evening, to the minute.

    >>> hours_text(386.7), hours_text(59.4)
    ('6 h 27 min', '59 min')
    """
    hours, rest = divmod(round(minutes), 60)
    return f"{hours} h {rest} min" if hours else f"{rest} min"


def watch_text(seconds: float) -> str:
    """Seconds as a watch shows them.

    >>> watch_text(75), watch_text(3_725)
    ('1:15', '1:02:05')
    """
    whole = round(seconds)
    hours, minutes = whole // 3_600, whole % 3_600 // 60
    if hours:
        return f"{hours}:{minutes:02d}:{whole % 60:02d}"
    return f"{minutes}:{whole % 60:02d}"


def hand_minutes(minutes: float) -> float:
    """Developing time as the clock is set: to five seconds, as it is written.

    >>> hand_minutes(10.4) * 60
    625.0
    """
    return int(round(minutes * 12, 9) + 0.5) / 12


def clock_text(minutes: float) -> str:
    """Developing time as it is typed: ``6:50``.

    >>> clock_text(10.4), clock_text(8)
    ('10:25', '8:00')
    """
    seconds = round(hand_minutes(minutes) * 60)
    return f"{seconds // 60}:{seconds % 60:02d}"


def minutes_text(minutes: float) -> str:
    """Developing time in minutes and seconds, to five seconds.

    >>> minutes_text(6.83), minutes_text(8)
    ('6 min 50 s', '8 min')
    """
    seconds = round(hand_minutes(minutes) * 60)
    return _joined((seconds // 60, "min"), (seconds % 60, "s"))


@cache
def _engraved() -> dict[float, str]:
    """The fractions of a second that shutters are engraved with, by their exact step."""
    found: dict[float, str] = {}
    for series in SEARCHED:
        for text, exact in time_marks(series).items():
            if "/" in text:
                found.setdefault(round(exact, 9), text)
    return found


def _fraction(seconds: float) -> str:
    mark = _engraved().get(round(seconds, 9))
    if mark:
        return f"{mark} s"
    lower = round(1 / seconds)
    if lower > 1 and abs(1 / seconds / lower - 1) < 0.05:
        return f"1/{lower} s"
    return f"{seconds:.2g} s"


def _joined(larger: tuple[int, str], smaller: tuple[int, str]) -> str:
    parts = [f"{count} {unit}" for count, unit in (larger, smaller) if count]
    return " ".join(parts) or f"0 {smaller[1]}"
