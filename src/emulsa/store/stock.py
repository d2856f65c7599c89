"""Stock: boxes and rolls bought, and how many of each were taken."""

from __future__ import annotations

from sqlite3 import Connection

from emulsa.core.errors import Impossible
from emulsa.core.film.acts.loading import Box
from emulsa.core.film.stock import Stock, cost_each
from emulsa.store import rows
from emulsa.store.records import STOCK


def everything(connection: Connection) -> list[Stock]:
    """Every box, the ones that expire first at the top of their film."""
    return rows.many(
        connection,
        STOCK,
        """
        JOIN film ON film.id = stock.film_id
        ORDER BY stock.archived, film.name, stock.expires = '', stock.expires, stock.rowid
        """,
    )


def stock(connection: Connection, id_: str | None) -> Stock | None:
    return rows.one(connection, STOCK, id_)


def box(connection: Connection, id_: str | None) -> Box | None:
    """A box with how much of it was taken already."""
    found = stock(connection, id_)
    return Box(stock=found, taken=taken(connection).get(found.id, 0)) if found else None


def delete(connection: Connection, id_: str) -> None:
    """Delete a box nothing was taken from; Impossible otherwise: it is archived."""
    if taken(connection).get(id_):
        raise Impossible(
            "Film from this box was loaded; archive it, so that the log stays whole.", field="id"
        )
    rows.delete(connection, STOCK, id_)


def taken(connection: Connection) -> dict[str, int]:
    """How many sheets or rolls of each box were loaded and not put back."""
    found = connection.execute(
        """
        SELECT stock_id, count(*) AS taken FROM (
            SELECT stock_id FROM piece WHERE roll_id IS NULL AND stock_id IS NOT NULL
            UNION ALL
            SELECT stock_id FROM roll WHERE stock_id IS NOT NULL
        ) GROUP BY stock_id
        """
    )
    return {row["stock_id"]: row["taken"] for row in found}


def loaded(connection: Connection) -> dict[str, int]:
    """How many sheets of each box lie unexposed in holders, and rolls in cameras."""
    found = connection.execute(
        """
        SELECT stock_id, count(*) AS loaded FROM (
            SELECT stock_id FROM piece
            WHERE roll_id IS NULL AND stock_id IS NOT NULL AND state = 'loaded'
            UNION ALL
            SELECT stock_id FROM roll WHERE stock_id IS NOT NULL AND place = 'camera'
        ) GROUP BY stock_id
        """
    )
    return {row["stock_id"]: row["loaded"] for row in found}


def piece_cost(connection: Connection, piece_id: str) -> float | None:
    """What this piece of film cost: its box's price shared out, else the film's price of a sheet.

    The film's own price is a sheet's and says nothing of a roll's frame.
    """
    row = connection.execute(
        """
        SELECT piece.stock_id, coalesce(roll.frames, 1) AS frames, roll.id IS NULL AS sheet,
            film.price
        FROM piece
        JOIN film ON film.id = piece.film_id
        LEFT JOIN roll ON roll.id = piece.roll_id
        WHERE piece.id = :id
        """,
        {"id": piece_id},
    ).fetchone()
    bought = stock(connection, row["stock_id"])
    if bought is not None and bought.price is not None:
        return cost_each(bought, row["frames"])
    return row["price"] if row["sheet"] else None


def film_cost(connection: Connection, film_id: str) -> float | None:
    """What the next exposure on a film costs: of the piece that would be taken, else a sheet's."""
    row = connection.execute(
        """
        SELECT piece.id FROM piece
        LEFT JOIN roll ON roll.id = piece.roll_id
        WHERE piece.film_id = :film_id AND piece.state = 'loaded' AND piece.in_place = 1
            AND (roll.id IS NULL OR roll.place = 'camera')
        ORDER BY piece.label LIMIT 1
        """,
        {"film_id": film_id},
    ).fetchone()
    if row is not None:
        return piece_cost(connection, row["id"])
    row = connection.execute("SELECT price FROM film WHERE id = :id", {"id": film_id}).fetchone()
    return row["price"] if row else None
