"""What a kind of film means for who rates one: its facts in words, and what it usually has."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from emulsa.core.corrections.film_kinds import FilmKind, FilmKindRequest, film_kind
from emulsa.core.corrections.reciprocity import Law
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.kit.pictured import Fact
from emulsa.core.numbers import plain
from emulsa.core.tones.development_number import n_text
from emulsa.core.tones.zones import zone_text
from emulsa.core.written import size_words, temperature_text

SHOWN = ("light yellow", "yellow", "yellow-green", "green", "orange", "red", "blue", "polariser")


@dataclass(frozen=True, slots=True)
class KindSaid:
    """A kind in facts; its usual textural range and law, to be taken over; ``source`` who says
    so."""

    name: str
    facts: tuple[Fact, ...]
    note: str
    dark: str
    textural_range: tuple[float, float]
    range_typed: tuple[str, str]
    law: Law
    source: str


def kind_said(kind: FilmKindName) -> KindSaid:
    """A kind of film as it usually is."""
    day = film_kind(FilmKindRequest(kind=kind))
    warm = film_kind(FilmKindRequest(kind=kind, light="tungsten"))
    return KindSaid(
        name=day.name,
        facts=tuple(_facts(day, warm)),
        note=day.note,
        dark=day.dark,
        textural_range=day.textural_range,
        range_typed=(zone_text(day.textural_range[0]), zone_text(day.textural_range[1])),
        law=day.law,
        source=f"typical of {day.name} film, no source",
    )


def _facts(day: FilmKind, warm: FilmKind) -> Iterator[Fact]:
    if day.n:
        low, high = day.n_range
        yield Fact(name="Development", text=f"{n_text(low)} to {n_text(high)}")
    else:
        low, high = day.push_stops
        yield Fact(name="Development", text=f"its own process, push {plain(low)} to +{plain(high)}")
    yield Fact(name="Placed by", text=f"its {'mid-tone' if day.place == 'midtone' else day.place}")
    zones = " to ".join(map(zone_text, day.textural_range))
    yield Fact(name="Holds texture", text=f"over {size_words(day.texture_stops)}, {zones}")
    if warm.light_stops:
        yield Fact(name="In warm light", text=f"{size_words(-warm.light_stops)} less sensitive")
    if day.refused_filters:
        yield Fact(name="Sees nothing behind", text=", ".join(day.refused_filters))
    factors = {each.filter: each.factor for each in day.filters}
    said = [f"{each} ×{plain(factors[each])}" for each in SHOWN if each in factors]
    yield Fact(name="Filters by day", text=", ".join(said), beside=True)
    least, most = day.temperature_c
    yield Fact(
        name="Developer", text=f"{temperature_text(least)} to {temperature_text(most)}", beside=True
    )
    yield Fact(name="Uneven under", text=f"{plain(day.minutes[0])} min", beside=True)
    law = day.law
    yield Fact(
        name="Long times",
        text=f"exponent {plain(law.exponent)} from {plain(law.from_s)} s",
        beside=True,
    )
