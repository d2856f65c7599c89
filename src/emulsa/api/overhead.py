"""Where sun and moon stand over a scene's place while one types."""

from __future__ import annotations

from dataclasses import replace

from emulsa.api.request import now
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.sky.now import sky_now
from emulsa.store import outings
from emulsa.store.database import Connection


def under_sky(db: Connection, scene: Scene, own: SceneKit) -> SceneKit:
    """A scene's kit with the sky over its outing's place, where that is known."""
    outing = outings.outing(db, scene.outing_id)
    place = outing.sky_place if outing else None
    return own if place is None else replace(own, sky=sky_now(place, now()))
