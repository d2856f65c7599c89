"""Wide lenses: what the corners get less under rise and shift, the image circle, a centre filter.

Light falls off with a power of the cosine; the fourth by theory, the third for lenses whose pupil
tilts with the view (handbooks of optics, from memory).
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated

from emulsa.core.advice import Advice
from emulsa.core.corrections.aperture_choice import Format
from emulsa.core.light.marks import ApertureMark, f_number
from emulsa.core.limits import Draw, FocalLength, Within
from emulsa.core.written import size_words

Moved = Annotated[float, Within("The movement", -500, 500, "mm", engraved=True)]
Circle = Annotated[float, Within("The image circle", 5, 2000, "mm", engraved=True)]
FallPower = Annotated[float, Within("The power of the fall-off", 2, 5)]
CentreStops = Annotated[float, Within("The centre filter", 0, 4, "stops")]

WORTH_A_FILTER = 1.0
WORKS_FROM = 2.0  # times the widest f-number: two stops down (common practice, no source)
NEAR = 1e-9


@dataclass(frozen=True, kw_only=True, slots=True)
class CornersRequest:
    """A lens over a format, moved; its circle at infinity and its centre filter where known."""

    focal_length_mm: FocalLength
    format_mm: Format
    draw_mm: Draw = 0.0
    rise_mm: Moved = 0.0
    shift_mm: Moved = 0.0
    circle_mm: Circle | None = None
    power: FallPower = 4.0
    centre_filter_stops: CentreStops = 0.0
    widest: ApertureMark | None = None


@dataclass(frozen=True, slots=True)
class Corner:
    """A corner of the picture seen upright: where it lies, how far off the axis, and the stops it
    loses."""

    x_mm: float
    y_mm: float
    off_axis_mm: float
    angle_deg: float
    stops: float


@dataclass(frozen=True, slots=True)
class ImageCircle:
    """The circle at this draw, whether it covers, and the largest rise with this shift."""

    at_draw_mm: float
    covers: bool
    largest_rise_mm: float | None


@dataclass(frozen=True, slots=True)
class CentreFilter:
    """What a centre filter costs, what difference it leaves, and from which f-number it works."""

    exposure_stops: float
    left_stops: float
    from_f_number: float | None


@dataclass(frozen=True, slots=True)
class Corners:
    """The four corners (upper left, upper right, lower left, lower right), the worst of them, the
    middle, the difference on the film, and what circle it needs."""

    corners: tuple[Corner, ...]
    worst_stops: float
    centre_stops: float
    difference_stops: float
    needed_circle_mm: float
    circle: ImageCircle | None
    centre_filter: CentreFilter
    advice: tuple[Advice, ...]


def corners(request: CornersRequest) -> Corners:
    """The operation ``corners``."""
    away = request.focal_length_mm + request.draw_mm
    wide, high = request.format_mm[0] / 2, request.format_mm[1] / 2

    def corner(x: float, y: float) -> Corner:
        off = math.hypot(x + request.shift_mm, y + request.rise_mm)
        angle = math.atan(off / away)
        return Corner(x, y, off, math.degrees(angle), _lost(request.power, angle))

    four = tuple(corner(x, y) for y in (high, -high) for x in (-wide, wide))
    # of the film the place that is nearest to the axis loses least
    nearest = corner(
        min(max(-request.shift_mm, -wide), wide), min(max(-request.rise_mm, -high), high)
    )
    worst = max(each.stops for each in four)
    needed = 2 * max(each.off_axis_mm for each in four)
    left = max(0.0, worst - nearest.stops - request.centre_filter_stops)
    circle = _circle(request, needed)
    return Corners(
        corners=four,
        worst_stops=worst,
        centre_stops=corner(0.0, 0.0).stops,
        difference_stops=worst - nearest.stops,
        needed_circle_mm=needed,
        circle=circle,
        centre_filter=CentreFilter(
            request.centre_filter_stops,
            left,
            WORKS_FROM * f_number(request.widest) if request.widest is not None else None,
        ),
        advice=tuple(_advice(circle, needed, left)),
    )


def _lost(power: float, angle: float) -> float:
    return power * math.log2(1 / math.cos(angle))


def _circle(request: CornersRequest, needed: float) -> ImageCircle | None:
    if request.circle_mm is None:
        return None
    focal = request.focal_length_mm
    at_draw = request.circle_mm * (focal + request.draw_mm) / focal
    radius, wide = at_draw / 2, request.format_mm[0] / 2 + abs(request.shift_mm)
    room = math.sqrt(radius**2 - wide**2) - request.format_mm[1] / 2 if radius > wide else -1.0
    return ImageCircle(at_draw, needed <= at_draw + NEAR, room if room >= 0 else None)


def _advice(circle: ImageCircle | None, needed: float, left: float) -> list[Advice]:
    said = []
    if circle is not None and not circle.covers:
        said.append(
            Advice(
                code="circle-too-small",
                severity="warning",
                text=f"This needs a circle of {needed:.0f} mm; the lens draws"
                f" {circle.at_draw_mm:.0f} mm. A corner will be dark.",
            )
        )
    if left > WORTH_A_FILTER + NEAR:
        said.append(
            Advice(
                code="worth-a-centre-filter",
                severity="note",
                text=f"The worst corner gets {size_words(left)} less than the best place of the"
                " film: a centre filter, or less movement, evens it.",
            )
        )
    return said
