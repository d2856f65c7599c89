"""Practice as it is shown: the room, a question, a scene one went out to, and what became of it."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from emulsa.api.views.scenes import SceneView, lines, said
from emulsa.core.practice import answering, course, met, room
from emulsa.core.practice.answering import QuestionTold
from emulsa.core.practice.course import NextExercise, PracticeNextRequest
from emulsa.core.practice.exercise import ExerciseRequest
from emulsa.core.practice.met import SceneOffered
from emulsa.core.practice.pointing import circle_deg, circle_radius
from emulsa.core.practice.question import PracticeKit
from emulsa.core.practice.record import PractisedScene, SpotTaken
from emulsa.core.practice.room import DueTold, TopicTold
from emulsa.core.practice.scene import PracticeScene
from emulsa.core.practice.told import PracticeVerdict, total_text, verdict
from emulsa.core.scene.record import Scene
from emulsa.core.versions import version_of
from emulsa.core.written import day_words
from emulsa.store import kit, outings, practice, scenes
from emulsa.store.database import Connection

OWN_SCENES = 12  # of one's own that can be rehearsed, the latest


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
class PractisedView:
    """A scene one went out to: where it comes from, what is asked of it, and the scene as the Scene
    room has it; where the meter was read, the circle it sees (its radius as a share of the
    width), and what became of it."""

    id: str
    source: PracticeScene
    title: str
    brief: str
    by_hand: bool
    view: SceneView
    spots: tuple[SpotTaken, ...]
    radius: float
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
        room.today_text(answers, day, sum(answering.judged(each).right for each in today)),
        len(answers),
        met.offered(),
        tuple(_own(db)),
        tuple(_line(each) for each in practice.scenes(db)),
    )


def question_of(asked: NextExercise, own: PracticeKit) -> QuestionAsked:
    """A question in words."""
    wanted = ExerciseRequest(topic=asked.topic, seed=asked.seed, level=asked.level, kit=own)
    return QuestionAsked(answering.question(wanted), room.why(asked), asked.misconception, own)


def history_of(db: Connection, day: str, own: PracticeKit) -> PracticeNextRequest:
    """All that was answered, as the course is asked."""
    return room.history(practice.answers(db), day, own)


def view_of(db: Connection, practised: PractisedScene) -> PractisedView:
    """A scene one went out to, with its verdict once it is exposed."""
    angle = circle_deg(kit.meter(db, practised.scene.meter_id))
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
        circle_radius(angle),
        f"{angle:g}°",
        verdict(practised, done) if done else None,
    )


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
