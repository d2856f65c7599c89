"""Acts that were done: by the id they came with, what each answered the first time.

Kept with the moment, the name and the request, in the order they were done, so that what was done
in a copy can be done again at home.
"""

from __future__ import annotations

import hashlib
import json
from dataclasses import dataclass
from typing import Any

from emulsa.core.errors import Impossible
from emulsa.store.transactions import Connection

LONG = 20_000  # characters of a body that are kept with its act


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
    if act.name and not (row["name"] == act.name and same(json.loads(row["request"]), act.request)):
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


def shortened(request: dict[str, Any]) -> dict[str, Any]:
    """A request as it is kept at home: a long body by its length and its digest, for it is never
    done again from there. A copy keeps it whole, to hand it in."""
    text = json.dumps(request.get("body"), ensure_ascii=False)
    if len(text) <= LONG:
        return request
    digest = hashlib.sha256(text.encode(errors="surrogatepass")).hexdigest()
    return {**request, "body": {"characters": len(text), "sha256": digest}}


def same(kept: dict[str, Any], asked: dict[str, Any]) -> bool:
    """Whether what was kept of a request is this one."""
    return kept in (asked, shortened(asked))


def keep(connection: Connection, act: Act, answer: Answered, action_id: int | None) -> None:
    """Remember an act and its answer, within the transaction it was done in."""
    carried = connection.execute("SELECT 1 FROM carried").fetchone()
    request = act.request if carried else shortened(act.request)
    connection.execute(
        """
        INSERT INTO act (id, moment, name, request, status, answer, touched, action_id)
        VALUES (:id, :moment, :name, :request, :status, :answer, :touched, :action_id)
        """,
        {
            "id": act.id,
            "moment": act.moment,
            "name": act.name,
            "request": json.dumps(request, ensure_ascii=False),
            "status": answer.status,
            "answer": answer.content,
            "touched": json.dumps(answer.touched),
            "action_id": action_id,
        },
    )
