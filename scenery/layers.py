"""What a scene is made of, from the back to the front: each kind of layer, and how it is painted.

Sizes are in heights of the picture, places are 0…1 across and down, light is EV at ISO 100.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, fields
from typing import Any

import numpy as np

from scenery.canvas import FINER, ROWS, Canvas
from scenery.layer import ASPECT, Layer, Points
from scenery.noise import Floats, cells, chance, ridged, rough
from scenery.over import Glow, Ice, Mist, Shade, Water


@dataclass(frozen=True)
class Sky(Layer):
    """Light from the top to the horizon, and cloud of so many stops."""

    horizon_ev: float = 13
    cloud: float = 0
    flat: float = 3  # clouds so many times longer than high

    def paint(self, canvas: Canvas) -> None:
        down = np.clip(canvas.y, 0, 1)
        cloud = rough(canvas.x * self.fine / self.flat, canvas.y * self.fine, self.seed, 6)
        soft = np.clip(cloud * 1.5, -0.4, 1) * self.cloud
        ev = self.ev + (self.horizon_ev - self.ev) * np.minimum(down * 2, 1) + soft
        canvas.lay(np.ones(ev.shape), ev, self.place)


@dataclass(frozen=True)
class Ridge(Layer):
    """Everything under a line of points; ``haze`` draws its tones together from the foot up."""

    line: Points = None  # type: ignore[assignment]
    edge: float = 0.01
    slope: float = 0  # stops lighter at the foot
    relief: float = 0.6  # how strongly hollows and crests take the light
    lit_from: float = -1  # from the left, or 1 from the right
    broken: float = 0  # how strongly it is broken rock instead of earth

    def paint(self, canvas: Canvas) -> None:
        across = [ASPECT * x for x, _ in self.line]
        top = np.interp(canvas.x, across, [y for _, y in self.line])
        top = top + self.edge * rough(canvas.x * 9, canvas.x * 0, self.seed + 3, 6, 0.6)
        under = canvas.y - top
        cover = np.clip(under * canvas.light.shape[0], 0, 1)
        height = rough(canvas.x * self.fine, canvas.y * self.fine * 1.6, self.seed, 6, 0.6)
        ev = self.ev + self.slope * np.clip(under, 0, 1) + _lit(height, self.relief, self.lit_from)
        ev += self.texture * rough(canvas.x * 60, canvas.y * 80, self.seed + 9, 3)
        if self.broken:
            face, dark = _broken(
                canvas.x * self.fine / 3 + 0.5 * canvas.y,
                canvas.y * self.fine / 3,
                "rock",
                self.seed,
            )
            ev += self.broken * (0.6 * face + 0.8 * dark)
        canvas.lay(cover, ev, self.place)


@dataclass(frozen=True)
class Ground(Layer):
    """A plane that goes back to the horizon: its texture grows smaller with distance."""

    horizon: float = 0.5
    towards: float = 0.5  # where on the horizon what runs away from us meets
    within: Points = None  # type: ignore[assignment]
    edge: float = 0.008
    what: str = "earth"  # earth, scree, slabs
    size: float = 1
    far_ev: float = 0  # stops added at the horizon
    frost: float = 0  # stops that crests are whitened by
    relief: float = 0.5

    def paint(self, canvas: Canvas) -> None:
        if self.within:
            canvas = canvas.around(self.within, 2 * self.edge + 0.01)
        below = np.maximum(canvas.y - self.horizon, 0.004)
        away = 0.5 / below
        u = (canvas.x - ASPECT * self.towards) * away * 2 * self.size
        v = away * 2 * self.size
        near = np.clip(6 / away, 0, 1)  # far texture is finer than a point: it is grey
        if self.what == "earth":
            height = rough(u * 3, v * 3, self.seed, 6, 0.6)
            ev = self.texture * height
        else:
            height, dark = _broken(u, v, self.what, self.seed)
            ev = self.texture * height * 0.8 + dark * np.minimum(self.texture, 1)
        ev = ev * near + _lit(height * near, self.relief, -1)
        if self.frost:
            on = np.clip((rough(u * 6, v * 6, self.seed + 31, 5) + height * 0.5) * 2.2, 0, 1)
            ev = ev + self.frost * on * (0.4 + 0.6 * near)
        ev = ev + self.ev + self.far_ev * np.clip(1 - below / (1 - self.horizon), 0, 1) ** 3
        cover = np.clip((canvas.y - self.horizon) * canvas.light.shape[0], 0, 1)
        if self.within:
            cover = cover * canvas.inside(self.within, self.edge, self.seed + 2)
        canvas.lay(cover, ev, self.place)


def _broken(u: Floats, v: Floats, what: str, seed: int) -> tuple[Floats, Floats]:
    """Split slate: how each face takes the light, and stops lost in the gaps between."""
    bent_u = u + 0.16 * rough(u * 2.2, v * 2.2, seed + 61, 3)
    bent_v = v + 0.10 * rough(u * 2.2, v * 2.2, seed + 62, 3)
    sizes = ((2.5, 3.2, 1.0),) if what == "slabs" else ((1.7, 3.6, 1.0), (4.6, 9.5, 0.55))
    height, dark = np.zeros(u.shape), np.zeros(u.shape)
    for along, over, share in sizes:
        turned = 0.35 * (along - 2)
        gap, own, across, down = cells(
            bent_u * along + turned * bent_v,
            bent_v * over - turned * bent_u,
            seed + round(along * 10),
        )
        tilt = 6.283 * own
        face = np.cos(tilt * 3) * across * 1.6 + np.sin(tilt * 5) * down * 1.2
        height += share * (1.7 * (own - 0.5) + face)
        dark -= share * 1.7 * np.exp(-((gap * 8) ** 2)) * (0.35 + 0.65 * (own > 0.4))
    return height + 0.3 * rough(u * 20, v * 26, seed + 5, 4), dark


@dataclass(frozen=True)
class Outline(Layer):
    """A shape: wall, roof, door, post. ``what`` says how it is built."""

    points: Points = None  # type: ignore[assignment]
    edge: float = 0.002
    what: str = "plain"  # plain, stone, boards, slates, rock
    course: float = 0.03  # height of a course, width of a board
    to_ev: float | None = None  # light at its foot, or at its right with ``sideways``
    sideways: bool = False
    relief: float = 0.4

    def paint(self, canvas: Canvas) -> None:
        canvas = canvas.around(self.points, 2 * self.edge + 0.01)
        cover = canvas.inside(self.points, self.edge, self.seed + 2)
        along = _share(canvas, self.points, self.sideways)
        ev = self.ev + ((self.to_ev if self.to_ev is not None else self.ev) - self.ev) * along
        ev = ev + self.texture * rough(
            canvas.x * self.fine * 3, canvas.y * self.fine * 3, self.seed, 6, 0.6
        )
        if self.what != "plain":
            ev = ev + _BUILT[self.what](canvas, self)
        canvas.lay(cover, ev, self.place)


def _stone(canvas: Canvas, of: Outline) -> Floats:
    """Courses of split slate, none quite level, joints in shade."""
    y = canvas.y + 0.15 * of.course * rough(canvas.x * 8, canvas.y * 8, of.seed + 11, 3)
    row = np.floor(y / of.course)
    length = of.course * (1.6 + 2.2 * chance(row.astype(np.int64), row.astype(np.int64), of.seed))
    x = canvas.x / length + 7.3 * chance(
        row.astype(np.int64), row.astype(np.int64) * 0 + 5, of.seed
    )
    column = np.floor(x)
    own = chance(column.astype(np.int64), row.astype(np.int64), of.seed + 4)
    in_row, in_stone = y / of.course - row, x - column
    joint = np.exp(-((in_row / 0.16) ** 2)) + 0.7 * np.exp(-((in_stone * 3.5 / 0.2) ** 2))
    upper = np.exp(-(((in_row - 0.3) / 0.16) ** 2))
    return 0.9 * (own - 0.5) - 1.1 * joint + of.relief * 0.6 * upper


def _boards(canvas: Canvas, of: Outline) -> Floats:
    column = np.floor(canvas.x / of.course)
    within = canvas.x / of.course - column
    own = chance(column.astype(np.int64), column.astype(np.int64), of.seed)
    grain = rough(canvas.x * 90, canvas.y * 5, of.seed + 3, 4)
    return 0.6 * (own - 0.5) - 1.5 * np.exp(-((within / 0.09) ** 2)) + 0.3 * grain


def _slates(canvas: Canvas, of: Outline) -> Floats:
    row = np.floor(canvas.y / of.course)
    shift = 0.5 * (row % 2)
    x = canvas.x / (of.course * 1.4) + shift
    column = np.floor(x)
    own = chance(column.astype(np.int64), row.astype(np.int64), of.seed)
    foot = np.exp(-(((1 - (canvas.y / of.course - row)) / 0.16) ** 2))
    side = np.exp(-(((x - column) / 0.1) ** 2))
    return 0.9 * (own - 0.5) - 1.0 * foot - 0.5 * side


def _rock(canvas: Canvas, of: Outline) -> Floats:
    """Hewn rock: beds that fall to one side, broken across."""
    height, dark = _broken(
        (canvas.x + 0.25 * canvas.y) / of.course / 3,
        (canvas.y - 0.2 * canvas.x) / of.course / 3,
        "rock",
        of.seed,
    )
    return 0.7 * height + 0.8 * dark


_BUILT: dict[str, Callable[[Canvas, Outline], Floats]] = {
    "stone": _stone,
    "boards": _boards,
    "slates": _slates,
    "rock": _rock,
}


@dataclass(frozen=True)
class Track(Layer):
    """Rails on sleepers, going to a point of the horizon."""

    horizon: float = 0.4
    towards: float = 0.5
    at: float = 0.5  # where its middle leaves the picture below
    gauge: float = 0.35  # between the rails at the lower edge
    sleeper_ev: float = 9
    every: float = 0.5
    until: float = 0.02  # how near to the horizon it is seen

    def paint(self, canvas: Canvas) -> None:
        below = np.maximum(canvas.y - self.horizon, 1e-4)
        share = below / (1 - self.horizon)
        middle = ASPECT * (self.towards + (self.at - self.towards) * share)
        across = (canvas.x - middle) / (self.gauge * share)
        away = (1 / share) / self.every
        seen = np.clip((below - self.until) * 60, 0, 1)
        wobble = 0.08 * rough(np.floor(away), across * 0 + 3, self.seed, 1)
        on = ((away + wobble) % 1 < 0.36) & (np.abs(across) < 0.86 + wobble)
        grain = 0.4 * rough(canvas.x * 30, canvas.y * 140, self.seed + 4, 4)
        fade = np.clip(9 / (away * self.every), 0.15, 1)
        canvas.lay(on * seen * fade, self.sleeper_ev + grain + 0 * across, self.place)
        for side in (-0.5, 0.5):
            off = (across - side) / 0.028
            body = np.clip(1.5 - np.abs(off), 0, 1) * seen
            shine = (
                self.ev
                - 2.2 * np.clip(off, 0, 1)
                + 0.2 * rough(canvas.x * 0, canvas.y * 60, self.seed)
            )
            canvas.lay(body, shine, "")


@dataclass(frozen=True)
class Bush(Layer):
    """Heather and grass: short strokes that stand up, thicker towards the foot of an outline."""

    points: Points = None  # type: ignore[assignment]
    edge: float = 0.02
    frost: float = 0

    def paint(self, canvas: Canvas) -> None:
        canvas = canvas.around(self.points, 2 * self.edge + 0.01)
        cover = canvas.inside(self.points, self.edge, self.seed)
        strokes = rough(
            canvas.x * self.fine * 5, canvas.y * self.fine * 1.6, self.seed + 4, 5, 0.65
        )
        clumps = rough(canvas.x * self.fine * 0.5, canvas.y * self.fine * 0.8, self.seed + 5, 4)
        ev = self.ev + self.texture * (0.7 * strokes + 0.6 * clumps)
        tips = np.clip(
            ridged(canvas.x * self.fine * 4, canvas.y * self.fine * 1.4, self.seed + 8) - 0.72, 0, 1
        )
        canvas.lay(cover, ev + self.frost * 3 * tips, self.place)


def _lit(height: Floats, relief: float, lit_from: float) -> Floats:
    """Stops by which slopes towards the light gain and those away from it lose."""
    down, across = np.gradient(height)
    scale = ROWS * FINER / 64
    toward = (across * lit_from * -1 - down * 0.7) * scale
    taken: Floats = np.clip(relief * np.clip(toward, -1.6, 1.6), -9, 9)
    return taken


def _share(canvas: Canvas, points: Points, sideways: bool) -> Floats:
    at = [p[0] * ASPECT if sideways else p[1] for p in points]
    first, last = min(at), max(at)
    return np.clip(((canvas.x if sideways else canvas.y) - first) / (last - first), 0, 1)


KINDS: dict[str, type[Layer]] = {
    "sky": Sky,
    "ridge": Ridge,
    "ground": Ground,
    "outline": Outline,
    "track": Track,
    "shade": Shade,
    "mist": Mist,
    "water": Water,
    "ice": Ice,
    "glow": Glow,
    "bush": Bush,
}


def read(described: dict[str, Any]) -> Layer:
    """A layer from its description; ValueError names the word that no such layer has."""
    given = dict(described)
    kind = KINDS[given.pop("kind")]
    known = {each.name for each in fields(kind)}
    if unknown := set(given) - known:
        raise ValueError(f"{kind.__name__.lower()}: {', '.join(sorted(unknown))}?")
    return kind(**given)
