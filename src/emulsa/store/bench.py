"""Film tests, and the judged negatives of a recipe."""

from __future__ import annotations

import json
from collections.abc import Iterable
from sqlite3 import Connection

from emulsa.core.bench.negatives import Developed
from emulsa.core.bench.own_film import in_use, own_film, reference_net
from emulsa.core.bench.record import FilmTest
from emulsa.core.darkroom.got import developed_minutes
from emulsa.core.darkroom.plan import rotary
from emulsa.core.darkroom.run import Run
from emulsa.core.development.negative import Tankful
from emulsa.core.kit.darkroom import age_of
from emulsa.core.kit.films import FilmRecipe
from emulsa.core.rendering.own_film import OwnFilm
from emulsa.core.sensitometry.film_test import Targets, targets_for
from emulsa.store import attachments, darkroom, exposures, films, preferences, rows
from emulsa.store.records import FILM_TEST, JUDGEMENT, LINE, RUN

MOST_NEGATIVES = 400  # the latest; older ones are of older film


def tests(connection: Connection) -> list[FilmTest]:
    return rows.many(connection, FILM_TEST)


def test(connection: Connection, id_: str | None) -> FilmTest | None:
    return rows.one(connection, FILM_TEST, id_)


def delete(connection: Connection, id_: str) -> None:
    """A test with the pictures of its strips; their files stay, so that this can be undone."""
    for picture in attachments.of_test(connection, id_):
        attachments.delete(connection, picture.id)
    rows.delete(connection, FILM_TEST, id_)


def of_ids(connection: Connection, ids: Iterable[str]) -> list[FilmTest]:
    return rows.of_ids(connection, FILM_TEST, "id", ids)


def judged(connection: Connection, recipe_id: str) -> list[Developed]:
    """Negatives that were developed in a recipe and judged, or one of a bracket; the latest
    first."""
    found = connection.execute(
        """
        SELECT
            piece.id AS piece_id, piece.label, piece.run_id, scene.title AS scene,
            json_extract(exposure.answer, '$.ei') AS worked_ei,
            CASE WHEN judgement.measured <> '[]' THEN json_extract(exposure.answer, '$.falls') END
                AS falls
        FROM run
        JOIN recipe ON recipe.id = run.recipe_id
        -- another film in the same tank teaches nothing of this recipe
        JOIN piece ON piece.run_id = run.id AND piece.film_id = recipe.film_id
        JOIN exposure ON exposure.id = (
            SELECT each.id FROM exposure AS each WHERE each.piece_id = piece.id
            ORDER BY each.exposed_at DESC, each.rowid DESC LIMIT 1
        )
        JOIN scene ON scene.id = exposure.scene_id
        LEFT JOIN judgement ON judgement.id = piece.id
        WHERE run.recipe_id = :recipe_id AND run.developed_at <> ''
            AND (judgement.id IS NOT NULL OR exposure.bracket_id IS NOT NULL)
        ORDER BY judgement.rowid DESC, piece.rowid DESC LIMIT :most
        """,
        {"recipe_id": recipe_id, "most": MOST_NEGATIVES},
    ).fetchall()
    ids = [row["piece_id"] for row in found]
    looked = {each.id: each for each in rows.of_ids(connection, JUDGEMENT, "id", ids)}
    shots = exposures.shots(connection, ids)
    ran = {
        each.id: each
        for each in rows.of_ids(connection, RUN, "id", sorted({row["run_id"] for row in found}))
    }
    got = _minutes_got(connection, ran.values())
    baths = _tankfuls(connection, ran.values())
    return [
        Developed(
            piece_id=row["piece_id"],
            label=row["label"],
            scene=row["scene"],
            shots=shots[row["piece_id"]],
            judgement=looked.get(row["piece_id"]),
            falls=_falls(row["falls"]),
            worked_ei=row["worked_ei"],
            minutes=ran[row["run_id"]].minutes,
            went_minutes=got.get(row["run_id"]),
            tankful=baths[row["run_id"]],
        )
        for row in found
        if row["run_id"] in ran  # else it cannot be read, which is said
    ]


def _falls(kept: str | None) -> dict[str, float] | None:
    return {each["id"]: each["zone"] for each in json.loads(kept)} if kept else None


def _tankfuls(connection: Connection, ran: Iterable[Run]) -> dict[str, Tankful]:
    """What each run's film was developed in: its temperature, its tank, its bottles' age."""
    recipes = {each.id: each.recipe for each in films.recipes(connection)}
    found = {}
    for each in ran:
        tank, recipe = darkroom.tank(connection, each.tank_id), recipes.get(each.recipe_id or "")
        found[each.id] = Tankful(
            temperature_c=each.temperature_c,
            age_change=age_of(darkroom.bottles_of(connection, each.bottle_ids)),
            rotary=tank is not None and recipe is not None and rotary(tank, recipe),
        )
    return found


def _minutes_got(connection: Connection, ran: Iterable[Run]) -> dict[str, float]:
    """How long each run's film was really in the developer, where its clock kept it."""
    lines = {each.id: each for each in rows.many(connection, LINE)}
    got = {each.id: developed_minutes(each.went, lines.get(each.line_id or "")) for each in ran}
    return {id_: minutes for id_, minutes in got.items() if minutes is not None}


def recipes_judged(connection: Connection) -> list[str]:
    """The recipes that have judged negatives."""
    found = connection.execute(
        """
        SELECT DISTINCT run.recipe_id FROM run
        JOIN recipe ON recipe.id = run.recipe_id
        JOIN piece ON piece.run_id = run.id AND piece.film_id = recipe.film_id
        JOIN judgement ON judgement.id = piece.id
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
    return own_film(test, _targets(connection)) if test else None


def reference_of(connection: Connection, recipe: FilmRecipe) -> tuple[tuple[float, float], ...]:
    """A tested film's own scale of zones and net densities, where its recipe goes by the times of a
    test; nothing otherwise."""
    of_film = rows.many(connection, FILM_TEST, "WHERE film_id = :id", {"id": recipe.film_id})
    test = in_use(recipe, of_film)
    return reference_net(test, _targets(connection)) if test else ()


def _targets(connection: Connection) -> Targets:
    return targets_for(preferences.preferences(connection).printed_by)
