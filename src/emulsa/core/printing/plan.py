"""A print's plan: what every part and every area is given, in the order it is worked.

Burn t(2^b − 1), dodge t(1 − 2^−d) of its part's time t. Drying down takes a share of every time.
Another size, paper, filter or negative: (N₂/N₁)² · ((1+m₂)/(1+m₁))² · P₁/P₂ · F₂/F₁ · 10^(ΔB+F), by
the usual optics of projection; white light takes no filter factor.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

from emulsa.core.advice import Advice
from emulsa.core.errors import Missing, OutOfRange, Unsound
from emulsa.core.light.marks import f_number
from emulsa.core.numbers import plain
from emulsa.core.printing.planned import (
    ChangeRow,
    PrintArea,
    PrintHold,
    PrintPart,
    PrintPlanAnswer,
    PrintPlanRequest,
    PrintRow,
    PrintSetting,
)

WHITE = "none"  # a burn without a filter
SHORT_S, LONG_S, HOLD_S, BURNS_STOPS = 3.0, 60.0, 2.0, 3.0  # common practice, no source
EPSILON = 1e-9


def print_plan(request: PrintPlanRequest) -> PrintPlanAnswer:
    """The operation ``print_plan``."""
    _once(request.parts, "parts")
    _once(request.areas, "areas")
    ledger = _ledger(request.change)
    # the filter's own row is the last: white light and parts with a filter of their own go without
    without = 2 ** math.fsum(each.stops for each in ledger[:-1])
    common = 2 ** math.fsum(each.stops for each in ledger)
    dried = 1 - request.drying_down
    lag = request.lamp_lag_s
    found = [_worked(each, place, request.parts) for place, each in enumerate(request.areas)]
    factors = {
        each.id: dried * (common if each.filter_factor is None else without * _own(each))
        for each in request.parts
    }
    factors[WHITE] = dried * without
    rows = [
        *(_base(each, found, factors[each.id], lag) for each in request.parts),
        *(_burn(each, factors[each.area.part], lag) for each in found if each.area.act == "burn"),
    ]
    return PrintPlanAnswer(
        rows=tuple(rows),
        total_s=math.fsum(each.seconds for each in rows),
        ledger=tuple(ledger),
        advice=tuple(_advice(rows)),
    )


@dataclass(frozen=True, slots=True)
class _Worked:
    """An area with its time before any change, and its stops against its part (white: none)."""

    area: PrintArea
    seconds: float
    stops: float | None


def _worked(area: PrintArea, place: int, parts: Sequence[PrintPart]) -> _Worked:
    field = f"areas.{place}"
    if (area.stops is None) == (area.seconds is None):
        raise Unsound(f"Say how much {area.label} gets in stops, or in seconds.", field=field)
    part = next((each for each in parts if each.id == area.part), None)
    if part is None:
        return _white(area, field)
    t = part.seconds
    if area.act == "burn":
        if area.stops is not None:
            return _Worked(area, t * (2**area.stops - 1), area.stops)
        assert area.seconds is not None
        return _Worked(area, area.seconds, math.log2(1 + area.seconds / t))
    if area.stops is not None:
        return _Worked(area, t * (1 - 2**-area.stops), area.stops)
    assert area.seconds is not None
    if area.seconds >= t - EPSILON:
        raise OutOfRange(
            f"{area.label} is held back for {plain(area.seconds)} s of the {plain(t)} s of"
            f" {part.label}: nothing is left of it.",
            field=f"{field}.seconds",
            allowed=[0, t],
        )
    return _Worked(area, area.seconds, -math.log2(1 - area.seconds / t))


def _white(area: PrintArea, field: str) -> _Worked:
    if area.part != WHITE:
        raise Unsound(f"{area.label} is worked in a part that is not there.", field=f"{field}.part")
    if area.act == "dodge":
        raise Unsound("White light burns; it cannot be held back.", field=f"{field}.part")
    if area.seconds is None:
        raise Unsound(
            "White light has no part to count stops from: give its seconds.", field=f"{field}.stops"
        )
    return _Worked(area, area.seconds, None)


def _base(part: PrintPart, found: Sequence[_Worked], factor: float, lag: float) -> PrintRow:
    seconds = part.seconds * factor
    return PrintRow(
        id=part.id,
        label=part.label,
        act="base",
        part=part.id,
        seconds=seconds,
        set_s=seconds + lag,
        stops=None,
        dodges=tuple(_holds(part, found, factor, seconds)),
    )


def _holds(
    part: PrintPart, found: Sequence[_Worked], factor: float, seconds: float
) -> Iterator[PrintHold]:
    """One after the other from the start; what does not fit is held against the end."""
    at = 0.0
    for each in found:
        if each.area.act == "dodge" and each.area.part == part.id and each.stops is not None:
            hold = each.seconds * factor
            start = max(0.0, min(at, seconds - hold))
            at = start + hold
            yield PrintHold(
                id=each.area.id,
                label=each.area.label,
                start_s=start,
                hold_s=hold,
                stops=each.stops,
            )


def _burn(each: _Worked, factor: float, lag: float) -> PrintRow:
    seconds = each.seconds * factor
    return PrintRow(
        id=each.area.id,
        label=each.area.label,
        act="burn",
        part=each.area.part,
        seconds=seconds,
        set_s=seconds + lag,
        stops=each.stops,
        dodges=(),
    )


def _ledger(change: Mapping[Literal["from", "to"], PrintSetting] | None) -> list[ChangeRow]:
    """What changes the times, cause by cause; the filter last."""
    if change is None:
        return []
    settings: list[PrintSetting] = []
    names: tuple[Literal["from", "to"], ...] = ("from", "to")
    for name in names:
        if name not in change:
            raise Missing("Say what it was, and what it becomes.", field=f"change.{name}")
        settings.append(change[name])
    old, new = settings
    n1, n2 = (f_number(each.aperture) for each in settings)
    return [
        ChangeRow(label="aperture", stops=2 * math.log2(n2 / n1)),
        ChangeRow(
            label="magnification",
            stops=2 * math.log2((1 + new.magnification) / (1 + old.magnification)),
        ),
        ChangeRow(label="paper speed", stops=math.log2(old.paper_speed / new.paper_speed)),
        ChangeRow(label="base plus fog", stops=(new.base_fog - old.base_fog) * math.log2(10)),
        *_lamp(old.lamp_mm, new.lamp_mm),
        ChangeRow(label="filter", stops=math.log2(new.filter_factor / old.filter_factor)),
    ]


def _lamp(before_mm: float | None, now_mm: float | None) -> list[ChangeRow]:
    """A lamp twice as far gives a quarter of the light (inverse squares, by definition)."""
    if before_mm is None or now_mm is None:
        return []
    return [ChangeRow(label="lamp", stops=2 * math.log2(now_mm / before_mm))]


def _own(part: PrintPart) -> float:
    assert part.filter_factor is not None
    return part.filter_factor.after / part.filter_factor.before


def _once(entries: Sequence[PrintPart] | Sequence[PrintArea], field: str) -> None:
    ids = [each.id for each in entries]
    if len(set(ids)) < len(ids):
        raise Unsound("Two of them have the same id; each needs its own.", field=field)


def _advice(rows: Sequence[PrintRow]) -> Iterator[Advice]:
    for row in rows:
        if row.act == "base":
            yield from _of_part(row)
            yield from _of_holds(row)
    burned: dict[str, float] = {}
    for row in rows:
        if row.act == "burn" and row.stops is not None:
            burned[row.label] = burned.get(row.label, 0.0) + row.stops
    for label, stops in burned.items():
        if stops > BURNS_STOPS + EPSILON:
            text = f"{label} is burned by {stops:.1f} stops: flash it, or take a softer filter."
            yield Advice(code="print-burns-much", severity="note", text=text)


def _of_part(row: PrintRow) -> Iterator[Advice]:
    if row.seconds < SHORT_S - EPSILON:
        text = f"{row.label} is {row.seconds:.1f} s: stop down for a time that can be kept."
        yield Advice(code="print-short", severity="caution", text=text)
    if row.seconds > LONG_S + EPSILON:
        text = f"{row.label} is {row.seconds:.0f} s: open up, or heat may buckle the negative."
        yield Advice(code="print-long", severity="caution", text=text)


def _of_holds(row: PrintRow) -> Iterator[Advice]:
    for hold in row.dodges:
        if hold.hold_s < HOLD_S - EPSILON:
            text = (
                f"The hold on {hold.label} is {hold.hold_s:.1f} s: hard to do evenly. Stop down for"
                " a longer one."
            )
            yield Advice(code="print-hold-short", severity="note", text=text)
    if sum(each.hold_s for each in row.dodges) > row.seconds + EPSILON:
        text = f"{row.label} is shorter than its holds together: some are held at once."
        yield Advice(code="print-holds-at-once", severity="note", text=text)
