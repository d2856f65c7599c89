"""N: how far development must stretch or squeeze the tones.

N = target zone − fall of the important highlight. Source: Stroebel et al., Basic Photographic
Materials and Processes; targets VIII or VII: common practice.
"""

from __future__ import annotations

import math
from typing import Annotated

from emulsa.core.data.development import FREE_ERROR_STOPS
from emulsa.core.limits import Within
from emulsa.core.numbers import number_text

DevelopmentNumber = Annotated[float, Within("N", -5, 5, typed="n")]

PIVOT = 3.0  # shadows up to III stay where exposure put them (common practice, no source)
TARGET = 8.0  # the zone a texture-bearing highlight is meant for (common practice, no source)
NORMAL_INCIDENT_RANGE = 7.0  # stops between I and VIII: the range an incident pair calls N
LOWEST_TARGET = 4.0  # a highlight meant for less is none
NARROWEST = 0.5  # stops above III that expansion may stretch over the whole scale
WIDEST = 5.0  # stops of expansion or contraction a plan may ask for


def development_number(target_zone: float, high_zone: float) -> float:
    """N = target − fall: negative contracts, positive expands.

    >>> development_number(8, 9)
    -1
    """
    return target_zone - high_zone


def half_steps(n: float) -> float:
    """N to the half, as it is planned and written on a sheet; ties go towards normal.

    >>> half_steps(-4 / 3), half_steps(0.25)
    (-1.5, 0.0)
    """
    doubled = round(2 * n, 9)
    nearest = round(doubled)
    if abs(doubled - int(doubled)) == 0.5:
        nearest = int(doubled)
    return max(-WIDEST, min(WIDEST, nearest / 2)) + 0.0


def n_text(n: float) -> str:
    """N as written: N, N−1, N+1½.

    >>> n_text(-1.5), n_text(0)
    ('N−1½', 'N')
    """
    if abs(n) < 1e-9:
        return "N"
    return ("N−" if n < 0 else "N+") + number_text(abs(n))


def meant(n: float, error_stops: float) -> float:
    """N that would hold the high values of a negative exposed off by so many stops: N − error, by
    definition.

    Every tone falls ``error_stops`` higher, the important highlight too. An error nobody develops
    for is left out.

    >>> meant(-1, 1), meant(0, -0.5), meant(0, 0.1)
    (-2, 0.5, 0)
    """
    if abs(error_stops) < FREE_ERROR_STOPS:
        return n
    return max(-WIDEST, min(WIDEST, n - error_stops))


def average_gradient(density_range: float, stops: float, flare: float = 0.0) -> float:
    """Ḡ = DR / (log10 2 · range − flare): the contrast that prints a range of stops.

    Source: Todd & Zakia, Photographic Sensitometry. Density range and flare in log units.

    >>> round(average_gradient(1.05, 7), 3)
    0.498
    """
    return density_range / (math.log10(2) * stops - flare)


def lands(zone: float, n: float, target: float = TARGET) -> float:
    """Where a tone is printed after development N: unchanged up to III, then one straight line.

    The line carries the fall that N was made for to its target,
    z' = 3 + (z − 3)·(T − 3)/(T − N − 3), so contraction draws tones together and expansion fans
    them out. T is the zone the important highlight is meant for, IV at least. Common practice,
    no source: an estimate until the film itself has been tested.

    >>> lands(9, -1), lands(9, -2, target=7), lands(3, -1)
    (8.0, 7.0, 3)
    """
    return carried(zone, slope(n, target))


def carried(zone: float, by: float) -> float:
    """Where a tone is printed by a slope: unchanged up to III."""
    return zone if zone <= PIVOT else PIVOT + (zone - PIVOT) * by


def slope(n: float, target: float = TARGET) -> float:
    """Zones of print for a zone of light above III after development N: (T − 3)/(T − N − 3)."""
    span = max(target, LOWEST_TARGET) - PIVOT
    return span / max(span - n, NARROWEST)
