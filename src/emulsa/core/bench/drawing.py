"""A curve as it is drawn: along the zones of the meter, or log H; up by density with base."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.errors import CoreError
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.sensitometry.curve import FEWEST, STOP, Curve, Drawn
from emulsa.core.sensitometry.film_test import CurveAnswer, FilmTestAnswer
from emulsa.core.tones.zones import MIDDLE

DRAWN = 81  # points of a curve as it is drawn


@dataclass(frozen=True, kw_only=True, slots=True)
class CurveLine:
    """A curve as it is drawn: along zones (or log H), up by density with base."""

    id: str
    minutes_text: str
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
    try:
        drawn = Drawn(curve, "curve") if len(curve.steps) >= FEWEST else None
        problem = ""
    except CoreError as refusal:
        drawn, problem = None, refusal.message
    return CurveLine(
        id=curve.id,
        minutes_text=minutes_text(curve.minutes) if curve.minutes else curve.id,
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


def _samples(curve: Curve, drawn: Drawn) -> list[tuple[float, float]]:
    across = [drawn.first + (drawn.last - drawn.first) * k / (DRAWN - 1) for k in range(DRAWN)]
    metered = curve.exposure.kind == "metered"
    return [(as_drawn(curve, x / STOP) if metered else x, drawn.density(x)) for x in across]


def as_drawn(curve: Curve, stops: float) -> float:
    """A zone, for exposures by the meter."""
    return MIDDLE + stops if curve.exposure.kind == "metered" else stops
