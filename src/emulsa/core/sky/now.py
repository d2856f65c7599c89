"""Sun and moon over a place at one moment, as light that is told goes by them."""

from __future__ import annotations

from functools import lru_cache

from emulsa.core.light.sky import SkyNow
from emulsa.core.moments import seconds
from emulsa.core.sky.at import FIRST_YEAR, LAST_YEAR
from emulsa.core.sky.bodies import moon, sidereal_deg, sun
from emulsa.core.sky.horizon import SkyPlace, seen

MINUTE_S, EVERY_S = 60.0, 10.0  # asked again and again while one drags: it moves by seconds


def sky_now(place: SkyPlace | None, moment: str) -> SkyNow | None:
    """Where sun and moon stand; nothing where no place is known, or for a year nobody knows.

    >>> here = SkyPlace(latitude_deg=53.1, longitude_deg=-4.0)
    >>> round(sky_now(here, "2026-06-21T12:15:00Z").sun_altitude_deg)
    60
    """
    if place is None or not FIRST_YEAR <= int(moment[:4]) <= LAST_YEAR:
        return None
    return _now(place, seconds(moment) // EVERY_S * EVERY_S)


@lru_cache(maxsize=64)
def _now(place: SkyPlace, at_s: float) -> SkyNow:
    def altitude(body_at: float) -> float:
        body = sun(body_at)
        return seen(
            place,
            body.right_ascension_deg,
            body.declination_deg,
            body.distance_km,
            sidereal_deg(body_at),
        )[0]

    night = moon(at_s)
    sidereal = sidereal_deg(at_s)
    moon_up = seen(
        place, night.right_ascension_deg, night.declination_deg, night.distance_km, sidereal
    )[0]
    here = altitude(at_s)
    return SkyNow(
        sun_altitude_deg=here,
        sun_rate_deg_min=altitude(at_s + MINUTE_S) - here,
        moon_altitude_deg=moon_up,
        phase_deg=(night.longitude_deg - sun(at_s).longitude_deg) % 360,
        height_m=place.height_m,
    )
