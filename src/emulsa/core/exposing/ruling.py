"""What rules an aperture and its time out, as codes; words for them are the advice catalogue's."""

from __future__ import annotations

import math
from dataclasses import dataclass

from emulsa.core.corrections import movement, reciprocity, sharpness
from emulsa.core.corrections.aperture_choice import ByLimits, BySpread, blur_for, spread_mm
from emulsa.core.corrections.optics import Lens, apertures, magnification, speeds
from emulsa.core.exposing.answer import Sharpness
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.light.hand_time import time_text
from emulsa.core.light.marks import aperture_scale, nearest
from emulsa.core.written import distance_text

TOLERATED_STOPS = 1 / 6 + 1e-9  # an aperture so near is that aperture (common practice)
VISIBLE_ERROR_STOPS = 1 / 3  # a third of a stop shows in a negative (common practice, no source)

WORDS = {
    "faster-than-shutter": "faster than the shutter",
    "longer-than-shutter": "longer than the shutter",
    "beyond-lens": "beyond this lens's apertures",
    "beyond-film-data": "beyond the film's data",
    "depth-too-small": "too little depth",
    "softened": "softened by diffraction",
    "moves": "motion blur",
    "freezes": "less blur than wanted",
}


@dataclass(frozen=True, kw_only=True, slots=True)
class Limits:
    """What a scene asks of aperture and time: effective f-numbers and seconds; empty is free."""

    widest: float | None = None
    smallest: float | None = None
    best: float | None = None
    longest_s: float | None = None
    shortest_s: float | None = None
    magnification: float = 0.0


def limits_of(request: ExposureRequest) -> Limits:
    """The limits of a request: none before a pinhole, which has one aperture and one depth."""
    optics = request.optics
    if not isinstance(optics, Lens) or (request.depth is None and request.movement is None):
        return Limits()
    m = magnification(optics, request.focus)
    blur = blur_for(request.blur_mm, request.format_mm)
    longest, shortest = _times(request, blur, optics.focal_length_mm, m)
    if request.depth is None:
        return Limits(longest_s=longest, shortest_s=shortest, magnification=m)
    needed = needed_f_number(request, m)
    return Limits(
        widest=None if needed is None else needed * (1 + m),
        # Stopping down further than where diffraction alone blurs as much as allowed gains nothing.
        smallest=blur / sharpness.airy_mm(1),
        best=sharpness.best_f_number(spread_mm(request.depth, optics.focal_length_mm)),
        longest_s=longest,
        shortest_s=shortest,
        magnification=m,
    )


def _times(
    request: ExposureRequest, blur_mm: float, focal_length_mm: float, m: float
) -> tuple[float | None, float | None]:
    """The longest time for what shall be sharp, or the shortest for what shall flow."""
    sharp = movement.limit_s(request.movement, blur_mm, focal_length_mm, m)
    times = request.movement.blur_times if request.movement else None
    if times is None or sharp is None:
        return sharp, None
    return None, sharp * times


def needed_f_number(
    request: ExposureRequest, magnification_: float, *, elsewhere: bool = False
) -> float | None:
    """The f-number, as marked, that the depth wanted takes with the focus that is set; where none
    is said, or ``elsewhere``, with the focus that suits it best."""
    optics, depth = request.optics, request.depth
    if not isinstance(optics, Lens) or depth is None:
        return None
    blur, f = blur_for(request.blur_mm, request.format_mm), optics.focal_length_mm
    if isinstance(depth, BySpread):
        wide = sharpness.smallest_blur_f_number(depth.focus_spread_mm, blur)
        return sharpness.marked(wide, magnification_)
    spread_mm(depth, f)  # says what is wrong with the limits
    ends = tuple(sharpness.image_mm(each, f) for each in (depth.near_mm, depth.far_mm))
    if request.focus is None or elsewhere:
        return sharpness.needed_between(f, blur, *ends)
    return sharpness.needed_focused(f, blur, f * (1 + magnification_), *ends)


def ruled_out(
    request: ExposureRequest, limits: Limits, f_number: float, times: tuple[float, float, float]
) -> tuple[str, ...]:
    """Codes for what is wrong with a marked f-number and its metered, clock time and error."""
    metered_s, clock_s, error_stops = times
    codes = []
    if abs(error_stops) > VISIBLE_ERROR_STOPS and isinstance(request.optics, Lens):
        marks = speeds(request.optics.shutter)
        if error_stops > 0 and clock_s <= marks[0][1]:
            codes.append("faster-than-shutter")
        if error_stops < 0 and clock_s >= marks[-1][1]:
            codes.append("longer-than-shutter")
    if reciprocity.extrapolated(request.law, metered_s):
        codes.append("beyond-film-data")
    return (*codes, *unsharp(limits, f_number, clock_s))


def unsharp(limits: Limits, f_number: float, clock_s: float) -> tuple[str, ...]:
    """Codes for depth, diffraction and movement at a marked f-number and a clock time."""
    codes = []
    effective = f_number * (1 + limits.magnification)
    if limits.widest is not None and stops_wider(effective, limits.widest) > TOLERATED_STOPS:
        codes.append("depth-too-small")
    if limits.smallest is not None and stops_wider(limits.smallest, effective) > TOLERATED_STOPS:
        codes.append("softened")
    if limits.longest_s is not None and clock_s > limits.longest_s * 1.001:
        codes.append("moves")
    if limits.shortest_s is not None and clock_s * 1.001 < limits.shortest_s:
        codes.append("freezes")
    return tuple(codes)


def stops_wider(f_number: float, than: float) -> float:
    """How many stops an f-number is wider than another.

    >>> stops_wider(16, 32)
    2.0
    """
    return 2 * math.log2(than / f_number)


def needed_mark(lens: Lens, needed: float) -> str:
    """The widest of a lens's marks that is enough, a sixth of a stop tolerated; nothing when it
    does not stop down so far."""
    marks = apertures(lens, needed, lens.aperture_series)
    enough = (text for text, exact in marks if stops_wider(exact, needed) <= TOLERATED_STOPS)
    return next(enough, "")


def sharpness_of(request: ExposureRequest, limits: Limits, f_number: float) -> Sharpness | None:
    """The depth a lens has as it is set, and what would suit the depth wanted."""
    optics, depth = request.optics, request.depth
    if not isinstance(optics, Lens):
        return None
    blur = blur_for(request.blur_mm, request.format_mm)
    m = magnification(optics, request.focus)
    near, far = (None, None) if request.focus is None else _reach(optics, m, f_number, blur)
    if depth is None and request.movement is None and near is None:
        return None
    needed = needed_f_number(request, m)
    best = sharpness.marked(limits.best, limits.magnification) if limits.best else None
    mark = nearest(best, aperture_scale("third"))[0] if best else ""
    return Sharpness(
        blur_mm=blur,
        near_mm=near,
        far_mm=far,
        spread_mm=spread_mm(depth, optics.focal_length_mm) if depth else None,
        needed_f_number=needed,
        needed_mark="" if needed is None else needed_mark(optics, needed),
        focus_mm=sharpness.focus_between_mm(depth.near_mm, depth.far_mm)
        if isinstance(depth, ByLimits)
        else None,
        best_f_number=best,
        best_mark=mark,
        longest_s=limits.longest_s,
        shortest_s=limits.shortest_s,
        text=_text(near, far, mark, limits),
    )


def _reach(lens: Lens, m: float, f_number: float, blur: float) -> tuple[float, float | None]:
    """From where to where it is sharp by the focus that is set; set far away, from f²/(N·c) on."""
    f = lens.focal_length_mm
    if m <= 0:
        return f * f / (f_number * blur), None
    return sharpness.depth_of_field_mm(f, f_number, blur, f * (1 + 1 / m))


def _text(near: float | None, far: float | None, mark: str, limits: Limits) -> str:
    parts = []
    if near is not None:
        end = "the horizon" if far is None else distance_text(far)
        parts.append(f"sharp from {distance_text(near)} to {end}")
    if mark:
        parts.append(f"depth and diffraction balance at f/{mark}")
    if limits.longest_s is not None:
        parts.append(f"what moves stays sharp up to {time_text(limits.longest_s)}")
    if limits.shortest_s is not None:
        parts.append(f"what moves flows from {time_text(limits.shortest_s)} on")
    return "; ".join(parts)
