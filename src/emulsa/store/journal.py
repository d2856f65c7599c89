"""The journal: every row change, written by triggers, so that undo is exact and nothing is lost.

A change made inside ``recording`` is kept as JSON before and after, floats to their last digit.
Undo plays the last action's changes backwards; redo plays them forwards again. Both name the action
they expect, so that two hands at once undo one. A new action supersedes what was undone, which
stays in the journal all the same.
"""

from __future__ import annotations

import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass

from emulsa.core.errors import Missing
from emulsa.store.transactions import NOT_THERE, transaction


def typed_columns(connection: Connection, table: str) -> list[tuple[str, str]]:
    """A table's columns with their types, its rowid first; nothing when there is no such table."""
    rows = connection.execute(f"PRAGMA table_info({table})").fetchall()
    return [("rowid", "INTEGER"), *((row["name"], row["type"]) for row in rows)] if rows else []


def row_json(connection: Connection, table: str, prefix: str) -> str:
    """The expression that writes a row as JSON."""
    pairs = (
        f"'{name}', {_value(prefix, name, kind)}" for name, kind in typed_columns(connection, table)
    )
    return f"json_object({', '.join(pairs)})"


def _value(prefix: str, name: str, kind: str) -> str:
    """A column in JSON: json_object alone keeps fifteen digits of a REAL, and undo would change
    what it gives back."""
    if kind != "REAL":
        return f"{prefix}.{name}"
    exact = f"json(printf('%!.17g', {prefix}.{name}))"
    return f"CASE WHEN {prefix}.{name} IS NULL THEN NULL ELSE {exact} END"


Connection = sqlite3.Connection

JOURNALED = (
    "film recipe camera lens pinhole filter meter sheet_format tank line bottle"
    " powder stock holder roll strip run piece step outing scene reading scene_filter"
    " exposure judgement film_test attachment printing_paper enlarger print print_strip print_try"
    " print_shape practice_answer practised_scene preference"
).split()

ENDLESS = 2**62
TOGETHER = 2_000  # rows that are taken back by table and not one by one

# {row} is json_object('rowid', NEW.rowid, 'column', NEW.column, …), {old} the same of OLD. With
# its rowid a row comes back to its old place, where lists are shown in the order of their making.
TRIGGERS = {
    "insert": """
        CREATE TRIGGER {table}_journal_insert AFTER INSERT ON {table}
        WHEN (SELECT action_id FROM journal_cursor) IS NOT NULL
        BEGIN
            INSERT INTO change (action_id, table_name, before, after)
            SELECT action_id, '{table}', NULL, {row} FROM journal_cursor;
        END
    """,
    "update": """
        CREATE TRIGGER {table}_journal_update AFTER UPDATE ON {table}
        WHEN (SELECT action_id FROM journal_cursor) IS NOT NULL AND {old} <> {row}
        BEGIN
            INSERT INTO change (action_id, table_name, before, after)
            SELECT action_id, '{table}', {old}, {row} FROM journal_cursor;
        END
    """,
    "delete": """
        CREATE TRIGGER {table}_journal_delete AFTER DELETE ON {table}
        WHEN (SELECT action_id FROM journal_cursor) IS NOT NULL
        BEGIN
            INSERT INTO change (action_id, table_name, before, after)
            SELECT action_id, '{table}', {old}, NULL FROM journal_cursor;
        END
    """,
}


@dataclass(frozen=True)
class Action:
    """Something the photographer did, in words."""

    id: int
    label: str
    at: str


@dataclass(frozen=True)
class Reach:
    """What undo and redo would do next."""

    undo: Action | None
    redo: Action | None


def remove(connection: Connection) -> None:
    """Take every trigger of the journal away, while tables change."""
    for trigger in connection.execute(
        "SELECT name FROM sqlite_master WHERE type = 'trigger' AND name LIKE '%\\_journal\\_%'"
        " ESCAPE '\\'"
    ).fetchall():
        connection.execute(f"DROP TRIGGER {trigger['name']}")


def install(connection: Connection) -> None:
    """Lay the triggers anew for the columns each table has now."""
    remove(connection)
    for table in JOURNALED:
        if not typed_columns(connection, table):
            continue
        row, old = (row_json(connection, table, prefix) for prefix in ("NEW", "OLD"))
        for template in TRIGGERS.values():
            connection.execute(template.format(table=table, row=row, old=old))


@dataclass
class Recorded:
    """What is being recorded: its number, how undo calls it, and, once it is over, the tables it
    changed; none when it changed nothing."""

    action_id: int
    label: str
    touched: tuple[str, ...] = ()


@contextmanager
def recording(connection: Connection, at: str, label: str = "") -> Iterator[Recorded]:
    """Whatever changes inside, within the caller's transaction, is one undoable action.

    The label may be said while it goes on. An action that changed nothing leaves no trace.
    """
    cursor = connection.execute(
        "INSERT INTO action (at, label) VALUES (:at, :label)", {"at": at, "label": label}
    )
    recorded = Recorded(int(cursor.lastrowid or 0), label)
    number = {"id": recorded.action_id}
    point(connection, recorded.action_id)
    try:
        yield recorded
    except sqlite3.IntegrityError as problem:
        raise Missing(NOT_THERE) from problem
    point(connection, None)
    recorded.touched = touched(connection, recorded.action_id)
    if recorded.touched:
        connection.execute("UPDATE action SET superseded = 1 WHERE undone = 1 AND id < :id", number)
        connection.execute(
            "UPDATE action SET label = :label WHERE id = :id AND label <> :label",
            {**number, "label": recorded.label},
        )
    else:
        connection.execute("DELETE FROM action WHERE id = :id", number)


@contextmanager
def action(connection: Connection, label: str, at: str) -> Iterator[Recorded]:
    """One undoable action in a transaction of its own: all of its changes or none."""
    with transaction(connection), recording(connection, at, label) as recorded:
        yield recorded


def touched(connection: Connection, action_id: int) -> tuple[str, ...]:
    """The tables an action changed."""
    found = connection.execute(
        """
        SELECT table_name FROM change WHERE action_id = :id
        UNION SELECT table_name FROM bulk WHERE action_id = :id ORDER BY table_name
        """,
        {"id": action_id},
    )
    return tuple(row["table_name"] for row in found)


@contextmanager
def together(connection: Connection, table: str) -> Iterator[None]:
    """Inside, within a recording, very many new rows of one table come in; the journal keeps from
    where to where, and each of them only when the action is taken back."""
    (action_id,) = connection.execute("SELECT action_id FROM journal_cursor").fetchone()
    if action_id is None:
        yield
        return
    first = last_rowid(connection, table) + 1
    point(connection, None)
    yield
    point(connection, action_id)
    connection.execute(
        "INSERT INTO bulk (action_id, table_name, first, last)"
        " VALUES (:action, :table, :first, :last)",
        {
            "action": action_id,
            "table": table,
            "first": first,
            "last": last_rowid(connection, table),
        },
    )


def reach(connection: Connection) -> Reach:
    """The action undo would take back, and the one redo would bring again."""
    undo = connection.execute(
        "SELECT id, label, at FROM action WHERE undone = 0 ORDER BY id DESC LIMIT 1"
    ).fetchone()
    redo = connection.execute(
        "SELECT id, label, at FROM action WHERE undone = 1 AND superseded = 0 ORDER BY id LIMIT 1"
    ).fetchone()
    return Reach(
        undo=Action(**dict(undo)) if undo else None, redo=Action(**dict(redo)) if redo else None
    )


def last_rowid(connection: Connection, table: str) -> int:
    return int(connection.execute(f"SELECT coalesce(max(rowid), 0) FROM {table}").fetchone()[0])


def columns(connection: Connection, table: str, keys: bool = False) -> list[str]:
    rows = connection.execute(f"PRAGMA table_info({table})").fetchall()
    return [row["name"] for row in rows if row["pk"] or not keys]


def point(connection: Connection, number: int | None) -> None:
    connection.execute("UPDATE journal_cursor SET action_id = :id", {"id": number})
