"""The history of a record, and restoring an earlier version of it."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.lookup import needed
from emulsa.api.routing import Act, Db, Routes
from emulsa.core.errors import Missing
from emulsa.core.limits import Id
from emulsa.store import history as store
from emulsa.store import travelling
from emulsa.store.history import Event

routes = Routes("history", "/api/history")


@dataclass(frozen=True, kw_only=True)
class Restoring:
    """The action before which the record is wanted, or the act it was done in."""

    action_id: int | None = None
    act_id: Id | None = None


@routes.question("/{id}")
def read(db: Db, id: str) -> list[Event]:  # noqa: A002
    """What was done to the record of this id, latest first."""
    return store.events(db, id)


@routes.act("POST", "/{id}/put-back")
def restore(act: Act, id: str, to: Restoring) -> list[Event]:  # noqa: A002
    """Make the record what it was before an action; itself an act that can be undone."""
    action_id = to.action_id
    if to.act_id is not None:
        action_id = needed(
            travelling.action_of(act.db, to.act_id),
            "What was put back to was not done here.",
            "act_id",
        )
    if action_id is None:
        raise Missing("Name the change before which it is wanted.", field="action_id")
    act.says(f"restore the version before: {store.restore(act.db, id, action_id)}")
    return store.events(act.db, id)
