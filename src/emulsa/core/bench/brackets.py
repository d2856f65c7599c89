"""A bracket that is logged already, of a card or of any even tone, as a development of a test.

What it was placed by is the tone that is measured: its frames stand as far from V as that zone and
their place in the bracket say.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from itertools import pairwise

from emulsa.core.bench.record import FilmTest, TestStrip
from emulsa.core.bench.strips import check_minutes, strip_name, with_curve
from emulsa.core.bench.tablet import FIRST_STOPS, STEP_STOPS
from emulsa.core.darkroom.run import Minutes
from emulsa.core.errors import Missing, Unsound
from emulsa.core.limits import Id
from emulsa.core.numbers import counted
from emulsa.core.tones.zones import MIDDLE
from emulsa.core.written import day_words, stops_text

EVEN = 0.1  # stops a step may be off the others
FEWEST = 2


@dataclass(frozen=True, kw_only=True, slots=True)
class BracketTaken:
    """Which bracket, and the minutes it was, or will be, developed."""

    bracket_id: Id
    minutes: Minutes


@dataclass(frozen=True, kw_only=True, slots=True)
class BracketFrame:
    """A frame of it: how far from the middle of the bracket, which zone it was placed on, its index
    on the meter, and the run it is in."""

    piece_id: str
    stops: float
    zone: float
    ei: float
    run_id: str | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class LoggedBracket:
    """A bracket on the film of a test, in words, and the minutes it was developed, as typed."""

    id: str
    says: str
    minutes: float | None


def bracket_says(frames: Sequence[float], scene: str, day: str) -> str:
    """What a bracket is, in a line.

    >>> bracket_says((-1, 0, 1), "Grey card", "2026-01-10")
    '3 frames, −1 to +1, Grey card, 10 January 2026'
    """
    low, high = stops_text(min(frames)), stops_text(max(frames))
    return f"{counted(len(frames), 'frame')}, {low} to {high}, {scene}, {day_words(day)}"


def take_bracket(test: FilmTest, frames: Sequence[BracketFrame], asked: BracketTaken) -> FilmTest:
    """The test with the bracket as a strip, its development waiting for densities.

    Missing without frames; Unsound when they are not in even steps or were metered at more than one
    index; Impossible as for film that is exposed for the test.
    """
    if len(frames) < FEWEST:
        raise Missing("This bracket is not in the log any more.", field="bracket_id")
    placed = sorted(frames, key=lambda each: each.stops)
    if len({each.ei for each in placed}) > 1:
        raise Unsound(
            "Its frames were metered at more than one EI: they are no one exposure scale.",
            field="bracket_id",
        )
    steps = [two.stops - one.stops for one, two in pairwise(placed)]
    step = sum(steps) / len(steps)
    if step < EVEN or any(abs(each - step) > EVEN for each in steps):
        raise Unsound("Its frames are not in even steps, each once.", field="bracket_id")
    check_minutes(test, asked.minutes)
    first = placed[0].stops + placed[0].zone - MIDDLE
    FIRST_STOPS.check(first, "bracket_id")
    STEP_STOPS.check(step, "bracket_id")
    runs = {each.run_id for each in placed}
    strip = TestStrip(
        curve_id=strip_name(asked.minutes),
        minutes=asked.minutes,
        ei=placed[0].ei,
        first_stops=first,
        step_stops=step,
        piece_ids=tuple(each.piece_id for each in placed),
        run_id=runs.pop() if len(runs) == 1 else None,
    )
    return replace(
        test,
        strips=(*test.strips, strip),
        curves=with_curve(test.curves, strip.curve_id, asked.minutes, strip.ei),
    )
