"""Pictures attached to exposures: their records. The files lie beside the database."""

from __future__ import annotations

from dataclasses import dataclass
from sqlite3 import Connection, Row


@dataclass(frozen=True)
class Attachment:
    """A picture: its name as it came, what it is, and the digest its file is named by."""

    id: str
    exposure_id: str
    name: str
    media_type: str
    bytes: int
    width: int
    height: int
    digest: str
    added_at: str
    note: str = ""


def put(connection: Connection, attachment: Attachment) -> None:
    connection.execute(
        """
        INSERT INTO attachment (
            id, exposure_id, name, media_type, bytes, width, height, digest, added_at, note
        ) VALUES (
            :id, :exposure_id, :name, :media_type, :bytes, :width, :height, :digest, :added_at,
            :note
        )
        ON CONFLICT (id) DO UPDATE SET note = :note
        """,
        vars(attachment),
    )


def attachment(connection: Connection, id_: str) -> Attachment | None:
    row = connection.execute("SELECT * FROM attachment WHERE id = :id", {"id": id_}).fetchone()
    return _attachment(row) if row else None


def of_exposure(connection: Connection, exposure_id: str) -> list[Attachment]:
    rows = connection.execute(
        "SELECT * FROM attachment WHERE exposure_id = :id ORDER BY rowid", {"id": exposure_id}
    ).fetchall()
    return [_attachment(row) for row in rows]


def delete(connection: Connection, id_: str) -> None:
    """Take a picture off its exposure; its file stays, so that this can be undone."""
    connection.execute("DELETE FROM attachment WHERE id = :id", {"id": id_})


def _attachment(row: Row) -> Attachment:
    return Attachment(**dict(row))
