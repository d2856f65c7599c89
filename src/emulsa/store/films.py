"""Films and their recipes."""

from __future__ import annotations

import json
from sqlite3 import Connection, Row

from emulsa.core import wire
from emulsa.core.corrections.reciprocity import Law
from emulsa.core.development.recipes import Recipe
from emulsa.core.kit.films import Film, FilmRecipe, Provenance


def put_film(connection: Connection, film: Film) -> None:
    connection.execute(
        """
        INSERT INTO film (
            id, name, exposure_index, textural_low, textural_high, law, price, provenance, note,
            archived
        ) VALUES (
            :id, :name, :exposure_index, :low, :high, :law, :price, :provenance, :note, :archived
        )
        ON CONFLICT (id) DO UPDATE SET
            name = :name, exposure_index = :exposure_index, textural_low = :low,
            textural_high = :high, law = :law, price = :price, provenance = :provenance,
            note = :note, archived = :archived
        """,
        {
            "id": film.id,
            "name": film.name,
            "exposure_index": film.exposure_index,
            "low": film.textural_range[0],
            "high": film.textural_range[1],
            "law": wire.dumps(film.law) if film.law else None,
            "price": film.price,
            "provenance": wire.dumps(film.provenance),
            "note": film.note,
            "archived": int(film.archived),
        },
    )


def films(connection: Connection) -> list[Film]:
    rows = connection.execute("SELECT * FROM film ORDER BY name").fetchall()
    return [_film(row) for row in rows]


def film(connection: Connection, id_: str) -> Film | None:
    row = connection.execute("SELECT * FROM film WHERE id = :id", {"id": id_}).fetchone()
    return _film(row) if row else None


def put_recipe(connection: Connection, recipe: FilmRecipe) -> None:
    connection.execute(
        """
        INSERT INTO recipe (id, film_id, name, recipe, note, archived)
        VALUES (:id, :film_id, :name, :recipe, :note, :archived)
        ON CONFLICT (id) DO UPDATE SET
            film_id = :film_id, name = :name, recipe = :recipe, note = :note, archived = :archived
        """,
        {
            "id": recipe.id,
            "film_id": recipe.film_id,
            "name": recipe.name,
            "recipe": wire.dumps(recipe.recipe),
            "note": recipe.note,
            "archived": int(recipe.archived),
        },
    )


def recipes(connection: Connection) -> list[FilmRecipe]:
    rows = connection.execute("SELECT * FROM recipe ORDER BY film_id, rowid").fetchall()
    return [_recipe(row) for row in rows]


def recipe(connection: Connection, id_: str) -> FilmRecipe | None:
    row = connection.execute("SELECT * FROM recipe WHERE id = :id", {"id": id_}).fetchone()
    return _recipe(row) if row else None


def first_recipe(connection: Connection, film_id: str) -> FilmRecipe | None:
    """The recipe a film is developed in unless the scene says otherwise: the oldest."""
    row = connection.execute(
        "SELECT * FROM recipe WHERE film_id = :film_id ORDER BY archived, rowid LIMIT 1",
        {"film_id": film_id},
    ).fetchone()
    return _recipe(row) if row else None


def _film(row: Row) -> Film:
    return Film(
        id=row["id"],
        name=row["name"],
        exposure_index=row["exposure_index"],
        textural_range=(row["textural_low"], row["textural_high"]),
        law=wire.decode(Law, json.loads(row["law"])) if row["law"] else None,
        price=row["price"],
        provenance=wire.loads(Provenance, row["provenance"]),
        note=row["note"],
        archived=bool(row["archived"]),
    )


def _recipe(row: Row) -> FilmRecipe:
    return FilmRecipe(
        id=row["id"],
        film_id=row["film_id"],
        name=row["name"],
        recipe=wire.loads(Recipe, row["recipe"]),
        note=row["note"],
        archived=bool(row["archived"]),
    )
