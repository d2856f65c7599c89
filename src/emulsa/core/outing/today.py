"""The outing of today, begun by itself when somebody takes a reading without one."""

from __future__ import annotations

from collections.abc import Iterable

from emulsa.core.moments import day_words
from emulsa.core.outing.record import Outing


def of_today(outings: Iterable[Outing], day: str, new_id: str) -> Outing:
    """The latest of the day's outings, else a new one called by its date."""
    there = [each for each in outings if each.day == day]
    return there[0] if there else Outing(id=new_id, title=day_words(day), day=day)
