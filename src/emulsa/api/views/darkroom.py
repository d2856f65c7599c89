"""What waits in the dark, read for the darkroom, the evening and a run's minutes alike."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.corrections.film_kinds import has_n
from emulsa.core.darkroom.plan import rotary
from emulsa.core.darkroom.run import Run
from emulsa.core.darkroom.waiting import Exposed, Undecided, WaitingFilm, waiting_film
from emulsa.core.data.agitation import IN_TRAYS
from emulsa.core.development.negative import Tankful
from emulsa.core.development.recipes import Recipe
from emulsa.core.kit.darkroom import age_of
from emulsa.store import darkroom, exposures, films, pieces, preferences, rolls, scenes
from emulsa.store.database import Connection


@dataclass(frozen=True)
class Tanking:
    """Where film would be developed: how warm, in which tank, from which bottles; all of it may be
    open yet."""

    temperature_c: float | None
    tank_id: str | None = None
    bottle_ids: tuple[str, ...] = ()


def tankful_of(db: Connection, of: Tanking | Run, recipe: Recipe) -> Tankful:
    """What a tank, its bottles and its warmth do to the time of a recipe."""
    tank = darkroom.tank(db, of.tank_id)
    return Tankful(
        temperature_c=of.temperature_c,
        age_change=age_of(darkroom.bottles_of(db, of.bottle_ids)),
        rotary=tank is not None and rotary(tank, recipe),
        in_tray=tank is not None and tank.agitation in IN_TRAYS,
    )


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
