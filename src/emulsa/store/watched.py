"""What is read: SQLite itself says which tables a statement looks into; nobody keeps a list.

Whoever asked something knows by the tables of its answer whether an act may have made it another:
if it touched none of them, every statement would find the same rows again, and so ask the same.
"""

from __future__ import annotations

import sqlite3
from collections.abc import Iterable, Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from typing import Any

from emulsa.store import journal, log

MOST_STATEMENTS = 2_000  # those with a list in them are written in many lengths

_read: ContextVar[set[str] | None] = ContextVar("read", default=None)
_tables: dict[str, frozenset[str]] = {}


class Connection(sqlite3.Connection):
    """A connection that says what is read on it, while anybody watches."""

    def execute(self, statement: str, parameters: Any = ()) -> sqlite3.Cursor:
        """The statement carried out, its tables noted. A statement is looked at once: SQLite tells
        what it reads when it prepares it, and keeps it prepared."""
        seen = _read.get()
        if seen is None:
            return super().execute(statement, parameters)
        known = _tables.get(statement)
        if known is None:
            return self._looked_at(statement, parameters, seen)
        seen |= known
        return super().execute(statement, parameters)

    def _looked_at(self, statement: str, parameters: Any, seen: set[str]) -> sqlite3.Cursor:
        found = set[str]()

        def look(action: int, table: str | None, *_: object) -> int:
            if action == sqlite3.SQLITE_READ and table:
                found.add(table)
            return sqlite3.SQLITE_OK

        self.set_authorizer(look)  # whatever was prepared is prepared anew, so this one is, too
        try:
            cursor = super().execute(statement, parameters)
        finally:
            self.set_authorizer(None)
        if len(_tables) >= MOST_STATEMENTS:
            _tables.clear()
        _tables[statement] = frozenset(found)
        seen |= found
        return cursor


@contextmanager
def watching() -> Iterator[set[str]]:
    """The tables that are read inside, gathered as they are."""
    found = set[str]()
    before = _read.set(found)
    try:
        yield found
    finally:
        _read.reset(before)


ANY = "*"
# what every act changes, and what no act does; a name that is no table's is a part of a statement
EVERY = ("act", "action", "change", "set_aside", "aside_made", "carried")
UNTOUCHED = ("device", "bulk", "journal_cursor")


def woken_by(tables: Iterable[str]) -> tuple[str, ...]:
    """By which touched tables an answer is woken that was read of these; by ``ANY`` when it was
    read of what every act changes: the journal, what waits to be handed in."""
    woken = set[str]()
    for each in tables:
        if each in journal.JOURNALED:
            woken.add(each)
        elif each.startswith("log_"):
            woken.update(log.INDEXED)
        elif each in EVERY:
            woken.add(ANY)
    return tuple(sorted(woken))
