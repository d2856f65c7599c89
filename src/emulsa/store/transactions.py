"""Transactions: all of it or none of it, and much read as it was at one moment."""

from __future__ import annotations

import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager

from emulsa.core.errors import CoreError, Missing
from emulsa.store import faults
from emulsa.store.turns import Turns

Connection = sqlite3.Connection

BUSY = "Emulsa is writing something long; nothing was changed. Try again."
NOT_THERE = "Something this names is not there any more; reload the page and try again."


class Busy(CoreError):
    """Somebody else has been writing for longer than anybody waits; nothing was changed."""

    code = "busy"


class Unwritable(CoreError):
    """The disk is full, or the log must not be written; nothing was changed."""

    code = "unwritable"


UNWRITABLE: dict[faults.Kind, str] = {
    "full": "The disk is full: this could not be kept. Make room, and try again; nothing was"
    " changed, and what was logged before is safe.",
    "read-only": "The log can be read but not written: this could not be kept. Let the data folder"
    " be written, and try again.",
    "forbidden": "The log cannot be opened: this could not be kept. Look at the permissions of the"
    " data folder, and try again.",
}


@contextmanager
def refusing() -> Iterator[None]:
    """What the disk or another writer forbids is a refusal: Busy or Unwritable; so for files beside
    the log."""
    try:
        yield
    except (sqlite3.OperationalError, OSError) as problem:
        kind = faults.kind(problem)
        if kind == "locked":
            raise Busy(BUSY) from problem
        if kind in UNWRITABLE:
            raise Unwritable(UNWRITABLE[kind]) from problem
        raise


# One writer at a time, as SQLite has it. Whoever waits here is served when the lock is free; SQLite
# would have him look again now and then, and miss the moments between the slices of long work.
_writing = Turns()
WAITS_S = 15.0


@contextmanager
def transaction(connection: Connection) -> Iterator[None]:
    """All of it or none of it; the write lock is taken at the start.

    Busy when another writes for too long, Unwritable when the disk is full, Missing when a row
    names what is not there.
    """
    if not _writing.acquire(WAITS_S):
        raise Busy(BUSY)
    try:
        with refusing():
            connection.execute("BEGIN IMMEDIATE")
            try:
                yield
                connection.execute("COMMIT")
            except BaseException as problem:
                if connection.in_transaction:
                    connection.execute("ROLLBACK")
                if isinstance(problem, sqlite3.IntegrityError):
                    raise Missing(NOT_THERE) from problem
                raise
    finally:
        _writing.release()


@contextmanager
def snapshot(connection: Connection) -> Iterator[None]:
    """Much is read as it was at one moment, whatever is written meanwhile."""
    connection.execute("BEGIN")
    try:
        yield
    finally:
        connection.execute("ROLLBACK")
