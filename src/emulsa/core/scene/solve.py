"""A drafted scene worked out: exposure, development, or what stands in the way."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from emulsa.core.advice import Advice
from emulsa.core.corrections.film_kinds import has_n, no_n_words
from emulsa.core.corrections.pinhole import DEFAULT_FORMAT_MM
from emulsa.core.development.negative import Negative, developing_time
from emulsa.core.development.time_answer import DevelopmentAnswer
from emulsa.core.errors import CoreError
from emulsa.core.exposing.advising.metering import age_text, aged
from emulsa.core.exposing.answer import ExposureAnswer, Fall
from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.deciding import has_own_ei
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.kit.films import FilmRecipe, unnamed_film
from emulsa.core.kit.view import corners_text
from emulsa.core.light.sky import fading_text
from emulsa.core.logged.record import Planned
from emulsa.core.moments import between
from emulsa.core.scene.assumed import Assumed, complete
from emulsa.core.scene.fixes import Fix, fixes_of
from emulsa.core.scene.plan import (
    falls,
    high,
    lacking,
    placed_reading,
    placement,
    placement_text,
    plan,
    who_decides,
)
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.scene.sharp import SharpSaid, sharp_said
from emulsa.core.tones.textural_range import TYPICAL
from emulsa.core.tones.zones import zone_text


@dataclass(frozen=True, kw_only=True, slots=True)
class Problem:
    """Why there is no answer yet: the sentence, and the field it belongs to."""

    code: str
    message: str
    field: str | None
    allowed: Any


@dataclass(frozen=True, kw_only=True, slots=True)
class Solution:
    """A scene worked out; ``plan`` is what an exposure made by it is logged with.

    ``high_reading`` is the important highlight where one is marked, else the brightest that may be;
    ``sharp`` what must be sharp in words, ``corners`` what a pinhole's corners get less,
    ``textural_range`` where film, else paper, holds texture; ``fixes`` what one touch would take up
    or undo; ``no_n`` why the film has no N, ``pre_exposed`` the little light before, in words;
    ``light_text`` how fast the light changes now.
    """

    scene: Scene
    falls: tuple[Fall, ...]
    placement: str
    placed_reading: str | None
    high_reading: str | None
    high_marked: bool
    textural_range: tuple[float, float]
    textural_text: str
    fixes: tuple[Fix, ...]
    answer: ExposureAnswer | None
    assumed: tuple[Assumed, ...]
    plan: Planned | None
    problem: Problem | None
    recipe: FilmRecipe | None
    development: DevelopmentAnswer | None
    development_problem: str
    lacking: str
    sharp: SharpSaid
    corners: str
    aged: tuple[Advice, ...]
    age_text: str
    no_n: str
    pre_exposed: str
    light_text: str


def solved(
    scene: Scene,
    kit: SceneKit,
    recipe: FilmRecipe | None,
    now: str,
) -> Solution:
    """Everything that can be said of a scene as it stands; it never refuses, it says what lacks.

    ``recipe`` is the scene's, or its film's first; ``now`` tells how old the readings are.
    """
    request, answer, problem = None, None, None
    try:
        request = plan(scene, kit)
        answer = exposure(request)
    except CoreError as refusal:
        problem = Problem(
            code=refusal.code,
            message=refusal.message,
            field=refusal.field,
            allowed=refusal.allowed,
        )
    time, time_problem = _development(answer, request, recipe, scene, kit)
    marked = high(scene, kit)
    ages = _ages_s(scene, now)
    placed = placement(scene, kit) if scene.readings else None
    held = kit.film.textural_range if kit.film else TYPICAL
    return Solution(
        scene=scene,
        falls=falls(scene, kit),
        placement=placement_text(placed) if placed else "",
        placed_reading=placed_reading(placed) if placed else None,
        high_reading=marked.reading or (who_decides(scene, kit).reading if placed else None),
        high_marked=marked.reading is not None,
        textural_range=held,
        textural_text=f"texture this film holds, {zone_text(held[0])} to {zone_text(held[1])}",
        fixes=fixes_of(scene, kit, request, answer) if answer and request else (),
        answer=answer,
        assumed=complete(scene, kit)[2] if scene.readings else (),
        plan=planned(scene, request, recipe) if answer and request else None,
        problem=problem,
        recipe=recipe,
        development=time,
        development_problem=time_problem,
        lacking=lacking(scene, kit),
        sharp=sharp_said(scene),
        corners=corners_text(kit.pinhole.optics, kit.format_mm or DEFAULT_FORMAT_MM)
        if kit.pinhole
        else "",
        aged=aged(ages, {each.id: each.label for each in scene.readings}),
        age_text=age_text(ages),
        light_text=fading_text(kit.sky),
        no_n="" if kit.film is None or has_n(kit.film.kind) else no_n_words(kit.film.kind),
        pre_exposed=""
        if scene.pre_exposure_zone is None
        else f"pre-exposed to {zone_text(scene.pre_exposure_zone)}",
    )


def planned(scene: Scene, request: ExposureRequest, recipe: FilmRecipe | None) -> Planned:
    """The plan an exposure of this scene is made by, as it stands now."""
    return Planned(
        request=request,
        film_id=scene.film_id or unnamed_film(request.ei).id,
        recipe_id=recipe.id if recipe else None,
        lens_id=scene.lens_id,
        pinhole_id=scene.pinhole_id,
        filter_ids=scene.filter_ids,
        rating_reason=scene.rating_reason if has_own_ei(request) else None,
    )


def _ages_s(scene: Scene, now: str) -> dict[str, float]:
    """Seconds since each reading was taken."""
    ages = {each.id: between(each.taken_at, now) for each in scene.readings}
    return {reading: age for reading, age in ages.items() if age is not None}


def _development(
    answer: ExposureAnswer | None,
    request: ExposureRequest | None,
    recipe: FilmRecipe | None,
    scene: Scene,
    kit: SceneKit,
) -> tuple[DevelopmentAnswer | None, str]:
    """The time of a negative exposed as the hands can set it, at the recipe's own temperature."""
    if answer is None or request is None or kit.film is None:
        return None, ""
    if recipe is None:
        return None, f"There is no recipe for {kit.film.name} yet; add one in Kit to see its time."
    negative = Negative(
        n=answer.development.n,
        error_stops=answer.set.error_stops,
        rated_ei=request.ei,
        rating_reason=scene.rating_reason,
        hold_highlights=kit.habits.hold_highlights,
        reciprocity_change=answer.development.change,
    )
    try:
        return developing_time(
            negative, kit.film.exposure_index, recipe.recipe, kind=kit.film.kind
        ), ""
    except CoreError as refusal:
        return None, refusal.message
