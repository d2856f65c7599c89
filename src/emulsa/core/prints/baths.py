"""A print through its baths, timed and heard as film is by the clock of a run."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.darkroom.cues import Heard, heard
from emulsa.core.darkroom.process import ProcessStep, TimedStep, timed
from emulsa.core.data.cautions import of_print
from emulsa.core.data.line import NEVER_WAIT
from emulsa.core.kit.printing import PaperBath, PrintingPaper

DRAIN_S = 10.0  # a sheet is lifted and drips off before its bath ends: common practice, no source
LIFTED = "Lift and drain"


@dataclass(frozen=True, kw_only=True, slots=True)
class PaperCourse:
    """Its baths second by second, what is heard, and what to beware of."""

    steps: tuple[TimedStep, ...]
    heard: tuple[Heard, ...]
    cautions: tuple[str, ...]


def paper_course(paper: PrintingPaper | None) -> PaperCourse | None:
    """The baths of a paper; none where none are known."""
    if paper is None or not paper.baths:
        return None
    steps = timed(tuple(_step(each) for each in paper.baths))
    return PaperCourse(steps=steps, heard=heard(steps, LIFTED), cautions=of_print())


def _step(bath: PaperBath) -> ProcessStep:
    return ProcessStep(
        name=bath.name,
        kind=bath.kind,
        seconds=bath.seconds,
        agitation=bath.agitation,
        drain_s=DRAIN_S if bath.kind in NEVER_WAIT and bath.seconds > 2 * DRAIN_S else 0.0,
        changes=bath.changes,
    )
