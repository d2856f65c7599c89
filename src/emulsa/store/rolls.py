"""Rolls and their strips; the frames are pieces."""

from __future__ import annotations

from sqlite3 import Connection, Row

from emulsa.core.film.rolls import Roll, Strip


def put(connection: Connection, roll: Roll) -> None:
    connection.execute(
        """
        INSERT INTO roll (
            id, number, film_id, stock_id, format, frames, camera_id, back, exposure_index, place,
            advanced, next_frame, loaded_at, note
        ) VALUES (
            :id, :number, :film_id, :stock_id, :format, :frames, :camera_id, :back,
            :exposure_index, :place, :advanced, :next_frame, :loaded_at, :note
        )
        ON CONFLICT (id) DO UPDATE SET
            camera_id = :camera_id, back = :back, exposure_index = :exposure_index,
            place = :place, advanced = :advanced, next_frame = :next_frame, note = :note
        """,
        {
            "id": roll.id,
            "number": roll.number,
            "film_id": roll.film_id,
            "stock_id": roll.stock_id,
            "format": roll.format,
            "frames": roll.frames,
            "camera_id": roll.camera_id,
            "back": roll.back,
            "exposure_index": roll.exposure_index,
            "place": roll.place,
            "advanced": int(roll.advanced),
            "next_frame": roll.next_frame,
            "loaded_at": roll.loaded_at,
            "note": roll.note,
        },
    )


def rolls(connection: Connection) -> list[Roll]:
    """Latest first."""
    rows = connection.execute("SELECT * FROM roll ORDER BY number DESC").fetchall()
    return [_roll(row) for row in rows]


def roll(connection: Connection, id_: str) -> Roll | None:
    row = connection.execute("SELECT * FROM roll WHERE id = :id", {"id": id_}).fetchone()
    return _roll(row) if row else None


def next_number(connection: Connection) -> int:
    row = connection.execute("SELECT coalesce(max(number), 0) + 1 AS next FROM roll").fetchone()
    return int(row["next"])


def delete(connection: Connection, id_: str) -> None:
    """Forget a roll whose frames are all gone."""
    connection.execute("DELETE FROM strip WHERE roll_id = :id", {"id": id_})
    connection.execute("DELETE FROM roll WHERE id = :id", {"id": id_})


def put_strips(connection: Connection, roll_id: str, strips: list[Strip]) -> None:
    """A roll's strips, in place of those it had; one that stays is left as it is."""
    kept = {each.id for each in strips}
    for old in connection.execute("SELECT id FROM strip WHERE roll_id = :id", {"id": roll_id}):
        if old["id"] not in kept:
            connection.execute("DELETE FROM strip WHERE id = :id", {"id": old["id"]})
    for strip in strips:
        put_strip(connection, strip)


def put_strip(connection: Connection, strip: Strip) -> None:
    connection.execute(
        """
        INSERT INTO strip (id, roll_id, first_frame, last_frame, n, recipe_id)
        VALUES (:id, :roll_id, :first_frame, :last_frame, :n, :recipe_id)
        ON CONFLICT (id) DO UPDATE SET n = :n, recipe_id = :recipe_id
        """,
        {
            "id": strip.id,
            "roll_id": strip.roll_id,
            "first_frame": strip.first_frame,
            "last_frame": strip.last_frame,
            "n": strip.n,
            "recipe_id": strip.recipe_id,
        },
    )


def strips(connection: Connection) -> dict[str, list[Strip]]:
    """Every roll's strips in their order."""
    found: dict[str, list[Strip]] = {}
    for row in connection.execute("SELECT * FROM strip ORDER BY roll_id, first_frame"):
        found.setdefault(row["roll_id"], []).append(Strip(**dict(row)))
    return found


def strip(connection: Connection, id_: str) -> Strip | None:
    row = connection.execute("SELECT * FROM strip WHERE id = :id", {"id": id_}).fetchone()
    return Strip(**dict(row)) if row else None


def _roll(row: Row) -> Roll:
    return Roll(**{**dict(row), "advanced": bool(row["advanced"])})
