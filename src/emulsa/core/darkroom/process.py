"""A run through the chemistry: its steps one after the other, what is done when, what is mixed.

The clock of a step starts when the tank is full; pouring in comes before it, draining before its
end (common practice, no source). Cues are half-open like the agitation they stand for.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.advice import Advice
from emulsa.core.chemistry import dilution, film_area
from emulsa.core.chemistry.baths import Area, Changes, Pour, StepKind, StepSeconds
from emulsa.core.chemistry.dilution import Colon, MinimumMl, Mixed, RollsPerLitre, Volume
from emulsa.core.data.agitation import IN_TRAYS
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.data.line import NEVER_WAIT, SHEET_IN2
from emulsa.core.development import agitation
from emulsa.core.development.agitation import SchemeKey
from emulsa.core.development.time import short_time
from emulsa.core.errors import Unsound
from emulsa.core.limits import STEPS, Label, Name
from emulsa.core.numbers import counted, plain
from emulsa.core.written import volume_text

CueKind = Literal["pour", "agitate", "change", "drain"]


@dataclass(frozen=True, kw_only=True, slots=True)
class ProcessStep:
    """A bath: how long the film is in it, how it is moved, the seconds of pouring, and between how
    many changes of water its time is shared."""

    name: Name
    kind: StepKind
    seconds: StepSeconds
    agitation: SchemeKey | None = None
    pour_s: Pour = 0.0
    drain_s: Pour = 0.0
    changes: Changes = 1

    def __post_init__(self) -> None:
        if self.drain_s >= self.seconds:
            raise Unsound(
                f"{self.name} drains for {plain(self.drain_s)} s of its {plain(self.seconds)} s;"
                " nothing is left of it.",
                field="drain_s",
                allowed=[0, self.seconds],
            )


@dataclass(frozen=True, kw_only=True, slots=True)
class Developer:
    """What the developer is mixed from: its dilution, the least concentrate for a roll, and how
    many rolls a litre of it does; empty: it is used once."""

    dilution: Label = "stock"
    colon: Colon | None = None
    minimum_ml_per_roll: MinimumMl = 0.0
    rolls_per_litre: RollsPerLitre | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class ProcessRequest:
    """The steps of a run, the tank's volume, the film in it, and its developer."""

    steps: Annotated[tuple[ProcessStep, ...], STEPS]
    volume_ml: Volume
    film_area_in2: Area
    chemistry: Developer = Developer()
    film_kind: FilmKindName | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Cue:
    """Something the hands do, from when to when, in seconds from the beginning of the run."""

    start_s: float
    end_s: float
    kind: CueKind


@dataclass(frozen=True, kw_only=True, slots=True)
class TimedStep:
    """A step on the run's clock; pouring in comes before its start.

    ``may_wait``: the clock may stand while the film is in it.
    """

    name: str
    kind: StepKind
    start_s: float
    end_s: float
    cues: tuple[Cue, ...]
    may_wait: bool


@dataclass(frozen=True, kw_only=True, slots=True)
class ProcessAnswer:
    """The run second by second, what to measure for its developer, and what is worth saying."""

    steps: tuple[TimedStep, ...]
    total_s: float
    volume_ml: float
    mix: tuple[Mixed, ...]
    advice: tuple[Advice, ...]


def process(request: ProcessRequest) -> ProcessAnswer:
    """The operation ``process``."""
    chemistry = request.chemistry
    wanted_ml = developer_ml(chemistry, request.volume_ml, request.film_area_in2)
    steps = timed(request.steps)
    return ProcessAnswer(
        steps=steps,
        total_s=steps[-1].end_s,
        volume_ml=wanted_ml,
        mix=dilution.mix(chemistry.dilution, wanted_ml, chemistry.colon),
        advice=tuple(_advice(request, wanted_ml)),
    )


def developer_ml(chemistry: Developer, tank_ml: float, area_in2: float) -> float:
    """The developer to mix: the tank's volume, or more when the film uses up more concentrate.

    >>> round(developer_ml(Developer(dilution="1+50", minimum_ml_per_roll=6), 300, 80), 6)
    306.0
    """
    parts = dilution.mix(chemistry.dilution, tank_ml, chemistry.colon)
    share = dilution.concentrate_share(parts)
    return film_area.volume_ml(area_in2, chemistry.minimum_ml_per_roll, share, tank_ml)


def timed(steps: tuple[ProcessStep, ...]) -> tuple[TimedStep, ...]:
    """The steps on one clock, with their cues in the order they come."""
    found, at = [], 0.0
    for step in steps:
        start = at + step.pour_s
        end = start + step.seconds
        cues = [Cue(start_s=at, end_s=start, kind="pour")] if step.pour_s else []
        if step.agitation is not None:
            wet = step.seconds - step.drain_s
            cues += [
                Cue(start_s=start + first, end_s=start + last, kind="agitate")
                for first, last in agitation.named(step.agitation, wet)
            ]
        cues += [
            Cue(start_s=at_s, end_s=at_s, kind="change")
            for at_s in (start + k * step.seconds / step.changes for k in range(1, step.changes))
        ]
        if step.drain_s:
            cues.append(Cue(start_s=end - step.drain_s, end_s=end, kind="drain"))
        found.append(
            TimedStep(
                name=step.name,
                kind=step.kind,
                start_s=start,
                end_s=end,
                cues=tuple(sorted(cues, key=lambda cue: cue.start_s)),
                may_wait=step.kind not in NEVER_WAIT,
            )
        )
        at = end
    return tuple(found)


def _advice(request: ProcessRequest, wanted_ml: float) -> Iterator[Advice]:
    developer = next((each for each in request.steps if each.kind == "developer"), None)
    for step in request.steps:
        if step is developer and step.agitation not in IN_TRAYS:
            yield from short_time(step.seconds / 60, request.film_kind)
    per_litre = request.chemistry.rolls_per_litre
    rolls = film_area.rolls(request.film_area_in2)
    if per_litre is not None and rolls > per_litre * request.volume_ml / 1_000 * (1 + 1e-9):
        text = (
            f"A litre of this developer is enough for {plain(per_litre)} rolls, and this is"
            f" {plain(round(rolls, 2))} in {volume_text(request.volume_ml)}; put less in at once."
        )
        yield Advice(code="capacity-short", severity="warning", text=text)
    if wanted_ml > request.volume_ml * (1 + 1e-9):
        fits = int(request.film_area_in2 * request.volume_ml / wanted_ml / SHEET_IN2 + 1e-9)
        fewer = f"put at most {counted(fits, 'sheet')} of 4×5 in at once"
        if not fits:
            one = developer_ml(request.chemistry, 1.0, SHEET_IN2)
            fewer = f"take a larger vessel: one sheet of 4×5 needs {volume_text(one)}"
        yield Advice(
            code="concentrate-short",
            severity="warning",
            text=f"This film uses up more concentrate than {volume_text(request.volume_ml)} hold:"
            f" mix {volume_text(wanted_ml)}, or {fewer}.",
        )
