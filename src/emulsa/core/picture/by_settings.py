"""A picture as a meter by its settings alone: what was given, and the levels that came of it.

Level 118 of sRGB is a film plane that got 10/S lx·s (ISO 12232, standard output sensitivity, from
memory); a lens passes 0.65 of it (ISO 2720). Within two stops of it cameras agree to a third of a
stop, further out they draw their own curves (common practice, no source).
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.errors import CoreError
from emulsa.core.light.marks import ApertureMark, TimeMark
from emulsa.core.light.meters import Offset
from emulsa.core.limits import ExposureIndex, Id, Length, Within
from emulsa.core.picture.area import (
    USUAL_METER,
    Clipped,
    GivenSettings,
    PhotoArea,
    PhotoLevel,
    PhotoMeter,
    PhotoWhite,
    Picture,
    Rgb,
    seen,
    stops,
)
from emulsa.core.picture.mixture import given_ev

Bias = Annotated[float, Within("The exposure bias", -10, 10, "stops")]

FAR = ((2.0, 0.33), (3.0, 0.67))  # up to so many stops from level 118, so much doubt
FARTHEST = 1.0
NEAR = 1e-9


@dataclass(frozen=True, kw_only=True, slots=True)
class PhotoLevelSample:
    """A place by its level, or by its colour."""

    id: Id
    level: PhotoLevel | Rgb


@dataclass(frozen=True, kw_only=True, slots=True)
class PhotoReadingRequest:
    """A picture's settings and some of its levels. ``exposure_bias`` is accepted and changes
    nothing: the settings are what was given."""

    time: TimeMark
    aperture: ApertureMark
    iso: ExposureIndex
    meter: PhotoMeter = USUAL_METER
    encoding: Literal["linear", "srgb"]
    white: PhotoWhite
    samples: Annotated[tuple[PhotoLevelSample, ...], Length("Places of a picture", 1, 400)]
    offset_stops: Offset = 0.0
    exposure_bias: Bias | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class PhotoSampleRead:
    """A place as a meter would have read it; nothing for a place that is quite black."""

    id: str
    ev100: float | None
    uncertainty_stops: float
    clipped: Clipped


@dataclass(frozen=True, kw_only=True, slots=True)
class PhotoReadingAnswer:
    """The places, in their order."""

    samples: tuple[PhotoSampleRead, ...]


def photo_reading(request: PhotoReadingRequest) -> PhotoReadingAnswer:
    """The operation ``photo_reading``."""
    picture = Picture(
        encoding=request.encoding,
        white=request.white,
        meter=request.meter,
        offset_stops=request.offset_stops,
    )
    middle = given_ev(
        picture, GivenSettings(time=request.time, aperture=request.aperture, iso=request.iso)
    )
    return PhotoReadingAnswer(
        samples=tuple(
            _read(each, picture, middle, f"samples.{place}")
            for place, each in enumerate(request.samples)
        )
    )


def _read(sample: PhotoLevelSample, picture: Picture, middle: float, field: str) -> PhotoSampleRead:
    level = sample.level
    area = PhotoArea(rgb=level) if isinstance(level, tuple) else PhotoArea(level=level)
    try:
        found = seen(picture, area, field)
    except CoreError as refusal:
        refusal.field = f"{field}.level"  # the one thing a sample says
        raise
    off = stops(found.light)
    doubt = next((doubt for far, doubt in FAR if abs(off) <= far + NEAR), FARTHEST)
    return PhotoSampleRead(
        id=sample.id,
        ev100=middle + off if found.light > 0 else None,
        uncertainty_stops=doubt,
        clipped=found.clipped,
    )
