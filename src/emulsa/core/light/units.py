"""Units of light. Source: definitions of the foot-lambert and foot-candle (1 ft = 0.3048 m)."""

from __future__ import annotations

import math

SQUARE_METRES_PER_SQUARE_FOOT = 0.3048**2  # exact, by definition of the international foot
CD_M2_PER_FOOT_LAMBERT = 1 / (math.pi * SQUARE_METRES_PER_SQUARE_FOOT)  # 3.4262591 cd/m²
LUX_PER_FOOT_CANDLE = 1 / SQUARE_METRES_PER_SQUARE_FOOT  # 10.7639104 lx


def luminance_cd_m2(value: float, unit: str) -> float:
    """A luminance in cd/m² from ``cd/m2`` or ``fL``.

    >>> round(luminance_cd_m2(1, "fL"), 7)
    3.4262591
    """
    return value * {"cd/m2": 1.0, "fL": CD_M2_PER_FOOT_LAMBERT}[unit]


def illuminance_lx(value: float, unit: str) -> float:
    """An illuminance in lux from ``lx`` or ``fc``.

    >>> round(illuminance_lx(1, "fc"), 7)
    10.7639104
    """
    return value * {"lx": 1.0, "fc": LUX_PER_FOOT_CANDLE}[unit]
