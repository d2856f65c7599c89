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


def statements_of(act: Callable[[], object]) -> int:
    """How many statements SQLite begins in an act, which is done in a process of its own, too."""
    told, tell = os.pipe()
    child = os.fork()
    if child == 0:
        code, many = 1, 0

        def count(_: Any) -> None:
            nonlocal many
            many += 1

        try:
            _traced(count)
            act()
            os.write(tell, str(many).encode())
            code = 0
        finally:
            os._exit(code)
    os.close(tell)
    with os.fdopen(told) as answer:
        many = answer.read()
    assert os.waitstatus_to_exitcode(os.waitpid(child, 0)[1]) == 0
    return int(many)


def _watched(step: int, statements: bool) -> None:
    left = step

    def count(_: Any) -> None:
        nonlocal left
        left -= 1
        if left < 0:
            os._exit(KILLED)

    if statements:
        _traced(count)
    else:
        sys.addaudithook(lambda event, _: count(event) if event in STEPS else None)


def _traced(tell: Callable[[Any], None]) -> None:
    connect = sqlite3.connect

    def watched(*asked: Any, **more: Any) -> sqlite3.Connection:
        connection = connect(*asked, **more)
        connection.set_trace_callback(tell)
        return connection

    sqlite3.connect = watched
