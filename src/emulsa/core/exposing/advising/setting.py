"""What the film and the hands can do: reciprocity data, marks, and times by the watch."""

from __future__ import annotations

from collections.abc import Iterator

from emulsa.core.advice import Advice
from emulsa.core.corrections import reciprocity
from emulsa.core.corrections.optics import Lens, apertures, speeds
from emulsa.core.corrections.reciprocity import Law, NoFailure, PowerLaw
from emulsa.core.exposing.answer import ExposureAnswer
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.exposing.ruling import VISIBLE_ERROR_STOPS
from emulsa.core.exposing.setting import choose_time
from emulsa.core.exposing.sharing import opened_error_stops, opened_s
from emulsa.core.light.hand_time import time_text
from emulsa.core.written import size_words, stops_words

UNTIMEABLE_S = 0.5  # shorter than this no hand opens and closes a cap evenly (common practice)
NEAR_ENOUGH_STOPS = 1 / 6 + 1e-9
TYPICAL = (1.25, 1.35)  # exponents of most modern and most older films (common practice, no source)
SIXTY = (45.0, 80.0)  # times a planned time that look like minutes typed as seconds


def advise(request: ExposureRequest, answer: ExposureAnswer) -> Iterator[Advice]:
    yield from _outside_data(request.law, answer.metered_s)
    setting = answer.set
    if setting.error_stops < -VISIBLE_ERROR_STOPS and _at_slowest(request, answer):
        text = (
            f"This shutter has neither B nor T: {setting.text} is"
            f" {size_words(setting.error_stops)} under. Open the aperture, or time"
            " it with the lens cap."
        )
        yield Advice(code="longer-than-shutter", severity="warning", text=text)
    elif setting.error_stops > VISIBLE_ERROR_STOPS + 1e-9 and _at_fastest(request, answer):
        slow = stops_words(setting.error_stops).lstrip("+")
        smaller = _smaller_mark(request, answer)
        instead = f"f/{smaller}, or a neutral filter" if smaller else "a neutral filter"
        text = f"This shutter is {slow} too slow: {instead}."
        yield Advice(code="faster-than-shutter", severity="caution", text=text)
    elif abs(setting.error_stops) > VISIBLE_ERROR_STOPS + 1e-9:
        side = "over" if setting.error_stops > 0 else "under"
        text = (
            f"The nearest setting is {size_words(setting.error_stops)} {side};"
            " shift the aperture by thirds, or accept it."
        )
        yield Advice(code="setting-off", severity="caution", text=text)
    if setting.means == "bulb" and setting.seconds < UNTIMEABLE_S:
        first = "stop down, " if isinstance(request.optics, Lens) else ""
        text = f"Too short to time by hand; {first}add a neutral filter or wait for less light."
        yield Advice(code="too-short-by-hand", severity="caution", text=text)


def _outside_data(law: Law, metered_s: float) -> Iterator[Advice]:
    if not reciprocity.extrapolated(law, metered_s):
        return
    end = time_text(reciprocity.known_until_s(law))
    if not isinstance(law, NoFailure):
        text = (
            f"This time lies outside the film's reciprocity data, which end at {end}; it is carried"
            " on from the last step. Bracket towards more if you can."
        )
        yield Advice(code="reciprocity-extrapolated", severity="caution", text=text)
        return
    if law.unknown:
        text = (
            f"The reciprocity of this film is not known: {time_text(metered_s)} is not corrected,"
            " and comes out thin. Say what kind of film it is."
        )
        yield Advice(code="reciprocity-unknown", severity="caution", text=text)
        return
    modern, older = (
        time_text(reciprocity.corrected_s(PowerLaw(exponent=each), metered_s)) for each in TYPICAL
    )
    text = (
        f"This film's data end at {end}; {time_text(metered_s)} is not corrected. Most modern films"
        f" would want {modern}, most older ones {older}: bracket towards more."
    )
    yield Advice(code="reciprocity-extrapolated", severity="caution", text=text)


def _at_fastest(request: ExposureRequest, answer: ExposureAnswer) -> bool:
    """Whether the shutter is at its fastest mark."""
    if not isinstance(request.optics, Lens) or answer.set.means != "shutter":
        return False
    return answer.set.seconds <= speeds(request.optics.shutter)[0][1] * (1 + 1e-9)


def _at_slowest(request: ExposureRequest, answer: ExposureAnswer) -> bool:
    """Whether the shutter is at its slowest mark and has neither B nor T."""
    lens = request.optics
    if not isinstance(lens, Lens) or lens.shutter.by_hand != "none":
        return False
    return answer.set.seconds >= speeds(lens.shutter)[-1][1] * (1 - 1e-9)


def _smaller_mark(request: ExposureRequest, answer: ExposureAnswer) -> str:
    """The widest smaller mark of the lens at which the shutter comes within a sixth of a stop."""
    lens, setting = request.optics, answer.set
    assert isinstance(lens, Lens)
    for text, exact in apertures(lens, setting.f_number, lens.aperture_series):
        if exact <= setting.f_number * (1 + 1e-9):
            continue
        metered = answer.metered_s * (exact / setting.f_number) ** 2
        wanted = opened_s(request.law, metered, request.share)
        _, clock, _ = choose_time(wanted, lens)
        off = opened_error_stops(request.law, metered, clock, request.share)
        if abs(off) <= NEAR_ENOUGH_STOPS:
            return text
    return ""


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
                text=f"This gives the film {size_words(error_stops)} {side} than planned.",
            ),
        )
    return ()
