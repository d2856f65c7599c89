"""Results go to work: the points of a recipe after a test, or after what negatives taught."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import replace

from emulsa.core.bench.record import FilmTest
from emulsa.core.bench.sheet import Worked
from emulsa.core.development.recipes import Point, Said
from emulsa.core.errors import Impossible
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.sensitometry.learning import ENOUGH_NEGATIVES, LearnAnswer
from emulsa.core.sensitometry.speeds import rounded

FIVE_SECONDS = 12  # to the minute


def after_test(recipe: FilmRecipe, test: FilmTest, sheet: Worked) -> FilmRecipe:
    """The recipe with the tested minutes and index of every N inside the tested times; points of
    other Ns stay. Impossible without a ladder."""
    found = [each for each in sheet.ladder if not each.extrapolated]
    if not found:
        raise Impossible(
            "This test has no ladder of N yet: it needs two developments that reach Zone VIII.",
            field="curves",
        )
    note = f"film test{f' of {test.day}' if test.day else ''}"
    points = [
        _point(each.n, each.minutes, "tested", test.title, note, rounded(each.ei)) for each in found
    ]
    return _with(recipe, points)


def after_learning(recipe: FilmRecipe, learned: LearnAnswer, labels: Sequence[str]) -> FilmRecipe:
    """The recipe with the minutes its judged negatives say, each named. Impossible while there are
    fewer than two, or the recipe has a single point."""
    if learned.development.negatives < ENOUGH_NEGATIVES:
        raise Impossible("Judge at least two negatives of this recipe first.")
    if not learned.development.minutes:
        raise Impossible("The recipe needs minutes for two Ns, so that a step of N is known.")
    note = f"learned from {', '.join(labels)}"
    note = note if len(note) <= 80 else f"learned from {len(labels)} negatives"
    points = [
        _point(each.n, each.minutes, "personal", "", note, None)
        for each in learned.development.minutes
    ]
    return _with(recipe, points)


def rated_after_learning(film: Film, learned: LearnAnswer) -> Film:
    """The film with the index its judged shadows say. Impossible while they do not say enough."""
    if not learned.speed.enough:
        raise Impossible("The shadows do not say enough to rate the film otherwise yet.")
    return replace(film, exposure_index=learned.speed.ei)


def holding_as_tested(film: Film, test: FilmTest, sheet: Worked) -> Film:
    """The film with the tones its curve holds, and who says so. Impossible when the curve is too
    short to tell."""
    if sheet.textural is None:
        raise Impossible("This test's curve is too short to say what tones the film holds.")
    return replace(
        film,
        textural_range=(sheet.textural.low, sheet.textural.high),
        provenance=replace(film.provenance, textural_range=f"film test {test.title}"[:80]),
    )


def _point(n: float, minutes: float, origin: Said, who: str, note: str, ei: float | None) -> Point:
    whole = round(minutes * FIVE_SECONDS) / FIVE_SECONDS
    return Point(n=n, minutes=whole, ei=ei, origin=origin, who=who, note=note)


def _with(recipe: FilmRecipe, points: Iterable[Point]) -> FilmRecipe:
    new = {each.n: each for each in points}
    kept = {each.n: each for each in recipe.recipe.points if each.n not in new}
    # an index that was one's own stays where none was tested
    own = {each.n: each.ei for each in recipe.recipe.points}
    merged = [
        each if each.ei is not None else replace(each, ei=own.get(each.n)) for each in new.values()
    ]
    ordered = tuple(sorted([*kept.values(), *merged], key=lambda each: each.n))
    return replace(recipe, recipe=replace(recipe.recipe, points=ordered))
