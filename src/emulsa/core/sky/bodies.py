"""Where sun and moon stand among the stars, seen from the middle of the earth.

Sun by mean longitude, equation of the centre, aberration and nutation; moon by the terms of
``data/moon``. Source: the usual handbook formulas (Meeus, Astronomical Algorithms), from memory.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

from emulsa.core.data.moon import (
    ARGUMENTS,
    DELTA_T_S,
    LATITUDE,
    LONGITUDE_DISTANCE,
    MEAN_DISTANCE_M,
)
from emulsa.core.straight import straight

JULIAN_1970, JULIAN_2000, CENTURY = 2_440_587.5, 2_451_545.0, 36_525.0
DAY_S, YEAR_D = 86_400.0, 365.25
ASTRONOMICAL_UNIT_KM = 149_597_870.7


@dataclass(frozen=True, slots=True)
class Body:
    """A body: right ascension and declination in degrees, distance in km, and its place along the
    ecliptic."""

    right_ascension_deg: float
    declination_deg: float
    distance_km: float
    longitude_deg: float
    latitude_deg: float


def julian(unix_s: float) -> float:
    """The Julian day of a moment in seconds from 1970."""
    return unix_s / DAY_S + JULIAN_1970


def sidereal_deg(unix_s: float) -> float:
    """Greenwich's apparent sidereal time in degrees; UTC is taken as UT."""
    days = julian(unix_s) - JULIAN_2000
    t = days / CENTURY
    mean = 280.46061837 + 360.98564736629 * days + 0.000387933 * t * t
    return (mean + _nutation(t) * math.cos(math.radians(_obliquity(t)))) % 360


def sun(unix_s: float) -> Body:
    """The sun's apparent place."""
    t = _centuries(unix_s)
    mean = 280.46646 + 36000.76983 * t + 0.0003032 * t * t
    anomaly = math.radians(357.52911 + 35999.05029 * t - 0.0001537 * t * t)
    flat = 0.016708634 - 0.000042037 * t
    centre = (
        (1.914602 - 0.004817 * t) * math.sin(anomaly)
        + (0.019993 - 0.000101 * t) * math.sin(2 * anomaly)
        + 0.000289 * math.sin(3 * anomaly)
    )
    distance = (
        1.000001018 * (1 - flat * flat) / (1 + flat * math.cos(anomaly + math.radians(centre)))
    )
    longitude = mean + centre - 0.00569 / distance + _nutation(t)
    return _placed(longitude, 0.0, distance * ASTRONOMICAL_UNIT_KM, t)


def moon(unix_s: float) -> Body:
    """The moon's apparent place."""
    t = _centuries(unix_s)
    at = {name: a + b * t + c * t * t for name, (a, b, c) in ARGUMENTS.items()}
    flat = 1 - 0.002516 * t
    longitude, distance, latitude = 0.0, 0.0, 0.0
    for d, m, n, f, along, away in LONGITUDE_DISTANCE:
        angle = _angle(at, d, m, n, f)
        held = flat ** abs(m)
        longitude += along * held * math.sin(angle)
        distance += away * held * math.cos(angle)
    for d, m, n, f, up in LATITUDE:
        latitude += up * flat ** abs(m) * math.sin(_angle(at, d, m, n, f))
    longitude += (
        3958 * _sin(119.75 + 131.849 * t)
        + 1962 * _sin(at["longitude"] - at["latitude"])
        + 318 * _sin(53.09 + 479264.29 * t)
    )
    latitude += (
        -2235 * _sin(at["longitude"])
        + 382 * _sin(313.45 + 481266.484 * t)
        + 127 * _sin(at["longitude"] - at["moon"])
        - 115 * _sin(at["longitude"] + at["moon"])
    )
    return _placed(
        at["longitude"] + longitude / 1e6 + _nutation(t),
        latitude / 1e6,
        (MEAN_DISTANCE_M + distance) / 1000,
        t,
    )


def _centuries(unix_s: float) -> float:
    """Centuries of even time from 2000."""
    year = 2000 + (julian(unix_s) - JULIAN_2000) / YEAR_D
    return (julian(unix_s + straight(DELTA_T_S, year)) - JULIAN_2000) / CENTURY


def _angle(at: dict[str, float], d: int, m: int, n: int, f: int) -> float:
    return math.radians(d * at["elongation"] + m * at["sun"] + n * at["moon"] + f * at["latitude"])


def _sin(degrees: float) -> float:
    return math.sin(math.radians(degrees))


def _node(t: float) -> float:
    return 125.04452 - 1934.136261 * t


def _nutation(t: float) -> float:
    """In longitude, degrees."""
    return (-17.2 * _sin(_node(t)) - 1.32 * _sin(2 * (280.4665 + 36000.7698 * t))) / 3600


def _obliquity(t: float) -> float:
    return 23.4392911 - 0.0130042 * t + 0.00256 * math.cos(math.radians(_node(t)))


def _placed(longitude: float, latitude: float, distance_km: float, t: float) -> Body:
    """From the ecliptic to the equator."""
    along, up, tilt = (math.radians(each) for each in (longitude, latitude, _obliquity(t)))
    x = math.cos(up) * math.cos(along)
    y = math.cos(up) * math.sin(along) * math.cos(tilt) - math.sin(up) * math.sin(tilt)
    z = math.cos(up) * math.sin(along) * math.sin(tilt) + math.sin(up) * math.cos(tilt)
    return Body(
        math.degrees(math.atan2(y, x)) % 360,
        math.degrees(math.asin(max(-1.0, min(1.0, z)))),
        distance_km,
        longitude % 360,
        latitude,
    )
