"""Focus, depth and movement."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from typing import Literal

from emulsa.core.advice import Advice
from emulsa.core.corrections.optics import focus_advice
from emulsa.core.corrections.sharpness import marked
from emulsa.core.exposing.advising.metering import upper
from emulsa.core.exposing.answer import ExposureAnswer
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.exposing.ruling import (
    TOLERATED_STOPS,
    Limits,
    limits_of,
    needed_f_number,
    stops_wider,
    unsharp,
)
from emulsa.core.light.hand_time import time_text
from emulsa.core.written import distance_text

Said = tuple[Literal["note", "caution"], str]


def advise(request: ExposureRequest, answer: ExposureAnswer) -> Iterator[Advice]:
    yield from focus_advice(request.optics, request.focus)
    limits = limits_of(request)
    for code in unsharp(limits, answer.set.f_number, answer.set.seconds):
        severity, text = SENTENCES[code](request, answer, limits)
        yield Advice(code=code, severity=severity, text=text)


def _too_wide(request: ExposureRequest, answer: ExposureAnswer, limits: Limits) -> Said:
    needed = marked(limits.widest or 0, limits.magnification)
    mark = answer.sharpness.needed_mark if answer.sharpness else ""
    takes = f"it takes f/{mark} or smaller"
    if not mark:
        takes = f"it takes f/{needed:.0f}, smaller than this lens has"
    return (
        "caution",
        f"{answer.set.aperture} gives too little depth of field: {takes}"
        f"{_or_focus(request, answer, limits)}.",
    )


def _or_focus(request: ExposureRequest, answer: ExposureAnswer, limits: Limits) -> str:
    """Where to focus instead, if the aperture that is set would do then."""
    best = needed_f_number(request, limits.magnification, elsewhere=True)
    at = answer.sharpness.focus_mm if answer.sharpness else None
    if at is None or best is None or request.focus is None:
        return ""
    if stops_wider(answer.set.f_number, best) > TOLERATED_STOPS:
        return ""
    return f", or focus at {distance_text(at)}"


def _too_small(_: ExposureRequest, answer: ExposureAnswer, limits: Limits) -> Said:
    smallest = marked(limits.smallest or 0, limits.magnification)
    return (
        "note",
        f"At {answer.set.aperture} diffraction alone blurs as much as you allow;"
        f" f/{smallest:.0f} is the smallest worth setting.",
    )


def _too_long(request: ExposureRequest, answer: ExposureAnswer, limits: Limits) -> Said:
    what = request.movement.what if request.movement else ""
    return (
        "caution",
        f"{upper(what or 'what moves')} stays sharp up to {time_text(limits.longest_s or 0)},"
        f" and this is {answer.set.text}.",
    )


def _too_short(request: ExposureRequest, answer: ExposureAnswer, limits: Limits) -> Said:
    what = request.movement.what if request.movement else ""
    return (
        "caution",
        f"{upper(what or 'what moves')} shall flow, which takes"
        f" {time_text(limits.shortest_s or 0)} or more, and this is {answer.set.text}.",
    )


SENTENCES: dict[str, Callable[[ExposureRequest, ExposureAnswer, Limits], Said]] = {
    "depth-too-small": _too_wide,
    "softened": _too_small,
    "moves": _too_long,
    "freezes": _too_short,
}
