"""Pinholes: f-number, best diameter, and what the corners lose.

N = v/d; best d = c·√(λ·v) with c from √2 to 2 by author; corners lose 4·log2(1/cos θ) stops.
A pinhole never takes a bellows factor: its N already holds the distance.
Sources: Rayleigh 1891; the other constants from memory, see ``OPTIMUM_CONSTANTS``.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated

from emulsa.core.limits import FormatSide, Within

Diameter = Annotated[float, Within("The pinhole's diameter", 0.02, 5, "mm", engraved=True)]
PinholeDistance = Annotated[float, Within("The distance from pinhole to film", 2, 3_000, "mm")]
Side = FormatSide
Wavelength = Annotated[float, Within("The wavelength", 350, 1_000, "nm")]

OPTIMUM_CONSTANTS = {  # c in d = c·√(λ·v)
    "petzval": math.sqrt(2),  # from memory
    "airy": math.sqrt(2.44),  # Airy disc as wide as the hole, from memory
    "rayleigh": 1.9,  # Rayleigh 1891, as usually rounded; the default
    "rayleigh_exact": math.sqrt(3.6),  # Rayleigh 1891, unrounded
    "fresnel": 2.0,  # one Fresnel zone, from memory
}
DEFAULT_WAVELENGTH_NM = 550.0  # green, where panchromatic film and eye agree (common practice)
DEFAULT_FORMAT_MM = (120.0, 95.0)  # image area of a 4×5 sheet in its holder


@dataclass(frozen=True, kw_only=True, slots=True)
class PinholeRequest:
    """A pinhole in front of a format; the diameter as measured."""

    diameter_mm: Diameter
    distance_mm: PinholeDistance
    format_mm: tuple[Side, Side] = DEFAULT_FORMAT_MM
    wavelength_nm: Wavelength = DEFAULT_WAVELENGTH_NM


@dataclass(frozen=True, kw_only=True, slots=True)
class PinholeAnswer:
    """f-number, best diameters by author, angles of view and corner loss."""

    f_number: float
    optimum_mm: dict[str, float]
    angle_deg: float
    long_side_angle_deg: float
    corner_angle_deg: float
    corner_stops: float
    edge_stops: float


def pinhole_f_number(distance_mm: float, diameter_mm: float) -> float:
    """N = v / d.

    >>> round(pinhole_f_number(30, 0.2), 9)
    150.0
    """
    return distance_mm / diameter_mm


def optimum_mm(distance_mm: float, constant: float, wavelength_nm: float) -> float:
    """d = c · √(λ · v), λ in nm, v and d in mm.

    >>> round(optimum_mm(150, 1.9, 600), 3)
    0.57
    """
    return constant * math.sqrt(wavelength_nm * 1e-6 * distance_mm)


def effective_distance_mm(distance_mm: float, subject_mm: float) -> float:
    """1/f = 1/u + 1/v: the distance to put into the optimum for a close subject."""
    return 1 / (1 / distance_mm + 1 / subject_mm)


def converted_s(seconds: float, metered_f_number: float, f_number: float) -> float:
    """t · (N₂/N₁)²: a time read at one f-number, at the pinhole's own.

    >>> converted_s(1, 64, 256)
    16.0
    """
    return seconds * (f_number / metered_f_number) ** 2


def thickness_limit_deg(diameter_mm: float, thickness_mm: float) -> float:
    """atan(d/T): the angle off axis beyond which the edge of the hole hides all of it."""
    return math.degrees(math.atan2(diameter_mm, thickness_mm))


def off_axis_deg(offset_mm: float, distance_mm: float) -> float:
    """The angle off axis of a point ``offset_mm`` from the centre of the film."""
    return math.degrees(math.atan2(offset_mm, distance_mm))


def corner_loss_stops(angle_deg: float) -> float:
    """4 · log2(1 / cos θ): the cos⁴ law of a thin, flat pinhole.

    >>> round(corner_loss_stops(45), 9)
    2.0
    """
    return 4 * math.log2(1 / math.cos(math.radians(angle_deg)))


def pinhole(request: PinholeRequest) -> PinholeAnswer:
    """Everything a pinhole's geometry says."""
    width, height = request.format_mm
    corner = off_axis_deg(math.hypot(width, height) / 2, request.distance_mm)
    edge = off_axis_deg(max(width, height) / 2, request.distance_mm)
    return PinholeAnswer(
        f_number=pinhole_f_number(request.distance_mm, request.diameter_mm),
        optimum_mm={
            author: optimum_mm(request.distance_mm, constant, request.wavelength_nm)
            for author, constant in OPTIMUM_CONSTANTS.items()
        },
        angle_deg=2 * corner,
        long_side_angle_deg=2 * edge,
        corner_angle_deg=corner,
        corner_stops=corner_loss_stops(corner),
        edge_stops=corner_loss_stops(edge),
    )
