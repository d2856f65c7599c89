"""Copies of the store: made while it runs, checked before they count, rotated, and put back.

A daily copy is the database alone: pictures are kept under their digests and never changed or
deleted, so the folder beside it serves every copy. A backup file to carry away holds both.
"""

from __future__ import annotations

import os
import shutil
import sqlite3
import zipfile
from collections.abc import Iterator
from contextlib import closing, contextmanager
from datetime import date, timedelta
from pathlib import Path

from emulsa.store import database

DATABASE, ATTACHMENTS = "emulsa.sqlite3", "attachments"
COPIES, REPLACED, LOCK = "backups", "replaced", "in-use"
KEPT_DAYS, KEPT_WEEKS, KEPT_MONTHS = 7, 5, 12


class Unsafe(Exception):
    """A copy cannot be trusted or must not be put back now; the sentence says what to do."""


class Damaged(Exception):
    """The data file cannot be read; the sentence names the way out."""


def prepare(path: Path) -> None:
    """Make the data file ready: created or brought up to date, a copy kept before it is changed.

    Raises TooNew for a file of a newer program and Damaged for one that cannot be read.
    """
    try:
        with closing(database.connect(path)) as connection:
            version = int(connection.execute("PRAGMA user_version").fetchone()[0])
            newest = database.migrations()[-1][0]
            if 0 < version < newest:
                copy(path, path.parent / COPIES / f"before-version-{newest}.sqlite3")
            database.migrate(connection)
    except (sqlite3.DatabaseError, Unsafe) as problem:
        raise Damaged(
            f"The data file {path} cannot be read ({problem}). {way_out(path.parent)}"
        ) from problem


def problems(path: Path, thorough: bool = False) -> list[str]:
    """What SQLite finds wrong with a file; nothing when it is sound."""
    try:
        with closing(sqlite3.connect(f"file:{path}?mode=ro", uri=True)) as connection:
            check = "integrity_check" if thorough else "quick_check"
            found = [str(row[0]) for row in connection.execute(f"PRAGMA {check}(5)")]
            version = connection.execute("PRAGMA user_version").fetchone()[0]
    except sqlite3.Error as problem:
        return [str(problem)]
    if found == ["ok"]:
        return [] if version else ["it holds no archive of Emulsa"]
    return found


def copy(source: Path, target: Path) -> Path:
    """A copy of a running database, checked; it appears under its name only when it is whole."""
    target.parent.mkdir(parents=True, exist_ok=True)
    part = target.with_suffix(".part")
    part.unlink(missing_ok=True)
    with closing(sqlite3.connect(source)) as running, closing(sqlite3.connect(part)) as copied:
        running.backup(copied, pages=2_000)
        copied.execute("PRAGMA journal_mode = DELETE")
    found = problems(part, thorough=True)
    if found:
        part.unlink(missing_ok=True)
        raise Unsafe(f"The copy of {source.name} is not sound ({found[0]}); it was not kept.")
    _settled(part)
    part.replace(target)
    return target


def daily(folder: Path, today: date) -> Path | None:
    """Today's copy, if there is none yet; older ones are thinned out."""
    target = folder / COPIES / f"emulsa-{today.isoformat()}.sqlite3"
    if target.exists() or not (folder / DATABASE).exists():
        return None
    copy(folder / DATABASE, target)
    for old in surplus([day for day, _ in copies(folder)], today):
        (folder / COPIES / f"emulsa-{old.isoformat()}.sqlite3").unlink(missing_ok=True)
    return target


def copies(folder: Path) -> list[tuple[date, Path]]:
    """The daily copies there are, latest first."""
    found = []
    for path in (folder / COPIES).glob("emulsa-????-??-??.sqlite3"):
        try:
            found.append((date.fromisoformat(path.stem[len("emulsa-") :]), path))
        except ValueError:
            continue
    return sorted(found, reverse=True)


def surplus(days: list[date], today: date) -> list[date]:
    """The days whose copies can go: a week of days, five weeks and a year of months stay.

    >>> surplus([date(2026, 11, 25), date(2026, 11, 24)], date(2026, 11, 25))
    []
    """
    kept: set[date] = set()
    weeks: dict[tuple[int, int], date] = {}
    months: dict[tuple[int, int], date] = {}
    for day in sorted(days, reverse=True):
        if today - day < timedelta(days=KEPT_DAYS):
            kept.add(day)
        weeks.setdefault(day.isocalendar()[:2], day)
        months.setdefault((day.year, day.month), day)
    kept.update(list(weeks.values())[:KEPT_WEEKS])
    kept.update(list(months.values())[:KEPT_MONTHS])
    return [day for day in days if day not in kept]


def pack(folder: Path, target: Path) -> Path:
    """Everything in one file to carry away: the database and the pictures, in a zip."""
    if not (folder / DATABASE).exists():
        raise Unsafe(f"There is no archive in {folder}; name its folder with --data.")
    part = target.with_suffix(".part")
    copied = copy(folder / DATABASE, folder / COPIES / "to-pack.sqlite3")
    try:
        with zipfile.ZipFile(part, "w", zipfile.ZIP_DEFLATED, compresslevel=4) as packed:
            packed.write(copied, DATABASE)
            for path in sorted((folder / ATTACHMENTS).glob("*.*")):
                if path.suffix != ".part":
                    packed.write(path, f"{ATTACHMENTS}/{path.name}", zipfile.ZIP_STORED)
        _settled(part)
        part.replace(target)
    finally:
        copied.unlink(missing_ok=True)
        part.unlink(missing_ok=True)
    return target


def restore(folder: Path, source: Path, moment: str) -> Path | None:
    """Put a backup back: a packed file or a daily copy. What it replaces is kept and returned.

    Unsafe, with nothing changed, when the backup is not sound or Emulsa is running on the folder.
    """
    if not source.exists():
        raise Unsafe(f"There is no file {source}.")
    folder.mkdir(parents=True, exist_ok=True)
    with alone(folder):
        arriving = folder / "arriving.sqlite3"
        try:
            _unpack(source, arriving)
            found = problems(arriving, thorough=True)
            if found:
                raise Unsafe(f"{source.name} is not sound ({found[0]}); nothing was changed.")
            _readable(arriving)
            if zipfile.is_zipfile(source):
                _unpack_pictures(source, folder / ATTACHMENTS)
            replaced = _set_aside(folder, moment)
            arriving.replace(folder / DATABASE)
        finally:
            arriving.unlink(missing_ok=True)
    return replaced


@contextmanager
def alone(folder: Path) -> Iterator[None]:
    """Hold the folder alone; Unsafe while Emulsa runs on it."""
    with _locked(folder, exclusive=True):
        yield


@contextmanager
def together(folder: Path) -> Iterator[None]:
    """Hold the folder as a running service does: with others like it, but with no restore."""
    with _locked(folder, exclusive=False):
        yield


def way_out(folder: Path) -> str:
    """What to do about a damaged file, with the copies there are."""
    found = copies(folder)
    if not found:
        return (
            "There is no copy of it in the folder. Keep the file as it is, and restore a backup"
            " you carried away: emulsa restore FILE."
        )
    day, path = found[0]
    return (
        f"The latest copy is of {day.isoformat()}. Put it back with:"
        f" emulsa restore {path} --data {folder}  (the damaged file is kept)."
    )


@contextmanager
def _locked(folder: Path, exclusive: bool) -> Iterator[None]:
    folder.mkdir(parents=True, exist_ok=True)
    with (folder / LOCK).open("w") as file:
        try:
            import fcntl  # absent on systems that lock open files by themselves
        except ImportError:
            yield
            return
        try:
            fcntl.flock(file, (fcntl.LOCK_EX if exclusive else fcntl.LOCK_SH) | fcntl.LOCK_NB)
        except BlockingIOError:
            raise Unsafe(
                f"Emulsa is running on {folder}; stop it first, so that nothing is lost."
                if exclusive
                else f"A backup is being put back into {folder}; wait until it is done."
            ) from None
        yield


def _unpack(source: Path, target: Path) -> None:
    if not zipfile.is_zipfile(source):
        shutil.copyfile(source, target)
        return
    with zipfile.ZipFile(source) as packed:
        if DATABASE not in packed.namelist():
            raise Unsafe(f"{source.name} is not a backup of Emulsa: it holds no {DATABASE}.")
        with packed.open(DATABASE) as file, target.open("wb") as part:
            shutil.copyfileobj(file, part)


def _unpack_pictures(source: Path, folder: Path) -> None:
    """Pictures by their bare names only: no name in the zip can lead out of the folder."""
    folder.mkdir(parents=True, exist_ok=True)
    with zipfile.ZipFile(source) as packed:
        for name in packed.namelist():
            bare = Path(name).name
            if name == f"{ATTACHMENTS}/{bare}" and bare and not (folder / bare).exists():
                with packed.open(name) as file, (folder / bare).open("wb") as part:
                    shutil.copyfileobj(file, part)


def _readable(path: Path) -> None:
    """Unsafe when the backup is of a newer program; one of an older is migrated at the start."""
    with closing(sqlite3.connect(path)) as connection:
        version = int(connection.execute("PRAGMA user_version").fetchone()[0])
    newest = database.migrations()[-1][0]
    if version > newest:
        raise Unsafe(
            f"This backup was made by a newer Emulsa (data version {version}; this one knows"
            f" {newest}). Put it back with that one."
        )


def _set_aside(folder: Path, moment: str) -> Path | None:
    """The database as it is, with what its log still holds, under a name of its own."""
    current = folder / DATABASE
    if not current.exists():
        return None
    kept = folder / REPLACED / f"emulsa-{moment}.sqlite3"
    kept.parent.mkdir(parents=True, exist_ok=True)
    for ending in ("", "-wal", "-shm"):
        part = current.with_name(current.name + ending)
        if part.exists():
            part.replace(kept.with_name(kept.name + ending))
    return kept


def _settled(path: Path) -> None:
    with path.open("rb") as file:
        os.fsync(file.fileno())
