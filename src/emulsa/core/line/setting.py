"""What a typed setting does to a scene: aperture, focus, depth, movements, rating, meter, N."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import replace
from typing import Any

from emulsa.core import wire
from emulsa.core.corrections.aperture_choice import BySpread, Depth
from emulsa.core.corrections.bellows import ByDraw, ByExtension, ByMagnification, Focus
from emulsa.core.corrections.optics import aperture_of
from emulsa.core.errors import Missing, Unreadable
from emulsa.core.kit.bag import KitLens
from emulsa.core.light.marks import mark_text
from emulsa.core.light.old_scales import ByDiameter, aperture_scale
from emulsa.core.line.words import (
    ApertureWord,
    BearingWord,
    DepthWord,
    FocusWord,
    Line,
    MeterWord,
    MovementsWord,
    NoteWord,
    NWord,
    OpeningWord,
    PreExposeWord,
    RatingWord,
)
from emulsa.core.numbers import plain
from emulsa.core.scene.changes import (
    Edit,
    Entitle,
    PreExpose,
    Rate,
    SetAperture,
    SetBearing,
    SetDepth,
    SetFocus,
    SetMeter,
    SetMovements,
    SetN,
)
from emulsa.core.scene.record import Movements, Scene
from emulsa.core.scene.sharp import depth_text, movements_text
from emulsa.core.scene.wanted import bearing_words
from emulsa.core.sky.day import Bearing
from emulsa.core.tones.development_number import n_text
from emulsa.core.tones.zones import zone_text
from emulsa.core.written import length_text, ratio_text, stops_text

Carried = tuple[tuple[Edit, ...], str]


def carry_setting(scene: Scene, line: Line, lenses: Sequence[KitLens]) -> Carried | None:
    """The edits a setting means and how it is said; nothing for a line that sets nothing."""
    if isinstance(line, ApertureWord):
        return _aperture(scene, line, lenses)
    if isinstance(line, OpeningWord):
        return _opening(scene, line, lenses)
    carried = CARRY.get(type(line))
    return None if carried is None else carried(scene, line)


def _aperture(scene: Scene, line: ApertureWord, lenses: Sequence[KitLens]) -> Carried:
    lens = next((each for each in lenses if each.id == scene.lens_id), None)
    if lens is not None:
        aperture_of(lens.optics, line.aperture, "text")
    return (SetAperture(aperture=line.aperture),), f"aperture {mark_text(line.aperture)}"


def _opening(scene: Scene, line: OpeningWord, lenses: Sequence[KitLens]) -> Carried:
    lens = next((each for each in lenses if each.id == scene.lens_id), None)
    if lens is None:
        raise Missing("Choose the lens first: its focal length is needed.", field="text")
    focal = lens.optics.focal_length_mm
    asked = wire.decode(
        ByDiameter,
        {
            "scale": "diameter",
            "diameter_mm": line.diameter_mm,
            "focal_length_mm": focal,
        },
        "text",
    )
    number = round(aperture_scale(asked).f_number, 2)
    aperture_of(lens.optics, number, "text")
    says = f"aperture {mark_text(number)}: {length_text(line.diameter_mm)} of {plain(focal)} mm"
    return (SetAperture(aperture=number),), says


def _focus(_: Scene, line: FocusWord) -> Carried:
    return (SetFocus(focus=line.focus),), _focus_text(line.focus)


def _depth(_: Scene, line: DepthWord) -> Carried:
    return (SetDepth(depth=line.depth),), _depth_text(line.depth)


def _rating(_: Scene, line: RatingWord) -> Carried:
    return (Rate(exposure_index=line.exposure_index),), f"rated EI {plain(line.exposure_index)}"


def _meter(_: Scene, line: MeterWord) -> Carried:
    edit = SetMeter(iso=line.iso, held_stops=line.held_stops)
    return (edit,), f"meter set to {_set_text(line)}"


def _n(_: Scene, line: NWord) -> Carried:
    says = f"develop {n_text(line.n)}" if line.n is not None else "N by the highlight"
    return (SetN(n=line.n),), says


def _note(scene: Scene, line: NoteWord) -> Carried:
    note = " ".join(filter(None, (scene.note, line.text)))
    return (Entitle(title=scene.title, note=note),), f"note: {line.text}"


def _pre_expose(_: Scene, line: PreExposeWord) -> Carried:
    says = "no pre-exposure" if line.zone is None else f"pre-exposed to {zone_text(line.zone)}"
    return (PreExpose(pre_exposure_zone=line.zone),), says


def _set_text(word: MeterWord) -> str:
    iso = f"ISO {plain(word.iso)}" if word.iso is not None else ""
    if word.held_stops is None:
        return iso
    held = f"{stops_text(word.held_stops)} stops held" if word.held_stops else "nothing held"
    return ", ".join(each for each in (iso, held) if each)


def _focus_text(focus: Focus) -> str:
    if isinstance(focus, ByDraw):
        return f"focus {length_text(focus.draw_mm)} past infinity"
    if isinstance(focus, ByExtension):
        return f"bellows extension {length_text(focus.extension_mm)}"
    if isinstance(focus, ByMagnification):
        return f"focus at {ratio_text(focus.m)}"
    return "focus at infinity"


def _depth_text(depth: Depth) -> str:
    if isinstance(depth, BySpread):
        return f"near to far focus {length_text(depth.focus_spread_mm)}"
    return f"sharp from {depth_text(depth)}"


def _moved(scene: Scene, word: MovementsWord) -> Carried:
    """A tilt by its angle takes the place of one by its hinge, and the other way round."""
    was = scene.movements or Movements()
    leans = word.tilt_deg is not None or word.hinge_mm is not None
    moves = Movements(
        tilt_deg=word.tilt_deg or None if leans else was.tilt_deg,
        hinge_mm=word.hinge_mm if leans else was.hinge_mm,
        rise_mm=was.rise_mm if word.rise_mm is None else word.rise_mm,
        shift_mm=was.shift_mm if word.shift_mm is None else word.shift_mm,
    )
    square = moves == Movements()
    edit = SetMovements(movements=None if square else moves)
    return (edit,), movements_text(moves) or "the camera square"


def _bearing(scene: Scene, word: BearingWord) -> Carried:
    was = scene.bearing
    if word.azimuth_deg is None and was is None:
        raise Unreadable(
            "Say first where it is: faces SE for a wall, looks 110 for a gap.", field="text"
        )
    base = was or Bearing(azimuth_deg=word.azimuth_deg or 0.0)
    found = replace(
        base,
        **{
            name: value
            for name in ("azimuth_deg", "width_deg", "skyline_deg")
            if (value := getattr(word, name)) is not None
        },
    )
    return (SetBearing(bearing=found),), bearing_words(found)


CARRY: dict[type, Callable[[Scene, Any], Carried]] = {
    FocusWord: _focus,
    DepthWord: _depth,
    RatingWord: _rating,
    MeterWord: _meter,
    NWord: _n,
    NoteWord: _note,
    PreExposeWord: _pre_expose,
    MovementsWord: _moved,
    BearingWord: _bearing,
}
