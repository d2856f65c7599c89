"""Long work killed at its n-th statement, stopped, done beside another service, and taken back:
all of it or nothing, whatever happens."""

import csv
import os
import shutil
import signal
import sqlite3
import subprocess
import sys
import threading
import time
from collections.abc import Callable, Iterator
from contextlib import closing, suppress
from pathlib import Path
from typing import Any

import httpx2
import pytest
from starlette.testclient import TestClient

from emulsa.exchange.logbook import archive, csv_in
from emulsa.server.app import Settings, create_app
from emulsa.store import (
    backups,
    database,
    journal,
    log,
    opening,
    restoring,
    soundness,
    staging,
    turning,
)
from emulsa.store.folder import ATTACHMENTS, DATABASE, Unsafe, together
from emulsa.store.steps import finish
from emulsa.store.transactions import transaction
from tests.api.test_exchange import archived, hand_in, merged, read
from tests.conftest import HERE, OWN, Client
from tests.effort import some
from tests.killing import killed_at, statements_of
from tests.serving import asked, free_port

NAMES = "exposed_at film aperture time_s outing scene note".split()
# what the versions since the seventh brought, beside whole tables
SINCE_SEVEN = (
    "ALTER TABLE exposure DROP COLUMN film_kind",
    "ALTER TABLE film DROP COLUMN kind",
    "ALTER TABLE lens DROP COLUMN circle_mm",
    "ALTER TABLE lens DROP COLUMN centre_filter_stops",
    "ALTER TABLE lens DROP COLUMN fall_off_power",
    "ALTER TABLE outing DROP COLUMN height_m",
    "ALTER TABLE scene DROP COLUMN movements",
    "ALTER TABLE scene DROP COLUMN pre_exposure_zone",
    "ALTER TABLE scene DROP COLUMN bearing",
    "ALTER TABLE sheet_format DROP COLUMN film",
    "ALTER TABLE sheet_format DROP COLUMN frames",
    "ALTER TABLE reading DROP COLUMN spot",
    "DELETE FROM attachment WHERE scene_id IS NOT NULL",
    "ALTER TABLE powder DROP COLUMN keeps_days",
    "ALTER TABLE powder DROP COLUMN does_rolls",
    "ALTER TABLE camera DROP COLUMN shutter",
    "ALTER TABLE lens DROP COLUMN thread_mm",
    "ALTER TABLE filter DROP COLUMN thread_mm",
    "ALTER TABLE filter DROP COLUMN lens_ids",
    "ALTER TABLE run DROP COLUMN laboratory",
    "ALTER TABLE scene DROP COLUMN intention",
    "DROP INDEX exposure_by_index",
    "DROP TRIGGER log_recipe",
    "DROP TRIGGER log_run",
    "ALTER TABLE film DROP COLUMN uses",
    "ALTER TABLE judgement DROP COLUMN grain",
    "ALTER TABLE judgement DROP COLUMN edge",
    "ALTER TABLE judgement DROP COLUMN tone",
    "ALTER TABLE attachment DROP COLUMN places",
    "ALTER TABLE attachment DROP COLUMN scanned",
    "DROP INDEX outing_by_day",
    "DELETE FROM attachment WHERE test_id IS NOT NULL",
    "ALTER TABLE judgement DROP COLUMN base_fog",
    "ALTER TABLE judgement DROP COLUMN measured",
    """
    CREATE TABLE older (
        id TEXT PRIMARY KEY, exposure_id TEXT NOT NULL REFERENCES exposure (id),
        name TEXT NOT NULL, media_type TEXT NOT NULL, bytes INTEGER NOT NULL,
        width INTEGER NOT NULL, height INTEGER NOT NULL, digest TEXT NOT NULL,
        added_at TEXT NOT NULL, note TEXT NOT NULL DEFAULT ''
    ) STRICT
    """,
    """
    INSERT INTO older
    SELECT id, exposure_id, name, media_type, bytes, width, height, digest, added_at, note
    FROM attachment
    """,
    "DROP TABLE attachment",
    "ALTER TABLE older RENAME TO attachment",
    "CREATE INDEX attachment_by_exposure ON attachment (exposure_id)",
    "ALTER TABLE scene DROP COLUMN rating_reason",
    "ALTER TABLE scene DROP COLUMN keep_ei",
    "ALTER TABLE exposure DROP COLUMN rating_reason",
    "ALTER TABLE exposure DROP COLUMN share_of",
    "ALTER TABLE exposure DROP COLUMN mark",
    "ALTER TABLE roll DROP COLUMN rating_reason",
    "ALTER TABLE film DROP COLUMN prior_ei",
    "ALTER TABLE judgement DROP COLUMN left_out",
)
KILLS = some(2, 16)  # of each kind of long work, spread over all its statements


def rows(path: Path, count: int, first: int = 0) -> Path:
    with path.open("w", newline="") as file:
        writer = csv.writer(file)
        writer.writerow(NAMES)
        for number in range(first, first + count):
            day = f"2019-{number % 12 + 1:02d}-{number % 28 + 1:02d}"
            writer.writerow(
                [
                    day,
                    "Corvane 100",
                    "f/22",
                    "1/2",
                    f"Day {number // 20}",
                    f"Pit {number}",
                    "zelmira",
                ]
            )
    return path


def bring_in(folder: Path, path: Path) -> None:
    """What the job of an import does, without a service around it."""
    mapping = {name: name for name in NAMES}
    main = folder / DATABASE
    with staging.gathering(folder / "exchange") as (beside, stage):
        with closing(database.connect(main)) as connection:
            finish(csv_in.gather(connection, stage, path, mapping))
        staging.filled(stage)
        with (
            closing(database.connect(main)) as connection,
            staging.beside(connection, beside),
            transaction(connection),
            journal.recording(connection, "now", "import exposures"),
        ):
            staging.forget_known(connection)
            staging.take_in(connection)
    with closing(database.connect(main)) as connection:
        finish(log.catch_up(connection))


def merge_in(folder: Path, source: Path) -> None:
    with staging.gathering(folder / "exchange") as (beside, stage):
        told = finish(archive.gather(stage, folder / ATTACHMENTS, source))
        staging.filled(stage)
        with (
            closing(database.connect(folder / DATABASE)) as connection,
            staging.beside(connection, beside),
            transaction(connection),
            journal.recording(connection, "now", "import an archive"),
        ):
            archive.merge(connection, told, {})


def picture(folder: Path) -> dict[str, Any]:
    """Every row of every journaled table, and what undo would take."""
    with closing(database.connect(folder / DATABASE)) as db:
        there = {row[0] for row in db.execute("SELECT name FROM sqlite_master")}
        found: dict[str, Any] = {
            table: [tuple(row) for row in db.execute(f"SELECT * FROM {table} ORDER BY rowid")]
            if table in there
            else []  # in a file of an older version
            for table in journal.JOURNALED
        }
        found["undo"] = journal.reach(db).undo
    return found


def steps_of(folder: Path, act: Callable[[Path], object]) -> int:
    """How many statements an act has."""
    work = folder.parent / "counted"
    shutil.copytree(folder, work)
    many = statements_of(lambda: act(work))
    shutil.rmtree(work)
    return many


def as_it_was_at_seven(path: Path) -> None:
    """A log as a service of the seventh version left it."""
    with closing(database.connect(path)) as db:
        journal.remove(db)
        db.execute("PRAGMA foreign_keys = OFF")
        for statement in SINCE_SEVEN:
            db.execute(statement)
        for table in database.form(db).keys() - database.forms()[7].keys():
            db.execute(f"DROP TABLE {table}")
        journal.install(db)
        db.execute("PRAGMA user_version = 7")


@pytest.mark.parametrize("kind", ["csv", "archive", "upgrade", "backup"])
def test_killed_at_any_statement(folder: Path, tmp_path: Path, kind: str) -> None:
    """Before or after, nothing between; what the index owes is made up for, the next time works."""
    if kind == "csv":
        path = rows(tmp_path / "in.csv", 25)

        def act(work: Path) -> None:
            bring_in(work, path)
    elif kind == "archive":
        path = _elsewhere(folder, tmp_path)

        def act(work: Path) -> None:
            merge_in(work, path)
    elif kind == "upgrade":
        as_it_was_at_seven(folder / DATABASE)

        def act(work: Path) -> None:
            opening.prepare(work / DATABASE)
    else:

        def act(work: Path) -> None:
            backups.pack(work, work / "away.zip")

    before = picture(folder)
    whole = tmp_path / "whole"
    shutil.copytree(folder, whole)
    act(whole)
    after = picture(whole)
    many = steps_of(folder, act)
    seen = set()
    for step in sorted({many * number // KILLS for number in range(KILLS)} | {many - 1}):
        work = tmp_path / "killed"
        shutil.copytree(folder, work)
        assert killed_at(step, lambda work=work: act(work), statements=True)
        opening.prepare(work / DATABASE)
        assert soundness.problems(work / DATABASE, thorough=True) == []
        found = picture(work)
        assert found in (before, after), step
        seen.add(found == before)
        assert (work / "away.zip").exists() is False
        act(work)
        assert picture(work) == after
        shutil.rmtree(work)
    # whoever opens the folder next goes on with an upgrade
    assert True in seen or kind == "upgrade"


def _elsewhere(folder: Path, tmp_path: Path) -> Path:
    """An archive of a copy that went on."""
    shutil.copytree(folder, tmp_path / "elsewhere")
    bring_in(tmp_path / "elsewhere", rows(tmp_path / "there.csv", 20))
    path = tmp_path / "there.zip"
    with closing(database.connect(tmp_path / "elsewhere" / DATABASE)) as connection:
        finish(archive.write(connection, tmp_path / "elsewhere" / ATTACHMENTS, path))
    return path


def test_very_many_rows_are_taken_back_exactly(folder: Path, tmp_path: Path) -> None:
    """The journal names them by their places; undone and done again they are the same rows, and
    what was done to one of them in between is undone first."""
    before = picture(folder)
    bring_in(folder, rows(tmp_path / "in.csv", journal.TOGETHER + 10))
    after = picture(folder)
    with closing(database.connect(folder / DATABASE)) as db:
        assert db.execute("SELECT count(*) FROM bulk").fetchone()[0] > 0
        with journal.action(db, "rename", "now"):
            db.execute("UPDATE exposure SET note = 'changed' WHERE rowid % 7 = 0")
        for expected in (after, before):
            undo = journal.reach(db).undo
            assert undo is not None
            with transaction(db):
                turning.undo(db, undo.id)
            assert _rows_of(picture(folder)) == _rows_of(expected)
        finish(log.catch_up(db))
        redo = journal.reach(db).redo
        assert redo is not None
        with transaction(db):
            turning.redo(db, redo.id)
        assert _rows_of(picture(folder)) == _rows_of(after)
        with transaction(db):
            turning.undo(db, redo.id)
        assert _rows_of(picture(folder)) == _rows_of(before)


def _rows_of(found: dict[str, Any]) -> dict[str, Any]:
    return {name: each for name, each in found.items() if name != "undo"}


def test_the_index_is_made_up_for_by_the_next_service(
    folder: Path, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """A service that was killed before it had indexed what came in leaves nothing unfound."""
    monkeypatch.setattr(log, "INDEXED_AT_ONCE", 40)
    path = rows(tmp_path / "in.csv", log.INDEXED_AT_ONCE + 50)
    many = steps_of(folder, lambda work: bring_in(work, path))
    shutil.copytree(folder, tmp_path / "killed")
    # the last statements are those of the index
    assert killed_at(many - 40, lambda: bring_in(tmp_path / "killed", path), statements=True)
    with closing(database.connect(tmp_path / "killed" / DATABASE)) as db:
        assert log.stale(db)
    with Client(
        create_app(Settings(tmp_path / "killed", caretaker=False)), base_url=HERE, headers=OWN
    ) as client:
        for _ in range(400):
            if client.get("/api/log?text=zelmira").json()["total"] == log.INDEXED_AT_ONCE + 50:
                break
            time.sleep(0.02)
        else:
            pytest.fail("the index was not made up for")


@pytest.fixture
def two(folder: Path) -> Iterator[tuple[TestClient, TestClient]]:
    """Two services on one folder."""
    made = [create_app(Settings(folder, caretaker=False)) for _ in range(2)]
    with (
        Client(made[0], base_url=HERE, headers=OWN) as one,
        Client(made[1], base_url=HERE, headers=OWN) as other,
    ):
        yield one, other


def test_two_services_on_one_folder(
    two: tuple[TestClient, TestClient], folder: Path, tmp_path: Path
) -> None:
    """Both write, both see; a third that starts sweeps nothing they work on, and no restore."""
    one, other = two
    one.put("/api/outings/a", json={"id": "a", "title": "By one"})
    other.put("/api/outings/b", json={"id": "b", "title": "By the other"})
    for house in two:
        titles = {each["outing"]["title"] for each in house.get("/api/outings").json()}
        assert {"By one", "By the other"} <= titles
    (folder / "exchange").mkdir(exist_ok=True)
    working = folder / "exchange" / "working.stage"
    working.write_bytes(b"x")
    create_app(Settings(folder, caretaker=False))
    assert working.exists()
    made = backups.copy(folder / DATABASE, tmp_path / "x.sqlite3")
    with pytest.raises(Unsafe, match="stop it first"):
        restoring.restore(folder, made, "then")
    file = hand_in(one, rows(tmp_path / "in.csv", 30).read_bytes())
    writing = threading.Thread(
        target=lambda: other.put("/api/outings/c", json={"id": "c", "title": "Meanwhile"})
    )
    writing.start()
    assert read(one, file, write=True)["state"] == "done"
    writing.join()
    assert other.get("/api/log?text=zelmira").json()["total"] == 30
    assert merged(other, archived(one))["result"]["added"] == 0
    with together(folder):
        assert one.get("/api/health").status_code == 200


@pytest.mark.skipif(os.name != "posix", reason="signals as this system has them")
def test_told_to_stop_it_stops(tmp_path: Path, request: pytest.FixtureRequest) -> None:
    """With an import under way and an upload half arrived; what was acknowledged is there, and of
    the rest nothing."""
    port = free_port()
    command = [sys.executable, "-m", "emulsa", "serve", "--port", str(port)]
    errors = (tmp_path / "errors").open("w+")
    process = subprocess.Popen([*command, "--data", str(tmp_path / "data")], stderr=errors)
    address = f"http://127.0.0.1:{port}"

    @request.addfinalizer
    def ended() -> None:
        process.kill()
        process.wait()

    asked(f"{address}/api/health")
    with httpx2.Client(base_url=address, headers=OWN, timeout=30) as client:
        content = rows(tmp_path / "in.csv", 20_000).read_bytes()
        file = client.post(
            "/api/exchange/csv", content=content, headers={"idempotency-key": "f"}
        ).json()
        body = {"id": file["id"], "mapping": file["mapping"], "write": True}
        client.post("/api/exchange/csv/read", json=body, headers={"idempotency-key": "r"})
        kept = {"id": "kept", "title": "Acknowledged"}
        answer = client.put("/api/outings/kept?base=", json=kept, headers={"idempotency-key": "k"})
        assert answer.status_code == 200

        def slowly() -> Iterator[bytes]:
            while process.poll() is None:
                yield b"x" * 1_000
                time.sleep(0.05)

        def upload() -> None:
            with suppress(httpx2.TransportError):
                client.post(
                    "/api/exchange/archive/merge",
                    content=slowly(),
                    headers={"idempotency-key": "m"},
                )

        sending = threading.Thread(target=upload)
        sending.start()
        time.sleep(0.3)
        process.send_signal(signal.SIGTERM)
        assert process.wait(timeout=20) is not None
        sending.join()
    with errors:
        errors.seek(0)
        assert "Traceback" not in errors.read()
    with closing(sqlite3.connect(tmp_path / "data" / DATABASE)) as db:
        assert db.execute("SELECT title FROM outing WHERE id = 'kept'").fetchone() == (
            "Acknowledged",
        )
        brought = db.execute("SELECT count(*) FROM scene WHERE title LIKE 'Pit %'").fetchone()[0]
        assert brought in (0, 20_000)
    assert soundness.problems(tmp_path / "data" / DATABASE, thorough=True) == []
