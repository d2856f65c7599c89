"""What is typed for a place of the picture that was touched: what the meter says of it, or its
name."""

from __future__ import annotations

from dataclasses import dataclass, replace

from emulsa.core.errors import Missing, Unreadable
from emulsa.core.kit.preferences import Preferences
from emulsa.core.light.meters import PhotoReading
from emulsa.core.line import grammar
from emulsa.core.line.carry_out import KitNames
from emulsa.core.line.lines import Typed, typed
from emulsa.core.line.making import NOTHING
from emulsa.core.line.words import ReadingWord
from emulsa.core.picture.metering import Spot
from emulsa.core.scene.changes import Read
from emulsa.core.scene.plan import meter_set
from emulsa.core.scene.record import Scene, SceneKit


@dataclass(frozen=True, kw_only=True, slots=True)
class Touched:
    """A place of the picture, and what is read off there where the picture is known."""

    spot: Spot
    read_off: PhotoReading | None = None


def read_there(
    text: str,
    scene: Scene,
    own: SceneKit,
    kit: KitNames,
    way: Preferences,
    reading_id: str,
    at: Touched,
) -> Typed:
    """A reading that lies at the place: the meter's, where the text is one, else the picture's, by
    the name that was typed. What begins with a digit and is no reading is refused as a line is."""
    name = " ".join(text.split())
    if name and _is_reading(name, scene, own, way):
        found = typed(name, scene, own, kit, way, reading_id)
        edits = tuple(
            replace(each, spot=at.spot) if isinstance(each, Read) else each for each in found.edits
        )
        return replace(found, edits=edits)
    if at.read_off is None:
        raise Missing("This picture is not known yet: type what the meter says.", field="text")
    edit = Read(id=reading_id, label=name, reading=at.read_off, spot=at.spot)
    says = f"{name}, read off the picture" if name else "read off the picture"
    return Typed(says=says, falls_on="", edits=(edit,), makes=NOTHING)


def _is_reading(name: str, scene: Scene, own: SceneKit, way: Preferences) -> bool:
    try:
        return isinstance(grammar.parse(name, meter_set(scene, own, way.time_iso)), ReadingWord)
    except Unreadable:
        if name[0].isdigit() or name[0] in "-−":
            raise
        return False
