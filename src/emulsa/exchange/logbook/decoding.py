"""A row of an archive, decoded like any request: its types, its ranges, its fields by name."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from emulsa.core import wire
from emulsa.core.errors import CoreError, Unreadable
from emulsa.core.film.states import Move, State
from emulsa.core.kit.preferences import Preferences
from emulsa.core.limits import Id, Label, Note
from emulsa.store import records, scenes, whole
from emulsa.store.rows import Table

Row = dict[str, Any]


@dataclass(frozen=True, kw_only=True)
class StepRow:
    """A step of a piece's story."""

    id: str
    at: Label
    piece_id: Id
    move: Move
    before: State
    after: State
    note: Note = ""


@dataclass(frozen=True, kw_only=True)
class FilterRow:
    """A filter of a scene, in its place."""

    scene_id: Id
    position: int
    filter_id: Id


KINDS: dict[str, Table] = {
    each.name: each
    for each in (
        *records.BY_KIND.values(),
        records.SCENE,
        scenes.READING,
        Table("step", StepRow),
        Table("scene_filter", FilterRow),
    )
}
BESIDE = {"reading": {"scene_id": Id, "position": int}}  # columns that are not the record's own


def check(table: str, row: Row, columns: dict[str, bool]) -> None:
    """Unreadable, with its table, record and field, for a row that is not what the log keeps."""
    unknown = next((name for name in row if name not in columns), None)
    if unknown is not None:
        raise _bad(table, row, unknown, "there is no such field")
    try:
        if table == "preference":
            wire.loads(Preferences, str(row.get("value")))
            return
        for name, kind in BESIDE.get(table, {}).items():
            wire.decode(kind, row.get(name), name)
        wire.decode(KINDS[table].kind, KINDS[table].document(row))
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
