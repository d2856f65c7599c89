"""Short exercises: a question by its seed, its answer, and what a wrong one was thought by."""

from __future__ import annotations

import math
from collections.abc import Iterable
from dataclasses import dataclass
from functools import lru_cache
from typing import Annotated, Protocol

from emulsa.core.data.exercises import EXPLANATIONS, TOPICS, Topic
from emulsa.core.errors import OutOfRange
from emulsa.core.limits import Within
from emulsa.core.practice.chance import Seed
from emulsa.core.practice.question import (
    NO_KIT,
    SAME,
    Dice,
    Drawn,
    Level,
    PracticeKit,
    Question,
    Unit,
    WayStep,
    WrongWay,
    off,
)
from emulsa.core.practice.topics import (
    bellows,
    development,
    dial,
    filters,
    outing,
    placement,
    reciprocity,
    roll,
    spot,
)

Given = Annotated[float, Within("The answer", -1e9, 1e9)]


class TopicRules(Protocol):
    """What each module of ``topics`` has: a question drawn, in words, and the right way."""

    def draw(self, dice: Dice) -> Drawn: ...

    def say(self, asked: Question) -> str: ...

    def steps(self, found: Drawn) -> tuple[WayStep, ...]: ...


RULES: dict[Topic, TopicRules] = {
    "dial": dial,
    "placement": placement,
    "n": development,
    "filters": filters,
    "bellows": bellows,
    "reciprocity": reciprocity,
    "spot": spot,
    "roll": roll,
    "outing": outing,
}
# within which an answer is right; stops, zones, N (a judgement of this program)
USUAL_TOLERANCE, OF_UNIT, OF_TOPIC = 1 / 6, {"n": 1 / 4}, {"outing": 1 / 4}
NEAR = 1 / 6  # of a wrong way: so far off it is still that one


@dataclass(frozen=True, kw_only=True, slots=True)
class ExerciseRequest:
    """A question of a topic by its seed and level; ``solve`` tells its answer, too."""

    topic: Topic
    seed: Seed
    level: Level = 1
    kit: PracticeKit = NO_KIT
    solve: bool = False


@dataclass(frozen=True, slots=True)
class Exercise:
    """A question; ``answer`` and ``slips`` only where they were asked for."""

    topic: Topic
    seed: int
    level: int
    question: Question
    unit: Unit
    tolerance: float
    answer: float | None
    slips: tuple[WrongWay, ...] | None


@dataclass(frozen=True, kw_only=True, slots=True)
class ExerciseJudgeRequest:
    """A question and what was answered: seconds, EV, a zone or N."""

    topic: Topic
    seed: Seed
    level: Level = 1
    kit: PracticeKit = NO_KIT
    given: Given


@dataclass(frozen=True, slots=True)
class ExerciseJudged:
    """How far it is off, whether it is right, and else what was likely thought."""

    answer: float
    unit: Unit
    error: float
    right: bool
    misconception: str | None
    explanation: str | None


def exercise(request: ExerciseRequest) -> Exercise:
    """The operation ``exercise``."""
    found = drawn(request.topic, request.seed, request.level, request.kit)
    return Exercise(
        topic=request.topic,
        seed=request.seed,
        level=request.level,
        question=found.question,
        unit=found.unit,
        tolerance=tolerance(request.topic, found.unit),
        answer=found.answer if request.solve else None,
        slips=found.slips if request.solve else None,
    )


def exercise_judge(request: ExerciseJudgeRequest) -> ExerciseJudged:
    """The operation ``exercise_judge``."""
    found = drawn(request.topic, request.seed, request.level, request.kit)
    if found.unit == "s" and request.given <= 0:
        raise OutOfRange("A time is longer than 0 s.", field="given", allowed=[1e-6, 1e9])
    error = off(found.unit, request.given, found.answer)
    right = abs(error) <= tolerance(request.topic, found.unit) + SAME
    slip = None if right else _meant(found, request.given)
    return ExerciseJudged(
        answer=found.answer,
        unit=found.unit,
        error=error,
        right=right,
        misconception=slip,
        explanation=EXPLANATIONS[slip] if slip else None,
    )


def question_text(topic: Topic, asked: Question) -> str:
    """A question as a sentence, in the units one writes in.

    >>> question_text("placement", Question(ev100=9.0, zone=3.0))
    'A tone reads EV 9. You place it on III. Which EV do you set?'
    """
    return RULES[topic].say(asked)


def right_way(topic: Topic, found: Drawn) -> tuple[WayStep, ...]:
    """How the right answer adds up, step by step."""
    return RULES[topic].steps(found)


def tolerance(topic: Topic, unit: Unit) -> float:
    """Within what an answer is right."""
    return OF_TOPIC.get(topic, OF_UNIT.get(unit, USUAL_TOLERANCE))


@lru_cache(maxsize=8_192)
def drawn(topic: Topic, seed: int, level: int, kit: PracticeKit = NO_KIT) -> Drawn:
    """A question with the wrong ways that can be told from the right one and from each other."""
    found = RULES[topic].draw(Dice(seed, TOPICS.index(topic), level, kit))
    least = tolerance(topic, found.unit) + NEAR
    kept: list[WrongWay] = []
    for each in found.slips:
        if found.unit == "s" and each.answer <= 0:
            continue
        apart = abs(off(found.unit, each.answer, found.answer))
        if apart > least + SAME and not _among(found.unit, each.answer, kept):
            kept.append(each)
    return Drawn(found.question, found.unit, found.answer, tuple(kept))


def _among(unit: Unit, answer: float, slips: Iterable[WrongWay]) -> bool:
    return any(abs(off(unit, answer, each.answer)) <= SAME for each in slips)


def _meant(found: Drawn, given: float) -> str | None:
    """The wrong way that leads nearest to what was given, if it leads there at all."""
    away = [(abs(off(found.unit, given, each.answer)), each) for each in found.slips]
    least, slip = min(away, key=lambda told: told[0], default=(math.inf, None))
    return slip.misconception if slip and least <= NEAR + SAME else None
