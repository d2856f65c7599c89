"""Holders and the sheets in them."""

from __future__ import annotations

from sqlite3 import Connection, Row

from emulsa.core.film.sheets import Holder, Sheet


def put_holder(connection: Connection, holder: Holder) -> None:
    connection.execute(
        """
        INSERT INTO holder (id, number, note) VALUES (:id, :number, :note)
        ON CONFLICT (id) DO UPDATE SET number = :number, note = :note
        """,
        {"id": holder.id, "number": holder.number, "note": holder.note},
    )


def delete_holder(connection: Connection, id_: str) -> None:
    connection.execute("DELETE FROM holder WHERE id = :id", {"id": id_})


def holders(connection: Connection) -> list[Holder]:
    rows = connection.execute("SELECT id, number, note FROM holder ORDER BY number").fetchall()
    return [Holder(**dict(row)) for row in rows]


def put_sheet(connection: Connection, sheet: Sheet) -> None:
    connection.execute(
        """
        INSERT INTO sheet (id, film_id, holder_id, side, state, loaded_at)
        VALUES (:id, :film_id, :holder_id, :side, :state, :loaded_at)
        ON CONFLICT (id) DO UPDATE SET state = :state
        """,
        {
            "id": sheet.id,
            "film_id": sheet.film_id,
            "holder_id": sheet.holder_id,
            "side": sheet.side,
            "state": sheet.state,
            "loaded_at": sheet.loaded_at,
        },
    )


def delete_sheet(connection: Connection, id_: str) -> None:
    connection.execute("DELETE FROM sheet WHERE id = :id", {"id": id_})


def sheets(connection: Connection) -> list[Sheet]:
    rows = connection.execute("SELECT * FROM sheet ORDER BY holder_id, side").fetchall()
    return [_sheet(row) for row in rows]


def sheet(connection: Connection, id_: str) -> Sheet | None:
    row = connection.execute("SELECT * FROM sheet WHERE id = :id", {"id": id_}).fetchone()
    return _sheet(row) if row else None


def in_side(connection: Connection, holder_id: str, side: str) -> Sheet | None:
    row = connection.execute(
        "SELECT * FROM sheet WHERE holder_id = :holder_id AND side = :side",
        {"holder_id": holder_id, "side": side},
    ).fetchone()
    return _sheet(row) if row else None


def _sheet(row: Row) -> Sheet:
    return Sheet(**dict(row))


def place(connection: Connection, sheet: Sheet) -> str:
    """Where a sheet is, as one says it: ``2B``."""
    number = connection.execute(
        "SELECT number FROM holder WHERE id = :id", {"id": sheet.holder_id}
    ).fetchone()["number"]
    return f"{number}{sheet.side}"
