"""A scene's focus as it is drawn: where to focus and how far to stop down, the plane of a tilted
lens, the corners under rise and shift, and how long stars stay points."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

from emulsa.core.corrections.aperture_choice import ByLimits, BySpread, blur_for
from emulsa.core.corrections.bellows import ByDraw, Focus
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
from emulsa.core.lengths import IN_MM
from emulsa.core.light.hand_time import time_text
from emulsa.core.light.marks import OLD, f_number, mark_text, nearest
from emulsa.core.scene.changes import Edit, SetAperture, SetDepth, SetFocus
from emulsa.core.scene.corners_seen import CornersSeen, corners_seen
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.scene.tilt_seen import TiltSeen, tilt_seen
from emulsa.core.sky.stars import StarTimeRequest, star_time
from emulsa.core.typed import pointed
from emulsa.core.written import distance_text, length_text

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
        tilt=tilt_seen(request, found),
        corners=corners_seen(scene, kit, lens, optics.focal_length_mm * m),
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


def _night(lens: Lens, blur: float) -> str:
    found = star_time(StarTimeRequest(focal_length_mm=lens.focal_length_mm, blur_mm=min(blur, 2)))
    stars = "" if found.stars_s is None else f"Stars stay points up to {time_text(found.stars_s)}"
    return f"{stars}; the moon stays round up to {time_text(found.moon_round_s)}"
