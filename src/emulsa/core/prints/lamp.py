"""Every time the lamp is on for a print, in the order worked.

A burn of its own (its filter, aperture, seconds, within its shape) is to the operation a part that
not the whole picture gets: so other areas can be held back in it. Through another aperture its
seconds are worth (N/N₁)² of the print's (inverse square, common practice).
"""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core.advice import Advice
from emulsa.core.errors import CoreError, Unsound
from emulsa.core.light.marks import f_number
from emulsa.core.limits import Id, Within
from emulsa.core.printing.plan import WHITE, print_plan
from emulsa.core.printing.planned import PrintPart, PrintPlanAnswer, PrintPlanRequest, PrintRow
from emulsa.core.prints.record import OwnLight, PlannedArea, PrintPlan

AREA = re.compile(r"^areas\.(\d+)")


@dataclass(frozen=True, kw_only=True, slots=True)
class Burn:
    """A burn: its area, and the time the lamp is on."""

    area: PlannedArea
    row: PrintRow


@dataclass(frozen=True, kw_only=True, slots=True)
class EndedByEye:
    """How long the lamp was on for a burn that was ended by eye."""

    area: Id
    lamp_s: Annotated[float, Within("How long the lamp was on", 0, 3_600, "s")]


@dataclass(frozen=True, kw_only=True, slots=True)
class Lamp:
    """The parts the whole picture gets, then every burn; the light in all."""

    parts: tuple[PrintRow, ...]
    burns: tuple[Burn, ...]
    total_s: float
    advice: tuple[Advice, ...]


def lamp(plan: PrintPlan) -> Lamp:
    """A plan worked out. Refuses as ``print_plan`` does, by the areas of this plan."""
    answer = _answer(plan)
    row_of = {each.id: each for each in answer.rows}
    return Lamp(
        parts=tuple(row_of[each.id] for each in plan.parts),
        burns=tuple(
            Burn(area=each, row=row_of[each.id]) for each in plan.areas if each.act == "burn"
        ),
        total_s=answer.total_s,
        advice=answer.advice,
    )


def on_its_own(area: PlannedArea) -> bool:
    """Whether an area is burned by light of its own, in no part."""
    return area.act == "burn" and area.part == WHITE


def own_light(area: PlannedArea) -> OwnLight:
    """What a burn of its own is given by: white light, where nothing else is said."""
    return area.own or OwnLight()


def as_ended(plan: PrintPlan, ended: Sequence[EndedByEye]) -> PrintPlan:
    """The plan with the seconds that burns took which were ended by eye: planned so, the lamp would
    be on as long again."""
    took = {
        each.area: round((each.lamp_s - plan.lamp_lag_s) / (1 - plan.drying_down), 1)
        for each in ended
        if each.lamp_s > plan.lamp_lag_s
    }
    return replace(
        plan,
        areas=tuple(
            replace(each, seconds=took[each.id])
            if each.id in took and on_its_own(each) and own_light(each).by_eye
            else each
            for each in plan.areas
        ),
    )


def worth(area: PlannedArea, plan: PrintPlan) -> float:
    """What a second of a burn is worth in seconds at the print's own aperture.

    >>> plan = PrintPlan()
    >>> plan.setting.aperture
    '8'
    >>> own = OwnLight(aperture="16")
    >>> worth(PlannedArea(id="a", label="A", act="burn", part="none", seconds=4, own=own), plan)
    0.25
    """
    if not on_its_own(area) or area.own is None or area.own.aperture is None:
        return 1.0
    return (f_number(plan.setting.aperture) / f_number(area.own.aperture)) ** 2


def _answer(plan: PrintPlan) -> PrintPlanAnswer:
    others = [place for place, each in enumerate(plan.areas) if not on_its_own(each)]
    own = tuple(_own(plan.areas))
    try:
        return print_plan(
            PrintPlanRequest(
                parts=(*plan.parts, *own),
                areas=tuple(plan.areas[place] for place in others),
                lamp_lag_s=plan.lamp_lag_s,
                drying_down=plan.drying_down,
            )
        )
    except CoreError as refusal:
        found = AREA.match(refusal.field or "")
        if found is None:
            raise
        refusal.field = AREA.sub(f"areas.{others[int(found[1])]}", refusal.field or "")
        raise


def _own(areas: Sequence[PlannedArea]) -> Iterator[PrintPart]:
    for place, each in enumerate(areas):
        if not on_its_own(each):
            continue
        if each.seconds is None:
            raise Unsound(
                f"{each.label} has light of its own and no part to count stops from: give its"
                " seconds.",
                field=f"areas.{place}.stops",
            )
        yield PrintPart(id=each.id, label=each.label, seconds=each.seconds)
