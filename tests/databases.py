"""Databases for tests, each a copy of one made once: making one takes most of a short test."""

from functools import cache
from pathlib import Path

from emulsa.store import database


@cache
def _migrated() -> database.Connection:
    made = database.connect(Path(":memory:"))
    database.migrate(made)
    return made


def empty() -> database.Connection:
    """A database in memory, migrated, with nothing in it; to be closed by who asked for it."""
    copied = database.connect(Path(":memory:"))
    _migrated().backup(copied)
    return copied
