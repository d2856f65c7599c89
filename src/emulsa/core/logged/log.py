"""What was really given to a sheet, and how far off it was."""

from __future__ import annotations

import math
from dataclasses import dataclass

from emulsa.core import wire
from emulsa.core.advice import Advice
from emulsa.core.corrections.light_change import progress
from emulsa.core.corrections.optics import Lens
from emulsa.core.corrections.reciprocity import corrected_s
from emulsa.core.errors import Missing
from emulsa.core.exposing.advising.setting import given_advice
from emulsa.core.exposing.chain import exposure, metered_at
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.exposing.ruling import VISIBLE_ERROR_STOPS
from emulsa.core.exposing.setting import choose_time, error_stops
from emulsa.core.light import marks
from emulsa.core.light.hand_time import stops_words, time_text
from emulsa.core.logged.record import Exposure, Given, Taken
from emulsa.core.tones.development_number import half_steps, n_text


@dataclass(frozen=True, kw_only=True, slots=True)
class GivenCheck:
    """What a typed time would do to the film, before it is logged; and the time it should have."""

    metered_s: float
    planned_s: float
    seconds: float
    time_text: str
    error_stops: float
    error_text: str
    n: float
    n_text: str
    advice: tuple[Advice, ...]


def log(
    given: Given,
    request: ExposureRequest,
    recipe_id: str | None,
    exposed_at: str,
    version: str,
    taken: Taken = Taken(),
) -> Exposure:
    """The exposure as it goes into the log; raises as ``exposure`` does."""
    answer = exposure(request)
    aperture = given.aperture
    if aperture is None:
        aperture = request.aperture if request.aperture is not None else answer.set.f_number
    seconds, off = _really(given, request, aperture)
    return Exposure(
        id=given.id,
        scene_id=given.scene_id,
        piece_id=given.piece_id,
        exposed_at=exposed_at,
        aperture=aperture,
        seconds=seconds,
        error_stops=off,
        n=n_for_error(answer.development.n, off),
        development_change=answer.development.change,
        recipe_id=recipe_id,
        request=wire.encode(request),
        answer=wire.encode(answer),
        core_version=version,
        note=given.note,
        bracket_id=given.bracket_id,
        bracket_stops=given.bracket_stops,
        share=given.share,
        intervals=given.intervals,
        taken=taken,
    )


def check(given: Given, request: ExposureRequest) -> GivenCheck:
    """What is typed as given, weighed before it is logged: its true error, N, and doubts."""
    logged = log(given, request, None, "", "")
    wanted = _metered_s(request, logged.aperture, given)
    planned, _, _ = _set(request, wanted)
    return GivenCheck(
        metered_s=wanted,
        planned_s=planned,
        seconds=logged.seconds,
        time_text=time_text(logged.seconds),
        error_stops=logged.error_stops,
        error_text=stops_words(logged.error_stops),
        n=logged.n,
        n_text=n_text(logged.n),
        advice=given_advice(planned, logged.seconds, logged.error_stops),
    )


def given_error_stops(
    request: ExposureRequest, aperture: str | float, seconds: float, logged: Exposure | None = None
) -> float:
    """Stops of light too much (+) or too little (−) that aperture and time really gave the film,
    against the plan, or against a logged frame's own place in its bracket or multiple exposure."""
    aim = 0.0 if logged is None else _aim_stops(logged)
    return error_stops(request.law, metered_at(request, aperture) * 2**aim, seconds)


def n_for_error(n: float, off_stops: float) -> float:
    """N for a sheet whose exposure is off: more light than planned wants that much contraction.

    A third of a stop or less is left alone. Every tone falls ``off_stops`` higher, the important
    highlight too, so N = target − (fall + off). Derived from the definition of N.

    >>> n_for_error(0, 1), n_for_error(-1, -0.5), n_for_error(0, 0.3)
    (-1.0, -0.5, 0)
    """
    return n if abs(off_stops) <= VISIBLE_ERROR_STOPS + 1e-9 else half_steps(n - off_stops)


def _really(given: Given, request: ExposureRequest, aperture: str | float) -> tuple[float, float]:
    """Seconds really given and their error: by the clock's intervals, the time, or the plan."""
    wanted = _metered_s(request, aperture, given)
    if given.intervals:
        done = progress(request.law, given.intervals)
        if done <= 0:
            raise Missing("The clock has counted nothing yet.", field="intervals")
        seconds = sum(each.elapsed_s for each in given.intervals)
        off = error_stops(request.law, wanted, done * corrected_s(request.law, wanted))
        return seconds, off
    seconds = _set(request, wanted)[0] if given.time is None else _seconds(request, given.time)
    return seconds, error_stops(request.law, wanted, seconds)


def _seconds(request: ExposureRequest, time: str | float) -> float:
    """A given time: a mark of a measured shutter is what the tester found."""
    if isinstance(time, str) and isinstance(request.optics, Lens):
        measured = {each.mark: each.seconds for each in request.optics.shutter.measured}
        if time in measured:
            return measured[time]
        return marks.seconds(time, request.optics.shutter.series)
    return marks.seconds(time)


def _set(request: ExposureRequest, metered_s: float) -> tuple[float, str, str]:
    text, seconds, means = choose_time(corrected_s(request.law, metered_s), request.optics)
    return seconds, text, means


def _aim_stops(frame: Given | Exposure) -> float:
    return frame.bracket_stops + math.log2(frame.share)


def _metered_s(request: ExposureRequest, aperture: str | float, given: Given) -> float:
    """The metered time this frame should have: of its place in the bracket, of its share."""
    return metered_at(request, aperture) * 2 ** _aim_stops(given)
