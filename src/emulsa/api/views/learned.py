"""What the judged negatives of a recipe say."""

from __future__ import annotations

from dataclasses import replace

from emulsa.api.lookup import needed
from emulsa.api.routing import Db
from emulsa.core.bench.evidence import counted, of_negatives
from emulsa.core.bench.latitudes import latitudes
from emulsa.core.bench.negatives import Learned
from emulsa.store import bench as store
from emulsa.store import films


def learned(db: Db, recipe_id: str, without: tuple[str, ...]) -> Learned:
    recipe = needed(films.recipe(db, recipe_id), "This recipe was not found.")
    film = needed(films.film(db, recipe.film_id), "This film is not in the kit.")
    developed = store.judged(db, recipe_id)
    reference = store.reference_of(db, recipe)
    said = of_negatives(film, recipe, counted(developed, film, recipe), without, reference)
    return replace(said, latitudes=latitudes(developed))
