"""What stands in the darkroom of the demo, and lies in its fridge."""

from __future__ import annotations

from emulsa.core.chemistry.powder import Powder, PowderPart
from emulsa.core.film.stock import Stock
from emulsa.core.kit.darkroom import Bath, Bottle, Line, Tank

STOCK = (
    Stock(
        id="box-corvane",
        film_id="film-corvane",
        format="4x5",
        count=25,
        price=60,
        expires="2027-03",
        kept="freezer",
        opened="2025-11-02",
        emulsion="C 417",
    ),
    Stock(
        id="box-ostrel",
        film_id="film-ostrel",
        format="4x5",
        count=10,
        spent=5,
        price=31,
        expires="2025-10",
        kept="fridge",
        opened="2025-09-20",
        note="Out of date on purpose: what the demo says of it is said of yours.",
    ),
    Stock(
        id="box-velm",
        film_id="film-velm",
        format="4x5",
        count=20,
        price=70,
        kept="freezer",
        opened="2026-01-10",
    ),
    Stock(
        id="brick-ostrel",
        film_id="film-ostrel",
        format="120",
        count=5,
        price=32.5,
        expires="2027-08",
        kept="fridge",
    ),
)


BOX_OF = {"film-corvane": "box-corvane", "film-ostrel": "box-ostrel", "film-velm": "box-velm"}


TANKS = (
    Tank(id="tank-four", name="Four-sheet tank", holds=4, volume_ml=500, pour_s=10, drain_s=10),
    Tank(
        id="tank-hangers",
        name="Hangers",
        holds=6,
        volume_ml=3_800,
        agitation="hangers",
        note="Three deep tanks in a row; strictly one way.",
    ),
    Tank(id="tank-trays", name="Trays 13×18", holds=4, volume_ml=750, agitation="shuffle"),
)


LINE = Line(
    id="line-usual",
    name="Usual sequence",
    baths=(
        Bath(name="Pre-soak", kind="presoak", seconds=120),
        Bath(name="Developer", kind="developer"),
        Bath(name="Stop bath", kind="stop", seconds=30, agitation="shuffle", dilution="1+19"),
        Bath(name="Fixer", kind="fixer", seconds=300, dilution="1+4"),
        Bath(name="Rinse", kind="rinse", seconds=30, agitation="shuffle"),
        Bath(name="Wash", kind="wash", seconds=600),
        Bath(name="Wetting agent", kind="wetting agent", seconds=60, dilution="1+200"),
        Bath(name="Dry", kind="dry", seconds=7_200),
    ),
)


BOTTLES = (
    Bottle(
        id="bottle-fixer",
        name="Fixer 1+4",
        kind="fixer",
        mixed="2025-11-20",
        shelf_days=180,
        capacity_rolls=20,
        used_rolls=6,
        fresh_clearing_s=35,
        clearing_s=45,
    ),
    Bottle(id="bottle-stop", name="Stop bath", kind="stop", mixed="2025-11-20", capacity_rolls=20),
)


POWDERS = (
    Powder(
        id="powder-mq",
        name="Metol–hydroquinone stock",
        volume_ml=1_000,
        start_ml=750,
        start_c=40,
        keeps_days=180,
        does_rolls=12,
        parts=(PowderPart(name="part A"), PowderPart(name="part B")),
        note="Keeps half a year in full bottles.",
    ),
)
