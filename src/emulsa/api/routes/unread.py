"""Records that are there and cannot be read: named, and mended."""

from __future__ import annotations

from emulsa.api.routing import Act, Db, Routes
from emulsa.api.views.done import Done
from emulsa.store import unread as store
from emulsa.store.unread import Unread

routes = Routes("unread", "/api/unread")


@routes.question("")
def read(db: Db) -> list[Unread]:
    """Every record that cannot be read, and whether a state of it that can is known."""
    return list(store.found(db))


@routes.act("POST", "/{table}/{id}/mend")
def mend(act: Act, table: str, id: str) -> Done:  # noqa: A002 - the path's name
    """Put a record back as it last could be read, or take it out where no such state is known."""
    did = store.mend(act.db, table, id)
    act.says(did)
    return Done(did, (id,))
