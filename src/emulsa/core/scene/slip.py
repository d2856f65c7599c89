"""A scene as a slip: its readings, as they fall on the film it names or on paper's own range."""

from __future__ import annotations

from emulsa.core.exposing.deciding import planned_n
from emulsa.core.exposing.falls import FilmTones
from emulsa.core.exposing.slip import Slip, SlipTick, slip
from emulsa.core.scene.plan import (
    chosen_n,
    falls,
    film_ei,
    high,
    placed_reading,
    placement,
    who_decides,
)
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.tones.textural_range import TYPICAL


def scene_slip(scene: Scene, kit: SceneKit) -> Slip | None:
    """The slip of a scene as it stands; nothing before its first reading."""
    if not scene.readings:
        return None
    named = {each.id: each.label for each in scene.readings}
    placed = placed_reading(placement(scene, kit))
    keeps = kit.film.textural_range if kit.film else TYPICAL
    return slip(
        (
            SlipTick(each.zone, named[each.id], each.id == placed, each.lost)
            for each in falls(scene, kit)
        ),
        FilmTones(keeps, kit.own_film, film_ei(scene, kit) or 100.0, scene.pre_exposure_zone),
        planned_n(who_decides(scene, kit).n, chosen_n(scene, kit)),
        high(scene, kit).zone,
        kit.film.kind if kit.film else None,
    )
