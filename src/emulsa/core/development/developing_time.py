"""The developing time of one negative: recipe, N, reciprocity, agitation, temperature."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Annotated

from emulsa.core.advice import Advice
from emulsa.core.data.development import ROTARY, SHORT_MIN, TOO_SHORT_MIN
from emulsa.core.development import temperature
from emulsa.core.development.recipes import N, Origin, Recipe, Timed, time_for
from emulsa.core.errors import Missing
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.limits import ExposureIndex, Within, plain
from emulsa.core.tones.development_number import n_text

AnyCelsius = Annotated[float, Within("The temperature", -40, 100, "°C")]
AnyFahrenheit = Annotated[float, Within("The temperature", -40, 212, "°F")]
Change = Annotated[float, Within("The reciprocity development change", 0.3, 2)]


@dataclass(frozen=True, kw_only=True, slots=True)
class DevelopmentRequest:
    """A recipe, the N wanted and the temperature there is, in one scale or the other."""

    recipe: Recipe
    n: N = 0.0
    temperature_c: AnyCelsius | None = None
    temperature_f: AnyFahrenheit | None = None
    ei: ExposureIndex | None = None
    reciprocity_change: Change = 1.0
    rotary: bool = False

    def __post_init__(self) -> None:
        if self.temperature_c is not None and self.temperature_f is not None:
            raise Missing("Give the temperature in °C or in °F, not both.", field="temperature_c")


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
class DevelopmentAnswer:
    """Minutes at the temperature given, how sure they are, and how they came about."""

    minutes: float
    minutes_text: str
    temperature_c: float
    ei: float | None
    origin: Origin
    ledger: tuple[TimeRow, ...]
    advice: tuple[Advice, ...]


def development(request: DevelopmentRequest) -> DevelopmentAnswer:
    """The operation ``development``."""
    recipe, at_c = request.recipe, _temperature_c(request)
    timed = time_for(recipe, request.n)
    ledger = _ledger(request, timed, at_c)
    minutes = ledger[-1].minutes
    return DevelopmentAnswer(
        minutes=minutes,
        minutes_text=minutes_text(minutes),
        temperature_c=at_c,
        ei=timed.ei if timed.ei is not None else request.ei,
        origin=timed.origin,
        ledger=ledger,
        advice=tuple(_advice(request, minutes, timed)),
    )


def _temperature_c(request: DevelopmentRequest) -> float:
    if request.temperature_f is not None:
        return temperature.allowed(temperature.celsius(request.temperature_f), "temperature_f")
    if request.temperature_c is not None:
        return temperature.allowed(request.temperature_c, "temperature_c")
    return request.recipe.temperature_c


def _ledger(request: DevelopmentRequest, timed: Timed, at_c: float) -> tuple[TimeRow, ...]:
    recipe = request.recipe
    steps = [
        (
            "recipe",
            n_text(request.n),
            1.0,
            f"{timed.origin}, at {plain(recipe.temperature_c)} °C",
            "todd-zakia",
        )
    ]
    if request.reciprocity_change != 1:
        change = request.reciprocity_change
        steps.append(
            (
                "reciprocity",
                "Long exposure",
                change,
                f"×{change:.2f} by the film's table",
                "schwarzschild-1900",
            )
        )
    if request.rotary:
        steps.append(
            ("agitation", "Rotary", ROTARY, f"continuous agitation, ×{ROTARY}", "practice")
        )
    warmth = temperature.factor(at_c, recipe.temperature_c, recipe.k_per_c)
    if abs(warmth - 1) > 1e-12:
        steps.append(
            (
                "temperature",
                f"{plain(round(at_c, 1))} °C",
                warmth,
                f"×{warmth:.2f}, k {plain(recipe.k_per_c)} per °C",
                "todd-zakia",
            )
        )
    rows, minutes = [], timed.minutes
    for step, label, factor, why, source in steps:
        minutes *= factor
        rows.append(
            TimeRow(
                step=step,
                label=label,
                factor=factor,
                minutes=minutes,
                minutes_text=minutes_text(minutes),
                why=why,
                source=source,
            )
        )
    return tuple(rows)


def _advice(request: DevelopmentRequest, minutes: float, timed: Timed) -> Iterator[Advice]:
    if minutes < TOO_SHORT_MIN - 1e-9:
        text = "Under 4 minutes development is very likely uneven: dilute more or cool the bath."
        yield Advice(code="time-much-too-short", severity="warning", text=text)
    elif minutes < SHORT_MIN - 1e-9:
        text = "Under 5 minutes development may be uneven: dilute more or cool the bath."
        yield Advice(code="time-short", severity="caution", text=text)
    if timed.origin == "estimated":
        text = (
            f"The time for {n_text(request.n)} is estimated by rule of thumb;"
            " test it on a sheet that matters less."
        )
        yield Advice(code="time-estimated", severity="note", text=text)
