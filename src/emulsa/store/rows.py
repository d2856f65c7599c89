"""Records and rows: one upsert and one reader over a dataclass's fields.

A field is a column of its name. Text, numbers and nothing are stored as they are, flags as 0 and 1,
everything else as JSON by the one encoder. A pair may be two columns (``pairs``), a record within a
record columns of its own (``within``). What a table is called and how it is ordered stands in
``records``; a new field of a record needs its column (a migration) and nothing here.
"""

from __future__ import annotations

import dataclasses
import json
import types
import typing
from collections.abc import Callable, Mapping
from functools import cache, cached_property, lru_cache
from operator import itemgetter
from sqlite3 import Connection
from typing import (
    Annotated,
    Any,
    ClassVar,
    Generic,
    Literal,
    Protocol,
    TypeVar,
    Union,
    get_args,
    get_origin,
)

from emulsa.core import wire
from emulsa.core.errors import CoreError
from emulsa.store.spoilt import Spoilt, sound

Values = Mapping[str, Any]
Row = Any  # a mapping of columns, as sqlite3.Row is one
Reader = Callable[[Row], Any]
R = TypeVar("R", bound="Dataclass")
How = Literal["plain", "flag", "json", "pair", "within"]


class Dataclass(Protocol):
    """A record: anything with fields."""

    __dataclass_fields__: ClassVar[dict[str, Any]]


@dataclasses.dataclass(frozen=True)
class Table(Generic[R]):
    """A table whose rows are records of one kind, in the order they are shown."""

    name: str
    kind: type[R]
    order: str = "rowid"
    pairs: Mapping[str, tuple[str, str]] = dataclasses.field(default_factory=dict)
    within: tuple[str, ...] = ()
    without: tuple[str, ...] = ()  # fields that are kept in tables of their own

    @cached_property
    def fields(self) -> dict[str, Any]:
        """The record's own fields with their types."""
        hints = typing.get_type_hints(self.kind, include_extras=True)
        names = (each.name for each in dataclasses.fields(self.kind))
        return {name: hints[name] for name in names if name not in self.without}

    @cached_property
    def columns(self) -> tuple[str, ...]:
        found: list[str] = []
        for name, kind in self.fields.items():
            if name in self.pairs:
                found += self.pairs[name]
            elif name in self.within:
                found += (each.name for each in dataclasses.fields(kind))
            else:
                found.append(name)
        return tuple(found)

    def row(self, record: R) -> dict[str, Any]:
        """A record as the values of its columns."""
        found: dict[str, Any] = {}
        for name, how, inner in self._writers:
            value = getattr(record, name)
            if how == "pair":
                found |= dict(zip(self.pairs[name], value, strict=True))
            elif how == "within":
                found |= {each: _stored(kept, getattr(value, each)) for each, kept in inner}
            else:
                found[name] = _stored(how, value)
        return found

    @cached_property
    def _writers(self) -> tuple[tuple[str, How, tuple[tuple[str, How], ...]], ...]:
        """Each field, how it is stored, and so for the fields within it: a type is slow to ask."""
        found: list[tuple[str, How, tuple[tuple[str, How], ...]]] = []
        for name, kind in self.fields.items():
            if name in self.pairs:
                found.append((name, "pair", ()))
            elif name in self.within:
                inner = tuple((each, _how(hint)) for each, hint in _hints(kind).items())
                found.append((name, "within", inner))
            else:
                found.append((name, _how(kind), ()))
        return tuple(found)

    def record(self, row: Row) -> R:
        """A row as the record it was."""
        return self.kind(**self.values(row))

    def read(self, row: Row) -> R:
        """A row as the record it was; Unreadable, by its name, when it is none."""
        try:
            return self.record(row)
        except (CoreError, ValueError, TypeError, KeyError) as problem:
            raise Spoilt(self.name, row, problem) from problem

    def document(self, row: Row) -> dict[str, Any]:
        """A row nobody has checked as the JSON its record is decoded from; what it lacks stays
        out, and what is no JSON stays as it is."""
        found: dict[str, Any] = {}
        for name, kind in self.fields.items():
            if name in self.pairs:
                both = [row.get(each) for each in self.pairs[name]]
                if None not in both:
                    found[name] = both
            elif name in self.within:
                hints = _hints(kind)
                found[name] = {each: _sent(hints[each], row[each]) for each in hints if each in row}
            elif name in row:
                found[name] = _sent(kind, row[name])
        return found

    def values(self, row: Row) -> dict[str, Any]:
        """The record's fields out of a row."""
        return {name: read(row) for name, read in self._readers}

    @cached_property
    def _readers(self) -> tuple[tuple[str, Reader], ...]:
        return tuple((name, self._reader(name, kind)) for name, kind in self.fields.items())

    def _reader(self, name: str, kind: Any) -> Reader:
        if name in self.pairs:
            return itemgetter(*self.pairs[name])
        if name in self.within:
            inner = [(each, _reading(each, hint)) for each, hint in _hints(kind).items()]
            return lambda row: kind(**{each: read(row) for each, read in inner})
        return _reading(name, kind)

    @cached_property
    def upsert(self) -> str:
        names, slots = ", ".join(self.columns), ", ".join(f":{each}" for each in self.columns)
        settings = ", ".join(f"{each} = :{each}" for each in self.columns if each != "id")
        return (
            f"INSERT INTO {self.name} ({names}) VALUES ({slots})"
            f" ON CONFLICT (id) DO UPDATE SET {settings}"
        )

    @cached_property
    def select(self) -> str:
        return (
            f"SELECT {', '.join(f'{self.name}.{each}' for each in self.columns)} FROM {self.name}"
        )


def put(connection: Connection, table: Table[R], record: R) -> None:
    """Insert a record, or make the stored one equal to it."""
    connection.execute(table.upsert, table.row(record))


def one(connection: Connection, table: Table[R], id_: str | None) -> R | None:
    """The record of this id, or nothing."""
    row = connection.execute(f"{table.select} WHERE id = :id", {"id": id_}).fetchone()
    return table.read(_named(row)) if row else None


def many(
    connection: Connection, table: Table[R], rest: str = "", values: Values | None = None
) -> list[R]:
    """Records in their table's order, or as ``rest`` of the statement narrows and orders them; one
    that cannot be read is left out, and noticed."""
    statement = f"{table.select} {rest or f'ORDER BY {table.order}'}"
    return sound(map(_named, connection.execute(statement, values or {})), table.read)


def _named(row: Row) -> dict[str, Any]:
    # sqlite3.Row looks a name up by trying one after the other: for a wide row, all of them twice
    return dict(zip(row.keys(), row, strict=True))


def of_ids(
    connection: Connection, table: Table[R], column: str, ids: typing.Iterable[str], order: str = ""
) -> list[R]:
    """Records whose column is one of these ids."""
    return many(
        connection,
        table,
        f"WHERE {table.name}.{column} IN (SELECT value FROM json_each(:ids))"
        f" ORDER BY {order or table.order}",
        {"ids": json.dumps(list(ids))},
    )


def delete(connection: Connection, table: Table[Any], id_: str) -> None:
    connection.execute(f"DELETE FROM {table.name} WHERE id = :id", {"id": id_})


@cache
def _hints(kind: Any) -> dict[str, Any]:
    return typing.get_type_hints(kind, include_extras=True)


def _stored(how: How, value: Any) -> Any:
    if value is None or how == "plain":
        return value
    return int(value) if how == "flag" else wire.dumps(value)


def _sent(kind: Any, value: Any) -> Any:
    """A column as it would be sent."""
    how = _how(kind)
    if how == "flag" and value in (0, 1):
        return bool(value)
    if how == "json" and isinstance(value, str):
        try:
            return json.loads(value)
        except (ValueError, RecursionError):
            return value
    return value


def _reading(name: str, kind: Any) -> Reader:
    """How a column of a type is read out of a row."""
    how = _how(kind)
    if how == "plain":
        return itemgetter(name)
    if how == "flag":
        return lambda row: None if row[name] is None else bool(row[name])
    decoded = _decoded if _changeable(kind) else _once
    return lambda row: None if row[name] is None else decoded(kind, row[name])


def _changeable(kind: Any) -> bool:
    """Whether what is read may be changed by who reads it: an object as it was sent."""
    return get_origin(kind) is dict or any(map(_changeable, get_args(kind)))


def _decoded(kind: Any, text: str) -> Any:
    """A column's JSON as what it stands for."""
    return wire.decode(kind, json.loads(text))


_once = lru_cache(maxsize=1_024)(_decoded)  # records never change: the same text is the same one


@cache
def _how(kind: Any) -> Literal["plain", "flag", "json"]:
    """How a field of a type is stored."""
    if get_origin(kind) is Annotated:
        return _how(get_args(kind)[0])
    if get_origin(kind) in (Union, types.UnionType):
        # a mark is text and a free number a number: both at once need JSON to stay apart
        inner = {_how(each) for each in get_args(kind) if each is not type(None)}
        plain = [each for each in get_args(kind) if each is not type(None)]
        return inner.pop() if len(plain) == 1 else "json"
    if kind is bool:
        return "flag"
    return "plain" if kind in (str, int, float) or get_origin(kind) is Literal else "json"
