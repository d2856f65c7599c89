"""Brackets: the same exposure in real stops, more and less, slowest frame first.

A step of s stops on a long exposure is F(t·2^s), not F(t)·2^s: reciprocity frame by frame. Logged
in one order, slowest first, so that the frames can be told apart later. Common practice, no source.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.corrections import reciprocity
from emulsa.core.errors import Unsound
from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.exposing.setting import choose_time, error_stops
from emulsa.core.light.hand_time import stops_text
from emulsa.core.limits import Price, Within

Step = Annotated[float, Within("A bracket's step", 1 / 3 - 1e-9, 3, "stops")]
Frames = Annotated[int, Within("Frames of a bracket", 2, 15)]
Side = Literal["both", "over", "under"]


@dataclass(frozen=True, kw_only=True, slots=True)
class BracketRequest:
    """An exposure, the step, how many frames, and on which side of the plan they lie."""

    exposure: ExposureRequest
    step_stops: Step = 1.0
    frames: Frames = 3
    side: Side = "both"
    sheet_price: Price | None = None

    def __post_init__(self) -> None:
        if self.side == "both" and self.frames % 2 == 0:
            raise Unsound(
                "A bracket on both sides of the plan has an odd number of frames: 3, 5, 7.",
                field="frames",
                allowed=[3, 15],
            )


@dataclass(frozen=True, kw_only=True, slots=True)
class Frame:
    """One frame: its place in stops from the plan, its times, and what the hands set."""

    stops: float
    stops_text: str
    metered_s: float
    corrected_s: float
    seconds: float
    text: str
    means: Literal["shutter", "bulb"]
    error_stops: float
    extrapolated: bool


@dataclass(frozen=True, kw_only=True, slots=True)
class BracketAnswer:
    """Frames, slowest first, and what they use up."""

    frames: tuple[Frame, ...]
    sheets: int
    price: float | None
    total_s: float
    aperture: str


def offsets(step_stops: float, frames: int, side: Side) -> tuple[float, ...]:
    """Stops from the plan, most exposure first; the plan itself is always among them.

    >>> offsets(1, 3, "both"), offsets(0.5, 3, "over")
    ((1.0, 0.0, -1.0), (1.0, 0.5, 0.0))
    """
    most = {"both": (frames - 1) // 2, "over": frames - 1, "under": 0}[side]
    return tuple((most - each) * step_stops + 0.0 for each in range(frames))


def bracket(request: BracketRequest) -> BracketAnswer:
    """The operation ``bracket``: frames in real stops, each with its own reciprocity."""
    plan = exposure(request.exposure)
    frames = tuple(
        _frame(request.exposure, plan.metered_s, each)
        for each in offsets(request.step_stops, request.frames, request.side)
    )
    price = None if request.sheet_price is None else request.sheet_price * len(frames)
    return BracketAnswer(
        frames=frames,
        sheets=len(frames),
        price=price,
        total_s=sum(each.seconds for each in frames),
        aperture=plan.set.aperture,
    )


def _frame(request: ExposureRequest, metered_s: float, stops: float) -> Frame:
    wanted = metered_s * 2**stops
    corrected = reciprocity.corrected_s(request.law, wanted)
    text, clock, means = choose_time(corrected, request.optics)
    return Frame(
        stops=stops,
        stops_text=stops_text(stops),
        metered_s=wanted,
        corrected_s=corrected,
        seconds=clock,
        text=text,
        means=means,
        error_stops=error_stops(request.law, wanted, clock),
        extrapolated=reciprocity.extrapolated(request.law, wanted),
    )
