"""Editing a scene: everything one can change before a subject, each a small edit of its own.

The line one types, a pin that is dragged, a word of the sentence and a second opinion all say what
they change by these, so that the same change means the same whichever way it came.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import replace
from typing import Any

from emulsa.core.errors import Impossible, Missing
from emulsa.core.exposing.request import High
from emulsa.core.light.marks import typed_aperture
from emulsa.core.light.meters import PhotoReading
from emulsa.core.scene.changes import (
    ChooseFilm,
    ChooseFilters,
    ChooseLens,
    ChooseMeter,
    ChoosePinhole,
    ChooseRecipe,
    Describe,
    Drop,
    Edit,
    Entitle,
    Intend,
    KeepEi,
    LightIs,
    MarkHigh,
    MarkLow,
    Place,
    PlaceBy,
    PreExpose,
    PutAt,
    Rate,
    Read,
    SetAperture,
    SetBearing,
    SetDepth,
    SetFocus,
    SetMeter,
    SetMovement,
    SetMovements,
    SetN,
)
from emulsa.core.scene.record import PINNING, Pin, Scene, SceneReading


def edited(scene: Scene, edits: Iterable[Edit], at: str) -> Scene:
    """The scene with the edits carried out in turn; Missing for a reading it does not have."""
    for edit in edits:
        scene = CARRY_OUT[type(edit)](scene, edit, at)
    return scene


def _read(scene: Scene, edit: Read, at: str) -> Scene:
    before = next((each for each in scene.readings if each.id == edit.id), None)
    label = edit.label or (before.label if before else f"reading {len(scene.readings) + 1}")
    taken = SceneReading(
        id=edit.id,
        label=label,
        reading=edit.reading,
        taken_at=edit.taken_at or at,
        incident=edit.incident,
        through=edit.through,
        graduated=before.graduated if before else False,
        subject=before.subject if before else "",
        spot=edit.spot or (before.spot if before else None),
    )
    kept = tuple(taken if each.id == edit.id else each for each in scene.readings)
    return replace(scene, readings=kept if before else (*scene.readings, taken))


def _put_at(scene: Scene, edit: PutAt, _: str) -> Scene:
    """A place that was read off the picture lies in it, or is no reading."""
    _known(scene, edit.id)
    taken = next(each for each in scene.readings if each.id == edit.id)
    if edit.spot is None and isinstance(taken.reading, PhotoReading):
        raise Impossible("This was read off the picture; take the reading out instead.", field="id")
    if edit.spot is not None and taken.incident:
        raise Impossible("This reads the light, not a place in the picture.", field="id")
    readings = tuple(
        replace(each, spot=edit.spot) if each.id == edit.id else each for each in scene.readings
    )
    return replace(scene, readings=readings)


def _drop(scene: Scene, edit: Drop, _: str) -> Scene:
    _known(scene, edit.id)
    return replace(
        scene,
        readings=tuple(each for each in scene.readings if each.id != edit.id),
        pin=None if scene.pin and scene.pin.reading == edit.id else scene.pin,
        high=None if scene.high and scene.high.reading == edit.id else scene.high,
        low=None if scene.low == edit.id else scene.low,
    )


def _describe(scene: Scene, edit: Describe, _: str) -> Scene:
    _known(scene, edit.id)
    said = {
        name: value
        for name in ("incident", "through", "graduated", "subject")
        if (value := getattr(edit, name)) is not None
    }
    return replace(
        scene,
        readings=tuple(
            replace(each, **said) if each.id == edit.id else each for each in scene.readings
        ),
    )


def _place(scene: Scene, edit: Place, _: str) -> Scene:
    """A school that places a tone stays; the placed reading is no longer what decides N."""
    _known(scene, edit.reading)
    high = scene.high if scene.high and scene.high.reading != edit.reading else None
    school = scene.school if scene.school in PINNING else None
    pin = Pin(reading=edit.reading, zone=edit.zone)
    return replace(scene, pin=pin, high=high, school=school, n=None)


def _place_by(scene: Scene, edit: PlaceBy, _: str) -> Scene:
    """A school that places a tone finds its own reading; others leave the pin where it is."""
    pin = None if edit.school in PINNING else scene.pin
    return replace(scene, school=edit.school, pin=pin, n=None)


def _mark_high(scene: Scene, edit: MarkHigh, _: str) -> Scene:
    if edit.reading is None:
        return replace(scene, high=None, n=None)
    _known(scene, edit.reading)
    return replace(scene, high=High(reading=edit.reading, zone=edit.zone), n=None)


def _mark_low(scene: Scene, edit: MarkLow, _: str) -> Scene:
    if edit.reading is not None:
        _known(scene, edit.reading)
    return replace(scene, low=edit.reading)


def _film(scene: Scene, edit: ChooseFilm, _: str) -> Scene:
    return replace(
        scene,
        film_id=edit.film_id,
        exposure_index=None,
        rating_reason=None,
        keep_ei=False,
        recipe_id=None,
    )


def _rate(scene: Scene, edit: Rate, _: str) -> Scene:
    reason = edit.reason if edit.exposure_index is not None else None
    return replace(scene, exposure_index=edit.exposure_index, rating_reason=reason)


def _meter(scene: Scene, edit: ChooseMeter, _: str) -> Scene:
    """Another meter is set as its record says."""
    return replace(scene, meter_id=edit.meter_id, meter_iso=None, meter_held_stops=None)


def _set_meter(scene: Scene, edit: SetMeter, _: str) -> Scene:
    iso = scene.meter_iso if edit.iso is None else edit.iso
    held = scene.meter_held_stops if edit.held_stops is None else edit.held_stops
    return replace(scene, meter_iso=iso, meter_held_stops=held)


def _known(scene: Scene, reading: str) -> None:
    if reading not in {each.id for each in scene.readings}:
        raise Missing("That reading is not in this scene any more.", field="reading")


def _simply(*names: str) -> Callable[[Scene, Any, str], Scene]:
    """An edit that sets the scene's fields of the same names."""

    def carried_out(scene: Scene, edit: Any, _: str) -> Scene:
        return replace(scene, **{name: getattr(edit, name) for name in names})

    return carried_out


CARRY_OUT: dict[type, Callable[[Scene, Any, str], Scene]] = {
    Read: _read,
    PutAt: _put_at,
    Drop: _drop,
    Describe: _describe,
    Place: _place,
    PlaceBy: _place_by,
    MarkHigh: _mark_high,
    MarkLow: _mark_low,
    SetN: _simply("n"),
    ChooseFilm: _film,
    Rate: _rate,
    KeepEi: lambda scene, edit, _: replace(scene, keep_ei=edit.keep),
    ChooseRecipe: _simply("recipe_id"),
    ChooseLens: lambda scene, edit, _: replace(scene, lens_id=edit.lens_id, pinhole_id=None),
    ChoosePinhole: lambda scene, edit, _: replace(scene, lens_id=None, pinhole_id=edit.pinhole_id),
    ChooseMeter: _meter,
    SetMeter: _set_meter,
    ChooseFilters: _simply("filter_ids"),
    LightIs: _simply("light"),
    SetAperture: lambda scene, edit, _: replace(scene, aperture=typed_aperture(edit.aperture)),
    SetFocus: _simply("focus"),
    SetDepth: _simply("depth"),
    SetMovement: _simply("movement"),
    SetMovements: _simply("movements"),
    PreExpose: _simply("pre_exposure_zone"),
    SetBearing: _simply("bearing"),
    Entitle: _simply("title", "note"),
    Intend: _simply("intention"),
}
