"""Practice as it is shown: the room, a question, a scene one went out to, and what became of it."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace

from emulsa.api.views.scenes import SceneView, lines, said
from emulsa.core.light.srgb import level_of
from emulsa.core.picture.axis import STEPS_IN_A_STOP, half_up
from emulsa.core.practice import answering, course, met, room
from emulsa.core.practice.answering import QuestionTold
from emulsa.core.practice.course import NextExercise, PracticeNextRequest
from emulsa.core.practice.drawn import WHOLE, drawn_scene
from emulsa.core.practice.exercise import ExerciseJudgeRequest, ExerciseRequest, exercise_judge
from emulsa.core.practice.met import SceneOffered
from emulsa.core.practice.question import PracticeKit
from emulsa.core.practice.record import PracticeAnswer, PractisedScene, SpotTaken
from emulsa.core.practice.room import DueTold, TopicTold
from emulsa.core.practice.scene import PracticeScene, light_on, made
from emulsa.core.practice.told import PracticeVerdict, total_text, verdict
from emulsa.core.rendering.preview import EVS
from emulsa.core.scene.record import Scene
from emulsa.core.versions import version_of
from emulsa.core.written import day_words
from emulsa.store import outings, practice, scenes
from emulsa.store.database import Connection

OWN_SCENES = 12  # of one's own that can be rehearsed, the latest
KEY = 0.3  # how light a scene's mean looks, as a share


@dataclass(frozen=True)
class PractisedLine:
    """A scene one went out to, in a line; ``says`` what became of it."""

    id: str
    title: str
    day_text: str
    says: str
    exposed: bool


@dataclass(frozen=True)
class OwnScene:
    """A scene of one's own that can be rehearsed."""

    id: str
    title: str
    outing: str


@dataclass(frozen=True)
class PracticeRoom:
    """Where one stands: what is due, the course, what was done today; scenes to go out to, one's
    own to rehearse, and those one went to; how many answers there are."""

    due: tuple[DueTold, ...]
    topics: tuple[TopicTold, ...]
    today_text: str
    answers: int
    offered: tuple[SceneOffered, ...]
    own: tuple[OwnScene, ...]
    practised: tuple[PractisedLine, ...]


@dataclass(frozen=True)
class QuestionAsked:
    """A question, why it comes, and of what kit it is."""

    question: QuestionTold
    why: str
    misconception: str | None
    kit: PracticeKit


@dataclass(frozen=True)
class PlaceAimed:
    """A named place, and where one aims at it."""

    name: str
    x: float
    y: float


@dataclass(frozen=True)
class PractisedField:
    """A practised scene as the light falls at a minute. Its cells are entries of the EV axis; those
    of a drawn scene are its picture's, ``moved`` by so many entries at each of its places.
    ``grey`` is how light each entry looks to the eye that has got used to the scene."""

    picture: str
    columns: int
    rows: int
    index: tuple[int, ...]
    moved: tuple[int, ...]
    grey: tuple[int, ...]
    places: tuple[PlaceAimed, ...]
    light_text: str


@dataclass(frozen=True)
class PractisedView:
    """A scene one went out to: where it comes from, what is asked of it, and the scene as the Scene
    room has it; how often the meter was read, the circle it sees, and what became of it."""

    id: str
    source: PracticeScene
    title: str
    brief: str
    by_hand: bool
    view: SceneView
    spots: tuple[SpotTaken, ...]
    angle_deg: float
    angle_text: str
    verdict: PracticeVerdict | None


def room_of(db: Connection, day: str) -> PracticeRoom:
    """The room on a day."""
    answers = practice.answers(db)
    standing = course.practice_next(room.history(answers, day, practice.own_kit(db)))
    today = [each for each in answers if each.day == day]
    return PracticeRoom(
        room.due(standing, day),
        room.topics(standing),
        room.today_text(answers, day, sum(map(_right, today))),
        len(answers),
        met.offered(),
        tuple(_own(db)),
        tuple(_line(each) for each in practice.scenes(db)),
    )


def question_of(asked: NextExercise, kit: PracticeKit) -> QuestionAsked:
    """A question in words."""
    wanted = ExerciseRequest(topic=asked.topic, seed=asked.seed, level=asked.level, kit=kit)
    return QuestionAsked(answering.question(wanted), room.why(asked), asked.misconception, kit)


def history_of(db: Connection, day: str, kit: PracticeKit) -> PracticeNextRequest:
    """All that was answered, as the course is asked."""
    return room.history(practice.answers(db), day, kit)


def view_of(db: Connection, practised: PractisedScene) -> PractisedView:
    """A scene one went out to, with its verdict once it is exposed."""
    meter = scenes.kit_of(db, practised.scene).meter
    angle = meter.spot_deg if meter and meter.spot_deg else 1.0
    source = met.told(practised.source)
    done = practised.exposed
    return PractisedView(
        practised.id,
        practised.source,
        practised.scene.title,
        source.brief,
        practised.by_hand,
        _scene_view(db, practised.scene),
        practised.spots,
        angle,
        f"{angle:g}°",
        verdict(practised, done) if done else None,
    )


def field_of(source: PracticeScene) -> PractisedField:
    """How a scene looks at its minute."""
    scene = made(source)
    drawn = source.kind == "drawn"
    usual = made(replace(source, minutes=0.0))
    return PractisedField(
        source.name if drawn else "",
        scene.field.columns,
        scene.field.rows,
        () if drawn else scene.field.index,
        _moved(source) if drawn else (),
        tuple(_grey(ev - usual.mean_ev100) for ev in EVS),
        tuple(
            PlaceAimed(each.name, each.x, each.y)
            for each in scene.patches
            if each.cells and each.name != WHOLE
        ),
        _light(scene.mean_ev100 - usual.mean_ev100),
    )


def _moved(source: PracticeScene) -> tuple[int, ...]:
    """By place the entries it moved, first what has no name, as the picture numbers them."""
    *named, elsewhere = light_on(source, drawn_scene(source.name))
    return tuple(half_up(each * STEPS_IN_A_STOP) for each in (elsewhere, *named))


def _light(stops: float) -> str:
    """How the light is against what it was when one came."""
    if abs(stops) < 1 / 6:
        return ""
    return "lighter than when you came" if stops > 0 else "darker than when you came"


def _grey(stops: float) -> int:
    """How light something looks that is so many stops over the mean of what one sees."""
    light = KEY * 2**stops
    return int(level_of(1.12 * light / (1 + light / 0.9)))


def _scene_view(db: Connection, scene: Scene) -> SceneView:
    return SceneView(
        scene,
        version_of(scene),
        [],
        lines(db, scene),
        said(scene),
        [],
        "",
        None,
        [],
        None,
    )


def _right(answer: PracticeAnswer) -> bool:
    return exercise_judge(
        ExerciseJudgeRequest(
            topic=answer.topic,
            seed=answer.seed,
            level=answer.level,
            kit=answer.kit,
            given=answer.given,
        )
    ).right


def _own(db: Connection) -> Iterable[OwnScene]:
    """The latest scenes of one's own that have two readings."""
    found: list[OwnScene] = []
    days = outings.outings(db, 8)
    there = scenes.lines(db, [each.id for each in days])
    for outing in days:
        for each in reversed(there.get(outing.id, [])):
            if each.readings >= met.LEAST and len(found) < OWN_SCENES:
                found.append(OwnScene(each.id, each.title, outing.title))
    return found


def _line(practised: PractisedScene) -> PractisedLine:
    off = practised.off_stops
    return PractisedLine(
        practised.id,
        practised.scene.title,
        day_words(practised.begun_at[:10]),
        "not exposed yet" if off is None else total_text(off),
        off is not None,
    )
