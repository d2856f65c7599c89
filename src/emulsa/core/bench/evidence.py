"""What judged negatives of one film and recipe say, and which they are.

A negative counts by the light it really got and the minutes it was really in the developer. Its
densities, where they were measured, count before what the eye says. The best frame of a bracket
tells of its neighbour: what was given less and passed over counts as thin, unless it was judged.
"""

from __future__ import annotations

import math
from collections.abc import Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise

from emulsa.core.bench.measured import Measured, measured_errors
from emulsa.core.errors import Unsound
from emulsa.core.film.judgement import Highlight, Judgement, Shadow
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.sensitometry.learning import (
    LearnAnswer,
    LearnRequest,
    MinutesPoint,
    Seen,
    learn,
)
from emulsa.core.sensitometry.straight import straight
from emulsa.core.tones.development_number import n_text
from emulsa.core.written import stops_words

FURTHEST = 3.0  # an error further off teaches nothing of the film
LEAST_OFF = 1 / 6  # of a zone: what nobody sees
NOT_MEASURED = Measured()


@dataclass(frozen=True, kw_only=True, slots=True)
class Developed:
    """A developed negative as it is kept: its exposure, its judgement if it has one, the falls it
    was planned with, and its run's minutes, planned and got."""

    piece_id: str
    label: str
    scene: str
    error_stops: float
    n: float
    bracket_id: str | None = None
    bracket_stops: float = 0.0
    judgement: Judgement | None = None
    falls: Mapping[str, float] | None = None
    minutes: float | None = None
    went_minutes: float | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Judged:
    """A negative that counts: where it lay, what it was given against its plan, what it showed.

    ``says`` tells it in a line. ``shadow`` and ``highlight`` are empty where nobody looked.
    """

    piece_id: str
    label: str
    scene: str
    error_stops: float
    n: float
    shadow: Shadow | None
    highlight: Highlight | None
    measured: Measured = NOT_MEASURED
    developed_zones: float = 0.0
    passed_over: str = ""
    says: str = ""


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


def counted(negatives: Sequence[Developed], recipe: FilmRecipe) -> tuple[Judged, ...]:
    """The negatives that count: those that were judged, and those passed over for the best of their
    bracket."""
    judged = [_judged(each, each.judgement, recipe) for each in negatives if each.judgement]
    return tuple(replace(each, says=_says(each)) for each in (*judged, *_passed(negatives, recipe)))


def of_negatives(
    film: Film, recipe: FilmRecipe, judged: Sequence[Judged], without: Collection[str] = ()
) -> Learned:
    """Weigh the negatives, but for those left out; Unsound for one that is not among them."""
    unknown = next((each for each in without if each not in {j.piece_id for j in judged}), None)
    if unknown is not None:
        raise Unsound("This negative is not among those that were judged.", field="without")
    weighed = [
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
            negatives=tuple(_seen(each) for each in weighed),
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


def _seen(each: Judged) -> Seen:
    return Seen(
        id=each.piece_id,
        given_error_stops=each.error_stops,
        developed_error_zones=each.developed_zones,
        n=each.n,
        shadow=each.shadow,
        highlight=each.highlight,
        shadow_error_stops=each.measured.shadow_error_stops,
        highlight_error_zones=each.measured.highlight_error_zones,
    )


def _judged(each: Developed, judgement: Judgement, recipe: FilmRecipe) -> Judged:
    return Judged(
        piece_id=each.piece_id,
        label=each.label,
        scene=each.scene,
        error_stops=each.error_stops + each.bracket_stops,
        n=each.n,
        shadow=judgement.shadow,
        highlight=judgement.highlight,
        measured=measured_errors(judgement, each.falls or {}, each.bracket_stops, each.n),
        developed_zones=_developed_zones(each, recipe),
    )


def _developed_zones(each: Developed, recipe: FilmRecipe) -> float:
    """How much further the minutes it really had carry its high values, by the recipe's own points;
    within three zones."""
    points = sorted((math.log(point.minutes), point.n) for point in recipe.recipe.points)
    rising = all(b[0] > a[0] and b[1] > a[1] for a, b in pairwise(points))
    if not each.minutes or not each.went_minutes or len(points) < 2 or not rising:
        return 0.0
    at, planned = (straight(points, math.log(t)) for t in (each.went_minutes, each.minutes))
    off = min(max(at - planned, -FURTHEST), FURTHEST)
    return off if abs(off) >= LEAST_OFF else 0.0


def _passed(negatives: Sequence[Developed], recipe: FilmRecipe) -> Iterable[Judged]:
    """Of each bracket with a best frame, the next darker frame when nobody judged it."""
    for best in negatives:
        if best.bracket_id is None or best.judgement is None or not best.judgement.best:
            continue
        darker = [
            each
            for each in negatives
            if each.bracket_id == best.bracket_id and each.bracket_stops < best.bracket_stops - 1e-9
        ]
        next_one = max(darker, key=lambda each: each.bracket_stops, default=None)
        if next_one is not None and next_one.judgement is None:
            yield Judged(
                piece_id=next_one.piece_id,
                label=next_one.label,
                scene=next_one.scene,
                error_stops=next_one.error_stops + next_one.bracket_stops,
                n=next_one.n,
                shadow="thin",
                highlight=None,
                passed_over=best.label,
                developed_zones=_developed_zones(next_one, recipe),
            )


def _says(each: Judged) -> str:
    """What a negative showed, in a line."""
    if each.passed_over:
        said = [f"passed over for {each.passed_over}: counts as thin"]
    else:
        said = [f"shadows {each.shadow}, highlights {each.highlight}"]
    if each.measured.text:
        said = [each.measured.text]
    if abs(each.error_stops) >= LEAST_OFF:
        size = stops_words(abs(each.error_stops)).lstrip("+")
        said.append(f"given {size} {'more' if each.error_stops > 0 else 'less'}")
    if each.developed_zones:
        said.append(f"developed {'longer' if each.developed_zones > 0 else 'shorter'} than planned")
    return "; ".join(said)


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
