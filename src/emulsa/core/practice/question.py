"""A question of practice: what is told, what is asked for, the right answer and the wrong ways."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Annotated, Literal, TypeVar

from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.reciprocity import Exponent, PowerLaw
from emulsa.core.limits import FocalLength, Within
from emulsa.core.practice.chance import pick, uniform

Level = Annotated[int, Within("The level", 1, 3)]
Unit = Literal["s", "ev", "zone", "n"]

T = TypeVar("T")

THIRDS = (0.0, 1 / 3, 2 / 3)
FOCAL_LENGTHS_MM, EXPONENTS = (90.0, 135.0, 150.0, 210.0, 300.0), (1.2, 1.25, 1.3, 1.35)
FOCAL, EXPONENT = 90, 91  # what a pick of one's kit is wanted for
TOPIC_FROM = 100
SAME = 1e-9


@dataclass(frozen=True, kw_only=True, slots=True)
class PracticeKit:
    """One's own lens and film, where questions shall be of them."""

    focal_length_mm: FocalLength | None = None
    exponent: Exponent | None = None


NO_KIT = PracticeKit()


@dataclass(frozen=True, kw_only=True, slots=True)
class RollFrame:
    """A frame of a roll: the N it wants, and how much it matters."""

    n: float
    weight: int = 1


@dataclass(frozen=True, kw_only=True, slots=True)
class Question:
    """What is told. Only what the topic has is there."""

    ev100: float | None = None
    aperture: float | None = None
    iso: float | None = None
    zone: float | None = None
    other_ev100: float | None = None
    low_ev100: float | None = None
    high_ev100: float | None = None
    target: float | None = None
    metered_s: float | None = None
    filters: tuple[Filter, ...] = ()
    focal_length_mm: float | None = None
    extension_mm: float | None = None
    draw_mm: float | None = None
    subject_mm: float | None = None
    pinhole_mm: float | None = None
    distance_mm: float | None = None
    law: PowerLaw | None = None
    bracket_stops: float | None = None
    subject: str = ""
    share: float | None = None
    surround_ev100: float | None = None
    flare_share: float | None = None
    mean_ev100: float | None = None
    frames: tuple[RollFrame, ...] = ()
    light_change_stops: float | None = None
    magnification: float | None = None
    ei: float | None = None


@dataclass(frozen=True, slots=True)
class WrongWay:
    """A wrong way, and where it leads."""

    misconception: str
    answer: float


@dataclass(frozen=True, slots=True)
class WayStep:
    """A row of the right way: what it is, what it adds in words, where one stands then."""

    label: str
    amount: str
    running: str


@dataclass(frozen=True, slots=True)
class Drawn:
    """A question with its answer and the wrong ways in order."""

    question: Question
    unit: Unit
    answer: float
    slips: tuple[WrongWay, ...]


@dataclass(frozen=True, slots=True)
class Dice:
    """What a topic draws with: its seed, its place in the course, its level."""

    seed: int
    topic: int
    level: int
    kit: PracticeKit

    def uniform(self, wanted: int) -> float:
        return uniform(self.seed, TOPIC_FROM + self.topic, self.level, wanted)

    def pick(self, entries: Sequence[T], wanted: int) -> T:
        return pick(entries, self.seed, TOPIC_FROM + self.topic, self.level, wanted)

    def third(self, wanted: int) -> float:
        return self.pick(THIRDS, wanted)

    def focal_length_mm(self) -> float:
        return self.kit.focal_length_mm or self.pick(FOCAL_LENGTHS_MM, FOCAL)

    def law(self) -> PowerLaw:
        return PowerLaw(exponent=self.kit.exponent or self.pick(EXPONENTS, EXPONENT))


def told(value: T | None) -> T:
    """What a question of its topic always has."""
    assert value is not None
    return value


def off(unit: Unit, given: float, answer: float) -> float:
    """How far an answer is off: in stops for seconds, else the difference.

    >>> off("s", 2, 1), off("zone", 4, 5)
    (1.0, -1)
    """
    return math.log2(given / answer) if unit == "s" else given - answer
