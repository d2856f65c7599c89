"""Who decides N, and at which index the exposure is made for it.

N = target − fall of the important highlight. Only a highlight somebody marked may ask for
expansion; without a mark the brightest reading may ask for contraction, never for more development,
for it need not be the tone that matters. A reading that is itself placed stands where it is wanted
and asks for nothing. Common practice, no source.

Falls are differences from what is placed, N comes from falls, the index from N: nothing goes in a
circle.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from emulsa.core.corrections.film_kinds import has_n
from emulsa.core.corrections.pre_exposure import raised
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.errors import Missing
from emulsa.core.exposing.answer import NFrom
from emulsa.core.exposing.falls import range_stops
from emulsa.core.exposing.levels import incident_ids, levels_of
from emulsa.core.exposing.request import EiPoint, ExposureRequest, High
from emulsa.core.sensitometry.speeds import rounded
from emulsa.core.straight import straight
from emulsa.core.tones import development_number
from emulsa.core.tones.placement import IncidentPair, Placement, anchor, fall, named_reading

NEAR = 1e-9
THUMB_FROM, THUMB_TO = -0.5, -3.0  # N by which contraction loses a third of a stop a step


@dataclass(frozen=True, slots=True)
class Decided:
    """N as it is wanted, who decides it, the reading that does, and what the brightest unmarked
    reading would ask for if it were marked."""

    n: float
    by: NFrom
    reading: str | None = None
    if_marked: float | None = None


@dataclass(frozen=True, slots=True)
class Wish:
    """The highlight and the N somebody asked for, and the film that is to give it: its kind, and
    the zone it was pre-exposed to."""

    high: High | None = None
    n: float | None = None
    kind: FilmKindName | None = None
    pre_zone: float | None = None

    def falls_on(self, level: float, anchored: tuple[float, float]) -> float:
        """Where a light falls on this film."""
        zone = fall(level, *anchored)
        return zone if self.pre_zone is None else raised(zone, self.pre_zone)


def wish_of(request: ExposureRequest) -> Wish:
    """What a request asks of N."""
    return Wish(request.high, request.n, request.film_kind, request.pre_exposure_zone)


def decided(
    placement: Placement,
    wish: Wish,
    levels: dict[str, float],
    incident: frozenset[str],
) -> Decided:
    """N for readings by a placement; Missing when the marked highlight has no reading."""
    if not has_n(wish.kind):
        return Decided(0.0, "none")
    if wish.n is not None:
        return Decided(wish.n, "chosen")
    high = wish.high
    if isinstance(placement, IncidentPair):
        wanted = development_number.NORMAL_INCIDENT_RANGE - range_stops(placement, levels)
        return Decided(wanted + 0.0, "pair")
    target = high.zone if high else development_number.TARGET
    anchored = anchor(placement, levels)
    placed = named_reading(placement)
    if high is not None and high.reading is not None:
        if high.reading not in levels:
            raise Missing(
                f"The important highlight “{high.reading}” is not among the readings.",
                field="high.reading",
            )
        if high.reading == placed:
            return Decided(0.0, "none")
        falls_on = wish.falls_on(levels[high.reading], anchored)
        wanted = development_number.development_number(target, falls_on)
        return Decided(wanted + 0.0, "marked", high.reading)
    tones = [each for each in levels if each not in incident and each != placed]
    if not tones:
        return Decided(0.0, "none")
    brightest = max(tones, key=lambda each: levels[each])
    falls_on = wish.falls_on(levels[brightest], anchored)
    asked = development_number.development_number(target, falls_on) + 0.0
    if asked < -NEAR:
        return Decided(asked, "brightest", brightest, asked)
    return Decided(0.0, "none", brightest, asked)


def decision(request: ExposureRequest) -> Decided:
    """Who decides the N of a request."""
    levels = levels_of(request.readings, request.stack, request.light, request.meter)
    incident = incident_ids(request.readings, request.placement)
    return decided(request.placement, wish_of(request), levels, incident)


def planned_n(wanted: float, chosen: float | None) -> float:
    """N as it is written on the sheet: the chosen one as it is, the wanted one to the half."""
    return chosen if chosen is not None else development_number.half_steps(wanted)


def has_own_ei(request: ExposureRequest) -> bool:
    """Whether the scene is rated otherwise than its film: then N has no say in it."""
    return request.usual_ei is not None and abs(request.usual_ei - request.ei) > NEAR


def ei_for(request: ExposureRequest, n: float) -> float:
    """The index an exposure planned for N is made at: the scene's own; else what the recipe's own
    and tested points say, straight in log2 EI between two; nothing beyond the outermost."""
    reached = None if has_own_ei(request) else reaches(request.ei_by_n, n)
    return request.ei if reached is None else reached


def reaches(points: Sequence[EiPoint], n: float) -> float | None:
    """The index of N by points; empty where they do not reach.

    >>> round(reaches([EiPoint(n=-2, ei=64), EiPoint(n=0, ei=100)], -1) or 0), reaches([], 0)
    (80, None)
    """
    ordered = sorted((each.n, math.log2(each.ei)) for each in points)
    if not ordered or not ordered[0][0] - NEAR <= n <= ordered[-1][0] + NEAR:
        return None
    exact = next((each.ei for each in points if abs(each.n - n) < NEAR), None)
    return exact if exact is not None else float(2 ** straight(ordered, n))


def ei_by_thumb(request: ExposureRequest, n: float) -> float | None:
    """The index contraction usually wants where only the rule of thumb knows, a third of a stop
    less for each N down to N−3 (common practice, no source); it is offered, never applied."""
    if n > THUMB_FROM + NEAR or has_own_ei(request) or reaches(request.ei_by_n, n) is not None:
        return None
    return rounded(request.ei * 2 ** (max(n, THUMB_TO) / 3))
