"""Learning: what judged negatives say, and what is made of it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.api.keeping import unchanged
from emulsa.api.lookup import needed
from emulsa.api.routing import Act, Db, Routes
from emulsa.api.views.learned import learned
from emulsa.core.bench.negatives import Learned
from emulsa.core.bench.tested import after_learning, rated_after_learning
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.limits import Id, Length
from emulsa.store import films

routes = Routes("learning", "/api/bench/learned", tag="bench")

Without = Annotated[tuple[Id, ...], Length("Negatives left out", 0, 400)]


@dataclass(frozen=True, kw_only=True)
class LeftOut:
    """Whose negatives are weighed, and which of them are left out."""

    without: Without = ()


@routes.question("/{id}", "POST")
def weigh(db: Db, id: str, left_out: LeftOut) -> Learned:  # noqa: A002
    """What the judged negatives of a recipe say without some of them."""
    return learned(db, id, left_out.without)


@routes.act("POST", "/{id}/use", works_out=True)
def use(act: Act, id: str, base: str, left_out: LeftOut) -> FilmRecipe:  # noqa: A002
    """Make what the negatives say personal points of the recipe, which name them."""
    recipe = needed(films.recipe(act.db, id), "This recipe was not found.")
    found = learned(act.db, id, left_out.without)
    labels = [
        each.label
        for each in found.negatives
        if each.piece_id not in found.without and not each.left_out
    ]
    changed = after_learning(recipe, found.answer, labels)
    act.says(f"use what negatives say of {recipe.name}")
    unchanged(recipe.name, recipe, changed, base)
    act.keep(changed)
    return changed


@routes.act("POST", "/{id}/rate", works_out=True)
def rate(act: Act, id: str, base: str, left_out: LeftOut) -> Film:  # noqa: A002
    """Rate the film as the shadows of a recipe's judged negatives say."""
    recipe = needed(films.recipe(act.db, id), "This recipe was not found.")
    film = needed(films.film(act.db, recipe.film_id), "This film is not in the kit.")
    answer = learned(act.db, id, left_out.without).answer
    changed = rated_after_learning(film, recipe, answer)
    act.says(f"rate {film.name} as its negatives say")
    unchanged(film.name, film, changed, base)
    act.keep(changed)
    return changed
