"""The history of a record, and restoring an earlier version of it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from emulsa.api.lookup import needed
from emulsa.api.routing import Act, Db, Routes
from emulsa.core.errors import Missing
from emulsa.core.kit.told import Told, told
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


@dataclass(frozen=True)
class EventTold:
    """An act that touched the record, what it is called, and what it changed in words."""

    action_id: int
    at: str
    label: str
    undone: bool
    restorable: bool
    differences: tuple[Told, ...]


@dataclass(frozen=True, kw_only=True)
class TwoVersions:
    """A record as one would keep it, and as another hand kept it."""

    mine: dict[str, Any]
    theirs: dict[str, Any]


@routes.question("/{id}")
def read(db: Db, id: str) -> list[EventTold]:  # noqa: A002
    """What was done to the record of this id, latest first."""
    return _told(store.events(db, id))


@routes.question("/compare", "POST")
def compare(versions: TwoVersions) -> tuple[Told, ...]:
    """Where two versions of a record differ, in words: as it is kept, and as one would keep it."""
    mine, theirs = versions.mine, versions.theirs
    return tuple(
        each
        for field in mine
        if field in theirs and mine[field] != theirs[field]
        for each in told(field, theirs[field], mine[field])
        if each.before != each.after
    )


@routes.act("POST", "/{id}/put-back")
def restore(act: Act, id: str, to: Restoring) -> list[EventTold]:  # noqa: A002
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
    return _told(store.events(act.db, id))


def _told(events: list[Event]) -> list[EventTold]:
    return [
        EventTold(
            each.action_id,
            each.at,
            each.label,
            each.undone,
            each.restorable,
            tuple(
                line for one in each.differences for line in told(one.field, one.before, one.after)
            ),
        )
        for each in events
    ]
