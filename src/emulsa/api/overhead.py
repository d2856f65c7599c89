"""Where sun and moon stand over a scene's place while one types."""

from __future__ import annotations

from dataclasses import replace

from emulsa.api.request import now
from emulsa.core.moments import day_number, seconds
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.sky.now import sky_now
from emulsa.store import outings
from emulsa.store.database import Connection

DAY_S, SECONDS_PER_DEG = 86_400, 240.0


def under_sky(db: Connection, scene: Scene, own: SceneKit) -> SceneKit:
    """A scene's kit with the sky over its outing's place, where that is known and it is its day:
    who looks back at another day's scene types under another sky."""
    outing, at = outings.outing(db, scene.outing_id), now()
    place = outing.sky_place if outing else None
    if outing is None or place is None or not outing.day:
        return own
    # by the sun's own time there: nobody says the zone, and nobody types a sky at midnight
    there = seconds(at) + place.longitude_deg * SECONDS_PER_DEG
    same = int(there // DAY_S) == day_number(outing.day, "day")
    return replace(own, sky=sky_now(place, at)) if same else own
