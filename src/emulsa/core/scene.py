"""A scene: its readings, one of them pinned to a zone, and the kit that is in front of it.

``plan`` turns a scene into the request of the exposure chain, so that a page, a tool or a test asks
for the same exposure. What is missing is said by name, in the order one works.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core.alternatives.schools import SCHOOLS, Habits, School, placed_by
from emulsa.core.corrections.aperture_choice import Depth
from emulsa.core.corrections.bellows import Focus, Infinity
from emulsa.core.corrections.filters import Filter, Light
from emulsa.core.corrections.movement import Movement
from emulsa.core.corrections.optics import Optics
from emulsa.core.data.contrast import Subject
from emulsa.core.errors import Missing
from emulsa.core.exposing.answer import Fall
from emulsa.core.exposing.falls import falls_of, planned_n, wanted_n
from emulsa.core.exposing.levels import incident_ids, levels_of
from emulsa.core.exposing.request import ExposureRequest, High, SpotReading
from emulsa.core.film.emulsions import Film
from emulsa.core.kit import KitFilter, KitLens, KitPinhole, Meter
from emulsa.core.light.marks import ApertureMark
from emulsa.core.light.meters import Calibrated, Reading
from emulsa.core.limits import ExposureIndex, Id, Label, Length, Name, Note, Zone
from emulsa.core.tones.development_number import TARGET, DevelopmentNumber
from emulsa.core.tones.placement import AsMetered, Placed, Placement, anchor
from emulsa.core.tones.textural_range import TYPICAL
from emulsa.core.tones.zones import zone_text

PINNING: tuple[School, ...] = ("shadow", "midtone", "highlight")
SHADOW_TO = 4.5  # a reading placed up to here is an important shadow (III or IV)
HIGHLIGHT_FROM = 6.5  # from here an important highlight (VII…VIII); between, a mid-tone


@dataclass(frozen=True, kw_only=True, slots=True)
class SceneReading:
    """A reading as it was taken; ``taken_at`` is an ISO instant. For the rest see SpotReading."""

    id: Id
    label: Label = ""
    reading: Reading
    taken_at: Label = ""
    incident: bool = False
    through: bool = False
    graduated: bool = False
    subject: Subject = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class Pin:
    """The reading the photographer pins, and the zone it is pinned to."""

    reading: Id
    zone: Zone


@dataclass(frozen=True, kw_only=True, slots=True)
class Scene:
    """Everything decided in front of one subject; what is empty is not decided yet.

    ``school`` is how the photographer places here; without one, the pin says it. ``low`` marks the
    important shadow when it is not the darkest reading. ``revisits`` is the earlier scene it was
    copied from.
    """

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
    school: School | None = None
    low: Id | None = None
    light: Light = "daylight"
    depth: Depth | None = None
    movement: Movement | None = None
    revisits: Id | None = None
    readings: Annotated[tuple[SceneReading, ...], Length("Readings", 0, 200)] = ()


@dataclass(frozen=True, kw_only=True, slots=True)
class SceneKit:
    """The records a scene names, looked up, and the photographer's habits."""

    film: Film | None = None
    lens: KitLens | None = None
    pinhole: KitPinhole | None = None
    meter: Meter | None = None
    filters: tuple[KitFilter, ...] = ()
    habits: Habits = Habits()


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
        readings=spots(scene),
        placement=placement(scene, kit),
        high=high(scene, kit),
        textural_range=kit.film.textural_range,
        filters=filters(kit),
        optics=optics,
        focus=scene.focus,
        aperture=scene.aperture if optics.kind == "lens" else None,
        law=kit.film.law,
        meter=calibration(kit),
        n=scene.n,
        light=scene.light,
        usual_ei=kit.film.exposure_index,
        depth=scene.depth if optics.kind == "lens" else None,
        movement=scene.movement if optics.kind == "lens" else None,
        blur_mm=kit.habits.blur_mm,
    )


def spots(scene: Scene) -> tuple[SpotReading, ...]:
    """The scene's readings as the chain takes them."""
    return tuple(
        SpotReading(
            id=each.id,
            label=each.label,
            reading=each.reading,
            incident=each.incident,
            through=each.through,
            graduated=each.graduated,
            subject=each.subject,
        )
        for each in scene.readings
    )


def filters(kit: SceneKit) -> tuple[Filter, ...]:
    """The filters before the lens, by the names they have in the kit."""
    return tuple(replace(each.filter, label=each.name) for each in kit.filters)


def levels(scene: Scene, kit: SceneKit) -> dict[str, float]:
    """EV at ISO 100 by reading, filters thought of."""
    return levels_of(spots(scene), filters(kit), scene.light, calibration(kit))


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
        school=last.school or scene.school,
        light=last.light,
    )


def revisit(earlier: Scene, id_: str, outing_id: str) -> Scene:
    """An earlier scene to go back to: its readings and kit as they were, N to be decided again.

    The readings keep their time, so that their age is said until they are taken anew.
    """
    return replace(earlier, id=id_, outing_id=outing_id, revisits=earlier.id, n=None)


def falls(scene: Scene, kit: SceneKit) -> tuple[Fall, ...]:
    """Where the readings fall; needs no film or lens, so it answers from the first reading on."""
    if not scene.readings:
        return ()
    light, placed = levels(scene, kit), placement(scene, kit)
    anchored, marked = anchor(placed, light), high(scene, kit)
    n = planned_n(wanted_n(placed, marked, scene.n, light, anchored), scene.n)
    planned = (n, marked.zone if marked else TARGET)
    keeps = kit.film.textural_range if kit.film else TYPICAL
    return falls_of(light, anchored, planned, keeps, incident_ids(spots(scene), placed))


def calibration(kit: SceneKit) -> Calibrated:
    """The meter's constants, or the defaults of the standard when no meter is named."""
    return kit.meter.calibration if kit.meter else Calibrated()


def meter_iso(kit: SceneKit) -> float:
    """The ISO the scene's meter is kept at: what a typed reading was taken at."""
    return kit.meter.iso if kit.meter else 100.0


def placement(scene: Scene, kit: SceneKit) -> Placement:
    """How the scene is placed: by its school, by its pin, or not yet: the first reading on V.

    A school that places a tone follows the pin once there is one; a school that lacks its readings
    falls back to the first reading on V, and ``lacking`` says what it needs.
    """
    pin = scene.pin
    pinned = pin is not None and pin.reading in {each.id for each in scene.readings}
    if scene.school is not None and (scene.school not in PINNING or not pinned):
        made = _by_school(scene, kit, scene.school)
        return AsMetered(reading=scene.readings[0].id) if isinstance(made, str) else made
    if pin is None or not pinned:
        return AsMetered(reading=scene.readings[0].id)
    if pin.zone <= SHADOW_TO:
        return Placed(school="shadow", reading=pin.reading, zone=pin.zone)
    if pin.zone >= HIGHLIGHT_FROM:
        return Placed(school="highlight", reading=pin.reading, zone=pin.zone)
    return Placed(school="midtone", reading=pin.reading, zone=pin.zone)


def lacking(scene: Scene, kit: SceneKit) -> str:
    """What the scene's school still needs, in words; nothing when it can place."""
    if scene.school is None or not scene.readings:
        return ""
    made = _by_school(scene, kit, scene.school)
    return f"{SCHOOLS[scene.school]} {made}" if isinstance(made, str) else ""


def placed_reading(placed: Placement) -> str | None:
    """The reading a placement pins; nothing for schools that use two or read the light."""
    return placed.reading if isinstance(placed, (Placed, AsMetered)) else None


def placement_text(placed: Placement) -> str:
    """The placement in words: ``shadow on III``, ``as metered, on V``, ``average on V``."""
    if isinstance(placed, Placed):
        return f"{SCHOOLS[placed.school]} on {zone_text(placed.zone)}"
    return {
        "as_metered": "as metered, on V",
        "average": "average on V",
        "incident": "incident",
        "incident_pair": "incident pair",
    }[placed.school]


def high(scene: Scene, kit: SceneKit) -> High | None:
    """The important highlight: as marked, else the brightest spot that is not the pinned one."""
    ids = {each.id for each in scene.readings}
    if scene.high is not None and scene.high.reading in ids:
        return scene.high
    tones = [each.id for each in scene.readings if not each.incident]
    if len(tones) < 2:
        return None
    light = levels(scene, kit)
    brightest = max(tones, key=lambda each: light[each])
    pinned = scene.pin.reading if scene.pin else scene.readings[0].id
    if scene.school is not None:
        pinned = placed_reading(placement(scene, kit)) or ""
    return None if brightest == pinned else High(reading=brightest, zone=kit.habits.target_zone)


def _by_school(scene: Scene, kit: SceneKit, school: School) -> Placement | str:
    light = levels(scene, kit)
    incident = frozenset(each.id for each in scene.readings if each.incident)
    marked = (scene.low, scene.high.reading if scene.high else None)
    return placed_by(school, light, incident, marked, kit.habits)


def _optics(scene: Scene, kit: SceneKit) -> Optics:
    if kit.pinhole is not None:
        return kit.pinhole.optics
    if kit.lens is None:
        raise Missing("Choose the lens or pinhole.", field="lens_id")
    if scene.aperture is None:
        raise Missing("Choose an aperture.", field="aperture")
    return kit.lens.optics
