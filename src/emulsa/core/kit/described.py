"""A record of the kit in a line beneath its name."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping
from typing import Any

from emulsa.core.chemistry.powder import Powder
from emulsa.core.corrections.filters import amount_text
from emulsa.core.corrections.reciprocity import AdditiveLaw, Law, NoFailure, PowerLaw
from emulsa.core.kit.bag import Camera, KitFilter, KitLens, KitPinhole, Meter
from emulsa.core.kit.darkroom import Bottle, Line, Tank
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.kit.printing import Enlarger, PrintingPaper
from emulsa.core.numbers import counted, plain
from emulsa.core.written import (
    area_text,
    day_words,
    length_text,
    money_text,
    stops_words,
    volume_text,
)


def described(record: Any, films: Mapping[str, str], agitations: Mapping[str, str]) -> str:
    """What a record is, in the order one would say it; ``films`` and ``agitations`` name what it
    names by an id or a key."""
    if isinstance(record, FilmRecipe):
        recipe = record.recipe
        said = [films.get(record.film_id), recipe.developer, recipe.dilution, recipe.agitation]
        if recipe.not_recommended:
            said.append(f"not recommended: {recipe.not_recommended}")
        return _line(said)
    if isinstance(record, Tank):
        return _line(_tank(record, agitations))
    say = SAYS.get(type(record))
    return _line(say(record)) if say else area_text(record.size_mm)  # a size of sheet


def law_text(law: Law | None) -> str:
    """A reciprocity law in a few characters.

    >>> law_text(PowerLaw(exponent=1.31)), law_text(None)
    ('reciprocity: exponent 1.31 from 1 s', 'no reciprocity law yet')
    """
    if law is None:
        return "no reciprocity law yet"
    if isinstance(law, NoFailure):
        return f"no correction up to {plain(law.until_s)} s"
    if isinstance(law, PowerLaw):
        return f"reciprocity: exponent {plain(law.exponent)} from {plain(law.from_s)} s"
    if isinstance(law, AdditiveLaw):
        return f"t + {plain(law.a)}·t^{plain(law.b)}"
    return f"table of {counted(len(law.rows), 'row')}"


def _line(said: Iterable[str | None]) -> str:
    return ", ".join(each for each in said if each)


def _film(film: Film) -> list[str]:
    box = f" (box {plain(film.box_speed)})" if film.box_speed else ""
    price = "" if film.price is None else f"{money_text(film.price)} a sheet"
    return [
        f"EI {plain(film.exposure_index)}{box}",
        law_text(film.law),
        film.provenance.law,
        price,
    ]


def _tank(tank: Tank, agitations: Mapping[str, str]) -> list[str]:
    return [
        counted(tank.holds, "sheet"),
        "" if tank.holds_rolls is None else counted(tank.holds_rolls, "roll"),
        volume_text(tank.volume_ml),
        agitations.get(tank.agitation, ""),
        f"{tank.many} of them" if tank.many > 1 else "",
    ]


def _camera(camera: Camera) -> list[str]:
    return [area_text(camera.format_mm), *(back.name for back in camera.backs)]


def _lens(lens: KitLens) -> list[str]:
    optics = lens.optics
    return [
        f"{plain(optics.focal_length_mm)} mm, f/{optics.widest} to f/{optics.smallest}",
        "shutter measured" if optics.shutter.measured else "",
        "telephoto" if optics.telephoto else "",
        f"thread {plain(lens.thread_mm)} mm" if lens.thread_mm else "",
    ]


def _pinhole(pinhole: KitPinhole) -> list[str]:
    optics = pinhole.optics
    return [
        f"{plain(optics.diameter_mm)} mm hole",
        f"{length_text(optics.distance_mm)} from the film",
        "with its leaflet's times" if pinhole.leaflet else "",
    ]


def _filter(each: KitFilter) -> list[str]:
    own = each.filter
    what = own.colour.replace("_", "-") or ("" if own.type == "plain" else own.type)
    thread = f"thread {plain(each.thread_mm)} mm" if each.thread_mm else ""
    return [amount_text(own), what, thread]


def _meter(meter: Meter) -> list[str]:
    off = meter.calibration.offset_stops
    angle = f"{plain(meter.spot_deg)}°" if meter.spot_deg else ""
    return [angle, stops_words(off) if off else "no error of its own"]


def _bottle(bottle: Bottle) -> list[str]:
    left = ""
    if bottle.capacity_rolls is not None:
        left = f"{plain(bottle.used_rolls)} of {plain(bottle.capacity_rolls)} rolls used"
    return [bottle.kind, f"mixed {day_words(bottle.mixed)}" if bottle.mixed else "", left]


def _enlarger(enlarger: Enlarger) -> list[str]:
    return [
        *(f"{plain(each)} mm" for each in enlarger.focal_lengths_mm),
        f"f/{enlarger.widest} to f/{enlarger.smallest}",
        f"{plain(enlarger.least_magnification)} to {plain(enlarger.most_magnification)} ×",
    ]


SAYS: dict[type, Callable[[Any], list[str]]] = {
    Film: _film,
    Camera: _camera,
    KitLens: _lens,
    KitPinhole: _pinhole,
    KitFilter: _filter,
    Meter: _meter,
    Line: lambda record: [bath.name for bath in record.baths],
    Bottle: _bottle,
    Powder: lambda record: [
        volume_text(record.volume_ml),
        f"does {plain(record.does_rolls)} rolls" if record.does_rolls else "",
        f"keeps {counted(record.keeps_days, 'day')}" if record.keeps_days else "",
        *(part.name for part in record.parts),
    ],
    PrintingPaper: lambda record: [record.surface, *(each.label for each in record.filters)],
    Enlarger: _enlarger,
}
