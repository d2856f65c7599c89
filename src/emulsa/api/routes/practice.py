"""Practice: questions of the course, sets for a class, and simulated scenes to go out to. All of it
is kept apart from what was really exposed."""

from __future__ import annotations

from dataclasses import dataclass, replace
from importlib.resources import files
from typing import Annotated

from emulsa.api.keeping import unchanged
from emulsa.api.lookup import needed
from emulsa.api.refusals import NotFound
from emulsa.api.replies import CSV, PDF, attached
from emulsa.api.routing import Act, Db, File, Routes
from emulsa.api.saying import Editing, Saying, make, meant
from emulsa.api.views import practice as views
from emulsa.api.views.done import Done
from emulsa.api.views.practice import PracticeRoom, PractisedView, QuestionAsked
from emulsa.api.views.scenes import KeptScene, kept, solution
from emulsa.core.data.drawn_scenes import DRAWN
from emulsa.core.data.exercises import EXPLANATIONS, Topic
from emulsa.core.errors import Missing, OutOfRange
from emulsa.core.limits import Day, Id, Label, Length
from emulsa.core.practice import answering, course, met, sets
from emulsa.core.practice.answering import AnswerTold, QuestionTold
from emulsa.core.practice.chance import Seed
from emulsa.core.practice.exercise import drawn
from emulsa.core.practice.exposing import PracticeShot, judged_by
from emulsa.core.practice.looks import PractisedField, field_of
from emulsa.core.practice.pointing import MeterSays, Pointing, pointed, says, taken_down
from emulsa.core.practice.question import NO_KIT, Level, PracticeKit
from emulsa.core.practice.record import PracticeAnswer, PractisedScene, SpotTaken
from emulsa.core.practice.scene import Minutes, OwnPatch, PracticeScene, SceneKind
from emulsa.core.practice.sets import PracticeSet
from emulsa.core.practice.table import answers_table, set_sheet
from emulsa.core.practice.verdict import scene_judge
from emulsa.core.scene.edits import edited
from emulsa.core.scene.record import Scene, follow_on
from emulsa.exchange.cards import pdf
from emulsa.exchange.csv_table import csv_file
from emulsa.store import kit, outings, preferences, scenes
from emulsa.store import practice as store

routes = Routes("practice", "/api/practice")

OUTING = "practice"  # no outing of the log
OFF_MOST = 60.0
PNG, JPEG = "image/png", "image/jpeg"


@dataclass(frozen=True, kw_only=True)
class Answering:
    """A question, and what was answered as it is typed."""

    id: Id
    day: Day
    topic: Topic
    seed: Seed
    level: Level
    kit: PracticeKit = NO_KIT
    of_set: Seed | None = None
    typed: Annotated[str, Length("The answer", 0, 40)]


@dataclass(frozen=True, kw_only=True)
class GoingOut:
    """Where one goes out to practise: a kind, of the drawn scenes its name, of one's own which;
    the seed, where it shall be a certain one."""

    id: Id
    kind: SceneKind
    name: Label = ""
    scene_id: Id | None = None
    seed: Seed | None = None
    by_hand: bool = False


@dataclass(frozen=True, kw_only=True)
class SpotReadOff(Pointing):
    """A reading taken where the meter is pointed; without a name it is the place's."""

    reading_id: Id
    label: Label = ""


@dataclass(frozen=True)
class PracticeKept:
    """Everything of practice, to be taken along."""

    answers: list[PracticeAnswer]
    scenes: list[PractisedScene]


@dataclass(frozen=True)
class KeptPractice(KeptScene):
    """A practised scene as it was kept, and where its readings were taken."""

    spots: tuple[SpotTaken, ...] = ()


@routes.question("")
def read(db: Db, day: Day) -> PracticeRoom:
    """Where one stands, and where one can go out to."""
    return views.room_of(db, day)


@routes.question("/question")
def question(
    db: Db, day: Day, topic: Topic | None = None, misconception: str = ""
) -> QuestionAsked:
    """The question to ask now; of a topic, where one is chosen."""
    own = store.own_kit(db)
    history = views.history_of(db, day, own)
    if topic is None:
        return views.question_of(course.practice_next(history).next, own)
    if misconception and misconception not in EXPLANATIONS:
        raise OutOfRange(
            "There is no such misconception.", field="misconception", allowed=[*EXPLANATIONS]
        )
    return views.question_of(course.about(history, topic, misconception), own)


@routes.act("POST", "/answers")
def answer(act: Act, asked: Answering) -> AnswerTold:
    """Answer a question; what is said of it is the same whenever it is asked."""
    found = drawn(asked.topic, asked.seed, asked.level, asked.kit)
    given = PracticeAnswer(
        id=asked.id,
        day=asked.day,
        topic=asked.topic,
        seed=asked.seed,
        level=asked.level,
        kit=asked.kit,
        given=answering.read(asked.typed, found.unit),
        of_set=asked.of_set,
    )
    told = answering.told(given)
    act.says("answer a question of practice")
    act.keep(given)
    return told


@routes.question("/set", "POST")
def as_set(asked: PracticeSet) -> list[QuestionTold]:
    """The questions of a set, the same for everybody."""
    return [answering.question(each) for each in sets.questions(asked)]


@routes.question("/set.pdf", media_type=PDF)
def set_pdf(asked: PracticeSet, answers: bool = False) -> File:
    """A set as a sheet to print, with or without its answers."""
    name = f"practice-{asked.seed}" + ("-answers" if answers else "")
    return attached(pdf.render("practice", set_sheet(asked, answers)), PDF, name, "pdf")


@routes.question("/answers.csv", media_type=CSV)
def answers_csv(db: Db) -> File:
    """Every answer, for a teacher's spreadsheet."""
    return attached(csv_file(answers_table(store.answers(db))), CSV, "practice-answers", "csv")


@routes.question("/everything.json")
def everything(db: Db) -> PracticeKept:
    """Everything of practice, as it is kept."""
    return PracticeKept(store.answers(db), store.scenes(db))


@routes.act("DELETE", "")
def delete_all(act: Act) -> Done:
    """Delete everything of practice; nothing else is touched."""
    act.says("delete all practice")
    store.delete_all(act.db)
    return Done("delete all practice", ())


@routes.question("/drawn/{name}.png", media_type=PNG)
def picture(name: str) -> File:
    """A drawn scene's field as a picture: red and green of a point are its EV and place."""
    return _drawn(name, "png", PNG)


@routes.question("/drawn/{name}.jpg", media_type=JPEG)
def small(name: str) -> File:
    """A drawn scene in small, as it looks."""
    return _drawn(name, "jpg", JPEG)


@routes.act("POST", "/scenes")
def go_out(act: Act, going: GoingOut) -> PractisedView:
    """Go out to a simulated scene, with the kit of the latest real one; once there, it is the
    same."""
    known = store.scene(act.db, going.id)
    if known is not None:
        return views.view_of(act.db, known)
    own = _own_scene(act.db, going.scene_id) if going.kind == "own" else None
    source = PracticeScene(
        kind=going.kind,
        seed=met.seed_of(going.id) if going.seed is None else going.seed,
        name=going.name,
        own=_tones(act.db, own) if own else (),
    )
    title = own.title if own else met.told(source).title
    scene = _begun(act.db, going.id, title, own)
    act.says(f"go out to {title}")
    act.keep(
        PractisedScene(
            id=going.id, begun_at=act.moment, source=source, scene=scene, by_hand=going.by_hand
        )
    )
    return views.view_of(act.db, found(act.db, going.id))


@routes.question("/scenes/{id}")
def read_scene(db: Db, id: str) -> PractisedView:  # noqa: A002
    """A scene one went out to, with its verdict once it is exposed."""
    return views.view_of(db, found(db, id))


@routes.question("/scenes/{id}/field")
def field(db: Db, id: str, minutes: Minutes = 0.0) -> PractisedField:  # noqa: A002
    """How it looks, so many minutes after one came."""
    return field_of(replace(found(db, id).source, minutes=minutes))


@routes.question("/scenes/{id}/meter", "POST")
def meter(db: Db, id: str, at: Pointing) -> MeterSays:  # noqa: A002
    """What the meter says where it is pointed; nothing is kept."""
    practised = found(db, id)
    own = kit.meter(db, practised.scene.meter_id)
    return says(practised, own, pointed(practised, own, at, "now"))


@routes.act("POST", "/scenes/{id}/spots")
def take_spot(act: Act, id: str, base: str, taking: SpotReadOff) -> KeptPractice:  # noqa: A002
    """Take a reading where the meter is pointed."""
    practised = found(act.db, id)
    own = kit.meter(act.db, practised.scene.meter_id)
    spot = pointed(practised, own, taking, taking.reading_id)
    reading, spots = taken_down(practised, own, spot, taking.label)
    scene = edited(practised.scene, (reading,), act.moment)
    return _keep(act, replace(practised, spots=spots), scene, base)


@routes.act("POST", "/scenes/{id}/edits")
def edit_scene(act: Act, id: str, base: str, editing: Editing) -> KeptPractice:  # noqa: A002
    """Change a practised scene, as any scene is changed."""
    practised = found(act.db, id)
    make(act, editing.makes)
    scene = edited(practised.scene, editing.edits, act.moment)
    return _keep(act, practised, scene, base)


@routes.act("POST", "/scenes/{id}/line", works_out=True)
def say_scene(act: Act, id: str, base: str, saying: Saying) -> KeptPractice:  # noqa: A002
    """Carry out what is typed over a practised scene."""
    practised = found(act.db, id)
    said = meant(act.db, practised.scene, saying.text, saying.reading_id)
    make(act, said.makes)
    scene = edited(practised.scene, said.edits, act.moment)
    return _keep(act, practised, scene, base)


@routes.act("POST", "/scenes/{id}/exposure")
def expose(act: Act, id: str, shot: PracticeShot) -> PractisedView:  # noqa: A002
    """Expose a practised scene and develop it; the verdict comes with the answer."""
    practised = found(act.db, id)
    judged = judged_by(practised, solution(act.db, practised.scene), shot)
    off = min(max(scene_judge(judged).total_stops, -OFF_MOST), OFF_MOST)
    done = replace(practised, exposed=judged, off_stops=off)
    view = views.view_of(act.db, done)  # nothing is kept that cannot be judged
    act.says(f"expose {practised.scene.title} in practice")
    act.keep(done)
    return view


@routes.act("POST", "/scenes/{id}/again")
def again(act: Act, id: str) -> PractisedView:  # noqa: A002
    """Take the exposure back: the scene is as it was, to be done better."""
    practised = found(act.db, id)
    act.says(f"do {practised.scene.title} again")
    act.keep(replace(practised, exposed=None, off_stops=None))
    return views.view_of(act.db, found(act.db, id))


@routes.act("DELETE", "/scenes/{id}")
def delete_scene(act: Act, id: str) -> Done:  # noqa: A002
    """Delete a scene one went out to."""
    practised = found(act.db, id)
    act.says(f"delete {practised.scene.title} of practice")
    store.delete_scene(act.db, id)
    return Done(f"delete {practised.scene.title} of practice", (id,))


def _drawn(name: str, ending: str, media_type: str) -> File:
    if name not in DRAWN:
        raise NotFound("There is no such drawn scene.", field="name")
    source = files("emulsa") / "scenery" / f"{name}.{ending}"
    return File(media_type, source.read_bytes(), headers={"cache-control": "max-age=86400"})


def found(db: Db, id_: str) -> PractisedScene:
    said = "This scene of practice was not found; it may have been deleted."
    return needed(store.scene(db, id_), said)


def _own_scene(db: Db, id_: str | None) -> Scene:
    if id_ is None:
        raise Missing("Choose which of your scenes to rehearse.", field="scene_id")
    return needed(scenes.scene(db, id_), "This scene was not found.", "scene_id")


def _tones(db: Db, own: Scene) -> tuple[OwnPatch, ...]:
    told = solution(db, own)
    labels = {each.id: each.label for each in own.readings}
    marked = told.high_reading if told.high_marked else None
    return met.tones_of(told.falls, labels, told.placed_reading, marked)


def _begun(db: Db, id_: str, title: str, own: Scene | None) -> Scene:
    """The scene one begins with: the kit of one's own scene, else of the latest."""
    if own is not None:
        return replace(
            own,
            id=id_,
            outing_id=OUTING,
            readings=(),
            pin=None,
            high=None,
            low=None,
            n=None,
            revisits=None,
        )
    latest = outings.outings(db, 1)
    before = scenes.of_outing(db, latest[0].id) if latest else []
    school = preferences.preferences(db).school
    blank = Scene(id=id_, outing_id=OUTING, title=title, school=school)
    return follow_on(blank, before[-1:])


def _keep(act: Act, practised: PractisedScene, scene: Scene, base: str) -> KeptPractice:
    act.says(f"change {scene.title} in practice")
    stored = found(act.db, practised.id)
    unchanged("This scene", stored.scene, scene, base)
    left = {each.id for each in scene.readings}
    spots = tuple(each for each in practised.spots if each.reading in left)
    changed = replace(practised, scene=scene, spots=spots)
    if changed != stored:
        act.keep(changed)
    told = kept(act.db, scene)
    return KeptPractice(told.scene, told.version, told.lines, told.said, spots)
