"""A film's own curve, as the chain of exposure uses it: what each fall prints as after each N."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Annotated

from emulsa.core.errors import Unsound
from emulsa.core.limits import ExposureIndex, Label, Length, Within
from emulsa.core.sensitometry.curve import CurveN
from emulsa.core.straight import along

PrintZone = Annotated[float, Within("A print zone", -20, 40)]
ZONES = range(12)  # 0 to XI
EDGE = 1e-9


@dataclass(frozen=True, kw_only=True, slots=True)
class DevelopedPrints:
    """After development N: the zone that light on Zone 0, I … XI prints as."""

    n: CurveN
    prints: Annotated[tuple[PrintZone, ...], Length("Print zones", 12, 12)]


@dataclass(frozen=True, kw_only=True, slots=True)
class OwnFilm:
    """A film as its own test found it; zones are those of a meter set to ``ei``."""

    title: Label
    ei: ExposureIndex
    developments: Annotated[tuple[DevelopedPrints, ...], Length("Developments", 1, 12)]

    def __post_init__(self) -> None:
        if any(b.n <= a.n for a, b in pairwise(self.developments)):
            raise Unsound("N must rise from development to development.", field="own_film")
        if any(b < a - EDGE for each in self.developments for a, b in pairwise(each.prints)):
            raise Unsound("More light never prints darker.", field="own_film")


def knows(film: OwnFilm, n: float) -> bool:
    """Whether this N lies between those that were tested."""
    return film.developments[0].n - EDGE <= n <= film.developments[-1].n + EDGE


def prints_as(film: OwnFilm, zone: float, n: float, ei: float) -> float:
    """The zone a fall at ``ei`` prints as after a known N: straight between zones and between Ns.

    >>> flat = DevelopedPrints(n=0, prints=tuple(0.5 * zone for zone in range(12)))
    >>> prints_as(OwnFilm(title="t", ei=100, developments=(flat,)), 4, 0, 50)
    2.5
    """
    return all_print_as(film, (zone,), n, ei)[0]


def all_print_as(film: OwnFilm, zones: Sequence[float], n: float, ei: float) -> list[float]:
    """The same for many falls that rise."""
    shift = math.log2(film.ei / ei)
    at = [zone + shift for zone in zones]
    known = film.developments
    place = next((k for k in range(1, len(known) - 1) if n <= known[k].n), len(known) - 1)
    found = [
        along([(float(z), p) for z, p in zip(ZONES, each.prints, strict=True)], at)
        for each in known[max(place - 1, 0) : place + 1]
    ]
    if len(found) == 1:
        return found[0]
    low, high = known[place - 1].n, known[place].n
    return [a + (b - a) * (n - low) / (high - low) for a, b in zip(*found, strict=True)]
