"""Brackets: the same exposure in real stops, more and less, most exposure first.

A step of s stops on a long exposure is F(t·2^s), not F(t)·2^s: reciprocity frame by frame. A frame
is made of aperture and time together, as the lens's own scales allow: a shutter in full stops gives
thirds by the aperture. Logged in one order, most exposure first, so that the frames can be told
apart later. Common practice, no source.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from typing import Annotated, Literal

from emulsa.core.advice import Advice
from emulsa.core.corrections import reciprocity
from emulsa.core.corrections.optics import Lens, apertures
from emulsa.core.errors import Unsound
from emulsa.core.exposing.answer import ExposureAnswer
from emulsa.core.exposing.chain import exposure, metered_at
from emulsa.core.exposing.request import ExposureRequest
from emulsa.core.exposing.setting import choose_time, error_stops
from emulsa.core.light.marks import ApertureMark, mark_text
from emulsa.core.limits import Price, Within
from emulsa.core.numbers import counted
from emulsa.core.written import size_text, stops_text

BracketStep = Annotated[float, Within("A bracket's step", 1 / 3 - 1e-9, 3, "stops")]
Frames = Annotated[int, Within("Frames of a bracket", 2, 15)]
Side = Literal["both", "over", "under"]

# A frame so near its place is in it: marks and hands give no better (practice).
EXACT_STOPS = 1 / 12
FARTHEST_STOPS = 1 + 1e-6  # the aperture is moved by a stop at most, so that depth stays …
FITS_STOPS = 1 / 3  # … unless nothing so near comes within what shows
SAME_STOPS = 1e-6  # frames nearer than this to each other are the same frame


@dataclass(frozen=True, kw_only=True, slots=True)
class BracketRequest:
    """An exposure, the step, how many frames, and on which side of the plan they lie."""

    exposure: ExposureRequest
    step_stops: BracketStep = 1.0
    frames: Frames = 3
    side: Side = "both"
    sheet_price: Price | None = None

    def __post_init__(self) -> None:
        if self.side == "both" and self.frames % 2 == 0:
            raise Unsound(
                f"{self.frames} frames cannot be even on both sides: type {self.frames - 1} or"
                f" {self.frames + 1}, or choose over only.",
                field="frames",
                allowed=[3, 15],
            )


@dataclass(frozen=True, kw_only=True, slots=True)
class Frame:
    """One frame: its place in stops from the plan, its aperture and times, what the hands set, and
    how far off its place that leaves it."""

    stops: float
    stops_text: str
    aperture: ApertureMark
    aperture_text: str
    metered_s: float
    corrected_s: float
    seconds: float
    text: str
    means: Literal["shutter", "bulb"]
    error_stops: float
    error_text: str
    extrapolated: bool


@dataclass(frozen=True, kw_only=True, slots=True)
class BracketAnswer:
    """Frames, most exposure first, what they use up, and what cannot be set as it was asked."""

    frames: tuple[Frame, ...]
    sheets: int
    price: float | None
    total_s: float
    aperture: str
    advice: tuple[Advice, ...]


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
        frame(request.exposure, plan, each)
        for each in offsets(request.step_stops, request.frames, request.side)
    )
    price = None if request.sheet_price is None else request.sheet_price * len(frames)
    return BracketAnswer(
        frames=frames,
        sheets=len(frames),
        price=price,
        total_s=math.fsum(each.seconds for each in frames),
        aperture=plan.set.aperture,
        advice=tuple(_advice(frames, request.step_stops)),
    )


def frame(request: ExposureRequest, plan: ExposureAnswer, stops: float) -> Frame:
    """The frame at a place of the bracket: the plan's aperture if a time is to be had for it, else
    the nearest to it whose time comes near; farther than a stop only where nothing nearer fits."""
    asked = replace(request, bracket_stops=stops)
    made = [(shift, _at(asked, mark, at)) for mark, at, shift in _marks(asked, plan)]
    near = [each for each in made if abs(each[0]) <= FARTHEST_STOPS]
    if not any(abs(each.error_stops) <= FITS_STOPS + 1e-9 for _, each in near):
        near = made
    return min(
        near,
        key=lambda each: (
            round(max(0.0, abs(each[1].error_stops) - EXACT_STOPS), 9),
            round(abs(each[0]), 9),
            round(abs(each[1].error_stops), 9),
        ),
    )[1]


def _marks(
    asked: ExposureRequest, plan: ExposureAnswer
) -> Iterator[tuple[ApertureMark, float, float]]:
    """The plan's own aperture, then every mark of the lens's scale: each with the metered time
    there, and its stops from the plan's."""
    own: ApertureMark = plan.set.f_number if asked.aperture is None else asked.aperture
    metered, set_at = metered_at(asked, own), plan.set.f_number
    yield own, metered, 0.0
    if not isinstance(asked.optics, Lens):
        return
    for text, exact in apertures(asked.optics, set_at, asked.optics.aperture_series):
        shift = 2 * math.log2(exact / set_at)
        if abs(shift) > SAME_STOPS:
            yield text, metered * (exact / set_at) ** 2, shift


def _at(asked: ExposureRequest, mark: ApertureMark, wanted: float) -> Frame:
    corrected = reciprocity.corrected_s(asked.law, wanted)
    text, clock, means = choose_time(corrected, asked.optics)
    off = error_stops(asked.law, wanted, clock)
    return Frame(
        stops=asked.bracket_stops,
        stops_text=stops_text(asked.bracket_stops),
        aperture=mark,
        aperture_text=mark_text(mark),
        metered_s=wanted,
        corrected_s=corrected,
        seconds=clock,
        text=text,
        means=means,
        error_stops=off,
        error_text="" if abs(off) <= EXACT_STOPS else f"{stops_text(off)} off its place",
        extrapolated=reciprocity.extrapolated(asked.law, wanted),
    )


def used_text(frames: int, on_rolls: Sequence[bool]) -> str:
    """What a bracket uses up: sheets, or frames of a roll; by the film that is named for it.

    >>> used_text(3, [False] * 3), used_text(5, [True] * 5), used_text(3, [])
    ('3 sheets', '5 frames of a roll', '3 pieces of film')
    """
    if not on_rolls:
        return counted(frames, "piece of film", "pieces of film")
    frames_used, sheets = sum(on_rolls), len(on_rolls) - sum(on_rolls)
    said = [counted(sheets, "sheet")] if sheets else []
    if frames_used:
        said.append(counted(frames_used, "frame of a roll", "frames of a roll"))
    return " and ".join(said)


def _advice(frames: tuple[Frame, ...], step: float) -> Iterator[Advice]:
    """Said before a sheet is spent: frames that come out alike, or nearer to another's place."""
    given = [each.stops + each.error_stops for each in frames]
    alike = sum(after > before - SAME_STOPS for before, after in pairwise(given))
    if alike or any(abs(each.error_stops) > step / 2 + 1e-9 for each in frames):
        made = len({round(each, 6) for each in given})
        yield Advice(
            code="bracket-step",
            severity="warning",
            text=f"The marks of this lens and shutter do not give steps of {size_text(step)}"
            f" stop: {len(frames)} frames come out as {made} different exposures. Take a wider"
            " step, or a lens whose apertures go by thirds.",
        )
