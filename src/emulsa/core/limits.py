"""Allowed ranges, said once: on the type of the field they bound.

``Annotated[float, Within("EV", -8, 24)]`` is read by the decoder (``wire``) and by the API's
documents, and makes the sentence the photographer sees.
"""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass
from typing import Annotated, Any, Literal

from emulsa.core.errors import OutOfRange, Unreadable
from emulsa.core.written import range_text

ONE_LINE = 200  # characters up to which a text is a name or a label
LINE_ENDS = "\x7f\x85\u2028\u2029"


@dataclass(frozen=True)
class Within:
    """A closed range of finite numbers, with the name and unit the sentence uses.

    What is engraved is said in its own unit to everyone. ``typed``: how it is written, where that
    is more than a number with its unit: as a zone, as N.
    """

    what: str
    low: float
    high: float
    unit: str = ""
    engraved: bool = False
    typed: Literal["", "zone", "n"] = ""

    def check(self, value: float, field: str | None = None) -> float:
        """``value`` unchanged, or OutOfRange with the whole range in the sentence."""
        if not math.isfinite(value) or not self.low <= value <= self.high:
            given = value if math.isfinite(value) else None
            allowed, this = range_text(self.low, self.high, given, self.unit, self.engraved)
            raise OutOfRange(
                f"{self.what} must be between {allowed}; this is {this}.",
                field=field,
                allowed=[self.low, self.high],
            )
        return value

    def __get_pydantic_json_schema__(self, schema: Any, handler: Any) -> Any:
        # Pydantic looks this name up by itself when it writes the OpenAPI document.
        return {**handler(schema), "minimum": self.low, "maximum": self.high}


@dataclass(frozen=True)
class Length:
    """How long a text may be, or how many entries a list may have; ``reads`` takes the lines apart
    a list may be typed as."""

    what: str
    low: int
    high: int
    reads: Callable[[str], Any] | None = None

    def check(self, value: Any, field: str | None = None) -> Any:
        """``value`` unchanged, or the one sentence that says how long it may be."""
        if self.low <= len(value) <= self.high:
            if isinstance(value, str) and self.high <= ONE_LINE and not value.isprintable():
                return self._on_one_line(value, field)
            return value
        if isinstance(value, str):
            if not value.strip() and self.low:
                raise Unreadable(f"{self.what} must not be empty.", field=field)
            message = f"{self.what} may have {self.high} characters at most; this has {len(value)}."
        elif len(value) < self.low:
            message = f"{self.what}: at least {self.low} needed; there are {len(value)}."
        else:
            message = f"{self.what}: {self.high} at most; there are {len(value)}."
        raise OutOfRange(message, field=field, allowed=[self.low, self.high])

    def _on_one_line(self, value: str, field: str | None) -> str:
        """What is as short as a name stands on one line; rare letters may not be printable."""
        if any(character < " " or character in LINE_ENDS for character in value):
            raise Unreadable(
                f"{self.what} must be one line, without control characters.", field=field
            )
        return value

    def __get_pydantic_json_schema__(self, schema: Any, handler: Any) -> Any:
        described = handler(schema)
        noun = "Length" if described.get("type") == "string" else "Items"
        return {**described, f"min{noun}": self.low, f"max{noun}": self.high}


DEVELOPMENT_CHANGE = Within("The reciprocity development change", 0.3, 2)
EV_RANGE = Within("EV", -8, 24)
ZONES = Within("A zone", 0, 10, typed="zone")
TIMES = Within("The time", 1e-6, 1e7, "s")
F_NUMBERS = Within("The f-number", 0.5, 2_000)
EV = Annotated[float, EV_RANGE]
Zone = Annotated[float, ZONES]
EI = Within("The exposure index", 0.5, 25_600)
ExposureIndex = Annotated[float, EI]
Seconds = Annotated[float, TIMES]
FNumber = Annotated[float, F_NUMBERS]
Height = Annotated[float, Within("The height above the sea", -500, 9000, "m", engraved=True)]
FocalLength = Annotated[float, Within("The focal length", 5, 3_000, "mm", engraved=True)]
Draw = Annotated[float, Within("The draw beyond infinity focus", 0, 3_000, "mm")]
FilmBlur = Annotated[float, Within("The blur on the film", 0.002, 2, "mm")]
FormatSide = Annotated[float, Within("A side of the format", 5, 1_500, "mm")]
Price = Annotated[float, Within("The price of a sheet", 0, 10_000)]
FILTERS = Length("Filters", 0, 12)
INTERVALS = Length("Intervals", 0, 200)
STEPS = Length("Steps", 1, 20)
BOTTLES = Length("Bottles", 0, 20)
Name = Annotated[str, Length("A name", 1, 80)]
Label = Annotated[str, Length("A label", 0, 80)]
Note = Annotated[str, Length("A note", 0, 2_000)]
Id = Annotated[str, Length("An id", 1, 64)]
Day = Annotated[str, Length("A day", 0, 10)]
SearchText = Annotated[str, Length("What is looked for", 0, 200)]
