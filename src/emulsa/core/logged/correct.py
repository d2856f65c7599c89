"""A logged exposure put right later."""

from __future__ import annotations

from dataclasses import replace

from emulsa.core import wire
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.light import marks
from emulsa.core.light.hand_time import watch_s
from emulsa.core.logged.log import clock_s, dial_mark, given_error_stops
from emulsa.core.logged.record import Correction, Exposure


def correct(known: Exposure, correction: Correction) -> Exposure:
    """A logged exposure put right; its error is worked out against the plan it was made by.

    ``n`` is the planned N; the error stands beside it and is never counted into it. One that was
    brought in without its plan keeps the error it came with.
    """
    aperture = marks.typed_aperture(correction.aperture)
    if known.request:
        request = wire.decode(ExposureRequest, known.request)
        seconds = clock_s(request, correction.time)
        mark = dial_mark(request, seconds)
        off = given_error_stops(request, aperture, seconds, known)
    else:
        seconds = marks.seconds(watch_s(str(correction.time)) or correction.time)
        off, mark = known.error_stops, ""
    return replace(
        known,
        aperture=aperture,
        seconds=seconds,
        mark=mark,
        n=correction.n,
        recipe_id=correction.recipe_id,
        note=correction.note,
        error_stops=off,
    )
