"""Flash by its guide number: the aperture, pops, and daylight beside it (definition)."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.corrections.bellows import Magnification
from emulsa.core.corrections.optics import Pupil
from emulsa.core.corrections.pre_exposure import FilterStops
from emulsa.core.errors import Missing
from emulsa.core.light.marks import (
    ApertureMark,
    TimeMark,
    aperture_scale,
    f_number,
    nearest,
    seconds,
)
from emulsa.core.limits import EV, ExposureIndex, Within

GuideNumber = Annotated[float, Within("The guide number", 1, 2000)]
FlashDistance = Annotated[float, Within("The flash’s distance", 0.05, 1000)]
FlashPower = Annotated[float, Within("The flash’s power", 1 / 256, 1)]
Pops = Annotated[int, Within("Pops", 1, 1000)]

NEAR = 1e-9


@dataclass(frozen=True, kw_only=True, slots=True)
class FlashRequest:
    """A flash, how far it is, and what it goes through; with an aperture what it gives there, with
    a time and the light that is there what both give."""

    guide_number: GuideNumber
    distance: FlashDistance
    iso: ExposureIndex = 100.0
    unit: Literal["m", "ft"] = "m"
    ei: ExposureIndex = 100.0
    power: FlashPower = 1.0
    pops: Pops = 1
    filter_stops: FilterStops = 0.0
    magnification: Magnification = 0.0
    pupil_magnification: Pupil = 1.0
    aperture: ApertureMark | None = None
    time: TimeMark | None = None
    ambient_ev100: EV | None = None

    def __post_init__(self) -> None:
        if (self.time is None) != (self.ambient_ev100 is None):
            lacking = "time" if self.time is None else "ambient_ev100"
            raise Missing("A time and the light that is there belong together.", field=lacking)
        if self.time is not None and self.aperture is None:
            raise Missing("With daylight the aperture is needed, too.", field="aperture")


@dataclass(frozen=True, slots=True)
class FlashStep:
    """A row of the sum."""

    step: str
    stops: float


@dataclass(frozen=True, slots=True)
class Flash:
    """The aperture a flash asks for; where one is set, how far off a middle tone is by the flash,
    by daylight and by both, and how many pops it takes in all."""

    ledger: tuple[FlashStep, ...]
    f_number: float
    mark: str
    flash_stops: float | None
    pops_needed: int | None
    ambient_stops: float | None
    together_stops: float | None


def flash(request: FlashRequest) -> Flash:
    """The operation ``flash``."""
    drawn_out = 2 * math.log2(1 + request.magnification / request.pupil_magnification)
    ledger = (
        FlashStep("guide number", 2 * math.log2(request.guide_number / request.distance)),
        FlashStep("film", math.log2(request.ei / request.iso)),
        FlashStep("power", math.log2(request.power)),
        FlashStep("pops", math.log2(request.pops)),
        FlashStep("filter", -request.filter_stops),
        FlashStep("bellows", -drawn_out),
    )
    number = 2 ** (math.fsum(each.stops for each in ledger) / 2)
    by_flash = needed = by_day = both = None
    if request.aperture is not None:
        wanted = f_number(request.aperture)
        by_flash = 2 * math.log2(number / wanted)
        needed = max(1, math.ceil(request.pops * 2**-by_flash - NEAR))
        if request.time is not None and request.ambient_ev100 is not None:
            camera = math.log2(wanted**2 / seconds(request.time))
            light = request.ambient_ev100 + math.log2(request.ei / 100)
            by_day = light - camera - request.filter_stops - drawn_out
            both = math.log2(2**by_day + 2**by_flash)
    return Flash(
        ledger=ledger,
        f_number=number,
        mark=nearest(number, aperture_scale("third"))[0],
        flash_stops=by_flash,
        pops_needed=needed,
        ambient_stops=by_day,
        together_stops=both,
    )
