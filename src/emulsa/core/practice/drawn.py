"""The drawn scenes as practice knows them: painted when Emulsa is built, data of the core."""

from __future__ import annotations

import base64
import zlib
from array import array
from dataclasses import dataclass
from functools import lru_cache
from importlib import import_module

from emulsa.core.data.drawn_scenes import DRAWN
from emulsa.core.errors import OutOfRange

WHOLE = "elsewhere"  # what of a scene has no name


@dataclass(frozen=True, slots=True)
class DrawnPlace:
    """A named place: where one aims at it, its smaller side in degrees, its colour, the zones a
    good print has there, and the stops it loses when a cloud comes."""

    name: str
    x: float
    y: float
    size_deg: float
    colour: str
    zones: tuple[float, float] | None
    sun_stops: float


@dataclass(frozen=True, slots=True)
class DrawnScene:
    """A drawn scene as it was painted: its words, its light, its places, and by cell the entry of
    the EV axis and the place; the last place is what has no name."""

    title: str
    brief: str
    light: str
    drift_a_minute: float
    columns: int
    rows: int
    places: tuple[DrawnPlace, ...]
    index: tuple[int, ...]
    patch: tuple[int, ...]


@lru_cache(maxsize=8)
def drawn_scene(name: str) -> DrawnScene:
    """A drawn scene by its name; OutOfRange with those there are."""
    if name not in DRAWN:
        raise OutOfRange("There is no such drawn scene.", field="scene.name", allowed=list(DRAWN))
    told = import_module(f"emulsa.core.data.drawn.{name.replace('-', '_')}")
    field = zlib.decompress(base64.b85decode(told.FIELD))
    many = told.COLUMNS * told.ROWS
    index = array("H", field[: 2 * many])
    named = tuple(DrawnPlace(*each) for each in told.PLACES)
    light, drift = told.LIGHT
    return DrawnScene(
        title=told.TITLE,
        brief=told.BRIEF,
        light=light,
        drift_a_minute=drift,
        columns=told.COLUMNS,
        rows=told.ROWS,
        places=(*named, DrawnPlace(WHOLE, 0.5, 0.5, 0.0, "", None, 1.0)),
        index=tuple(index),
        patch=tuple(field[2 * many :]),
    )
