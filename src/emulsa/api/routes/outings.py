"""Outings: the plan, the bag, the scenes of the day, and the sheet to take along."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Annotated, Any

from fastapi import Query, Response

from emulsa.api.answers import Routes
from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.files import PDF, attached
from emulsa.api.keeping import own_id, unchanged
from emulsa.api.routes.kit import everything
from emulsa.api.versions import version_of
from emulsa.core.film.judgement import next_time, showed
from emulsa.core.light.hand_time import stops_text
from emulsa.core.limits import Id, Name
from emulsa.core.line.carry_out import line_of
from emulsa.core.logged.texts import set_text
from emulsa.core.outing.packing import Loaded, PackItem, packing
from emulsa.core.outing.record import Outing, Packed
from emulsa.core.scene.record import Scene, follow_on
from emulsa.core.scene.record import revisit as copied
from emulsa.core.tones.development_number import n_text
from emulsa.exchange.cards import pdf
from emulsa.store import exposures, films, journal, pieces, preferences, rolls, runs, scenes
from emulsa.store import outings as store
from emulsa.store.database import Connection
from emulsa.store.scenes import EarlierScene, SceneLine

router = Routes(prefix="/api/outings", tags=["outings"])

AT_ONCE = 12  # outings shown until more are asked for
EARLIER_AT_ONCE = 20
NAMED_AT_MOST = 5_000


@dataclass(frozen=True)
class OutingView:
    """An outing, its version, and its scenes in the order they were found."""

    outing: Outing
    version: str
    scenes: list[SceneLine]


@dataclass(frozen=True)
class OutingName:
    """An outing as a word in a list."""

    id: str
    title: str
    day: str


@dataclass(frozen=True, kw_only=True)
class NewScene:
    """A scene to begin: the client's id and a title."""

    id: Id
    title: Name


@dataclass(frozen=True, kw_only=True)
class Revisiting:
    """A scene to go back to, under a new id."""

    id: Id
    scene_id: Id


@dataclass(frozen=True)
class EarlierView:
    """A scene one could go back to, what its negatives showed, and what that suggests."""

    scene: EarlierScene
    showed: list[str]
    next_time: list[str]


@dataclass(frozen=True, kw_only=True)
class Packing:
    """The keys of what is in the bag."""

    packed: Packed


@router.get("")
def read(db: Db, limit: Annotated[int, Query(ge=1, le=1_000)] = AT_ONCE) -> list[OutingView]:
    """Outings, latest first, with their scenes."""
    found = store.outings(db, limit)
    lines = scenes.lines(db, [each.id for each in found])
    return [OutingView(each, version_of(each), lines[each.id]) for each in found]


@router.get("/names")
def names(db: Db) -> list[OutingName]:
    """Every outing's name and day, latest first: what one chooses from."""
    return [OutingName(each.id, each.title, each.day) for each in store.outings(db, NAMED_AT_MOST)]


@router.get("/earlier")
def earlier(db: Db, text: Annotated[str, Query(max_length=80)] = "") -> list[EarlierView]:
    """Scenes one could go back to, latest first."""
    found = []
    for each in scenes.earlier(db, text.strip(), EARLIER_AT_ONCE):
        seen = runs.of_scene(db, each.id)
        hints = [hint for hint in map(next_time, seen) if hint]
        found.append(EarlierView(each, [showed(one) for one in seen], hints))
    return found


@router.put("/{id}", openapi_extra=documented(Outing))
def put(id: str, db: Db, outing: Outing = body(Outing), base: str | None = None) -> Outing:  # noqa: A002
    """Keep an outing, new or changed."""
    own_id(id, outing)
    with journal.action(db, f"outing {outing.title}", now()):
        unchanged("This outing", store.outing(db, id), outing, base)
        store.put(db, outing)
    return outing


@router.delete("/{id}", status_code=204)
def delete(id: str, db: Db) -> None:  # noqa: A002
    """Delete an outing without scenes."""
    outing = _found(db, id)
    with journal.action(db, f"outing {outing.title} deleted", now()):
        store.delete(db, id)


@router.post("/{id}/scenes", openapi_extra=documented(NewScene))
def begin(id: str, db: Db, new: NewScene = body(NewScene)) -> Scene:  # noqa: A002
    """Begin a scene with the kit of the one before it; asked twice, it is begun once."""
    known = scenes.scene(db, new.id)
    if known is not None:
        return known
    _found(db, id)
    before = scenes.of_outing(db, id)
    school = preferences.preferences(db).school
    blank = Scene(id=new.id, outing_id=id, title=new.title, school=school)
    scene = follow_on(blank, before[-1:])
    with journal.action(db, f"scene {scene.title} begun", now()):
        scenes.put(db, scene)
    return scene


@router.post("/{id}/revisit", openapi_extra=documented(Revisiting))
def revisit(id: str, db: Db, revisiting: Revisiting = body(Revisiting)) -> Scene:  # noqa: A002
    """Plan to go back to a scene: a copy with its readings; asked twice, it is planned once."""
    known = scenes.scene(db, revisiting.id)
    if known is not None:
        return known
    _found(db, id)
    before = scenes.scene(db, revisiting.scene_id)
    if before is None:
        raise NotFound("There is no such scene to go back to.", field="scene_id")
    scene = copied(before, revisiting.id, id)
    with journal.action(db, f"back to {scene.title}", now()):
        scenes.put(db, scene)
    return scene


@router.get("/{id}/packing")
def pack_list(id: str, db: Db) -> tuple[PackItem, ...]:  # noqa: A002
    """What to take, from the kit and the film that is loaded."""
    _found(db, id)
    kit = everything(db)
    return packing(kit.cameras, kit.lenses, kit.pinholes, kit.filters, kit.meters, loaded_film(db))


@router.put("/{id}/packed", openapi_extra=documented(Packing))
def pack(id: str, db: Db, packing: Packing = body(Packing)) -> OutingView:  # noqa: A002
    """Say what is in the bag."""
    outing = replace(_found(db, id), packed=packing.packed)
    with journal.action(db, f"packed for {outing.title}", now()):
        store.put(db, outing)
    return OutingView(outing, version_of(outing), scenes.lines(db, [id])[id])


@router.get("/{id}/sheet.pdf", response_class=Response, responses=PDF)
def sheet(id: str, db: Db) -> Response:  # noqa: A002
    """The outing on paper: conditions, film, and every scene with its readings and exposures."""
    outing = _found(db, id)
    data = {
        "outing": outing,
        "loaded": loaded_film(db),
        "scenes": [_scene_on_paper(db, each) for each in scenes.of_outing(db, id)],
    }
    return attached(pdf.render("outing", data), "application/pdf", f"outing-{outing.day}", "pdf")


def loaded_film(db: Connection) -> list[Loaded]:
    """Unexposed film in holders and cameras, by place."""
    names = {each.id: each.name for each in films.films(db)}
    found = [
        Loaded(where=each.label, film=names[each.film_id])
        for each in sorted(pieces.in_holders(db), key=lambda each: (len(each.label), each.label))
        if each.state == "loaded"
    ]
    found += [
        Loaded(where=f"roll {each.number}", film=names[each.film_id])
        for each in rolls.rolls(db)
        if each.place != "done" and each.next_frame <= each.frames
    ]
    return found


def _scene_on_paper(db: Connection, scene: Scene) -> dict[str, Any]:
    kit = scenes.kit_of(db, scene)
    taken = (kit.film, kit.lens, kit.pinhole, *kit.filters)
    return {
        "title": scene.title,
        "note": scene.note,
        "kit": ", ".join(each.name for each in taken if each is not None),
        "readings": [
            {"label": each.label or "reading", "text": text}
            for each, text in zip(scene.readings, reading_texts(scene), strict=True)
        ],
        "exposures": [
            {
                "where": where,
                "text": set_text(each.aperture, each.seconds),
                "n": n_text(each.n),
                "off": stops_text(each.error_stops),
                "note": each.note,
            }
            for each, where in reversed(exposures.of_scene(db, scene.id))
        ],
    }


def reading_texts(scene: Scene) -> list[str]:
    """Each reading as one types it, without its label."""
    return [line_of(replace(each, label=""), 100.0).strip() for each in scene.readings]


def _found(db: Connection, id_: str) -> Outing:
    outing = store.outing(db, id_)
    if outing is None:
        raise NotFound("There is no such outing.", field="id")
    return outing
