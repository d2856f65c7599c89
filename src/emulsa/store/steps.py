"""Long work in steps: after each it says how far it is, and whoever drives it does something else,
goes on, or closes it, which takes back what is not finished."""

from __future__ import annotations

from collections.abc import Generator
from typing import TypeAlias, TypeVar

EVERY = 20  # rows a step, where each is read or written by itself

Result = TypeVar("Result")
Steps: TypeAlias = Generator[tuple[int, int], None, Result]  # how much is done, and of how much


def finish(steps: Steps[Result]) -> Result:
    """Drive long work to its end, and answer what came of it."""
    while True:
        try:
            next(steps)
        except StopIteration as end:
            result: Result = end.value
            return result
