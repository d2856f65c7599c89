"""Scenes: kept whole, changed by edits, worked out while they are drafted, driven by the line."""

from __future__ import annotations

import math
from collections.abc import Mapping
from contextlib import suppress
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.api.keeping import own_id, unchanged
from emulsa.api.lookup import needed
from emulsa.api.overhead import under_sky
from emulsa.api.replies import PDF, attached
from emulsa.api.routing import Act, Db, File, House, Routes, now
from emulsa.api.saying import Editing, Line, Saying, make, meant
from emulsa.api.views.done import Done
from emulsa.api.views.ready import camera_of, ready_now
from emulsa.api.views.scene_page import page_of
from emulsa.api.views.scenes import KeptScene, SceneView, kept, scene_view, solution
from emulsa.api.views.targets import targets_of
from emulsa.core.advice import Advice
from emulsa.core.errors import Missing
from emulsa.core.exposing.bracket import (
    BracketRequest,
    BracketStep,
    Frame,
    Frames,
    Side,
    bracket,
    used_text,
)
from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.penalties import Weights
from emulsa.core.film.acts.exposing import Target, doubts
from emulsa.core.film.ready import MeantRow, fitting, meant_row
from emulsa.core.kit.films import unnamed_film
from emulsa.core.limits import Day, Id, Label, Length
from emulsa.core.line import grammar
from emulsa.core.line.lines import Typed
from emulsa.core.line.making import NOTHING, Made
from emulsa.core.line.touched import Touched
from emulsa.core.logged.record import Given, Planned
from emulsa.core.outing.today import of_today
from emulsa.core.picture.calibrated import PhotoCalibrateRequest
from emulsa.core.scene.assumed import EI, with_law
from emulsa.core.scene.changes import ChooseFilm, Edits
from emulsa.core.scene.edits import edited
from emulsa.core.scene.films import OnFilm, on_film
from emulsa.core.scene.focused import NOTHING_ASKED, FocusAsked, FocusSeen, focus_seen
from emulsa.core.scene.metered import picture_meter, reread
from emulsa.core.scene.plan import meter_set, plan
from emulsa.core.scene.printed import taken
from emulsa.core.scene.record import Scene, as_begun, follow_on
from emulsa.core.scene.relight import Relit, RelitAnswer, relit
from emulsa.core.scene.seeing import PictureSeen, SeeingAsked
from emulsa.core.scene.seen import picture_seen
from emulsa.core.scene.solve import Solution, planned
from emulsa.core.scene.ways import PlanChoice, SchoolChoice, plan_choices, school_choices
from emulsa.core.written import money_text
from emulsa.exchange.cards import pdf
from emulsa.store import films, kit, outings, pieces, preferences
from emulsa.store import scenes as store

routes = Routes("scenes", "/api/scenes")


@dataclass(frozen=True, kw_only=True)
class Draft:
    """A scene, and the edits one is about to make to it."""

    scene: Scene
    edits: Edits = ()


@dataclass(frozen=True, kw_only=True)
class FocusDraft(Draft):
    """A drafted scene, and what else is asked of its focus."""

    asked: FocusAsked = NOTHING_ASKED


@dataclass(frozen=True, kw_only=True)
class Seeing:
    """A scene, the edits one is about to make to it, and what is to be seen of its picture."""

    scene: Scene
    edits: Edits = ()
    asked: SeeingAsked


@dataclass(frozen=True, kw_only=True)
class Beginning:
    """A scene begun by what is done in it: on the day's outing, or on a new one of the id given.
    ``begun``: what it came to where it was begun first, when it is handed in."""

    id: Id
    outing_id: Id
    day: Day
    edits: Edits
    makes: Made = NOTHING
    begun: Scene | None = None


@dataclass(frozen=True, kw_only=True)
class LikeFilm:
    """What kind of film it is, as far as long times go."""

    like: Label


@dataclass(frozen=True)
class BracketShown:
    """The frames of a bracket, the film they go onto, what they use up in words, and what that
    film cost, where it is known; ``doubts`` what speaks against exposing them there."""

    frames: tuple[Frame, ...]
    film: MeantRow
    uses: str
    price_text: str
    advice: tuple[Advice, ...]
    doubts: tuple[Advice, ...]


@dataclass(frozen=True, kw_only=True)
class Bracketing:
    """A bracket of a scene: its step, frames and side, and the film it is meant for as it is
    typed; nothing is what comes first."""

    scene: Scene
    step_stops: BracketStep = 1.0
    frames: Frames = 3
    side: Side = "both"
    sides: Annotated[str, Length("The sides or frames", 0, 200)] = ""


@dataclass(frozen=True)
class Opinions:
    """Every school side by side, up to three plans, and the weights they were ranked by."""

    schools: tuple[SchoolChoice, ...]
    plans: tuple[PlanChoice, ...]
    weights: Weights


@dataclass(frozen=True, kw_only=True)
class TypedLine:
    """What is typed over a scene, or for a place of its picture; ``reading_id`` names the reading
    it may add."""

    scene: Scene
    text: Line
    reading_id: Id
    touched: Touched | None = None


@routes.question("/{id}")
def read(db: Db, id: str) -> SceneView:  # noqa: A002
    """A scene and its exposures, latest first."""
    return scene_view(db, found(db, id))


@routes.question("/{id}/page.pdf", media_type=PDF)
def page_pdf(db: Db, house: House, id: str) -> File:  # noqa: A002
    """A scene on one page: its picture with the places that were read, the print to come, what was
    read and how it adds up."""
    scene = found(db, id)
    page = page_of(db, scene, house.attachments)
    return attached(pdf.render("scene", page), PDF, f"scene-{scene.title}", "pdf")


@routes.question("/{id}/calibration.json")
def calibration(db: Db, id: str) -> PhotoCalibrateRequest:  # noqa: A002
    """How a scene's picture is calibrated: the request of ``photo_calibrate``, to be worked out by
    any of its doors."""
    scene = found(db, id)
    return needed(
        picture_meter(scene, store.kit_of(db, scene)), "This scene has no picture to meter by."
    )


@routes.act("PUT", "/{id}")
def put(act: Act, id: str, base: str, scene: Scene) -> KeptScene:  # noqa: A002
    """Keep a scene whole; one that contradicts its kit is refused, an unfinished one is not."""
    own_id(id, scene)
    return _keep(act, store.scene(act.db, id), scene, base)


@routes.act("POST", "/{id}/edits")
def edit(act: Act, id: str, base: str, editing: Editing) -> KeptScene:  # noqa: A002
    """Change a scene; ``base`` is the version the edits were made on: when another hand has changed
    it since, nothing is overwritten and the answer (409) carries what is kept now."""
    stored = found(act.db, id)
    make(act, editing.makes)
    return _keep(act, stored, edited(stored, editing.edits, act.moment), base)


@routes.act("POST", "/{id}/line", works_out=True)
def say(act: Act, id: str, base: str, saying: Saying) -> KeptScene:  # noqa: A002
    """Carry out what is typed over a scene: the line is read under the lock, over what is kept."""
    stored = found(act.db, id)
    said = meant(act.db, stored, saying.text, saying.reading_id)
    make(act, said.makes)
    return _keep(act, stored, edited(stored, said.edits, act.moment), base)


@routes.act("POST", "/{id}/reciprocity")
def like_film(act: Act, id: str, kind: LikeFilm) -> KeptScene:  # noqa: A002
    """Give the scene's film a typical law, once; film nobody named is kept by its EI."""
    stored = found(act.db, id)
    known = films.film(act.db, stored.film_id)
    film = with_law(known or unnamed_film(stored.exposure_index or EI), kind.like)
    act.says(f"take {film.name} as {kind.like}")
    act.keep(film)
    store.put(act.db, replace(stored, film_id=film.id))
    return kept(act.db, found(act.db, id))


@routes.act("POST", "", begins=True)
def begin(act: Act, beginning: Beginning) -> KeptScene:
    """Begin a scene by its first edits, on its day's outing; one of this id stays as it is."""
    known = store.scene(act.db, beginning.id)
    if known is not None:
        return kept(act.db, known)
    outing = of_today(outings.outings(act.db), beginning.day, beginning.outing_id)
    before = store.of_outing(act.db, outing.id)
    school = preferences.preferences(act.db).school
    title = f"Scene {len(before) + 1}"
    blank = Scene(id=beginning.id, outing_id=outing.id, title=title, school=school)
    make(act, beginning.makes)
    act.keep(outing)
    there = beginning.begun
    first = follow_on(blank, before[-1:]) if there is None else as_begun(blank, there)
    scene = edited(first, beginning.edits, act.moment)
    act.says(f"begin scene {scene.title}")
    store.put(act.db, scene)
    return kept(act.db, scene)


@routes.question("/opinions", "POST")
def opinions(db: Db, scene: Scene) -> Opinions:
    """Other ways of taking this scene: all schools, and the second opinion."""
    own, weights = store.kit_of(db, scene), preferences.preferences(db).weights
    others = [each for each in kit.filters(db) if not each.archived]
    return Opinions(school_choices(scene, own), plan_choices(scene, own, others, weights), weights)


@routes.question("/on-films", "POST")
def on_films(db: Db, scene: Scene) -> list[OnFilm]:
    """The same exposure on every film of the kit, as each would be set."""
    found = []
    for film in films.films(db):
        if not film.archived:
            there = edited(scene, (ChooseFilm(film_id=film.id),), now())
            found.append(on_film(film.id, there, store.kit_of(db, there)))
    return found


@routes.question("/bracket", "POST")
def bracketed(db: Db, asked: Bracketing) -> BracketShown:
    """The frames of a bracket on this scene, slowest first, and what they use up."""
    own = store.kit_of(db, asked.scene)
    request = plan(asked.scene, own)
    answer = bracket(
        BracketRequest(
            exposure=request,
            step_stops=asked.step_stops,
            frames=asked.frames,
            side=asked.side,
        )
    )
    count = len(answer.frames)
    film_id = asked.scene.film_id or ""
    name = films.names(db).get(film_id, "film of this kind")
    camera = camera_of(db, asked.scene.lens_id or asked.scene.pinhole_id)
    row = meant_row(fitting(ready_now(db), film_id, 1.0, camera), asked.sides, count, name)
    on = list(pieces.of_ids(db, row.piece_ids).values())
    targets = targets_of(db, on)
    costs = [each.cost for each in targets.values()]
    known = [each for each in costs if each is not None]
    return BracketShown(
        answer.frames,
        row,
        used_text(count, [each.roll_id is not None for each in on]),
        money_text(math.fsum(known)) if known and len(known) == count else "",
        answer.advice,
        _doubts(asked.scene, planned(asked.scene, request, own.recipe), targets),
    )


def _doubts(scene: Scene, plan: Planned, targets: Mapping[str, Target]) -> tuple[Advice, ...]:
    """What speaks against each frame's film, each of it once."""
    said = {
        each.text: each
        for id_, target in targets.items()
        for each in doubts(Given(id=id_, scene_id=scene.id, piece_id=id_), plan, target)
    }
    return tuple(said.values())


@routes.question("/{id}/relit", "POST")
def relight(db: Db, id: str, changed: Relit) -> RelitAnswer:  # noqa: A002
    """What a reading taken while the shutter is open means for the exposure; nothing is kept."""
    scene = found(db, id)
    own = under_sky(db, scene, store.kit_of(db, scene))
    way = preferences.preferences(db)
    word = grammar.reading(changed.text, meter_set(scene, own, way.time_iso))
    return relit(plan(scene, own), changed, word.reading, word.through)


@routes.act("DELETE", "/{id}")
def delete(act: Act, id: str) -> Done:  # noqa: A002
    """Delete a scene nothing was exposed on."""
    scene = found(act.db, id)
    act.says(f"delete scene {scene.title}")
    store.delete(act.db, id)
    return Done(f"delete scene {scene.title}", (id,))


@routes.question("/solve", "POST")
def solve(db: Db, draft: Draft) -> Solution:
    """Work a drafted scene out, its edits carried out, without keeping it."""
    return solution(db, edited(draft.scene, draft.edits, now()))


@routes.question("/seen", "POST")
def seen(db: Db, seeing: Seeing) -> PictureSeen | None:
    """A drafted scene's picture: its places, what pixels are looked up by, the prints to come of it
    and of other ways of taking it. Nothing where the scene has no picture."""
    scene = edited(seeing.scene, seeing.edits, now())
    own = store.kit_of(db, scene)
    scene = reread(scene, own)
    ways = [taken("now", scene, own)]
    for way in seeing.asked.ways:
        other = edited(scene, way.edits, now())
        ways.append(taken(way.id, other, store.kit_of(db, other), way.error_stops))
    return picture_seen(scene, own, seeing.asked, ways)


@routes.question("/focus", "POST")
def focus(db: Db, draft: FocusDraft) -> FocusSeen:
    """A drafted scene's focus: where to focus, how far to stop down, tilt, corners; nothing is
    kept."""
    scene = edited(draft.scene, draft.edits, now())
    return focus_seen(scene, store.kit_of(db, scene), draft.asked)


@routes.question("/line", "POST")
def line(db: Db, asked: TypedLine) -> Typed:
    """What a typed line, or several, mean over a scene, or for a place of its picture; nothing is
    kept."""
    return meant(db, asked.scene, asked.text, asked.reading_id, asked.touched)


def found(db: Db, id_: str) -> Scene:
    return needed(store.scene(db, id_), "This scene was not found; it may have been deleted.")


def _keep(act: Act, stored: Scene | None, scene: Scene, base: str) -> KeptScene:
    act.says(f"change scene {scene.title}")
    unchanged("This scene", stored, scene, base)
    scene = reread(scene, store.kit_of(act.db, scene))
    if scene != stored:  # the same numbers may be written otherwise: that is no change
        store.put(act.db, scene)
    with suppress(Missing):  # an unfinished scene is kept; solving it says what is missing
        exposure(plan(scene, store.kit_of(act.db, scene)))
    return kept(act.db, scene)
