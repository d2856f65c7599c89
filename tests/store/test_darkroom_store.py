"""What the darkroom keeps comes back from SQLite as it went in."""

from dataclasses import replace

from hypothesis import given, settings
from hypothesis import strategies as st

from emulsa.core import wire
from emulsa.core.chemistry.powder import Powder, PowderPart
from emulsa.core.darkroom.run import BathReading, Run, Went, WentStep
from emulsa.core.data.agitation import CONTINUOUS, SCHEMES
from emulsa.core.development.choice import Choice
from emulsa.core.film.pieces import Piece
from emulsa.core.kit.darkroom import Bath, Bottle, Line, Tank
from emulsa.core.kit.films import Film
from emulsa.store import darkroom, films, pieces, runs
from tests import databases
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
    dilution=st.sampled_from(["", "1+4", "1+200"]),
    volume_ml=st.none() | st.floats(1, 100_000),
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
    age_change=st.floats(0.5, 3),
    note=notes,
    archived=st.booleans(),
)
powders = st.builds(
    Powder,
    id=st.just("powder"),
    name=names,
    kind=st.sampled_from(["developer", "fixer", "washing aid"]),
    volume_ml=st.floats(500, 100_000),
    start_ml=st.floats(1, 499),
    start_c=st.floats(5, 60),
    parts=st.lists(
        st.builds(PowderPart, name=names, grams=st.none() | st.floats(0.1, 10_000)),
        min_size=1,
        max_size=4,
    ).map(tuple),
    note=notes,
    archived=st.booleans(),
)
choices = st.none() | st.one_of(
    st.builds(Choice, recipe_id=st.none() | names, reason=notes),
    st.builds(Choice, minutes=st.floats(0.5, 240), reason=st.just("thin last time")),
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
@given(tanks, lines, bottles, powders, choices, st.none() | wents)
def test_the_darkroom_comes_back(
    tank: Tank,
    line: Line,
    bottle: Bottle,
    powder: Powder,
    choice: Choice | None,
    went: Went | None,
) -> None:
    """Each record through the wire and the store, a run with how it went, a decided sheet."""
    for record in (tank, line, bottle, powder):
        assert wire.loads(type(record), wire.dumps(record)) == record
    db = databases.empty()
    darkroom.put_tank(db, tank)
    darkroom.put_line(db, line)
    darkroom.put_bottle(db, bottle)
    assert darkroom.tanks(db) == [tank]
    assert darkroom.lines(db) == [line]
    assert darkroom.bottles(db) == [bottle]
    darkroom.put_powder(db, powder)
    assert darkroom.powders(db) == [powder]
    films.put_film(db, Film(id="film", name="Film", exposure_index=100))
    sheet = Piece(id="s", film_id="film", label="1A", state="exposed", loaded_at="", choice=choice)
    pieces.put(db, sheet)
    assert pieces.piece(db, "s") == sheet
    pieces.put(db, replace(sheet, choice=None))
    assert pieces.piece(db, "s") == replace(sheet, choice=None)
    run = Run(
        id="run", name="Run", tank_id="tank", line_id="line", bottle_ids=("bottle",), went=went
    )
    runs.put(db, run)
    assert runs.run(db, "run") == run
    assert runs.open_runs(db) == [run]
    db.close()
