"""What changed of a record, in words: every field by its name, every value as one writes it."""

from __future__ import annotations

import json
import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from typing import Any

from emulsa.core.light.hand_time import minutes_text, time_text
from emulsa.core.numbers import counted, plain
from emulsa.core.tones.development_number import n_text
from emulsa.core.tones.zones import zone_text
from emulsa.core.written import day_words, length_text, stops_words, temperature_text, volume_text

NOTHING = "nothing"
LONGEST = 80
NAMES = {
    "ei": "EI",
    "exposure_index": "EI",
    "prior_ei": "EI before",
    "n": "N",
    "textural_range": "texture",
    "law": "reciprocity",
    "lens_id": "lens",
    "piece": "sheet or frame",
}
UNITS: dict[str, Callable[[float], str]] = {
    "mm": length_text,
    "ml": volume_text,
    "c": temperature_text,
    "s": time_text,
}
WITHOUT = ("id", "_id", "_ids")
ZONES = ("zone", "textural_range", "low_zone", "high_zone")


@dataclass(frozen=True, slots=True)
class Told:
    """A field that changed, and what it was and is."""

    field: str
    before: str
    after: str


def told(field: str, before: Any, after: Any) -> tuple[Told, ...]:
    """A change in words; of what has parts, a line for each part that changed.

    >>> told("optics", {"widest": "5.6", "focal_length_mm": 150}, {"widest": "8"})
    (Told(field='optics: widest', before='5.6', after='8'), \
Told(field='optics: focal length', before='150 mm', after='nothing'))
    """
    return tuple(_told(field, _read(before), _read(after)))


def _told(field: str, before: Any, after: Any) -> Iterator[Told]:
    if isinstance(before, dict) or isinstance(after, dict):
        old, new = (each if isinstance(each, dict) else {} for each in (before, after))
        for name in {**old, **new}:
            if old.get(name) != new.get(name):
                for each in _told(name, _read(old.get(name)), _read(new.get(name))):
                    yield Told(f"{field_words(field)}: {each.field}", each.before, each.after)
        return
    said = value_words(field, before), value_words(field, after)
    if said[0] == said[1] and isinstance(after, list):
        said = said[0], "changed"
    yield Told(field_words(field), *said)


def field_words(field: str) -> str:
    """A field as one calls it: without the unit it is kept in, and without what is only a key.

    >>> field_words("focal_length_mm"), field_words("exposure_index"), field_words("reading: label")
    ('focal length', 'EI', 'reading: label')
    """
    *before, last = field.split(": ")
    name = re.sub(r"_(mm|ml|c|s|id|ids|stops|deg|in2)$", "", last.replace(" ", "_"))
    called = NAMES.get(last.replace(" ", "_"), NAMES.get(name, name.replace("_", " ")))
    return ": ".join((*before, called))


def value_words(field: str, value: Any) -> str:
    """A value as one writes it, by what its field holds.

    >>> value_words("textural_range", [2, 8.5]), value_words("minutes", 8.5)
    ('II to VIII½', '8 min 30 s')
    >>> value_words("archived", True), value_words("day", "2026-11-29"), value_words("note", "")
    ('yes', '29 November 2026', 'nothing')
    """
    if value is None or value in ("", []):
        return NOTHING
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, (int, float)):
        return _number(field, float(value))
    if isinstance(value, list):
        return _list(field, value)
    if isinstance(value, dict):
        return counted(len(value), "part")
    text = str(value)
    if re.fullmatch(r"\d{4}-\d\d-\d\d(T.*)?", text):
        return day_words(text[:10])
    return text if len(text) <= LONGEST else f"{text[: LONGEST - 1]}…"


def _list(field: str, value: list[Any]) -> str:
    if any(isinstance(each, (dict, list)) for each in value):
        return counted(len(value), "row")
    if field.endswith(WITHOUT):
        return counted(len(value), "entry", "entries")
    between = " to " if field in ZONES and len(value) == 2 else ", "
    return between.join(value_words(field, each) for each in value)


def _number(field: str, value: float) -> str:
    name = field.rsplit(": ", 1)[-1].replace(" ", "_")
    if name in ZONES:
        return zone_text(value)
    if name == "n":
        return n_text(value)
    if name.endswith("minutes"):
        return minutes_text(value)
    if name.endswith("stops"):
        return stops_words(value)
    unit = UNITS.get(name.rsplit("_", 1)[-1]) if "_" in name else None
    return unit(value) if unit else plain(value)


def _read(value: Any) -> Any:
    """A column that is kept as JSON, read."""
    if isinstance(value, str) and value[:1] in ("[", "{"):
        try:
            return json.loads(value)
        except ValueError:
            return value
    return value
