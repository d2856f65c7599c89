"""How the photographer works: read and kept whole."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.keeping import unchanged
from emulsa.api.routing import Act, Db, Routes
from emulsa.core.data.development import BATH_C
from emulsa.core.kit.preferences import Preferences
from emulsa.core.kit.reminders import Reminders, all_reminders
from emulsa.core.tones.zones import zone_text
from emulsa.core.versions import version_of
from emulsa.core.written import Unit, degrees_text, units, writing
from emulsa.store import preferences as store

routes = Routes("preferences", "/api/preferences")

HABIT_ZONES = ("shadow_zone", "highlight_zone", "target_zone")


@dataclass(frozen=True)
class KeptPreferences:
    """The preferences and their version; ``usual_degrees`` is the usual bath in their unit, and
    ``units`` are those that fields are filled in, by the core's own; ``zones`` the habits' zones as
    one writes them, by their paths; ``reminders`` what is looked at before and after an exposure,
    by film and front."""

    preferences: Preferences
    version: str
    usual_degrees: str
    units: dict[str, Unit]
    zones: dict[str, str]
    reminders: dict[str, Reminders]


@routes.question("")
def read(db: Db) -> KeptPreferences:
    """The preferences, or the defaults."""
    return _kept(db)


@routes.act("PUT", "")
def put(act: Act, base: str, preferences: Preferences) -> KeptPreferences:
    """Keep the preferences; ``base`` is the version they were changed on."""
    act.says("change preferences")
    unchanged("The preferences", store.preferences(act.db), preferences, base)
    store.put(act.db, preferences)
    return _kept(act.db)


def _kept(db: Db) -> KeptPreferences:
    kept = store.preferences(db)
    with writing(kept.measures):
        zones = {f"habits.{each}": zone_text(getattr(kept.habits, each)) for each in HABIT_ZONES}
        return KeptPreferences(
            kept, version_of(kept), degrees_text(BATH_C), units(), zones, all_reminders(kept)
        )
