"""Filters: stops s = log2 F = D / log10 2.

Neutral or independent filters add their stops. A reading already metered through the filter needs
none. Source: Stroebel et al., Basic Photographic Materials and Processes (definitions).
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated

from emulsa.core.errors import Missing, Unsound
from emulsa.core.limits import Label, Within

Factor = Annotated[float, Within("A filter factor", 1, 100_000)]
Stops = Annotated[float, Within("A filter's stops", 0, 20, "stops")]
Density = Annotated[float, Within("A filter's density", 0, 6)]


@dataclass(frozen=True, kw_only=True, slots=True)
class Filter:
    """A filter by exactly one of factor, stops or density."""

    label: Label = ""
    factor: Factor | None = None
    stops: Stops | None = None
    density: Density | None = None
    metered_through: bool = False

    def __post_init__(self) -> None:
        given = [each for each in (self.factor, self.stops, self.density) if each is not None]
        if not given and not self.metered_through:
            raise Missing("A filter needs its factor, its stops or its density.", field="factor")
        if len(given) > 1:
            raise Unsound(
                "Give a filter one of factor, stops or density, not several: ×2 is 1 stop.",
                field="factor",
            )


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


def stops(each: Filter) -> float:
    """The stops a filter costs on top of the reading; none when it was metered through."""
    if each.metered_through:
        return 0.0
    if each.factor is not None:
        return factor_to_stops(each.factor)
    if each.stops is not None:
        return each.stops
    return density_to_stops(each.density or 0.0)
