"""A scene's focus as it is drawn: where to focus and how far to stop down, the plane of a tilted
lens, the corners under rise and shift, and how long stars stay points."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

from emulsa.core.advice import Advice
from emulsa.core.corrections.aperture_choice import ByLimits, BySpread, blur_for
from emulsa.core.corrections.bellows import ByDraw, Focus
from emulsa.core.corrections.corners import Corners, CornersRequest, corners
from emulsa.core.corrections.focusing import (
    DIFFRACTION,
    ByDistances,
    ByDraws,
    ByPoints,
    DrawnOut,
    FocusAnswer,
    FocusPoint,
    FocusRequest,
    SpreadOnGlass,
    Tilt,
    focus,
)
from emulsa.core.corrections.optics import Lens, apertures, magnification
from emulsa.core.errors import CoreError, Unreadable
from emulsa.core.kit.bag import KitLens
from emulsa.core.lengths import HORIZON_MM, IN_MM
from emulsa.core.light.hand_time import time_text
from emulsa.core.light.marks import OLD, f_number, mark_text, nearest
from emulsa.core.numbers import plain
from emulsa.core.scene.changes import Edit, SetAperture, SetDepth, SetFocus
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.sky.stars import StarTimeRequest, star_time
from emulsa.core.typed import pointed
from emulsa.core.written import length_text, size_words

CLOSE_MM = 1000.0
LITTLE_STOPS = 1 / 6  # nobody sees less (common practice)
INFRARED_SHARES = (300, 200)  # of the focal length
AROUND = 22.6  # about which apertures are shown on a lens without ends


@dataclass(frozen=True, kw_only=True, slots=True)
class NearFarDraws:
    """The draws beyond infinity at which near and far are sharp on the ground glass."""

    near_draw_mm: DrawnOut
    far_draw_mm: DrawnOut


@dataclass(frozen=True, kw_only=True, slots=True)
class FocusAsked:
    """What else is asked than what the scene says: draws read off the scale, points that shall be
    sharp with a tilted lens, a line each: how far away, how high over the lens, in metres."""

    draws: NearFarDraws | None = None
    points: str = ""


NOTHING_ASKED = FocusAsked()


@dataclass(frozen=True, slots=True)
class BlurAt:
    """At an aperture of the lens: the blur of what is near and far, of diffraction, and of both,
    on the film; whether that is within what is allowed."""

    mark: str
    mark_text: str
    defocus_mm: float
    diffraction_mm: float
    together_mm: float
    enough: bool


@dataclass(frozen=True, slots=True)
class FocusScale:
    """Draws beyond infinity: near, far, and where to focus, each as it is written at its mark."""

    near_mm: float
    far_mm: float
    set_mm: float
    near_text: str
    far_text: str
    set_text: str


@dataclass(frozen=True, slots=True)
class TiltSeen:
    """A tilted lens from the side: its angle, the hinge below it, the plane of sharpness and the
    wedge about it in degrees above the level; in words."""

    tilt_deg: float
    hinge_mm: float | None
    plane_deg: float
    upper_deg: float | None
    lower_deg: float | None
    points: tuple[FocusPoint, ...]
    sharp: tuple[bool, ...]
    texts: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class CornersSeen:
    """The film under its image circle, millimetres on the film, and the corners in words."""

    width_mm: float
    height_mm: float
    rise_mm: float
    shift_mm: float
    circle_mm: float | None
    stops: tuple[str, ...]
    texts: tuple[str, ...]
    advice: tuple[Advice, ...]


@dataclass(frozen=True, slots=True)
class FocusSeen:
    """Everything of a scene's focus; what cannot be told is empty, and ``problem`` says why.

    ``take`` is what focusing so and setting the aperture would change of the scene.
    """

    blur_mm: float
    blur_text: str
    scale: FocusScale | None
    blurs: tuple[BlurAt, ...]
    texts: tuple[str, ...]
    take: tuple[Edit, ...]
    take_text: str
    tilt: TiltSeen | None
    corners: CornersSeen | None
    night_text: str
    problem: str
    field: str


def focus_seen(scene: Scene, kit: SceneKit, asked: FocusAsked) -> FocusSeen:
    """The scene's focus; it never refuses: it says what lacks."""
    lens = kit.lens
    if lens is None:
        said = (
            "A pinhole has no focus: everything is as sharp as it gets."
            if kit.pinhole
            else ("Choose a lens first: focus, tilt and corners go by it.")
        )
        return _nothing(said)
    try:
        return _seen(scene, kit, lens, asked)
    except CoreError as problem:
        return _nothing(problem.message, problem.field or "")


def _nothing(problem: str, field: str = "") -> FocusSeen:
    return FocusSeen(0.0, "", None, (), (), (), "", None, None, "", problem, field)


def _seen(scene: Scene, kit: SceneKit, lens: KitLens, asked: FocusAsked) -> FocusSeen:
    optics, habits = lens.optics, kit.habits
    blur = blur_for(habits.blur_mm, kit.format_mm)
    request = _request(scene, lens.optics, blur, asked)
    found = focus(request)
    m = magnification(optics, scene.focus)
    return FocusSeen(
        blur_mm=blur,
        blur_text=f"A blur of {length_text(round(blur, 3))} on the film counts as sharp",
        scale=_scale(request, found),
        blurs=tuple(_blurs(request, found, optics)),
        texts=(*_texts(request, found), *_infrared(kit, lens.optics.focal_length_mm)),
        take=tuple(_take(scene, optics, asked, found)),
        take_text=_take_text(optics, found),
        tilt=_tilt(request, found),
        corners=_corners(scene, kit, lens, optics.focal_length_mm * m),
        night_text=_night(optics, blur),
        problem="",
        field="",
    )


def _request(scene: Scene, lens: Lens, blur: float, asked: FocusAsked) -> FocusRequest:
    moves = scene.movements
    leans = moves is not None and (moves.tilt_deg or moves.hinge_mm is not None)
    mark = scene.aperture
    aperture = None if mark is None else f_number(mark, lens.aperture_series)
    m = magnification(lens, scene.focus)
    away = None if m <= 0 else lens.focal_length_mm * (1 + 1 / m)
    points = _points(asked.points)
    if leans and moves is not None:
        through = None if away is None else FocusPoint(distance_mm=away)
        tilt = Tilt(tilt_deg=moves.tilt_deg or None, hinge_mm=moves.hinge_mm, through=through)
        return FocusRequest(
            focal_length_mm=lens.focal_length_mm,
            blur_mm=blur,
            aperture=aperture,
            tilt=tilt,
            depth=_of_points(points),
        )
    depth: ByDraws | ByDistances | SpreadOnGlass | ByPoints | None = None
    if asked.draws is not None:
        depth = ByDraws(
            kind="draws",
            near_draw_mm=asked.draws.near_draw_mm,
            far_draw_mm=asked.draws.far_draw_mm,
        )
    elif isinstance(scene.depth, ByLimits):
        depth = ByDistances(kind="limits", near_mm=scene.depth.near_mm, far_mm=scene.depth.far_mm)
    elif isinstance(scene.depth, BySpread):
        depth = SpreadOnGlass(kind="spread", spread_mm=scene.depth.focus_spread_mm, magnification=m)
    return FocusRequest(
        focal_length_mm=lens.focal_length_mm,
        blur_mm=blur,
        scale=_scale_of(lens),
        aperture=aperture,
        depth=depth,
        focused_mm=away if depth is None else None,
    )


def _of_points(points: tuple[FocusPoint, ...]) -> ByPoints | None:
    """What is asked of points; of one alone as of two that lie together."""
    if not points:
        return None
    return ByPoints(kind="points", points=points if len(points) > 1 else points * 2)


def _scale_of(lens: Lens) -> Literal["third", "half", "full"]:
    return lens.aperture_series if lens.aperture_series in ("third", "half") else "full"


def _points(text: str) -> tuple[FocusPoint, ...]:
    """Points as they are typed, a line each; Unreadable names the line."""
    found = []
    for number, line in enumerate(filter(None, map(str.strip, text.splitlines())), start=1):
        parts = pointed(line, "points").replace("m", " ").split()
        try:
            away, up = (float(each) * IN_MM["m"] for each in (*parts, "0")[:2])
        except ValueError:
            raise Unreadable(
                f"Line {number}, “{line[:30]}”, is no point: write how far and how high in metres,"
                " as in 2 -1.2.",
                field="points",
            ) from None
        found.append(FocusPoint(distance_mm=away, height_mm=up))
    return tuple(found)


def _scale(request: FocusRequest, found: FocusAnswer) -> FocusScale | None:
    if found.set is None or found.spread_mm is None or request.tilt is not None:
        return None
    at, spread = found.set.draw_mm, found.spread_mm
    focal = request.focal_length_mm
    if isinstance(request.depth, SpreadOnGlass):
        return _scaled(at + spread / 2, at - spread / 2, at)
    # A = 2·v₁·v₂/(v₁ + v₂) and v₁ − v₂ = Δ give both back
    middle = focal + at
    half = math.sqrt(middle**2 + spread**2) / 2
    near = middle / 2 + spread / 2 + half
    return _scaled(near - focal, near - spread - focal, at)


def _scaled(near: float, far: float, at: float) -> FocusScale:
    said = [length_text(round(max(0.0, each), 1)) for each in (near, far, at)]
    return FocusScale(near, far, at, f"near {said[0]}", f"far {said[1]}", f"focus {said[2]}")


def _blurs(request: FocusRequest, found: FocusAnswer, lens: Lens) -> Iterator[BlurAt]:
    """By every whole stop of the lens: what is near and far against diffraction."""
    if found.set is None or not found.spread_mm or found.apertures is None:
        return
    focal, at = request.focal_length_mm, request.focal_length_mm + found.set.draw_mm
    best = found.apertures.best
    spread_out = at / (DIFFRACTION * focal)
    defocus = best**2 * spread_out  # where both are alike
    series = lens.aperture_series
    for mark, number in apertures(lens, AROUND, series if series in OLD else "full"):
        wide, fine = defocus / number, spread_out * number
        both = math.hypot(wide, fine)
        yield BlurAt(mark, mark_text(mark), wide, fine, both, both <= found.blur_mm + 1e-9)


def _texts(request: FocusRequest, found: FocusAnswer) -> Iterator[str]:
    if found.apertures is not None and found.set is not None and request.tilt is None:
        where = f"{length_text(round(found.set.draw_mm, 1))} past infinity"
        if found.set.distance_mm is not None:
            where += f", on {distance_text(found.set.distance_mm)}"
        yield f"Focus {where}: near and far are equally sharp there"
        yield _apertures_text(found)
    if found.limits is not None:
        near = distance_text(found.limits.near_mm)
        far = "the horizon" if found.limits.far_mm is None else distance_text(found.limits.far_mm)
        yield f"As it is set, sharp from {near} to {far}"
    if found.hyperfocal_mm is not None and request.tilt is None:
        from_m = distance_text(found.hyperfocal_mm / 2)
        on = distance_text(found.hyperfocal_mm)
        yield f"Focused on {on} it would be sharp from {from_m} to the horizon"


def _infrared(kit: SceneKit, focal_length_mm: float) -> Iterator[str]:
    """Infrared focuses further back than what the eye sees (common practice, no source)."""
    if kit.film is None or kit.film.kind != "infrared":
        return
    least, most = (length_text(round(focal_length_mm / each, 1)) for each in INFRARED_SHARES)
    yield f"For infrared draw {least} to {most} more than the eye sees sharp, or find it by trial"


def _apertures_text(found: FocusAnswer) -> str:
    marks = found.apertures
    assert marks is not None
    said = f"f/{marks.widest_mark} at least; best f/{marks.best_mark}"
    if marks.free is None:
        return (
            f"No aperture holds all of it: f/{marks.best_mark} comes nearest, a blur of"
            f" {length_text(round(marks.best_blur_mm, 3))}. Tilt, or let an end go soft"
        )
    return f"{said}, where depth and diffraction blur alike"


def _best(lens: Lens, found: FocusAnswer) -> str:
    """The best aperture this lens has; nothing where none is better than another."""
    if found.apertures is None or found.set is None or found.tilt is not None:
        return ""
    best = found.apertures.best
    return nearest(best, apertures(lens, best, lens.aperture_series))[0]


def _take(scene: Scene, lens: Lens, asked: FocusAsked, found: FocusAnswer) -> Iterator[Edit]:
    best = _best(lens, found)
    if not best or found.set is None:
        return
    if asked.draws is not None and found.spread_mm:
        yield SetDepth(depth=BySpread(focus_spread_mm=found.spread_mm))
    at: Focus = ByDraw(draw_mm=max(0.0, found.set.draw_mm))
    if scene.focus != at:
        yield SetFocus(focus=at)
    if scene.aperture != best:
        yield SetAperture(aperture=best)


def _take_text(lens: Lens, found: FocusAnswer) -> str:
    best = _best(lens, found)
    return f"Focus there, set {mark_text(best)}" if best else ""


def _tilt(request: FocusRequest, found: FocusAnswer) -> TiltSeen | None:
    tilt = found.tilt
    if tilt is None or tilt.plane_deg is None:
        return None
    asked = request.depth.points if isinstance(request.depth, ByPoints) else ()
    points = tuple(dict.fromkeys(asked))
    aimed = request.tilt.through if request.tilt else None
    through = aimed.distance_mm if aimed else None
    return TiltSeen(
        tilt.tilt_deg,
        tilt.hinge_mm,
        tilt.plane_deg,
        tilt.upper_deg,
        tilt.lower_deg,
        points,
        tuple(each.sharp for each in found.points[: len(points)]),
        tuple(_tilt_texts(tilt.tilt_deg, tilt.hinge_mm, tilt.plane_deg, tilt.depth_share, through)),
    )


def _tilt_texts(
    tilt_deg: float,
    hinge_mm: float | None,
    plane_deg: float,
    share: float | None,
    focused_mm: float | None,
) -> Iterator[str]:
    hinge = "" if hinge_mm is None else f", hinge {distance_text(hinge_mm)} below the lens"
    way = "up" if plane_deg > 0 else "down"
    level = "level" if abs(plane_deg) < 0.5 else f"{abs(plane_deg):.0f}° {way} from the level"
    yield f"Tilt {plain(round(tilt_deg, 1))}°{hinge}: sharp in a plane {level}"
    if share is not None:
        close = focused_mm is not None and focused_mm < CLOSE_MM
        at = (focused_mm, 1.5 * focused_mm) if close and focused_mm else (1000.0, 2000.0, 5000.0)
        reach = [f"{length_text(round(each * share))} at {distance_text(each)}" for each in at]
        yield f"Above and below it stays sharp {', '.join(reach)}"
    else:
        yield "Set an aperture to see how much above and below it stays sharp"


def _corners(scene: Scene, kit: SceneKit, lens: KitLens, draw_mm: float) -> CornersSeen | None:
    if kit.format_mm is None:
        return None
    moves = scene.movements
    rise, shift = (moves.rise_mm, moves.shift_mm) if moves else (0.0, 0.0)
    widest = lens.optics.widest
    found = corners(
        CornersRequest(
            focal_length_mm=lens.optics.focal_length_mm,
            format_mm=kit.format_mm,
            draw_mm=draw_mm,
            rise_mm=rise,
            shift_mm=shift,
            circle_mm=lens.circle_mm,
            power=lens.fall_off_power,
            centre_filter_stops=lens.centre_filter_stops,
            widest=None if widest is None else f_number(widest, lens.optics.aperture_series),
        )
    )
    return CornersSeen(
        kit.format_mm[0],
        kit.format_mm[1],
        rise,
        shift,
        found.circle.at_draw_mm if found.circle else None,
        tuple(_less(each.stops) for each in found.corners),
        tuple(_corner_texts(found, lens)),
        found.advice,
    )


def _less(stops: float) -> str:
    """What a corner loses, to the third; little is not worth a number."""
    return "as the middle" if stops < LITTLE_STOPS else f"−{_thirds(stops)}"


def _thirds(stops: float) -> str:
    return size_words(round(stops * 3) / 3)


def _corner_texts(found: Corners, lens: KitLens) -> Iterator[str]:
    off = found.difference_stops
    if off < LITTLE_STOPS:
        yield "The corners get as much light as the middle"
    else:
        yield f"The corners get up to {_thirds(off)} less than the brightest place"
    circle, filter_ = found.circle, found.centre_filter
    if circle is None:
        needs = length_text(math.ceil(found.needed_circle_mm))
        yield f"It needs an image circle of {needs}; give the lens its own in Kit"
    elif circle.largest_rise_mm is not None:
        room = length_text(math.floor(circle.largest_rise_mm))
        yield f"The image circle has room for {room} of rise or fall with this shift"
    if lens.centre_filter_stops:
        left = _thirds(filter_.left_stops)
        yield f"The centre filter costs {size_words(filter_.exposure_stops)} and leaves {left}"
        if filter_.from_f_number is not None:
            yield f"It works from f/{filter_.from_f_number:.0f} on; wider it darkens unevenly"


def _night(lens: Lens, blur: float) -> str:
    found = star_time(StarTimeRequest(focal_length_mm=lens.focal_length_mm, blur_mm=min(blur, 2)))
    stars = "" if found.stars_s is None else f"Stars stay points up to {time_text(found.stars_s)}"
    return f"{stars}; the moon stays round up to {time_text(found.moon_round_s)}"


def distance_text(mm: float) -> str:
    """How far away something is: to what one can pace, close up to the millimetre.

    >>> distance_text(3999), distance_text(430), distance_text(1e8)
    ('4 m', '43 cm', 'the horizon')
    """
    if mm >= HORIZON_MM:
        return "the horizon"
    if mm < 1000:
        return f"{mm / 10:.3g} cm"
    return f"{mm / 1000:.2g} m" if mm < 9_950 else f"{mm / 1000:.0f} m"
