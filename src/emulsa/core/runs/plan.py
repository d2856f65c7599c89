"""The plan of an evening: which waiting film shares a run, how each run goes, and in what order."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

from emulsa.core.chemistry.dilution import Reading
from emulsa.core.data.line import GOOD_ENOUGH_ZONES, WHERE
from emulsa.core.errors import Impossible, Unsound
from emulsa.core.runs.batches import BatchesAnswer, BatchesRequest, Sheet, batches, shared
from emulsa.core.runs.darkroom_kit import Line, Tank
from emulsa.core.runs.evening import EveningRun, Task
from emulsa.core.runs.process import (
    Developer,
    ProcessAnswer,
    ProcessRequest,
    ProcessStep,
    process,
)


@dataclass(frozen=True, kw_only=True, slots=True)
class Wanting:
    """Film that waits, in what a run is planned from: an id, its minutes, weight and area.

    ``places`` is how many sheets' places it takes in a tank: one for a sheet, four for a roll.
    """

    id: str
    minutes: float
    weight: float = 1.0
    area_in2: float = 20.0
    places: int = 1


def sharing(film: Sequence[Wanting], tank: Tank, max_runs: int | None = None) -> BatchesAnswer:
    """Runs for film of one kind and recipe; without ``max_runs`` as few as put no piece further off
    than a quarter of a zone. Impossible when a single piece does not fit the tank."""
    too_large = max(each.places for each in film)
    if too_large > tank.holds:
        raise Impossible(
            f"{tank.name} holds {tank.holds} sheets; a roll takes the place of {too_large}."
            " Choose another tank.",
            field="tank_id",
        )
    # Rolls take several places: with them a tank holds so many pieces as fit the largest.
    capacity = tank.holds // too_large
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
        if sum(places[id_] for id_ in part) > tank.holds:
            raise Impossible(f"{tank.name} holds {tank.holds} sheets at once.", field="parts")
    sheets = tuple(Sheet(id=each.id, minutes=each.minutes, weight=each.weight) for each in film)
    return shared(sheets, [part for part in parts if part])


def course(
    line: Line,
    tank: Tank,
    minutes: float,
    area_in2: float,
    dilution: str,
    colon: Reading | None = None,
    minimum_ml_per_roll: float = 0.0,
) -> ProcessAnswer:
    """A run second by second: the line's baths, the developer's minutes, the tank's own ways."""
    steps = tuple(
        ProcessStep(
            name=bath.name,
            kind=bath.kind,
            seconds=minutes * 60 if bath.kind == "developer" else bath.seconds,
            agitation=bath.agitation or (tank.agitation if WHERE[bath.kind][0] == "tank" else None),
            pour_s=tank.pour_s if WHERE[bath.kind][0] == "tank" else 0.0,
            drain_s=tank.drain_s if bath.kind == "developer" else 0.0,
        )
        for bath in line.baths
    )
    developer = Developer(dilution=dilution, colon=colon, minimum_ml_per_roll=minimum_ml_per_roll)
    return process(
        ProcessRequest(
            steps=steps, volume_ml=tank.volume_ml, film_area_in2=area_in2, chemistry=developer
        )
    )


def tasks(id_: str, line: Line, tank: Tank, run: ProcessAnswer) -> EveningRun:
    """A run as an evening sees it: each bath with its place, its time and its need of hands."""
    found: list[Task] = []
    for bath, step in zip(line.baths, run.steps, strict=True):
        place, hands, at_once = WHERE[bath.kind]
        pour = sum(cue.end_s - cue.start_s for cue in step.cues if cue.kind == "pour")
        task = Task(
            name=bath.name,
            place=tank.id if place == "tank" else place,
            seconds=step.end_s - step.start_s + pour,
            hands=hands,
            follows_at_once=at_once,
        )
        found.append(task if found else replace(task, follows_at_once=False))
    return EveningRun(id=id_, tasks=tuple(found))
