"""What the journal turns: the last act taken back, or done again, row by row and exactly."""

from __future__ import annotations

import json

from emulsa.core.errors import Impossible
from emulsa.store import log
from emulsa.store.journal import (
    ENDLESS,
    JOURNALED,
    TOGETHER,
    Action,
    Connection,
    columns,
    reach,
    row_json,
)


def undo(connection: Connection, expected: int) -> Action:
    """Take the last action back, to the exact former rows, within the caller's transaction.

    Impossible when there is none, or when it is not the expected one.
    """
    return _replay(connection, expected, back=True)


def redo(connection: Connection, expected: int) -> Action:
    """Bring the last undone action again; refused as ``undo`` is."""
    return _replay(connection, expected, back=False)


def _replay(connection: Connection, expected: int, back: bool) -> Action:
    found = reach(connection)
    chosen = found.undo if back else found.redo
    verb = "undo" if back else "redo"
    if chosen is None:
        raise Impossible(f"There is nothing to {verb}.")
    if chosen.id != expected:
        raise Impossible(
            f"Something else was done meanwhile; {verb} would take “{chosen.label}” now. Look"
            f" first, then {verb} again.",
            field="action_id",
        )
    connection.execute("PRAGMA defer_foreign_keys = ON")
    with log.indexed_afterwards(connection):
        came = _take_back_bulk(connection, chosen.id) if back else None
        _turn_all(connection, chosen.id, back, came)
    connection.execute(
        "UPDATE action SET undone = :undone WHERE id = :id",
        {"id": chosen.id, "undone": int(back)},
    )
    return chosen


def _take_back_bulk(connection: Connection, action_id: int) -> int | None:
    """Rows that came in together are written to the journal, each as it is, and taken back; from
    which change on they stand there."""
    bulk = {
        row["table_name"]: (row["first"], row["last"])
        for row in connection.execute("SELECT * FROM bulk WHERE action_id = :id", {"id": action_id})
    }
    if not bulk:
        return None
    (last,) = connection.execute("SELECT coalesce(max(id), 0) FROM change").fetchone()
    tables = [table for table in JOURNALED if table in bulk]
    for table in tables:
        connection.execute(
            f"""
            INSERT INTO change (action_id, table_name, before, after)
            SELECT :id, '{table}', NULL, {row_json(connection, table, table)} FROM {table}
            WHERE rowid BETWEEN :first AND :last ORDER BY rowid
            """,
            {"id": action_id, "first": bulk[table][0], "last": bulk[table][1]},
        )
    for table in reversed(tables):
        connection.execute(f"DELETE FROM {table} WHERE rowid BETWEEN ? AND ?", bulk[table])
    connection.execute("DELETE FROM bulk WHERE action_id = :id", {"id": action_id})
    return int(last) + 1


def _turn_all(
    connection: Connection, action_id: int, back: bool, before: int | None = None
) -> None:
    """Every change of an action, last first when it is taken back; only those before a change if
    what stands there from it on was taken back already."""
    if back and before is None and _only_added(connection, action_id):
        for table in reversed(JOURNALED):
            connection.execute(
                f"""
                DELETE FROM {table} WHERE rowid IN (
                    SELECT json_extract(after, '$.rowid') FROM change
                    WHERE action_id = :id AND table_name = '{table}'
                )
                """,
                {"id": action_id},
            )
        return
    keys: dict[str, list[str]] = {}
    for change in connection.execute(
        "SELECT table_name, before, after FROM change WHERE action_id = :id AND id < :before"
        f" ORDER BY id {'DESC' if back else 'ASC'}",
        {"id": action_id, "before": before or ENDLESS},
    ).fetchall():
        table = change["table_name"]
        if table not in keys:
            keys[table] = columns(connection, table, keys=True)
        source, target = change["after"], change["before"]
        if not back:
            source, target = target, source
        _turn(connection, table, keys[table], source, target)


def _only_added(connection: Connection, action_id: int) -> bool:
    """Whether an action is so much of nothing but new rows that they are taken back together."""
    count, changed = connection.execute(
        "SELECT count(*), coalesce(sum(before IS NOT NULL), 0) FROM change WHERE action_id = :id",
        {"id": action_id},
    ).fetchone()
    return count >= TOGETHER and not changed


def turn(connection: Connection, table: str, source: str | None, target: str | None) -> None:
    """Turn one row from ``source`` into ``target``; nothing stands for no row."""
    _turn(connection, table, columns(connection, table, keys=True), source, target)


def _turn(
    connection: Connection, table: str, keys: list[str], source: str | None, target: str | None
) -> None:
    where = " AND ".join(f"{key} = :{key}" for key in keys)
    if target is None:
        assert source is not None
        connection.execute(f"DELETE FROM {table} WHERE {where}", json.loads(source))
        return
    row = json.loads(target)
    if source is None:
        names = ", ".join(row)
        slots = ", ".join(f":{name}" for name in row)
        connection.execute(f"INSERT INTO {table} ({names}) VALUES ({slots})", row)
        return
    settings = ", ".join(f"{name} = :{name}" for name in row)
    connection.execute(f"UPDATE {table} SET {settings} WHERE {where}", row)
