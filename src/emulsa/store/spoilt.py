"""Records that are there and cannot be read: called by their names, left out of lists, noticed."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from typing import Any, TypeVar

from emulsa.core.errors import CoreError, Unreadable

Row = Any  # a mapping of columns
Item = TypeVar("Item")
Made = TypeVar("Made")


class Spoilt(Unreadable):
    """A record that is there and cannot be read: its table, its id, and why, by its name."""

    def __init__(self, table: str, row: Row, problem: Exception) -> None:
        super().__init__(unread_text(table, row, problem))
        self.table, self.id = table, str(row["id"])


def sound(items: Iterable[Item], read: Callable[[Item], Made]) -> list[Made]:
    """What is made of each of these; what needs a record that cannot be read is left out, which is
    noticed, and the others are shown all the same."""
    found = []
    for each in items:
        try:
            found.append(read(each))
        except Spoilt as problem:
            noticed = _unread.get()
            if noticed is not None:
                noticed.add((problem.table, problem.id))
    return found


_unread: ContextVar[set[tuple[str, str]] | None] = ContextVar("unread", default=None)


@contextmanager
def noticing() -> Iterator[set[tuple[str, str]]]:
    """What of the records that are asked for inside could not be read: table and id."""
    found: set[tuple[str, str]] = set()
    before = _unread.set(found)
    try:
        yield found
    finally:
        _unread.reset(before)


def unread_text(table: str, row: Row, problem: Exception) -> str:
    """Why a row cannot be read, by the name it has."""
    names = (row[each] for each in NAMED_BY if row.get(each))
    said = problem.message if isinstance(problem, CoreError) else "it is damaged."
    why = said[:1].lower() + said[1:]
    return f"The {called(table)} “{next(names, '?')}” cannot be read: {why}"


def called(table: str) -> str:
    """What a row of a table is called, or what it is part of."""
    return CALLED.get(table, table.replace("_", " "))


NAMED_BY = ("name", "title", "label", "number", "id")
CALLED = {
    "reading": "scene",
    "scene_filter": "scene",
    "stock": "box of film",
    "sheet_format": "format",
    "printing_paper": "paper",
    "preference": "preferences",
    "print_try": "print",
    "print_strip": "strip of a print",
    "print_shape": "drawn shape",
    "practice_answer": "answer in practice",
    "practised_scene": "scene of practice",
}
