"""How sure falls, range and N are, by what the readings themselves may be off.

All three are differences of readings, so their doubts add in quadrature: what is placed stands
where it is put, however doubtful its EV. Readings nothing is said of count as exact.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace

from emulsa.core.exposing.answer import Fall
from emulsa.core.exposing.deciding import Decided
from emulsa.core.exposing.request import SpotReading
from emulsa.core.light.meters import sigma_stops
from emulsa.core.tones.placement import Average, IncidentPair, Placement, named_reading
from emulsa.core.written import doubt_text

Weights = Mapping[str, float]


@dataclass(frozen=True, slots=True)
class Doubts:
    """Standard deviations of the readings, in stops; empty where no reading has one."""

    sigmas: Mapping[str, float]

    def of(self, weights: Weights) -> float | None:
        """The doubt of a sum of readings."""
        if not self.sigmas:
            return None
        parts = (weight * self.sigmas.get(each, 0.0) for each, weight in weights.items())
        return math.sqrt(math.fsum(part**2 for part in parts))

    def told(self, falls: Iterable[Fall], placement: Placement) -> tuple[Fall, ...]:
        """The falls, each with how sure it is."""
        found = []
        for each in falls:
            sigma = self.fall(each.id, placement)
            found.append(replace(each, sigma_stops=sigma, doubt_text=doubt_text(sigma or 0.0)))
        return tuple(found)

    def fall(self, reading: str, placement: Placement) -> float | None:
        """How sure a reading's distance from what is placed is."""
        return self.of(_from(reading, _anchored(placement)))

    def range(
        self, placement: Placement, levels: Mapping[str, float], incident: frozenset[str]
    ) -> float | None:
        """How sure the subject's range is: between the pair, or the darkest and brightest spot."""
        if isinstance(placement, IncidentPair):
            return self.of(_from(placement.high, {placement.low: 1.0}))
        spots = [each for each in levels if each not in incident]
        if not spots:
            return None
        low, high = min(spots, key=levels.__getitem__), max(spots, key=levels.__getitem__)
        return self.of(_from(high, {low: 1.0}))

    def n(
        self,
        placement: Placement,
        wanted: Decided,
        levels: Mapping[str, float],
        incident: frozenset[str],
    ) -> float | None:
        """How sure N is: that of the range of a pair, or of the fall that decides; a chosen N is
        what was chosen."""
        if wanted.by == "pair":
            return self.range(placement, levels, incident)
        if wanted.by == "chosen" or wanted.reading is None:
            return None
        return self.fall(wanted.reading, placement)


def doubts_of(readings: Iterable[SpotReading]) -> Doubts:
    """The doubts of readings that have one."""
    found = {each.id: sigma_stops(each.reading) for each in readings}
    return Doubts({each: sigma for each, sigma in found.items() if sigma})


def _anchored(placement: Placement) -> Weights:
    """By which readings the placed EV is made."""
    if isinstance(placement, Average):
        return {placement.low: 0.5, placement.high: 0.5}
    if isinstance(placement, IncidentPair):
        return {placement.low: 1.0}
    named = named_reading(placement)
    return {} if named is None else {named: 1.0}


def _from(reading: str, anchored: Weights) -> Weights:
    weights = {each: -weight for each, weight in anchored.items()}
    weights[reading] = weights.get(reading, 0.0) + 1.0
    return weights
