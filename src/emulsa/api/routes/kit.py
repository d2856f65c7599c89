"""Films, recipes, cameras, lenses, pinholes, filters and meters: read together, kept one by one."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from fastapi import APIRouter

from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.core.errors import Unsound
from emulsa.core.film.emulsions import Film, FilmRecipe
from emulsa.core.kit import Camera, KitFilter, KitLens, KitPinhole, Meter
from emulsa.store import films, journal
from emulsa.store import kit as store
from emulsa.store.database import Connection

router = APIRouter(prefix="/api/kit", tags=["kit"])


@dataclass(frozen=True)
class Kit:
    """Everything one owns, each list by name."""

    films: list[Film]
    recipes: list[FilmRecipe]
    cameras: list[Camera]
    lenses: list[KitLens]
    pinholes: list[KitPinhole]
    filters: list[KitFilter]
    meters: list[Meter]


@dataclass(frozen=True)
class Kept:
    """A kind of record: its table, its type and how it is kept."""

    table: str
    kind: Any
    put: Callable[[Connection, Any], None]


KINDS = {
    "films": Kept("film", Film, films.put_film),
    "recipes": Kept("recipe", FilmRecipe, films.put_recipe),
    "cameras": Kept("camera", Camera, store.put_camera),
    "lenses": Kept("lens", KitLens, store.put_lens),
    "pinholes": Kept("pinhole", KitPinhole, store.put_pinhole),
    "filters": Kept("filter", KitFilter, store.put_filter),
    "meters": Kept("meter", Meter, store.put_meter),
}


def everything(db: Connection) -> Kit:
    return Kit(
        films=films.films(db),
        recipes=films.recipes(db),
        cameras=store.cameras(db),
        lenses=store.lenses(db),
        pinholes=store.pinholes(db),
        filters=store.filters(db),
        meters=store.meters(db),
    )


@router.get("")
def read(db: Db) -> Kit:
    """The whole kit."""
    return everything(db)


def _add(plural: str, kept: Kept) -> None:
    def put(id: str, db: Db, record: Any = body(kept.kind)) -> Any:  # noqa: A002 - the path's name
        if record.id != id:
            raise Unsound("The id in the address and the id in the record differ.", field="id")
        with journal.action(db, f"{record.name} in the kit", now()):
            kept.put(db, record)
        return record

    def delete(id: str, db: Db) -> None:  # noqa: A002 - the path's name
        known = [each for each in getattr(everything(db), plural) if each.id == id]
        if not known:
            raise NotFound(f"There is no such {kept.table}.", field="id")
        with journal.action(db, f"{known[0].name} taken out of the kit", now()):
            store.delete(db, kept.table, id)

    router.add_api_route(
        f"/{plural}/{{id}}",
        put,
        methods=["PUT"],
        operation_id=f"put_{kept.table}",
        summary=f"Keep a {kept.table}, new or changed.",
        response_model=kept.kind,
        openapi_extra=documented(kept.kind),
    )
    router.add_api_route(
        f"/{plural}/{{id}}",
        delete,
        methods=["DELETE"],
        operation_id=f"delete_{kept.table}",
        summary=f"Delete a {kept.table} nothing uses.",
        status_code=204,
    )


for name, each in KINDS.items():
    _add(name, each)
