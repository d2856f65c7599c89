"""What the log keeps, decoded as it would be read: before an act is committed, when an archive
comes in, and where a record that cannot be read is there all the same."""

from __future__ import annotations

import json
from collections.abc import Iterator
from dataclasses import dataclass
from sqlite3 import Connection
from typing import Any

from emulsa.core import wire
from emulsa.core.errors import CoreError, Impossible, Missing
from emulsa.core.film.states import Move, State
from emulsa.core.kit.preferences import Preferences
from emulsa.core.limits import Id, Label, Note
from emulsa.core.scene.record import Scene
from emulsa.store import history, kit, records, scenes, spoilt, turning, whole
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


KINDS: dict[str, Table[Any]] = {
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


@dataclass(frozen=True)
class Unread:
    """A record that cannot be read: its table and id, what it is called, why; ``back`` when the
    journal knows a state of it that can, which it can be put back to."""

    table: str
    id: str
    says: str
    back: bool


def check(table: str, row: Row) -> None:
    """A row is what the log keeps: its types, its ranges, its fields; CoreError by its field."""
    if table == "preference":
        wire.loads(Preferences, str(row.get("value")))
        return
    for name, kind in BESIDE.get(table, {}).items():
        wire.decode(kind, row.get(name), name)
    wire.decode(KINDS[table].kind, KINDS[table].document(row))


def kept(connection: Connection, action_id: int) -> None:
    """Everything an action keeps can be read again; CoreError, as its decoder says it, otherwise.

    Whatever worked it out, it is refused before the commit: nothing is changed.
    """
    last = {
        (row["table_name"], row["record"], row["place"]): row["after"]
        for row in connection.execute(
            """
            SELECT table_name, record, after,
                json_extract(coalesce(after, before), '$.rowid') AS place
            FROM change WHERE action_id = :id ORDER BY id
            """,
            {"id": action_id},
        )
    }
    grown = set()
    for (table, _, _), after in last.items():
        if after is None:
            continue
        row = json.loads(after)
        _checked(table, row)
        if table in ("reading", "scene_filter"):
            grown.add(row["scene_id"])  # its lists have their ends
    for scene_id in grown:
        try:
            wire.decode(Scene, wire.encode(scenes.scene(connection, scene_id)))
        except CoreError as problem:
            raise _said("scene", problem) from problem


def _checked(table: str, row: Row) -> None:
    try:
        check(table, row)
    except CoreError as problem:
        raise _said(table, problem) from problem


def _said(table: str, problem: CoreError) -> CoreError:
    why = problem.message[:1].lower() + problem.message[1:]
    problem.message = (
        f"This cannot be kept with the {spoilt.called(table)}: {why} Nothing was changed."
    )
    return problem


def found(connection: Connection) -> Iterator[Unread]:
    """Every record of the log that cannot be read."""
    for table in whole.TABLES:
        key = whole.keys(table)[0]
        for row in whole.rows(connection, table):
            try:
                check(table, row)
            except CoreError as problem:
                id_ = str(row[key])
                yield Unread(
                    table,
                    id_,
                    spoilt.unread_text(table, row, problem),
                    _sound(connection, table, id_) is not None,
                )


def mend(connection: Connection, table: str, id_: str) -> str:
    """The record as it last could be read, within the caller's recording; without one it is taken
    out, if nothing uses it. What was done, in words.

    Missing when it is not there or can be read, Impossible when something else needs it.
    """
    if table not in KINDS or "id" not in whole.keys(table):
        raise Missing("This record was not found.", field="table")
    there = connection.execute(
        f"SELECT rowid, * FROM {table} WHERE id = :id", {"id": id_}
    ).fetchone()
    if there is None:
        raise Missing("This record was not found.", field="id")
    row = dict(there)
    try:
        check(table, row)
    except CoreError:
        pass
    else:
        raise Impossible("This record can be read; nothing is wrong with it.", field="id")
    named = next(str(row[each]) for each in spoilt.NAMED_BY if row.get(each))
    sound = _sound(connection, table, id_)
    if sound is not None:
        turning.turn(connection, table, json.dumps(row), sound)
        return f"put {named} back as it could be read"
    if table in history.STORY:
        raise Impossible(
            "The film's story hangs on this record; put a backup back in which it can be read.",
            field="id",
        )
    kit.delete(connection, KINDS[table], id_)
    return f"take out {named}, which could not be read"


def _sound(connection: Connection, table: str, id_: str) -> str | None:
    """The latest state of a record in the journal that can be read."""
    for change in connection.execute(
        """
        SELECT before, after FROM change
        WHERE record = :id AND table_name = :table ORDER BY id DESC
        """,
        {"id": id_, "table": table},
    ):
        for state in (change["after"], change["before"]):
            if state is None:
                continue
            try:
                check(table, json.loads(state))
            except CoreError:
                continue
            return str(state)
    return None
