"""A copy that is carried along, what was done in it, and what was set aside when it came home."""

from __future__ import annotations

import json
from collections.abc import Iterable
from contextlib import closing
from dataclasses import dataclass
from pathlib import Path

from emulsa.store import backups
from emulsa.store.database import connect
from emulsa.store.transactions import Connection, transaction
from emulsa.store.travelling import travelling

TURNS = ("journal.undo", "journal.redo")
EXPOSURE, BRACKET = "exposures.log", "exposures.log_bracket"
STRIP = "strips.expose"


@dataclass(frozen=True)
class Carried:
    """What a copy is: when it was made, by which version, and how far home was then."""

    made_at: str
    version: str
    last_act: int
    last_action: int


@dataclass(frozen=True)
class Outgoing:
    """Something done in a copy, as home is to do it; ``taken_back``: it was undone there.
    ``answer``: what was answered there, where home is not to work it out anew: an exposure.
    ``made``: the ids of the records it made there, on which later acts may hang; ``changed``: of
    those it changed."""

    id: str
    moment: str
    name: str
    request: str
    label: str
    taken_back: bool
    answer: str
    made: tuple[str, ...] = ()
    changed: tuple[str, ...] = ()


def copy(source: Path, target: Path, made_at: str, version: str) -> Path:
    """A checked copy of the running log that knows it is one."""
    backups.copy(source, target)
    with closing(connect(target)) as connection:
        with transaction(connection):
            connection.execute("DELETE FROM carried")
            connection.execute("DELETE FROM device")  # who may come in is no business of a copy
            connection.execute("DELETE FROM set_aside")
            connection.execute(
                """
                INSERT INTO carried (made_at, version, last_act, last_action)
                SELECT :made_at, :version, (SELECT coalesce(max(rowid), 0) FROM act),
                    (SELECT coalesce(max(id), 0) FROM action)
                """,
                {"made_at": made_at, "version": version},
            )
        connection.execute("PRAGMA journal_mode = DELETE")  # one file, nothing beside it
    return target


def carried(connection: Connection) -> Carried | None:
    """What this log is a copy of; nothing at home."""
    row = connection.execute(
        "SELECT made_at, version, last_act, last_action FROM carried"
    ).fetchone()
    return Carried(*row) if row else None


def outgoing(connection: Connection, worked_out: Iterable[str] = ()) -> list[Outgoing]:
    """What was done since the copy was made, in its order; what changed nothing is nothing. What
    was done and taken back there is told as that; turning what was done at home is an act like any
    other. Exposures go with what they were given, acts of the names in ``worked_out`` with what
    they came to."""
    copy_ = carried(connection)
    if copy_ is None:
        return []
    rows = connection.execute(
        """
        SELECT act.id, act.moment, act.name, act.request, coalesce(action.label, '') AS label,
            coalesce(action.undone, 0) AS undone, act.action_id IS NOT NULL AS changed,
            CASE WHEN act.name IN (SELECT value FROM json_each(:answered)) THEN act.answer ELSE ''
                END AS answer,
            (
                SELECT json_group_array(DISTINCT change.record) FROM change
                WHERE change.action_id = act.action_id AND change.before IS NULL
                    AND change.record IS NOT NULL
            ) AS made,
            (
                SELECT json_group_array(DISTINCT change.record) FROM change
                WHERE change.action_id = act.action_id AND change.before IS NOT NULL
                    AND change.after IS NOT NULL AND change.record IS NOT NULL
            ) AS touched_records
        FROM act LEFT JOIN action ON action.id = act.action_id
        WHERE act.rowid > :last_act ORDER BY act.rowid
        """,
        {
            "last_act": copy_.last_act,
            "answered": json.dumps([EXPOSURE, BRACKET, STRIP, *worked_out]),
        },
    )
    return [
        Outgoing(
            row["id"],
            row["moment"],
            row["name"],
            travelling(connection, row["name"], row["request"], copy_.last_action),
            row["label"],
            bool(row["undone"]),
            row["answer"],
            tuple(json.loads(row["made"])),
            tuple(json.loads(row["touched_records"])),
        )
        for row in rows
        if (_of_home(row["request"], copy_) if row["name"] in TURNS else row["changed"])
    ]


def waiting(connection: Connection) -> int:
    """How much of what was done here home does not know: what stands of ``outgoing``."""
    copy_ = carried(connection)
    if copy_ is None:
        return 0
    since = {"last_act": copy_.last_act}
    done = connection.execute(
        """
        SELECT count(*) FROM act JOIN action ON action.id = act.action_id
        WHERE act.rowid > :last_act AND NOT action.undone
        """,
        since,
    ).fetchone()[0]
    turns = connection.execute(
        f"SELECT request FROM act WHERE rowid > :last_act AND name IN {TURNS}", since
    )
    return int(done) + sum(_of_home(row["request"], copy_) for row in turns)


def _of_home(request: str, copy_: Carried) -> bool:
    """Whether a turn is of what was done before the copy was made."""
    turned: int = json.loads(request)["body"]["action_id"]
    return turned <= copy_.last_action


def pictures(connection: Connection) -> list[str]:
    """The ids of every picture, the latest first: they are carried in small."""
    rows = connection.execute("SELECT id FROM attachment ORDER BY added_at DESC, rowid DESC")
    return [row["id"] for row in rows]


def printed(connection: Connection, most: int = 20) -> list[str]:
    """The ids of the pictures that the latest prints are planned on, and of those that scenes are
    metered by: they are carried as large as they are shown."""
    rows = connection.execute(
        """
        SELECT DISTINCT attachment.id FROM attachment JOIN (
            SELECT exposure_id FROM print ORDER BY rowid DESC LIMIT :most
        ) USING (exposure_id)
        UNION ALL
        SELECT id FROM (
            SELECT id FROM attachment WHERE scene_id IS NOT NULL ORDER BY rowid DESC LIMIT :most
        )
        """,
        {"most": most},
    )
    return [row["id"] for row in rows]
