"""What the chain warns of before the shutter opens; one module for each part of the chain."""

from __future__ import annotations

from emulsa.core.advice import Advice
from emulsa.core.exposing.advising import development, filtering, focusing, metering, setting, tones
from emulsa.core.exposing.answer import ExposureAnswer
from emulsa.core.exposing.request import ExposureRequest

PARTS = (metering, tones, development, filtering, focusing, setting)
GRAVITY = {"warning": 0, "caution": 1, "note": 2}


def advise(request: ExposureRequest, answer: ExposureAnswer) -> tuple[Advice, ...]:
    """All advice for one exposure, the gravest first, then in the order of the chain."""
    said = [each for part in PARTS for each in part.advise(request, answer)]
    return tuple(sorted(said, key=lambda each: GRAVITY[each.severity]))
