"""What a darkroom has: tanks, the line of baths one uses, and bottles with what is left in them."""

from __future__ import annotations

import math
import re
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from typing import Annotated, Literal

from emulsa.core.chemistry.baths import Changes, Pour, StepKind, StepSeconds
from emulsa.core.chemistry.dilution import Colon, Volume
from emulsa.core.chemistry.film_area import rolls
from emulsa.core.chemistry.fixing import exhausted_s
from emulsa.core.development.agitation import SchemeKey, named
from emulsa.core.development.time_answer import Age
from emulsa.core.errors import Missing, Unsound
from emulsa.core.limits import Day, Id, Label, Length, Name, Note, Within
from emulsa.core.moments import day_number
from emulsa.core.numbers import plain
from emulsa.core.written import day_words

Holds = Annotated[int, Within("Sheets a tank holds", 1, 100)]
HoldsRolls = Annotated[int, Within("Rolls a tank holds", 0, 40)]
Many = Annotated[int, Within("How many of them", 1, 20)]
Rolls = Annotated[float, Within("Rolls' worth of film", 0, 1_000)]
ShelfDays = Annotated[int, Within("Days on the shelf", 1, 3_650)]
Clearing = Annotated[float, Within("The clearing time", 1, 1_800, "s")]
ONE_PART = re.compile(r"1\s*\+\s*\d+(?:[.,]\d+)?")
BottleKind = Literal[
    "developer", "stop", "fixer", "washing aid", "wetting agent", "part A", "part B"
]


@dataclass(frozen=True, kw_only=True, slots=True)
class Tank:
    """A tank, tray or set of hangers: how many sheets share it, its volume, how it is moved.

    ``holds_rolls`` is how many reels it takes instead; without it a reel counts as four sheets.
    """

    id: Id
    name: Name
    holds: Holds = 4
    holds_rolls: HoldsRolls | None = None
    volume_ml: Volume = 500.0
    many: Many = 1
    agitation: SchemeKey = "30+10"
    pour_s: Pour = 0.0
    drain_s: Pour = 0.0
    note: Note = ""
    archived: bool = False

    def __post_init__(self) -> None:
        named(self.agitation, 1.0)


@dataclass(frozen=True, kw_only=True, slots=True)
class Bath:
    """A step of the line. The developer's time comes from the film; ``agitation`` empty: the
    tank's own way; ``dilution`` empty: nothing is mixed for it. ``volume_ml`` is that of a bath
    that has a vessel of its own; empty: as the tank. ``changes`` shares its time between so many
    fillings of water. ``hardener``: so much of it, ``1+n``, goes into a fixer; empty: none."""

    name: Name
    kind: StepKind
    seconds: StepSeconds = 60.0
    agitation: SchemeKey | None = None
    dilution: Label = ""
    colon: Colon | None = None
    volume_ml: Volume | None = None
    changes: Changes = 1
    hardener: Label = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class Line:
    """The baths in their order, strictly one way, with one developer among them, or a divided one:
    two developers, B right after A. A's time comes from the film, B has its own."""

    id: Id
    name: Name
    baths: Annotated[tuple[Bath, ...], Length("Baths of a line", 1, 20)]
    note: Note = ""
    archived: bool = False

    def __post_init__(self) -> None:
        places = [at for at, bath in enumerate(self.baths) if bath.kind == "developer"]
        if not places:
            raise Missing("A line has a developer; name it.", field="baths")
        if len(places) > 2 or places[-1] - places[0] != len(places) - 1:
            raise Unsound(
                "A line has one developer, or two that follow each other: A, then B.",
                field="baths",
            )
        check_baths(self.baths)


def check_baths(baths: Sequence[Bath]) -> None:
    """Missing, with its field, when a bath is moved in a way that nobody knows; Unsound for a
    hardener that is no 1+n."""
    for place, bath in enumerate(baths):
        if bath.hardener and ONE_PART.fullmatch(bath.hardener.strip()) is None:
            raise Unsound(
                f"A hardener is given as 1+n, as in 1+39; “{bath.hardener}” is not.",
                field=f"baths.{place}.hardener",
            )
        if bath.agitation is not None:
            try:
                named(bath.agitation, 1.0)
            except Missing as problem:
                problem.field = f"baths.{place}.agitation"
                raise


@dataclass(frozen=True, kw_only=True, slots=True)
class Bottle:
    """A mixed bottle: since when, how long it keeps, how much film it does and has done.

    ``age_change`` is what its user adds to developing times for its age: 1.1 is a tenth longer.
    """

    id: Id
    name: Name
    kind: BottleKind = "developer"
    mixed: Day = ""
    opened: Day = ""
    shelf_days: ShelfDays | None = None
    capacity_rolls: Rolls | None = None
    used_rolls: Rolls = 0.0
    fresh_clearing_s: Clearing | None = None
    clearing_s: Clearing | None = None
    age_change: Age = 1.0
    note: Note = ""
    archived: bool = False

    def __post_init__(self) -> None:
        for field in ("mixed", "opened"):
            text = getattr(self, field)
            if text:
                day_number(text, field)


def charged(bottle: Bottle, rolls: float) -> Bottle:
    """The bottle after so much film went through it; its first use opens no new day.

    >>> charged(Bottle(id="b", name="Fixer", used_rolls=6), 0.75).used_rolls
    6.75
    """
    return replace(bottle, used_rolls=min(1_000.0, bottle.used_rolls + rolls))


def used_up(bottle: Bottle) -> str:
    """Why a bottle does no more film, in one sentence; nothing while it does.

    >>> used_up(Bottle(id="b", name="Fixer", capacity_rolls=10, used_rolls=10))
    'Fixer is exhausted (10 rolls); mix fresh.'
    """
    if bottle.capacity_rolls is not None and bottle.used_rolls >= bottle.capacity_rolls - 1e-9:
        return f"{bottle.name} is exhausted ({plain(bottle.capacity_rolls)} rolls); mix fresh."
    if bottle.fresh_clearing_s and bottle.clearing_s:
        limit = exhausted_s(bottle.fresh_clearing_s)
        if bottle.clearing_s >= limit - 1e-9:
            return (
                f"{bottle.name} clears in {plain(bottle.clearing_s)} s, twice as long as when it"
                " was fresh; discard it by the local rules."
            )
    return ""


def short_of(bottle: Bottle, area_in2: float) -> str:
    """What is wrong when a bottle is to do so much film; nothing when it can, or is used up.

    >>> short_of(Bottle(id="b", name="Fixer", capacity_rolls=10, used_rolls=9), 160)
    'Fixer has 1 roll left in it, and this is 2 rolls of film; mix more.'
    """
    if bottle.capacity_rolls is None:
        return ""
    left, wanted = bottle.capacity_rolls - bottle.used_rolls, rolls(area_in2)
    if left <= 1e-9 or wanted <= left + 1e-9:
        return ""
    return (
        f"{bottle.name} has {_rolls_text(left)} left in it, and this is {_rolls_text(wanted)} of"
        " film; mix more."
    )


def _rolls_text(count: float) -> str:
    return f"{plain(round(count, 2))} roll{'' if round(count, 2) == 1 else 's'}"


def age_of(bottles: Iterable[Bottle]) -> float:
    """What is added to developing times for the age of the developers among these bottles."""
    kinds = ("developer", "part A", "part B")
    return math.prod(each.age_change for each in bottles if each.kind in kinds)


def bottle_trouble(bottle: Bottle, today: str) -> str:
    """Why a bottle should not be used on a day, in one sentence; nothing when it is good.

    >>> bottle_trouble(Bottle(id="b", name="Fixer", capacity_rolls=10, used_rolls=10), "2026-01-20")
    'Fixer is exhausted (10 rolls); mix fresh.'
    """
    since, today_ = bottle.mixed or bottle.opened, day_number(today[:10], "today")
    shelf = bottle.shelf_days
    if since and shelf is not None and today_ > day_number(since, "mixed") + shelf:
        return f"{bottle.name} is past its {shelf} days (mixed {day_words(since)}); mix fresh."
    return used_up(bottle)
