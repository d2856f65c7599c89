"""Scenes: kept whole, solved while they are being drafted, and driven by the reading line."""

from __future__ import annotations

from contextlib import suppress
from dataclasses import dataclass
from typing import Annotated, Any

from emulsa.api.answers import Routes
from emulsa.api.bodies import body, documented
from emulsa.api.clock import now, seconds_since
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.keeping import own_id, unchanged
from emulsa.api.routes.kit import everything
from emulsa.api.versions import version_of
from emulsa.core.advice import Advice
from emulsa.core.development.time import (
    DevelopmentAnswer,
    DevelopmentRequest,
    development,
)
from emulsa.core.errors import CoreError, Missing
from emulsa.core.exposing.advising.metering import age_text, aged
from emulsa.core.exposing.answer import ExposureAnswer, Fall
from emulsa.core.exposing.bracket import (
    BracketAnswer,
    BracketRequest,
    Frames,
    Side,
    Step,
    bracket,
)
from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.penalties import Weights
from emulsa.core.film.judgement import showed
from emulsa.core.kit.films import FilmRecipe
from emulsa.core.light.hand_time import stops_text
from emulsa.core.limits import Id, Length
from emulsa.core.line import carry_out, grammar
from emulsa.core.line.carry_out import KitNames
from emulsa.core.logged.record import Exposure
from emulsa.core.logged.texts import part_text, set_text
from emulsa.core.outing.record import Outing
from emulsa.core.scene.plan import (
    falls,
    high,
    lacking,
    meter_iso,
    placed_reading,
    placement,
    placement_text,
    plan,
)
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.scene.relight import Relit, RelitAnswer, relit
from emulsa.core.scene.ways import PlanChoice, SchoolChoice, plan_choices, school_choices
from emulsa.core.tones.development_number import n_text
from emulsa.store import exposures, films, journal, outings, preferences, runs
from emulsa.store import scenes as store
from emulsa.store.database import Connection
from emulsa.store.kit import filters

router = Routes(prefix="/api/scenes", tags=["scenes"])


@dataclass(frozen=True)
class ExposureView:
    """A logged exposure in words: where the sheet is, what was set, how far off it was, and its
    place in a bracket or a multiple exposure."""

    exposure: Exposure
    version: str
    where: str
    set_text: str
    n_text: str
    error_text: str
    part_text: str


@dataclass(frozen=True)
class SceneView:
    """A scene and its version, what was exposed on it, and its readings as lines to edit.

    ``showed`` is what the negatives of the scene it goes back to showed; ``cost`` what film was
    spent here, when its price is known; ``outing`` the day it belongs to.
    """

    scene: Scene
    version: str
    exposures: list[ExposureView]
    lines: dict[str, str]
    showed: list[str]
    cost: float | None
    outing: Outing | None


@dataclass(frozen=True)
class KeptScene:
    """A scene as it was kept, its version, and its readings as lines to edit."""

    scene: Scene
    version: str
    lines: dict[str, str]


@dataclass(frozen=True)
class Problem:
    """Why there is no answer yet: the sentence, and the field it belongs to."""

    code: str
    message: str
    field: str | None
    allowed: Any


@dataclass(frozen=True)
class Solution:
    """A drafted scene worked out: the exposure, the development, or what stands in the way."""

    falls: tuple[Fall, ...]
    placement: str
    placed_reading: str | None
    high_reading: str | None
    answer: ExposureAnswer | None
    problem: Problem | None
    recipe: FilmRecipe | None
    development: DevelopmentAnswer | None
    development_problem: str
    lacking: str
    aged: tuple[Advice, ...]
    age_text: str


@dataclass(frozen=True, kw_only=True)
class Bracketing:
    """A bracket of a scene: its step, frames and side."""

    scene: Scene
    step_stops: Step = 1.0
    frames: Frames = 3
    side: Side = "both"


@dataclass(frozen=True)
class Opinions:
    """Every school side by side, up to three plans, and the weights they were ranked by."""

    schools: tuple[SchoolChoice, ...]
    plans: tuple[PlanChoice, ...]
    weights: Weights


@dataclass(frozen=True, kw_only=True)
class TypedLine:
    """A line typed over a scene; ``reading_id`` names the reading it may add."""

    scene: Scene
    text: Annotated[str, Length("The line", 0, 200)]
    reading_id: Id


@dataclass(frozen=True)
class ReadLine:
    """The line's meaning in words, where its reading falls, and the scene with it carried out."""

    says: str
    falls_on: str
    scene: Scene


@router.get("/{id}")
def read(id: str, db: Db) -> SceneView:  # noqa: A002
    """A scene and its exposures, latest first."""
    scene = found(db, id)
    given = [in_words(each, where) for each, where in exposures.of_scene(db, id)]
    seen = runs.of_scene(db, scene.revisits) if scene.revisits else []
    costs = [each.exposure.taken.cost for each in given]
    return SceneView(
        scene,
        version_of(scene),
        given,
        _lines(db, scene),
        [showed(each) for each in seen],
        sum(each for each in costs if each is not None) if any(costs) else None,
        outings.outing(db, scene.outing_id),
    )


@router.put("/{id}", openapi_extra=documented(Scene))
def put(
    id: str,  # noqa: A002
    db: Db,
    scene: Scene = body(Scene),
    base: str | None = None,
) -> KeptScene:
    """Keep a scene; one that contradicts its kit is refused, an unfinished one is not.

    ``base`` is the version the change was made on: when another hand has changed the scene since,
    nothing is overwritten and the answer (409) carries what is kept now.
    """
    own_id(id, scene)
    with journal.action(db, f"scene {scene.title}", now()):
        unchanged("This scene", store.scene(db, id), scene, base)
        store.put(db, scene)
        with suppress(Missing):  # an unfinished scene is kept; solving it says what is missing
            exposure(plan(scene, store.kit_of(db, scene)))
    return KeptScene(scene, version_of(scene), _lines(db, scene))


@router.post("/opinions", openapi_extra=documented(Scene))
def opinions(db: Db, scene: Scene = body(Scene)) -> Opinions:
    """Other ways of taking this scene: all schools, and the second opinion."""
    kit, weights = store.kit_of(db, scene), preferences.preferences(db).weights
    others = [each for each in filters(db) if not each.archived]
    return Opinions(school_choices(scene, kit), plan_choices(scene, kit, others, weights), weights)


@router.post("/bracket", openapi_extra=documented(Bracketing))
def bracketed(db: Db, asked: Bracketing = body(Bracketing)) -> BracketAnswer:
    """The frames of a bracket on this scene, slowest first, and what they use up."""
    kit = store.kit_of(db, asked.scene)
    return bracket(
        BracketRequest(
            exposure=plan(asked.scene, kit),
            step_stops=asked.step_stops,
            frames=asked.frames,
            side=asked.side,
            sheet_price=kit.film.price if kit.film else None,
        )
    )


@router.post("/{id}/relit", openapi_extra=documented(Relit))
def relight(id: str, db: Db, changed: Relit = body(Relit)) -> RelitAnswer:  # noqa: A002
    """What a reading taken while the shutter is open means for the exposure; nothing is kept."""
    scene = found(db, id)
    kit = store.kit_of(db, scene)
    word = grammar.reading(changed.text, meter_iso(kit))
    return relit(plan(scene, kit), changed, word.reading, word.through)


@router.delete("/{id}", status_code=204)
def delete(id: str, db: Db) -> None:  # noqa: A002
    """Delete a scene nothing was exposed on."""
    scene = found(db, id)
    with journal.action(db, f"scene {scene.title} deleted", now()):
        store.delete(db, id)


@router.post("/solve", openapi_extra=documented(Scene))
def solve(db: Db, scene: Scene = body(Scene)) -> Solution:
    """Work a drafted scene out without keeping it."""
    return solved(db, scene)


@router.post("/line", openapi_extra=documented(TypedLine))
def line(db: Db, typed: TypedLine = body(TypedLine)) -> ReadLine:
    """What a typed line means over a scene; nothing is kept."""
    kit = everything(db)
    names = KitNames(
        films=tuple(kit.films),
        lenses=tuple(kit.lenses),
        pinholes=tuple(kit.pinholes),
        filters=tuple(kit.filters),
    )
    meaning = grammar.parse(typed.text, meter_iso(store.kit_of(db, typed.scene)))
    applied = carry_out.apply(typed.scene, meaning, names, typed.reading_id, now())
    tones = falls(applied.scene, store.kit_of(db, applied.scene))
    falls_on = next((each.zone_text for each in tones if each.id == typed.reading_id), "")
    return ReadLine(applied.says, falls_on, applied.scene)


def in_words(exposure: Exposure, where: str) -> ExposureView:
    return ExposureView(
        exposure=exposure,
        version=version_of(exposure),
        where=where,
        set_text=set_text(exposure.aperture, exposure.seconds),
        n_text=n_text(exposure.n),
        error_text=stops_text(exposure.error_stops),
        part_text=part_text(exposure),
    )


def found(db: Connection, id_: str) -> Scene:
    scene = store.scene(db, id_)
    if scene is None:
        raise NotFound("There is no such scene; it may have been deleted.", field="id")
    return scene


def _lines(db: Connection, scene: Scene) -> dict[str, str]:
    iso = meter_iso(store.kit_of(db, scene))
    return {each.id: carry_out.line_of(each, iso) for each in scene.readings}


def solved(db: Connection, scene: Scene) -> Solution:
    kit = store.kit_of(db, scene)
    answer, problem = None, None
    try:
        answer = exposure(plan(scene, kit))
    except CoreError as refusal:
        problem = Problem(refusal.code, refusal.message, refusal.field, refusal.allowed)
    recipe = recipe_of(db, scene)
    time, time_problem = _development(answer, recipe, kit)
    marked = high(scene, kit)
    ages = _ages_s(scene)
    placed = placement(scene, kit) if scene.readings else None
    return Solution(
        falls=falls(scene, kit),
        placement=placement_text(placed) if placed else "",
        placed_reading=placed_reading(placed) if placed else None,
        high_reading=marked.reading if marked else None,
        answer=answer,
        problem=problem,
        recipe=recipe,
        development=time,
        development_problem=time_problem,
        lacking=lacking(scene, kit),
        aged=aged(ages, {each.id: each.label for each in scene.readings}),
        age_text=age_text(ages),
    )


def _ages_s(scene: Scene) -> dict[str, float]:
    """Seconds since each reading was taken."""
    ages = {each.id: seconds_since(each.taken_at) for each in scene.readings}
    return {reading: age for reading, age in ages.items() if age is not None}


def recipe_of(db: Connection, scene: Scene) -> FilmRecipe | None:
    """The scene's recipe, or its film's first one."""
    if scene.recipe_id is not None:
        return films.recipe(db, scene.recipe_id)
    return films.first_recipe(db, scene.film_id) if scene.film_id else None


def _development(
    answer: ExposureAnswer | None, recipe: FilmRecipe | None, kit: SceneKit
) -> tuple[DevelopmentAnswer | None, str]:
    if answer is None:
        return None, ""
    if recipe is None:
        name = kit.film.name if kit.film else "this film"
        return None, f"There is no recipe for {name} yet; add one in Kit to see its time."
    plan_ = answer.development
    request = DevelopmentRequest(recipe=recipe.recipe, n=plan_.n, reciprocity_change=plan_.change)
    try:
        return development(request), ""
    except CoreError as refusal:
        return None, refusal.message
