"""The developing time of one negative: recipe, N, how it was exposed, and how it is developed.

The high value decides the development: film exposed off by so many stops wants so much less or
more N, ``N_eff = N − error``, from the definition of N (each zone is a stop). Every factor is a row
of the ledger and counts once. What the photographer decides over it stands last, with the reason.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core.advice import Advice
from emulsa.core.data.development import FREE_ERROR_STOPS, ROTARY, SHORT_MIN, TOO_SHORT_MIN
from emulsa.core.degrees import celsius
from emulsa.core.development import ratings, temperature
from emulsa.core.development.choice import check_reason
from emulsa.core.development.recipes import (
    TRUST,
    Minutes,
    Origin,
    Recipe,
    Timed,
    beside,
    time_for,
)
from emulsa.core.development.thumb import zones_off
from emulsa.core.development.zones_text import zones_text
from emulsa.core.errors import Impossible, Missing
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.limits import DEVELOPMENT_CHANGE, ExposureIndex, Label, Within
from emulsa.core.numbers import plain
from emulsa.core.tones.development_number import DevelopmentNumber, meant, n_text
from emulsa.core.written import stops_words, temperature_text

AnyCelsius = Annotated[float, Within("The temperature", -40, 100, "°C")]
AnyFahrenheit = Annotated[float, Within("The temperature", -40, 212, "°F")]
Change = Annotated[float, DEVELOPMENT_CHANGE]
Age = Annotated[float, Within("The lengthening for the developer's age", 0.5, 3)]
ErrorStops = Annotated[float, Within("The exposure's error", -10, 10, "stops")]


@dataclass(frozen=True, kw_only=True, slots=True)
class DevelopmentRequest:
    """A recipe, the N wanted and the temperature there is, in one scale or the other.

    ``ei`` is the film's own EI and ``rated_ei`` what it was shot at; ``error_stops`` how far the
    exposure was off (+ over); ``age_change`` what is added for an old developer. ``own_minutes``
    is the photographer's word over all of it, with its ``reason``; a reason also answers for a
    recipe that is not recommended.
    """

    recipe: Recipe
    n: DevelopmentNumber = 0.0
    temperature_c: AnyCelsius | None = None
    temperature_f: AnyFahrenheit | None = None
    ei: ExposureIndex | None = None
    rated_ei: ExposureIndex | None = None
    error_stops: ErrorStops = 0.0
    reciprocity_change: Change = 1.0
    rotary: bool = False
    age_change: Age = 1.0
    own_minutes: Minutes | None = None
    reason: Label = ""

    def __post_init__(self) -> None:
        if self.temperature_c is not None and self.temperature_f is not None:
            raise Missing("Give the temperature in °C or in °F, not both.", field="temperature_c")
        check_reason(self.own_minutes, self.reason)


@dataclass(frozen=True, kw_only=True, slots=True)
class TimeRow:
    """One line of the developing time: what, its factor, the running minutes, why, the source."""

    step: str
    label: str
    factor: float
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

    ``off_zones`` is what the photographer's own minutes do to the high value: + too high.
    """

    minutes: float
    minutes_text: str
    temperature_c: float
    ei: float | None
    origin: Origin
    who: str
    ledger: tuple[TimeRow, ...]
    beside: tuple[OtherTime, ...]
    off_zones: float
    off_text: str
    advice: tuple[Advice, ...]


def development(request: DevelopmentRequest) -> DevelopmentAnswer:
    """The operation ``development``; Impossible for what is not recommended, without a reason."""
    recipe, at_c = request.recipe, _temperature_c(request)
    if recipe.not_recommended and not request.reason.strip():
        raise Impossible(
            f"Not recommended ({recipe.not_recommended}): choose another recipe, or say why you"
            " use it all the same.",
            field="reason",
        )
    timed = time_for(recipe, request.n)
    rows = _rows(timed.minutes, _steps(request, timed, at_c))
    computed = rows[-1].minutes
    off = 0.0
    if request.own_minutes is not None:
        off = zones_off(request.own_minutes, computed)
        rows.append(_own(request.own_minutes, computed, request.reason))
    minutes = rows[-1].minutes
    return DevelopmentAnswer(
        minutes=minutes,
        minutes_text=minutes_text(minutes),
        temperature_c=at_c,
        ei=timed.ei if timed.ei is not None else request.ei,
        origin=_origin(request, timed, at_c),
        who=timed.who,
        ledger=tuple(rows),
        beside=tuple(
            OtherTime(
                origin=each.origin,
                minutes=each.minutes * computed / timed.minutes,
                minutes_text=minutes_text(each.minutes * computed / timed.minutes),
                who=each.who,
            )
            for each in beside(recipe, request.n)
        ),
        off_zones=off,
        off_text=zones_text(off),
        advice=tuple(_advice(request, minutes, timed)),
    )


def _temperature_c(request: DevelopmentRequest) -> float:
    if request.temperature_f is not None:
        return temperature.allowed(celsius(request.temperature_f), "temperature_f")
    if request.temperature_c is not None:
        return temperature.allowed(request.temperature_c, "temperature_c")
    return request.recipe.temperature_c


@dataclass(frozen=True, slots=True)
class _Step:
    step: str
    label: str
    factor: float
    why: str
    source: str = "practice"


def _steps(request: DevelopmentRequest, timed: Timed, at_c: float) -> Iterator[_Step]:
    recipe = request.recipe
    said = f"{timed.origin}{f' by {timed.who}' if timed.who else ''}"
    at = f"at {temperature_text(recipe.temperature_c)}"
    yield _Step("recipe", n_text(request.n), 1.0, f"{said}, {at}", "todd-zakia")
    if request.rated_ei is not None and request.ei is not None:
        rated, why = ratings.factor(recipe, timed, request.rated_ei, request.ei)
        if why:
            yield _Step("rating", f"Rated {plain(request.rated_ei)}", rated, why)
    if abs(request.error_stops) >= FREE_ERROR_STOPS:
        yield _exposure(request, timed)
    if request.reciprocity_change != 1:
        change = request.reciprocity_change
        why = f"×{change:.2f} by the film's table"
        yield _Step("reciprocity", "Long exposure", change, why, "schwarzschild-1900")
    if request.rotary:
        yield _Step("agitation", "Rotary", ROTARY, f"continuous agitation, ×{ROTARY}")
    if request.age_change != 1:
        why = f"×{request.age_change:.2f}, as you say of its bottle"
        yield _Step("age", "Developer's age", request.age_change, why)
    warmth, why = temperature.of_recipe(recipe, at_c)
    if abs(at_c - recipe.temperature_c) > 1e-9:
        label = temperature_text(at_c)
        yield _Step("temperature", label, warmth, f"×{warmth:.2f}, {why}", "todd-zakia")


def _origin(request: DevelopmentRequest, timed: Timed, at_c: float) -> Origin:
    """How sure the whole time is: no more than the least sure of what it was made from."""
    recipe, rated, own = request.recipe, request.rated_ei, request.ei
    if rated is not None and own is not None and not ratings.sure(recipe, timed, rated, own):
        return "estimated"
    if not temperature.sure(recipe, at_c):
        return "estimated"
    if abs(request.error_stops) >= FREE_ERROR_STOPS:
        as_exposed = time_for(recipe, meant(request.n, request.error_stops)).origin
        return max(timed.origin, as_exposed, key=TRUST.index)
    return timed.origin


def _exposure(request: DevelopmentRequest, timed: Timed) -> _Step:
    error, n = request.error_stops, meant(request.n, request.error_stops)
    change = time_for(request.recipe, n).minutes / timed.minutes
    words = f"{stops_words(abs(error))[1:]} {'over' if error > 0 else 'under'}"
    why = f"the high value fell {'higher' if error > 0 else 'lower'}; as for {n_text(round(n, 1))}"
    return _Step("exposure", f"Exposed {words}", change, why, "stroebel-materials")


def _rows(minutes: float, steps: Iterator[_Step]) -> list[TimeRow]:
    rows = []
    for each in steps:
        minutes *= each.factor
        rows.append(
            TimeRow(
                step=each.step,
                label=each.label,
                factor=each.factor,
                minutes=minutes,
                minutes_text=minutes_text(minutes),
                why=each.why,
                source=each.source,
            )
        )
    return rows


def _own(minutes: float, computed: float, reason: str) -> TimeRow:
    row = _rows(computed, iter([_Step("own", "Your own", minutes / computed, reason)]))[0]
    return replace(row, minutes=minutes, minutes_text=minutes_text(minutes))


def short_time(minutes: float) -> Iterator[Advice]:
    """What is said of a development too short to be even: common practice, no source."""
    if minutes < TOO_SHORT_MIN - 1e-9:
        text = "Under 4 minutes development is very likely uneven: dilute more or cool the bath."
        yield Advice(code="time-much-too-short", severity="warning", text=text)
    elif minutes < SHORT_MIN - 1e-9:
        text = "Under 5 minutes development may be uneven: dilute more or cool the bath."
        yield Advice(code="time-short", severity="caution", text=text)


def _advice(request: DevelopmentRequest, minutes: float, timed: Timed) -> Iterator[Advice]:
    yield from short_time(minutes)
    if timed.origin == "estimated":
        text = (
            f"The time for {n_text(request.n)} is estimated by rule of thumb;"
            " test it on a sheet that matters less."
        )
        yield Advice(code="time-estimated", severity="note", text=text)
