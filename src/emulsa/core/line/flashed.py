"""A flash on the line: the aperture it asks for through what stands before the film."""

from __future__ import annotations

import math

from emulsa.core.corrections.film_kinds import on_film
from emulsa.core.corrections.filters import total_stops
from emulsa.core.corrections.flash import Flash, FlashRequest, flash
from emulsa.core.corrections.optics import Lens, apertures, bellows_factor, magnification
from emulsa.core.errors import Missing
from emulsa.core.light.exposure_value import at_speed, seconds_for
from emulsa.core.light.hand_time import time_text
from emulsa.core.light.marks import f_number, mark_text, nearest
from emulsa.core.line.words import FlashWord
from emulsa.core.numbers import plain
from emulsa.core.scene.assumed import EI
from emulsa.core.scene.changes import Edit, SetAperture
from emulsa.core.scene.plan import film_ei, filters, levels, placed_reading, placement
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.written import stops_words

EXACT_STOPS = 1 / 6  # nearer than this a mark is what is meant (common practice)


def by_flash(scene: Scene, own: SceneKit, word: FlashWord) -> tuple[tuple[Edit, ...], str]:
    """The aperture set to the lens's nearest mark, and how it comes about in words."""
    if own.pinhole is not None:
        raise Missing("A pinhole has one aperture: a flash is given in pops.", field="text")
    lens = own.lens.optics if own.lens else Lens(focal_length_mm=150)
    ei = film_ei(scene, own) or EI
    stack = on_film(filters(own), own.film.kind if own.film else None)
    found = flash(
        FlashRequest(
            guide_number=word.guide_number,
            distance=word.distance,
            unit=word.unit,
            ei=ei,
            power=word.power,
            pops=word.pops,
            filter_stops=max(0.0, total_stops(stack, "daylight")),
            magnification=magnification(lens, scene.focus),
            pupil_magnification=lens.pupil_magnification,
        )
    )
    mark, exact = _mark(lens, found)
    said = [
        f"flash GN {plain(word.guide_number)} at {plain(word.distance)} {word.unit}",
        f"1/{plain(1 / word.power)} power" if word.power < 1 else "",
        f"{word.pops} pops" if word.pops > 1 else "",
        f"EI {plain(ei)}",
    ]
    says = f"{', '.join(filter(None, said))}: {mark_text(mark)}{exact}"
    day = _by_day(scene, own, mark, ei)
    return (SetAperture(aperture=mark),), f"{says}; {day or 'what it does not reach stays dark'}"


def _by_day(scene: Scene, own: SceneKit, mark: str, ei: float) -> str:
    """The time at which the light that is there gives as much; nothing where nobody read it."""
    if not scene.readings:
        return ""
    light = levels(scene, own)
    placed = placed_reading(placement(scene, own)) or scene.readings[0].id
    name = next(each.label for each in scene.readings if each.id == placed) or "the light there"
    lens = own.lens.optics if own.lens else Lens(focal_length_mm=150)
    number = f_number(mark, lens.aperture_series)
    stack = on_film(filters(own), own.film.kind if own.film else None)
    taken = total_stops(stack, "daylight") + math.log2(bellows_factor(lens, scene.focus))
    alike = seconds_for(at_speed(light[placed], ei), number) * 2**taken
    return f"{name} gives as much by itself in {time_text(alike)}, half of it a stop less"


def _mark(lens: Lens, found: Flash) -> tuple[str, str]:
    scale = apertures(lens, found.f_number, lens.aperture_series)
    mark, number = nearest(found.f_number, scale)
    off = 2 * math.log2(found.f_number / number)
    return mark, "" if abs(off) < EXACT_STOPS else f", {stops_words(off)}"
