"""Putting a backup back: the old log or the new one is there at every moment, never none.

What arrives is unpacked, checked and settled beside the log first. The swap is then marked by a
file; whoever opens the folder next finishes a marked swap, and clears away what was not marked.
"""

from __future__ import annotations

import hashlib
import json
import shutil
import sqlite3
import zipfile
from contextlib import closing, suppress
from pathlib import Path
from typing import Any

from emulsa.store import database, soundness, zips
from emulsa.store.folder import (
    ATTACHMENTS,
    BESIDE,
    DATABASE,
    REPLACED,
    Unsafe,
    alone,
    arrived,
    beside,
    names_settled,
    part_of,
    settled,
    swept,
)

LET_IN = "id, name, digest, paired_at, seen_at"
ARRIVING, MARK = "arriving.sqlite3", "restoring.json"


def restore(folder: Path, source: Path, moment: str) -> Path | None:
    """Put a backup back: a packed file, a daily copy, or a log that was set aside, with what SQLite
    left beside it. What it replaces is kept and returned.

    Unsafe, with nothing changed, when the backup is not sound or Emulsa is running on the folder.
    """
    if not source.exists():
        raise Unsafe(f"There is no file {source}.")
    if source.is_dir():
        raise Unsafe(f"{source} is a folder; name the backup file itself.")
    folder.mkdir(parents=True, exist_ok=True)
    with alone(folder):
        _finish(folder)
        arriving = folder / ARRIVING
        try:
            packed = zipfile.is_zipfile(source)
            try:
                _unpack(source, arriving, packed)
                _checked(arriving, source)
                if packed:
                    _unpack_pictures(source, folder / ATTACHMENTS)
            except (zipfile.BadZipFile, EOFError, NotImplementedError, ValueError) as problem:
                raise Unsafe(
                    f"{source.name} is not sound ({problem}); nothing was changed."
                ) from problem
            _closed(folder / DATABASE)
            _let_in(folder / DATABASE, arriving)
            aside = folder / REPLACED / f"emulsa-{moment}.sqlite3"
            _mark(folder, aside.name)
            return _swapped(folder, aside)
        finally:
            if not (folder / MARK).exists():
                _clear(folder)


def finish(folder: Path) -> None:
    """Finish a swap that was interrupted, or clear away one that had not begun.

    Unsafe while a backup is being put back.
    """
    if (folder / MARK).exists() or (folder / ARRIVING).exists():
        with alone(folder):
            _finish(folder)


def _finish(folder: Path) -> None:
    mark = folder / MARK
    if mark.exists():
        name = Path(str(json.loads(mark.read_text(encoding="utf-8"))["aside"])).name
        _swapped(folder, folder / REPLACED / name)
    _clear(folder)


def _mark(folder: Path, aside: str) -> None:
    part = part_of(folder / MARK)
    part.write_text(json.dumps({"aside": aside}), encoding="utf-8")
    arrived(part, folder / MARK)


def _swapped(folder: Path, aside: Path) -> Path | None:
    """Every step of the swap that is still to be done; each may have been the last one done."""
    current, arriving = folder / DATABASE, folder / ARRIVING
    if arriving.exists():
        aside.parent.mkdir(parents=True, exist_ok=True)
        for ending in (*BESIDE, ""):
            part = current.with_name(current.name + ending)
            if part.exists():
                part.replace(aside.with_name(aside.name + ending))
        names_settled(aside.parent)
        arriving.replace(current)
        names_settled(folder)
    (folder / MARK).unlink()
    names_settled(folder)
    return aside if aside.exists() else None


def _clear(folder: Path) -> None:
    arriving = folder / ARRIVING
    for path in (arriving, *beside(arriving)):
        path.unlink(missing_ok=True)
    swept(folder)
    if (folder / ATTACHMENTS).exists():
        swept(folder / ATTACHMENTS)


def _closed(path: Path) -> None:
    """Bring what the log still holds beside it into the file itself, when it can be read at all."""
    if not path.exists():
        return
    try:
        with closing(sqlite3.connect(path)) as connection:
            connection.execute("PRAGMA wal_checkpoint(TRUNCATE)")
            connection.execute("PRAGMA journal_mode = DELETE")
    except sqlite3.Error:
        return  # it is set aside with all that lies beside it


def _let_in(current: Path, arriving: Path) -> None:
    """Who may come in is no part of a backup: the devices that are let in now stay, and no other.
    Nobody is, where the present log cannot say who."""
    devices: list[tuple[Any, ...]] = []
    with suppress(sqlite3.Error), closing(soundness.opened(current)) as connection:
        devices = connection.execute(f"SELECT {LET_IN} FROM device").fetchall()
    with closing(sqlite3.connect(arriving)) as connection:
        if not connection.execute(
            "SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = 'device'"
        ).fetchone():
            return  # before there were any
        with connection:
            if connection.execute(
                "SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = 'carried'"
            ).fetchone():
                connection.execute("DELETE FROM carried")  # what is put back is a home
            connection.execute("DELETE FROM device")
            connection.executemany(f"INSERT INTO device ({LET_IN}) VALUES (?, ?, ?, ?, ?)", devices)
    settled(arriving)


def _unpack(source: Path, target: Path, packed: bool) -> None:
    if packed:
        with zips.opened(source) as archive:
            if DATABASE not in archive.NameToInfo:
                raise Unsafe(f"{source.name} is not a backup of Emulsa: it holds no {DATABASE}.")
            with archive.open(DATABASE) as file, target.open("wb") as part:
                shutil.copyfileobj(file, part)
    else:
        shutil.copyfile(source, target)
        wal = source.with_name(source.name + "-wal")
        if wal.exists():
            shutil.copyfile(wal, target.with_name(target.name + "-wal"))


def _checked(arriving: Path, source: Path) -> None:
    """Unsafe when it is no log, not sound, or of a newer program; one of an older is migrated at
    the start. Afterwards it is one file, on the disk."""
    try:
        with closing(sqlite3.connect(arriving)) as connection:
            version = soundness.version(connection, source.name)
            if not version:
                raise Unsafe(f"{source.name} holds no log of Emulsa; nothing was changed.")
            connection.execute("PRAGMA wal_checkpoint(TRUNCATE)")
            connection.execute("PRAGMA journal_mode = DELETE")
    except sqlite3.DatabaseError as problem:
        raise Unsafe(f"{source.name} is not sound ({problem}); nothing was changed.") from problem
    found = soundness.problems(arriving, thorough=True)
    if found:
        raise Unsafe(f"{source.name} is not sound ({found[0]}); nothing was changed.")
    newest = database.migrations()[-1][0]
    if version > newest:
        raise Unsafe(
            f"This backup was made by a newer Emulsa (data version {version}; this one knows"
            f" {newest}). Put it back with that one."
        )
    settled(arriving)


def _unpack_pictures(source: Path, folder: Path) -> None:
    """Pictures by their bare names only: no name in the zip can lead out of the folder. One that
    lies there already counts only when it is what its name says."""
    folder.mkdir(parents=True, exist_ok=True)
    with zipfile.ZipFile(source) as packed:
        for entry in packed.infolist():
            bare = Path(entry.filename).name
            target = folder / bare
            if entry.filename != f"{ATTACHMENTS}/{bare}" or not bare or bare.startswith("."):
                continue
            if target.exists() and _is_itself(target, entry.file_size):
                continue
            part = part_of(target)
            with packed.open(entry) as file, part.open("wb") as arriving:
                shutil.copyfileobj(file, arriving)
            if not _is_itself(part, entry.file_size, bare):
                part.unlink()
                raise Unsafe(f"{source.name} is not sound ({bare}); nothing was changed.")
            arrived(part, target)


def _is_itself(path: Path, size: int, name: str = "") -> bool:
    """Whether a picture is the one its name, the digest of its content, says; a thumbnail, which
    is made anew at need, whether it is whole."""
    stem, *endings = (name or path.name).split(".")
    if path.stat().st_size != size:
        return False
    if "thumb" in endings:
        return True
    with path.open("rb") as file:
        return hashlib.file_digest(file, "sha256").hexdigest() == stem
