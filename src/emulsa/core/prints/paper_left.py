"""Paper that is left: what prints and test strips took of the boxes that were open."""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from emulsa.core.film.stock import LOW_SHARE
from emulsa.core.kit.printing import PaperBox, PrintingPaper
from emulsa.core.numbers import counted
from emulsa.core.written import area_text, day_words, money_text

ENOUGH = 1e-9


@dataclass(frozen=True, kw_only=True, slots=True)
class PaperUse:
    """A sheet of this size that a print was made on, or a strip cut from one, on a day."""

    width_mm: float
    height_mm: float
    day: str
    strip: bool = False


@dataclass(frozen=True, kw_only=True, slots=True)
class BoxLeft:
    """What is left of a box in words and as a share of it, and what is worth saying about it."""

    size_text: str
    left: float
    share: float
    left_text: str
    says: str
    low: bool


def left_of(paper: PrintingPaper, uses: Iterable[PaperUse]) -> tuple[BoxLeft, ...]:
    """Every box of a paper. A print takes a sheet, however it lay, from the box of its size that
    was opened last before it; a strip its share of one."""
    taken = [0.0] * len(paper.boxes)
    for use in uses:
        place = _box_of(use, paper.boxes)
        if place is not None:
            taken[place] += 1 / paper.boxes[place].cut if use.strip else 1.0
    return tuple(_left(box, gone) for box, gone in zip(paper.boxes, taken, strict=True))


def _box_of(use: PaperUse, boxes: Sequence[PaperBox]) -> int | None:
    size = {use.width_mm, use.height_mm}
    there = [
        (each.opened, place)
        for place, each in enumerate(boxes)
        if each.opened and each.opened <= use.day and {each.width_mm, each.height_mm} == size
    ]
    return max(there)[1] if there else None


def _left(box: PaperBox, taken: float) -> BoxLeft:
    left = max(0.0, box.sheets - box.gone - taken)
    whole = math.floor(left + ENOUGH)
    strips = round((left - whole) * box.cut)
    low = left <= LOW_SHARE * box.sheets + ENOUGH
    said = [
        f"opened {day_words(box.opened)}" if box.opened else "not opened",
        "" if box.price is None else f"{money_text(box.price / box.sheets)} a sheet",
        "" if not low else "empty" if left <= ENOUGH else "time to buy",
    ]
    return BoxLeft(
        size_text=area_text((box.width_mm, box.height_mm)),
        left=left,
        share=left / box.sheets,
        left_text=f"{whole}"
        + (f" and {counted(strips, 'strip')}" if strips else "")
        + f" of {counted(box.sheets, 'sheet')} left",
        says=", ".join(filter(None, said)),
        low=low,
    )
