"""The light changed while the shutter is open: what a new reading of the placed thing means."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core.corrections.light_change import (
    Interval,
    LightChangeAnswer,
    LightChangeRequest,
    light_change,
)
from emulsa.core.errors import OutOfRange
from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.levels import levels_of
from emulsa.core.exposing.request import ExposureRequest, SpotReading
from emulsa.core.exposing.sharing import Part, Share, ShareOf
from emulsa.core.light.hand_time import time_text
from emulsa.core.light.meters import Reading
from emulsa.core.light.reading_text import reading_text
from emulsa.core.limits import INTERVALS, Length
from emulsa.core.tones.placement import Average, IncidentPair
from emulsa.core.written import stops_words

SHORTEST_TREND_S = 5.0  # two readings closer together say nothing about a trend
STEADY_STOPS = 0.05  # a smaller change is the meter's own


@dataclass(frozen=True, kw_only=True, slots=True)
class Relit:
    """A reading typed during an exposure, and what the shutter was open for so far.

    ``stops`` is the frame's place in a bracket, ``share`` its part of a multiple exposure.
    """

    text: Annotated[str, Length("The line", 1, 200)]
    intervals: Annotated[tuple[Interval, ...], INTERVALS] = ()
    share: Part = 1.0
    share_of: ShareOf = "one_scene"
    stops: float = 0.0


@dataclass(frozen=True, kw_only=True, slots=True)
class RelitAnswer:
    """The new metered time, what is left in steady light and if the change goes on, in a sentence.

    ``going_on`` is empty when there is no trend yet.
    """

    says: str
    now_metered_s: float
    steady: LightChangeAnswer
    going_on: LightChangeAnswer | None
    text: str


def relit(
    request: ExposureRequest, changed: Relit, taken: Reading, through: bool = False
) -> RelitAnswer:
    """What a new reading of the placed thing means for an exposure that is running.

    ``taken`` is what the typed text means, ``through`` whether it was read through the filters.
    """
    share = Share(part=changed.share, of=changed.share_of)
    planned = exposure(request).metered_s * 2**changed.stops * share.of_light
    stops = _placed_ev(request) - _new_ev(request, taken, through)
    now = planned * 2**stops
    if not 1e-6 <= now <= 1e7:
        raise OutOfRange(
            "In that light this exposure would take longer than anybody waits; stop here.",
            field="text",
        )
    # What was given counts towards a light of the same plan: intervals carry their own times.
    steady = _opening(request, changed.intervals, now, 0.0, share)
    fading = _trend(changed.intervals, now)
    going_on = None
    if fading:
        held = max(-10.0, min(10.0, fading))
        going_on = _opening(request, changed.intervals, now, held, share)
    return RelitAnswer(
        says=f"{reading_text(taken)}: {stops_words(-stops)} of light",
        now_metered_s=now,
        steady=steady,
        going_on=going_on,
        text=_sentence(steady, going_on),
    )


def _opening(
    request: ExposureRequest,
    intervals: tuple[Interval, ...],
    now_metered_s: float,
    fading_stops_per_min: float,
    share: Share,
) -> LightChangeAnswer:
    """How far this opening has come: of one scene its part of the whole time is all of it, so it is
    reckoned on a clock that goes so much faster."""
    part = share.of_time
    answer = light_change(
        LightChangeRequest(
            law=request.law,
            intervals=tuple(replace(each, elapsed_s=each.elapsed_s / part) for each in intervals),
            now_metered_s=now_metered_s,
            fading_stops_per_min=max(-10.0, min(10.0, fading_stops_per_min * part)),
        )
    )
    left = answer.remaining_s
    return replace(
        answer,
        steady_remaining_s=answer.steady_remaining_s * part,
        remaining_s=None if left is None else left * part,
    )


def _placed_ev(request: ExposureRequest) -> float:
    levels = levels_of(request.readings, request.stack, request.light, request.meter)
    return levels[_placed_id(request)]


def _placed_id(request: ExposureRequest) -> str:
    placement = request.placement
    return placement.low if isinstance(placement, (Average, IncidentPair)) else placement.reading


def _new_ev(request: ExposureRequest, reading: Reading, through: bool) -> float:
    """The new reading as a level: through the filters if it, or the first one, was."""
    first = next(each for each in request.readings if each.id == _placed_id(request))
    taken = SpotReading(
        id="now",
        reading=reading,
        through=through or first.through,
        graduated=first.graduated,
    )
    return levels_of([taken], request.stack, request.light, request.meter)["now"]


def _trend(intervals: tuple[Interval, ...], now_metered_s: float) -> float:
    """Stops a minute between the last two lights and this one; 0 when there is no trend.

    One change of light is a cloud, not a trend: it takes two, both the same way.
    """
    if len(intervals) < 2 or intervals[-1].elapsed_s < SHORTEST_TREND_S:
        return 0.0
    before, last = (math.log2(now_metered_s / each.metered_s) for each in intervals[-2:])
    earlier = before - last
    if abs(last) < STEADY_STOPS or abs(earlier) < STEADY_STOPS or (last > 0) != (earlier > 0):
        return 0.0
    return last / intervals[-1].elapsed_s * 60


def _sentence(steady: LightChangeAnswer, going_on: LightChangeAnswer | None) -> str:
    if steady.progress >= 1:
        return "The exposure is complete: close the shutter."
    done = f"{100 * steady.progress:.0f} % is on the film"
    said = f"{done}; {time_text(steady.steady_remaining_s)} more if the light stays like this."
    if going_on is None:
        return said
    if going_on.never:
        off = going_on.error_stops_if_stopped
        now = f" Stopped now it is {stops_words(off)}." if off is not None else ""
        return (
            f"{said} If it goes on fading it will never complete: open the aperture, or accept"
            f" less.{now}"
        )
    assert going_on.remaining_s is not None
    return f"{said} If it goes on changing, {time_text(going_on.remaining_s)}."
