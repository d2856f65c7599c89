"""Figures of one curve: its speed point, slopes, bumps, toe and shoulder; and the index they mean.

Speed point after ISO 6, contrast index after Todd & Zakia, Photographic Sensitometry: from memory.
"""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass
from itertools import pairwise

from emulsa.core.errors import Unsound
from emulsa.core.sensitometry.curve import SPEED_NET, STOP, Drawn

GAMMA_SPAN = 0.6  # two stops
FOOT, ARM = 0.2, 2.2  # contrast index: from a foot on base plus fog, equal units on both axes
SEPARATIONS = (("shadows", 0.0, 0.6), ("mids", 0.6, 1.5), ("highlights", 1.5, 2.1))
BUMPS = (0.3, 1.8)
SAMPLES = 61
UNDER_TOE = 0.02
WINDOW = 0.3
MARCH = 0.02  # between the windows that are looked at for a shoulder


@dataclass(frozen=True, kw_only=True, slots=True)
class Separation:
    """How steep the curve is where shadows, middle tones and high values lie."""

    shadows: float | None
    mids: float | None
    highlights: float | None


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


def index_at(drawn: Drawn, point: float) -> float:
    """The index a speed point stands for: 0.8/H by light (ISO 6); by the meter, whose IV it is."""
    if drawn.curve.exposure.kind == "metered":
        return float(drawn.curve.exposure.ei * 2 ** (-4 - point / STOP))
    return float(0.8 / 10.0**point)


# of 0.8/H of ISO 6: a meter's K 12.5 and q 0.65 give V its light, Zone I lies four stops under it
METERED_OF_LIGHT = 0.65 * 12.5 / 16 / 0.8


def metered_index(ei: float, *, metered: bool) -> float:
    """The index to set a meter to, from the one a curve gives: the same by meter, 0.508/H by light,
    0.66 stop under 0.8/H by definition (ISO 2720 and ISO 6, from memory).

    >>> round(metered_index(100, metered=False), 1), metered_index(64, metered=True)
    (63.5, 64)
    """
    return ei if metered else ei * METERED_OF_LIGHT


def contrast_index(drawn: Drawn) -> tuple[float | None, str]:
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


def flat_before_toe(drawn: Drawn, start: float) -> float | None:
    """How far below the speed point the film answers with nothing."""
    found = [x for x, up in drawn.crossings(UNDER_TOE) if up and x < start]
    return (start - found[-1]) / STOP if found else None


def shoulder(drawn: Drawn, gamma: float, begins: float) -> float | None:
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
