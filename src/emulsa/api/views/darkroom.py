"""What waits in the dark, read for the darkroom, the evening and a run's minutes alike."""

from __future__ import annotations

from emulsa.core.corrections.film_kinds import has_n
from emulsa.core.darkroom.waiting import Exposed, Undecided, WaitingFilm, waiting_film
from emulsa.store import exposures, films, pieces, preferences, rolls, scenes
from emulsa.store.database import Connection

WAITING_AT_ONCE = 400  # sheets that wait and are shown; nobody develops more in a week


def waiting(db: Connection) -> tuple[tuple[WaitingFilm, ...], tuple[Undecided, ...]]:
    """Sheets and chosen strips that wait, and the strips nobody chose a development for; of very
    many sheets the latest."""
    exposed = pieces.latest_in_state(db, "exposed", WAITING_AT_ONCE)
    shots = exposures.shots(db, [each.id for each in exposed])
    on_rolls = {each.roll_id for each in exposed if each.roll_id}
    return waiting_film(
        Exposed(
            pieces=exposed,
            shots=shots,
            titles=scenes.titles(db, {each[-1].scene_id for each in shots.values()}),
            rolls=[each for each in rolls.rolls(db) if each.id in on_rolls] if on_rolls else (),
            strips=rolls.strips(db) if on_rolls else {},
            usual=films.usual_recipes(db),
            without_n=frozenset(each.id for each in films.films(db) if not has_n(each.kind)),
            hold_highlights=preferences.holds_highlights(db),
        )
    )
