"""Where the readings fall, and the N their range asks for."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from emulsa.core.errors import Missing
from emulsa.core.exposing.answer import Fall
from emulsa.core.exposing.request import ExposureRequest, High
from emulsa.core.rendering.own_film import OwnFilm, knows, prints_as
from emulsa.core.tones import development_number, textural_range
from emulsa.core.tones.placement import (
    IncidentPair,
    Placed,
    Placement,
    fall,
    pair_range,
)
from emulsa.core.tones.zones import ev_text, zone_text


@dataclass(frozen=True, slots=True)
class FilmTones:
    """What tones a film holds, and its own curve and the EI it is rated at, where it was tested."""

    keeps: tuple[float, float]
    own: OwnFilm | None = None
    ei: float = 100.0


def tones_of(request: ExposureRequest) -> FilmTones:
    """The film of a request."""
    return FilmTones(request.textural_range, request.own_film, request.ei)


def falls_of(
    levels: dict[str, float],
    anchored: tuple[float, float],
    planned: tuple[float, float],
    film: FilmTones,
    incident: frozenset[str] = frozenset(),
) -> tuple[Fall, ...]:
    """Where every reading falls and what development makes of it.

    ``anchored`` is the EV that is pinned and its zone, ``planned`` N and the highlight's target,
    ``film`` what tones it holds, and its own curve where it was tested at this N. An incident
    reading falls where a grey card in its light would, and has no texture to lose.
    """
    placed_ev, zone = anchored
    printed = _printed(film, *planned)
    return tuple(
        _fall(
            reading, level, fall(level, placed_ev, zone), printed, film.keeps, reading in incident
        )
        for reading, level in levels.items()
    )


def _printed(film: FilmTones, n: float, target: float) -> Callable[[float], float]:
    """What a fall prints as: by the film's own curve, or by the common rule."""
    own, slope = film.own, development_number.slope(n, target)
    if own is not None and knows(own, n):
        return lambda zone: prints_as(own, zone, n, film.ei)
    return lambda zone: development_number.carried(zone, slope)


def _fall(
    reading: str,
    level: float,
    falls_on: float,
    printed: Callable[[float], float],
    keeps: tuple[float, float],
    incident: bool,
) -> Fall:
    lands_on = printed(falls_on)
    return Fall(
        id=reading,
        zone=falls_on,
        lands=lands_on,
        ev100=level,
        zone_text=zone_text(falls_on),
        lands_text=zone_text(lands_on),
        ev_text=ev_text(level),
        lost="" if incident else textural_range.lost(lands_on, *keeps),
        incident=incident,
    )


def wanted_n(
    placement: Placement,
    high: High | None,
    chosen: float | None,
    levels: dict[str, float],
    anchored: tuple[float, float],
) -> float:
    """N from the important highlight, from an incident pair's range, or normal; or as chosen.

    ``anchored`` is the EV that is pinned and its zone. A highlight that is itself placed asks for
    nothing: it stands where it is wanted. Missing when the highlight has no reading.
    """
    if chosen is not None:
        return chosen
    if isinstance(placement, IncidentPair):
        return development_number.NORMAL_INCIDENT_RANGE - range_stops(placement, levels)
    if high is None:
        return 0.0
    if high.reading not in levels:
        raise Missing(
            f"The important highlight “{high.reading}” is not among the readings.",
            field="high.reading",
        )
    if isinstance(placement, Placed) and placement.reading == high.reading:
        return 0.0
    falls_on = fall(levels[high.reading], *anchored)
    return development_number.development_number(high.zone, falls_on) + 0.0


def planned_n(wanted: float, chosen: float | None) -> float:
    """N as it is written on the sheet: the chosen one as it is, the wanted one to the half."""
    return chosen if chosen is not None else development_number.half_steps(wanted)


def range_stops(
    placement: Placement, levels: dict[str, float], incident: frozenset[str] = frozenset()
) -> float:
    """Subject brightness range: of an incident pair by its rule, else between the spots."""
    if isinstance(placement, IncidentPair):
        return pair_range(levels[placement.low], levels[placement.high])
    spots = [level for reading, level in levels.items() if reading not in incident]
    return max(spots) - min(spots) if spots else 0.0
