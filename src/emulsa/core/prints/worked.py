"""A print's plan worked out: bars of time, sums, advice, the paper it wants, and what changed."""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass

from emulsa.core.errors import CoreError
from emulsa.core.kit.printing import Enlarger, PrintingPaper
from emulsa.core.light.hand_time import time_text
from emulsa.core.light.marks import f_number
from emulsa.core.printing.grade import WANTS, OwnPaper, PaperGradeRequest, paper_grade
from emulsa.core.printing.plan import (
    WHITE,
    PrintPlanAnswer,
    PrintPlanRequest,
    PrintRow,
    print_plan,
)
from emulsa.core.prints.layout import Layout, layout
from emulsa.core.prints.record import PlannedArea, Print, PrintPlan, PrintTry
from emulsa.core.written import size_text, size_words


@dataclass(frozen=True, kw_only=True, slots=True)
class HoldBar:
    """A hold inside its part: from when, how long, in words."""

    id: str
    label: str
    start_s: float
    hold_s: float
    text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class LampCue:
    """What is said while the lamp is on, so many seconds after its time began."""

    at_s: float
    text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class RowBar:
    """A time the lamp is on: what, its seconds and words, its holds, and what is said when."""

    id: str
    title: str
    act: str
    seconds: float
    set_s: float
    text: str
    holds: tuple[HoldBar, ...]
    cues: tuple[LampCue, ...]


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


def request_of(plan: PrintPlan) -> PrintPlanRequest:
    """A plan as the operation takes it."""
    return PrintPlanRequest(
        parts=plan.parts,
        areas=plan.areas,
        lamp_lag_s=plan.lamp_lag_s,
        drying_down=plan.drying_down,
    )


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
        answer = print_plan(request_of(print_.plan))
    except CoreError as refusal:
        problem, field = refusal.message, refusal.field
    labels = {each.id: each.label.lower() for each in print_.plan.parts}
    rows = tuple(_bar(each, labels) for each in answer.rows) if answer else ()
    return PrintWorked(
        base_text=_base_text(answer) if answer else "",
        burned_text=_burned_text(answer) if answer else "",
        sums_text=_sums(print_.plan, paper) if answer else "",
        rows=rows,
        areas=tuple(AreaAmount(id=each.id, text=_amount(each)) for each in print_.plan.areas),
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


def seconds_text(seconds: float) -> str:
    """Seconds as one sets them: tenths under ten.

    >>> seconds_text(3.31), seconds_text(15.02), seconds_text(29.97)
    ('3.3 s', '15 s', '30 s')
    """
    return f"{seconds:.1f} s".replace(".0 s", " s") if seconds < 9.95 else f"{seconds:.0f} s"


def _bar(row: PrintRow, labels: Mapping[str, str]) -> RowBar:
    burned = row.act == "burn"
    if burned:
        where = "without a filter" if row.part == WHITE else labels[row.part]
        stops = f" ({size_text(row.stops)})" if row.stops else ""
        text = f"+{seconds_text(row.seconds)}{stops}"
        title = f"Burn {row.label.lower()}, {where}"
    else:
        title, text = row.label, seconds_text(row.seconds)
    return RowBar(
        id=row.id,
        title=title,
        act=row.act,
        seconds=row.seconds,
        set_s=row.set_s,
        text=text,
        holds=tuple(
            HoldBar(
                id=each.id,
                label=each.label,
                start_s=each.start_s,
                hold_s=each.hold_s,
                text=f"{each.label.lower()} {seconds_text(each.hold_s)}",
            )
            for each in row.dodges
        ),
        cues=tuple(_cues(row)),
    )


def _cues(row: PrintRow) -> list[LampCue]:
    """When to hold something back and when to let go: the lamp comes on late, so they do, too."""
    late = row.set_s - row.seconds
    said = [
        cue
        for each in row.dodges
        for cue in (
            LampCue(at_s=each.start_s + late, text=f"hold the {each.label.lower()}"),
            LampCue(at_s=each.start_s + each.hold_s + late, text="let go"),
        )
    ]
    return sorted(said, key=lambda cue: cue.at_s)


def told(tries: Sequence[PrintTry]) -> Iterator[tuple[str, ...]]:
    """How each print that was made differs from the one before it."""
    before = None
    for each in tries:
        yield tuple(differences(before, each.plan)) if before else ()
        before = each.plan


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


def _base_text(answer: PrintPlanAnswer) -> str:
    return seconds_text(math.fsum(each.seconds for each in answer.rows if each.act == "base"))


def _burned_text(answer: PrintPlanAnswer) -> str:
    burned = math.fsum(each.seconds for each in answer.rows if each.act == "burn")
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


def differences(before: PrintPlan, now: PrintPlan) -> Iterator[str]:
    """What a plan does otherwise than the one before, a sentence each."""
    old = {each.id: each for each in before.parts}
    for part in now.parts:
        was = old.get(part.id)
        if was is None:
            yield f"{part.label} {seconds_text(part.seconds)}, new"
        elif abs(part.seconds - was.seconds) > 0.05 or part.label != was.label:
            yield f"{part.label} {seconds_text(part.seconds)}, was {seconds_text(was.seconds)}"
    yield from (
        f"no {each.label.lower()}"
        for each in before.parts
        if each.id not in {part.id for part in now.parts}
    )
    yield from _areas(before.areas, now.areas)
    if before.setting != now.setting:
        yield (
            f"f/{now.setting.aperture}, {now.setting.magnification:.3g} ×; was"
            f" f/{before.setting.aperture}, {before.setting.magnification:.3g} ×"
        )
    if before.paper_id != now.paper_id:
        yield "another paper"


def _areas(before: Sequence[PlannedArea], now: Sequence[PlannedArea]) -> Iterator[str]:
    old = {each.id: each for each in before}
    for area in now:
        was = old.get(area.id)
        if was is None:
            yield f"{area_text(area)}, new"
        elif (area.act, area.part, area.stops, area.seconds) != (
            was.act,
            was.part,
            was.stops,
            was.seconds,
        ):
            yield f"{area_text(area)}; was {area_text(was)}"
        elif area.shape != was.shape:
            yield f"{area.label} drawn otherwise"
    yield from (f"{each.label} left alone" for each in before if each.id not in {a.id for a in now})


def _amount(area: PlannedArea) -> str:
    sign = "+" if area.act == "burn" else "−"
    if area.stops is None:
        return f"{sign}{seconds_text(area.seconds or 0)}"
    return f"{sign}{size_text(area.stops)}"


def area_text(area: PlannedArea) -> str:
    """What an area gets, in words.

    >>> area_text(PlannedArea(id="a", label="Sky", act="burn", part="hard", stops=1))
    'Sky burned 1 stop'
    """
    verb = "burned" if area.act == "burn" else "held back"
    if area.stops is not None:
        return f"{area.label} {verb} {size_words(area.stops)}"
    return f"{area.label} {verb} {seconds_text(area.seconds or 0)}"
