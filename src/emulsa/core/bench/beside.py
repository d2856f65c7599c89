"""Films side by side: each against one reference under equal light, in words and as it is drawn."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from emulsa.core.bench.beside_words import (
    ColourDot,
    colour_words,
    dots,
    fog_words,
    grey_words,
    observed_words,
    rows_of,
    speed_words,
)
from emulsa.core.bench.conditions import unequal
from emulsa.core.bench.drawing import CurveLine, as_drawn, drawn_line, main_curve
from emulsa.core.bench.film_table import FilmTable, film_table
from emulsa.core.bench.record import FilmTest
from emulsa.core.errors import CoreError
from emulsa.core.sensitometry.compare import (
    CompareAnswer,
    CompareRequest,
    LadderPoint,
    OtherAnswer,
    OtherFilm,
    Patch,
    compare_films,
)
from emulsa.core.sensitometry.curve import FEWEST, STOP, Curve, Drawn, Metered
from emulsa.core.sensitometry.figures import speed_point
from emulsa.core.sensitometry.film_test import CurveAnswer, FilmTestAnswer, FilmTestRequest
from emulsa.core.sensitometry.film_test import film_test as figures_of

NO_CURVE = "{title} has no curve to compare yet."


@dataclass(frozen=True, kw_only=True, slots=True)
class ComparedFilm:
    """A film against the reference; ``own`` is the test one looks at. ``problem`` says why there is
    nothing to compare."""

    id: str
    title: str
    own: bool
    line: CurveLine | None
    match_x: float | None
    gap_text: str
    rows: tuple[tuple[str, str], ...]
    colours: tuple[ColourDot, ...]
    observed: tuple[tuple[str, str], ...]
    unequal: tuple[str, ...]
    says: tuple[str, ...]
    problem: str


@dataclass(frozen=True, kw_only=True, slots=True)
class Compared:
    """The reference, where it has the density the films are matched at, and each film beside it."""

    id: str
    title: str
    own: bool
    line: CurveLine
    match_x: float
    match_net: float
    match_text: str
    observed: tuple[tuple[str, str], ...]
    films: tuple[ComparedFilm, ...]
    table: FilmTable


@dataclass(frozen=True, slots=True)
class _Ready:
    """A test with the curve that stands for it."""

    test: FilmTest
    curve: Curve
    answer: FilmTestAnswer
    main: CurveAnswer


def side_by_side(test: FilmTest, beside: Sequence[FilmTest]) -> Compared | str | None:
    """Everything laid beside a test; a sentence when the reference cannot be compared with, nothing
    when there is nothing beside it."""
    found = {each.id: each for each in beside if each.id != test.id}
    named = [found[each] for each in test.others if each in found and each != test.beside]
    reference = found.get(test.beside or "", test)
    films = named if reference is test else [test, *named]
    if not films:
        return None
    ready = _ready(reference)
    if ready is None:
        return NO_CURVE.format(title=reference.title)
    try:
        at = _match_x(ready, test.match_net)
    except CoreError:
        return (
            f"{reference.title} does not reach {test.match_net:.2f} above its clear film; match"
            " the films at another density."
        )
    shift = _shift(ready.curve, test)
    if shift is None:
        return (
            f"{reference.title} was exposed by other means: the one by light, the other by meter."
        )
    return Compared(
        id=reference.id,
        title=reference.title,
        own=reference is test,
        line=_moved(drawn_line(ready.curve, ready.answer), shift),
        match_x=at + shift,
        match_net=test.match_net,
        match_text=f"{test.match_net:.2f}",
        observed=observed_words(reference),
        films=tuple(_beside(each, ready, test) for each in films),
        table=film_table(reference, [(each, _figures_of(each, ready, test)) for each in films]),
    )


def _figures_of(test: FilmTest, reference: _Ready, asking: FilmTest) -> OtherAnswer | None:
    ready = _ready(test)
    try:
        return _compared(ready, reference, asking).others[0] if ready else None
    except CoreError:
        return None


def _ready(test: FilmTest) -> _Ready | None:
    curves = tuple(each for each in test.curves if len(each.steps) >= FEWEST)
    if not curves:
        return None
    try:
        answer = figures_of(FilmTestRequest(curves=curves))
    except CoreError:
        return None
    main = main_curve(answer)
    if main is None:
        return None
    return _Ready(test, next(each for each in curves if each.id == main.id), answer, main)


def _match_x(ready: _Ready, net: float) -> float:
    """Where a curve has the density films are matched at, as it is drawn."""
    at = speed_point(Drawn(ready.curve, "reference"), "reference", net)
    return as_drawn(ready.curve, at / STOP) if ready.curve.exposure.kind == "metered" else at


def _shift(curve: Curve, asking: FilmTest) -> float | None:
    """How far a curve is moved to stand over the same light as the test one looks at; nothing where
    the two have no exposure in common."""
    own = next((each.exposure for each in asking.curves if each.steps), curve.exposure)
    if own.kind != curve.exposure.kind:
        return None
    if isinstance(own, Metered) and isinstance(curve.exposure, Metered):
        return math.log2(own.ei / curve.exposure.ei)
    return 0.0


def _moved(line: CurveLine, by: float) -> CurveLine:
    if not by:
        return line
    return replace(
        line,
        points=tuple((x + by, y) for x, y in line.points),
        line=tuple((x + by, y) for x, y in line.line),
        speed_x=None if line.speed_x is None else line.speed_x + by,
    )


def _beside(test: FilmTest, reference: _Ready, asking: FilmTest) -> ComparedFilm:
    ready = _ready(test)
    shift = _shift(ready.curve, asking) if ready else None
    try:
        found = _compared(ready, reference, asking) if ready else None
        problem = "" if found else NO_CURVE.format(title=test.title)
    except CoreError as refusal:
        found, problem = None, f"{test.title}: {refusal.message}"
    return ComparedFilm(
        id=test.id,
        title=test.title,
        own=test.id == asking.id,
        line=(
            _moved(drawn_line(ready.curve, ready.answer), shift)
            if ready and shift is not None
            else None
        ),
        match_x=(
            _match_x(ready, asking.match_net) + shift
            if ready and found and shift is not None
            else None
        ),
        gap_text=speed_words(found.others[0]) if found else "",
        rows=tuple(rows_of(found.others[0])) if found else (),
        colours=tuple(dots(found.others[0])) if found else (),
        observed=observed_words(test),
        unequal=unequal(test, reference.test),
        says=tuple(_says(test, found.others[0])) if found else (),
        problem=problem,
    )


def _says(test: FilmTest, one: OtherAnswer) -> Iterator[str]:
    yield from fog_words(test, one)
    yield from colour_words(one)
    yield from grey_words(one)


def _compared(ready: _Ready, reference: _Ready, asking: FilmTest) -> CompareAnswer:
    ladder = tuple(LadderPoint(n=each.n, minutes=each.minutes) for each in ready.answer.n_ladder)
    other = OtherFilm(
        id="other",
        base_fog=ready.curve.base_fog,
        exposure=ready.curve.exposure,
        steps=ready.curve.steps,
        minutes=ready.curve.minutes,
        n=ready.curve.n,
        ladder=ladder,
    )
    theirs = {each.label: each.density for each in reference.test.colours}
    return compare_films(
        CompareRequest(
            reference=replace(reference.curve, id="reference"),
            others=(other,),
            match_net=asking.match_net,
            patches=tuple(
                Patch(
                    label=each.label,
                    densities={"other": each.density, "reference": theirs[each.label]},
                )
                for each in ready.test.colours
                if each.label in theirs
            ),
            frames=bracket_of(asking.bracket_stops),
            print_s=asking.print_s,
        )
    )


def bracket_of(either_way: float) -> tuple[float, ...]:
    """The frames of a bracket in thirds.

    >>> [round(each, 2) for each in bracket_of(2 / 3)]
    [-0.67, -0.33, 0.0, 0.33, 0.67]
    """
    thirds = math.floor(3 * either_way + 1e-9)
    return tuple(each / 3 for each in range(-thirds, thirds + 1))
