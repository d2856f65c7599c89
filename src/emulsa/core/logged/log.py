"""What was really given to a piece of film, and how far off it was."""

from __future__ import annotations

import math
import re
from collections.abc import Iterable
from dataclasses import dataclass, replace

from emulsa.core import wire
from emulsa.core.advice import Advice
from emulsa.core.corrections.light_change import progress
from emulsa.core.corrections.optics import Lens
from emulsa.core.corrections.reciprocity import corrected_s
from emulsa.core.errors import Missing
from emulsa.core.exposing.advising.setting import given_advice
from emulsa.core.exposing.chain import exposure, metered_at
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.exposing.setting import choose_time, error_stops
from emulsa.core.light import marks
from emulsa.core.light.hand_time import time_text, watch_s
from emulsa.core.logged.record import Exposure, Given, Taken
from emulsa.core.tones.development_number import meant, n_text
from emulsa.core.written import stops_words

MARK = re.compile(r"[\d./]+")  # as engraved; anything more is said by the watch


@dataclass(frozen=True, kw_only=True, slots=True)
class GivenCheck:
    """What a typed time would do to the film, before it is logged; and the time it should have.

    ``n`` is the planned one; ``development_text`` says what the development makes of the error.
    """

    metered_s: float
    planned_s: float
    seconds: float
    time_text: str
    error_stops: float
    error_text: str
    n: float
    n_text: str
    development_text: str
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
    request = replace(request, bracket_stops=given.bracket_stops)
    answer = exposure(request)
    aperture = given.aperture
    if aperture is not None:
        aperture = marks.typed_aperture(aperture)
    else:
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
        n=answer.development.n,
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
    request = replace(request, bracket_stops=given.bracket_stops)
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
        development_text=as_developed(logged.n, logged.error_stops),
        advice=given_advice(planned, logged.seconds, logged.error_stops),
    )


def given_error_stops(
    request: ExposureRequest, aperture: str | float, seconds: float, logged: Exposure | None = None
) -> float:
    """Stops of light too much (+) or too little (−) that aperture and time really gave the film,
    against the plan, or against a logged frame's own place in its bracket or multiple exposure."""
    share = 1.0
    if logged is not None:
        request = replace(request, bracket_stops=logged.bracket_stops)
        share = logged.share
    return error_stops(request.law, metered_at(request, aperture) * share, seconds)


def as_developed(n: float, off_stops: float) -> str:
    """The planned N, and what development makes of an exposure that was off.

    >>> as_developed(-1, 1.0), as_developed(-1, 0.0)
    ('N−1, developed as for N−2', 'N−1')
    """
    wanted = n_text(round(meant(n, off_stops), 1))
    planned = n_text(n)
    return planned if wanted == planned else f"{planned}, developed as for {wanted}"


def light_stops(parts: Iterable[tuple[float, float]]) -> float:
    """How far off a piece is that took several exposures, each by its share and its own error: log2
    of the light they gave together. A piece exposed twice by accident has had twice the light.

    >>> light_stops([(0.5, 0.0), (0.5, 0.0)]), light_stops([(1.0, 0.0), (1.0, 0.0)])
    (0.0, 1.0)
    """
    together = math.fsum(share * 2**error for share, error in parts)
    return round(math.log2(together), 9) + 0.0


def _really(given: Given, request: ExposureRequest, aperture: str | float) -> tuple[float, float]:
    """Seconds really given and their error: by the clock's intervals, the time, or the plan."""
    wanted = _metered_s(request, aperture, given)
    if given.intervals:
        done = progress(request.law, given.intervals)
        if done <= 0:
            raise Missing("The clock has counted nothing yet.", field="intervals")
        seconds = math.fsum(each.elapsed_s for each in given.intervals)
        off = error_stops(request.law, wanted, done * corrected_s(request.law, wanted))
        return seconds, off
    seconds = _set(request, wanted)[0] if given.time is None else clock_s(request, given.time)
    return seconds, error_stops(request.law, wanted, seconds)


def clock_s(request: ExposureRequest, time: str | float) -> float:
    """The seconds a given time means: a mark of a measured shutter is what the tester found, a mark
    of another what it is engraved for; ``2:10``, ``15 s`` and what is given before a pinhole, which
    has no marks, is what the watch counted."""
    if not isinstance(time, str):
        return marks.seconds(time)
    lens = request.optics if isinstance(request.optics, Lens) else None
    measured = {each.mark: each.seconds for each in lens.shutter.measured} if lens else {}
    if time in measured:
        return measured[time]
    counted = watch_s(time) if lens is None or not MARK.fullmatch(time) else None
    if counted is not None:
        return marks.seconds(counted)
    return marks.seconds(time, lens.shutter.series if lens else None)


def _set(request: ExposureRequest, metered_s: float) -> tuple[float, str, str]:
    text, seconds, means = choose_time(corrected_s(request.law, metered_s), request.optics)
    return seconds, text, means


def _metered_s(request: ExposureRequest, aperture: str | float, given: Given) -> float:
    """The metered time this exposure should have: its share of the frame's own."""
    return metered_at(request, aperture) * given.share
