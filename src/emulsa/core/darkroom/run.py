"""A run: one tankful through the chemistry, and the film that is in it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.core.limits import BOTTLES, Id, Label, Length, Name, Note, Within
from emulsa.core.tones.development_number import DevelopmentNumber

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


@dataclass(frozen=True, kw_only=True, slots=True)
class Run:
    """What was developed together; ``developed_at`` is empty until it is out of the developer.

    ``tank_id`` and ``line_id`` say how it goes, ``bottle_ids`` what it uses up; ``went`` how it
    went, when its clock was used.
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
    note: Note = ""
