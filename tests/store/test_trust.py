"""Nothing is lost: a restore killed at any step, a log that is gone, another program's file, a wal
left beside, a clock that ran ahead, a disk that is full."""

import os
import shlex
import shutil
import sqlite3
import zipfile
from contextlib import closing
from datetime import date, timedelta
from pathlib import Path
from typing import Any

import pytest

from emulsa.cli import main
from emulsa.core.outing.record import Outing
from emulsa.demo.quarry import OUTING
from emulsa.server.caretaker import Caretaker
from emulsa.store import (
    backups,
    carrying,
    database,
    journal,
    opening,
    records,
    restoring,
    soundness,
)
from emulsa.store.folder import ATTACHMENTS, COPIES, DATABASE, REPLACED, Unsafe, alone
from tests.databases import few_pictures, rename, titles
from tests.effort import some
from tests.killing import killed_at

TODAY = date(2026, 1, 20)


def test_a_restore_killed_at_any_step(folder: Path, tmp_path: Path) -> None:
    """The old log or the new one, whole, with every picture it names; never none, never a mixture.
    Afterwards a restore works as ever."""
    away = tmp_path / "away.zip"
    few_pictures(folder)
    backups.pack(folder, away)
    old = titles(folder)
    rename(folder, "Changed since")
    new, now = old, titles(folder)
    whole = tmp_path / "whole"
    shutil.copytree(folder, whole)
    for picture in (whole / ATTACHMENTS).iterdir():
        picture.unlink()
    step, seen = 0, []
    while True:
        work = tmp_path / f"step-{step}"
        shutil.copytree(whole, work)
        killed = killed_at(step, lambda work=work: restoring.restore(work, away, "then"))
        opening.prepare(work / DATABASE)
        found = titles(work)
        assert found in (now, new), step
        seen.append(found)
        if found == new:
            assert backups.missing_pictures(work / DATABASE, work / ATTACHMENTS) == []
            (kept,) = (work / REPLACED).glob("*.sqlite3")
            assert soundness.problems(kept, thorough=True) == []
        assert not list(work.glob(".*.part"))
        assert not (work / restoring.ARRIVING).exists()
        shutil.rmtree(work)
        if not killed:
            break
        step += some(3, 1)
    assert step > 20
    assert now in seen
    assert new in seen


def test_an_opening_killed_at_any_step_of_its_finishing(folder: Path, tmp_path: Path) -> None:
    """A swap that was marked is finished by whoever comes next, however often he is killed."""
    made = backups.copy(folder / DATABASE, tmp_path / "made.sqlite3")
    rename(folder, "Changed since")
    shutil.copyfile(made, folder / restoring.ARRIVING)
    (folder / restoring.MARK).write_text('{"aside": "emulsa-then.sqlite3"}')
    step = 0
    while killed_at(step, lambda: restoring.finish(folder)):
        step += 1
        assert step < 500
    opening.prepare(folder / DATABASE)
    assert "Changed since" not in titles(folder)
    assert (folder / REPLACED / "emulsa-then.sqlite3").exists()
    assert not (folder / restoring.MARK).exists()


def test_a_log_set_aside_with_its_wal_is_restored_whole(folder: Path, tmp_path: Path) -> None:
    """What a killed service had not written into the file yet lies in the -wal beside it."""
    with closing(database.connect(folder / DATABASE)) as open_:
        open_.execute("PRAGMA wal_autocheckpoint = 0")
        with journal.action(open_, "renamed", "now"):
            records.keep(open_, Outing(id=OUTING.id, title="Only in the wal"))
        aside = tmp_path / "aside.sqlite3"
        for ending in ("", "-wal"):
            source = folder / f"{DATABASE}{ending}"
            shutil.copyfile(source, aside.with_name(aside.name + ending))
    rename(folder, "Since")
    restoring.restore(folder, aside, "then")
    assert "Only in the wal" in titles(folder)


def test_a_half_picture_is_taken_anew(folder: Path, tmp_path: Path) -> None:
    """A file under a picture's name counts only when it is what its name says."""
    away = tmp_path / "away.zip"
    backups.pack(folder, away)
    picture = next(each for each in (folder / ATTACHMENTS).iterdir() if ".thumb." not in each.name)
    content = picture.read_bytes()
    picture.write_bytes(content[:-1] + b"\0")
    restoring.restore(folder, away, "then")
    assert picture.read_bytes() == content


def _changed(source: Path, target: Path, **contents: bytes) -> Path:
    with zipfile.ZipFile(source) as old, zipfile.ZipFile(target, "w") as new:
        for entry in old.infolist():
            content = old.read(entry)
            for ending, other in contents.items():
                content = other if entry.filename.endswith(f".{ending}") else content
            new.writestr(entry.filename, content)
    return target


def test_a_backup_whose_picture_was_changed_is_refused(folder: Path, tmp_path: Path) -> None:
    """Its name is the digest of what it was."""
    away = tmp_path / "away.zip"
    backups.pack(folder, away)
    bad = _changed(away, tmp_path / "bad.zip", png=b"something else")
    for picture in (folder / ATTACHMENTS).iterdir():
        picture.unlink()
    rename(folder, "Kept")
    with pytest.raises(Unsafe, match="nothing was changed"):
        restoring.restore(folder, bad, "then")
    assert "Kept" in titles(folder)
    assert not list((folder / ATTACHMENTS).glob("*.part"))


def _foreign(path: Path) -> Path:
    with closing(sqlite3.connect(path)) as other:
        other.executescript("CREATE TABLE film (id); PRAGMA user_version = 7;")
    return path


def test_another_programs_file_is_refused(
    folder: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    """In one sentence, to be put back and to be served; ours says whose it is in its header."""
    foreign = _foreign(tmp_path / "other.sqlite3")
    assert main(["restore", str(foreign), "--data", str(folder)]) == 1
    assert "a file of another program" in capsys.readouterr().err
    elsewhere = tmp_path / "elsewhere"
    elsewhere.mkdir()
    _foreign(elsewhere / DATABASE)
    assert main(["serve", "--data", str(elsewhere), "--port", "0"]) == 1
    assert "a file of another program" in capsys.readouterr().err
    with closing(soundness.opened(folder / DATABASE)) as own:
        found = own.execute("PRAGMA application_id").fetchone()[0]
    assert found == soundness.APPLICATION_ID


@pytest.mark.parametrize("how", ["missing", "empty"])
def test_a_log_that_is_gone_is_not_begun_anew_in_silence(
    folder: Path, how: str, capsys: pytest.CaptureFixture[str]
) -> None:
    """The copies are named, with the command that puts one back; --new begins anew."""
    backups.daily(folder, TODAY)
    before = titles(folder)
    path = folder / DATABASE
    path.unlink()
    for beside in folder.glob(f"{DATABASE}-*"):
        beside.unlink()
    if how == "empty":
        path.touch()
    assert main(["serve", "--data", str(folder), "--port", "0"]) == 1
    said = capsys.readouterr().err
    assert f"is {how}, but copies of it are here: backups/emulsa-000001-2026-01-20" in said
    command = said.split("Put the latest back with: emulsa ")[1].split(". To begin")[0]
    assert main(shlex.split(command)) == 0
    assert titles(folder) == before
    path.unlink()
    opening.prepare(path, "then", anew=True)
    assert titles(folder) == set()
    assert len(backups.copies(folder)) == 1


def test_a_wal_without_its_file_is_not_thrown_away(folder: Path) -> None:
    """SQLite deletes a wal beside an empty file; what lies there is set aside first."""
    path = folder / DATABASE
    wal = path.with_name(f"{DATABASE}-wal")
    path.write_bytes(b"")
    wal.write_bytes(b"frames")
    with pytest.raises(opening.Absent):
        opening.prepare(path)
    assert wal.read_bytes() == b"frames"
    opening.prepare(path, "then", anew=True)
    assert (folder / REPLACED / "emulsa-then.sqlite3-wal").read_bytes() == b"frames"


def test_the_latest_copy_is_the_one_made_last(folder: Path) -> None:
    """Also when the clock ran ahead for a day: its copy does not stand before later ones."""
    backups.daily(folder, TODAY)
    ahead = backups.daily(folder, TODAY + timedelta(days=900))
    rename(folder, "Afterwards")
    last = backups.daily(folder, TODAY + timedelta(days=1))
    there = backups.copies(folder)
    assert [each.path for each in there][:2] == [last, ahead]
    assert str(last) in backups.way_out(folder)
    for more in range(2, 40):
        backups.daily(folder, TODAY + timedelta(days=more))
    there = backups.copies(folder)
    assert there[0].day == TODAY + timedelta(days=39)
    assert 8 <= len(there) <= 7 + 5 + 12


def test_a_copy_that_fails_is_said_until_one_succeeds(
    folder: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """A full disk, told by SQLite's number; the page shows it in every room (browser test)."""

    def full(*_: Any, **__: Any) -> None:
        problem = sqlite3.OperationalError("database or disk is full")
        problem.sqlite_errorcode = sqlite3.SQLITE_FULL
        raise problem

    caretaker = Caretaker(folder)
    with monkeypatch.context() as patched:
        patched.setattr(backups, "copy", full)
        caretaker.look(TODAY)
    assert "The disk is full" in caretaker.trouble
    caretaker.look(TODAY)
    assert caretaker.trouble == ""


STRANGE = ["log #1", "log?mode=rw", "log%20x", "a b  c", "späte Bilder", "it's"]


@pytest.mark.parametrize("name", STRANGE)
def test_any_name_of_a_folder(folder: Path, tmp_path: Path, name: str) -> None:
    """Backed up, restored, copied and opened under every name a system allows."""
    strange = tmp_path / name
    shutil.copytree(folder, strange)
    opening.prepare(strange / DATABASE)
    assert backups.daily(strange, TODAY) is not None
    away = tmp_path / f"{name}.zip"
    assert main(["backup", str(away), "--data", str(strange)]) == 0
    assert main(["restore", str(away), "--data", str(strange)]) == 0
    assert titles(strange) == titles(folder)


def _flipped(path: Path) -> None:
    content = bytearray(path.read_bytes())
    for place in range(5_000, len(content), 4_096):
        content[place] ^= 0xFF
    path.write_bytes(bytes(content))


@pytest.mark.skipif(os.name != "posix", reason="as this system says it")
def test_every_fault_has_its_own_sentence(
    folder: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    """No traceback: a folder where a file is meant, none, a flipped byte, a running service."""
    data = ["--data", str(folder)]
    blocked = tmp_path / "file"
    blocked.write_text("no folder")
    flipped = tmp_path / "flipped.sqlite3"
    backups.copy(folder / DATABASE, flipped)
    _flipped(flipped)
    truncated = tmp_path / "short.zip"
    backups.pack(folder, truncated)
    truncated.write_bytes(truncated.read_bytes()[:-1_000])
    cases = [
        (["backup", str(tmp_path), *data], "is a folder"),
        (["backup", str(blocked / "x.zip"), *data], "a file stands where a folder is needed"),
        (["restore", str(tmp_path / "none.zip"), *data], "There is no file"),
        (["restore", str(tmp_path), *data], "is a folder"),
        (["restore", str(flipped), *data], "is not sound"),
        (["restore", str(truncated), *data], "is not"),
        (["restore", str(blocked), *data], "is not sound"),
        (["serve", "--data", str(blocked), "--port", "0"], "a file stands where a folder is"),
    ]
    for arguments, said in cases:
        assert main(arguments) == 1, arguments
        assert said in capsys.readouterr().err, arguments
    with alone(folder):
        assert main(["restore", str(flipped), *data]) == 1
        assert "stop it first" in capsys.readouterr().err
    with pytest.raises(SystemExit) as refused:
        main(["serve", "--port", "70000"])
    assert refused.value.code == 2
    assert "1 to 65535" in capsys.readouterr().err


def test_three_backups_at_once(folder: Path, tmp_path: Path) -> None:
    """Each is whole; nothing half is left behind."""
    from concurrent.futures import ThreadPoolExecutor

    targets = [tmp_path / f"{number}.zip" for number in range(3)]
    with ThreadPoolExecutor(3) as hands:
        list(hands.map(lambda target: backups.pack(folder, target), targets))
    for target in targets:
        with zipfile.ZipFile(target) as packed:
            assert packed.testzip() is None
    assert [each.name for each in (folder / COPIES).iterdir()] == []


FULL = 300_000  # bytes a file may have where the disk is as good as full


def test_a_full_disk_loses_nothing(folder: Path, tmp_path: Path) -> None:
    """A limit on the size of files, as a full disk: backup and restore say so, the log stays."""
    away = tmp_path / "away.zip"
    backups.pack(folder, away)
    before = titles(folder)
    child = os.fork()
    if child == 0:
        import resource
        import signal

        signal.signal(signal.SIGXFSZ, signal.SIG_IGN)
        resource.setrlimit(resource.RLIMIT_FSIZE, (FULL, FULL))
        codes = [
            main(["backup", str(tmp_path / "more.zip"), "--data", str(folder)]),
            main(["restore", str(away), "--data", str(folder)]),
        ]
        os._exit(0 if codes == [1, 1] else 1)
    assert os.waitstatus_to_exitcode(os.waitpid(child, 0)[1]) == 0
    assert titles(folder) == before
    assert not (tmp_path / "more.zip").exists()
    assert not list(folder.rglob("*.part"))


def test_a_carried_copy_put_back_is_a_home(folder: Path, tmp_path: Path) -> None:
    """The file of a copy is a log: restored, it takes in what others hand in."""
    copy = carrying.copy(folder / DATABASE, tmp_path / "copy.sqlite3", "now", "0")
    with closing(database.connect(copy)) as db:
        assert carrying.carried(db) is not None
    restoring.restore(folder, copy, "20260201-100000")
    opening.prepare(folder / DATABASE)
    with closing(database.connect(folder / DATABASE)) as db:
        assert carrying.carried(db) is None
        assert db.execute("SELECT count(*) FROM exposure").fetchone()[0] > 0
