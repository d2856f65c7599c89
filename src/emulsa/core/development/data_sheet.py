"""A maker's data sheet pasted as text: times by film and dilution, dashes mean not recommended.

The first line names the columns: the film, its EI if it is there, and the dilutions; several
developers stand before their dilutions, or in a line of their own over them. Columns are parted by
tabs, bars, semicolons or two spaces. A time is minutes (``8``, ``8.5``, ``8½``) or ``8:30``; a
range (``8-10``) has two meanings and is asked about, never averaged.
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
# a name, then its dilution at the end of the head
NAMED = re.compile(
    r"(.*?\w.*?)[ ,:]\s*"
    r"((?:[A-H]\s*[=(]\s*)?(?:stock|neat|undiluted|\d+(?:\s*[+:]\s*[\d.,]+)+)\)?)",
    re.I,
)


@dataclass(frozen=True, kw_only=True, slots=True)
class Cell:
    """What the sheet says for a film in a dilution.

    ``minutes`` empty and no ``problem``: not recommended. A ``problem`` says what cannot be read,
    ``text`` any of it; ``developer`` where the head names several.
    """

    developer: str
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
    developers: tuple[str, ...]
    rows: tuple[SheetRow, ...]


@dataclass(frozen=True, slots=True)
class _Column:
    """A column of times: in which dilution of which developer."""

    developer: str
    dilution: str


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
    named = [each.strip() for each in (head[1:] if has_ei else head)]
    below = _below(named, split[1][1]) if len(split) > 1 else None
    columns = below or tuple(_column(each) for each in named)
    rest = split[2:] if below else split[1:]
    if not columns or len(columns) > MOST_COLUMNS or len(rest) > MOST_ROWS:
        raise Unreadable(
            f"A data sheet has 1 to {MOST_COLUMNS} dilutions and at most {MOST_ROWS} films.",
            field="text",
        )
    for each in columns:
        # a head that names no dilution is refused here
        dilution.mix(each.dilution, 100.0, "one_plus_n")
    rows = tuple(_rows(rest, columns, has_ei))
    if not rows:
        raise Unreadable("There is no film under the head of this table.", field="text")
    developers = dict.fromkeys(each.developer for each in columns if each.developer)
    return DataSheet(
        dilutions=tuple(each.dilution for each in columns), developers=tuple(developers), rows=rows
    )


def _column(text: str) -> _Column:
    """A head as it stands: a dilution, or a developer's name before one."""
    found = NAMED.fullmatch(text)
    if found is None or is_dilution(text):
        return _Column("", text)
    return _Column(found[1].strip(" ,:"), found[2])


def _below(named: list[str], cells: list[str]) -> tuple[_Column, ...] | None:
    """Developers in one line with their dilutions in the next, as many for each or as they stand
    over them; nothing where the next line is a film's."""
    told = [each.strip() for each in cells if each.strip()]
    if not told or not all(is_dilution(each) for each in told):
        return None
    if any(is_dilution(each) for each in named if each):
        return None
    names = [each for each in named if each]
    if len(named) == len(told):
        over: list[str] = []
        for each in named:
            over.append(each or (over[-1] if over else ""))
    elif names and len(told) % len(names) == 0:
        each_has = len(told) // len(names)
        over = [each for each in names for _ in range(each_has)]
    else:
        return None
    return tuple(_Column(name, each) for name, each in zip(over, told, strict=True))


def is_dilution(text: str) -> bool:
    """Whether a word is a dilution, its two meanings included."""
    try:
        dilution.mix(text, 100.0, "one_plus_n")
    except CoreError:
        return False
    return bool(text.strip())


def _columns(line: str) -> list[str]:
    for mark in ("\t", "|", ";"):
        if mark in line:
            return [each.strip() for each in line.strip().strip(mark).split(mark)]
    return re.split(r" {2,}", line.strip())


def _rows(
    split: list[tuple[int, list[str]]], columns: tuple[_Column, ...], has_ei: bool
) -> Iterator[SheetRow]:
    for at, cells in split:
        if all(not each.strip(":-– ") for each in cells):
            continue  # the rule under a head
        times = cells[2:] if has_ei else cells[1:]
        if len(times) > len(columns):
            raise Unreadable(f"Line {at} has more times than the head has dilutions.", field="text")
        padded = [*times, *[""] * (len(columns) - len(times))]
        yield SheetRow(
            line=at,
            film=cells[0][:80],
            ei=_ei(cells[1] if has_ei and len(cells) > 1 else "", at),
            cells=tuple(_cell(column, time) for column, time in zip(columns, padded, strict=True)),
        )


def _ei(text: str, line: int) -> float | None:
    bare = text.strip()
    if not bare:
        return None
    if not re.fullmatch(r"\d+(?:\.\d+)?", bare) or not EI.low <= float(bare) <= EI.high:
        raise Unreadable(f"“{text}” in line {line} is no EI.", field="text")
    return float(bare)


def _cell(column: _Column, text: str) -> Cell:
    bare = text.strip().lower().removesuffix("min").strip()
    if not bare:
        return _told(column, problem="nothing is said")
    if bare in DASHES:
        return _told(column)
    try:
        minutes = _minutes(bare)
    except CoreError as refused:
        return _told(column, problem=refused.message)
    return _told(column, minutes)


def _told(column: _Column, minutes: float | None = None, problem: str = "") -> Cell:
    if problem:
        text = f"left out: {problem}"
    else:
        text = "not recommended" if minutes is None else minutes_typed(minutes)
    return Cell(
        developer=column.developer,
        dilution=column.dilution,
        minutes=minutes,
        problem=problem,
        text=text,
    )


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
