"""What lies over a scene: shade and glow, mist, water that mirrors it, ice."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from scenery.canvas import Canvas, blurred
from scenery.layer import ASPECT, Layer, Points
from scenery.noise import cells, rough


@dataclass(frozen=True)
class Shade(Layer):
    """Light taken away inside an outline, or given; its edge is as soft as ``soft``."""

    points: Points = None  # type: ignore[assignment]
    stops: float = -2
    soft: float = 0.01
    edge: float = 0.01

    def paint(self, canvas: Canvas) -> None:
        canvas = canvas.around(self.points, 2 * self.edge + 4 * self.soft)
        inside = canvas.inside(self.points, self.edge, self.seed)
        canvas.dim(self.stops * blurred(inside, self.soft))
        canvas.name(inside, self.place)


@dataclass(frozen=True)
class Mist(Layer):
    """Light of the air before what was painted: ``thick`` 0…1 at the top and at the foot."""

    thick: list[float] = None  # type: ignore[assignment]
    between: list[float] = None  # type: ignore[assignment]
    drifting: float = 0.3

    def paint(self, canvas: Canvas) -> None:
        top, foot = self.between or (0, 1)
        down = np.clip((canvas.y - top) / (foot - top), 0, 1)
        drift = rough(canvas.x * self.fine / 4, canvas.y * self.fine, self.seed, 5)
        first, last = self.thick
        cover = np.clip(first + (last - first) * down + self.drifting * drift * 0.5, 0, 0.985)
        canvas.lay(cover, self.ev + 0.15 * drift, "")


@dataclass(frozen=True)
class Water(Layer):
    """What lies over a line once more under it, darker, moved by ripples."""

    points: Points = None  # type: ignore[assignment]
    level: float = 0.6
    stops: float = -1
    ripple: float = 0.01

    def paint(self, canvas: Canvas) -> None:
        rows, columns = canvas.light.shape
        below = canvas.y - self.level
        wave = self.ripple * rough(canvas.x * 6, canvas.y * self.fine * 4, self.seed, 4)
        mirrored = np.clip(((self.level - below + wave * 2) * rows).astype(int), 0, rows - 1)
        aside = np.clip(((canvas.x + wave) * rows).astype(int), 0, columns - 1)
        ev = np.log2(canvas.light[mirrored, aside]) + self.stops
        own = self.ev + self.texture * rough(canvas.x * 20, canvas.y * 60, self.seed + 1, 4)
        mixed = np.log2(np.exp2(ev) + np.exp2(own))
        canvas.lay(canvas.inside(self.points, 0.003, self.seed), mixed, self.place)


@dataclass(frozen=True)
class Ice(Layer):
    """A frozen pool seen from above: cloudy ice, cracks that run and branch, bubbles in swarms."""

    crack_ev: float = 9
    bubble_ev: float = 14
    bubble_place: str = "bubbles"
    crack_place: str = "crack"
    tilt: float = 0.9  # stops from the near edge to the far

    def paint(self, canvas: Canvas) -> None:
        x, y = canvas.x, 1.25 * canvas.y**0.85
        cloudy = rough(x * 2.2, y * 2.6, self.seed, 7, 0.55)
        ev = self.ev + self.texture * cloudy + self.tilt * (0.5 - canvas.y)
        ev += 0.25 * rough(x * 70, y * 70, self.seed + 2, 3)
        canvas.lay(np.ones(ev.shape), ev, self.place)
        bent_x = x + 0.05 * rough(x * 5, y * 5, self.seed + 20, 5)
        bent_y = y + 0.05 * rough(x * 5, y * 5, self.seed + 21, 5)
        for scale, width, depth in ((2.1, 0.022, 1.0), (5.2, 0.03, 0.7), (11, 0.05, 0.35)):
            gap, own, _, _ = cells(bent_x * scale, bent_y * scale, self.seed + round(scale * 7))
            wide = width * (0.35 + 1.2 * own)
            line = np.exp(-((gap / wide) ** 2)) * depth
            pale = np.exp(-(((gap - 2.2 * wide) / wide) ** 2)) * depth * 0.45
            canvas.dim(1.6 * pale)
            canvas.lay(
                np.clip(line, 0, 1), self.crack_ev + 0 * x, self.crack_place if depth == 1 else ""
            )
        swarm = np.clip(rough(x * 2.4 + 9, y * 2.4, self.seed + 40, 4) * 2.2 - 0.2, 0, 1)
        for scale in (15, 28):
            _, own, across, down = cells(x * scale, y * scale * 1.25, self.seed + scale)
            away = np.hypot(across, down) / (0.08 + 0.34 * own)
            there = np.clip((1.1 - away) * 4, 0, 1) * (1 - own < swarm)
            ring = self.bubble_ev - 0.9 * np.clip(1 - away, 0, 1)
            canvas.lay(there * 0.95, ring, self.bubble_place)


@dataclass(frozen=True)
class Glow(Layer):
    """Light that falls from an opening and loses itself with distance."""

    x: float = 0.5
    y: float = 0.5
    reach: float = 0.5
    stops: float = 3
    flat: float = 1

    def paint(self, canvas: Canvas) -> None:
        away = np.hypot(canvas.x - ASPECT * self.x, (canvas.y - self.y) * self.flat) / self.reach
        canvas.dim(self.stops * np.exp(-(away**2)))
