"""Stock: boxes of sheets and rolls, what is left of them, and the formats there are."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.answers import Routes
from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.keeping import own_id, unchanged
from emulsa.api.versions import version_of
from emulsa.core.errors import Unsound
from emulsa.core.film.formats import Format, known
from emulsa.core.film.stock import Stock, StockState, left, state
from emulsa.store import films, holders, journal
from emulsa.store import stock as store

router = Routes(prefix="/api/stock", tags=["stock"])


@dataclass(frozen=True)
class StockView:
    """A box, its version, its film's name, and how it stands today."""

    stock: Stock
    version: str
    film_name: str
    state: StockState


@router.get("")
def read(db: Db) -> list[StockView]:
    """Every box: archived last, then by film, what expires first at the top."""
    taken, names = store.taken(db), {each.id: each.name for each in films.films(db)}
    today = now()[:10]
    return [
        StockView(
            stock=each,
            version=version_of(each),
            film_name=names[each.film_id],
            state=state(each, taken.get(each.id, 0), today),
        )
        for each in store.everything(db)
    ]


@router.get("/formats")
def formats(db: Db) -> tuple[Format, ...]:
    """Sheets, one's own sizes, and frames of rolls."""
    return known(tuple(holders.formats(db)))


@router.put("/{id}", openapi_extra=documented(Stock))
def put(id: str, db: Db, stock: Stock = body(Stock), base: str | None = None) -> Stock:  # noqa: A002
    """Keep a box, new or changed; it never holds less than was taken from it already."""
    own_id(id, stock)
    if films.film(db, stock.film_id) is None:
        raise NotFound("There is no such film in the kit.", field="film_id")
    taken = store.taken(db).get(id, 0)
    if left(stock, taken) < 0:
        raise Unsound(
            f"{taken} of this box were loaded already; it held at least that many.",
            field="count",
            allowed=[taken + stock.spent, 10_000],
        )
    with journal.action(db, "box of film", now()):
        unchanged("This box", store.stock(db, id), stock, base)
        store.put(db, stock)
    return stock


@router.delete("/{id}", status_code=204)
def delete(id: str, db: Db) -> None:  # noqa: A002
    """Delete a box nothing was taken from."""
    if store.stock(db, id) is None:
        raise NotFound("There is no such box.", field="id")
    with journal.action(db, "box of film deleted", now()):
        store.delete(db, id)
