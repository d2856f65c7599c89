"""Filters: stops s = log2 F = D / log10 2.

Neutral or independent filters add their stops. Of several filters of one colour family the deeper
one counts: each already takes away what the lighter one would. A graduated filter costs nothing by
itself; it holds back the readings marked as under it. A reading already metered through the filter
needs none. Source: Stroebel et al., Basic Photographic Materials and Processes (definitions);
families: derived from cut-off spectra.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.data.contrast import FAMILIES, Colour
from emulsa.core.errors import Missing, Unsound
from emulsa.core.limits import Label, Within
from emulsa.core.numbers import plain
from emulsa.core.written import stops_words

Factor = Annotated[float, Within("A filter factor", 1, 100_000)]
Stops = Annotated[float, Within("A filter's stops", 0, 20, "stops")]
Density = Annotated[float, Within("A filter's density", 0, 6)]
Kind = Literal["plain", "contrast", "polariser", "graduated"]
Light = Literal["daylight", "tungsten"]


@dataclass(frozen=True, kw_only=True, slots=True)
class Filter:
    """A filter by exactly one of factor, stops or density.

    ``tungsten_factor`` replaces the strength in tungsten light. ``colour`` is a contrast filter's;
    one without a factor, or whose factor is only the ``usual`` one of its colour, goes by the kind
    of film.
    """

    label: Label = ""
    factor: Factor | None = None
    stops: Stops | None = None
    density: Density | None = None
    tungsten_factor: Factor | None = None
    type: Kind = "plain"
    colour: Colour = ""
    metered_through: bool = False
    usual: bool = False

    def __post_init__(self) -> None:
        given = [each for each in (self.factor, self.stops, self.density) if each is not None]
        if not given and not self.metered_through and not self.colour:
            raise Missing("A filter needs its factor, its stops or its density.", field="factor")
        if len(given) > 1:
            raise Unsound(
                "Give a filter one of factor, stops or density, not several: ×2 is 1 stop.",
                field="factor",
            )
        if self.colour and self.type != "contrast":
            raise Unsound("Only a contrast filter has a colour.", field="colour")


@dataclass(frozen=True, kw_only=True, slots=True)
class Counted:
    """A filter in the sum: the stops it adds, and whether a deeper one of its family counts."""

    filter: Filter
    stops: float
    outdone: bool = False


def factor_to_stops(factor: float) -> float:
    """s = log2 F, for F ≥ 1.

    >>> factor_to_stops(8)
    3.0
    """
    return math.log2(factor)


def stops_to_factor(stops: float) -> float:
    """F = 2^s.

    >>> stops_to_factor(1.5) == 2**1.5
    True
    """
    return float(2**stops)


def density_to_stops(density: float) -> float:
    """s = D / log10 2.

    >>> round(density_to_stops(0.9), 2)
    2.99
    """
    return density / math.log10(2)


def strength(each: Filter, light: Light = "daylight") -> float:
    """The stops a filter takes from the light, whether metered through or not.

    >>> strength(Filter(factor=8, tungsten_factor=5), "tungsten") == factor_to_stops(5)
    True
    """
    if light == "tungsten" and each.tungsten_factor is not None:
        return factor_to_stops(each.tungsten_factor)
    if each.factor is not None:
        return factor_to_stops(each.factor)
    if each.stops is not None:
        return each.stops
    return density_to_stops(each.density or 0.0)


def amount_text(each: Filter) -> str:
    """What a filter takes, as its maker says it.

    >>> [amount_text(each) for each in (Filter(factor=8), Filter(stops=3), Filter(density=0.9))]
    ['×8', '3 stops', 'density 0.9']
    """
    if each.factor is not None:
        return f"×{plain(each.factor)}"
    if each.density is not None:
        return f"density {plain(each.density)}"
    return "" if each.stops is None else stops_words(each.stops).lstrip("+")


def stops(each: Filter, light: Light = "daylight") -> float:
    """The stops one filter costs on top of the reading: none when metered through, or graduated."""
    return 0.0 if each.metered_through or each.type == "graduated" else strength(each, light)


def count(filters: Sequence[Filter], light: Light = "daylight") -> tuple[Counted, ...]:
    """What each filter of a stack adds: of one colour family only the deepest counts.

    >>> yellow = Filter(factor=2, type="contrast", colour="yellow")
    >>> red = Filter(factor=8, type="contrast", colour="red")
    >>> [each.stops for each in count((yellow, red))]
    [0.0, 3.0]
    """
    counted = []
    for place, each in enumerate(filters):
        depth = (strength(each, light), -place)
        outdone = bool(each.colour) and any(
            FAMILIES[other.colour] == FAMILIES[each.colour]
            and (strength(other, light), -at) > depth
            for at, other in enumerate(filters)
            if other.colour and at != place
        )
        added = 0.0 if outdone else stops(each, light)
        counted.append(Counted(filter=each, stops=added, outdone=outdone))
    return tuple(counted)


def total_stops(filters: Sequence[Filter], light: Light = "daylight") -> float:
    """What a stack costs together; the order does not matter."""
    return math.fsum(each.stops for each in count(filters, light))


def graduated_stops(filters: Sequence[Filter], light: Light = "daylight") -> float:
    """What the graduated filters of a stack hold back where they lie."""
    return math.fsum(strength(each, light) for each in filters if each.type == "graduated")
