"""From a scene to the exposure it asks for.

``plan`` turns a scene into the request of the exposure chain, so that a page, a tool or a test asks
for the same exposure. What is missing is said by name, in the order one works.
"""

from __future__ import annotations

from dataclasses import replace

from emulsa.core.corrections.film_kinds import has_n, on_film
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.optics import Optics
from emulsa.core.errors import Missing
from emulsa.core.exposing.answer import Fall
from emulsa.core.exposing.deciding import Decided, Wish, decided, planned_n
from emulsa.core.exposing.doubting import doubts_of
from emulsa.core.exposing.falls import FilmTones, falls_of
from emulsa.core.exposing.levels import incident_ids, levels_of
from emulsa.core.exposing.request import EiPoint, ExposureRequest, High, SpotReading
from emulsa.core.exposing.schools import SCHOOLS, School, placed_by
from emulsa.core.kit.bag import by_leaflet
from emulsa.core.kit.films import ei_points
from emulsa.core.kit.preferences import TimeIso
from emulsa.core.light.marks import engraved_on
from emulsa.core.light.meters import Calibrated, MeterSet
from emulsa.core.scene.assumed import complete
from emulsa.core.scene.record import PINNING, Scene, SceneKit
from emulsa.core.tones.development_number import WIDEST
from emulsa.core.tones.placement import AsMetered, Placed, Placement, anchor
from emulsa.core.tones.textural_range import TYPICAL
from emulsa.core.tones.zones import zone_text

SHADOW_TO = 4.5  # a reading placed up to here is an important shadow (III or IV)


HIGHLIGHT_FROM = 6.5  # from here an important highlight (VII…VIII); between, a mid-tone


def plan(scene: Scene, kit: SceneKit) -> ExposureRequest:
    """The exposure a scene asks for, what is not said yet assumed; Missing without a reading."""
    if not scene.readings:
        raise Missing("Type a reading to begin: its EV, as in 9 shade III.", field="readings")
    scene, kit, _ = complete(scene, kit)
    assert kit.film is not None
    assert kit.film.law is not None
    optics = _optics(kit)
    return ExposureRequest(
        ei=film_ei(scene, kit) or kit.film.exposure_index,
        readings=spots(scene, kit),
        placement=placement(scene, kit),
        high=high(scene, kit),
        textural_range=kit.film.textural_range,
        filters=filters(kit),
        optics=optics,
        focus=scene.focus,
        aperture=_aperture(scene, optics),
        law=kit.film.law,
        meter=calibration(kit),
        n=chosen_n(scene, kit),
        light=scene.light,
        usual_ei=kit.film.exposure_index,
        depth=scene.depth if optics.kind == "lens" else None,
        movement=scene.movement if optics.kind == "lens" else None,
        blur_mm=kit.habits.blur_mm,
        format_mm=kit.format_mm if optics.kind == "lens" else None,
        ei_by_n=ei_by_n(scene, kit),
        own_film=kit.own_film,
        film_kind=kit.film.kind,
        pre_exposure_zone=scene.pre_exposure_zone,
    )


def spots(scene: Scene, kit: SceneKit) -> tuple[SpotReading, ...]:
    """The scene's readings as the chain takes them; a sky by the leaflet of its pinhole."""
    return tuple(
        SpotReading(
            id=each.id,
            label=each.label,
            reading=by_leaflet(each.reading, kit.pinhole),
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


def chosen_n(scene: Scene, kit: SceneKit) -> float | None:
    """The N somebody chose; none on film that has no N, though it was chosen for another."""
    return scene.n if kit.film is None or has_n(kit.film.kind) else None


def levels(scene: Scene, kit: SceneKit) -> dict[str, float]:
    """EV at ISO 100 by reading, filters thought of."""
    stack = on_film(filters(kit), kit.film.kind if kit.film else None)
    return levels_of(spots(scene, kit), stack, scene.light, calibration(kit))


def falls(scene: Scene, kit: SceneKit) -> tuple[Fall, ...]:
    """Where the readings fall; needs no film or lens, so it answers from the first reading on."""
    if not scene.readings:
        return ()
    light, placed = levels(scene, kit), placement(scene, kit)
    n = planned_n(who_decides(scene, kit).n, chosen_n(scene, kit))
    planned = (n, high(scene, kit).zone)
    keeps = kit.film.textural_range if kit.film else TYPICAL
    ei = film_ei(scene, kit) or 100.0
    film = FilmTones(keeps, kit.own_film, ei, scene.pre_exposure_zone)
    taken = spots(scene, kit)
    incident = incident_ids(taken, placed)
    found = falls_of(light, anchor(placed, light), planned, film, incident)
    return doubts_of(taken).told(found, placed)


def who_decides(scene: Scene, kit: SceneKit) -> Decided:
    """The N a scene's readings ask for and which of them does; needs no film or lens."""
    light, placed = levels(scene, kit), placement(scene, kit)
    incident = incident_ids(spots(scene, kit), placed)
    wish = Wish(
        high(scene, kit),
        chosen_n(scene, kit),
        kit.film.kind if kit.film else None,
        scene.pre_exposure_zone,
    )
    return decided(placed, wish, light, incident)


def ei_by_n(scene: Scene, kit: SceneKit) -> tuple[EiPoint, ...]:
    """The index each N is exposed at, by the recipe's own and tested points; the film's for every N
    where the photographer wants it so, here or always."""
    if kit.recipe is None or kit.film is None:
        return ()
    if scene.keep_ei or not kit.habits.ei_by_n:
        own = kit.film.exposure_index
        return tuple(EiPoint(n=n, ei=own) for n in (-WIDEST, WIDEST))
    return ei_points(kit.film, kit.recipe)


def calibration(kit: SceneKit) -> Calibrated:
    """The meter's constants, or the defaults of the standard when no meter is named."""
    return kit.meter.calibration if kit.meter else Calibrated()


def meter_set(scene: Scene, kit: SceneKit, time_iso: TimeIso | None = None) -> MeterSet:
    """What the scene's meter is set to unless a reading says otherwise.

    What was said in the scene comes before the meter's record. Times belong to the meter's own ISO
    if it has one, else to the EI of the film, as a
    meter is set to it to be read in times; ``time_iso`` is what the photographer said of that.
    """
    own = scene.meter_iso or (kit.meter.iso if kit.meter else None)
    held = kit.meter.held_stops if kit.meter else 0.0
    held = held if scene.meter_held_stops is None else scene.meter_held_stops
    if own is not None:
        return MeterSet(ev_iso=own, time_iso=own, held_stops=held, sky=kit.sky)
    ei = film_ei(scene, kit) if time_iso != "100" else None
    return MeterSet(time_iso=100.0 if ei is None else ei, held_stops=held, sky=kit.sky)


def film_ei(scene: Scene, kit: SceneKit) -> float | None:
    """What the film is rated at in this scene; nothing as long as none is chosen."""
    if scene.exposure_index is not None:
        return scene.exposure_index
    return kit.film.exposure_index if kit.film else None


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


def high(scene: Scene, kit: SceneKit) -> High:
    """The zone highlights are meant for, and the important one where somebody marked it."""
    ids = {each.id for each in scene.readings}
    marked = scene.high
    if marked is None:
        return High(zone=kit.habits.target_zone)
    return marked if marked.reading in ids else High(zone=marked.zone)


def _by_school(scene: Scene, kit: SceneKit, school: School) -> Placement | str:
    light = levels(scene, kit)
    incident = frozenset(each.id for each in scene.readings if each.incident)
    marked = (scene.low, scene.high.reading if scene.high else None)
    return placed_by(school, light, incident, marked, kit.habits)


def _aperture(scene: Scene, optics: Optics) -> str | float | None:
    """The aperture as its lens has it engraved: none before a pinhole."""
    if optics.kind != "lens":
        return None
    mark = scene.aperture
    return engraved_on(mark, optics.aperture_series) if isinstance(mark, str) else mark


def _optics(kit: SceneKit) -> Optics:
    if kit.pinhole is not None:
        return kit.pinhole.optics
    assert kit.lens is not None
    return kit.lens.optics
