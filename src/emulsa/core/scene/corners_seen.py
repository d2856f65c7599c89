"""What the corners of a scene's picture get: the film under its image circle, in words."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass

from emulsa.core.advice import Advice
from emulsa.core.corrections.corners import Corners, CornersRequest, corners
from emulsa.core.kit.bag import KitLens
from emulsa.core.light.marks import f_number
from emulsa.core.scene.record import Scene, SceneKit
from emulsa.core.written import length_text, size_words

LITTLE_STOPS = 1 / 6  # nobody sees less (common practice)


@dataclass(frozen=True, slots=True)
class CornersSeen:
    """The film under its image circle, millimetres on the film, and the corners in words."""

    width_mm: float
    height_mm: float
    rise_mm: float
    shift_mm: float
    circle_mm: float | None
    stops: tuple[str, ...]
    texts: tuple[str, ...]
    advice: tuple[Advice, ...]


def corners_seen(scene: Scene, kit: SceneKit, lens: KitLens, draw_mm: float) -> CornersSeen | None:
    """What the corners of a lens's picture get, at so much draw; nothing without a format."""
    if kit.format_mm is None:
        return None
    moves = scene.movements
    rise, shift = (moves.rise_mm, moves.shift_mm) if moves else (0.0, 0.0)
    widest = lens.optics.widest
    found = corners(
        CornersRequest(
            focal_length_mm=lens.optics.focal_length_mm,
            format_mm=kit.format_mm,
            draw_mm=draw_mm,
            rise_mm=rise,
            shift_mm=shift,
            circle_mm=lens.circle_mm,
            power=lens.fall_off_power,
            centre_filter_stops=lens.centre_filter_stops,
            widest=None if widest is None else f_number(widest, lens.optics.aperture_series),
        )
    )
    return CornersSeen(
        kit.format_mm[0],
        kit.format_mm[1],
        rise,
        shift,
        found.circle.at_draw_mm if found.circle else None,
        tuple(_less(each.stops) for each in found.corners),
        tuple(_corner_texts(found, lens)),
        found.advice,
    )


def _less(stops: float) -> str:
    """What a corner loses, to the third; little is not worth a number."""
    return "as the middle" if stops < LITTLE_STOPS else f"−{_thirds(stops)}"


def _thirds(stops: float) -> str:
    return size_words(round(stops * 3) / 3)


def _corner_texts(found: Corners, lens: KitLens) -> Iterator[str]:
    off = found.difference_stops
    if off < LITTLE_STOPS:
        yield "The corners get as much light as the middle"
    else:
        yield f"The corners get up to {_thirds(off)} less than the brightest place"
    circle, filter_ = found.circle, found.centre_filter
    if circle is None:
        needs = length_text(math.ceil(found.needed_circle_mm))
        yield f"It needs an image circle of {needs}; give the lens its own in Kit"
    elif circle.largest_rise_mm is not None:
        room = length_text(math.floor(circle.largest_rise_mm))
        yield f"The image circle has room for {room} of rise or fall with this shift"
    if lens.centre_filter_stops:
        left = _thirds(filter_.left_stops)
        yield f"The centre filter costs {size_words(filter_.exposure_stops)} and leaves {left}"
        if filter_.from_f_number is not None:
            yield f"It works from f/{filter_.from_f_number:.0f} on; wider it darkens unevenly"
