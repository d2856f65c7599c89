"""What was done with a film: by developer and by exposure index, how it came out.

Of a negative at its index *flat* means too little development there, *blocked* too much; what a
push shows moves the minutes of that push and never those of N.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from emulsa.core.development.recipes import Rating, Recipe
from emulsa.core.film.judgement import (
    GRAIN_WORDS,
    HIGHLIGHT_WORDS,
    SHADOW_WORDS,
    Judgement,
)
from emulsa.core.film.latitude import prints
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.numbers import plain

# of the minutes, for negatives that came out flat or blocked; common practice, no source
A_LITTLE = 0.1
MOST_PICTURES = 6


@dataclass(frozen=True, kw_only=True, slots=True)
class Tried:
    """A developed negative: its recipe, the index it was exposed at, its minutes, what it showed.
    ``bracket_stops``: how far from its plan it was exposed on purpose."""

    exposure_id: str
    recipe_id: str
    ei: float
    minutes: float | None
    at: str
    judgement: Judgement | None
    picture_id: str | None
    bracket_stops: float = 0.0


@dataclass(frozen=True)
class TriedCell:
    """What was done at one index in one developer, in words; ``at`` is when last."""

    ei: float
    pieces: int
    minutes_text: str
    word: str
    grain: str
    at: str
    picture_ids: tuple[str, ...]
    exposure_ids: tuple[str, ...]
    advice: str
    use_minutes: float | None
    use_text: str


@dataclass(frozen=True)
class TriedRow:
    """A developer with what was done in it at each index; none where nothing was."""

    recipe_id: str
    cells: tuple[TriedCell | None, ...]


@dataclass(frozen=True)
class TriedGrid:
    """Indices over developers."""

    eis: tuple[float, ...]
    ei_texts: tuple[str, ...]
    rows: tuple[TriedRow, ...]


def grid(tried: Sequence[Tried], recipes: dict[str, Recipe]) -> TriedGrid:
    """What was done, developers in the order of ``recipes``, slow indices first."""
    eis = sorted({each.ei for each in tried})
    rows = []
    for id_, recipe in recipes.items():
        mine = [each for each in tried if each.recipe_id == id_]
        if mine:
            cells = (_cell(ei, [each for each in mine if each.ei == ei], recipe) for ei in eis)
            rows.append(TriedRow(id_, tuple(cells)))
    return TriedGrid(tuple(eis), tuple(f"EI {plain(each)}" for each in eis), tuple(rows))


def _cell(ei: float, tried: list[Tried], recipe: Recipe) -> TriedCell | None:
    if not tried:
        return None
    latest = sorted(tried, key=lambda each: each.at, reverse=True)
    best_first = sorted(latest, key=lambda each: not (each.judgement and each.judgement.best))
    minutes = sorted({each.minutes for each in tried if each.minutes is not None})
    use, advice = _moved(ei, tried, minutes, recipe)
    return TriedCell(
        ei=ei,
        pieces=len(tried),
        minutes_text=_span(minutes),
        word=word(tried),
        grain=_grain(tried),
        at=latest[0].at,
        picture_ids=tuple(filter(None, (each.picture_id for each in best_first)))[:MOST_PICTURES],
        exposure_ids=tuple(each.exposure_id for each in latest),
        advice=advice,
        use_minutes=use,
        use_text="" if use is None else f"Use {minutes_text(use)} at EI {plain(ei)}",
    )


def word(tried: Sequence[Tried]) -> str:
    """How it came out, in a few words.

    >>> def shot(highlight):
    ...     judgement = Judgement(id="a", shadow="full", highlight=highlight)
    ...     return Tried(exposure_id="a", recipe_id="b", ei=100, minutes=8, at="", picture_id=None,
    ...         judgement=judgement)
    >>> word([shot("flat")]), word([shot("full"), shot("blocked")])
    ('full shadows, flat highlights', '1 of 2 print')
    """
    judged = [each.judgement for each in tried if each.judgement]
    if not judged:
        return "not judged yet"
    if len(judged) == 1:
        return f"{SHADOW_WORDS[judged[0].shadow]}, {HIGHLIGHT_WORDS[judged[0].highlight]}"
    return f"{sum(map(prints, judged))} of {len(judged)} print"


def _grain(tried: Sequence[Tried]) -> str:
    said = {each.judgement.grain for each in tried if each.judgement and each.judgement.grain}
    return " or ".join(GRAIN_WORDS[each] for each in GRAIN_WORDS if each in said)


def _span(minutes: list[float]) -> str:
    if not minutes:
        return ""
    first, last = minutes_text(minutes[0]), minutes_text(minutes[-1])
    return first if first == last else f"{first} to {last}"


def _moved(
    ei: float, tried: list[Tried], minutes: list[float], recipe: Recipe
) -> tuple[float | None, str]:
    """The minutes this index asks for by its own negatives that were exposed as planned and count:
    more where they are flat, less where they are blocked, nothing where they disagree."""
    if len(minutes) != 1:
        return None, ""
    at_plan = [each.judgement for each in tried if each.judgement and not each.bracket_stops]
    ends = {each.highlight for each in at_plan if not each.left_out}
    if ends not in ({"flat"}, {"blocked"}):
        return None, ""
    flat = ends == {"flat"}
    use = minutes[0] * (1 + A_LITTLE if flat else 1 / (1 + A_LITTLE))
    if any(each.ei == ei and abs(each.minutes - use) < 0.05 for each in recipe.ratings):
        return None, ""
    said = "flat: develop a tenth longer" if flat else "blocked: develop a tenth shorter"
    return use, f"{said} at this index (common practice)"


def rated(recipe: Recipe, ei: float, minutes: float) -> Recipe:
    """The recipe with one's own minutes at an index; those of N stay.

    >>> rated(Recipe(ratings=(Rating(ei=400, minutes=18),)), 400, 19.8).ratings[0].origin
    'personal'
    """
    own = Rating(ei=ei, minutes=minutes, origin="personal", who="its own negatives")
    others = [each for each in recipe.ratings if each.ei != ei]
    return replace(recipe, ratings=tuple(sorted([*others, own], key=lambda each: each.ei)))
