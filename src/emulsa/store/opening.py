"""Making the data file ready: created, brought up to date, or refused in one sentence."""

from __future__ import annotations

import sqlite3
from contextlib import closing
from pathlib import Path

from emulsa.store import backups, database, faults, restoring, soundness
from emulsa.store.folder import ATTACHMENTS, COPIES, REPLACED, Unsafe, alone, beside, quoted


class Damaged(Unsafe):
    """The data file cannot be read; the sentence names the way out."""


class Absent(Unsafe):
    """The data file is missing or empty where there was one; the sentence names the copies."""


def prepare(path: Path, moment: str = "", anew: bool = False) -> None:
    """Make the data file ready: created or brought up to date, a copy kept before it is changed; a
    restore that was interrupted is finished first.

    ``anew`` begins an empty log where one was lost; what lies there is set aside under ``moment``.
    Raises TooNew for a file of a newer program, Damaged for one that cannot be read, Foreign for
    another program's, Absent when it is gone and its copies are not, Unsafe for what can be mended.
    """
    folder = path.parent
    restoring.finish(folder)
    if not path.exists() or path.stat().st_size == 0:
        _begun(path, moment, anew)
    try:
        with closing(database.connect(path)) as connection:
            version = soundness.version(connection, str(path))
            newest = database.migrations()[-1][0]
            if 0 < version < newest:
                backups.copy(path, folder / COPIES / f"before-version-{newest}.sqlite3")
            database.migrate(connection)
    except sqlite3.Error as problem:
        if faults.kind(problem) in ("damaged", "foreign", "other"):
            raise Damaged(
                f"The data file {path} cannot be read ({problem}). {backups.way_out(folder)}"
            ) from problem
        raise Unsafe(faults.sentence(problem, path)) from problem


def _begun(path: Path, moment: str, anew: bool) -> None:
    """Whether a log may be begun here; Absent when one was here before."""
    folder = path.parent
    if anew:
        with alone(folder):
            for lying in (path, *beside(path)):
                if lying.exists() and lying.stat().st_size:
                    aside = folder / REPLACED / lying.name.replace("emulsa.", f"emulsa-{moment}.")
                    aside.parent.mkdir(parents=True, exist_ok=True)
                    lying.replace(aside)
                else:
                    lying.unlink(missing_ok=True)
        return
    copies = [each.path for each in backups.copies(folder)]
    copies += sorted((folder / REPLACED).glob("*.sqlite3"), reverse=True)
    copies += sorted((folder / COPIES).glob("before-version-*.sqlite3"), reverse=True)
    pictures = any((folder / ATTACHMENTS).glob("*.*"))
    left = any(each.stat().st_size for each in beside(path))
    if not copies and not pictures and not left:
        return
    is_ = "is empty" if path.exists() else "is missing"
    begin = f"To begin a new log instead: emulsa serve --new --data {quoted(folder)}."
    if not copies:
        raise Absent(
            f"The data file {path} {is_}, and there is no copy of it in the folder. Restore a"
            f" backup you carried away: emulsa restore FILE. {begin}"
        )
    named = ", ".join(each.relative_to(folder).as_posix() for each in copies[:5])
    raise Absent(
        f"The data file {path} {is_}, but copies of it are here: {named}. Put the latest back with:"
        f" emulsa restore {quoted(copies[0])} --data {quoted(folder)}. {begin}"
    )
