"""Stock: boxes of sheets and rolls, what is left of them, and the formats there are."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.keeping import own_id, unchanged
from emulsa.api.lookup import needed
from emulsa.api.routing import Act, Db, Routes, now
from emulsa.api.views.done import Done
from emulsa.api.views.shelf import SupplyLine, supply_lines
from emulsa.core.errors import Unsound
from emulsa.core.film.formats import Format, known
from emulsa.core.film.stock import Stock, StockState, left, state
from emulsa.core.versions import version_of
from emulsa.store import films, holders
from emulsa.store import stock as store

routes = Routes("stock", "/api/stock")


@dataclass(frozen=True)
class StockView:
    """A box, its version, its film's name, and how it stands today."""

    stock: Stock
    version: str
    film_name: str
    state: StockState


@routes.question("")
def read(db: Db) -> list[StockView]:
    """Every box: archived last, then by film, what expires first at the top."""
    taken, names, today = store.taken(db), films.names(db), now()[:10]
    loaded = store.loaded(db)
    return [
        StockView(
            stock=each,
            version=version_of(each),
            film_name=names[each.film_id],
            state=state(each, taken.get(each.id, 0), today, loaded.get(each.id, 0)),
        )
        for each in store.everything(db)
    ]


@routes.question("/supplies")
def supplies(db: Db) -> list[SupplyLine]:
    """Paper and chemistry: what is left, and whether it keeps as long as one needs for it."""
    return list(supply_lines(db, now()[:10]))


@routes.question("/formats")
def formats(db: Db) -> tuple[Format, ...]:
    """Sheets, one's own sizes, and frames of rolls."""
    return known(holders.formats(db))


@routes.act("PUT", "/{id}")
def put(act: Act, id: str, base: str, stock: Stock) -> Stock:  # noqa: A002
    """Keep a box, new or changed; it never holds less than was taken from it already."""
    own_id(id, stock)
    film = films.film(act.db, stock.film_id)
    needed(film, "This film is not in the kit.", "film_id")
    taken = store.taken(act.db).get(id, 0)
    if left(stock, taken) < 0:
        raise Unsound(
            f"{taken} of this box were loaded already; it held at least that many.",
            field="count",
            allowed=[taken + stock.spent, 10_000],
        )
    act.says("save a box of film")
    unchanged("This box", store.stock(act.db, id), stock, base)
    act.keep(stock)
    return needed(act.read_back(stock), "This box was not found.")


@routes.act("DELETE", "/{id}")
def delete(act: Act, id: str) -> Done:  # noqa: A002
    """Delete a box nothing was taken from."""
    needed(store.stock(act.db, id), "This box was not found.")
    act.says("delete a box of film")
    store.delete(act.db, id)
    return Done("delete a box of film", (id,))
