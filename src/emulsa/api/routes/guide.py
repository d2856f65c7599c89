"""The guide through a first outing."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.api.routing import Db, Routes
from emulsa.core.outing.guide import SoFar, Step, guide
from emulsa.store import outings, preferences

routes = Routes("guide", "/api/guide")


@dataclass(frozen=True)
class Guide:
    """The five steps, none when it is not needed; ``so_far`` names what they go on with."""

    steps: tuple[Step, ...]
    so_far: SoFar


@routes.question("")
def read(db: Db) -> Guide:
    """What to do next on a first outing."""
    so_far = outings.so_far(db)
    return Guide(guide(so_far, preferences.preferences(db).guide), so_far)
