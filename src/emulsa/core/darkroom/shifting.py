"""A run that goes otherwise than planned: the next bath now, or the one it is in for longer.

What is over stays as it was; what the hands do later moves with the end of the bath. Draining is
done at the end, whenever that is; a bath that goes on is moved as it was in its last round.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core.darkroom.cues import Heard, heard
from emulsa.core.darkroom.process import Cue, TimedStep
from emulsa.core.errors import Unsound
from emulsa.core.limits import Length, Within

Moment = Annotated[float, Within("A moment of the run", 0, 200_000, "s")]
LongerS = Annotated[float, Within("So much longer", 1, 3_600, "s")]
NEAR = 1e-6


@dataclass(frozen=True, kw_only=True, slots=True)
class Shift:
    """Where the run stands, and how much longer its bath shall take; empty: the next one now."""

    steps: Annotated[tuple[TimedStep, ...], Length("Baths", 1, 40)]
    at_s: Moment
    longer_s: LongerS | None = None
    out: str = "Pour out"


@dataclass(frozen=True, kw_only=True, slots=True)
class Shifted:
    """The run as it goes then."""

    steps: tuple[TimedStep, ...]
    heard: tuple[Heard, ...]


def shifted(shift: Shift) -> Shifted:
    """The run with the bath it is in ended now, or longer; Unsound when it is over."""
    steps, at_s = shift.steps, shift.at_s
    place = next((at for at, each in enumerate(steps) if at_s < each.end_s), None)
    if place is None:
        raise Unsound("The run is over.", field="at_s")
    now = steps[place]
    changed = _ended(now, at_s) if shift.longer_s is None else _longer(now, shift.longer_s)
    by = changed.end_s - now.end_s
    after = tuple(_moved(each, by) for each in steps[place + 1 :])
    found = (*steps[:place], changed, *after)
    return Shifted(steps=found, heard=heard(found, shift.out))


def _ended(step: TimedStep, at_s: float) -> TimedStep:
    """The bath poured out from now on; while it is being poured in, it is over at once."""
    drain = next((each for each in step.cues if each.kind == "drain"), None)
    start_s = min(step.start_s, at_s)
    begun = [each for each in step.cues if each.kind != "drain" and each.start_s < at_s - NEAR]
    cues = [replace(each, end_s=min(each.end_s, at_s)) for each in begun]
    if drain is None:
        return replace(step, start_s=start_s, end_s=at_s, cues=tuple(cues))
    lasts = drain.end_s - max(drain.start_s, min(at_s, drain.end_s))
    if at_s < drain.start_s:
        lasts = drain.end_s - drain.start_s
    out = Cue(start_s=at_s, end_s=at_s + lasts, kind="drain")
    return replace(step, start_s=start_s, end_s=at_s + lasts, cues=(*cues, out))


def _longer(step: TimedStep, by: float) -> TimedStep:
    drains = [each for each in step.cues if each.kind == "drain"]
    others = [each for each in step.cues if each.kind != "drain"]
    until = (drains[0].start_s if drains else step.end_s) + by
    out = [replace(each, start_s=each.start_s + by, end_s=each.end_s + by) for each in drains]
    cues = (*others, *_more(others, until), *out)
    return replace(step, end_s=step.end_s + by, cues=cues)


def _more(cues: Sequence[Cue], until: float) -> Iterator[Cue]:
    """The last round of agitation again and again, up to a moment."""
    rounds = [each for each in cues if each.kind == "agitate"]
    if len(rounds) < 2:
        return
    before, last = rounds[-2:]
    every, lasts = last.start_s - before.start_s, last.end_s - last.start_s
    start_s = last.start_s + every
    while every > NEAR and start_s < until - NEAR:
        yield Cue(start_s=start_s, end_s=min(start_s + lasts, until), kind="agitate")
        start_s += every


def _moved(step: TimedStep, by: float) -> TimedStep:
    cues = (replace(each, start_s=each.start_s + by, end_s=each.end_s + by) for each in step.cues)
    return replace(step, start_s=step.start_s + by, end_s=step.end_s + by, cues=tuple(cues))
