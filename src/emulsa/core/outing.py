"""An outing: a day with a camera, its place and weather in words."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.core.limits import Id, Label, Length, Name, Note

Day = Annotated[str, Length("The day", 0, 10)]


@dataclass(frozen=True, kw_only=True, slots=True)
class Outing:
    """Where and when; ``day`` is an ISO date."""

    id: Id
    title: Name
    day: Day = ""
    place: Label = ""
    conditions: Label = ""
    note: Note = ""
