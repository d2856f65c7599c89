"""Film that can be exposed now: unexposed sides, and the frames that come next on loaded rolls."""

from __future__ import annotations

from emulsa.api.lookup import needed
from emulsa.api.routing import Act, Db, Routes
from emulsa.api.views.done import Done
from emulsa.core.film.acts.naming import Naming
from emulsa.core.film.acts.naming import name_holder as named
from emulsa.core.film.metered import MeteredSpot, metered_spots
from emulsa.core.film.ready import Fitting, Ready
from emulsa.core.film.ready import fitting as fitting_of
from emulsa.core.film.ready import ready as ready_of
from emulsa.core.limits import Id
from emulsa.core.logged.record import Share
from emulsa.store import exposures, films, holders, pieces, rolls

routes = Routes("pieces", "/api/pieces")


@routes.question("/ready")
def ready(db: Db) -> tuple[Ready, ...]:
    """Sides by number, then rolls frame by frame from the one in the gate."""
    return _ready(db)


@routes.question("/fitting")
def fitting(db: Db, film_id: Id, share: Share = 1.0) -> Fitting:
    """The film of one kind an exposure, or a share of a multiple one, can go onto."""
    return fitting_of(_ready(db), film_id, share)


@routes.question("/{id}/spots")
def spots(db: Db, id: str) -> tuple[MeteredSpot, ...]:  # noqa: A002
    """The readings this negative was exposed by, from the lowest tone on: where a densitometer is
    put when it is judged. None for film that took several exposures."""
    needed(pieces.piece(db, id), "This piece of film was not found.")
    return metered_spots(exposures.of_piece(db, id))


@routes.act("POST", "/{id}/holder")
def name_holder(act: Act, id: str, naming: Naming) -> Done:  # noqa: A002
    """Say in which side a sheet lay that was exposed without a holder."""
    piece = needed(pieces.piece(act.db, id), "This sheet was not found.")
    outcome = named(piece, naming, holders.holders(act.db), pieces.in_holders(act.db), act.moment)
    act.carry_out(outcome)
    return Done(outcome.says, (id,))


def _ready(db: Db) -> tuple[Ready, ...]:
    sheets = pieces.in_holders(db)
    loaded = [each for each in rolls.rolls(db) if each.place == "camera"]
    frames = pieces.of_rolls(db, [each.id for each in loaded])
    every = [*sheets, *(piece for of_roll in frames.values() for piece in of_roll)]
    return ready_of(
        sheets,
        frames,
        loaded,
        {each.id: each for each in films.films(db)},
        exposures.shots(db, [each.id for each in every]),
    )
