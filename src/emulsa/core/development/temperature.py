"""Temperature: t = t_ref · exp(−k·(T − T_ref)), for 18…27 °C.

Source: Todd & Zakia, Photographic Sensitometry (form); k 0.07–0.10 per °C from memory.
"""

from __future__ import annotations

import math

from emulsa.core.data.development import ALLOWED_C
from emulsa.core.errors import OutOfRange
from emulsa.core.limits import plain


def celsius(fahrenheit: float) -> float:
    """T_C = (T_F − 32) / 1.8.

    >>> celsius(68)
    20.0
    """
    return (fahrenheit - 32) / 1.8


def factor(temperature_c: float, reference_c: float, k_per_c: float) -> float:
    """exp(−k·(T − T_ref)): what the reference time is multiplied by.

    >>> round(10 * factor(24, 20, 0.09), 6)
    6.976763
    """
    return math.exp(-k_per_c * (temperature_c - reference_c))


def allowed(temperature_c: float, field: str) -> float:
    """The temperature itself, or OutOfRange with the range in both scales."""
    low, high = ALLOWED_C
    if not low <= round(temperature_c, 9) <= high:
        raise OutOfRange(
            f"Developers behave between {plain(low)} and {plain(high)} °C (64.4 to 80.6 °F);"
            f" {plain(temperature_c)} °C is outside, where no time can be trusted.",
            field=field,
            allowed=[low, high],
        )
    return temperature_c
