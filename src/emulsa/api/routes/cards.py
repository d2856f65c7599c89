"""Cards to print for the bag, and their tables for a spreadsheet."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal, TypeVar

from emulsa.api.lookup import needed
from emulsa.api.replies import CSV, PDF, attached
from emulsa.api.routing import Db, File, Routes
from emulsa.core.cards.bellows import bellows_chart, bellows_target
from emulsa.core.cards.dial import DialDiameter, StopLength, zone_dial
from emulsa.core.cards.exposing import pinhole_chart, reciprocity_chart, sky_chart
from emulsa.core.cards.outdoors import depth_chart, light_chart, night_chart
from emulsa.core.cards.table import Card
from emulsa.core.cards.wall import wall_table
from emulsa.core.corrections.aperture_choice import blur_for
from emulsa.core.errors import Missing
from emulsa.core.kit.bag import KitLens, KitPinhole
from emulsa.core.kit.films import Film
from emulsa.core.moments import Moment
from emulsa.core.numbers import plain
from emulsa.exchange.cards import pdf
from emulsa.exchange.csv_table import csv_file
from emulsa.store import films, kit, outings, preferences

routes = Routes("cards", "/api/cards")

Record = TypeVar("Record")
Kind = Literal["pinhole", "sky", "reciprocity", "bellows", "light", "depth", "night"]


@dataclass(frozen=True)
class Chosen:
    """The records a card may be for, by their ids in the query; ``begin`` is the midnight a month
    begins with, with its zone."""

    film_id: str | None = None
    pinhole_id: str | None = None
    lens_id: str | None = None
    outing_id: str | None = None
    begin: Moment | None = None


@routes.question("/{kind}.csv", media_type=CSV)
def as_csv(db: Db, kind: Kind, chosen: Chosen) -> File:
    """A card's table for a spreadsheet."""
    return attached(csv_file(_card(db, kind, chosen).table), CSV, kind, "csv")


@routes.question("/{kind}.pdf", media_type=PDF)
def as_pdf(db: Db, kind: Kind, chosen: Chosen) -> File:
    """A card to print."""
    return attached(pdf.render("table", _card(db, kind, chosen)), PDF, kind, "pdf")


@routes.question("/wall/times.csv", media_type=CSV)
def wall_csv(db: Db) -> File:
    """Developing times by temperature, for a spreadsheet."""
    return attached(csv_file(_wall(db).table), CSV, "developing-times", "csv")


@routes.question("/wall/times.pdf", media_type=PDF)
def wall_pdf(db: Db) -> File:
    """Developing times by temperature, for the darkroom's wall."""
    return attached(pdf.render("wall", _wall(db)), PDF, "developing-times", "pdf")


@routes.question("/target/bellows.pdf", media_type=PDF)
def target(db: Db, lens_id: str) -> File:
    """A target to cut out, and the ruler that reads its image in thirds of a stop."""
    lens = _lens(db, lens_id)
    data = {
        "target": bellows_target(lens),
        "lens": lens.name,
        "pupil": plain(lens.optics.pupil_magnification),
    }
    return attached(pdf.render("target", data), PDF, "bellows-target", "pdf")


@routes.question("/dial/zones.pdf", media_type=PDF)
def dial(
    diameter_mm: DialDiameter = 60.0, stop_mm: StopLength = 9.0, clockwise: bool = True
) -> File:
    """A zone scale for a meter's dial of this diameter."""
    data = {
        "sectors": zone_dial(diameter_mm, stop_mm, clockwise),
        "diameter_mm": diameter_mm,
        "stop_mm": stop_mm,
    }
    return attached(pdf.render("dial", data), PDF, "zone-dial", "pdf")


def _wall(db: Db) -> Card:
    return wall_table({each.id: each for each in films.films(db)}, films.recipes(db))


def _card(db: Db, kind: Kind, chosen: Chosen) -> Card:
    if kind == "pinhole":
        return pinhole_chart(_pinhole(db, chosen.pinhole_id), _film(db, chosen.film_id))
    if kind == "sky":
        return sky_chart(_pinhole(db, chosen.pinhole_id), _film(db, chosen.film_id))
    if kind == "reciprocity":
        return reciprocity_chart(_film(db, chosen.film_id))
    if kind == "light":
        return _light(db, chosen)
    if kind == "depth":
        lens = _lens(db, chosen.lens_id)
        return depth_chart(lens, _format(db, lens), _blur(db))
    if kind == "night":
        film, on = _film(db, chosen.film_id), kit.lens(db, chosen.lens_id)
        allowed = blur_for(_blur(db), _format(db, on) if on else None)
        return night_chart(film, on, allowed)
    return bellows_chart(_lens(db, chosen.lens_id))


def _light(db: Db, chosen: Chosen) -> Card:
    outing = _found(outings.outing(db, chosen.outing_id), chosen.outing_id, "outing")
    place = outing.sky_place
    if place is None or chosen.begin is None:
        raise Missing("Give the outing its place: light goes by it.", field="outing_id")
    return light_chart(place, outing.place or outing.title, chosen.begin)


def _format(db: Db, lens: KitLens) -> tuple[float, float] | None:
    camera = kit.camera(db, lens.camera_id)
    return camera.format_mm if camera else None


def _blur(db: Db) -> float | None:
    return preferences.preferences(db).habits.blur_mm


def _film(db: Db, id_: str | None) -> Film:
    return _found(films.film(db, id_), id_, "film")


def _pinhole(db: Db, id_: str | None) -> KitPinhole:
    return _found(kit.pinhole(db, id_), id_, "pinhole")


def _lens(db: Db, id_: str | None) -> KitLens:
    return _found(kit.lens(db, id_), id_, "lens")


def _found(record: Record | None, id_: str | None, what: str) -> Record:
    if not id_:
        raise Missing(f"Choose the {what} the card is for.", field=f"{what}_id")
    return needed(record, f"This {what} was not found.", f"{what}_id")
