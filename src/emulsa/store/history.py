"""The history of one record: what was done to it and when, and restoring an earlier version.

Texts and figures can be restored. What makes the film's story cannot be put back singly: pieces and
their steps, runs, rolls and strips, and the making of a record itself; undo takes those back whole.
"""

from __future__ import annotations

import json
from dataclasses import dataclass
from sqlite3 import Connection
from typing import Any

from emulsa.core.errors import Impossible, Missing
from emulsa.store import turning

OWN = ("rowid", "id", "scene_id", "position")  # what makes a row that row says nothing of a change
PARTS = ("reading", "scene_filter")  # rows that belong to another record: they come and go with it
STORY = ("piece", "step", "run", "roll", "strip", "attachment")  # never put back singly


@dataclass(frozen=True)
class Difference:
    """One field that changed, as it is stored."""

    field: str
    before: Any
    after: Any


@dataclass(frozen=True)
class Event:
    """An action that touched the record, and what it changed of it; ``undone`` ones are shown.

    ``restorable``: the record can be made what it was before it.
    """

    action_id: int
    at: str
    label: str
    undone: bool
    restorable: bool
    differences: tuple[Difference, ...]


def events(connection: Connection, record: str) -> list[Event]:
    """Everything that was done to a record, latest first; empty for one made before the journal."""
    found: dict[int, list[Any]] = {}
    for row in _changes(connection, record):
        found.setdefault(row["action_id"], []).append(row)
    story, listed = False, []
    for number, rows in reversed(found.items()):
        undone = bool(rows[0]["undone"])
        story = story or (not undone and not all(map(_may_turn, rows)))
        differences = tuple(each for row in rows for each in _differences(row))
        listed.append(
            Event(
                action_id=number,
                at=rows[0]["at"],
                label=rows[0]["label"],
                undone=undone,
                restorable=not story and not undone,
                differences=differences,
            )
        )
    return listed


def restore(connection: Connection, record: str, action_id: int) -> str:
    """Make the record what it was before an action, within the caller's recording; what that action
    was called.

    Whatever was done to it since is taken back too; other records are left as they are. Missing
    when that action never touched it, Impossible when the film's story hangs on it.
    """
    changes = [row for row in _changes(connection, record) if not row["undone"]]
    later = [row for row in changes if row["action_id"] >= action_id]
    chosen = next((row for row in later if row["action_id"] == action_id), None)
    if chosen is None:
        raise Missing("That change is not part of this record's history.", field="action_id")
    if not all(map(_may_turn, later)):
        raise Impossible(
            "The film's story hangs on that change; undo takes it back, with all that came after.",
            field="action_id",
        )
    connection.execute("PRAGMA defer_foreign_keys = ON")
    for (table, _), rows in reversed(_by_row(later).items()):
        now, then = rows[-1]["after"], rows[0]["before"]
        if now != then:  # what went away and came back is as it was
            turning.turn(connection, table, now, then)
    return str(chosen["label"])


def _by_row(changes: list[Any]) -> dict[tuple[str, int], list[Any]]:
    """Changes by the row they are of, in the order of each row's latest."""
    found: dict[tuple[str, int], list[Any]] = {}
    for row in changes:
        told = json.loads(row["after"] or row["before"])
        key = (row["table_name"], told["rowid"])
        found[key] = [*found.pop(key, []), row]
    return found


def _may_turn(row: Any) -> bool:
    """Whether a change may be taken back by itself: of a text or figure, or of a record's parts."""
    if row["table_name"] in PARTS:
        return True
    there = row["before"] is not None and row["after"] is not None
    return there and row["table_name"] not in STORY


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
    prefix = f"{table.replace('_', ' ')}: " if table in PARTS else ""
    return [
        Difference(f"{prefix}{name.replace('_', ' ')}", before.get(name), after.get(name))
        for name in {**before, **after}
        if name not in OWN and before.get(name) != after.get(name)
    ]
