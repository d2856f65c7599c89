"""Where one stands in practice, in words: what is due, how far a topic is, why a question comes."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace
from functools import lru_cache

from emulsa.core.data.exercises import INTERVALS_DAYS, Topic
from emulsa.core.data.practised import SHORTLY, TOPIC_NAMES
from emulsa.core.moments import day_number
from emulsa.core.numbers import counted
from emulsa.core.practice.course import (
    HIGHEST,
    IN_A_ROW,
    Answered,
    MisconceptionDue,
    NextExercise,
    PracticeNext,
    PracticeNextRequest,
    TopicState,
)
from emulsa.core.practice.question import PracticeKit
from emulsa.core.practice.record import PracticeAnswer

BOXES = len(INTERVALS_DAYS)


@dataclass(frozen=True, slots=True)
class DueTold:
    """Something one misunderstood: how far it is mended, and when it is asked again."""

    misconception: str
    shortly: str
    topic: Topic
    box: int
    boxes: int
    today: bool
    due_text: str


@dataclass(frozen=True, slots=True)
class TopicTold:
    """A topic: its level, and how much of the course is done, from 0 to 1."""

    topic: Topic
    name: str
    level: int
    seen: int
    done: bool
    share: float
    text: str


def history(answers: Iterable[PracticeAnswer], today: str, kit: PracticeKit) -> PracticeNextRequest:
    """All that was answered, as the course is asked: what another clock dates later counts as
    today's."""
    day = day_number(today, "day")
    judged = map(_answered, answers)
    held = tuple(each if each.day <= day else replace(each, day=day) for each in judged)
    return PracticeNextRequest(today=day, history=held, kit=kit)


# an answer never changes, and every question is put by all of them
@lru_cache(maxsize=10_000)
def _answered(each: PracticeAnswer) -> Answered:
    return Answered(
        day=day_number(each.day, "day"),
        topic=each.topic,
        seed=each.seed,
        level=each.level,
        given=each.given,
        kit=each.kit,
    )


def due(standing: PracticeNext, today: str) -> tuple[DueTold, ...]:
    """What was misunderstood, the most pressing first."""
    day = day_number(today, "day")
    return tuple(_due(each, day) for each in standing.misconceptions)


def topics(standing: PracticeNext) -> tuple[TopicTold, ...]:
    """The course, topic by topic."""
    return tuple(_topic(each) for each in standing.topics)


def why(asked: NextExercise) -> str:
    """Why a question comes now."""
    if asked.why == "slip" and asked.misconception:
        return f"again: {SHORTLY[asked.misconception]}"
    if asked.why == "warm_up":
        return "to warm up"
    return f"level {asked.level}"


def _due(each: MisconceptionDue, day: int) -> DueTold:
    left = each.due_day - day
    when = "today" if left <= 0 else "tomorrow" if left == 1 else f"in {left} days"
    return DueTold(
        each.misconception,
        SHORTLY[each.misconception],
        each.topic,
        each.box,
        BOXES,
        left <= 0,
        when,
    )


def _topic(each: TopicState) -> TopicTold:
    steps = (each.level - 1) * IN_A_ROW + each.streak
    if each.done:
        text = "done"
    elif not each.seen:
        text = "not begun"
    else:
        text = f"level {each.level} of {HIGHEST}, {each.streak} of {IN_A_ROW} right in a row"
    return TopicTold(
        each.topic,
        TOPIC_NAMES[each.topic],
        each.level,
        each.seen,
        each.done,
        1.0 if each.done else steps / (HIGHEST * IN_A_ROW),
        text,
    )


def today_text(answers: Iterable[PracticeAnswer], today: str, right: int) -> str:
    """What was done today.

    >>> today_text((), "2026-01-17", 0)
    'nothing answered today yet'
    """
    many = sum(each.day == today for each in answers)
    if not many:
        return "nothing answered today yet"
    return f"{counted(many, 'answer')} today, {right} right"
