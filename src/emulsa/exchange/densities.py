"""Densities as they come: a column of numbers, a table of step and density, or CGATS text.

CGATS.17 / ISO 28178, from memory: a data format between BEGIN_DATA_FORMAT and END_DATA_FORMAT, rows
between BEGIN_DATA and END_DATA. Of its columns the visual density is read, or the only density.
"""

from __future__ import annotations

import itertools
import re
from collections.abc import Sequence
from dataclasses import dataclass

from emulsa.core.errors import Unreadable
from emulsa.core.numbers import plain

NUMBER = re.compile(r"[-+−]?(?:\d+(?:[.,]\d*)?|[.,]\d+)")
SEPARATORS = re.compile(r"[;\t|]|,(?=\s)|\s+")
WANTED = ("D_VIS", "D_V", "VIS", "DENSITY", "D_MAJOR_FILTER", "D_RED", "D_GREEN", "D_BLUE")
MOST = 400
LARGEST = 6.0


@dataclass(frozen=True, kw_only=True, slots=True)
class Densities:
    """The densities in their order; ``turned`` when they fall, as a tablet laid the other way."""

    densities: tuple[float, ...]
    turned: bool


def read(text: str) -> Densities:
    """Densities out of pasted text; Unreadable, with the line, for what is none."""
    lines = text.replace("\r\n", "\n").replace("\r", "\n").split("\n")
    found = _cgats(lines) if any(each.strip() == "BEGIN_DATA" for each in lines) else _table(lines)
    if not found:
        raise Unreadable("There is no density in this text.", field="text")
    if len(found) > MOST:
        raise Unreadable(f"More than {MOST} densities are no step tablet.", field="text")
    falls = sum(b < a for a, b in itertools.pairwise(found))
    return Densities(densities=tuple(found), turned=falls > len(found) / 2)


def written(titles: Sequence[str], rows: Sequence[Sequence[float]]) -> str:
    """A table as CGATS text: titles as its data format, a row for each step.

    >>> print(written(["SAMPLE_ID", "D_VIS"], [(1, 0.2)]).replace(chr(9), " "))
    CGATS.17
    NUMBER_OF_FIELDS 2
    BEGIN_DATA_FORMAT
    SAMPLE_ID D_VIS
    END_DATA_FORMAT
    NUMBER_OF_SETS 1
    BEGIN_DATA
    1 0.2
    END_DATA
    """
    body = ["\t".join(f"{value:g}" for value in row) for row in rows]
    return "\n".join(
        [
            "CGATS.17",
            f"NUMBER_OF_FIELDS\t{len(titles)}",
            "BEGIN_DATA_FORMAT",
            "\t".join(titles),
            "END_DATA_FORMAT",
            f"NUMBER_OF_SETS\t{len(rows)}",
            "BEGIN_DATA",
            *body,
            "END_DATA",
        ]
    )


def column(text: str, title: str) -> tuple[float, ...]:
    """Any column of a CGATS text, by its title; nothing when there is none."""
    words = [each.split() for each in text.splitlines()]
    titles = [
        each.upper()
        for row in _between(words, "BEGIN_DATA_FORMAT", "END_DATA_FORMAT")
        for each in row
    ]
    if title not in titles:
        return ()
    place = titles.index(title)
    rows = [row for row in _between(words, "BEGIN_DATA", "END_DATA") if row]
    try:
        return tuple(float(row[place].replace("−", "-").replace(",", ".")) for row in rows)
    except (ValueError, IndexError):
        raise Unreadable(f"A row has no number under {title}.", field="text") from None


def _cgats(lines: Sequence[str]) -> list[float]:
    words = [each.split() for each in lines]
    names = _between(words, "BEGIN_DATA_FORMAT", "END_DATA_FORMAT")
    titles = [each.upper() for row in names for each in row]
    column = next((titles.index(each) for each in WANTED if each in titles), None)
    if column is None:
        raise Unreadable(
            f"None of the columns is a density; known are {', '.join(WANTED)}.", field="text"
        )
    found = []
    for row in _between(words, "BEGIN_DATA", "END_DATA"):
        if row:
            if len(row) <= column:
                raise Unreadable(f"“{' '.join(row)[:40]}” has too few columns.", field="text")
            found.append(_number(row[column], " ".join(row)))
    return found


def _between(words: Sequence[Sequence[str]], begin: str, end: str) -> list[Sequence[str]]:
    inside: list[Sequence[str]] = []
    within = False
    for row in words:
        if row[:1] == [end]:
            break
        if within:
            inside.append(row)
        within = within or row[:1] == [begin]
    return inside


def _table(lines: Sequence[str]) -> list[float]:
    """The last number of each line; a line of titles above them is passed over."""
    found: list[float] = []
    for number, line in enumerate(lines):
        cells = [each for each in SEPARATORS.split(line.strip()) if each]
        if not cells:
            continue
        if not NUMBER.fullmatch(cells[-1]):
            if not found and number == 0 and _is_title(cells[-1]):
                continue
            raise Unreadable(f"Line {number + 1}: “{cells[-1][:40]}” is no density.", field="text")
        if len(lines) == 1 and all(NUMBER.fullmatch(each) for each in cells):
            return [_number(each, line) for each in cells]
        found.append(_number(cells[-1], line))
    return found


def _is_title(cell: str) -> bool:
    """Whether it names a column: letters and no digit, and nothing that is a number to some
    program.

    >>> [_is_title(each) for each in ("Density", "D_VIS", "inf", "nan", "\u202e0.1", "0,2x")]
    [True, True, False, False, False, False]
    """
    plain_text = cell.isprintable() and not any(each.isdigit() for each in cell)
    return plain_text and cell.lower().lstrip("+-−") not in ("inf", "infinity", "nan")


def _number(cell: str, line: str) -> float:
    if not NUMBER.fullmatch(cell):
        raise Unreadable(f"“{line.strip()[:40]}”: {cell[:20]} is no density.", field="text")
    value = float(cell.replace("−", "-").replace(",", "."))
    if not -0.5 <= value <= LARGEST:
        raise Unreadable(
            f"A density lies between −0.5 and {plain(LARGEST)}; this is {plain(value)}.",
            field="text",
        )
    return value
