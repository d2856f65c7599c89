"""A drawn scene as the practice room knows it: fewer points, each with the mean light of those it
stands for, and for every place where a spot meter finds it best.

It is written as a module of the core's data, which opens no files.
"""

from __future__ import annotations

import base64
import zlib
from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray

from scenery.canvas import COLUMNS, ROWS, Canvas
from scenery.noise import Floats

COARSER = 4
ELSEWHERE = "elsewhere"  # what has no name
VIEW_DEG, SPOT_DEG = 50.0, 1.0  # by which it is said where one aims
LOWEST_EV, STEPS_IN_A_STOP, MOST = -8, 32, 1024

Whole = NDArray[np.int64]

MODULE = '''"""{title}: written from scenery/scenes/{name}.toml when Emulsa is built."""

# fmt: off
TITLE = {title!r}
BRIEF = {brief!r}
LIGHT = {light!r}
COLUMNS, ROWS = {columns}, {rows}
PLACES = {places!r}
FIELD = {field!r}
'''


@dataclass(frozen=True)
class Field:
    """EV steps and place of each cell; the last place is everything without a name."""

    index: Whole
    place: Whole

    @classmethod
    def of(cls, canvas: Canvas) -> Field:
        ev, place = canvas.gathered()
        rows, columns = ROWS // COARSER, COLUMNS // COARSER
        light = np.exp2(ev).reshape(rows, COARSER, columns, COARSER).mean(axis=(1, 3))
        index = np.floor((np.log2(light) - LOWEST_EV) * STEPS_IN_A_STOP + 0.5)
        blocks = place.reshape(rows, COARSER, columns, COARSER)
        many = len(canvas.names)
        votes = np.stack([(blocks == each).sum(axis=(1, 3)) for each in range(many + 1)])
        found = votes.argmax(axis=0)
        found = np.where(found == 0, many, found - 1)
        return cls(np.clip(index, 0, MOST).astype(np.int64), found.astype(np.int64))

    def light(self) -> Floats:
        spread: Floats = np.exp2(self.index / STEPS_IN_A_STOP + LOWEST_EV)
        return spread

    def told(self, number: int) -> tuple[float, float, float]:
        """Where one aims at a place, as shares of the frame, and its smaller side in degrees: the
        cell about which a spot takes in most of the place, and of those the one that reads
        nearest to all of it."""
        rows, columns = self.place.shape
        here, light = self.place == number, self.light()
        wanted = np.log2(light[here].mean())
        reach = SPOT_DEG / VIEW_DEG / 2 * columns
        around = int(reach)
        best, at = (-1.0, 0.0), (0, 0)
        for row, column in zip(*np.nonzero(here), strict=True):
            down = np.arange(max(0, row - around), min(rows, row + around + 1))
            across = np.arange(max(0, column - around), min(columns, column + around + 1))
            taken = np.hypot(across - column, down[:, None] - row) <= reach + 1e-9
            near = np.ix_(down, across)
            share = float(here[near][taken].mean())
            off = abs(float(np.log2(light[near][taken].mean()) - wanted))
            if (share, -off) > best:
                best, at = (share, -off), (int(row), int(column))
        spread_y, spread_x = (np.ptp(each) + 1 for each in np.nonzero(here))
        degrees = VIEW_DEG / columns * float(min(spread_y, spread_x))
        return (at[1] + 0.5) / columns, (at[0] + 0.5) / rows, degrees


def module(name: str, description: dict[str, Any], canvas: Canvas) -> str:
    """The scene as a module: title, brief, light, its places (name, x, y, degrees, colour, zones,
    stops it loses to a cloud) and its field, packed."""
    field = Field.of(canvas)
    places = []
    for number, each in enumerate(canvas.names):
        if not (field.place == number).any():
            raise ValueError(f"{description['title']}: {each} is too small to be metered")
        x, y, degrees = field.told(number)
        kept = description["places"][each]
        zones = tuple(float(zone) for zone in kept["zones"])
        places.append((each, x, y, round(degrees, 3), kept["colour"], zones, float(kept["sun"])))
    rows, columns = field.index.shape
    packed = field.index.astype("<u2").tobytes() + field.place.astype("u1").tobytes()
    return MODULE.format(
        name=name,
        title=description["title"],
        brief=description["brief"],
        light=(description["light"]["kind"], float(description["light"]["drift"])),
        columns=columns,
        rows=rows,
        places=tuple(places),
        field=base64.b85encode(zlib.compress(packed, 9)),
    )
