"""Records of every kind, drawn by the types of their fields, within the ranges said there.

A field that is added to a record is drawn from then on, without a word here. Only what no type can
say stands here: values that must fit each other.
"""

import dataclasses
import types
import typing
from functools import cache
from typing import Annotated, Any, Literal, Union, get_args, get_origin

from hypothesis import strategies as st
from hypothesis.strategies import SearchStrategy

from emulsa.core.bench.record import Conditions
from emulsa.core.corrections.aperture_choice import ByLimits
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.optics import Lens, MeasuredSpeed, Shutter
from emulsa.core.corrections.reciprocity import PowerLaw, StopsLaw, TableLaw
from emulsa.core.data.agitation import CONTINUOUS, SCHEMES
from emulsa.core.development.choice import Choice
from emulsa.core.development.recipes import Recipe
from emulsa.core.errors import CoreError
from emulsa.core.film.pieces import Piece
from emulsa.core.film.rolls import Strip
from emulsa.core.film.stock import Stock
from emulsa.core.kit.darkroom import Bath, Bottle, Line, Tank
from emulsa.core.kit.films import Film
from emulsa.core.kit.printing import PaperBath, PaperBox
from emulsa.core.limits import Length, Within
from emulsa.core.moments import Instant
from emulsa.core.practice.record import PracticeAnswer, PractisedScene
from emulsa.core.practice.scene import KINDS, OwnPatch, PracticeScene
from emulsa.core.practice.verdict import PlacedPatch, SceneJudgeRequest
from emulsa.core.rendering.tones import NORMAL_PAPER
from emulsa.core.scene.record import Movements, Scene

LONGEST = 40
MOST = 4
# no control characters and no ends of lines: names stand on one line
texts = st.characters(codec="utf-8", exclude_categories=("Cc", "Cs", "Zl", "Zp"))
moments = st.sampled_from(["2026-01-17T09:20:00.000Z", "2025-11-22T10:41:30+01:00"])
ways = st.sampled_from([*SCHEMES, *CONTINUOUS])
days = st.sampled_from(["", "2025-11-20", "2024-02-29"])


@cache
def of(kind: Any) -> SearchStrategy[Any]:
    """Values of a type, within its limits."""
    if kind in OWN:
        return OWN[kind]()
    origin, arguments = get_origin(kind), get_args(kind)
    if origin is Annotated:
        return _limited(arguments[0], arguments[1:])
    if origin is Literal:
        return st.sampled_from(arguments)
    if origin in (Union, types.UnionType):
        return st.one_of(*(of(each) for each in arguments))
    if origin is tuple and arguments[1:] == (...,):
        return st.lists(of(arguments[0]), max_size=MOST).map(tuple)
    if origin is tuple:
        return st.tuples(*(of(each) for each in arguments))
    if origin is dict:
        return st.dictionaries(st.text("abc", max_size=3), st.floats(-9, 9), max_size=2)
    if dataclasses.is_dataclass(kind):
        return record(kind)
    plain: dict[Any, SearchStrategy[Any]] = {
        float: st.floats(-1e6, 1e6),
        int: st.integers(-(10**6), 10**6),
        bool: st.booleans(),
        str: st.text(texts, max_size=LONGEST),
        type(None): st.none(),
    }
    return plain[kind]


def _limited(kind: Any, limits: tuple[Any, ...]) -> SearchStrategy[Any]:
    for limit in limits:
        if isinstance(limit, Within):
            if kind is int:
                return st.integers(int(limit.low), int(limit.high))
            return st.floats(limit.low, limit.high)
        if isinstance(limit, Length) and get_origin(kind) is tuple:
            most = min(limit.high, limit.low + MOST)
            return st.lists(of(get_args(kind)[0]), min_size=limit.low, max_size=most).map(tuple)
        if isinstance(limit, Length):
            return st.text(
                texts, min_size=limit.low, max_size=max(limit.low, min(limit.high, LONGEST))
            )
        if isinstance(limit, Instant):
            return moments
    return of(kind)


def record(kind: Any, /, **own: SearchStrategy[Any]) -> SearchStrategy[Any]:
    """Records with every field drawn, some of them by a strategy of their own."""
    hints = typing.get_type_hints(kind, include_extras=True)
    names = [each.name for each in dataclasses.fields(kind)]
    fields = {name: own[name] if name in own else of(hints[name]) for name in names}
    return st.fixed_dictionaries(fields).filter(lambda found: _stands(kind, found)).map(_made(kind))


def _made(kind: Any) -> Any:
    return lambda found: kind(**found)


def _stands(kind: Any, found: dict[str, Any]) -> bool:
    try:
        kind(**found)
    except CoreError:
        return False
    return True


def _distinct(kind: Any, name: str) -> SearchStrategy[Any]:
    """Rows of a record's field, no two with the same value of their first field."""
    rows = typing.get_type_hints(kind, include_extras=True)[name]
    row = get_args(get_args(rows)[0])[0]
    first = dataclasses.fields(row)[0].name
    return st.lists(of(row), max_size=MOST, unique_by=lambda each: getattr(each, first)).map(tuple)


def _films() -> SearchStrategy[Any]:
    return record(Film, textural_range=st.tuples(st.floats(0, 4), st.floats(5, 10)))


def _tables() -> SearchStrategy[Any]:
    return st.integers(1, 6).map(
        lambda count: TableLaw(rows=tuple((10.0**k, 20.0**k, 1 - k / 20) for k in range(count)))
    )


def _stops() -> SearchStrategy[Any]:
    return st.integers(1, 6).map(
        lambda count: StopsLaw(rows=tuple((10.0**k, float(k)) for k in range(count)))
    )


def _recipes() -> SearchStrategy[Any]:
    return record(
        Recipe,
        scheme=st.none() | ways,
        warmth=_distinct(Recipe, "warmth"),
        ratings=_distinct(Recipe, "ratings"),
    )


def _shutters() -> SearchStrategy[Any]:
    return st.sampled_from(
        [
            Shutter(),
            Shutter(fastest="1/125", slowest="1/2"),
            Shutter(series="old_leaf", fastest="1/100"),
            Shutter(by_hand="none", measured=(MeasuredSpeed(mark="1/60", seconds=1 / 48),)),
        ]
    )


def _lenses() -> SearchStrategy[Any]:
    widest, smallest = st.sampled_from(["2.8", "5.6", "8", 6.8]), st.sampled_from(["32", "64"])
    return record(Lens, widest=widest, smallest=smallest, aperture_series=st.just("full"))


def _filters() -> SearchStrategy[Any]:
    """By one of factor, stops and density; a colour only where it says something."""
    said = {"factor": st.floats(1, 1000), "stops": st.floats(0, 20), "density": st.floats(0, 6)}
    nothing: SearchStrategy[Any] = st.none()
    ways_ = [
        record(Filter, **{each: said[each] if each == way else nothing for each in said}, **more)
        for way in said
        for more in ({"colour": st.just("")}, {"type": st.just("contrast")})
    ]
    return st.one_of(ways_)


def _limits() -> SearchStrategy[Any]:
    return record(ByLimits, near_mm=st.floats(500, 2000), far_mm=st.floats(3000, 1e8))


def _stocks() -> SearchStrategy[Any]:
    return record(
        Stock,
        count=st.integers(10, 10_000),
        spent=st.integers(0, 10),
        expires=st.sampled_from(["", "2027-06", "2027-06-30"]),
    )


def _lines() -> SearchStrategy[Any]:
    other = st.sampled_from(["presoak", "stop", "fixer", "rinse", "wash", "dry"])
    baths = st.lists(
        record(Bath, kind=other, agitation=st.none() | ways, hardener=hardeners), max_size=MOST
    )
    developer = Bath(name="Developer", kind="developer")
    return record(Line, baths=baths.map(lambda others: (developer, *others)))


def _choices() -> SearchStrategy[Any]:
    return st.one_of(
        record(Choice, minutes=st.none()), record(Choice, reason=st.just("thin last time"))
    )


def _strips() -> SearchStrategy[Any]:
    return record(Strip, first_frame=st.integers(1, 30), last_frame=st.integers(30, 72))


def _pieces() -> SearchStrategy[Any]:
    """A sheet in a side, a frame on a roll, or neither; in a run only when it can be."""
    nothing: SearchStrategy[Any] = st.none()
    dry = st.sampled_from(["loaded", "exposed", "blank"])
    nowhere = {"holder_id": nothing, "side": nothing, "roll_id": nothing, "frame": nothing}
    places: list[dict[str, SearchStrategy[Any]]] = [
        {**nowhere, "holder_id": st.just("h"), "side": st.sampled_from(["A", "B"])},
        {**nowhere, "roll_id": st.just("r"), "frame": st.integers(1, 72)},
        nowhere,
    ]
    runs: list[dict[str, SearchStrategy[Any]]] = [
        {"run_id": nothing, "state": dry},
        {"run_id": st.just("run"), "state": st.sampled_from(["in_run", "developed", "judged"])},
    ]
    return st.one_of([record(Piece, **place, **run) for place in places for run in runs])


hardeners = st.sampled_from(["", "1+39", "1 + 9,5"])


# Kinds whose values must fit each other, as no type can say it.
@st.composite
def _simulated(draw: st.DrawFn) -> PracticeScene:
    """A scene of any kind; a drawn one by its name, one's own by its tones."""
    kind = draw(st.sampled_from(KINDS))
    tones = tuple(OwnPatch(name=f"tone {k}", ev100=draw(st.floats(-8, 24))) for k in range(3))
    return PracticeScene(
        kind=kind,
        seed=draw(st.integers(0, 2**31 - 1)),
        minutes=draw(st.floats(0, 600)),
        name="tip" if kind == "drawn" else "",
        own=tones if kind == "own" else (),
    )


def _practised() -> SearchStrategy[Any]:
    """Its scene is any; what it was judged by one that stands by itself."""
    judged = record(
        SceneJudgeRequest,
        placed=st.just(PlacedPatch(patch="wall", reading_ev100=9, zone=3)),
        law=of(PowerLaw),
        paper=st.just(NORMAL_PAPER),
    )
    bare = st.just(Scene(id="scene", outing_id="practice", title="wall"))
    return record(PractisedScene, scene=bare, exposed=st.none() | judged)


OWN: dict[Any, Any] = {
    Film: _films,
    TableLaw: _tables,
    StopsLaw: _stops,
    Recipe: _recipes,
    Shutter: _shutters,
    Lens: _lenses,
    Filter: _filters,
    ByLimits: _limits,
    Stock: _stocks,
    Tank: lambda: record(Tank, agitation=ways),
    Line: _lines,
    Bottle: lambda: record(Bottle, mixed=days, opened=days),
    PaperBox: lambda: record(PaperBox, gone=st.just(0), opened=days),
    Bath: lambda: record(Bath, agitation=st.none() | ways, hardener=hardeners),
    PaperBath: lambda: record(PaperBath, agitation=st.none() | ways, hardener=hardeners),
    Conditions: lambda: record(Conditions, expires=st.sampled_from(["", "2027-06"])),
    Movements: lambda: (
        record(Movements, tilt_deg=st.none()) | record(Movements, hinge_mm=st.none())
    ),
    Choice: _choices,
    Strip: _strips,
    Piece: _pieces,
    PracticeScene: _simulated,
    PractisedScene: _practised,
    PracticeAnswer: lambda: record(
        PracticeAnswer, day=st.sampled_from(["2026-01-17", "2024-02-29"]), given=st.floats(0.01, 99)
    ),
}


@st.composite
def scenes(draw: st.DrawFn) -> Scene:
    """A scene of the demo's kit, with anything decided or not."""
    scene: Scene = draw(record(Scene, revisits=st.none(), recipe_id=st.none()))
    spots = tuple(
        dataclasses.replace(each, id=f"r{place}") for place, each in enumerate(scene.readings)
    )
    some = st.none() | st.sampled_from([each.id for each in spots]) if spots else st.none()
    pinned, high = draw(some), draw(some)
    pinhole = draw(st.booleans())
    filters = st.lists(st.sampled_from(["filter-red", "filter-yellow"]), max_size=3)
    return dataclasses.replace(
        scene,
        id="scene",
        outing_id="outing-quarry",
        film_id=draw(st.sampled_from([None, "film-corvane", "film-ostrel", "film-velm"])),
        lens_id=None if pinhole else draw(st.sampled_from([None, "lens-90", "lens-150"])),
        pinhole_id="pinhole-box" if pinhole else None,
        meter_id=draw(st.sampled_from([None, "meter-spot"])),
        filter_ids=tuple(draw(filters)),
        aperture=draw(st.sampled_from([None, "16", "32", 33.5])),
        pin=dataclasses.replace(scene.pin, reading=pinned) if scene.pin and pinned else None,
        high=dataclasses.replace(scene.high, reading=high) if scene.high and high else None,
        low=draw(some),
        readings=spots,
    )
