"""Everything one owns, from films to sheet sizes: read together, kept one by one."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Annotated, Any

from emulsa.api.keeping import own_id, unchanged
from emulsa.api.lookup import needed
from emulsa.api.routing import Act, Db, Routes
from emulsa.api.views.done import Done
from emulsa.core.chemistry import dilution
from emulsa.core.chemistry.powder import Powder
from emulsa.core.corrections.filters import amount_text
from emulsa.core.corrections.optics import Lens, Pinhole
from emulsa.core.corrections.pinhole import DEFAULT_FORMAT_MM
from emulsa.core.corrections.pinhole import Side as FormatSide
from emulsa.core.corrections.reciprocity import Law
from emulsa.core.data.developers import DEVELOPERS
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.data.line import REUSED
from emulsa.core.development import data_sheet
from emulsa.core.development.agitation import scheme_text, words
from emulsa.core.development.data_sheet import DataSheet, Pasted
from emulsa.core.development.recipes import Recipe, settled
from emulsa.core.film.formats import SheetFormat
from emulsa.core.kit.bag import Camera, KitFilter, KitLens, KitPinhole, Meter, goes_on, in_front
from emulsa.core.kit.darkroom import Bottle, Line, Tank
from emulsa.core.kit.described import described
from emulsa.core.kit.drawn import RecordDrawn, drawn
from emulsa.core.kit.films import Film, FilmRecipe, rerated
from emulsa.core.kit.kinds import KindSaid, kind_said
from emulsa.core.kit.pictured import (
    LadderRung,
    LawDrawn,
    MarkShown,
    SeenByPinhole,
    ladder,
    law_drawn,
    lens_marks,
    seen,
)
from emulsa.core.kit.printing import Enlarger, PrintingPaper
from emulsa.core.kit.starters import STARTERS, starter
from emulsa.core.kit.table_text import table_texts
from emulsa.core.kit.usual import offered
from emulsa.core.kit.view import by_hand_text, seen_text
from emulsa.core.limits import Length
from emulsa.core.versions import version_of
from emulsa.store import films, preferences, rows
from emulsa.store import kit as store
from emulsa.store.records import KINDS
from emulsa.store.rows import Table

routes = Routes("kit", "/api/kit")


@dataclass(frozen=True)
class StarterLine:
    """A set to begin with, and what is in it."""

    key: str
    title: str
    says: str


@dataclass(frozen=True, kw_only=True)
class Starting:
    """A set to add; its records' ids begin with ``id``."""

    id: Annotated[str, Length("A set's id", 1, 40)]


@dataclass(frozen=True)
class Kit:
    """Everything one owns, each list by name.

    ``agitations`` are the ways of moving film there are, in words; ``said`` is each record in a
    line, ``tables`` its tables as they are typed, ``amounts`` what each filter takes, ``goes_on``
    the lenses it fits; ``usual`` what is taken of a list while nothing is chosen; ``reused`` the
    kinds of bottles that serve run after run, ``developers`` generic names with their usual
    dilutions, ``starters`` sets to begin with.
    """

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
    papers: list[PrintingPaper]
    enlargers: list[Enlarger]
    agitations: dict[str, str]
    said: dict[str, str]
    tables: dict[str, dict[str, str]]
    amounts: dict[str, str]
    goes_on: dict[str, tuple[str, ...]]
    usual: dict[str, str]
    reused: tuple[str, ...]
    developers: tuple[tuple[str, tuple[str, ...]], ...]
    starters: tuple[StarterLine, ...]
    versions: dict[str, str]


@dataclass(frozen=True, kw_only=True)
class PastedSheet:
    """A data sheet as it was pasted."""

    text: Pasted


@dataclass(frozen=True, kw_only=True)
class PinholeTyped:
    """A pinhole as it is typed, before a format."""

    optics: Pinhole
    format_mm: tuple[FormatSide, FormatSide] = DEFAULT_FORMAT_MM


@dataclass(frozen=True, kw_only=True)
class LawTyped:
    """A reciprocity law as it is typed."""

    law: Law


@dataclass(frozen=True, kw_only=True)
class NewRecipes:
    """Recipes that come together, as a data sheet's."""

    recipes: Annotated[tuple[FilmRecipe, ...], Length("Recipes", 1, 200)]


@routes.question("")
def read(db: Db) -> Kit:
    """The whole kit."""
    lists = store.everything(db)
    factor = preferences.preferences(db).hand_factor
    records = [each for members in lists.values() for each in members]
    names = {each.id: each.name for each in lists["films"]}
    agitations = words() | {key: scheme_text(key) for key in _schemes(lists)}
    first = {kind: next(iter(offered(members)), None) for kind, members in lists.items()}
    return Kit(
        **lists,
        agitations=agitations,
        said={
            each.id: _said(each, names, agitations, lists["cameras"], factor) for each in records
        },
        tables={each.id: told for each in records if (told := table_texts(each))},
        amounts={each.id: amount_text(each.filter) for each in lists["filters"]},
        goes_on={
            each.id: tuple(lens.id for lens in lists["lenses"] if goes_on(each, lens))
            for each in lists["filters"]
        },
        usual={kind: each.id if each else "" for kind, each in first.items()},
        reused=REUSED,
        developers=DEVELOPERS,
        starters=tuple(StarterLine(each.key, each.title, each.says) for each in STARTERS),
        versions={each.id: version_of(each) for each in records},
    )


@routes.question("/drawn")
def read_drawn(db: Db) -> dict[str, RecordDrawn]:
    """Each record's small drawing, by its id."""
    records = [each for members in store.everything(db).values() for each in members]
    return {each.id: found for each in records if (found := drawn(each)) is not None}


def _said(
    record: Any,
    names: dict[str, str],
    agitations: dict[str, str],
    cameras: list[Camera],
    factor: float,
) -> str:
    told = (described(record, names, agitations), _seen(record, cameras, factor))
    return ", ".join(filter(None, told))


def _seen(record: Any, cameras: list[Camera], factor: float) -> str:
    """What a lens or pinhole takes in on its camera's format, and from which time one holds it."""
    if not isinstance(record, (KitLens, KitPinhole)):
        return ""
    own = next((each for each in cameras if each.id == record.camera_id), None)
    if own is None:
        return ""
    there = in_front(record, own).optics if isinstance(record, KitLens) else record.optics
    told = (seen_text(there, own.format_mm), by_hand_text(there, own.format_mm, factor))
    return ", ".join(filter(None, told))


def _schemes(lists: dict[str, list[Any]]) -> set[str]:
    """The ways of agitating that are written in the kit, named or one's own."""
    baths = [bath for line in lists["lines"] for bath in line.baths]
    said = [
        *(tank.agitation for tank in lists["tanks"]),
        *(bath.agitation for bath in baths),
        *(each.recipe.scheme for each in lists["recipes"]),
    ]
    return {key for key in said if key}


def _put(table: Table[Any]) -> Callable[..., Any]:
    def put(act: Act, id: str, base: str, record: Any) -> Any:  # noqa: A002 - the path's name
        """Keep a record, new or changed; the answer is read back from where it is kept."""
        own_id(id, record)
        act.says(f"save {record.name}")
        known = rows.one(act.db, table, id)
        unchanged(record.name, known, record, base)
        _ask_dilutions(record)
        act.keep(rerated(known, record) if isinstance(record, Film) else record)
        return act.read_back(record)

    put.__annotations__ |= {"record": table.kind, "return": table.kind}
    return put


def _ask_dilutions(record: Any) -> None:
    if isinstance(record, FilmRecipe):
        settled(record.recipe.dilution, record.recipe.colon, "recipe.colon")
    if isinstance(record, Line | PrintingPaper):
        for place, bath in enumerate(record.baths):
            settled(bath.dilution, bath.colon, f"baths.{place}.colon")
            if bath.dilution:
                dilution.readable(bath.dilution, f"baths.{place}.dilution")


def _delete(table: Table[Any]) -> Callable[..., Any]:
    def delete(act: Act, id: str) -> Done:  # noqa: A002 - the path's name
        """Delete a record nothing uses."""
        said = f"This {table.name.replace('_', ' ')} was not found."
        known = needed(rows.one(act.db, table, id), said)
        act.says(f"delete {known.name}")
        store.delete(act.db, table, id)
        return Done(f"delete {known.name}", (id,))

    return delete


for plural, kept in KINDS.items():
    path = f"/{plural}/{{id}}"
    routes.add("act", "PUT", path, _put(kept), name=f"kit.put_{kept.name}")
    routes.add("act", "DELETE", path, _delete(kept), name=f"kit.delete_{kept.name}")


@routes.act("POST", "/starters/{key}")
def add_starter(act: Act, key: str, starting: Starting) -> Done:
    """Add a set to begin with; what is there already of it stays as it is."""
    chosen = starter(key, starting.id)
    act.says(f"add {chosen.title[0].lower()}{chosen.title[1:]}")
    for each in chosen.records:
        if act.read_back(each) is None:
            act.keep(each)
    return Done(f"add {chosen.title}", tuple(each.id for each in chosen.records))


@routes.question("/data-sheet", "POST")
def read_sheet(pasted: PastedSheet) -> DataSheet:
    """What a pasted data sheet says, row by row; nothing is kept."""
    return data_sheet.read(pasted.text)


@routes.question("/ladder", "POST")
def recipe_ladder(recipe: Recipe) -> tuple[LadderRung, ...]:
    """The minutes of a recipe as it is typed, N by N."""
    return ladder(recipe)


@routes.question("/lens-marks", "POST")
def marks_of_lens(optics: Lens) -> tuple[MarkShown, ...]:
    """The marks of a lens as it is typed, with the time each takes in open shade."""
    return lens_marks(optics)


@routes.question("/pinhole-facts", "POST")
def facts_of_pinhole(asked: PinholeTyped) -> SeenByPinhole:
    """What a pinhole as it is typed makes of a format."""
    return seen(asked.optics, asked.format_mm)


@routes.question("/film-kind")
def said_of_kind(kind: FilmKindName) -> KindSaid:
    """What a kind of film usually is and needs."""
    return kind_said(kind)


@routes.question("/law", "POST")
def drawing_of_law(asked: LawTyped) -> LawDrawn:
    """A reciprocity law as it is typed, to be drawn."""
    return law_drawn(asked.law)


@routes.act("POST", "/recipes")
def add_recipes(act: Act, new: NewRecipes) -> Done:
    """Keep several recipes in one undoable act; those of these ids that are there stay."""
    known = films.names(act.db)
    for each in new.recipes:
        needed(known.get(each.film_id), f"The film of {each.name} is not in the kit.", "recipes")
    act.says(f"add {len(new.recipes)} recipes")
    there = {each.id for each in films.recipes(act.db)}
    for each in new.recipes:
        if each.id not in there:
            act.keep(each)
    return Done(f"add {len(new.recipes)} recipes", tuple(each.id for each in new.recipes))
