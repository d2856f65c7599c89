"""A table somebody hands in, opened without trusting it: its separator, its letters, its length."""

from __future__ import annotations

import csv
from collections.abc import Iterator
from pathlib import Path
from typing import TextIO

from emulsa.core.errors import Unreadable

MOST_ROWS = 200_000


MOST_COLUMNS = 500


LONGEST_ROW = 200_000  # characters


MOST_BLANK = 10_000  # blank lines one after the other


def header(path: Path) -> tuple[list[str], list[list[str]]]:
    """The columns of a file and its first few rows, to choose by."""
    with opened(path) as (columns, lines):
        sample = [row for _, row in zip(range(3), lines, strict=False)]
        return columns, sample


class opened:  # noqa: N801 - used as one uses open()
    """A CSV file with its header; the separator is found by looking. Unreadable if it is none."""

    def __init__(self, path: Path) -> None:
        self._path = path

    def __enter__(self) -> tuple[list[str], Iterator[list[str]]]:
        self._file = self._path.open(encoding="utf-8-sig", newline="")
        try:
            first = self._file.readline(LONGEST_ROW)
            separator = max(",;\t", key=first.count)
            self._file.seek(0)
            short = Short(self._file)
            lines = csv.reader(short, delimiter=separator)
            columns = [each.strip() for each in next(lines)]
            if not any(columns) or len(columns) > MOST_COLUMNS:
                raise StopIteration
        except (UnicodeDecodeError, csv.Error, StopIteration):
            self._file.close()
            raise Unreadable(
                "This is not a CSV file in UTF-8 with a line of column names.", field="file"
            ) from None
        return columns, readable(lines, short)

    def __exit__(self, *_: object) -> None:
        self._file.close()


class Short:
    """The lines of a file, as long as the rows they make are: a row is read whole into memory."""

    def __init__(self, file: TextIO) -> None:
        self._file = file
        self._taken = 0

    def __iter__(self) -> Iterator[str]:
        while line := self._file.readline(LONGEST_ROW + 1):
            self._taken += len(line)
            if self._taken > LONGEST_ROW:
                raise csv.Error(f"a row has more than {LONGEST_ROW} characters")
            yield line

    def row_ended(self) -> None:
        self._taken = 0


def readable(lines: Iterator[list[str]], short: Short) -> Iterator[list[str]]:
    short.row_ended()
    blank = 0
    try:
        for cells in lines:
            short.row_ended()
            if any(cells):
                blank = 0
                yield cells
            else:
                blank += 1
                if blank > MOST_BLANK:
                    raise csv.Error(f"more than {MOST_BLANK} blank lines follow each other")
    except (UnicodeDecodeError, csv.Error) as problem:
        raise Unreadable(f"The file cannot be read to its end: {problem}.", field="file") from None


def count_rows(path: Path) -> int:
    """Rows of the file, at most MOST_ROWS; OutOfRange beyond."""
    with opened(path) as (_, lines):
        count = sum(1 for _ in lines)
    if count > MOST_ROWS:
        raise Unreadable(
            f"The file has {count} rows; bring in at most {MOST_ROWS} at once.", field="file"
        )
    return count
