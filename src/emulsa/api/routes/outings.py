"""Outings and the scenes in them."""

from __future__ import annotations

from dataclasses import dataclass

from fastapi import APIRouter

from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.core.errors import Unsound
from emulsa.core.limits import Id, Name
from emulsa.core.outing import Outing
from emulsa.core.scene import Scene, follow_on
from emulsa.store import exposures, journal, preferences, scenes
from emulsa.store import outings as store

router = APIRouter(prefix="/api/outings", tags=["outings"])


@dataclass(frozen=True)
class SceneLine:
    """A scene as a line in its outing."""

    id: str
    title: str
    readings: int
    exposures: int


@dataclass(frozen=True)
class OutingView:
    """An outing with its scenes in the order they were found."""

    outing: Outing
    scenes: list[SceneLine]


@dataclass(frozen=True, kw_only=True)
class NewScene:
    """A scene to begin: the client's id and a title."""

    id: Id
    title: Name


@router.get("")
def read(db: Db) -> list[OutingView]:
    """Every outing, latest first, with its scenes."""
    exposed = [each.scene_id for each in exposures.exposures(db)]
    return [
        OutingView(
            outing=outing,
            scenes=[
                SceneLine(each.id, each.title, len(each.readings), exposed.count(each.id))
                for each in scenes.of_outing(db, outing.id)
            ],
        )
        for outing in store.outings(db)
    ]


@router.put("/{id}", openapi_extra=documented(Outing))
def put(id: str, db: Db, outing: Outing = body(Outing)) -> Outing:  # noqa: A002
    """Keep an outing, new or changed."""
    if outing.id != id:
        raise Unsound("The id in the address and the id in the record differ.", field="id")
    with journal.action(db, f"outing {outing.title}", now()):
        store.put(db, outing)
    return outing


@router.delete("/{id}", status_code=204)
def delete(id: str, db: Db) -> None:  # noqa: A002
    """Delete an outing without scenes."""
    outing = store.outing(db, id)
    if outing is None:
        raise NotFound("There is no such outing.", field="id")
    with journal.action(db, f"outing {outing.title} deleted", now()):
        store.delete(db, id)


@router.post("/{id}/scenes", openapi_extra=documented(NewScene))
def begin(id: str, db: Db, new: NewScene = body(NewScene)) -> Scene:  # noqa: A002
    """Begin a scene with the kit of the one before it; asked twice, it is begun once."""
    known = scenes.scene(db, new.id)
    if known is not None:
        return known
    if store.outing(db, id) is None:
        raise NotFound("There is no such outing.", field="id")
    before = scenes.of_outing(db, id)
    school = preferences.preferences(db).school
    blank = Scene(id=new.id, outing_id=id, title=new.title, school=school)
    scene = follow_on(blank, before[-1:])
    with journal.action(db, f"scene {scene.title} begun", now()):
        scenes.put(db, scene)
    return scene
