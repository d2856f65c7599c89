"""How much of what is drawn at random is tried: a part of it each time, all of it on demand."""

import os
from collections.abc import Sequence
from typing import TypeVar

Case = TypeVar("Case")

MUCH = int(os.environ.get("THOROUGH", "1"))  # so many times as much: make thorough


def some(few: int, all_: int) -> int:
    """Few of them every day, all of them where thoroughness was asked for."""
    return few if MUCH == 1 else all_


def part(cases: Sequence[Case], of: int) -> list[Case]:
    """One of so many cases every day, all of them where thoroughness was asked for."""
    return list(cases) if MUCH > 1 else list(cases)[::of]
