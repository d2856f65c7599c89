"""Readings at places of a picture, each with its light."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from emulsa.core.errors import Missing, Unsound
from emulsa.core.picture.area import Seen, rho2, seen
from emulsa.core.picture.calibrated import CalibrationPoint, PhotoCalibrateRequest

FEWEST_FOR_CURVE, WIDEST_FOR_CURVE, OUTSIDE = 4, 3.0, 1.0
ALMOST = 1e-9


@dataclass(frozen=True, slots=True)
class Place:
    """A reading with its area as light."""

    point: CalibrationPoint
    seen: Seen
    rho2: float | None
    patch_light: float | None = None


def placed(request: PhotoCalibrateRequest) -> list[Place]:
    """Every reading with its light; refused where it cannot be one."""
    found = []
    ids = set[str]()
    for at, point in enumerate(request.points):
        field = f"points.{at}"
        if point.id in ids:
            raise Unsound("Two readings have the same id.", field=f"{field}.id")
        ids.add(point.id)
        if (point.x is None) != (point.y is None):
            raise Missing(
                "A place has an x and a y.", field=f"{field}.{'x' if point.x is None else 'y'}"
            )
        if request.vignetting.kind == "unknown" and point.x is None:
            raise Missing(
                "To find out what the corners lose, say where each reading lies.",
                field=f"{field}.x",
            )
        out = (
            None
            if point.x is None or point.y is None
            else rho2(point.x, point.y, request.picture.aspect)
        )
        patch = None
        if point.patch is not None:
            patch = seen(request.picture, point.patch, f"{field}.patch").light
        area = seen(request.picture, point.area, f"{field}.area")
        found.append(Place(point, area, out, patch))
    return found


def curve_known(read: Sequence[float]) -> bool:
    """Whether a curve follows from readings at these picture stops, in order."""
    return len(read) >= FEWEST_FOR_CURVE and read[-1] - read[0] >= WIDEST_FOR_CURVE - ALMOST


def outside(at: float, reach: tuple[float, float] | None) -> bool:
    """Whether picture stops lie further than a stop beyond those that were read."""
    return reach is None or at < reach[0] - OUTSIDE - ALMOST or at > reach[1] + OUTSIDE + ALMOST
