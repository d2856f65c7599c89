"""How long chemistry lasts at one's own pace, and whether it keeps that long."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from emulsa.core.chemistry.powder import Powder
from emulsa.core.development.developers import called
from emulsa.core.kit.darkroom import Bottle
from emulsa.core.moments import day_number
from emulsa.core.numbers import counted, plain

WEEKS = 13  # a quarter of a year tells how one works now
WEEK = 7


@dataclass(frozen=True, kw_only=True, slots=True)
class DevelopedThen:
    """A run that is over: its day, how many rolls' worth of film, in which developer."""

    day: str
    rolls: float
    developer: str = ""


def per_week(runs: Iterable[DevelopedThen], today: str) -> float:
    """Rolls a week over the last quarter of a year."""
    now = day_number(today[:10], "today")
    return (
        sum(
            each.rolls
            for each in runs
            if 0 <= now - day_number(each.day[:10], "day") < WEEK * WEEKS
        )
        / WEEKS
    )


def meant_for(powder: Powder, runs: Iterable[DevelopedThen]) -> tuple[DevelopedThen, ...]:
    """The runs a powder is for: a developer its own, fixer and washing aid every one."""
    name = called(powder.name)
    return tuple(
        each for each in runs if powder.kind != "developer" or called(each.developer) == name != ""
    )


def package_says(powder: Powder, weekly: float) -> str:
    """Whether a package is used before it is too old.

    >>> powder = Powder(id="p", name="Metol", parts=(), does_rolls=14, keeps_days=56)
    >>> package_says(powder, 1.0)
    'A package would be used in 14 weeks; it keeps 8. Mix a part of it, or buy a smaller one.'
    """
    if powder.does_rolls is None:
        return "" if powder.keeps_days is None else f"It keeps {_weeks(powder.keeps_days / WEEK)}."
    if weekly <= 0:
        return f"No film went through it in the last {WEEKS} weeks."
    weeks = powder.does_rolls / weekly
    said = f"A package would be used in {_weeks(weeks)}"
    if powder.keeps_days is None:
        return f"{said}."
    keeps = powder.keeps_days / WEEK
    advice = " Mix a part of it, or buy a smaller one." if weeks > keeps else ""
    return f"{said}; it keeps {plain(round(keeps))}.{advice}"


def bottle_says(bottle: Bottle, today: str) -> str:
    """How long a bottle lasts at the pace it was used, and whether it keeps that long.

    >>> fixer = Bottle(
    ...     id="b", name="Fixer", mixed="2026-01-01", used_rolls=6, capacity_rolls=10, shelf_days=49
    ... )
    >>> bottle_says(fixer, "2026-01-22")
    '4 of 10 rolls left: 2 weeks at your pace; it keeps 4 weeks more.'
    """
    since = bottle.mixed or bottle.opened
    if bottle.capacity_rolls is None:
        return ""
    left = max(0.0, bottle.capacity_rolls - bottle.used_rolls)
    said = f"{plain(round(left, 2))} of {plain(bottle.capacity_rolls)} rolls left"
    days = day_number(today[:10], "today") - day_number(since, "mixed") if since else 0
    if left and bottle.used_rolls and days > 0:
        said += f": {_weeks(left / bottle.used_rolls * days / WEEK)} at your pace"
    if bottle.shelf_days is None or not since:
        return f"{said}."
    keeps = max(0, round((bottle.shelf_days - days) / WEEK))
    return f"{said}; it keeps {counted(keeps, 'week')} more."


def _weeks(weeks: float) -> str:
    return counted(max(1, round(weeks)), "week")
