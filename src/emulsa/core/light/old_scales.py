"""Apertures as old lenses say them: uniform, continental, or the opening itself.

Uniform 16 is f/16, each mark a stop; the continental series is engraved as it stands (from memory).
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.errors import OutOfRange
from emulsa.core.light.marks import aperture_scale as scale_of
from emulsa.core.light.marks import nearest
from emulsa.core.limits import FocalLength, Within

OldMark = Annotated[float, Within("A mark of an old scale", 0.1, 65_536, engraved=True)]
Diameter = Annotated[float, Within("The opening’s diameter", 0.05, 1000, "mm", engraved=True)]

UNIFORM = {f"{2**k}": float(2**k) for k in range(17)}
CONTINENTAL = {each: float(each) for each in "3.2 4.5 6.3 9 12.5 18 25 36 50 71 100".split()}


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
        number = 4 * math.sqrt(_engraved(request.mark, UNIFORM))
    else:
        number = _engraved(request.mark, CONTINENTAL)
    mark, exact = nearest(number, scale_of("third"))
    return OldAperture(number, mark, 2 * math.log2(number / exact))


def _engraved(mark: str | float, known: dict[str, float]) -> float:
    """A mark as engraved; a number is literal."""
    if not isinstance(mark, str):
        return mark
    if mark.strip() not in known:
        raise OutOfRange(
            f"“{mark[:20]}” is not engraved on this scale; there are {', '.join(known)}.",
            field="mark",
            allowed=list(known),
        )
    return known[mark.strip()]
