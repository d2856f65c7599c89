"""An evening as it was planned: its runs, its tasks on one clock, and how they are told."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from emulsa.core.advice import Advice
from emulsa.core.darkroom.evening import PlacedTask
from emulsa.core.darkroom.process import ProcessAnswer

HOUR_STEPS_MIN = (5, 10, 15, 30, 60, 120)  # between two moments under the drawing
MOST_HOURS = 8


@dataclass(frozen=True, kw_only=True, slots=True)
class PlannedPiece:
    """A piece of film in a planned run: what it wants, and what sharing does to it."""

    id: str
    piece_ids: tuple[str, ...]
    where: str
    scene_title: str
    part_text: str
    n_text: str
    minutes: float
    minutes_text: str
    error_zones: float
    error_text: str
    too_far: bool


@dataclass(frozen=True, kw_only=True, slots=True)
class PlannedRun:
    """A run of the evening: its film, its minutes, what is measured for it, second by second."""

    id: str
    film_id: str
    recipe_id: str
    tank_id: str
    name: str
    n: float
    minutes: float
    minutes_text: str
    pieces: tuple[PlannedPiece, ...]
    developer: str
    dilution: str
    volume_ml: float
    area_in2: float
    mix_text: str
    course: ProcessAnswer


@dataclass(frozen=True, kw_only=True, slots=True)
class Dry:
    """When the film of a run is dry, from the evening's beginning, and that in words."""

    run_id: str
    at_s: float
    text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class Idle:
    """How long a place stands idle until all is dry."""

    place: str
    text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class Amount:
    """What an evening takes of something, in the photographer's measures."""

    what: str
    text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class Hour:
    """A moment of the evening under its drawing."""

    at_s: float
    text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class EveningPlan:
    """The evening: its runs, every task on one clock, the hours under the drawing, what it uses,
    and what is worth saying.

    ``proven`` tells for each kind of film whether no better sharing is possible.
    """

    runs: tuple[PlannedRun, ...]
    proven: dict[str, bool]
    tasks: tuple[PlacedTask, ...]
    wet_until_s: float
    hours: tuple[Hour, ...]
    dry: tuple[Dry, ...]
    says: str
    finish_s: float
    finish_text: str
    hands_idle_text: str
    idle: tuple[Idle, ...]
    totals: tuple[Amount, ...]
    advice: tuple[Advice, ...]
    temperature_c: float


def hours(until_s: float) -> Iterator[Hour]:
    """Moments under an evening's drawing, so many as there is room for."""
    step = next((each for each in HOUR_STEPS_MIN if until_s / 60 / each <= MOST_HOURS), 240)
    for minutes in range(0, int(until_s / 60) + 1, step):
        yield Hour(at_s=60 * minutes, text=on_the_clock(60 * minutes))


def dried(tasks: Sequence[PlacedTask]) -> Iterator[Dry]:
    """Of each run that is dried, when that is done."""
    for each in tasks:
        if each.place == "dryer":
            text = f"dry at {on_the_clock(each.end_s)}"
            yield Dry(run_id=each.run_id, at_s=each.end_s, text=text)


def on_the_clock(seconds: float) -> str:
    """A moment of an evening, hours and minutes from its beginning.

    >>> on_the_clock(3_900)
    '1:05'
    """
    whole, minutes = divmod(round(seconds / 60), 60)
    return f"{whole}:{minutes:02d}"


def told(runs: Sequence[PlannedRun], tasks: Sequence[PlacedTask]) -> str:
    """An evening for the ear: each run, and when each of its tasks begins."""
    return ". ".join(
        f"{run.name}: "
        + ", ".join(
            f"{task.name} at {on_the_clock(task.start_s)}"
            for task in tasks
            if task.run_id == run.id
        )
        for run in runs
    )
