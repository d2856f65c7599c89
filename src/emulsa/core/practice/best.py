"""What was asked of a scene: the exposure and development that bring its places nearest to the
zones a good print has them on."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

from emulsa.core.practice.scene import PracticeScene, ScenePatch, made
from emulsa.core.practice.verdict import outside
from emulsa.core.rendering.tones import carried
from emulsa.core.tones.development_number import PIVOT
from emulsa.core.tones.zones import MIDDLE

PARTS = 6  # of a stop that exposures are tried by
EITHER_WAY = 6  # stops
USUAL = 3  # N that are tried, either way


@dataclass(frozen=True, slots=True)
class Asked:
    """The EV that falls on V, the N, and how far the farthest place lies outside its zones then."""

    camera_ev: float
    n: float
    off_zones: float


@lru_cache(maxsize=32)
def asked_of(scene: PracticeScene) -> Asked | None:
    """The best that can be made of a scene; nothing where no place of it has zones. Of equals the
    development that is nearest to N, then the middle exposure."""
    places = [each for each in made(scene).patches if each.cells and each.zones]
    if not places:
        return None
    first = _guess(places)
    tries = (
        (_off(places, first + step / PARTS, half / 2), abs(half), abs(step), half, step)
        for half in range(-2 * USUAL, 2 * USUAL + 1)
        for step in range(-EITHER_WAY * PARTS, EITHER_WAY * PARTS + 1)
    )
    *_, half, step = min(tries)
    camera, n = first + step / PARTS, half / 2
    worst = max(abs(outside(_prints(each, camera, n), each.zones)) for each in places)
    return Asked(camera, n, worst)


def _guess(places: Sequence[ScenePatch]) -> float:
    """The camera's EV that is right on average."""
    wanted = [each.ev100 + MIDDLE - sum(each.zones or (MIDDLE,)) / 2 for each in places]
    return round(sum(wanted) / len(wanted) * PARTS) / PARTS


def _prints(place: ScenePatch, camera_ev: float, n: float) -> float:
    return carried(n, PIVOT)(MIDDLE + place.ev100 - camera_ev)


def _off(places: Sequence[ScenePatch], camera_ev: float, n: float) -> float:
    developed = carried(n, PIVOT)
    loss = sum(
        outside(developed(MIDDLE + each.ev100 - camera_ev), each.zones) ** 2 for each in places
    )
    return round(loss, 9)
