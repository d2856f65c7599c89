"""The schools side by side: what each would make of the same readings.

Shadow puts the darkest (or the marked) spot on III or IV, mid-tone a middle spot on V, highlight
the brightest on VII…VIII, average the mean of both on V; incident schools need readings of the
light itself. Every row says the camera EV, N, and which readings lose their texture.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Literal

from emulsa.core.corrections.aperture_choice import Blur
from emulsa.core.corrections.film_kinds import n_words
from emulsa.core.errors import CoreError
from emulsa.core.exposing.chain import camera_ev_of
from emulsa.core.exposing.deciding import decided, ei_for, planned_n, wish_of
from emulsa.core.exposing.falls import falls_of, tones_of
from emulsa.core.exposing.levels import incident_ids, levels_of
from emulsa.core.exposing.request import ExposureRequest, High
from emulsa.core.light.exposure_value import at_speed
from emulsa.core.limits import Zone
from emulsa.core.tones import development_number
from emulsa.core.tones.placement import (
    AsMetered,
    Average,
    Incident,
    IncidentPair,
    Placed,
    Placement,
    anchor,
    camera_ev,
)
from emulsa.core.tones.zones import MIDDLE, ev_text, zone_text
from emulsa.core.written import stops_words

School = Literal[
    "shadow", "midtone", "highlight", "average", "incident", "incident_pair", "as_metered"
]
SCHOOLS: dict[School, str] = {
    "shadow": "shadow",
    "midtone": "mid-tone",
    "highlight": "highlight",
    "average": "average",
    "incident": "incident",
    "incident_pair": "incident pair",
    "as_metered": "as metered",
}


@dataclass(frozen=True, kw_only=True, slots=True)
class Habits:
    """The zones a photographer places on, the tone highlights are meant for, the blur allowed on
    the film (empty: by the format), whether N takes its own index, and whether an exposure's error
    is developed for (*hold the highlights*) or reported and offered."""

    shadow_zone: Zone = 3.0
    highlight_zone: Zone = 7.5
    target_zone: Zone = development_number.TARGET
    blur_mm: Blur | None = None
    ei_by_n: bool = True
    hold_highlights: bool = False


@dataclass(frozen=True, kw_only=True, slots=True)
class SchoolsRequest:
    """An exposure and the habits; ``low`` marks the important shadow when it is not the darkest."""

    exposure: ExposureRequest
    low: str | None = None
    habits: Habits = Habits()


@dataclass(frozen=True, kw_only=True, slots=True)
class SchoolRow:
    """One school's answer; ``problem`` says what it lacks, and then the rest is empty."""

    school: School
    name: str
    placement: Placement | None = None
    text: str = ""
    camera_ev: float | None = None
    camera_ev_text: str = ""
    n: float | None = None
    n_text: str = ""
    lost: tuple[str, ...] = ()
    difference_text: str = ""
    problem: str = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class SchoolsAnswer:
    """All seven, in one order."""

    schools: tuple[SchoolRow, ...]


def schools(request: SchoolsRequest) -> SchoolsAnswer:
    """The operation ``schools``: every school's placement of the same readings."""
    return SchoolsAnswer(schools=tuple(_row(request, each) for each in SCHOOLS))


def placed_by(
    school: School,
    levels: dict[str, float],
    incident: frozenset[str],
    marked: tuple[str | None, str | None],
    habits: Habits,
) -> Placement | str:
    """The placement a school makes of the readings, or the sentence that says what it lacks.

    ``levels`` are EV at ISO 100 in the order of the readings, ``marked`` the important shadow and
    highlight where they are not simply the darkest and the brightest.
    """
    spots = {each: level for each, level in levels.items() if each not in incident}
    domes = sorted(incident & levels.keys(), key=lambda each: levels[each])
    if school in ("incident", "incident_pair"):
        return _by_dome(school, domes)
    if not spots:
        return "needs a spot reading of the subject"
    low, high = marked
    darkest = low if low is not None and low in spots else min(spots, key=lambda e: spots[e])
    brightest = high if high is not None and high in spots else max(spots, key=lambda e: spots[e])
    if school == "average" and len(spots) < 2:
        return "needs a second spot"
    if school == "shadow":
        return Placed(school="shadow", reading=darkest, zone=habits.shadow_zone)
    if school == "midtone":
        middle = _middle(spots, darkest, brightest)
        if middle is None:
            return "needs a spot near the middle"
        return Placed(school="midtone", reading=middle, zone=MIDDLE)
    if school == "highlight":
        return Placed(school="highlight", reading=brightest, zone=habits.highlight_zone)
    if school == "average":
        return Average(low=darkest, high=brightest)
    return AsMetered(reading=next(iter(spots)))


def _by_dome(school: School, domes: list[str]) -> Placement | str:
    if school == "incident":
        if not domes:
            return "needs an incident reading, as 81920lx"
        return Incident(reading=domes[-1])
    if len(domes) < 2:
        return "needs two readings of the light"
    return IncidentPair(low=domes[0], high=domes[-1])


def _middle(spots: dict[str, float], low: str, high: str) -> str | None:
    """The spot nearest to the middle that is neither the darkest nor the brightest, if any; a lone
    spot is its own middle."""
    if len(spots) == 1:
        return low
    wanted = (spots[low] + spots[high]) / 2
    between = [each for each in spots if each not in (low, high)]
    return min(between, key=lambda each: round(abs(spots[each] - wanted), 9), default=None)


def _row(request: SchoolsRequest, school: School) -> SchoolRow:
    name = SCHOOLS[school]
    base = request.exposure
    levels = levels_of(base.readings, base.stack, base.light, base.meter)
    incident = incident_ids(base.readings, AsMetered(reading=""))
    marked = (request.low, base.high.reading if base.high else None)
    placement = placed_by(school, levels, incident, marked, request.habits)
    if isinstance(placement, str):
        return SchoolRow(school=school, name=name, problem=placement)
    try:
        return _answered(request, school, placement)
    except CoreError as refusal:
        return SchoolRow(school=school, name=name, problem=refusal.message)


def _answered(request: SchoolsRequest, school: School, placement: Placement) -> SchoolRow:
    base = request.exposure
    levels = levels_of(base.readings, base.stack, base.light, base.meter)
    incident = incident_ids(base.readings, placement)
    high = base.high or High(zone=request.habits.target_zone)
    wish = replace(wish_of(base), high=high, n=None)
    placed_ev, zone = anchor(placement, levels)
    n = planned_n(decided(placement, wish, levels, incident).n, None)
    ei = ei_for(base, n)
    falls = falls_of(levels, (placed_ev, zone), (n, high.zone), tones_of(base, ei), incident)
    labels = {each.id: each.label or "reading" for each in base.readings}
    at = at_speed(camera_ev(placed_ev, zone), ei)
    chosen = camera_ev_of(base)
    return SchoolRow(
        school=school,
        name=SCHOOLS[school],
        placement=placement,
        text=placement_words(placement, labels),
        camera_ev=at,
        camera_ev_text=ev_text(at),
        n=n,
        n_text=n_words(n, base.film_kind),
        lost=tuple(labels[each.id] for each in falls if each.lost),
        difference_text=_difference(chosen - at),
    )


def _difference(stops: float) -> str:
    """More (+) or less (−) exposure than the placement in force."""
    return "same exposure" if abs(stops) < 0.005 else stops_words(stops)


def placement_words(placement: Placement, labels: dict[str, str]) -> str:
    """``doorway on III``, ``doorway and frost averaged``."""
    if isinstance(placement, Placed):
        return f"{labels[placement.reading]} on {zone_text(placement.zone)}"
    if isinstance(placement, Average):
        return f"{labels[placement.low]} and {labels[placement.high]} averaged"
    if isinstance(placement, IncidentPair):
        return f"{labels[placement.low]} and {labels[placement.high]}"
    return f"{labels[placement.reading]} on V"
