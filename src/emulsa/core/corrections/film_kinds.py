"""What a kind of film does with light: its filters, its index in warm light, its limits."""

from __future__ import annotations

import math
from dataclasses import dataclass

from emulsa.core.corrections.filters import Light
from emulsa.core.corrections.reciprocity import PowerLaw
from emulsa.core.data.film_kinds import KINDS, FilmKindName, PlacedBy
from emulsa.core.limits import ExposureIndex

SOURCE = "common practice, from memory"


@dataclass(frozen=True, kw_only=True, slots=True)
class FilmKindRequest:
    """A kind of film, the light, and the index by day where one is asked for."""

    kind: FilmKindName
    light: Light = "daylight"
    ei: ExposureIndex | None = None


@dataclass(frozen=True, slots=True)
class KindFilter:
    """A filter before a kind of film: its usual factor, and the same in stops."""

    filter: str
    factor: float
    stops: float


@dataclass(frozen=True, slots=True)
class FilmKind:
    """A kind as it usually is, in this light."""

    name: str
    n: bool
    n_range: tuple[float, float]
    place: PlacedBy
    texture_stops: float
    textural_range: tuple[float, float]
    push_stops: tuple[float, float]
    minutes: tuple[float, float]
    temperature_c: tuple[float, float]
    usual_c: float
    law: PowerLaw
    dark: str
    note: str
    source: str
    light_stops: float
    ei: float | None
    filters: tuple[KindFilter, ...]
    refused_filters: tuple[str, ...]


def film_kind(request: FilmKindRequest) -> FilmKind:
    """The operation ``film_kind``."""
    row = KINDS[request.kind]
    warm = request.light == "tungsten"
    light = -row.warm_light_stops if warm else 0.0
    exponent, from_s, until_s = row.law
    known = {name: both[1 if warm else 0] for name, both in row.filters.items() if both}
    return FilmKind(
        name=row.name,
        n=row.n,
        n_range=row.n_range,
        place=row.place,
        texture_stops=row.texture_stops,
        textural_range=row.textural_range,
        push_stops=row.push_stops,
        minutes=row.minutes,
        temperature_c=row.temperature_c,
        usual_c=row.usual_c,
        law=PowerLaw(exponent=exponent, from_s=from_s, tested_until_s=until_s),
        dark=row.dark,
        note=row.note,
        source=SOURCE,
        light_stops=light,
        ei=None if request.ei is None else request.ei * 2**light,
        filters=tuple(KindFilter(name, each, math.log2(each)) for name, each in known.items()),
        refused_filters=tuple(name for name, both in row.filters.items() if both is None),
    )
