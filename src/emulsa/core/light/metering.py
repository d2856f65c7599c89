"""The operation ``reading``: one reading in every unit of light."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.light.meters import (
    Calibrated,
    EvReading,
    IlluminanceReading,
    LuminanceReading,
    PhotoReading,
    TimeReading,
    ev100,
    illuminance_of,
    luminance_of,
    sigma_stops,
)


@dataclass(frozen=True, kw_only=True, slots=True)
class EvRequest(EvReading):
    """An EV reading and the meter it was taken with."""

    meter: Calibrated = Calibrated()


@dataclass(frozen=True, kw_only=True, slots=True)
class TimeRequest(TimeReading):
    """A time at an aperture and the meter it was read from."""

    meter: Calibrated = Calibrated()


@dataclass(frozen=True, kw_only=True, slots=True)
class LuminanceRequest(LuminanceReading):
    """A luminance and the meter's constants."""

    meter: Calibrated = Calibrated()


@dataclass(frozen=True, kw_only=True, slots=True)
class IlluminanceRequest(IlluminanceReading):
    """An illuminance and the meter's constants."""

    meter: Calibrated = Calibrated()


@dataclass(frozen=True, kw_only=True, slots=True)
class PhotoRequest(PhotoReading):
    """A place of a photograph and the meter's constants."""

    meter: Calibrated = Calibrated()


ReadingRequest = EvRequest | TimeRequest | LuminanceRequest | IlluminanceRequest | PhotoRequest


@dataclass(frozen=True, kw_only=True, slots=True)
class ReadingAnswer:
    """The light level, the luminance and illuminance that go with it, and its doubt."""

    ev100: float
    luminance_cd_m2: float
    illuminance_lx: float
    sigma_stops: float = 0.0


def reading(request: ReadingRequest) -> ReadingAnswer:
    """EV at ISO 100 and, by K and C, cd/m² and lux."""
    level = ev100(request, request.meter)
    return ReadingAnswer(
        ev100=level,
        luminance_cd_m2=luminance_of(level, request.meter.k),
        illuminance_lx=illuminance_of(level, request.meter.c),
        sigma_stops=sigma_stops(request),
    )
