"""Results go to work: the points of a recipe after a test, or after what negatives taught."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace

from emulsa.core.bench.record import FilmTest
from emulsa.core.bench.sheet import Worked
from emulsa.core.development.recipes import Point, Said, best_points
from emulsa.core.errors import Impossible
from emulsa.core.kit.films import Film, FilmRecipe, index_before
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.sensitometry.learned import LearnAnswer
from emulsa.core.sensitometry.speeds import rounded
from emulsa.core.tones.development_number import n_text

FIVE_SECONDS = 12  # to the minute


@dataclass(frozen=True, kw_only=True, slots=True)
class Changed:
    """What a test makes of a recipe's points: the new ones, and those that go for them."""

    comes: tuple[Point, ...]
    goes: tuple[Point, ...]
    stays: tuple[Point, ...]


def changed_by_test(recipe: FilmRecipe, test: FilmTest, sheet: Worked) -> Changed:
    """The points a test brings, one for each N of its ladder, a step beyond its times marked as
    such; what was said of the same N by oneself or another test goes, what is published stays
    beside it, and no N is left without a time. Impossible without a ladder."""
    if not sheet.ladder:
        raise Impossible(
            "This test has no ladder of N yet: it needs two developments that reach Zone VIII.",
            field="curves",
        )
    day = f"film test{f' of {test.day}' if test.day else ''}"
    comes = tuple(
        _point(
            each.n,
            each.minutes,
            "tested",
            test.title,
            f"{day}, one step beyond its times" if each.extrapolated else day,
            rounded(each.ei),
        )
        for each in sheet.ladder
        if not each.extrapolated or _wanted_beyond(recipe, each.n)
    )
    new = {each.n for each in comes}
    goes = tuple(
        each
        for each in recipe.recipe.points
        if each.n in new and (each.learned or each.origin != "published")
    )
    stays = tuple(each for each in recipe.recipe.points if each not in goes)
    return Changed(comes=comes, goes=goes, stays=stays)


def _wanted_beyond(recipe: FilmRecipe, n: float) -> bool:
    """Whether a rung beyond the tested times is of use: only for N itself, while nobody's own word
    stands for it. What one has tried is worth more than a line drawn on past its last point."""
    said = any(each.n == 0 and each.origin != "published" for each in recipe.recipe.points)
    return n == 0 and not said


def after_test(recipe: FilmRecipe, test: FilmTest, sheet: Worked) -> FilmRecipe:
    """The recipe with the tested minutes and index of every N; Impossible without a ladder."""
    changed = changed_by_test(recipe, test, sheet)
    return _with(recipe, (*changed.stays, *changed.comes))


def change_text(changed: Changed) -> str:
    """What is about to change, in a line: which points come, and which go."""
    comes = ", ".join(_said(each) for each in changed.comes)
    goes = ", ".join(f"{_said(each)} ({each.origin})" for each in changed.goes)
    return f"Comes: {comes}." + (f" Goes: {goes}." if goes else " Nothing goes.")


def _said(point: Point) -> str:
    beyond = " (beyond its times)" if "beyond" in point.note else ""
    return f"{n_text(point.n)} {minutes_text(point.minutes)}{beyond}"


def after_learning(recipe: FilmRecipe, learned: LearnAnswer, labels: Sequence[str]) -> FilmRecipe:
    """The recipe with the minutes its judged negatives say, each named, beside its own word, which
    stays. Impossible while they do not say enough, or the recipe has a single point."""
    if not learned.development.enough:
        raise Impossible(f"The negatives do not say enough: {learned.development.sentence}")
    if not learned.development.minutes:
        raise Impossible("The recipe needs minutes for two Ns, so that a step of N is known.")
    note = f"learned from {', '.join(labels)}"
    note = note if len(note) <= 80 else f"learned from {len(labels)} negatives"
    own = {each.n: each.ei for each in best_points(recipe.recipe)}
    points = [
        replace(_point(each.n, each.minutes, "personal", "", note, own.get(each.n)), learned=True)
        for each in learned.development.minutes
    ]
    told = [each for each in recipe.recipe.points if not each.learned]
    return _with(recipe, (*told, *points))


def rated_after_learning(film: Film, recipe: FilmRecipe, learned: LearnAnswer) -> Film:
    """The film with the index its judged shadows say; the one they were weighed against is kept.
    Impossible while they do not say enough to rate the film otherwise."""
    if not learned.speed.enough:
        raise Impossible(f"The shadows do not say enough: {learned.speed.sentence}")
    before = index_before(film, recipe)
    return replace(film, exposure_index=learned.speed.ei, prior_ei=before)


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
    ordered = tuple(sorted(points, key=lambda each: (each.n, not each.learned)))
    return replace(recipe, recipe=replace(recipe.recipe, points=ordered))
