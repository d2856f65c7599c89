"""What a typed line does to a scene: takes a reading, pins it, sets aperture, focus or kit."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Protocol, TypeVar

from emulsa.core.corrections.bellows import ByDraw
from emulsa.core.corrections.optics import aperture_of
from emulsa.core.errors import Unreadable
from emulsa.core.kit.bag import KitFilter, KitLens, KitPinhole
from emulsa.core.kit.films import Film
from emulsa.core.light.marks import mark_text
from emulsa.core.light.meters import (
    EvReading,
    IlluminanceReading,
    MeanReading,
    Single,
    TimeReading,
)
from emulsa.core.light.reading_text import reading_text
from emulsa.core.limits import plain
from emulsa.core.line.grammar import ApertureWord, DepthWord, FocusWord, Line, ReadingWord
from emulsa.core.scene.record import PINNING, Pin, Scene, SceneReading
from emulsa.core.tones.zones import ev_text, zone_text


class Named(Protocol):
    """Anything in the kit: found by words of its name."""

    @property
    def id(self) -> str: ...

    @property
    def name(self) -> str: ...


N = TypeVar("N", bound=Named)


@dataclass(frozen=True, kw_only=True, slots=True)
class KitNames:
    """All the kit a line can name."""

    films: tuple[Film, ...] = ()
    lenses: tuple[KitLens, ...] = ()
    pinholes: tuple[KitPinhole, ...] = ()
    filters: tuple[KitFilter, ...] = ()


@dataclass(frozen=True, kw_only=True, slots=True)
class Applied:
    """The scene after the line, and the line's meaning in words."""

    scene: Scene
    says: str


def apply(scene: Scene, line: Line, kit: KitNames, reading_id: str, taken_at: str) -> Applied:
    """The scene with the line carried out; a reading of the same id is taken anew."""
    if isinstance(line, ReadingWord):
        return _with_reading(scene, line, reading_id, taken_at)
    if isinstance(line, ApertureWord):
        lens = next((each for each in kit.lenses if each.id == scene.lens_id), None)
        if lens is not None:
            aperture_of(lens.optics, line.aperture, "text")
        says = f"aperture {mark_text(line.aperture)}"
        return Applied(scene=replace(scene, aperture=line.aperture), says=says)
    if isinstance(line, FocusWord):
        drawn = isinstance(line.focus, ByDraw)
        says = f"focus {plain(line.focus.draw_mm)} mm draw" if drawn else "focus at infinity"  # type: ignore[union-attr]
        return Applied(scene=replace(scene, focus=line.focus), says=says)
    if isinstance(line, DepthWord):
        says = f"near to far focus {plain(line.depth.focus_spread_mm)} mm"
        return Applied(scene=replace(scene, depth=line.depth), says=says)
    if line.kind == "filter":
        if not line.words:
            return Applied(scene=replace(scene, filter_ids=()), says="no filter")
        filter_ = _find(kit.filters, line.words, "filter")
        return Applied(
            scene=replace(scene, filter_ids=(filter_.id,)), says=f"filter {filter_.name}"
        )
    if line.kind == "film":
        film = _find(kit.films, line.words, "film")
        changed = replace(scene, film_id=film.id, exposure_index=None, recipe_id=None)
        return Applied(scene=changed, says=f"film {film.name}")
    optics: tuple[KitLens | KitPinhole, ...] = (*kit.lenses, *kit.pinholes)
    return _with_lens(scene, _find(optics, line.words, "lens"))


def _with_reading(scene: Scene, line: ReadingWord, reading_id: str, taken_at: str) -> Applied:
    before = next((each for each in scene.readings if each.id == reading_id), None)
    label = line.label or (before.label if before else f"reading {len(scene.readings) + 1}")
    taken = SceneReading(
        id=reading_id,
        label=label,
        reading=line.reading,
        taken_at=taken_at,
        incident=line.incident,
        through=line.through,
        graduated=before.graduated if before else False,
        subject=before.subject if before else "",
    )
    kept = tuple(taken if each.id == reading_id else each for each in scene.readings)
    readings = kept if before else (*scene.readings, taken)
    says = f"{reading_text(line.reading)} · “{label}”"
    says += " · through the filters" * line.through + " · of the light" * line.incident
    changed = replace(scene, readings=readings)
    if line.zone is not None:
        says += f" · placed on {zone_text(line.zone)}"
        school = scene.school if scene.school in PINNING else None
        pin = Pin(reading=reading_id, zone=line.zone)
        changed = replace(changed, pin=pin, school=school)
    return Applied(scene=changed, says=says)


def line_of(taken: SceneReading, kept_at: float = 100.0) -> str:
    """A kept reading as a line that reads back to it, with a meter kept at this ISO.

    >>> line_of(SceneReading(id="a", label="bark", reading=EvReading(ev=13 + 1 / 3)))
    '13⅓ bark'
    """
    reading = taken.reading
    each = reading.readings if isinstance(reading, MeanReading) else (reading,)
    iso = next((one.iso for one in each if isinstance(one, (EvReading, TimeReading))), kept_at)
    words = [
        " + ".join(_said(one) for one in each),
        "" if iso == kept_at else f"iso{plain(iso)}",
        taken.label,
        "@through" if taken.through else "",
        "@incident" if taken.incident and not isinstance(reading, IlluminanceReading) else "",
    ]
    return " ".join(word for word in words if word)


def _said(reading: Single) -> str:
    if isinstance(reading, EvReading):
        return _exact(reading.ev)
    if isinstance(reading, TimeReading):
        time = reading.time if isinstance(reading.time, str) else plain(reading.time)
        return f"{time}@{mark_text(reading.aperture).removeprefix('f/')}"
    return f"{plain(reading.value)} {reading.unit}"


def _exact(ev: float) -> str:
    """An EV with its fraction when thirds or halves say it, else in decimals."""
    size = abs(ev)
    if min(abs(size * 3 - round(size * 3)), abs(size * 2 - round(size * 2))) < 1e-6:
        text = ev_text(size)
        return ("-" if ev < 0 else "") + (text if text[0].isdecimal() else f"0{text}")
    return f"{ev:.4g}"


def _with_lens(scene: Scene, chosen: Named) -> Applied:
    pinhole = isinstance(chosen, KitPinhole)
    changed = replace(
        scene,
        lens_id=None if pinhole else chosen.id,
        pinhole_id=chosen.id if pinhole else None,
    )
    return Applied(scene=changed, says=("pinhole " if pinhole else "lens ") + chosen.name)


def _find(records: Sequence[N], words: str, what: str) -> N:
    """The one record whose name has all the words; asks when there are several or none."""
    wanted = words.lower().split()
    found = [each for each in records if all(word in each.name.lower() for word in wanted)]
    exact = [each for each in found if each.name.lower() == " ".join(wanted)]
    if len(exact or found) == 1:
        return (exact or found)[0]
    names = ", ".join(each.name for each in found or records) or "none in the kit yet"
    asked = f"Which {what}" if found else f"There is no {what} “{words}”; choose from"
    raise Unreadable(f"{asked}: {names}{'?' if found else '.'}", field="text")
