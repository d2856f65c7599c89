"""Prints: planned, tried, kept, made again."""

from __future__ import annotations

from collections.abc import Iterable

from emulsa.api.keeping import own_id, unchanged
from emulsa.api.lookup import needed
from emulsa.api.replies import CSV, PDF, attached
from emulsa.api.routing import Act, Db, File, House, Routes
from emulsa.api.views.done import Done
from emulsa.api.views.exposed import densities
from emulsa.api.views.print_room import (
    AreaAsked,
    PrintBeginning,
    PrintKept,
    PrintRoom,
    ReworkAsked,
    ReworkedView,
    TryKept,
    print_line,
)
from emulsa.api.views.prints import (
    PrintDrawn,
    PrintView,
    negative_of,
    print_drawn,
    print_view,
)
from emulsa.core import wire
from emulsa.core.errors import Impossible
from emulsa.core.printing.strip import StripRequest
from emulsa.core.prints.acts import (
    Reworking,
    StripChosen,
    TryAgain,
    TryMade,
    again,
    causes,
    choose,
    keep_try,
    notes_of,
    rework,
)
from emulsa.core.prints.acts import note as noted
from emulsa.core.prints.flashing import FlashSaid, FlashStrip, flash_said
from emulsa.core.prints.map import print_map, table
from emulsa.core.prints.negative import begun
from emulsa.core.prints.preview import AreaStep, PreviewTables, area_steps, preview
from emulsa.core.prints.record import Print, PrintTry, TryNotes
from emulsa.core.prints.strips import StripsShown, shown
from emulsa.core.versions import version_of
from emulsa.exchange import pictures
from emulsa.exchange.cards import pdf
from emulsa.exchange.csv_table import csv_file
from emulsa.store import attachments, kit
from emulsa.store import prints as store

routes = Routes("prints", "/api/prints")
NO_PRINT = "This print was not found."
NO_NEGATIVE = "This negative was not found."


@routes.question("")
def read(db: Db) -> PrintRoom:
    """The room: prints, the latest first, and negatives to choose from."""
    found = [line for each in store.lines(db) if (line := print_line(db, each)) is not None]
    return PrintRoom(tuple(found), tuple(store.negatives(db)))


@routes.question("/{id}")
def read_print(db: Db, id: str) -> PrintView:  # noqa: A002
    """A print and what its plan comes to."""
    return print_view(db, needed(store.print_(db, id), NO_PRINT))


@routes.question("/{id}/map.pdf", media_type=PDF)
def map_pdf(db: Db, house: House, id: str) -> File:  # noqa: A002
    """The map of a print on one page."""
    view = print_view(db, needed(store.print_(db, id), NO_PRINT))
    picture = attachments.attachment(db, view.negative.picture_id or "")
    small = pictures.thumbnail(house.attachments, picture.digest) if picture else None
    shown = small.read_bytes() if small and small.exists() else b""
    page = print_map(view.print, store.tries(db, id), view.negative, view.paper, shown)
    return attached(pdf.render("print", page), PDF, f"print-{view.print.title}", "pdf")


@routes.question("/{id}/map.csv", media_type=CSV)
def map_csv(db: Db, id: str) -> File:  # noqa: A002
    """The plan as a table."""
    found = needed(store.print_(db, id), NO_PRINT)
    rows = table(found, kit.paper(db, found.plan.paper_id))
    return attached(csv_file(rows), CSV, found.title, "csv", "attachment")


@routes.question("/draw", "POST")
def draw(db: Db, print: Print) -> PrintDrawn:  # noqa: A002
    """What a print comes to as it would stand; nothing is kept."""
    return _drawn(db, print)


@routes.question("/preview", "POST", opens_pictures=True)
def see(db: Db, house: House, print: Print) -> PreviewTables:  # noqa: A002
    """Tables from the levels of the picture to the greys of the print."""
    return preview(print, kit.paper(db, print.plan.paper_id), _densities(db, house, print))


@routes.question("/preview/area", "POST", opens_pictures=True)
def see_area(db: Db, house: House, asked: AreaAsked) -> tuple[AreaStep, ...]:
    """The greys of one area for every amount it may be dragged to."""
    found = asked.print
    paper = kit.paper(db, found.plan.paper_id)
    return area_steps(found, paper, _densities(db, house, found), asked.area_id)


@routes.question("/strip", "POST")
def strip(request: StripRequest) -> StripsShown:
    """What to give as the card moves."""
    return shown(request)


@routes.question("/flash", "POST")
def flash(strip: FlashStrip) -> FlashSaid:
    """How long paper is flashed, by a strip under even light; nothing is kept."""
    return flash_said(strip)


@routes.question("/rework", "POST")
def reworked(db: Db, asked: ReworkAsked) -> ReworkedView:
    """A print for another size, paper or negative; nothing is kept."""
    found = rework(asked.print, asked.wanted, _loss(db, asked.print, asked.wanted))
    wire.decode(Print, wire.encode(found.print))  # beyond an hour it is said before it is kept
    return ReworkedView(found.print, _drawn(db, found.print), causes(found.ledger))


@routes.act("POST", "")
def begin(act: Act, beginning: PrintBeginning) -> PrintKept:
    """Begin a print of a negative; one of this id that was begun already stays as it is."""
    known = store.print_(act.db, beginning.id)
    negative = needed(store.negative(act.db, beginning.exposure_id), NO_NEGATIVE, "exposure_id")
    new = known or begun(beginning.id, negative, beginning.from_scan)
    return _keep(act, new, f"begin print {negative.scene_title}")


@routes.act("PUT", "/{id}")
def put(act: Act, id: str, base: str, print: Print) -> PrintKept:  # noqa: A002
    """Keep a print, new or changed."""
    own_id(id, print)
    negative_of(act.db, print)
    unchanged("This print", store.print_(act.db, id), print, base)
    return _keep(act, print, f"save print {print.title}")


@routes.act("DELETE", "/{id}")
def delete(act: Act, id: str) -> Done:  # noqa: A002
    """Delete a print with its strips and tries."""
    found = needed(store.print_(act.db, id), NO_PRINT)
    act.says(f"delete print {found.title}")
    store.delete(act.db, id)
    return Done(f"delete print {found.title}", (id,))


@routes.act("POST", "/{id}/strips")
def keep_strip(act: Act, id: str, chosen: StripChosen) -> PrintKept:  # noqa: A002
    """Keep a test strip; the one that is right gives its part the base time."""
    found = needed(store.print_(act.db, id), NO_PRINT)
    changed, strip = choose(found, chosen, act.moment)
    known = act.read_back(strip)
    if known is not None and known.print_id != id:
        raise Impossible("This strip belongs to another print.", field="id")
    act.keep(strip)
    return _keep(act, changed, f"keep a strip of {found.title}")


@routes.act("POST", "/{id}/tries")
def made(act: Act, id: str, made: TryMade) -> TryKept:  # noqa: A002
    """Keep the print that was made, with the plan it is of."""
    found = needed(store.print_(act.db, id), NO_PRINT)
    last = store.last_try(act.db, id)
    if store.try_(act.db, made.id or act.id) is not None:
        raise Impossible("This print was kept already.", field="id")
    new = keep_try(found, last.number if last else 0, made, act.id, act.moment)
    return _keep_tries(act, (new,), new, f"keep print {new.number} of {found.title}")


@routes.act("PUT", "/{id}/tries/{try_id}")
def note(act: Act, id: str, try_id: str, base: str, notes: TryNotes) -> TryKept:  # noqa: A002
    """Note what a print that was made showed, and what became of it."""
    found = needed(store.print_(act.db, id), NO_PRINT)
    tries = store.tries(act.db, id)
    known = next((each for each in tries if each.id == try_id), None)
    changed = noted(tries, try_id, notes)
    new = next(each for each in changed if each.id == try_id)
    before = notes_of(known) if known else None
    unchanged(f"Print {new.number}", before, notes_of(new), base)
    return _keep_tries(act, changed, new, f"note print {new.number} of {found.title}")


@routes.act("POST", "/{id}/again", says_over=True)
def print_again(act: Act, id: str, which: TryAgain) -> PrintKept:  # noqa: A002
    """Take the plan of an earlier print up again."""
    found = needed(store.print_(act.db, id), NO_PRINT)
    changed, number = again(found, store.tries(act.db, id), which)
    return _keep(act, changed, f"print {number} of {found.title} again")


@routes.act("POST", "/{id}/rework", works_out=True)
def use_reworked(act: Act, id: str, wanted: Reworking) -> PrintKept:  # noqa: A002
    """Work every time again for another size, paper, filter or negative."""
    found = needed(store.print_(act.db, id), NO_PRINT)
    loss = _loss(act.db, found, wanted)
    return _keep(act, rework(found, wanted, loss).print, f"rework {found.title}")


def _loss(db: Db, print_: Print, wanted: Reworking) -> float:
    """What its paper loses over a minute."""
    paper = kit.paper(db, wanted.paper_id or print_.plan.paper_id)
    return paper.long_exponent if paper else 1.0


def _keep(act: Act, changed: Print, says: str) -> PrintKept:
    act.says(says)
    store.put(act.db, changed)
    kept = needed(store.print_(act.db, changed.id), NO_PRINT)
    return PrintKept(says, kept.id, version_of(kept), kept.plan.parts)


def _keep_tries(act: Act, changed: Iterable[PrintTry], told: PrintTry, says: str) -> TryKept:
    act.says(says)
    for each in changed:
        store.put_try(act.db, each)
    kept = needed(store.try_(act.db, told.id), NO_PRINT)
    return TryKept(says, kept.id, version_of(notes_of(kept)))


def _drawn(db: Db, found: Print) -> PrintDrawn:
    last = store.last_try(db, found.id)
    return print_drawn(db, found, negative_of(db, found), last.plan if last else None)


def _densities(db: Db, house: House, print_: Print) -> tuple[float, ...]:
    return densities(db, house.attachments, print_, negative_of(db, print_))
