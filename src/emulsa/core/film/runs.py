"""A run: one tankful through the chemistry, and the film that is in it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.core.exposing.request import DevelopmentNumber
from emulsa.core.limits import Id, Label, Name, Note, Within

Minutes = Annotated[float, Within("The developing time", 0.5, 600, "min")]
BathTemperature = Annotated[float, Within("The developer's temperature", 10, 35, "°C")]


@dataclass(frozen=True, kw_only=True, slots=True)
class Run:
    """What was developed together; ``developed_at`` is empty until it is out of the developer."""

    id: Id
    name: Name
    recipe_id: Id | None = None
    n: DevelopmentNumber = 0.0
    minutes: Minutes | None = None
    temperature_c: BathTemperature | None = None
    begun_at: Label = ""
    developed_at: Label = ""
    note: Note = ""
