"""What is asked of negatives, and what they say."""

from __future__ import annotations

from dataclasses import dataclass
from itertools import pairwise
from typing import Annotated

from emulsa.core.data.negative import NORMAL_POINTS
from emulsa.core.errors import Unsound
from emulsa.core.limits import ExposureIndex, Id, Length, Within
from emulsa.core.sensitometry.belief import (
    Highlight,
    Shadow,
)
from emulsa.core.sensitometry.curve import CurveN, Minutes

NetDensity = Annotated[float, Within("A measured net density", 0, 5)]
ReadZone = Annotated[float, Within("A measured zone", -1, 12)]


Error = Annotated[float, Within("An error", -3, 3)]
MeasuredAt = tuple[ReadZone, NetDensity]


@dataclass(frozen=True, kw_only=True, slots=True)
class MinutesPoint:
    """A point of the recipe."""

    n: CurveN
    minutes: Minutes


MinutesPoints = Annotated[tuple[MinutesPoint, ...], Length("Points to learn from", 0, 40)]


@dataclass(frozen=True, kw_only=True, slots=True)
class Seen:
    """A judged negative: what it was given, and what its shadows and lights show, by eye or
    measured.

    ``ei`` is the index it was exposed at (empty: the prior's). ``developed_error_zones``: the
    minutes it got stand so many zones above the prior's for its planned N. ``at_least_full`` is
    what was judged before *heavy* was a word. ``shadow_net`` and ``highlight_net`` are a zone and
    the net density that was measured there.
    """

    id: Id
    given_error_stops: Error = 0
    developed_error_zones: Error = 0
    n: CurveN = 0
    ei: ExposureIndex | None = None
    shadow: Shadow | None = None
    highlight: Highlight | None = None
    shadow_error_stops: Error | None = None
    highlight_error_zones: Error | None = None
    shadow_net: MeasuredAt | None = None
    highlight_net: MeasuredAt | None = None

    def __post_init__(self) -> None:
        for off, net, field in (
            (self.shadow_error_stops, self.shadow_net, "shadow_net"),
            (self.highlight_error_zones, self.highlight_net, "highlight_net"),
        ):
            if off is not None and net is not None:
                raise Unsound("Give a density or how far it is off, not both.", field=field)


@dataclass(frozen=True, kw_only=True, slots=True)
class LearnRequest:
    """One film and recipe, and its negatives.

    ``ei`` and ``minutes_per_n`` are what is in use now; ``prior_ei`` and ``prior_minutes`` the
    film's and the recipe's own word, against which all evidence is weighed: they stand still, so
    that the same negatives say the same after a yes. ``reference_net`` is a film's own scale of
    zones and net densities; without one, a normal negative's.
    """

    ei: ExposureIndex
    minutes_per_n: MinutesPoints
    negatives: Annotated[tuple[Seen, ...], Length("Negatives", 0, 2_000)]
    prior_ei: ExposureIndex | None = None
    prior_minutes: MinutesPoints | None = None
    reference_net: Annotated[tuple[MeasuredAt, ...], Length("Rows of the reference", 3, 40)] = (
        NORMAL_POINTS
    )

    def __post_init__(self) -> None:
        ids = [each.id for each in self.negatives]
        if len(set(ids)) < len(ids):
            raise Unsound("Each negative counts once.", field="negatives")
        points = self.minutes_per_n if self.prior_minutes is None else self.prior_minutes
        if len({each.n for each in points}) < len(points):
            field = "minutes_per_n" if self.prior_minutes is None else "prior_minutes"
            raise Unsound("One time for each N.", field=field)
        for place, (before, after) in enumerate(pairwise(self.reference_net)):
            if after[0] <= before[0] or after[1] <= before[1]:
                raise Unsound(
                    "Zones and densities of the reference must rise from row to row.",
                    field=f"reference_net.{place + 1}",
                )


@dataclass(frozen=True, kw_only=True, slots=True)
class LearnedSpeed:
    """Stops the film is slower than its own index, and the index that is offered; ``capped`` where
    the words that were used hold no more than one step."""

    mean: float
    sd: float
    negatives: int
    enough: bool
    capped: bool
    ei: float
    sentence: str


@dataclass(frozen=True, kw_only=True, slots=True)
class LearnedMinutes:
    """An N's minutes as the negatives say, and the range two of three times they lie in."""

    n: float
    minutes: float
    low: float
    high: float


@dataclass(frozen=True, kw_only=True, slots=True)
class LearnedDevelopment:
    """Zones the high values come too high by the recipe's own minutes, and the minutes that are
    offered."""

    mean: float
    sd: float
    negatives: int
    enough: bool
    capped: bool
    minutes: tuple[LearnedMinutes, ...]
    sentence: str


@dataclass(frozen=True, kw_only=True, slots=True)
class LearnAnswer:
    """What the negatives say; nothing is changed by it."""

    speed: LearnedSpeed
    development: LearnedDevelopment
    left_out: tuple[str, ...] = ()
