"""A record of the kit as a small drawing beside its name, each kind to one common scale.

Places are shares of a strip, 0 to 1, so that a list of lenses, filters or recipes can be compared
down the page without reading.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable
from dataclasses import dataclass
from typing import Any, Literal

from emulsa.core.corrections.filters import strength
from emulsa.core.corrections.pinhole import PinholeRequest, pinhole
from emulsa.core.corrections.reciprocity import ReciprocityRequest, reciprocity
from emulsa.core.errors import CoreError
from emulsa.core.kit.bag import KitFilter, KitLens, KitPinhole
from emulsa.core.kit.darkroom import Bottle, Line, Tank
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.kit.pictured import AUTHORS, LADDER, ladder
from emulsa.core.kit.printing import PrintingPaper
from emulsa.core.light.marks import f_number, seconds
from emulsa.core.numbers import counted, plain
from emulsa.core.tones.zones import zone_text

Kind = Literal["film", "span", "hole", "bar", "marks", "blocks", "level", "cells", "ranges"]

STOPS = 14.0  # from f/1 to f/128: the scale of all lenses
FILTER_STOPS = 10.0
LARGEST_MM = 1.0  # hole, or ring, that fills its square
LONGEST_MIN = 30.0  # of the scale of recipes, by its logarithm
SHORTEST_MIN = 2.0
PAPER_RANGE = 2.0  # log exposure: the scale of all papers
BEND_S = (1.0, 10.0, 100.0)  # where a film's law is drawn
BEND_STOPS = 4.0
MOST_CELLS = 12
WATERS = ("presoak", "rinse", "wash")


@dataclass(frozen=True, slots=True)
class DrawnPart:
    """A stretch of the strip, or a place on it; filled, or open."""

    start: float
    end: float
    filled: bool = True


@dataclass(frozen=True, slots=True)
class RecordDrawn:
    """How a record is drawn, its parts, and what they show in words."""

    kind: Kind
    parts: tuple[DrawnPart, ...]
    text: str


def drawn(record: Any) -> RecordDrawn | None:
    """The drawing of a record; nothing for what has none, and for what cannot be worked out."""
    draw = DRAWS.get(type(record))
    try:
        found: RecordDrawn | None = draw(record) if draw else None
    except CoreError:  # a recipe without times yet, a hole nobody makes
        return None
    return found


def _share(value: float) -> float:
    return round(min(1.0, max(0.0, value)), 4)


def _film(film: Film) -> RecordDrawn:
    """Its texture on the eleven greys, then the stops its law adds at 1, 10 and 100 s."""
    low, high = film.textural_range
    parts = [DrawnPart(_share(low / 11), _share((high + 1) / 11))]
    bend = ""
    if film.law is not None:
        given = reciprocity(ReciprocityRequest(law=film.law, metered_s=BEND_S)).results
        lost = [math.log2(each.corrected_s / each.metered_s) for each in given]
        parts += [DrawnPart(_share(stops / BEND_STOPS), 0.0, filled=False) for stops in lost]
        bend = f"; at 100 s it needs {plain(round(lost[-1], 1))} stops more"
    return RecordDrawn(
        "film", tuple(parts), f"texture from {zone_text(low)} to {zone_text(high)}{bend}"
    )


def _lens(lens: KitLens) -> RecordDrawn | None:
    """Its apertures on the scale of all lenses; dots for measured speeds, off the middle by their
    error."""
    optics = lens.optics
    if optics.widest is None or optics.smallest is None:
        return None
    widest, smallest = (
        _share(2 * math.log2(f_number(each)) / STOPS) for each in (optics.widest, optics.smallest)
    )
    measured = [
        math.log2(each.seconds / seconds(each.mark)) / 2 for each in optics.shutter.measured
    ]
    return RecordDrawn(
        "span",
        (
            DrawnPart(widest, smallest),
            *(DrawnPart(_share(0.5 + off), 0.0, filled=False) for off in measured),
        ),
        f"f/{optics.widest} to f/{optics.smallest}"
        + (f", {counted(len(measured), 'speed')} measured" if measured else ""),
    )


def _pinhole(hole: KitPinhole) -> RecordDrawn:
    """The hole beside the ring of the usual best diameter for its distance."""
    optics = hole.optics
    asked = PinholeRequest(diameter_mm=optics.diameter_mm, distance_mm=optics.distance_mm)
    best = pinhole(asked).optimum_mm["rayleigh"]
    return RecordDrawn(
        "hole",
        (
            DrawnPart(0.0, _share(optics.diameter_mm / LARGEST_MM)),
            DrawnPart(0.0, _share(best / LARGEST_MM), filled=False),
        ),
        f"hole {plain(optics.diameter_mm)} mm; {AUTHORS['rayleigh']} is {best:.2f} mm",
    )


def _filter(each: KitFilter) -> RecordDrawn:
    stops = strength(each.filter, "daylight")
    return RecordDrawn(
        "bar", (DrawnPart(0.0, _share(stops / FILTER_STOPS)),), f"{plain(round(stops, 2))} stops"
    )


def _recipe(recipe: FilmRecipe) -> RecordDrawn:
    """N−2 to N+2 as marks on the scale of all recipes' minutes: filled where somebody tested."""
    rungs = ladder(recipe.recipe)
    span = math.log(LONGEST_MIN / SHORTEST_MIN)
    return RecordDrawn(
        "marks",
        tuple(
            DrawnPart(_share(math.log(each.minutes / SHORTEST_MIN) / span), 0.0, not each.estimated)
            for each in rungs
        ),
        f"N−2 to N+2: {rungs[0].minutes_text} to {rungs[len(LADDER) - 1].minutes_text}",
    )


def _line(line: Line) -> RecordDrawn:
    """The baths as long as they last; waters are open. Drying would leave no room for the rest."""
    wet = [each for each in line.baths if each.kind != "dry"]
    whole = math.fsum(each.seconds for each in wet)
    parts, at = [], 0.0
    for each in wet:
        end = at + each.seconds / whole
        parts.append(DrawnPart(_share(at), _share(end), each.kind not in WATERS))
        at = end
    return RecordDrawn("blocks", tuple(parts), ", ".join(each.name for each in line.baths))


def _bottle(bottle: Bottle) -> RecordDrawn | None:
    """What is left in it."""
    if not bottle.capacity_rolls:
        return None
    left = 1 - bottle.used_rolls / bottle.capacity_rolls
    rolls = plain(max(0.0, bottle.capacity_rolls - bottle.used_rolls))
    return RecordDrawn("level", (DrawnPart(0.0, _share(left)),), f"{rolls} rolls left in it")


def _tank(tank: Tank) -> RecordDrawn:
    shown = min(tank.holds, MOST_CELLS)
    return RecordDrawn(
        "cells",
        tuple(DrawnPart(each / MOST_CELLS, (each + 1) / MOST_CELLS) for each in range(shown)),
        counted(tank.holds, "sheet"),
    )


def _paper(paper: PrintingPaper) -> RecordDrawn:
    """The range of each filter or grade, the softest longest."""
    ranges: Iterable[float] = sorted((each.range for each in paper.filters), reverse=True)
    return RecordDrawn(
        "ranges",
        tuple(DrawnPart(0.0, _share(each / PAPER_RANGE)) for each in ranges),
        ", ".join(f"{each.label} {plain(each.range)}" for each in paper.filters),
    )


DRAWS: dict[type, Callable[[Any], RecordDrawn | None]] = {
    Film: _film,
    KitLens: _lens,
    KitPinhole: _pinhole,
    KitFilter: _filter,
    FilmRecipe: _recipe,
    Line: _line,
    Bottle: _bottle,
    Tank: _tank,
    PrintingPaper: _paper,
}
