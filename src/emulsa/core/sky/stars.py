"""How long stars stay points, and the moon round, on film that stands still."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated

from emulsa.core.errors import Missing, Unsound
from emulsa.core.limits import FilmBlur, FocalLength, FormatSide, Within

Pixel = Annotated[float, Within("The pixel", 0.5, 50, "µm", engraved=True)]
Declination = Annotated[float, Within("The declination", -90, 90, "°", engraved=True)]

STAR_DAY_S, MOON_MONTH_D, DAY_S = 86_164.1, 27.321661, 86_400.0
MOON_DEG = 0.5181
AT_THE_POLE_DEG = 89.9
OF_DIAGONAL, PIXELS, ROUND = 1500, 2, 0.1  # a tenth of its breadth (common practice, no source)


@dataclass(frozen=True, kw_only=True, slots=True)
class StarTimeRequest:
    """A lens, what blur is allowed (itself, by the format's diagonal or by pixels), and how far
    from the equator of the sky what matters stands."""

    focal_length_mm: FocalLength
    blur_mm: FilmBlur | None = None
    format_mm: tuple[FormatSide, FormatSide] | None = None
    pixel_um: Pixel | None = None
    declination_deg: Declination = 0.0

    def __post_init__(self) -> None:
        given = [self.blur_mm, self.format_mm, self.pixel_um]
        told = sum(each is not None for each in given)
        if not told:
            raise Missing("Give the blur allowed, the format or the pixel.", field="blur_mm")
        if told > 1:
            raise Unsound("Give one of blur, format and pixel.", field="blur_mm")


@dataclass(frozen=True, slots=True)
class StarTime:
    """The longest times: stars as points (empty at the pole), the moon sharp, the moon round."""

    stars_s: float | None
    trail_mm_min: float
    moon_mm: float
    moon_sharp_s: float
    moon_round_s: float
    blur_mm: float


def star_time(request: StarTimeRequest) -> StarTime:
    """The operation ``star_time``; the sky's turning, by definition."""
    focal, blur = request.focal_length_mm, _blur(request)
    turns = 2 * math.pi / STAR_DAY_S
    with_moon = turns - 2 * math.pi / (MOON_MONTH_D * DAY_S)
    shortened = math.cos(math.radians(request.declination_deg))
    disc = 2 * focal * math.tan(math.radians(MOON_DEG) / 2)
    stays = abs(request.declination_deg) > AT_THE_POLE_DEG
    return StarTime(
        stars_s=None if stays else blur / (focal * turns * shortened),
        trail_mm_min=60 * focal * turns * shortened,
        moon_mm=disc,
        moon_sharp_s=blur / (focal * with_moon),
        moon_round_s=ROUND * disc / (focal * with_moon),
        blur_mm=blur,
    )


def _blur(request: StarTimeRequest) -> float:
    if request.blur_mm is not None:
        return request.blur_mm
    if request.format_mm is not None:
        return math.hypot(*request.format_mm) / OF_DIAGONAL
    assert request.pixel_um is not None
    return PIXELS * request.pixel_um / 1000
