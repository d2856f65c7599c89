"""Film that can be exposed now: unexposed sides, and the frames that come next on loaded rolls."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.api.lookup import needed
from emulsa.api.routing import Act, Db, Routes
from emulsa.api.views.done import Done
from emulsa.api.views.ready import camera_of, ready_now
from emulsa.core.film.acts.naming import Naming
from emulsa.core.film.acts.naming import name_holder as named
from emulsa.core.film.metered import MeteredSpot, metered_spots
from emulsa.core.film.ready import Fitting, Meant, Ready, meant
from emulsa.core.film.ready import fitting as fitting_of
from emulsa.core.limits import Length
from emulsa.core.logged.record import Share
from emulsa.store import attachments, exposures, films, holders, pieces

FilmMeant = Annotated[str, Length("A film's id", 0, 64)]
OpticsMeant = Annotated[str, Length("A lens's or pinhole's id", 0, 64)]
SideMeant = Annotated[str, Length("The side or frame", 0, 40)]

routes = Routes("pieces", "/api/pieces")


@routes.question("/ready")
def ready(db: Db) -> tuple[Ready, ...]:
    """Sides by number, then rolls frame by frame from the one in the gate."""
    return ready_now(db)


@dataclass(frozen=True, kw_only=True)
class Fits(Fitting):
    """Film an exposure can go onto, and which of it was meant."""

    meant: Meant


@routes.question("/fitting")
def fitting(
    db: Db,
    film_id: FilmMeant = "",
    share: Share = 1.0,
    side: SideMeant = "",
    optics_id: OpticsMeant = "",
) -> Fits:
    """The film of one kind an exposure, or a share of a multiple one, can go onto, and what the
    ``side`` that was typed means; nothing fits a scene whose film was not chosen. Film in the
    camera of the lens or pinhole comes first."""
    fits = fitting_of(ready_now(db), film_id, share, camera_of(db, optics_id or None))
    name = films.names(db).get(film_id, "film of this kind")
    return Fits(
        now=fits.now,
        unexposed=fits.unexposed,
        taken=fits.taken,
        meant=meant(fits, side, name),
    )


@routes.question("/{id}/spots")
def spots(db: Db, id: str) -> tuple[MeteredSpot, ...]:  # noqa: A002
    """The readings this negative was exposed by, from the lowest tone on: where a densitometer is
    put when it is judged. None for film that took several exposures."""
    needed(pieces.piece(db, id), "This piece of film was not found.")
    return metered_spots(exposures.of_piece(db, id))


@dataclass(frozen=True)
class Foreseen:
    """The exposure whose print was seen before the shutter, and its scene's picture."""

    exposure_id: str
    picture_id: str


@routes.question("/{id}/foreseen")
def foreseen(db: Db, id: str) -> Foreseen | None:  # noqa: A002
    """What this negative is judged against: the print its scene's picture foretold. Nothing without
    a picture, or for film that took several exposures."""
    needed(pieces.piece(db, id), "This piece of film was not found.")
    taken = exposures.of_piece(db, id)
    if len(taken) != 1 or not taken[0].request:
        return None
    picture = attachments.of_scene(db, taken[0].scene_id)
    return Foreseen(taken[0].id, picture.id) if picture else None


@routes.act("POST", "/{id}/holder")
def name_holder(act: Act, id: str, naming: Naming) -> Done:  # noqa: A002
    """Say in which side a sheet lay that was exposed without a holder."""
    piece = needed(pieces.piece(act.db, id), "This sheet was not found.")
    outcome = named(piece, naming, holders.holders(act.db), pieces.in_holders(act.db), act.moment)
    act.carry_out(outcome)
    return Done(outcome.says, (id,))
