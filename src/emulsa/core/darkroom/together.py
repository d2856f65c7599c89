"""Two films in one tank: which others that wait may go with a film, for how long, and what each
gives up."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

from emulsa.core.corrections.film_kinds import n_words
from emulsa.core.darkroom.groups import time_of
from emulsa.core.darkroom.waiting import WaitingFilm
from emulsa.core.development.negative import Tankful
from emulsa.core.development.one_tank import OneTank, OneTankRequest, TankFilm, WhyNot, one_tank
from emulsa.core.development.zones_text import zones_text
from emulsa.core.errors import CoreError, Impossible
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.light.hand_time import clock_text, hand_minutes, minutes_text
from emulsa.core.numbers import counted

NEARLY_ALIKE_ZONES = 0.02

WHY: dict[WhyNot, str] = {
    "developer": "they want different developers",
    "dilution": "the developer is diluted differently",
    "agitation": "they are moved differently",
    "temperature": "their temperatures differ",
    "process": "they go through different processes",
    "times": "their times lie too far apart",
}


@dataclass(frozen=True, kw_only=True, slots=True)
class Mate:
    """Film of another kind or N that may share a tank: its pieces, the minutes for both, as they
    are typed too, and what each gives up."""

    film_id: str
    film_name: str
    n_text: str
    piece_ids: tuple[str, ...]
    count_text: str
    minutes: float
    clock_text: str
    minutes_text: str
    free: bool
    says: str


@dataclass(frozen=True, slots=True)
class Tanked:
    """What waiting films are told apart by: the kit they are of, and the tank they would go in."""

    films: Mapping[str, Film]
    recipes: Mapping[str, FilmRecipe]
    tankful: Tankful


def mates(wanted: WaitingFilm, waiting: Iterable[WaitingFilm], tanked: Tanked) -> tuple[Mate, ...]:
    """Which of the film that waits may go into one tank with a piece, film by film and N by N."""
    alike: dict[tuple[str, str | None, float], list[WaitingFilm]] = {}
    for each in waiting:
        key = (each.film_id, each.chosen_recipe_id, each.n)
        if key[:2] != (wanted.film_id, wanted.chosen_recipe_id):
            alike.setdefault(key, []).append(each)
    found = (_mate(wanted, each, tanked) for each in alike.values())
    return tuple(each for each in found if each is not None)


def _mate(wanted: WaitingFilm, others: Sequence[WaitingFilm], tanked: Tanked) -> Mate | None:
    answer = shared([wanted, others[0]], tanked)
    if answer is None or not answer.together:
        return None
    other = others[0]
    film = tanked.films[other.film_id]
    minutes = hand_minutes(answer.minutes)
    return Mate(
        film_id=film.id,
        film_name=film.name,
        n_text=n_words(other.n, film.kind),
        piece_ids=tuple(id_ for each in others for id_ in each.piece_ids),
        count_text=counted(len(others), "piece"),
        minutes=minutes,
        clock_text=clock_text(answer.minutes),
        minutes_text=minutes_text(answer.minutes),
        free=answer.free,
        says=_says([wanted, other], answer, tanked),
    )


def _says(films: Sequence[WaitingFilm], answer: OneTank, tanked: Tanked) -> str:
    said = []
    for film, each in zip(films, answer.each, strict=True):
        name = tanked.films[film.film_id].name
        alike = abs(each.zones_off) < NEARLY_ALIKE_ZONES
        said.append(f"{name} as it wants" if alike else f"{name} {zones_text(each.zones_off)}")
    return f"both {minutes_text(answer.minutes)}: {', '.join(said)}"


def shared(films: Sequence[WaitingFilm], tanked: Tanked) -> OneTank | None:
    """How films share a tank; nothing where one of them has no time of its own."""
    asked = []
    for number, each in enumerate(films):
        film = tanked.films.get(each.film_id)
        recipe = tanked.recipes.get(each.chosen_recipe_id or "")
        if film is None or recipe is None or not recipe.recipe.developer.strip():
            return None
        try:
            time = time_of(each, film, recipe, tanked.tankful)
            asked.append(
                TankFilm(
                    id=str(number),
                    developer=recipe.recipe.developer,
                    dilution=recipe.recipe.dilution,
                    agitation=recipe.recipe.agitation,
                    minutes=time.minutes,
                    temperature_c=time.temperature_c,
                    kind=film.kind or "panchromatic",
                )
            )
        except CoreError:
            return None
    return one_tank(OneTankRequest(films=tuple(asked)))


def together_text(found: OneTank) -> str:
    """For how long, and how far the one that gives up more is off."""
    worst = max(found.each, key=lambda each: abs(each.zones_off))
    alike = abs(worst.zones_off) < NEARLY_ALIKE_ZONES
    off = "as both want" if alike else f"either up to {zones_text(abs(worst.zones_off))} off"
    return f"{minutes_text(found.minutes)}, {off}"


def check_together(films: Sequence[WaitingFilm], tanked: Tanked) -> None:
    """Impossible, with the reason, for films that do not share a tank."""
    found = shared(films, tanked)
    if found is None:
        raise Impossible(
            "Different films never share a run unless each has a time of its own; begin one for"
            " each.",
            field="piece_ids",
        )
    if not found.together:
        why = " and ".join(WHY[each] for each in found.why_not)
        raise Impossible(
            f"Different films never share a run like this: {why}. Begin one for each.",
            field="piece_ids",
        )
