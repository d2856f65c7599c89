"""Test strips: what each strip has had in all, what it is given as the card moves, the base time.

Linear: k·step. In stops: first·2^((k−1)·step), strips counted from 1 (common practice, no source).
A lamp that comes up slowly is set longer by its lag; the light is the same.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.errors import Missing, OutOfRange, Unsound
from emulsa.core.limits import Within

StripSeconds = Annotated[float, Within("A strip's time", 0.1, 3_600, "s")]
StripStops = Annotated[float, Within("The step between strips", 0.05, 3, "stops")]
LampLag = Annotated[float, Within("The lamp's lag", 0, 10, "s")]
Strips = Annotated[int, Within("Strips", 1, 30)]
Chosen = Annotated[float, Within("The strip that is right", 0, 31)]


@dataclass(frozen=True, kw_only=True, slots=True)
class StripRequest:
    """A strip by even steps of seconds, or of stops; ``chosen`` 2.5 lies between two strips."""

    kind: Literal["linear", "stops"]
    step_s: StripSeconds | None = None
    first_s: StripSeconds | None = None
    step_stops: StripStops | None = None
    strips: Strips
    lamp_lag_s: LampLag = 0.0
    chosen: Chosen | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class StripStep:
    """A strip: its whole time, what is given as the card moves on to it, what the clock is set to,
    and its step from the strip before."""

    total_s: float
    add_s: float
    set_s: float
    stops: float | None


@dataclass(frozen=True, kw_only=True, slots=True)
class StripAnswer:
    """Every strip, and the base time when one was chosen."""

    strips: tuple[StripStep, ...]
    base_s: float | None


def strip_times(request: StripRequest) -> StripAnswer:
    """The operation ``test_strip``.

    >>> asked = StripRequest(kind="stops", first_s=8, step_stops=1, strips=2)
    >>> strip_times(asked).strips[1].add_s
    8.0
    """
    _of_its_kind(request)
    if request.chosen is not None and not 1 <= request.chosen <= request.strips:
        raise OutOfRange(
            f"The strip that is right lies between 1 and {request.strips}.",
            field="chosen",
            allowed=[1, request.strips],
        )
    totals = [_total(request, float(k)) for k in range(1, request.strips + 1)]
    return StripAnswer(
        strips=tuple(
            _step(total, totals[place - 1] if place else None, request.lamp_lag_s)
            for place, total in enumerate(totals)
        ),
        base_s=None if request.chosen is None else _total(request, request.chosen),
    )


def _total(request: StripRequest, k: float) -> float:
    if request.kind == "linear":
        assert request.step_s is not None
        return k * request.step_s
    assert request.first_s is not None
    assert request.step_stops is not None
    return float(request.first_s * 2 ** ((k - 1) * request.step_stops))


def _step(total: float, before: float | None, lag: float) -> StripStep:
    add = total if before is None else total - before
    return StripStep(
        total_s=total,
        add_s=add,
        set_s=add + lag,
        stops=None if before is None else math.log2(total / before),
    )


def _of_its_kind(request: StripRequest) -> None:
    linear = request.kind == "linear"
    needed = ("step_s",) if linear else ("first_s", "step_stops")
    others = ("first_s", "step_stops") if linear else ("step_s",)
    for name in others:
        if getattr(request, name) is not None:
            kind = "seconds" if linear else "stops"
            raise Unsound(f"A strip by {kind} has no “{name}”.", field=name)
    for name in needed:
        if getattr(request, name) is None:
            raise Missing("Say how the strips differ.", field=name)
