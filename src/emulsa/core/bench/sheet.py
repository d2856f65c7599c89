"""A film test worked out: its curves as they are drawn, its verdict, and another film beside it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from emulsa.core.bench.beside import Compared, side_by_side
from emulsa.core.bench.drawing import CurveLine, ReadOff, drawn_line, main_curve, read_off
from emulsa.core.bench.record import FilmTest
from emulsa.core.bench.textural import Textural, textural_of
from emulsa.core.bench.zone_sheets import ZoneSheets, zone_sheets
from emulsa.core.development.recipes import Recipe, best_points
from emulsa.core.errors import CoreError
from emulsa.core.kit.films import Film
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.numbers import counted, plain
from emulsa.core.sensitometry.curve import FEWEST, SPEED_NET, Curve
from emulsa.core.sensitometry.film_test import (
    USUAL_TARGETS,
    CurveAnswer,
    FilmTestAnswer,
    FilmTestRequest,
    Targets,
    film_test,
)
from emulsa.core.sensitometry.speeds import beside as beside_text
from emulsa.core.sensitometry.speeds import rounded
from emulsa.core.tones.development_number import n_text

SAME_MINUTES = 1 / 12  # five seconds
NO_CURVE = "No curve has five densities yet: type them, or paste a column."


@dataclass(frozen=True, kw_only=True, slots=True)
class RungLine:
    """An N of the ladder in words."""

    n: float
    n_text: str
    minutes: float
    minutes_text: str
    ei: float
    ei_text: str
    extrapolated: bool


@dataclass(frozen=True, kw_only=True, slots=True)
class Worked:
    """Everything a test says; ``readings`` are its curves read off along the axis, ``problem`` when
    it cannot be worked out, with the field at fault."""

    axis: Literal["zones", "log_h"]
    lines: tuple[CurveLine, ...]
    readings: tuple[ReadOff, ...]
    answer: FilmTestAnswer | None
    main: str | None
    rate_at: str
    rate_why: str
    ladder: tuple[RungLine, ...]
    today: str
    net_at_viii: float
    speed_net: float
    speed_net_text: str
    compared: Compared | None
    not_compared: str
    textural: Textural | None
    zone_sheets: ZoneSheets | None
    problem: str
    field: str | None


def worked_out(
    test: FilmTest,
    film: Film,
    recipe: Recipe | None,
    beside: Sequence[FilmTest] = (),
    targets: Targets = USUAL_TARGETS,
) -> Worked:
    """The sheet of a test; it never refuses, it says what lacks."""
    ready = tuple(each for each in test.curves if len(each.steps) >= FEWEST)
    sheets = zone_sheets(test)
    answer, problem, field = None, "", None
    if ready:
        try:
            answer = film_test(
                FilmTestRequest(curves=ready, box_speed=film.box_speed, targets=targets)
            )
        except CoreError as refusal:
            problem, field = refusal.message, _in_test(refusal.field, ready, test)
    else:
        problem = "" if sheets else NO_CURVE
    main = main_curve(answer)
    compared = side_by_side(test, beside)
    metered = not test.curves or test.curves[0].exposure.kind == "metered"
    return Worked(
        axis="zones" if metered else "log_h",
        lines=tuple(drawn_line(each, answer) for each in test.curves),
        readings=tuple(read_off(test.curves)),
        answer=answer,
        main=main.id if main else None,
        rate_at=f"EI {plain(rounded(main.metered_ei))}" if main else "",
        rate_why=_why(main, answer, film) if main and answer else "",
        ladder=tuple(_ladder(answer)) if answer else (),
        today=_today(answer, recipe) if answer and recipe else "",
        net_at_viii=targets.net_at_viii,
        speed_net=SPEED_NET,
        speed_net_text=f"{SPEED_NET:.2f} above clear film",
        compared=compared if isinstance(compared, Compared) else None,
        not_compared=compared if isinstance(compared, str) else "",
        textural=textural_of(test, answer) if answer else None,
        zone_sheets=sheets,
        problem=problem,
        field=field,
    )


def _in_test(field: str | None, ready: tuple[Curve, ...], test: FilmTest) -> str | None:
    """A refusal's curve counted among all of the test's."""
    parts = (field or "").split(".")
    if len(parts) > 1 and parts[0] == "curves":
        parts[1] = str(test.curves.index(ready[int(parts[1])]))
    return ".".join(parts) or None


def _why(main: CurveAnswer, answer: FilmTestAnswer, film: Film) -> str:
    """How the index compares with the box; a test by light gives two, each by its own name."""
    named = "the box" if film.box_speed else f"the EI {plain(film.exposure_index)} you use"
    said = beside_text(main.ei, film.box_speed or film.exposure_index, named)
    by_light = main.speed_log_h is not None
    beside = f"on the meter; by light {said}" if by_light else said.partition(", ")[2]
    of = f"from {counted(len(answer.curves), 'curve')}"
    return ", ".join(each for each in (beside, of) if each)


def _ladder(answer: FilmTestAnswer) -> list[RungLine]:
    return [
        RungLine(
            n=each.n,
            n_text=n_text(each.n),
            minutes=each.minutes,
            minutes_text=minutes_text(each.minutes),
            ei=each.ei,
            ei_text=plain(rounded(each.ei)),
            extrapolated=each.extrapolated,
        )
        for each in answer.n_ladder
    ]


def _today(answer: FilmTestAnswer, recipe: Recipe) -> str:
    """What one uses for N, beside what the test says."""
    tested = next((each for each in answer.n_ladder if each.n == 0), None)
    used = next((each for each in best_points(recipe) if each.n == 0), None)
    if tested is None or used is None:
        return ""
    off = tested.minutes - used.minutes
    said = f"You use {minutes_text(used.minutes)} for N ({used.origin}). The test says"
    if abs(off) < SAME_MINUTES:
        return f"{said} the same."
    return f"{said} {minutes_text(abs(off))} {'more' if off > 0 else 'less'}."
