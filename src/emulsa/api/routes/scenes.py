"""Scenes: kept whole, solved while they are being drafted, and driven by the reading line."""

from __future__ import annotations

from contextlib import suppress
from dataclasses import dataclass
from typing import Annotated, Any

from fastapi import APIRouter

from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.routes.kit import everything
from emulsa.core import reading_line, scene_line
from emulsa.core.corrections.optics import mark_text
from emulsa.core.development.developing_time import (
    DevelopmentAnswer,
    DevelopmentRequest,
    development,
)
from emulsa.core.errors import CoreError, Missing, Unsound
from emulsa.core.exposed import Exposure
from emulsa.core.exposing.answer import ExposureAnswer, Fall
from emulsa.core.exposure import exposure
from emulsa.core.film.emulsions import FilmRecipe
from emulsa.core.light.hand_time import stops_text, time_text
from emulsa.core.limits import Id, Length
from emulsa.core.scene import Scene, SceneKit, falls, high, placement, placement_text, plan
from emulsa.core.scene_line import KitNames
from emulsa.core.tones.development_number import n_text
from emulsa.store import exposures, films, journal
from emulsa.store import scenes as store
from emulsa.store.database import Connection

router = APIRouter(prefix="/api/scenes", tags=["scenes"])


@dataclass(frozen=True)
class ExposureView:
    """A logged exposure in words: where the sheet is, what was set, how far off it was."""

    exposure: Exposure
    where: str
    set_text: str
    n_text: str
    error_text: str


@dataclass(frozen=True)
class SceneView:
    """A scene, what was exposed on it, and its readings as lines that can be edited."""

    scene: Scene
    exposures: list[ExposureView]
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
    high_reading: str | None
    answer: ExposureAnswer | None
    problem: Problem | None
    recipe: FilmRecipe | None
    development: DevelopmentAnswer | None
    development_problem: str


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
    given = [
        ExposureView(
            exposure=each,
            where=where,
            set_text=f"{mark_text(each.aperture)}, {time_text(each.seconds)}",
            n_text=n_text(each.n),
            error_text=stops_text(each.error_stops),
        )
        for each, where in exposures.of_scene(db, id)
    ]
    lines = {each.id: scene_line.line_of(each) for each in scene.readings}
    return SceneView(scene, given, lines)


@router.put("/{id}", openapi_extra=documented(Scene))
def put(id: str, db: Db, scene: Scene = body(Scene)) -> Scene:  # noqa: A002
    """Keep a scene; one that contradicts its kit is refused, an unfinished one is not."""
    if scene.id != id:
        raise Unsound("The id in the address and the id in the record differ.", field="id")
    with journal.action(db, f"scene {scene.title}", now()):
        store.put(db, scene)
        with suppress(Missing):  # an unfinished scene is kept; solving it says what is missing
            exposure(plan(scene, store.kit_of(db, scene)))
    return scene


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
    meaning = reading_line.parse(typed.text)
    applied = scene_line.apply(typed.scene, meaning, names, typed.reading_id, now())
    tones = falls(applied.scene, store.kit_of(db, applied.scene))
    falls_on = next((each.zone_text for each in tones if each.id == typed.reading_id), "")
    return ReadLine(applied.says, falls_on, applied.scene)


def found(db: Connection, id_: str) -> Scene:
    scene = store.scene(db, id_)
    if scene is None:
        raise NotFound("There is no such scene; it may have been deleted.", field="id")
    return scene


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
    return Solution(
        falls=falls(scene, kit),
        placement=placement_text(placement(scene, kit)) if scene.readings else "",
        high_reading=marked.reading if marked else None,
        answer=answer,
        problem=problem,
        recipe=recipe,
        development=time,
        development_problem=time_problem,
    )


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
