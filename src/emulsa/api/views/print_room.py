"""What the print room is asked and answers."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.views.prints import (
    PrintDrawn,
)
from emulsa.core.limits import Id
from emulsa.core.printing.planned import PrintPart
from emulsa.core.prints.acts import (
    Cause,
    Reworking,
)
from emulsa.core.prints.negative import PrintedNegative
from emulsa.core.prints.record import Print


@dataclass(frozen=True)
class PrintLine:
    """A print in the list."""

    id: str
    title: str
    negative_text: str
    picture_id: str | None
    tries: int
    final: bool


@dataclass(frozen=True)
class PrintRoom:
    """Every print, and the negatives there are to print."""

    prints: tuple[PrintLine, ...]
    negatives: tuple[PrintedNegative, ...]


@dataclass(frozen=True, kw_only=True)
class PrintBeginning:
    """A print to begin, and the exposure it is of."""

    id: Id
    exposure_id: Id


@dataclass(frozen=True, kw_only=True)
class AreaAsked:
    """A print, and the area that is dragged."""

    print: Print
    area_id: Id


@dataclass(frozen=True, kw_only=True)
class ReworkAsked:
    """A print, and what it shall be made with."""

    print: Print
    wanted: Reworking


@dataclass(frozen=True)
class ReworkedView:
    """A print worked for something else, what it comes to, and each cause in stops."""

    print: Print
    view: PrintDrawn
    causes: tuple[Cause, ...]


@dataclass(frozen=True)
class PrintKept:
    """What was kept of a print, and its version now; ``parts`` as they are timed. The rest is read
    where it is kept."""

    says: str
    id: str
    version: str
    parts: tuple[PrintPart, ...]


@dataclass(frozen=True)
class TryKept:
    """What was noted of a try, and its version now."""

    says: str
    id: str
    version: str
