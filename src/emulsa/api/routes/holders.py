"""The holder board: which side holds what, loading and unloading."""

from __future__ import annotations

from collections import defaultdict
from dataclasses import dataclass
from typing import Annotated

from fastapi import APIRouter

from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.core.errors import Impossible, Unsound
from emulsa.core.film import sheets
from emulsa.core.film.sheets import Holder, Sheet, Side, State
from emulsa.core.limits import Id, Length
from emulsa.core.tones.development_number import n_text
from emulsa.store import exposures, films, journal, scenes
from emulsa.store import holders as store
from emulsa.store.database import Connection

router = APIRouter(prefix="/api/holders", tags=["holders"])

SidesText = Annotated[str, Length("The sides", 1, 200)]


@dataclass(frozen=True)
class SideView:
    """One side of a holder in words."""

    side: Side
    where: str
    state: State
    sheet_id: str | None
    film_id: str | None
    film_name: str
    n_text: str
    scene_id: str | None
    scene_title: str
    exposure_id: str | None
    share_given: float


@dataclass(frozen=True)
class HolderView:
    """A holder and its two sides."""

    holder: Holder
    sides: tuple[SideView, SideView]


@dataclass(frozen=True, kw_only=True)
class Loading:
    """Film into sides, as typed: ``3-4 6B``. The id makes a repeated request harmless."""

    id: Id
    film_id: Id
    sides: SidesText


@dataclass(frozen=True, kw_only=True)
class Unloading:
    """Unexposed sheets back into their box."""

    sides: SidesText


@router.get("")
def read(db: Db) -> list[HolderView]:
    """Every holder by number."""
    return board(db)


@router.put("/{id}", openapi_extra=documented(Holder))
def put(id: str, db: Db, holder: Holder = body(Holder)) -> Holder:  # noqa: A002
    """Keep a holder, new or changed; numbers are each given once."""
    if holder.id != id:
        raise Unsound("The id in the address and the id in the record differ.", field="id")
    taken = [each for each in store.holders(db) if each.number == holder.number and each.id != id]
    if taken:
        raise Impossible(f"There is a holder {holder.number} already.", field="number")
    with journal.action(db, f"holder {holder.number}", now()):
        store.put_holder(db, holder)
    return holder


@router.delete("/{id}", status_code=204)
def delete(id: str, db: Db) -> None:  # noqa: A002
    """Take an empty holder off the board."""
    view = next((each for each in board(db) if each.holder.id == id), None)
    if view is None:
        raise NotFound("There is no such holder.", field="id")
    if any(side.sheet_id for side in view.sides):
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
    chosen = sheets.sides(loading.sides, set(by_number))
    with journal.action(db, f"{loading.sides} loaded with {film.name}", now()):
        for number, side in chosen:
            id_ = f"{loading.id}-{number}{side}"
            there = store.in_side(db, by_number[number].id, side)
            if there is not None and there.id == id_:
                continue  # handed in a second time
            sheets.move(there.state if there else "empty", "load", f"{number}{side}")
            sheet = Sheet(
                id=id_,
                film_id=film.id,
                holder_id=by_number[number].id,
                side=side,
                state="loaded",
                loaded_at=now(),
            )
            store.put_sheet(db, sheet)
    return board(db)


@router.post("/unload", openapi_extra=documented(Unloading))
def unload(db: Db, unloading: Unloading = body(Unloading)) -> list[HolderView]:
    """Take unexposed sheets out again; one undoable action."""
    by_number = {each.number: each for each in store.holders(db)}
    with journal.action(db, f"{unloading.sides} unloaded", now()):
        for number, side in sheets.sides(unloading.sides, set(by_number)):
            there = store.in_side(db, by_number[number].id, side)
            sheets.move(there.state if there else "empty", "unload", f"{number}{side}")
            assert there is not None
            store.delete_sheet(db, there.id)
    return board(db)


def board(db: Connection) -> list[HolderView]:
    names = {each.id: each.name for each in films.films(db)}
    in_side = {(each.holder_id, each.side): each for each in store.sheets(db)}
    log = exposures.exposures(db)
    exposed = {each.sheet_id: each for each in log}
    shares: dict[str, float] = defaultdict(float)
    for each in log:
        shares[each.sheet_id] += each.share

    def view(holder: Holder, side: Side) -> SideView:
        sheet = in_side.get((holder.id, side))
        exposure = exposed.get(sheet.id) if sheet else None
        scene = scenes.scene(db, exposure.scene_id) if exposure else None
        return SideView(
            side=side,
            where=f"{holder.number}{side}",
            state=sheet.state if sheet else "empty",
            sheet_id=sheet.id if sheet else None,
            film_id=sheet.film_id if sheet else None,
            film_name=names[sheet.film_id] if sheet else "",
            n_text=n_text(exposure.n) if exposure else "",
            scene_id=scene.id if scene else None,
            scene_title=scene.title if scene else "",
            exposure_id=exposure.id if exposure else None,
            share_given=shares[sheet.id] if sheet else 0.0,
        )

    return [
        HolderView(holder, (view(holder, "A"), view(holder, "B"))) for holder in store.holders(db)
    ]
