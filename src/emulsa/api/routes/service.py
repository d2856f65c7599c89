"""The service itself: whether it is up, and what is wrong with the data, if anything is."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa import __version__
from emulsa.api.routing import House, Routes

routes = Routes("service", "/api")


@dataclass(frozen=True)
class Health:
    """Who answers, and what is wrong with the data, if anything is."""

    name: str
    version: str
    trouble: str = ""


@routes.question("/health")
def health(house: House) -> Health:
    """Whether the application is up, and which it is."""
    return Health("emulsa", __version__, house.trouble())
