"""Scenes as they are shown."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.overhead import under_sky
from emulsa.api.request import now
from emulsa.api.views.exposures import ExposureView, in_words
from emulsa.core.film.judgement import showed
from emulsa.core.light.reading_text import reading_text
from emulsa.core.line.written import line_of
from emulsa.core.logged.attachment import Attachment
from emulsa.core.outing.record import Outing
from emulsa.core.picture.metering import MeteringTyped, as_typed
from emulsa.core.scene.metered import reread
from emulsa.core.scene.plan import meter_set
from emulsa.core.scene.record import Scene
from emulsa.core.scene.solve import Solution, solved
from emulsa.core.versions import version_of
from emulsa.core.written import money_text
from emulsa.store import attachments, exposures, films, outings, preferences, runs, scenes
from emulsa.store.database import Connection


@dataclass(frozen=True)
class SceneView:
    """A scene and its version, what was exposed on it, and its readings as lines to edit and in
    words (``said``).

    ``showed`` is what the negatives of the scene it goes back to showed; ``cost_text`` what
    film was spent here, when its price is known; ``outing`` the day it belongs to; ``labels`` what
    was metered lately, by its names; ``picture`` the one it is metered by.
    """

    scene: Scene
    version: str
    exposures: list[ExposureView]
    lines: dict[str, str]
    said: dict[str, str]
    showed: list[str]
    cost_text: str
    outing: Outing | None
    labels: list[str]
    picture: ScenePictureView | None


@dataclass(frozen=True)
class ScenePictureView:
    """A scene's picture, and what it is metered by: its version, and as one types it."""

    attachment: Attachment
    version: str
    typed: MeteringTyped


@dataclass(frozen=True)
class KeptScene:
    """A scene as it was kept, its version, and its readings as lines to edit and in words."""

    scene: Scene
    version: str
    lines: dict[str, str]
    said: dict[str, str]


def scene_view(db: Connection, scene: Scene) -> SceneView:
    """A scene and its exposures, latest first."""
    found = exposures.of_scene(db, scene.id)
    places = exposures.places(db, [each.id for each in found])
    hold = preferences.holds_highlights(db)
    given = [in_words(each, places[each.id], hold) for each in found]
    seen = runs.of_scene(db, scene.revisits) if scene.revisits else []
    costs = [each.cost for each in given if each.cost is not None]
    return SceneView(
        scene,
        version_of(scene),
        given,
        lines(db, scene),
        said(scene),
        [showed(each) for each in seen],
        money_text(sum(costs)) if costs else "",
        outings.outing(db, scene.outing_id),
        scenes.labels(db),
        _picture(db, scene.id),
    )


def _picture(db: Connection, scene_id: str) -> ScenePictureView | None:
    found = attachments.of_scene(db, scene_id)
    if found is None or found.metering is None:
        return None
    return ScenePictureView(found, version_of(found.metering), as_typed(found.metering))


def kept(db: Connection, scene: Scene) -> KeptScene:
    return KeptScene(scene, version_of(scene), lines(db, scene), said(scene))


def lines(db: Connection, scene: Scene) -> dict[str, str]:
    """The scene's readings as one types them."""
    way = preferences.preferences(db)
    meter = meter_set(scene, scenes.kit_of(db, scene), way.time_iso)
    return {each.id: line_of(each, meter) for each in scene.readings}


def said(scene: Scene) -> dict[str, str]:
    return {each.id: reading_text(each.reading) for each in scene.readings}


def solution(db: Connection, scene: Scene) -> Solution:
    """A scene worked out with the kit as it is now, its sums in one's own fractions."""
    recipe = films.recipe_of(db, scene.film_id, scene.recipe_id)
    kit = under_sky(db, scene, scenes.kit_of(db, scene))
    return solved(reread(scene, kit), kit, recipe, now())
