"""Keeping a record: its id fits its address, and no other hand has changed it meanwhile."""

from __future__ import annotations

from typing import Any

from emulsa.api.errors import Conflict
from emulsa.api.versions import version_of
from emulsa.core.errors import Unsound


def own_id(id_: str, record: Any) -> None:
    """Unsound when the address names another record than the body."""
    if record.id != id_:
        raise Unsound("The id in the address and the id in the record differ.", field="id")


def unchanged(what: str, stored: object | None, wanted: object, base: str | None) -> None:
    """Conflict, with what is kept now, when the record is no longer the one the change began on.

    ``base`` is the version the change was made on; without it the last hand wins. Wanting what is
    stored already is no conflict: a write handed in twice is one write.
    """
    if base is None or stored is None or stored == wanted:
        return
    version = version_of(stored)
    if version != base:
        raise Conflict(
            f"{what} was changed elsewhere meanwhile; nothing was overwritten."
            " Keep yours, or take what is kept now.",
            stored,
            version,
        )
