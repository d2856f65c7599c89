"""Pictures attached to exposures, film tests and scenes."""

from __future__ import annotations

from sqlite3 import Connection

from emulsa.core.logged.attachment import Attachment
from emulsa.store import rows
from emulsa.store.records import ATTACHMENT


def attachment(connection: Connection, id_: str) -> Attachment | None:
    return rows.one(connection, ATTACHMENT, id_)


def of_exposure(connection: Connection, exposure_id: str) -> list[Attachment]:
    """In the order they came."""
    return rows.many(
        connection, ATTACHMENT, "WHERE exposure_id = :id ORDER BY rowid", {"id": exposure_id}
    )


# the first picture of each exposure, in the order of their time
FIRST = """
    WHERE attachment.rowid IN (
        SELECT min(a.rowid) FROM attachment AS a JOIN exposure ON exposure.id = a.exposure_id
        WHERE {which} GROUP BY exposure.id
    )
    ORDER BY (SELECT exposed_at FROM exposure WHERE id = exposure_id), rowid
    LIMIT 12
"""


def first_of_bracket(connection: Connection, bracket_id: str | None) -> list[Attachment]:
    """Of each frame that has one; none without a bracket."""
    return _first(connection, "exposure.bracket_id = :id", bracket_id)


def first_of_scene(connection: Connection, scene_id: str) -> list[Attachment]:
    """Of each exposure of the scene that has one."""
    return _first(connection, "exposure.scene_id = :id", scene_id)


def first_of_roll(connection: Connection, roll_id: str | None) -> list[Attachment]:
    """Of each frame of a roll that has one; none without a roll."""
    which = "exposure.piece_id IN (SELECT id FROM piece WHERE roll_id = :id)"
    return _first(connection, which, roll_id)


def _first(connection: Connection, which: str, id_: str | None) -> list[Attachment]:
    if id_ is None:
        return []
    return rows.many(connection, ATTACHMENT, FIRST.format(which=which), {"id": id_})


def of_test(connection: Connection, test_id: str) -> list[Attachment]:
    """In the order they came."""
    return rows.many(connection, ATTACHMENT, "WHERE test_id = :id ORDER BY rowid", {"id": test_id})


def of_scene(connection: Connection, scene_id: str) -> Attachment | None:
    """The picture a scene is metered by, if it has one."""
    found = rows.many(
        connection, ATTACHMENT, "WHERE scene_id = :id ORDER BY rowid LIMIT 1", {"id": scene_id}
    )
    return found[0] if found else None


def delete(connection: Connection, id_: str) -> None:
    """Take a picture off what it shows; its file stays, so that this can be undone."""
    rows.delete(connection, ATTACHMENT, id_)
