"""Records of every kind, drawn at random within their ranges."""

from hypothesis import strategies as st

from emulsa.core.corrections.aperture_choice import ByLimits, BySpread
from emulsa.core.corrections.bellows import (
    ByDraw,
    ByExtension,
    ByMagnification,
    BySubject,
    ByTarget,
    Infinity,
)
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.movement import Movement
from emulsa.core.corrections.optics import Lens, MeasuredSpeed, Pinhole, Shutter
from emulsa.core.corrections.reciprocity import AdditiveLaw, NoFailure, PowerLaw, TableLaw
from emulsa.core.darkroom.run import Run
from emulsa.core.development.recipes import Point, Rating, Recipe, Warmth
from emulsa.core.exposing.request import High
from emulsa.core.exposing.schools import SCHOOLS
from emulsa.core.film.formats import SheetFormat
from emulsa.core.film.holders import Fault, Holder
from emulsa.core.film.judgement import Judgement
from emulsa.core.film.rolls import Roll
from emulsa.core.film.stock import Stock
from emulsa.core.kit.bag import Back, Camera, KitFilter, KitLens, KitPinhole, Meter
from emulsa.core.kit.films import Film, FilmRecipe, Provenance
from emulsa.core.light.meters import (
    Calibrated,
    EvReading,
    IlluminanceReading,
    LuminanceReading,
    MeanReading,
    TimeReading,
)
from emulsa.core.outing.record import Outing
from emulsa.core.scene.record import Pin, Scene, SceneReading

names = st.text(st.characters(codec="utf-8", exclude_characters="\0"), min_size=1, max_size=40)
notes = st.text(st.characters(codec="utf-8", exclude_characters="\0"), max_size=40)
zones = st.integers(0, 30).map(lambda thirds: thirds / 3)
indices = st.floats(0.5, 25_600)

laws = st.one_of(
    st.none(),
    st.builds(NoFailure, until_s=st.floats(0.1, 1e4)),
    st.builds(PowerLaw, exponent=st.floats(1, 2), tested_until_s=st.none() | st.floats(1, 1e4)),
    st.builds(AdditiveLaw, a=st.floats(0, 5), b=st.floats(1, 2)),
    st.integers(1, 6).map(
        lambda count: TableLaw(rows=tuple((10.0**k, 20.0**k, 1 - k / 20) for k in range(count)))
    ),
)
ranges = st.tuples(st.floats(0, 4), st.floats(5, 10))
films = st.builds(
    Film,
    id=st.just("film"),
    name=names,
    exposure_index=indices,
    textural_range=ranges,
    law=laws,
    price=st.none() | st.floats(0, 100),
    provenance=st.builds(Provenance, exposure_index=notes, law=notes),
    note=notes,
    archived=st.booleans(),
)
points = st.builds(
    Point,
    n=st.integers(-10, 10).map(lambda halves: halves / 2),
    minutes=st.floats(0.5, 240),
    ei=st.none() | indices,
    origin=st.sampled_from(["tested", "published", "personal"]),
    who=notes,
    note=notes,
)
ratings = st.lists(
    st.builds(Rating, ei=indices, minutes=st.floats(0.5, 240), who=notes),
    max_size=4,
    unique_by=lambda row: row.ei,
).map(tuple)
warmths = st.lists(
    st.builds(Warmth, temperature_c=st.floats(18, 27), minutes=st.floats(0.5, 240)),
    max_size=4,
    unique_by=lambda row: row.temperature_c,
).map(tuple)
recipes = st.builds(
    FilmRecipe,
    id=st.just("recipe"),
    film_id=st.just("film"),
    name=names,
    recipe=st.builds(
        Recipe,
        developer=notes,
        temperature_c=st.floats(18, 27),
        points=st.lists(points, max_size=5).map(tuple),
        colon=st.sampled_from([None, "one_plus_n", "one_in_n"]),
        scheme=st.sampled_from([None, "30+10", "semi-stand", "rotary"]),
        warmth=warmths,
        ratings=ratings,
        minimum_ml_per_roll=st.floats(0, 1_000),
        rolls_per_litre=st.none() | st.floats(0.1, 1_000),
        compensating=st.booleans(),
        not_recommended=notes,
    ),
    note=notes,
)
shutters = st.sampled_from(
    [
        Shutter(),
        Shutter(fastest="1/125", slowest="1/2"),
        Shutter(series="old_leaf", fastest="1/100"),
        Shutter(by_hand="none", measured=(MeasuredSpeed(mark="1/60", seconds=1 / 48),)),
    ]
)
lenses = st.builds(
    KitLens,
    id=st.just("lens"),
    name=names,
    optics=st.builds(
        Lens,
        focal_length_mm=st.floats(5, 3000),
        pupil_magnification=st.floats(0.2, 5),
        telephoto=st.booleans(),
        widest=st.sampled_from(["2.8", "5.6", "8", 6.8]),
        smallest=st.sampled_from(["32", "64", "90"]),
        shutter=shutters,
    ),
    note=notes,
)
pinholes = st.builds(
    KitPinhole,
    id=st.just("pinhole"),
    name=names,
    optics=st.builds(Pinhole, diameter_mm=st.floats(0.02, 5), distance_mm=st.floats(2, 3000)),
    note=notes,
)
filters = st.builds(
    KitFilter,
    id=st.just("filter"),
    name=names,
    filter=st.one_of(
        st.builds(Filter, factor=st.floats(1, 1000)),
        st.builds(Filter, stops=st.floats(0, 20)),
        st.builds(Filter, density=st.floats(0, 6)),
        st.builds(
            Filter,
            factor=st.floats(1, 30),
            tungsten_factor=st.none() | st.floats(1, 30),
            type=st.just("contrast"),
            colour=st.sampled_from(["yellow", "red", "green"]),
        ),
        st.builds(Filter, stops=st.floats(0, 4), type=st.sampled_from(["graduated", "polariser"])),
    ),
    note=notes,
)
meters = st.builds(
    Meter,
    id=st.just("meter"),
    name=names,
    calibration=st.builds(
        Calibrated, k=st.floats(8, 20), c=st.floats(200, 600), offset_stops=st.floats(-5, 5)
    ),
    iso=indices,
    scale=st.sampled_from(["third", "half", "tenth", "full"]),
    spot_deg=st.none() | st.floats(0.1, 180),
    note=notes,
    archived=st.booleans(),
)
cameras = st.builds(
    Camera,
    id=st.just("camera"),
    name=names,
    format_mm=st.tuples(st.floats(5, 1500), st.floats(5, 1500)),
    backs=st.lists(st.builds(Back, name=names, format_mm=st.just((112.0, 56.0))), max_size=2).map(
        tuple
    ),
    note=notes,
)
outings = st.builds(
    Outing,
    id=st.just("outing"),
    title=names,
    day=st.sampled_from(["", "2026-01-17"]),
    place=notes,
    conditions=notes,
    light=notes,
    temperature_c=st.none() | st.floats(-60, 60),
    packed=st.lists(notes, max_size=3).map(tuple),
    note=notes,
)
places = st.tuples(st.floats(-90, 90), st.floats(-180, 180))
stocks = st.builds(
    Stock,
    id=st.just("stock"),
    film_id=st.just("film-corvane"),
    format=st.sampled_from(["4x5", "120", "135", "own-size"]),
    count=st.integers(10, 10_000),
    spent=st.integers(0, 10),
    price=st.none() | st.floats(0, 10_000),
    expires=st.sampled_from(["", "2027-06", "2027-06-30"]),
    kept=st.sampled_from(["freezer", "fridge", "shelf", "bag"]),
    opened=notes,
    emulsion=notes,
    note=notes,
    archived=st.booleans(),
)
sheet_formats = st.builds(
    SheetFormat,
    id=st.just("format"),
    name=names,
    size_mm=st.tuples(st.floats(5, 1500), st.floats(5, 1500)),
    note=notes,
    archived=st.booleans(),
)
faults = st.builds(
    Fault,
    kind=st.sampled_from(["light leak", "damage", "dust", "other"]),
    noticed=notes,
    side=st.sampled_from([None, "A", "B"]),
    note=notes,
    mended=st.booleans(),
)
holders = st.builds(
    Holder,
    id=st.just("holder"),
    number=st.integers(1, 999),
    format=st.sampled_from(["4x5", "8x10", "format"]),
    faults=st.lists(faults, max_size=3).map(tuple),
    retired=st.booleans(),
    note=notes,
)
rolls = st.builds(
    Roll,
    id=st.just("roll"),
    number=st.integers(1, 9_999),
    film_id=st.just("film-corvane"),
    format=st.sampled_from(["6x6", "24x36"]),
    frames=st.integers(1, 72),
    back=notes,
    exposure_index=st.none() | indices,
    place=st.sampled_from(["camera", "bag", "done"]),
    advanced=st.booleans(),
    next_frame=st.integers(1, 73),
    note=notes,
)
runs = st.builds(
    Run,
    id=st.just("run"),
    name=names,
    n=st.floats(-5, 5),
    minutes=st.none() | st.floats(0.5, 600),
    temperature_c=st.none() | st.floats(10, 35),
    note=notes,
)
judgements = st.builds(
    Judgement,
    id=st.just("sheet"),
    shadow=st.sampled_from(["none", "thin", "full"]),
    highlight=st.sampled_from(["flat", "full", "blocked"]),
    faults=st.lists(
        st.sampled_from(["fog", "dust", "uneven", "blank", "other"]), max_size=5, unique=True
    ).map(tuple),
    note=notes,
)
singles = st.one_of(
    st.builds(EvReading, ev=st.floats(-8, 24), iso=st.just(100.0)),
    st.builds(
        TimeReading,
        time=st.sampled_from(["1/60", "15", 37.5]),
        aperture=st.sampled_from(["22", 138.0]),
    ),
    st.builds(LuminanceReading, value=st.floats(0.01, 1e5), unit=st.sampled_from(["cd/m2", "fL"])),
    st.builds(IlluminanceReading, value=st.floats(1, 1e5), unit=st.sampled_from(["lx", "fc"])),
)
readings = singles | st.lists(
    st.builds(EvReading, ev=st.floats(-8, 24)), min_size=2, max_size=4
).map(lambda several: MeanReading(readings=tuple(several)))
focuses = st.one_of(
    st.just(Infinity()),
    st.builds(ByDraw, draw_mm=st.floats(0, 300)),
    st.builds(ByExtension, extension_mm=st.floats(150, 600)),
    st.builds(ByMagnification, m=st.floats(0, 3)),
    st.builds(ByTarget, target_mm=st.floats(10, 500), image_mm=st.floats(1, 100)),
    st.builds(BySubject, distance_mm=st.floats(200, 1e6)),
)


depths = st.one_of(
    st.none(),
    st.builds(BySpread, focus_spread_mm=st.floats(0.1, 50)),
    st.builds(ByLimits, near_mm=st.floats(500, 2000), far_mm=st.floats(3000, 1e8)),
)


@st.composite
def scenes(draw: st.DrawFn) -> Scene:
    """A scene of the demo's kit, with anything decided or not."""
    taken = draw(st.lists(st.tuples(notes, readings), max_size=6))
    spots = tuple(
        SceneReading(
            id=f"r{k}",
            label=label,
            reading=reading,
            taken_at="",
            incident=draw(st.booleans()),
            through=draw(st.booleans()),
            graduated=draw(st.booleans()),
            subject=draw(st.sampled_from(["", "blue_sky", "skin"])),
        )
        for k, (label, reading) in enumerate(taken)
    )
    some = st.none() if not spots else st.sampled_from([spot.id for spot in spots])
    pinned, high = draw(st.none() | some), draw(st.none() | some)
    pinhole = draw(st.booleans())
    return Scene(
        id="scene",
        outing_id="outing-quarry",
        title=draw(names),
        note=draw(notes),
        film_id=draw(st.sampled_from([None, "film-corvane", "film-ostrel", "film-velm"])),
        exposure_index=draw(st.none() | indices),
        lens_id=None if pinhole else draw(st.sampled_from([None, "lens-90", "lens-150"])),
        pinhole_id="pinhole-box" if pinhole else None,
        meter_id=draw(st.sampled_from([None, "meter-spot"])),
        filter_ids=draw(
            st.lists(st.sampled_from(["filter-red", "filter-yellow"]), max_size=3).map(tuple)
        ),
        focus=draw(focuses),
        aperture=draw(st.sampled_from([None, "16", "32", 33.5])),
        pin=Pin(reading=pinned, zone=draw(zones)) if pinned else None,
        high=High(reading=high, zone=draw(st.floats(4, 10))) if high else None,
        n=draw(st.none() | st.floats(-5, 5)),
        school=draw(st.none() | st.sampled_from(list(SCHOOLS))),
        low=draw(st.none() | some),
        light=draw(st.sampled_from(["daylight", "tungsten"])),
        depth=draw(depths),
        movement=draw(st.none() | st.builds(Movement, what=notes, speed_mm_s=st.floats(1, 2000))),
        readings=spots,
    )
