"""Zones as words: 0, I … X, one stop apart, fractions allowed (VII½, III⅓)."""

from __future__ import annotations

import math
from functools import lru_cache

from emulsa.core import typed
from emulsa.core.limits import ZONES
from emulsa.core.numbers import number_text, split
from emulsa.core.typed import ROMAN

MIDDLE = 5.0  # zone V: what a meter renders


@lru_cache(1024)
def zone_text(zone: float) -> str:
    """A zone to the nearest third or half, in Roman with a real fraction.

    Falls below 0 or above X keep their sign and step: ``0−1⅓``, ``X+½``.

    >>> zone_text(7.5), zone_text(10 / 3), zone_text(-1), zone_text(11.5)
    ('VII½', 'III⅓', '0−1', 'X+1½')
    """
    if zone < -1e-9:
        return "0−" + number_text(-zone)
    if zone > 10 + 1e-9:
        return "X+" + number_text(zone - 10)
    whole, fraction = split(zone)
    return ROMAN[whole] + fraction if whole or not fraction else fraction


def of_reflectance(reflectance: float) -> float:
    """The zone of a matt surface when 18 % is V: 5 + log2(R / 0.18). Common practice, no source.

    >>> of_reflectance(0.36)
    6.0
    """
    return MIDDLE + math.log2(reflectance / 0.18)


@lru_cache(1024)
def ev_text(ev: float) -> str:
    """An EV to the nearest third or half, with a true minus sign.

    >>> ev_text(11 + 1 / 3), ev_text(-2)
    ('11⅓', '−2')
    """
    return ("−" if ev < -1e-9 else "") + number_text(abs(ev))


def parse_zone(text: str) -> float:
    """A zone 0…10 as one writes it.

    >>> parse_zone("VII½"), parse_zone("z7.5")
    (7.5, 7.5)
    """
    return ZONES.check(typed.zone(text, "zone"), "zone")
