"""Sets to begin with, each added at one touch and changed afterwards like anything else.

They are what is usual in the trade (common practice, no source); no film and no time is among them,
for those are somebody's own.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

from emulsa.core.corrections.optics import Lens, Pinhole
from emulsa.core.errors import OutOfRange
from emulsa.core.kit.bag import Camera, KitLens, KitPinhole, Meter
from emulsa.core.kit.darkroom import Bath, Bottle, Line, Tank

Record = Camera | KitLens | KitPinhole | Meter | Tank | Line | Bottle
NOTE = "from a starter set; check it"


@dataclass(frozen=True, kw_only=True, slots=True)
class Starter:
    """A set: what it is called, what is in it in words, and its records."""

    key: str
    title: str
    says: str
    records: tuple[Record, ...]


def _lens(mm: int, widest: str, smallest: str) -> KitLens:
    optics = Lens(focal_length_mm=mm, widest=widest, smallest=smallest)
    return KitLens(id=f"lens-{mm}", name=f"{mm} mm", camera_id="camera", optics=optics, note=NOTE)


FIELD = Starter(
    key="large-format",
    title="4×5 camera with three lenses",
    says="90, 150 and 210 mm, each to f/45 or f/64",
    records=(
        Camera(id="camera", name="4×5 camera", format_mm=(120, 95), note=NOTE),
        _lens(90, "8", "45"),
        _lens(150, "5.6", "64"),
        _lens(210, "5.6", "64"),
    ),
)

HOLE = Starter(
    key="pinhole",
    title="6×6 pinhole camera",
    says="0.25 mm at 40 mm from the film: f/160",
    records=(
        Camera(id="camera", name="6×6 pinhole camera", format_mm=(56, 56), note=NOTE),
        KitPinhole(
            id="pinhole",
            name="0.25 mm at 40 mm",
            camera_id="camera",
            optics=Pinhole(diameter_mm=0.25, distance_mm=40),
            note="from a starter set; measure the hole",
        ),
    ),
)

ROLL = Starter(
    key="roll-film",
    title="Roll-film camera and spot meter",
    says="6×6 with an 80 mm lens, and a 1° meter",
    records=(
        Camera(id="camera", name="6×6 camera", format_mm=(56, 56), note=NOTE),
        _lens(80, "2.8", "22"),
        Meter(id="meter", name="Spot meter", spot_deg=1, note=NOTE),
    ),
)

TANKS = Starter(
    key="tanks",
    title="Two trays and a four-sheet tank",
    says="trays of 1 litre, a tank of 1 litre",
    records=(
        Tank(
            id="trays", name="Tray", holds=6, volume_ml=1_000, many=2, agitation="shuffle",
            note=NOTE,
        ),
        Tank(
            id="tank", name="Four-sheet tank", holds=4, volume_ml=1_000, agitation="30+10",
            pour_s=10, drain_s=10, note=NOTE,
        ),
    ),
)  # fmt: skip

_END = (
    Bath(name="Fixer", kind="fixer", seconds=300, dilution="1+4"),
    Bath(name="Rinse", kind="rinse", seconds=60),
    Bath(name="Washing aid", kind="washing aid", seconds=120),
    Bath(name="Wash, running", kind="wash", seconds=600),
    Bath(name="Wetting agent", kind="wetting agent", seconds=60),
)

TANK_BATHS = Starter(
    key="tank-baths",
    title="Bath sequence for tanks",
    says="developer, stop bath, fixer, rinse, washing aid, wash, wetting agent",
    records=(
        Line(
            id="sequence",
            name="Tanks, acid stop bath",
            baths=(
                Bath(name="Developer", kind="developer"),
                Bath(name="Stop bath", kind="stop", seconds=30, dilution="1+19"),
                *_END,
            ),
            note=NOTE,
        ),
    ),
)

TRAY_BATHS = Starter(
    key="tray-baths",
    title="Bath sequence for trays",
    says="pre-soak, developer, water instead of a stop bath, fixer and the rest",
    records=(
        Line(
            id="sequence",
            name="Trays, water stop",
            baths=(
                Bath(name="Pre-soak", kind="presoak", seconds=120, agitation="shuffle"),
                Bath(name="Developer", kind="developer", agitation="shuffle"),
                Bath(name="Water", kind="rinse", seconds=60, agitation="shuffle"),
                *_END,
            ),
            note=NOTE,
        ),
    ),
)

BOTTLES = Starter(
    key="bottles",
    title="Bottles by their generic names",
    says="two developers, stop bath, rapid fixer, washing aid, wetting agent",
    records=(
        Bottle(id="mq", name="Metol–hydroquinone developer, stock", note=NOTE),
        Bottle(id="ascorbate", name="Phenidone–ascorbate developer, stock", note=NOTE),
        Bottle(id="stop", name="Acid stop bath", kind="stop", note=NOTE),
        Bottle(id="fixer", name="Rapid fixer", kind="fixer", note=NOTE),
        Bottle(id="aid", name="Washing aid", kind="washing aid", note=NOTE),
        Bottle(id="wetting", name="Wetting agent", kind="wetting agent", note=NOTE),
    ),
)

STARTERS = (FIELD, HOLE, ROLL, TANKS, TANK_BATHS, TRAY_BATHS, BOTTLES)


def starter(key: str, id_: str) -> Starter:
    """A set whose records have ids of their own, made from one id; OutOfRange for no such set."""
    found = next((each for each in STARTERS if each.key == key), None)
    if found is None:
        known = [each.key for each in STARTERS]
        raise OutOfRange(f"The sets are {', '.join(known)}.", field="key", allowed=known)
    return replace(found, records=tuple(_named(each, id_) for each in found.records))


def _named(record: Record, id_: str) -> Record:
    named = replace(record, id=f"{id_}-{record.id}")
    if isinstance(named, (KitLens, KitPinhole)) and named.camera_id is not None:
        named = replace(named, camera_id=f"{id_}-{named.camera_id}")
    return named
