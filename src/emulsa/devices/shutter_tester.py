"""Shutter testers: the time each mark really gives.

The stand-in behaves like an old leaf shutter in the cold: its short times run long by a third, its
slow escapement by a sixth, each by a little of its own.
"""

from __future__ import annotations

from dataclasses import replace
from typing import Protocol

from emulsa.core.corrections.optics import MeasuredSpeed, Shutter, speeds

FAST_S, FAST_RATIO = 1 / 200, 1.33  # spring at its limit
SLOW_S, SLOW_RATIO = 1 / 8, 1.16  # dried oil in the escapement
OWN = (0.0, 0.02, -0.015, 0.01)  # of the time, by mark


class ShutterTester(Protocol):
    """Any tester that can hand over what it measured."""

    @property
    def name(self) -> str: ...

    def measure(self, shutter: Shutter) -> tuple[MeasuredSpeed, ...]:
        """One time for each mark of the shutter."""


class SimulatedShutterTester:
    """The stand-in: an old shutter in the cold."""

    name = "Simulated shutter tester"

    def measure(self, shutter: Shutter) -> tuple[MeasuredSpeed, ...]:
        marks = speeds(replace(shutter, measured=()))
        return tuple(
            MeasuredSpeed(mark=mark, seconds=_significant(exact * _ratio(exact, place)))
            for place, (mark, exact) in enumerate(marks)
        )


def _ratio(exact: float, place: int) -> float:
    ratio = FAST_RATIO if exact <= FAST_S else SLOW_RATIO if exact >= SLOW_S else 1.04
    return ratio * (1 + OWN[place % len(OWN)])


def _significant(seconds: float) -> float:
    """Three figures, as a tester shows."""
    return float(f"{seconds:.3g}")
