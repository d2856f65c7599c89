"""The outing of today, begun by itself when somebody takes a reading without one."""

from __future__ import annotations

from collections.abc import Iterable

from emulsa.core.outing.record import Outing
from emulsa.core.written import day_words


def of_today(outings: Iterable[Outing], day: str, new_id: str) -> Outing:
    """The outing of this id if there is one, else the day's latest, else a new one called by its
    date: none that is there is written over."""
    known = list(outings)
    there = [each for each in known if each.id == new_id] or [
        each for each in known if each.day == day
    ]
    return there[0] if there else Outing(id=new_id, title=day_words(day), day=day)
