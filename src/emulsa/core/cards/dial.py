"""A zone scale for a meter's dial: eleven greys, one stop apart along the rim."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated

from emulsa.core.errors import Unsound
from emulsa.core.limits import Within
from emulsa.core.typed import ROMAN

DialDiameter = Annotated[float, Within("The dial's diameter", 15, 150, "mm")]
StopLength = Annotated[float, Within("One stop along the rim", 1.5, 40, "mm")]

ZONES = 11


@dataclass(frozen=True, kw_only=True, slots=True)
class Sector:
    """One zone's part of the ring, in degrees clockwise from the top."""

    name: str
    zone: int
    start_deg: float
    end_deg: float


def zone_dial(diameter_mm: float, stop_mm: float, clockwise: bool = True) -> tuple[Sector, ...]:
    """The sectors of a ring for a dial whose stops lie ``stop_mm`` apart along its rim.

    V stands at the top, where the meter's mark is. Angle of a stop: stop/(π·d)·360°. Unsound when
    eleven zones do not fit around.

    >>> zone_dial(60, 9)[5].start_deg < 0 < zone_dial(60, 9)[5].end_deg
    True
    """
    angle = stop_mm / (math.pi * diameter_mm) * 360
    if angle * ZONES > 360:
        raise Unsound(
            "Eleven stops do not fit around this dial; measure one stop along the rim again:"
            f" at most {math.pi * diameter_mm / ZONES:.1f} mm.",
            field="stop_mm",
            allowed=[1.5, math.pi * diameter_mm / ZONES],
        )
    turn = 1 if clockwise else -1
    sectors = []
    for zone in range(ZONES):
        edges = sorted((turn * (zone - 5.5) * angle, turn * (zone - 4.5) * angle))
        sectors.append(Sector(name=ROMAN[zone], zone=zone, start_deg=edges[0], end_deg=edges[1]))
    return tuple(sectors)
