"""A developing time as it is asked for and answered."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.advice import Advice
from emulsa.core.corrections.film_kinds import has_n, no_n_words
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.development.choice import check_reason
from emulsa.core.development.offer import Offer
from emulsa.core.development.ratings import RatingReason
from emulsa.core.development.recipes import (
    Minutes,
    Origin,
    Recipe,
)
from emulsa.core.errors import Missing, Unsound
from emulsa.core.limits import DEVELOPMENT_CHANGE, ExposureIndex, Label, Within
from emulsa.core.tones.development_number import DevelopmentNumber

AnyCelsius = Annotated[float, Within("The temperature", -40, 100, "°C")]
AnyFahrenheit = Annotated[float, Within("The temperature", -40, 212, "°F")]
NO_N = 1e-9
Change = Annotated[float, DEVELOPMENT_CHANGE]
Age = Annotated[float, Within("The lengthening for the developer's age", 0.5, 3)]
ErrorStops = Annotated[float, Within("The exposure's error", -10, 10, "stops")]


@dataclass(frozen=True, kw_only=True, slots=True)
class DevelopmentRequest:
    """A recipe, the N wanted and the temperature there is, in one scale or the other.

    ``ei`` is the film's own EI and ``rated_ei`` what it was shot at, for which ``rating_reason``;
    ``error_stops`` how far the exposure was off (+ over), and ``error`` whether that is reported or
    developed for; ``age_change`` what is added for an old developer; ``in_tray`` an open tray, or
    paper, where short times are even. ``own_minutes`` is the photographer's word over all of it,
    with its ``reason``; a reason also answers for a recipe that is not recommended, and for a bath
    outside 18 to 27 °C. ``film_kind`` has its own temperatures and short times, and may have no N.
    """

    recipe: Recipe
    n: DevelopmentNumber = 0.0
    temperature_c: AnyCelsius | None = None
    temperature_f: AnyFahrenheit | None = None
    ei: ExposureIndex | None = None
    rated_ei: ExposureIndex | None = None
    rating_reason: RatingReason | None = None
    error_stops: ErrorStops = 0.0
    error: Literal["report", "hold_highlights"] = "report"
    reciprocity_change: Change = 1.0
    rotary: bool = False
    in_tray: bool = False
    age_change: Age = 1.0
    own_minutes: Minutes | None = None
    reason: Label = ""
    film_kind: FilmKindName | None = None

    def __post_init__(self) -> None:
        if self.temperature_c is not None and self.temperature_f is not None:
            raise Missing("Give the temperature in °C or in °F, not both.", field="temperature_c")
        if abs(self.n) > NO_N and not has_n(self.film_kind):
            raise Unsound(no_n_words(self.film_kind), field="n")
        check_reason(self.own_minutes, self.reason)


@dataclass(frozen=True, kw_only=True, slots=True)
class TimeRow:
    """One line of the developing time: what, its factor, the running minutes, why, the source."""

    step: str
    label: str
    factor: float
    factor_text: str
    minutes: float
    minutes_text: str
    why: str
    source: str


@dataclass(frozen=True, kw_only=True, slots=True)
class OtherTime:
    """Another word on the same N, under the same conditions, and who says it."""

    origin: Origin
    minutes: float
    minutes_text: str
    who: str


@dataclass(frozen=True, kw_only=True, slots=True)
class DevelopmentAnswer:
    """Minutes at the temperature given, how sure they are, and how they came about.

    ``clock_minutes`` is what a clock is set to, as ``minutes_text`` writes it, and ``clock_text``
    the same as it is typed. ``off_zones`` is what the photographer's own minutes do to the high
    value: + too high. ``offer`` is another development for how it was really exposed; empty where
    it was exposed right.
    """

    minutes: float
    minutes_text: str
    clock_minutes: float
    clock_text: str
    temperature_c: float
    ei: float | None
    origin: Origin
    who: str
    ledger: tuple[TimeRow, ...]
    beside: tuple[OtherTime, ...]
    off_zones: float
    off_text: str
    offer: Offer | None
    advice: tuple[Advice, ...]
