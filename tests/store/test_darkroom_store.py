"""Tanks, lines and bottles come back from SQLite as they went in."""

from pathlib import Path

from hypothesis import given, settings
from hypothesis import strategies as st

from emulsa.core import wire
from emulsa.core.data.agitation import CONTINUOUS, SCHEMES
from emulsa.core.film.runs import BathReading, Run, Went, WentStep
from emulsa.core.runs.darkroom_kit import Bath, Bottle, Line, Tank
from emulsa.store import darkroom, database, runs
from tests.strategies import names, notes

FEW = settings(max_examples=40)
ways = st.sampled_from([*SCHEMES, *CONTINUOUS])
days = st.sampled_from(["", "2025-11-20", "2024-02-29"])
tanks = st.builds(
    Tank,
    id=st.just("tank"),
    name=names,
    holds=st.integers(1, 100),
    volume_ml=st.floats(1, 100_000),
    many=st.integers(1, 20),
    agitation=ways,
    pour_s=st.floats(0, 120),
    drain_s=st.floats(0, 120),
    note=notes,
    archived=st.booleans(),
)
baths = st.builds(
    Bath,
    name=names,
    kind=st.sampled_from(["presoak", "stop", "fixer", "rinse", "wash", "dry"]),
    seconds=st.floats(1, 90_000),
    agitation=st.none() | ways,
)
lines = st.builds(
    Line,
    id=st.just("line"),
    name=names,
    baths=st.lists(baths, max_size=6).map(
        lambda others: (Bath(name="Developer", kind="developer"), *others)
    ),
    note=notes,
    archived=st.booleans(),
)
bottles = st.builds(
    Bottle,
    id=st.just("bottle"),
    name=names,
    kind=st.sampled_from(["developer", "stop", "fixer", "part A", "wetting agent"]),
    mixed=days,
    opened=days,
    shelf_days=st.none() | st.integers(1, 3_650),
    capacity_rolls=st.none() | st.floats(0, 1_000),
    used_rolls=st.floats(0, 1_000),
    fresh_clearing_s=st.none() | st.floats(1, 1_800),
    clearing_s=st.none() | st.floats(1, 1_800),
    note=notes,
    archived=st.booleans(),
)
wents = st.builds(
    Went,
    started_at=notes,
    steps=st.lists(st.builds(WentStep, name=names, seconds=st.floats(0, 9_000)), max_size=4).map(
        tuple
    ),
    measured=st.lists(
        st.builds(BathReading, minute=st.floats(0, 600), temperature_c=st.floats(10, 35)),
        max_size=4,
    ).map(tuple),
)


@FEW
@given(tanks, lines, bottles, st.none() | wents)
def test_the_darkroom_comes_back(tank: Tank, line: Line, bottle: Bottle, went: Went | None) -> None:
    """Each record through the wire and the store, and a run with how it went."""
    for record in (tank, line, bottle):
        assert wire.loads(type(record), wire.dumps(record)) == record
    db = database.connect(Path(":memory:"))
    database.migrate(db)
    darkroom.put_tank(db, tank)
    darkroom.put_line(db, line)
    darkroom.put_bottle(db, bottle)
    assert darkroom.tanks(db) == [tank]
    assert darkroom.lines(db) == [line]
    assert darkroom.bottles(db) == [bottle]
    run = Run(id="run", name="Run", tank_id="tank", line_id="line", went=went)
    runs.put(db, run)
    assert runs.run(db, "run") == run
    assert runs.open_runs(db) == [run]
    db.close()
