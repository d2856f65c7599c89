"""What is kept of practice, apart from everything else: answers, and scenes one went out to."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.core.data.exercises import TIMED, Topic
from emulsa.core.errors import OutOfRange
from emulsa.core.light.meters import Offset
from emulsa.core.limits import Day, Id, Length, Within
from emulsa.core.moments import Moment, day_number
from emulsa.core.picture.calibrated import Share
from emulsa.core.picture.spotted import AngleDeg
from emulsa.core.practice.chance import Seed
from emulsa.core.practice.exercise import Given
from emulsa.core.practice.question import NO_KIT, Level, PracticeKit
from emulsa.core.practice.scene import Minutes, PracticeScene
from emulsa.core.practice.spot import THIRD, DialStep, Shot
from emulsa.core.practice.verdict import SceneJudgeRequest
from emulsa.core.scene.record import Scene

OffStops = Annotated[float, Within("How far a practised exposure is off", -60, 60, "stops")]


@dataclass(frozen=True, kw_only=True, slots=True)
class PracticeAnswer:
    """A question that was answered: which, of what kit, on what day, and what was said;
    ``of_set`` is the seed of the set it belongs to."""

    id: Id
    day: Day
    topic: Topic
    seed: Seed
    level: Level
    kit: PracticeKit = NO_KIT
    given: Given
    of_set: Seed | None = None

    def __post_init__(self) -> None:
        day_number(self.day, "day")
        if self.topic in TIMED and self.given <= 0:
            raise OutOfRange("A time is longer than 0 s.", field="given", allowed=[1e-6, 1e9])


@dataclass(frozen=True, kw_only=True, slots=True)
class SpotTaken:
    """Where the meter was pointed for a reading, when, and how that meter is."""

    reading: Id
    x: Share
    y: Share
    angle_deg: AngleDeg = 1.0
    dial_step: DialStep = THIRD
    meter_offset_stops: Offset = 0.0
    minutes: Minutes = 0.0
    shot: Shot = 0


@dataclass(frozen=True, kw_only=True, slots=True)
class PractisedScene:
    """A scene one went out to: where it comes from, what was read and decided in it as in any
    other, where the meter was pointed, and what was exposed. ``by_hand``: one does the sums oneself
    and is shown none before the verdict. ``off_stops`` is how far it was off, for the list."""

    id: Id
    begun_at: Moment
    source: PracticeScene
    scene: Scene
    by_hand: bool = False
    spots: Annotated[tuple[SpotTaken, ...], Length("Spots", 0, 200)] = ()
    exposed: SceneJudgeRequest | None = None
    off_stops: OffStops | None = None
