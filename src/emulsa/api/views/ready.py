"""Film that can be exposed as things stand."""

from __future__ import annotations

from emulsa.api.routing import Db
from emulsa.core.film.ready import Ready, ready
from emulsa.store import exposures, films, kit, pieces, rolls


def ready_now(db: Db) -> tuple[Ready, ...]:
    """Sides by number, then rolls frame by frame from the one in the gate."""
    sheets = pieces.in_holders(db)
    loaded = [each for each in rolls.rolls(db) if each.place == "camera"]
    frames = pieces.of_rolls(db, [each.id for each in loaded])
    every = [*sheets, *(piece for of_roll in frames.values() for piece in of_roll)]
    return ready(
        sheets,
        frames,
        loaded,
        {each.id: each for each in films.films(db)},
        exposures.shots(db, [each.id for each in every]),
    )


def camera_of(db: Db, optics_id: str | None) -> str | None:
    """The camera a lens or a pinhole is on; nothing where that was not said."""
    optics = kit.lens(db, optics_id) or kit.pinhole(db, optics_id)
    return optics.camera_id if optics else None
