"""Films in one tank: whether they go together, for how long, and what each gives up."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.data.film_kinds import KINDS, FilmKindName
from emulsa.core.errors import Unsound
from emulsa.core.limits import Id, Label, Length, Name, Within

TankMinutes = Annotated[float, Within("Minutes in the developer", 0.5, 240, "min")]
TankCelsius = Annotated[float, Within("The developer’s temperature", 18, 43, "°C")]
WhyNot = Literal["developer", "dilution", "agitation", "temperature", "process", "times"]

PLUS, MINUS = 1.35, 0.8  # of the time for a zone more and less: the thumb's
APART_C, TOGETHER_ZONES, FREE_ZONES = 0.5, 0.5, 0.25
NEAR = 1e-9


@dataclass(frozen=True, kw_only=True, slots=True)
class TankFilm:
    """A film with what it is developed in and for how long."""

    id: Id
    developer: Name
    dilution: Label
    agitation: Label = ""
    minutes: TankMinutes
    temperature_c: TankCelsius
    kind: FilmKindName = "panchromatic"


@dataclass(frozen=True, kw_only=True, slots=True)
class OneTankRequest:
    """Films that may share a tank, and one's own minutes."""

    films: Annotated[tuple[TankFilm, ...], Length("Films", 2, 8)]
    minutes: TankMinutes | None = None

    def __post_init__(self) -> None:
        if len({each.id for each in self.films}) < len(self.films):
            raise Unsound("Two films have the same id; each needs its own.", field="films")


@dataclass(frozen=True, slots=True)
class InTheTank:
    """How far a film is off in zones: over is more contrast."""

    id: str
    zones_off: float


@dataclass(frozen=True, slots=True)
class OneTank:
    """The minutes that make the largest error smallest, or one's own; whether they go together,
    whether nobody notices, and why not."""

    minutes: float
    each: tuple[InTheTank, ...]
    together: bool
    free: bool
    why_not: tuple[WhyNot, ...]


def one_tank(request: OneTankRequest) -> OneTank:
    """The operation ``one_tank``; the thumb's factors, common practice, no source."""
    own = [each.minutes for each in request.films]
    minutes = request.minutes or _between(min(own), max(own))
    off = tuple(InTheTank(each.id, _zones(minutes, each.minutes)) for each in request.films)
    worst = max(abs(each.zones_off) for each in off)
    why = _why_not(request.films, worst)
    return OneTank(minutes, off, not why, not why and worst <= FREE_ZONES + NEAR, why)


def _between(shortest: float, longest: float) -> float:
    up, down = math.log(PLUS), -math.log(MINUS)
    return math.exp((up * math.log(longest) + down * math.log(shortest)) / (up + down))


def _zones(given: float, wanted: float) -> float:
    """How many zones more a film gets than it wants."""
    change = math.log(given / wanted)
    return change / (math.log(PLUS) if change > 0 else -math.log(MINUS))


def _why_not(films: tuple[TankFilm, ...], worst: float) -> tuple[WhyNot, ...]:
    def differ(words: list[str]) -> bool:
        return len({each.strip().casefold() for each in words}) > 1

    warm = [each.temperature_c for each in films]
    with_n = {KINDS[each.kind].n for each in films}
    found: dict[WhyNot, bool] = {
        "developer": differ([each.developer for each in films]),
        "dilution": differ([each.dilution for each in films]),
        "agitation": differ([each.agitation for each in films]),
        "temperature": max(warm) - min(warm) > APART_C + NEAR,
        "process": with_n != {True} and len({each.kind for each in films}) > 1,
        "times": worst > TOGETHER_ZONES + NEAR,
    }
    return tuple(name for name, is_so in found.items() if is_so)
