"""Tanks, lines of baths, bottles, and what is mixed from powder."""

from __future__ import annotations

from sqlite3 import Connection

from emulsa.core import wire
from emulsa.core.chemistry.powder import Powder, PowderPart
from emulsa.core.kit.darkroom import Bath, Bottle, Line, Tank


def put_tank(connection: Connection, tank: Tank) -> None:
    connection.execute(
        """
        INSERT INTO tank (
            id, name, holds, volume_ml, many, agitation, pour_s, drain_s, note, archived
        ) VALUES (
            :id, :name, :holds, :volume_ml, :many, :agitation, :pour_s, :drain_s, :note, :archived
        )
        ON CONFLICT (id) DO UPDATE SET
            name = :name, holds = :holds, volume_ml = :volume_ml, many = :many,
            agitation = :agitation, pour_s = :pour_s, drain_s = :drain_s, note = :note,
            archived = :archived
        """,
        {
            "id": tank.id,
            "name": tank.name,
            "holds": tank.holds,
            "volume_ml": tank.volume_ml,
            "many": tank.many,
            "agitation": tank.agitation,
            "pour_s": tank.pour_s,
            "drain_s": tank.drain_s,
            "note": tank.note,
            "archived": int(tank.archived),
        },
    )


def put_line(connection: Connection, line: Line) -> None:
    connection.execute(
        """
        INSERT INTO line (id, name, baths, note, archived)
        VALUES (:id, :name, :baths, :note, :archived)
        ON CONFLICT (id) DO UPDATE SET
            name = :name, baths = :baths, note = :note, archived = :archived
        """,
        {
            "id": line.id,
            "name": line.name,
            "baths": wire.dumps(line.baths),
            "note": line.note,
            "archived": int(line.archived),
        },
    )


def put_bottle(connection: Connection, bottle: Bottle) -> None:
    connection.execute(
        """
        INSERT INTO bottle (
            id, name, kind, mixed, opened, shelf_days, capacity_rolls, used_rolls,
            fresh_clearing_s, clearing_s, age_change, note, archived
        ) VALUES (
            :id, :name, :kind, :mixed, :opened, :shelf_days, :capacity_rolls, :used_rolls,
            :fresh_clearing_s, :clearing_s, :age_change, :note, :archived
        )
        ON CONFLICT (id) DO UPDATE SET
            name = :name, kind = :kind, mixed = :mixed, opened = :opened,
            shelf_days = :shelf_days, capacity_rolls = :capacity_rolls, used_rolls = :used_rolls,
            fresh_clearing_s = :fresh_clearing_s, clearing_s = :clearing_s,
            age_change = :age_change, note = :note, archived = :archived
        """,
        {
            "id": bottle.id,
            "name": bottle.name,
            "kind": bottle.kind,
            "mixed": bottle.mixed,
            "opened": bottle.opened,
            "shelf_days": bottle.shelf_days,
            "capacity_rolls": bottle.capacity_rolls,
            "used_rolls": bottle.used_rolls,
            "fresh_clearing_s": bottle.fresh_clearing_s,
            "clearing_s": bottle.clearing_s,
            "age_change": bottle.age_change,
            "note": bottle.note,
            "archived": int(bottle.archived),
        },
    )


def put_powder(connection: Connection, powder: Powder) -> None:
    connection.execute(
        """
        INSERT INTO powder (
            id, name, kind, volume_ml, start_ml, start_c, parts, note, archived
        ) VALUES (
            :id, :name, :kind, :volume_ml, :start_ml, :start_c, :parts, :note, :archived
        )
        ON CONFLICT (id) DO UPDATE SET
            name = :name, kind = :kind, volume_ml = :volume_ml, start_ml = :start_ml,
            start_c = :start_c, parts = :parts, note = :note, archived = :archived
        """,
        {
            "id": powder.id,
            "name": powder.name,
            "kind": powder.kind,
            "volume_ml": powder.volume_ml,
            "start_ml": powder.start_ml,
            "start_c": powder.start_c,
            "parts": wire.dumps(powder.parts),
            "note": powder.note,
            "archived": int(powder.archived),
        },
    )


def tanks(connection: Connection) -> list[Tank]:
    rows = connection.execute("SELECT * FROM tank ORDER BY name").fetchall()
    return [Tank(**{**dict(row), "archived": bool(row["archived"])}) for row in rows]


def lines(connection: Connection) -> list[Line]:
    rows = connection.execute("SELECT * FROM line ORDER BY name").fetchall()
    return [
        Line(
            id=row["id"],
            name=row["name"],
            baths=wire.loads(tuple[Bath, ...], row["baths"]),
            note=row["note"],
            archived=bool(row["archived"]),
        )
        for row in rows
    ]


def bottles(connection: Connection) -> list[Bottle]:
    rows = connection.execute("SELECT * FROM bottle ORDER BY kind, name").fetchall()
    return [Bottle(**{**dict(row), "archived": bool(row["archived"])}) for row in rows]


def powders(connection: Connection) -> list[Powder]:
    rows = connection.execute("SELECT * FROM powder ORDER BY name").fetchall()
    return [
        Powder(
            **{
                **dict(row),
                "parts": wire.loads(tuple[PowderPart, ...], row["parts"]),
                "archived": bool(row["archived"]),
            }
        )
        for row in rows
    ]


def tank(connection: Connection, id_: str | None) -> Tank | None:
    return next((each for each in tanks(connection) if each.id == id_), None)


def line(connection: Connection, id_: str | None) -> Line | None:
    return next((each for each in lines(connection) if each.id == id_), None)


def bottle(connection: Connection, id_: str | None) -> Bottle | None:
    return next((each for each in bottles(connection) if each.id == id_), None)


def powder(connection: Connection, id_: str) -> Powder | None:
    return next((each for each in powders(connection) if each.id == id_), None)
