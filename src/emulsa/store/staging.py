"""Many rows at once: gathered in a file beside the log while others go on writing, then taken in by
one short act.

The file has the log's own tables and constraints, without its triggers; what the rows name in the
log is looked at when they are taken in.
"""

from __future__ import annotations

import sqlite3
from collections.abc import Iterator
from contextlib import closing, contextmanager
from pathlib import Path
from uuid import uuid4

from emulsa.core.errors import Missing
from emulsa.store import database, journal, log, whole
from emulsa.store.transactions import NOT_THERE, Connection

ENDING = ".stage"
TABLES = whole.TABLES
NUMBERED = ("holder", "roll")


@contextmanager
def gathering(folder: Path) -> Iterator[tuple[Path, Connection]]:
    """A stage that is filled inside, and gone afterwards: where it lies, and its connection."""
    folder.mkdir(parents=True, exist_ok=True)
    path = folder / f"{uuid4().hex}{ENDING}"
    try:
        with closing(sqlite3.connect(path, isolation_level=None)) as stage:
            stage.row_factory = sqlite3.Row
            # nothing of it outlives a crash, and nobody else looks at it
            stage.execute("PRAGMA journal_mode = OFF")
            stage.execute("PRAGMA synchronous = OFF")
            database.lay(stage)
            for trigger in stage.execute(
                "SELECT name FROM sqlite_master WHERE type = 'trigger'"
            ).fetchall():
                stage.execute(f"DROP TRIGGER {trigger['name']}")
            stage.execute("BEGIN")
            yield path, stage
    finally:
        path.unlink(missing_ok=True)


def filled(stage: Connection) -> None:
    """What was gathered can be seen by others from here on."""
    stage.execute("COMMIT")


@contextmanager
def beside(connection: Connection, path: Path) -> Iterator[None]:
    """The stage as ``stage`` beside the log, outside of any transaction.

    SQLite counts what names nothing over both files together, and rows leave the stage; so it does
    not count here, and ``orphan`` looks instead.
    """
    connection.execute("PRAGMA foreign_keys = OFF")
    connection.execute("ATTACH :path AS stage", {"path": str(path)})
    try:
        yield
    finally:
        connection.execute("DETACH stage")


def forget_known(connection: Connection) -> int:
    """Take off the stage what is in the log by its identity; how many rows that were."""
    known = 0
    for table in TABLES:
        keys = ", ".join(whole.keys(table))
        known += connection.execute(
            f"DELETE FROM stage.{table} WHERE ({keys}) IN (SELECT {keys} FROM main.{table})"
        ).rowcount
    return known


def give_way(connection: Connection) -> list[str]:
    """What is here keeps its number and its side; what is on the stage gives way, and that is said.

    Another's holder 3 is not this one: it gets the next free number. A sheet whose side holds
    another one here is kept outside its holder.
    """
    said = []
    for table in NUMBERED:
        for row in connection.execute(
            f"SELECT id, number FROM stage.{table}"
            f" WHERE number IN (SELECT number FROM main.{table}) ORDER BY number"
        ).fetchall():
            (free,) = connection.execute(
                f"SELECT 1 + max(number) FROM (SELECT number FROM main.{table}"
                f" UNION ALL SELECT number FROM stage.{table})"
            ).fetchone()
            connection.execute(
                f"UPDATE stage.{table} SET number = :free WHERE id = :id",
                {"free": free, "id": row["id"]},
            )
            said.append(f"{table.capitalize()} {row['number']} is now {free}.")
    for row in connection.execute("SELECT * FROM stage.piece WHERE in_place = 1").fetchall():
        if whole.side_taken(connection, dict(row)):
            connection.execute(
                "UPDATE stage.piece SET in_place = 0, kept_in = 'brought in' WHERE id = :id",
                {"id": row["id"]},
            )
            said.append(f"Sheet {row['label']} lies outside its holder: the side is taken.")
    return said


def take_in(connection: Connection) -> int:
    """Everything on the stage becomes part of the log; how many rows that were.

    Missing when a row names one that is neither on the stage nor in the log.
    """
    added = 0
    if orphan(connection):
        raise Missing(NOT_THERE)
    with log.indexed_afterwards(connection):
        for table in TABLES:
            (many,) = connection.execute(f"SELECT count(*) FROM stage.{table}").fetchone()
            if many >= journal.TOGETHER:
                with journal.together(connection, table):
                    _insert(connection, table)
            else:
                _insert(connection, table)
            added += many
    return added


def _insert(connection: Connection, table: str) -> None:
    names = ", ".join(whole.columns(connection, table))
    connection.execute(
        f"INSERT INTO main.{table} ({names}) SELECT {names} FROM stage.{table} ORDER BY rowid"
    )


def orphan(connection: Connection) -> tuple[str, str] | None:
    """The first row on the stage that names one that is neither there nor in the log: its table,
    and the table of what is missing."""
    for table in TABLES:
        for key in connection.execute(f"PRAGMA main.foreign_key_list({table})").fetchall():
            column, parent, named = key["from"], key["table"], key["to"] or "id"
            found = connection.execute(
                f"""
                SELECT 1 FROM stage.{table} AS child
                WHERE child.{column} IS NOT NULL
                    AND NOT EXISTS (
                        SELECT 1 FROM stage.{parent} AS parent WHERE parent.{named} = child.{column}
                    )
                    AND NOT EXISTS (
                        SELECT 1 FROM main.{parent} AS parent WHERE parent.{named} = child.{column}
                    )
                LIMIT 1
                """
            ).fetchone()
            if found:
                return table, parent
    return None
