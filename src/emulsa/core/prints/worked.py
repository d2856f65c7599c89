"""A print's plan worked out: bars of time, sums, advice, the paper it wants, and what changed."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass

from emulsa.core.errors import CoreError
from emulsa.core.kit.printing import Enlarger, PrintingPaper
from emulsa.core.light.hand_time import time_text
from emulsa.core.light.marks import f_number
from emulsa.core.printing.grade import WANTS, OwnPaper, PaperGradeRequest, paper_grade
from emulsa.core.prints.bars import RowBar, bars, seconds_text
from emulsa.core.prints.differences import amount_text, differences
from emulsa.core.prints.lamp import Lamp, lamp
from emulsa.core.prints.layout import Layout, layout
from emulsa.core.prints.record import Print, PrintPlan
from emulsa.core.written import size_words


@dataclass(frozen=True, kw_only=True, slots=True)
class AreaAmount:
    """What an area gets, as it stands on the picture: +1, −⅔, +3 s."""

    id: str
    text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class PrintWorked:
    """Everything the column beside the picture says; ``wants`` which of the negative's densities
    choose the paper; ``problem`` when the plan cannot be worked,
    with the field at fault."""

    base_text: str
    burned_text: str
    sums_text: str
    rows: tuple[RowBar, ...]
    areas: tuple[AreaAmount, ...]
    longest_s: float
    total_s: float
    advice: tuple[str, ...]
    grade_text: str
    wants: str
    layout: Layout
    changed: tuple[str, ...]
    problem: str
    field: str | None


def worked_out(
    print_: Print,
    paper: PrintingPaper | None,
    picture: tuple[int, int] | None,
    enlarger: Enlarger | None = None,
    negative_long_mm: float | None = None,
    last: PrintPlan | None = None,
) -> PrintWorked:
    """The plan as it stands, beside the ``last`` that was printed; it never refuses, it says what
    is wrong."""
    answer, problem, field = None, "", None
    try:
        answer = lamp(print_.plan)
    except CoreError as refusal:
        problem, field = refusal.message, refusal.field
    rows = bars(print_.plan, answer) if answer else ()
    return PrintWorked(
        base_text=_base_text(answer) if answer else "",
        burned_text=_burned_text(answer) if answer else "",
        sums_text=_sums(print_.plan, paper) if answer else "",
        rows=rows,
        areas=tuple(AreaAmount(id=each.id, text=amount_text(each)) for each in print_.plan.areas),
        longest_s=max((each.seconds for each in rows), default=1.0),
        total_s=answer.total_s if answer else 0.0,
        advice=(
            *(each.text for each in (answer.advice if answer else ())),
            *_reach(print_.plan, enlarger),
        ),
        grade_text=_grade(print_, paper),
        wants=WANTS,
        layout=layout(
            print_.plan.sheet, picture, print_.plan.setting.magnification, negative_long_mm
        ),
        changed=tuple(differences(last, print_.plan)) if last else (),
        problem=problem,
        field=field,
    )


def _reach(plan: PrintPlan, enlarger: Enlarger | None) -> Iterator[str]:
    """What this enlarger cannot be set to."""
    if enlarger is None:
        return
    size = plan.setting.magnification
    low, high = enlarger.least_magnification, enlarger.most_magnification
    if not low - 1e-9 <= size <= high + 1e-9:
        yield f"{enlarger.name} goes from {low:g} to {high:g} ×; {size:g} × needs another lens."
    widest, smallest, now = (
        f_number(each) for each in (enlarger.widest, enlarger.smallest, plan.setting.aperture)
    )
    if not widest * 0.99 <= now <= smallest * 1.01:
        yield f"Its lens has f/{enlarger.widest} to f/{enlarger.smallest}."


def _base_text(answer: Lamp) -> str:
    return seconds_text(math.fsum(each.seconds for each in answer.parts))


def _burned_text(answer: Lamp) -> str:
    burned = math.fsum(each.row.seconds for each in answer.burns)
    return f"+ {seconds_text(burned)} burned" if burned else ""


def _sums(plan: PrintPlan, paper: PrintingPaper | None) -> str:
    parts, areas = len(plan.parts), len(plan.areas)
    said = [f"{parts} part{'s' if parts > 1 else ''}"]
    if areas:
        said.append(f"{areas} area{'s' if areas > 1 else ''}")
    if plan.drying_down:
        said.append(f"{100 * plan.drying_down:.0f} % off every time for drying down")
    if paper and paper.baths:
        said.append(f"{time_text(paper.baths[0].seconds)} in the {paper.baths[0].name.lower()}")
    return ", ".join(said)


def _grade(print_: Print, paper: PrintingPaper | None) -> str:
    """The paper, or the filter, that the negative's densities ask for."""
    if print_.low is None or print_.high is None:
        return ""
    own = tuple(OwnPaper(label=f.label, range=f.range) for f in paper.filters) if paper else ()
    own = own if len(own) > 1 else ()
    found = paper_grade(PaperGradeRequest(low=print_.low, high=print_.high, papers=own))
    named = f"{found.grade}" if own else f"grade {found.grade}"
    said = f"Its densities ask for {named}"
    if found.lost_stops > 1 / 6:
        return f"{said}; {size_words(found.lost_stops)} too many for it."
    if found.grey_stops > 1 / 6:
        return f"{said}; it leaves {size_words(found.grey_stops)} of grey."
    return f"{said}."
