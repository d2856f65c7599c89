"""A crash at any statement of any act leaves what was before or what is after, nothing between.

Killed: the files are taken as they lie at the moment each statement begins, triggers' own too, and
opened as a machine finds them that was switched off there. Failed: the statement raises, and the
process goes on.
"""

import shutil
import sqlite3
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest

from emulsa.exchange import pictures
from emulsa.store import database, watched
from tests.acts.conftest import Done, Season
from tests.acts.doing import Hands
from tests.effort import some

Files = dict[str, bytes]
Stamp = tuple[tuple[str, int, int], ...]
FAILURES_EACH = some(2, 12)  # statements of an act that fail, one after the other
PART = some(3, 1)
EVERY = some(5, 1)  # of the states between an act's first and its last, so many


class Failed(Exception):
    """The disk, or whatever it was."""


class Failing(watched.Connection):
    """A connection that fails at a statement, and works again afterwards."""

    left: int | None = None
    seen = 0

    def execute(self, *asked: Any) -> sqlite3.Cursor:
        self.seen += 1
        if self.left is not None:
            self.left -= 1
            if self.left < 0:
                self.left = None
                raise Failed
        return super().execute(*asked)


@pytest.fixture
def failing(monkeypatch: pytest.MonkeyPatch) -> None:
    """Every connection is one that can fail."""
    connect = sqlite3.connect

    def failing_connect(*asked: Any, **more: Any) -> Any:
        return connect(*asked, **{**more, "factory": Failing})

    monkeypatch.setattr(database.sqlite3, "connect", failing_connect)


def firsts(season: Season, hands: Hands, turn: int) -> Iterator[tuple[Done, dict[str, Any]]]:
    """The first act of every kind, with what was before it; the season goes on between. Of the kit,
    whose lists are kept and deleted by the same lines, one list stands for all. Where there is
    little time, every second kind, those that are only killed in turn with those that only fail."""
    kinds = [
        name
        for name in sorted(season.first_of_each)
        if not name.startswith(("kit.put_", "kit.delete_")) or name.endswith("_lens")
    ]
    wanted = {season.first_of_each[name] for name in kinds[turn::PART]}
    before = season.before
    for place, each in enumerate(season.done[: max(wanted) + 1]):
        if place in wanted:
            yield each, before
        assert hands.do(each.request, each.key, each.moment) == each.answer
        before = each.after


def copied(hands: Hands, folder: Path) -> Hands:
    """The folder as it is, for trying something."""
    hands.db.execute("PRAGMA wal_checkpoint(TRUNCATE)")
    shutil.rmtree(folder, ignore_errors=True)
    shutil.copytree(hands.folder, folder, ignore=shutil.ignore_patterns("*-wal", "*-shm"))
    return Hands(folder)


def test_killed_at_any_statement(season: Season, begun: Hands, tmp_path: Path) -> None:
    """Every state the files were in is one of the two."""
    states = acts = 0
    for each, before in firsts(season, begun, 0):
        hands = copied(begun, tmp_path / "tried")
        found: dict[Stamp, Files] = {}

        def look(_: str, hands: Hands = hands, found: dict[Stamp, Files] = found) -> None:
            stamp = _stamp(hands.folder)
            if stamp not in found:
                found[stamp] = _files(hands.folder)

        connection = hands.house.pool.take()
        connection.set_trace_callback(look)
        hands.house.pool.give(connection)
        assert hands.do(each.request, each.key, each.moment).ok
        connection.set_trace_callback(None)
        look("done")
        hands.close()
        states_found = list(found.values())
        between = states_found[1 + acts % EVERY : -1 : EVERY]
        for files in (states_found[0], *between, *states_found[1:][-1:]):
            after_all = _laid(files, tmp_path / "found")
            assert after_all.picture() in (before, each.after), each.request.name
            _pictures_are_there(after_all)
            after_all.close()
        states += len(found)
        acts += 1
    assert states >= 2 * acts - 2  # an act may change nothing


def test_failed_at_any_statement(
    season: Season, begun: Hands, tmp_path: Path, failing: None
) -> None:
    """Nothing is kept of it, and done again under its id it is done."""
    for kind, (each, before) in enumerate(firsts(season, begun, PART - 1)):
        counted = copied(begun, tmp_path / "counted")
        connection: Any = counted.house.pool.take()
        counted.house.pool.give(connection)
        connection.seen = 0
        assert counted.do(each.request, each.key, each.moment).ok
        statements = connection.seen
        counted.close()
        hands = copied(begun, tmp_path / "tried")
        connection = hands.house.pool.take()
        hands.house.pool.give(connection)
        step = max(1, statements // FAILURES_EACH)
        for at in range(kind % step, statements, step):
            connection.left = at
            with pytest.raises(Failed):
                hands.do(each.request, each.key, each.moment)
            assert hands.picture() == before, (each.request.name, at)
        connection.left = None
        assert hands.do(each.request, each.key, each.moment) == each.answer
        assert hands.picture() == each.after
        hands.close()


def _lying(folder: Path) -> list[Path]:
    """What lies in the folder, but what SQLite makes anew by itself."""
    return sorted(
        each for each in folder.rglob("*") if each.is_file() and not each.name.endswith("-shm")
    )


def _stamp(folder: Path) -> Stamp:
    """By what it is seen that a file was written."""
    found = ((each.name, each.stat()) for each in _lying(folder))
    return tuple((name, stat.st_size, stat.st_mtime_ns) for name, stat in found)


def _files(folder: Path) -> Files:
    return {str(each.relative_to(folder)): each.read_bytes() for each in _lying(folder)}


def _laid(files: Files, folder: Path) -> Hands:
    shutil.rmtree(folder, ignore_errors=True)
    for name, content in files.items():
        path = folder / name
        path.parent.mkdir(parents=True, exist_ok=True)
        path.write_bytes(content)
    return Hands(folder)


def _pictures_are_there(hands: Hands) -> None:
    for row in hands.db.execute("SELECT digest, media_type FROM attachment"):
        kept = pictures.original(hands.house.attachments, row["digest"], row["media_type"])
        assert kept.exists()
