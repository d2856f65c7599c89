"""How much of what is drawn at random is tried: a part of it each time, all of it on demand."""

import os

MUCH = int(os.environ.get("THOROUGH", "1"))  # so many times as much: make thorough


def some(few: int, all_: int) -> int:
    """Few of them every day, all of them where thoroughness was asked for."""
    return few if MUCH == 1 else all_
