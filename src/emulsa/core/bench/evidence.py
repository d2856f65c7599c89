"""What judged negatives of one film and recipe say, and which they are.

Each keeps what it was made with: its index, its planned N, the light it really got and the minutes
it was really in the developer. They are weighed against the film's and the recipe's own word, so
that the same evidence counts once, whatever was taken over from it since. Densities, where they
were measured, count before what the eye says. The best frame of a bracket tells of its neighbour:
what was given less and passed over counts as thin, unless it was judged. Film rated as a push or a
pull is not asked here.
"""

from __future__ import annotations

import math
from collections.abc import Collection, Iterable, Sequence
from dataclasses import replace
from itertools import pairwise

from emulsa.core.bench.measured import measured_ends
from emulsa.core.bench.negatives import Developed, Judged, Learned
from emulsa.core.bench.range import index_range, minutes_range
from emulsa.core.development.negative import Negative, developing_time
from emulsa.core.development.ratings import is_push, push_stops
from emulsa.core.development.recipes import Point, best_points, own_word, time_for
from emulsa.core.development.thumb import zones_off
from emulsa.core.errors import CoreError, Unsound
from emulsa.core.exposing.deciding import reaches
from emulsa.core.film.judgement import HIGHLIGHT_WORDS, SHADOW_WORDS, Judgement
from emulsa.core.kit.films import Film, FilmRecipe, ei_points, index_before
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.logged.record import Shot
from emulsa.core.numbers import counted as counted_text
from emulsa.core.numbers import plain
from emulsa.core.sensitometry.learned import LearnAnswer, LearnRequest, MinutesPoint, Seen
from emulsa.core.sensitometry.learning import learn
from emulsa.core.straight import straight
from emulsa.core.tones.development_number import n_text
from emulsa.core.written import size_words

FURTHEST = 3.0  # an error further off teaches nothing of the film
LEAST_OFF = 1 / 6  # of a stop or zone: what nobody sees
Reference = Sequence[tuple[float, float]]


def counted(negatives: Sequence[Developed], film: Film, recipe: FilmRecipe) -> tuple[Judged, ...]:
    """The negatives that count: those that were judged, and those passed over for the best of their
    bracket; none that was pushed or pulled."""
    asked = [each for each in negatives if not _pushed(each.last, film)]
    judged = [_judged(each, each.judgement, film, recipe) for each in asked if each.judgement]
    passed = _passed(asked, film, recipe)
    return tuple(replace(each, says=_says(each)) for each in (*judged, *passed))


def of_negatives(
    film: Film,
    recipe: FilmRecipe,
    judged: Sequence[Judged],
    without: Collection[str] = (),
    reference: Reference | None = None,
) -> Learned:
    """Weigh the negatives, but for those left out; Unsound for one that is not among them.

    ``reference`` is the film's own scale of zones and densities, where it was tested.
    """
    unknown = next((each for each in without if each not in {j.piece_id for j in judged}), None)
    if unknown is not None:
        raise Unsound("This negative is not among those that were judged.", field="without")
    weighed = [
        each
        for each in judged
        if each.piece_id not in without and not each.left_out and abs(each.error_stops) <= FURTHEST
    ]
    asked = LearnRequest(
        ei=_index(film, recipe),
        minutes_per_n=_points(best_points(recipe.recipe)),
        prior_ei=index_before(film, recipe),
        prior_minutes=_points(own_word(recipe.recipe)),
        negatives=tuple(_seen(each) for each in weighed),
    )
    if reference:
        asked = replace(asked, reference_net=tuple(reference))
    answer = learn(asked)
    labels = {each.piece_id: each.label for each in weighed}
    return Learned(
        recipe_id=recipe.id,
        film_name=film.name,
        recipe_name=recipe.name,
        answer=answer,
        negatives=tuple(judged),
        without=tuple(sorted(without)),
        minutes_text=_minutes_text(recipe, answer),
        ei_text=answer.speed.sentence,
        use_text=_use_text(answer),
        rate_text=f"Rate {film.name} at EI {plain(answer.speed.ei)}",
        minutes_range=minutes_range(asked, answer, asked.minutes_per_n, labels),
        ei_range=index_range(asked, answer, labels),
    )


def _index(film: Film, recipe: FilmRecipe) -> float:
    """The index in use for normal development."""
    return reaches(ei_points(film, recipe), 0.0) or film.exposure_index


def _points(points: Iterable[Point]) -> tuple[MinutesPoint, ...]:
    return tuple(MinutesPoint(n=each.n, minutes=each.minutes) for each in points)


def _pushed(shot: Shot, film: Film) -> bool:
    """Whether film was rated as a push or a pull: it teaches its own rating, not the film."""
    if shot.exposure_index is None:
        return False
    stops = push_stops(shot.exposure_index, film.prior_ei or film.exposure_index)
    own = push_stops(shot.exposure_index, film.exposure_index)
    return bool(stops and own) and is_push(shot.rating_reason, own)


def _seen(each: Judged) -> Seen:
    by_eye_shadow = each.shadow if each.measured.shadow_net is None else None
    by_eye_high = each.highlight if each.measured.highlight_net is None else None
    return Seen(
        id=each.piece_id,
        given_error_stops=each.error_stops,
        developed_error_zones=each.developed_zones,
        n=each.n,
        ei=each.ei,
        shadow=by_eye_shadow,
        highlight=by_eye_high,
        shadow_net=each.measured.shadow_net,
        highlight_net=each.measured.highlight_net,
    )


def _judged(each: Developed, judgement: Judgement, film: Film, recipe: FilmRecipe) -> Judged:
    last = each.last
    return Judged(
        piece_id=each.piece_id,
        label=each.label,
        scene=each.scene,
        error_stops=each.light_stops,
        n=last.n,
        shadow=judgement.shadow,
        highlight=judgement.highlight,
        ei=_made_at(each, film, recipe),
        measured=measured_ends(judgement, each.falls or {}, last.bracket_stops, last.n),
        developed_zones=_developed_zones(each, film, recipe),
        left_out=judgement.left_out,
    )


def _made_at(each: Developed, film: Film, recipe: FilmRecipe) -> float | None:
    """The index a negative was made at, as if for normal development: what its N asks of the index
    by the recipe's own points is no error. Nothing where a filter was counted in it."""
    at = each.worked_ei or each.last.exposure_index
    if at is None or each.last.rating_reason == "filter":
        return None
    before = index_before(film, recipe)
    own = replace(film, exposure_index=film.prior_ei or film.exposure_index, prior_ei=None)
    for_n = reaches(ei_points(own, recipe), each.last.n) or before
    return at * before / for_n


def _developed_zones(each: Developed, film: Film, recipe: FilmRecipe) -> float:
    """How far the minutes it really had stand above the recipe's own word for its planned N, under
    the run's own conditions: temperature, agitation, age, long exposure. Within three zones."""
    got = each.went_minutes or each.minutes
    if not got:
        return 0.0
    told = own_word(recipe.recipe)
    own = replace(recipe.recipe, points=tuple(told), not_recommended="")
    asked = Negative(n=each.last.n, reciprocity_change=each.last.development_change)
    try:
        wanted = developing_time(asked, film.exposure_index, own, each.tankful, film.kind).minutes
        plain = time_for(own, each.last.n).minutes
    except CoreError:  # a recipe without times, or a bath nobody has a time for
        return 0.0
    points = [(math.log(point.minutes), point.n) for point in told]
    rising = all(b[0] > a[0] for a, b in pairwise(points))
    if len(points) > 1 and rising:
        off = straight(points, math.log(got * plain / wanted)) - each.last.n
    else:
        off = zones_off(got, wanted)
    return min(max(off, -FURTHEST), FURTHEST) + 0.0


def _passed(negatives: Sequence[Developed], film: Film, recipe: FilmRecipe) -> Iterable[Judged]:
    """Of each bracket with a best frame, the next darker frame when nobody judged it."""
    for best in negatives:
        own = best.last
        if own.bracket_id is None or best.judgement is None or not best.judgement.best:
            continue
        darker = [
            each
            for each in negatives
            if each.last.bracket_id == own.bracket_id
            and each.last.bracket_stops < own.bracket_stops - 1e-9
        ]
        next_one = max(darker, key=lambda each: each.last.bracket_stops, default=None)
        if next_one is not None and next_one.judgement is None:
            yield Judged(
                piece_id=next_one.piece_id,
                label=next_one.label,
                scene=next_one.scene,
                error_stops=next_one.light_stops,
                n=next_one.last.n,
                shadow="thin",
                highlight=None,
                ei=_made_at(next_one, film, recipe),
                passed_over=best.label,
                developed_zones=_developed_zones(next_one, film, recipe),
            )


def _says(each: Judged) -> str:
    """What a negative showed, in a line."""
    if each.passed_over:
        said = [f"passed over for {each.passed_over}: counts as thin"]
    else:
        shadow = SHADOW_WORDS[each.shadow] if each.shadow else ""
        light = HIGHLIGHT_WORDS[each.highlight] if each.highlight else ""
        said = [", ".join(word for word in (shadow, light) if word)]
    if each.measured.text:
        said = [each.measured.text]
    if abs(each.error_stops) >= LEAST_OFF:
        size = size_words(each.error_stops)
        said.append(f"given {size} {'more' if each.error_stops > 0 else 'less'}")
    if abs(each.developed_zones) >= LEAST_OFF:
        longer = "longer" if each.developed_zones > 0 else "shorter"
        said.append(f"developed {longer} than its N asks")
    if each.left_out:
        said.append(f"left out: {each.left_out}")
    return "; ".join(said)


def _use_text(answer: LearnAnswer) -> str:
    """What taking the minutes over does: N's by name, or all of them."""
    said = next((each for each in answer.development.minutes if each.n == 0), None)
    return f"Use {minutes_text(said.minutes)} for {n_text(0)}" if said else "Use these times"


def _minutes_text(recipe: FilmRecipe, answer: LearnAnswer) -> str:
    """N as it is used, and what the negatives say of it; the evidence alone while it is too
    little."""
    learned = answer.development
    used = next((each for each in best_points(recipe.recipe) if each.n == 0), None)
    said = next((each for each in learned.minutes if each.n == 0), None)
    if used is None or said is None or not learned.enough:
        return learned.sentence
    named = counted_text(learned.negatives, "negative")
    return (
        f"{n_text(0)} {minutes_text(used.minutes)}; {named} say {minutes_text(said.minutes)},"
        f" {minutes_text(said.low)} to {minutes_text(said.high)}"
    )
