"""The meter of one's kit over a simulated scene: pointed, read, and its reading taken down."""

from __future__ import annotations

import math
from dataclasses import dataclass

from emulsa.core.kit.bag import Meter
from emulsa.core.light.meters import EvReading
from emulsa.core.picture.calibrated import Share
from emulsa.core.practice.exposing import metered
from emulsa.core.practice.record import PractisedScene, SpotTaken
from emulsa.core.practice.scene import USUAL_VIEW_DEG, Minutes
from emulsa.core.practice.spot import THIRD
from emulsa.core.scene.changes import Read
from emulsa.core.tones.zones import ev_text

USUAL_DEG, USUAL_ISO = 1.0, 100.0
STEPS = {"third": THIRD, "half": 1 / 2, "tenth": 1 / 10, "full": 1.0}


@dataclass(frozen=True, kw_only=True)
class Pointing:
    """Where the meter is pointed, and when, in minutes after one came."""

    x: Share
    y: Share
    minutes: Minutes = 0.0


@dataclass(frozen=True, slots=True)
class MeterSays:
    """What the meter says there: as one reads it, and the place it is pointed at."""

    ev_text: str
    place: str
    line: str


def circle_deg(meter: Meter | None) -> float:
    """The angle a meter sees."""
    return meter.spot_deg if meter and meter.spot_deg else USUAL_DEG


def circle_radius(angle_deg: float) -> float:
    """Half of it, as a share of the picture's width.

    >>> circle_radius(5)
    0.05
    """
    return angle_deg / USUAL_VIEW_DEG / 2


def pointed(
    practised: PractisedScene, meter: Meter | None, at: Pointing, reading: str
) -> SpotTaken:
    """A meter pointed at a place; how often it was read before makes its doubt another."""
    return SpotTaken(
        reading=reading,
        x=at.x,
        y=at.y,
        angle_deg=circle_deg(meter),
        dial_step=STEPS[meter.scale] if meter else THIRD,
        meter_offset_stops=-meter.calibration.offset_stops if meter else 0.0,
        minutes=at.minutes,
        shot=len(practised.spots),
    )


def says(practised: PractisedScene, meter: Meter | None, spot: SpotTaken) -> MeterSays:
    """What it says, at the ISO it is kept at."""
    shown = metered(practised.source, spot)
    ev = ev_text(shown.ev100 + _more(meter))
    return MeterSays(f"EV {ev}", shown.patch, f"{ev} {shown.patch}")


def taken_down(
    practised: PractisedScene, meter: Meter | None, spot: SpotTaken, label: str
) -> tuple[Read, tuple[SpotTaken, ...]]:
    """The reading as the scene takes it, by its place's name where it has none of its own, and
    where the meter was pointed so far."""
    shown = metered(practised.source, spot)
    reading = EvReading(ev=shown.ev100 + _more(meter), iso=_iso(meter))
    others = tuple(each for each in practised.spots if each.reading != spot.reading)
    read = Read(id=spot.reading, label=label or shown.patch, reading=reading)
    return read, (*others, spot)


def _iso(meter: Meter | None) -> float:
    return meter.iso if meter and meter.iso else USUAL_ISO


def _more(meter: Meter | None) -> float:
    """What a meter that is kept at another ISO says more."""
    return math.log2(_iso(meter) / USUAL_ISO)
