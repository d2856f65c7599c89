"""The light each reading stands for once the filters before the lens are thought of.

A reading taken through the filters is what the meter saw plus what they took, so that the filter's
row of the ledger gives it back; one marked as under the graduated filter is held back by it.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence

from emulsa.core.corrections.filters import Filter, Light, graduated_stops, total_stops
from emulsa.core.exposing.request import SpotReading
from emulsa.core.light.meters import Calibrated, ev100
from emulsa.core.tones.placement import Incident, IncidentPair, Placement


def levels_of(
    readings: Iterable[SpotReading], filters: Sequence[Filter], light: Light, meter: Calibrated
) -> dict[str, float]:
    """EV at ISO 100 by reading, in the order of the readings.

    >>> from emulsa.core.light.meters import EvReading
    >>> wall = SpotReading(id="wall", reading=EvReading(ev=6), through=True)
    >>> levels_of([wall], [Filter(factor=8)], "daylight", Calibrated())
    {'wall': 9.0}
    """
    levels = {}
    for each in readings:
        level = ev100(each.reading, meter)
        if each.through:
            level += total_stops(filters, light)
        elif each.graduated:
            level -= graduated_stops(filters, light)
        levels[each.id] = level
    return levels


def incident_ids(readings: Iterable[SpotReading], placement: Placement) -> frozenset[str]:
    """Readings of the light itself, not of a tone: marked so, or named by an incident school."""
    named: tuple[str, ...] = ()
    if isinstance(placement, Incident):
        named = (placement.reading,)
    elif isinstance(placement, IncidentPair):
        named = (placement.low, placement.high)
    return frozenset((*named, *(each.id for each in readings if each.incident)))
