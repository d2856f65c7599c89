"""What was exposed on a scene that has a picture: the print planned, and the one it makes."""

from __future__ import annotations

from dataclasses import dataclass, replace
from pathlib import Path

from emulsa.api.routing import Db
from emulsa.core import wire
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.logged.record import Exposure
from emulsa.core.prints.negative import PrintedNegative
from emulsa.core.prints.preview import of_negative, of_positive
from emulsa.core.prints.record import Print
from emulsa.core.scene.printed import ToPrint, negative_of_picture
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.exchange import pictures
from emulsa.exchange.levels import clear_level
from emulsa.store import attachments, exposures, scenes

CLEAR = 250.0  # the level of clear film where there is no picture


@dataclass(frozen=True, slots=True)
class Exposed:
    """A scene with its kit, and an exposure of it as two ways of taking it: as it was planned, and
    as it was really given."""

    scene: Scene
    kit: SceneKit
    planned: ToPrint
    given: ToPrint


def exposed(db: Db, exposure: Exposure) -> Exposed | None:
    """Nothing without the scene, or the plan of its day."""
    scene = scenes.scene(db, exposure.scene_id)
    if scene is None or not exposure.request:
        return None
    kit = scenes.kit_of(db, scene)
    request = replace(wire.decode(ExposureRequest, exposure.request), n=exposure.n)
    developed_for = exposure.recipe_id is not None
    planned = ToPrint("planned", lambda: request, developed_for, kit.format_mm)
    given = replace(planned, id="given", error_stops=exposure.error_stops)
    return Exposed(scene, kit, planned, given)


def by_picture(db: Db, exposure_id: str) -> tuple[str, tuple[float, ...]] | None:
    """The picture of a negative's scene, and the density each of its levels has on that negative;
    nothing where there is none, or it is not known well enough to tell."""
    exposure = exposures.exposure(db, exposure_id)
    picture = attachments.of_scene(db, exposure.scene_id) if exposure else None
    found = exposed(db, exposure) if exposure and picture else None
    nets = negative_of_picture(found.scene, found.kit, found.given) if found else None
    return (picture.id, nets) if picture and nets else None


def densities(db: Db, folder: Path, print_: Print, negative: PrintedNegative) -> tuple[float, ...]:
    """The density of each level of what a print is seen by: its scan (a positive where it is told
    so), or the picture of its scene. ``folder`` is where pictures lie."""
    scan = attachments.attachment(db, negative.picture_id or "")
    if scan is None:
        there = by_picture(db, print_.exposure_id)
        if there:
            return there[1]
    if print_.positive:
        return of_positive()
    if scan is None:
        return of_negative(CLEAR)
    return of_negative(clear_level(pictures.view(folder, scan.digest, scan.media_type)))
