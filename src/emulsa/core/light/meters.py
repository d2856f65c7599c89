"""Meters: what a needle says about the light.

EV_S = log2(L·S/K) reflected, log2(E·S/C) incident; a meter's own error is an offset in stops.
K is 12.5 by default (10.6–14 seen), C 250 for a flat receptor (dome 320–540). Source: ISO 2720.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.errors import OutOfRange
from emulsa.core.light.estimated import ByMoon, InStreet, OfMoon
from emulsa.core.light.exposure_value import at_hundred, exposure_value
from emulsa.core.light.marks import ApertureMark, Series, TimeMark, f_number, seconds
from emulsa.core.light.sky import SkyNow, SkyReading, estimated_doubt, estimated_ev
from emulsa.core.light.units import illuminance_lx, luminance_cd_m2
from emulsa.core.limits import EV, EV_RANGE, ExposureIndex, Length, Within
from emulsa.core.numbers import plain

Calibration = Annotated[float, Within("The reflected-light constant K", 8, 20)]
IncidentCalibration = Annotated[float, Within("The incident-light constant C", 200, 600)]
Offset = Annotated[float, Within("The meter's offset", -5, 5, "stops")]
Held = Annotated[float, Within("What the meter already holds", -5, 5, "stops")]
Luminance = Annotated[float, Within("The luminance", 1e-4, 1e8)]
Illuminance = Annotated[float, Within("The illuminance", 1e-4, 1e8)]
Sigma = Annotated[float, Within("A reading's own doubt", 0, 10, "stops")]


@dataclass(frozen=True, kw_only=True, slots=True)
class Calibrated:
    """A meter's constants: K, C, and the stops to add to what it says."""

    k: Calibration = 12.5
    c: IncidentCalibration = 250.0
    offset_stops: Offset = 0.0


@dataclass(frozen=True, kw_only=True, slots=True)
class EvReading:
    """EV as read, with the ISO that was set on the meter, and what the meter already held.

    ``held_stops``: stops of exposure dialled into the meter, as +2½ for snow; the light is so much
    more than it says, and the reading is placed so much above V.
    """

    kind: Literal["ev"] = "ev"
    ev: EV
    iso: ExposureIndex = 100.0
    held_stops: Held = 0.0


@dataclass(frozen=True, kw_only=True, slots=True)
class TimeReading:
    """A time at an aperture, at the ISO the meter was set to; strings are marks, numbers literal.
    For ``held_stops`` see EvReading."""

    kind: Literal["time_at_aperture"] = "time_at_aperture"
    time: TimeMark
    aperture: ApertureMark
    iso: ExposureIndex = 100.0
    series: Series | None = None
    held_stops: Held = 0.0


@dataclass(frozen=True, kw_only=True, slots=True)
class LuminanceReading:
    """A luminance in cd/m² or foot-lamberts."""

    kind: Literal["luminance"] = "luminance"
    value: Luminance
    unit: Literal["cd/m2", "fL"] = "cd/m2"


@dataclass(frozen=True, kw_only=True, slots=True)
class IlluminanceReading:
    """An illuminance in lux or foot-candles."""

    kind: Literal["illuminance"] = "illuminance"
    value: Illuminance
    unit: Literal["lx", "fc"] = "lx"


@dataclass(frozen=True, kw_only=True, slots=True)
class PhotoReading:
    """A place of a photograph that a few readings made a meter: its EV at ISO 100 and the doubt
    of it, one standard deviation. No meter read it, so no meter's offset belongs to it."""

    kind: Literal["photo"] = "photo"
    ev100: EV
    sigma_stops: Sigma


ESTIMATED = (SkyReading, ByMoon, OfMoon, InStreet)
Single = (
    EvReading
    | TimeReading
    | LuminanceReading
    | IlluminanceReading
    | SkyReading
    | ByMoon
    | OfMoon
    | InStreet
    | PhotoReading
)


@dataclass(frozen=True, kw_only=True, slots=True)
class MeanReading:
    """Several readings of one thing; the mean of their EV is what counts."""

    kind: Literal["mean"] = "mean"
    readings: Annotated[tuple[Single, ...], Length("Readings to average", 2, 12)]


Reading = Single | MeanReading


@dataclass(frozen=True, kw_only=True, slots=True)
class MeterSet:
    """What a meter is set to unless a reading says otherwise: the ISO of its EV, the ISO its times
    belong to, and what it already holds; ``sky`` is where sun and moon stand, for light that is
    told."""

    ev_iso: float = 100.0
    time_iso: float = 100.0
    held_stops: float = 0.0
    sky: SkyNow | None = None


def luminance_of(ev100: float, k: float = 12.5) -> float:
    """L = K · 2^EV100 / 100, in cd/m².

    >>> luminance_of(15)
    4096.0
    """
    return k * 2**ev100 / 100


def illuminance_of(ev100: float, c: float = 250.0) -> float:
    """E = C · 2^EV100 / 100, in lux.

    >>> illuminance_of(15)
    81920.0
    """
    return c * 2**ev100 / 100


def ev100_of_luminance(cd_m2: float, k: float = 12.5) -> float:
    """EV100 = log2(100 · L / K)."""
    return math.log2(100 * cd_m2 / k)


def ev100_of_illuminance(lx: float, c: float = 250.0) -> float:
    """EV100 = log2(100 · E / C)."""
    return math.log2(100 * lx / c)


def ev100(reading: Reading, meter: Calibrated) -> float:
    """The light level of a reading at ISO 100, the meter's offset included.

    Raises OutOfRange when the result lies outside EV −8…24: no meter sees that.

    >>> ev100(TimeReading(time="1/500", aperture="5.6"), Calibrated())
    14.0
    """
    if isinstance(reading, MeanReading):
        return math.fsum(ev100(each, meter) for each in reading.readings) / len(reading.readings)
    if isinstance(reading, ESTIMATED):
        return _estimated(reading)  # no meter, so no meter's offset
    if isinstance(reading, PhotoReading):
        return reading.ev100
    if isinstance(reading, EvReading):
        level = reading.ev if reading.iso == 100 else at_hundred(reading.ev, reading.iso)
        level += reading.held_stops
    elif isinstance(reading, TimeReading):
        series = reading.series
        aperture = f_number(reading.aperture, None if series == "old_leaf" else series)
        level = at_hundred(exposure_value(aperture, seconds(reading.time, series)), reading.iso)
        level += reading.held_stops
    elif isinstance(reading, LuminanceReading):
        level = ev100_of_luminance(luminance_cd_m2(reading.value, reading.unit), meter.k)
    else:
        level = ev100_of_illuminance(illuminance_lx(reading.value, reading.unit), meter.c)
    return _within(level + meter.offset_stops)


def _estimated(reading: SkyReading | ByMoon | OfMoon | InStreet) -> float:
    try:
        return estimated_ev(reading)
    except OutOfRange as problem:
        raise OutOfRange(problem.message, field="reading", allowed=problem.allowed) from problem


def _within(total: float) -> float:
    if not EV_RANGE.low <= total <= EV_RANGE.high:
        raise OutOfRange(
            f"This reading means EV {plain(round(total, 2))} at ISO 100, a light nobody meters;"
            f" it must be between {plain(EV_RANGE.low)} and {plain(EV_RANGE.high)}.",
            field="reading",
            allowed=[EV_RANGE.low, EV_RANGE.high],
        )
    return total


def sigma_stops(reading: Reading) -> float:
    """What a reading may be off, one standard deviation in stops; 0 where nothing is said of it.

    >>> sigma_stops(PhotoReading(ev100=9, sigma_stops=0.3)), sigma_stops(EvReading(ev=9))
    (0.3, 0.0)
    """
    if isinstance(reading, MeanReading):
        squares = math.fsum(sigma_stops(each) ** 2 for each in reading.readings)
        return math.sqrt(squares) / len(reading.readings)
    if isinstance(reading, PhotoReading):
        return reading.sigma_stops
    return estimated_doubt(reading) if isinstance(reading, ESTIMATED) else 0.0


def held_stops(reading: Reading) -> float:
    """What the meter already held when it was read; of a mean, of its first reading."""
    first = reading.readings[0] if isinstance(reading, MeanReading) else reading
    return first.held_stops if isinstance(first, (EvReading, TimeReading)) else 0.0


def agreeing_reflectance(k: float, c: float) -> float:
    """πK/C: the matt reflectance at which a reflected and an incident reading agree.

    >>> round(agreeing_reflectance(12.5, 250), 3)
    0.157
    """
    return math.pi * k / c


def card_stops(reflectance: float, k: float, c: float) -> float:
    """Stops less exposure from a reflected reading of a matt card than from an incident reading."""
    return math.log2(reflectance / agreeing_reflectance(k, c))
