"""What most acts answer: what was done, and to which records."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True)
class Done:
    """What was done, as undo calls it, and the ids of what it was done to."""

    says: str
    ids: tuple[str, ...] = ()
