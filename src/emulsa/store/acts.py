"""Acts that were done: by the id they came with, what each answered the first time.

Kept with the moment, the name and the request, in the order they were done, so that they could be
done again elsewhere.
"""

from __future__ import annotations

import json
from dataclasses import dataclass
from typing import Any

from emulsa.core.errors import Impossible
from emulsa.store.transactions import Connection


@dataclass(frozen=True)
class Act:
    """Something to be done: its id by whoever asks, when it happened, its name, what was asked."""

    id: str
    moment: str
    name: str
    request: dict[str, Any]


@dataclass(frozen=True)
class Answered:
    """What an act answered, and the tables it touched."""

    status: int
    content: str
    touched: tuple[str, ...] = ()


def answered(connection: Connection, act: Act) -> Answered | None:
    """What this act answered when it was done, if it was; nothing when it is new.

    Impossible when the id was used for something else: the two would be mistaken for each other.
    An act without a name is whatever was done under its id.
    """
    row = connection.execute(
        "SELECT name, request, status, answer, touched FROM act WHERE id = :id", {"id": act.id}
    ).fetchone()
    if row is None:
        return None
    same = row["name"] == act.name and json.loads(row["request"]) == act.request
    if act.name and not same:
        raise Impossible(
            "This id was used for something else already; every act needs one of its own.",
            field="idempotency-key",
        )
    return Answered(row["status"], row["answer"], tuple(json.loads(row["touched"])))


def done(connection: Connection, id_: str) -> tuple[str, dict[str, Any], str] | None:
    """What was done under an id: its name, what was asked, and the answer; nothing when it is
    new."""
    row = connection.execute(
        "SELECT name, request, answer FROM act WHERE id = :id", {"id": id_}
    ).fetchone()
    return (row["name"], json.loads(row["request"]), row["answer"]) if row else None


def keep(connection: Connection, act: Act, answer: Answered, action_id: int | None) -> None:
    """Remember an act and its answer, within the transaction it was done in."""
    connection.execute(
        """
        INSERT INTO act (id, moment, name, request, status, answer, touched, action_id)
        VALUES (:id, :moment, :name, :request, :status, :answer, :touched, :action_id)
        """,
        {
            "id": act.id,
            "moment": act.moment,
            "name": act.name,
            "request": json.dumps(act.request, ensure_ascii=False),
            "status": answer.status,
            "answer": answer.content,
            "touched": json.dumps(answer.touched),
            "action_id": action_id,
        },
    )
