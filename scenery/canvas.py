"""What is painted on: light for every point, and which named place it belongs to."""

from __future__ import annotations

from dataclasses import dataclass, field

import numpy as np
from numpy.typing import NDArray

from scenery.noise import Floats, rough

COLUMNS, ROWS = 480, 320
FINER = 2  # drawn so many times finer each way, and the light gathered, so that edges are not steps


@dataclass
class Canvas:
    """Light at each point as 2^EV; x and y in heights of the picture, y down."""

    x: Floats
    y: Floats
    light: Floats
    place: NDArray[np.int64]
    seed: int
    names: list[str] = field(default_factory=list)

    @classmethod
    def blank(cls, seed: int, finer: int = FINER) -> Canvas:
        across = (np.arange(COLUMNS * finer) + 0.5) / (ROWS * finer)
        down = (np.arange(ROWS * finer) + 0.5) / (ROWS * finer)
        x, y = np.meshgrid(across, down)
        return cls(x, y, np.ones(x.shape), np.zeros(x.shape, np.int64), seed)

    def lay(self, cover: Floats, ev: Floats, place: str) -> None:
        """Lay exposure values over what is there, as far as ``cover`` (0…1) reaches."""
        self.light += (np.exp2(ev) - self.light) * cover
        self.name(cover, place)

    def name(self, cover: Floats, place: str) -> None:
        """Say which place it is, where ``cover`` is more than half."""
        if place:
            if place not in self.names:
                self.names.append(place)
            self.place[cover > 0.5] = self.names.index(place) + 1

    def dim(self, stops: Floats) -> None:
        """Take light away, or give it, by so many stops."""
        self.light *= np.exp2(stops)

    def around(self, points: list[list[float]], margin: float) -> Canvas:
        """The part of it an outline can reach: painting there paints here."""
        rows, columns = self.light.shape
        aspect = COLUMNS / ROWS
        first_x, last_x = min(x for x, _ in points) * aspect, max(x for x, _ in points) * aspect
        first_y, last_y = min(y for _, y in points), max(y for _, y in points)
        down = slice(_held(first_y - margin, rows, rows), _held(last_y + margin, rows, rows) + 1)
        across = slice(
            _held(first_x - margin, rows, columns), _held(last_x + margin, rows, columns) + 1
        )
        here = (down, across)
        return Canvas(
            self.x[here], self.y[here], self.light[here], self.place[here], self.seed, self.names
        )

    def inside(self, points: list[list[float]], edge: float, seed: int) -> Floats:
        """Cover of an outline (points 0…1 each way), its edge roughened by so much."""
        x, y = self.x, self.y
        if edge:
            x = x + edge * rough(self.x * 14, self.y * 14, seed)
            y = y + edge * rough(self.x * 14, self.y * 14, seed + 7)
        aspect = COLUMNS / ROWS
        found = np.zeros(x.shape, bool)
        for (x1, y1), (x2, y2) in zip(points, points[1:] + points[:1], strict=True):
            if y1 != y2:
                crosses = (y1 > y) != (y2 > y)
                found ^= crosses & (x < aspect * (x1 + (x2 - x1) * (y - y1) / (y2 - y1)))
        return found.astype(np.float64)

    def gathered(self) -> tuple[Floats, NDArray[np.int64]]:
        """EV and place of each point of the picture."""
        finer = self.light.shape[0] // ROWS
        light = self.light.reshape(ROWS, finer, COLUMNS, finer).mean(axis=(1, 3))
        return np.log2(light), self.place[finer // 2 :: finer, finer // 2 :: finer]


def _held(at: float, rows: int, most: int) -> int:
    return min(max(int(at * rows), 0), most - 1)


def blurred(values: Floats, width: float) -> Floats:
    """Softened over so many heights of the picture: three means in a row are nearly a bell."""
    reach = max(1, round(width * ROWS * FINER))
    for _ in range(3):
        for axis in (0, 1):
            pad = [(reach + 1, reach) if each == axis else (0, 0) for each in (0, 1)]
            sums = np.cumsum(np.pad(values, pad, mode="edge"), axis=axis)
            size = values.shape[axis]
            first, last = range(size), range(2 * reach + 1, 2 * reach + 1 + size)
            difference = np.take(sums, last, axis=axis) - np.take(sums, first, axis=axis)
            values = difference / (2 * reach + 1)
    return values
