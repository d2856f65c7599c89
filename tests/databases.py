"""Databases for tests."""

from contextlib import closing
from pathlib import Path
from typing import Any

from emulsa.core.outing.record import Outing
from emulsa.demo.quarry import OUTING
from emulsa.store import database, journal, outings, records, turning
from emulsa.store.folder import ATTACHMENTS, DATABASE
from emulsa.store.transactions import transaction


def empty() -> database.Connection:
    """A database in memory, migrated, with nothing in it; to be closed by who asked for it."""
    made = database.connect(Path(":memory:"))
    database.lay(made)
    return made


def lay(folder: Path) -> Path:
    """A data folder with an empty log in it, as it is after its first start."""
    folder.mkdir(parents=True, exist_ok=True)
    with closing(database.connect(folder / DATABASE)) as laid:
        database.lay(laid)
    return folder


def titles(folder: Path) -> set[str]:
    """The outings of a data folder."""
    with closing(database.connect(folder / DATABASE)) as db:
        return {each.title for each in outings.outings(db)}


def rename(folder: Path, title: str) -> None:
    """The demo's outing under another title."""
    with (
        closing(database.connect(folder / DATABASE)) as db,
        journal.action(db, "renamed", "now"),
    ):
        records.keep(db, Outing(id=OUTING.id, title=title))


def few_pictures(folder: Path, left: int = 3) -> None:
    """The demo without most of its scans: there is a step for each, wherever they are copied."""
    with closing(database.connect(folder / DATABASE)) as db:
        db.execute(
            "DELETE FROM attachment WHERE id NOT IN (SELECT id FROM attachment LIMIT ?)", (left,)
        )
        named = {row[0] for row in db.execute("SELECT digest FROM attachment")}
    for path in (folder / ATTACHMENTS).iterdir():
        if path.name.split(".")[0] not in named:
            path.unlink()


def undo(db: database.Connection) -> journal.Action:
    """Take back whatever was done last; Impossible when there is nothing."""
    return _turned(db, turning.undo, journal.reach(db).undo)


def redo(db: database.Connection) -> journal.Action:
    """Bring back whatever was undone last; Impossible when there is nothing."""
    return _turned(db, turning.redo, journal.reach(db).redo)


def _turned(db: database.Connection, turn: Any, expected: journal.Action | None) -> journal.Action:
    with transaction(db):
        action: journal.Action = turn(db, expected.id if expected else 0)
    return action


def picture(db: database.Connection) -> dict[str, list[tuple[object, ...]]]:
    """Every row of every journaled table."""
    return {
        table: sorted((tuple(row) for row in db.execute(f"SELECT * FROM {table}")), key=repr)
        for table in journal.JOURNALED
    }
