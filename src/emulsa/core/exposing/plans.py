"""The second opinion: whole plans, ranked by a sum anyone can read (``penalties``).

A plan is a placement, a development, a choice of filters and an aperture with its time. Each
combination of placement, development and filters competes with its cheapest aperture; the three
cheapest combinations are shown, so that no two of them say the same thing. Other filters are
proposed only where they mend something: what is on the lens is there for the look of the picture.
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from contextlib import suppress
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core.corrections import reciprocity
from emulsa.core.corrections.film_kinds import n_words
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.optics import Lens, Pinhole, apertures
from emulsa.core.corrections.pinhole import pinhole_f_number
from emulsa.core.errors import CoreError
from emulsa.core.exposing.chain import intensity_stops
from emulsa.core.exposing.deciding import decided, ei_for, planned_n, wish_of
from emulsa.core.exposing.falls import falls_of, tones_of
from emulsa.core.exposing.levels import incident_ids, levels_of
from emulsa.core.exposing.penalties import (
    APERTURE_CHANGE,
    FREE_ERROR_STOPS,
    FREE_N,
    NAMES,
    OTHER_FILTERS,
    PATIENT_S,
    PLACED_COUNTS,
    UNDER_COUNTS,
    Penalty,
    Tones,
    Weights,
    beyond,
    costs,
    depth,
    penalties,
    reason,
    short,
)
from emulsa.core.exposing.request import ExposureRequest, High
from emulsa.core.exposing.ruling import Limits, limits_of, ruled_out
from emulsa.core.exposing.schools import Habits, School, placed_by, placement_words
from emulsa.core.exposing.setting import choose_time, error_stops
from emulsa.core.light.exposure_value import at_speed, seconds_for
from emulsa.core.light.marks import Mark, f_number, mark_text
from emulsa.core.limits import FILTERS, Length
from emulsa.core.numbers import plain
from emulsa.core.tones.placement import (
    AsMetered,
    Placement,
    anchor,
    camera_ev,
    named_reading,
)

SHOWN = 3
WORTH_CHANGING = 0.05  # of cost: less is no reason to touch the filters
SCHOOLS_TRIED: tuple[School, ...] = ("shadow", "highlight")


@dataclass(frozen=True, kw_only=True, slots=True)
class FilterChoice:
    """A stack of filters to try, with the ids a page knows them by."""

    ids: tuple[str, ...] = ()
    filters: Annotated[tuple[Filter, ...], FILTERS] = ()


@dataclass(frozen=True, kw_only=True, slots=True)
class PlansRequest:
    """The exposure as it stands, the other filters there are, and how the photographer weighs."""

    exposure: ExposureRequest
    choices: Annotated[tuple[FilterChoice, ...], Length("Choices of filters", 0, 12)] = ()
    weights: Weights = Weights()
    habits: Habits = Habits()


@dataclass(frozen=True, kw_only=True, slots=True)
class Plan:
    """One whole way of taking the picture; ``cost_text`` is what it costs, with its sum."""

    placement: Placement
    n: float
    filter_ids: tuple[str, ...]
    own_filters: bool
    aperture: str
    seconds: float
    text: str
    says: str
    reason: str
    costs: str
    cost: float
    cost_text: str
    penalties: tuple[Penalty, ...]
    sum_text: str
    sheets: int


@dataclass(frozen=True, kw_only=True, slots=True)
class PlansAnswer:
    """Up to three plans, best first, and the weights they were ranked by."""

    plans: tuple[Plan, ...]
    weights: Weights


class _Way:
    """What all apertures of one choice of filters have in common."""

    def __init__(
        self,
        request: PlansRequest,
        asked: ExposureRequest,
        limits: Limits,
        marks: tuple[Mark, ...],
    ) -> None:
        self.request, self.asked, self.limits, self.marks = request, asked, limits, marks
        self.weights = [getattr(request.weights, name) for name in NAMES]
        self.levels = levels_of(asked.readings, asked.stack, asked.light, asked.meter)
        self.own_f_number = 0.0
        if isinstance(asked.optics, Lens) and asked.aperture is not None:
            self.own_f_number = f_number(asked.aperture, asked.optics.aperture_series)


@dataclass(frozen=True, slots=True)
class _Shot:
    """One aperture and its time, with what it costs."""

    mark: Mark
    metered_s: float
    text: str
    seconds: float
    error_stops: float
    amounts: tuple[float, ...]
    cost: float


def plans(request: PlansRequest) -> PlansAnswer:
    """The operation ``plans``: the second opinion."""
    found = sorted(_all(request), key=lambda plan: (round(plan.cost, 9), plan.filter_ids))
    own = {(each.placement, each.n): each.cost for each in found if each.own_filters}
    worth = [each for each in found if each.own_filters or _mends(each, own)]
    return PlansAnswer(plans=tuple(worth[:SHOWN]), weights=request.weights)


def _mends(plan: Plan, own: dict[tuple[Placement, float], float]) -> bool:
    """Whether other filters make the same placement and development cheaper."""
    with_own = own.get((plan.placement, plan.n))
    return with_own is None or plan.cost < with_own - WORTH_CHANGING


def _all(request: PlansRequest) -> Iterator[Plan]:
    base = request.exposure
    for choice in request.choices or (FilterChoice(filters=base.filters),):
        # A choice that cannot be worked out is no plan; the scene as it stands says why.
        with suppress(CoreError):
            asked = replace(base, filters=choice.filters)
            yield from _with_filters(request, asked, choice)


def _with_filters(
    request: PlansRequest, asked: ExposureRequest, choice: FilterChoice
) -> Iterator[Plan]:
    way = _Way(request, asked, limits_of(asked), _marks(asked))
    for tones in _placements(request, asked):
        ei = ei_for(asked, tones.n)
        camera = at_speed(camera_ev(*anchor(tones.placement, way.levels)), ei)
        light = 2 ** intensity_stops(asked)
        best = min(
            (_shot(way, tones, mark, seconds_for(camera, mark[1]) * light) for mark in way.marks),
            key=lambda shot: shot.cost,
        )
        yield _plan(way, tones, choice, best)


def _marks(asked: ExposureRequest) -> tuple[Mark, ...]:
    optics = asked.optics
    if isinstance(optics, Pinhole):
        f_number_ = pinhole_f_number(optics.distance_mm, optics.diameter_mm)
        return ((plain(round(f_number_, 1)), f_number_),)
    around = 22.6 if asked.aperture is None else f_number(asked.aperture, optics.aperture_series)
    # far from every mark the aperture that was asked for is the only one
    return apertures(optics, around, optics.aperture_series) or ((plain(around), around),)


def _placements(request: PlansRequest, asked: ExposureRequest) -> Iterator[Tones]:
    """The placement in force, the shadow's and the highlight's; each with its N and with none."""
    seen: set[tuple[float, float]] = set()
    levels = levels_of(asked.readings, asked.stack, asked.light, asked.meter)
    incident = incident_ids(asked.readings, AsMetered(reading=""))
    marked = (None, asked.high.reading if asked.high else None)
    options: list[Placement] = [asked.placement]
    for school in SCHOOLS_TRIED:
        made = placed_by(school, levels, incident, marked, request.habits)
        if not isinstance(made, str):
            options.append(made)
    target = asked.high.zone if asked.high else request.habits.target_zone
    high = asked.high or High(zone=target)
    for placement in options:
        placed_ev, zone = anchor(placement, levels)
        among = incident_ids(asked.readings, placement)
        wish = replace(wish_of(asked), high=high, n=None)
        ns = {0.0, planned_n(decided(placement, wish, levels, among).n, None)}
        if asked.n is not None and placement == asked.placement:
            ns.add(asked.n)
        for n in sorted(ns):
            key = (round(placed_ev - zone, 6), n)
            if key not in seen:
                seen.add(key)
                yield _tones(asked, placement, n, target, levels)


def _tones(
    asked: ExposureRequest, placement: Placement, n: float, target: float, levels: dict[str, float]
) -> Tones:
    incident = incident_ids(asked.readings, placement)
    film = tones_of(asked, ei_for(asked, n))
    falls = falls_of(levels, anchor(placement, levels), (n, target), film, incident)
    placed = named_reading(asked.placement)
    low, high = asked.keeps
    labels = {each.id: each.label or "reading" for each in asked.readings}
    lost = math.fsum(
        max(low - each.lands, each.lands - high, 0) * (PLACED_COUNTS if each.id == placed else 1)
        for each in falls
        if each.lost
    )
    names = tuple(labels[each.id] for each in falls if each.lost)
    return Tones(placement, n, lost, names)


def _shot(way: _Way, tones: Tones, mark: Mark, metered: float) -> _Shot:
    asked, limits = way.asked, way.limits
    text, clock, _ = choose_time(reciprocity.corrected_s(asked.law, metered), asked.optics)
    off = error_stops(asked.law, metered, clock)
    effective = mark[1] * (1 + limits.magnification)
    shift = abs(2 * math.log2(mark[1] / way.own_f_number)) if way.own_f_number else 0.0
    amounts = (
        tones.lost,
        max(0.0, abs(tones.n) - FREE_N),
        max(0.0, abs(off) - FREE_ERROR_STOPS) * (UNDER_COUNTS if off < 0 else 1),
        beyond(clock, limits.longest_s) + short(clock, limits.shortest_s),
        depth(effective, limits),
        float(reciprocity.extrapolated(asked.law, metered)),
        beyond(clock, PATIENT_S),
        float(tones.placement != way.request.exposure.placement)
        + (0.0 if asked.filters == way.request.exposure.filters else OTHER_FILTERS)
        + shift * APERTURE_CHANGE,
    )
    cost = math.fsum(amount * weight for amount, weight in zip(amounts, way.weights, strict=True))
    return _Shot(mark, metered, text, clock, off, amounts, cost)


def _plan(way: _Way, tones: Tones, choice: FilterChoice, shot: _Shot) -> Plan:
    asked = way.asked
    amounts = dict(zip(NAMES, shot.amounts, strict=True))
    out = ruled_out(
        asked, way.limits, shot.mark[1], (shot.metered_s, shot.seconds, shot.error_stops)
    )
    labels = {each.id: each.label or "reading" for each in asked.readings}
    terms = penalties(amounts, way.request.weights, tones)
    filters = " + ".join(each.label or "filter" for each in asked.filters) or "no filter"
    return Plan(
        placement=tones.placement,
        n=tones.n,
        filter_ids=choice.ids,
        own_filters=asked.filters == way.request.exposure.filters,
        aperture=shot.mark[0],
        seconds=shot.seconds,
        text=f"{mark_text(shot.mark[0])}, {shot.text}",
        says=f"{placement_words(tones.placement, labels)}, {n_words(tones.n, asked.film_kind)},"
        f" {filters}",
        reason=reason(tones, amounts, way.limits),
        costs=costs(tones, amounts, out, shot.error_stops),
        cost=shot.cost,
        cost_text=f"cost {shot.cost:.1f}",
        penalties=terms,
        sum_text=" + ".join(f"{each.text} {each.cost:.1f}" for each in terms),
        sheets=2 if amounts["extrapolation"] else 1,
    )
