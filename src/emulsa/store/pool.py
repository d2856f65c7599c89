"""Open connections kept for the next request: opening one costs more than most queries."""

from __future__ import annotations

from collections import deque
from pathlib import Path

from emulsa.store.database import Connection, connect

IDLE_AT_MOST = 40  # as many as are answered at once


class Pool:
    """Connections to one file; one borrower has a connection to itself until it is given back."""

    def __init__(self, path: Path) -> None:
        self._path = path
        self._idle: deque[Connection] = deque()

    def take(self) -> Connection:
        """An idle connection, or a new one."""
        try:
            return self._idle.pop()
        except IndexError:
            return connect(self._path)

    def give(self, connection: Connection) -> None:
        """Take a connection back; one left inside a transaction is closed, which rolls it back."""
        if connection.in_transaction or len(self._idle) >= IDLE_AT_MOST:
            connection.close()
        else:
            self._idle.append(connection)

    def close(self) -> None:
        """Close what is idle."""
        while self._idle:
            self._idle.pop().close()
