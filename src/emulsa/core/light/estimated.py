"""The light where no meter is: by the sky and the sun's altitude, by the moon, in the street.

Natural illuminance by published polynomials and the direct beam by a published air mass, both from
memory; the words, and what side light and snow do: common practice, no source.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.data.sky import (
    DEEP_DOUBT_STOPS,
    DOUBT_STOPS,
    SIDES,
    SKY_EV,
    SNOW_STOPS,
    STREETS,
    LightSide,
    Sky,
    Street,
)
from emulsa.core.errors import OutOfRange
from emulsa.core.limits import EV_RANGE, Height, Within

SunAltitude = Annotated[float, Within("The sun’s altitude", -18, 90, "°", engraved=True)]
MoonAltitude = Annotated[float, Within("The moon’s altitude", 0, 90, "°", engraved=True)]
PhaseDeg = Annotated[float, Within("The moon’s phase", 0, 360, "°", engraved=True)]
Rate = Annotated[float, Within("How fast the sun moves", -1, 1, "°/min", engraved=True)]

# from which altitude on, and the polynomial of log10 lux in altitude ÷ 90°
CLEAR = (
    (20.0, (3.74, 3.97, -4.07, 1.47)),
    (5.0, (3.05, 13.28, -45.98, 64.33)),
    (-0.8, (2.88, 22.26, -207.64, 1034.30)),
    (-5.0, (2.88, 21.81, -258.11, -858.36)),
    (-12.0, (2.70, 12.17, -431.69, -1899.83)),
    (-18.0, (13.84, 262.72, 1447.42, 2797.93)),
)
USUAL_DEG, FULL_DEG, LOW_DEG = 40.0, 45.0, 10.0
BEAM_LUX, THICKNESS, AIR_M = 128_000.0, 0.21, 8_000.0
FULL_MOON_EV, DISC = -3.5, math.log2(12_800)
LEAST_LIT = 0.02


@dataclass(frozen=True, kw_only=True, slots=True)
class BySky:
    """A word for the sky, where the sun stands, what it falls on, and how fast it moves."""

    kind: Literal["sky"] = "sky"
    sky: Sky
    sun_altitude_deg: SunAltitude
    side: LightSide = "front"
    snow: bool = False
    height_m: Height = 0.0
    sun_rate_deg_min: Rate | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class ByMoon:
    """What the moon lights."""

    kind: Literal["moon"] = "moon"
    moon_altitude_deg: MoonAltitude
    phase_deg: PhaseDeg
    snow: bool = False


@dataclass(frozen=True, kw_only=True, slots=True)
class OfMoon:
    """The moon itself."""

    kind: Literal["moon_disc"] = "moon_disc"
    moon_altitude_deg: MoonAltitude
    phase_deg: PhaseDeg


@dataclass(frozen=True, kw_only=True, slots=True)
class InStreet:
    """Where lamps are."""

    kind: Literal["street"] = "street"
    street: Street


SkyLightRequest = BySky | ByMoon | OfMoon | InStreet


@dataclass(frozen=True, slots=True)
class LightStep:
    """A row of the sum."""

    step: str
    stops: float


@dataclass(frozen=True, slots=True)
class SkyLight:
    """EV at ISO 100 with its doubt, the sum it came by, and how fast it changes."""

    ev100: float
    doubt_stops: float
    ledger: tuple[LightStep, ...]
    stops_per_degree: float | None
    stop_minutes: float | None


def sky_light(request: SkyLightRequest) -> SkyLight:
    """The operation ``sky_light``."""
    if isinstance(request, BySky):
        return _by_sky(request)
    if isinstance(request, ByMoon):
        rows = [
            LightStep("full moon", FULL_MOON_EV),
            LightStep("moon altitude", _sunny(request.moon_altitude_deg, 0.0)),
            LightStep("phase", _phase(request.phase_deg)),
        ]
        if request.snow:
            rows.append(LightStep("snow", SNOW_STOPS))
        return _summed(rows, DOUBT_STOPS, "phase_deg")
    if isinstance(request, OfMoon):
        return _disc(request)
    ev, doubt = STREETS[request.street]
    return _summed([LightStep(request.street, ev)], doubt, "street")


def _by_sky(request: BySky) -> SkyLight:
    altitude = request.sun_altitude_deg
    rows = [LightStep(request.sky, SKY_EV[request.sky])]
    rows.append(LightStep("sun altitude", _altitude(request.sky, altitude)))
    if request.sky in ("bright sun", "hazy sun"):
        rows.append(LightStep("height", _high(altitude, request.height_m)))
        rows.append(LightStep("side", _side(request)))
    if request.snow:
        rows.append(LightStep("snow", SNOW_STOPS))
    slope = _slope(request)
    rate = request.sun_rate_deg_min
    found = _summed(rows, _doubt(request.sky, altitude), "sun_altitude_deg")
    changes = slope * rate if rate else 0.0
    return SkyLight(
        found.ev100,
        found.doubt_stops,
        found.ledger,
        slope,
        1 / abs(changes) if changes else None,
    )


def _altitude(sky: Sky, altitude: float) -> float:
    if sky in ("bright sun", "hazy sun"):
        return _sunny(altitude, 0.0)
    return math.log2(_clear_lux(altitude) / _clear_lux(USUAL_DEG))


def _sunny(altitude: float, height_m: float) -> float:
    return math.log2(_facing(altitude, height_m) / _facing(USUAL_DEG, 0.0))


def _high(altitude: float, height_m: float) -> float:
    return math.log2(_facing(altitude, height_m) / _facing(altitude, 0.0))


def _side(request: BySky) -> float:
    altitude = request.sun_altitude_deg
    share = _beam(altitude, request.height_m) / _facing(altitude, request.height_m)
    hazy = 0.5 if request.sky == "hazy sun" else 1.0
    return SIDES[request.side] * hazy * share


def _slope(request: BySky) -> float:
    """Stops for a degree more."""

    def light(at: float) -> float:
        here = BySky(
            sky=request.sky,
            sun_altitude_deg=min(max(at, -18.0), 90.0),
            side=request.side,
            height_m=request.height_m,
        )
        found = _altitude(here.sky, here.sun_altitude_deg)
        if here.sky in ("bright sun", "hazy sun"):
            found += _high(here.sun_altitude_deg, here.height_m) + _side(here)
        return found

    low = max(request.sun_altitude_deg - 0.1, -18.0)
    high = min(request.sun_altitude_deg + 0.1, 90.0)
    return (light(high) - light(low)) / (high - low)


def _doubt(sky: Sky, altitude: float) -> float:
    low = LOW_DEG if sky in ("bright sun", "hazy sun") else 0.0
    sure_at_night = sky == "bright sun" and altitude < 0
    if sky == "deep shade" or (altitude < low and not sure_at_night):
        return DEEP_DOUBT_STOPS
    return DOUBT_STOPS


def _clear_lux(altitude: float) -> float:
    """On the level under a clear sky."""
    a, b, c, d = next((row for least, row in CLEAR if altitude >= least), CLEAR[-1][1])
    x = altitude / 90
    return math.pow(10.0, a + b * x + c * x * x + d * x * x * x)


def _beam(altitude: float, height_m: float) -> float:
    """The direct beam, on what faces it."""
    if altitude <= 0:
        return 0.0
    thin = math.exp(-height_m / AIR_M)
    return BEAM_LUX * min(1.0, altitude) * math.exp(-THICKNESS * thin * _air_mass(altitude))


def _air_mass(altitude: float) -> float:
    return 1 / (math.sin(math.radians(altitude)) + 0.50572 * math.pow(altitude + 6.07995, -1.6364))


def _facing(altitude: float, height_m: float) -> float:
    """On what faces the sun: beam, half of what the sky gives, a tenth of the ground."""
    level = _clear_lux(altitude)
    at_sea = _beam(altitude, 0.0) * math.sin(math.radians(altitude))
    return _beam(altitude, height_m) + 0.5 * (level - at_sea) + 0.1 * level


def _phase(degrees: float) -> float:
    away = abs(180 - degrees)
    return (-0.00868 * away - 2.2e-9 * away**4) / 0.30103


def _disc(request: OfMoon) -> SkyLight:
    lit = (1 - math.cos(math.radians(request.phase_deg))) / 2
    if lit < LEAST_LIT:
        raise OutOfRange(
            "Too little of the moon is lit to be exposed for by itself.",
            field="phase_deg",
            allowed=[17, 343],
        )
    altitude = request.moon_altitude_deg
    thicker = _air_mass(altitude) - _air_mass(FULL_DEG)
    rows = [
        LightStep("moon", DISC),
        LightStep("phase", _phase(request.phase_deg)),
        LightStep("on what is lit", -math.log2(lit)),
        LightStep("air", -THICKNESS * thicker / math.log(2)),
    ]
    return _summed(rows, DEEP_DOUBT_STOPS if altitude < LOW_DEG else DOUBT_STOPS, "phase_deg")


def _summed(rows: list[LightStep], doubt: float, field: str) -> SkyLight:
    ev = math.fsum(each.stops for each in rows)
    if ev < EV_RANGE.low:
        raise OutOfRange(
            "There is less light than EV −8 then; nothing can be said of it.",
            field=field,
            allowed=[EV_RANGE.low, EV_RANGE.high],
        )
    return SkyLight(ev, doubt, tuple(rows), None, None)
