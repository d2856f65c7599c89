"""What the chain is asked: readings, a placement, and what stands before the film."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.corrections.bellows import Focus, Infinity
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.optics import (
    Optics,
)
from emulsa.core.corrections.reciprocity import Law
from emulsa.core.errors import Unsound
from emulsa.core.light.marks import ApertureMark, TimeMark
from emulsa.core.light.meters import Calibrated, Reading
from emulsa.core.limits import ExposureIndex, Id, Label, Length, Within, Zone
from emulsa.core.tones import development_number, textural_range
from emulsa.core.tones.placement import (
    Placement,
)

DevelopmentNumber = Annotated[float, Within("N", -5, 5)]


@dataclass(frozen=True, kw_only=True, slots=True)
class SpotReading:
    """One reading with a name of its own."""

    id: Id
    label: Label = ""
    reading: Reading


@dataclass(frozen=True, kw_only=True, slots=True)
class High:
    """The important highlight and the zone it is meant for."""

    reading: Id
    zone: Zone = development_number.TARGET


@dataclass(frozen=True, kw_only=True, slots=True)
class ExposureRequest:
    """A scene as the camera sees it. ``n`` overrides the N that ``high`` asks for."""

    ei: ExposureIndex
    readings: Annotated[tuple[SpotReading, ...], Length("Readings", 1, 200)]
    placement: Placement
    high: High | None = None
    textural_range: tuple[Zone, Zone] = textural_range.TYPICAL
    filters: Annotated[tuple[Filter, ...], Length("Filters", 0, 12)] = ()
    optics: Optics
    focus: Focus = Infinity()
    solve_for: Literal["time", "aperture"] = "time"
    aperture: ApertureMark | None = None
    time: TimeMark | None = None
    law: Law
    meter: Calibrated = Calibrated()
    n: DevelopmentNumber | None = None

    def __post_init__(self) -> None:
        textural_range.check(*self.textural_range)
        ids = [each.id for each in self.readings]
        if len(set(ids)) < len(ids):
            raise Unsound("Two readings have the same id; each needs its own.", field="readings")
