"""A run: one tankful through the chemistry, and the film that is in it."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core.light.hand_time import watch_text
from emulsa.core.limits import BOTTLES, Id, Label, Length, Name, Note, Within
from emulsa.core.tones.development_number import DevelopmentNumber
from emulsa.core.written import temperature_text

Minutes = Annotated[float, Within("The developing time", 0.5, 600, "min")]
Minute = Annotated[float, Within("A minute of the development", 0, 600, "min")]
BathTemperature = Annotated[float, Within("The developer's temperature", 5, 60, "°C")]


At = Annotated[float, Within("A moment of a run", 0, 200_000, "s")]


@dataclass(frozen=True, kw_only=True, slots=True)
class BathReading:
    """The developer's temperature at a moment of the development, in minutes from its start."""

    minute: Minute
    temperature_c: BathTemperature


@dataclass(frozen=True, kw_only=True, slots=True)
class WentStep:
    """A bath as it really went."""

    name: Name
    seconds: At


@dataclass(frozen=True, kw_only=True, slots=True)
class Went:
    """How a run went by its clock: each bath's true time, and what the thermometer said."""

    started_at: Label = ""
    steps: Annotated[tuple[WentStep, ...], Length("Steps done", 0, 30)] = ()
    measured: Annotated[tuple[BathReading, ...], Length("Measurements", 0, 200)] = ()


def to_the_second(went: Went) -> Went:
    """Baths as they are noted: nobody lifts film out to a fraction of a second."""
    steps = tuple(replace(each, seconds=float(round(each.seconds))) for each in went.steps)
    return replace(went, steps=steps)


def went_text(went: Went) -> str:
    """How a run went, bath by bath, and what the thermometer said.

    >>> baths = (WentStep(name="Developer", seconds=485.2), WentStep(name="Stop", seconds=30))
    >>> warm = (BathReading(minute=4.1, temperature_c=19.5),)
    >>> went_text(Went(steps=baths, measured=warm))
    'Developer 8:05, Stop 0:30; 19.5 °C after 4 min'
    """
    steps = ", ".join(f"{each.name} {watch_text(each.seconds)}" for each in went.steps)
    read = (
        f"{temperature_text(each.temperature_c)} after {each.minute:.0f} min"
        for each in went.measured
    )
    return "; ".join((steps, *read))


@dataclass(frozen=True, kw_only=True, slots=True)
class Run:
    """What was developed together; ``developed_at`` is empty until it is out of the developer.

    ``tank_id`` and ``line_id`` say how it goes, ``bottle_ids`` what it uses up; ``went`` how it
    went, when its clock was used. ``laboratory`` is where it was sent to be developed, if it was.
    """

    id: Id
    name: Name
    recipe_id: Id | None = None
    n: DevelopmentNumber = 0.0
    minutes: Minutes | None = None
    tank_id: Id | None = None
    line_id: Id | None = None
    bottle_ids: Annotated[tuple[Id, ...], BOTTLES] = ()
    went: Went | None = None
    temperature_c: BathTemperature | None = None
    begun_at: Label = ""
    developed_at: Label = ""
    laboratory: Label = ""
    note: Note = ""
