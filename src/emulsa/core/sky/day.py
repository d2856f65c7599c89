"""A day of sun and moon: when they rise, cross and set, the dial of the day's light, and when they
stand over a bearing."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass
from itertools import pairwise
from typing import Annotated, Literal

from emulsa.core.limits import Length, Within
from emulsa.core.moments import Moment
from emulsa.core.sky.at import STEPS, Light, diameter_deg, known_s, light_at
from emulsa.core.sky.bodies import Body, moon, sidereal_deg, sun
from emulsa.core.sky.horizon import (
    STANDARD_C,
    SkyPlace,
    across,
    refraction_deg,
    usual_pressure_hpa,
)

Azimuth = Annotated[float, Within("The azimuth", 0, 360, "°", engraved=True)]
Width = Annotated[float, Within("The bearing’s width", 0.1, 180, "°", engraved=True)]
Skyline = Annotated[float, Within("The skyline", -5, 89, "°", engraved=True)]
Hours = Annotated[float, Within("The hours", 1, 48, "h", engraved=True)]
Always = Literal["", "above", "below"]

MINUTE_S, NODE_MIN, EVERY_MIN, TURN_DEG_MIN = 60.0, 180.0, 2.0, 360.9856473 / 1440
MOON_SINKS_DEG = 34 / 60  # what the air lifts it by at the horizon
HALVINGS = 20
ALTITUDES = {
    "sun": STEPS[1][0],
    "civil": -6.0,
    "nautical": -12.0,
    "astronomical": -18.0,
    "low_sun": STEPS[0][0],
}


@dataclass(frozen=True, kw_only=True, slots=True)
class Bearing:
    """A direction, how far to either side counts, and how high the skyline stands there."""

    azimuth_deg: Azimuth
    width_deg: Width = 5.0
    skyline_deg: Skyline = 0.0


@dataclass(frozen=True, kw_only=True, slots=True)
class SkyDayRequest:
    """A place, a moment to begin at (local midnight, say), how long, and bearings."""

    place: SkyPlace
    from_: Moment
    hours: Hours = 24.0
    bearings: Annotated[tuple[Bearing, ...], Length("Bearings", 0, 8)] = ()


@dataclass(frozen=True, slots=True)
class Crossing:
    """When an altitude is crossed, and where."""

    minutes: float
    azimuth_deg: float


@dataclass(frozen=True, slots=True)
class Crossings:
    """Upwards and downwards; where it never is, which side it stays on."""

    rises: tuple[Crossing, ...]
    sets: tuple[Crossing, ...]
    always: Always


@dataclass(frozen=True, slots=True)
class AllCrossings:
    """By what is crossed."""

    sun: Crossings
    civil: Crossings
    nautical: Crossings
    astronomical: Crossings
    low_sun: Crossings
    moon: Crossings


@dataclass(frozen=True, slots=True)
class Transit:
    """When a body stands in the meridian, and how."""

    minutes: float
    altitude_deg: float
    azimuth_deg: float


@dataclass(frozen=True, slots=True)
class LightSpan:
    """A stretch of one light."""

    from_minutes: float
    to_minutes: float
    light: Light


@dataclass(frozen=True, slots=True)
class Stretch:
    """A stretch of time."""

    from_minutes: float
    to_minutes: float


@dataclass(frozen=True, slots=True)
class OverBearing:
    """When sun and moon stand over a bearing."""

    sun: tuple[Stretch, ...]
    moon: tuple[Stretch, ...]


@dataclass(frozen=True, slots=True)
class SkyDay:
    """Everything in minutes after the beginning."""

    crossings: AllCrossings
    sun_transits: tuple[Transit, ...]
    moon_transits: tuple[Transit, ...]
    spans: tuple[LightSpan, ...]
    bearings: tuple[OverBearing, ...]


def sky_day(request: SkyDayRequest) -> SkyDay:
    """The operation ``sky_day``."""
    begin = known_s(request.from_, "from")
    end = request.hours * 60
    by_day = _Way(sun, request.place, begin, end)
    by_night = _Way(moon, request.place, begin, end)
    crossed = {name: _through(by_day, least) for name, least in ALTITUDES.items()}
    risen = _crossings(by_night, lambda at: by_night.altitude(at) - by_night.rises_at(at))
    air = usual_pressure_hpa(request.place.height_m)
    return SkyDay(
        crossings=AllCrossings(moon=risen, **crossed),
        sun_transits=tuple(_transits(by_day)),
        moon_transits=tuple(_transits(by_night)),
        spans=tuple(_spans(by_day, crossed.values(), end)),
        bearings=tuple(
            OverBearing(
                tuple(_over(by_day, each, air)),
                tuple(_over(by_night, each, air)),
            )
            for each in request.bearings
        ),
    )


def _through(way: _Way, least: float) -> Crossings:
    return _crossings(way, lambda at: way.altitude(at) - least)


class _Way:
    """A body's way over a place: its own place among the stars by cubics between nodes, samples of
    its altitude all along."""

    def __init__(
        self, body: Callable[[float], Body], place: SkyPlace, begin_s: float, end: float
    ) -> None:
        self.place, self.end = place, end
        self._nodes: list[tuple[float, float, float]] = []
        first = -NODE_MIN
        many = math.ceil((end - first) / NODE_MIN) + 3
        before = 0.0
        for k in range(many):
            found = body(begin_s + (first + k * NODE_MIN) * MINUTE_S)
            ascension = found.right_ascension_deg
            if k:  # goes on over 360°
                ascension += 360 * round((before - ascension) / 360)
            before = ascension
            self._nodes.append((ascension, found.declination_deg, found.distance_km))
        self._first = first
        self._sidereal = sidereal_deg(begin_s) + place.longitude_deg
        steps = math.ceil(end / EVERY_MIN)
        self.samples = [min(k * EVERY_MIN, end) for k in range(steps + 1)]

    def stands(self, at: float) -> tuple[float, float]:
        """Altitude and azimuth."""
        ascension, declination, distance = self._among_stars(at)
        hour = self._sidereal + TURN_DEG_MIN * at - ascension
        return across(self.place, hour, declination, distance)

    def altitude(self, at: float) -> float:
        return self.stands(at)[0]

    def hour_angle(self, at: float) -> float:
        """From −180 to 180."""
        hour = self._sidereal + TURN_DEG_MIN * at - self._among_stars(at)[0]
        return (hour + 180) % 360 - 180

    def rises_at(self, at: float) -> float:
        """The altitude of the middle of a disc whose upper edge the air shows on the horizon."""
        return -MOON_SINKS_DEG - diameter_deg(self._among_stars(at)[2]) / 2

    def _among_stars(self, at: float) -> tuple[float, float, float]:
        place = (at - self._first) / NODE_MIN
        k = min(max(int(place), 1), len(self._nodes) - 3)
        x = place - k
        # Lagrange's cubic through the nodes k − 1 … k + 2
        a = -x * (x - 1) * (x - 2) / 6
        b = (x + 1) * (x - 1) * (x - 2) / 2
        c = -(x + 1) * x * (x - 2) / 2
        d = (x + 1) * x * (x - 1) / 6
        one, two, three, four = self._nodes[k - 1 : k + 3]
        return (
            a * one[0] + b * two[0] + c * three[0] + d * four[0],
            a * one[1] + b * two[1] + c * three[1] + d * four[1],
            a * one[2] + b * two[2] + c * three[2] + d * four[2],
        )


def _zeros(way: _Way, height: Callable[[float], float]) -> Iterator[tuple[float, bool]]:
    """When something goes through nought, and whether upwards; a short dip between two samples is
    looked for, too."""
    values = [height(each) for each in way.samples]
    for k in range(len(values) - 1):
        left, right = way.samples[k], way.samples[k + 1]
        if (values[k] >= 0) != (values[k + 1] >= 0):
            yield _zero(height, left, right), values[k + 1] >= 0
        elif k > 0 and _turns(values[k - 1], values[k], values[k + 1]):
            yield from _dip(height, way.samples[k - 1], right)


def _turns(before: float, here: float, after: float) -> bool:
    """Whether it comes near nought and goes back between three samples."""
    near = abs(here) < 0.05
    return near and (
        (here > before and here > after and here < 0)
        or (here < before and here < after and here >= 0)
    )


def _dip(
    height: Callable[[float], float], left: float, right: float
) -> Iterator[tuple[float, bool]]:
    """Through nought and back within a few minutes: by the turning point."""
    middle = (left + right) / 2
    sign = 1 if height(middle) < 0 else -1
    low, high = left, right
    for _ in range(HALVINGS):
        first, second = low + (high - low) / 3, high - (high - low) / 3
        if sign * height(first) > sign * height(second):
            high = second
        else:
            low = first
    top = (low + high) / 2
    if (height(top) >= 0) != (height(left) >= 0) and (height(left) >= 0) == (height(right) >= 0):
        yield _zero(height, left, top), sign > 0
        yield _zero(height, top, right), sign < 0


def _zero(height: Callable[[float], float], left: float, right: float) -> float:
    upwards = height(right) >= 0
    for _ in range(HALVINGS):
        middle = (left + right) / 2
        if (height(middle) >= 0) == upwards:
            right = middle
        else:
            left = middle
    return (left + right) / 2


def _crossings(way: _Way, height: Callable[[float], float]) -> Crossings:
    found = list(_zeros(way, height))
    rises = tuple(Crossing(at, way.stands(at)[1]) for at, up in found if up)
    sets = tuple(Crossing(at, way.stands(at)[1]) for at, up in found if not up)
    always: Always = "" if found else "above" if height(0.0) >= 0 else "below"
    return Crossings(rises, sets, always)


def _transits(way: _Way) -> Iterator[Transit]:
    """Where the hour angle goes through nought; at 180° it only begins again."""
    values = [way.hour_angle(each) for each in way.samples]
    for k in range(len(values) - 1):
        if values[k] < 0 <= values[k + 1] < 90:
            at = _zero(way.hour_angle, way.samples[k], way.samples[k + 1])
            altitude, azimuth = way.stands(at)
            yield Transit(at, altitude, azimuth)


def _spans(way: _Way, crossed: Iterable[Crossings], end: float) -> Iterator[LightSpan]:
    """From nought to the end without gaps."""
    times = {0.0, end}
    for each in crossed:
        times.update(at.minutes for at in (*each.rises, *each.sets))
    ordered = sorted(times)
    before: LightSpan | None = None
    for left, right in pairwise(ordered):
        light = light_at(way.altitude((left + right) / 2))
        if before and before.light == light:
            before = LightSpan(before.from_minutes, right, light)
            continue
        if before:
            yield before
        before = LightSpan(left, right, light)
    if before:
        yield before


def _over(way: _Way, bearing: Bearing, air_hpa: float) -> Iterator[Stretch]:
    """When it stands within the bearing and over its skyline."""

    def there(at: float) -> float:
        altitude, azimuth = way.stands(at)
        off = abs((azimuth - bearing.azimuth_deg + 180) % 360 - 180)
        apparent = altitude + refraction_deg(altitude, STANDARD_C, air_hpa)
        return min(bearing.width_deg - off, apparent - bearing.skyline_deg)

    begun = 0.0 if there(0.0) >= 0 else None
    for at, up in sorted(_zeros(way, there)):
        if up:
            begun = at
        elif begun is not None:
            yield Stretch(begun, at)
            begun = None
    if begun is not None:
        yield Stretch(begun, way.end)
