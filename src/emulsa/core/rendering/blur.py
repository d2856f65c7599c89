"""How unsharp a hole makes a picture, as passes a page can draw.

The hole's own disc and its diffraction disc, in quadrature. Source: a disc of diffraction is
2.44 λN wide (from memory); a disc of diameter D has a standard deviation of D/4 along an axis.
Three passes of a box come close to a normal blur of it (common practice, no source).
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated

from emulsa.core.corrections.pinhole import Wavelength
from emulsa.core.limits import Within
from emulsa.core.picture.axis import half_up

Hole = Annotated[float, Within("The hole", 0.01, 10, "mm")]
HoleDistance = Annotated[float, Within("The hole’s distance from the film", 1, 5_000, "mm")]
FormatWidth = Annotated[float, Within("The picture’s width on the film", 1, 1_000, "mm")]
PictureWidth = Annotated[int, Within("The picture’s width", 1, 50_000, "pixels")]

DIFFRACTION = 2.44
PASSES = 3
NM_PER_MM, GREEN_NM = 1e6, 550.0


@dataclass(frozen=True, kw_only=True, slots=True)
class BlurAsked:
    """A hole, its distance from the film, and how wide the picture is on it and on the screen."""

    diameter_mm: Hole
    distance_mm: HoleDistance
    format_width_mm: FormatWidth
    picture_width: PictureWidth
    wavelength_nm: Wavelength = GREEN_NM


@dataclass(frozen=True, kw_only=True, slots=True)
class Blur:
    """The disc on the film, its standard deviation in pixels of the picture, and the widths of the
    boxes that come close to it."""

    blur_mm: float
    sigma: float
    boxes: tuple[int, int, int]


def blur(asked: BlurAsked) -> Blur:
    """How unsharp it is.

    >>> blur(BlurAsked(diameter_mm=0.35, distance_mm=150, format_width_mm=240, picture_width=800))
    Blur(blur_mm=0.673..., sigma=0.561..., boxes=(1, 1, 1))
    """
    wave_mm = asked.wavelength_nm / NM_PER_MM
    airy = DIFFRACTION * wave_mm * asked.distance_mm / asked.diameter_mm
    wide = math.hypot(asked.diameter_mm, airy)
    sigma = wide / 4 / asked.format_width_mm * asked.picture_width
    return Blur(blur_mm=wide, sigma=sigma, boxes=_boxes(sigma))


def focused_blur(f_number: float, format_width_mm: float, picture_width: float) -> Blur:
    """How unsharp a lens makes what it is focused on: by diffraction at its effective f-number
    alone; how far the rest lies away, a picture does not tell.

    >>> focused_blur(64, 120, 1200).boxes, round(focused_blur(64, 24, 1200).blur_mm, 3)
    ((1, 1, 1), 0.086)
    """
    wide = DIFFRACTION * GREEN_NM / NM_PER_MM * f_number
    sigma = wide / 4 / format_width_mm * picture_width
    return Blur(blur_mm=wide, sigma=sigma, boxes=_boxes(sigma))


def _boxes(sigma: float) -> tuple[int, int, int]:
    """Odd widths whose three passes have this standard deviation as nearly as they can."""
    ideal = math.sqrt(4 * sigma**2 + 1)
    low = math.floor(ideal + 1e-9)
    low -= 1 - low % 2
    short = half_up((12 * sigma**2 - 3 * low**2 - 12 * low - 9) / (-4 * low - 4))
    short = min(max(short, 0), PASSES)
    first, second, third = (low if place < short else low + 2 for place in range(PASSES))
    return first, second, third
