"""Prints: planned, tried, kept, made again."""

from __future__ import annotations

import csv
import io
from dataclasses import dataclass

from emulsa.api.keeping import own_id, unchanged
from emulsa.api.lookup import needed
from emulsa.api.replies import CSV, PDF, attached
from emulsa.api.routing import Act, Db, File, House, Routes
from emulsa.api.views.done import Done
from emulsa.api.views.prints import PrintView, print_view
from emulsa.core.limits import Id
from emulsa.core.printing.strip import StripRequest
from emulsa.core.prints.acts import (
    Cause,
    Reworking,
    StripChosen,
    TryAgain,
    TryMade,
    again,
    causes,
    choose,
    keep_try,
    rework,
)
from emulsa.core.prints.map import print_map, table
from emulsa.core.prints.negative import PrintedNegative, said
from emulsa.core.prints.preview import AreaStep, PreviewTables, area_steps, preview
from emulsa.core.prints.record import Print
from emulsa.core.prints.strips import StripsShown, shown
from emulsa.exchange import pictures
from emulsa.exchange.cards import pdf
from emulsa.exchange.levels import clear_level
from emulsa.store import attachments, kit
from emulsa.store import prints as store

routes = Routes("prints", "/api/prints")
NO_PRINT = "This print was not found."
CLEAR = 250.0  # the level of clear film where there is no picture


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
    """A print worked for something else, and each cause in stops."""

    view: PrintView
    causes: tuple[Cause, ...]


@routes.question("")
def read(db: Db) -> PrintRoom:
    """The room: prints, the latest first, and negatives to choose from."""
    found = []
    for each in store.prints(db):
        negative = store.negative(db, each.exposure_id)
        if negative is not None:
            final = any(made.final for made in each.tries)
            found.append(
                PrintLine(
                    each.id, each.title, said(negative), negative.picture_id, len(each.tries), final
                )
            )
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
    page = print_map(view.print, view.negative, view.paper, shown)
    return attached(pdf.render("print", page), PDF, f"print-{view.print.title}", "pdf")


@routes.question("/{id}/map.csv", media_type=CSV)
def map_csv(db: Db, id: str) -> File:  # noqa: A002
    """The plan as a table."""
    found = needed(store.print_(db, id), NO_PRINT)
    file = io.StringIO()
    csv.writer(file).writerows(table(found, kit.paper(db, found.plan.paper_id)))
    return attached(("\ufeff" + file.getvalue()).encode(), CSV, found.title, "csv", "attachment")


@routes.question("/draw", "POST")
def draw(db: Db, print: Print) -> PrintView:  # noqa: A002
    """What a print comes to as it would stand; nothing is kept."""
    return print_view(db, print)


@routes.question("/preview", "POST")
def see(db: Db, house: House, print: Print) -> PreviewTables:  # noqa: A002
    """Tables from the levels of the picture to the greys of the print."""
    return preview(print, kit.paper(db, print.plan.paper_id), _clear(db, house, print))


@routes.question("/preview/area", "POST")
def see_area(db: Db, house: House, asked: AreaAsked) -> tuple[AreaStep, ...]:
    """The greys of one area for every amount it may be dragged to."""
    found = asked.print
    paper = kit.paper(db, found.plan.paper_id)
    return area_steps(found, paper, _clear(db, house, found), asked.area_id)


@routes.question("/strip", "POST")
def strip(request: StripRequest) -> StripsShown:
    """What to give as the card moves."""
    return shown(request)


@routes.question("/rework", "POST")
def reworked(db: Db, asked: ReworkAsked) -> ReworkedView:
    """A print for another size, paper or negative; nothing is kept."""
    found = rework(asked.print, asked.wanted)
    return ReworkedView(print_view(db, found.print), causes(found.ledger))


@routes.act("PUT", "/{id}")
def put(act: Act, id: str, base: str, print: Print) -> PrintView:  # noqa: A002
    """Keep a print, new or changed."""
    own_id(id, print)
    needed(store.negative(act.db, print.exposure_id), "This negative was not found.", "exposure_id")
    act.says(f"save print {print.title}")
    unchanged("This print", store.print_(act.db, id), print, base)
    act.keep(print)
    return print_view(act.db, print)


@routes.act("DELETE", "/{id}")
def delete(act: Act, id: str) -> Done:  # noqa: A002
    """Delete a print with its strips and tries."""
    found = needed(store.print_(act.db, id), NO_PRINT)
    act.says(f"delete print {found.title}")
    store.delete(act.db, id)
    return Done(f"delete print {found.title}", (id,))


@routes.act("POST", "/{id}/strips")
def keep_strip(act: Act, id: str, chosen: StripChosen) -> PrintView:  # noqa: A002
    """Keep a test strip; the one that is right gives its part the base time."""
    found = needed(store.print_(act.db, id), NO_PRINT)
    return _keep(act, choose(found, chosen, act.moment), f"keep a strip of {found.title}")


@routes.act("POST", "/{id}/tries")
def made(act: Act, id: str, made: TryMade) -> PrintView:  # noqa: A002
    """Keep the print that was made, with its plan as it stands."""
    found = needed(store.print_(act.db, id), NO_PRINT)
    changed = keep_try(found, made, act.moment)
    return _keep(act, changed, f"keep print {changed.tries[-1].number} of {found.title}")


@routes.act("POST", "/{id}/again")
def print_again(act: Act, id: str, which: TryAgain) -> PrintView:  # noqa: A002
    """Take the plan of an earlier print up again."""
    found = needed(store.print_(act.db, id), NO_PRINT)
    changed = again(found, which)
    return _keep(act, changed, f"print {which.number} of {found.title} again")


@routes.act("POST", "/{id}/rework")
def use_reworked(act: Act, id: str, wanted: Reworking) -> PrintView:  # noqa: A002
    """Work every time again for another size, paper, filter or negative."""
    found = needed(store.print_(act.db, id), NO_PRINT)
    return _keep(act, rework(found, wanted).print, f"rework {found.title}")


def _keep(act: Act, changed: Print, says: str) -> PrintView:
    act.says(says)
    act.keep(changed)
    return print_view(act.db, changed)


def _clear(db: Db, house: House, print_: Print) -> float:
    """The level of clear film in the picture of a print's negative."""
    found = store.negative(db, print_.exposure_id)
    negative = needed(found, "This negative was not found.", "exposure_id")
    picture = attachments.attachment(db, negative.picture_id or "")
    if picture is None:
        return CLEAR
    return clear_level(pictures.view(house.attachments, picture.digest, picture.media_type))
