"""Light that changes while the shutter is open.

The film takes in its exposure at the rate 1/F(t) per second, t being the metered time for the light
of the moment and F the film's reciprocity law; it is done when Σ ΔT_i / F(t_i) = 1. Pausing costs
nothing (idealised). For a power law this is ∫ I^p dT = const, Schwarzschild 1900; the sum over
intervals is derived from it. Light that fades steadily may never complete: what is still to come,
∫ dT / F(t·2^(rT)) over all time, is finite, and when it is too little nothing is promised.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated

from emulsa.core.corrections.reciprocity import Law, corrected_s, true_error_stops
from emulsa.core.limits import INTERVALS, Seconds, Within

Elapsed = Annotated[float, Within("The time the shutter was open", 0, 1e7, "s")]
Fading = Annotated[float, Within("The change of light", -10, 10, "stops a minute")]

PANEL_STOPS = 1 / 16  # width of one Simpson panel; below 1e-6 of the answer for every kind of law
DARKEST_STOPS = 60.0  # light so much weaker adds nothing any more
STEADY_STOPS_PER_S = 1e-8  # a stop in three years
LONGEST_S = 1e7  # nobody waits longer


@dataclass(frozen=True, kw_only=True, slots=True)
class Interval:
    """A part of the exposure: the time metered for its light, and how long it lasted."""

    metered_s: Seconds
    elapsed_s: Elapsed


@dataclass(frozen=True, kw_only=True, slots=True)
class LightChangeRequest:
    """What was given so far and the light now.

    ``fading_stops_per_min`` > 0 is light that goes on fading, < 0 light that goes on rising.
    """

    law: Law
    intervals: Annotated[tuple[Interval, ...], INTERVALS] = ()
    now_metered_s: Seconds
    fading_stops_per_min: Fading = 0.0


@dataclass(frozen=True, kw_only=True, slots=True)
class LightChangeAnswer:
    """How far the exposure has come and what is left.

    ``progress`` may pass 1 when too much was given. ``steady_remaining_s`` is what is left if the
    light stays as it is now, ``remaining_s`` if it goes on changing; empty when ``never``. One
    change of light is no trend: the steady answer is the one to go by first.
    ``error_stops_if_stopped`` is empty as long as nothing was given.
    """

    progress: float
    steady_remaining_s: float
    remaining_s: float | None
    never: bool
    error_stops_if_stopped: float | None


def progress(law: Law, intervals: tuple[Interval, ...]) -> float:
    """Σ ΔT_i / F(t_i): the part of the exposure that is on the film.

    >>> from emulsa.core.corrections.reciprocity import PowerLaw
    >>> round(progress(PowerLaw(exponent=1.3), (Interval(metered_s=30, elapsed_s=40),)), 6)
    0.480621
    """
    return math.fsum(each.elapsed_s / corrected_s(law, each.metered_s) for each in intervals)


def remaining_s(law: Law, left: float, now_metered_s: float, fading: float) -> float | None:
    """Seconds until ``left`` of the exposure is given; nothing when it never will be.

    ``fading`` in stops a second. Steady light: left · F(t). Otherwise the time at which the
    integral of 1/F(t·2^(r·T)) reaches ``left``, in Simpson panels of a sixteenth of a stop.
    """
    if left <= 0:
        return 0.0
    if abs(fading) < STEADY_STOPS_PER_S:
        return left * corrected_s(law, now_metered_s)
    width = PANEL_STOPS / abs(fading)
    start = 0.0
    while start * abs(fading) < DARKEST_STOPS and start < LONGEST_S:
        given = _given(law, now_metered_s, fading, start, width)
        if given >= left:
            return start + _within_panel(law, now_metered_s, fading, start, width, left)
        left -= given
        start += width
    return None


def error_stops_if_stopped(law: Law, done: float, now_metered_s: float) -> float | None:
    """Stops on the film if the shutter closed now: those of the clock time done·F(t) in this light.

    >>> from emulsa.core.corrections.reciprocity import NoFailure
    >>> error_stops_if_stopped(NoFailure(until_s=100), 0.5, 8)
    -1.0
    """
    if done <= 0:
        return None
    return true_error_stops(law, now_metered_s, done * corrected_s(law, now_metered_s))


def light_change(request: LightChangeRequest) -> LightChangeAnswer:
    """The operation ``light_change``: progress, what is left, and the error if stopped now."""
    done = progress(request.law, request.intervals)
    left = remaining_s(
        request.law, 1 - done, request.now_metered_s, request.fading_stops_per_min / 60
    )
    return LightChangeAnswer(
        progress=done,
        steady_remaining_s=max(0.0, 1 - done) * corrected_s(request.law, request.now_metered_s),
        remaining_s=left,
        never=left is None,
        error_stops_if_stopped=error_stops_if_stopped(request.law, done, request.now_metered_s),
    )


def _rate(law: Law, now_metered_s: float, fading: float, at_s: float) -> float:
    return 1 / corrected_s(law, now_metered_s * 2 ** (fading * at_s))


def _given(law: Law, now_metered_s: float, fading: float, start: float, width: float) -> float:
    """One Simpson panel of the exposure."""
    first, middle, last = (
        _rate(law, now_metered_s, fading, start + part * width) for part in (0, 0.5, 1)
    )
    return (first + 4 * middle + last) * width / 6


def _within_panel(
    law: Law, now_metered_s: float, fading: float, start: float, width: float, left: float
) -> float:
    """The part of a panel that gives ``left``: bisected, the integral rises with its width."""
    low, high = 0.0, width
    while high - low > 1e-12 * max(start + high, 1):
        middle = (low + high) / 2
        if _given(law, now_metered_s, fading, start, middle) < left:
            low = middle
        else:
            high = middle
        if math.isclose(low, high, rel_tol=1e-15):
            break
    return (low + high) / 2
