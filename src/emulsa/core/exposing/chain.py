"""The chain: readings → placement → filters → bellows → reciprocity → what the hands set.

Every step is a row of the ledger with its stops and the running time at the aperture that is set;
the rows sum to the result and nothing is rounded on the way. Reciprocity comes last, on the full
corrected time. Sources stand on the rows; the steps live in ``tones`` and ``corrections``.
"""

from __future__ import annotations

import math
from dataclasses import replace
from typing import Literal

from emulsa.core.corrections import filters as filtering
from emulsa.core.corrections import reciprocity
from emulsa.core.corrections.film_kinds import light_stops, n_words
from emulsa.core.corrections.optics import Lens, Pinhole, aperture_of, apertures, bellows_factor
from emulsa.core.corrections.pinhole import pinhole_f_number
from emulsa.core.corrections.sharpness import marked
from emulsa.core.errors import Missing, Unsound
from emulsa.core.exposing import ledger
from emulsa.core.exposing.advising import advise
from emulsa.core.exposing.answer import DevelopmentPlan, Equivalent, ExposureAnswer
from emulsa.core.exposing.deciding import decided, decision, ei_for, planned_n, wish_of
from emulsa.core.exposing.doubting import doubts_of
from emulsa.core.exposing.falls import falls_of, range_stops, tones_of
from emulsa.core.exposing.levels import incident_ids, levels_of
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.exposing.ruling import (
    VISIBLE_ERROR_STOPS,
    WORDS,
    Limits,
    limits_of,
    ruled_out,
    sharpness_of,
)
from emulsa.core.exposing.setting import Setting, choose_time, says
from emulsa.core.exposing.sharing import opened_error_stops, opened_s
from emulsa.core.light.exposure_value import at_speed, f_number_for, seconds_for
from emulsa.core.light.hand_time import time_text
from emulsa.core.light.marks import OLD, aperture_scale, engraved_on, mark_text, nearest, seconds
from emulsa.core.numbers import plain
from emulsa.core.tones import development_number
from emulsa.core.tones.placement import anchor, camera_ev
from emulsa.core.written import doubt_text, stops_words

LONGEST_OFFERED_S = 28_800.0  # eight hours: nobody stands by longer (common practice, no source)
WORTH_SHOWING_STOPS = 1 / 6  # half of what shows in a negative


def exposure(request: ExposureRequest) -> ExposureAnswer:
    """The operation ``exposure``."""
    levels = levels_of(request.readings, request.stack, request.light, request.meter)
    incident = incident_ids(request.readings, request.placement)
    placed_ev, zone = anchor(request.placement, levels)
    wanted = decided(request.placement, wish_of(request), levels, incident)
    planned = planned_n(wanted.n, request.n)
    ei = ei_for(request, planned)
    target = request.high.zone if request.high else development_number.TARGET
    on_film = (placed_ev, zone + request.bracket_stops)
    falls = falls_of(levels, on_film, (planned, target), tones_of(request, ei), incident)
    doubts = doubts_of(request.readings)
    n_sigma = doubts.n(request.placement, wanted, levels, incident)
    limits = limits_of(request)
    camera = at_speed(camera_ev(placed_ev, zone), ei)
    aperture, f_number = _aperture(request, camera)
    rows = ledger.to_film(request, (placed_ev, zone), (planned, ei), f_number)
    metered = rows[-1].time_s
    corrected = opened_s(request.law, metered, request.share)
    setting = _setting(request, metered, corrected, aperture, f_number)
    answer = ExposureAnswer(
        camera_ev=camera,
        ei=ei,
        range_stops=range_stops(request.placement, levels, incident),
        n=wanted.n,
        n_from=wanted.by,
        n_if_marked=wanted.if_marked,
        falls=doubts.told(falls, request.placement),
        metered_s=metered,
        corrected_s=corrected,
        set=setting,
        ledger=(
            *rows,
            *ledger.film_rows(request, metered),
            ledger.set_row(corrected, setting, request.optics),
        ),
        equivalents=_equivalents(request, limits, metered, f_number),
        development=DevelopmentPlan(
            n=planned,
            n_text=n_words(planned, request.film_kind),
            change=reciprocity.development_change(request.law, metered),
            why=ledger.n_why(request, wanted, planned),
            doubt_text=doubt_text(n_sigma or 0.0),
        ),
        advice=(),
        sharpness=sharpness_of(request, limits, f_number),
        range_sigma_stops=doubts.range(request.placement, levels, incident),
        n_sigma=n_sigma,
    )
    return replace(answer, advice=advise(request, answer))


def metered_at(request: ExposureRequest, aperture: str | float | None) -> float:
    """The time before reciprocity at an aperture other than the planned one, in seconds."""
    changed = replace(request, solve_for="time", aperture=aperture)
    camera = camera_ev_of(request)
    _, f_number = _aperture(changed, camera)
    light = 2 ** intensity_stops(request) * request.share.of_light
    return seconds_for(camera, f_number) * light


def camera_ev_of(request: ExposureRequest) -> float:
    """What the placement sets the camera to, at the EI of the N that is planned, before filters and
    bellows."""
    levels = levels_of(request.readings, request.stack, request.light, request.meter)
    ei = ei_for(request, planned_n(decision(request).n, request.n))
    return at_speed(camera_ev(*anchor(request.placement, levels)), ei)


def intensity_stops(request: ExposureRequest) -> float:
    """Stops that filters, bellows and warm light cost together, and a frame's place in its bracket;
    their order does not matter."""
    through_filters = filtering.total_stops(request.stack, request.light)
    extension = math.log2(bellows_factor(request.optics, request.focus))
    warm = light_stops(request.film_kind, request.light)
    return through_filters + extension + request.bracket_stops + warm


def _aperture(request: ExposureRequest, camera: float) -> tuple[str, float]:
    """The aperture as written and its f-number: given, solved for, or the pinhole's own."""
    optics = request.optics
    if isinstance(optics, Pinhole):
        if request.solve_for == "aperture":
            raise Unsound("A pinhole has one aperture; solve for the time.", field="solve_for")
        f_number = pinhole_f_number(optics.distance_mm, optics.diameter_mm)
        return mark_text(plain(round(f_number, 1))), f_number
    if request.solve_for == "time":
        if request.aperture is None:
            raise Missing("Choose an aperture on the lens.", field="aperture")
        mark = request.aperture
        if isinstance(mark, str):
            mark = engraved_on(mark, optics.aperture_series)
        return mark_text(mark), aperture_of(optics, mark)
    if request.time is None:
        raise Missing("Choose the time the aperture should be found for.", field="time")
    clock = seconds(request.time, optics.shutter.series)
    share = request.share
    whole = reciprocity.metered_s(request.law, clock / share.of_time) / share.of_light
    light = whole / 2 ** intensity_stops(request)
    wanted = f_number_for(camera, light)
    series = optics.aperture_series
    text, exact = nearest(wanted, apertures(optics, wanted, series) or aperture_scale(series))
    return mark_text(text), exact


def _setting(
    request: ExposureRequest, metered: float, corrected: float, aperture: str, f_number: float
) -> Setting:
    means: Literal["shutter", "bulb", "aperture"]
    if request.solve_for == "aperture" and request.time is not None:
        assert isinstance(request.optics, Lens)
        clock = seconds(request.time, request.optics.shutter.series)
        text, means = time_text(clock), "aperture"
    else:
        text, clock, means = choose_time(corrected, request.optics)
    off = opened_error_stops(request.law, metered, clock, request.share)
    out = ("beyond-lens",) if means == "aperture" and abs(off) > VISIBLE_ERROR_STOPS else ()
    return Setting(
        text=text,
        seconds=clock,
        means=means,
        error_stops=off,
        aperture=aperture,
        f_number=f_number,
        says=says(means, off),
        ruled_out_by=out,
        ruled_out_text=", ".join(WORDS[code] for code in out),
    )


def _equivalents(
    request: ExposureRequest, limits: Limits, metered: float, f_number: float
) -> tuple[Equivalent, ...]:
    if isinstance(request.optics, Pinhole):
        return ()
    pairs = []
    series = request.optics.aperture_series
    for text, exact in apertures(request.optics, f_number, series if series in OLD else "full"):
        at_mark = metered * (exact / f_number) ** 2
        corrected = opened_s(request.law, at_mark, request.share)
        if corrected > LONGEST_OFFERED_S + 1e-9:
            continue
        words, clock, _ = choose_time(corrected, request.optics)
        off = opened_error_stops(request.law, at_mark, clock, request.share)
        out = ruled_out(request, limits, exact, (at_mark, clock, off))
        pairs.append(
            Equivalent(
                aperture=text,
                metered_s=at_mark,
                corrected_s=corrected,
                seconds=clock,
                text=words,
                error_stops=off,
                error_text=stops_words(off) if abs(off) >= WORTH_SHOWING_STOPS - 1e-9 else "",
                ruled_out_by=out,
                ruled_out_text=", ".join(WORDS[code] for code in out),
                best=_is_best(limits, exact),
            )
        )
    return tuple(pairs)


def _is_best(limits: Limits, f_number: float) -> bool:
    """Whether a full mark is the nearest to where depth and diffraction balance."""
    if limits.best is None:
        return False
    wanted = marked(limits.best, limits.magnification)
    return abs(2 * math.log2(f_number / wanted)) < 0.5
