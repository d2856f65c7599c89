"""Movement: how long a moving thing stays sharp.

t = c/(m·s) for a thing crossing the view at s mm/s, with m = f/(u − f); c is the blur allowed on
the film. Definition. Star trails: the sky turns once in a sidereal day.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated

from emulsa.core.corrections.bellows import from_subject
from emulsa.core.limits import Label, Within

Speed = Annotated[float, Within("The speed", 0.01, 100_000, "mm/s")]
Away = Annotated[float, Within("The distance of what moves", 10, 1e8, "mm")]

BlurTimes = Annotated[float, Within("How often the sharp time", 2, 10_000)]

SIDEREAL_DAY_S = 86_164.1


@dataclass(frozen=True, kw_only=True, slots=True)
class Movement:
    """What moves, how fast across the view, and how far away; empty: where the focus is.
    ``blur_times``: it shall not be sharp but flow, for so many times as long as it would be; empty:
    it shall be sharp."""

    what: Label = ""
    speed_mm_s: Speed
    distance_mm: Away | None = None
    blur_times: BlurTimes | None = None


def longest_s(blur_mm: float, magnification: float, speed_mm_s: float) -> float | None:
    """t = c/(m·s); nothing when the image does not move (m = 0).

    >>> round(longest_s(0.1, 300 / 9700, 20) or 0, 4)
    0.1617
    """
    if magnification <= 0:
        return None
    return blur_mm / (magnification * speed_mm_s)


def limit_s(
    movement: Movement | None, blur_mm: float, focal_length_mm: float, magnification: float
) -> float | None:
    """The longest time for what moves before a lens to be sharp; nothing when nothing is known to
    move."""
    if movement is None:
        return None
    m = magnification
    if movement.distance_mm is not None:
        m = from_subject(movement.distance_mm, focal_length_mm)
    return longest_s(blur_mm, m, movement.speed_mm_s)


def star_speed_mm_s(focal_length_mm: float) -> float:
    """f·ω: how fast a star at the equator crosses the film.

    >>> round(star_speed_mm_s(150), 4)
    0.0109
    """
    return focal_length_mm * 2 * math.pi / SIDEREAL_DAY_S
