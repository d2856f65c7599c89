"""Light told in words on the line: the sky, dusk, the moon, the street."""

from __future__ import annotations

import re

from emulsa.core import wire
from emulsa.core.data.sky import SKY_WORDS, STREETS, LightSide
from emulsa.core.errors import Ambiguous, Unreadable
from emulsa.core.light.estimated import USUAL_DEG, ByMoon, InStreet, OfMoon
from emulsa.core.light.sky import Estimated, SkyNow, SkyReading
from emulsa.core.numbers import plain
from emulsa.core.typed import FRACTIONS

HALVES = {"1": 1.0, "1/2": 1 / 2, "1/3": 1 / 3, "2/3": 2 / 3, **FRACTIONS}
SAID_SKIES = "|".join(sorted(SKY_WORDS, key=len, reverse=True))
SAID_STREETS = "|".join(sorted(STREETS, key=len, reverse=True))
SIDE = r"side[- ]?lit|side light|back[- ]?lit|back light|against the light|front[- ]?lit"
SNOW = r"(?:\s+(?:(?:on|of)\s+)?(?:light\s+)?(snow|sand)(?=\s|$))?"
AT = r"(?:\s+at\s+([-−]?\d+(?:\.\d+)?)\s*°)?"
SKY = re.compile(
    rf"^(?:({SIDE})\s+)?({SAID_SKIES}|dusk|dawn)(?=[\s+−-]|$)"
    rf"(?:\s+({SIDE})(?=\s|$))?"
    r"(?:\s*([-−+])\s*(1(?:/[23])?|2/3|[⅓½⅔])(?=\s|$))?"
    rf"{AT}{SNOW}",
    re.I,
)
MOON = re.compile(
    r"^(?:(full|half|quarter) moon(?:light)?|moon(?:light)?(?:\s+(\d+(?:\.\d+)?)\s*°)?)"
    rf"(\s+itself)?(?=\s|$){AT}{SNOW}",
    re.I,
)
STREET = re.compile(rf"^({SAID_STREETS})(?=\s|$)", re.I)
# neither in the sun nor out of it: soft shadows, or none
BEHIND_CLOUD = re.compile(
    r"^(?:bright )?sun(?:shine)?\s+(?:behind|through|in)\s+(?:a\s+|thin\s+|light\s+)*cloud", re.I
)
LOW_DEG, DEEP_DEG = 6.0, -18.0  # between them it is dusk
HIGH_MOON_DEG = 45.0  # where nobody says how high it stands
QUARTER_DEG, FULL_DEG = 90.0, 180.0


def told(line: str, now: SkyNow | None) -> tuple[Estimated, str] | None:
    """Light told at the beginning of a line and what stands behind it; nothing for another line.

    ``now`` is where sun and moon stand, where a place is known: the words go by it.
    """
    sky = SKY.match(line)
    if sky:
        rest = line[sky.end() :].strip()
        other = SKY.match(rest)
        if other and _word(other) != _word(sky):
            raise Ambiguous(f"Is it {sky[2]} or {other[2]}? Write one of them.", field="text")
        return _sky(sky, now), rest
    moon = MOON.match(line)
    if moon:
        return _moon(moon, now), line[moon.end() :].strip()
    street = STREET.match(line)
    if street:
        found = next(each for each in STREETS if each == street[1].lower())
        return InStreet(street=found), line[street.end() :].strip()
    return None


def _word(said: re.Match[str]) -> str:
    return SKY_WORDS.get(said[2].lower(), "dusk")


def _sky(said: re.Match[str], now: SkyNow | None) -> SkyReading:
    called = said[2].lower()
    shift = HALVES[said[5]] if said[5] else 0.0
    altitude = _degrees(said[6])
    at_dusk = called not in SKY_WORDS
    of_now = altitude is None and now is not None and now.sun_altitude_deg >= DEEP_DEG
    if altitude is None and now is not None and of_now:
        altitude = round(now.sun_altitude_deg, 1)
    if at_dusk:
        _dusk(called, altitude, now)
    side = _side(said[1] or said[3] or "")
    if altitude is None and side != "front":
        altitude = USUAL_DEG  # where the words are meant for
    body = {
        "sky": "bright sun" if at_dusk else SKY_WORDS[called],
        "sun_altitude_deg": altitude,
        "side": side,
        "snow": said[7] is not None,
        "height_m": now.height_m if now is not None and altitude is not None else 0.0,
        "sun_rate_deg_min": now.sun_rate_deg_min if now is not None and of_now else None,
        "shift_stops": -shift if shift and said[4] != "+" else shift,
    }
    found: SkyReading = wire.decode(SkyReading, body, "text")
    return found


def _dusk(called: str, altitude: float | None, now: SkyNow | None) -> None:
    """Dusk is between a low sun and night; where nobody says where, it is asked."""
    if altitude is None and now is not None:
        raise Unreadable(
            f"It is night there now; write {called} at -6° for another hour.", field="text"
        )
    if altitude is None:
        raise Unreadable(
            f"How far is the sun below the horizon? Write {called} at -3°, or give the outing its"
            " place.",
            field="text",
        )
    if altitude > LOW_DEG:
        raise Unreadable(
            f"The sun stands {plain(round(altitude))}° high; write bright sun, or"
            f" {called} at -3° for later.",
            field="text",
        )


def _side(said: str) -> LightSide:
    low = said.lower()
    if low.startswith("side"):
        return "side"
    return "back" if low.startswith(("back", "against")) else "front"


def _moon(said: re.Match[str], now: SkyNow | None) -> ByMoon | OfMoon:
    phase = {"full": FULL_DEG, "half": QUARTER_DEG, "quarter": QUARTER_DEG}.get(
        (said[1] or "").lower()
    )
    if phase is None:
        phase = float(said[2]) if said[2] else (round(now.phase_deg) % 360 if now else None)
    if phase is None:
        raise Unreadable(
            "How much of the moon is lit? Write full moon, half moon, or give the outing its"
            " place.",
            field="text",
        )
    altitude = _degrees(said[4])
    if altitude is None and now is not None:
        if now.moon_altitude_deg < 0:
            raise Unreadable(
                "The moon is below the horizon there now; write full moon at 30° for later.",
                field="text",
            )
        altitude = round(now.moon_altitude_deg, 1)
    if altitude is None:
        altitude = HIGH_MOON_DEG
    body: dict[str, object] = {"moon_altitude_deg": altitude, "phase_deg": phase}
    if said[3]:
        itself: OfMoon = wire.decode(OfMoon, body, "text")
        return itself
    found: ByMoon = wire.decode(ByMoon, {**body, "snow": said[5] is not None}, "text")
    return found


def _degrees(said: str | None) -> float | None:
    return None if said is None else float(said.replace("−", "-"))


def words_of(reading: Estimated) -> str:
    """Light as the line that would tell it.

    >>> words_of(SkyReading(sky="hazy sun", sun_altitude_deg=12, side="side"))
    'side lit hazy sun at 12°'
    >>> words_of(ByMoon(moon_altitude_deg=30, phase_deg=180)), words_of(InStreet(street="church"))
    ('full moon at 30°', 'church')
    """
    if isinstance(reading, InStreet):
        return reading.street
    if isinstance(reading, SkyReading):
        return _sky_words(reading)
    phases = {FULL_DEG: "full moon", QUARTER_DEG: "half moon"}
    said = phases.get(reading.phase_deg, f"moon {_exact(reading.phase_deg)}°")
    if isinstance(reading, OfMoon):
        return f"{said} itself at {_exact(reading.moon_altitude_deg)}°"
    snow = " snow" if reading.snow else ""
    return f"{said} at {_exact(reading.moon_altitude_deg)}°{snow}"


def _sky_words(reading: SkyReading) -> str:
    side = {"front": "", "side": "side lit ", "back": "back lit "}[reading.side]
    size = abs(reading.shift_stops)
    shift = next((text for text, stops in HALVES.items() if abs(stops - size) < 1e-6), plain(size))
    said = f"{side}{reading.sky}"
    if size:
        said += f" {'-' if reading.shift_stops < 0 else '+'}{shift}"
    if reading.sun_altitude_deg is not None:
        said += f" at {_exact(reading.sun_altitude_deg)}°"
    return f"{said} snow" if reading.snow else said


def _exact(degrees: float) -> str:
    """Degrees as one types them; more than four places nobody knows."""
    return plain(round(degrees, 4))


def name_of(reading: Estimated) -> str:
    """What a place told so is called, where nothing else is said of it."""
    if isinstance(reading, SkyReading):
        low = reading.sun_altitude_deg is not None and reading.sun_altitude_deg < 0
        return "dusk" if low and reading.sky == "bright sun" else reading.sky
    if isinstance(reading, InStreet):
        return reading.street
    return "moon" if isinstance(reading, OfMoon) else "moonlight"
