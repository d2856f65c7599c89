"""Killing: something is done in a process of its own that ends at its n-th step, nothing cleared
away, as a machine that is switched off."""

import os
import sqlite3
import sys
from collections.abc import Callable
from typing import Any

KILLED = 99
STEPS = frozenset({"open", "os.rename", "os.remove", "os.mkdir", "sqlite3.connect"})


def killed_at(step: int, act: Callable[[], object], *, statements: bool = False) -> bool:
    """Whether an act came to its ``step``-th step, at which it was killed: when it touches a file,
    or when SQLite begins a statement of any connection that is opened inside."""
    child = os.fork()
    if child == 0:
        code = 0
        try:
            _watched(step, statements)
            act()
        except BaseException:  # noqa: BLE001 - whatever it was, this process must end here
            code = 1
        os._exit(code)
    code = os.waitstatus_to_exitcode(os.waitpid(child, 0)[1])
    assert code in (0, KILLED)
    return code == KILLED


def _watched(step: int, statements: bool) -> None:
    left = step

    def count(_: Any) -> None:
        nonlocal left
        left -= 1
        if left < 0:
            os._exit(KILLED)

    if not statements:
        sys.addaudithook(lambda event, _: count(event) if event in STEPS else None)
        return
    connect = sqlite3.connect

    def watched(*asked: Any, **more: Any) -> sqlite3.Connection:
        connection = connect(*asked, **more)
        connection.set_trace_callback(count)
        return connection

    sqlite3.connect = watched
