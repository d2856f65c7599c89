"""Opening the database: one file, WAL, foreign keys on, migrations applied in order."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Iterator, Sequence
from functools import cache
from importlib import resources
from pathlib import Path
from threading import Lock

from emulsa.store import drawn, journal, watched
from emulsa.store.transactions import WAITS_S, transaction
from emulsa.store.transactions import Connection as Connection

MUCH_WRITING_KB = 65_536
_LAYING = Lock()  # one file is copied from


class TooNew(Exception):
    """The file was written by a newer Emulsa than this one."""


def connect(path: Path) -> Connection:
    """A connection in autocommit mode; transactions are begun by name."""
    connection = sqlite3.connect(
        path, isolation_level=None, check_same_thread=False, factory=watched.Connection
    )
    connection.row_factory = sqlite3.Row
    connection.execute("PRAGMA foreign_keys = ON")
    connection.execute(f"PRAGMA busy_timeout = {round(1_000 * WAITS_S)}")
    connection.execute("PRAGMA journal_mode = WAL")
    connection.execute("PRAGMA synchronous = FULL")  # an acknowledged write survives a power cut
    return connection


def connect_to_write_much(path: Path) -> Connection:
    """A connection with room for the pages that much writing comes back to again and again."""
    connection = connect(path)
    connection.execute(f"PRAGMA cache_size = -{MUCH_WRITING_KB}")
    return connection


def migrations() -> list[tuple[int, str]]:
    """The numbered migrations, oldest first."""
    folder = resources.files("emulsa.store.migrations")
    files = sorted(each.name for each in folder.iterdir() if each.name.endswith(".sql"))
    return [(int(name[:4]), (folder / name).read_text(encoding="utf-8")) for name in files]


def migrate(connection: Connection) -> int:
    """Bring the file up to date, wholly or not at all; returns its version.

    TooNew when it is ahead of this program.
    """
    known = migrations()
    version = int(connection.execute("PRAGMA user_version").fetchone()[0])
    if version > known[-1][0]:
        raise TooNew(
            f"This data was written by a newer Emulsa (data version {version}; this one knows"
            f" {known[-1][0]}). Start the newer program, or choose another folder with --data."
        )
    if version < known[-1][0]:
        with transaction(connection):
            _upgrade(connection, [each for each in known if each[0] > version])
    return known[-1][0]


def _upgrade(connection: Connection, scripts: Sequence[tuple[int, str]]) -> None:
    # without its triggers every ALTER is quick: SQLite reads them all again at each
    journal.remove(connection)
    drawn.for_migrations(connection)
    for _, script in scripts:
        for statement in statements(script):
            connection.execute(statement)
    journal.install(connection)
    connection.execute(f"PRAGMA user_version = {scripts[-1][0]}")


def lay(connection: Connection) -> None:
    """Make an empty file what all migrations make of one, by copying it: they take a third of a
    second. Only for a file nobody else can have open: what somebody wrote meanwhile is not seen."""
    with _LAYING:
        _whole(tuple(migrations())).backup(connection)


@cache
def _whole(known: tuple[tuple[int, str], ...]) -> Connection:
    """A file in memory with every migration behind it; made once."""
    made = sqlite3.connect(":memory:", isolation_level=None, check_same_thread=False)
    made.row_factory = sqlite3.Row
    _upgrade(made, known)
    return made


def form(connection: Connection) -> dict[str, frozenset[str]]:
    """The tables of a file, each with its columns."""
    tables = connection.execute(
        "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite\\_%'"
        " ESCAPE '\\'"
    ).fetchall()
    return {
        name: frozenset(row[1] for row in connection.execute(f"PRAGMA table_info({name})"))
        for (name,) in tables
    }


@cache
def forms() -> dict[int, dict[str, frozenset[str]]]:
    """The tables a file of each version has, with their columns: what was handed out, and never
    changes again. Each version is told beside the one before."""
    text = (resources.files("emulsa.store.migrations") / "forms.json").read_text(encoding="utf-8")
    found: dict[int, dict[str, frozenset[str]]] = {}
    last: dict[str, frozenset[str]] = {}
    for number, changed in json.loads(text).items():
        told = {table: frozenset(columns.split()) for table, columns in changed.items()}
        last = {table: columns for table, columns in (last | told).items() if columns}
        found[int(number)] = last
    return found


def statements(script: str) -> Iterator[str]:
    """The statements of a script one by one: executescript would commit behind our back."""
    pending = ""
    for line in script.splitlines(keepends=True):
        pending += line
        if sqlite3.complete_statement(pending):
            yield pending
            pending = ""
