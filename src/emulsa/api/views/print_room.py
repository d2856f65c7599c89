"""What the print room is asked and answers."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.routing import Db
from emulsa.api.views.prints import PrintDrawn, print_drawn, size_of
from emulsa.core.errors import CoreError
from emulsa.core.limits import Id
from emulsa.core.printing.planned import PrintPart
from emulsa.core.prints.acts import (
    Cause,
    Reworking,
)
from emulsa.core.prints.bars import RowBar, seconds_text
from emulsa.core.prints.inkjet import on_sheet
from emulsa.core.prints.layout import Layout
from emulsa.core.prints.negative import PrintedNegative, said
from emulsa.core.prints.record import Print, Shape
from emulsa.core.prints.worked import worked_out
from emulsa.store import prints
from emulsa.store.prints import KeptPrint


@dataclass(frozen=True)
class PrintLine:
    """A print in the list: its negative and how many were made of it; its times in the order
    worked, the shapes of its areas on the picture, and the sheet it lies on; of one by inkjet its
    size in words."""

    id: str
    title: str
    negative_text: str
    picture_id: str | None
    tries: int
    final: bool
    rows: tuple[RowBar, ...]
    total_s: float
    total_text: str
    shapes: tuple[Shape, ...]
    ratio: float | None
    layout: Layout
    inkjet_text: str


@dataclass(frozen=True)
class PrintRoom:
    """Every print, and the negatives there are to print."""

    prints: tuple[PrintLine, ...]
    negatives: tuple[PrintedNegative, ...]


@dataclass(frozen=True, kw_only=True)
class PrintBeginning:
    """A print to begin, and the exposure it is of; ``from_scan``: by inkjet."""

    id: Id
    exposure_id: Id
    from_scan: bool = False


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


def print_line(db: Db, kept: KeptPrint) -> PrintLine | None:
    """A print as it stands in the list; nothing where its negative cannot be read."""
    negative = prints.negative(db, kept.print.exposure_id)
    whole = prints.print_(db, kept.print.id)
    if negative is None or whole is None:
        return None
    try:
        worked = print_drawn(db, whole, negative, None).worked
    except CoreError:  # its paper or enlarger cannot be read, which is said: the print is listed
        worked = worked_out(whole, None, size_of(negative))
    return PrintLine(
        whole.id,
        whole.title,
        said(negative),
        negative.picture_id,
        kept.tries,
        kept.final is not None,
        worked.rows if whole.inkjet is None else (),
        worked.total_s if whole.inkjet is None else 0.0,
        seconds_text(worked.total_s) if worked.rows and whole.inkjet is None else "",
        tuple(each.shape for each in whole.plan.areas if each.shape is not None),
        negative.width / negative.height if negative.width and negative.height else None,
        worked.layout,
        on_sheet(whole.inkjet, size_of(negative)).text if whole.inkjet else "",
    )
