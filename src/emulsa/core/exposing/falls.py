"""Where the readings fall, and the N their range asks for."""

from __future__ import annotations

from dataclasses import replace

from emulsa.core.errors import Missing
from emulsa.core.exposing.answer import Fall
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.tones import development_number, textural_range
from emulsa.core.tones.placement import (
    IncidentPair,
    Placement,
    fall,
    pair_range,
)
from emulsa.core.tones.zones import ev_text, zone_text


def falls_of(
    levels: dict[str, float],
    anchored: tuple[float, float],
    planned: tuple[float, float],
    keeps: tuple[float, float],
    incident: frozenset[str] = frozenset(),
) -> tuple[Fall, ...]:
    """Where every reading falls and what development makes of it.

    ``anchored`` is the EV that is pinned and its zone, ``planned`` N and the highlight's target,
    ``keeps`` the textural range. An incident reading falls where a grey card in its light would,
    and has no texture to lose.
    """
    placed_ev, zone = anchored
    found = (
        _fall(reading, level, fall(level, placed_ev, zone), planned, keeps)
        for reading, level in levels.items()
    )
    return tuple(
        replace(each, incident=True, lost="") if each.id in incident else each for each in found
    )


def _fall(
    reading: str,
    level: float,
    falls_on: float,
    planned: tuple[float, float],
    keeps: tuple[float, float],
) -> Fall:
    lands_on = development_number.lands(falls_on, *planned)
    return Fall(
        id=reading,
        zone=falls_on,
        lands=lands_on,
        ev100=level,
        zone_text=zone_text(falls_on),
        lands_text=zone_text(lands_on),
        ev_text=ev_text(level),
        lost=textural_range.lost(lands_on, *keeps),
    )


def wanted_n(
    request: ExposureRequest, levels: dict[str, float], placed_ev: float, zone: float
) -> float:
    """N from the important highlight, from an incident pair's range, or normal; or as chosen."""
    if request.n is not None:
        return request.n
    if isinstance(request.placement, IncidentPair):
        return development_number.NORMAL_INCIDENT_RANGE - range_stops(request.placement, levels)
    if request.high is None:
        return 0.0
    if request.high.reading not in levels:
        raise Missing(
            f"The important highlight “{request.high.reading}” is not among the readings.",
            field="high.reading",
        )
    falls_on = fall(levels[request.high.reading], placed_ev, zone)
    return development_number.development_number(request.high.zone, falls_on) + 0.0


def range_stops(
    placement: Placement, levels: dict[str, float], incident: frozenset[str] = frozenset()
) -> float:
    """Subject brightness range: of an incident pair by its rule, else between the spots."""
    if isinstance(placement, IncidentPair):
        return pair_range(levels[placement.low], levels[placement.high])
    spots = [level for reading, level in levels.items() if reading not in incident]
    return max(spots) - min(spots) if spots else 0.0
