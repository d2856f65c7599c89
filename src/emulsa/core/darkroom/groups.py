"""Film that waits, grouped by what it wants: film, recipe, N, how it was exposed; with its time.

A temperature nobody trusts, or a recipe without a time, refuses the time only, never the film.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from emulsa.core.corrections.film_kinds import has_n, n_words
from emulsa.core.darkroom.waiting import WaitingFilm
from emulsa.core.data.development import FREE_ERROR_STOPS, UNCRITICAL
from emulsa.core.development.choice import Choice
from emulsa.core.development.negative import Tankful, developing_time
from emulsa.core.development.time_answer import DevelopmentAnswer
from emulsa.core.errors import CoreError
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.numbers import counted
from emulsa.core.watch import minutes_typed


@dataclass(frozen=True, kw_only=True, slots=True)
class Other:
    """The other school of contraction: a recipe whose developer gives out in the highlights."""

    recipe_id: str
    name: str
    minutes_text: str
    says: str


@dataclass(frozen=True, kw_only=True, slots=True)
class Group:
    """Film that wants the same of the same recipe, and its time at the temperature.

    ``time`` is empty and ``problem`` says why when there is no recipe, no time in it, or when it is
    not recommended (``needs_reason``). ``own_minutes`` are those one decided on,
    as they are typed; ``others`` are compensating recipes a contraction may take.
    """

    film_id: str
    film_name: str
    recipe_id: str | None
    recipe_name: str
    n: float
    n_text: str
    development_change: float
    sheets: tuple[WaitingFilm, ...]
    count_text: str
    time: DevelopmentAnswer | None
    problem: str
    needs_reason: bool
    choice: Choice
    own_minutes: str
    others: tuple[Other, ...]


def time_of(
    waiting: WaitingFilm, film: Film, recipe: FilmRecipe, tankful: Tankful
) -> DevelopmentAnswer:
    """The developing time of waiting film; the errors of ``development``."""
    return developing_time(waiting.negative, film.exposure_index, recipe.recipe, tankful, film.kind)


def groups(
    sheets: Iterable[WaitingFilm],
    films: Mapping[str, Film],
    recipes: Mapping[str, FilmRecipe],
    temperature_c: float,
) -> tuple[Group, ...]:
    """Groups in the order of film, recipe and N; a time that is refused is its group's problem."""
    keyed: dict[tuple[object, ...], list[WaitingFilm]] = {}
    for sheet in sheets:
        if sheet.film_id in films:  # else the film cannot be read, which is said
            keyed.setdefault(_alike(sheet, films), []).append(sheet)
    return tuple(
        _group(members, films[members[0].film_id], recipes, temperature_c)
        for _, members in sorted(keyed.items())
    )


def _alike(sheet: WaitingFilm, films: Mapping[str, Film]) -> tuple[object, ...]:
    error = sheet.error_stops if abs(sheet.error_stops) >= FREE_ERROR_STOPS else 0.0
    return (
        films[sheet.film_id].name,
        sheet.chosen_recipe_id or "",
        sheet.n,
        round(sheet.development_change, 3),
        round(error, 2),
        sheet.exposure_index or 0.0,
        sheet.rating_reason or "",
        sheet.choice.hold_highlights,
        sheet.choice.minutes or 0.0,
        sheet.choice.plain_n,
        sheet.choice.reason,
    )


def _group(
    members: list[WaitingFilm],
    film: Film,
    recipes: Mapping[str, FilmRecipe],
    temperature_c: float,
) -> Group:
    first = members[0]
    n = first.n if has_n(film.kind) else 0.0
    recipe = recipes.get(first.chosen_recipe_id or "")
    time, problem, needs_reason = None, "", False
    if recipe is None:
        problem = "No recipe is chosen for these sheets; choose one to get a time."
    else:
        try:
            time = time_of(first, film, recipe, Tankful(temperature_c=temperature_c))
        except CoreError as refused:
            problem, needs_reason = refused.message, refused.field == "reason"
    return Group(
        film_id=film.id,
        film_name=film.name,
        recipe_id=recipe.id if recipe else None,
        recipe_name=recipe.name if recipe else "no recipe",
        n=n,
        n_text=n_words(n, film.kind),
        development_change=first.development_change,
        sheets=tuple(sorted(members, key=lambda each: (each.exposed_at, each.where))),
        count_text=_count_text(members),
        time=time,
        problem=problem,
        needs_reason=needs_reason,
        choice=first.choice,
        own_minutes=minutes_typed(own) if (own := first.choice.minutes) else "",
        others=tuple(_others(first, film, recipes, temperature_c)) if n < 0 else (),
    )


def _count_text(members: Iterable[WaitingFilm]) -> str:
    """How much it is, as one counts it: sheets, and lengths of rolls."""
    kinds = Counter("roll" if each.of_roll else "sheet" for each in members)
    return " and ".join(counted(number, what) for what, number in sorted(kinds.items()))


def _others(
    waiting: WaitingFilm,
    film: Film,
    recipes: Mapping[str, FilmRecipe],
    temperature_c: float,
) -> list[Other]:
    """Compensating recipes of the same film, beside the one there is."""
    found = []
    for each in recipes.values():
        own = each.id == waiting.chosen_recipe_id
        gentle = each.recipe.compensating or each.recipe.scheme in UNCRITICAL
        if own or not gentle or each.archived or each.film_id != film.id:
            continue
        try:
            time = time_of(waiting, film, each, Tankful(temperature_c=temperature_c))
        except CoreError:
            continue  # not recommended, or without a time: nothing to offer
        says = (
            f"{each.name}, {time.minutes_text}: shadows keep their full development while the"
            " developer exhausts in the highlights; flatter in between."
        )
        found.append(
            Other(recipe_id=each.id, name=each.name, minutes_text=time.minutes_text, says=says)
        )
    return found
