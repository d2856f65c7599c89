"""An exercise as one meets it: the question in words, an answer as typed, what is said of it."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core import typed, watch
from emulsa.core.data.exercises import Topic
from emulsa.core.data.practised import SHORTLY, TOPIC_NAMES
from emulsa.core.light.hand_time import time_text
from emulsa.core.practice.exercise import (
    ExerciseJudged,
    ExerciseJudgeRequest,
    ExerciseRequest,
    drawn,
    exercise,
    exercise_judge,
    question_text,
    right_way,
)
from emulsa.core.practice.question import Unit, WayStep
from emulsa.core.practice.record import PracticeAnswer
from emulsa.core.tones.development_number import n_text
from emulsa.core.tones.zones import ev_text, zone_text
from emulsa.core.written import size_words

HINTS: dict[Unit, str] = {
    "s": "a time, as in 1/8 or 2.5",
    "ev": "an EV, as in 9⅔",
    "zone": "a zone, as in VII or 3½",
    "n": "N, as in N−1 or N",
}


@dataclass(frozen=True, slots=True)
class QuestionTold:
    """A question to be answered: where it belongs, in words, and how its answer is typed."""

    topic: Topic
    topic_text: str
    seed: int
    level: int
    text: str
    unit: Unit
    hint: str


@dataclass(frozen=True, slots=True)
class AnswerTold:
    """What is said of an answer: right or off by how much, the right one, what was likely thought,
    and how it adds up."""

    right: bool
    says: str
    given_text: str
    answer_text: str
    misconception: str | None
    shortly: str
    explanation: str
    steps: tuple[WayStep, ...]


def question(asked: ExerciseRequest) -> QuestionTold:
    """A question in words."""
    found = exercise(asked)
    return QuestionTold(
        topic=asked.topic,
        topic_text=TOPIC_NAMES[asked.topic],
        seed=asked.seed,
        level=asked.level,
        text=question_text(asked.topic, found.question),
        unit=found.unit,
        hint=HINTS[found.unit],
    )


def read(text: str, unit: Unit) -> float:
    """An answer as it is typed in its unit; Unreadable with how it is written.

    >>> read("1/8", "s"), read("VII½", "zone"), read("N−1", "n"), read("9 2/3", "ev") == 9 + 2 / 3
    (0.125, 7.5, -1.0, True)
    >>> read("III", "ev"), read("−1", "zone")
    (3.0, -1.0)
    """
    said = text.strip()
    if unit == "s":
        return watch.seconds(said.removeprefix("about ").strip(), "typed")
    if unit == "n":
        return typed.development_n(said, "typed")
    below = said[:1] in ("-", "−")
    if unit == "zone" or said[:1] in "IVXivxz":
        return typed.number(said, "typed") if below else typed.zone(said, "typed")
    return typed.number(said.removeprefix("EV").removeprefix("ev").strip(), "typed")


def judged(answer: PracticeAnswer) -> ExerciseJudged:
    """How an answer is judged, by what it was asked of."""
    return exercise_judge(
        ExerciseJudgeRequest(
            topic=answer.topic,
            seed=answer.seed,
            level=answer.level,
            kit=answer.kit,
            given=answer.given,
        )
    )


def told(answer: PracticeAnswer) -> AnswerTold:
    """What is said of an answer."""
    found_out = judged(answer)
    found = drawn(answer.topic, answer.seed, answer.level, answer.kit)
    slip = found_out.misconception
    return AnswerTold(
        right=found_out.right,
        says=_says(found_out),
        given_text=in_unit(answer.given, found_out.unit),
        answer_text=in_unit(found_out.answer, found_out.unit),
        misconception=slip,
        shortly=SHORTLY[slip] if slip else "",
        explanation=found_out.explanation or "",
        steps=right_way(answer.topic, found),
    )


def in_unit(value: float, unit: Unit) -> str:
    """An answer in its unit.

    >>> in_unit(0.125, "s"), in_unit(7.5, "zone"), in_unit(-1, "n"), in_unit(9, "ev")
    ('1/8 s', 'VII½', 'N−1', 'EV 9')
    """
    if unit == "s":
        return time_text(value)
    if unit == "n":
        return n_text(value)
    return zone_text(value) if unit == "zone" else f"EV {ev_text(value)}"


def _says(found: ExerciseJudged) -> str:
    """How far it is off.

    Times are off in light; what is a zone or N is off in itself.
    """
    if found.right:
        return "Right."
    amount = size_words(found.error)
    over = found.error > 0
    if found.unit == "s":
        return f"{amount} too {'much' if over else 'little'}."
    noun = {"ev": "EV", "zone": "zone", "n": "N"}[found.unit]
    amount = amount.removesuffix("stops").removesuffix("stop").strip()
    return f"{noun} too {'high' if over else 'low'} by {amount}."
