"""Rolls: loading, winding, changing in mid-roll, cutting, and one development for many frames."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.keeping import own_id, unchanged
from emulsa.api.lookup import needed
from emulsa.api.routing import Act, Db, Routes
from emulsa.api.views.done import Done
from emulsa.api.views.rolls import RollView, recipe_for, roll_views, wanted_frames
from emulsa.core.film.acts import rolling
from emulsa.core.film.acts.loading import RollLoading, load_roll, unload_roll
from emulsa.core.film.acts.rolling import (
    Cutting,
    PuttingBack,
    StripDevelopment,
    TakingOut,
    Weighing,
)
from emulsa.core.film.moves import Outcome
from emulsa.core.film.roll_development import RollChoice, choices
from emulsa.core.film.rolls import Roll, Strip
from emulsa.core.limits import ExposureIndex
from emulsa.store import films, holders, pieces, stock
from emulsa.store import rolls as store

routes = Routes("rolls", "/api/rolls")


@dataclass(frozen=True)
class StripChoices:
    """Every development a strip could have, and the recipe its frames were exposed for."""

    choices: tuple[RollChoice, ...]
    recipe_id: str | None


@routes.question("")
def read(db: Db) -> list[RollView]:
    """Every roll, latest first."""
    return roll_views(db)


@routes.act("POST", "")
def load(act: Act, loading: RollLoading) -> Done:
    """Load a roll; one of this id that is there already stays as it is."""
    if store.roll(act.db, loading.id) is not None:
        return Done("", (loading.id,))
    film = needed(films.film(act.db, loading.film_id), "This film is not in the kit.", "film_id")
    box = None
    if loading.stock_id is not None:
        said = "This box of film was not found."
        box = needed(stock.box(act.db, loading.stock_id), said, "stock_id")
    number = store.next_number(act.db)
    outcome = load_roll(loading, film, box, number, act.moment, holders.formats(act.db))
    return _done(act, outcome, loading.id)


@routes.act("PUT", "/{id}")
def put(act: Act, id: str, base: str, roll: Roll) -> Roll:  # noqa: A002
    """Change a roll's note, camera, back or rating; a roll with exposures keeps its rating."""
    own_id(id, roll)
    known = _found(act.db, id)
    outcome = rolling.change(known, roll, pieces.of_roll(act.db, id))
    unchanged(f"Roll {known.number}", known, outcome.kept[0], base)
    act.carry_out(outcome)
    return _found(act.db, id)


@routes.act("DELETE", "/{id}")
def unload(act: Act, id: str) -> Done:  # noqa: A002
    """Take a roll out unexposed: as if it had not been loaded; its steps stay in the log."""
    roll, frames = _found(act.db, id), pieces.of_roll(act.db, id)
    return _done(act, unload_roll(roll, frames, store.strips_of(act.db, id), act.moment), id)


@routes.act("POST", "/{id}/advanced", says_over=True)
def advanced(act: Act, id: str) -> Done:  # noqa: A002
    """The film was seen to move: the rewind knob turned, or the backing paper ran."""
    return _done(act, rolling.advance(_found(act.db, id)), id)


@routes.act("POST", "/{id}/skip", says_over=True)
def skip(act: Act, id: str) -> Done:  # noqa: A002
    """Wind on without an exposure: the frame stays blank."""
    roll, frames = _found(act.db, id), pieces.of_roll(act.db, id)
    return _done(act, rolling.wind_on(roll, frames, act.moment), id)


@routes.act("POST", "/{id}/take-out")
def take_out(act: Act, id: str, taking: TakingOut) -> Done:  # noqa: A002
    """Out of the camera; frames that were not exposed stay unexposed."""
    return _done(act, rolling.take_out(_found(act.db, id), taking), id)


@routes.act("POST", "/{id}/put-back")
def put_back(act: Act, id: str, putting: PuttingBack) -> Done:  # noqa: A002
    """Into a camera again, wound on to the first frame of the unexposed rest; check that it
    moves."""
    roll, frames = _found(act.db, id), pieces.of_roll(act.db, id)
    return _done(act, rolling.put_back(roll, putting, frames, store.strips_of(act.db, id)), id)


@routes.act("POST", "/{id}/cut")
def cut(act: Act, id: str, cutting: Cutting) -> Done:  # noqa: A002
    """Cut a roll that is out of the camera into strips, or make it one again; each strip its own
    development, an unexposed rest to be loaded again."""
    roll, frames = _found(act.db, id), pieces.of_roll(act.db, id)
    strips = store.strips_of(act.db, id)
    return _done(act, rolling.cut(roll, frames, strips, cutting, act.moment), id)


@routes.act("POST", "/{id}/weight", says_over=True)
def weigh(act: Act, id: str, weighing: Weighing) -> Done:  # noqa: A002
    """Say how much a frame matters when one development must serve the roll."""
    return _done(act, rolling.weigh(_found(act.db, id), pieces.of_roll(act.db, id), weighing), id)


@routes.question("/strips/{id}/choices")
def strip_choices(
    db: Db,
    id: str,  # noqa: A002
    exposure_index: ExposureIndex | None = None,
) -> StripChoices:
    """Every development this strip could have, and what each frame would lose by it; at another EI
    than the roll's when one is named."""
    strip = _strip(db, id)
    roll = _found(db, strip.roll_id)
    frames = wanted_frames(db, roll, strip, exposure_index)
    return StripChoices(choices(frames), recipe_for(db, roll, frames))


@routes.act("POST", "/strips/{id}/development", says_over=True)
def develop_for(act: Act, id: str, chosen: StripDevelopment) -> Done:  # noqa: A002
    """Choose the one development of a strip."""
    strip = _strip(act.db, id)
    return _done(act, rolling.choose(_found(act.db, strip.roll_id), strip, chosen), id)


def _done(act: Act, outcome: Outcome, id_: str) -> Done:
    act.carry_out(outcome)
    return Done(outcome.says, (id_,))


def _found(db: Db, id_: str) -> Roll:
    return needed(store.roll(db, id_), "This roll was not found.")


def _strip(db: Db, id_: str) -> Strip:
    said = "This strip was not found; the roll may have been cut again."
    return needed(store.strip(db, id_), said)
