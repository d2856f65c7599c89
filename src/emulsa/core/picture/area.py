"""Light out of levels: a picture's encoding, and a place in it by level, colour or counts.

sRGB after IEC 61966-2-1, luminance after BT.709, both from memory. Picture stops are counted from
level 118 of 255, which a camera gives to what its settings mean (ISO 12232).
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Annotated, Literal

from emulsa.core.errors import OutOfRange, Unsound
from emulsa.core.light.marks import ApertureMark, TimeMark
from emulsa.core.light.meters import Calibration, Offset
from emulsa.core.light.srgb import decoded
from emulsa.core.limits import ExposureIndex, Length, Within

PhotoLevel = Annotated[float, Within("A level of the picture", 0, 1e9)]
PhotoWhite = Annotated[float, Within("The picture's full scale", 1e-6, 1e9)]
PhotoSpread = Annotated[float, Within("How far levels spread", 0, 1e9)]
Gamma = Annotated[float, Within("The picture's gamma", 1, 3)]
Aspect = Annotated[float, Within("Width over height", 0.1, 10)]
Counted = Annotated[int, Within("Pixels of a level", 0, 1_000_000_000)]
Counts = Annotated[tuple[Counted, ...], Length("Levels counted", 2, 4096)]
Rgb = tuple[PhotoLevel, PhotoLevel, PhotoLevel]

BT709 = (0.2126, 0.7152, 0.0722)
LIGHTER, DARKER = 0.95, 0.003  # of full light: beyond it a picture only says at least, at most
CLIPPED_LIGHTER, CLIPPED_DARKER = 0.02, 0.5  # of an area's pixels
LEAST = 1e-5  # light under the logarithm
AIM = 0.25  # aim is never exact: a quarter of what an area varies by (common practice, no source)
USUAL_GAMMA = 2.2

Clipped = Literal["", "lighter", "darker"]


@dataclass(frozen=True, kw_only=True, slots=True)
class GivenSettings:
    """What the picture was exposed with, as it is written on it."""

    time: TimeMark
    aperture: ApertureMark
    iso: ExposureIndex


@dataclass(frozen=True, kw_only=True, slots=True)
class PhotoMeter:
    """The constant that settings are compared with a meter by."""

    k: Calibration = 12.5


USUAL_METER = PhotoMeter()


@dataclass(frozen=True, kw_only=True, slots=True)
class Picture:
    """How a picture's levels are written, its proportions, and its settings where they are known;
    ``offset_stops`` is this camera's own."""

    encoding: Literal["linear", "srgb", "gamma"]
    white: PhotoWhite
    black: PhotoLevel = 0
    gamma: Gamma | None = None
    aspect: Aspect = 1.5
    settings: GivenSettings | None = None
    meter: PhotoMeter = USUAL_METER
    offset_stops: Offset = 0.0

    def __post_init__(self) -> None:
        if self.black >= self.white:
            raise Unsound("Black must lie under full scale.", field="black")
        if self.gamma is not None and self.encoding != "gamma":
            raise Unsound("Only an encoding by gamma has one.", field="gamma")


@dataclass(frozen=True, kw_only=True, slots=True)
class PhotoArea:
    """A place: its mean level and how far that spreads, or its colour, or how many of its pixels
    have each level."""

    level: PhotoLevel | None = None
    spread: PhotoSpread | None = None
    rgb: Rgb | None = None
    counts: Counts | None = None

    def __post_init__(self) -> None:
        forms = [name for name in ("level", "rgb", "counts") if getattr(self, name) is not None]
        if len(forms) != 1:
            raise Unsound("Say an area's level, its rgb, or its counts.", field=(forms or [""])[-1])
        if self.spread is not None and self.level is None:
            raise Unsound("Only a level has a spread.", field="spread")


@dataclass(frozen=True, slots=True)
class Seen:
    """An area as light: its mean, its doubt in stops, and whether it is clipped."""

    light: float
    doubt_stops: float
    clipped: Clipped


def decode(picture: Picture, level: float) -> float:
    """Light of a level, 0…1."""
    share = min(max((level - picture.black) / (picture.white - picture.black), 0.0), 1.0)
    if picture.encoding == "linear":
        return share
    if picture.encoding == "gamma":
        return float(share ** (picture.gamma or USUAL_GAMMA))
    return decoded(share)


LIGHT_118 = decoded(118 / 255)


def stops(light: float) -> float:
    """Picture stops: over or under what level 118 shows.

    >>> stops(2 * LIGHT_118)
    1.0
    """
    return math.log2(max(light, LEAST) / LIGHT_118)


def seen(picture: Picture, area: PhotoArea, field: str) -> Seen:
    """An area as light; OutOfRange for a level over full scale, Unsound for counts of nothing."""
    if area.rgb is not None:
        channels = [
            decode(picture, _held(picture, each, f"{field}.rgb.{place}"))
            for place, each in enumerate(area.rgb)
        ]
        light = math.fsum(w * y for w, y in zip(BT709, channels, strict=True))
        return Seen(light, 0.0, "lighter" if max(channels) >= LIGHTER else _clipped(light))
    if area.counts is not None:
        return _counted(picture, area.counts, f"{field}.counts")
    assert area.level is not None
    level = _held(picture, area.level, f"{field}.level")
    light, spread = decode(picture, level), area.spread or 0.0
    high, low = (stops(decode(picture, level + way * spread)) for way in (1, -1))
    return Seen(light, (high - low) / 2 if spread else 0.0, _clipped(light))


@lru_cache(maxsize=16)
def lights(picture: Picture, levels: int) -> tuple[float, ...]:
    """The light of every level where there are so many."""
    return tuple(decode(picture, k * picture.white / (levels - 1)) for k in range(levels))


def _held(picture: Picture, level: float, field: str) -> float:
    if level > picture.white:
        raise OutOfRange(
            f"A level lies between 0 and full scale, {picture.white:g}.",
            field=field,
            allowed=[0, picture.white],
        )
    return level


def _clipped(light: float) -> Clipped:
    if light >= LIGHTER:
        return "lighter"
    return "darker" if light <= DARKER else ""


@lru_cache(maxsize=256)  # while something is dragged, places stay as they were counted
def _counted(picture: Picture, counts: tuple[int, ...], field: str) -> Seen:
    whole = sum(counts)
    if not whole:
        raise Unsound("Nothing was counted.", field=field)
    each = lights(picture, len(counts))
    mean = math.fsum(n * y for n, y in zip(counts, each, strict=True)) / whole
    square = math.fsum(n * (y - mean) ** 2 for n, y in zip(counts, each, strict=True)) / whole
    doubt = AIM * math.sqrt(square) / (mean * math.log(2)) if mean > 0 else 0.0
    return Seen(mean, doubt, _clipped_of(counts, each))


def _clipped_of(counts: Sequence[int], each: Sequence[float]) -> Clipped:
    whole = sum(counts)
    lighter = sum(n for n, y in zip(counts, each, strict=True) if y >= LIGHTER)
    darker = sum(n for n, y in zip(counts, each, strict=True) if y <= DARKER)
    if lighter > CLIPPED_LIGHTER * whole:
        return "lighter"
    return "darker" if darker > CLIPPED_DARKER * whole else ""


def rho2(x: float, y: float, aspect: float) -> float:
    """How far out a place lies, squared: 1 in the corners.

    >>> rho2(0, 0, 1.5), rho2(0.5, 0.5, 1.5)
    (1.0, 0.0)
    """
    return ((x - 0.5) ** 2 * aspect**2 + (y - 0.5) ** 2) / ((aspect**2 + 1) / 4)
