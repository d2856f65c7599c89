"""Bellows: what racking the lens out costs.

factor = (1 + m/P)², which is (v/f)² for a symmetrical lens (P = 1). Magnification m comes from
the draw beyond infinity focus x/f (right for any lens, telephoto too), the extension v/f − 1, a
target of known size, or the subject distance f/(u − f). Sources: The Manual of Photography;
Stroebel, View Camera Technique (pupil magnification P).
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.errors import OutOfRange
from emulsa.core.limits import Draw, Within
from emulsa.core.numbers import plain

Extension = Annotated[float, Within("The extension", 5, 6_000, "mm")]
Magnification = Annotated[float, Within("The magnification", 0, 20)]
Size = Annotated[float, Within("The size", 0.1, 10_000, "mm")]
Distance = Annotated[float, Within("The subject distance", 1, 1e8, "mm")]


@dataclass(frozen=True, kw_only=True, slots=True)
class Infinity:
    """Focused far away: nothing to correct."""

    kind: Literal["infinity"] = "infinity"


@dataclass(frozen=True, kw_only=True, slots=True)
class ByDraw:
    """Draw beyond infinity focus."""

    kind: Literal["draw"] = "draw"
    draw_mm: Draw


@dataclass(frozen=True, kw_only=True, slots=True)
class ByExtension:
    """Lens to film."""

    kind: Literal["extension"] = "extension"
    extension_mm: Extension


@dataclass(frozen=True, kw_only=True, slots=True)
class ByMagnification:
    """Image size over subject size."""

    kind: Literal["magnification"] = "magnification"
    m: Magnification


@dataclass(frozen=True, kw_only=True, slots=True)
class ByTarget:
    """A target of known size, measured on the ground glass."""

    kind: Literal["target"] = "target"
    target_mm: Size
    image_mm: Size


@dataclass(frozen=True, kw_only=True, slots=True)
class BySubject:
    """Subject to lens."""

    kind: Literal["subject"] = "subject"
    distance_mm: Distance


Focus = Infinity | ByDraw | ByExtension | ByMagnification | ByTarget | BySubject


def from_draw(draw_mm: float, focal_length_mm: float) -> float:
    """m = x / f.

    >>> from_draw(30, 150)
    0.2
    """
    return draw_mm / focal_length_mm


def from_extension(extension_mm: float, focal_length_mm: float) -> float:
    """m = v / f − 1, for v ≥ f; OutOfRange below.

    >>> from_extension(300, 150)
    1.0
    """
    if extension_mm < focal_length_mm:
        raise OutOfRange(
            f"The extension cannot be shorter than the focal length: {plain(focal_length_mm)}"
            " mm or more; for a telephoto give the draw beyond infinity focus instead.",
            field="focus.extension_mm",
            allowed=[focal_length_mm, 6_000],
        )
    return extension_mm / focal_length_mm - 1


def from_target(target_mm: float, image_mm: float) -> float:
    """m = image / target.

    >>> from_target(50, 10)
    0.2
    """
    return image_mm / target_mm


def from_subject(distance_mm: float, focal_length_mm: float) -> float:
    """m = f / (u − f), for u > f (thin lens); OutOfRange at or inside the focal length.

    >>> from_subject(300, 150)
    1.0
    """
    if distance_mm <= focal_length_mm:
        raise OutOfRange(
            "The subject must be farther away than the focal length:"
            f" more than {plain(focal_length_mm)} mm.",
            field="focus.distance_mm",
            allowed=[focal_length_mm, 1e8],
        )
    return focal_length_mm / (distance_mm - focal_length_mm)


def from_conjugates(total_mm: float, focal_length_mm: float) -> float:
    """The smaller m with object-to-film distance D = f·(2 + m + 1/m), for D ≥ 4f (thin lens)."""
    if total_mm < 4 * focal_length_mm:
        raise OutOfRange(
            "From subject to film there must be four focal lengths or more:"
            f" {plain(4 * focal_length_mm)} mm.",
            field="focus.distance_mm",
            allowed=[4 * focal_length_mm, 1e8],
        )
    half = total_mm / focal_length_mm / 2 - 1
    return half - math.sqrt(half * half - 1)


def factor(magnification: float, pupil_magnification: float = 1.0) -> float:
    """(1 + m/P)², for m ≥ 0 and P > 0.

    >>> factor(0.2)
    1.44
    """
    return (1 + magnification / pupil_magnification) ** 2


def magnification_for(stops: float, pupil_magnification: float = 1.0) -> float:
    """m at which the extension costs so many stops: P · (2^(s/2) − 1).

    >>> round(magnification_for(1), 2), round(magnification_for(1 / 3), 2)
    (0.41, 0.12)
    """
    return float(pupil_magnification * (2 ** (stops / 2) - 1))


def tilted_back_factor(
    extension_mm: float, focal_length_mm: float, tilt_deg: float, along_mm: float
) -> float:
    """((v + y·sin τ)/f)²: the factor at ``along_mm`` up a back tilted by τ; no cos⁴ in it."""
    axial_mm = extension_mm + along_mm * math.sin(math.radians(tilt_deg))
    return (axial_mm / focal_length_mm) ** 2


def magnification(focus: Focus, focal_length_mm: float) -> float:
    """m of any focus statement; an image magnified beyond 20 is refused as a slip."""
    if isinstance(focus, Infinity):
        return 0.0
    if isinstance(focus, ByDraw):
        m, field = from_draw(focus.draw_mm, focal_length_mm), "focus.draw_mm"
    elif isinstance(focus, ByExtension):
        m, field = from_extension(focus.extension_mm, focal_length_mm), "focus.extension_mm"
    elif isinstance(focus, ByTarget):
        m, field = from_target(focus.target_mm, focus.image_mm), "focus.image_mm"
    elif isinstance(focus, BySubject):
        m, field = from_subject(focus.distance_mm, focal_length_mm), "focus.distance_mm"
    else:
        m, field = focus.m, "focus.m"
    return Within("The magnification this gives", 0, 20).check(m, field)
