"""The baths film goes through: their kinds, how long they may take, and their area of film."""

from __future__ import annotations

from typing import Annotated, Literal

from emulsa.core.limits import Within

StepKind = Literal[
    "presoak",
    "developer",
    "stop",
    "fixer",
    "rinse",
    "washing aid",
    "wash",
    "wetting agent",
    "dry",
]


StepSeconds = Annotated[float, Within("A step's time", 1, 90_000, "s")]


Changes = Annotated[int, Within("Changes of water", 1, 20)]


Pour = Annotated[float, Within("Pouring or draining", 0, 120, "s")]


Area = Annotated[float, Within("The film's area", 1, 10_000, "in²")]
