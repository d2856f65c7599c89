"""An outing as it is taken along: what is loaded, and its scenes on paper."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from emulsa.api.routing import Db
from emulsa.core.corrections.film_kinds import n_words
from emulsa.core.exposing.slip import Slip
from emulsa.core.film.pieces import Piece
from emulsa.core.film.states import State
from emulsa.core.light.reading_text import reading_text
from emulsa.core.logged.record import Exposure
from emulsa.core.logged.texts import part_text, set_text
from emulsa.core.outing.day_light import DayLight, Wanted, day_light
from emulsa.core.outing.packing import Loaded
from emulsa.core.outing.record import Outing
from emulsa.core.scene.record import Scene
from emulsa.core.scene.slip import scene_slip
from emulsa.core.written import stops_text
from emulsa.store import exposures, films, pieces, rolls, scenes


@dataclass(frozen=True)
class DayExposure:
    """An exposure of the day: when, on which film, what became of it, and what was given."""

    exposure_id: str
    scene_id: str
    exposed_at: str
    where: str
    state: State
    set_text: str
    n_text: str


@dataclass(frozen=True)
class OutingDrawn:
    """A day to be drawn: the slips of its scenes by id, and its exposures in their order."""

    slips: dict[str, Slip]
    made: list[DayExposure]


def drawn(db: Db, outing_id: str) -> OutingDrawn:
    """A day's scenes and exposures as they are drawn."""
    slips, made = {}, []
    for scene in scenes.of_outing(db, outing_id):
        found = scene_slip(scene, scenes.kit_of(db, scene))
        if found is not None:
            slips[scene.id] = found
        given = exposures.of_scene(db, scene.id)
        by_id = pieces.of_ids(db, [each.piece_id for each in given])
        made += [_day_exposure(each, by_id[each.piece_id]) for each in given]
    return OutingDrawn(slips, sorted(made, key=lambda each: each.exposed_at))


def _day_exposure(exposure: Exposure, piece: Piece) -> DayExposure:
    return DayExposure(
        exposure_id=exposure.id,
        scene_id=exposure.scene_id,
        exposed_at=exposure.exposed_at,
        where=piece.label,
        state=piece.state,
        set_text=set_text(exposure.aperture, exposure.seconds, exposure.mark),
        n_text=n_words(exposure.n, exposure.film_kind),
    )


def light_of(db: Db, outing: Outing, begin: str) -> DayLight | None:
    """The light of an outing's day, with its scenes that say where it shall come from."""
    place = outing.sky_place
    if place is None:
        return None
    wanted = [
        Wanted(scene_id=each.id, title=each.title, bearing=each.bearing)
        for each in scenes.of_outing(db, outing.id)
        if each.bearing is not None
    ]
    return day_light(place, begin, wanted)


def loaded_film(db: Db) -> list[Loaded]:
    """Unexposed film in holders and cameras, by place."""
    named = films.names(db)
    found = [
        Loaded(where=each.label, film=named[each.film_id])
        for each in sorted(pieces.in_holders(db), key=lambda each: (len(each.label), each.label))
        if each.state == "loaded"
    ]
    found += [
        Loaded(where=f"roll {each.number}", film=named[each.film_id])
        for each in rolls.rolls(db)
        if each.place != "done" and each.next_frame <= each.frames
    ]
    return found


def scene_on_paper(db: Db, scene: Scene) -> dict[str, Any]:
    own = scenes.kit_of(db, scene)
    taken = (own.film, own.lens, own.pinhole, *own.filters)
    found = exposures.of_scene(db, scene.id)
    places = exposures.places(db, [each.id for each in found])
    return {
        "title": scene.title,
        "note": scene.note,
        "kit": ", ".join(each.name for each in taken if each is not None),
        "slip": scene_slip(scene, own),
        "readings": [
            {"label": each.label or "reading", "text": reading_text(each.reading)}
            for each in scene.readings
        ],
        "exposures": [
            {
                "where": places[each.id],
                "text": ", ".join(
                    filter(
                        None, (set_text(each.aperture, each.seconds, each.mark), part_text(each))
                    )
                ),
                "n": n_words(each.n, each.film_kind),
                "off": stops_text(each.error_stops),
                "note": each.note,
            }
            for each in reversed(found)
        ],
    }
