"""Films side by side: each against one reference under equal light, in words and as it is drawn."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from emulsa.core.bench.conditions import unequal
from emulsa.core.bench.drawing import CurveLine, as_drawn, drawn_line, main_curve
from emulsa.core.bench.record import FilmTest
from emulsa.core.errors import CoreError
from emulsa.core.light.hand_time import minutes_text, time_text
from emulsa.core.numbers import number_text
from emulsa.core.sensitometry.compare import (
    LIKE,
    NAMED_FROM,
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
from emulsa.core.written import stops_text

NO_CURVE = "{title} has no curve to compare yet."


@dataclass(frozen=True, kw_only=True, slots=True)
class ColourDot:
    """A colour beside the reference's, in stops of print: positive is lighter."""

    label: str
    stops: float
    text: str
    named: bool


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
    observed: tuple[tuple[str, str], ...]
    films: tuple[ComparedFilm, ...]


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
        observed=observed_words(reference),
        films=tuple(_beside(each, ready, test) for each in films),
    )


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
        gap_text=_speed(found.others[0]) if found else "",
        rows=tuple(_rows(found.others[0])) if found else (),
        colours=tuple(_dots(found.others[0])) if found else (),
        observed=observed_words(test),
        unequal=unequal(test, reference.test),
        says=tuple(_colour_words(found.others[0])) if found else (),
        problem=problem,
    )


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


def observed_words(test: FilmTest) -> tuple[tuple[str, str], ...]:
    """What the eye says of a film, row by row; what nobody has looked at is left empty."""
    seen = test.observed
    return (
        ("Grain", seen.grain),
        ("Scratches", seen.scratches),
        ("Flatness in the carrier", seen.flatness),
        ("Edge sharpness", seen.sharpness),
        ("Price per sheet", "" if seen.price is None else f"{seen.price:.2f}"),
    )


def _colour_words(one: OtherAnswer) -> Iterator[str]:
    """The colours that print otherwise, in a sentence; and whether contrast is in it."""
    named = [each for each in _dots(one) if each.named]
    if named:
        said = [
            f"{each.label} {each.text[1:]} stop {'lighter' if each.text[0] == '+' else 'darker'}"
            for each in named
        ]
        yield f"Beside the reference it prints {'; '.join(said)}."
    ratio = one.gradient_ratio
    if named and ratio is not None and abs(ratio - 1) > LIKE:
        steep = "steeper" if ratio > 1 else "flatter"
        yield f"It is {steep}, too: a difference of contrast is in its colours."


def _speed(one: OtherAnswer) -> str:
    thirds = round(3 * abs(one.speed_stops))
    size = f"{number_text(thirds / 3)} stop{'s' if thirds > 3 else ''}"
    return "alike" if thirds == 0 else f"{size} {'faster' if one.speed_stops > 0 else 'slower'}"


def _rows(one: OtherAnswer) -> Iterator[tuple[str, str]]:
    yield "Speed at equal shadows", _speed(one)
    if one.frame is not None:
        left = one.frame.residual_stops
        off = "" if abs(left) < 1 / 12 else f", {stops_text(left)} left over"
        yield "Frame of the bracket to print", f"{stops_text(one.frame.offset)}{off}"
    for what, ratio in (
        ("Shadow separation", one.separation_ratio.shadows),
        ("Middle tones", one.separation_ratio.mids),
        ("High tones", one.separation_ratio.highlights),
        ("Gradient", one.gradient_ratio),
    ):
        if ratio is not None:
            yield what, f"{ratio:.2f} of it"
    if one.bumpiness_ratio is not None:
        yield "Straightness", _straight(one.bumpiness_ratio)
    fog = one.base_fog_difference
    sign = "−" if fog < 0 else "+"
    yield "Base plus fog", f"{sign}{abs(fog):.2f}, print ×{one.print_time_factor:.2f}"
    if one.print_s is not None:
        yield "Print time", time_text(one.print_s)
    if one.minutes_to_match is not None:
        beyond = ", beyond its data" if one.extrapolated else ""
        yield "As steep as it at", f"{minutes_text(one.minutes_to_match)}{beyond}"


def _straight(ratio: float) -> str:
    """Wander about its own line, beside the reference's."""
    if abs(ratio - 1) < 0.1:
        return "alike"
    return f"wanders ×{ratio:.1f}" if ratio > 1 else f"straighter, ×{ratio:.1f}"


def _dots(one: OtherAnswer) -> Iterator[ColourDot]:
    for each in one.patches:
        if each.lighter_stops is not None:
            named = abs(each.lighter_stops) >= NAMED_FROM - 1e-9
            thirds = number_text(max(1, round(3 * abs(each.lighter_stops))) / 3)
            text = f"{'+' if each.lighter_stops > 0 else '−'}{thirds}" if named else ""
            yield ColourDot(label=each.label, stops=each.lighter_stops, text=text, named=named)
