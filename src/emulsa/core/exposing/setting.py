"""What the hands set: the nearest shutter mark, or a hand-timed time on B, with its true error."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from emulsa.core.corrections.optics import Lens, Optics, speeds
from emulsa.core.corrections.reciprocity import Law, true_error_stops
from emulsa.core.light.hand_time import hand_time_s, time_text
from emulsa.core.light.marks import nearest
from emulsa.core.written import stops_words

MADE = {"shutter": "on the shutter", "bulb": "on B, hand-timed", "aperture": "as given"}
EXACT_STOPS = 0.05  # what nobody sees in a negative, and no hand can time
BY_HAND_BEYOND = 2 ** (1 / 6)  # a sixth of a stop past the slowest mark, the hand is nearer


@dataclass(frozen=True, kw_only=True, slots=True)
class Setting:
    """Aperture and time as set, how the time is made, and how far off they are in stops.

    ``means``: ``shutter`` a marked speed, ``bulb`` timed by hand, ``aperture`` a given time for
    which the aperture was chosen. ``error_stops`` > 0 is more light on the film than wanted.
    ``says`` how it is made and how near it comes; ``ruled_out_by`` says why it cannot give the
    exposure all the same.
    """

    text: str
    seconds: float
    means: Literal["shutter", "bulb", "aperture"]
    error_stops: float
    aperture: str
    f_number: float
    says: str
    ruled_out_by: tuple[str, ...] = ()
    ruled_out_text: str = ""


def says(means: Literal["shutter", "bulb", "aperture"], off_stops: float) -> str:
    """How a setting is made, and how near it comes.

    >>> says("shutter", 0.0), says("bulb", -0.046)
    ('on the shutter, at a marked time', 'on B, hand-timed, exact')
    """
    exact = "at a marked time" if means == "shutter" else "exact"
    near = exact if abs(off_stops) < EXACT_STOPS else stops_words(off_stops)
    return f"{MADE[means]}, {near}"


def choose_time(
    corrected_s: float, optics: Optics
) -> tuple[str, float, Literal["shutter", "bulb"]]:
    """The time to set for a corrected time: words, seconds, and by what.

    >>> choose_time(1 / 60, Lens(focal_length_mm=150))
    ('1/60', 0.015625, 'shutter')
    """
    if isinstance(optics, Lens):
        marks = speeds(optics.shutter)
        if corrected_s <= marks[-1][1] * BY_HAND_BEYOND or optics.shutter.by_hand == "none":
            text, exact = nearest(corrected_s, marks)
            return (text if "/" in text else f"{text} s"), exact, "shutter"
    by_hand = hand_time_s(corrected_s)
    return time_text(by_hand), by_hand, "bulb"


def error_stops(law: Law, metered_s: float, seconds: float) -> float:
    """The true error of ``seconds`` on the film, without a negative zero."""
    return round(true_error_stops(law, metered_s, seconds), 12) + 0.0
