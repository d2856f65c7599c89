"""Scenes with their readings and filters: one document, three tables."""

from __future__ import annotations

import json
from collections import defaultdict
from dataclasses import dataclass, replace
from sqlite3 import Connection, Row
from typing import Any

from emulsa.core import wire
from emulsa.core.corrections.aperture_choice import Depth
from emulsa.core.corrections.bellows import Focus
from emulsa.core.corrections.movement import Movement
from emulsa.core.errors import Impossible
from emulsa.core.exposing.request import High
from emulsa.core.light.marks import ApertureMark
from emulsa.core.light.meters import Reading
from emulsa.core.scene.record import Pin, Scene, SceneKit, SceneReading
from emulsa.store import films, kit, preferences, stock


def put(connection: Connection, scene: Scene) -> None:
    """Insert the scene or make the stored one equal to it; unchanged rows stay untouched."""
    connection.execute(
        """
        INSERT INTO scene (
            id, outing_id, title, note, film_id, exposure_index, recipe_id, lens_id, pinhole_id,
            meter_id, focus, aperture, pin, high, n, school, low, light, depth, movement, revisits
        ) VALUES (
            :id, :outing_id, :title, :note, :film_id, :exposure_index, :recipe_id, :lens_id,
            :pinhole_id, :meter_id, :focus, :aperture, :pin, :high, :n, :school, :low, :light,
            :depth, :movement, :revisits
        )
        ON CONFLICT (id) DO UPDATE SET
            outing_id = :outing_id, title = :title, note = :note, film_id = :film_id,
            exposure_index = :exposure_index, recipe_id = :recipe_id, lens_id = :lens_id,
            pinhole_id = :pinhole_id, meter_id = :meter_id, focus = :focus, aperture = :aperture,
            pin = :pin, high = :high, n = :n, school = :school, low = :low, light = :light,
            depth = :depth, movement = :movement, revisits = :revisits
        """,
        {
            "id": scene.id,
            "outing_id": scene.outing_id,
            "title": scene.title,
            "note": scene.note,
            "film_id": scene.film_id,
            "exposure_index": scene.exposure_index,
            "recipe_id": scene.recipe_id,
            "lens_id": scene.lens_id,
            "pinhole_id": scene.pinhole_id,
            "meter_id": scene.meter_id,
            "focus": wire.dumps(scene.focus),
            "aperture": _json(scene.aperture),
            "pin": _json(scene.pin),
            "high": _json(scene.high),
            "n": scene.n,
            "school": scene.school,
            "low": scene.low,
            "light": scene.light,
            "depth": _json(scene.depth),
            "movement": _json(scene.movement),
            "revisits": scene.revisits,
        },
    )
    _put_readings(connection, scene)
    _put_filters(connection, scene)


def scene(connection: Connection, id_: str) -> Scene | None:
    row = connection.execute("SELECT * FROM scene WHERE id = :id", {"id": id_}).fetchone()
    return _scenes(connection, [row])[0] if row else None


def of_outing(connection: Connection, outing_id: str) -> list[Scene]:
    rows = connection.execute(
        "SELECT * FROM scene WHERE outing_id = :outing_id ORDER BY rowid", {"outing_id": outing_id}
    ).fetchall()
    return _scenes(connection, rows)


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
    rows = connection.execute(
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
    for row in rows:
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
    rows = connection.execute(
        """
        SELECT scene.id, scene.title, outing.title AS outing_title, outing.day, outing.place
        FROM scene JOIN outing ON outing.id = scene.outing_id
        WHERE instr(lower(scene.title || ' ' || outing.title || ' ' || outing.place), lower(:text))
        ORDER BY outing.day DESC, scene.rowid DESC LIMIT :limit
        """,
        {"text": text, "limit": limit},
    )
    return [EarlierScene(**dict(row)) for row in rows]


def titles(connection: Connection, ids: list[str]) -> dict[str, str]:
    """The titles of these scenes."""
    rows = connection.execute(
        "SELECT id, title FROM scene WHERE id IN (SELECT value FROM json_each(:ids))",
        {"ids": json.dumps(ids)},
    )
    return {row["id"]: row["title"] for row in rows}


def delete(connection: Connection, id_: str) -> None:
    """Delete a scene nothing was exposed on and nothing revisits; Impossible otherwise."""
    if connection.execute("SELECT 1 FROM exposure WHERE scene_id = :id", {"id": id_}).fetchone():
        raise Impossible(
            "Film was exposed on this scene; it stays, so that the log stays whole.", field="id"
        )
    if connection.execute("SELECT 1 FROM scene WHERE revisits = :id", {"id": id_}).fetchone():
        raise Impossible("A later scene goes back to this one; it stays.", field="id")
    for statement in (
        "DELETE FROM reading WHERE scene_id = :id",
        "DELETE FROM scene_filter WHERE scene_id = :id",
        "DELETE FROM scene WHERE id = :id",
    ):
        connection.execute(statement, {"id": id_})


def kit_of(connection: Connection, scene: Scene) -> SceneKit:
    """The records the scene names, as they are now; the film costs what its next piece cost."""
    film = films.film(connection, scene.film_id) if scene.film_id else None
    if film is not None:
        film = replace(film, price=stock.film_cost(connection, film.id))
    chosen = [kit.filter_(connection, each) for each in scene.filter_ids]
    return SceneKit(
        film=film,
        lens=kit.lens(connection, scene.lens_id) if scene.lens_id else None,
        pinhole=kit.pinhole(connection, scene.pinhole_id) if scene.pinhole_id else None,
        meter=kit.meter(connection, scene.meter_id) if scene.meter_id else None,
        filters=tuple(each for each in chosen if each is not None),
        habits=preferences.preferences(connection).habits,
    )


def _put_readings(connection: Connection, scene: Scene) -> None:
    connection.execute(
        """
        DELETE FROM reading
        WHERE scene_id = :scene_id AND id NOT IN (SELECT value FROM json_each(:ids))
        """,
        {"scene_id": scene.id, "ids": json.dumps([each.id for each in scene.readings])},
    )
    connection.executemany(
        """
        INSERT INTO reading (
            scene_id, id, position, label, reading, taken_at, incident, through, graduated, subject
        ) VALUES (
            :scene_id, :id, :position, :label, :reading, :taken_at, :incident, :through,
            :graduated, :subject
        )
        ON CONFLICT (scene_id, id) DO UPDATE SET
            position = :position, label = :label, reading = :reading, taken_at = :taken_at,
            incident = :incident, through = :through, graduated = :graduated, subject = :subject
        """,
        [
            {
                "scene_id": scene.id,
                "id": each.id,
                "position": position,
                "label": each.label,
                "reading": wire.dumps(each.reading),
                "taken_at": each.taken_at,
                "incident": int(each.incident),
                "through": int(each.through),
                "graduated": int(each.graduated),
                "subject": each.subject,
            }
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


def _scenes(connection: Connection, rows: list[Row]) -> list[Scene]:
    ids = json.dumps([row["id"] for row in rows])
    readings: dict[str, list[SceneReading]] = defaultdict(list)
    for row in connection.execute(
        """
        SELECT * FROM reading
        WHERE scene_id IN (SELECT value FROM json_each(:ids)) ORDER BY position
        """,
        {"ids": ids},
    ):
        readings[row["scene_id"]].append(_reading(row))
    filters: dict[str, list[str]] = defaultdict(list)
    for row in connection.execute(
        """
        SELECT scene_id, filter_id FROM scene_filter
        WHERE scene_id IN (SELECT value FROM json_each(:ids)) ORDER BY position
        """,
        {"ids": ids},
    ):
        filters[row["scene_id"]].append(row["filter_id"])
    return [_scene(row, readings[row["id"]], filters[row["id"]]) for row in rows]


def _scene(row: Row, readings: list[SceneReading], filters: list[str]) -> Scene:
    return Scene(
        id=row["id"],
        outing_id=row["outing_id"],
        title=row["title"],
        note=row["note"],
        film_id=row["film_id"],
        exposure_index=row["exposure_index"],
        recipe_id=row["recipe_id"],
        lens_id=row["lens_id"],
        pinhole_id=row["pinhole_id"],
        meter_id=row["meter_id"],
        filter_ids=tuple(filters),
        focus=wire.decode(Focus, json.loads(row["focus"])),
        aperture=_from(ApertureMark, row["aperture"]),
        pin=_from(Pin, row["pin"]),
        high=_from(High, row["high"]),
        n=row["n"],
        school=row["school"],
        low=row["low"],
        light=row["light"],
        depth=_from(Depth, row["depth"]),
        movement=_from(Movement, row["movement"]),
        revisits=row["revisits"],
        readings=tuple(readings),
    )


def _reading(row: Row) -> SceneReading:
    return SceneReading(
        id=row["id"],
        label=row["label"],
        reading=wire.decode(Reading, json.loads(row["reading"])),
        taken_at=row["taken_at"],
        incident=bool(row["incident"]),
        through=bool(row["through"]),
        graduated=bool(row["graduated"]),
        subject=row["subject"],
    )


def _json(value: object) -> str | None:
    return None if value is None else wire.dumps(value)


def _from(kind: Any, text: str | None) -> Any:
    return None if text is None else wire.loads(kind, text)
