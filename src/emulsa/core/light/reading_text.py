"""A reading of the light in words."""

from __future__ import annotations

from emulsa.core.light.hand_time import time_text
from emulsa.core.light.marks import mark_text
from emulsa.core.light.meters import (
    ESTIMATED,
    EvReading,
    MeanReading,
    PhotoReading,
    Reading,
    TimeReading,
)
from emulsa.core.light.sky import sky_text
from emulsa.core.numbers import plain
from emulsa.core.tones.zones import ev_text
from emulsa.core.written import doubt_text, stops_text


def reading_text(reading: Reading) -> str:
    """A reading as it was said: ``EV 13⅓``, ``1/2 at f/22, ISO 100``, ``81920 lx``.

    A time says its ISO always: it means nothing without.

    >>> reading_text(TimeReading(time="1/125", aperture="11", iso=3200))
    '1/125 at f/11, ISO 3200'
    """
    if isinstance(reading, MeanReading):
        return "mean of " + ", ".join(reading_text(each) for each in reading.readings)
    if isinstance(reading, ESTIMATED):
        return sky_text(reading)
    if isinstance(reading, PhotoReading):
        said = f"EV {ev_text(reading.ev100)} {doubt_text(reading.sigma_stops)}".strip()
        return f"{said}, from the picture"
    if isinstance(reading, EvReading):
        said = f"EV {ev_text(reading.ev)}"
        said += "" if reading.iso == 100 else f" at ISO {plain(reading.iso)}"
    elif isinstance(reading, TimeReading):
        time = reading.time if isinstance(reading.time, str) else time_text(reading.time)
        said = f"{time} at {mark_text(reading.aperture)}, ISO {plain(reading.iso)}"
    else:
        return f"{plain(reading.value)} {reading.unit}"
    held = reading.held_stops
    return said if not held else f"{said}, {stops_text(held)} held by the meter"
