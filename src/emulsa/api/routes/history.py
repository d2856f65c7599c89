"""The history of a record, and putting it back as it was."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.answers import Routes
from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.store import history as store
from emulsa.store.history import Event

router = Routes(prefix="/api/history", tags=["history"])


@dataclass(frozen=True, kw_only=True)
class PuttingBackTo:
    """The action before which the record is wanted."""

    action_id: int


@router.get("/{id}")
def read(id: str, db: Db) -> list[Event]:  # noqa: A002
    """What was done to the record of this id, latest first."""
    return store.events(db, id)


@router.post("/{id}/put-back", openapi_extra=documented(PuttingBackTo))
def put_back(id: str, db: Db, to: PuttingBackTo = body(PuttingBackTo)) -> list[Event]:  # noqa: A002
    """Make the record what it was before an action; itself an action that can be undone."""
    store.put_back(db, id, to.action_id, now())
    return store.events(db, id)
