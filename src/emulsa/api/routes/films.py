"""A film's own page: what was done with it, and what it is good for."""

from __future__ import annotations

from dataclasses import dataclass, replace

from emulsa.api.keeping import unchanged
from emulsa.api.lookup import needed
from emulsa.api.routing import Act, Db, Routes, now
from emulsa.api.views.films import FilmPage, page_of
from emulsa.core.bench.tried import rated
from emulsa.core.development.recipes import Minutes
from emulsa.core.kit.films import FilmRecipe
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.limits import ExposureIndex
from emulsa.core.numbers import plain
from emulsa.store import films

routes = Routes("films", "/api/films")


@dataclass(frozen=True, kw_only=True)
class OwnMinutes:
    """Minutes for film exposed at an index."""

    ei: ExposureIndex
    minutes: Minutes


@routes.question("/{id}")
def read(db: Db, id: str) -> FilmPage:  # noqa: A002
    """What was done with a film by developer and index, how far it prints, what it is used for."""
    film = needed(films.film(db, id), "This film is not in the kit any more.")
    return page_of(db, film, now())


@routes.act("POST", "/recipes/{id}/rating")
def rate(act: Act, id: str, base: str, own: OwnMinutes) -> FilmRecipe:  # noqa: A002
    """Keep one's own minutes of a recipe at an index, as its negatives ask; those of N stay."""
    recipe = needed(films.recipe(act.db, id), "This recipe was not found.")
    changed = replace(recipe, recipe=rated(recipe.recipe, own.ei, own.minutes))
    act.says(f"use {minutes_text(own.minutes)} at EI {plain(own.ei)} in {recipe.name}")
    unchanged(recipe.name, recipe, changed, base)
    act.keep(changed)
    return changed
