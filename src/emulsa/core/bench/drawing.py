"""A curve as it is drawn: along the zones of the meter, or log H; up by density with base."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from emulsa.core.errors import CoreError
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.numbers import counted, plain
from emulsa.core.sensitometry.curve import FEWEST, STOP, Curve, Drawn
from emulsa.core.sensitometry.film_test import CurveAnswer, FilmTestAnswer
from emulsa.core.tones.zones import MIDDLE, zone_text

SLACK = 1e-6  # an end that lies on a third is read, whatever its last digit
DRAWN = 81  # points of a curve as it is drawn


@dataclass(frozen=True, kw_only=True, slots=True)
class CurveLine:
    """A curve as it is drawn: along zones (or log H), up by density with base; ``steps_text`` what
    it was drawn from."""

    id: str
    minutes_text: str
    steps_text: str
    base_fog: float
    points: tuple[tuple[float, float], ...]
    line: tuple[tuple[float, float], ...]
    speed_x: float | None
    problem: str


def main_curve(answer: FilmTestAnswer | None) -> CurveAnswer | None:
    """The curve nearest to a normal negative: its index is the film's."""
    if answer is None:
        return None
    known = [each for each in answer.curves if each.n is not None]
    return min(known, key=lambda each: abs(each.n or 0.0)) if known else answer.curves[0]


def drawn_line(curve: Curve, answer: FilmTestAnswer | None) -> CurveLine:
    found = next((each for each in answer.curves if each.id == curve.id), None) if answer else None
    speed = None
    if found is not None:
        speed = (
            as_drawn(curve, found.speed_stops)
            if found.speed_stops is not None
            else found.speed_log_h
        )
    drawn, problem = _drawn(curve)
    return CurveLine(
        id=curve.id,
        minutes_text=minutes_text(curve.minutes) if curve.minutes else curve.id,
        steps_text=_steps_text(curve),
        base_fog=curve.base_fog,
        points=tuple(
            (
                as_drawn(curve, each.stops) if each.stops is not None else each.log_h or 0.0,
                each.density,
            )
            for each in curve.steps
        ),
        line=tuple(_samples(curve, drawn)) if drawn else (),
        speed_x=speed,
        problem=problem,
    )


@dataclass(frozen=True, kw_only=True, slots=True)
class ReadOff:
    """An exposure, in words, and what each curve that reaches it has there, by its name."""

    at: float
    text: str
    densities: dict[str, str]


def read_off(curves: Sequence[Curve]) -> Iterator[ReadOff]:
    """What the curves have, from the least exposure to the most: by thirds of a zone where a meter
    told them, else by tenths of log H."""
    ready = [(each, drawn) for each in curves if (drawn := _drawn(each)[0])]
    if not ready:
        return
    metered = ready[0][0].exposure.kind == "metered"
    per = 3 if metered else 10
    ends = [
        as_drawn(each, x / STOP) if metered else x
        for each, drawn in ready
        for x in (drawn.first, drawn.last)
    ]
    for count in range(math.ceil(per * min(ends) - SLACK), math.floor(per * max(ends) + SLACK) + 1):
        at = count / per
        x = (at - MIDDLE) * STOP if metered else at
        yield ReadOff(
            at=at,
            text=f"Zone {zone_text(at)}" if metered else f"log H {plain(round(at, 1))}",
            densities={
                each.id: f"{drawn.density(x):.2f}" for each, drawn in ready if drawn.inside(x)
            },
        )


def _drawn(curve: Curve) -> tuple[Drawn | None, str]:
    """A curve ready to be read; nothing, and why, when it cannot be."""
    if len(curve.steps) < FEWEST:
        return None, ""
    try:
        return Drawn(curve, "curve"), ""
    except CoreError as refusal:
        return None, refusal.message


def _steps_text(curve: Curve) -> str:
    if not curve.steps:
        return "no densities yet"
    return f"{counted(len(curve.steps), 'step')}, clear film {curve.base_fog:.2f}"


def _samples(curve: Curve, drawn: Drawn) -> list[tuple[float, float]]:
    across = [drawn.first + (drawn.last - drawn.first) * k / (DRAWN - 1) for k in range(DRAWN)]
    metered = curve.exposure.kind == "metered"
    return [(as_drawn(curve, x / STOP) if metered else x, drawn.density(x)) for x in across]


def as_drawn(curve: Curve, stops: float) -> float:
    """A zone, for exposures by the meter."""
    return MIDDLE + stops if curve.exposure.kind == "metered" else stops
