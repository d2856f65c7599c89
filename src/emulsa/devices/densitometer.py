"""Densitometers: the density of a patch that lies under the head, over a zero that was set.

The stand-in reads a strip patch after patch, as a hand moves it: its own curve with the wander of a
field instrument, two hundredths; before its zero is set it reads too much.
"""

from __future__ import annotations

import math
from typing import Protocol

WANDER = (0.0, 0.01, -0.01, 0.02, 0.0, -0.02, 0.01)  # of a density, by patch
OFFSET = 0.03  # of a head whose zero was not set
FOG, SLOPE, TOE = 0.20, 0.60, 0.16
FIRST_STOPS, SPEED = -6, -1.12


class Densitometer(Protocol):
    """Any densitometer that hands over what it shows."""

    @property
    def name(self) -> str: ...

    def read(self, place: int, zeroed: bool) -> float:
        """The density of a patch of the strip under the head, the least exposed first."""


class SimulatedDensitometer:
    """The stand-in: a strip in stops, from six under to whatever is asked."""

    name = "Simulated densitometer"

    def read(self, place: int, zeroed: bool) -> float:
        x = (FIRST_STOPS + place) * math.log10(2) - SPEED
        density = FOG + SLOPE * TOE * math.log1p(math.exp(x / TOE))
        shown = density + WANDER[place % len(WANDER)] + (0.0 if zeroed else OFFSET)
        return round(shown, 2)
