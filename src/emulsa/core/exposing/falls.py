"""Where the readings fall, and the N their range asks for."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from emulsa.core.corrections.pre_exposure import raised
from emulsa.core.exposing.answer import Fall
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.rendering.own_film import OwnFilm, knows, prints_as
from emulsa.core.tones import development_number, textural_range
from emulsa.core.tones.placement import IncidentPair, Placement, fall, pair_range
from emulsa.core.tones.zones import ev_text, zone_text


@dataclass(frozen=True, slots=True)
class FilmTones:
    """What tones a film holds, its own curve and the EI it is rated at, where it was tested, and
    the zone it was pre-exposed to."""

    keeps: tuple[float, float]
    own: OwnFilm | None = None
    ei: float = 100.0
    pre_zone: float | None = None


def tones_of(request: ExposureRequest, ei: float) -> FilmTones:
    """The film of a request, exposed at an index."""
    return FilmTones(request.keeps, request.own_film, ei, request.pre_exposure_zone)


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
    printed, pre = printed_by(film, *planned), film.pre_zone
    found = []
    for reading, level in levels.items():
        falls_on = fall(level, placed_ev, zone)
        if pre is not None:
            falls_on = raised(falls_on, pre)
        found.append(_fall(reading, level, falls_on, printed, film.keeps, reading in incident))
    return tuple(found)


def printed_by(film: FilmTones, n: float, target: float) -> Callable[[float], float]:
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


def range_stops(
    placement: Placement, levels: dict[str, float], incident: frozenset[str] = frozenset()
) -> float:
    """Subject brightness range: of an incident pair by its rule, else between the spots."""
    if isinstance(placement, IncidentPair):
        return pair_range(levels[placement.low], levels[placement.high])
    spots = [level for reading, level in levels.items() if reading not in incident]
    return max(spots) - min(spots) if spots else 0.0
