"""What judged negatives of one film and recipe say, and which they are."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass

from emulsa.core.errors import Unsound
from emulsa.core.film.judgement import Highlight, Shadow
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.sensitometry.learning import (
    LearnAnswer,
    LearnRequest,
    MinutesPoint,
    Seen,
    learn,
)
from emulsa.core.tones.development_number import n_text

FURTHEST = 3.0  # an error further off teaches nothing of the film


@dataclass(frozen=True, kw_only=True, slots=True)
class Judged:
    """A judged negative: where it lay, what it was given against its plan, what it showed."""

    piece_id: str
    label: str
    scene: str
    error_stops: float
    n: float
    shadow: Shadow
    highlight: Highlight


@dataclass(frozen=True, kw_only=True, slots=True)
class Learned:
    """What the negatives of a film in a recipe say, in words where minutes and EI are chosen."""

    recipe_id: str
    film_name: str
    recipe_name: str
    answer: LearnAnswer
    negatives: tuple[Judged, ...]
    without: tuple[str, ...]
    minutes_text: str
    ei_text: str


def of_negatives(
    film: Film, recipe: FilmRecipe, judged: Sequence[Judged], without: Collection[str] = ()
) -> Learned:
    """Weigh the negatives, but for those left out; Unsound for one that is not among them."""
    unknown = next((each for each in without if each not in {j.piece_id for j in judged}), None)
    if unknown is not None:
        raise Unsound("This negative is not among those that were judged.", field="without")
    counted = [
        each
        for each in judged
        if each.piece_id not in without and abs(each.error_stops) <= FURTHEST
    ]
    answer = learn(
        LearnRequest(
            ei=film.exposure_index,
            minutes_per_n=tuple(
                MinutesPoint(n=each.n, minutes=each.minutes) for each in recipe.recipe.points
            ),
            negatives=tuple(
                Seen(
                    id=each.piece_id,
                    given_error_stops=each.error_stops,
                    n=each.n,
                    shadow=each.shadow,
                    highlight=each.highlight,
                )
                for each in counted
            ),
        )
    )
    return Learned(
        recipe_id=recipe.id,
        film_name=film.name,
        recipe_name=recipe.name,
        answer=answer,
        negatives=tuple(judged),
        without=tuple(sorted(without)),
        minutes_text=_minutes_text(recipe, answer),
        ei_text=answer.speed.sentence,
    )


def _minutes_text(recipe: FilmRecipe, answer: LearnAnswer) -> str:
    """N as it is used, and what the negatives say of it."""
    used = next((each for each in recipe.recipe.points if each.n == 0), None)
    said = next((each for each in answer.development.minutes if each.n == 0), None)
    if used is None or said is None or not answer.development.negatives:
        return answer.development.sentence
    many = answer.development.negatives
    named = f"{many} negative{'s' if many > 1 else ''} say{'s' if many == 1 else ''}"
    return (
        f"{n_text(0)} {minutes_text(used.minutes)}; {named} {minutes_text(said.minutes)},"
        f" {minutes_text(said.low)} to {minutes_text(said.high)}"
    )
