"""The second opinion: whole plans, ranked by a sum anyone can read.

A plan is a placement, a development, a choice of filters and an aperture with its time. Its cost is
the sum of seven penalties, each times a weight the photographer sees and changes:

    tones          zones of texture lost, over all readings
    development    |N| beyond normal, in steps (the first half step is free)
    error          stops the setting is off beyond a sixth
    movement       stops the time is too long for what moves
    depth          stops the aperture is too wide for the depth wanted, or too small to be sharp
    extrapolation  1 when the time rests on no data of the film
    waiting        minutes of exposure beyond one, in doublings
    change         what is unlike the scene as it stands: 1 another placement, ½ other filters,
                   ¼ for each stop of aperture

Each combination of placement, development and filters competes with its cheapest aperture; the
three cheapest combinations are shown, so that no two of them say the same thing. Other filters are
proposed only where they mend something: what is on the lens is there for the look of the picture.
Weights and penalties: common practice, no source; the rule is the program's own and has no other
authority.
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from contextlib import suppress
from dataclasses import dataclass, fields, replace
from typing import Annotated

from emulsa.core.corrections import reciprocity
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.optics import Lens, Pinhole, apertures, mark_text
from emulsa.core.corrections.pinhole import pinhole_f_number
from emulsa.core.errors import CoreError
from emulsa.core.exposing.answer import Fall
from emulsa.core.exposing.falls import falls_of
from emulsa.core.exposing.levels import incident_ids, levels_of
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.exposing.ruling import WORDS, Limits, limits_of, ruled_out
from emulsa.core.exposing.schools import Habits, School, placed_by, placement_words
from emulsa.core.exposing.setting import choose_time, error_stops
from emulsa.core.exposure import intensity_stops
from emulsa.core.light.exposure_value import at_speed, seconds_for
from emulsa.core.light.hand_time import stops_words
from emulsa.core.light.marks import Mark, f_number
from emulsa.core.limits import Length, Within, plain
from emulsa.core.tones import development_number
from emulsa.core.tones.placement import AsMetered, Placed, Placement, anchor, camera_ev, fall
from emulsa.core.tones.zones import number_text

Weight = Annotated[float, Within("A weight", 0, 100)]
FREE_N = 0.5  # steps of N that cost nothing
FREE_ERROR_STOPS = 1 / 6  # half of what shows
PATIENT_S = 60.0
SHOWN = 3
OTHER_FILTERS = 0.5  # of a change of placement
WORTH_CHANGING = 0.05  # of cost: less is no reason to touch the filters
APERTURE_CHANGE = 1 / 4  # of a change of placement, for each stop
SCHOOLS_TRIED: tuple[School, ...] = ("shadow", "highlight")


@dataclass(frozen=True, kw_only=True, slots=True)
class Weights:
    """What each penalty weighs."""

    tones: Weight = 3.0
    development: Weight = 1.0
    error: Weight = 2.0
    movement: Weight = 2.0
    depth: Weight = 2.0
    extrapolation: Weight = 1.0
    waiting: Weight = 0.5
    change: Weight = 0.25


NAMES = tuple(each.name for each in fields(Weights))


@dataclass(frozen=True, kw_only=True, slots=True)
class FilterChoice:
    """A stack of filters to try, with the ids a page knows them by."""

    ids: tuple[str, ...] = ()
    filters: Annotated[tuple[Filter, ...], Length("Filters", 0, 12)] = ()


@dataclass(frozen=True, kw_only=True, slots=True)
class PlansRequest:
    """The exposure as it stands, the other filters there are, and how the photographer weighs."""

    exposure: ExposureRequest
    choices: Annotated[tuple[FilterChoice, ...], Length("Choices of filters", 0, 12)] = ()
    weights: Weights = Weights()
    habits: Habits = Habits()


@dataclass(frozen=True, kw_only=True, slots=True)
class Penalty:
    """One term of the cost: how much of it there is, times its weight, and in words."""

    name: str
    amount: float
    cost: float
    text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class Plan:
    """One whole way of taking the picture."""

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
    penalties: tuple[Penalty, ...]
    sheets: int


@dataclass(frozen=True, kw_only=True, slots=True)
class PlansAnswer:
    """Up to three plans, best first, and the weights they were ranked by."""

    plans: tuple[Plan, ...]
    weights: Weights


@dataclass(frozen=True, slots=True)
class _Tones:
    """A placement and a development, with the falls they make."""

    placement: Placement
    n: float
    falls: tuple[Fall, ...]
    lost: float
    lost_names: tuple[str, ...]


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
        self.levels = levels_of(asked.readings, asked.filters, asked.light, asked.meter)
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
        asked = replace(base, filters=choice.filters)
        # A choice that cannot be worked out is no plan; the scene as it stands says why.
        with suppress(CoreError):
            yield from _with_filters(request, asked, choice)


def _with_filters(
    request: PlansRequest, asked: ExposureRequest, choice: FilterChoice
) -> Iterator[Plan]:
    way = _Way(request, asked, limits_of(asked), _marks(asked))
    for tones in _placements(request, asked):
        camera = at_speed(camera_ev(*anchor(tones.placement, way.levels)), asked.ei)
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
    return apertures(optics, around, optics.aperture_series)


def _placements(request: PlansRequest, asked: ExposureRequest) -> Iterator[_Tones]:
    """The placement in force, the shadow's and the highlight's; each with its N and with none."""
    seen: set[tuple[float, float]] = set()
    levels = levels_of(asked.readings, asked.filters, asked.light, asked.meter)
    incident = incident_ids(asked.readings, AsMetered(reading=""))
    marked = (None, asked.high.reading if asked.high else None)
    options: list[Placement] = [asked.placement]
    for school in SCHOOLS_TRIED:
        made = placed_by(school, levels, incident, marked, request.habits)
        if not isinstance(made, str):
            options.append(made)
    target = asked.high.zone if asked.high else request.habits.target_zone
    for placement in options:
        placed_ev, zone = anchor(placement, levels)
        ns = {0.0}
        high = asked.high.reading if asked.high else None
        own = isinstance(placement, Placed) and placement.reading == high  # placed as wanted
        if high is not None and high in levels and not own:
            falls_on = fall(levels[high], placed_ev, zone)
            ns.add(development_number.half_steps(target - falls_on))
        if asked.n is not None and placement == asked.placement:
            ns.add(asked.n)
        for n in sorted(ns):
            key = (round(placed_ev - zone, 6), n)
            if key not in seen:
                seen.add(key)
                yield _tones(asked, placement, n, target, levels)


def _tones(
    asked: ExposureRequest, placement: Placement, n: float, target: float, levels: dict[str, float]
) -> _Tones:
    incident = incident_ids(asked.readings, placement)
    falls = falls_of(levels, anchor(placement, levels), (n, target), asked.textural_range, incident)
    low, high = asked.textural_range
    labels = {each.id: each.label or "reading" for each in asked.readings}
    lost = sum(max(low - each.lands, each.lands - high, 0) for each in falls if each.lost)
    names = tuple(labels[each.id] for each in falls if each.lost)
    return _Tones(placement, n, falls, lost, names)


def _shot(way: _Way, tones: _Tones, mark: Mark, metered: float) -> _Shot:
    asked, limits = way.asked, way.limits
    text, clock, _ = choose_time(reciprocity.corrected_s(asked.law, metered), asked.optics)
    off = error_stops(asked.law, metered, clock)
    effective = mark[1] * (1 + limits.magnification)
    shift = abs(2 * math.log2(mark[1] / way.own_f_number)) if way.own_f_number else 0.0
    amounts = (
        tones.lost,
        max(0.0, abs(tones.n) - FREE_N),
        max(0.0, abs(off) - FREE_ERROR_STOPS),
        _beyond(clock, limits.longest_s),
        _depth(effective, limits),
        float(reciprocity.extrapolated(asked.law, metered)),
        _beyond(clock, PATIENT_S),
        float(tones.placement != way.request.exposure.placement)
        + (0.0 if asked.filters == way.request.exposure.filters else OTHER_FILTERS)
        + shift * APERTURE_CHANGE,
    )
    cost = sum(amount * weight for amount, weight in zip(amounts, way.weights, strict=True))
    return _Shot(mark, metered, text, clock, off, amounts, cost)


def _plan(way: _Way, tones: _Tones, choice: FilterChoice, shot: _Shot) -> Plan:
    asked = way.asked
    amounts = dict(zip(NAMES, shot.amounts, strict=True))
    out = ruled_out(
        asked, way.limits, shot.mark[1], (shot.metered_s, shot.seconds, shot.error_stops)
    )
    labels = {each.id: each.label or "reading" for each in asked.readings}
    filters = " + ".join(each.label or "filter" for each in asked.filters) or "no filter"
    return Plan(
        placement=tones.placement,
        n=tones.n,
        filter_ids=choice.ids,
        own_filters=asked.filters == way.request.exposure.filters,
        aperture=shot.mark[0],
        seconds=shot.seconds,
        text=f"{mark_text(shot.mark[0])}, {shot.text}",
        says=f"{placement_words(tones.placement, labels)}, {development_number.n_text(tones.n)},"
        f" {filters}",
        reason=_reason(tones, amounts, way.limits),
        costs=_costs(tones, amounts, out, shot.error_stops),
        cost=shot.cost,
        penalties=_penalties(amounts, way.request.weights, tones),
        sheets=2 if amounts["extrapolation"] else 1,
    )


def _beyond(value: float, limit: float | None) -> float:
    """Stops ``value`` lies beyond ``limit``."""
    return max(0.0, math.log2(value / limit)) if limit else 0.0


def _depth(effective: float, limits: Limits) -> float:
    too_wide = 2 * math.log2(limits.widest / effective) if limits.widest else 0.0
    too_small = 2 * math.log2(effective / limits.smallest) if limits.smallest else 0.0
    off_best = abs(2 * math.log2(effective / limits.best)) / 10 if limits.best else 0.0
    return max(too_wide, too_small, 0.0) + off_best


def _penalties(amounts: dict[str, float], weights: Weights, tones: _Tones) -> tuple[Penalty, ...]:
    words = {
        "tones": f"{number_text(tones.lost)} zones of texture lost",
        "development": f"{development_number.n_text(tones.n)}",
        "error": "the setting is off",
        "movement": "time too long for what moves",
        "depth": "depth or diffraction",
        "extrapolation": "beyond the film's data",
        "waiting": "minutes of waiting",
        "change": "not what you chose",
    }
    return tuple(
        Penalty(
            name=name,
            amount=amounts[name],
            cost=amounts[name] * getattr(weights, name),
            text=words[name],
        )
        for name in NAMES
        if amounts[name] > 1e-9
    )


def _reason(tones: _Tones, amounts: dict[str, float], limits: Limits) -> str:
    """Why one would take this plan, in a sentence."""
    kept = "Every tone keeps its texture" if not tones.lost else "Keeps most tones"
    if isinstance(tones.placement, Placed) and tones.placement.school == "highlight":
        kept = "The highlight is sure" if tones.lost else "Every tone keeps its texture"
    with_n = {True: " with normal development", False: ""}[abs(tones.n) < 0.25]
    sharp = ""
    if limits.widest is not None and amounts["depth"] < 0.2:
        sharp = " and the depth is held"
    elif limits.longest_s is not None and amounts["movement"] == 0:
        sharp = " and nothing moves visibly"
    return f"{kept}{with_n}{sharp}."


def _costs(tones: _Tones, amounts: dict[str, float], out: tuple[str, ...], off: float) -> str:
    """What the plan sacrifices, in a sentence; nothing when there is nothing."""
    said = []
    if tones.lost_names:
        said.append(f"loses texture in {', '.join(tones.lost_names)}")
    said += [WORDS[code] for code in out if code != "faster-than-shutter"]
    if amounts["error"] > 0.1:
        said.append(f"is {stops_words(off)} off")
    if amounts["extrapolation"]:
        said.append("wants a second sheet at one stop more")
    if not said:
        return "Costs nothing but the sheet."
    return "Costs: " + "; ".join(said) + "."
