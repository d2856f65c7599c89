"""The same exposure on other films: what each would be set to, by the same light and placement."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.errors import CoreError
from emulsa.core.exposing.chain import exposure
from emulsa.core.logged.texts import set_text
from emulsa.core.scene.plan import plan
from emulsa.core.scene.record import Scene, SceneKit


@dataclass(frozen=True, kw_only=True, slots=True)
class OnFilm:
    """A scene on a film: aperture and time as they would be set, and N."""

    film_id: str
    text: str


def on_film(film_id: str, scene: Scene, kit: SceneKit) -> OnFilm:
    """The scene on its film; without words where it cannot be worked out."""
    try:
        answer = exposure(plan(scene, kit))
    except CoreError:
        return OnFilm(film_id=film_id, text="")
    given = set_text(answer.set.aperture, answer.set.seconds)
    return OnFilm(film_id=film_id, text=f"{given}, {answer.development.n_text}")
