"""How the photographer works: read and kept whole."""

from __future__ import annotations

from fastapi import APIRouter

from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.core.preferences import Preferences
from emulsa.store import journal
from emulsa.store import preferences as store

router = APIRouter(prefix="/api/preferences", tags=["preferences"])


@router.get("")
def read(db: Db) -> Preferences:
    """The preferences, or the defaults."""
    return store.preferences(db)


@router.put("", openapi_extra=documented(Preferences))
def put(db: Db, preferences: Preferences = body(Preferences)) -> Preferences:
    """Keep the preferences."""
    with journal.action(db, "way of working", now()):
        store.put(db, preferences)
    return preferences
