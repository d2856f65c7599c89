"""Holders, and the sheet sizes of one's own."""

from __future__ import annotations

from sqlite3 import Connection

from emulsa.core import wire
from emulsa.core.errors import Impossible
from emulsa.core.film.formats import SheetFormat
from emulsa.core.film.holders import Fault, Holder


def put_holder(connection: Connection, holder: Holder) -> None:
    connection.execute(
        """
        INSERT INTO holder (id, number, format, faults, retired, note)
        VALUES (:id, :number, :format, :faults, :retired, :note)
        ON CONFLICT (id) DO UPDATE SET
            number = :number, format = :format, faults = :faults, retired = :retired, note = :note
        """,
        {
            "id": holder.id,
            "number": holder.number,
            "format": holder.format,
            "faults": wire.dumps(holder.faults),
            "retired": int(holder.retired),
            "note": holder.note,
        },
    )


def delete_holder(connection: Connection, id_: str) -> None:
    """Delete a holder that never held an exposed sheet; Impossible otherwise: it is retired."""
    if connection.execute("SELECT 1 FROM piece WHERE holder_id = :id", {"id": id_}).fetchone():
        raise Impossible(
            "Film was exposed in this holder; retire it, so that the log stays whole.", field="id"
        )
    connection.execute("DELETE FROM holder WHERE id = :id", {"id": id_})


def holders(connection: Connection) -> list[Holder]:
    """By number, retired ones too."""
    rows = connection.execute(
        "SELECT id, number, format, faults, retired, note FROM holder ORDER BY number"
    ).fetchall()
    return [
        Holder(
            **{
                **dict(row),
                "faults": wire.loads(tuple[Fault, ...], row["faults"]),
                "retired": bool(row["retired"]),
            }
        )
        for row in rows
    ]


def put_format(connection: Connection, format_: SheetFormat) -> None:
    connection.execute(
        """
        INSERT INTO sheet_format (id, name, width_mm, height_mm, note, archived)
        VALUES (:id, :name, :width_mm, :height_mm, :note, :archived)
        ON CONFLICT (id) DO UPDATE SET
            name = :name, width_mm = :width_mm, height_mm = :height_mm, note = :note,
            archived = :archived
        """,
        {
            "id": format_.id,
            "name": format_.name,
            "width_mm": format_.size_mm[0],
            "height_mm": format_.size_mm[1],
            "note": format_.note,
            "archived": int(format_.archived),
        },
    )


def formats(connection: Connection) -> list[SheetFormat]:
    rows = connection.execute("SELECT * FROM sheet_format ORDER BY name").fetchall()
    return [
        SheetFormat(
            id=row["id"],
            name=row["name"],
            size_mm=(row["width_mm"], row["height_mm"]),
            note=row["note"],
            archived=bool(row["archived"]),
        )
        for row in rows
    ]
