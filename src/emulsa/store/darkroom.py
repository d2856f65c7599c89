"""Tanks, bath sequences, bottles, and what is mixed from powder."""

from __future__ import annotations

from collections.abc import Iterable
from sqlite3 import Connection

from emulsa.core.chemistry.powder import Powder
from emulsa.core.kit.darkroom import Bottle, Line, Tank
from emulsa.store import rows
from emulsa.store.records import BOTTLE, LINE, POWDER, TANK


def tanks(connection: Connection) -> list[Tank]:
    return rows.many(connection, TANK)


def lines(connection: Connection) -> list[Line]:
    return rows.many(connection, LINE)


def bottles(connection: Connection) -> list[Bottle]:
    return rows.many(connection, BOTTLE)


def bottles_of(connection: Connection, ids: Iterable[str]) -> list[Bottle]:
    """The bottles of these ids that are there."""
    return rows.of_ids(connection, BOTTLE, "id", ids)


def tank(connection: Connection, id_: str | None) -> Tank | None:
    return rows.one(connection, TANK, id_)


def line(connection: Connection, id_: str | None) -> Line | None:
    return rows.one(connection, LINE, id_)


def bottle(connection: Connection, id_: str | None) -> Bottle | None:
    return rows.one(connection, BOTTLE, id_)


def powder(connection: Connection, id_: str) -> Powder | None:
    return rows.one(connection, POWDER, id_)
