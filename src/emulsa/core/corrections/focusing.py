"""Where to focus and how to tilt: depth from near to far, by draws, distances, spread or points.

Thin lens, marked f-numbers; diffraction as in ``aperture_choice``; hinge and wedge derived.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.corrections.aperture_choice import Format, Spread, blur_for
from emulsa.core.corrections.bellows import Magnification
from emulsa.core.errors import OutOfRange, Unsound
from emulsa.core.light.marks import ApertureMark, Mark, aperture_scale, f_number, nearest
from emulsa.core.limits import FilmBlur, FocalLength, Length, Within

Away = Annotated[float, Within("How far it is from the lens", 10, 1e8, "mm")]
Up = Annotated[float, Within("The height", -1e7, 1e7, "mm")]
DrawnOut = Annotated[float, Within("The draw beyond infinity", 0, 3000, "mm")]
Hinge = Annotated[float, Within("The hinge’s distance", 1, 1e6, "mm")]
TiltAngle = Annotated[float, Within("The tilt", 0, 45, "°", engraved=True)]

HORIZON_MM = 1e8
DIFFRACTION = 750.0  # A·N/(750·f): 2.44 · 546 nm
FORGIVEN_STOPS = 1 / 6
NEAR = 1e-9


@dataclass(frozen=True, kw_only=True, slots=True)
class ByDraws:
    """Near and far on the focusing scale, beyond infinity."""

    kind: Literal["draws"]
    near_draw_mm: DrawnOut
    far_draw_mm: DrawnOut


@dataclass(frozen=True, kw_only=True, slots=True)
class ByDistances:
    """Near and far in front of the lens."""

    kind: Literal["limits"]
    near_mm: Away
    far_mm: Away


@dataclass(frozen=True, kw_only=True, slots=True)
class SpreadOnGlass:
    """How far apart near and far stand on the ground glass."""

    kind: Literal["spread"]
    spread_mm: Spread
    magnification: Magnification = 0.0


@dataclass(frozen=True, kw_only=True, slots=True)
class FocusPoint:
    """A point: how far in front of the lens, and how high over it."""

    distance_mm: Away
    height_mm: Up = 0.0


@dataclass(frozen=True, kw_only=True, slots=True)
class ByPoints:
    """Points that shall be sharp."""

    kind: Literal["points"]
    points: Annotated[tuple[FocusPoint, ...], Length("Points", 2, 20)]


@dataclass(frozen=True, kw_only=True, slots=True)
class Tilt:
    """The lens leaning forward: by its angle or by the hinge below it, and a point the plane of
    sharpness goes through."""

    hinge_mm: Hinge | None = None
    tilt_deg: TiltAngle | None = None
    through: FocusPoint | None = None

    def __post_init__(self) -> None:
        if (self.hinge_mm is None) == (self.tilt_deg is None):
            raise Unsound("Give the tilt’s angle or its hinge.", field="")


@dataclass(frozen=True, kw_only=True, slots=True)
class FocusRequest:
    """A lens, the blur allowed, and what shall be sharp."""

    focal_length_mm: FocalLength
    blur_mm: FilmBlur | None = None
    format_mm: Format | None = None
    scale: Literal["third", "half", "full"] = "third"
    aperture: ApertureMark | None = None
    depth: ByDraws | ByDistances | SpreadOnGlass | ByPoints | None = None
    focused_mm: Away | None = None
    tilt: Tilt | None = None

    def __post_init__(self) -> None:
        if self.blur_mm is not None and self.format_mm is not None:
            raise Unsound("Give the blur allowed or the format, not both.", field="blur_mm")
        if self.focused_mm is not None and self.focused_mm <= self.focal_length_mm:
            raise OutOfRange(
                "What is focused on lies beyond the focal length.",
                field="focused_mm",
                allowed=[self.focal_length_mm, HORIZON_MM],
            )
        if self.tilt is not None:
            _check_tilt(self)


@dataclass(frozen=True, slots=True)
class FocusSet:
    """Where to focus: the draw beyond infinity, and the distance where there is one."""

    draw_mm: float
    distance_mm: float | None


@dataclass(frozen=True, slots=True)
class FocusApertures:
    """The widest aperture that holds the depth, the best one, and those that do."""

    widest: float
    widest_mark: str
    best: float
    best_mark: str
    best_blur_mm: float
    free: tuple[float, float] | None


@dataclass(frozen=True, slots=True)
class FocusLimits:
    """From where to where it is sharp; empty where that is the horizon."""

    near_mm: float
    far_mm: float | None


@dataclass(frozen=True, slots=True)
class PointSharp:
    """How unsharp a point is, and whether that is sharp."""

    blur_mm: float
    sharp: bool


@dataclass(frozen=True, slots=True)
class TiltAnswer:
    """A tilt, its hinge and its plane; with an aperture the wedge that is sharp about it."""

    tilt_deg: float
    hinge_mm: float | None
    plane_deg: float | None
    depth_share: float | None
    upper_deg: float | None
    lower_deg: float | None


@dataclass(frozen=True, slots=True)
class FocusAnswer:
    """Where to focus, through which aperture, and what is sharp then."""

    blur_mm: float
    set: FocusSet | None
    spread_mm: float | None
    apertures: FocusApertures | None
    hyperfocal_mm: float | None
    limits: FocusLimits | None
    points: tuple[PointSharp, ...]
    tilt: TiltAnswer | None


def focus(request: FocusRequest) -> FocusAnswer:
    """The operation ``focus``."""
    focal = request.focal_length_mm
    blur = blur_for(request.blur_mm, request.format_mm)
    tilt = _tilt_rad(request)
    images = _images(request, tilt)
    largest, smallest = (max(images), min(images)) if images else (None, None)
    at = _focused_at(request, tilt, images)
    number = f_number(request.aperture) if request.aperture is not None else None
    spread = None if largest is None or smallest is None else largest - smallest
    return FocusAnswer(
        blur_mm=blur,
        set=None if at is None else FocusSet(at - focal, _distance(request, at)),
        spread_mm=spread,
        apertures=_apertures(request, blur, images, at) if spread and at else None,
        hyperfocal_mm=focal**2 / (number * blur) + focal if number else None,
        limits=_limits(request, number, blur, at) if number and at else None,
        points=tuple(
            PointSharp(each, each <= blur + NEAR)
            for each in (focal / number * abs(v - at) / v for v in images)
        )
        if number and at and not isinstance(request.depth, SpreadOnGlass)
        else (),
        tilt=_tilted(request, tilt, at, number, blur),
    )


def _check_tilt(request: FocusRequest) -> None:
    tilt, focal = request.tilt, request.focal_length_mm
    assert tilt is not None
    if request.depth is not None and not isinstance(request.depth, ByPoints):
        raise Unsound("With a tilt the depth is told by points.", field="depth.kind")
    if request.focused_mm is not None:
        raise Unsound("With a tilt the plane tells where it is focused.", field="focused_mm")
    least = focal / math.sin(math.radians(45))
    if tilt.hinge_mm is not None and tilt.hinge_mm < least:
        raise OutOfRange(
            f"That hinge asks for more than 45° of tilt; it lies {least:.0f} mm away at least.",
            field="tilt.hinge_mm",
            allowed=[least, 1e6],
        )


def _tilt_rad(request: FocusRequest) -> float:
    tilt = request.tilt
    if tilt is None:
        return 0.0
    if tilt.tilt_deg is not None:
        return math.radians(tilt.tilt_deg)
    assert tilt.hinge_mm is not None
    return math.asin(request.focal_length_mm / tilt.hinge_mm)


def _images(request: FocusRequest, tilt: float) -> list[float]:
    """Where what shall be sharp stands behind the lens, near and far, or point by point."""
    depth, focal = request.depth, request.focal_length_mm
    if isinstance(depth, ByDraws):
        _rising(depth.far_draw_mm, depth.near_draw_mm, "depth.far_draw_mm")
        return [focal + depth.near_draw_mm, focal + depth.far_draw_mm]
    if isinstance(depth, ByDistances):
        _rising(depth.near_mm, depth.far_mm, "depth.far_mm")
        return [
            _image(focal, depth.near_mm, 0.0, 0.0, "depth.near_mm"),
            _image(focal, depth.far_mm, 0.0, 0.0, "depth.far_mm"),
        ]
    if isinstance(depth, SpreadOnGlass):
        at = focal * (1 + depth.magnification)
        return [at + depth.spread_mm / 2, at - depth.spread_mm / 2]
    if isinstance(depth, ByPoints):
        return [
            _image(focal, each.distance_mm, each.height_mm, tilt, f"depth.points.{place}")
            for place, each in enumerate(depth.points)
        ]
    return []


def _rising(nearer: float, farther: float, field: str) -> None:
    if nearer >= farther:
        raise OutOfRange("Near lies nearer than far.", field=field, allowed=[nearer, HORIZON_MM])


def _image(focal: float, distance: float, height: float, tilt: float, field: str) -> float:
    """How far behind the lens a point's image stands, along the film's normal."""
    if distance >= HORIZON_MM and not tilt:
        return focal
    below = distance * math.cos(tilt) - height * math.sin(tilt) - focal
    if below <= 0:
        raise OutOfRange(
            "This point lies within the focal length: it has no image.",
            field=field,
            allowed=[focal, HORIZON_MM],
        )
    return focal * distance / below


def _focused_at(request: FocusRequest, tilt: float, images: list[float]) -> float | None:
    """How far the film stands behind the lens."""
    focal = request.focal_length_mm
    if request.tilt is not None and request.tilt.through is not None:
        point = request.tilt.through
        return _image(focal, point.distance_mm, point.height_mm, tilt, "tilt.through")
    if request.focused_mm is not None:
        return _image(focal, request.focused_mm, 0.0, 0.0, "focused_mm")
    if isinstance(request.depth, SpreadOnGlass):
        return focal * (1 + request.depth.magnification)
    if images:
        largest, smallest = max(images), min(images)
        return 2 * largest * smallest / (largest + smallest)
    return focal / math.cos(tilt) if request.tilt is not None else None


def _distance(request: FocusRequest, at: float) -> float | None:
    focal = request.focal_length_mm
    if isinstance(request.depth, SpreadOnGlass) or request.tilt is not None or at - focal <= NEAR:
        return None
    return focal * at / (at - focal)


def _apertures(
    request: FocusRequest, blur: float, images: list[float], at: float
) -> FocusApertures:
    focal = request.focal_length_mm
    largest, smallest = max(images), min(images)
    defocus = focal * (largest - smallest) / (largest + smallest)
    spread_out = at / (DIFFRACTION * focal)
    widest, best = defocus / blur, math.sqrt(defocus / spread_out)
    scale = aperture_scale(request.scale)
    return FocusApertures(
        widest=widest,
        widest_mark=_at_least(widest, scale),
        best=best,
        best_mark=nearest(best, scale)[0],
        best_blur_mm=math.hypot(defocus / best, spread_out * best),
        free=_free(blur, defocus, spread_out),
    )


def _at_least(number: float, scale: tuple[Mark, ...]) -> str:
    """The first mark at or above it, a sixth of a stop forgiven."""
    least = number * 2 ** (-FORGIVEN_STOPS / 2) * (1 - NEAR)
    return next((text for text, exact in scale if exact >= least), scale[-1][0])


def _free(blur: float, defocus: float, spread_out: float) -> tuple[float, float] | None:
    """Between which f-numbers defocus and diffraction together stay within the blur."""
    inside = blur**4 - 4 * (defocus * spread_out) ** 2
    if inside < 0:
        return None
    root = math.sqrt(inside)
    low, high = (math.sqrt((blur**2 + way * root) / 2) / spread_out for way in (-1, 1))
    return low, high


def _limits(request: FocusRequest, number: float, blur: float, at: float) -> FocusLimits | None:
    if isinstance(request.depth, SpreadOnGlass) or request.tilt is not None:
        return None
    focal = request.focal_length_mm
    opening = focal / number
    # images whose cone is as wide as the blur where the film stands
    near, far = at / (1 - blur / opening), at / (1 + blur / opening)
    return FocusLimits(
        focal * near / (near - focal), focal * far / (far - focal) if far > focal + NEAR else None
    )


def _tilted(
    request: FocusRequest, tilt: float, at: float | None, number: float | None, blur: float
) -> TiltAnswer | None:
    if request.tilt is None or at is None:
        return None
    if tilt < NEAR:
        return TiltAnswer(0.0, None, None, None, None, None)
    focal = request.focal_length_mm
    slope = (math.cos(tilt) - focal / at) / math.sin(tilt)
    share = number * blur / (at * math.sin(tilt)) if number else None
    return TiltAnswer(
        tilt_deg=math.degrees(tilt),
        hinge_mm=focal / math.sin(tilt),
        plane_deg=math.degrees(math.atan(slope)),
        depth_share=share,
        upper_deg=None if share is None else math.degrees(math.atan(slope + share)),
        lower_deg=None if share is None else math.degrees(math.atan(slope - share)),
    )
