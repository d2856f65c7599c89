"""An evening planned: which film shares a run, what is mixed for it, and when what is done."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from itertools import combinations
from typing import Annotated

from emulsa.core.advice import Advice
from emulsa.core.chemistry.dilution import mix_text
from emulsa.core.corrections.film_kinds import n_words
from emulsa.core.darkroom import plan
from emulsa.core.darkroom.areas import Areas
from emulsa.core.darkroom.batches import BatchesAnswer
from emulsa.core.darkroom.evening import EveningRequest, evening
from emulsa.core.darkroom.evening_plan import (
    Amount,
    EveningPlan,
    Idle,
    PlannedPiece,
    PlannedRun,
    dried,
    hours,
    told,
)
from emulsa.core.darkroom.groups import time_of
from emulsa.core.darkroom.together import Tanked, shared, together_text
from emulsa.core.darkroom.waiting import WaitingFilm
from emulsa.core.data.agitation import IN_TRAYS
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.development.negative import Tankful
from emulsa.core.development.recipes import Celsius
from emulsa.core.development.zones_text import too_far, zones_text
from emulsa.core.errors import Missing
from emulsa.core.film.pieces import Piece
from emulsa.core.kit.darkroom import Bottle, Line, Tank, age_of, bottle_trouble, short_of
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.light.hand_time import hours_text, minutes_text
from emulsa.core.limits import BOTTLES, Id, Length, Within
from emulsa.core.written import amount_text, volume_text

Places = Annotated[int, Within("Places", 1, 20)]
MaxRuns = Annotated[int, Within("Runs of an evening", 1, 60)]


@dataclass(frozen=True, kw_only=True, slots=True)
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


@dataclass(frozen=True, kw_only=True, slots=True)
class Planning:
    """An evening to plan: its film, its line of baths, the temperature, and what else there is.

    Without ``dryers`` whatever is washed is hung up at once.
    """

    kinds: Annotated[tuple[KindPlan, ...], Length("Kinds of film", 1, 20)]
    line_id: Id
    temperature_c: Celsius = 20.0
    bottle_ids: Annotated[tuple[Id, ...], BOTTLES] = ()
    washers: Places = 1
    dryers: Places | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Night:
    """What an evening is planned from: the kit, the film that waits, and today."""

    tanks: Mapping[str, Tank]
    line: Line
    films: Mapping[str, Film]
    recipes: Mapping[str, FilmRecipe]
    bottles: Mapping[str, Bottle]
    pieces: Mapping[str, Piece]
    waiting: Sequence[WaitingFilm]
    areas: Areas
    now: str


def planned(night: Night, planning: Planning) -> EveningPlan:
    """The evening; Missing for what is not there any more, Impossible for what does not fit."""
    return _Night(night, planning).planned()


class _Night:
    def __init__(self, asked: Night, planning: Planning) -> None:
        self.asked, self.planning = asked, planning
        self.line = asked.line
        self.tanks, self.films, self.recipes = asked.tanks, asked.films, asked.recipes
        self.pieces, self.areas = asked.pieces, asked.areas
        self.waiting = asked.waiting
        missing = next((each for each in planning.bottle_ids if each not in asked.bottles), None)
        if missing is not None:
            raise Missing("One of the bottles is not in the kit any more.", field="bottle_ids")
        self.bottles = [asked.bottles[each] for each in planning.bottle_ids]
        self.age = age_of(self.bottles)

    def planned(self) -> EveningPlan:
        runs: list[PlannedRun] = []
        proven: dict[str, bool] = {}
        for place, kind in enumerate(self.planning.kinds):
            tank = self.tanks.get(kind.tank_id)
            if tank is None:
                raise Missing("This tank is not in the kit.", field=f"kinds.{place}.tank_id")
            made, sure = self._kind(kind, tank)
            runs += made
            proven[f"{kind.film_id} {kind.recipe_id}"] = sure
        answer = evening(
            EveningRequest(
                runs=tuple(
                    plan.tasks(each.id, self.line, self.tanks[each.tank_id], each.course)
                    for each in runs
                ),
                places={
                    **{each.tank_id: self.tanks[each.tank_id].many for each in runs},
                    "washer": self.planning.washers,
                    "dryer": self.planning.dryers or len(runs),
                    "tray": 1,
                },
            )
        )
        # drying goes on overnight: the drawing ends when the hands and the washer are done
        wet = (each.end_s for each in answer.tasks if each.place != "dryer")
        wet_until_s = max(60.0, *wet)
        return EveningPlan(
            runs=tuple(runs),
            proven=proven,
            tasks=answer.tasks,
            wet_until_s=wet_until_s,
            hours=tuple(hours(wet_until_s)),
            dry=tuple(dried(answer.tasks)),
            says=told(runs, answer.tasks),
            finish_s=answer.finish_s,
            finish_text=hours_text(answer.finish_s / 60),
            hands_idle_text=hours_text(answer.hands_idle_s / 60),
            idle=tuple(
                Idle(place=self.tanks[place].name if place in self.tanks else place, text=text)
                for place, seconds in answer.idle.items()
                if place != "tray" and (text := hours_text(seconds / 60))
            ),
            totals=tuple(
                Amount(what=each.what, text=amount_text(each.ml))
                for each in plan.totals(
                    self.line,
                    [(self.tanks[each.tank_id], each.course.mix) for each in runs],
                    {each.kind for each in self.bottles},
                )
            ),
            advice=(*self._advice(runs), *self._together(runs)),
            temperature_c=self.planning.temperature_c,
        )

    def _kind(self, kind: KindPlan, tank: Tank) -> tuple[list[PlannedRun], bool]:
        recipe, film = self.recipes.get(kind.recipe_id), self.films.get(kind.film_id)
        if recipe is None or film is None or recipe.film_id != kind.film_id:
            raise Missing("This film has no such recipe.", field="kinds")
        waiting = {
            each.piece_ids[0]: each
            for each in self.waiting
            if (each.film_id, each.chosen_recipe_id) == (kind.film_id, kind.recipe_id)
        }
        if not waiting:
            raise Missing(f"No {film.name} waits for this recipe any more.", field="kinds")
        wanting = [self._wanting(film, recipe, tank, id_, each) for id_, each in waiting.items()]
        shared = (
            plan.as_asked(wanting, tank, kind.parts)
            if kind.parts
            else plan.sharing(wanting, tank, kind.max_runs)
        )
        return self._runs(kind, tank, recipe, film, waiting, wanting, shared), shared.optimal

    def _wanting(
        self, film: Film, recipe: FilmRecipe, tank: Tank, id_: str, waiting: WaitingFilm
    ) -> plan.Wanting:
        time = time_of(
            waiting,
            film,
            recipe,
            Tankful(
                temperature_c=self.planning.temperature_c,
                age_change=self.age,
                rotary=plan.rotary(tank, recipe.recipe),
                in_tray=tank.agitation in IN_TRAYS,
            ),
        )
        found = [self.pieces[each] for each in waiting.piece_ids]
        rolled = any(each.roll_id for each in found)
        return plan.wanting(id_, time.minutes, waiting.weight, self.areas.in2(found), rolled, tank)

    def _runs(
        self,
        kind: KindPlan,
        tank: Tank,
        recipe: FilmRecipe,
        film: Film,
        waiting: dict[str, WaitingFilm],
        wanting: list[plan.Wanting],
        shared: BatchesAnswer,
    ) -> list[PlannedRun]:
        by_id = {each.id: each for each in wanting}
        errors = {each.id: each.error_zones for each in shared.sheets}
        made = []
        for number, run in enumerate(shared.runs, start=1):
            area = sum(by_id[id_].area_in2 for id_ in run.ids)
            course = plan.course(self.line, tank, run.minutes, area, recipe.recipe, film.kind)
            ns = sorted({waiting[id_].n for id_ in run.ids})
            made.append(
                PlannedRun(
                    id=f"{kind.film_id}-{kind.recipe_id}-{number}",
                    film_id=kind.film_id,
                    recipe_id=kind.recipe_id,
                    tank_id=tank.id,
                    name=f"{film.name} {plan.spread_text(ns, film.kind)}",
                    n=ns[len(ns) // 2],
                    minutes=run.minutes,
                    minutes_text=minutes_text(run.minutes),
                    pieces=tuple(
                        _piece(waiting[id_], by_id[id_].minutes, errors[id_], film.kind)
                        for id_ in run.ids
                    ),
                    developer=recipe.recipe.developer,
                    dilution=recipe.recipe.dilution,
                    volume_ml=course.volume_ml,
                    area_in2=area,
                    mix_text=f"{volume_text(course.volume_ml)}: {mix_text(course.mix)}",
                    course=course,
                )
            )
        return made

    def _advice(self, runs: list[PlannedRun]) -> list[Advice]:
        found = {each.text: each for run in runs for each in run.course.advice}
        said = [
            *(bottle_trouble(each, self.asked.now) for each in self.bottles),
            *(short_of(each, sum(run.area_in2 for run in runs)) for each in self.bottles),
        ]
        for text in said:
            if text:
                found[text] = Advice(code="bottle", severity="warning", text=text)
        return list(found.values())

    def _together(self, runs: Sequence[PlannedRun]) -> Iterator[Advice]:
        """Films of different kinds whose runs may be one."""
        asked = {each.id: each for each in runs}
        first = {each.piece_ids[0]: each for each in self.waiting}
        told: set[frozenset[str]] = set()
        for one, other in combinations(asked.values(), 2):
            pair = frozenset((one.film_id, other.film_id))
            if one.tank_id != other.tank_id or len(pair) < 2 or pair in told:
                continue
            pieces = [first[each.pieces[0].piece_ids[0]] for each in (one, other)]
            tankful = Tankful(temperature_c=self.planning.temperature_c)
            found = shared(pieces, Tanked(self.films, self.recipes, tankful))
            if found is None or not found.together:
                continue
            told.add(pair)
            text = f"{one.name} and {other.name} may share a tank, {together_text(found)}."
            yield Advice(code="one-tank", severity="note", text=text)


def _piece(
    waiting: WaitingFilm, minutes: float, error_zones: float, kind: FilmKindName | None
) -> PlannedPiece:
    return PlannedPiece(
        id=waiting.piece_ids[0],
        piece_ids=waiting.piece_ids,
        where=waiting.where,
        scene_title=waiting.scene_title,
        part_text=waiting.part_text,
        n_text=n_words(waiting.n, kind),
        minutes=minutes,
        minutes_text=minutes_text(minutes),
        error_zones=error_zones,
        error_text=zones_text(error_zones),
        too_far=too_far(error_zones),
    )
