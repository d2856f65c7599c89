"""Spot meters: aim at something, pull the trigger, get an EV.

The stand-in sees named patches of a scene. Like a real one it is read to the steps of its scale and
never says quite the same twice: each trigger differs by up to a tenth of a stop, by count, so that
a test can repeat it.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Protocol

from emulsa.core.errors import Unreadable
from emulsa.core.light.meters import EvReading

STEPS = {"full": 1, "half": 2, "third": 3, "tenth": 10}
WAVER = (0.0, 0.07, -0.05, 0.1, -0.08, 0.03)  # stops, by trigger


@dataclass(frozen=True, kw_only=True, slots=True)
class Patch:
    """Something a meter can be aimed at, with the light it really has."""

    id: str
    label: str
    ev100: float


def patches(*rows: tuple[str, float]) -> tuple[Patch, ...]:
    """Patches by their names and the light they have."""
    return tuple(Patch(id=label.replace(" ", "-"), label=label, ev100=ev) for label, ev in rows)


PRACTICE_WALL = patches(
    ("dark recess", 8.0),
    ("slate in shade", 9.6),
    ("grey card", 11.0),
    ("lichen", 12.1),
    ("lit edge", 13.8),
)


class SpotMeter(Protocol):
    """Any spot meter that can be triggered from here."""

    @property
    def name(self) -> str: ...

    def patches(self, scene_id: str) -> tuple[Patch, ...]:
        """What there is to aim at before this scene."""

    def trigger(self, scene_id: str, patch_id: str, scale: str) -> EvReading:
        """One reading; Unreadable when there is no such patch."""


class SimulatedSpotMeter:
    """The stand-in: patches of the scenes it is given, and a practice wall before every other."""

    name = "Simulated spot meter"

    def __init__(self, scenes: dict[str, tuple[Patch, ...]] | None = None) -> None:
        self._scenes = scenes or {}
        self._triggers = 0

    def patches(self, scene_id: str) -> tuple[Patch, ...]:
        return self._scenes.get(scene_id, PRACTICE_WALL)

    def trigger(self, scene_id: str, patch_id: str, scale: str) -> EvReading:
        known = {each.id: each for each in self.patches(scene_id)}
        if patch_id not in known:
            raise Unreadable(
                f"There is nothing called “{patch_id}” to aim at; there are"
                f" {', '.join(each.label for each in known.values())}.",
                field="patch",
            )
        waver = WAVER[self._triggers % len(WAVER)]
        self._triggers += 1
        steps = STEPS[scale]
        return EvReading(ev=round((known[patch_id].ev100 + waver) * steps) / steps)
