"""What the chain warns of before the shutter opens: code, condition and one plain sentence."""

from __future__ import annotations

from collections.abc import Iterator

from emulsa.core.advice import Advice
from emulsa.core.corrections import reciprocity
from emulsa.core.corrections.optics import focus_advice
from emulsa.core.corrections.reciprocity import Law
from emulsa.core.exposing.answer import ExposureAnswer
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.light.hand_time import stops_text
from emulsa.core.tones.zones import zone_text

VISIBLE_ERROR_STOPS = 1 / 3  # a third of a stop shows in a negative (common practice, no source)
UNTIMEABLE_S = 0.5  # shorter than this no hand opens and closes a cap evenly (common practice)
DEVELOPMENT_ALONE = 2.0  # beyond N±2 development alone rarely does it (common practice)


def advise(request: ExposureRequest, answer: ExposureAnswer) -> tuple[Advice, ...]:
    """All advice for one exposure, gravest kind first within each part of the chain."""
    return (
        *_tones(request, answer),
        *focus_advice(request.optics, request.focus),
        *_film(request, answer),
        *_setting(answer),
    )


def ruled_out(law: Law, metered_s: float, error_stops: float, means: str) -> tuple[str, ...]:
    """Why an aperture/time pair will not do: codes, none when it will."""
    codes = []
    if means == "shutter" and error_stops > VISIBLE_ERROR_STOPS:
        codes.append("faster-than-shutter")
    if reciprocity.extrapolated(law, metered_s):
        codes.append("beyond-film-data")
    return tuple(codes)


def _tones(request: ExposureRequest, answer: ExposureAnswer) -> Iterator[Advice]:
    names = {
        each.id: each.label or f"EV {fall.ev_text}"
        for each, fall in zip(request.readings, answer.falls, strict=True)
    }
    low, high = request.textural_range
    above = [fall for fall in answer.falls if fall.zone > high + 1e-6]
    below = [fall for fall in answer.falls if fall.zone < low - 1e-6]
    if above:
        brightest = max(above, key=lambda fall: fall.zone)
        outcome = (
            "its texture is lost unless you contract, place it lower or hold it back with a filter."
            if brightest.lost
            else f"{answer.development.n_text} brings it back to {brightest.lands_text}."
        )
        text = (
            f"{_upper(names[brightest.id])} falls on {brightest.zone_text}, past this film's"
            f" {zone_text(high)}: {outcome}"
        )
        yield Advice(code="highlight-beyond-range", severity="caution", text=text)
    if below:
        darkest = min(below, key=lambda fall: fall.zone)
        text = (
            f"{_upper(names[darkest.id])} falls on {darkest.zone_text}, below this film's"
            f" {zone_text(low)}: no development brings its texture back."
        )
        yield Advice(code="shadow-below-range", severity="caution", text=text)
    if abs(answer.development.n) > DEVELOPMENT_ALONE:
        text = (
            f"{answer.development.n_text} is more than development alone does well;"
            " think of another placement, a filter or another light."
        )
        yield Advice(code="development-extreme", severity="caution", text=text)


def _film(request: ExposureRequest, answer: ExposureAnswer) -> Iterator[Advice]:
    if reciprocity.extrapolated(request.law, answer.metered_s):
        text = (
            "This time lies outside the film's reciprocity data; it is carried on from the last"
            " step. Bracket towards more if you can."
        )
        yield Advice(code="reciprocity-extrapolated", severity="caution", text=text)


def _setting(answer: ExposureAnswer) -> Iterator[Advice]:
    setting = answer.set
    if abs(setting.error_stops) > VISIBLE_ERROR_STOPS + 1e-9:
        side = "over" if setting.error_stops > 0 else "under"
        text = (
            f"The nearest setting is {stops_text(abs(setting.error_stops))[1:]} stop {side};"
            " shift the aperture by thirds, or accept it."
        )
        yield Advice(code="setting-off", severity="caution", text=text)
    if setting.means == "bulb" and setting.seconds < UNTIMEABLE_S:
        text = "Too short to time by hand; add a neutral filter or wait for less light."
        yield Advice(code="too-short-by-hand", severity="caution", text=text)


def _upper(text: str) -> str:
    return text[:1].upper() + text[1:]
