"""Placement: one reading is pinned to a zone and sets the camera; the others fall.

EV_set = EV_R + (5 − z); exposure × 2^(z − 5); fall of i: z + (EV_i − EV_R).
Source: Stroebel et al., Basic Photographic Materials and Processes; schools: common practice.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from emulsa.core.errors import Missing
from emulsa.core.limits import Id, Zone
from emulsa.core.tones.zones import MIDDLE


@dataclass(frozen=True, kw_only=True, slots=True)
class Placed:
    """A reading pinned to a zone: shadow (III or IV), mid-tone (V) or highlight (VII…VIII)."""

    school: Literal["shadow", "midtone", "highlight"]
    reading: Id
    zone: Zone


@dataclass(frozen=True, kw_only=True, slots=True)
class Average:
    """The middle between a low and a high reading on V: of the range, not of the light, which is
    what an averaging meter weighs (9 and 15 in equal parts read 14.0, and 12 here)."""

    school: Literal["average"] = "average"
    low: Id
    high: Id


@dataclass(frozen=True, kw_only=True, slots=True)
class Incident:
    """An incident reading, which is V by construction."""

    school: Literal["incident"] = "incident"
    reading: Id


@dataclass(frozen=True, kw_only=True, slots=True)
class IncidentPair:
    """Shadow-side and lit-side incident readings: range = difference + 5."""

    school: Literal["incident_pair"] = "incident_pair"
    low: Id
    high: Id


@dataclass(frozen=True, kw_only=True, slots=True)
class AsMetered:
    """A reading on V because nothing was decided."""

    school: Literal["as_metered"] = "as_metered"
    reading: Id


Placement = Placed | Average | Incident | IncidentPair | AsMetered

INCIDENT_PAIR_STOPS = 5.0  # matte black 3 % to white 96 %: the "+5" (common practice, memory)
INCIDENT_PAIR_SHIFT = 1.0  # the shadow reading is used at twice the EI (common practice, memory)


def camera_ev(reading_ev: float, zone: float) -> float:
    """EV_set = EV_R + (5 − z): what the camera is set to.

    >>> camera_ev(9, 3)
    11.0
    """
    return reading_ev + (MIDDLE - zone)


def fall(ev: float, placed_ev: float, zone: float) -> float:
    """z + (EV_i − EV_R): the zone another reading falls on.

    >>> fall(15, 9, 3)
    9
    """
    return zone + (ev - placed_ev)


def anchor(placement: Placement, levels: dict[str, float]) -> tuple[float, float]:
    """The EV that is pinned and the zone it is pinned to, for any school.

    ``levels`` maps reading ids to EV at ISO 100. Raises Missing when a reading is not there.
    """
    if isinstance(placement, Average):
        return (_level(levels, placement.low) + _level(levels, placement.high)) / 2, MIDDLE
    if isinstance(placement, IncidentPair):
        _level(levels, placement.high)
        return _level(levels, placement.low), MIDDLE - INCIDENT_PAIR_SHIFT
    zone = placement.zone if isinstance(placement, Placed) else MIDDLE
    return _level(levels, placement.reading), zone


def named_reading(placement: Placement) -> str | None:
    """The one reading a placement pins; nothing for schools that name two."""
    return None if isinstance(placement, (Average, IncidentPair)) else placement.reading


def pair_range(low_ev: float, high_ev: float) -> float:
    """Subject brightness range of an incident pair: difference + 5 stops.

    >>> pair_range(9, 13)
    9.0
    """
    return high_ev - low_ev + INCIDENT_PAIR_STOPS


def _level(levels: dict[str, float], reading: str) -> float:
    if reading not in levels:
        raise Missing(
            f"The placement names a reading “{reading}” that is not among the readings.",
            field="placement.reading",
        )
    return levels[reading]
