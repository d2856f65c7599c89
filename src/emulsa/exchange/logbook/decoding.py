"""A row of an archive, decoded like any request: its types, its ranges, its fields by name."""

from __future__ import annotations

from typing import Any

from emulsa.core import wire
from emulsa.core.errors import CoreError, Unreadable
from emulsa.store import unread, whole

Row = dict[str, Any]


def check(table: str, row: Row, columns: dict[str, bool]) -> None:
    """Unreadable, with its table, record and field, for a row that is not what the log keeps."""
    unknown = next((name for name in row if name not in columns), None)
    if unknown is not None:
        raise _bad(table, row, unknown, "there is no such field")
    try:
        unread.check(table, row)
    except CoreError as problem:
        raise _bad(table, row, problem.field or "", problem.message) from None


def of_line(table: str, line: bytes, number: int) -> Row:
    """A line of a table's file as a row; Unreadable when it is none."""
    try:
        row = wire.parsed(line)
    except CoreError:
        row = None
    if not isinstance(row, dict):
        raise Unreadable(
            f"Line {number} of the table {table} is no row; nothing was brought in.", field="file"
        )
    return row


def _bad(table: str, row: Row, field: str, message: str) -> CoreError:
    key = " ".join(str(row.get(each, "?"))[:64] for each in whole.keys(table))
    about = f", field {field}" if field else ""
    return Unreadable(
        f"The archive's {table} “{key}”{about}: {message.rstrip('.')}. Nothing was brought in.",
        field="file",
    )
