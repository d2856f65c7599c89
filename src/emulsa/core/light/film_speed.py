"""Film speed: arithmetic and logarithmic, and an index shifted by stops. Source: ISO 6."""

from __future__ import annotations

import math


def degrees(speed: float) -> float:
    """S° = 1 + 10 · log10 S, unrounded; written as the nearest whole degree.

    >>> round(degrees(100))
    21
    """
    return 1 + 10 * math.log10(speed)


def degrees_to_stops(difference: float) -> float:
    """Stops in a difference of degrees: three degrees are 0.9966 of a stop, not one.

    >>> round(degrees_to_stops(3), 4)
    0.9966
    """
    return difference * math.log2(10) / 10


def shifted(exposure_index: float, stops: float) -> float:
    """EI · 2^stops: the index after a gain or loss of speed.

    >>> shifted(400, -1)
    200.0
    """
    return float(exposure_index * 2**stops)
