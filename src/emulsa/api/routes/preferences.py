"""How the photographer works: read and kept whole."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.answers import Routes
from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.keeping import unchanged
from emulsa.api.versions import version_of
from emulsa.core.kit.preferences import Preferences
from emulsa.store import journal
from emulsa.store import preferences as store

router = Routes(prefix="/api/preferences", tags=["preferences"])


@dataclass(frozen=True)
class KeptPreferences:
    """The preferences and their version."""

    preferences: Preferences
    version: str


@router.get("")
def read(db: Db) -> KeptPreferences:
    """The preferences, or the defaults."""
    return _kept(store.preferences(db))


@router.put("", openapi_extra=documented(Preferences))
def put(
    db: Db, preferences: Preferences = body(Preferences), base: str | None = None
) -> KeptPreferences:
    """Keep the preferences; ``base`` is the version they were changed on."""
    with journal.action(db, "way of working", now()):
        unchanged("Your way of working", store.preferences(db), preferences, base)
        store.put(db, preferences)
    return _kept(preferences)


def _kept(preferences: Preferences) -> KeptPreferences:
    return KeptPreferences(preferences, version_of(preferences))
