"""A logged exposure put right later."""

from __future__ import annotations

from dataclasses import replace

from emulsa.core import wire
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.light import marks
from emulsa.core.logged.log import given_error_stops
from emulsa.core.logged.record import Correction, Exposure


def correct(known: Exposure, correction: Correction) -> Exposure:
    """A logged exposure put right; its error is worked out against the plan it was made with.

    One that was brought in without its plan keeps the error it came with.
    """
    seconds = marks.seconds(correction.time)
    off = known.error_stops
    if known.request:
        request = wire.decode(ExposureRequest, known.request)
        off = given_error_stops(request, correction.aperture, seconds, known)
    return replace(
        known,
        aperture=correction.aperture,
        seconds=seconds,
        n=correction.n,
        recipe_id=correction.recipe_id,
        note=correction.note,
        error_stops=off,
    )
