"""Thermometers: what the bath really has.

The stand-in is a tank carried into a cold room: it drifts from where it began towards the room,
by a third in ten minutes, and shows tenths of a degree.
"""

from __future__ import annotations

import math
from typing import Protocol

ROOM_C = 16.0
MINUTES_TO_ROOM = 25.0  # after so long two thirds of the difference are gone


class Thermometer(Protocol):
    """Any thermometer that can be read from here."""

    @property
    def name(self) -> str: ...

    def read_c(self, began_c: float, minute: float) -> float:
        """Degrees in a bath that began at a temperature so many minutes ago."""


class SimulatedThermometer:
    """The stand-in: a tank in a cold room."""

    name = "Simulated thermometer"

    def read_c(self, began_c: float, minute: float) -> float:
        gone = math.exp(-minute / MINUTES_TO_ROOM)
        return round(ROOM_C + (began_c - ROOM_C) * gone, 1)
