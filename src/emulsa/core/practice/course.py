"""What is practised next: what one misunderstood is asked again at growing intervals, else the
course goes on. (Growing intervals: common practice, no source.)"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field
from functools import lru_cache
from typing import Annotated, Literal

from emulsa.core.data.exercises import INTERVALS_DAYS, TOPICS, Topic
from emulsa.core.errors import OutOfRange
from emulsa.core.limits import Length, Within
from emulsa.core.practice.chance import Seed
from emulsa.core.practice.exercise import (
    ExerciseJudgeRequest,
    Given,
    drawn,
    exercise_judge,
)
from emulsa.core.practice.question import NO_KIT, Level, PracticeKit

DayNumber = Annotated[int, Within("A day’s number", 0, 4_000_000)]
Why = Literal["slip", "course", "warm_up", "chosen"]

HIGHEST, IN_A_ROW = 3, 3
SEEDS_APART, SEEDS_TRIED = 1_000, 200


@dataclass(frozen=True, kw_only=True, slots=True)
class Answered:
    """A question that was answered on a day; ``kit`` what it was asked of, where that is not the
    kit of all."""

    day: DayNumber
    topic: Topic
    seed: Seed
    level: Level
    given: Given
    kit: PracticeKit | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class PracticeNextRequest:
    """What was answered so far, days in order, none to come."""

    today: DayNumber
    history: Annotated[tuple[Answered, ...], Length("Answers", 0, 5_000)] = ()
    kit: PracticeKit = NO_KIT

    def __post_init__(self) -> None:
        before = 0
        for place, each in enumerate(self.history):
            if not before <= each.day <= self.today:
                raise OutOfRange(
                    "Answers stand in the order of their days, and none is of a day to come.",
                    field=f"history.{place}.day",
                    allowed=[before, self.today],
                )
            before = each.day


@dataclass(frozen=True, slots=True)
class MisconceptionDue:
    """What one misunderstood: its box, when it is due, how often it was met, and where."""

    misconception: str
    box: int
    due_day: int
    slips: int
    topic: Topic


@dataclass(frozen=True, slots=True)
class TopicState:
    """How far a topic is."""

    topic: Topic
    level: int
    streak: int
    seen: int
    done: bool


@dataclass(frozen=True, slots=True)
class NextExercise:
    """The question to ask now, and why."""

    topic: Topic
    level: int
    seed: int
    why: Why
    misconception: str | None


@dataclass(frozen=True, slots=True)
class PracticeNext:
    """Where one stands, and what comes next."""

    misconceptions: tuple[MisconceptionDue, ...]
    topics: tuple[TopicState, ...]
    next: NextExercise


@dataclass(slots=True)
class _Met:
    """A misconception on its way through the boxes."""

    name: str
    topic: Topic
    level: int
    box: int
    day: int
    slips: int

    @property
    def due_day(self) -> int:
        return self.day + INTERVALS_DAYS[self.box]


@dataclass(slots=True)
class _Learned:
    """A topic on its way through the levels."""

    topic: Topic
    level: int = 1
    streak: int = 0
    seen: int = 0
    last: int = -1
    done: bool = False


@dataclass(slots=True)
class _Standing:
    """Everything that was answered, judged anew."""

    topics: dict[Topic, _Learned] = field(
        default_factory=lambda: {each: _Learned(each) for each in TOPICS}
    )
    met: dict[str, _Met] = field(default_factory=dict)


def practice_next(request: PracticeNextRequest) -> PracticeNext:
    """The operation ``practice_next``."""
    standing = _standing(request)
    return PracticeNext(
        misconceptions=tuple(
            MisconceptionDue(each.name, each.box, each.due_day, each.slips, each.topic)
            for each in _by_need(standing.met.values(), request.today)
        ),
        topics=tuple(
            TopicState(each.topic, each.level, each.streak, each.seen, each.done)
            for each in standing.topics.values()
        ),
        next=_next(standing, request),
    )


def about(request: PracticeNextRequest, topic: Topic, misconception: str = "") -> NextExercise:
    """The next question of a topic one chose, at its level; with a misconception one that could
    show it, where there is one."""
    level = _standing(request).topics[topic].level
    met = _Met(misconception, topic, level, 0, request.today, 0)
    seed = _showing(met, _first_seed(request), request.kit) if misconception else None
    return NextExercise(topic, level, seed or _first_seed(request), "chosen", misconception or None)


def _standing(request: PracticeNextRequest) -> _Standing:
    standing = _Standing()
    for place, each in enumerate(request.history):
        _judge(standing, each, place, each.kit or request.kit)
    return standing


def _first_seed(request: PracticeNextRequest) -> int:
    return 1 + SEEDS_APART * len(request.history)


def _judge(standing: _Standing, answered: Answered, place: int, kit: PracticeKit) -> None:
    topic = standing.topics[answered.topic]
    topic.seen += 1
    topic.last = place
    told = _told(answered.topic, answered.seed, answered.level, answered.given, kit)
    if told.right:
        _rise(topic, answered.level)
        for name in told.could_show.intersection(standing.met):
            met = standing.met[name]
            met.box = min(met.box + 1, len(INTERVALS_DAYS) - 1)
            met.day = answered.day
        return
    topic.streak = 0
    if told.misconception:
        known = standing.met.get(told.misconception)
        standing.met[told.misconception] = _Met(
            told.misconception,
            answered.topic,
            answered.level,
            0,
            answered.day,
            known.slips + 1 if known else 1,
        )


@dataclass(frozen=True, slots=True)
class _Told:
    """What an answer tells: whether it was right, what was likely thought, and what the question
    could have shown."""

    right: bool
    misconception: str | None
    could_show: frozenset[str]


@lru_cache(maxsize=16_384)
def _told(topic: Topic, seed: int, level: int, given: float, kit: PracticeKit) -> _Told:
    judged = exercise_judge(
        ExerciseJudgeRequest(topic=topic, seed=seed, level=level, kit=kit, given=given)
    )
    slips = drawn(topic, seed, level, kit).slips
    return _Told(
        judged.right, judged.misconception, frozenset(each.misconception for each in slips)
    )


def _rise(topic: _Learned, level: int) -> None:
    """Three right in a row at its level are a level more; at the last it is done."""
    if level != topic.level:
        return
    topic.streak += 1
    if topic.streak < IN_A_ROW:
        return
    topic.streak = 0
    if topic.level < HIGHEST:
        topic.level += 1
    else:
        topic.done = True


def _by_need(met: Iterable[_Met], today: int) -> list[_Met]:
    """The most overdue by its own interval first; then the lower box, the course, the name."""

    def need(each: _Met) -> tuple[float, int, int, str]:
        overdue = (today - each.due_day) / max(INTERVALS_DAYS[each.box], 1)
        return -overdue, each.box, TOPICS.index(each.topic), each.name

    return sorted(met, key=need)


def _next(standing: _Standing, request: PracticeNextRequest) -> NextExercise:
    first_seed = _first_seed(request)
    for each in _by_need(standing.met.values(), request.today):
        if each.due_day <= request.today:
            seed = _showing(each, first_seed, request.kit)
            if seed is not None:
                return NextExercise(each.topic, each.level, seed, "slip", each.name)
    left = [each for each in standing.topics.values() if not each.done]
    if left:
        topic = min(left, key=lambda each: each.level)
        return NextExercise(topic.topic, topic.level, first_seed, "course", None)
    topic = min(standing.topics.values(), key=lambda each: each.last)
    return NextExercise(topic.topic, topic.level, first_seed, "warm_up", None)


def _showing(met: _Met, first_seed: int, kit: PracticeKit) -> int | None:
    """The first seed whose question could show it again."""
    for seed in range(first_seed, first_seed + SEEDS_TRIED):
        slips = drawn(met.topic, seed, met.level, kit).slips
        if any(each.misconception == met.name for each in slips):
            return seed
    return None
