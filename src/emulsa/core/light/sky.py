"""Light told by the sky, the moon or the street, where no meter is: readings like any other."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.data.sky import DEEP_DOUBT_STOPS, DOUBT_STOPS, SKY_EV, SNOW_STOPS, LightSide, Sky
from emulsa.core.light.estimated import (
    ByMoon,
    BySky,
    InStreet,
    OfMoon,
    Rate,
    SkyLight,
    SunAltitude,
    sky_light,
)
from emulsa.core.limits import EV, Height, Within
from emulsa.core.numbers import plain

Shifted = Annotated[float, Within("What you add to the sky", -1, 1, "stops")]

FADES_DEG, FADES_MIN = (-14.0, 6.0), 30.0  # where light changes while one works
SIDE_WORDS: dict[LightSide, str] = {
    "front": "lit from the front",
    "side": "side lit",
    "back": "against the light",
}


@dataclass(frozen=True, kw_only=True, slots=True)
class SkyReading:
    """The light told by the sky: a table's EV at ISO 100, or a leaflet's if ``leaflet_ev`` is set.

    ``sun_altitude_deg`` lets it grow and fade with the sun; without one it is the table's, for a
    sun that stands well, and ``side`` and ``height_m`` count for nothing. ``snow``: the subject
    stands on snow or light sand. ``shift_stops``: a stop brighter or darker than the word, as one
    sees it.
    """

    kind: Literal["sky"] = "sky"
    sky: Sky
    sun_altitude_deg: SunAltitude | None = None
    side: LightSide = "front"
    snow: bool = False
    height_m: Height = 0.0
    sun_rate_deg_min: Rate | None = None
    shift_stops: Shifted = 0.0
    leaflet_ev: EV | None = None


@dataclass(frozen=True, slots=True)
class SkyNow:
    """Where sun and moon stand over a place now, how fast the sun moves, and how high one is."""

    sun_altitude_deg: float
    sun_rate_deg_min: float
    moon_altitude_deg: float
    phase_deg: float
    height_m: float = 0.0


Estimated = SkyReading | ByMoon | OfMoon | InStreet
OF_THE_LIGHT = (SkyReading, ByMoon, InStreet)  # the moon itself is a tone


def by_sun(reading: SkyReading) -> SkyLight | None:
    """What a sky gives with the sun where it is; nothing where nobody says where."""
    if reading.sun_altitude_deg is None:
        return None
    return sky_light(
        BySky(
            sky=reading.sky,
            sun_altitude_deg=reading.sun_altitude_deg,
            side=reading.side,
            snow=reading.snow,
            height_m=reading.height_m,
            sun_rate_deg_min=reading.sun_rate_deg_min,
        )
    )


def fading_text(now: SkyNow | None) -> str:
    """How fast the light changes about sunset and sunrise; nothing while it is steady.

    >>> fading_text(SkyNow(-4, -0.15, 10, 90))
    'Light falls a stop in 5 min'
    """
    if now is None or not FADES_DEG[0] <= now.sun_altitude_deg <= FADES_DEG[1]:
        return ""
    found = sky_light(
        BySky(
            sky="bright sun",
            sun_altitude_deg=now.sun_altitude_deg,
            height_m=now.height_m,
            sun_rate_deg_min=now.sun_rate_deg_min,
        )
    )
    if not found.stop_minutes or found.stop_minutes > FADES_MIN:
        return ""
    way = "falls" if now.sun_rate_deg_min < 0 else "rises"
    return f"Light {way} a stop in {found.stop_minutes:.0f} min"


def sky_ev(reading: SkyReading) -> float:
    """EV at ISO 100 of a sky. Common practice, no source.

    >>> sky_ev(SkyReading(sky="hazy sun", snow=True))
    15.0
    """
    word = SKY_EV[reading.sky]
    found = by_sun(reading)
    level = found.ev100 if found else word + SNOW_STOPS * reading.snow
    told = 0.0 if reading.leaflet_ev is None else reading.leaflet_ev - word
    return level + told + reading.shift_stops


def estimated_ev(reading: Estimated) -> float:
    """EV at ISO 100 of light that nobody metered; OutOfRange where there is none to speak of.

    >>> estimated_ev(InStreet(street="church"))
    4.0
    """
    return sky_ev(reading) if isinstance(reading, SkyReading) else sky_light(reading).ev100


def estimated_doubt(reading: Estimated) -> float:
    """How far it may be out, ± stops.

    >>> estimated_doubt(InStreet(street="church")), estimated_doubt(SkyReading(sky="overcast"))
    (1.5, 1.0)
    """
    if not isinstance(reading, SkyReading):
        return sky_light(reading).doubt_stops
    found = by_sun(reading)
    if found is not None:
        return found.doubt_stops
    return DEEP_DOUBT_STOPS if reading.sky == "deep shade" else DOUBT_STOPS


def sky_text(reading: Estimated) -> str:
    """Light as one says it: ``hazy sun, on snow or sand``, ``full moon, 40° up``.

    >>> sky_text(SkyReading(sky="bright sun", sun_altitude_deg=-2.5, side="side"))
    'dusk, sun 2.5° below the horizon'
    >>> sky_text(ByMoon(moon_altitude_deg=30, phase_deg=180)), sky_text(InStreet(street="floodlit"))
    ('full moon, 30° up', 'floodlit')
    """
    if isinstance(reading, InStreet):
        return reading.street
    if isinstance(reading, OfMoon):
        return f"the moon itself, {_up(reading.moon_altitude_deg)}"
    if isinstance(reading, ByMoon):
        said = f"{moon_words(reading.phase_deg)}, {_up(reading.moon_altitude_deg)}"
        return said + (", on snow or sand" if reading.snow else "")
    altitude = reading.sun_altitude_deg
    at_dusk = reading.sky == "bright sun" and altitude is not None and altitude < 0
    said = "dusk" if at_dusk else reading.sky
    if altitude is not None:
        if reading.side != "front" and altitude > 0 and reading.sky in ("bright sun", "hazy sun"):
            said += f", {SIDE_WORDS[reading.side]}"
        said += f", sun {_up(altitude)}"
    if reading.shift_stops:
        said += f", {'a little brighter' if reading.shift_stops > 0 else 'a little darker'}"
    said += ", on snow or sand" if reading.snow else ""
    return said + (", by the leaflet" if reading.leaflet_ev is not None else "")


def _up(altitude_deg: float) -> str:
    """How high, to a degree; near the horizon to half of one."""
    step = 1 if abs(altitude_deg) >= 10 else 2
    said = plain(round(abs(altitude_deg) * step) / step)
    return f"{said}° up" if altitude_deg >= 0 else f"{said}° below the horizon"


def moon_words(phase_deg: float) -> str:
    """The moon by its light: ``full moon``, ``half moon``, ``moon 0.3 lit``.

    >>> moon_words(176), moon_words(90), moon_words(60)
    ('full moon', 'half moon', 'moon 60° after new')
    """
    for degrees, said in ((180, "full moon"), (90, "half moon"), (270, "half moon")):
        if abs(phase_deg - degrees) <= 6:
            return said
    after = phase_deg <= 180
    away = phase_deg if after else 360 - phase_deg
    return f"moon {plain(round(away))}° {'after' if after else 'before'} new"
