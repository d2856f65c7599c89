"""Which sheets share a run: close times together, so that each is as near its own as can be.

Minimise Σ w·(ln t − ln τ)² (or absolute, or the largest) over runs of at most ``capacity`` sheets.
Runs of neighbouring times are best for equal weights, and for any weights while no tank is full
(exchange argument; the single-run optimum is the weighted mean of ln t). With unequal weights and a
tight tank they need not be: then partitions are searched, and when the search is cut short the
answer says that it is good, not proven.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from emulsa.core.darkroom.batch_search import BatchesRequest, Measure, Sheet, best_sharing
from emulsa.core.development.thumb import zones_off
from emulsa.core.errors import Impossible


@dataclass(frozen=True, kw_only=True, slots=True)
class SharedRun:
    """A run: its sheets by time, and the minutes all of them get."""

    ids: tuple[str, ...]
    minutes: float


@dataclass(frozen=True, kw_only=True, slots=True)
class SheetError:
    """What a sheet gives up by sharing: zones its high value comes out too high (+) or too low."""

    id: str
    error_zones: float


@dataclass(frozen=True, kw_only=True, slots=True)
class BatchesAnswer:
    """Runs by time, each sheet's error, the cost, and whether nothing better is possible."""

    runs: tuple[SharedRun, ...]
    sheets: tuple[SheetError, ...]
    cost: float
    optimal: bool


def batches(request: BatchesRequest) -> BatchesAnswer:
    """The operation ``batches``; Impossible when the runs cannot hold the sheets."""
    sheets = sorted(request.sheets, key=lambda each: (each.minutes, each.id))
    room = request.capacity * request.max_runs
    if room < len(sheets):
        raise Impossible(
            f"{request.max_runs} runs of {request.capacity} hold {room} sheets; these are"
            f" {len(sheets)}. Allow more runs, or develop some another evening.",
            field="max_runs",
            allowed=[math.ceil(len(sheets) / request.capacity), 500],
        )
    measure = Measure(sheets, request.objective)
    parts, optimal = best_sharing(measure, request)
    return _answer(measure, sheets, request.sheets, parts, optimal)


def shared(sheets: Sequence[Sheet], parts: Sequence[Sequence[str]]) -> BatchesAnswer:
    """Runs shared as somebody asks: the minutes that suit each best, and what that costs."""
    ordered = sorted(sheets, key=lambda each: (each.minutes, each.id))
    place = {each.id: at for at, each in enumerate(ordered)}
    measure = Measure(ordered, "sqlog")
    found = [sorted(place[id_] for id_ in part) for part in parts]
    return _answer(measure, ordered, sheets, found, optimal=False)


def _answer(
    measure: Measure,
    ordered: Sequence[Sheet],
    asked: Sequence[Sheet],
    parts: Sequence[Sequence[int]],
    optimal: bool,
) -> BatchesAnswer:
    runs = tuple(
        SharedRun(
            ids=tuple(ordered[each].id for each in part), minutes=math.exp(measure.centre(part))
        )
        for part in parts
    )
    given = {id_: run.minutes for run in runs for id_ in run.ids}
    return BatchesAnswer(
        runs=runs,
        sheets=tuple(
            SheetError(id=each.id, error_zones=zones_off(given[each.id], each.minutes))
            for each in asked
        ),
        cost=measure.total(parts),
        optimal=optimal,
    )
