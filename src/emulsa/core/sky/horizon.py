"""What stands among the stars as it is seen from a place: altitude, azimuth, refraction."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache
from typing import Annotated

from emulsa.core.limits import Height, Within

Latitude = Annotated[float, Within("The latitude", -90, 90, "degrees")]
Longitude = Annotated[float, Within("The longitude", -180, 180, "degrees")]
Celsius = Annotated[float, Within("The air’s temperature", -60, 60, "°C", engraved=True)]
Pressure = Annotated[float, Within("The air’s pressure", 200, 1100, "hPa", engraved=True)]

EARTH_KM, FLATTENING = 6378.14, 1 / 298.257
SEA_HPA, SCALE_M = 1010.0, 8430.0
STANDARD_C, KELVIN = 10.0, 273.0
LOWEST_REFRACTED = -1.0  # degrees; below it refraction only goes on without a step


@dataclass(frozen=True, kw_only=True, slots=True)
class SkyPlace:
    """A place on the earth, east positive."""

    latitude_deg: Latitude
    longitude_deg: Longitude
    height_m: Height = 0.0


def usual_pressure_hpa(height_m: float) -> float:
    """The air's pressure at a height.

    >>> round(usual_pressure_hpa(0)), round(usual_pressure_hpa(3500))
    (1010, 667)
    """
    return SEA_HPA * math.exp(-height_m / SCALE_M)


def refraction_deg(altitude_deg: float, temperature_c: float, pressure_hpa: float) -> float:
    """How much higher the air lets something be seen; a published fit, from memory.

    >>> round(refraction_deg(0, 10, 1010), 2), round(refraction_deg(45, 10, 1010), 3)
    (0.48, 0.017)
    """
    air = pressure_hpa / SEA_HPA * (KELVIN + STANDARD_C) / (KELVIN + temperature_c)
    held = max(altitude_deg, LOWEST_REFRACTED)
    minutes = 1.02 / math.tan(math.radians(held + 10.3 / (held + 5.11)))
    if altitude_deg < LOWEST_REFRACTED:
        minutes *= math.tan(math.radians(1)) / math.tan(math.radians(min(-altitude_deg, 90 - 1e-9)))
    return minutes / 60 * air


def seen(
    place: SkyPlace, right_ascension: float, declination: float, distance_km: float, sidereal: float
) -> tuple[float, float]:
    """Altitude and azimuth in degrees, parallax in, refraction not. ``sidereal`` is Greenwich's."""
    return across(place, sidereal + place.longitude_deg - right_ascension, declination, distance_km)


def across(
    place: SkyPlace, hour_angle: float, declination: float, distance_km: float
) -> tuple[float, float]:
    """The same by the hour angle."""
    out, up, sin_lat, cos_lat = _observer(place)
    hour, high = math.radians(hour_angle), math.radians(declination)
    far = distance_km / EARTH_KM
    # towards the meridian, the west, the pole
    meridian = far * math.cos(high) * math.cos(hour) - out
    west = far * math.cos(high) * math.sin(hour)
    pole = far * math.sin(high) - up
    above = meridian * cos_lat + pole * sin_lat
    south = meridian * sin_lat - pole * cos_lat
    altitude = math.degrees(math.atan2(above, math.hypot(south, west)))
    return altitude, (math.degrees(math.atan2(west, south)) + 180) % 360


@lru_cache(maxsize=64)
def _observer(place: SkyPlace) -> tuple[float, float, float, float]:
    """How far a place is from the earth's axis and above its equator in radii, and its latitude."""
    latitude = math.radians(place.latitude_deg)
    inner = math.atan((1 - FLATTENING) * math.tan(latitude))
    height = place.height_m / 1000 / EARTH_KM
    up = (1 - FLATTENING) * math.sin(inner) + height * math.sin(latitude)
    out = math.cos(inner) + height * math.cos(latitude)
    return out, up, math.sin(latitude), math.cos(latitude)
