"""The history of a record, and restoring an earlier version of it."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.routing import Act, Db, Routes
from emulsa.store import history as store
from emulsa.store.history import Event

routes = Routes("history", "/api/history")


@dataclass(frozen=True, kw_only=True)
class Restoring:
    """The action before which the record is wanted."""

    action_id: int


@routes.question("/{id}")
def read(db: Db, id: str) -> list[Event]:  # noqa: A002
    """What was done to the record of this id, latest first."""
    return store.events(db, id)


@routes.act("POST", "/{id}/put-back")
def restore(act: Act, id: str, to: Restoring) -> list[Event]:  # noqa: A002
    """Make the record what it was before an action; itself an act that can be undone."""
    act.says(f"restore the version before: {store.restore(act.db, id, to.action_id)}")
    return store.events(act.db, id)
