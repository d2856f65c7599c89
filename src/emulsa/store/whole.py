"""The whole store, read row by row for export, and what an import must know of it."""

from __future__ import annotations

from collections.abc import Iterator
from sqlite3 import Connection, IntegrityError
from typing import Any

from emulsa.store.journal import JOURNALED

# Parents before children, so that rows can be brought in as they are read.
TABLES = tuple(JOURNALED)
KEYS = {"reading": ("scene_id", "id"), "scene_filter": ("scene_id", "position")}


def exposure_rows(connection: Connection) -> Iterator[dict[str, Any]]:
    """Every exposure as one flat row with names in place of ids, oldest first."""
    rows = connection.execute(
        """
        SELECT
            exposure.id, exposure.exposed_at, outing.title AS outing, outing.place,
            scene.title AS scene, film.name AS film, exposure.exposure_index AS ei,
            exposure.rating_reason,
            piece.label AS "where", lens.name AS lens, pinhole.name AS pinhole,
            coalesce((
                SELECT group_concat(filter.name, ';') FROM json_each(exposure.filter_ids) AS named
                JOIN filter ON filter.id = named.value
            ), '') AS filters,
            exposure.aperture, exposure.seconds AS time_s, exposure.n, exposure.error_stops,
            exposure.development_change, exposure.share, exposure.share_of,
            exposure.bracket_id AS bracket,
            iif(exposure.bracket_id IS NULL, NULL, exposure.bracket_stops) AS bracket_stops,
            CASE piece.state WHEN 'in_run' THEN 'exposed' ELSE piece.state END AS state,
            exposure.cost, exposure.note,
            json_extract(exposure.request, '$.readings') AS kept_readings,
            json_extract(exposure.answer, '$.falls') AS kept_falls,
            round(run.minutes, 3) AS minutes, judgement.shadow, judgement.highlight
        FROM exposure
        JOIN piece ON piece.id = exposure.piece_id
        JOIN film ON film.id = piece.film_id
        JOIN scene ON scene.id = exposure.scene_id
        JOIN outing ON outing.id = scene.outing_id
        LEFT JOIN lens ON lens.id = exposure.lens_id
        LEFT JOIN pinhole ON pinhole.id = exposure.pinhole_id
        LEFT JOIN run ON run.id = piece.run_id
        LEFT JOIN judgement ON judgement.id = piece.id
        ORDER BY exposure.exposed_at, exposure.rowid
        """
    )
    for row in rows:
        yield dict(row)


def ids(connection: Connection, table: str) -> set[str]:
    """The ids of a table's records."""
    return {row["id"] for row in connection.execute(f"SELECT id FROM {_known(table)}")}


def outing_keys(connection: Connection) -> dict[tuple[str, str], str]:
    """Outings by title and day, as a CSV names them."""
    rows = connection.execute("SELECT id, title, day FROM outing ORDER BY rowid DESC")
    return {(row["title"], row["day"]): row["id"] for row in rows}


def scene_keys(connection: Connection) -> dict[tuple[str, str], str]:
    """Scenes by outing and title, as a CSV names them."""
    rows = connection.execute("SELECT id, outing_id, title FROM scene ORDER BY rowid DESC")
    return {(row["outing_id"], row["title"]): row["id"] for row in rows}


def count(connection: Connection, table: str) -> int:
    return int(connection.execute(f"SELECT count(*) FROM {_known(table)}").fetchone()[0])


def rows(connection: Connection, table: str) -> Iterator[dict[str, Any]]:
    """Every row of a table, in the order of its making, without what is worked out from it."""
    names = ", ".join(f'"{each}"' for each in columns(connection, table))
    for row in connection.execute(f"SELECT {names} FROM {table} ORDER BY rowid"):
        yield dict(row)


def columns(connection: Connection, table: str) -> dict[str, bool]:
    """A table's columns, and whether each of them may be left out."""
    return {
        row["name"]: bool(not row["notnull"] or row["dflt_value"] is not None)
        for row in connection.execute(f"PRAGMA table_info({_known(table)})")
    }


def keys(table: str) -> tuple[str, ...]:
    """The columns a row of a table is known by."""
    return KEYS.get(table, ("one",) if table == "preference" else ("id",))


def add(connection: Connection, table: str, row: dict[str, Any]) -> bool:
    """Add a row unless one of its identity is there; whether it was added.

    Raises IntegrityError, as SQLite does, for a row that contradicts the others.
    """
    names = ", ".join(row)
    slots = ", ".join(f":{name}" for name in row)
    where = " AND ".join(f"{key} = :{key}" for key in keys(table))
    found = connection.execute(f"SELECT 1 FROM {_known(table)} WHERE {where}", row).fetchone()
    if found:
        return False
    connection.execute(f"INSERT INTO {table} ({names}) VALUES ({slots})", row)
    return True


def known(connection: Connection, table: str, id_: str) -> bool:
    """Whether a row of this id is there."""
    found = connection.execute(f"SELECT 1 FROM {_known(table)} WHERE id = :id", {"id": id_})
    return found.fetchone() is not None


def side_taken(connection: Connection, piece: dict[str, Any]) -> bool:
    """Whether another sheet lies in the side this piece says it lies in."""
    if not piece.get("in_place") or piece.get("holder_id") is None:
        return False
    found = connection.execute(
        """
        SELECT 1 FROM piece
        WHERE in_place = 1 AND holder_id = :holder_id AND side = :side AND id <> :id
        """,
        piece,
    ).fetchone()
    return found is not None


def _known(table: str) -> str:
    assert table in TABLES, table
    return table


__all__ = ["TABLES", "IntegrityError"]
