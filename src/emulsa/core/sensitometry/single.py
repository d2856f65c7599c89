"""What each negative would say if it were the only one: how slow the film, how high the lights.

A word is a range; it is drawn at its middle, and one without an end where it begins, open to that
side. How they are weighed together is ``learning``.
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

from emulsa.core.sensitometry.belief import HIGHLIGHTS, SHADOWS
from emulsa.core.sensitometry.learned import LearnRequest
from emulsa.core.sensitometry.learning import against

Open = Literal["", "up", "down"]


@dataclass(frozen=True, slots=True)
class Single:
    """A negative alone: its id, the value it speaks for, and to which side it is open."""

    id: str
    at: float
    open: Open


def speeds_of(request: LearnRequest) -> Iterator[Single]:
    """Stops the film is slower than its own word, by each negative whose shadow was seen."""
    prior = request.ei if request.prior_ei is None else request.prior_ei
    for each in (against(one, prior, request.reference_net) for one in request.negatives):
        if each.shadow_off is not None:
            yield Single(each.id, each.light - each.shadow_off, "")
        elif each.shadow is not None:
            shown, end = _middle(SHADOWS[each.shadow])
            yield Single(each.id, each.light - shown, _turned(end))


def lights_of(request: LearnRequest, slower_stops: float) -> Iterator[Single]:
    """Zones the high values come too high, by each negative whose lights were seen, for a film so
    much slower than its own word."""
    prior = request.ei if request.prior_ei is None else request.prior_ei
    for each in (against(one, prior, request.reference_net) for one in request.negatives):
        given = each.light + each.developed - slower_stops
        if each.highlight_off is not None:
            yield Single(each.id, each.highlight_off - given, "")
        elif each.highlight is not None:
            shown, end = _middle(HIGHLIGHTS[each.highlight])
            yield Single(each.id, shown - given, end)


def _middle(between: tuple[float, float]) -> tuple[float, Open]:
    low, high = between
    if math.isinf(low):
        return high, "down"
    return (low, "up") if math.isinf(high) else ((low + high) / 2, "")


def _turned(end: Open) -> Open:
    """What shows less speaks for a slower film, and the other way round."""
    return {"": "", "up": "down", "down": "up"}[end]  # type: ignore[return-value]
