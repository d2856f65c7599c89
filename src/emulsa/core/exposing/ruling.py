"""What rules an aperture and its time out, as codes; words for them are the advice catalogue's."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.corrections import movement, reciprocity, sharpness
from emulsa.core.corrections.aperture_choice import spread_mm
from emulsa.core.corrections.bellows import BySubject
from emulsa.core.corrections.optics import Lens, magnification, speeds
from emulsa.core.exposing.answer import Sharpness
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.light.hand_time import time_text
from emulsa.core.light.marks import aperture_scale, nearest

VISIBLE_ERROR_STOPS = 1 / 3  # a third of a stop shows in a negative (common practice, no source)

WORDS = {
    "faster-than-shutter": "faster than the shutter",
    "longer-than-shutter": "longer than the shutter",
    "beyond-lens": "beyond this lens's apertures",
    "beyond-film-data": "beyond the film's data",
    "depth-too-small": "too little depth",
    "softened": "softened by diffraction",
    "moves": "motion blur",
}


@dataclass(frozen=True, kw_only=True, slots=True)
class Limits:
    """What a scene asks of aperture and time: effective f-numbers and seconds; empty is free."""

    widest: float | None = None
    smallest: float | None = None
    best: float | None = None
    longest_s: float | None = None
    magnification: float = 0.0


def limits_of(request: ExposureRequest) -> Limits:
    """The limits of a request: none before a pinhole, which has one aperture and one depth."""
    optics = request.optics
    if not isinstance(optics, Lens) or (request.depth is None and request.movement is None):
        return Limits()
    m = magnification(optics, request.focus)
    longest = movement.limit_s(request.movement, request.blur_mm, optics.focal_length_mm, m)
    if request.depth is None:
        return Limits(longest_s=longest, magnification=m)
    spread = spread_mm(request.depth, optics.focal_length_mm)
    return Limits(
        widest=sharpness.smallest_blur_f_number(spread, request.blur_mm),
        # Stopping down further than where diffraction alone blurs as much as allowed gains nothing.
        smallest=request.blur_mm / sharpness.airy_mm(1),
        best=sharpness.best_f_number(spread),
        longest_s=longest,
        magnification=m,
    )


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
    if limits.widest is not None and effective < limits.widest * 0.999:
        codes.append("depth-too-small")
    if limits.smallest is not None and effective > limits.smallest * 1.001:
        codes.append("softened")
    if limits.longest_s is not None and clock_s > limits.longest_s * 1.001:
        codes.append("moves")
    return tuple(codes)


def sharpness_of(request: ExposureRequest, limits: Limits, f_number: float) -> Sharpness | None:
    """The depth a lens has as it is set, and what would suit the depth wanted."""
    optics = request.optics
    if not isinstance(optics, Lens):
        return None
    near = far = None
    if isinstance(request.focus, BySubject):
        near, far = sharpness.depth_of_field_mm(
            optics.focal_length_mm,
            f_number,
            request.blur_mm,
            request.focus.distance_mm,
        )
    if request.depth is None and request.movement is None and near is None:
        return None
    spread = spread_mm(request.depth, optics.focal_length_mm) if request.depth else None
    best = sharpness.marked(limits.best, limits.magnification) if limits.best else None
    mark = nearest(best, aperture_scale("third"))[0] if best else ""
    return Sharpness(
        near_mm=near,
        far_mm=far,
        spread_mm=spread,
        best_f_number=best,
        best_mark=mark,
        longest_s=limits.longest_s,
        text=_text(near, far, mark, limits.longest_s),
    )


def _text(near: float | None, far: float | None, mark: str, longest: float | None) -> str:
    parts = []
    if near is not None:
        end = "the horizon" if far is None else _metres(far)
        parts.append(f"sharp from {_metres(near)} to {end}")
    if mark:
        parts.append(f"depth and diffraction balance at f/{mark}")
    if longest is not None:
        parts.append(f"what moves stays sharp up to {time_text(longest)}")
    return "; ".join(parts)


def _metres(mm: float) -> str:
    return f"{mm / 1000:.2g} m" if mm < 9_950 else f"{mm / 1000:.0f} m"
