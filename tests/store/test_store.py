"""The store: migrations, round trips, the journal's exact undo, and surviving a kill."""

import os
import signal
import sqlite3
import time
from dataclasses import replace
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from emulsa.core.corrections.bellows import BySubject
from emulsa.core.errors import CoreError, Impossible, Missing
from emulsa.core.exposing.request import High
from emulsa.core.film.holders import Holder
from emulsa.core.outing.record import Outing
from emulsa.core.scene.metered import without_spots
from emulsa.core.scene.record import Pin, Scene
from emulsa.demo import bag, quarry, trials
from emulsa.server.app import Settings
from emulsa.store import (
    database,
    exposures,
    films,
    journal,
    kit,
    outings,
    records,
    scenes,
)
from tests import databases
from tests.databases import picture, redo, undo


def test_a_new_file_is_migrated_once(tmp_path: Path) -> None:
    """The version is recorded; a second start changes nothing; a newer file is refused."""
    db = database.connect(tmp_path / "new.sqlite3")
    latest = database.migrate(db)
    schema = [tuple(row) for row in db.execute("SELECT name, sql FROM sqlite_master")]
    assert database.migrate(db) == latest
    assert [tuple(row) for row in db.execute("SELECT name, sql FROM sqlite_master")] == schema
    db.execute(f"PRAGMA user_version = {latest + 1}")
    with pytest.raises(database.TooNew, match="newer Emulsa"):
        database.migrate(db)
    db.close()


def test_an_upgrade_that_fails_leaves_the_file_as_it_was(
    db: database.Connection, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Its version, its tables, and the triggers by which what is done is still undone."""
    newest = database.migrations()[-1][0]
    schema = db.execute("SELECT name, sql FROM sqlite_master ORDER BY name").fetchall()
    broken = "CREATE TABLE extra (id TEXT) STRICT;\nALTER TABLE nowhere ADD COLUMN a TEXT;\n"
    known = [*database.migrations(), (newest + 1, broken)]
    monkeypatch.setattr(database, "migrations", lambda: known)
    with pytest.raises(sqlite3.OperationalError, match="nowhere"):
        database.migrate(db)
    assert db.execute("PRAGMA user_version").fetchone()[0] == newest
    assert db.execute("SELECT name, sql FROM sqlite_master ORDER BY name").fetchall() == schema
    with journal.action(db, "titled", "now"):
        records.keep(db, Outing(id="o", title="New"))
    undo(db)
    assert outings.outing(db, "o") is None


def test_every_table_is_strict_with_foreign_keys_on(db: database.Connection) -> None:
    """No table takes a wrong type; no row names what is not there."""
    loose = [
        row["name"]
        for row in db.execute("PRAGMA table_list")
        if row["schema"] == "main"
        and row["type"] == "table"
        and not row["strict"]
        and not row["name"].startswith("sqlite")
    ]
    assert loose == []
    assert db.execute("PRAGMA foreign_keys").fetchone()[0] == 1
    assert db.execute("PRAGMA journal_mode").fetchone()[0] == "wal"
    with pytest.raises(Missing), journal.action(db, "orphan", "now"):
        scenes.put(db, Scene(id="x", outing_id="nowhere", title="x"))
    assert scenes.scene(db, "x") is None


def test_the_demo_reads_back_as_it_was_written(db: database.Connection) -> None:
    """Every record of the demo survives the store unchanged."""
    assert {film.id: film for film in films.films(db)} == {
        film.id: film for film in (*bag.FILMS, trials.FILM)
    }
    assert {each.id: each for each in films.recipes(db)} == {
        each.id: each for each in (*bag.RECIPES, *trials.RECIPES)
    }
    own = kit.everything(db)
    assert {each.id: each for each in own["lenses"]} == {each.id: each for each in bag.LENSES}
    assert own["pinholes"] == [bag.PINHOLE]
    assert own["meters"] == [bag.METER]
    # where their readings lie in their pictures is counted in the pictures
    assert [without_spots(each) for each in scenes.of_outing(db, quarry.OUTING.id)] == [
        quarry.WINDING_HOUSE,
        quarry.INCLINE,
        quarry.POOL,
        quarry.ADIT,
    ]
    given = exposures.shots(db, [f"sheet-{where}" for _, where, _ in quarry.EXPOSED])
    assert len(given) == len(quarry.EXPOSED)


def test_building_the_demo_twice_changes_nothing(folder: Path, db: database.Connection) -> None:
    """What the user changed in the demo stays as it is."""
    with journal.action(db, "changed", "now"):
        records.keep(db, replace(quarry.OUTING, title="Mine now"))
    before = picture(db)
    quarry.build(folder)
    assert picture(db) == before


def test_a_scene_is_changed_and_taken_back(db: database.Connection) -> None:
    """Readings, filters and settings change together; undo gives back the exact rows."""
    before = picture(db)
    changed = replace(
        quarry.WINDING_HOUSE,
        title="Winding house",
        readings=quarry.WINDING_HOUSE.readings[1:],
        filter_ids=("filter-neutral", "filter-red"),
        focus=BySubject(distance_mm=2000),
        pin=Pin(reading="heather", zone=4),
        high=High(reading="frost", zone=7.5),
        n=-1.5,
        aperture=33.5,
    )
    with journal.action(db, "scene", "now"):
        scenes.put(db, changed)
    assert scenes.scene(db, changed.id) == changed
    after = picture(db)
    assert undo(db).label == "scene"
    assert picture(db) == before
    assert redo(db).label == "scene"
    assert picture(db) == after


def test_an_unchanged_write_leaves_no_action(db: database.Connection) -> None:
    """Handing the same record in twice is one write; there is nothing to undo."""
    with journal.action(db, "again", "now"):
        stored = scenes.scene(db, quarry.WINDING_HOUSE.id)
        assert stored is not None
        spots = {each.id: each.spot for each in stored.readings}
        assert all(spots.values())
        readings = tuple(
            replace(each, spot=spots[each.id]) for each in quarry.WINDING_HOUSE.readings
        )
        scenes.put(db, replace(quarry.WINDING_HOUSE, readings=readings))
    assert journal.reach(db).undo is None
    with pytest.raises(Impossible, match="nothing to undo"):
        undo(db)
    with pytest.raises(Impossible, match="nothing to redo"):
        redo(db)


def test_half_an_action_is_none(db: database.Connection) -> None:
    """A failure inside an action leaves every table as it was."""
    before = picture(db)

    def half() -> None:
        with journal.action(db, "half", "now"):
            records.keep(db, Outing(id="o2", title="Second"))
            raise CoreError("stop")

    with pytest.raises(CoreError, match="stop"):
        half()
    assert picture(db) == before
    assert journal.reach(db).undo is None


def test_a_new_action_supersedes_what_was_undone(db: database.Connection) -> None:
    """What was undone cannot come back over something newer."""
    for title in ("first", "second"):
        with journal.action(db, title, "now"):
            records.keep(db, Outing(id="o2", title=title))
    undo(db)
    with journal.action(db, "third", "now"):
        records.keep(db, Outing(id="o2", title="third"))
    assert journal.reach(db).redo is None
    undo(db)
    known = outings.outing(db, "o2")
    assert known is not None
    assert known.title == "first"


@given(st.lists(st.sampled_from(["put", "drop", "holder", "undo", "redo"]), max_size=14))
def test_undo_is_exact_after_any_history(moves: list[str]) -> None:
    """Against a model: a list of pictures with a cursor, as an editor keeps it."""
    db = databases.empty()
    pictures, cursor = [picture(db)], 0
    for step, move in enumerate(moves):
        if move == "undo" and cursor > 0:
            undo(db)
            cursor -= 1
        elif move == "redo" and cursor < len(pictures) - 1:
            redo(db)
            cursor += 1
        elif move not in ("undo", "redo"):
            with journal.action(db, move, "now"):
                if move == "put":
                    records.keep(db, Outing(id=f"o{step % 2}", title=f"step {step}"))
                elif move == "holder":
                    records.keep(db, Holder(id=f"h{step}", number=step + 1))
                else:
                    db.execute("DELETE FROM outing WHERE id = 'o0'")
            if picture(db) != pictures[cursor]:
                pictures = [*pictures[: cursor + 1], picture(db)]
                cursor += 1
        assert picture(db) == pictures[cursor]
    db.close()


@pytest.mark.parametrize(
    ("table", "id_"),
    [
        ("films", "film-corvane"),
        ("lenses", "lens-150"),
        ("filters", "filter-red"),
        ("recipes", "recipe-corvane-mq"),
    ],
)
def test_what_is_used_is_not_deleted(db: database.Connection, table: str, id_: str) -> None:
    """The refusal says where it is used."""
    with pytest.raises(Impossible, match="still used by"):
        kit.delete(db, records.KINDS[table], id_)


def test_a_laid_file_is_a_migrated_one(tmp_path: Path) -> None:
    """Every table, index and trigger, what the migrations wrote, and the version."""
    told = []
    for name, make in (("laid", database.lay), ("migrated", database.migrate)):
        db = database.connect(tmp_path / name)
        make(db)
        form = db.execute("SELECT type, name, sql FROM sqlite_master ORDER BY type, name")
        told.append(
            (
                [tuple(row) for row in form],
                {
                    table: [tuple(row) for row in db.execute(f"SELECT * FROM {table}")]
                    for table in sorted(database.form(db))
                },
                db.execute("PRAGMA user_version").fetchone()[0],
                db.execute("PRAGMA journal_mode").fetchone()[0],
            )
        )
        db.close()
    assert told[0] == told[1]
    assert told[0][3] == "wal"


def writing(path: Path, tell: int) -> None:
    """Outing after outing, each said when it is kept; until it is killed."""
    db = database.connect(path)
    for number in range(100_000):
        with journal.action(db, "write", "now"):
            records.keep(db, Outing(id=f"o{number}", title=f"outing {number}"))
        os.write(tell, f"{number}\n".encode())


def test_acknowledged_writes_survive_a_kill(tmp_path: Path) -> None:
    """Twenty processes killed with −9 in a loop of writes lose none they had acknowledged."""
    path = tmp_path / "killed.sqlite3"
    db = database.connect(path)
    database.migrate(db)
    for kill in range(20):
        hear, tell = os.pipe()
        child = os.fork()
        if child == 0:
            try:
                writing(path, tell)
            finally:
                os._exit(1)
        os.close(tell)
        with os.fdopen(hear) as answer:
            first = answer.readline()
            time.sleep(0.003 * kill)
            os.kill(child, signal.SIGKILL)
            told = [first, *answer.read().split()]
        os.waitpid(child, 0)
        kept = {row["id"] for row in db.execute("SELECT id FROM outing")}
        assert {f"o{number}" for number in range(int(told[-1]) + 1)} <= kept
        assert db.execute("PRAGMA integrity_check").fetchone()[0] == "ok"
    db.close()


def test_the_database_lies_in_the_data_folder(tmp_path: Path) -> None:
    """--data decides, and nothing else is touched."""
    assert Settings(tmp_path).database.parent == tmp_path


def test_what_one_reader_changes_no_other_sees(db: database.Connection) -> None:
    """Columns are read once where nobody can change what they were read as; the request of an
    exposure is an object, and is everyone's own."""
    first = exposures.exposure(db, "exposure-3A")
    assert first is not None
    first.request["noted"] = "by one reader"
    again = exposures.exposure(db, "exposure-3A")
    assert again is not None
    assert "noted" not in again.request
