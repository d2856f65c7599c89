"""The plan of an evening: which waiting film shares a run, how each run goes, and in what order."""

from __future__ import annotations

import math
from collections.abc import Collection, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from emulsa.core.chemistry import dilution
from emulsa.core.chemistry.dilution import Mixed
from emulsa.core.corrections.film_kinds import n_words
from emulsa.core.darkroom.batch_search import BatchesRequest, Sheet
from emulsa.core.darkroom.batches import BatchesAnswer, batches, shared
from emulsa.core.darkroom.evening import EveningRun, PlacedTask, Task
from emulsa.core.darkroom.process import (
    Developer,
    ProcessAnswer,
    ProcessRequest,
    ProcessStep,
    developer_ml,
    process,
)
from emulsa.core.darkroom.room import check_room, roll_share, room_text, sheet_places
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.data.line import (
    GOOD_ENOUGH_ZONES,
    LEAST_WEIGHT,
    SHEET_IN2,
    WATER_CHANGES,
    WHERE,
)
from emulsa.core.development.agitation import SchemeKey
from emulsa.core.development.recipes import Recipe
from emulsa.core.errors import Impossible, Unsound
from emulsa.core.kit.darkroom import Bath, Line, Tank
from emulsa.core.written import volume_text

SAME_VOLUME = 1e-6  # of itself: what nobody can measure


@dataclass(frozen=True, kw_only=True, slots=True)
class Wanting:
    """Film that waits, in what a run is planned from: an id, its minutes, weight and area.

    ``places`` is what it takes of a tank that holds 1: a sheet of 4×5, or a reel.
    """

    id: str
    minutes: float
    weight: float = 1.0
    area_in2: float = SHEET_IN2
    places: Fraction = Fraction(1)


@dataclass(frozen=True, kw_only=True, slots=True)
class Total:
    """An amount an evening takes."""

    what: str
    ml: float


def wanting(
    id_: str, minutes: float, weight: float, area_in2: float, rolled: bool, tank: Tank
) -> Wanting:
    """Film as a plan sees it: what part of the tank a reel or a sheet of its area takes."""
    return Wanting(
        id=id_,
        minutes=minutes,
        weight=max(weight, LEAST_WEIGHT),
        area_in2=area_in2,
        places=roll_share(tank) if rolled else Fraction(sheet_places(area_in2), tank.holds),
    )


def spread_text(ns: Sequence[float], kind: FilmKindName | None = None) -> str:
    """The developments that share a run, in words.

    >>> spread_text([-1, -1]), spread_text([1, -1])
    ('N−1', 'N−1 to N+1')
    """
    low, high = n_words(min(ns), kind), n_words(max(ns), kind)
    return low if low == high else f"{low} to {high}"


def rotary(tank: Tank, recipe: Recipe) -> bool:
    """Whether a recipe meant for moving by fits is developed in a tank that never stands still."""
    return tank.agitation == "rotary" and recipe.scheme != "rotary"


def by_the_clock(line: Line) -> Line:
    """The baths a run's clock counts: drying is left to the night."""
    return replace(line, baths=tuple(bath for bath in line.baths if bath.kind != "dry"))


def sharing(film: Sequence[Wanting], tank: Tank, max_runs: int | None = None) -> BatchesAnswer:
    """Runs for film of one kind and recipe; without ``max_runs`` as few as put no piece further off
    than a quarter of a zone. Impossible when a single piece does not fit the tank."""
    largest = max(each.places for each in film)
    if largest > 1:
        raise Impossible(
            f"{tank.name} holds {room_text(tank)}; this does not fit. Choose another tank.",
            field="tank_id",
        )
    # Pieces of several sizes: the tank holds so many as fit the largest.
    capacity = int(1 / largest)
    fewest = math.ceil(len(film) / capacity)
    sheets = tuple(Sheet(id=each.id, minutes=each.minutes, weight=each.weight) for each in film)
    most = len(film) if max_runs is None else max_runs
    for runs in range(fewest if max_runs is None else most, most + 1):
        answer = batches(BatchesRequest(sheets=sheets, capacity=capacity, max_runs=runs))
        worst = max(abs(each.error_zones) for each in answer.sheets)
        if max_runs is not None or worst <= GOOD_ENOUGH_ZONES:
            return answer
    return answer


def as_asked(film: Sequence[Wanting], tank: Tank, parts: Sequence[Sequence[str]]) -> BatchesAnswer:
    """Runs as the photographer shares them.

    Unsound when a piece is missing or in two of them, Impossible when one is too full.
    """
    named = [id_ for part in parts for id_ in part]
    if sorted(named) != sorted(each.id for each in film):
        raise Unsound(
            "Every piece of film is in one run; one is missing, or in two.", field="parts"
        )
    places = {each.id: each.places for each in film}
    for part in parts:
        check_room(tank, sum((places[id_] for id_ in part), Fraction(0)), "parts")
    sheets = tuple(Sheet(id=each.id, minutes=each.minutes, weight=each.weight) for each in film)
    return shared(sheets, [part for part in parts if part])


def course(
    line: Line,
    tank: Tank,
    minutes: float,
    area_in2: float,
    recipe: Recipe | None,
    kind: FilmKindName | None = None,
) -> ProcessAnswer:
    """A run second by second: the line's baths, the developer's minutes, the tank's own ways."""
    first = next((bath for bath in line.baths if bath.kind == "developer"), None)
    steps = tuple(
        ProcessStep(
            name=bath.name,
            kind=bath.kind,
            seconds=minutes * 60 if bath is first else bath.seconds,
            agitation=_moved(bath, tank, recipe),
            pour_s=tank.pour_s if WHERE[bath.kind][0] == "tank" else 0.0,
            drain_s=tank.drain_s if bath.kind == "developer" else 0.0,
            changes=bath.changes,
        )
        for bath in line.baths
    )
    return process(
        ProcessRequest(
            steps=steps,
            volume_ml=tank.volume_ml,
            film_area_in2=area_in2,
            chemistry=_developer(recipe),
            film_kind=kind,
        )
    )


def mixed_ml(tank: Tank, area_in2: float, recipe: Recipe, water_ml: float | None = None) -> float:
    """The developer that is mixed for so much film in a tank, or from so much water; Unsound when
    that water makes less than the film uses up."""
    if water_ml is None:
        return developer_ml(_developer(recipe), tank.volume_ml, area_in2)
    made = dilution.volume_for_water(recipe.dilution, water_ml, recipe.colon)
    wanted = developer_ml(_developer(recipe), made, area_in2)
    if wanted > made * (1 + SAME_VOLUME):
        raise Unsound(
            f"{volume_text(water_ml)} of water makes too little developer for this film: it takes"
            f" {volume_text(water_ml * wanted / made)} of water or more.",
            field="water_ml",
        )
    return made


def _developer(recipe: Recipe | None) -> Developer:
    if recipe is None:
        return Developer()
    return Developer(
        dilution=recipe.dilution,
        colon=recipe.colon,
        minimum_ml_per_roll=recipe.minimum_ml_per_roll,
        rolls_per_litre=recipe.rolls_per_litre,
    )


def _moved(bath: Bath, tank: Tank, recipe: Recipe | None) -> SchemeKey | None:
    """How film is moved in a bath: as the recipe says, else the bath, else the tank's own way."""
    if bath.kind == "developer" and recipe is not None and recipe.scheme is not None:
        return recipe.scheme
    return bath.agitation or (tank.agitation if WHERE[bath.kind][0] == "tank" else None)


def developer_moved(line: Line, tank: Tank, recipe: Recipe | None) -> SchemeKey | None:
    """How film is moved in the developer of a line, the first of a divided one."""
    bath = next(each for each in line.baths if each.kind == "developer")
    return _moved(bath, tank, recipe)


def totals(
    line: Line,
    runs: Sequence[tuple[Tank, Sequence[Mixed]]],
    ready: Collection[str] = (),
) -> tuple[Total, ...]:
    """What an evening takes: the parts of every run's developer, the other baths once for each
    tank, and the water, that of presoak, rinse and wash too. Baths of the kinds that stand ready
    in bottles are not mixed.

    A wash counts as five changes of the tank unless it says how many; running water takes more.
    """
    found: dict[str, float] = {}
    tanks = {tank.id: tank for tank, _ in runs}
    for _, mix in runs:
        for part in mix:
            _count(found, "water" if part.part == "water" else f"developer, {part.part}", part.ml)
    for bath in line.baths:
        if bath.kind in ready:
            continue
        if bath.dilution:
            for tank in tanks.values():
                for part in dilution.mix(
                    bath.dilution, bath.volume_ml or tank.volume_ml, bath.colon
                ):
                    what = "water" if part.part == "water" else f"{bath.name}, {part.part}"
                    _count(found, what, part.ml)
        elif bath.kind in WATER_CHANGES:
            fills = bath.changes if bath.changes > 1 else WATER_CHANGES[bath.kind]
            water = math.fsum(tank.volume_ml for tank, _ in runs) * fills
            _count(found, "water", water)
    return tuple(Total(what=what, ml=ml) for what, ml in found.items())


def _count(found: dict[str, float], what: str, ml: float) -> None:
    found[what] = found.get(what, 0.0) + ml


def spans(placed: Sequence[PlacedTask]) -> dict[str, tuple[float, float]]:
    """From when to when each run keeps somebody busy: its drying is left out."""
    found: dict[str, tuple[float, float]] = {}
    for each in placed:
        if each.place == "dryer":
            continue
        start, end = found.get(each.run_id, (each.start_s, each.end_s))
        found[each.run_id] = min(start, each.start_s), max(end, each.end_s)
    return found


def tasks(id_: str, line: Line, tank: Tank, run: ProcessAnswer) -> EveningRun:
    """A run as an evening sees it: each bath with its place, its time and its need of hands."""
    found: list[Task] = []
    for bath, step in zip(line.baths, run.steps, strict=True):
        place, hands, at_once = WHERE[bath.kind]
        pour = math.fsum(cue.end_s - cue.start_s for cue in step.cues if cue.kind == "pour")
        task = Task(
            name=bath.name,
            place=tank.id if place == "tank" else place,
            seconds=step.end_s - step.start_s + pour,
            hands=hands,
            follows_at_once=at_once,
        )
        found.append(task if found else replace(task, follows_at_once=False))
    return EveningRun(id=id_, tasks=tuple(found))
