"""Transactions: all of it or none of it, and much read as it was at one moment."""

from __future__ import annotations

import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager

from emulsa.core.errors import CoreError, Missing

Connection = sqlite3.Connection

NOT_THERE = "Something this names is not there any more; reload the page and try again."


class Busy(CoreError):
    """Somebody else has been writing for longer than anybody waits; nothing was changed."""

    code = "busy"


@contextmanager
def transaction(connection: Connection) -> Iterator[None]:
    """All of it or none of it; the write lock is taken at the start.

    Busy when another writes for too long, Missing when a row names what is not there.
    """
    try:
        connection.execute("BEGIN IMMEDIATE")
    except sqlite3.OperationalError as problem:
        if "locked" not in str(problem):
            raise
        raise Busy("Emulsa is writing something long; nothing was changed. Try again.") from None
    try:
        yield
        connection.execute("COMMIT")
    except BaseException as problem:
        if connection.in_transaction:
            connection.execute("ROLLBACK")
        if isinstance(problem, sqlite3.IntegrityError):
            raise Missing(NOT_THERE) from problem
        raise


@contextmanager
def snapshot(connection: Connection) -> Iterator[None]:
    """Much is read as it was at one moment, whatever is written meanwhile."""
    connection.execute("BEGIN")
    try:
        yield
    finally:
        connection.execute("ROLLBACK")
