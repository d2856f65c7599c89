"""Pushing and pulling: what film that was rated at another EI does to the developing time.

A higher EI than the film's own is a push unless something else was said; a lower one may be one's
own index, a filter or bellows counted by it, safety, or a pull: only a pull changes the time.
By the recipe's own table of EIs, straight in log time against stops; without one by the rule of
thumb, one N for a stop, and estimated (common practice, no source). A push lifts the high values;
it brings no shadow back.
"""

from __future__ import annotations

import math
from typing import Literal

from emulsa.core.development.recipes import Recipe, Timed
from emulsa.core.development.thumb import log_linear, thumb_factor
from emulsa.core.written import size_text, size_words

RatingReason = Literal["index", "push_pull", "filter", "safety"]
RATING_WORDS: dict[RatingReason, str] = {
    "index": "my own index",
    "push_pull": "pushed or pulled",
    "filter": "a filter or bellows counted in it",
    "safety": "for safety",
}
FREE_STOPS = 0.34  # EIs a third of a stop apart are the same film


def push_stops(rated_ei: float, own_ei: float, n_ei: float | None = None) -> float:
    """Stops a film was pushed (+) or pulled (−): beyond its own EI and the one its N asks for.

    >>> push_stops(800, 400), push_stops(64, 100, n_ei=64), push_stops(80, 100)
    (1.0, 0.0, 0.0)
    """
    low, high = sorted((own_ei, n_ei or own_ei))
    if rated_ei < low:
        stops = math.log2(rated_ei / low)
    elif rated_ei > high:
        stops = math.log2(rated_ei / high)
    else:
        return 0.0
    return 0.0 if abs(stops) < FREE_STOPS else stops


def pushed_words(stops: float) -> str:
    """A push or a pull in words.

    >>> pushed_words(2), pushed_words(-1)
    ('pushed 2 stops', 'pulled 1 stop')
    """
    return f"{'pushed' if stops > 0 else 'pulled'} {size_words(stops)}"


def is_push(reason: RatingReason | None, stops: float) -> bool:
    """Whether a rating changes the developing time: when it is said to; else only a higher one.

    >>> is_push(None, 1), is_push(None, -1), is_push("push_pull", -1), is_push("filter", 1)
    (True, False, True, False)
    """
    return reason == "push_pull" or (reason is None and stops > 0)


def pushed(rated_ei: float, own_ei: float, reason: RatingReason | None) -> float:
    """Stops by which a rating is developed longer (+) or shorter (−); none for any other reason.

    >>> pushed(400, 100, None), pushed(50, 100, "safety"), pushed(50, 100, "push_pull")
    (2.0, 0.0, -1.0)
    """
    stops = math.log2(rated_ei / own_ei)
    return stops if is_push(reason, stops) else 0.0


def factor(recipe: Recipe, timed: Timed, rated_ei: float, own_ei: float) -> tuple[float, str]:
    """What the time is multiplied by, and why; 1 and nothing when it was rated as it is meant.

    >>> factor(Recipe(), Timed(minutes=8, ei=None, origin="published"), 800, 400)
    (1.35, 'one stop more by rule of thumb')
    """
    stops = push_stops(rated_ei, own_ei, timed.ei)
    if stops == 0:
        return 1.0, ""
    table = _table(recipe, own_ei)
    if len(table) > 1:
        reached = sure(recipe, timed, rated_ei, own_ei)
        why = "by its table of EIs" if reached else "beyond its table of EIs, estimated"
        return log_linear(table, stops) / log_linear(table, 0.0), why
    words = "one stop" if abs(abs(stops) - 1) < 0.05 else f"{size_text(abs(stops))} stops"
    return thumb_factor(stops), f"{words} {'more' if stops > 0 else 'less'} by rule of thumb"


def sure(recipe: Recipe, timed: Timed, rated_ei: float, own_ei: float) -> bool:
    """Whether the recipe's own table answers for this rating; no push needs no answer.

    >>> sure(Recipe(), Timed(minutes=8, ei=None, origin="published"), 800, 400)
    False
    """
    stops = push_stops(rated_ei, own_ei, timed.ei)
    table = _table(recipe, own_ei)
    return stops == 0 or (len(table) > 1 and table[0][0] - 1e-9 <= stops <= table[-1][0] + 1e-9)


def _table(recipe: Recipe, own_ei: float) -> list[tuple[float, float]]:
    return sorted((math.log2(each.ei / own_ei), each.minutes) for each in recipe.ratings)
