"""The data folder: what lies in it, who holds it, and when what was written is on the disk."""

from __future__ import annotations

import os
import shlex
import time
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from datetime import datetime
from pathlib import Path
from uuid import uuid4

DATABASE, ATTACHMENTS = "emulsa.sqlite3", "attachments"
COPIES, REPLACED, LOCK = "backups", "replaced", "in-use"
KEPT_FOR_S = 7 * 86_400.0
BESIDE = ("-wal", "-shm")  # what SQLite keeps next to a database while it is open


class Unsafe(Exception):
    """Something must not be done now, or not with this file; the sentence says what to do."""


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


def file_moment() -> str:
    """This moment as part of a file's name."""
    return datetime.now().astimezone().strftime("%Y-%m-%dT%H-%M-%S")


def quoted(path: Path) -> str:
    """A path as one can type it on a command line.

    >>> quoted(Path("/data/späte Bilder"))
    "'/data/späte Bilder'"
    """
    return f'"{path}"' if os.name == "nt" else shlex.quote(str(path))


def beside(path: Path) -> list[Path]:
    """The files SQLite left next to a database."""
    found = (path.with_name(path.name + ending) for ending in BESIDE)
    return [each for each in found if each.exists()]


def part_of(target: Path) -> Path:
    """Where a file is written before it counts; no two writers share one."""
    return target.with_name(f".{target.name}.{uuid4().hex[:12]}.part")


def settled(path: Path) -> None:
    """Wait until a file's content is on the disk."""
    with path.open("rb") as file:
        os.fsync(file.fileno())


def arrived(part: Path, target: Path) -> Path:
    """Give a whole, settled file its name: it counts from now on, whatever happens."""
    settled(part)
    part.replace(target)
    names_settled(target.parent)
    return target


def names_settled(folder: Path) -> None:
    """Wait until the names in a folder are on the disk, where folders can be waited for."""
    if not hasattr(os, "O_DIRECTORY"):
        return
    descriptor = os.open(folder, os.O_RDONLY | os.O_DIRECTORY)
    try:
        os.fsync(descriptor)
    finally:
        os.close(descriptor)


def tidied(exchange: Path, *folders: Path) -> None:
    """At a start: nothing half is left anywhere, and what was handed in or written for somebody
    long ago goes."""
    for folder in (exchange, *folders):
        for left in (*folder.glob("*.part"), *folder.glob(".*.part"), *folder.glob("*.stage*")):
            left.unlink(missing_ok=True)
    for path in exchange.glob("*.*"):
        if time.time() - path.stat().st_mtime > KEPT_FOR_S:
            path.unlink(missing_ok=True)


def log_in(folder: Path) -> Path:
    """The log of a folder; Unsafe when there is none."""
    path = folder / DATABASE
    if not path.exists():
        raise Unsafe(f"There is no log in {folder}; name its folder with --data.")
    return path


def latest_only(folder: Path, pattern: str, count: int) -> None:
    """Of the files of a pattern the latest stay; what is gone already is no fault."""
    found = []
    for path in folder.glob(pattern):
        with suppress(OSError):
            found.append((path.stat().st_mtime_ns, path))
    for _, path in sorted(found, reverse=True)[count:]:
        path.unlink(missing_ok=True)


def swept_of(path: Path) -> None:
    """Remove what arrived and was not kept, with what was made of it beside it."""
    for each in path.parent.glob(f"{path.name}*"):
        each.unlink(missing_ok=True)


def swept(folder: Path) -> None:
    """Remove what a killed writer left half."""
    for part in folder.glob(".*.part"):
        part.unlink(missing_ok=True)
