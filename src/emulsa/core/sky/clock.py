"""Times of a day and places on the earth, in words."""

from __future__ import annotations

from emulsa.core.numbers import plain
from emulsa.core.sky.horizon import SkyPlace

DAY_MIN = 1440


def clock(minutes: float) -> str:
    """A time of the day by the clock.

    >>> clock(483.4), clock(1445)
    ('8:03', '0:05')
    """
    whole = round(minutes) % DAY_MIN
    return f"{whole // 60}:{whole % 60:02d}"


def place_text(place: SkyPlace) -> str:
    """A place in degrees, to where minutes of time no longer tell.

    >>> place_text(SkyPlace(latitude_deg=53.1, longitude_deg=-4.052))
    '53.1° N, 4.05° W'
    """
    north = f"{plain(round(abs(place.latitude_deg), 2))}° {'N' if place.latitude_deg >= 0 else 'S'}"
    east = (
        f"{plain(round(abs(place.longitude_deg), 2))}° {'E' if place.longitude_deg >= 0 else 'W'}"
    )
    return f"{north}, {east}"
