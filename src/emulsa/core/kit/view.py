"""What a lens or a pinhole takes in: its angle on a format, and how wide that is a metre away.

Angles by definition, 2·atan(side / 2f) at infinity focus; a pinhole's distance stands for f.
"""

from __future__ import annotations

import math

from emulsa.core.corrections.optics import Lens, Optics, speeds
from emulsa.core.corrections.pinhole import PinholeRequest, pinhole
from emulsa.core.written import length_text

METRE_MM = 1_000.0
FEET_DEG = 100.0  # from here on one's own feet and the tripod's are easily in it (common practice)
SMALL_MM = math.hypot(36, 24)  # the format the rule was made for
SLIGHTLY = 2 ** (1 / 6)  # a sixth of a stop is no shake
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


def by_hand_s(focal_length_mm: float, format_mm: tuple[float, float], factor: float) -> float:
    """The longest time one holds a lens by hand: one over the focal length it would have on
    24 × 36, and one's own factor shorter (common practice, no source).

    >>> round(1 / by_hand_s(50, (36, 24), 1)), round(1 / by_hand_s(80, (56, 56), 2))
    (50, 87)
    """
    diagonal = math.hypot(*format_mm)
    return diagonal / (focal_length_mm * SMALL_MM * factor)


def by_hand_text(optics: Optics, format_mm: tuple[float, float], factor: float) -> str:
    """The slowest mark of its shutter that is short enough; nothing for a pinhole.

    >>> by_hand_text(Lens(focal_length_mm=80), (56, 56), 1)
    'by hand from 1/60'
    """
    if not isinstance(optics, Lens):
        return ""
    longest = by_hand_s(optics.focal_length_mm, format_mm, factor)
    short = [mark for mark, seconds in speeds(optics.shutter) if seconds <= longest * SLIGHTLY]
    return f"by hand from {short[-1]}" if short else "not by hand"


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
