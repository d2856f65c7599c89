"""Sets of questions by a seed, the same for everybody: for a class, a club, a wet evening."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.core.data.exercises import TOPICS, Topic
from emulsa.core.limits import Length, Within
from emulsa.core.practice.chance import Seed, uniform
from emulsa.core.practice.exercise import ExerciseRequest
from emulsa.core.practice.question import Level

SETS = 999  # what a place of a set is wanted for
SEEDS = 2**31

Many = Annotated[int, Within("Questions of a set", 1, 60)]


@dataclass(frozen=True, kw_only=True, slots=True)
class PracticeSet:
    """So many questions by a seed: of these topics in turn, of all where none is named."""

    seed: Seed
    many: Many = 12
    level: Level = 1
    topics: Annotated[tuple[Topic, ...], Length("Topics", 0, len(TOPICS))] = ()


def questions(asked: PracticeSet) -> tuple[ExerciseRequest, ...]:
    """The questions of a set, of nobody's kit.

    >>> twice = [questions(PracticeSet(seed=7)) for _ in range(2)]
    >>> twice[0] == twice[1], len(twice[0]), twice[0][0].topic
    (True, 12, 'dial')
    """
    topics = asked.topics or TOPICS
    return tuple(
        ExerciseRequest(
            topic=topics[place % len(topics)],
            seed=int(uniform(asked.seed, SETS, place) * SEEDS),
            level=asked.level,
        )
        for place in range(asked.many)
    )
