"""What a typed line does to a scene: takes a reading, pins it, sets aperture, focus or kit."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Protocol, TypeVar

from emulsa.core.corrections.bellows import ByDraw
from emulsa.core.corrections.optics import aperture_of
from emulsa.core.errors import Ambiguous, Unreadable
from emulsa.core.kit.bag import KitFilter, KitLens, KitPinhole
from emulsa.core.kit.films import Film
from emulsa.core.light.marks import mark_text
from emulsa.core.light.meters import (
    EvReading,
    IlluminanceReading,
    MeanReading,
    MeterSet,
    Single,
    TimeReading,
    held_stops,
)
from emulsa.core.light.reading_text import reading_text
from emulsa.core.limits import plain
from emulsa.core.line.grammar import (
    ApertureWord,
    DepthWord,
    FocusWord,
    KitWord,
    Line,
    ReadingWord,
)
from emulsa.core.scene.edits import (
    ChooseFilm,
    ChooseFilters,
    ChooseLens,
    ChoosePinhole,
    Edit,
    Place,
    Read,
    SetAperture,
    SetDepth,
    SetFocus,
)
from emulsa.core.scene.record import Scene, SceneReading
from emulsa.core.tones.zones import MIDDLE, ev_text, zone_text

FULL_ISO = 100.0  # what a meter stands at when it is set to nothing else


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
class CarriedOut:
    """What a line changes, and its meaning in words."""

    edits: tuple[Edit, ...]
    says: str


def carry_out(scene: Scene, line: Line, kit: KitNames, reading_id: str) -> CarriedOut:
    """The edits a line means over a scene; a reading of the same id is taken again."""
    if isinstance(line, ReadingWord):
        return _reading(scene, line, reading_id)
    if isinstance(line, ApertureWord):
        lens = next((each for each in kit.lenses if each.id == scene.lens_id), None)
        if lens is not None:
            aperture_of(lens.optics, line.aperture, "text")
        says = f"aperture {mark_text(line.aperture)}"
        return CarriedOut(edits=(SetAperture(aperture=line.aperture),), says=says)
    if isinstance(line, FocusWord):
        drawn = line.focus.draw_mm if isinstance(line.focus, ByDraw) else None
        says = "focus at infinity" if drawn is None else f"focus {plain(drawn)} mm past infinity"
        return CarriedOut(edits=(SetFocus(focus=line.focus),), says=says)
    if isinstance(line, DepthWord):
        says = f"near to far focus {plain(line.depth.focus_spread_mm)} mm"
        return CarriedOut(edits=(SetDepth(depth=line.depth),), says=says)
    return _kit(line, kit)


def ask_iso(word: Line, kept: MeterSet, meter_has_one: bool, said: object) -> None:
    """Ambiguous when a time was read and nobody ever said which ISO times belong to.

    Asked once: ``said`` is the photographer's answer in the preferences. ``allowed`` are the two
    ISO it may be.
    """
    timed = isinstance(word, ReadingWord) and isinstance(word.reading, TimeReading)
    if not timed or meter_has_one or said is not None or kept.time_iso == FULL_ISO:
        return
    assert isinstance(word, ReadingWord)
    if word.iso_said:
        return
    ei = plain(kept.time_iso)
    raise Ambiguous(
        f"Was the meter set to the film's EI, {ei}, or to ISO 100? Choose once; iso{ei} or iso100"
        " on the line says it for one reading.",
        field="time_iso",
        allowed=[kept.time_iso, FULL_ISO],
    )


def _kit(line: KitWord, kit: KitNames) -> CarriedOut:
    if line.kind == "filter":
        if not line.words:
            return CarriedOut(edits=(ChooseFilters(),), says="no filter")
        filter_ = _find(kit.filters, line.words, "filter")
        edit = ChooseFilters(filter_ids=(filter_.id,))
        return CarriedOut(edits=(edit,), says=f"filter {filter_.name}")
    if line.kind == "film":
        film = _find(kit.films, line.words, "film")
        return CarriedOut(edits=(ChooseFilm(film_id=film.id),), says=f"film {film.name}")
    optics: tuple[KitLens | KitPinhole, ...] = (*kit.lenses, *kit.pinholes)
    chosen = _find(optics, line.words, "lens")
    if isinstance(chosen, KitPinhole):
        edits: tuple[Edit, ...] = (ChoosePinhole(pinhole_id=chosen.id),)
        return CarriedOut(edits=edits, says=f"pinhole {chosen.name}")
    return CarriedOut(edits=(ChooseLens(lens_id=chosen.id),), says=f"lens {chosen.name}")


def _reading(scene: Scene, line: ReadingWord, reading_id: str) -> CarriedOut:
    before = next((each for each in scene.readings if each.id == reading_id), None)
    label = line.label or (before.label if before else f"reading {len(scene.readings) + 1}")
    read = Read(
        id=reading_id,
        label=label,
        reading=line.reading,
        incident=line.incident,
        through=line.through,
    )
    says = f"{reading_text(line.reading)} · “{label}”"
    says += " · through the filters" * line.through + " · of the light" * line.incident
    zone, held = line.zone, held_stops(line.reading)
    if zone is None and held:
        zone = max(0.0, min(10.0, MIDDLE + held))  # what the meter holds has placed it already
    if zone is None:
        return CarriedOut(edits=(read,), says=says)
    says += f" · placed on {zone_text(zone)}"
    return CarriedOut(edits=(read, Place(reading=reading_id, zone=zone)), says=says)


def line_of(taken: SceneReading, meter: MeterSet = MeterSet()) -> str:
    """A kept reading as a line that reads back to it, with the meter set so.

    >>> line_of(SceneReading(id="a", label="bark", reading=EvReading(ev=13 + 1 / 3)))
    '13⅓ bark'
    """
    reading = taken.reading
    each = reading.readings if isinstance(reading, MeanReading) else (reading,)
    words = [
        " + ".join(_said(one) for one in each),
        _iso_word(each, meter),
        _held_word(each, meter),
        taken.label,
        "@through" if taken.through else "",
        "@incident" if taken.incident and not isinstance(reading, IlluminanceReading) else "",
    ]
    return " ".join(word for word in words if word)


def _iso_word(readings: Sequence[Single], meter: MeterSet) -> str:
    """The ISO, unless every reading was taken as the meter is set."""
    found = [
        (one.iso, meter.ev_iso if isinstance(one, EvReading) else meter.time_iso)
        for one in readings
        if isinstance(one, (EvReading, TimeReading))
    ]
    return "" if all(iso == kept for iso, kept in found) else f"iso{plain(found[0][0])}"


def _held_word(readings: Sequence[Single], meter: MeterSet) -> str:
    held = next(
        (one.held_stops for one in readings if isinstance(one, (EvReading, TimeReading))), 0.0
    )
    if held == meter.held_stops:
        return ""
    return f"{'-' if held < 0 else '+'}{abs(held):.6g} held"


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
