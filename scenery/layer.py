"""What every layer of a scene has, and where its outline is."""

from __future__ import annotations

from dataclasses import dataclass

from scenery.canvas import COLUMNS, ROWS, Canvas

Points = list[list[float]]
ASPECT = COLUMNS / ROWS


@dataclass(frozen=True)
class Layer:
    """What every layer has: the place it shows, and its light."""

    place: str = ""
    ev: float = 10
    texture: float = 0.5  # stops about its light
    fine: float = 12  # waves of the texture in a height
    seed: int = 0

    def paint(self, canvas: Canvas) -> None:
        raise NotImplementedError
