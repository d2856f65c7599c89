"""The index of the log says what the exposures say, whatever was done to them and in what order."""

from collections.abc import Iterator
from dataclasses import replace
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from emulsa.core.film.pieces import Piece
from emulsa.core.logged.record import Exposure, Taken
from emulsa.core.outing.record import Outing
from emulsa.core.scene.record import Scene
from emulsa.demo.bag import FILMS
from emulsa.store import database, exposures, journal, log, pieces, records, scenes
from emulsa.store.transactions import transaction
from tests import databases

WORDS = ("adit", "incline", "Étang", "frost", "wheel", "barrow")


@pytest.fixture
def house() -> Iterator[database.Connection]:
    db = made()
    yield db
    db.close()


def made() -> database.Connection:
    """A film, an outing, three scenes."""
    db = databases.empty()
    records.keep(db, FILMS[0])
    records.keep(db, Outing(id="o", title="Outing", day="2026-01-17"))
    for number in range(3):
        scenes.put(db, Scene(id=f"s{number}", outing_id="o", title=WORDS[number]))
    return db


def exposure(number: int, minute: int, scene: int = 0, note: str = "") -> Exposure:
    return Exposure(
        id=f"e{number}",
        scene_id=f"s{scene}",
        piece_id=f"p{number}",
        exposed_at=f"2026-01-17T10:{minute:02d}:00.000Z",
        aperture="32",
        seconds=1.0,
        error_stops=0.0,
        n=0.0,
        development_change=1.0,
        recipe_id=None,
        request={},
        answer={},
        core_version="",
        note=note,
        taken=Taken(),
    )


def expose(db: database.Connection, given_: Exposure) -> None:
    records.keep(
        db,
        Piece(
            id=given_.piece_id,
            film_id=FILMS[0].id,
            label=f"{given_.id}",
            state="exposed",
            loaded_at="",
            in_place=False,
        ),
    )
    records.keep(db, given_)


def agrees(db: database.Connection) -> None:
    """Every exposure once in the index, in the order of time, under the words said of it."""
    said = {row["exposure_id"]: dict(row) for row in db.execute("SELECT * FROM log_words")}
    entries = db.execute("SELECT * FROM log_entry ORDER BY place").fetchall()
    assert {row["exposure_id"] for row in entries} == set(said)
    moments = [said[row["exposure_id"]]["moment"] for row in entries]
    assert moments == sorted(moments)
    text = {row["rowid"]: row["words"] for row in db.execute("SELECT rowid, words FROM log_text")}
    assert text == {row["place"]: said[row["exposure_id"]]["words"] for row in entries}
    for row in entries:
        told = said[row["exposure_id"]]
        assert all(row[field] == told[field] for field in ("film_id", "n", "outing_id", "state"))
    assert db.execute("SELECT count(*) FROM log_stale").fetchone()[0] == 0
    db.execute("INSERT INTO log_text (log_text) VALUES ('integrity-check')")


moves = st.lists(
    st.tuples(
        st.sampled_from(["expose", "note", "title", "outing", "film", "develop", "drop", "undo"]),
        st.integers(0, 5),
        st.integers(0, 59),
    ),
    max_size=14,
)


@settings(max_examples=60)
@given(moves)
def test_the_index_follows_any_history(found: list[tuple[str, int, int]]) -> None:
    """Exposing out of order, renaming, developing, deleting, undoing: it never lags."""
    db = made()
    for move, which, minute in found:
        if move == "undo":
            if journal.reach(db).undo is not None:
                databases.undo(db)
            agrees(db)
            continue
        with journal.action(db, move, "now"):
            one(db, move, which, minute)
        agrees(db)
    db.close()


def one(db: database.Connection, move: str, which: int, minute: int) -> None:
    word = WORDS[minute % len(WORDS)]
    known = exposures.exposure(db, f"e{which}")
    if move == "expose" and known is None:
        expose(db, exposure(which, minute, which % 3))
    elif move == "note" and known is not None:
        records.keep(db, replace(known, note=word, n=-1.0))
    elif move == "title":
        scenes.put(db, Scene(id=f"s{which % 3}", outing_id="o", title=f"{word} {minute}"))
    elif move == "outing":
        records.keep(db, Outing(id="o", title=f"Day {minute}", day="2026-01-17", place=word))
    elif move == "film":
        records.keep(db, replace(FILMS[0], name=f"{word} {minute}"))
    elif move == "develop" and known is not None:
        piece = pieces.piece(db, known.piece_id)
        assert piece is not None
        records.keep(db, replace(piece, state="developed"))
    elif move == "drop" and known is not None:
        db.execute("DELETE FROM exposure WHERE id = :id", {"id": known.id})


@settings(max_examples=30)
@given(st.permutations(list(range(12))), st.sampled_from([0, 7]))
def test_many_at_once_are_the_same(order: list[int], minute: int) -> None:
    """Indexed afterwards or one by one, in any order, within one minute or over many."""
    houses = (made(), made())
    for number in order:
        with transaction(houses[0]):
            expose(houses[0], exposure(number, minute or number))
    with transaction(houses[1]), log.indexed_afterwards(houses[1]):
        for number in order:
            expose(houses[1], exposure(number, minute or number))
        assert log.page(houses[1], log.Sought()) == []

    def shown(db: database.Connection) -> Any:
        agrees(db)
        return sorted(each.exposure_id for each in log.page(db, log.Sought(text="adit")))

    assert shown(houses[0]) == shown(houses[1]) == sorted(f"e{number}" for number in order)
    for db in houses:
        db.close()


def test_a_failure_leaves_nothing_waiting(house: database.Connection) -> None:
    """An import that fails takes its waiting back with it; the next write is indexed at once."""

    def fails() -> None:
        with transaction(house), log.indexed_afterwards(house):
            expose(house, exposure(1, 1))
            raise RuntimeError("stop")

    with pytest.raises(RuntimeError):
        fails()
    assert house.execute("SELECT count(*) FROM log_wait").fetchone()[0] == 0
    with transaction(house):
        expose(house, exposure(2, 2, note="barrow"))
    assert [each.exposure_id for each in log.page(house, log.Sought(text="barrow"))] == ["e2"]
    agrees(house)
