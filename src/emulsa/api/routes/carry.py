"""Carried along: the copy that is taken, what was done in it, and handing that in at home."""

from __future__ import annotations

from contextlib import closing
from dataclasses import dataclass
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Literal

from emulsa import __version__
from emulsa.api.deciding import Otherwise, again, here
from emulsa.api.handing import CameOf, HandIn, hand_in
from emulsa.api.limits import LARGEST_HANDED
from emulsa.api.lookup import needed
from emulsa.api.request import now
from emulsa.api.routing import TABLE, Db, File, House, Routes
from emulsa.store import carrying, laid_aside, preferences
from emulsa.store.carrying import Carried, Outgoing
from emulsa.store.folder import DATABASE
from emulsa.store.laid_aside import Aside, Happened
from emulsa.store.transactions import transaction

routes = Routes("carry", "/api")
COPY = "application/vnd.sqlite3"


@dataclass(frozen=True)
class AsideView(Aside):
    """What lies aside; until it is decided, what was done here to what it speaks of, the latest
    first. ``other_film``: an exposure, which may go onto other film."""

    here: tuple[Happened, ...] = ()
    other_film: bool = False


@dataclass(frozen=True)
class CarryView:
    """Whether this is a carried copy, of when, and how much was done in it since; at home, how much
    of what lies aside waits to be decided."""

    carried: Carried | None
    waiting: int
    undecided: int


@dataclass(frozen=True)
class CarriedPictures:
    """Which pictures go with a copy, and which of them are printed."""

    pictures: tuple[str, ...]
    printed: tuple[str, ...]


@dataclass(frozen=True)
class HandedIn:
    """What came of every act."""

    came: tuple[CameOf, ...]


@dataclass(frozen=True, kw_only=True)
class Decision(Otherwise):
    """What becomes of something set aside: done now over what is kept, an exposure otherwise if
    need be; kept as a note; dropped."""

    how: Literal["again", "note", "drop"]


@routes.question("/carry")
def read(db: Db) -> CarryView:
    """What is carried, and how much waits to be handed in or decided: asked after every act."""
    return CarryView(carrying.carried(db), carrying.waiting(db), laid_aside.undecided(db))


@routes.question("/carry/pictures")
def pictures(db: Db) -> CarriedPictures:
    """The pictures that are fetched when a copy is taken."""
    return CarriedPictures(tuple(carrying.pictures(db)), tuple(carrying.printed(db)))


@routes.question("/carry/asides")
def asides(db: Db) -> tuple[AsideView, ...]:
    """What lies aside, with what was done here to what it speaks of."""
    return _asides(db)


@routes.work("GET", "/carry/copy", media_type=COPY)
def copy(house: House) -> File:
    """The log as one file to carry along: everything but pictures and who was let in."""
    house.exchange.mkdir(parents=True, exist_ok=True)
    with TemporaryDirectory(dir=house.exchange) as folder:  # two devices may take one at once
        target = Path(folder) / DATABASE
        carrying.copy(house.database, target, now(), __version__)
        return File(COPY, target.read_bytes())


@routes.question("/carry/outgoing")
def outgoing(db: Db) -> tuple[Outgoing, ...]:
    """What was done in this copy since it was made, in its order."""
    worked_out = [route.name for route in TABLE.values() if route.works_out or route.begins]
    return tuple(carrying.outgoing(db, worked_out))


@routes.work("POST", "/acts", largest=LARGEST_HANDED)
def hand_in_acts(house: House, handed: HandIn) -> HandedIn:
    """Do at home what was done in a copy, each once however often it is sent."""
    return HandedIn(hand_in(house, handed))


@routes.work("POST", "/carry/asides/{id}")
def decide(house: House, id: str, decision: Decision) -> tuple[AsideView, ...]:  # noqa: A002
    """Decide about something that was set aside."""
    with closing(house.connect()) as connection:
        aside = needed(laid_aside.aside(connection, id), "This does not lie aside any more.")
        if decision.how == "again":
            with preferences.as_one_writes(connection):
                problem = again(house, connection, aside, decision)
            with transaction(connection):
                if problem:
                    laid_aside.decide(connection, id, "", problem)
                else:
                    laid_aside.done_after_all(connection, id)
            house.index()
        else:
            with transaction(connection):
                laid_aside.decide(connection, id, "note" if decision.how == "note" else "dropped")
        return _asides(connection)


def _asides(db: Db) -> tuple[AsideView, ...]:
    return tuple(
        AsideView(
            **vars(each),
            here=() if each.fate else tuple(here(db, each)),
            other_film=each.name == carrying.EXPOSURE,
        )
        for each in laid_aside.asides(db)
    )
