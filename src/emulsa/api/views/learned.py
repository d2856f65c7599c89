"""What the judged negatives of a recipe say."""

from __future__ import annotations

from emulsa.api.lookup import needed
from emulsa.api.routing import Db
from emulsa.core.bench.evidence import counted, of_negatives
from emulsa.core.bench.negatives import Learned
from emulsa.store import bench as store
from emulsa.store import films


def learned(db: Db, recipe_id: str, without: tuple[str, ...]) -> Learned:
    recipe = needed(films.recipe(db, recipe_id), "This recipe was not found.")
    film = needed(films.film(db, recipe.film_id), "This film is not in the kit.")
    negatives = counted(store.judged(db, recipe_id), film, recipe)
    return of_negatives(film, recipe, negatives, without, store.reference_of(db, recipe))
