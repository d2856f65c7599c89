"""A scene: its readings, one of them pinned to a zone, and the kit that is in front of it.

``plan`` turns a scene into the request of the exposure chain, so that a page, a tool or a test asks
for the same exposure. What is missing is said by name, in the order one works.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core.corrections.bellows import Focus, Infinity
from emulsa.core.corrections.optics import Optics
from emulsa.core.errors import Missing
from emulsa.core.exposing.answer import Fall
from emulsa.core.exposing.falls import falls_of
from emulsa.core.exposing.request import DevelopmentNumber, ExposureRequest, High, SpotReading
from emulsa.core.film.emulsions import Film
from emulsa.core.kit import KitFilter, KitLens, KitPinhole, Meter
from emulsa.core.light.marks import ApertureMark
from emulsa.core.light.meters import Calibrated, Reading, ev100
from emulsa.core.limits import ExposureIndex, Id, Label, Length, Name, Note, Zone
from emulsa.core.tones.development_number import TARGET, development_number, half_steps
from emulsa.core.tones.placement import AsMetered, Placed, Placement, anchor, fall
from emulsa.core.tones.textural_range import TYPICAL
from emulsa.core.tones.zones import zone_text

SHADOW_TO = 4.5  # a reading placed up to here is an important shadow (III or IV)
HIGHLIGHT_FROM = 6.5  # from here an important highlight (VII…VIII); between, a mid-tone


@dataclass(frozen=True, kw_only=True, slots=True)
class SceneReading:
    """A reading as it was taken; ``taken_at`` is an ISO instant."""

    id: Id
    label: Label = ""
    reading: Reading
    taken_at: Label = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class Pin:
    """The reading the photographer pins, and the zone it is pinned to."""

    reading: Id
    zone: Zone


@dataclass(frozen=True, kw_only=True, slots=True)
class Scene:
    """Everything decided in front of one subject; what is empty is not decided yet."""

    id: Id
    outing_id: Id
    title: Name
    note: Note = ""
    film_id: Id | None = None
    exposure_index: ExposureIndex | None = None
    recipe_id: Id | None = None
    lens_id: Id | None = None
    pinhole_id: Id | None = None
    meter_id: Id | None = None
    filter_ids: Annotated[tuple[Id, ...], Length("Filters", 0, 12)] = ()
    focus: Focus = Infinity()
    aperture: ApertureMark | None = None
    pin: Pin | None = None
    high: High | None = None
    n: DevelopmentNumber | None = None
    readings: Annotated[tuple[SceneReading, ...], Length("Readings", 0, 200)] = ()


@dataclass(frozen=True, kw_only=True, slots=True)
class SceneKit:
    """The records a scene names, looked up."""

    film: Film | None = None
    lens: KitLens | None = None
    pinhole: KitPinhole | None = None
    meter: Meter | None = None
    filters: tuple[KitFilter, ...] = ()


def plan(scene: Scene, kit: SceneKit) -> ExposureRequest:
    """The exposure a scene asks for; Missing names the first thing still to choose."""
    if not scene.readings:
        raise Missing("Type a reading to begin: its EV, as in 9 shade III.", field="readings")
    if kit.film is None:
        raise Missing("Choose the film.", field="film_id")
    if kit.film.law is None:
        raise Missing(
            f"{kit.film.name} has no reciprocity law yet; give it one in Kit"
            " (“none” up to a stated time will do).",
            field="film_id",
        )
    optics = _optics(scene, kit)
    return ExposureRequest(
        ei=scene.exposure_index if scene.exposure_index is not None else kit.film.exposure_index,
        readings=tuple(
            SpotReading(id=each.id, label=each.label, reading=each.reading)
            for each in scene.readings
        ),
        placement=placement(scene),
        high=high(scene, kit),
        textural_range=kit.film.textural_range,
        filters=tuple(replace(each.filter, label=each.name) for each in kit.filters),
        optics=optics,
        focus=scene.focus,
        aperture=scene.aperture if optics.kind == "lens" else None,
        law=kit.film.law,
        meter=calibration(kit),
        n=scene.n,
    )


def follow_on(scene: Scene, before: Sequence[Scene]) -> Scene:
    """A new scene with the film, lens, aperture and meter of the one before it, if any."""
    if not before:
        return scene
    last = before[-1]
    return replace(
        scene,
        film_id=last.film_id,
        exposure_index=last.exposure_index,
        recipe_id=last.recipe_id,
        lens_id=last.lens_id,
        pinhole_id=last.pinhole_id,
        meter_id=last.meter_id,
        aperture=last.aperture,
    )


def falls(scene: Scene, kit: SceneKit) -> tuple[Fall, ...]:
    """Where the readings fall; needs no film or lens, so it answers from the first reading on."""
    if not scene.readings:
        return ()
    meter = calibration(kit)
    levels = {each.id: ev100(each.reading, meter) for each in scene.readings}
    placed_ev, zone = anchor(placement(scene), levels)
    marked, n = high(scene, kit), scene.n
    if n is None and marked is not None:
        falls_on = fall(levels[marked.reading], placed_ev, zone)
        n = half_steps(development_number(marked.zone, falls_on))
    planned = (n or 0.0, marked.zone if marked else TARGET)
    keeps = kit.film.textural_range if kit.film else TYPICAL
    return falls_of(levels, (placed_ev, zone), planned, keeps)


def calibration(kit: SceneKit) -> Calibrated:
    """The meter's constants, or the defaults of the standard when no meter is named."""
    return kit.meter.calibration if kit.meter else Calibrated()


def placement(scene: Scene) -> Placement:
    """The pin as a placement of its school; the first reading on V until one is pinned."""
    pin = scene.pin
    if pin is None or pin.reading not in {each.id for each in scene.readings}:
        return AsMetered(reading=scene.readings[0].id)
    if pin.zone <= SHADOW_TO:
        return Placed(school="shadow", reading=pin.reading, zone=pin.zone)
    if pin.zone >= HIGHLIGHT_FROM:
        return Placed(school="highlight", reading=pin.reading, zone=pin.zone)
    return Placed(school="midtone", reading=pin.reading, zone=pin.zone)


def placement_text(placed: Placement) -> str:
    """The placement in words: ``shadow on III``, ``as metered``."""
    if not isinstance(placed, Placed):
        return "as metered, on V"
    word = {"shadow": "shadow", "midtone": "mid-tone", "highlight": "highlight"}[placed.school]
    return f"{word} on {zone_text(placed.zone)}"


def high(scene: Scene, kit: SceneKit) -> High | None:
    """The important highlight: as marked, else the brightest reading that is not the pinned one."""
    ids = {each.id for each in scene.readings}
    if scene.high is not None and scene.high.reading in ids:
        return scene.high
    if len(scene.readings) < 2:
        return None
    pinned = scene.pin.reading if scene.pin else scene.readings[0].id
    meter = calibration(kit)
    brightest = max(scene.readings, key=lambda each: ev100(each.reading, meter))
    if brightest.id == pinned:
        return None
    return High(reading=brightest.id)


def _optics(scene: Scene, kit: SceneKit) -> Optics:
    if kit.pinhole is not None:
        return kit.pinhole.optics
    if kit.lens is None:
        raise Missing("Choose the lens or pinhole.", field="lens_id")
    if scene.aperture is None:
        raise Missing("Choose an aperture.", field="aperture")
    return kit.lens.optics
