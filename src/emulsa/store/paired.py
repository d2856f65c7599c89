"""The devices that may speak to the service over a network, by the digest of their token."""

from __future__ import annotations

from dataclasses import dataclass
from sqlite3 import Connection

from emulsa.store.transactions import transaction


@dataclass(frozen=True)
class Device:
    """A paired device: how it is called, since when, and when it was last here."""

    id: str
    name: str
    digest: str
    paired_at: str
    seen_at: str


def devices(connection: Connection) -> list[Device]:
    rows = connection.execute(
        "SELECT id, name, digest, paired_at, seen_at FROM device ORDER BY paired_at, rowid"
    )
    return [Device(**dict(row)) for row in rows]


def knows(connection: Connection, digest: str) -> bool:
    """Whether a device has a token of this digest."""
    found = connection.execute("SELECT 1 FROM device WHERE digest = :digest", {"digest": digest})
    return found.fetchone() is not None


def add(connection: Connection, device: Device) -> None:
    with transaction(connection):
        connection.execute(
            """
            INSERT INTO device (id, name, digest, paired_at, seen_at)
            VALUES (:id, :name, :digest, :paired_at, :seen_at)
            """,
            {name: getattr(device, name) for name in Device.__dataclass_fields__},
        )


def seen(connection: Connection, digest: str, moment: str) -> None:
    with transaction(connection):
        connection.execute(
            "UPDATE device SET seen_at = :moment WHERE digest = :digest",
            {"digest": digest, "moment": moment},
        )


def remove(connection: Connection, id_: str) -> None:
    with transaction(connection):
        connection.execute("DELETE FROM device WHERE id = :id", {"id": id_})
