"""The EV axis: everything a pixel passes through is indexed by EV at ISO 100."""

from __future__ import annotations

import math
from collections.abc import Iterable

LOWEST_EV, STEPS_IN_A_STOP, LAST = -8, 32, 1024


def half_up(value: float) -> int:
    """To the nearest whole, halves up.

    >>> half_up(0.5), half_up(-0.5), half_up(1.49)
    (1, 0, 1)
    """
    return math.floor(value + 0.5 + 1e-9)


def index(ev: float) -> int:
    """Where an EV stands on the axis, held at its ends.

    >>> index(-8), index(12), index(99)
    (0, 640, 1024)
    """
    return min(max(half_up(STEPS_IN_A_STOP * (ev - LOWEST_EV)), 0), LAST)


def indexes(evs: Iterable[float]) -> tuple[int, ...]:
    """The same for many, in one go.

    >>> indexes((-8, 12, 99)) == tuple(map(index, (-8, 12, 99)))
    True
    """
    floor, nearly = math.floor, 0.5 + 1e-9 - STEPS_IN_A_STOP * LOWEST_EV
    return tuple(min(max(floor(STEPS_IN_A_STOP * ev + nearly), 0), LAST) for ev in evs)
