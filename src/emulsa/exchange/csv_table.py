"""Tables as CSV: the one way they are written. No cell can be taken for a formula, and each can be
read back."""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Iterable, Iterator

FORMULA = ("=", "+", "-", "@", "\t", "\r")
NUMBER = re.compile(r"[-+]?\d+([.,]\d+)?([eE][-+]?\d+)?")


def csv_lines(rows: Iterable[Iterable[object]], at_once: int = 500) -> Iterator[str]:
    """Rows as text, some hundreds at once: however many, memory stays flat. Nothing is an empty
    cell, a number is written to its last digit.

    >>> list(csv_lines([["what", "seconds"], ["=1+1", 9.5], ["N−1", None]]))
    ["what,seconds\\r\\n'=1+1,9.5\\r\\nN−1,\\r\\n"]
    """
    text = io.StringIO()
    writer = csv.writer(text, lineterminator="\r\n")
    for number, row in enumerate(rows, start=1):
        writer.writerow(["" if cell is None else safe(str(cell)) for cell in row])
        if number % at_once == 0:
            yield _taken(text)
    yield _taken(text)


def csv_file(rows: Iterable[Iterable[object]]) -> bytes:
    """The whole table, with the mark by which spreadsheets know its letters."""
    return ("\ufeff" + "".join(csv_lines(rows))).encode()


def _taken(text: io.StringIO) -> str:
    held = text.getvalue()
    text.seek(0)
    text.truncate()
    return held


def safe(cell: str) -> str:
    """Text as a cell: what would begin a formula gets an apostrophe before it; numbers do not.

    >>> safe("=1+1"), safe("-1.5"), safe("N−1"), safe("'quoted")
    ("'=1+1", '-1.5', 'N−1', "''quoted")
    """
    if cell.startswith("'") or (cell.startswith(FORMULA) and not NUMBER.fullmatch(cell)):
        return f"'{cell}"
    return cell


def plain(cell: str) -> str:
    """A cell as the text it was: the inverse of ``safe``.

    >>> plain("'=1+1"), plain("-1.5"), plain("''quoted")
    ('=1+1', '-1.5', "'quoted")
    """
    return cell[1:] if cell.startswith("'") else cell
