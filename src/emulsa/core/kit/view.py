"""What a lens or a pinhole takes in: its angle on a format, and how wide that is a metre away.

Angles by definition, 2·atan(side / 2f) at infinity focus; a pinhole's distance stands for f.
"""

from __future__ import annotations

import math

from emulsa.core.corrections.optics import Lens, Optics
from emulsa.core.corrections.pinhole import PinholeRequest, pinhole
from emulsa.core.written import length_text

METRE_MM = 1_000.0
FEET_DEG = 100.0  # from here on one's own feet and the tripod's are easily in it (common practice)
CORNERS_STOPS = 1.0  # what corners lose before it is worth saying


def seen_text(optics: Optics, format_mm: tuple[float, float]) -> str:
    """The angle along the longer side and the width at a metre; what to look out for when it is
    very wide.

    >>> seen_text(Lens(focal_length_mm=150), (120, 95))
    '44° across, 800 mm wide at 1 m'
    """
    side, away = max(format_mm), reach_mm(optics)
    angle = math.degrees(2 * math.atan(side / 2 / away))
    wide = side / away * METRE_MM
    said = f"{angle:.0f}° across, {_wide(wide)} wide at 1 m"
    return f"{said}; mind feet and tripod legs" if angle > FEET_DEG else said


def corners_text(optics: Optics, format_mm: tuple[float, float]) -> str:
    """What a pinhole's corners get less, where it is worth saying; nothing for a lens."""
    if isinstance(optics, Lens):
        return ""
    found = pinhole(
        PinholeRequest(
            diameter_mm=optics.diameter_mm, distance_mm=optics.distance_mm, format_mm=format_mm
        )
    )
    if found.corner_stops < CORNERS_STOPS:
        return ""
    return (
        f"{found.angle_deg:.0f}° corner to corner: the corners get {found.corner_stops:.1f} stops"
        " less than the middle"
    )


def reach_mm(optics: Optics) -> float:
    """From where the light comes together to the film, at infinity."""
    return optics.focal_length_mm if isinstance(optics, Lens) else optics.distance_mm


def _wide(mm: float) -> str:
    return f"{mm / METRE_MM:.1f} m" if mm >= METRE_MM else length_text(round(mm, -1))
