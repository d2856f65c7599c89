"""What was handed in and lies aside: why, what hangs on it, what became of it."""

from __future__ import annotations

import json
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Literal

from emulsa.store.transactions import Connection

ASIDE = "id, moment, name, request, label, problem, because, device, at, fate"


Fate = Literal["", "note", "dropped"]


ASIDES_AT_ONCE = 200  # are shown; those after them when these are decided


@dataclass(frozen=True)
class Aside:
    """Something that could not be done at home: what it was, why, what it hangs on, its fate."""

    id: str
    moment: str
    name: str
    request: str
    label: str
    problem: str
    because: str
    device: str
    at: str
    fate: Fate = ""


@dataclass(frozen=True)
class Happened:
    """What was done at home to something that is spoken of, and when."""

    at: str
    label: str


def set_aside(connection: Connection, aside: Aside, made: Iterable[str]) -> None:
    """Keep what could not be done, and which records it would have made; one of this id that is
    known already stays as it is."""
    connection.execute(
        """
        INSERT INTO set_aside
            (id, moment, name, request, label, problem, because, device, at, fate)
        VALUES (:id, :moment, :name, :request, :label, :problem, :because, :device, :at, :fate)
        ON CONFLICT (id) DO NOTHING
        """,
        vars(aside),
    )
    connection.executemany(
        "INSERT INTO aside_made (record, aside_id) VALUES (?, ?) ON CONFLICT DO NOTHING",
        [(each, aside.id) for each in set(made)],
    )


def aside(connection: Connection, id_: str) -> Aside | None:
    """What lies aside under this id."""
    row = connection.execute(f"SELECT {ASIDE} FROM set_aside WHERE id = :id", {"id": id_})
    found = row.fetchone()
    return Aside(*found) if found else None


def hangs_on(connection: Connection, id_: str, mentioned: Iterable[str]) -> str:
    """The id of the first undecided thing aside that would have made something that is mentioned;
    empty when there is none."""
    row = connection.execute(
        """
        SELECT set_aside.id FROM aside_made JOIN set_aside ON set_aside.id = aside_made.aside_id
        WHERE aside_made.record IN (SELECT value FROM json_each(:mentioned))
            AND set_aside.fate = '' AND set_aside.id <> :id
        ORDER BY set_aside.moment, set_aside.rowid LIMIT 1
        """,
        {"mentioned": json.dumps(sorted(set(mentioned))), "id": id_},
    ).fetchone()
    return str(row[0]) if row else ""


def asides(connection: Connection) -> list[Aside]:
    """What lies aside and waits, in the order it happened, and the notes after it; of very many
    the first."""
    rows = connection.execute(
        f"""
        SELECT {ASIDE} FROM set_aside WHERE fate <> 'dropped'
        ORDER BY fate, moment, rowid LIMIT :most
        """,
        {"most": ASIDES_AT_ONCE},
    )
    return [Aside(*row) for row in rows]


def undecided(connection: Connection) -> int:
    """How much waits to be decided."""
    found = connection.execute("SELECT count(*) FROM set_aside WHERE fate = ''").fetchone()
    return int(found[0])


def happened(connection: Connection, records: Iterable[str], most: int = 3) -> list[Happened]:
    """What stands of what was done to any of these records, the latest first."""
    rows = connection.execute(
        """
        SELECT at, label FROM action WHERE NOT undone AND id IN (
            SELECT action_id FROM change WHERE record IN (SELECT value FROM json_each(:records))
        )
        ORDER BY id DESC LIMIT :most
        """,
        {"records": json.dumps(list(records)), "most": most},
    )
    return [Happened(row["at"], row["label"]) for row in rows]


def since(connection: Connection, records: Iterable[str], moment: str) -> Happened | None:
    """The latest thing that stands of what was done to any of these records after a moment."""
    row = connection.execute(
        """
        SELECT at, label FROM action
        WHERE NOT undone AND julianday(at) > julianday(:moment) AND id IN (
            SELECT action_id FROM change WHERE record IN (SELECT value FROM json_each(:records))
        )
        ORDER BY id DESC LIMIT 1
        """,
        {"records": json.dumps(list(records)), "moment": moment},
    ).fetchone()
    return Happened(row["at"], row["label"]) if row else None


def decide(connection: Connection, id_: str, fate: Fate, problem: str = "") -> None:
    """Its fate; a new problem when it was tried again and refused again."""
    connection.execute(
        """
        UPDATE set_aside
        SET fate = :fate, problem = CASE :problem WHEN '' THEN problem ELSE :problem END
        WHERE id = :id
        """,
        {"id": id_, "fate": fate, "problem": problem},
    )


def done_after_all(connection: Connection, id_: str) -> None:
    """It was done: it does not lie aside any more."""
    connection.execute("DELETE FROM set_aside WHERE id = :id", {"id": id_})
