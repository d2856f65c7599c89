"""A film's own page, put together."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

from emulsa.api.routing import Db
from emulsa.core.bench.latitudes import latitudes
from emulsa.core.bench.tried import TriedGrid, grid
from emulsa.core.kit.described import law_text
from emulsa.core.kit.films import Film
from emulsa.core.numbers import plain
from emulsa.core.versions import version_of
from emulsa.core.written import money_text
from emulsa.store import bench, films, stock, tried
from emulsa.store.tried import Used


@dataclass(frozen=True)
class Developer:
    """A recipe of the film, by its name, and its version."""

    id: str
    name: str
    version: str
    latitudes: tuple[str, ...]


@dataclass(frozen=True)
class FilmPage:
    """A film with what was done with it; ``used`` is how often each film was exposed in the last
    year."""

    film: Film
    version: str
    facts: tuple[str, ...]
    grid: TriedGrid
    developers: tuple[Developer, ...]
    used: tuple[Used, ...]


def page_of(db: Db, film: Film, moment: str) -> FilmPage:
    """Everything of one film, as of a moment."""
    recipes = {each.id: each for each in films.recipes(db) if each.film_id == film.id}
    return FilmPage(
        film=film,
        version=version_of(film),
        facts=_facts(db, film),
        grid=grid(tried.of_film(db, film.id), {id_: each.recipe for id_, each in recipes.items()}),
        developers=tuple(
            Developer(id_, each.name, version_of(each), latitudes(bench.judged(db, id_)))
            for id_, each in recipes.items()
        ),
        used=tuple(tried.used_since(db, _a_year_before(moment))),
    )


def _facts(db: Db, film: Film) -> tuple[str, ...]:
    """What one would say of it first."""
    cost = stock.film_cost(db, film.id)
    said = (
        f"EI {plain(film.exposure_index)}",
        f"box {plain(film.box_speed)}" if film.box_speed else "",
        law_text(film.law) if film.law else "reciprocity not known",
        f"{money_text(cost)} a picture" if cost is not None else "",
    )
    return tuple(each for each in said if each)


def _a_year_before(moment: str) -> str:
    today = date.fromisoformat(moment[:10])
    return f"{today.year - 1}{moment[4:10]}"
