"""The holder board: which side holds what, loading sessions, unloading into boxes."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from fastapi import Query, Response

from emulsa.api.answers import Routes
from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.files import PDF, attached
from emulsa.api.keeping import own_id, unchanged
from emulsa.api.versions import version_of
from emulsa.core.errors import Impossible
from emulsa.core.film import stock as boxes
from emulsa.core.film.formats import format_name
from emulsa.core.film.holders import BAG_CHECKLIST, Holder, doubt, sides
from emulsa.core.film.pieces import Piece, Side
from emulsa.core.film.states import State, move
from emulsa.core.film.stock import Stock
from emulsa.core.kit.films import Film
from emulsa.core.limits import Id, Label, Length
from emulsa.core.tones.development_number import n_text
from emulsa.exchange.cards import pdf
from emulsa.store import exposures, films, journal, pieces, scenes
from emulsa.store import holders as store
from emulsa.store import stock as stocks
from emulsa.store.database import Connection

router = Routes(prefix="/api/holders", tags=["holders"])

SidesText = Annotated[str, Length("The sides", 1, 200)]


@dataclass(frozen=True)
class SideView:
    """One side of a holder in words; ``doubt`` is what speaks against loading it."""

    side: Side
    where: str
    state: State
    piece_id: str | None
    film_id: str | None
    film_name: str
    n_text: str
    scene_id: str | None
    scene_title: str
    exposure_id: str | None
    share_given: float
    doubt: str


@dataclass(frozen=True)
class HolderView:
    """A holder, its version, what its format is called, and its two sides."""

    holder: Holder
    format_name: str
    version: str
    sides: tuple[SideView, SideView]


@dataclass(frozen=True, kw_only=True)
class Loading:
    """Film into sides, as typed: ``3-4 6B``, from a box or from none that is written down.

    The id makes a repeated request harmless.
    """

    id: Id
    film_id: Id
    sides: SidesText
    stock_id: Id | None = None


@dataclass(frozen=True, kw_only=True)
class Unloading:
    """Sheets out of their sides: unexposed ones back into their box, exposed ones into a named one.

    Without ``box`` only unexposed sheets may be named; with it, only exposed ones.
    """

    sides: SidesText
    box: Label = ""


@dataclass(frozen=True)
class BoxView:
    """A box of exposed film: its name and what is in it, in words."""

    name: str
    sheets: tuple[str, ...]


@router.get("")
def read(db: Db) -> list[HolderView]:
    """Every holder by number; retired ones are told apart by the flag."""
    return board(db)


@router.get("/checklist")
def checklist() -> tuple[str, ...]:
    """What to mind in the changing bag, in order."""
    return BAG_CHECKLIST


@router.get("/sides")
def named(db: Db, text: Annotated[str, Query(max_length=200)] = "") -> list[str]:
    """The sides that ``3-4 6B`` names, each as one writes it on a holder."""
    if not text.strip():
        return []
    numbers = {each.number for each in store.holders(db)}
    return [f"{number}{side}" for number, side in sides(text, numbers)]


@router.get("/boxes")
def exposed_boxes(db: Db) -> list[BoxView]:
    """Boxes of exposed sheets that were taken out of their holders."""
    found = []
    for name, sheets in pieces.boxes(db).items():
        given = exposures.of_pieces(db, [each.id for each in sheets])
        texts = (
            f"{each.label}, {n_text(given[each.id][-1].n)}" if given[each.id] else each.label
            for each in sheets
        )
        found.append(BoxView(name, tuple(texts)))
    return found


@router.get("/labels.pdf", response_class=Response, responses=PDF)
def labels(db: Db) -> Response:
    """A label for each side of every holder in use, to cut out and tape on."""
    in_use = [each for each in store.holders(db) if not each.retired]
    own = tuple(store.formats(db))
    data = [{"number": each.number, "format": format_name(each.format, own)} for each in in_use]
    return attached(pdf.render("labels", {"holders": data}), "application/pdf", "labels", "pdf")


@router.put("/{id}", openapi_extra=documented(Holder))
def put(id: str, db: Db, holder: Holder = body(Holder), base: str | None = None) -> Holder:  # noqa: A002
    """Keep a holder, new or changed; numbers are each given once, a loaded one keeps its format."""
    own_id(id, holder)
    all_ = store.holders(db)
    before = next((each for each in all_ if each.id == id), None)
    if any(each.number == holder.number and each.id != id for each in all_):
        raise Impossible(f"There is a holder {holder.number} already.", field="number")
    loaded = [each for each in pieces.in_holders(db) if each.holder_id == id]
    if loaded and before is not None:
        if holder.retired and not before.retired:
            raise Impossible("This holder still has film in it; empty it first.", field="retired")
        if holder.format != before.format:
            raise Impossible("This holder still has film in it; empty it first.", field="format")
    with journal.action(db, f"holder {holder.number}", now()):
        unchanged(f"Holder {holder.number}", before, holder, base)
        store.put_holder(db, holder)
    return holder


@router.delete("/{id}", status_code=204)
def delete(id: str, db: Db) -> None:  # noqa: A002
    """Take an empty holder off the board; one that exposed film is retired instead."""
    view = next((each for each in board(db) if each.holder.id == id), None)
    if view is None:
        raise NotFound("There is no such holder.", field="id")
    if any(side.piece_id for side in view.sides):
        raise Impossible("This holder still has film in it; empty it first.", field="id")
    with journal.action(db, f"holder {view.holder.number} taken away", now()):
        store.delete_holder(db, id)


@router.post("/load", openapi_extra=documented(Loading))
def load(db: Db, loading: Loading = body(Loading)) -> list[HolderView]:
    """Load all the sides named or none; one undoable action."""
    film = films.film(db, loading.film_id)
    if film is None:
        raise NotFound("There is no such film in the kit.", field="film_id")
    by_number = {each.number: each for each in store.holders(db)}
    chosen = sides(loading.sides, set(by_number))
    with journal.action(db, f"{loading.sides} loaded with {film.name}", now()):
        new = []
        for number, side in chosen:
            there = pieces.in_side(db, by_number[number].id, side)
            if there is not None and there.id == _piece_id(loading, number, side):
                continue  # handed in a second time
            move(there.state if there else "empty", "load", f"Side {number}{side}")
            new.append((by_number[number], side))
        box = box_for(db, film, loading.stock_id, len(new)) if new else None
        for holder, side in new:
            _fits(db, holder, box)
            _load(db, loading, holder, side)
    return board(db)


@router.post("/unload", openapi_extra=documented(Unloading))
def unload(db: Db, unloading: Unloading = body(Unloading)) -> list[HolderView]:
    """Take sheets out of their holders; one undoable action."""
    by_number = {each.number: each for each in store.holders(db)}
    box, at = unloading.box.strip(), now()
    label = f"{unloading.sides} unloaded" + (f" into {box}" if box else "")
    with journal.action(db, label, at):
        for number, side in sides(unloading.sides, set(by_number)):
            there = pieces.in_side(db, by_number[number].id, side)
            if there is None:
                move("empty", "box" if box else "unload", f"Side {number}{side}")
            elif box:
                pieces.move(db, there, "box", at, box, in_place=False, kept_in=box)
            elif there.state == "exposed":
                raise Impossible(
                    f"Side {there.label} holds an exposed sheet; name the box it goes into.",
                    field="box",
                )
            else:
                pieces.move(db, there, "unload", at, f"{there.label}, back to its box")
    return board(db)


def box_for(db: Connection, film: Film, stock_id: str | None, wanted: int) -> Stock | None:
    """The box film is taken from, when it holds enough of this film; refused otherwise."""
    if stock_id is None:
        return None
    box = stocks.stock(db, stock_id)
    if box is None:
        raise NotFound("There is no such box of film.", field="stock_id")
    if box.film_id != film.id:
        raise Impossible(f"That box does not hold {film.name}.", field="stock_id")
    boxes.take(box, stocks.taken(db).get(box.id, 0), wanted)
    if not box.opened:
        stocks.put(db, boxes.open_(box, now()[:10]))
    return box


def board(db: Connection) -> list[HolderView]:
    own = tuple(store.formats(db))
    names = {each.id: each.name for each in films.films(db)}
    sheets = pieces.in_holders(db)
    in_side = {(each.holder_id, each.side): each for each in sheets}
    given = exposures.of_pieces(db, [each.id for each in sheets])
    wanted = {each.scene_id for exposed in given.values() for each in exposed}
    titles = scenes.titles(db, list(wanted))

    def view(holder: Holder, side: Side) -> SideView:
        sheet = in_side.get((holder.id, side))
        exposed = given[sheet.id] if sheet else []
        last = exposed[-1] if exposed else None
        return SideView(
            side=side,
            where=f"{holder.number}{side}",
            state=sheet.state if sheet else "empty",
            piece_id=sheet.id if sheet else None,
            film_id=sheet.film_id if sheet else None,
            film_name=names[sheet.film_id] if sheet else "",
            n_text=n_text(last.n) if last else "",
            scene_id=last.scene_id if last else None,
            scene_title=titles[last.scene_id] if last else "",
            exposure_id=last.id if last else None,
            share_given=sum(each.share for each in exposed),
            doubt=doubt(holder, side),
        )

    return [
        HolderView(
            holder=holder,
            format_name=format_name(holder.format, own),
            version=version_of(holder),
            sides=(view(holder, "A"), view(holder, "B")),
        )
        for holder in store.holders(db)
    ]


def _piece_id(loading: Loading, number: int, side: Side) -> str:
    return f"{loading.id}-{number}{side}"


def _fits(db: Connection, holder: Holder, box: Stock | None) -> None:
    if holder.retired:
        raise Impossible(f"Holder {holder.number} is retired; choose another.", field="sides")
    if box is not None and box.format != holder.format:
        own = tuple(store.formats(db))
        raise Impossible(
            f"Holder {holder.number} takes {format_name(holder.format, own)}; this box holds"
            f" {format_name(box.format, own)}.",
            field="stock_id",
        )


def _load(db: Connection, loading: Loading, holder: Holder, side: Side) -> Piece:
    piece = Piece(
        id=_piece_id(loading, holder.number, side),
        film_id=loading.film_id,
        stock_id=loading.stock_id,
        label=f"{holder.number}{side}",
        holder_id=holder.id,
        side=side,
        state="loaded",
        loaded_at=now(),
    )
    return pieces.load(db, piece)
