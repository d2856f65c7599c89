"""What an act of a carried copy asks, as home understands it: a number the copy gave itself means
something else there, so what it stands for is named instead."""

from __future__ import annotations

import json
from typing import Any

from emulsa.store.transactions import Connection

PUT_BACK = "history.restore"


def travelling(connection: Connection, name: str, request: str, last_action: int) -> str:
    """The request as it goes home: an action that was done in the copy by the id of its act."""
    if name != PUT_BACK:
        return request
    asked: dict[str, Any] = json.loads(request)
    body = asked["body"]
    if (body.get("action_id") or 0) > last_action:
        asked["body"] = {"act_id": _act_of(connection, body["action_id"])}
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
