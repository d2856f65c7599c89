"""Whatever can be said can be kept: every record comes back from SQLite as it went in."""

from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import replace
from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from emulsa.core import wire
from emulsa.core.kit.preferences import Preferences
from emulsa.core.scene.record import Scene
from emulsa.demo import bag
from emulsa.demo.quarry import OUTING
from emulsa.store import database, preferences, records, rows, scenes
from tests import databases, strategies
from tests.effort import some

FEW = settings(max_examples=some(6, 100), suppress_health_check=[HealthCheck.filter_too_much])


@contextmanager
def memory() -> Iterator[database.Connection]:
    """A database in memory with the demo's kit in it."""
    db = databases.empty()
    bag.fill(db, lambda record: record)
    records.keep(db, OUTING)
    try:
        yield db
    finally:
        db.close()


def through_the_wire(record: Any) -> None:
    """The JSON of a record reads back to it."""
    assert wire.loads(type(record), wire.dumps(record)) == record


@pytest.mark.parametrize("kind", records.BY_KIND, ids=lambda kind: kind.__name__)
@FEW
@given(data=st.data())
def test_every_record_comes_back(kind: Any, data: st.DataObject) -> None:
    """Kept and changed, with every field its type has; the second writing wins whole."""
    first, second = data.draw(strategies.of(kind)), data.draw(strategies.of(kind))
    second = replace(second, id=first.id)
    through_the_wire(first)
    db = databases.empty()
    db.execute("PRAGMA foreign_keys = OFF")
    for record in (first, second):
        records.keep(db, record)
        assert records.read_back(db, record) == record
    assert rows.many(db, records.BY_KIND[kind]) == [second]
    db.close()


@settings(max_examples=some(8, 100))
@given(strategies.scenes(), strategies.scenes())
def test_scenes(first: Scene, second: Scene) -> None:
    """Any scene becomes any other: readings and filters come, go and change places."""
    through_the_wire(first)
    with memory() as db:
        for scene in (first, second):
            scenes.put(db, scene)
            assert scenes.scene(db, "scene") == scene
        assert scenes.of_outing(db, "outing-quarry") == [second]
        scenes.delete(db, "scene")
        assert scenes.scene(db, "scene") is None
        for table in ("reading", "scene_filter"):
            assert db.execute(f"SELECT count(*) FROM {table}").fetchone()[0] == 0


@FEW
@given(strategies.of(Preferences))
def test_preferences(wanted: Preferences) -> None:
    through_the_wire(wanted)
    with memory() as db:
        preferences.put(db, wanted)
        assert preferences.preferences(db) == wanted


def test_a_column_for_every_field() -> None:
    """A field without its column, or a column nobody reads, is found here and not by a user."""
    db = databases.empty()
    for table in (*records.BY_KIND.values(), records.SCENE):
        named = {row["name"] for row in db.execute(f"PRAGMA table_info({table.name})")}
        assert set(table.columns) == named, table.name
    db.close()
