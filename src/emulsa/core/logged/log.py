"""What was really given to a piece of film, and how far off it was."""

from __future__ import annotations

import math
import re
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace

from emulsa.core import wire
from emulsa.core.advice import Advice
from emulsa.core.corrections.film_kinds import has_n, n_words
from emulsa.core.corrections.light_change import progress
from emulsa.core.corrections.optics import Lens
from emulsa.core.corrections.reciprocity import corrected_s, metered_s
from emulsa.core.data.development import FREE_ERROR_STOPS
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.development.offer import held_n
from emulsa.core.errors import Missing
from emulsa.core.exposing.advising.setting import given_advice
from emulsa.core.exposing.chain import exposure, metered_at
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.exposing.setting import choose_time
from emulsa.core.exposing.sharing import Share, opened_error_stops, opened_s, together_stops
from emulsa.core.light import marks
from emulsa.core.light.hand_time import time_text, watch_s
from emulsa.core.logged.record import Exposure, Given, Shot, Taken
from emulsa.core.logged.texts import off_text
from emulsa.core.tones.development_number import n_text

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
    request = _of(request, given)
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
        share_of=given.share_of,
        mark=dial_mark(request, seconds) if not given.intervals else "",
        intervals=given.intervals,
        taken=taken,
    )


def check(given: Given, request: ExposureRequest, hold_highlights: bool = False) -> GivenCheck:
    """What is typed as given, weighed before it is logged: its true error, N, and doubts."""
    logged = log(given, request, None, "", "")
    request = _of(request, given)
    wanted = metered_at(request, logged.aperture)
    planned, _, _ = _set(request, wanted)
    return GivenCheck(
        metered_s=wanted,
        planned_s=planned,
        seconds=logged.seconds,
        time_text=time_text(logged.seconds),
        error_stops=logged.error_stops,
        error_text=off_text(logged.error_stops) or "as planned within ⅙ stop",
        n=logged.n,
        n_text=n_words(logged.n, logged.film_kind),
        development_text=as_developed(
            logged.n, logged.error_stops, hold_highlights, logged.film_kind
        ),
        advice=given_advice(planned, logged.seconds, logged.error_stops),
    )


def given_error_stops(
    request: ExposureRequest, aperture: str | float, seconds: float, logged: Exposure | None = None
) -> float:
    """Stops of light too much (+) or too little (−) that aperture and time really gave the film,
    against the plan, or against a logged frame's own place in its bracket or multiple exposure."""
    if logged is not None:
        share = Share(part=logged.share, of=logged.share_of)
        request = replace(request, bracket_stops=logged.bracket_stops, share=share)
    wanted = metered_at(request, aperture)
    return opened_error_stops(request.law, wanted, seconds, request.share)


def as_developed(
    n: float, off_stops: float, hold_highlights: bool = False, kind: FilmKindName | None = None
) -> str:
    """The planned N, and what becomes of it where an exposure that was off is developed for.

    >>> as_developed(-1, 1.0), as_developed(-1, 1.0, True), as_developed(-1, 0.1, True)
    ('N−1', 'N−1, developed as for N−2', 'N−1')
    """
    planned = n_words(n, kind)
    if not hold_highlights or not has_n(kind) or abs(off_stops) < FREE_ERROR_STOPS - 1e-9:
        return planned
    return f"{planned}, developed as for {n_text(round(held_n(n, off_stops), 1))}"


def light_stops(shots: Iterable[Shot]) -> float:
    """How far off a piece is that took several exposures: log2 of the light they gave together.

    Openings of one scene are one exposure, log2(F⁻¹(Σ T)/t); exposures of their own add their
    light. A piece exposed twice by accident has had twice the light.
    """
    light: list[float] = []
    opened: list[Shot] = []
    for each in shots:
        if each.law is not None and each.share < 1 and each.share_of == "one_scene":
            opened.append(each)
        else:
            light.append(each.share * 2**each.error_stops)
    if opened:
        light.append(2 ** _of_one_scene(opened))
    return round(math.log2(math.fsum(light)), 9) + 0.0


def _of_one_scene(opened: Sequence[Shot]) -> float:
    """What openings of one scene gave together, against the whole that was wanted."""
    last = opened[-1]
    assert last.law is not None
    # from its error: log2(F⁻¹(T/part)/t)
    wanted = metered_s(last.law, last.seconds / last.share) / 2**last.error_stops
    return together_stops(last.law, wanted, [each.seconds for each in opened])


def _really(given: Given, request: ExposureRequest, aperture: str | float) -> tuple[float, float]:
    """Seconds really given and their error: by the clock's intervals, the time, or the plan."""
    wanted, share = metered_at(request, aperture), request.share
    if given.intervals:
        done = progress(request.law, given.intervals)
        if done <= 0:
            raise Missing("The clock has counted nothing yet.", field="intervals")
        seconds = math.fsum(each.elapsed_s for each in given.intervals)
        whole = done * corrected_s(request.law, wanted)
        return seconds, opened_error_stops(request.law, wanted, whole, share)
    seconds = _set(request, wanted)[0] if given.time is None else clock_s(request, given.time)
    return seconds, opened_error_stops(request.law, wanted, seconds, share)


def _of(request: ExposureRequest, given: Given) -> ExposureRequest:
    """The plan of one frame: at its place in a bracket, or one opening of several."""
    share = Share(part=given.share, of=given.share_of)
    return replace(request, bracket_stops=given.bracket_stops, share=share)


def dial_mark(request: ExposureRequest, seconds: float) -> str:
    """The mark of a measured shutter that gives so many seconds; nothing for any other time."""
    lens = request.optics if isinstance(request.optics, Lens) else None
    measured = lens.shutter.measured if lens else ()
    return next((each.mark for each in measured if abs(each.seconds - seconds) < 1e-9), "")


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


def _set(request: ExposureRequest, wanted_s: float) -> tuple[float, str, str]:
    wanted = opened_s(request.law, wanted_s, request.share)
    text, seconds, means = choose_time(wanted, request.optics)
    return seconds, text, means
