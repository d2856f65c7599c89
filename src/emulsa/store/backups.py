"""Copies of the store: made while it runs, checked before they count, and thinned out.

A daily copy is the database alone: pictures are kept under their digests and never changed or
deleted, so the folder beside it serves every copy. A backup file to carry away holds both. Copies
are numbered, so that the latest is known even after the clock of the machine was wrong.
"""

from __future__ import annotations

import re
import sqlite3
import zipfile
from collections.abc import Callable
from contextlib import closing
from dataclasses import dataclass
from datetime import date, timedelta
from pathlib import Path

from emulsa.store import soundness
from emulsa.store.folder import (
    ATTACHMENTS,
    COPIES,
    DATABASE,
    Unsafe,
    arrived,
    log_in,
    part_of,
    quoted,
    together,
)

KEPT_DAYS, KEPT_WEEKS, KEPT_MONTHS = 7, 5, 12
PAGES_AT_ONCE = 500
# numbered since there were two in one folder whose clock had run ahead; earlier ones count as 0
NAMED = re.compile(r"emulsa-(?:(\d{6})-)?(\d{4}-\d{2}-\d{2})\.sqlite3")

Going = Callable[[], None]  # called now and then; raises to stop


@dataclass(frozen=True, order=True)
class Copy:
    """A daily copy; the greater of two is the later one, whatever their days say."""

    number: int
    day: date
    path: Path


def nothing() -> None:
    """Go on."""


def copy(source: Path, target: Path, going: Going = nothing) -> Path:
    """A copy of a running database, checked; it appears under its name only when it is whole."""
    target.parent.mkdir(parents=True, exist_ok=True)
    part = part_of(target)
    try:
        with closing(sqlite3.connect(source)) as running, closing(sqlite3.connect(part)) as copied:
            running.backup(copied, pages=PAGES_AT_ONCE, progress=lambda *_: going())
            copied.execute("PRAGMA journal_mode = DELETE")
        going()
        found = soundness.problems(part, thorough=True)
        if found:
            raise Unsafe(f"The copy of {source.name} is not sound ({found[0]}); it was not kept.")
        return arrived(part, target)
    finally:
        part.unlink(missing_ok=True)


def daily(folder: Path, today: date, going: Going = nothing) -> Path | None:
    """Today's copy, if there is none yet; older ones are thinned out."""
    there = copies(folder)
    if any(each.day == today for each in there) or not (folder / DATABASE).exists():
        return None
    number = max((each.number for each in there), default=0) + 1
    target = folder / COPIES / f"emulsa-{number:06d}-{today.isoformat()}.sqlite3"
    copy(folder / DATABASE, target, going)
    for old in surplus(copies(folder), today):
        old.path.unlink(missing_ok=True)
    return target


def copies(folder: Path) -> list[Copy]:
    """The daily copies there are, latest first."""
    found = []
    for path in (folder / COPIES).glob("emulsa-*.sqlite3"):
        named = NAMED.fullmatch(path.name)
        try:
            if named:
                found.append(Copy(int(named[1] or 0), date.fromisoformat(named[2]), path))
        except ValueError:
            continue
    return sorted(found, reverse=True)


def surplus(there: list[Copy], today: date) -> list[Copy]:
    """The copies that can go: a week of days, five weeks and a year of months stay.

    ``there`` is latest first. A copy made while the clock ran ahead is no younger than the one
    that was made after it.
    """
    kept: set[Copy] = set()
    weeks: dict[tuple[int, int], Copy] = {}
    months: dict[tuple[int, int], Copy] = {}
    day = today
    for each in there:
        day = min(day, each.day)
        if today - day < timedelta(days=KEPT_DAYS):
            kept.add(each)
        weeks.setdefault(day.isocalendar()[:2], each)
        months.setdefault((day.year, day.month), each)
    kept.update(list(weeks.values())[:KEPT_WEEKS])
    kept.update(list(months.values())[:KEPT_MONTHS])
    return [each for each in there if each not in kept]


def pack(folder: Path, target: Path, going: Going = nothing) -> list[str]:
    """Everything in one file to carry away: the database and the pictures, in a zip.

    The names of pictures whose files are gone are returned: the backup is whole but for them.
    """
    log_in(folder)
    if target.is_dir():
        raise Unsafe(f"{target} is a folder; name the file to write.")
    with together(folder):
        return _packed(folder, target, going)


def _packed(folder: Path, target: Path, going: Going) -> list[str]:
    part, copied = part_of(target), part_of(folder / COPIES / "to-pack.sqlite3")
    target.parent.mkdir(parents=True, exist_ok=True)
    copy(folder / DATABASE, copied, going)
    try:
        lost = missing_pictures(copied, folder / ATTACHMENTS)
        with zipfile.ZipFile(part, "w", zipfile.ZIP_DEFLATED, compresslevel=4) as packed:
            packed.write(copied, DATABASE)
            for path in sorted((folder / ATTACHMENTS).glob("*.*")):
                if path.suffix != ".part" and ".screen." not in path.name:
                    packed.write(path, f"{ATTACHMENTS}/{path.name}", zipfile.ZIP_STORED)
                    going()
        arrived(part, target)
    finally:
        copied.unlink(missing_ok=True)
        part.unlink(missing_ok=True)
    return lost


def missing_pictures(database: Path, pictures: Path) -> list[str]:
    """The names of attached pictures whose file is not in the folder any more."""
    with closing(soundness.opened(database)) as connection:
        known = {row[0] for row in connection.execute("SELECT name FROM sqlite_master")}
        if "attachment" not in known:
            return []
        rows = connection.execute("SELECT name, digest FROM attachment ORDER BY rowid").fetchall()
    there = {path.name.split(".")[0] for path in pictures.glob("*.*") if ".thumb." not in path.name}
    return [str(name) for name, digest in rows if digest not in there]


def way_out(folder: Path) -> str:
    """What to do about a file that cannot be used, with the copies there are."""
    found = copies(folder)
    if not found:
        return (
            "There is no copy of it in the folder. Keep the file as it is, and restore a backup"
            " you carried away: emulsa restore FILE."
        )
    return (
        f"The latest copy is of {found[0].day.isoformat()}. Put it back with:"
        f" emulsa restore {quoted(found[0].path)} --data {quoted(folder)}  (the damaged file is"
        " kept)."
    )
