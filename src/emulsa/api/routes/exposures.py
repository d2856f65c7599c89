"""Exposures: a loaded side becomes an exposed one, and the log keeps what was given."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Annotated

from fastapi import APIRouter

from emulsa import __version__
from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.routes.scenes import found, recipe_of
from emulsa.core import wire
from emulsa.core.errors import Impossible
from emulsa.core.exposed import (
    Correction,
    Exposure,
    Given,
    GivenCheck,
    check,
    given_error_stops,
    log,
)
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.film import sheets
from emulsa.core.light import marks
from emulsa.core.limits import Id, Length
from emulsa.core.scene import Scene, plan
from emulsa.store import exposures as store
from emulsa.store import films, holders, journal, scenes
from emulsa.store.database import Connection

router = APIRouter(prefix="/api/exposures", tags=["exposures"])


@dataclass(frozen=True, kw_only=True)
class Bracketed:
    """All frames of a bracket as they were given, slowest first; logged together or not at all."""

    id: Id
    frames: Annotated[tuple[Given, ...], Length("Frames of a bracket", 1, 15)]


@router.post("", openapi_extra=documented(Given))
def expose(db: Db, given: Given = body(Given)) -> Exposure:
    """Log an exposure on a loaded side of the scene's film; asked twice, it is logged once.

    A share below 1 is part of an intended multiple exposure and may go onto an exposed side.
    """
    known = store.exposure(db, given.id)
    if known is not None:
        return known
    scene = found(db, given.scene_id)
    where = holders.place(db, _sheet(db, given.sheet_id))
    with journal.action(db, f"{where} exposed on {scene.title}", now()):
        return _exposed(db, given, scene)


@router.post("/bracket", openapi_extra=documented(Bracketed))
def expose_bracket(db: Db, bracket: Bracketed = body(Bracketed)) -> list[Exposure]:
    """Log a bracket: every frame on a sheet of its own, one undoable action."""
    frames = [replace(each, bracket_id=bracket.id) for each in bracket.frames]
    known = [store.exposure(db, each.id) for each in frames]
    if all(known):
        return [each for each in known if each is not None]
    scene = found(db, frames[0].scene_id)
    with journal.action(db, f"bracket of {len(frames)} on {scene.title}", now()):
        return [_exposed(db, each, found(db, each.scene_id)) for each in frames]


@router.post("/check", openapi_extra=documented(Given))
def check_given(db: Db, given: Given = body(Given)) -> GivenCheck:
    """What a typed time would do to the film; nothing is kept."""
    scene = found(db, given.scene_id)
    return check(given, plan(scene, scenes.kit_of(db, scene)))


def _exposed(db: Connection, given: Given, scene: Scene) -> Exposure:
    """One frame onto its sheet, looked at under the lock: of two hands only one gets it."""
    sheet = _sheet(db, given.sheet_id)
    where = holders.place(db, sheet)
    again = given.share < 1 and sheet.state == "exposed"
    after = sheets.move(sheet.state, "expose_again" if again else "expose", where)
    assert after == "exposed"
    if again:
        sheets.share_left(store.share_given(db, sheet.id), given.share, where)
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
    off = given_error_stops(request, correction.aperture, seconds, known)
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
