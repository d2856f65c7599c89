"""What waits to be developed, grouped, with its times at the temperature there is."""

from __future__ import annotations

from fastapi import APIRouter

from emulsa.api.connection import Db
from emulsa.core.corrections.optics import mark_text
from emulsa.core.development import temperature
from emulsa.core.development.waiting import Group, WaitingSheet, groups
from emulsa.core.light.hand_time import time_text
from emulsa.store import exposures, films, holders, scenes
from emulsa.store.database import Connection

router = APIRouter(prefix="/api/darkroom", tags=["darkroom"])


@router.get("")
def read(
    db: Db, temperature_c: float | None = None, temperature_f: float | None = None
) -> list[Group]:
    """Exposed sheets by film, recipe and N; at 20 °C unless told."""
    if temperature_f is not None:
        at_c = temperature.allowed(temperature.celsius(temperature_f), "temperature_f")
    else:
        at_c = temperature.allowed(
            20.0 if temperature_c is None else temperature_c, "temperature_c"
        )
    by_id = {each.id: each for each in films.films(db)}
    recipes = {each.id: each for each in films.recipes(db)}
    return list(groups(_waiting(db), by_id, recipes, at_c))


def _waiting(db: Connection) -> list[WaitingSheet]:
    numbers = {each.id: each.number for each in holders.holders(db)}
    exposed = {each.id: each for each in holders.sheets(db) if each.state == "exposed"}
    waiting: list[WaitingSheet] = []
    for exposure in exposures.exposures(db):
        if exposure.sheet_id in {each.sheet_id for each in waiting}:
            continue  # an earlier share of a multiple exposure: one sheet, one development
        sheet = exposed.get(exposure.sheet_id)
        scene = scenes.scene(db, exposure.scene_id)
        if sheet is None or scene is None:
            continue
        waiting.append(
            WaitingSheet(
                exposure_id=exposure.id,
                sheet_id=sheet.id,
                film_id=sheet.film_id,
                recipe_id=exposure.recipe_id,
                where=f"{numbers[sheet.holder_id]}{sheet.side}",
                scene_title=scene.title,
                scene_id=scene.id,
                exposed_at=exposure.exposed_at,
                n=exposure.n,
                development_change=exposure.development_change,
                error_stops=exposure.error_stops,
                set_text=f"{mark_text(exposure.aperture)}, {time_text(exposure.seconds)}",
            )
        )
    return waiting
