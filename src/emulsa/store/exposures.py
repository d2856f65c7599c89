"""The log: what was given to each piece of film, with the plan as it was."""

from __future__ import annotations

import json
from collections import defaultdict
from collections.abc import Iterable
from sqlite3 import Connection

from emulsa.core.logged.record import Exposure, Shot
from emulsa.store import rows
from emulsa.store.records import EXPOSURE
from emulsa.store.rows import Table

# Without the sums they were made from: hundreds of sheets are looked at together.
SHOT = Table("exposure", Shot, "exposed_at, rowid")


def exposure(connection: Connection, id_: str) -> Exposure | None:
    found: Exposure | None = rows.one(connection, EXPOSURE, id_)
    return found


def of_scene(connection: Connection, scene_id: str) -> list[Exposure]:
    """A scene's exposures, latest first."""
    return rows.many(
        connection,
        EXPOSURE,
        "WHERE scene_id = :id ORDER BY exposed_at DESC, rowid DESC",
        {"id": scene_id},
    )


def of_piece(connection: Connection, piece_id: str) -> list[Exposure]:
    """The exposures a piece had, in their order, with their plans."""
    return rows.of_ids(connection, EXPOSURE, "piece_id", [piece_id])


def shots(connection: Connection, piece_ids: Iterable[str]) -> dict[str, list[Shot]]:
    """The exposures each of these pieces had, in their order: what its development goes by."""
    found: dict[str, list[Shot]] = defaultdict(list)
    for each in rows.of_ids(connection, SHOT, "piece_id", piece_ids):
        found[each.piece_id].append(each)
    return found


def bracket_pieces(connection: Connection, piece_id: str) -> list[str]:
    """The pieces of the bracket a piece is a frame of, itself too; none when it is of none."""
    found = connection.execute(
        """
        SELECT DISTINCT other.piece_id FROM exposure
        JOIN exposure AS other ON other.bracket_id = exposure.bracket_id
        WHERE exposure.piece_id = :piece_id
        """,
        {"piece_id": piece_id},
    )
    return [row["piece_id"] for row in found]


def places(connection: Connection, ids: Iterable[str]) -> dict[str, str]:
    """Where each of these exposures was made (``2B``), by exposure."""
    found = connection.execute(
        """
        SELECT exposure.id, piece.label FROM exposure JOIN piece ON piece.id = exposure.piece_id
        WHERE exposure.id IN (SELECT value FROM json_each(:ids))
        """,
        {"ids": json.dumps(list(ids))},
    )
    return {row["id"]: row["label"] for row in found}
