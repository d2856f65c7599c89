"""Film that is on both sides of a merge: its story goes on where one side's goes on from the
other's; where both went on for themselves, both are told and somebody decides.

A sheet's state follows its steps. What is not decided is not brought in: a side is never loaded and
exposed at once.
"""

from __future__ import annotations

import json
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from typing import Any, Literal, cast

from emulsa.core.film.states import SAID, Move
from emulsa.core.logged.texts import part_of, set_text
from emulsa.core.written import day_words
from emulsa.store import whole
from emulsa.store.transactions import Connection

Choice = Literal["here", "there"]
Row = dict[str, Any]
SHOWN = 200  # clashes that are told at once
NAMED_AT_MOST = 20


@dataclass(frozen=True)
class Clash:
    """A piece of film that went two ways: what it is called, and its story here and there."""

    piece_id: str
    label: str
    here: tuple[str, ...]
    there: tuple[str, ...]


class Undecided(Exception):
    """Film went two ways and nobody has decided yet; nothing was brought in."""

    def __init__(self, clashes: tuple[Clash, ...]) -> None:
        super().__init__(f"{len(clashes)} pieces of film went two ways")
        self.clashes = clashes


def clashes(connection: Connection, decided: Mapping[str, Choice]) -> tuple[Clash, ...]:
    """The film on the stage that went another way here, and is not decided."""
    return tuple(
        _Told(connection, piece_id).clash()
        for piece_id in _differing(connection)
        if piece_id not in decided and _way(connection, piece_id) == "clash"
    )[:SHOWN]


def join(connection: Connection, decided: Mapping[str, Choice]) -> list[str]:
    """Let known film follow the stage where its story goes on there, within the caller's act; what
    came of it, in sentences. Raises Undecided when somebody must decide first."""
    undecided = clashes(connection, decided)
    if undecided:
        raise Undecided(undecided)
    said: list[str] = []
    followed: list[str] = []
    for piece_id in list(_differing(connection)):
        way = _way(connection, piece_id)
        if way == "clash":
            way = "follow" if decided[piece_id] == "there" else "stay"
            told = _Told(connection, piece_id)
            story = "the one of the archive" if way == "follow" else "the one here"
            said.append(f"{told.label} has two stories; {story} is kept.")
            if way == "follow":
                _forget(connection, "main", piece_id)
        if way == "follow":
            followed.append(piece_id)
            if len(followed) <= NAMED_AT_MOST:
                row = _row(connection, "piece", piece_id)
                said.append(f"{row['label'] or 'A sheet'} goes on as in the archive.")
        else:
            _forget(connection, "stage", piece_id)
    _follow(connection, followed)
    return said


def _differing(connection: Connection) -> Iterator[str]:
    """Pieces on both sides of which the stage tells something else or more."""
    rows = connection.execute(
        """
        SELECT piece.id FROM stage.piece JOIN main.piece AS known ON known.id = piece.id
        WHERE EXISTS (
            SELECT 1 FROM stage.step WHERE step.piece_id = piece.id AND NOT EXISTS (
                SELECT 1 FROM main.step AS known
                WHERE known.id = step.id AND known.at = step.at AND known.move = step.move
            )
        ) OR EXISTS (
            SELECT 1 FROM stage.exposure WHERE exposure.piece_id = piece.id AND NOT EXISTS (
                SELECT 1 FROM main.exposure AS known WHERE known.id = exposure.id
            )
        )
        ORDER BY piece.rowid
        """
    ).fetchall()
    return (row["id"] for row in rows)


def _way(connection: Connection, piece_id: str) -> Literal["follow", "stay", "clash"]:
    here, there = (_steps(connection, side, piece_id) for side in ("main", "stage"))
    if there[: len(here)] == here and len(there) > len(here):
        own = _exposures(connection, "main", piece_id) - _exposures(connection, "stage", piece_id)
        return "clash" if own else "follow"
    if here[: len(there)] == there:
        more = _exposures(connection, "stage", piece_id) - _exposures(connection, "main", piece_id)
        return "clash" if more and len(here) == len(there) else "stay"
    return "clash"


def _steps(connection: Connection, side: str, piece_id: str) -> list[tuple[str, ...]]:
    rows = connection.execute(
        f"SELECT at, move, before, after, note FROM {side}.step WHERE piece_id = :id"
        " ORDER BY CAST(substr(id, length(piece_id) + 2) AS INTEGER)",
        {"id": piece_id},
    )
    return [tuple(row) for row in rows]


def _exposures(connection: Connection, side: str, piece_id: str) -> set[str]:
    rows = connection.execute(
        f"SELECT id FROM {side}.exposure WHERE piece_id = :id", {"id": piece_id}
    )
    return {row["id"] for row in rows}


def _forget(connection: Connection, side: str, piece_id: str) -> None:
    """What one side tells of this piece gives way: on the stage it is not brought in, in the log
    undo brings it back."""
    named = {"id": piece_id}
    connection.execute(
        f"DELETE FROM {side}.attachment WHERE exposure_id IN"
        f" (SELECT id FROM {side}.exposure WHERE piece_id = :id)",
        named,
    )
    for table, column in (("exposure", "piece_id"), ("step", "piece_id"), ("judgement", "id")):
        connection.execute(f"DELETE FROM {side}.{table} WHERE {column} = :id", named)


def _follow(connection: Connection, piece_ids: list[str]) -> None:
    """Pieces become what they are on the stage, and their rolls and runs with them."""
    rows = [_row(connection, "piece", id_) for id_ in piece_ids]
    for id_ in piece_ids:  # all out of their sides first: two may have changed places
        connection.execute("UPDATE main.piece SET in_place = 0 WHERE id = :id", {"id": id_})
    for row in rows:
        if whole.side_taken(connection, row):
            row |= {"in_place": 0, "kept_in": "brought in"}
        _set(connection, "piece", row)
    for roll_id in sorted({row["roll_id"] for row in rows if row["roll_id"]}):
        known = connection.execute(
            "SELECT number, next_frame FROM main.roll WHERE id = :id", {"id": roll_id}
        ).fetchone()
        roll = _row(connection, "roll", roll_id)
        if known and roll:
            further = max(known["next_frame"], roll["next_frame"])
            _set(connection, "roll", roll | {"number": known["number"], "next_frame": further})
    for run_id in sorted({row["run_id"] for row in rows if row["run_id"]}):
        run = _row(connection, "run", run_id)
        if run and whole.known(connection, "run", run_id):
            _set(connection, "run", run)


def _row(connection: Connection, table: str, id_: str) -> Row:
    found = connection.execute(f"SELECT * FROM stage.{table} WHERE id = :id", {"id": id_})
    row = found.fetchone()
    return dict(row) if row else {}


def _set(connection: Connection, table: str, row: Row) -> None:
    settings = ", ".join(f"{name} = :{name}" for name in row if name != "id")
    connection.execute(f"UPDATE main.{table} SET {settings} WHERE id = :id", row)


class _Told:
    """A piece's two stories in words."""

    def __init__(self, connection: Connection, piece_id: str) -> None:
        self._connection, self._id = connection, piece_id
        row = connection.execute(
            "SELECT label FROM main.piece WHERE id = :id", {"id": piece_id}
        ).fetchone()
        self.label = str(row["label"]) if row else piece_id

    def clash(self) -> Clash:
        return Clash(self._id, self.label, self._story("main"), self._story("stage"))

    def _story(self, side: str) -> tuple[str, ...]:
        """Its steps, and what was given; the last tells two exposures of one minute apart."""
        steps = [
            _in_words(at, cast(Move, move), note)
            for at, move, _, _, note in _steps(self._connection, side, self._id)
        ]
        given = self._connection.execute(
            f"SELECT aperture, seconds, share FROM {side}.exposure WHERE piece_id = :id"
            " ORDER BY exposed_at, rowid",
            {"id": self._id},
        )
        shots = [_shot(json.loads(row["aperture"]), row["seconds"], row["share"]) for row in given]
        return (*steps, *shots)


def _in_words(at: str, move: Move, note: str) -> str:
    when = f"{day_words(at[:10])} {at[11:16]}".strip()
    return ", ".join(filter(None, (when, SAID[move], note)))


def _shot(aperture: str | float, seconds: float, share: float) -> str:
    return ", ".join(filter(None, (set_text(aperture, seconds), part_of(share, None, 0.0))))
