"""Everything one owns, from films to sheet sizes: read together, kept one by one."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Annotated, Any

from emulsa.api.answers import Routes
from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.keeping import own_id, unchanged
from emulsa.api.versions import version_of
from emulsa.core.chemistry.powder import Powder
from emulsa.core.data.line import REUSED
from emulsa.core.development import data_sheet
from emulsa.core.development.agitation import words
from emulsa.core.development.data_sheet import DataSheet, Pasted
from emulsa.core.film.formats import SheetFormat
from emulsa.core.kit.bag import Camera, KitFilter, KitLens, KitPinhole, Meter
from emulsa.core.kit.darkroom import Bottle, Line, Tank
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.limits import Length
from emulsa.store import darkroom, films, holders, journal
from emulsa.store import kit as store
from emulsa.store.database import Connection

router = Routes(prefix="/api/kit", tags=["kit"])


@dataclass(frozen=True)
class Kit:
    """Everything one owns, each list by name; ``agitations`` are the ways of moving film there are,
    in words, ``reused`` the kinds of bottles that serve run after run."""

    films: list[Film]
    recipes: list[FilmRecipe]
    cameras: list[Camera]
    lenses: list[KitLens]
    pinholes: list[KitPinhole]
    filters: list[KitFilter]
    meters: list[Meter]
    formats: list[SheetFormat]
    tanks: list[Tank]
    lines: list[Line]
    bottles: list[Bottle]
    powders: list[Powder]
    agitations: dict[str, str]
    reused: tuple[str, ...]
    versions: dict[str, str]


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
    "formats": Kept("sheet_format", SheetFormat, holders.put_format),
    "tanks": Kept("tank", Tank, darkroom.put_tank),
    "lines": Kept("line", Line, darkroom.put_line),
    "bottles": Kept("bottle", Bottle, darkroom.put_bottle),
    "powders": Kept("powder", Powder, darkroom.put_powder),
}


def everything(db: Connection) -> Kit:
    lists: dict[str, list[Any]] = {
        "films": films.films(db),
        "recipes": films.recipes(db),
        "cameras": store.cameras(db),
        "lenses": store.lenses(db),
        "pinholes": store.pinholes(db),
        "filters": store.filters(db),
        "meters": store.meters(db),
        "formats": holders.formats(db),
        "tanks": darkroom.tanks(db),
        "lines": darkroom.lines(db),
        "bottles": darkroom.bottles(db),
        "powders": darkroom.powders(db),
    }
    records = (each for members in lists.values() for each in members)
    return Kit(
        **lists,
        agitations=words(),
        reused=REUSED,
        versions={each.id: version_of(each) for each in records},
    )


@router.get("")
def read(db: Db) -> Kit:
    """The whole kit."""
    return everything(db)


def _known(db: Connection, plural: str, id_: str) -> Any:
    return next((each for each in getattr(everything(db), plural) if each.id == id_), None)


def _add(plural: str, kept: Kept) -> None:
    def put(
        id: str,  # noqa: A002 - the path's name
        db: Db,
        record: Any = body(kept.kind),
        base: str | None = None,
    ) -> Any:
        own_id(id, record)
        with journal.action(db, f"{record.name} in the kit", now()):
            unchanged(record.name, _known(db, plural, id), record, base)
            kept.put(db, record)
        return record

    def delete(id: str, db: Db) -> None:  # noqa: A002 - the path's name
        known = _known(db, plural, id)
        if known is None:
            raise NotFound(f"There is no such {kept.table.replace('_', ' ')}.", field="id")
        with journal.action(db, f"{known.name} taken out of the kit", now()):
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


@dataclass(frozen=True, kw_only=True)
class PastedSheet:
    """A data sheet as it was pasted."""

    text: Pasted


@dataclass(frozen=True, kw_only=True)
class NewRecipes:
    """Recipes that come together, as a data sheet's."""

    recipes: Annotated[tuple[FilmRecipe, ...], Length("Recipes", 1, 200)]


@router.post("/data-sheet", openapi_extra=documented(PastedSheet))
def read_sheet(pasted: PastedSheet = body(PastedSheet)) -> DataSheet:
    """What a pasted data sheet says, row by row; nothing is kept."""
    return data_sheet.read(pasted.text)


@router.post("/recipes", openapi_extra=documented(NewRecipes))
def add_recipes(db: Db, new: NewRecipes = body(NewRecipes)) -> list[FilmRecipe]:
    """Keep several recipes in one undoable action; sent twice, they are kept once."""
    known = {each.id for each in films.films(db)}
    if lost := next((each for each in new.recipes if each.film_id not in known), None):
        raise NotFound(f"The film of {lost.name} is not in the kit.", field="recipes")
    with journal.action(db, f"{len(new.recipes)} recipes in the kit", now()):
        for each in new.recipes:
            films.put_recipe(db, each)
    return list(new.recipes)
