"""The exposures of a film test: a card in steps about what the meter renders as V.

Filters, bellows and long light are kept out of it: the card lies far enough for infinity focus, and
times stay at a second or under, where films need no correction (common practice, no source).
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated

from emulsa.core.bench.tablet import FirstStops, StepStops, row
from emulsa.core.corrections.optics import Lens, apertures, speeds
from emulsa.core.light.exposure_value import at_speed, exposure_value
from emulsa.core.light.marks import mark_text
from emulsa.core.limits import EV, ExposureIndex, Within
from emulsa.core.written import size_words, stops_text

Frames = Annotated[int, Within("Frames of a test", 2, 40)]

AROUND = 11.0  # the aperture to stay near: sharp, and with room on either side
LONGEST_S = 1.0
SAME = 1 / 12  # of a stop: what no shutter keeps anyway


@dataclass(frozen=True, kw_only=True, slots=True)
class BracketPlan:
    """A card metered at ``ev`` (ISO 100), with the meter set to ``ei``, and the steps about V."""

    ev: EV
    ei: ExposureIndex
    first_stops: FirstStops = -6
    step_stops: StepStops = 1
    frames: Frames = 13


@dataclass(frozen=True, kw_only=True, slots=True)
class PlannedFrame:
    """A frame: its place about V, what is set, and how far that is from it."""

    number: int
    stops: float
    stops_text: str
    aperture: str
    time: str
    time_text: str
    error_stops: float
    says: str


@dataclass(frozen=True, kw_only=True, slots=True)
class PlannedFrames:
    """The list, and what is worth saying of it."""

    frames: tuple[PlannedFrame, ...]
    says: tuple[str, ...]


def frames_of(plan: BracketPlan, lens: Lens) -> PlannedFrames:
    """The marks of a lens and shutter that give every step, as near as they can.

    Of those equally near, the aperture nearest to f/11. Steps the shutter cannot give within a
    second are given all the same, and said.
    """
    marks = apertures(lens, AROUND, lens.aperture_series)
    times = speeds(lens.shutter)
    middle = at_speed(plan.ev, plan.ei)
    frames = []
    for number, stops in enumerate(row(plan.first_stops, plan.step_stops, plan.frames), start=1):
        aperture, time, error = min(
            (
                (mark, shutter, middle - exposure_value(mark[1], shutter[1]) - stops)
                for mark in marks
                for shutter in times
            ),
            key=lambda found: (
                round(max(abs(found[2]), SAME), 3),
                found[1][1] > LONGEST_S + 1e-9,
                abs(math.log2(found[0][1] / AROUND)),
            ),
        )
        frames.append(
            PlannedFrame(
                number=number,
                stops=stops,
                stops_text=stops_text(stops),
                aperture=mark_text(aperture[0]),
                time=time[0],
                time_text=f"{time[0]} s",
                error_stops=error,
                says=_says(time[1], error),
            )
        )
    return PlannedFrames(frames=tuple(frames), says=tuple(_said(frames)))


def _says(seconds: float, error: float) -> str:
    said = []
    if abs(error) > SAME + 1e-9:
        said.append(f"{size_words(error)} {'over' if error > 0 else 'under'}")
    if seconds > LONGEST_S + 1e-9:
        said.append("longer than a second: film may answer with less")
    return "; ".join(said)


def _said(frames: list[PlannedFrame]) -> list[str]:
    said = ["Same card, same light, lens at infinity, no filter; meter the card again at the end."]
    if any("longer" in each.says for each in frames):
        said.append("More light, or a wider aperture, keeps every time at a second or under.")
    if any(abs(each.error_stops) > 1 / 3 for each in frames):
        said.append("Some frames cannot be given by this lens in this light: choose another card.")
    return said
