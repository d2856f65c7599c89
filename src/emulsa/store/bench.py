"""Film tests, and the judged negatives of a recipe."""

from __future__ import annotations

import json
from collections.abc import Iterable, Mapping
from sqlite3 import Connection, Row

from emulsa.core.bench.evidence import Developed
from emulsa.core.bench.own_film import in_use, own_film
from emulsa.core.bench.record import FilmTest
from emulsa.core.darkroom.got import developed_minutes
from emulsa.core.film.judgement import Judgement
from emulsa.core.rendering.own_film import OwnFilm
from emulsa.store import attachments, films, rows
from emulsa.store.records import FILM_TEST, JUDGEMENT, LINE, RUN

PLAIN = "piece_id label scene error_stops n bracket_id bracket_stops minutes".split()
MOST_NEGATIVES = 400  # the latest; older ones are of older film


def tests(connection: Connection) -> list[FilmTest]:
    return rows.many(connection, FILM_TEST)


def test(connection: Connection, id_: str | None) -> FilmTest | None:
    found: FilmTest | None = rows.one(connection, FILM_TEST, id_)
    return found


def delete(connection: Connection, id_: str) -> None:
    """A test with the pictures of its strips; their files stay, so that this can be undone."""
    for picture in attachments.of_test(connection, id_):
        attachments.delete(connection, picture.id)
    rows.delete(connection, FILM_TEST, id_)


def of_ids(connection: Connection, ids: Iterable[str]) -> list[FilmTest]:
    return rows.of_ids(connection, FILM_TEST, "id", ids)


def judged(connection: Connection, recipe_id: str) -> list[Developed]:
    """Negatives that were developed in a recipe, exposed once, and judged or one of a bracket; the
    latest first."""
    found = connection.execute(
        """
        SELECT
            piece.id AS piece_id, piece.label, scene.title AS scene, exposure.error_stops,
            exposure.n, exposure.bracket_id, exposure.bracket_stops, run.minutes, run.id AS run_id,
            CASE WHEN judgement.measured <> '[]' THEN json_extract(exposure.answer, '$.falls') END
                AS falls
        FROM run
        JOIN piece ON piece.run_id = run.id
        JOIN exposure ON exposure.piece_id = piece.id
        JOIN scene ON scene.id = exposure.scene_id
        LEFT JOIN judgement ON judgement.id = piece.id
        WHERE run.recipe_id = :recipe_id AND exposure.share = 1 AND run.developed_at <> ''
            AND (judgement.id IS NOT NULL OR exposure.bracket_id IS NOT NULL)
            AND (SELECT count(*) FROM exposure AS each WHERE each.piece_id = piece.id) = 1
        ORDER BY judgement.rowid DESC, piece.rowid DESC LIMIT :most
        """,
        {"recipe_id": recipe_id, "most": MOST_NEGATIVES},
    ).fetchall()
    looked = {
        each.id: each
        for each in rows.of_ids(connection, JUDGEMENT, "id", [row["piece_id"] for row in found])
    }
    got = _minutes_got(connection, {row["run_id"] for row in found})
    return [_developed(row, looked, got) for row in found]


def _developed(row: Row, looked: Mapping[str, Judgement], got: Mapping[str, float]) -> Developed:
    values = {name: row[name] for name in PLAIN}
    falls = json.loads(row["falls"]) if row["falls"] else None
    return Developed(
        **values,
        judgement=looked.get(row["piece_id"]),
        falls={each["id"]: each["zone"] for each in falls} if falls else None,
        went_minutes=got.get(row["run_id"]),
    )


def _minutes_got(connection: Connection, run_ids: Iterable[str]) -> dict[str, float]:
    """How long each run's film was really in the developer, where its clock kept it."""
    lines = {each.id: each for each in rows.many(connection, LINE)}
    runs = rows.of_ids(connection, RUN, "id", sorted(run_ids))
    got = {each.id: developed_minutes(each.went, lines.get(each.line_id or "")) for each in runs}
    return {id_: minutes for id_, minutes in got.items() if minutes is not None}


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


def own_film_of(
    connection: Connection, film_id: str | None, recipe_id: str | None
) -> OwnFilm | None:
    """A film's own curve, where its recipe goes by the times of a test."""
    of_film = rows.many(connection, FILM_TEST, "WHERE film_id = :id", {"id": film_id})
    if not of_film:
        return None
    test = in_use(films.recipe_of(connection, film_id, recipe_id), of_film)
    return own_film(test) if test else None
