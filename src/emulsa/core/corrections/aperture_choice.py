"""Choosing the aperture: from the focus spread, and the longest time for what moves."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.corrections import movement, sharpness
from emulsa.core.corrections.bellows import Magnification
from emulsa.core.corrections.movement import Speed
from emulsa.core.corrections.pinhole import Side
from emulsa.core.light.marks import aperture_scale, nearest
from emulsa.core.limits import Within

Spread = Annotated[float, Within("The focus spread", 0.01, 500, "mm")]
Blur = Annotated[float, Within("The blur allowed on the film", 0.005, 2, "mm")]
Near = Annotated[float, Within("The near distance", 10, 1e8, "mm")]
Far = Annotated[float, Within("The far distance", 10, 1e8, "mm")]

DEFAULT_BLUR_MM = 0.1  # for a contact print or a small enlargement of 4×5 (common practice)
BLUR_OF_DIAGONAL = 1500  # diagonal/1500: 0.03, 0.05, 0.1, 0.2 mm (common practice, no source)
Format = tuple[Side, Side]


def blur_for(blur_mm: float | None, format_mm: Format | None) -> float:
    """The blur allowed on the film: as said, else the format's diagonal/1500, else 0.1 mm.

    >>> round(blur_for(None, (36, 24)), 3), blur_for(0.05, (36, 24)), blur_for(None, None)
    (0.029, 0.05, 0.1)
    """
    if blur_mm is not None:
        return blur_mm
    return DEFAULT_BLUR_MM if format_mm is None else math.hypot(*format_mm) / BLUR_OF_DIAGONAL


@dataclass(frozen=True, kw_only=True, slots=True)
class ApertureChoiceRequest:
    """The spread between near and far focus on the ground glass, and what moves.

    The blur allowed is ``blur_mm``, else the format's diagonal/1500, else 0.1 mm.
    """

    focus_spread_mm: Spread
    magnification: Magnification = 0.0
    speed_mm_s: Speed | None = None
    format_mm: Format | None = None
    blur_mm: Blur | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class ApertureChoiceAnswer:
    """The best effective f-number, what to set for it, and what is sharp there.

    ``widest`` is the widest effective f-number that holds the depth to the blur allowed (geometry
    only); ``airy_mm`` is the diffraction disc at the best one.
    """

    f_number: float
    marked: float
    mark: str
    widest: float
    airy_mm: float
    blur_mm: float
    longest_time_s: float | None


@dataclass(frozen=True, kw_only=True, slots=True)
class BySpread:
    """Near to far focus, measured on the ground glass."""

    kind: Literal["spread"] = "spread"
    focus_spread_mm: Spread


@dataclass(frozen=True, kw_only=True, slots=True)
class ByLimits:
    """The nearest and the farthest thing that must be sharp; 1e8 mm stands for the horizon."""

    kind: Literal["limits"] = "limits"
    near_mm: Near
    far_mm: Far


Depth = BySpread | ByLimits


def spread_mm(depth: Depth, focal_length_mm: float) -> float:
    """The focus spread of either way of saying how deep the subject is."""
    if isinstance(depth, BySpread):
        return depth.focus_spread_mm
    return sharpness.focus_spread_mm(focal_length_mm, depth.near_mm, depth.far_mm)


def aperture_choice(request: ApertureChoiceRequest) -> ApertureChoiceAnswer:
    """The operation ``aperture_choice``: where depth and diffraction blur alike, and movement."""
    best = sharpness.best_f_number(request.focus_spread_mm)
    on_lens = sharpness.marked(best, request.magnification)
    blur = blur_for(request.blur_mm, request.format_mm)
    limit = None
    if request.speed_mm_s is not None:
        limit = movement.longest_s(blur, request.magnification, request.speed_mm_s)
    return ApertureChoiceAnswer(
        f_number=best,
        marked=on_lens,
        mark=nearest(on_lens, aperture_scale("third"))[0],
        widest=sharpness.smallest_blur_f_number(request.focus_spread_mm, blur),
        airy_mm=sharpness.airy_mm(best),
        blur_mm=blur,
        longest_time_s=limit,
    )
