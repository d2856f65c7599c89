"""A print as it is shown, with its negative and what its plan comes to."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.lookup import needed
from emulsa.api.routing import Db
from emulsa.core.kit.printing import PrintingPaper
from emulsa.core.prints.baths import PaperCourse, paper_course
from emulsa.core.prints.negative import PrintedNegative, said
from emulsa.core.prints.preview import preview_says
from emulsa.core.prints.record import Print
from emulsa.core.prints.strips import told
from emulsa.core.prints.worked import PrintWorked, worked_out
from emulsa.core.versions import version_of
from emulsa.store import kit, prints


@dataclass(frozen=True)
class PrintView:
    """A print, its version, its negative in words, its paper, the plan worked out, its strips
    and how good its preview is in words, and its paper's baths by the clock."""

    print: Print
    version: str
    negative: PrintedNegative
    negative_text: str
    paper: PrintingPaper | None
    worked: PrintWorked
    strips: tuple[str, ...]
    preview_text: str
    baths: PaperCourse | None


def print_view(db: Db, found: Print) -> PrintView:
    """A print as it stands."""
    negative = needed(
        prints.negative(db, found.exposure_id), "This negative was not found.", "exposure_id"
    )
    paper = kit.paper(db, found.plan.paper_id)
    size = (negative.width, negative.height) if negative.width else None
    return PrintView(
        found,
        version_of(found),
        negative,
        said(negative),
        paper,
        worked_out(found, paper, size, kit.enlarger(db, found.plan.enlarger_id), negative.long_mm),
        tuple(map(told, found.strips)),
        preview_says(found, paper),
        paper_course(paper),
    )
