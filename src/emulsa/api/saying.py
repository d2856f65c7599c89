"""What is typed over a scene, wherever that scene is kept: read with the kit as it is, by its
names."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.api.overhead import under_sky
from emulsa.api.routing import Act, Db
from emulsa.core.limits import Id, Length
from emulsa.core.line.lines import Typed, typed
from emulsa.core.line.making import NOTHING, Made
from emulsa.core.line.touched import Touched, read_there
from emulsa.core.scene.changes import Edits
from emulsa.core.scene.record import Scene
from emulsa.store import kit, preferences
from emulsa.store import scenes as store

Line = Annotated[str, Length("What is typed", 0, 4000)]


@dataclass(frozen=True, kw_only=True)
class Editing:
    """What is changed of a scene, and the kit that is made for it on the way."""

    edits: Edits
    makes: Made = NOTHING


@dataclass(frozen=True, kw_only=True)
class Saying:
    """What is typed over a scene; ``reading_id`` names the reading it may add."""

    text: Line
    reading_id: Id


def meant(
    db: Db, scene: Scene, text: str, reading_id: str, touched: Touched | None = None
) -> Typed:
    """What is typed means over a scene, or for a place of its picture."""
    way, own, names = preferences.preferences(db), store.kit_of(db, scene), kit.names(db)
    own = under_sky(db, scene, own)
    if touched is not None:
        return read_there(text, scene, own, names, way, reading_id, touched)
    return typed(text, scene, own, names, way, reading_id)


def make(act: Act, makes: Made) -> None:
    """Keep the kit that is made on the way, unless it is there."""
    for each in makes.all:
        if act.read_back(each) is None:
            act.keep(each)
