"""A maker's data sheet pasted as text: times by film and dilution, dashes mean not recommended.

The first line names the columns: the film, its EI if it is there, and the dilutions. Columns are
parted by tabs, bars, semicolons or two spaces. A time is minutes (``8``, ``8.5``, ``8½``) or
``8:30``; a range (``8-10``) has two meanings and is asked about, never averaged.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Annotated

from emulsa.core.chemistry import dilution
from emulsa.core.development.recipes import MINUTES
from emulsa.core.errors import CoreError, Unreadable
from emulsa.core.limits import EI, Length
from emulsa.core.numbers import plain
from emulsa.core.watch import minutes_typed

Pasted = Annotated[str, Length("A data sheet", 1, 20_000)]
DASHES = {"-", "–", "—", "−", "--", "n/r", "nr", "not recommended", "x"}
HALVES = {"¼": 0.25, "½": 0.5, "¾": 0.75, "⅓": 1 / 3, "⅔": 2 / 3}
MOST_ROWS, MOST_COLUMNS = 200, 20


@dataclass(frozen=True, kw_only=True, slots=True)
class Cell:
    """What the sheet says for a film in a dilution.

    ``minutes`` empty and no ``problem``: not recommended. A ``problem`` says what cannot be read,
    ``text`` any of it.
    """

    dilution: str
    minutes: float | None
    problem: str
    text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class SheetRow:
    """A film of the sheet, the EI the times are for if it says one, and its cells."""

    line: int
    film: str
    ei: float | None
    cells: tuple[Cell, ...]


@dataclass(frozen=True, kw_only=True, slots=True)
class DataSheet:
    """What was pasted, row by row; nothing of it is kept yet."""

    dilutions: tuple[str, ...]
    rows: tuple[SheetRow, ...]


def read(text: str) -> DataSheet:
    """The sheet; Unreadable, saying what to paste, when there are no columns or no rows.

    >>> read("Film | 1+1 | 1+3\\nGrey | 9 | -").rows[0].cells[1].minutes is None
    True
    """
    lines = [(at, line) for at, line in enumerate(text.splitlines(), start=1) if line.strip()]
    split = [(at, _columns(line)) for at, line in lines]
    if not split or len(split[0][1]) < 2:
        raise Unreadable(
            "Paste the head of the table too: the film, then each dilution, parted by tabs, bars"
            " or two spaces.",
            field="text",
        )
    head = split[0][1][1:]
    has_ei = head[0].strip().upper() in ("EI", "ISO", "SPEED")
    dilutions = tuple(each.strip() for each in (head[1:] if has_ei else head))
    if not dilutions or len(dilutions) > MOST_COLUMNS or len(split) - 1 > MOST_ROWS:
        raise Unreadable(
            f"A data sheet has 1 to {MOST_COLUMNS} dilutions and at most {MOST_ROWS} films.",
            field="text",
        )
    for each in dilutions:
        dilution.mix(each, 100.0, "one_plus_n")  # a head that names no dilution is refused here
    rows = tuple(_rows(split[1:], dilutions, has_ei))
    if not rows:
        raise Unreadable("There is no film under the head of this table.", field="text")
    return DataSheet(dilutions=dilutions, rows=rows)


def _columns(line: str) -> list[str]:
    for mark in ("\t", "|", ";"):
        if mark in line:
            return [each.strip() for each in line.strip().strip(mark).split(mark)]
    return re.split(r" {2,}", line.strip())


def _rows(
    split: list[tuple[int, list[str]]], dilutions: tuple[str, ...], has_ei: bool
) -> Iterator[SheetRow]:
    for at, cells in split:
        if all(not each.strip(":-– ") for each in cells):
            continue  # the rule under a head
        times = cells[2:] if has_ei else cells[1:]
        if len(times) > len(dilutions):
            raise Unreadable(f"Line {at} has more times than the head has dilutions.", field="text")
        padded = [*times, *[""] * (len(dilutions) - len(times))]
        yield SheetRow(
            line=at,
            film=cells[0][:80],
            ei=_ei(cells[1] if has_ei and len(cells) > 1 else "", at),
            cells=tuple(_cell(name, time) for name, time in zip(dilutions, padded, strict=True)),
        )


def _ei(text: str, line: int) -> float | None:
    bare = text.strip()
    if not bare:
        return None
    if not re.fullmatch(r"\d+(?:\.\d+)?", bare) or not EI.low <= float(bare) <= EI.high:
        raise Unreadable(f"“{text}” in line {line} is no EI.", field="text")
    return float(bare)


def _cell(name: str, text: str) -> Cell:
    bare = text.strip().lower().removesuffix("min").strip()
    if not bare:
        return _told(name, problem="nothing is said")
    if bare in DASHES:
        return _told(name)
    try:
        minutes = _minutes(bare)
    except CoreError as refused:
        return _told(name, problem=refused.message)
    return _told(name, minutes)


def _told(dilution: str, minutes: float | None = None, problem: str = "") -> Cell:
    if problem:
        text = f"left out: {problem}"
    else:
        text = "not recommended" if minutes is None else minutes_typed(minutes)
    return Cell(dilution=dilution, minutes=minutes, problem=problem, text=text)


def _minutes(bare: str) -> float:
    if found := re.fullmatch(r"(\d{1,3}):([0-5]\d)", bare):
        minutes = int(found[1]) + int(found[2]) / 60
    elif found := re.fullmatch(r"(\d{0,3})([¼½¾⅓⅔])", bare):
        minutes = int(found[1] or 0) + HALVES[found[2]]
    elif re.fullmatch(r"\d{1,3}(?:[.,]\d+)?", bare):
        minutes = float(bare.replace(",", "."))
    elif re.fullmatch(r"[\d.,:]+ ?[-–] ?[\d.,:]+", bare):
        raise Unreadable(f"“{bare}” is two times; choose one.")
    else:
        raise Unreadable(f"“{bare}” is no time; write 8, 8.5 or 8:30.")
    if not MINUTES.low <= minutes <= MINUTES.high:
        raise Unreadable(f"{bare} min is outside {plain(MINUTES.low)} to {plain(MINUTES.high)}.")
    return minutes
