"""Copies that can be trusted: checked, rotated, put back; a way out when the file is damaged."""

import sqlite3
import threading
import time
import zipfile
from contextlib import closing
from datetime import date, timedelta
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st
from starlette.testclient import TestClient

from emulsa.cli import main
from emulsa.demo.quarry import OUTING
from emulsa.server.app import Settings, create_app
from emulsa.server.caretaker import Caretaker
from emulsa.store import backups, database, opening, restoring, soundness
from emulsa.store.folder import ATTACHMENTS, COPIES, DATABASE, REPLACED, Unsafe, together
from tests.conftest import HERE, OWN
from tests.databases import rename, titles

TODAY = date(2026, 1, 20)


def test_a_copy_is_made_while_the_store_is_in_use(folder: Path, tmp_path: Path) -> None:
    """What is written afterwards is not in it; it is sound and stands alone."""
    with closing(database.connect(folder / DATABASE)) as running:
        running.execute("BEGIN")
        running.execute("SELECT count(*) FROM outing").fetchone()
        made = backups.copy(folder / DATABASE, tmp_path / "copies" / "a.sqlite3")
        running.execute("ROLLBACK")
    rename(folder, "Afterwards")
    assert soundness.problems(made, thorough=True) == []
    with closing(sqlite3.connect(made)) as copied:
        assert copied.execute("PRAGMA journal_mode").fetchone()[0] == "delete"
        assert ("Afterwards",) not in copied.execute("SELECT title FROM outing").fetchall()


def test_a_copy_of_a_damaged_store_does_not_count(folder: Path, tmp_path: Path) -> None:
    """Pages are copied as they are; a copy that is not sound is refused and not kept."""
    path = folder / DATABASE
    content = path.read_bytes()
    path.write_bytes(content[:8192] + b"\x5a" * 65_536 + content[73_728:])
    with pytest.raises((Unsafe, sqlite3.DatabaseError)):
        backups.copy(path, tmp_path / "copies" / "a.sqlite3")
    assert list((tmp_path / "copies").iterdir()) == []


@given(st.sets(st.integers(0, 800)))
def test_copies_are_thinned_out(ages: set[int]) -> None:
    """A week of days, five weeks, twelve months; never today's, and few in all."""
    there = [
        backups.Copy(1_000 - age, TODAY - timedelta(days=age), Path(str(age)))
        for age in sorted(ages)
    ]
    gone = set(backups.surplus(there, TODAY))
    kept = [each for each in there if each not in gone]
    assert all(TODAY - each.day >= timedelta(days=7) for each in gone)
    assert len(kept) <= 7 + 5 + 12
    if there:
        assert there[0] in kept
    assert backups.surplus(kept, TODAY) == []


def test_a_copy_a_day(folder: Path) -> None:
    """Once a day, under its date; a year of them leaves two dozen at most."""
    assert backups.daily(folder, TODAY) is not None
    assert backups.daily(folder, TODAY) is None
    for age in range(1, 40):
        day = TODAY - timedelta(days=age)
        (folder / COPIES / f"emulsa-{day}.sqlite3").touch()
    backups.daily(folder, TODAY + timedelta(days=1))
    days = [each.day for each in backups.copies(folder)]
    assert days[0] == TODAY + timedelta(days=1)
    assert 8 <= len(days) <= 14


def test_away_and_back(folder: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    """The commands: packed with its pictures, put back whole, what was there is kept."""
    target, data = tmp_path / "away.zip", ["--data", str(folder)]
    assert main(["backup", str(target), *data]) == 0
    with zipfile.ZipFile(target) as packed:
        assert any(name.endswith(".png") for name in packed.namelist())
    rename(folder, "Changed since")
    before = titles(folder)
    pictures = {each.name: each.read_bytes() for each in (folder / ATTACHMENTS).iterdir()}
    for name in pictures:
        (folder / ATTACHMENTS / name).unlink()
    assert main(["restore", str(target), *data]) == 0
    assert "Changed since" not in titles(folder)
    back = {each.name: each.read_bytes() for each in (folder / ATTACHMENTS).iterdir()}
    assert back == pictures
    (kept,) = (folder / REPLACED).glob("*.sqlite3")
    assert str(kept) in capsys.readouterr().out
    assert main(["restore", str(kept), *data]) == 0
    assert titles(folder) == before


def test_nothing_is_put_back_under_a_running_service(folder: Path, tmp_path: Path) -> None:
    """A restore waits until the service has stopped; nothing is changed."""
    made = backups.copy(folder / DATABASE, tmp_path / "a.sqlite3")
    rename(folder, "Running")
    with (
        together(folder),
        together(folder),
        pytest.raises(Unsafe, match="stop it first"),
    ):
        restoring.restore(folder, made, "now")
    assert "Running" in titles(folder)


@pytest.mark.parametrize("harm", ["cut", "noise", "foreign", "newer", "zip", "none"])
def test_what_cannot_be_trusted_is_not_put_back(folder: Path, tmp_path: Path, harm: str) -> None:
    """A damaged, foreign, newer or missing file is refused, and what is here stays."""
    source = tmp_path / "suspect.sqlite3"
    if harm == "zip":
        with zipfile.ZipFile(source, "w") as packed:
            packed.writestr("holiday.txt", "no data")
    elif harm == "foreign":
        with closing(sqlite3.connect(source)) as other:
            other.execute("CREATE TABLE t (a)")
    elif harm != "none":
        backups.copy(folder / DATABASE, source)
        content = source.read_bytes()
        if harm == "cut":
            source.write_bytes(content[: len(content) // 2])
        elif harm == "noise":
            source.write_bytes(content[:4096] + b"\x5a" * 40_960 + content[45_056:])
        else:
            with closing(sqlite3.connect(source)) as newer:
                newer.execute("PRAGMA user_version = 999")
    before = titles(folder)
    with pytest.raises(Unsafe):
        restoring.restore(folder, source, "now")
    assert titles(folder) == before
    assert not (folder / REPLACED).exists()


def test_a_packed_file_cannot_write_outside(folder: Path, tmp_path: Path) -> None:
    """Only the bare names of pictures are taken from a zip."""
    target = tmp_path / "away.zip"
    backups.pack(folder, target)
    with zipfile.ZipFile(target, "a") as packed:
        packed.writestr("attachments/../../outside.png", b"x")
        packed.writestr("../outside.png", b"x")
    restoring.restore(folder, target, "now")
    assert not list(tmp_path.rglob("outside.png"))


def test_a_damaged_file_has_a_way_out(folder: Path) -> None:
    """At the start the damage is found, said with the copy to put back, and not copied over it."""
    kept = backups.daily(folder, TODAY)
    assert kept is not None
    path = folder / DATABASE
    content = path.read_bytes()
    path.write_bytes(content[:8192] + b"\x5a" * 65_536 + content[73_728:])
    caretaker = Caretaker(folder)
    caretaker.look(TODAY + timedelta(days=1))
    assert "damaged" in caretaker.trouble
    assert f"emulsa restore {kept}" in caretaker.trouble
    assert len(backups.copies(folder)) == 1
    restoring.restore(folder, kept, "now")
    caretaker.look(TODAY + timedelta(days=1))
    assert caretaker.trouble == ""
    assert OUTING.title in titles(folder)
    path.write_bytes(b"no database at all" * 100)
    with pytest.raises(opening.Damaged, match="emulsa restore"):
        opening.prepare(path)


def test_the_caretaker_goes_on(folder: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    """Started with the service it makes the day's copy; a full disk is said, trouble outlived."""
    with TestClient(create_app(Settings(folder)), base_url=HERE, headers=OWN) as client:
        for _ in range(200):
            if backups.copies(folder):
                break
            time.sleep(0.02)
        assert client.get("/api/health").json()["trouble"] == ""
    assert len(backups.copies(folder)) == 1
    (folder / COPIES / "emulsa-2026-13-45.sqlite3").touch()  # no day: not one of ours
    assert len(backups.copies(folder)) == 1
    caretaker = Caretaker(folder)

    def full(*_: object) -> None:
        raise OSError(28, "No space left on device")

    with monkeypatch.context() as disk:
        disk.setattr(backups, "daily", full)
        caretaker.look(TODAY)
    assert "Make room and try again" in caretaker.trouble
    caretaker.look(TODAY)
    assert caretaker.trouble == ""


def test_an_unforeseen_fault_does_not_end_the_watch(
    folder: Path, monkeypatch: pytest.MonkeyPatch, caplog: pytest.LogCaptureFixture
) -> None:
    """It looks again an hour later; the log names the kind of fault and nothing else."""
    looked = threading.Event()

    def broken(*_: object) -> None:
        looked.set()
        raise RuntimeError("something typed")

    caretaker = Caretaker(folder)
    monkeypatch.setattr(caretaker, "look", broken)
    caretaker.start()
    assert looked.wait(5)
    caretaker.stop()
    assert "RuntimeError while looking after the store" in caplog.text
    assert "typed" not in caplog.text


def test_a_copy_is_kept_before_an_old_file_is_changed(tmp_path: Path) -> None:
    """An older file is copied as it was, then brought up to date; a newer one is refused."""
    path = tmp_path / DATABASE
    first = database.migrations()[0]
    with closing(database.connect(path)) as old, database.transaction(old):
        for statement in database.statements(first[1]):
            old.execute(statement)
        old.execute("PRAGMA user_version = 1")
    opening.prepare(path)
    (copy,) = (tmp_path / COPIES).glob("before-version-*.sqlite3")
    with closing(sqlite3.connect(copy)) as kept, closing(sqlite3.connect(path)) as now:
        assert kept.execute("PRAGMA user_version").fetchone()[0] == 1
        assert now.execute("PRAGMA user_version").fetchone()[0] == database.migrations()[-1][0]
        now.execute("PRAGMA user_version = 999")
    with pytest.raises(database.TooNew):
        opening.prepare(path)
