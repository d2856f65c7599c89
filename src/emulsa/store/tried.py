"""What was done with a film, and how often each film is used."""

from __future__ import annotations

from dataclasses import dataclass
from sqlite3 import Connection

from emulsa.core.bench.tried import Tried
from emulsa.store import rows
from emulsa.store.records import JUDGEMENT

MOST = 1_000  # the latest; older ones are of older film

DEVELOPED = """
    SELECT
        piece.id AS piece_id, exposure.id AS exposure_id, run.minutes,
        -- in the tank of another film it was developed as for its own recipe
        coalesce(recipe.id, exposure.recipe_id, run.recipe_id) AS recipe_id,
        run.developed_at AS at, exposure.bracket_stops,
        exposure.exposure_index AS ei,
        (SELECT id FROM attachment WHERE exposure_id = exposure.id ORDER BY rowid LIMIT 1)
            AS picture_id
    FROM piece
    JOIN run ON run.id = piece.run_id AND run.developed_at <> ''
    LEFT JOIN recipe ON recipe.id = run.recipe_id AND recipe.film_id = piece.film_id
    JOIN exposure ON exposure.id = (
        SELECT each.id FROM exposure AS each WHERE each.piece_id = piece.id
        ORDER BY each.exposed_at DESC, each.rowid DESC LIMIT 1
    )
    WHERE piece.film_id = :film_id AND run.recipe_id IS NOT NULL
    ORDER BY run.developed_at DESC, piece.rowid DESC LIMIT :most
"""


@dataclass(frozen=True)
class Used:
    """A film and how many exposures it had since a day."""

    film_id: str
    name: str
    count: int


def of_film(connection: Connection, film_id: str) -> list[Tried]:
    """Its developed negatives of which the index is known, the latest first."""
    found = connection.execute(DEVELOPED, {"film_id": film_id, "most": MOST}).fetchall()
    ids = [row["piece_id"] for row in found]
    judged = {each.id: each for each in rows.of_ids(connection, JUDGEMENT, "id", ids)}
    return [
        Tried(
            exposure_id=row["exposure_id"],
            recipe_id=row["recipe_id"],
            ei=row["ei"],
            minutes=row["minutes"],
            at=row["at"],
            judgement=judged.get(row["piece_id"]),
            picture_id=row["picture_id"],
            bracket_stops=row["bracket_stops"],
        )
        for row in found
        if row["ei"]
    ]


def used_since(connection: Connection, day: str) -> list[Used]:
    """How often each film was exposed since a day, the most used first; films that were not are
    there with none."""
    found = connection.execute(
        """
        SELECT film.id AS film_id, film.name, count(exposure.id) AS count
        FROM film
        LEFT JOIN piece ON piece.film_id = film.id
        LEFT JOIN exposure ON exposure.piece_id = piece.id AND exposure.exposed_at >= :day
        WHERE NOT film.archived
        GROUP BY film.id ORDER BY count DESC, film.name
        """,
        {"day": day},
    )
    return [Used(**row) for row in map(dict, found)]
