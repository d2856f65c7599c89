"""Stock from powder: warm water, dissolve part after part, make up to the volume, let it cool.

Starting volume and warmth are the maker's; three quarters of the volume and 40 °C where nothing is
said (common practice, no source).
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core import tables
from emulsa.core.chemistry.dilution import Volume
from emulsa.core.errors import Unsound
from emulsa.core.limits import Id, Length, Name, Note, Within

Grams = Annotated[float, Within("Grams of a powder", 0.1, 10_000, "g")]
MixingC = Annotated[float, Within("The mixing water", 5, 60, "°C")]
KeepsDays = Annotated[int, Within("Days a mixed stock keeps", 1, 3_650)]
DoesRolls = Annotated[float, Within("Rolls a package does", 0.25, 1_000)]
PowderKind = Literal["developer", "fixer", "washing aid"]


@dataclass(frozen=True, kw_only=True, slots=True)
class PowderPart:
    """One of the powders, in the order they are dissolved."""

    name: Name
    grams: Grams | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Powder:
    """A stock that is mixed from powder: how much it makes, what it begins with, how long it keeps
    once it is mixed, and how much film a package does."""

    id: Id
    name: Name
    kind: PowderKind = "developer"
    volume_ml: Volume = 1_000.0
    start_ml: Volume = 750.0
    start_c: MixingC = 40.0
    keeps_days: KeepsDays | None = None
    does_rolls: DoesRolls | None = None
    parts: Annotated[tuple[PowderPart, ...], Length("Powders", 1, 12, tables.powder_parts)]
    note: Note = ""
    archived: bool = False

    def __post_init__(self) -> None:
        if self.start_ml >= self.volume_ml:
            raise Unsound(
                "Begin with less water than the volume it is made up to.",
                field="start_ml",
                allowed=[1, self.volume_ml],
            )
