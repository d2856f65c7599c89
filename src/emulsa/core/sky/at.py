"""Sun and moon at moments: where they stand, how light it is, where shadows fall."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.errors import OutOfRange
from emulsa.core.limits import Length
from emulsa.core.moments import Moment, seconds
from emulsa.core.sky.bodies import Body, moon, sidereal_deg, sun
from emulsa.core.sky.horizon import (
    STANDARD_C,
    Celsius,
    Pressure,
    SkyPlace,
    refraction_deg,
    seen,
    usual_pressure_hpa,
)
from emulsa.core.sky.way import FEWEST, NODE_S, AmongStars, Way

Light = Literal["night", "astronomical", "nautical", "civil", "low_sun", "day"]
Phase = Literal[
    "new",
    "waxing crescent",
    "first quarter",
    "waxing gibbous",
    "full",
    "waning gibbous",
    "last quarter",
    "waning crescent",
]

SUNSET_DEG, LOW_SUN_DEG = -5 / 6, 6.0
STEPS: tuple[tuple[float, Light], ...] = (
    (LOW_SUN_DEG, "day"),
    (SUNSET_DEG, "low_sun"),
    (-6.0, "civil"),
    (-12.0, "nautical"),
    (-18.0, "astronomical"),
)
QUARTERS: tuple[tuple[Phase, Phase], ...] = (
    ("new", "waxing crescent"),
    ("first quarter", "waxing gibbous"),
    ("full", "waning gibbous"),
    ("last quarter", "waning crescent"),
)
WITHIN_DEG = 6.0  # of a quarter it is called by it
MOON_KM = 1737.4
FIRST_YEAR, LAST_YEAR = 1950, 2100
Stars = Body | AmongStars


@dataclass(frozen=True, kw_only=True, slots=True)
class SkyRequest:
    """A place, moments with their zone, and the air."""

    place: SkyPlace
    moments: Annotated[tuple[Moment, ...], Length("Moments", 1, 1500)]
    temperature_c: Celsius = STANDARD_C
    pressure_hpa: Pressure | None = None


@dataclass(frozen=True, slots=True)
class SunSeen:
    """Where the sun's middle stands, as it is and as the air shows it."""

    azimuth_deg: float
    altitude_deg: float
    apparent_deg: float


@dataclass(frozen=True, slots=True)
class MoonSeen:
    """Where the moon's middle stands, and how much of it is lit."""

    azimuth_deg: float
    altitude_deg: float
    apparent_deg: float
    illuminated_share: float
    phase_deg: float
    phase: Phase
    distance_km: float
    diameter_deg: float


@dataclass(frozen=True, slots=True)
class Shadow:
    """Where shadows fall, and how long they are for what is 1 high."""

    azimuth_deg: float
    length_ratio: float


@dataclass(frozen=True, slots=True)
class SkyAt:
    """A moment."""

    sun: SunSeen
    moon: MoonSeen
    light: Light
    shadow: Shadow | None


@dataclass(frozen=True, slots=True)
class SkyAnswer:
    """The moments, in the order they were asked for."""

    at: tuple[SkyAt, ...]


def sky(request: SkyRequest) -> SkyAnswer:
    """The operation ``sky``."""
    moments = [known_s(moment, f"moments.{place}") for place, moment in enumerate(request.moments)]
    first, last = min(moments), max(moments)
    # of many close together the way is worked out, of few each by itself
    if len(moments) < FEWEST or (last - first) / NODE_S > len(moments):
        return SkyAnswer(tuple(_at(request, each, sun(each), moon(each)) for each in moments))
    day, night = Way(sun, first, last), Way(moon, first, last)
    return SkyAnswer(tuple(_at(request, each, day.at(each), night.at(each)) for each in moments))


def known_s(moment: str, field: str) -> float:
    """A moment in seconds from 1970; OutOfRange outside the years the terms hold for."""
    found = seconds(moment, field)
    year = int(moment[:4])
    if not FIRST_YEAR <= year <= LAST_YEAR:
        raise OutOfRange(
            f"Sun and moon are known from {FIRST_YEAR} to {LAST_YEAR}; this is {year}.",
            field=field,
            allowed=[FIRST_YEAR, LAST_YEAR],
        )
    return found


def light_at(altitude_deg: float) -> Light:
    """What the light is called by the sun's altitude.

    >>> light_at(30), light_at(0), light_at(-5), light_at(-20)
    ('day', 'low_sun', 'civil', 'night')
    """
    return next((name for least, name in STEPS if altitude_deg >= least), "night")


def phase_of(degrees: float) -> Phase:
    """What the moon is called.

    >>> phase_of(3), phase_of(45), phase_of(186), phase_of(359)
    ('new', 'waxing crescent', 'full', 'new')
    """
    quarter, past = divmod((degrees + WITHIN_DEG) % 360, 90)
    return QUARTERS[int(quarter)][0 if past <= 2 * WITHIN_DEG else 1]


def diameter_deg(distance_km: float) -> float:
    """The moon's disc, from the middle of the earth."""
    return 2 * math.degrees(math.asin(MOON_KM / distance_km))


def _at(request: SkyRequest, moment_s: float, day: Stars, night: Stars) -> SkyAt:
    place, sidereal = request.place, sidereal_deg(moment_s)
    pressure = request.pressure_hpa or usual_pressure_hpa(place.height_m)

    def stands(body: Stars) -> tuple[float, float, float]:
        altitude, azimuth = seen(
            place, body.right_ascension_deg, body.declination_deg, body.distance_km, sidereal
        )
        apparent = altitude + refraction_deg(altitude, request.temperature_c, pressure)
        return azimuth, altitude, apparent

    azimuth, altitude, apparent = stands(day)
    return SkyAt(
        sun=SunSeen(azimuth, altitude, apparent),
        moon=_moon(stands(night), day, night),
        light=light_at(altitude),
        shadow=Shadow((azimuth + 180) % 360, 1 / math.tan(math.radians(apparent)))
        if apparent > 0
        else None,
    )


def _moon(stands: tuple[float, float, float], day: Stars, night: Stars) -> MoonSeen:
    apart = (night.longitude_deg - day.longitude_deg) % 360
    away = math.acos(math.cos(math.radians(night.latitude_deg)) * math.cos(math.radians(apart)))
    turned = math.atan2(
        day.distance_km * math.sin(away), night.distance_km - day.distance_km * math.cos(away)
    )
    return MoonSeen(
        *stands,
        illuminated_share=(1 + math.cos(turned)) / 2,
        phase_deg=apart,
        phase=phase_of(apart),
        distance_km=night.distance_km,
        diameter_deg=diameter_deg(night.distance_km),
    )
