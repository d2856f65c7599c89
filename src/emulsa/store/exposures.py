"""The log: what was given to each piece of film, with the plan as it was."""

from __future__ import annotations

import json
from collections import defaultdict
from collections.abc import Iterable
from dataclasses import replace
from sqlite3 import Connection
from typing import Any

from emulsa.core import wire
from emulsa.core.bench.brackets import BracketFrame, LoggedBracket, bracket_says
from emulsa.core.corrections.reciprocity import Law
from emulsa.core.logged.record import Exposure, Shot
from emulsa.core.logged.slip import KeptTones
from emulsa.store import rows
from emulsa.store.records import EXPOSURE
from emulsa.store.rows import Table

# Without the sums they were made from: hundreds of sheets are looked at together.
SHOT = Table("exposure", Shot, "exposed_at, rowid", without=("law",))


def exposure(connection: Connection, id_: str) -> Exposure | None:
    return rows.one(connection, EXPOSURE, id_)


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
    of_pieces = rows.of_ids(connection, SHOT, "piece_id", piece_ids)
    laws = _laws(connection, [each.id for each in of_pieces if each.share < 1])
    for each in of_pieces:
        shot = replace(each, law=laws[each.id]) if each.id in laws else each
        found[each.piece_id].append(shot)
    return found


def _laws(connection: Connection, ids: list[str]) -> dict[str, Law]:
    """The reciprocity law by which openings of one scene add up, by exposure."""
    if not ids:
        return {}
    found = connection.execute(
        """
        SELECT id, json_extract(request, '$.law') AS law FROM exposure
        WHERE share_of = 'one_scene' AND id IN (SELECT value FROM json_each(:ids))
        """,
        {"ids": json.dumps(ids)},
    )
    return {row["id"]: wire.decode(Law, json.loads(row["law"])) for row in found if row["law"]}


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


def brackets_of_film(connection: Connection, film_id: str) -> list[LoggedBracket]:
    """The brackets on a film, the latest first."""
    found = connection.execute(
        """
        SELECT exposure.bracket_id AS id, json_group_array(exposure.bracket_stops) AS stops,
            scene.title, min(exposure.exposed_at) AS at,
            CASE WHEN count(DISTINCT run.id) = 1 THEN min(run.minutes) END AS minutes
        FROM exposure
        JOIN piece ON piece.id = exposure.piece_id
        JOIN scene ON scene.id = exposure.scene_id
        LEFT JOIN run ON run.id = piece.run_id
        WHERE piece.film_id = :film_id AND exposure.bracket_id IS NOT NULL
        GROUP BY exposure.bracket_id HAVING count(*) > 1
        ORDER BY at DESC LIMIT 40
        """,
        {"film_id": film_id},
    )
    return [
        LoggedBracket(
            id=row["id"],
            says=bracket_says(json.loads(row["stops"]), row["title"], row["at"][:10]),
            minutes=row["minutes"],
        )
        for row in found
    ]


def bracket_as_steps(connection: Connection, bracket_id: str, film_id: str) -> list[BracketFrame]:
    """The frames of a bracket on a film as steps of an exposure scale."""
    found = connection.execute(
        """
        SELECT piece_id, bracket_stops, exposure_index, piece.run_id,
            coalesce(json_extract(request, '$.placement.zone'), 5) AS zone
        FROM exposure JOIN piece ON piece.id = exposure.piece_id
        WHERE bracket_id = :bracket_id AND piece.film_id = :film_id
        """,
        {"bracket_id": bracket_id, "film_id": film_id},
    )
    return [
        BracketFrame(
            piece_id=row["piece_id"],
            stops=row["bracket_stops"],
            zone=row["zone"],
            ei=row["exposure_index"] or 100.0,
            run_id=row["run_id"],
        )
        for row in found
    ]


def bracket_frames(connection: Connection, bracket_id: str) -> dict[str, float]:
    """The pieces of a bracket with their places in it, in stops."""
    found = connection.execute(
        "SELECT piece_id, bracket_stops FROM exposure WHERE bracket_id = :bracket_id",
        {"bracket_id": bracket_id},
    )
    return {row["piece_id"]: row["bracket_stops"] for row in found}


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


def tones(connection: Connection, ids: Iterable[str]) -> dict[str, KeptTones]:
    """Where the readings of the day fell on each of these exposures, as their plans were kept."""
    found = connection.execute(
        """
        SELECT
            id, n, film_kind,
            coalesce(json_extract(request, '$.readings'), '[]') AS readings,
            coalesce(json_extract(answer, '$.falls'), '[]') AS falls,
            coalesce(json_extract(request, '$.placement'), '{}') AS placement,
            coalesce(json_extract(request, '$.high'), '{}') AS high,
            coalesce(json_extract(request, '$.textural_range'), '[]') AS textural_range,
            coalesce(json_extract(request, '$.own_film'), 'null') AS own_film,
            coalesce(json_extract(request, '$.ei'), 'null') AS ei
        FROM exposure WHERE id IN (SELECT value FROM json_each(:ids))
        """,
        {"ids": json.dumps(list(ids))},
    )
    return {row["id"]: _tones(dict(row)) for row in found}


def _tones(row: dict[str, Any]) -> KeptTones:
    kept = {
        name: value for name, value in row.items() if name not in ("id", "n", "ei", "film_kind")
    }
    read = {name: json.loads(value) for name, value in kept.items()}
    ei = None if row["ei"] == "null" else row["ei"]
    return KeptTones(n=row["n"], ei=ei, film_kind=row["film_kind"], **read)
