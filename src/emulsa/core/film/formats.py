"""Formats: what a sheet or a frame measures, and how many frames a roll holds."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.chemistry.film_area import area_in2
from emulsa.core.corrections.pinhole import Side as SideMm
from emulsa.core.data import formats as table
from emulsa.core.data.line import SHEET_IN2
from emulsa.core.errors import Missing
from emulsa.core.limits import Id, Length, Name, Note, Within

FormatKey = Annotated[str, Length("A format", 1, 64)]
OwnFilmRoll = Literal["", "120", "220", "127", "135"]
OwnFrames = Annotated[int, Within("Frames of a roll of it", 1, 72)]


@dataclass(frozen=True, kw_only=True, slots=True)
class SheetFormat:
    """A size of one's own, beside those every trade list has: a sheet's, or a frame's on a film of
    so many frames."""

    id: Id
    name: Name
    size_mm: tuple[SideMm, SideMm]
    film: OwnFilmRoll = ""
    frames: OwnFrames = 1
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
    there = [each for each in own if not each.archived]
    sheets += [
        Format(key=each.id, name=each.name, kind="sheet", size_mm=each.size_mm)
        for each in there
        if not each.film
    ]
    frames = [
        Format(key=key, name=name, kind="frame", size_mm=(width, height), frames=count, film=film)
        for key, (name, width, height, count, film) in table.FRAMES.items()
    ]
    frames += [_own_frame(each) for each in there if each.film]
    return (*sheets, *frames)


def _own_frame(each: SheetFormat) -> Format:
    return Format(
        key=each.id,
        name=each.name,
        kind="frame",
        size_mm=each.size_mm,
        frames=each.frames,
        film=each.film,
    )


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


def frame_format(key: str, own: Iterable[SheetFormat] = ()) -> Format:
    """The frame format of this key; Missing, with those there are, for any other.

    >>> frame_format("6x7").frames
    10
    """
    frames = [*known(), *(_own_frame(each) for each in own if each.film)]
    found = next((each for each in frames if each.key == key and each.kind == "frame"), None)
    if found is None:
        raise Missing(
            f"“{key}” is no frame of a roll; choose one of {', '.join(table.FRAMES)}.",
            field="format",
            allowed=list(table.FRAMES),
        )
    return found


def on_long_film(key: str, own: Iterable[SheetFormat] = ()) -> bool:
    """Whether a frame is of film as long as two rolls.

    >>> on_long_film("6x6-220"), on_long_film("6x6")
    (True, False)
    """
    if key in table.FRAMES:
        return table.FRAMES[key][4] == table.TWICE
    return any(each.id == key and each.film == table.TWICE for each in own)
