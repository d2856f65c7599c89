"""What the page looks up: EV by level, and by a pixel's channels through a film's eyes."""

from __future__ import annotations

import math

from emulsa.core.picture.area import BT709, DARKER, LIGHTER, lights
from emulsa.core.picture.axis import STEPS_IN_A_STOP, half_up, index, indexes
from emulsa.core.picture.calibrated import LevelTable, PhotoCalibrateRequest, PixelAnswer
from emulsa.core.picture.mixture import Mixed

RINGS = 64
USUAL_LEVELS = 256
WHOLE = 65_535
FINE, COARSE, SUMS = 4_096, 16, 7_936  # sums are told one by one, then sixteen together
MIDDLE = 7.5
# What a flat panchromatic film sees through filters: fitted to the core's table of contrast
# filters, to a fifth of a stop for sky, leaf, skin and rock. Common practice, no source.
WEIGHTS: dict[str, tuple[float, float, float]] = {
    "film": (1 / 3, 1 / 3, 1 / 3),
    "yellow": (0.47, 0.48, 0.05),
    "orange": (0.64, 0.33, 0.03),
    "red": (0.90, 0.06, 0.04),
    "yellow_green": (0.22, 0.74, 0.04),
    "green": (0.02, 0.95, 0.03),
    "blue": (0.02, 0.14, 0.84),
}


def level_table(request: PhotoCalibrateRequest, mixed: Mixed) -> LevelTable:
    """EV by level in the middle of the picture."""
    each = lights(request.picture, request.levels or USUAL_LEVELS)
    found = [mixed.ev(light) for light in each]
    corner = mixed.corner
    return LevelTable(
        ev=tuple(ev for ev, _ in found),
        sigma=tuple(math.sqrt(variance + mixed.local**2) for _, variance in found),
        index=tuple(index(ev) for ev, _ in found),
        clipped=tuple(2 if y >= LIGHTER else 1 if y <= DARKER else 0 for y in each),
        falloff_index=tuple(
            half_up(STEPS_IN_A_STOP * corner * k / RINGS) for k in range(RINGS + 1)
        ),
    )


def pixel_tables(request: PhotoCalibrateRequest, mixed: Mixed) -> PixelAnswer:
    """A pixel's light by its channels, and the EV axis by their sum."""
    through = request.pixels.through if request.pixels else None
    weights = WEIGHTS[through] if through else BT709
    each = lights(request.picture, request.levels or USUAL_LEVELS)
    red, green, blue = (tuple(half_up(WHOLE * w * y) for y in each) for w in weights)
    sums = [at if at < FINE else FINE + COARSE * (at - FINE) + MIDDLE for at in range(SUMS)]
    return PixelAnswer(
        red=red,
        green=green,
        blue=blue,
        sum_index=indexes(mixed.evs([min(each / WHOLE, 1.0) for each in sums])),
    )
