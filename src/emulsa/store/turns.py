"""Turns: who may write now, and who may read beside, each in the order they came."""

from __future__ import annotations

import threading
from collections import deque
from collections.abc import Iterator
from contextlib import contextmanager


class Turns:
    """A few at once, in the order they asked: nobody waits twice as long as another."""

    def __init__(self, at_once: int = 1) -> None:
        self._guard = threading.Lock()
        self._free = at_once
        self._waiting: deque[threading.Event] = deque()

    def acquire(self, timeout: float | None = None) -> bool:
        """Wait for one's turn, so long at most; whether it came."""
        with self._guard:
            if self._free:
                self._free -= 1
                return True
            mine = threading.Event()
            self._waiting.append(mine)
        if mine.wait(timeout):
            return True
        with self._guard:
            if mine.is_set():  # it came in the last moment
                return True
            self._waiting.remove(mine)
            return False

    def release(self) -> None:
        """Whoever has waited longest is next."""
        with self._guard:
            if self._waiting:
                self._waiting.popleft().set()
            else:
                self._free += 1


# One interpreter answers everybody: of very many who read at once each holds up whoever writes, and
# none is answered sooner for it.
_reading = Turns()


@contextmanager
def reading() -> Iterator[None]:
    """One reads at a time; the others follow in the order they came."""
    _reading.acquire()
    try:
        yield
    finally:
        _reading.release()
