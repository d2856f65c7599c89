"""A reading as the line that would make it: what a photographer would type."""

from __future__ import annotations

import re
from collections.abc import Sequence

from emulsa.core.light.marks import mark_text
from emulsa.core.light.meters import (
    ESTIMATED,
    EvReading,
    MeanReading,
    MeterSet,
    PhotoReading,
    Single,
    TimeReading,
)
from emulsa.core.line.carry_out import OF_THE_LIGHT
from emulsa.core.line.number import ON_DIALS
from emulsa.core.line.told import name_of, words_of
from emulsa.core.numbers import plain
from emulsa.core.scene.record import SceneReading
from emulsa.core.tones.zones import ev_text

OWN_WORDS = re.compile(
    r"^(?:incident|dome|disc|stops?|min|minutes?|h)\b|\b(?:high|highlight)$", re.I
)


def line_of(taken: SceneReading, meter: MeterSet = MeterSet()) -> str:
    """A kept reading as a line that reads back to it, with the meter set so; a place of a picture
    as the spot reading of it that one would take.

    >>> line_of(SceneReading(id="a", label="bark", reading=EvReading(ev=13 + 1 / 3)))
    '13⅓ bark'
    """
    reading = taken.reading
    each = reading.readings if isinstance(reading, MeanReading) else (reading,)
    words = [
        " + ".join(_said(one) for one in each),
        _iso_word(each, meter),
        _held_word(each, meter),
        ""
        if isinstance(reading, ESTIMATED) and taken.label == name_of(reading)
        else _name(taken.label),
        "@through" if taken.through else "",
        "@incident" if taken.incident and not isinstance(reading, OF_THE_LIGHT) else "",
    ]
    return " ".join(word for word in words if word)


def _name(label: str) -> str:
    """A name as it reads back: in quotes where a number or a word of the line is part of it."""
    plain_ = not any(each.isnumeric() for each in label) and not re.search(OWN_WORDS, label)
    return label if plain_ or re.fullmatch(r"reading \d+", label) else f'"{label}"'


def _iso_word(readings: Sequence[Single], meter: MeterSet) -> str:
    """The ISO, unless every reading was taken as the meter is set."""
    found = [
        (one.iso, meter.ev_iso if isinstance(one, EvReading) else meter.time_iso)
        for one in readings
        if isinstance(one, (EvReading, TimeReading))
    ]
    return "" if all(iso == kept for iso, kept in found) else f"iso{plain(found[0][0])}"


def _held_word(readings: Sequence[Single], meter: MeterSet) -> str:
    held = next(
        (one.held_stops for one in readings if isinstance(one, (EvReading, TimeReading))), 0.0
    )
    if held == meter.held_stops:
        return ""
    return f"{'-' if held < 0 else '+'}{abs(held):.6g} held"


def _said(reading: Single) -> str:
    if isinstance(reading, EvReading):
        return _exact(reading.ev)
    if isinstance(reading, PhotoReading):
        return _exact(reading.ev100)
    if isinstance(reading, TimeReading):
        time = reading.time if isinstance(reading.time, str) else plain(reading.time)
        if time in map(str, ON_DIALS):
            time = f"{time} s"
        return f"{time}@{mark_text(reading.aperture).removeprefix('f/')}"
    if isinstance(reading, ESTIMATED):
        return words_of(reading)
    return f"{plain(reading.value)} {reading.unit}"


def _exact(ev: float) -> str:
    """An EV with its fraction when thirds or halves say it, else in decimals."""
    size = abs(ev)
    if min(abs(size * 3 - round(size * 3)), abs(size * 2 - round(size * 2))) < 1e-6:
        text = ev_text(size)
        return ("-" if ev < 0 else "") + (text if text[0].isdecimal() else f"0{text}")
    return f"{ev:.4g}"
