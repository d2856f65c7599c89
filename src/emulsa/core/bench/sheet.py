"""A film test worked out: its curves as they are drawn, its verdict, and another film beside it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from emulsa.core.bench.record import FilmTest
from emulsa.core.development.recipes import Recipe
from emulsa.core.errors import CoreError
from emulsa.core.kit.films import Film
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.numbers import number_text, plain
from emulsa.core.sensitometry.compare import (
    CompareAnswer,
    CompareRequest,
    LadderPoint,
    OtherFilm,
    compare_films,
)
from emulsa.core.sensitometry.curve import FEWEST, SPEED_NET, STOP, Curve, Drawn
from emulsa.core.sensitometry.film_test import (
    CurveAnswer,
    FilmTestAnswer,
    FilmTestRequest,
    Targets,
    film_test,
)
from emulsa.core.sensitometry.speeds import beside, rounded
from emulsa.core.tones.development_number import n_text
from emulsa.core.tones.zones import MIDDLE

DRAWN = 81  # points of a curve as it is drawn
SAME_MINUTES = 1 / 12  # five seconds


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
class Compared:
    """This film beside another, in words: what, how much."""

    title: str
    line: CurveLine
    stops: float
    rows: tuple[tuple[str, str], ...]


@dataclass(frozen=True, kw_only=True, slots=True)
class Worked:
    """Everything a test says; ``problem`` when it cannot be worked out, with the field at fault."""

    axis: Literal["zones", "log_h"]
    lines: tuple[CurveLine, ...]
    answer: FilmTestAnswer | None
    main: str | None
    rate_at: str
    rate_why: str
    ladder: tuple[RungLine, ...]
    today: str
    net_at_viii: float
    speed_net: float
    compared: Compared | None
    problem: str
    field: str | None


def worked_out(test: FilmTest, film: Film, recipe: Recipe | None, other: FilmTest | None) -> Worked:
    """The sheet of a test; it never refuses, it says what lacks."""
    ready = tuple(each for each in test.curves if len(each.steps) >= FEWEST)
    answer, problem, field = None, "", None
    if ready:
        try:
            answer = film_test(FilmTestRequest(curves=ready, box_speed=film.box_speed))
        except CoreError as refusal:
            problem, field = refusal.message, _in_test(refusal.field, ready, test)
    else:
        problem = "No curve has five densities yet: type them, or paste a column."
    main = _main(answer)
    metered = not test.curves or test.curves[0].exposure.kind == "metered"
    return Worked(
        axis="zones" if metered else "log_h",
        lines=tuple(_line(each, answer) for each in test.curves),
        answer=answer,
        main=main.id if main else None,
        rate_at=f"EI {plain(rounded(main.ei))}" if main else "",
        rate_why=_why(main, answer, film) if main and answer else "",
        ladder=tuple(_ladder(answer)) if answer else (),
        today=_today(answer, recipe) if answer and recipe else "",
        net_at_viii=Targets().net_at_viii,
        speed_net=SPEED_NET,
        compared=_compared(test, main, answer, other) if main and other and answer else None,
        problem=problem,
        field=field,
    )


def _in_test(field: str | None, ready: tuple[Curve, ...], test: FilmTest) -> str | None:
    """A refusal's curve counted among all of the test's."""
    parts = (field or "").split(".")
    if len(parts) > 1 and parts[0] == "curves":
        parts[1] = str(test.curves.index(ready[int(parts[1])]))
    return ".".join(parts) or None


def _main(answer: FilmTestAnswer | None) -> CurveAnswer | None:
    """The curve nearest to a normal negative: its index is the film's."""
    if answer is None:
        return None
    known = [each for each in answer.curves if each.n is not None]
    return min(known, key=lambda each: abs(each.n or 0.0)) if known else answer.curves[0]


def _why(main: CurveAnswer, answer: FilmTestAnswer, film: Film) -> str:
    count = len(answer.curves)
    of = f"from {count} curves" if count > 1 else "from one curve"
    named = "the box" if film.box_speed else f"the EI {plain(film.exposure_index)} you use"
    said = beside(main.ei, film.box_speed or film.exposure_index, named).partition(", ")[2]
    return ", ".join(each for each in (said, of) if each)


def _line(curve: Curve, answer: FilmTestAnswer | None) -> CurveLine:
    found = next((each for each in answer.curves if each.id == curve.id), None) if answer else None
    speed = None
    if found is not None:
        speed = _x(curve, found.speed_stops) if found.speed_stops is not None else found.speed_log_h
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
            (_x(curve, each.stops) if each.stops is not None else each.log_h or 0.0, each.density)
            for each in curve.steps
        ),
        line=tuple(_samples(curve, drawn)) if drawn else (),
        speed_x=speed,
        problem=problem,
    )


def _samples(curve: Curve, drawn: Drawn) -> list[tuple[float, float]]:
    across = [drawn.first + (drawn.last - drawn.first) * k / (DRAWN - 1) for k in range(DRAWN)]
    metered = curve.exposure.kind == "metered"
    return [(_x(curve, x / STOP) if metered else x, drawn.density(x)) for x in across]


def _x(curve: Curve, stops: float) -> float:
    """A zone, for exposures by the meter."""
    return MIDDLE + stops if curve.exposure.kind == "metered" else stops


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
    used = next((each for each in recipe.points if each.n == 0), None)
    if tested is None or used is None:
        return ""
    off = tested.minutes - used.minutes
    said = f"You use {minutes_text(used.minutes)} for N ({used.origin}). The test says"
    if abs(off) < SAME_MINUTES:
        return f"{said} the same."
    return f"{said} {minutes_text(abs(off))} {'more' if off > 0 else 'less'}."


def _compared(
    test: FilmTest, main: CurveAnswer, answer: FilmTestAnswer, other: FilmTest
) -> Compared | None:
    """Another test's main curve beside this one's; the other is the reference."""
    ready = tuple(each for each in other.curves if len(each.steps) >= FEWEST)
    own = next(each for each in test.curves if each.id == main.id)
    try:
        reference_answer = film_test(FilmTestRequest(curves=ready)) if ready else None
        chosen = _main(reference_answer)
        if chosen is None:
            return None
        reference = next(each for each in ready if each.id == chosen.id)
        ladder = tuple(LadderPoint(n=each.n, minutes=each.minutes) for each in answer.n_ladder)
        found = compare_films(
            CompareRequest(
                reference=reference,
                others=(_other(own, ladder),),
                match_net=test.match_net,
            )
        )
    except CoreError:
        return None
    return Compared(
        title=other.title,
        line=_line(reference, reference_answer),
        stops=found.others[0].speed_stops,
        rows=tuple(_rows(found)),
    )


def _other(curve: Curve, ladder: tuple[LadderPoint, ...]) -> OtherFilm:
    return OtherFilm(
        id=curve.id,
        base_fog=curve.base_fog,
        exposure=curve.exposure,
        steps=curve.steps,
        minutes=curve.minutes,
        n=curve.n,
        ladder=ladder,
    )


def _rows(found: CompareAnswer) -> list[tuple[str, str]]:
    one = found.others[0]
    thirds = round(3 * abs(one.speed_stops))
    size = f"{number_text(thirds / 3)} stop{'s' if thirds > 3 else ''}"
    speed = "alike" if thirds == 0 else f"{size} {'faster' if one.speed_stops > 0 else 'slower'}"
    rows = [("Speed at equal shadows", speed)]
    if one.separation_ratio.shadows is not None:
        rows.append(("Shadow separation", f"{one.separation_ratio.shadows:.2f} of it"))
    if one.gradient_ratio is not None:
        rows.append(("Gradient", f"{one.gradient_ratio:.2f} of it"))
    fog = one.base_fog_difference
    sign = "−" if fog < 0 else "+"
    rows.append(("Base plus fog", f"{sign}{abs(fog):.2f}, print ×{one.print_time_factor:.2f}"))
    if one.minutes_to_match is not None:
        beyond = ", beyond its data" if one.extrapolated else ""
        rows.append(("As steep as it at", f"{minutes_text(one.minutes_to_match)}{beyond}"))
    return rows
