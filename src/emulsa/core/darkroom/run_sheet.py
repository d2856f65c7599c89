"""A run on paper: its film, its baths on one clock, how film is moved, and what to beware of."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from emulsa.core.chemistry.dilution import mix_text
from emulsa.core.darkroom.process import ProcessAnswer, TimedStep
from emulsa.core.data.cautions import CAUTIONS, of_run
from emulsa.core.light.hand_time import watch_text
from emulsa.core.written import volume_text


@dataclass(frozen=True, kw_only=True, slots=True)
class SheetStep:
    """A bath: when it begins and ends on the run's clock, how long, when film is moved."""

    name: str
    begins: str
    ends: str
    lasts: str
    moves: str
    caution: str


@dataclass(frozen=True, kw_only=True, slots=True)
class RunSheet:
    """The page of a run; ``steps`` carry empty places to write what really happened."""

    title: str
    says: str
    film: tuple[str, ...]
    mix: str
    steps: tuple[SheetStep, ...]
    notes: tuple[str, ...]


def run_sheet(
    title: str,
    says: str,
    film: tuple[str, ...],
    developer: str,
    process: ProcessAnswer,
    minded: Sequence[str],
) -> RunSheet:
    """A run's page; ``says`` is its time and temperature in words, ``minded``
    what each step asks for."""
    return RunSheet(
        title=title,
        says=says,
        film=film,
        mix=f"{developer or 'Developer'}, {volume_text(process.volume_ml)}:"
        f" {mix_text(process.mix)}",
        steps=tuple(map(_step, process.steps, minded)),
        notes=of_run(developer),
    )


def _step(step: TimedStep, mind: str) -> SheetStep:
    moves = [
        (each.start_s - step.start_s, each.end_s - step.start_s)
        for each in step.cues
        if each.kind == "agitate"
    ]
    if not moves:
        said = ""
    elif len(moves) == 1 and moves[0][1] >= step.end_s - step.start_s - 61:
        said = "without a stop"
    else:
        said = ", ".join(watch_text(start) for start, _ in moves)
    return SheetStep(
        name=step.name,
        begins=watch_text(step.start_s),
        ends=watch_text(step.end_s),
        lasts=watch_text(step.end_s - step.start_s),
        moves=said,
        caution=" ".join(filter(None, (CAUTIONS.get(step.kind), mind))),
    )
