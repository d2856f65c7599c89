"""A film test: what each development of a film gives, and which minutes stand for which N.

Speed point, average gradient and the ISO triangle after ISO 6; contrast index after Todd & Zakia,
Photographic Sensitometry: both from memory. Every value whose span leaves the data is empty and
named; nothing is extrapolated but one step of the ladder.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Annotated

from emulsa.core.advice import Advice
from emulsa.core.errors import Unsound
from emulsa.core.limits import ExposureIndex, Length, Within
from emulsa.core.sensitometry.curve import SPEED_NET, STOP, Curve, Drawn, Net
from emulsa.core.sensitometry.speeds import beside

GAMMA_SPAN = 0.6  # two stops
ISO_SPAN, ISO_RISE, ISO_SLACK = 1.30, 0.80, 0.05
FOOT, ARM = 0.2, 2.2  # contrast index: from a foot on base plus fog, equal units on both axes
SEPARATIONS = (("shadows", 0.0, 0.6), ("mids", 0.6, 1.5), ("highlights", 1.5, 2.1))
BUMPS = (0.3, 1.8)
SAMPLES = 61
UNDER_TOE = 0.02
WINDOW = 0.3
MARCH = 0.02  # between the windows that are looked at for a shoulder
LADDER = tuple(step / 2 for step in range(-6, 5))
HALF_STEP = 0.5


@dataclass(frozen=True, kw_only=True, slots=True)
class Targets:
    """What a normal negative is to be. Common practice, no source: Zone VIII 1.25 above fog over
    seven stops, for a paper of grade 2."""

    net_at_viii: Net = 1.25
    range_stops: Annotated[float, Within("The range in stops", 1, 20)] = 7
    density_range: Annotated[float, Within("The density range", 0.2, 3)] = 1.05
    flare: Annotated[float, Within("Flare, in log H", 0, 1)] = 0


@dataclass(frozen=True, kw_only=True, slots=True)
class FilmTestRequest:
    """Curves of one film, one for each development."""

    curves: Annotated[tuple[Curve, ...], Length("Curves", 1, 12)]
    box_speed: ExposureIndex | None = None
    targets: Targets = Targets()


@dataclass(frozen=True, kw_only=True, slots=True)
class Separation:
    """How steep the curve is where shadows, middle tones and high values lie."""

    shadows: float | None
    mids: float | None
    highlights: float | None


@dataclass(frozen=True, kw_only=True, slots=True)
class CurveAnswer:
    """What a curve says; a value whose span leaves the data is empty, its name in
    ``extrapolated``."""

    id: str
    minutes: float | None
    speed_log_h: float | None
    speed_stops: float | None
    crossings: int
    iso_conditions: bool | None
    ei: float
    speed_text: str
    gamma: float | None
    average_gradient: float | None
    contrast_index: float | None
    contrast_index_reason: str
    range_stops: float | None
    n: float | None
    gradient_wanted: float
    separation: Separation
    bumpiness: float | None
    flat_before_toe_stops: float | None
    shoulder_log_h: float | None
    extrapolated: tuple[str, ...]
    advice: tuple[Advice, ...]


@dataclass(frozen=True, kw_only=True, slots=True)
class Rung:
    """An N of the ladder: its minutes and the index it is exposed at."""

    n: float
    minutes: float
    ei: float
    extrapolated: bool


@dataclass(frozen=True, kw_only=True, slots=True)
class FilmTestAnswer:
    """Every curve in the order they came, and the ladder of N between them."""

    curves: tuple[CurveAnswer, ...]
    n_ladder: tuple[Rung, ...]
    advice: tuple[Advice, ...]


def film_test(request: FilmTestRequest) -> FilmTestAnswer:
    """Speed, contrast and range of each development, and the minutes of each N.

    Unsound or OutOfRange, with the curve and step named, for data no film gives.
    """
    one_kind(request.curves, "curves")
    answers = tuple(
        _answer(Drawn(curve, f"curves.{place}"), f"curves.{place}", request)
        for place, curve in enumerate(request.curves)
    )
    ladder, said = _ladder(answers)
    advice = [each for answer in answers for each in answer.advice]
    return FilmTestAnswer(curves=answers, n_ladder=ladder, advice=(*advice, *said))


def one_kind(curves: Sequence[Curve], field: str) -> None:
    """Unsound when exposures are known by light and by meter at once."""
    for place, curve in enumerate(curves):
        if curve.exposure.kind != curves[0].exposure.kind:
            raise Unsound(
                "All curves must have their exposures of one kind: by light or by meter.",
                field=f"{field}.{place}.exposure",
            )


def speed_point(drawn: Drawn, field: str, net: float = SPEED_NET) -> float:
    """Where the curve last comes up to a net density; Unsound when that lies outside the data."""
    found = drawn.reaches(net)
    if found is None:
        raise Unsound(
            f"The curve never passes {net:.2f} above base plus fog inside its data: the test needs"
            " less, or more, exposure.",
            field=field,
        )
    return found


def separations(drawn: Drawn, start: float) -> Separation:
    """Mean slopes from a point on."""
    found = {
        name: drawn.slope(start + low, high - low) if drawn.inside(start + low) else None
        for name, low, high in SEPARATIONS
    }
    return Separation(**found)


def bumpiness(drawn: Drawn, start: float) -> float | None:
    """How far the curve wanders about its own straight line over its middle (RMS of density)."""
    low, high = start + BUMPS[0], start + BUMPS[1]
    if not (drawn.inside(low) and drawn.inside(high)):
        return None
    at = [low + (high - low) * k / (SAMPLES - 1) for k in range(SAMPLES)]
    y = drawn.along(at)
    middle_x, middle_y = math.fsum(at) / SAMPLES, math.fsum(y) / SAMPLES
    spread = math.fsum((x - middle_x) ** 2 for x in at)
    slope = math.fsum((x - middle_x) * each for x, each in zip(at, y, strict=True)) / spread
    off = (each - middle_y - slope * (x - middle_x) for x, each in zip(at, y, strict=True))
    return math.sqrt(math.fsum(each * each for each in off) / SAMPLES)


def steepest(drawn: Drawn, span: float = GAMMA_SPAN) -> tuple[float, float] | None:
    """The greatest mean slope over a span, and where its window begins; exact: between the steps
    the rise is a cubic, whose summit is where both ends are equally steep."""
    last = drawn.last - span
    if last < drawn.first - 1e-12:
        return None
    ends = {drawn.first, max(last, drawn.first)}
    ends |= {x for x in drawn.x if drawn.first < x < last}
    ends |= {x - span for x in drawn.x if drawn.first < x - span < last}
    places = sorted(ends)
    n = len(drawn.x) - 2
    near = far = 0
    best_rise, best = drawn.density(last + span) - drawn.density(last), last
    for start, end in pairwise(places):
        middle = (start + end) / 2
        while near < n and drawn.x[near + 1] <= middle:
            near += 1
        while far < n and drawn.x[far + 1] <= middle + span:
            far += 1
        a1, b1, c1, d1 = drawn.cubic(near)
        a2, b2, c2, d2 = drawn.cubic(far)
        s, t = start - drawn.x[near], start + span - drawn.x[far]
        # D(x + span) − D(x) along u = x − start; its slope as p·u² + q·u + r
        rise = a2 - a1 + t * (b2 + t * (c2 + t * d2)) - s * (b1 + s * (c1 + s * d1))
        p = 3 * (d2 - d1)
        q = 2 * (c2 - c1) + 6 * (d2 * t - d1 * s)
        r = b2 - b1 + 2 * (c2 * t - c1 * s) + 3 * (d2 * t * t - d1 * s * s)
        if rise > best_rise:
            best_rise, best = rise, start
        for u in _roots(p, q, r):
            if 0 < u < end - start:
                summit = rise + u * (r + u * (q / 2 + u * p / 3))
                if summit > best_rise:
                    best_rise, best = summit, start + u
    return best_rise / span, best


def _roots(p: float, q: float, r: float) -> tuple[float, ...]:
    if abs(p) < 1e-12:
        return (-r / q,) if abs(q) > 1e-12 else ()
    inside = q * q - 4 * p * r
    if inside < 0:
        return ()
    root = math.sqrt(inside)
    return (-q - root) / (2 * p), (-q + root) / (2 * p)


def _answer(drawn: Drawn, field: str, request: FilmTestRequest) -> CurveAnswer:
    start, targets = speed_point(drawn, f"{field}.steps"), request.targets
    lacks: list[str] = []

    def kept(name: str, value: float | None) -> float | None:
        if value is None:
            lacks.append(name)
        return value

    ei = index_at(drawn, start)
    average = kept("average_gradient", drawn.slope(start, ISO_SPAN))
    iso = None if average is None else abs(average * ISO_SPAN - ISO_RISE) <= ISO_SLACK + 1e-9
    steep = steepest(drawn)
    contrast, reason = _contrast_index(drawn)
    viii = drawn.reaches(targets.net_at_viii)
    range_stops = kept("range_stops", None if viii is None else (viii - start) / STOP)
    separation = separations(drawn, start)
    for name, _, _ in SEPARATIONS:
        kept(f"separation.{name}", getattr(separation, name))
    crossings = sum(1 for _ in drawn.crossings(SPEED_NET))
    gamma = kept("gamma", None if steep is None else steep[0])
    if reason:
        lacks.append("contrast_index")
    if iso is None:
        lacks.append("iso_conditions")
    n = kept("n", None if range_stops is None else targets.range_stops - range_stops)
    return CurveAnswer(
        id=drawn.curve.id,
        minutes=drawn.curve.minutes,
        speed_log_h=None if drawn.metered else start,
        speed_stops=start / STOP if drawn.metered else None,
        crossings=crossings,
        iso_conditions=iso,
        ei=ei,
        speed_text=beside(ei, request.box_speed),
        gamma=gamma,
        average_gradient=average,
        contrast_index=contrast,
        contrast_index_reason=reason,
        range_stops=range_stops,
        n=n,
        gradient_wanted=targets.density_range / (STOP * targets.range_stops - targets.flare),
        separation=separation,
        bumpiness=kept("bumpiness", bumpiness(drawn, start)),
        flat_before_toe_stops=kept("flat_before_toe_stops", _flat(drawn, start)),
        shoulder_log_h=None if steep is None else _shoulder(drawn, *steep),
        extrapolated=tuple(lacks),
        advice=tuple(_advice(drawn, crossings)),
    )


def index_at(drawn: Drawn, point: float) -> float:
    """The index a speed point stands for: 0.8/H by light (ISO 6); by the meter, whose IV it is."""
    if drawn.curve.exposure.kind == "metered":
        return float(drawn.curve.exposure.ei * 2 ** (-4 - point / STOP))
    return float(0.8 / 10.0**point)


def _advice(drawn: Drawn, crossings: int) -> list[Advice]:
    if crossings < 2:
        return []
    return [
        Advice(
            code="speed-point-twice",
            severity="caution",
            text=f"{drawn.curve.id} passes 0.10 above base plus fog {crossings} times; the last way"
            " up is taken. Read those steps again.",
        )
    ]


def _contrast_index(drawn: Drawn) -> tuple[float | None, str]:
    """The slope of the line from a foot on base plus fog that meets the curve at both arms."""

    def gap(angle: float) -> float | None:
        high = drawn.reaches(ARM * math.sin(angle))
        low = drawn.reaches(FOOT * math.sin(angle))
        if high is None or low is None:
            return None
        return high - low - (ARM - FOOT) * math.cos(angle)

    outside = "the long arm, 2.2 from the foot, leaves the data"
    # the flatter the line, the nearer its far point: the gap grows with the angle
    low, high = 0.02, math.pi / 2 - 0.02
    steepest_net = max(drawn.y) - drawn.curve.base_fog
    if steepest_net < ARM:
        high = min(high, math.asin(max(0.0, steepest_net) / ARM) - 1e-12)
    at_low, at_high = gap(low), gap(high)
    while at_low is None and low < high - 0.02:
        low += 0.02
        at_low = gap(low)
    if at_low is None or at_high is None or at_low > 0 or at_high < 0:
        return None, outside
    return math.tan(_zero(gap, low, high, at_low, at_high)), ""


def _zero(
    function: Callable[[float], float | None], low: float, high: float, f_low: float, f_high: float
) -> float:
    """Where a rising function is nothing, between two places: false position, never stuck."""
    for turn in range(80):
        if high - low < 1e-11:
            break
        middle = (
            (low + high) / 2 if turn % 3 == 2 else low - f_low * (high - low) / (f_high - f_low)
        )
        value = function(middle) or 0.0
        if abs(value) < 1e-12:
            return middle
        if value < 0:
            low, f_low = middle, value
        else:
            high, f_high = middle, value
    return (low + high) / 2


def _flat(drawn: Drawn, start: float) -> float | None:
    """How far below the speed point the film answers with nothing."""
    found = [x for x, up in drawn.crossings(UNDER_TOE) if up and x < start]
    return (start - found[-1]) / STOP if found else None


def _shoulder(drawn: Drawn, gamma: float, begins: float) -> float | None:
    """The centre of the first window beyond gamma's own from which all are under half as steep."""
    first, last = begins + GAMMA_SPAN, drawn.last - WINDOW
    found, at = None, last
    while at >= first - 1e-9:
        slope = drawn.slope(at, WINDOW)
        if slope is None or slope >= gamma / 2:
            break
        found, at = at, at - MARCH
    if found is None:
        return None
    low, high = max(first, found - MARCH), found  # the edge lies within this step
    if low == first and (drawn.slope(low, WINDOW) or gamma) < gamma / 2:
        return low + WINDOW / 2
    for _ in range(30):
        middle = (low + high) / 2
        if (drawn.slope(middle, WINDOW) or 0.0) < gamma / 2:
            high = middle
        else:
            low = middle
    return high + WINDOW / 2


def _ladder(answers: Sequence[CurveAnswer]) -> tuple[tuple[Rung, ...], list[Advice]]:
    """Minutes and index of every half N within the tested times, and one step beyond."""
    points = sorted(
        (each.minutes, each.n, each.ei)
        for each in answers
        if each.minutes is not None and each.n is not None
    )
    rising = all(b[1] > a[1] + 1e-9 and b[0] > a[0] for a, b in pairwise(points))
    if len(points) < 2 or not rising:
        why = (
            "it needs two curves whose minutes are known and that reach Zone VIII"
            if len(points) < 2
            else "N does not rise with the minutes"
        )
        return (), [
            Advice(code="no-ladder", severity="note", text=f"There is no ladder of N: {why}.")
        ]
    lowest, highest = points[0][1], points[-1][1]
    inside = [n for n in LADDER if lowest - 1e-9 <= n <= highest + 1e-9]
    below = [n for n in LADDER if n < lowest - 1e-9][-1:]
    above = [n for n in LADDER if n > highest + 1e-9][:1]
    return tuple(_rung(points, n, n not in inside) for n in (*below, *inside, *above)), []


def _rung(points: Sequence[tuple[float, float, float]], n: float, extrapolated: bool) -> Rung:
    place = next((k for k in range(1, len(points) - 1) if n <= points[k][1]), len(points) - 1)
    (m1, n1, e1), (m2, n2, e2) = points[place - 1], points[place]
    share = (n - n1) / (n2 - n1)
    return Rung(
        n=n,
        minutes=m1 * (m2 / m1) ** share,
        ei=e1 * (e2 / e1) ** share,
        extrapolated=extrapolated,
    )
