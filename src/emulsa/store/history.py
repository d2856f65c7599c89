"""The history of one record: what was done to it and when, and putting it back as it was."""

from __future__ import annotations

import json
from dataclasses import dataclass
from sqlite3 import Connection
from typing import Any

from emulsa.core.errors import Missing
from emulsa.store import journal

OWN = ("rowid", "id", "scene_id", "position")  # what makes a row that row says nothing of a change


@dataclass(frozen=True)
class Difference:
    """One field that changed, as it is stored."""

    field: str
    before: Any
    after: Any


@dataclass(frozen=True)
class Event:
    """An action that touched the record, and what it changed of it; ``undone`` ones are shown."""

    action_id: int
    at: str
    label: str
    undone: bool
    differences: tuple[Difference, ...]


def events(connection: Connection, record: str) -> list[Event]:
    """Everything that was done to a record, latest first; empty for one made before the journal."""
    found: dict[int, tuple[Any, list[Difference]]] = {}
    for row in _changes(connection, record):
        entry = found.setdefault(row["action_id"], (row, []))
        entry[1].extend(_differences(row))
    return [
        Event(number, row["at"], row["label"], bool(row["undone"]), tuple(differences))
        for number, (row, differences) in reversed(found.items())
    ]


def put_back(connection: Connection, record: str, action_id: int, at: str) -> None:
    """Make the record what it was before an action: a new action, itself undoable.

    Whatever was done to it since is taken back too; other records are left as they are. Missing
    when that action never touched it.
    """
    changes = [row for row in _changes(connection, record) if not row["undone"]]
    later = [row for row in changes if row["action_id"] >= action_id]
    chosen = next((row for row in later if row["action_id"] == action_id), None)
    if chosen is None:
        raise Missing("That change is not part of this record's history.", field="action_id")
    with journal.action(connection, f"as before: {chosen['label']}", at):
        connection.execute("PRAGMA defer_foreign_keys = ON")
        for row in reversed(later):
            journal.turn(connection, row["table_name"], row["after"], row["before"])


def _changes(connection: Connection, record: str) -> list[Any]:
    return connection.execute(
        """
        SELECT change.id, change.action_id, change.table_name, change.before, change.after,
            action.at, action.label, action.undone
        FROM change JOIN action ON action.id = change.action_id
        WHERE change.record = :record ORDER BY change.id
        """,
        {"record": record},
    ).fetchall()


def _differences(row: Any) -> list[Difference]:
    before = json.loads(row["before"]) if row["before"] else {}
    after = json.loads(row["after"]) if row["after"] else {}
    table = row["table_name"]
    prefix = f"{table.replace('_', ' ')}: " if table in ("reading", "scene_filter") else ""
    return [
        Difference(f"{prefix}{name.replace('_', ' ')}", before.get(name), after.get(name))
        for name in {**before, **after}
        if name not in OWN and before.get(name) != after.get(name)
    ]
