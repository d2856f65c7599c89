"""Practice on paper: a set as a sheet, and answers as a table."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass

from emulsa.core.data.practised import TOPIC_NAMES
from emulsa.core.practice.answering import HINTS, in_unit, told
from emulsa.core.practice.exercise import drawn, question_text, right_way
from emulsa.core.practice.question import WayStep
from emulsa.core.practice.record import PracticeAnswer
from emulsa.core.practice.sets import PracticeSet, questions

TITLES = ("day", "topic", "level", "seed", "set", "question", "given", "answer", "right", "thought")


@dataclass(frozen=True, slots=True)
class SheetQuestion:
    """A question on a sheet; its answer and the way there only where they are wanted."""

    number: int
    topic: str
    text: str
    hint: str
    answer: str
    steps: tuple[WayStep, ...]


@dataclass(frozen=True, slots=True)
class SetSheet:
    """A set as a sheet to print."""

    title: str
    holds_for: str
    questions: tuple[SheetQuestion, ...]
    answers: bool
    notes: tuple[str, ...]


def set_sheet(asked: PracticeSet, answers: bool) -> SetSheet:
    """A set in print: questions with room to answer, or the answers with the way to each."""
    found = []
    for number, each in enumerate(questions(asked), start=1):
        way = drawn(each.topic, each.seed, each.level)
        found.append(
            SheetQuestion(
                number=number,
                topic=TOPIC_NAMES[each.topic],
                text=question_text(each.topic, way.question),
                hint=HINTS[way.unit],
                answer=in_unit(way.answer, way.unit) if answers else "",
                steps=right_way(each.topic, way) if answers else (),
            )
        )
    note = (
        "Times are right within ⅙ stop, the whole sum and N within ¼."
        if answers
        else "Work in stops, write what you would set."
    )
    return SetSheet(
        title="Answers" if answers else "Questions",
        holds_for=f"Set {asked.seed}, level {asked.level}: the same for everybody",
        questions=tuple(found),
        answers=answers,
        notes=(note,),
    )


def answers_table(answers: Iterable[PracticeAnswer]) -> Iterator[tuple[object, ...]]:
    """Every answer in a row."""
    yield TITLES
    for each in answers:
        said = told(each)
        found = drawn(each.topic, each.seed, each.level, each.kit)
        yield (
            each.day,
            TOPIC_NAMES[each.topic],
            each.level,
            each.seed,
            "" if each.of_set is None else each.of_set,
            question_text(each.topic, found.question),
            said.given_text,
            said.answer_text,
            "yes" if said.right else "no",
            said.shortly,
        )
