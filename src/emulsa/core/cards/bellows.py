"""Cards for close subjects: the bellows table, and a target to cut out and lay in the picture."""

from __future__ import annotations

import math
from dataclasses import dataclass

from emulsa.core.cards.table import Card
from emulsa.core.corrections import bellows
from emulsa.core.corrections.filters import factor_to_stops
from emulsa.core.kit.bag import KitLens
from emulsa.core.numbers import plain
from emulsa.core.written import length_text, stops_text

LARGEST_M = 1.0
ROWS = 16
TARGET_MM = 50.0
RULER_THIRDS = 7  # thirds of a stop on the ruler: to 2⅓ stops, m = 1.24


@dataclass(frozen=True, kw_only=True, slots=True)
class Mark:
    """A mark on the ruler: how long the target's image is, and what that costs."""

    image_mm: float
    stops: float
    text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class Target:
    """A square to lay in the picture, and the ruler that reads its image on the ground glass."""

    side_mm: float
    ruler: tuple[Mark, ...]


def bellows_chart(lens: KitLens) -> Card:
    """Draw beyond infinity focus → factor and stops, to life size, by steps a hand measures."""
    optics = lens.optics
    longest = optics.focal_length_mm * LARGEST_M
    step = _step(longest / (ROWS - 1))
    rows, figures = [], []
    for place in range(int(longest / step + 1e-9) + 1):
        draw = place * step
        m = bellows.from_draw(draw, optics.focal_length_mm)
        factor = bellows.factor(m, optics.pupil_magnification)
        scale = f"1 : {1 / m:.2g}" if m else ""
        stops = stops_text(round(factor_to_stops(factor) * 3) / 3)
        rows.append((length_text(draw), scale, f"{factor:.2f}", stops))
        figures.append((draw, factor, factor_to_stops(factor)))
    note = "Draw is measured from the standard's place at infinity focus; right for any lens."
    return Card(
        title=f"Bellows, {lens.name}",
        holds_for=f"focal length {plain(optics.focal_length_mm)} mm,"
        f" pupil magnification {plain(optics.pupil_magnification)}",
        columns=("draw", "scale", "factor", "stops"),
        rows=tuple(rows),
        notes=(note,),
        figured=("draw_mm", "factor", "stops"),
        figures=tuple(figures),
    )


def bellows_target(lens: KitLens, side_mm: float = TARGET_MM) -> Target:
    """A target of known side and a ruler in thirds of a stop for its image; right for any lens of
    this pupil magnification, since m = image/target.

    >>> from emulsa.core.corrections.optics import Lens
    >>> lens = KitLens(
    ...     id="l", name="l", optics=Lens(focal_length_mm=150, widest="5.6", smallest="64")
    ... )
    >>> round(bellows_target(lens).ruler[2].image_mm, 1)
    20.7
    """
    pupil = lens.optics.pupil_magnification
    marks = []
    for third in range(1, RULER_THIRDS + 1):
        m = bellows.magnification_for(third / 3, pupil)
        marks.append(Mark(image_mm=m * side_mm, stops=third / 3, text=stops_text(third / 3)))
    return Target(side_mm=side_mm, ruler=tuple(marks))


def _step(wanted_mm: float) -> float:
    """A round step no smaller than wanted: 1, 2, 2.5, 5 × a power of ten."""
    power = 10.0 ** math.floor(math.log10(wanted_mm))
    return next(power * each for each in (1, 2, 2.5, 5, 10) if power * each >= wanted_mm * 0.999)
