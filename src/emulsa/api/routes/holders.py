"""The holder board: which side holds what, loading sessions, unloading into boxes."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Annotated, Any

from emulsa.api.keeping import own_id, unchanged
from emulsa.api.lookup import needed
from emulsa.api.replies import PDF, attached
from emulsa.api.routing import Act, Db, File, Routes
from emulsa.api.views.done import Done
from emulsa.api.views.exposures import shot_text
from emulsa.api.views.holders import BoxView, HolderView, SideView, board
from emulsa.core import wire
from emulsa.core.data.loading import ListKey
from emulsa.core.errors import Impossible
from emulsa.core.film.acts.loading import Box, Loading, Unloading, load_sides, unload_sides
from emulsa.core.film.holders import Holder, sides
from emulsa.core.kit.loading import LoadingList, loading_lists, with_steps
from emulsa.core.limits import Length
from emulsa.core.versions import version_of
from emulsa.exchange.cards import pdf
from emulsa.store import exposures, films, pieces, preferences, stock
from emulsa.store import holders as store

routes = Routes("holders", "/api/holders")


@dataclass(frozen=True)
class ShownList:
    """A list, and the version of it as it stands."""

    list: LoadingList
    version: str


@dataclass(frozen=True, kw_only=True)
class OwnList:
    """Steps of a list as they are typed, one in a line."""

    text: Annotated[str, Length("What is typed of a list", 0, 4_000)]


@routes.question("")
def read(db: Db) -> list[HolderView]:
    """Every holder by number; retired ones are told apart by the flag."""
    return board(db)


@routes.question("/lists")
def lists(db: Db) -> tuple[ShownList, ...]:
    """What to mind while film is loaded, in order: in the bag, in the dark, into a camera."""
    found = loading_lists(preferences.preferences(db))
    return tuple(ShownList(each, version_of(each)) for each in found)


@routes.act("PUT", "/lists/{key}")
def put_list(act: Act, key: ListKey, base: str, own: OwnList) -> ShownList:
    """Keep one's own steps of a list; without any, or the usual ones, it is the usual list."""
    kept = preferences.preferences(act.db)
    known = next(each for each in loading_lists(kept) if each.key == key)
    steps = tuple(each.strip() for each in own.text.splitlines() if each.strip())
    changed = replace(kept, loading=with_steps(kept, key, steps))
    after = next(each for each in loading_lists(changed) if each.key == key)
    act.says(f"change the steps of {after.title[0].lower()}{after.title[1:]}")
    unchanged(after.title, known, after, base)
    preferences.put(act.db, changed)
    return ShownList(after, version_of(after))


@routes.question("/sides")
def named(db: Db, text: Annotated[str, Length("The sides", 0, 200)] = "") -> list[str]:
    """The sides that ``3-4 6B`` names, each as one writes it on a holder."""
    if not text.strip():
        return []
    numbers = {each.number for each in store.holders(db)}
    return [f"{number}{side}" for number, side in sides(text, numbers)]


@routes.question("/boxes")
def exposed_boxes(db: Db) -> list[BoxView]:
    """Boxes of exposed sheets that were taken out of their holders."""
    boxes = pieces.boxes(db)
    shots = exposures.shots(db, [each.id for sheets in boxes.values() for each in sheets])
    return [
        BoxView(
            name,
            tuple(
                ", ".join(filter(None, (each.label, shot_text(shots.get(each.id, [])))))
                for each in sheets
            ),
        )
        for name, sheets in boxes.items()
    ]


def _labelled(side: SideView) -> dict[str, Any]:
    exposed = side.state == "exposed"
    return {
        "side": side.side,
        "film": side.film_name if exposed else "",
        "n_text": side.n_text if exposed else "",
        "scene": side.scene_title if exposed else "",
        "slip": wire.encode(side.slip) if exposed and side.slip else None,
    }


@routes.question("/labels.pdf", media_type=PDF)
def labels(db: Db) -> File:
    """A label for each side of every holder in use, to cut out and tape on; on one that is exposed,
    what it was exposed on."""
    data = [
        {
            "number": each.holder.number,
            "format": each.format_name,
            "sides": [_labelled(side) for side in each.sides],
        }
        for each in board(db)
        if not each.holder.retired
    ]
    return attached(pdf.render("labels", {"holders": data}), PDF, "labels", "pdf")


@routes.act("PUT", "/{id}")
def put(act: Act, id: str, base: str, holder: Holder) -> Holder:  # noqa: A002
    """Keep a holder, new or changed; numbers are each given once, a loaded one keeps its format
    and its number."""
    own_id(id, holder)
    known = store.holders(act.db)
    before = next((each for each in known if each.id == id), None)
    if any(each.number == holder.number and each.id != id for each in known):
        raise Impossible(f"There is a holder {holder.number} already.", field="number")
    loaded = any(each.holder_id == id for each in pieces.in_holders(act.db))
    if loaded and before is not None:
        if holder.retired and not before.retired:
            raise Impossible("This holder still has film in it; empty it first.", field="retired")
        if holder.format != before.format:
            raise Impossible("This holder still has film in it; empty it first.", field="format")
        if holder.number != before.number:
            raise Impossible(
                f"This holder still has film in it, and its sheets are called {before.number}A and"
                f" {before.number}B; empty it first.",
                field="number",
            )
    act.says(f"save holder {holder.number}")
    unchanged(f"Holder {holder.number}", before, holder, base)
    act.keep(holder)
    return needed(act.read_back(holder), "This holder was not found.")


@routes.act("DELETE", "/{id}")
def delete(act: Act, id: str) -> Done:  # noqa: A002
    """Take an empty holder off the board; one that exposed film is retired instead."""
    known = {each.id: each for each in store.holders(act.db)}
    holder = needed(known.get(id), "This holder was not found.")
    if any(each.holder_id == id for each in pieces.in_holders(act.db)):
        raise Impossible("This holder still has film in it; empty it first.", field="id")
    act.says(f"remove holder {holder.number}")
    store.delete(act.db, id)
    return Done(f"remove holder {holder.number}", (id,))


@routes.act("POST", "/load")
def load(act: Act, loading: Loading) -> Done:
    """Load all the sides named or none; a loading handed in twice, or late, is one loading."""
    film = films.film(act.db, loading.film_id)
    outcome = load_sides(
        loading,
        needed(film, "This film is not in the kit.", "film_id"),
        store.board(act.db, loading.id),
        _box(act.db, loading.stock_id),
        act.moment,
    )
    act.carry_out(outcome)
    return Done(outcome.says, tuple(each.piece_id for each in outcome.moved))


@routes.act("POST", "/unload")
def unload(act: Act, unloading: Unloading) -> Done:
    """Take sheets out of their holders."""
    outcome = unload_sides(unloading, store.board(act.db), act.moment)
    act.carry_out(outcome)
    return Done(outcome.says, tuple(each.piece_id for each in outcome.moved))


def _box(db: Db, stock_id: str | None) -> Box | None:
    if stock_id is None:
        return None
    return needed(stock.box(db, stock_id), "This box of film was not found.", "stock_id")
