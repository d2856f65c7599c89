"""Recipes: film × developer × dilution × agitation × temperature, with minutes for each N.

Between points the time is log-linear in N; beyond them the rule of thumb carries on from the
nearest point and the answer is *estimated*. A personal or tested point beats a published one for
the same N; both are answered. Source: Todd & Zakia (contrast against log time); rule of thumb:
common practice.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core import tables
from emulsa.core.chemistry.dilution import Colon, MinimumMl, RollsPerLitre, colon_n
from emulsa.core.data.development import K_PER_C
from emulsa.core.development.agitation import SchemeKey, named
from emulsa.core.development.thumb import log_linear, thumb_factor
from emulsa.core.errors import Missing, Unreadable, Unsound
from emulsa.core.limits import ExposureIndex, Label, Length, Within
from emulsa.core.tones.development_number import DevelopmentNumber

Origin = Literal["tested", "published", "personal", "estimated"]
Said = Literal["tested", "published", "personal"]
TRUST: tuple[Origin, ...] = ("tested", "personal", "published", "estimated")
MINUTES = Within("Developing minutes", 0.5, 240, "min")
Minutes = Annotated[float, MINUTES]
Celsius = Annotated[float, Within("The developing temperature", 5, 60, "°C")]
PerCelsius = Annotated[float, Within("The temperature constant k", 0.03, 0.2, "per °C")]


@dataclass(frozen=True, kw_only=True, slots=True)
class Point:
    """Minutes for one N at the recipe's temperature, and who says so; ``learned`` were taken over
    from judged negatives, and stand before what they were weighed against."""

    n: DevelopmentNumber
    minutes: Minutes
    ei: ExposureIndex | None = None
    origin: Said = "personal"
    who: Label = ""
    note: Label = ""
    learned: bool = False


@dataclass(frozen=True, kw_only=True, slots=True)
class Rating:
    """Minutes for film that was rated at another EI: a push or a pull, at the recipe's
    temperature."""

    ei: ExposureIndex
    minutes: Minutes
    origin: Said = "published"
    who: Label = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class Warmth:
    """A row of the maker's table of temperatures: minutes for N at one of them."""

    temperature_c: Celsius
    minutes: Minutes


@dataclass(frozen=True, kw_only=True, slots=True)
class Recipe:
    """A way of developing one film.

    ``colon`` says which meaning a dilution of 1:n has, once. ``agitation`` is how it is said,
    ``scheme`` what the run's clock goes by (empty: the tank's own way). ``warmth`` is the maker's
    table of temperatures and beats ``k_per_c``. ``not_recommended`` says why it is not, and by
    whom; it is refused then unless a reason is given. ``compensating``: its contraction comes from
    the developer giving out in the highlights, not from less time.
    """

    developer: Label = ""
    dilution: Label = ""
    colon: Colon | None = None
    agitation: Label = ""
    scheme: SchemeKey | None = None
    temperature_c: Celsius = 20.0
    k_per_c: PerCelsius = K_PER_C
    warmth: Annotated[tuple[Warmth, ...], Length("Rows of temperatures", 0, 32, tables.warmth)] = ()
    points: Annotated[tuple[Point, ...], Length("Points of a recipe", 0, 32, tables.points)] = ()
    ratings: Annotated[tuple[Rating, ...], Length("Ratings", 0, 32, tables.ratings)] = ()
    minimum_ml_per_roll: MinimumMl = 0.0
    rolls_per_litre: RollsPerLitre | None = None
    compensating: bool = False
    not_recommended: Label = ""

    def __post_init__(self) -> None:
        if self.scheme is not None:
            named(self.scheme, 1.0)
        for rows, field in (
            ([each.temperature_c for each in self.warmth], "warmth"),
            ([each.ei for each in self.ratings], "ratings"),
        ):
            if len(set(rows)) < len(rows):
                raise Unsound("Two rows say the same; leave one of them out.", field=field)


def settled(dilution: str, colon: Colon | None, field: str) -> None:
    """Unreadable for a dilution that can mean two things: asked while it is written down, not by a
    clock with film in the tank.

    >>> settled("1+25", None, "colon")
    """
    n = colon_n(dilution)
    if n is not None and colon is None:
        raise Unreadable(
            f"“{dilution}” can mean 1+{n} or 1 in {n}: choose which its maker means.",
            field=field,
            allowed=["one_plus_n", "one_in_n"],
        )


@dataclass(frozen=True, kw_only=True, slots=True)
class Timed:
    """Minutes at the recipe's temperature, the EI that goes with them, and how sure they are."""

    minutes: float
    ei: float | None
    origin: Origin
    who: str = ""


def best_points(recipe: Recipe) -> list[Point]:
    """One point for each N in the order of N: what was learned, else the most trusted."""
    best: dict[float, Point] = {}
    for point in sorted(recipe.points, key=lambda each: (not each.learned, _doubt(each))):
        best.setdefault(point.n, point)
    return sorted(best.values(), key=lambda point: point.n)


def own_word(recipe: Recipe) -> list[Point]:
    """The recipe's own word for each N, before any negative taught it otherwise; what learning is
    weighed against. Where nothing else is left, what was learned."""
    own = {each.n: each for each in best_points(recipe)}
    told: dict[float, Point] = {}
    for point in sorted(recipe.points, key=_doubt):
        if not point.learned:
            told.setdefault(point.n, point)
    return sorted((own | told).values(), key=lambda point: point.n)


def _doubt(point: Point) -> int:
    return TRUST.index(point.origin)


def beside(recipe: Recipe, n: float) -> list[Point]:
    """What else is said for this N: points that a more trusted one beats."""
    best = {id(point) for point in best_points(recipe)}
    others = [each for each in recipe.points if abs(each.n - n) < 1e-9 and id(each) not in best]
    return sorted(others, key=lambda point: TRUST.index(point.origin))


def time_for(recipe: Recipe, n: float) -> Timed:
    """Developing time for N at the recipe's own temperature; Missing when it has no time at all.

    >>> time_for(Recipe(points=(Point(n=0, minutes=8),)), -1)
    Timed(minutes=6.4, ei=None, origin='estimated', who='')
    """
    points = best_points(recipe)
    if not points:
        raise Missing(
            "This recipe has no developing time yet; enter the minutes for N.", field="points"
        )
    for point in points:
        if abs(point.n - n) < 1e-9:
            return Timed(minutes=point.minutes, ei=point.ei, origin=point.origin, who=point.who)
    below = [point for point in points if point.n < n]
    above = [point for point in points if point.n > n]
    if below and above:
        return _interpolated(below[-1], above[0], n)
    nearest = (below or above)[-1 if below else 0]
    minutes = nearest.minutes
    # a compensating developer gives out by itself: the same time serves every contraction
    if not recipe.compensating:
        minutes *= thumb_factor(n) / thumb_factor(nearest.n)
    return Timed(minutes=minutes, ei=nearest.ei, origin="estimated")


def _interpolated(low: Point, high: Point, n: float) -> Timed:
    minutes = log_linear([(low.n, low.minutes), (high.n, high.minutes)], n)
    ei = None
    if low.ei is not None and high.ei is not None:
        ei = log_linear([(low.n, low.ei), (high.n, high.ei)], n)
    return Timed(minutes=minutes, ei=ei, origin=max(low.origin, high.origin, key=TRUST.index))
