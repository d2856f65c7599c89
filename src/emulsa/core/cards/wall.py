"""A table for the darkroom's wall: every film in its recipes, by the temperature of the bath.

The minutes are those of the darkroom itself (``development/negative``): the maker's table where
there is one, else the recipe's own change per degree.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping

from emulsa.core.cards.table import Card
from emulsa.core.degrees import celsius
from emulsa.core.development.negative import Negative, Tankful, developing_time
from emulsa.core.errors import CoreError, Missing
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.light.hand_time import clock_text
from emulsa.core.tones.development_number import n_text
from emulsa.core.written import temperature_text, units

BATHS_C = range(18, 28)
BATHS_F = range(64, 82, 2)
NO_TIME = "–"
N = 0.0


def wall_table(films: Mapping[str, Film], recipes: Iterable[FilmRecipe]) -> Card:
    """Minutes for N of every recipe that is in use; Missing when none has a time."""
    baths = _baths()
    rows = sorted(_rows(films, recipes, baths))
    if not rows:
        raise Missing("No recipe has a developing time yet; enter one in Kit.", field="recipes")
    return Card(
        title="Developing times",
        holds_for=f"for {n_text(N)}, by the temperature of the developer",
        columns=("film, recipe", *(temperature_text(each) for each in baths)),
        rows=tuple(cells for _, cells, _ in rows),
        estimated=tuple(estimated for _, _, estimated in rows),
        notes=(
            "Under 5 min development is hard to keep even; follow the maker's instructions.",
            *(("Slanted: estimated, not tested.",) if any(row[2] for row in rows) else ()),
        ),
    )


def _baths() -> tuple[float, ...]:
    if units()["°C"].own:
        return tuple(float(each) for each in BATHS_C)
    return tuple(celsius(each) for each in BATHS_F)


def _rows(
    films: Mapping[str, Film], recipes: Iterable[FilmRecipe], baths: tuple[float, ...]
) -> Iterator[tuple[str, tuple[str, ...], bool]]:
    for each in recipes:
        film = films.get(each.film_id)
        if film is None or film.archived or each.archived or each.recipe.not_recommended:
            continue
        told = [_minutes(film, each, at_c) for at_c in baths]
        if any(minutes is not None for minutes, _ in told):
            name = f"{film.name}: {each.name}"
            cells = (NO_TIME if minutes is None else minutes for minutes, _ in told)
            yield name, (name, *cells), any(estimated for _, estimated in told)


def _minutes(film: Film, recipe: FilmRecipe, at_c: float) -> tuple[str | None, bool]:
    try:
        found = developing_time(
            Negative(n=N),
            film.exposure_index,
            recipe.recipe,
            Tankful(temperature_c=at_c),
            film.kind,
        )
    except CoreError:
        return None, False
    return clock_text(found.minutes), found.origin == "estimated"
