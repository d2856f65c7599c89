"""The kit: every kind of record one owns, and what still uses one of them."""

from __future__ import annotations

from sqlite3 import Connection
from typing import Any

from emulsa.core.errors import Impossible
from emulsa.core.kit.bag import Camera, KitFilter, KitLens, KitPinhole, Meter, in_front
from emulsa.core.kit.printing import Enlarger, PrintingPaper
from emulsa.core.line.carry_out import KitNames
from emulsa.store import rows
from emulsa.store.records import (
    CAMERA,
    ENLARGER,
    FILM,
    FILTER,
    KINDS,
    LENS,
    METER,
    PAPER,
    PINHOLE,
)
from emulsa.store.rows import Table

# References that are no foreign keys, because they stand within a column: where, and how read.
WITHIN: dict[str, tuple[tuple[str, str], ...]] = {
    "recipe": (("piece", "json_extract(piece.choice, '$.recipe_id')"),),
    "filter": (("exposure, json_each(exposure.filter_ids) AS named", "named.value"),),
    "sheet_format": (("holder", "format"), ("stock", "format"), ("roll", "format")),
    "printing_paper": (
        ("print", "json_extract(print.plan, '$.paper_id')"),
        ("print_try", "json_extract(print_try.plan, '$.paper_id')"),
    ),
    "enlarger": (
        ("print", "json_extract(print.plan, '$.enlarger_id')"),
        ("print_try", "json_extract(print_try.plan, '$.enlarger_id')"),
    ),
    "bottle": (("run, json_each(run.bottle_ids) AS named", "named.value"),),
}

CALLED = {  # what a table's rows are called, where it is not the table's own name
    "stock": "a box of film",
    "piece": "film in hand",
    "scene_filter": "a scene",
    "exposure": "an exposure",
    "outing": "an outing",
    "print_try": "a print",
}


def everything(connection: Connection) -> dict[str, list[Any]]:
    """Every list of the kit, each in its own order."""
    return {plural: rows.many(connection, table) for plural, table in KINDS.items()}


def names(connection: Connection) -> KitNames:
    """The kit a typed line may name."""
    return KitNames(
        films=tuple(rows.many(connection, FILM)),
        lenses=tuple(rows.many(connection, LENS)),
        pinholes=tuple(rows.many(connection, PINHOLE)),
        filters=tuple(rows.many(connection, FILTER)),
    )


def camera(connection: Connection, id_: str | None) -> Camera | None:
    return rows.one(connection, CAMERA, id_)


def lens(connection: Connection, id_: str | None) -> KitLens | None:
    """A lens as it works in front of its camera; as it is kept it is read with the whole kit."""
    found = rows.one(connection, LENS, id_)
    return in_front(found, camera(connection, found.camera_id)) if found else None


def pinhole(connection: Connection, id_: str | None) -> KitPinhole | None:
    return rows.one(connection, PINHOLE, id_)


def filter_(connection: Connection, id_: str | None) -> KitFilter | None:
    return rows.one(connection, FILTER, id_)


def filters(connection: Connection) -> list[KitFilter]:
    return rows.many(connection, FILTER)


def meter(connection: Connection, id_: str | None) -> Meter | None:
    return rows.one(connection, METER, id_)


def delete(connection: Connection, table: Table[Any], id_: str) -> None:
    """Delete a record nobody uses; Impossible, saying by what it is used, otherwise."""
    for user, column in references(connection, table.name):
        found = connection.execute(
            f"SELECT 1 FROM {user} WHERE {column} = :id LIMIT 1", {"id": id_}
        ).fetchone()
        if found:
            by = user.split(",")[0]
            raise Impossible(
                f"This {table.name.replace('_', ' ')} is still used by"
                f" {CALLED.get(by, f'a {by}')}; archive it, or change that first.",
                field="id",
            )
    rows.delete(connection, table, id_)


def references(connection: Connection, name: str) -> list[tuple[str, str]]:
    """Where a table's rows are named: by the schema's own foreign keys, and within columns."""
    found = connection.execute(
        """
        SELECT owner.name AS user, reference."from" AS column
        FROM sqlite_master AS owner, pragma_foreign_key_list(owner.name) AS reference
        WHERE owner.type = 'table' AND reference."table" = :name
        """,
        {"name": name},
    )
    return [*((row["user"], row["column"]) for row in found), *WITHIN.get(name, ())]


def paper(connection: Connection, id_: str | None) -> PrintingPaper | None:
    return rows.one(connection, PAPER, id_)


def enlarger(connection: Connection, id_: str | None) -> Enlarger | None:
    return rows.one(connection, ENLARGER, id_)
