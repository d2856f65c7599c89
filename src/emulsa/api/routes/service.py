"""The service itself: whether it is up, and what is wrong with the data, if anything is."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa import __version__
from emulsa.api.routing import Db, House, Routes
from emulsa.core import typed
from emulsa.core.limits import SearchText

routes = Routes("service", "/api")


@dataclass(frozen=True)
class Health:
    """Who answers, and what is wrong with the data, if anything is."""

    name: str
    version: str
    trouble: str = ""


@dataclass(frozen=True)
class NumberRead:
    """A number that was typed."""

    value: float


@routes.question("/number")
def number(db: Db, text: SearchText) -> NumberRead:  # noqa: ARG001 - it is read as one writes
    """A number as one types it, where the page goes on with it while it is typed."""
    return NumberRead(typed.number(text, "text"))


@routes.question("/health")
def health(house: House) -> Health:
    """Whether the application is up, and which it is."""
    return Health("emulsa", __version__, house.trouble())
