"""How long film really was in the developer, by the run's own clock."""

from __future__ import annotations

from emulsa.core.darkroom.run import Went
from emulsa.core.kit import plain
from emulsa.core.kit.darkroom import Line


def developed_minutes(went: Went | None, line: Line | None) -> float | None:
    """The true minutes of the developer's step, of a divided one its first; nothing for a run
    without its clock."""
    if went is None:
        return None
    first = developer_of(line)
    found = [each.seconds for each in went.steps if each.name == first]
    return found[0] / 60 if len(found) == 1 and found[0] > 0 else None


def developer_of(line: Line | None) -> str:
    """What the developer's step is called in a bath sequence; of a divided one its first."""
    baths = (line or plain.SEQUENCE).baths
    return next(each.name for each in baths if each.kind == "developer")
