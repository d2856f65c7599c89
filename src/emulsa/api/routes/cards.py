"""Cards for the bag, as PDF and as CSV of the same tables."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal, TypeVar

from fastapi import Depends, Response

from emulsa.api.answers import Routes
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.files import CSV, PDF, attached
from emulsa.core import wire
from emulsa.core.cards.bellows import bellows_chart, bellows_target
from emulsa.core.cards.dial import DialDiameter, StopLength, zone_dial
from emulsa.core.cards.exposing import pinhole_chart, reciprocity_chart
from emulsa.core.cards.table import Card
from emulsa.core.errors import Missing
from emulsa.core.kit.bag import KitLens, KitPinhole
from emulsa.core.kit.films import Film
from emulsa.core.limits import plain
from emulsa.exchange.cards import csv_table, pdf
from emulsa.store import films, kit
from emulsa.store.database import Connection

router = Routes(prefix="/api/cards", tags=["cards"])

Record = TypeVar("Record")
Kind = Literal["pinhole", "reciprocity", "bellows"]


@dataclass(frozen=True)
class Chosen:
    """The records a card may be for, by their ids in the query."""

    film_id: str | None = None
    pinhole_id: str | None = None
    lens_id: str | None = None


Choice = Annotated[Chosen, Depends()]


@router.get("/{kind}.csv", response_class=Response, responses=CSV)
def as_csv(kind: Kind, db: Db, chosen: Choice) -> Response:
    """A card's table for a spreadsheet."""
    text = csv_table.render(_card(db, kind, chosen))
    return attached(text.encode("utf-8-sig"), "text/csv; charset=utf-8", kind, "csv")


@router.get("/{kind}.pdf", response_class=Response, responses=PDF)
def as_pdf(kind: Kind, db: Db, chosen: Choice) -> Response:
    """A card to print."""
    return attached(pdf.render("table", _card(db, kind, chosen)), "application/pdf", kind, "pdf")


@router.get("/target/bellows.pdf", response_class=Response, responses=PDF)
def target(db: Db, lens_id: str) -> Response:
    """A target to cut out, and the ruler that reads its image in thirds of a stop."""
    lens = _lens(db, lens_id)
    data = {
        "target": bellows_target(lens),
        "lens": lens.name,
        "pupil": plain(lens.optics.pupil_magnification),
    }
    return attached(pdf.render("target", data), "application/pdf", "bellows-target", "pdf")


@router.get("/dial/zones.pdf", response_class=Response, responses=PDF)
def dial(diameter_mm: float = 60, stop_mm: float = 9, clockwise: bool = True) -> Response:
    """A zone scale for a meter's dial of this diameter."""
    wire.decode(DialDiameter, diameter_mm, "diameter_mm")
    wire.decode(StopLength, stop_mm, "stop_mm")
    data = {
        "sectors": zone_dial(diameter_mm, stop_mm, clockwise),
        "diameter_mm": diameter_mm,
        "stop_mm": stop_mm,
    }
    return attached(pdf.render("dial", data), "application/pdf", "zone-dial", "pdf")


def _card(db: Connection, kind: Kind, chosen: Chosen) -> Card:
    if kind == "pinhole":
        return pinhole_chart(_pinhole(db, chosen.pinhole_id), _film(db, chosen.film_id))
    if kind == "reciprocity":
        return reciprocity_chart(_film(db, chosen.film_id))
    return bellows_chart(_lens(db, chosen.lens_id))


def _film(db: Connection, id_: str | None) -> Film:
    return _found(films.film(db, id_) if id_ else None, id_, "film")


def _pinhole(db: Connection, id_: str | None) -> KitPinhole:
    return _found(kit.pinhole(db, id_) if id_ else None, id_, "pinhole")


def _lens(db: Connection, id_: str | None) -> KitLens:
    return _found(kit.lens(db, id_) if id_ else None, id_, "lens")


def _found(record: Record | None, id_: str | None, what: str) -> Record:
    if not id_:
        raise Missing(f"Choose the {what} the card is for.", field=f"{what}_id")
    if record is None:
        raise NotFound(f"There is no such {what}.", field=f"{what}_id")
    return record
