"""A tilted lens as it is drawn from the side, in words."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from emulsa.core.corrections.focusing import ByPoints, FocusAnswer, FocusPoint, FocusRequest
from emulsa.core.numbers import plain
from emulsa.core.written import distance_text, length_text

CLOSE_MM = 1000.0  # nearer, reach is told where one is focused


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


def tilt_seen(request: FocusRequest, found: FocusAnswer) -> TiltSeen | None:
    """A tilted lens as it was worked out; nothing of one that stands upright."""
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
