"""A print as it is shown, with its negative, what its plan comes to, its strips and tries."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.lookup import needed
from emulsa.api.routing import Db
from emulsa.api.views.exposed import by_picture
from emulsa.core.kit.printing import PrintingPaper
from emulsa.core.prints import differences
from emulsa.core.prints.acts import full, notes_of
from emulsa.core.prints.baths import PaperCourse, paper_course
from emulsa.core.prints.inkjet import InkjetSheet, on_sheet
from emulsa.core.prints.negative import PrintedNegative, said
from emulsa.core.prints.preview import preview_says
from emulsa.core.prints.record import Print, PrintPlan, PrintTry, TryNotes
from emulsa.core.prints.strips import told
from emulsa.core.prints.worked import PrintWorked, worked_out
from emulsa.core.versions import version_of
from emulsa.store import attachments, exposures, kit, prints
from emulsa.store.prints import KeptPrint


@dataclass(frozen=True)
class StripTold:
    """A strip that was kept, in a line."""

    id: str
    says: str


@dataclass(frozen=True)
class TryView:
    """A print that was made: what was noted of it, of which version, and how its plan differs from
    the one before it. Its plan is read where it is made again."""

    id: str
    number: int
    at: str
    notes: TryNotes
    version: str
    changed: tuple[str, ...]


@dataclass(frozen=True)
class PrintDrawn:
    """What a print comes to as it would stand, how good its preview is in words, the picture it is
    seen by (``by_scene``: its scene's, before there is a scan), and one by inkjet on its sheet."""

    worked: PrintWorked
    preview_text: str
    seen_id: str | None
    by_scene: bool
    inkjet: InkjetSheet | None


@dataclass(frozen=True)
class PrintView(PrintDrawn):
    """A print, its version, its negative in words, its paper, the plan worked out, its strips and
    tries, its paper's baths by the clock, why no further print is kept, when it is full, and the
    picture its negative's scene was metered by."""

    print: Print
    version: str
    negative: PrintedNegative
    negative_text: str
    paper: PrintingPaper | None
    strips: tuple[StripTold, ...]
    tries: tuple[TryView, ...]
    baths: PaperCourse | None
    full_text: str
    picture_id: str | None


def print_view(db: Db, found: Print) -> PrintView:
    """A print as it stands."""
    negative, tries = negative_of(db, found), prints.tries(db, found.id)
    drawn = print_drawn(db, found, negative, tries[-1].plan if tries else None)
    paper = kit.paper(db, found.plan.paper_id)
    return PrintView(
        drawn.worked,
        drawn.preview_text,
        drawn.seen_id,
        drawn.by_scene,
        drawn.inkjet,
        found,
        version_of(found),
        negative,
        said(negative),
        paper,
        tuple(StripTold(each.id, told(each)) for each in prints.strips(db, found.id)),
        tuple(
            _try(each, changed)
            for each, changed in zip(tries, differences.told(tries), strict=True)
        ),
        paper_course(paper),
        full(tries[-1].number if tries else 0),
        _picture_id(db, found.exposure_id),
    )


def _picture_id(db: Db, exposure_id: str) -> str | None:
    """The picture the negative's scene was metered by."""
    exposure = exposures.exposure(db, exposure_id)
    picture = attachments.of_scene(db, exposure.scene_id) if exposure else None
    return picture.id if picture else None


def print_drawn(
    db: Db, found: Print, negative: PrintedNegative, last: PrintPlan | None
) -> PrintDrawn:
    """What a plan comes to, beside the last that was printed."""
    paper, enlarger = kit.paper(db, found.plan.paper_id), kit.enlarger(db, found.plan.enlarger_id)
    size = size_of(negative)
    scene = None if negative.picture_id else by_picture(db, found.exposure_id)
    return PrintDrawn(
        worked_out(found, paper, size, enlarger, negative.long_mm, last),
        preview_says(found, paper, by_scene=scene is not None),
        scene[0] if scene else negative.picture_id,
        scene is not None,
        on_sheet(found.inkjet, size) if found.inkjet else None,
    )


def size_of(negative: PrintedNegative) -> tuple[int, int] | None:
    """Width and height of the negative's picture in points, where there is one."""
    return (negative.width, negative.height) if negative.width else None


def negative_of(db: Db, found: Print) -> PrintedNegative:
    """The negative of a print; NotFound without it."""
    known = prints.negative(db, found.exposure_id)
    return needed(known, "This negative was not found.", "exposure_id")


def made_text(line: KeptPrint) -> str:
    """How many prints were made of a plan, in words."""
    return f"{line.tries} print{'s' if line.tries != 1 else ''} made" if line.tries else "planned"


def _try(made: PrintTry, changed: tuple[str, ...]) -> TryView:
    notes = notes_of(made)
    return TryView(made.id, made.number, made.at, notes, version_of(notes), changed)
