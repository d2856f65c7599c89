"""Whether a file is a log of Emulsa, of a version this program knows, and sound."""

from __future__ import annotations

import sqlite3
from contextlib import closing
from pathlib import Path

from emulsa.store import database
from emulsa.store.folder import Unsafe

APPLICATION_ID = 0x456D754C  # "EmuL", in the file's own header
IDENTIFIED_SINCE = 8  # files of earlier versions carry no id
ALWAYS_THERE = {"film", "recipe", "lens", "holder", "outing", "scene", "exposure", "action"}


class Foreign(Unsafe):
    """A file of another program, or none of a program at all."""


def opened(path: Path) -> sqlite3.Connection:
    """A file opened to be read, whatever letters its name has."""
    return sqlite3.connect(f"{path.resolve().as_uri()}?mode=ro", uri=True)


def version(connection: sqlite3.Connection, name: str) -> int:
    """The data version of an opened file; nothing (0) for an empty one, Foreign for another's."""
    number = int(connection.execute("PRAGMA user_version").fetchone()[0])
    identity = int(connection.execute("PRAGMA application_id").fetchone()[0])
    tables = {
        str(row[0])
        for row in connection.execute("SELECT name FROM sqlite_master WHERE type = 'table'")
    }
    if number == 0 and identity == 0 and not tables:
        return 0
    known = identity == APPLICATION_ID or (identity == 0 and 0 < number < IDENTIFIED_SINCE)
    if not known or not tables >= ALWAYS_THERE:
        raise Foreign(f"{name} is a file of another program, not a log of Emulsa.")
    lacks = lacking(connection, number)
    if lacks:
        raise Unsafe(
            f"{name} lacks {lacks}, which a log of its version ({number}) has: it was made by a"
            " version of Emulsa between two others. Nothing was changed; put a copy back that"
            " another version made, or bring its archive in."
        )
    return number


def lacking(connection: sqlite3.Connection, number: int) -> str:
    """What a file lacks of what its version has, in words; nothing when it has all of it, or is of
    a version nobody here knows."""
    there = database.form(connection)
    for table, columns in database.forms().get(number, {}).items():
        if table not in there:
            return f"the table {table}"
        missing = sorted(columns - there[table])
        if missing:
            return f"{', '.join(missing)} of the table {table}"
    return ""


def problems(path: Path, thorough: bool = False) -> list[str]:
    """What is wrong with a file; nothing when it is a sound log."""
    try:
        with closing(opened(path)) as connection:
            check = "integrity_check" if thorough else "quick_check"
            found = [str(row[0]) for row in connection.execute(f"PRAGMA {check}(5)")]
            if found == ["ok"] and not version(connection, path.name):
                return ["it holds no log of Emulsa"]
    except Unsafe as problem:
        return [str(problem)]
    except sqlite3.Error as problem:
        return [str(problem)]
    return [] if found == ["ok"] else found
