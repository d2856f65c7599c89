"""What waits in the dark: exposed sheets and strips that want the same development, together.

Each gets its time from its N, the EI it was rated at, its exposure's error, the film's failing in
long times, its recipe and the temperature, or from what the photographer chose over them.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from emulsa.core.data.development import FREE_ERROR_STOPS, UNCRITICAL
from emulsa.core.development.choice import Choice
from emulsa.core.development.time import (
    DevelopmentAnswer,
    DevelopmentRequest,
    development,
)
from emulsa.core.errors import CoreError, Missing
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.tones.development_number import n_text


@dataclass(frozen=True, kw_only=True, slots=True)
class WaitingFilm:
    """Film developed as one: an exposed sheet, or a strip of a roll with all its frames.

    Where it is, what is on it, and what it needs; ``exposure_index`` is what it was rated at,
    ``recipe_id`` the one it was exposed for, ``weight`` how much it matters, ``choice`` what was
    decided since.
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
    weight: int = 1
    choice: Choice = Choice()

    @property
    def chosen_recipe_id(self) -> str | None:
        """The recipe it will be developed by."""
        return self.choice.recipe_id or self.recipe_id


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
    not recommended (``needs_reason``). ``others`` are compensating recipes a contraction may take.
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
    needs_reason: bool
    choice: Choice
    others: tuple[Other, ...]


def time_of(
    waiting: WaitingFilm,
    film: Film,
    recipe: FilmRecipe,
    temperature_c: float,
    *,
    age: float = 1.0,
    rotary: bool = False,
) -> DevelopmentAnswer:
    """The developing time of waiting film; the errors of ``development``."""
    return development(
        DevelopmentRequest(
            recipe=recipe.recipe,
            n=waiting.n,
            temperature_c=temperature_c,
            ei=film.exposure_index,
            rated_ei=waiting.exposure_index,
            error_stops=waiting.error_stops,
            reciprocity_change=waiting.development_change,
            age_change=age,
            rotary=rotary,
            own_minutes=waiting.choice.minutes,
            reason=waiting.choice.reason,
        )
    )


def groups(
    sheets: list[WaitingFilm],
    films: Mapping[str, Film],
    recipes: Mapping[str, FilmRecipe],
    temperature_c: float,
) -> tuple[Group, ...]:
    """Groups in the order of film, recipe and N; OutOfRange for a temperature nobody trusts."""
    keyed: dict[tuple[object, ...], list[WaitingFilm]] = {}
    for sheet in sheets:
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
        sheet.choice.minutes or 0.0,
        sheet.choice.reason,
    )


def _group(
    members: list[WaitingFilm],
    film: Film,
    recipes: Mapping[str, FilmRecipe],
    temperature_c: float,
) -> Group:
    first = members[0]
    recipe = recipes.get(first.chosen_recipe_id or "")
    time, problem, needs_reason = None, "", False
    if recipe is None:
        problem = "No recipe is chosen for these sheets; choose one to get a time."
    else:
        try:
            time = time_of(first, film, recipe, temperature_c)
        except Missing as missing:
            problem = missing.message
        except CoreError as refused:
            if refused.field != "reason":
                raise
            problem, needs_reason = refused.message, True
    return Group(
        film_id=film.id,
        film_name=film.name,
        recipe_id=recipe.id if recipe else None,
        recipe_name=recipe.name if recipe else "no recipe",
        n=first.n,
        n_text=n_text(first.n),
        development_change=first.development_change,
        sheets=tuple(sorted(members, key=lambda each: (each.exposed_at, each.where))),
        time=time,
        problem=problem,
        needs_reason=needs_reason,
        choice=first.choice,
        others=tuple(_others(first, film, recipes, temperature_c)) if first.n < 0 else (),
    )


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
            time = time_of(waiting, film, each, temperature_c)
        except CoreError:
            continue  # not recommended, or without a time: nothing to offer
        says = (
            f"{each.name}, {time.minutes_text}: shadows keep their full development while the"
            " highlights give out; flatter in between."
        )
        found.append(
            Other(recipe_id=each.id, name=each.name, minutes_text=time.minutes_text, says=says)
        )
    return found
