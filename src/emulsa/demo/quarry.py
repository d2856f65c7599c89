"""A winter outing in a disused upland slate quarry. Every name here is invented.

Built once into its own folder, through the same core and store as a user's data; a folder that
already holds the outing is left as it is.
"""

from __future__ import annotations

from dataclasses import replace
from datetime import date
from pathlib import Path

from emulsa.core.corrections.bellows import ByDraw
from emulsa.core.exposing.request import High
from emulsa.core.film.holders import Holder
from emulsa.core.outing.record import Outing
from emulsa.core.scene.record import Pin, Scene, SceneReading
from emulsa.core.sky.day import Bearing
from emulsa.demo import autumn, bag, made, practised, prints, scan, sheets, trials
from emulsa.demo.bag import METER
from emulsa.demo.calendar import WRITTEN, Moved, moved_to
from emulsa.demo.photographed import Photograph, spot
from emulsa.store import database, opening, outings, records, scenes, transactions
from emulsa.store import prints as printed
from emulsa.store.folder import DATABASE

DAY = "2026-01-17"

OUTING = Outing(
    id="outing-quarry",
    title="Third outing, frost",
    day=DAY,
    place="Skarrowmoor slate quarry, disused",
    conditions="Clear, then fog from the valley; −4 °C",
    latitude=54,
    longitude=-3,
    height_m=320,
)


def _reading(id_: str, label: str, ev: float, minute: int) -> SceneReading:
    return made.reading(DAY, id_, label, ev, minute)


WINDING_HOUSE = Scene(
    id="scene-winding-house",
    outing_id=OUTING.id,
    title="Winding house, sun on the incline",
    bearing=Bearing(azimuth_deg=150, width_deg=60, skyline_deg=8),
    note="Drum in full shade, frost on the rails beyond.",
    film_id="film-corvane",
    lens_id="lens-150",
    meter_id=METER.id,
    filter_ids=("filter-yellow",),
    aperture="32",
    pin=Pin(reading="doorway", zone=3),
    high=High(reading="frost", zone=8),
    readings=(
        _reading("doorway", "doorway in shade", 9, 10),
        _reading("heather", "heather bank", 10, 11),
        _reading("face", "wet slate face", 11 + 1 / 3, 11),
        _reading("frost", "lit frost", 15, 12),
    ),
)

INCLINE = Scene(
    id="scene-incline",
    outing_id=OUTING.id,
    title="Incline in fog",
    bearing=Bearing(azimuth_deg=65, width_deg=12, skyline_deg=5),
    film_id="film-corvane",
    lens_id="lens-300",
    meter_id=METER.id,
    aperture="22",
    pin=Pin(reading="sleepers", zone=3),
    high=High(reading="fog", zone=7),
    readings=(
        _reading("sleepers", "wet sleepers", 9 + 1 / 3, 65),
        _reading("wall", "dry-stone wall", 10 + 1 / 3, 65),
        _reading("fog", "fog above the drum", 12 + 1 / 3, 66),
    ),
)

POOL = Scene(
    id="scene-pool",
    outing_id=OUTING.id,
    title="Frozen pool, cracks",
    film_id="film-corvane",
    lens_id="lens-150",
    meter_id=METER.id,
    filter_ids=("filter-red",),
    focus=ByDraw(draw_mm=40),
    aperture="32",
    pin=Pin(reading="crack", zone=3),
    high=High(reading="bubbles", zone=8),
    readings=(
        _reading("crack", "dark crack", 9, 120),
        _reading("ice", "grey ice", 11 + 2 / 3, 120),
        _reading("bubbles", "white bubbles", 14, 121),
    ),
)

ADIT = Scene(
    id="scene-adit",
    outing_id=OUTING.id,
    title="Into the adit",
    note="Do not go in: loose roof, flooded floor.",
    film_id="film-ostrel",
    pinhole_id="pinhole-box",
    meter_id=METER.id,
    pin=Pin(reading="props", zone=3),
    readings=(
        _reading("props", "pit props", 4, 180),
        _reading("water", "flooded floor", 5 + 2 / 3, 181),
        _reading("mouth", "daylit rim", 10, 181),
    ),
)

LOADED: tuple[tuple[str, str], ...] = (
    ("1A", "film-corvane"),
    ("1B", "film-corvane"),
    ("2A", "film-corvane"),
    ("2B", "film-corvane"),
    ("3A", "film-ostrel"),
    ("3B", "film-ostrel"),
    ("4A", "film-corvane"),
    ("4B", "film-corvane"),
    ("5A", "film-velm"),
)

EXPOSED = (
    (WINDING_HOUSE, "1A", f"{DAY}T09:20:00.000Z"),
    (WINDING_HOUSE, "1B", f"{DAY}T09:24:00.000Z"),
    (INCLINE, "4A", f"{DAY}T10:12:00.000Z"),
    (ADIT, "3A", f"{DAY}T12:40:00.000Z"),
)


# by scene its photograph, and where its readings lie in it
PICTURES: dict[str, tuple[Photograph, dict[str, tuple[float, float]]]] = {
    WINDING_HOUSE.id: (
        Photograph("winding-house", middle_ev=12.2),
        {
            "doorway": (0.717, 0.634),
            "heather": (0.904, 0.916),
            "face": (0.148, 0.738),
            "frost": (0.267, 0.869),
        },
    ),
    INCLINE.id: (
        Photograph("incline", middle_ev=11.3),
        {"wall": (0.042, 0.691), "fog": (0.517, 0.1)},
    ),
    POOL.id: (Photograph("frozen-pool", middle_ev=12.0), {}),
    ADIT.id: (
        Photograph("adit", middle_ev=6.2),
        {"props": (0.342, 0.494), "water": (0.492, 0.719)},
    ),
}
SPOT_RADIUS = 0.0063  # a degree on a picture that sees 69


def _photograph(connection: database.Connection, folder: Path, scene: Scene) -> None:
    """The photograph of a scene, and its readings where they lie in it."""
    of, lying = PICTURES[scene.id]
    at = min(each.taken_at for each in scene.readings)
    file = scan.photograph(connection, folder, of, scene.id, at)
    readings = tuple(
        replace(each, spot=spot(file, *lying[each.id], SPOT_RADIUS)) if each.id in lying else each
        for each in scene.readings
    )
    scenes.put(connection, replace(scene, readings=readings))


def build(folder: Path, today: date = WRITTEN) -> None:
    """Create the demo's database in ``folder`` unless it holds the outing already; its days stand
    beside ``today``."""
    folder.mkdir(parents=True, exist_ok=True)
    opening.prepare(folder / DATABASE)
    connection = database.connect(folder / DATABASE)
    try:
        if outings.outing(connection, OUTING.id) is None:
            with transactions.transaction(connection):
                _fill(connection, folder, moved_to(today))
    finally:
        connection.close()


def _fill(connection: database.Connection, folder: Path, moved: Moved) -> None:
    bag.fill(connection, moved)
    for number in range(1, 7):
        records.keep(connection, Holder(id=f"holder-{number}", number=number))
    trials.fill(connection, folder, moved)
    autumn.fill(connection, folder, moved)
    for test in sheets.TESTS:
        records.keep(connection, moved(test))
    for kept in (prints.PAPER, prints.ENLARGER):
        records.keep(connection, moved(kept))
    for print_ in prints.PRINTS:
        printed.put(connection, moved(print_))
    for strip in prints.STRIPS:
        records.keep(connection, moved(strip))
    for tried in prints.TRIES:
        printed.put_try(connection, moved(tried))
    scan.attach_strip(connection, folder, sheets.VELM_TEST.id, moved(f"{DAY}T18:10:00.000Z"))
    for where, film_id in LOADED:
        made.sheet(connection, f"sheet-{where}", where, film_id, moved(f"{DAY}T07:30:00.000Z"))
    records.keep(connection, moved(OUTING))
    for scene in (WINDING_HOUSE, INCLINE, POOL, ADIT):
        scenes.put(connection, moved(scene))
        _photograph(connection, folder, moved(scene))
    practised.fill(connection, moved)
    for scene, where, at in EXPOSED:
        made.expose(connection, moved(scene), f"exposure-{where}", f"sheet-{where}", moved(at))
