"""How the demo's records are made: through the same core and store as a user's."""

from __future__ import annotations

from emulsa import __version__
from emulsa.core.film.pieces import Piece, Side
from emulsa.core.light.meters import EvReading
from emulsa.core.logged.log import log
from emulsa.core.logged.record import Given, Taken
from emulsa.core.scene.plan import plan
from emulsa.core.scene.record import Scene, SceneReading
from emulsa.demo import bag
from emulsa.store import exposures, films, pieces, scenes, stock
from emulsa.store.database import Connection


def reading(day: str, id_: str, label: str, ev: float, minute: int) -> SceneReading:
    """A reading so many minutes after nine."""
    taken_at = f"{day}T{9 + minute // 60:02d}:{minute % 60:02d}:00.000Z"
    return SceneReading(id=id_, label=label, reading=EvReading(ev=ev), taken_at=taken_at)


def sheet(connection: Connection, id_: str, where: str, film_id: str, at: str) -> Piece:
    """A sheet loaded into a side."""
    side: Side = "A" if where.endswith("A") else "B"
    piece = Piece(
        id=id_,
        film_id=film_id,
        stock_id=bag.BOX_OF.get(film_id),
        label=where,
        holder_id=f"holder-{where[:-1]}",
        side=side,
        state="loaded",
        loaded_at=at,
    )
    return pieces.load(connection, piece)


def expose(connection: Connection, scene: Scene, id_: str, piece_id: str, at: str) -> None:
    """An exposure as planned."""
    request = plan(scene, scenes.kit_of(connection, scene))
    recipe = films.first_recipe(connection, scene.film_id or "")
    taken = Taken(
        lens_id=scene.lens_id,
        pinhole_id=scene.pinhole_id,
        filter_ids=scene.filter_ids,
        exposure_index=request.ei,
        cost=stock.piece_cost(connection, piece_id),
    )
    given = Given(id=id_, scene_id=scene.id, piece_id=piece_id)
    recipe_id = recipe.id if recipe else None
    exposures.put(connection, log(given, request, recipe_id, at, __version__, taken))
    piece = pieces.piece(connection, piece_id)
    assert piece is not None
    pieces.move(connection, piece, "expose", at, scene.title)
