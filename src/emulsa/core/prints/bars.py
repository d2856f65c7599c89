"""Every time the lamp is on, as a bar: its seconds, its holds, and what is said when."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from emulsa.core.printing.plan import WHITE
from emulsa.core.printing.planned import PrintRow
from emulsa.core.written import size_text


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


def seconds_text(seconds: float) -> str:
    """Seconds as one sets them: tenths under ten.

    >>> seconds_text(3.31), seconds_text(15.02), seconds_text(29.97)
    ('3.3 s', '15 s', '30 s')
    """
    return f"{seconds:.1f} s".replace(".0 s", " s") if seconds < 9.95 else f"{seconds:.0f} s"


def bar(row: PrintRow, labels: Mapping[str, str]) -> RowBar:
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
