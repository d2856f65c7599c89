"""A print before there is paper: tables from the levels of a scan to the greys of the print.

The page applies them to the picture. A level is light through the film (sRGB of a scan), light a
net density; a positive is turned back by a normal print. The paper answers to the sum of its parts:
its range is that of the filters, each by its share of the time (typical, no source). Exposure
counts from the base time that was found right.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Annotated

from emulsa.core.errors import CoreError, Missing
from emulsa.core.kit.printing import PrintingPaper
from emulsa.core.light.srgb import level_of
from emulsa.core.limits import Id, Within
from emulsa.core.printing.grade import range_of
from emulsa.core.prints.lamp import Lamp, lamp, on_its_own, own_light, worth
from emulsa.core.prints.record import PlannedArea, Print, PrintPlan
from emulsa.core.rendering.negative import net_density
from emulsa.core.rendering.paper import Paper, lightness, response
from emulsa.core.sensitometry.scanning import Sample, ScanRequest, light

LEVELS = 256
STOPS = tuple(step / 12 for step in range(37))  # what is dragged: to three stops, in twelfths
SECONDS = tuple(step / 2 for step in range(61))  # to half a minute, in half seconds
MIDDLE = 5.0
NORMAL_RANGE = 1.05
DARKEST = 1e-4  # of light: a scan tells no more
ClearLevel = Annotated[float, Within("The level of clear film", 1, 255)]


@dataclass(frozen=True, kw_only=True, slots=True)
class AreaTable:
    """Greys where an area is worked in full."""

    id: Id
    greys: tuple[int, ...]


@dataclass(frozen=True, kw_only=True, slots=True)
class AreaStep:
    """Greys where an area gets so much, in stops or seconds as the area is counted."""

    amount: float
    greys: tuple[int, ...]


@dataclass(frozen=True, kw_only=True, slots=True)
class PreviewTables:
    """Greys of the print (0 to 255, as a screen shows them) by the level of the scan."""

    base: tuple[int, ...]
    areas: tuple[AreaTable, ...]


def preview(print_: Print, paper: PrintingPaper | None, nets: Sequence[float]) -> PreviewTables:
    """The tables of a plan; ``nets`` is the negative's density at each level of its picture."""
    answer = lamp(print_.plan)
    base = _base(answer)
    greys = _greys(print_, paper, nets, base)
    return PreviewTables(
        base=greys(base),
        areas=tuple(
            AreaTable(id=each.id, greys=_shade(each, print_.plan, answer, greys))
            for each in print_.plan.areas
        ),
    )


def area_steps(
    print_: Print, paper: PrintingPaper | None, nets: Sequence[float], area_id: str
) -> tuple[AreaStep, ...]:
    """Greys of one area for every amount one may drag it to; none for what cannot be worked."""
    area = next((each for each in print_.plan.areas if each.id == area_id), None)
    if area is None:
        raise Missing("This area is not in the plan.", field="area_id")
    base = _base(lamp(replace(print_.plan, areas=())))
    greys = _greys(print_, paper, nets, base)
    burn = _burn_of(area, print_.plan)
    steps = []
    for amount in STOPS if area.stops is not None else SECONDS:
        other = (
            replace(area, stops=amount) if area.stops is not None else replace(area, seconds=amount)
        )
        try:
            plan = replace(print_.plan, areas=(burn, other) if burn else (other,))
            answer = lamp(plan)
        except CoreError:
            continue  # held back for all of its part
        steps.append(AreaStep(amount=amount, greys=_shade(other, plan, answer, greys)))
    return tuple(steps)


def _base(answer: Lamp) -> dict[str, float]:
    return {row.id: row.seconds for row in answer.parts}


def _burn_of(area: PlannedArea, plan: PrintPlan) -> PlannedArea | None:
    """The burn of its own that an area is held back in."""
    return next((each for each in plan.areas if each.id == area.part and on_its_own(each)), None)


def _greys(
    print_: Print, paper: PrintingPaper | None, nets: Sequence[float], base: Mapping[str, float]
) -> Callable[[Mapping[str, float]], tuple[int, ...]]:
    """Greys by level of what has had so many seconds in each part."""
    right = print_.right_s or math.fsum(base.values())
    ranges = {each.label: each.range for each in paper.filters} if paper else {}
    of_part = {each.id: _range(each.label, ranges) for each in print_.plan.parts}
    for each in print_.plan.areas:
        if on_its_own(each) and own_light(each).filter:
            of_part[each.id] = _range(own_light(each).filter, ranges)

    def greys(times: Mapping[str, float]) -> tuple[int, ...]:
        tone = _tone(times, right, of_part, paper)
        return tuple(tone(each) for each in nets)

    return greys


@lru_cache(8)
def of_negative(clear: float) -> tuple[float, ...]:
    """Densities by level of a scanned negative; ``clear`` is the level of its lightest film."""
    return tuple(map(_negative(clear), range(LEVELS)))


@lru_cache(1)
def of_positive() -> tuple[float, ...]:
    """Densities by level of a picture that is positive already, as of a normal print."""
    return tuple(map(_positive, range(LEVELS)))


def _negative(clear: float) -> Callable[[int], float]:
    """Net density of a level, over clear film."""
    asked = ScanRequest(
        encoding="srgb", white=255, clear_level=clear, samples=(Sample(id="a", level=0),)
    )
    over = max(light(clear, asked), DARKEST)
    return lambda level: max(0.0, math.log10(over / max(light(level, asked), DARKEST)))


def _positive(level: int) -> float:
    """The net density that a normal print shows at this grey."""
    lightest = level / 255 * 100
    low, high = -1.0, 11.0
    paper = response(Paper())
    for _ in range(30):
        zone = (low + high) / 2
        shown = lightness(10 ** -paper(net_density(MIDDLE) - net_density(zone)))
        low, high = (zone, high) if shown < lightest else (low, zone)
    return net_density((low + high) / 2)


def _range(label: str, ranges: Mapping[str, float]) -> float:
    """The range of a filter: the paper's own, else that of the grade its name says."""
    if label in ranges:
        return ranges[label]
    words = label.replace("½", ".5").replace("grade", "").strip().lower()
    if words in ("soft", "soft filter"):
        return range_of(0)
    if words in ("hard", "hard filter"):
        return range_of(5)
    try:
        return range_of(float(words))
    except ValueError:
        return NORMAL_RANGE


def _shade(
    area: PlannedArea,
    plan: PrintPlan,
    answer: Lamp,
    greys: Callable[[Mapping[str, float]], tuple[int, ...]],
) -> tuple[int, ...]:
    """Greys where an area is worked. What is held back in a burn of its own is lighter than where
    it burns; the page lays it over that, so it is told as that much lighter than the whole."""
    base = _base(answer)
    burned = {
        each.area.id: each.row.seconds * worth(each.area, plan)
        for each in answer.burns
        if on_its_own(each.area)
    }
    if area.id in burned:
        return greys(base | {area.id: burned[area.id]})
    if area.act == "burn":
        row = next(each.row for each in answer.burns if each.area.id == area.id)
        return greys(base | {area.part: base[area.part] + row.seconds})
    lit = (*answer.parts, *(each.row for each in answer.burns))
    held = next(each for row in lit for each in row.dodges if each.id == area.id).hold_s
    burn = _burn_of(area, plan)
    if burn is None:
        return greys(base | {area.part: max(0.0, base[area.part] - held)})
    fully = burned[burn.id]
    lighter = greys(base | {burn.id: max(0.0, fully - held * worth(burn, plan))})
    return tuple(
        whole + less - more
        for whole, less, more in zip(
            greys(base), lighter, greys(base | {burn.id: fully}), strict=True
        )
    )


def _tone(
    times: Mapping[str, float],
    right: float,
    ranges: Mapping[str, float],
    paper: PrintingPaper | None,
) -> Callable[[float], int]:
    """The grey of a net density after so many seconds in each part."""
    total = math.fsum(times.values())
    if total <= 0:
        return lambda _: 255
    mixed = math.fsum(t * ranges.get(part, NORMAL_RANGE) for part, t in times.items()) / total
    answer = response(
        Paper(
            range=mixed,
            dmax=paper.dmax if paper else 2.1,
            dmin=paper.dmin if paper else 0.05,
            steps=paper.steps if paper and len(ranges) == 1 else (),
        )
    )
    more = math.log10(total / right)
    middle = net_density(MIDDLE)
    white = 10 ** -(paper.dmin if paper else 0.05)
    return lambda net: _shown(10 ** -answer(middle - net + more) / white)


def _shown(reflectance: float) -> int:
    """A reflectance against the paper's white, as sRGB shows it."""
    return level_of(reflectance)


def preview_says(print_: Print, paper: PrintingPaper | None, by_scene: bool = False) -> str:
    """How good the preview of a print is; ``by_scene`` where there is no scan yet."""
    known = "the paper’s own measured steps" if paper and paper.steps else "a typical paper"
    start = "" if print_.right_s else " Choose a strip, and its brightness is right too."
    seen = (
        " No scan yet: it is seen from the scene’s picture, as it was exposed." if by_scene else ""
    )
    return f"A preview, by {known}: it shows relations, not the print itself.{start}{seen}"
