"""What a typed line does to a scene: takes a reading, pins it, sets aperture, focus or kit."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Protocol, TypeVar

from emulsa.core.corrections.filters import amount_text, strength
from emulsa.core.errors import Ambiguous, Unreadable
from emulsa.core.kit.bag import KitFilter, KitLens, KitPinhole, by_leaflet
from emulsa.core.kit.films import Film
from emulsa.core.light.meters import (
    ESTIMATED,
    IlluminanceReading,
    MeterSet,
    TimeReading,
    held_stops,
)
from emulsa.core.light.reading_text import reading_text
from emulsa.core.light.sky import OF_THE_LIGHT as TOLD
from emulsa.core.light.sky import (
    Estimated,
    SkyReading,
    by_sun,
    estimated_doubt,
    estimated_ev,
)
from emulsa.core.line import making
from emulsa.core.line.making import NOTHING, Made
from emulsa.core.line.setting import carry_setting
from emulsa.core.line.told import name_of
from emulsa.core.line.words import (
    KitWord,
    Line,
    ReadingWord,
)
from emulsa.core.numbers import number_text, plain
from emulsa.core.scene.assumed import EI
from emulsa.core.scene.changes import (
    ChooseFilm,
    ChooseFilters,
    ChooseLens,
    ChoosePinhole,
    Edit,
    MarkHigh,
    Place,
    Read,
)
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.tones.development_number import TARGET
from emulsa.core.tones.zones import MIDDLE, ev_text, zone_text

SAME_STOPS = 0.05  # a density of 0.9 and a factor of 8 are one filter
OF_THE_LIGHT = (IlluminanceReading, *TOLD)  # never of a tone, so no word says it
WORTH_MIN = 60.0  # light that changes more slowly is steady enough
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

    def with_made(self, made: Made) -> KitNames:
        """The same kit with what a line has just made."""
        return KitNames(
            films=self.films + made.films,
            lenses=self.lenses + made.lenses,
            pinholes=self.pinholes + made.pinholes,
            filters=self.filters + made.filters,
        )

    def of(self, scene: Scene, before: SceneKit) -> SceneKit:
        """The kit a scene names, by what it named ``before``."""
        return replace(
            before,
            film=_by_id(self.films, scene.film_id),
            lens=_by_id(self.lenses, scene.lens_id),
            pinhole=_by_id(self.pinholes, scene.pinhole_id),
            filters=tuple(each for each in self.filters if each.id in scene.filter_ids),
        )


@dataclass(frozen=True, kw_only=True, slots=True)
class CarriedOut:
    """What a line changes, its meaning in words, and the kit it makes on the way."""

    edits: tuple[Edit, ...]
    says: str
    makes: Made = NOTHING


def carry_out(
    scene: Scene,
    line: Line,
    kit: KitNames,
    reading_id: str,
    target_zone: float = TARGET,
) -> CarriedOut:
    """The edits a line means over a scene; a reading of the same id is taken again, and kit that is
    named but not there is made under that id. ``target_zone`` is what highlights are meant for."""
    if isinstance(line, ReadingWord):
        return _reading(scene, line, kit, reading_id, target_zone)
    set_ = carry_setting(scene, line, kit.lenses)
    if set_ is not None:
        return CarriedOut(edits=set_[0], says=set_[1])
    assert isinstance(line, KitWord)  # a wanted time is worked out over the scene's whole kit
    return _kit(scene, line, kit, reading_id)


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


def _kit(scene: Scene, line: KitWord, kit: KitNames, new_id: str) -> CarriedOut:
    if line.kind == "film":
        return _film(scene, line.words, kit, new_id)
    if line.kind == "lens":
        return _lens(line.words, kit, new_id)
    if line.kind == "pinhole":
        return _pinhole(line.words, kit, new_id)
    if not line.words:
        return CarriedOut(edits=(ChooseFilters(),), says="no filter")
    known = _alike(kit.filters, line.words) or _find(kit.filters, line.words, "filter")
    if known:
        edit = ChooseFilters(filter_ids=(known.id,))
        return CarriedOut(edits=(edit,), says=f"filter {known.name}")
    new = making.filter_(new_id, line.words)
    return CarriedOut(
        edits=(ChooseFilters(filter_ids=(new_id,)),),
        says=f"new filter {new.name}, {amount_text(new.filter)}",
        makes=Made(filters=(new,)),
    )


def _alike(filters: Sequence[KitFilter], words: str) -> KitFilter | None:
    """The neutral filter of the kit that is meant, whatever it is called there."""
    wanted = making.neutral(words)
    if wanted is None:
        return None
    stops = strength(wanted.filter)
    grey = (each for each in filters if each.filter.type == "plain" and not each.filter.colour)
    return next((each for each in grey if abs(strength(each.filter) - stops) < SAME_STOPS), None)


def _film(scene: Scene, words: str, kit: KitNames, new_id: str) -> CarriedOut:
    known = _find(kit.films, words, "film")
    if known:
        return CarriedOut(edits=(ChooseFilm(film_id=known.id),), says=f"film {known.name}")
    film = making.film(new_id, words, scene.exposure_index or EI)
    return CarriedOut(
        edits=(ChooseFilm(film_id=new_id),),
        says=f"new film {film.name}, EI {plain(film.exposure_index)}",
        makes=Made(films=(film,)),
    )


def _lens(words: str, kit: KitNames, new_id: str) -> CarriedOut:
    optics: tuple[KitLens | KitPinhole, ...] = (*kit.lenses, *kit.pinholes)
    chosen = _find(optics, words, "lens")
    if isinstance(chosen, KitPinhole):
        return _through(chosen)
    if chosen is not None:
        return CarriedOut(edits=(ChooseLens(lens_id=chosen.id),), says=f"lens {chosen.name}")
    new = making.lens(new_id, words)
    if new is None:
        raise _unknown(optics, words, "lens", "Say its focal length, as in lens 150.")
    edits = (ChooseLens(lens_id=new_id),)
    return CarriedOut(edits=edits, says=f"new lens {new.name}", makes=Made(lenses=(new,)))


def _pinhole(words: str, kit: KitNames, new_id: str) -> CarriedOut:
    chosen = _find(kit.pinholes, words, "pinhole")
    if chosen is not None:
        return _through(chosen)
    new = making.pinhole(new_id, words)
    if new is None:
        said = "Say its hole and its distance to the film, as in pinhole 0.2 at 30."
        raise _unknown(kit.pinholes, words, "pinhole", said)
    edits = (ChoosePinhole(pinhole_id=new_id),)
    return CarriedOut(edits=edits, says=f"new pinhole {new.name}", makes=Made(pinholes=(new,)))


def _through(pinhole: KitPinhole) -> CarriedOut:
    edits = (ChoosePinhole(pinhole_id=pinhole.id),)
    return CarriedOut(edits=edits, says=f"pinhole {pinhole.name}")


def _reading(
    scene: Scene, line: ReadingWord, kit: KitNames, reading_id: str, target_zone: float
) -> CarriedOut:
    before = next((each for each in scene.readings if each.id == reading_id), None)
    reading = line.reading
    sky = name_of(reading) if isinstance(reading, ESTIMATED) else ""
    label = line.label or (before.label if before else sky or f"reading {len(scene.readings) + 1}")
    read = Read(
        id=reading_id,
        label=label,
        reading=line.reading,
        incident=line.incident,
        through=line.through,
    )
    told = by_leaflet(reading, _by_id(kit.pinholes, scene.pinhole_id))
    says = reading_text(told)
    if isinstance(told, ESTIMATED):
        says += f" · {told_text(told)}"
    says += f" · “{label}”" * (label != sky)
    says += " · through the filters" * line.through + " · of the light" * (
        line.incident and not sky
    )
    if line.high:
        wanted = target_zone if line.zone is None else line.zone
        says += f" · the highlight, meant for {zone_text(wanted)}"
        return CarriedOut(edits=(read, MarkHigh(reading=reading_id, zone=wanted)), says=says)
    zone, held = line.zone, held_stops(line.reading)
    if zone is None and held:
        zone = max(0.0, min(10.0, MIDDLE + held))  # what the meter holds has placed it already
    if zone is None:
        return CarriedOut(edits=(read,), says=says)
    says += f" · placed on {zone_text(zone)}"
    return CarriedOut(edits=(read, Place(reading=reading_id, zone=zone)), says=says)


def told_text(reading: Estimated) -> str:
    """Light that is told, in figures: its EV, how far that may be out, and how fast it changes.

    >>> told_text(SkyReading(sky="overcast"))
    'EV 12 ±1'
    """
    said = f"EV {ev_text(estimated_ev(reading))} ±{number_text(estimated_doubt(reading))}"
    found = by_sun(reading) if isinstance(reading, SkyReading) else None
    rate = reading.sun_rate_deg_min if isinstance(reading, SkyReading) else None
    if found is None or not rate or not found.stop_minutes or found.stop_minutes > WORTH_MIN:
        return said
    way = "falls" if rate * (found.stops_per_degree or 0.0) < 0 else "rises"
    return f"{said}, the light {way} a stop in {found.stop_minutes:.0f} min"


def _by_id(records: Sequence[N], id_: str | None) -> N | None:
    return next((each for each in records if each.id == id_), None)


def _find(records: Sequence[N], words: str, what: str) -> N | None:
    """The one record whose name has all the words, or none; asks when there are several."""
    wanted = words.lower().split()
    found = [each for each in records if all(word in each.name.lower() for word in wanted)]
    exact = [each for each in found if each.name.lower() == " ".join(wanted)]
    if len(exact or found) > 1:
        names = ", ".join(each.name for each in found)
        raise Unreadable(f"Which {what}: {names}?", field="text")
    return (exact or found)[0] if found else None


def _unknown(records: Sequence[Named], words: str, what: str, how: str) -> Unreadable:
    """There is none of this name, and it cannot be made of what is said."""
    names = ", ".join(each.name for each in records)
    there = f" In the kit: {names}." if names else ""
    return Unreadable(f"There is no {what} “{words}”.{there} {how}", field="text")
