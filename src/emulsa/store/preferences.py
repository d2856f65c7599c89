"""The photographer's preferences: one row."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from sqlite3 import Connection

from emulsa.core import wire
from emulsa.core.kit.preferences import Preferences
from emulsa.core.typed import commas
from emulsa.core.written import writing


def put(connection: Connection, preferences: Preferences) -> None:
    connection.execute(
        """
        INSERT INTO preference (one, value) VALUES (1, :value)
        ON CONFLICT (one) DO UPDATE SET value = :value
        """,
        {"value": wire.dumps(preferences)},
    )


def preferences(connection: Connection) -> Preferences:
    """What was kept, or the defaults."""
    row = connection.execute("SELECT value FROM preference").fetchone()
    return wire.loads(Preferences, row["value"]) if row else Preferences()


@contextmanager
def as_one_writes(connection: Connection) -> Iterator[None]:
    """Inside, numbers are written and read as this photographer does."""
    way = preferences(connection)
    with writing(way.measures), commas(way.decimal_comma):
        yield


def holds_highlights(connection: Connection) -> bool:
    """Whether the photographer develops for an exposure that was off."""
    return preferences(connection).habits.hold_highlights
