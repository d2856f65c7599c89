"""What happens to a print: tries kept, made again, worked for something else, strips chosen."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core.errors import Missing
from emulsa.core.limits import Id, Label, Note, Within
from emulsa.core.printing.plan import (
    ChangeRow,
    PrintPart,
    PrintPlanRequest,
    PrintSetting,
    print_plan,
)
from emulsa.core.printing.strip import StripRequest, strip_times
from emulsa.core.prints.record import (
    PAPER_MM,
    KeptStrip,
    PaperSheet,
    Print,
    PrintPlan,
    PrintTry,
)
from emulsa.core.written import stops_text

SLIGHT_STOPS = 0.005  # less is no cause


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
    """A print that came out of the fixer: what it shows, what to do next."""

    says: Note = ""
    next_time: Note = ""
    developer: Label = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class TryAgain:
    """Which print is made again; ``at``, when it was kept, where its number may mean another."""

    number: Annotated[int, Within("The number of a print", 1, 999)]
    at: Label = ""


def choose(print_: Print, chosen: StripChosen, at: str) -> Print:
    """Keep a strip; with one of it chosen, its base time goes to the part. Missing without the
    part."""
    part = next((each for each in print_.plan.parts if each.id == chosen.part_id), None)
    if part is None:
        raise Missing("This part is not in the plan any more.", field="part_id")
    before = print_.plan.parts[: print_.plan.parts.index(part)]
    kept = KeptStrip(
        id=chosen.id,
        at=at,
        label=part.label,
        over=" and ".join(each.label for each in before),
        strip=chosen.strip,
        note=chosen.note,
    )
    base = strip_times(chosen.strip).base_s
    strips = (*(each for each in print_.strips if each.id != kept.id), kept)
    if base is None:
        return replace(print_, strips=strips)
    parts = tuple(
        replace(each, seconds=base) if each is part else each for each in print_.plan.parts
    )
    plan = replace(print_.plan, parts=parts)
    return replace(print_, strips=strips, plan=plan, right_s=_whole(plan))


def _whole(plan: PrintPlan) -> float:
    """The base light of a plan, as the preview counts it."""
    answer = print_plan(PrintPlanRequest(parts=plan.parts, drying_down=plan.drying_down))
    return answer.total_s


def keep_try(print_: Print, made: TryMade, at: str) -> Print:
    """The print that was made, with its plan as it stands, under the next number."""
    number = max((each.number for each in print_.tries), default=0) + 1
    new = PrintTry(
        number=number,
        at=at,
        plan=print_.plan,
        says=made.says,
        next_time=made.next_time,
        developer=made.developer,
    )
    return replace(print_, tries=(*print_.tries, new))


def again(print_: Print, which: TryAgain) -> Print:
    """The plan of a try, to be printed again. Missing without it."""
    found = next(
        (
            each
            for each in print_.tries
            if (each.at == which.at if which.at else each.number == which.number)
        ),
        None,
    )
    if found is None:
        raise Missing(f"There is no print {which.number}.", field="number")
    return replace(print_, plan=found.plan)


def rework(print_: Print, wanted: Reworking) -> Reworked:
    """Every time for another size, aperture, paper, filter or negative."""
    before = print_.plan.setting
    answer = print_plan(
        PrintPlanRequest(
            parts=tuple(replace(each, filter_factor=None) for each in print_.plan.parts),
            change={"from": before, "to": wanted.setting},
        )
    )
    factor = {each.id: each.seconds for each in answer.rows}
    parts = tuple(
        replace(each, seconds=factor[each.id], filter_factor=None) for each in print_.plan.parts
    )
    common = parts[0].seconds / print_.plan.parts[0].seconds
    # white light takes no filter factor
    white = common / 2 ** answer.ledger[-1].stops
    areas = tuple(
        each
        if each.seconds is None
        else replace(each, seconds=each.seconds * (white if each.part == "none" else common))
        for each in print_.plan.areas
    )
    plan = replace(
        print_.plan,
        parts=_whole_parts(parts),
        areas=areas,
        setting=wanted.setting,
        paper_id=wanted.paper_id or print_.plan.paper_id,
        sheet=_thrown(print_.plan.sheet, wanted.setting.magnification / before.magnification),
    )
    right = print_.right_s * common if print_.right_s else None
    return Reworked(print=replace(print_, plan=plan, right_s=right), ledger=answer.ledger)


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
