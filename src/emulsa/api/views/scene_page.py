"""A scene on one page: what is on the screen, with its picture and the print to come as files."""

from __future__ import annotations

from pathlib import Path

from emulsa.api.routing import Db
from emulsa.api.views.scenes import solution
from emulsa.core.scene.page import ScenePage, scene_page
from emulsa.core.scene.printed import taken
from emulsa.core.scene.record import Scene
from emulsa.core.scene.seeing import SeeingAsked
from emulsa.core.scene.seen import picture_seen
from emulsa.core.written import day_words
from emulsa.exchange import pictures
from emulsa.exchange.printed import counted, printed
from emulsa.store import attachments, outings, scenes


def page_of(db: Db, scene: Scene, folder: Path) -> ScenePage:
    """The page of a scene; ``folder`` is where pictures lie."""
    kit = scenes.kit_of(db, scene)
    small = _small(db, scene.id, folder)
    asked = SeeingAsked(rings=counted(small) if small else ())
    seen = picture_seen(scene, kit, asked, [taken("now", scene, kit)])
    files = (small.read_bytes() if small else b"", b"")
    if small and seen and seen.look_up and seen.prints and seen.prints[0].grey:
        files = (files[0], printed(small, seen.look_up, seen.prints[0]))
    ratio = kit.picture.aspect if kit.picture else 1.0
    return scene_page(scene, kit, _where(db, scene), solution(db, scene), seen, files, ratio)


def _small(db: Db, scene_id: str, folder: Path) -> Path | None:
    """The scene's picture in small, where it has one and its file is there."""
    picture = attachments.of_scene(db, scene_id)
    path = pictures.thumbnail(folder, picture.digest) if picture else None
    return path if path and path.exists() else None


def _where(db: Db, scene: Scene) -> str:
    outing = outings.outing(db, scene.outing_id)
    told = (outing.title, day_words(outing.day), outing.place) if outing else ()
    return " · ".join(each for each in told if each)
