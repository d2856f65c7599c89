"""Scenes with their readings and filters: one document, three tables."""

from __future__ import annotations

import json
from collections import defaultdict
from collections.abc import Callable, Iterable
from dataclasses import dataclass, replace
from sqlite3 import Connection, Row
from typing import Any

from emulsa.core.errors import CoreError, Impossible
from emulsa.core.scene.metered import picture_by
from emulsa.core.scene.record import Scene, SceneKit, ScenePicture, SceneReading
from emulsa.store import attachments, bench, films, kit, preferences, rows, stock
from emulsa.store.records import SCENE
from emulsa.store.rows import Table
from emulsa.store.spoilt import Spoilt, sound

READING = Table("reading", SceneReading, "position")


def put(connection: Connection, scene: Scene) -> None:
    """Insert the scene or make the stored one equal to it; unchanged rows stay untouched."""
    rows.put(connection, SCENE, scene)
    _put_readings(connection, scene)
    _put_filters(connection, scene)


def scene(connection: Connection, id_: str) -> Scene | None:
    found = connection.execute(f"{SCENE.select} WHERE id = :id", {"id": id_}).fetchall()
    return _reader(connection, found)(dict(found[0])) if found else None


def of_outing(connection: Connection, outing_id: str) -> list[Scene]:
    found = connection.execute(
        f"{SCENE.select} WHERE outing_id = :id ORDER BY rowid", {"id": outing_id}
    ).fetchall()
    return _scenes(connection, found)


def labels(connection: Connection) -> list[str]:
    """What was metered lately, by its names, the latest first."""
    found = connection.execute(
        """
        SELECT label, max(place) AS latest
        FROM (SELECT label, rowid AS place FROM reading ORDER BY rowid DESC LIMIT 200)
        WHERE label <> '' AND label NOT LIKE 'reading %'
        GROUP BY label ORDER BY latest DESC LIMIT 12
        """
    )
    return [row["label"] for row in found]


@dataclass(frozen=True)
class SceneLine:
    """A scene as a line in its outing."""

    id: str
    title: str
    readings: int
    exposures: int
    revisits: str | None


def lines(connection: Connection, outing_ids: list[str]) -> dict[str, list[SceneLine]]:
    """The scenes of these outings as lines, in the order they were found."""
    listed = connection.execute(
        """
        SELECT
            scene.outing_id, scene.id, scene.title, scene.revisits,
            (SELECT count(*) FROM reading WHERE reading.scene_id = scene.id) AS readings,
            (SELECT count(*) FROM exposure WHERE exposure.scene_id = scene.id) AS exposures
        FROM scene
        WHERE scene.outing_id IN (SELECT value FROM json_each(:ids))
        ORDER BY scene.rowid
        """,
        {"ids": json.dumps(outing_ids)},
    )
    found: dict[str, list[SceneLine]] = defaultdict(list)
    for row in listed:
        line = dict(row)
        found[line.pop("outing_id")].append(SceneLine(**line))
    return found


@dataclass(frozen=True)
class EarlierScene:
    """A scene one could go back to: where and when it was."""

    id: str
    title: str
    outing_title: str
    day: str
    place: str


def earlier(connection: Connection, text: str, limit: int) -> list[EarlierScene]:
    """Scenes whose title, outing or place has the text in it, latest first."""
    found = connection.execute(
        """
        SELECT scene.id, scene.title, outing.title AS outing_title, outing.day, outing.place
        FROM scene JOIN outing ON outing.id = scene.outing_id
        WHERE instr(lower(scene.title || ' ' || outing.title || ' ' || outing.place), lower(:text))
        ORDER BY outing.day DESC, scene.rowid DESC LIMIT :limit
        """,
        {"text": text, "limit": limit},
    )
    return [EarlierScene(**dict(row)) for row in found]


def titles(connection: Connection, ids: Iterable[str]) -> dict[str, str]:
    """The titles of these scenes."""
    found = connection.execute(
        "SELECT id, title FROM scene WHERE id IN (SELECT value FROM json_each(:ids))",
        {"ids": json.dumps(list(ids))},
    )
    return {row["id"]: row["title"] for row in found}


def delete(connection: Connection, id_: str) -> None:
    """Delete a scene nothing was exposed on and nothing revisits; Impossible otherwise."""
    if connection.execute("SELECT 1 FROM exposure WHERE scene_id = :id", {"id": id_}).fetchone():
        raise Impossible(
            "Film was exposed on this scene; it stays, so that the log stays whole.", field="id"
        )
    if connection.execute("SELECT 1 FROM scene WHERE revisits = :id", {"id": id_}).fetchone():
        raise Impossible("A later scene goes back to this one; it stays.", field="id")
    for statement in (
        "DELETE FROM attachment WHERE scene_id = :id",
        "DELETE FROM reading WHERE scene_id = :id",
        "DELETE FROM scene_filter WHERE scene_id = :id",
        "DELETE FROM scene WHERE id = :id",
    ):
        connection.execute(statement, {"id": id_})


def kit_of(connection: Connection, scene: Scene) -> SceneKit:
    """The records the scene names, as they are now; the film costs what its next piece cost."""
    film = films.film(connection, scene.film_id)
    if film is not None:
        film = replace(film, price=stock.film_cost(connection, film.id))
    lens = kit.lens(connection, scene.lens_id)
    pinhole = kit.pinhole(connection, scene.pinhole_id)
    on = lens or pinhole
    camera = kit.camera(connection, on.camera_id) if on else None
    chosen = [kit.filter_(connection, each) for each in scene.filter_ids]
    return SceneKit(
        film=film,
        lens=lens,
        pinhole=pinhole,
        meter=kit.meter(connection, scene.meter_id),
        filters=tuple(each for each in chosen if each is not None),
        habits=preferences.preferences(connection).habits,
        own_film=bench.own_film_of(connection, scene.film_id, scene.recipe_id),
        recipe=films.recipe_of(connection, scene.film_id, scene.recipe_id),
        format_mm=camera.format_mm if camera else None,
        picture=picture_of(connection, scene.id),
    )


def picture_of(connection: Connection, scene_id: str) -> ScenePicture | None:
    """What the scene is metered by beside a meter."""
    found = attachments.of_scene(connection, scene_id)
    if found is None:
        return None
    paper_id = found.metering.paper_id if found.metering else None
    return picture_by(found, kit.paper(connection, paper_id))


def _put_readings(connection: Connection, scene: Scene) -> None:
    connection.execute(
        """
        DELETE FROM reading
        WHERE scene_id = :scene_id AND id NOT IN (SELECT value FROM json_each(:ids))
        """,
        {"scene_id": scene.id, "ids": json.dumps([each.id for each in scene.readings])},
    )
    names = ("scene_id", "position", *READING.columns)
    settings = ", ".join(f"{each} = :{each}" for each in names if each not in ("scene_id", "id"))
    connection.executemany(
        f"""
        INSERT INTO reading ({", ".join(names)}) VALUES ({", ".join(f":{each}" for each in names)})
        ON CONFLICT (scene_id, id) DO UPDATE SET {settings}
        """,
        [
            {"scene_id": scene.id, "position": position, **READING.row(each)}
            for position, each in enumerate(scene.readings)
        ],
    )


def _put_filters(connection: Connection, scene: Scene) -> None:
    connection.execute(
        "DELETE FROM scene_filter WHERE scene_id = :scene_id AND position >= :count",
        {"scene_id": scene.id, "count": len(scene.filter_ids)},
    )
    connection.executemany(
        """
        INSERT INTO scene_filter (scene_id, position, filter_id)
        VALUES (:scene_id, :position, :filter_id)
        ON CONFLICT (scene_id, position) DO UPDATE SET filter_id = :filter_id
        """,
        [
            {"scene_id": scene.id, "position": position, "filter_id": each}
            for position, each in enumerate(scene.filter_ids)
        ],
    )


def _scenes(connection: Connection, found: list[Row]) -> list[Scene]:
    return sound(map(dict, found), _reader(connection, found))


def _reader(connection: Connection, found: list[Row]) -> Callable[[dict[str, Any]], Scene]:
    """How each of these rows is read, with its readings and filters; Unreadable by its title."""
    ids = json.dumps([row["id"] for row in found])
    readings: dict[str, list[Row]] = defaultdict(list)
    for row in connection.execute(
        """
        SELECT * FROM reading
        WHERE scene_id IN (SELECT value FROM json_each(:ids)) ORDER BY position
        """,
        {"ids": ids},
    ):
        readings[row["scene_id"]].append(row)
    filters: dict[str, list[str]] = defaultdict(list)
    for row in connection.execute(
        """
        SELECT scene_id, filter_id FROM scene_filter
        WHERE scene_id IN (SELECT value FROM json_each(:ids)) ORDER BY position
        """,
        {"ids": ids},
    ):
        filters[row["scene_id"]].append(row["filter_id"])

    def read(row: dict[str, Any]) -> Scene:
        try:
            return Scene(
                **SCENE.values(row),
                filter_ids=tuple(filters[row["id"]]),
                readings=tuple(READING.record(each) for each in readings[row["id"]]),
            )
        except (CoreError, ValueError) as problem:
            raise Spoilt(SCENE.name, row, problem) from problem

    return read
