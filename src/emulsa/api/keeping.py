"""Keeping a record: its id fits its address, and no other hand has changed it meanwhile."""

from __future__ import annotations

from typing import Any

from emulsa.api.refusals import Conflict
from emulsa.core import wire
from emulsa.core.errors import CoreError, Unsound
from emulsa.core.versions import version_of

NEW = ""  # the version a record is made on that is not there yet


def why_not(record: object) -> str:
    """Why a record could not be kept as it would be, before it is tried; nothing when it could."""
    try:
        wire.decode(type(record), wire.encode(record))
    except CoreError as problem:
        return problem.message
    return ""


def own_id(id_: str, record: Any) -> None:
    """Unsound when the address names another record than the body."""
    if record.id != id_:
        raise Unsound("The id in the address and the id in the record differ.", field="id")


def unchanged(what: str, stored: object | None, wanted: object, base: str) -> None:
    """Conflict, with what is kept now, when the record is no longer the one the change began on.

    ``base`` is the version the change was made on, empty for a new record. Wanting what is stored
    already is no conflict: a write handed in twice is one write.
    """
    if stored == wanted:
        return
    version = NEW if stored is None else version_of(stored)
    if version == base:
        return
    done = "deleted" if stored is None else "changed"
    raise Conflict(
        f"{what} was {done} elsewhere meanwhile; nothing was overwritten. Save yours, or use the"
        " saved version.",
        stored,
        version,
    )
