"""Exposures: a loaded side becomes an exposed one, and the log keeps what was given."""

from __future__ import annotations

from dataclasses import replace

from fastapi import APIRouter

from emulsa import __version__
from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.routes.scenes import found, recipe_of
from emulsa.core import wire
from emulsa.core.errors import Impossible
from emulsa.core.exposed import Correction, Exposure, Given, given_error_stops, log
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.film import sheets
from emulsa.core.light import marks
from emulsa.core.scene import plan
from emulsa.store import exposures as store
from emulsa.store import films, holders, journal, scenes
from emulsa.store.database import Connection

router = APIRouter(prefix="/api/exposures", tags=["exposures"])


@router.post("", openapi_extra=documented(Given))
def expose(db: Db, given: Given = body(Given)) -> Exposure:
    """Log an exposure on a loaded side of the scene's film; asked twice, it is logged once."""
    known = store.exposure(db, given.id)
    if known is not None:
        return known
    scene = found(db, given.scene_id)
    where = holders.place(db, _sheet(db, given.sheet_id))
    with journal.action(db, f"{where} exposed on {scene.title}", now()):
        # Looked at under the lock: of two hands on one sheet only one gets it.
        sheet = _sheet(db, given.sheet_id)
        after = sheets.move(sheet.state, "expose", where)
        assert after == "exposed"
        _right_film(db, sheet, scene.film_id, where)
        recipe = recipe_of(db, scene)
        request = plan(scene, scenes.kit_of(db, scene))
        exposure = log(given, request, recipe.id if recipe else None, now(), __version__)
        store.put(db, exposure)
        holders.put_sheet(db, replace(sheet, state=after))
    return exposure


@router.put("/{id}", openapi_extra=documented(Correction))
def correct(id: str, db: Db, correction: Correction = body(Correction)) -> Exposure:  # noqa: A002
    """Put right what was really given; the plan it was made with stays."""
    known = store.exposure(db, id)
    if known is None:
        raise NotFound("There is no such exposure.", field="id")
    request = wire.decode(ExposureRequest, known.request)
    seconds = marks.seconds(correction.time)
    off = given_error_stops(request, correction.aperture, seconds)
    exposure = replace(
        known,
        aperture=correction.aperture,
        seconds=seconds,
        n=correction.n,
        recipe_id=correction.recipe_id,
        note=correction.note,
        error_stops=off,
    )
    with journal.action(db, "exposure corrected", now()):
        store.put(db, exposure)
    return exposure


def _sheet(db: Connection, id_: str) -> sheets.Sheet:
    sheet = holders.sheet(db, id_)
    if sheet is None:
        raise NotFound("That side holds no sheet any more; choose another.", field="sheet_id")
    return sheet


def _right_film(db: Connection, sheet: sheets.Sheet, wanted: str | None, where: str) -> None:
    if sheet.film_id != wanted:
        film = films.film(db, sheet.film_id)
        name = film.name if film else "another film"
        raise Impossible(
            f"Side {where} holds {name}, which this scene is not worked out for.", field="sheet_id"
        )
