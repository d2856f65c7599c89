"""Cameras, lenses, pinholes, filters and meters."""

from __future__ import annotations

from sqlite3 import Connection, Row

from emulsa.core import wire
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.optics import Lens, Pinhole
from emulsa.core.errors import Impossible
from emulsa.core.kit.bag import Back, Camera, KitFilter, KitLens, KitPinhole, Meter
from emulsa.core.light.meters import Calibrated


def put_camera(connection: Connection, camera: Camera) -> None:
    connection.execute(
        """
        INSERT INTO camera (id, name, width_mm, height_mm, backs, note, archived)
        VALUES (:id, :name, :width_mm, :height_mm, :backs, :note, :archived)
        ON CONFLICT (id) DO UPDATE SET
            name = :name, width_mm = :width_mm, height_mm = :height_mm, backs = :backs,
            note = :note, archived = :archived
        """,
        {
            **_named(camera),
            "width_mm": camera.format_mm[0],
            "height_mm": camera.format_mm[1],
            "backs": wire.dumps(camera.backs),
        },
    )


def put_lens(connection: Connection, lens: KitLens) -> None:
    connection.execute(
        """
        INSERT INTO lens (id, name, camera_id, optics, note, archived)
        VALUES (:id, :name, :camera_id, :optics, :note, :archived)
        ON CONFLICT (id) DO UPDATE SET
            name = :name, camera_id = :camera_id, optics = :optics, note = :note,
            archived = :archived
        """,
        {**_named(lens), "camera_id": lens.camera_id, "optics": wire.dumps(lens.optics)},
    )


def put_pinhole(connection: Connection, pinhole: KitPinhole) -> None:
    connection.execute(
        """
        INSERT INTO pinhole (id, name, camera_id, optics, note, archived)
        VALUES (:id, :name, :camera_id, :optics, :note, :archived)
        ON CONFLICT (id) DO UPDATE SET
            name = :name, camera_id = :camera_id, optics = :optics, note = :note,
            archived = :archived
        """,
        {**_named(pinhole), "camera_id": pinhole.camera_id, "optics": wire.dumps(pinhole.optics)},
    )


def put_filter(connection: Connection, filter_: KitFilter) -> None:
    connection.execute(
        """
        INSERT INTO filter (id, name, filter, note, archived)
        VALUES (:id, :name, :filter, :note, :archived)
        ON CONFLICT (id) DO UPDATE SET
            name = :name, filter = :filter, note = :note, archived = :archived
        """,
        {**_named(filter_), "filter": wire.dumps(filter_.filter)},
    )


def put_meter(connection: Connection, meter: Meter) -> None:
    connection.execute(
        """
        INSERT INTO meter (id, name, calibration, iso, scale, spot_deg, note, archived)
        VALUES (:id, :name, :calibration, :iso, :scale, :spot_deg, :note, :archived)
        ON CONFLICT (id) DO UPDATE SET
            name = :name, calibration = :calibration, iso = :iso, scale = :scale,
            spot_deg = :spot_deg, note = :note, archived = :archived
        """,
        {
            **_named(meter),
            "calibration": wire.dumps(meter.calibration),
            "iso": meter.iso,
            "scale": meter.scale,
            "spot_deg": meter.spot_deg,
        },
    )


def cameras(connection: Connection) -> list[Camera]:
    rows = connection.execute("SELECT * FROM camera ORDER BY name").fetchall()
    return [_camera(row) for row in rows]


def lenses(connection: Connection) -> list[KitLens]:
    rows = connection.execute(
        "SELECT * FROM lens ORDER BY json_extract(optics, '$.focal_length_mm'), name"
    ).fetchall()
    return [_lens(row) for row in rows]


def pinholes(connection: Connection) -> list[KitPinhole]:
    rows = connection.execute("SELECT * FROM pinhole ORDER BY name").fetchall()
    return [_pinhole(row) for row in rows]


def filters(connection: Connection) -> list[KitFilter]:
    rows = connection.execute("SELECT * FROM filter ORDER BY name").fetchall()
    return [_filter(row) for row in rows]


def meters(connection: Connection) -> list[Meter]:
    rows = connection.execute("SELECT * FROM meter ORDER BY name").fetchall()
    return [_meter(row) for row in rows]


def lens(connection: Connection, id_: str) -> KitLens | None:
    row = connection.execute("SELECT * FROM lens WHERE id = :id", {"id": id_}).fetchone()
    return _lens(row) if row else None


def pinhole(connection: Connection, id_: str) -> KitPinhole | None:
    row = connection.execute("SELECT * FROM pinhole WHERE id = :id", {"id": id_}).fetchone()
    return _pinhole(row) if row else None


def filter_(connection: Connection, id_: str) -> KitFilter | None:
    row = connection.execute("SELECT * FROM filter WHERE id = :id", {"id": id_}).fetchone()
    return _filter(row) if row else None


def meter(connection: Connection, id_: str) -> Meter | None:
    row = connection.execute("SELECT * FROM meter WHERE id = :id", {"id": id_}).fetchone()
    return _meter(row) if row else None


USED_BY = {  # what may still name a record: one sentence says where to look
    "film": "recipes, boxes, rolls, sheets or scenes",
    "recipe": "scenes, strips, runs, exposures or film that waits",
    "camera": "lenses, pinholes or rolls",
    "lens": "scenes or exposures",
    "pinhole": "scenes or exposures",
    "filter": "scenes or exposures",
    "meter": "scenes",
    "sheet_format": "holders or boxes",
    "tank": "runs",
    "line": "runs",
    "bottle": "runs",
}

REFERENCES = {
    "film": tuple((user, "film_id") for user in ("recipe", "stock", "roll", "piece", "scene")),
    "recipe": (
        *((user, "recipe_id") for user in ("scene", "strip", "run", "exposure")),
        ("piece", "json_extract(piece.choice, '$.recipe_id')"),
    ),
    "camera": (("lens", "camera_id"), ("pinhole", "camera_id"), ("roll", "camera_id")),
    "lens": (("scene", "lens_id"), ("exposure", "lens_id")),
    "pinhole": (("scene", "pinhole_id"), ("exposure", "pinhole_id")),
    "filter": (
        ("scene_filter", "filter_id"),
        ("exposure, json_each(exposure.filter_ids) AS named", "named.value"),
    ),
    "meter": (("scene", "meter_id"),),
    "sheet_format": (("holder", "format"), ("stock", "format")),
    "tank": (("run", "tank_id"),),
    "line": (("run", "line_id"),),
    "bottle": (("run, json_each(run.bottle_ids) AS named", "named.value"),),
    "powder": (),
}


def delete(connection: Connection, table: str, id_: str) -> None:
    """Delete a record nobody uses; Impossible, saying where it is used, otherwise."""
    for user, column in REFERENCES[table]:
        found = connection.execute(
            f"SELECT 1 FROM {user} WHERE {column} = :id LIMIT 1", {"id": id_}
        ).fetchone()
        if found:
            raise Impossible(
                f"This {table.replace('_', ' ')} is still used by {USED_BY[table]};"
                " archive it, or change those first.",
                field="id",
            )
    connection.execute(f"DELETE FROM {table} WHERE id = :id", {"id": id_})


def _named(record: Camera | KitLens | KitPinhole | KitFilter | Meter) -> dict[str, str | int]:
    """The columns every record of the kit has."""
    return {
        "id": record.id,
        "name": record.name,
        "note": record.note,
        "archived": int(record.archived),
    }


def _camera(row: Row) -> Camera:
    return Camera(
        id=row["id"],
        name=row["name"],
        format_mm=(row["width_mm"], row["height_mm"]),
        backs=wire.loads(tuple[Back, ...], row["backs"]),
        note=row["note"],
        archived=bool(row["archived"]),
    )


def _lens(row: Row) -> KitLens:
    return KitLens(
        id=row["id"],
        name=row["name"],
        camera_id=row["camera_id"],
        optics=wire.loads(Lens, row["optics"]),
        note=row["note"],
        archived=bool(row["archived"]),
    )


def _pinhole(row: Row) -> KitPinhole:
    return KitPinhole(
        id=row["id"],
        name=row["name"],
        camera_id=row["camera_id"],
        optics=wire.loads(Pinhole, row["optics"]),
        note=row["note"],
        archived=bool(row["archived"]),
    )


def _filter(row: Row) -> KitFilter:
    return KitFilter(
        id=row["id"],
        name=row["name"],
        filter=wire.loads(Filter, row["filter"]),
        note=row["note"],
        archived=bool(row["archived"]),
    )


def _meter(row: Row) -> Meter:
    return Meter(
        id=row["id"],
        name=row["name"],
        calibration=wire.loads(Calibrated, row["calibration"]),
        iso=row["iso"],
        scale=row["scale"],
        spot_deg=row["spot_deg"],
        note=row["note"],
        archived=bool(row["archived"]),
    )
