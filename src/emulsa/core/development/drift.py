"""Temperature that drifts during development: the dose of time at the reference temperature.

The equivalent time is ∫ exp(k·(T(t) − T_ref)) dt (Todd & Zakia's form integrated); between two
measurements T is taken as a straight line.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from itertools import pairwise


def equivalent(minutes: float, from_c: float, to_c: float, k_per_c: float, ref_c: float) -> float:
    """Minutes at the reference temperature that a stretch with a linear drift amounts to.

    >>> round(equivalent(10, 20, 22, 0.09, 20), 8)
    10.95652017
    """
    start, end = (math.exp(k_per_c * (each - ref_c)) for each in (from_c, to_c))
    slope = k_per_c * (to_c - from_c)
    if abs(slope) < 1e-9:
        return minutes * (start + end) / 2
    return minutes * (end - start) / slope


def dose(
    measured: Sequence[tuple[float, float]], until_min: float, k_per_c: float, ref_c: float
) -> float:
    """Equivalent minutes from 0 to ``until_min``, by measurements of (minute, °C) in order.

    Before the first and after the last the temperature is taken as it was measured.
    """
    points = [(0.0, measured[0][1]), *measured, (math.inf, measured[-1][1])]
    total = 0.0
    for (t0, c0), (t1, c1) in pairwise(points):
        start, end = min(t0, until_min), min(t1, until_min)
        if end > start:
            at_end = c1 if math.isinf(t1) else c0 + (c1 - c0) * (end - t0) / (t1 - t0)
            total += equivalent(end - start, c0, at_end, k_per_c, ref_c)
    return total


def minutes_left(
    measured: Sequence[tuple[float, float]],
    elapsed_min: float,
    wanted_min: float,
    k_per_c: float,
    ref_c: float,
) -> float:
    """Minutes still to go at the last temperature, of ``wanted_min`` meant at the reference one."""
    done = dose(measured, elapsed_min, k_per_c, ref_c)
    speed = math.exp(k_per_c * (measured[-1][1] - ref_c))
    return max(0.0, (wanted_min - done) / speed)
