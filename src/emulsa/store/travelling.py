"""What an act of a carried copy asks, as home understands it: a number the copy gave itself means
something else there, so what it stands for is named instead."""

from __future__ import annotations

import json
from typing import Any

from emulsa.store.transactions import Connection

PUT_BACK, PRINT_AGAIN = "history.restore", "prints.print_again"


def travelling(connection: Connection, name: str, request: str, last_action: int) -> str:
    """The request as it goes home: an action that was done in the copy by the id of its act, a
    print by the moment it was kept."""
    if name not in (PUT_BACK, PRINT_AGAIN):
        return request
    asked: dict[str, Any] = json.loads(request)
    body = asked["body"]
    if name == PUT_BACK and (body.get("action_id") or 0) > last_action:
        asked["body"] = {"act_id": _act_of(connection, body["action_id"])}
    elif name == PRINT_AGAIN:
        asked["body"] = {**body, "at": _kept_at(connection, asked["path"]["id"], body["number"])}
    return json.dumps(asked, ensure_ascii=False)


def action_of(connection: Connection, act_id: str) -> int | None:
    """The action an act was done in here; nothing when it was not."""
    row = connection.execute("SELECT action_id FROM act WHERE id = :id", {"id": act_id}).fetchone()
    return row["action_id"] if row else None


def _act_of(connection: Connection, action_id: int) -> str:
    row = connection.execute(
        "SELECT id FROM act WHERE action_id = :action", {"action": action_id}
    ).fetchone()
    return str(row["id"]) if row else ""


def _kept_at(connection: Connection, print_id: str, number: int) -> str:
    row = connection.execute(
        """
        SELECT json_extract(try.value, '$.at') FROM print, json_each(print.tries) AS try
        WHERE print.id = :id AND json_extract(try.value, '$.number') = :number
        """,
        {"id": print_id, "number": number},
    ).fetchone()
    return str(row[0] or "") if row else ""
