"""Every time the lamp is on, as a bar: its seconds, its holds, and what is said when."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from emulsa.core.printing.planned import PrintRow
from emulsa.core.prints.lamp import Burn, Lamp, on_its_own, own_light
from emulsa.core.prints.record import PaperSheet, PlannedArea, PrintPlan
from emulsa.core.written import length_text, size_text


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
    """A time the lamp is on: what (``edge``: the black border, no light for the picture), its
    seconds and words, what is done before it begins, its holds, and what is said when. ``by_eye``:
    it is ended by eye, its seconds are about right."""

    id: str
    title: str
    act: Literal["base", "burn", "edge"]
    before: str
    by_eye: bool
    seconds: float
    set_s: float
    text: str
    holds: tuple[HoldBar, ...]
    cues: tuple[LampCue, ...]


def seconds_text(seconds: float) -> str:
    """Seconds as one sets them: tenths under ten.

    >>> seconds_text(3.31), seconds_text(15.02), seconds_text(29.97)
    ('3.3 s', '15 s', '30 s')
    """
    return f"{seconds:.1f} s".replace(".0 s", " s") if seconds < 9.95 else f"{seconds:.0f} s"


def bars(plan: PrintPlan, lamp: Lamp) -> tuple[RowBar, ...]:
    """Every time the lamp is on, in the order worked, the black border last."""
    labels = {each.id: each.label.lower() for each in plan.parts}
    first, *others = lamp.parts
    rows = [
        _bar(first, first.label, seconds_text(first.seconds), before=_focused(plan)),
        *(_bar(each, each.label, seconds_text(each.seconds)) for each in others),
    ]
    stopped = plan.setting.aperture
    for each in lamp.burns:
        wanted = own_light(each.area).aperture or plan.setting.aperture
        before = "" if wanted == stopped else f"Set the lens to f/{wanted}."
        stopped = wanted
        rows.append(_burned(each, labels, before))
    if plan.sheet.black_edge_s:
        rows.append(_edge(plan.sheet, plan.lamp_lag_s))
    return tuple(rows)


def through_text(area: PlannedArea) -> str:
    """What a burn of its own is given by, in words.

    >>> through_text(PlannedArea(id="a", label="A", act="burn", part="none", seconds=4))
    'white light'
    """
    own = own_light(area)
    said = own.filter.lower() or "white light"
    return f"{said} at f/{own.aperture}" if own.aperture is not None else said


def _focused(plan: PrintPlan) -> str:
    return f"Focus on the grain with the lens open, then stop down to f/{plan.setting.aperture}."


def _burned(burn: Burn, labels: Mapping[str, str], before: str) -> RowBar:
    area, row = burn.area, burn.row
    where = through_text(area) if on_its_own(area) else labels[area.part]
    by_eye = on_its_own(area) and own_light(area).by_eye
    stops = f" ({size_text(row.stops)})" if row.stops else ""
    text = f"+{seconds_text(row.seconds)}{stops}"
    return _bar(
        row,
        f"Burn {area.label.lower()}, {where}",
        f"by eye, about {seconds_text(row.seconds)}" if by_eye else text,
        act="burn",
        before=before,
        by_eye=by_eye,
    )


def _edge(sheet: PaperSheet, lag: float) -> RowBar:
    wide = f", {length_text(sheet.black_edge_mm)}" if sheet.black_edge_mm else ""
    return RowBar(
        id="edge",
        title="Black border",
        act="edge",
        before=f"Take the negative out and lay the mask on the picture{wide} free all around.",
        by_eye=False,
        seconds=sheet.black_edge_s,
        set_s=sheet.black_edge_s + lag,
        text=seconds_text(sheet.black_edge_s),
        holds=(),
        cues=(),
    )


def _bar(
    row: PrintRow,
    title: str,
    text: str,
    act: Literal["base", "burn"] = "base",
    before: str = "",
    by_eye: bool = False,
) -> RowBar:
    return RowBar(
        id=row.id,
        title=title,
        act=act,
        before=before,
        by_eye=by_eye,
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
