"""The light of an outing's day: the dial from night to night, what rises and sets, the best hours,
when sun and moon come to each scene, and where shadows fall at any time of it."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass

from emulsa.core.light.estimated import BySky, sky_light
from emulsa.core.moments import moment_at, seconds
from emulsa.core.scene.wanted import bearing_words
from emulsa.core.sky.at import Light, SkyAt, SkyRequest, sky
from emulsa.core.sky.clock import clock, place_text
from emulsa.core.sky.compass import bearing_text, compass_text
from emulsa.core.sky.day import (
    Bearing,
    Crossing,
    Crossings,
    LightSpan,
    SkyDay,
    SkyDayRequest,
    Stretch,
    sky_day,
)
from emulsa.core.sky.horizon import SkyPlace

DAY_MIN, EVERY_MIN, MINUTE_S = 1440.0, 10.0, 60.0
MOST_BEARINGS = 8  # of a day's scenes, the first
LONGEST_SHADOW = 30.0  # times as long as high: longer is the whole valley
# in the evening, and before the sun is highest
LIGHT_WORDS: dict[Light, tuple[str, str]] = {
    "night": ("night", "night"),
    "astronomical": ("last light", "first light"),
    "nautical": ("deep dusk", "early dawn"),
    "civil": ("dusk", "dawn"),
    "low_sun": ("low sun", "low sun"),
    "day": ("day", "day"),
}


@dataclass(frozen=True, kw_only=True, slots=True)
class Wanted:
    """A scene and where its sun or moon is wanted from."""

    scene_id: str
    title: str
    bearing: Bearing


@dataclass(frozen=True, slots=True)
class DayMark:
    """Something that rises, sets or is crossed: when, what, and in a sentence."""

    minutes: float
    what: str
    text: str


@dataclass(frozen=True, slots=True)
class SceneLight:
    """When sun and moon come to a scene, in words and as stretches."""

    scene_id: str
    title: str
    bearing_text: str
    sun: tuple[Stretch, ...]
    moon: tuple[Stretch, ...]
    text: str


@dataclass(frozen=True, slots=True)
class DayMoment:
    """A time of the day: where the sun stands, how long shadows are, and everything in a line."""

    minutes: float
    sun_azimuth_deg: float
    sun_altitude_deg: float
    moon_altitude_deg: float
    shadow_ratio: float | None
    text: str


@dataclass(frozen=True, slots=True)
class SpanSaid:
    """A stretch of one light, and what it is called."""

    from_minutes: float
    to_minutes: float
    light: Light
    text: str


@dataclass(frozen=True, slots=True)
class DayLight:
    """The day from its beginning, in minutes; ``best`` are the hours one comes for, ``moon_text``
    the moon of the day."""

    place_text: str
    spans: tuple[SpanSaid, ...]
    marks: tuple[DayMark, ...]
    best: tuple[str, ...]
    moon_text: str
    scenes: tuple[SceneLight, ...]
    moments: tuple[DayMoment, ...]


def day_light(place: SkyPlace, begin: str, wanted: Sequence[Wanted] = ()) -> DayLight:
    """The light of the day that begins at ``begin``, local midnight with its zone."""
    asked = tuple(wanted)[:MOST_BEARINGS]
    day = sky_day(
        SkyDayRequest(place=place, from_=begin, bearings=tuple(each.bearing for each in asked))
    )
    begun = seconds(begin)
    times = [k * EVERY_MIN for k in range(round(DAY_MIN / EVERY_MIN) + 1)]
    seen = sky(
        SkyRequest(place=place, moments=tuple(moment_at(begun + each * MINUTE_S) for each in times))
    ).at
    return DayLight(
        place_text=place_text(place),
        spans=tuple(SpanSaid(*_span(each), _span_text(day, each)) for each in day.spans),
        marks=tuple(sorted(_marks(day), key=lambda each: each.minutes)),
        best=tuple(_best(day)),
        moon_text=_moon_text(day, seen[len(seen) // 2]),
        scenes=tuple(_scenes(asked, day)),
        moments=tuple(
            _moment(place, times[k], seen[k], _climbs(seen, k)) for k in range(len(seen))
        ),
    )


def _span(each: LightSpan) -> tuple[float, float, Light]:
    return each.from_minutes, each.to_minutes, each.light


def stretch_text(each: Stretch | LightSpan) -> str:
    """From when to when.

    >>> stretch_text(Stretch(480, 605))
    '8:00 to 10:05'
    """
    end = "24:00" if each.to_minutes >= DAY_MIN else clock(each.to_minutes)
    return f"{clock(each.from_minutes)} to {end}"


def _span_text(day: SkyDay, each: LightSpan) -> str:
    highest = next((one.minutes for one in day.sun_transits), DAY_MIN / 2)
    morning = (each.from_minutes + each.to_minutes) / 2 < highest
    return f"{LIGHT_WORDS[each.light][morning]}, {stretch_text(each)}"


def _marks(day: SkyDay) -> Iterator[DayMark]:
    crossings = day.crossings
    for found, up, down in (
        (crossings.sun, "sunrise", "sunset"),
        (crossings.moon, "moonrise", "moonset"),
    ):
        yield from (_mark(each, up) for each in found.rises)
        yield from (_mark(each, down) for each in found.sets)
    for transit in day.sun_transits:
        high = f"{transit.altitude_deg:.0f}°"
        text = f"{clock(transit.minutes)} sun highest, {high} in the {_side(transit.azimuth_deg)}"
        if transit.altitude_deg > 0:
            yield DayMark(transit.minutes, "noon", text)


def _side(azimuth_deg: float) -> str:
    return "north" if math.cos(math.radians(azimuth_deg)) > 0 else "south"


def _mark(each: Crossing, what: str) -> DayMark:
    return DayMark(
        each.minutes, what, f"{clock(each.minutes)} {what}, {bearing_text(each.azimuth_deg)}"
    )


def _best(day: SkyDay) -> Iterator[str]:
    """What one comes for: the sun low, and dusk, when the sky lights what the sun does not."""
    low = [stretch_text(each) for each in day.spans if each.light == "low_sun"]
    if low:
        yield f"low sun {' and '.join(low)}"
    dusk = [_span_text(day, each) for each in day.spans if each.light == "civil"]
    if dusk:
        yield " and ".join(each.replace(",", "") for each in dusk)
    sun: Crossings = day.crossings.sun
    if sun.always:
        yield "the sun does not set" if sun.always == "above" else "the sun does not rise"


def _moon_text(day: SkyDay, noon: SkyAt) -> str:
    moon, crossings = noon.moon, day.crossings.moon
    said = moon.phase if "quarter" in moon.phase else f"{moon.phase} moon"
    lit = f"{100 * moon.illuminated_share:.0f} % lit"
    always = {"": "", "above": "up all day", "below": "below the horizon all day"}
    return ", ".join(filter(None, (said, lit, always[crossings.always])))


def _scenes(asked: Iterable[Wanted], day: SkyDay) -> Iterator[SceneLight]:
    for each, over in zip(asked, day.bearings, strict=True):
        facing = bearing_words(each.bearing)
        sun = " and ".join(stretch_text(one) for one in over.sun)
        moon = " and ".join(stretch_text(one) for one in over.moon)
        said = [f"sun {sun}" if sun else "no sun", f"moon {moon}" if moon else "no moon"]
        yield SceneLight(
            each.scene_id,
            each.title,
            facing,
            over.sun,
            over.moon,
            ", ".join(filter(None, said)),
        )


def _climbs(seen: Sequence[SkyAt], k: int) -> float:
    """How fast the sun climbs, in degrees a minute."""
    left, right = max(0, k - 1), min(len(seen) - 1, k + 1)
    climbed = seen[right].sun.altitude_deg - seen[left].sun.altitude_deg
    return climbed / (EVERY_MIN * (right - left))


def _moment(place: SkyPlace, minutes: float, seen: SkyAt, climbs: float) -> DayMoment:
    sun, shadow = seen.sun, seen.shadow
    ratio = shadow.length_ratio if shadow else None
    said = [f"{clock(minutes)} {LIGHT_WORDS[seen.light][climbs > 0]}"]
    if sun.apparent_deg > 0:
        said.append(f"sun {compass_text(sun.azimuth_deg)}, {sun.apparent_deg:.0f}° up")
    if shadow:
        said.append(_shadow_text(shadow.azimuth_deg, shadow.length_ratio))
    if seen.light == "civil":
        said.append(_fading(place, sun.altitude_deg, climbs))
    if seen.moon.apparent_deg > 0 and seen.light != "day":
        moon = seen.moon
        said.append(f"moon {compass_text(moon.azimuth_deg)}, {moon.apparent_deg:.0f}° up")
    return DayMoment(
        minutes,
        sun.azimuth_deg,
        sun.altitude_deg,
        seen.moon.altitude_deg,
        ratio if ratio is not None and ratio <= LONGEST_SHADOW else None,
        " · ".join(filter(None, said)),
    )


def _shadow_text(azimuth_deg: float, ratio: float) -> str:
    if ratio > LONGEST_SHADOW:
        return f"shadows {compass_text(azimuth_deg)}, endless"
    return f"shadows {compass_text(azimuth_deg)}, {ratio:.2g} times as long as high"


def _fading(place: SkyPlace, altitude_deg: float, climbs: float) -> str:
    """How fast the light changes after sunset and before sunrise."""
    found = sky_light(
        BySky(
            sky="bright sun",
            sun_altitude_deg=altitude_deg,
            height_m=place.height_m,
            sun_rate_deg_min=climbs,
        )
    )
    way = "rises" if climbs > 0 else "falls"
    return f"light {way} a stop in {found.stop_minutes:.0f} min" if found.stop_minutes else ""


@dataclass(frozen=True, slots=True)
class Dated:
    """A stretch of the day worth a place in a calendar."""

    title: str
    start_min: float
    end_min: float


def dated(light: DayLight) -> Iterator[Dated]:
    """What of a day's light goes into a calendar: low sun, dawn and dusk, moonrise for its quarter
    of an hour, and when the sun is on a scene."""
    for each in light.spans:
        if each.light in ("low_sun", "civil"):
            yield Dated(_upper(each.text.split(",")[0]), each.from_minutes, each.to_minutes)
    for mark in light.marks:
        if mark.what == "moonrise":
            yield Dated(_upper(mark.text.split(" ", 1)[1]), mark.minutes, mark.minutes + 15)
    for scene in light.scenes:
        for one in scene.sun:
            yield Dated(f"Sun on {scene.title}", one.from_minutes, one.to_minutes)


def _upper(text: str) -> str:
    return text[:1].upper() + text[1:]
