"""A day of sun and moon: when they rise, cross and set, the dial of the day's light, and when they
stand over a bearing."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable, Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Annotated, Literal, NamedTuple

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
from emulsa.core.sky.way import Way

Azimuth = Annotated[float, Within("The azimuth", 0, 360, "°", engraved=True)]
Width = Annotated[float, Within("The bearing’s width", 0.1, 180, "°", engraved=True)]
Skyline = Annotated[float, Within("The skyline", -5, 89, "°", engraved=True)]
Hours = Annotated[float, Within("The hours", 1, 48, "h", engraved=True)]
Always = Literal["", "above", "below"]

MINUTE_S, EVERY_MIN, TURN_DEG_MIN = 60.0, 5.0, 360.9856473 / 1440
EXACT_DEG, HALF_TURN_DEG = 1e-6, 180.0
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
    by_day = _Overhead(sun, request.place, begin, end)
    by_night = _Overhead(moon, request.place, begin, end)
    crossed = {name: _through(by_day, least) for name, least in ALTITUDES.items()}
    risen = [each.risen for each in by_night.seen]
    air = usual_pressure_hpa(request.place.height_m)
    return SkyDay(
        crossings=AllCrossings(
            moon=_crossings(by_night, risen, lambda at: by_night.stands(at).risen), **crossed
        ),
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


def _through(way: _Overhead, least: float) -> Crossings:
    values = [each - least for each in way.altitudes]
    return _crossings(way, values, lambda at: way.stands(at).altitude - least)


class _Stand(NamedTuple):
    """Where a body stands: altitude and azimuth, its hour angle, and how far it is."""

    altitude: float
    azimuth: float
    turned: float
    distance_km: float

    @property
    def hour_angle(self) -> float:
        """From −180 to 180."""
        return (self.turned + 180) % 360 - 180

    @property
    def risen(self) -> float:
        """How far its middle is over where the air shows its upper edge on the horizon."""
        return self.altitude + MOON_SINKS_DEG + diameter_deg(self.distance_km) / 2


class _Overhead:
    """A body's way over a place, with samples of where it stands all along."""

    def __init__(
        self, body: Callable[[float], Body], place: SkyPlace, begin_s: float, end: float
    ) -> None:
        self.place, self.end = place, end
        self._begin_s = begin_s
        self._stars = Way(body, begin_s, begin_s + end * MINUTE_S)
        self._sidereal = sidereal_deg(begin_s) + place.longitude_deg
        steps = math.ceil(end / EVERY_MIN)
        self.samples = [min(k * EVERY_MIN, end) for k in range(steps + 1)]
        self.seen = [self.stands(each) for each in self.samples]
        self.altitudes = [each.altitude for each in self.seen]
        self.azimuths = [each.azimuth for each in self.seen]

    def stands(self, at: float) -> _Stand:
        """Where it stands, and how."""
        stars = self._stars.at(self._begin_s + at * MINUTE_S)
        hour = self._sidereal + TURN_DEG_MIN * at - stars.right_ascension_deg
        there = across(self.place, hour, stars.declination_deg, stars.distance_km)
        return _Stand(*there, hour, stars.distance_km)


Height = Callable[[float], float]


def _zeros(
    samples: Sequence[float], values: Sequence[float], height: Height
) -> Iterator[tuple[float, bool]]:
    """When something goes through nought, and whether upwards; a short dip between two samples is
    looked for, too."""
    for k in range(len(values) - 1):
        left, right = samples[k], samples[k + 1]
        if (values[k] >= 0) != (values[k + 1] >= 0):
            yield _zero(height, left, right, values[k], values[k + 1]), values[k + 1] >= 0
        elif k > 0 and _turns(values[k - 1], values[k], values[k + 1]):
            yield from _dip(height, samples[k - 1], right)


def _turns(before: float, here: float, after: float) -> bool:
    """Whether it comes near nought and goes back between three samples."""
    near = abs(here) < 0.05
    return near and (
        (here > before and here > after and here < 0)
        or (here < before and here < after and here >= 0)
    )


def _dip(height: Height, left: float, right: float) -> Iterator[tuple[float, bool]]:
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
    ends = height(left), height(top), height(right)
    if (ends[1] >= 0) != (ends[0] >= 0) and (ends[0] >= 0) == (ends[2] >= 0):
        yield _zero(height, left, top, ends[0], ends[1]), sign > 0
        yield _zero(height, top, right, ends[1], ends[2]), sign < 0


def _zero(height: Height, left: float, right: float, at_left: float, at_right: float) -> float:
    """Between two samples of different sign: by chords, the end that stays counted half."""
    if not at_left:
        return left
    for _ in range(HALVINGS):
        middle = right - at_right * (right - left) / (at_right - at_left)
        here = height(middle)
        if abs(here) < EXACT_DEG:
            return middle
        if (here >= 0) == (at_right >= 0):
            right, at_right, at_left = middle, here, at_left / 2
        else:
            left, at_left, at_right = middle, here, at_right / 2
    return (left + right) / 2


def _crossings(way: _Overhead, values: Sequence[float], height: Height) -> Crossings:
    found = list(_zeros(way.samples, values, height))
    rises = tuple(Crossing(at, way.stands(at).azimuth) for at, up in found if up)
    sets = tuple(Crossing(at, way.stands(at).azimuth) for at, up in found if not up)
    always: Always = "" if found else "above" if values[0] >= 0 else "below"
    return Crossings(rises, sets, always)


def _transits(way: _Overhead) -> Iterator[Transit]:
    """Where the hour angle goes through nought; at 180° it only begins again."""
    values = [each.hour_angle for each in way.seen]

    def turned(at: float) -> float:
        return way.stands(at).hour_angle

    for k in range(len(values) - 1):
        if values[k] < 0 <= values[k + 1] < 90:
            left, right = way.samples[k], way.samples[k + 1]
            at = _zero(turned, left, right, values[k], values[k + 1])
            there = way.stands(at)
            yield Transit(at, there.altitude, there.azimuth)


def _spans(way: _Overhead, crossed: Iterable[Crossings], end: float) -> Iterator[LightSpan]:
    """From nought to the end without gaps."""
    times = {0.0, end}
    for each in crossed:
        times.update(at.minutes for at in (*each.rises, *each.sets))
    ordered = sorted(times)
    before: LightSpan | None = None
    for left, right in pairwise(ordered):
        light = light_at(way.stands((left + right) / 2).altitude)
        if before and before.light == light:
            before = LightSpan(before.from_minutes, right, light)
            continue
        if before:
            yield before
        before = LightSpan(left, right, light)
    if before:
        yield before


def _over(way: _Overhead, bearing: Bearing, air_hpa: float) -> Iterator[Stretch]:
    """When it stands within the bearing and over its skyline: between the moments it comes to the
    one or the other."""

    def off(azimuth: float) -> float:
        return (azimuth - bearing.azimuth_deg + 180) % 360 - 180

    def over(altitude: float) -> float:
        return altitude + refraction_deg(altitude, STANDARD_C, air_hpa) - bearing.skyline_deg

    def there(at: float) -> bool:
        seen = way.stands(at)
        return abs(off(seen.azimuth)) <= bearing.width_deg and over(seen.altitude) >= 0

    times = {0.0, way.end}
    risen = [over(each) for each in way.altitudes]
    times.update(
        at for at, _ in _zeros(way.samples, risen, lambda at: over(way.stands(at).altitude))
    )
    turned = [off(each) for each in way.azimuths]
    for edge in (-bearing.width_deg, bearing.width_deg):
        times.update(_edges(way, turned, edge, off))
    begun = None
    for left, right in pairwise(sorted(times)):
        if not there((left + right) / 2):
            if begun is not None:
                yield Stretch(begun, left)
            begun = None
        elif begun is None:
            begun = left
    if begun is not None:
        yield Stretch(begun, way.end)


def _edges(
    way: _Overhead, turned: Sequence[float], edge: float, off: Callable[[float], float]
) -> Iterator[float]:
    """When it comes to an edge of a bearing; behind one's back it only begins again."""

    def beyond(at: float) -> float:
        return off(way.stands(at).azimuth) - edge

    for k in range(len(turned) - 1):
        left, right = turned[k] - edge, turned[k + 1] - edge
        if (left >= 0) != (right >= 0) and abs(left - right) < HALF_TURN_DEG:
            yield _zero(beyond, way.samples[k], way.samples[k + 1], left, right)
