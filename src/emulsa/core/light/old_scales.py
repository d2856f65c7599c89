"""Apertures as old lenses say them: uniform, continental, or the opening itself.

Uniform 16 is f/16, each mark a stop; the continental series is engraved as it stands (from memory).
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.errors import OutOfRange
from emulsa.core.light.marks import UNIFORM, aperture_marks, engraved_on, nearest
from emulsa.core.light.marks import aperture_scale as scale_of
from emulsa.core.limits import FocalLength, Within

OldMark = Annotated[float, Within("A mark of an old scale", 0.1, 65_536, engraved=True)]
Diameter = Annotated[float, Within("The opening’s diameter", 0.05, 1000, "mm", engraved=True)]

UNIFORM_16 = 16.0  # f/16 on either scale


@dataclass(frozen=True, kw_only=True, slots=True)
class Uniform:
    """A mark of the uniform scale."""

    scale: Literal["uniform"]
    mark: str | OldMark


@dataclass(frozen=True, kw_only=True, slots=True)
class Continental:
    """A mark of the continental scale."""

    scale: Literal["continental"]
    mark: str | OldMark


@dataclass(frozen=True, kw_only=True, slots=True)
class ByDiameter:
    """An opening measured through the front of the lens."""

    scale: Literal["diameter"]
    diameter_mm: Diameter
    focal_length_mm: FocalLength


ApertureScaleRequest = Uniform | Continental | ByDiameter


@dataclass(frozen=True, slots=True)
class OldAperture:
    """The f-number, the nearest third, and how far that is off."""

    f_number: float
    nearest_mark: str
    off_stops: float


def aperture_scale(request: ApertureScaleRequest) -> OldAperture:
    """The operation ``aperture_scale``."""
    if isinstance(request, ByDiameter):
        number = request.focal_length_mm / request.diameter_mm
    elif isinstance(request, Uniform):
        mark = request.mark
        literal = None if isinstance(mark, str) else math.sqrt(mark * UNIFORM_16)
        number = _engraved(mark, "uniform") if literal is None else literal
    else:
        number = _engraved(request.mark, "continental")
    mark, exact = nearest(number, scale_of("third"))
    return OldAperture(number, mark, 2 * math.log2(number / exact))


def _engraved(mark: str | float, series: Literal["uniform", "continental"]) -> float:
    """A mark as engraved; a number is literal."""
    if not isinstance(mark, str):
        return mark
    known = aperture_marks(series)
    text = engraved_on(mark.strip(), series)
    if text not in known:
        bare = [each.removeprefix(UNIFORM) for each in known]
        raise OutOfRange(
            f"“{mark[:20]}” is not engraved on this scale; there are {', '.join(bare)}.",
            field="mark",
            allowed=bare,
        )
    return known[text]
