"""Exposure value: aperture and time as one number of stops.

EV = log2(N² / t); each step of one is a halving of the exposure. Source: ISO 2720 (definition).
"""

from __future__ import annotations

import math


def exposure_value(f_number: float, seconds: float) -> float:
    """EV = log2(N² / t), for N > 0 and t > 0 in seconds.

    >>> exposure_value(8, 1 / 64)
    12.0
    """
    return math.log2(f_number * f_number / seconds)


def seconds_for(ev: float, f_number: float) -> float:
    """t = N² / 2^EV, in seconds.

    >>> seconds_for(11, 32)
    0.5
    """
    return f_number * f_number / 2**ev


def f_number_for(ev: float, seconds: float) -> float:
    """N = √(t · 2^EV).

    >>> f_number_for(11, 0.5)
    32.0
    """
    return math.sqrt(seconds * 2**ev)


def at_speed(ev100: float, exposure_index: float) -> float:
    """EV_S = EV100 + log2(S / 100): the camera setting for film of speed S in light EV100.

    >>> at_speed(15, 400)
    17.0
    """
    return ev100 + math.log2(exposure_index / 100)


def at_hundred(ev: float, iso: float) -> float:
    """EV100 = EV_S − log2(S / 100): the light level behind a reading made with ISO S set."""
    return ev - math.log2(iso / 100)
