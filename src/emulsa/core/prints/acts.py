"""What happens to a print: tries kept, made again, worked for something else, strips chosen."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, fields, replace
from typing import Annotated

from emulsa.core.errors import Impossible, Missing
from emulsa.core.limits import Id, Label, Note, Within
from emulsa.core.printing.plan import print_plan
from emulsa.core.printing.planned import (
    AREAS,
    PAPER_MM,
    ChangeRow,
    PrintPart,
    PrintPlanRequest,
    PrintSetting,
)
from emulsa.core.printing.strip import StripRequest, strip_times
from emulsa.core.prints.lamp import EndedByEye, as_ended, on_its_own, own_light
from emulsa.core.prints.record import (
    MOST_TRIES,
    KeptStrip,
    PaperSheet,
    PlannedArea,
    Print,
    PrintPlan,
    PrintTry,
    TryNotes,
)
from emulsa.core.written import stops_text

SLIGHT_STOPS = 0.005  # less is no cause
NOTED = tuple(each.name for each in fields(TryNotes))


LONG_S, NEAR = 60.0, 1e-9


@dataclass(frozen=True, kw_only=True, slots=True)
class StripChosen:
    """A strip as it was developed, and the one that is right."""

    id: Id
    part_id: Id
    strip: StripRequest
    note: Note = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class Reworking:
    """What a print is made with from now on; ``paper_id`` when it is another paper."""

    setting: PrintSetting
    paper_id: Id | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Reworked:
    """The print with every time worked again, and why each changed, in stops."""

    print: Print
    ledger: tuple[ChangeRow, ...]


@dataclass(frozen=True, kw_only=True, slots=True)
class Cause:
    """Why every time changes, and by how much, in words."""

    label: str
    text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class TryMade:
    """A print that came out of the fixer: of which plan, what it shows, what to do next. Without a
    plan it is of the one that stands; without an id it has that of its act. ``by_eye``: how long
    what was ended by eye took, which its plan says from then on."""

    id: Id | None = None
    plan: PrintPlan | None = None
    by_eye: Annotated[tuple[EndedByEye, ...], AREAS] = ()
    says: Note = ""
    next_time: Note = ""
    developer: Label = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class TryAgain:
    """Which print is made again. Copies of older versions named its number and ``at``, when it was
    kept."""

    id: Id | None = None
    number: Annotated[int, Within("The number of a print", 1, MOST_TRIES)] | None = None
    at: Label = ""


def choose(print_: Print, chosen: StripChosen, at: str) -> tuple[Print, KeptStrip]:
    """A strip to be kept; with one of it chosen, its base time goes to the part. Missing without
    the part."""
    part = next((each for each in print_.plan.parts if each.id == chosen.part_id), None)
    if part is None:
        raise Missing("This part is not in the plan any more.", field="part_id")
    before = print_.plan.parts[: print_.plan.parts.index(part)]
    kept = KeptStrip(
        id=chosen.id,
        print_id=print_.id,
        at=at,
        label=part.label,
        over=" and ".join(each.label for each in before),
        strip=chosen.strip,
        note=chosen.note,
    )
    base = strip_times(chosen.strip).base_s
    if base is None:
        return print_, kept
    parts = tuple(
        replace(each, seconds=base) if each is part else each for each in print_.plan.parts
    )
    plan = replace(print_.plan, parts=parts)
    return replace(print_, plan=plan, right_s=_whole(plan)), kept


def _whole(plan: PrintPlan) -> float:
    """The base light of a plan, as the preview counts it."""
    answer = print_plan(PrintPlanRequest(parts=plan.parts, drying_down=plan.drying_down))
    return answer.total_s


def full(last: int) -> str:
    """Why no further print of a plan is kept, before one is made; else nothing."""
    if last < MOST_TRIES:
        return ""
    return f"{MOST_TRIES} prints are kept of this plan; begin another print of the negative."


def keep_try(print_: Print, last: int, made: TryMade, act_id: str, at: str) -> PrintTry:
    """The print that was made, with the plan it is of, under the number after the ``last``.
    Impossible when it is full."""
    if full(last):
        raise Impossible(full(last))
    return PrintTry(
        id=made.id or act_id,
        print_id=print_.id,
        number=last + 1,
        at=at,
        plan=as_ended(made.plan or print_.plan, made.by_eye),
        says=made.says,
        next_time=made.next_time,
        developer=made.developer,
    )


def note(tries: Sequence[PrintTry], id_: str, notes: TryNotes) -> tuple[PrintTry, ...]:
    """The tries that change when one of them is noted: one of a print is the final one. Missing
    without it."""
    changed = []
    for each in tries:
        if each.id == id_:
            changed.append(replace(each, **{name: getattr(notes, name) for name in NOTED}))
        elif notes.final and each.final:
            changed.append(replace(each, final=False))
    if all(each.id != id_ for each in changed):
        raise Missing("This print was not found.", field="try_id")
    return tuple(changed)


def notes_of(made: PrintTry) -> TryNotes:
    """What was noted of a print that was made."""
    return TryNotes(**{name: getattr(made, name) for name in NOTED})


def again(print_: Print, tries: Sequence[PrintTry], which: TryAgain) -> tuple[Print, int]:
    """The plan of a try, to be printed again, and its number. Missing without it."""
    for each in tries:
        older = which.id is None and (each.number, each.at) == (which.number, which.at)
        if each.id == which.id or older:
            return replace(print_, plan=each.plan), each.number
    raise Missing("This print was not found.", field="id")


def rework(print_: Print, wanted: Reworking, long_exponent: float = 1.0) -> Reworked:
    """Every time for another size, aperture, paper, filter, lamp or negative. Over a minute paper
    loses speed by its exponent; what was found with longer times holds that already."""
    before = print_.plan.setting
    answer = print_plan(
        PrintPlanRequest(
            parts=tuple(replace(each, filter_factor=None) for each in print_.plan.parts),
            change={"from": before, "to": wanted.setting},
        )
    )
    factor = {each.id: each.seconds for each in answer.rows}
    was = {each.id: each.seconds for each in print_.plan.parts}
    given = {id_: longer(was[id_], seconds, long_exponent) for id_, seconds in factor.items()}
    parts = tuple(
        replace(each, seconds=given[each.id], filter_factor=None) for each in print_.plan.parts
    )
    common = parts[0].seconds / print_.plan.parts[0].seconds
    areas = tuple(_again(each, common, answer.ledger, print_.plan) for each in print_.plan.areas)
    plan = replace(
        print_.plan,
        parts=_whole_parts(parts),
        areas=areas,
        setting=wanted.setting,
        paper_id=wanted.paper_id or print_.plan.paper_id,
        sheet=_thrown(print_.plan.sheet, wanted.setting.magnification / before.magnification),
    )
    right = print_.right_s * common if print_.right_s else None
    slow = math.log2(given[parts[0].id] / factor[parts[0].id])
    ledger = answer.ledger
    if abs(slow) > NEAR:
        ledger = (*ledger, ChangeRow(label="long times", stops=slow))
    return Reworked(print=replace(print_, plan=plan, right_s=right), ledger=ledger)


def longer(before_s: float, wanted_s: float, exponent: float) -> float:
    """The seconds for so much more light on paper that loses speed over a minute: to 60 s as long
    as it takes, behind that by its exponent. Common practice, no source.

    >>> longer(30, 50, 1.2), round(longer(30, 120, 1.2), 1), longer(30, 120, 1.0)
    (50, 137.8, 120.0)
    """
    factor = wanted_s / before_s
    light = before_s if before_s <= LONG_S else LONG_S * (before_s / LONG_S) ** (1 / exponent)
    needed = light * factor
    if needed <= LONG_S:
        return wanted_s if before_s <= LONG_S else needed
    return float(LONG_S * (needed / LONG_S) ** exponent)


def _again(
    area: PlannedArea, common: float, ledger: Sequence[ChangeRow], plan: PrintPlan
) -> PlannedArea:
    """An area's seconds for something else: white light takes no filter factor, and another
    aperture of the print is none of a burn that has its own."""
    if area.seconds is None:
        return area
    burn = next((each for each in plan.areas if each.id == area.part), area)
    if on_its_own(burn):
        own = own_light(burn)
        without = ("" if own.filter else "filter", "aperture" if own.aperture is not None else "")
        common /= 2 ** math.fsum(each.stops for each in ledger if each.label in without)
    return replace(area, seconds=area.seconds * common)


def _thrown(sheet: PaperSheet, larger: float) -> PaperSheet:
    """The sheet with the image the new magnification throws: the two are one fact."""
    made = round(sheet.image_long_mm * larger, 1)
    return replace(sheet, image_long_mm=min(max(made, PAPER_MM.low), PAPER_MM.high))


def causes(ledger: Sequence[ChangeRow]) -> tuple[Cause, ...]:
    """The causes that count, in words.

    >>> causes((ChangeRow(label="aperture", stops=2), ChangeRow(label="filter", stops=0)))
    (Cause(label='aperture', text='+2 stops'),)
    """
    return tuple(
        Cause(
            label=each.label,
            text=f"{stops_text(each.stops)} stop{'s' if abs(each.stops) > 1 else ''}",
        )
        for each in ledger
        if abs(each.stops) >= SLIGHT_STOPS
    )


def _whole_parts(parts: tuple[PrintPart, ...]) -> tuple[PrintPart, ...]:
    return tuple(replace(each, seconds=float(f"{each.seconds:.6g}")) for each in parts)
