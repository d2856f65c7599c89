"""Formats: what a sheet or a frame measures, and how many frames a roll holds."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.chemistry.film_area import area_in2
from emulsa.core.corrections.pinhole import Side as SideMm
from emulsa.core.data import formats as table
from emulsa.core.data.line import SHEET_IN2
from emulsa.core.errors import Missing
from emulsa.core.limits import Id, Length, Name, Note

FormatKey = Annotated[str, Length("A format", 1, 64)]


@dataclass(frozen=True, kw_only=True, slots=True)
class SheetFormat:
    """A sheet size of one's own, beside those every trade list has."""

    id: Id
    name: Name
    size_mm: tuple[SideMm, SideMm]
    note: Note = ""
    archived: bool = False


@dataclass(frozen=True, kw_only=True, slots=True)
class Format:
    """A format as it is offered: its key, name, image area, and the frames of a roll."""

    key: str
    name: str
    kind: Literal["sheet", "frame"]
    size_mm: tuple[float, float]
    frames: int = 1
    film: str = ""


def known(own: tuple[SheetFormat, ...] = ()) -> tuple[Format, ...]:
    """Every format there is, sheets first, then one's own, then frames of rolls."""
    sheets = [
        Format(key=key, name=name, kind="sheet", size_mm=(width, height))
        for key, (name, width, height) in table.SHEETS.items()
    ]
    sheets += [
        Format(key=each.id, name=each.name, kind="sheet", size_mm=each.size_mm)
        for each in own
        if not each.archived
    ]
    frames = [
        Format(key=key, name=name, kind="frame", size_mm=(width, height), frames=count, film=film)
        for key, (name, width, height, count, film) in table.FRAMES.items()
    ]
    return (*sheets, *frames)


def sheet_in2(key: str, own: tuple[SheetFormat, ...] = ()) -> float:
    """The area of a sheet by its format's key, in square inches.

    >>> sheet_in2("8x10")
    80
    """
    if key in table.SHEET_IN2:
        return table.SHEET_IN2[key]
    return next((area_in2(*each.size_mm) for each in own if each.id == key), SHEET_IN2)


def format_name(key: str, own: tuple[SheetFormat, ...] = ()) -> str:
    """What a format is called; what nobody knows any more goes by its key.

    >>> format_name("4x5"), format_name("120")
    ('4×5 in', '120 rolls')
    """
    if key in table.ROLLS:
        return f"{key} rolls"
    named = {each.key: each.name for each in known()} | {each.id: each.name for each in own}
    return named.get(key, key)


def frame_format(key: str) -> Format:
    """The frame format of this key; Missing, with those there are, for any other.

    >>> frame_format("6x7").frames
    10
    """
    for each in known():
        if each.key == key and each.kind == "frame":
            return each
    raise Missing(
        f"“{key}” is no frame of a roll; choose one of {', '.join(table.FRAMES)}.",
        field="format",
        allowed=list(table.FRAMES),
    )


def on_long_film(key: str) -> bool:
    """Whether a frame is of film as long as two rolls.

    >>> on_long_film("6x6-220"), on_long_film("6x6")
    (True, False)
    """
    return key in table.FRAMES and table.FRAMES[key][4] == table.TWICE
