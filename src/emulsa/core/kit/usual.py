"""What of one's kit is offered, and what is taken while nothing was chosen."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Protocol, TypeVar


class Owned(Protocol):
    """A record that can be put away without being deleted."""

    @property
    def id(self) -> str:
        """Its id."""

    @property
    def archived(self) -> bool:
        """Whether it was put away."""


Record = TypeVar("Record", bound=Owned)


def offered(records: Iterable[Record], chosen: str | None = None) -> list[Record]:
    """What was not put away, and what is chosen all the same."""
    return [each for each in records if not each.archived or each.id == chosen]


def usual(records: Iterable[Record], chosen: str | None, plain: Record) -> Record:
    """The chosen one, else the first that is offered, else a plain one."""
    known = offered(records, chosen)
    return next((each for each in known if each.id == chosen), (*known, plain)[0])
