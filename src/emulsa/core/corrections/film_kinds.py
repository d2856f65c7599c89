"""What a kind of film does with light: its filters, its index in warm light, its limits.

Where nobody says a film's kind, nothing is known of it and nothing changes.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

from emulsa.core.corrections.filters import Filter, Light
from emulsa.core.corrections.reciprocity import PowerLaw
from emulsa.core.data.film_kinds import KINDS, FilmKindName, FilmKindRow, PlacedBy
from emulsa.core.errors import Missing, Unsound
from emulsa.core.limits import ExposureIndex
from emulsa.core.tones.development_number import n_text

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


AnyKind = FilmKindName | None


def row_of(kind: AnyKind) -> FilmKindRow | None:
    """A kind as it usually is; nothing where nobody says the kind."""
    return None if kind is None else KINDS[kind]


def has_n(kind: AnyKind) -> bool:
    """Whether N exists at all: colour is developed as its process says.

    >>> has_n("reversal"), has_n("paper_negative"), has_n(None)
    (False, True, True)
    """
    return kind is None or KINDS[kind].n


WITHOUT_N = tuple(sorted(kind for kind in KINDS if not has_n(kind)))


def n_words(n: float, kind: AnyKind) -> str:
    """The development planned, as it is written: N−1; normal, on film that has no N.

    >>> n_words(-1, None), n_words(0, "reversal")
    ('N−1', 'normal')
    """
    return n_text(n) if has_n(kind) else "normal"


def no_n_words(kind: AnyKind) -> str:
    """Why there is no N on a kind that has none."""
    row = row_of(kind)
    assert row is not None
    return (
        f"{row.name[:1].upper()}{row.name[1:]} film is developed as its process says: it has no N."
    )


def light_stops(kind: AnyKind, light: Light) -> float:
    """What warm light asks for on top, in stops: the film sees less of it.

    >>> light_stops("orthochromatic", "tungsten"), light_stops("orthochromatic", "daylight")
    (1.0, 0.0)
    """
    row = row_of(kind)
    return row.warm_light_stops if row and light == "tungsten" else 0.0


def check_filters(filters: Sequence[Filter], kind: AnyKind) -> None:
    """Unsound for a filter of which a kind of film sees nothing, Missing for a colour whose factor
    nobody knows; each at its place."""
    for place, each in enumerate(filters):
        if not each.colour:
            continue
        row = row_of(kind)
        if row is not None and row.filters.get(_called(each), ...) is None:
            raise Unsound(
                f"{row.name[:1].upper()}{row.name[1:]} film sees next to nothing of what"
                f" {_article(each)} filter lets through: take it off.",
                field=f"filters.{place}",
            )
        if _needs_one(each) and (row is None or _called(each) not in row.filters):
            raise Missing(
                f"Say the factor of {each.label or _article(each)}: none is usual here.",
                field=f"filters.{place}",
            )


def on_film(filters: Sequence[Filter], kind: AnyKind) -> tuple[Filter, ...]:
    """Filters with the factors that are usual before a kind of film, where nothing better is
    known of them.

    >>> yellow = Filter(colour="yellow", type="contrast")
    >>> [each.factor for each in on_film([yellow], "orthochromatic")]
    [2.5]
    """
    row = row_of(kind)
    return tuple(each if row is None else _by_kind(each, row) for each in filters)


def _by_kind(each: Filter, row: FilmKindRow) -> Filter:
    both = row.filters.get(_called(each)) if each.colour else None
    if both is None or not (each.usual or _needs_one(each)):
        return each
    return replace(
        each, factor=both[0], tungsten_factor=both[1], stops=None, density=None, usual=True
    )


def _needs_one(each: Filter) -> bool:
    amounts = (each.factor, each.stops, each.density)
    return not each.metered_through and all(amount is None for amount in amounts)


def _called(each: Filter) -> str:
    """A filter's colour as the tables of kinds call it."""
    return "yellow-green" if each.colour == "yellow_green" else each.colour.replace("_", " ")


def _article(each: Filter) -> str:
    called = _called(each)
    return f"{'an' if called[0] in 'aeiou' else 'a'} {called}"
