"""Depth of field and diffraction: what an aperture holds sharp.

Blur circle of a point focused Δ away from the film: Δ/N. Thin lens throughout; the limits are
where the blur circle on the film is exactly c. Sources: The Manual of Photography (depth of field,
Airy disc 2.44·λ·N); Stroebel, View Camera Technique (focus spread).
"""

from __future__ import annotations

import math

from emulsa.core.corrections.pinhole import DEFAULT_WAVELENGTH_NM
from emulsa.core.errors import OutOfRange
from emulsa.core.numbers import plain
from emulsa.core.written import length_text

# N = √(375·Δv): defocus blur Δv/2N equals diffraction blur N/750 mm (2.44 · 546 nm). Derived.
SPREAD_CONSTANT = 375.0


def hyperfocal_mm(focal_length_mm: float, f_number: float, blur_mm: float) -> float:
    """H = f²/(N·c) + f.

    >>> round(hyperfocal_mm(150, 22, 0.1))
    10377
    """
    return focal_length_mm**2 / (f_number * blur_mm) + focal_length_mm


def depth_of_field_mm(
    focal_length_mm: float, f_number: float, blur_mm: float, distance_mm: float
) -> tuple[float, float | None]:
    """Near and far limit, u·f²/(f² ± N·c·(u − f)); the far one empty when it lies at infinity.

    >>> near, far = depth_of_field_mm(150, 22, 0.1, 5000)
    >>> round(near), round(far or 0)
    (3392, 9510)
    """
    _beyond(distance_mm, focal_length_mm, "distance_mm")
    square = focal_length_mm**2
    shift = f_number * blur_mm * (distance_mm - focal_length_mm)
    near = distance_mm * square / (square + shift)
    return near, distance_mm * square / (square - shift) if square > shift else None


def image_mm(distance_mm: float, focal_length_mm: float) -> float:
    """v = u·f/(u − f): lens to image.

    >>> image_mm(300, 150)
    300.0
    """
    _beyond(distance_mm, focal_length_mm, "distance_mm")
    return distance_mm * focal_length_mm / (distance_mm - focal_length_mm)


def focus_spread_mm(focal_length_mm: float, near_mm: float, far_mm: float) -> float:
    """Δv between the near and the far thing on the ground glass.

    >>> round(focus_spread_mm(150, 2000, 10_000), 2)
    9.88
    """
    if far_mm <= near_mm:
        raise OutOfRange(
            f"The far thing must lie beyond the near one: more than {length_text(near_mm)}.",
            field="depth.far_mm",
            allowed=[near_mm, 1e8],
        )
    _beyond(near_mm, focal_length_mm, "depth.near_mm")
    return image_mm(near_mm, focal_length_mm) - image_mm(far_mm, focal_length_mm)


def focus_between_mm(near_mm: float, far_mm: float) -> float:
    """2·n·f/(n + f): the distance to focus on for equal blur at both limits.

    >>> round(focus_between_mm(2000, 10_000))
    3333
    """
    return 2 / (1 / near_mm + 1 / far_mm)


def best_f_number(spread_mm: float) -> float:
    """N = √(375·Δv), effective: where defocus and diffraction blur alike.

    >>> round(best_f_number(2), 1)
    27.4
    """
    return math.sqrt(SPREAD_CONSTANT * spread_mm)


def smallest_blur_f_number(spread_mm: float, blur_mm: float) -> float:
    """N = Δv/2c, effective: the widest at which near and far blur no more than c (geometry only).

    >>> smallest_blur_f_number(3, 0.1)
    15.0
    """
    return spread_mm / (2 * blur_mm)


def needed_focused(
    focal_length_mm: float, blur_mm: float, focus_image_mm: float, *ends_mm: float
) -> float:
    """N = f/c · max|1 − v/v′|, as marked: what images at v′ take when the film stands at v.

    >>> round(needed_focused(150, 0.1, 150, image_mm(2000, 150)), 1)
    112.5
    """
    off = max(abs(1 - focus_image_mm / each) for each in ends_mm)
    return focal_length_mm / blur_mm * off


def needed_between(focal_length_mm: float, blur_mm: float, near_mm: float, far_mm: float) -> float:
    """N = f/c · (v_near − v_far)/(v_near + v_far), as marked, from the images of both ends: with
    the film where both blur alike.

    >>> round(needed_between(150, 0.1, image_mm(2000, 150), image_mm(1e8, 150)), 2)
    58.44
    """
    return focal_length_mm / blur_mm * (near_mm - far_mm) / (near_mm + far_mm)


def airy_mm(f_number: float, wavelength_nm: float = DEFAULT_WAVELENGTH_NM) -> float:
    """2.44·λ·N: the diffraction disc of an effective f-number.

    >>> round(airy_mm(32), 4)
    0.0429
    """
    return 2.44 * wavelength_nm * 1e-6 * f_number


def marked(f_number: float, magnification: float) -> float:
    """N_eff/(1 + m): what is set on the lens for an effective f-number.

    >>> round(marked(43.30127, 0.5), 2)
    28.87
    """
    return f_number / (1 + magnification)


def _beyond(distance_mm: float, focal_length_mm: float, field: str) -> None:
    if distance_mm <= focal_length_mm:
        raise OutOfRange(
            "The subject must be farther away than the focal length:"
            f" more than {plain(focal_length_mm)} mm.",
            field=field,
            allowed=[focal_length_mm, 1e8],
        )
