"""Pictures attached to exposures and film tests."""

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


def of_test(connection: Connection, test_id: str) -> list[Attachment]:
    """In the order they came."""
    return rows.many(connection, ATTACHMENT, "WHERE test_id = :id ORDER BY rowid", {"id": test_id})


def delete(connection: Connection, id_: str) -> None:
    """Take a picture off what it shows; its file stays, so that this can be undone."""
    rows.delete(connection, ATTACHMENT, id_)
