"""What the film and the hands can do: reciprocity data, marks, and times by the watch."""

from __future__ import annotations

from collections.abc import Iterator

from emulsa.core.advice import Advice
from emulsa.core.corrections import reciprocity
from emulsa.core.exposing.answer import ExposureAnswer
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.exposing.ruling import VISIBLE_ERROR_STOPS
from emulsa.core.light.hand_time import time_text
from emulsa.core.written import size_text

UNTIMEABLE_S = 0.5  # shorter than this no hand opens and closes a cap evenly (common practice)
SIXTY = (45.0, 80.0)  # times a planned time that look like minutes typed as seconds


def advise(request: ExposureRequest, answer: ExposureAnswer) -> Iterator[Advice]:
    if reciprocity.extrapolated(request.law, answer.metered_s):
        text = (
            "This time lies outside the film's reciprocity data; it is carried on from the last"
            " step. Bracket towards more if you can."
        )
        yield Advice(code="reciprocity-extrapolated", severity="caution", text=text)
    setting = answer.set
    if setting.means == "shutter" and setting.error_stops < -VISIBLE_ERROR_STOPS:
        text = (
            f"This shutter has neither B nor T: {setting.text} is"
            f" {size_text(abs(setting.error_stops))} stops under. Open the aperture, or time"
            " it with the lens cap."
        )
        yield Advice(code="longer-than-shutter", severity="warning", text=text)
    elif abs(setting.error_stops) > VISIBLE_ERROR_STOPS + 1e-9:
        side = "over" if setting.error_stops > 0 else "under"
        text = (
            f"The nearest setting is {size_text(abs(setting.error_stops))} stop {side};"
            " shift the aperture by thirds, or accept it."
        )
        yield Advice(code="setting-off", severity="caution", text=text)
    if setting.means == "bulb" and setting.seconds < UNTIMEABLE_S:
        text = "Too short to time by hand; add a neutral filter or wait for less light."
        yield Advice(code="too-short-by-hand", severity="caution", text=text)


def given_advice(planned_s: float, given_s: float, error_stops: float) -> tuple[Advice, ...]:
    """Doubts about what is reported as given: a slip of minutes and seconds, or a real miss."""
    ratio = max(planned_s / given_s, given_s / planned_s)
    if SIXTY[0] <= ratio <= SIXTY[1]:
        return (
            Advice(
                code="minutes-as-seconds",
                severity="warning",
                text=f"{time_text(planned_s)} was planned and {time_text(given_s)} is typed:"
                " minutes and seconds mixed up? Write 2:30 for 2 min 30 s.",
            ),
        )
    if abs(error_stops) > VISIBLE_ERROR_STOPS + 1e-9:
        side = "more" if error_stops > 0 else "less"
        return (
            Advice(
                code="given-off",
                severity="caution",
                text=f"This gives the film {size_text(abs(error_stops))} stop {side} than planned.",
            ),
        )
    return ()
