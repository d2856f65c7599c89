"""Films and their recipes."""

from __future__ import annotations

from sqlite3 import Connection

from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.store import rows
from emulsa.store.records import FILM, RECIPE


def films(connection: Connection) -> list[Film]:
    return rows.many(connection, FILM)


def film(connection: Connection, id_: str | None) -> Film | None:
    return rows.one(connection, FILM, id_)


def names(connection: Connection) -> dict[str, str]:
    """Films' names by their ids."""
    return {row["id"]: row["name"] for row in connection.execute("SELECT id, name FROM film")}


def recipes(connection: Connection) -> list[FilmRecipe]:
    return rows.many(connection, RECIPE)


def recipe(connection: Connection, id_: str | None) -> FilmRecipe | None:
    return rows.one(connection, RECIPE, id_)


def usual_recipes(connection: Connection) -> dict[str, str]:
    """The recipe of each film unless another is chosen: its oldest that is not archived."""
    found = connection.execute("SELECT film_id, id FROM recipe ORDER BY archived DESC, rowid DESC")
    return {row["film_id"]: row["id"] for row in found}


def recipe_of(
    connection: Connection, film_id: str | None, recipe_id: str | None
) -> FilmRecipe | None:
    """The recipe that is chosen, else the film's first: the oldest that is not archived."""
    return recipe(connection, recipe_id or usual_recipes(connection).get(film_id or ""))
