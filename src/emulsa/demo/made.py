"""How the demo's records are made: through the same core and store as a user's."""

from __future__ import annotations

from collections.abc import Sequence

from emulsa import __version__
from emulsa.core.darkroom.acts import running
from emulsa.core.darkroom.run import Run
from emulsa.core.film.acts import exposing, judging
from emulsa.core.film.acts.exposing import Logging, Target
from emulsa.core.film.judgement import Judgement
from emulsa.core.film.moves import Outcome, load
from emulsa.core.film.pieces import Piece, Side
from emulsa.core.light.meters import EvReading
from emulsa.core.logged.record import Given
from emulsa.core.scene.plan import plan
from emulsa.core.scene.record import Scene, SceneReading
from emulsa.core.scene.solve import planned
from emulsa.demo import shelf
from emulsa.store import films, holders, pieces, records, rolls, scenes, stock
from emulsa.store.database import Connection


def reading(day: str, id_: str, label: str, ev: float, minute: int) -> SceneReading:
    """A reading so many minutes after nine."""
    taken_at = f"{day}T{9 + minute // 60:02d}:{minute % 60:02d}:00.000Z"
    return SceneReading(id=id_, label=label, reading=EvReading(ev=ev), taken_at=taken_at)


def sheet(connection: Connection, id_: str, where: str, film_id: str, at: str) -> None:
    """A sheet loaded into a side."""
    side: Side = "A" if where.endswith("A") else "B"
    piece = Piece(
        id=id_,
        film_id=film_id,
        stock_id=shelf.BOX_OF.get(film_id),
        label=where,
        holder_id=f"holder-{where[:-1]}",
        side=side,
        state="loaded",
        loaded_at=at,
    )
    records.carry_out(connection, Outcome(says="load a sheet", moved=(load(piece),)))


def expose(
    connection: Connection,
    scene: Scene,
    id_: str,
    piece_id: str,
    at: str,
    *,
    bracket_id: str | None = None,
    bracket_stops: float = 0,
) -> None:
    """An exposure as planned, or a frame of a bracket at its place."""
    piece = found(connection, piece_id)
    film = films.film(connection, piece.film_id)
    assert film is not None
    recipe = films.recipe_of(connection, scene.film_id, scene.recipe_id)
    outcome = exposing.expose(
        Given(
            id=id_,
            scene_id=scene.id,
            piece_id=piece_id,
            bracket_id=bracket_id,
            bracket_stops=bracket_stops,
        ),
        planned(scene, plan(scene, scenes.kit_of(connection, scene)), recipe),
        Target(
            piece=piece,
            film=film,
            roll=rolls.roll(connection, piece.roll_id),
            cost=stock.piece_cost(connection, piece_id),
        ),
        Logging(title=scene.title, at=at, version=__version__),
    )
    records.carry_out(connection, outcome)


def develop(connection: Connection, run: Run, ids: Sequence[str], at: str) -> None:
    """Sheets that go through a run and come out of it."""
    areas, alone = holders.areas(connection), rolls.with_film(connection, ())
    recipe = films.recipe(connection, run.recipe_id)
    assert recipe is not None
    film = [found(connection, each) for each in ids]
    begun = running.begin(run, recipe.recipe, film, alone, None, (), areas, at)
    records.carry_out(connection, begun)
    film = [found(connection, each) for each in ids]
    held = running.InRun(pieces=film, on_rolls=alone, bottles=(), areas=areas)
    records.carry_out(connection, running.developed(run, held, at))


def judge(connection: Connection, word: Judgement, at: str) -> None:
    """What is said of a developed piece."""
    records.carry_out(connection, judging.judge(found(connection, word.id), word, None, (), at))


def found(connection: Connection, id_: str) -> Piece:
    """A piece that is there."""
    piece = pieces.piece(connection, id_)
    assert piece is not None
    return piece
