"""A winter outing in a disused upland slate quarry. Every name here is invented.

Built once into its own folder, through the same core and store as a user's data; a folder that
already holds the outing is left as it is.
"""

from __future__ import annotations

from dataclasses import replace
from pathlib import Path

from emulsa import __version__
from emulsa.core.corrections.bellows import ByDraw
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.optics import Lens, MeasuredSpeed, Pinhole, Shutter
from emulsa.core.corrections.reciprocity import NoFailure, PowerLaw, TableLaw
from emulsa.core.development.recipes import Point, Recipe
from emulsa.core.exposed import Given, log
from emulsa.core.exposing.request import High
from emulsa.core.film.emulsions import Film, FilmRecipe, Provenance
from emulsa.core.film.sheets import Holder, Sheet, Side
from emulsa.core.kit import Camera, KitFilter, KitLens, KitPinhole, Meter
from emulsa.core.light.meters import EvReading
from emulsa.core.outing import Outing
from emulsa.core.scene import Pin, Scene, SceneReading, plan
from emulsa.store import database, exposures, films, holders, kit, outings, scenes

DAY = "2026-01-17"
SETTINGS_FILE = "emulsa.sqlite3"

FILMS = (
    Film(
        id="film-corvane",
        name="Corvane 100",
        exposure_index=100,
        law=PowerLaw(exponent=1.26, from_s=1, tested_until_s=600),
        price=2.4,
        provenance=Provenance(
            exposure_index="own test, autumn",
            textural_range="own test",
            law="three own test sheets",
            price="box of 25",
        ),
        note="General purpose, long straight line.",
    ),
    Film(
        id="film-ostrel",
        name="Ostrel 400",
        exposure_index=250,
        textural_range=(2, 9),
        law=TableLaw(rows=((1, 1), (10, 18, 0.95), (100, 260, 0.9), (600, 2_400, 0.85))),
        price=3.1,
        provenance=Provenance(exposure_index="rated lower than the box", law="maker's sheet"),
        note="Fast and soft in the highlights; for the pinhole and for wind.",
    ),
    Film(
        id="film-velm",
        name="Velm 25",
        exposure_index=25,
        textural_range=(2, 7),
        law=NoFailure(until_s=120),
        note="Very fine grain; blocks early.",
    ),
)

RECIPES = (
    FilmRecipe(
        id="recipe-corvane-mq",
        film_id="film-corvane",
        name="Metol–hydroquinone 1+1, trays",
        recipe=Recipe(
            developer="metol–hydroquinone developer",
            dilution="1+1",
            agitation="tray shuffle",
            points=(
                Point(n=-2, minutes=5.5, ei=64, origin="personal"),
                Point(n=-1, minutes=6.8333333333, ei=80, origin="personal"),
                Point(n=0, minutes=8.5, ei=100, origin="personal"),
                Point(n=0, minutes=9, ei=100, origin="published"),
                Point(n=1, minutes=11.5, ei=125, origin="personal"),
            ),
        ),
    ),
    FilmRecipe(
        id="recipe-corvane-stain",
        film_id="film-corvane",
        name="Two-part staining, semi-stand",
        recipe=Recipe(
            developer="two-part staining developer",
            dilution="1+1+100",
            agitation="30 s, then 10 s every 10 min",
            temperature_c=20,
            k_per_c=0.07,
            points=(Point(n=-2, minutes=45, ei=80, origin="personal"),),
        ),
        note="Poisonous through skin: gloves.",
    ),
    FilmRecipe(
        id="recipe-ostrel-mq",
        film_id="film-ostrel",
        name="Metol–hydroquinone 1+1, tank",
        recipe=Recipe(
            developer="metol–hydroquinone developer",
            dilution="1+1",
            agitation="30 s, then 10 s each minute",
            points=(Point(n=0, minutes=11, ei=250, origin="published"),),
        ),
    ),
    FilmRecipe(
        id="recipe-ostrel-ascorbate",
        film_id="film-ostrel",
        name="Phenidone–ascorbate stock, tank",
        recipe=Recipe(
            developer="phenidone–ascorbate developer",
            dilution="stock",
            agitation="30 s, then 10 s each minute",
            points=(
                Point(n=-1, minutes=6, ei=200, origin="published"),
                Point(n=0, minutes=7.5, ei=250, origin="published"),
            ),
        ),
    ),
    FilmRecipe(
        id="recipe-velm-soft",
        film_id="film-velm",
        name="Soft metol, trays",
        recipe=Recipe(
            developer="metol developer",
            dilution="stock",
            agitation="tray shuffle",
            points=(
                Point(n=-1, minutes=7, ei=20, origin="published"),
                Point(n=0, minutes=9, ei=25, origin="published"),
                Point(n=1, minutes=12, ei=25, origin="published"),
            ),
        ),
    ),
    FilmRecipe(
        id="recipe-velm-mq",
        film_id="film-velm",
        name="Metol–hydroquinone 1+3, trays",
        recipe=Recipe(
            developer="metol–hydroquinone developer",
            dilution="1+3",
            agitation="tray shuffle",
            points=(Point(n=0, minutes=10, ei=25, origin="published"),),
        ),
    ),
)

CAMERAS = (
    Camera(id="camera-field", name="Field camera 4×5", format_mm=(120, 95)),
    Camera(id="camera-box", name="Pinhole box 4×5", format_mm=(120, 95)),
)

LENSES = (
    KitLens(
        id="lens-90",
        name="90 mm wide",
        camera_id="camera-field",
        optics=Lens(
            focal_length_mm=90,
            widest="8",
            smallest="45",
            shutter=Shutter(
                measured=(
                    MeasuredSpeed(mark="1/500", seconds=0.00266),
                    MeasuredSpeed(mark="1/250", seconds=0.0046),
                    MeasuredSpeed(mark="1/60", seconds=0.0208),
                    MeasuredSpeed(mark="1", seconds=1.17),
                )
            ),
        ),
        note="Shutter tested in frost: its ends run long.",
    ),
    KitLens(
        id="lens-150",
        name="150 mm",
        camera_id="camera-field",
        optics=Lens(focal_length_mm=150, widest="5.6", smallest="64", shutter=Shutter()),
    ),
    KitLens(
        id="lens-300",
        name="300 mm telephoto",
        camera_id="camera-field",
        optics=Lens(
            focal_length_mm=300,
            pupil_magnification=0.7,
            telephoto=True,
            widest="9",
            smallest="64",
            shutter=Shutter(fastest="1/125"),
        ),
    ),
)

PINHOLE = KitPinhole(
    id="pinhole-box",
    name="0.2 mm at 30 mm",
    camera_id="camera-box",
    optics=Pinhole(diameter_mm=0.2, distance_mm=30),
    note="Measured under a loupe.",
)

FILTERS = (
    KitFilter(
        id="filter-yellow",
        name="Medium yellow",
        filter=Filter(factor=2, tungsten_factor=1.5, type="contrast", colour="yellow"),
    ),
    KitFilter(
        id="filter-red",
        name="Deep red",
        filter=Filter(factor=8, tungsten_factor=5, type="contrast", colour="red"),
    ),
    KitFilter(id="filter-neutral", name="Neutral 0.9", filter=Filter(density=0.9)),
    KitFilter(
        id="filter-graduated",
        name="Graduated 2 stops",
        filter=Filter(stops=2, type="graduated"),
        note="Soft edge; line it up at working aperture.",
    ),
    KitFilter(id="filter-polariser", name="Polariser", filter=Filter(stops=1.5, type="polariser")),
)

METER = Meter(id="meter-spot", name="Spot meter, 1°", scale="third", spot_deg=1)

OUTING = Outing(
    id="outing-quarry",
    title="Third outing, frost",
    day=DAY,
    place="Skarrowmoor slate quarry, disused",
    conditions="Clear, then fog from the valley; −4 °C",
)


def _reading(id_: str, label: str, ev: float, minute: int) -> SceneReading:
    taken_at = f"{DAY}T{9 + minute // 60:02d}:{minute % 60:02d}:00.000Z"
    return SceneReading(id=id_, label=label, reading=EvReading(ev=ev), taken_at=taken_at)


WINDING_HOUSE = Scene(
    id="scene-winding-house",
    outing_id=OUTING.id,
    title="Winding house, sun on the incline",
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
        _reading("props", "pit props", 3, 180),
        _reading("water", "flooded floor", 4 + 2 / 3, 181),
        _reading("mouth", "daylit rim", 9, 181),
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
    (WINDING_HOUSE, "1A", f"{DAY}T09:20:00.000Z", None),
    (WINDING_HOUSE, "1B", f"{DAY}T09:24:00.000Z", None),
    (INCLINE, "4A", f"{DAY}T10:12:00.000Z", None),
    (ADIT, "3A", f"{DAY}T12:40:00.000Z", None),
)


def build(folder: Path) -> None:
    """Create the demo's database in ``folder`` unless it holds the outing already."""
    folder.mkdir(parents=True, exist_ok=True)
    connection = database.connect(folder / SETTINGS_FILE)
    try:
        database.migrate(connection)
        if outings.outing(connection, OUTING.id) is None:
            with database.transaction(connection):
                _fill(connection)
    finally:
        connection.close()


def _fill(connection: database.Connection) -> None:
    for film in FILMS:
        films.put_film(connection, film)
    for recipe in RECIPES:
        films.put_recipe(connection, recipe)
    for camera in CAMERAS:
        kit.put_camera(connection, camera)
    for lens in LENSES:
        kit.put_lens(connection, lens)
    kit.put_pinhole(connection, PINHOLE)
    for filter_ in FILTERS:
        kit.put_filter(connection, filter_)
    kit.put_meter(connection, METER)
    for number in range(1, 7):
        holders.put_holder(connection, Holder(id=f"holder-{number}", number=number))
    for where, film_id in LOADED:
        holders.put_sheet(connection, _sheet(where, film_id))
    outings.put(connection, OUTING)
    for scene in (WINDING_HOUSE, INCLINE, POOL, ADIT):
        scenes.put(connection, scene)
    for scene, where, at, seconds in EXPOSED:
        _expose(connection, scene, where, at, seconds)


def _sheet(where: str, film_id: str) -> Sheet:
    side: Side = "A" if where.endswith("A") else "B"
    return Sheet(
        id=f"sheet-{where}",
        film_id=film_id,
        holder_id=f"holder-{where[:-1]}",
        side=side,
        state="loaded",
        loaded_at=f"{DAY}T07:30:00.000Z",
    )


def _expose(
    connection: database.Connection, scene: Scene, where: str, at: str, seconds: float | None
) -> None:
    request = plan(scene, scenes.kit_of(connection, scene))
    recipe = films.first_recipe(connection, scene.film_id or "")
    given = Given(
        id=f"exposure-{where}", scene_id=scene.id, sheet_id=f"sheet-{where}", time=seconds
    )
    exposures.put(connection, log(given, request, recipe.id if recipe else None, at, __version__))
    sheet = holders.sheet(connection, given.sheet_id)
    assert sheet is not None
    holders.put_sheet(connection, replace(sheet, state="exposed"))
