"""What waits in the dark: exposed sheets and strips that want the same development, together."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.development.developing_time import (
    DevelopmentAnswer,
    DevelopmentRequest,
    development,
)
from emulsa.core.errors import Missing
from emulsa.core.film.emulsions import Film, FilmRecipe
from emulsa.core.tones.development_number import n_text


@dataclass(frozen=True, kw_only=True, slots=True)
class WaitingFilm:
    """Film developed as one: an exposed sheet, or a strip of a roll with all its frames.

    Where it is, what is on it, and what it needs; ``exposure_index`` is what it was rated at.
    """

    exposure_id: str
    piece_ids: tuple[str, ...]
    film_id: str
    recipe_id: str | None
    where: str
    scene_title: str
    scene_id: str
    exposed_at: str
    n: float
    development_change: float
    error_stops: float
    set_text: str
    exposure_index: float | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Group:
    """Film of one kind, recipe, N and reciprocity change, and its time at the temperature.

    ``time`` is empty and ``problem`` says why when there is no recipe or no time in it.
    """

    film_id: str
    film_name: str
    recipe_id: str | None
    recipe_name: str
    n: float
    n_text: str
    development_change: float
    sheets: tuple[WaitingFilm, ...]
    time: DevelopmentAnswer | None
    problem: str


def groups(
    sheets: list[WaitingFilm],
    films: dict[str, Film],
    recipes: dict[str, FilmRecipe],
    temperature_c: float,
) -> tuple[Group, ...]:
    """Groups in the order of film, recipe and N; OutOfRange for a temperature nobody trusts."""
    keyed: dict[tuple[str, str, float, float], list[WaitingFilm]] = {}
    for sheet in sheets:
        change = round(sheet.development_change, 3)
        key = (films[sheet.film_id].name, sheet.recipe_id or "", sheet.n, change)
        keyed.setdefault(key, []).append(sheet)
    return tuple(
        _group(members, films, recipes, temperature_c) for _, members in sorted(keyed.items())
    )


def _group(
    members: list[WaitingFilm],
    films: dict[str, Film],
    recipes: dict[str, FilmRecipe],
    temperature_c: float,
) -> Group:
    first = members[0]
    film, recipe = films[first.film_id], recipes.get(first.recipe_id or "")
    time, problem = None, ""
    if recipe is None:
        problem = "No recipe is chosen for these sheets; choose one to get a time."
    else:
        try:
            time = development(
                DevelopmentRequest(
                    recipe=recipe.recipe,
                    n=first.n,
                    temperature_c=temperature_c,
                    ei=film.exposure_index,
                    reciprocity_change=first.development_change,
                )
            )
        except Missing as missing:
            problem = missing.message
    return Group(
        film_id=film.id,
        film_name=film.name,
        recipe_id=first.recipe_id,
        recipe_name=recipe.name if recipe else "no recipe",
        n=first.n,
        n_text=n_text(first.n),
        development_change=first.development_change,
        sheets=tuple(sorted(members, key=lambda each: (each.exposed_at, each.where))),
        time=time,
        problem=problem,
    )
