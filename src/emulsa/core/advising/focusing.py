"""Focus, depth and movement."""

from __future__ import annotations

from collections.abc import Iterator

from emulsa.core.advice import Advice
from emulsa.core.corrections.optics import focus_advice
from emulsa.core.exposing.answer import ExposureAnswer
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.exposing.ruling import limits_of
from emulsa.core.light.hand_time import time_text


def advise(request: ExposureRequest, answer: ExposureAnswer) -> Iterator[Advice]:
    yield from focus_advice(request.optics, request.focus)
    limits = limits_of(request)
    effective = answer.set.f_number * (1 + limits.magnification)
    if limits.widest is not None and effective < limits.widest * 0.999:
        needed = limits.widest / (1 + limits.magnification)
        yield Advice(
            code="depth-too-small",
            severity="caution",
            text=f"{answer.set.aperture} does not hold the depth you want;"
            f" it needs f/{needed:.0f} or smaller.",
        )
    if limits.smallest is not None and effective > limits.smallest * 1.001:
        yield Advice(
            code="softened",
            severity="note",
            text=f"At {answer.set.aperture} diffraction alone blurs as much as you allow;"
            f" f/{limits.smallest / (1 + limits.magnification):.0f} is the smallest worth setting.",
        )
    if limits.longest_s is not None and answer.set.seconds > limits.longest_s * 1.001:
        what = request.movement.what if request.movement and request.movement.what else "what moves"
        yield Advice(
            code="moves",
            severity="caution",
            text=f"{what[:1].upper() + what[1:]} stays sharp up to"
            f" {time_text(limits.longest_s)}, and this is {answer.set.text}.",
        )
