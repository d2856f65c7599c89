"""Planning an evening: which film shares a run, what is mixed for it, and when what is done."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from fastapi import APIRouter

from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.routes.darkroom import waiting_film
from emulsa.core.advice import Advice
from emulsa.core.chemistry.dilution import Mixed, Reading
from emulsa.core.development import temperature
from emulsa.core.development.developing_time import DevelopmentRequest, development
from emulsa.core.development.waiting import WaitingFilm
from emulsa.core.film.emulsions import FilmRecipe
from emulsa.core.light.hand_time import hours_text, minutes_text
from emulsa.core.limits import Id, Length, Within
from emulsa.core.runs import plan
from emulsa.core.runs.batches import BatchesAnswer
from emulsa.core.runs.darkroom_kit import Line, Tank, bottle_trouble
from emulsa.core.runs.evening import EveningRequest, Placed, evening
from emulsa.core.runs.process import ProcessAnswer
from emulsa.core.runs.zones_text import zones_text
from emulsa.core.tones.development_number import n_text
from emulsa.store import darkroom, films, pieces
from emulsa.store.database import Connection

router = APIRouter(prefix="/api/evening", tags=["evening"])

AtCelsius = Annotated[float, Within("The temperature", 18, 27, "°C")]
Places = Annotated[int, Within("Places", 1, 20)]
MaxRuns = Annotated[int, Within("Runs", 1, 60)]


@dataclass(frozen=True, kw_only=True)
class KindPlan:
    """How film of one kind and recipe is to be shared.

    ``max_runs`` empty: as few runs as put nothing further off than a quarter of a zone; ``parts``
    share it by hand, by the ids of its pieces as they are answered.
    """

    film_id: Id
    recipe_id: Id
    tank_id: Id
    max_runs: MaxRuns | None = None
    parts: Annotated[tuple[tuple[Id, ...], ...], Length("Runs", 0, 60)] = ()


@dataclass(frozen=True, kw_only=True)
class Planning:
    """An evening to plan: its film, its line of baths, the temperature, and what else there is."""

    kinds: Annotated[tuple[KindPlan, ...], Length("Kinds of film", 1, 20)]
    line_id: Id
    temperature_c: AtCelsius = 20.0
    colon: Reading | None = None
    washers: Places = 1
    dryers: Places = 1


@dataclass(frozen=True)
class PlannedPiece:
    """A piece of film in a planned run: what it wants, and what sharing does to it."""

    id: str
    piece_ids: tuple[str, ...]
    where: str
    scene_title: str
    n_text: str
    minutes: float
    minutes_text: str
    error_zones: float
    error_text: str


@dataclass(frozen=True)
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
    mix: tuple[Mixed, ...]
    course: ProcessAnswer


@dataclass(frozen=True)
class EveningPlan:
    """The evening: its runs, every task on one clock, what it uses, and what is worth saying.

    ``proven`` tells for each kind of film whether no better sharing is possible.
    """

    runs: tuple[PlannedRun, ...]
    proven: dict[str, bool]
    tasks: tuple[Placed, ...]
    finish_s: float
    finish_text: str
    hands_idle_text: str
    developer_ml: float
    advice: tuple[Advice, ...]


@router.post("", openapi_extra=documented(Planning))
def plan_evening(db: Db, planning: Planning = body(Planning)) -> EveningPlan:
    """Plan the evening; nothing is kept."""
    tanks = {each.id: each for each in darkroom.tanks(db)}
    line = next((each for each in darkroom.lines(db) if each.id == planning.line_id), None)
    if line is None:
        raise NotFound("There is no such line of baths in the kit.", field="line_id")
    runs: list[PlannedRun] = []
    proven: dict[str, bool] = {}
    for place, kind in enumerate(planning.kinds):
        tank = tanks.get(kind.tank_id)
        if tank is None:
            raise NotFound("There is no such tank in the kit.", field=f"kinds.{place}.tank_id")
        made, sure = _kind(db, planning, kind, tank, line)
        runs += made
        proven[f"{kind.film_id} {kind.recipe_id}"] = sure
    by_tank = {each.tank_id: tanks[each.tank_id] for each in runs}
    answer = evening(
        EveningRequest(
            runs=tuple(
                plan.tasks(each.id, line, by_tank[each.tank_id], each.course) for each in runs
            ),
            places={
                **{id_: tank.many for id_, tank in by_tank.items()},
                "washer": planning.washers,
                "dryer": planning.dryers,
                "tray": 1,
            },
        )
    )
    return EveningPlan(
        runs=tuple(runs),
        proven=proven,
        tasks=answer.tasks,
        finish_s=answer.finish_s,
        finish_text=hours_text(answer.finish_s / 60),
        hands_idle_text=hours_text(answer.hands_idle_s / 60),
        developer_ml=sum(each.volume_ml for each in runs),
        advice=tuple(_advice(db, runs)),
    )


def _kind(
    db: Connection, planning: Planning, kind: KindPlan, tank: Tank, line: Line
) -> tuple[list[PlannedRun], bool]:
    recipe = films.recipe(db, kind.recipe_id)
    film = films.film(db, kind.film_id)
    if recipe is None or film is None or recipe.film_id != kind.film_id:
        raise NotFound("There is no such recipe for this film.", field="kinds")
    waiting = {
        each.piece_ids[0]: each
        for each in waiting_film(db)[0]
        if (each.film_id, each.recipe_id) == (kind.film_id, kind.recipe_id)
    }
    if not waiting:
        raise NotFound(f"No {film.name} waits for this recipe any more.", field="kinds")
    wanting = [_wanting(db, planning, recipe, id_, each) for id_, each in waiting.items()]
    shared = (
        plan.as_asked(wanting, tank, kind.parts)
        if kind.parts
        else plan.sharing(wanting, tank, kind.max_runs)
    )
    return _runs(planning, kind, tank, line, recipe, film.name, waiting, wanting, shared), (
        shared.optimal
    )


def _wanting(
    db: Connection, planning: Planning, recipe: FilmRecipe, id_: str, film: WaitingFilm
) -> plan.Wanting:
    time = development(
        DevelopmentRequest(
            recipe=recipe.recipe,
            n=film.n,
            temperature_c=temperature.allowed(planning.temperature_c, "temperature_c"),
            reciprocity_change=film.development_change,
        )
    )
    found = [pieces.piece(db, each) for each in film.piece_ids]
    weight = max((each.weight for each in found if each is not None), default=1)
    rolled = any(each is not None and each.roll_id for each in found)
    return plan.Wanting(
        id=id_,
        minutes=time.minutes,
        weight=max(weight, 0.25),
        area_in2=80.0 if rolled else 20.0,
        places=4 if rolled else 1,
    )


def _runs(
    planning: Planning,
    kind: KindPlan,
    tank: Tank,
    line: Line,
    recipe: FilmRecipe,
    film_name: str,
    waiting: dict[str, WaitingFilm],
    wanting: list[plan.Wanting],
    shared: BatchesAnswer,
) -> list[PlannedRun]:
    by_id = {each.id: each for each in wanting}
    errors = {each.id: each.error_zones for each in shared.sheets}
    made = []
    for number, run in enumerate(shared.runs, start=1):
        area = sum(by_id[id_].area_in2 for id_ in run.ids)
        course = plan.course(line, tank, run.minutes, area, recipe.recipe.dilution, planning.colon)
        ns = sorted({waiting[id_].n for id_ in run.ids})
        told = n_text(ns[0]) if len(ns) == 1 else f"{n_text(ns[0])} to {n_text(ns[-1])}"
        made.append(
            PlannedRun(
                id=f"{kind.film_id}-{kind.recipe_id}-{number}",
                film_id=kind.film_id,
                recipe_id=kind.recipe_id,
                tank_id=tank.id,
                name=f"{film_name} {told}",
                n=ns[len(ns) // 2],
                minutes=run.minutes,
                minutes_text=minutes_text(run.minutes),
                pieces=tuple(
                    PlannedPiece(
                        id=id_,
                        piece_ids=waiting[id_].piece_ids,
                        where=waiting[id_].where,
                        scene_title=waiting[id_].scene_title,
                        n_text=n_text(waiting[id_].n),
                        minutes=by_id[id_].minutes,
                        minutes_text=minutes_text(by_id[id_].minutes),
                        error_zones=errors[id_],
                        error_text=zones_text(errors[id_]),
                    )
                    for id_ in run.ids
                ),
                developer=recipe.recipe.developer,
                dilution=recipe.recipe.dilution,
                volume_ml=course.volume_ml,
                mix=course.mix,
                course=course,
            )
        )
    return made


def _advice(db: Connection, runs: list[PlannedRun]) -> list[Advice]:
    found = {each.text: each for run in runs for each in run.course.advice}
    for bottle in darkroom.bottles(db):
        said = "" if bottle.archived else bottle_trouble(bottle, now())
        if said:
            found[said] = Advice(code="bottle", severity="warning", text=said)
    return list(found.values())
