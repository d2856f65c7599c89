"""The kit of the demo: films, recipes, boxes, lenses and the rest. Every name here is invented."""

from __future__ import annotations

from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.optics import Lens, MeasuredSpeed, Pinhole, Shutter
from emulsa.core.corrections.reciprocity import NoFailure, PowerLaw, TableLaw
from emulsa.core.development.recipes import Point, Rating, Recipe, Warmth
from emulsa.core.kit.bag import Camera, KitFilter, KitLens, KitPinhole, Meter
from emulsa.core.kit.films import Film, FilmRecipe, Provenance
from emulsa.demo.calendar import Moved
from emulsa.demo.shelf import BOTTLES, LINE, POWDERS, STOCK, TANKS
from emulsa.store import records
from emulsa.store.database import Connection

FILMS = (
    Film(
        id="film-corvane",
        name="Corvane 100",
        exposure_index=100,
        law=PowerLaw(exponent=1.31, from_s=1, tested_until_s=600),
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
        law=NoFailure(until_s=90),
        note="Very fine grain; blocks early.",
    ),
)

OWN = "own sheets, last winter"

RECIPES = (
    FilmRecipe(
        id="recipe-corvane-mq",
        film_id="film-corvane",
        name="Metol–hydroquinone 1+1, trays",
        recipe=Recipe(
            developer="metol–hydroquinone developer",
            dilution="1+1",
            agitation="tray shuffle",
            rolls_per_litre=4,
            points=(
                Point(n=-2, minutes=5.5, ei=64, who=OWN),
                Point(n=-1, minutes=6.8333333333, ei=80, who=OWN),
                Point(n=0, minutes=8.5, ei=100, who=OWN),
                Point(n=0, minutes=9, ei=100, origin="published", who="the film's leaflet"),
                Point(n=1, minutes=11.5, ei=125, who=OWN),
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
            scheme="semi-stand",
            temperature_c=20,
            k_per_c=0.07,
            minimum_ml_per_roll=5,
            compensating=True,
            points=(Point(n=-2, minutes=45, ei=80, who=OWN),),
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
            warmth=(
                Warmth(temperature_c=18, minutes=13.5),
                Warmth(temperature_c=20, minutes=11),
                Warmth(temperature_c=22, minutes=9.25),
                Warmth(temperature_c=24, minutes=7.75),
            ),
            ratings=(
                Rating(ei=125, minutes=9),
                Rating(ei=250, minutes=11),
                Rating(ei=500, minutes=14.5),
                Rating(ei=1000, minutes=19),
            ),
            points=(Point(n=0, minutes=11, ei=250, origin="published", who="the film's leaflet"),),
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
    name="0.3 mm at 60 mm",
    camera_id="camera-box",
    optics=Pinhole(diameter_mm=0.3, distance_mm=60),
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


KIT = (*FILMS, *RECIPES, *CAMERAS, *LENSES, PINHOLE, *FILTERS, METER, *TANKS, LINE)


def fill(connection: Connection, moved: Moved) -> None:
    """Put the whole kit into a new database."""
    for record in (*KIT, *BOTTLES, *POWDERS, *STOCK):
        records.keep(connection, moved(record))
