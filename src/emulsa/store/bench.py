"""Film tests, and the judged negatives of a recipe."""

from __future__ import annotations

from sqlite3 import Connection

from emulsa.core.bench.evidence import Judged
from emulsa.core.bench.record import FilmTest
from emulsa.store import rows
from emulsa.store.records import FILM_TEST

MOST_NEGATIVES = 400  # the latest; older ones are of older film


def tests(connection: Connection) -> list[FilmTest]:
    return rows.many(connection, FILM_TEST)


def test(connection: Connection, id_: str | None) -> FilmTest | None:
    found: FilmTest | None = rows.one(connection, FILM_TEST, id_)
    return found


def delete(connection: Connection, id_: str) -> None:
    rows.delete(connection, FILM_TEST, id_)


def judged(connection: Connection, recipe_id: str) -> list[Judged]:
    """Negatives that were developed in a recipe as they were meant to be, exposed once, and judged;
    the latest first."""
    found = connection.execute(
        """
        SELECT
            piece.id AS piece_id, piece.label, scene.title AS scene, exposure.error_stops,
            exposure.n, judgement.shadow, judgement.highlight
        FROM run
        JOIN piece ON piece.run_id = run.id
        JOIN judgement ON judgement.id = piece.id
        JOIN exposure ON exposure.piece_id = piece.id
        JOIN scene ON scene.id = exposure.scene_id
        WHERE run.recipe_id = :recipe_id AND exposure.share = 1
            AND (SELECT count(*) FROM exposure AS each WHERE each.piece_id = piece.id) = 1
        ORDER BY judgement.rowid DESC LIMIT :most
        """,
        {"recipe_id": recipe_id, "most": MOST_NEGATIVES},
    )
    return [Judged(**dict(row)) for row in found]


def recipes_judged(connection: Connection) -> list[str]:
    """The recipes that have judged negatives."""
    found = connection.execute(
        """
        SELECT DISTINCT run.recipe_id FROM run
        JOIN piece ON piece.run_id = run.id JOIN judgement ON judgement.id = piece.id
        WHERE run.recipe_id IS NOT NULL
        """
    )
    return [row["recipe_id"] for row in found]
