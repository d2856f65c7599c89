"""Outings: the plan, the bag, the scenes of the day, and the sheet to take along."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.api.keeping import own_id, unchanged
from emulsa.api.lookup import needed
from emulsa.api.replies import ICS, PDF, attached
from emulsa.api.routing import Act, Db, File, Routes
from emulsa.api.views.done import Done
from emulsa.api.views.outings import OutingDrawn, drawn, light_of, loaded_film, scene_on_paper
from emulsa.core.film.judgement import next_time, showed
from emulsa.core.limits import Id, Name, SearchText, Within
from emulsa.core.moments import Moment
from emulsa.core.outing.day_light import DayLight, dated
from emulsa.core.outing.packing import Packing, PackItem, packed, packing
from emulsa.core.outing.record import Outing
from emulsa.core.scene.record import Scene, as_begun, follow_on
from emulsa.core.scene.record import revisit as copied
from emulsa.core.versions import version_of
from emulsa.core.written import temperature_text
from emulsa.exchange.calendar import Entry, ics
from emulsa.exchange.cards import pdf
from emulsa.store import kit, preferences, runs, scenes
from emulsa.store import outings as store
from emulsa.store.scenes import EarlierScene, SceneLine

routes = Routes("outings", "/api/outings")

AT_ONCE = 12  # outings shown until more are asked for
EARLIER_AT_ONCE = 20
NAMED_AT_MOST = 5_000
Limit = Annotated[int, Within("Outings at once", 1, 1_000)]


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
    """A scene to begin: the client's id and a title. ``begun``: what it came to where it was begun
    first, when it is handed in."""

    id: Id
    title: Name
    begun: Scene | None = None


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


@routes.question("")
def read(db: Db, limit: Limit = AT_ONCE) -> list[OutingView]:
    """Outings, latest first, with their scenes."""
    found = store.outings(db, limit)
    lines = scenes.lines(db, [each.id for each in found])
    return [OutingView(each, version_of(each), lines[each.id]) for each in found]


@routes.question("/names")
def names(db: Db) -> list[OutingName]:
    """Every outing's name and day, latest first: what one chooses from."""
    return [OutingName(each.id, each.title, each.day) for each in store.outings(db, NAMED_AT_MOST)]


@routes.question("/earlier")
def earlier(db: Db, text: SearchText = "") -> list[EarlierView]:
    """Scenes one could go back to, latest first."""
    found = []
    for each in scenes.earlier(db, text.strip(), EARLIER_AT_ONCE):
        seen = runs.of_scene(db, each.id)
        hints = [hint for hint in map(next_time, seen) if hint]
        found.append(EarlierView(each, [showed(one) for one in seen], hints))
    return found


@routes.act("PUT", "/{id}")
def put(act: Act, id: str, base: str, outing: Outing) -> Outing:  # noqa: A002
    """Keep an outing, new or changed."""
    own_id(id, outing)
    act.says(f"save outing {outing.title}")
    unchanged("This outing", store.outing(act.db, id), outing, base)
    act.keep(outing)
    return _found(act.db, id)


@routes.act("DELETE", "/{id}")
def delete(act: Act, id: str) -> Done:  # noqa: A002
    """Delete an outing without scenes."""
    outing = _found(act.db, id)
    act.says(f"delete outing {outing.title}")
    store.delete(act.db, id)
    return Done(f"delete outing {outing.title}", (id,))


@routes.act("POST", "/{id}/scenes", begins=True)
def begin(act: Act, id: str, new: NewScene) -> Scene:  # noqa: A002
    """Begin a scene with the kit of the one before it; one of this id stays as it is."""
    known = scenes.scene(act.db, new.id)
    if known is not None:
        return known
    _found(act.db, id)
    before = scenes.of_outing(act.db, id)
    school = preferences.preferences(act.db).school
    blank = Scene(id=new.id, outing_id=id, title=new.title, school=school)
    scene = as_begun(blank, new.begun) if new.begun else follow_on(blank, before[-1:])
    act.says(f"begin scene {scene.title}")
    scenes.put(act.db, scene)
    return scene


@routes.act("POST", "/{id}/revisit")
def revisit(act: Act, id: str, revisiting: Revisiting) -> Scene:  # noqa: A002
    """Plan to go back to a scene: a copy with its readings; one of this id stays as it is."""
    known = scenes.scene(act.db, revisiting.id)
    if known is not None:
        return known
    _found(act.db, id)
    before = scenes.scene(act.db, revisiting.scene_id)
    said = "The scene to revisit was not found."
    scene = copied(needed(before, said, "scene_id"), revisiting.id, id)
    act.says(f"plan to go back to {scene.title}")
    scenes.put(act.db, scene)
    return scene


@routes.question("/{id}/drawn")
def read_drawn(db: Db, id: str) -> OutingDrawn:  # noqa: A002
    """The slips of the day's scenes, and its exposures by the hour."""
    _found(db, id)
    return drawn(db, id)


@routes.question("/{id}/light")
def read_light(db: Db, id: str, begin: Moment) -> DayLight | None:  # noqa: A002
    """Sun and moon over the outing's place for a day that begins at local midnight, with its zone;
    nothing where its place is not known."""
    return light_of(db, _found(db, id), begin)


@routes.question("/{id}/light.ics", media_type=ICS)
def light_calendar(db: Db, id: str, begin: Moment) -> File:  # noqa: A002
    """The day's light as a calendar file: low sun, dusk, moonrise, and when the sun is on a
    scene."""
    outing = _found(db, id)
    light = needed(light_of(db, outing, begin), "This outing has no place yet.", "latitude")
    entries = [
        Entry(
            id=f"{outing.id}-{each.start_min:.0f}-{number}",
            title=each.title,
            start_s=60 * each.start_min,
            end_s=60 * each.end_min,
            note=outing.title,
        )
        for number, each in enumerate(dated(light))
    ]
    return attached(ics(begin, entries), ICS, f"light-{outing.day}", "ics", "attachment")


@routes.question("/{id}/packing")
def pack_list(db: Db, id: str) -> tuple[PackItem, ...]:  # noqa: A002
    """What to take, from the kit and the film that is loaded."""
    _found(db, id)
    own = kit.everything(db)
    lists = {each: own[each] for each in ("cameras", "lenses", "pinholes", "filters", "meters")}
    return packing(**lists, loaded=loaded_film(db))


@routes.act("POST", "/{id}/packed")
def pack(act: Act, id: str, packing: Packing) -> Outing:  # noqa: A002
    """Put things into the bag or take them out; the rest of the outing stays as it is."""
    outing = packed(_found(act.db, id), packing)
    act.says(f"pack for {outing.title}")
    act.keep(outing)
    return outing


@routes.question("/{id}/sheet.pdf", media_type=PDF)
def sheet(db: Db, id: str, begin: Moment | None = None) -> File:  # noqa: A002
    """The outing on paper: conditions, film, the day's light by the zone of ``begin``, and every
    scene with its readings and exposures."""
    outing = _found(db, id)
    data = {
        "light": light_of(db, outing, begin) if begin else None,
        "outing": outing,
        "warmth": _warmth(outing),
        "loaded": loaded_film(db),
        "scenes": [scene_on_paper(db, each) for each in scenes.of_outing(db, id)],
    }
    return attached(pdf.render("outing", data), PDF, f"outing-{outing.day}", "pdf")


def _warmth(outing: Outing) -> str | None:
    if outing.temperature_c is None:
        return None
    return temperature_text(outing.temperature_c)


def _found(db: Db, id_: str) -> Outing:
    return needed(store.outing(db, id_), "This outing was not found.")
