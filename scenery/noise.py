"""Chance that looks like nature: smooth noise in octaves, and cells with edges.

Every figure is drawn from its place and a seed, so that a scene is drawn the same anywhere.
"""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

SIDE = 512  # of the table all chance is taken from; nothing is so wide that it is seen to repeat
TABLE = np.random.default_rng(1).random(SIDE * SIDE)

Floats = NDArray[np.float64]
Ints = NDArray[np.int64]


def chance(column: Ints, row: Ints, seed: int) -> Floats:
    """0…1 for each place of a lattice; neighbours have nothing to do with each other."""
    place = ((column + 197 * seed) & SIDE - 1) * SIDE + ((row + 331 * seed) & SIDE - 1)
    return np.take(TABLE, place)


def smooth(x: Floats, y: Floats, seed: int) -> Floats:
    """−1…1, waves about one unit long."""
    left, top = np.floor(x), np.floor(y)
    column, row = left.astype(np.int64), top.astype(np.int64)
    u, v = _eased(x - left), _eased(y - top)
    upper = chance(column, row, seed) * (1 - u) + chance(column + 1, row, seed) * u
    lower = chance(column, row + 1, seed) * (1 - u) + chance(column + 1, row + 1, seed) * u
    return 2 * (upper * (1 - v) + lower * v) - 1


def _eased(t: Floats) -> Floats:
    return t * t * t * (t * (6 * t - 15) + 10)


def rough(x: Floats, y: Floats, seed: int, octaves: int = 5, falling: float = 0.5) -> Floats:
    """About −1…1: each octave half as long as the one before, and ``falling`` times as strong.

    Taken at every other place each way and given to its neighbours: their light is gathered anyway.
    """
    x, y = np.broadcast_arrays(x, y)
    return _given(_rough(x[::2, ::2], y[::2, ::2], seed, octaves, falling), x)


def _given(half: Floats, to: Floats) -> Floats:
    rows, columns = to.shape
    return half.repeat(2, axis=0).repeat(2, axis=1)[:rows, :columns]


def _rough(x: Floats, y: Floats, seed: int, octaves: int, falling: float) -> Floats:
    found, strength, most = np.zeros(x.shape), 1.0, 0.0
    for octave in range(octaves):
        turned_x, turned_y = 0.8 * x - 0.6 * y, 0.6 * x + 0.8 * y  # so that no grid shows
        found += strength * smooth(turned_x, turned_y, seed + 101 * octave)
        most += strength
        x, y, strength = 2.03 * turned_x, 2.03 * turned_y, strength * falling
    return found / most * 1.6


def ridged(x: Floats, y: Floats, seed: int, octaves: int = 4) -> Floats:
    """0…1, with sharp crests along which it is 1."""
    return 1 - np.minimum(np.abs(rough(x, y, seed, octaves)), 1)


def cells(x: Floats, y: Floats, seed: int) -> tuple[Floats, ...]:
    """Broken pieces about one unit across: how far the edge is (0 on it), a chance for each piece,
    and where in its piece a place lies, across and down."""
    return tuple(_given(each, x) for each in _cells(x[::2, ::2], y[::2, ::2], seed))


def _cells(x: Floats, y: Floats, seed: int) -> tuple[Floats, ...]:
    left, top = np.floor(x).astype(np.int64), np.floor(y).astype(np.int64)
    nearest = np.full(x.shape, 9.0)
    second = np.full(x.shape, 9.0)
    own = np.zeros(x.shape)
    across, down = np.zeros(x.shape), np.zeros(x.shape)
    for by_row in (-1, 0, 1):
        for by_column in (-1, 0, 1):
            column, row = left + by_column, top + by_row
            to_x = column + 0.15 + 0.7 * chance(column, row, seed) - x
            to_y = row + 0.15 + 0.7 * chance(column, row, seed + 1) - y
            away = np.hypot(to_x, to_y)
            closer = away < nearest
            second = np.where(closer, nearest, np.minimum(second, away))
            own = np.where(closer, chance(column, row, seed + 2), own)
            across, down = np.where(closer, -to_x, across), np.where(closer, -to_y, down)
            nearest = np.where(closer, away, nearest)
    return second - nearest, own, across, down
