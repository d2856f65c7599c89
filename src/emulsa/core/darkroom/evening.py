"""An evening of runs: one pair of hands, the tanks, washers and dryers there are.

List scheduling: the runs in a given order of importance; each of their tasks as early as its run,
its place and the hands allow. A task that needs the hands is never beside another that does; a
chain of baths that must not wait (developer to the end of the fixer) is placed as one, all or
nothing. Several orders are tried (longest first, shortest first, as given, and changes of those)
and the earliest finish is kept. The rule is a heuristic: what it finds is good, not proven.
"""

from __future__ import annotations

import math
from bisect import bisect_right
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import accumulate
from typing import Annotated

from emulsa.core.errors import Impossible, Unsound
from emulsa.core.limits import Id, Label, Length, Within

TaskSeconds = Annotated[float, Within("A task's time", 1, 172_800, "s")]
Places = Annotated[int, Within("Places of one kind", 1, 50)]
SWAPS = 12  # neighbouring changes of order tried for a few runs; none for very many


@dataclass(frozen=True, kw_only=True, slots=True)
class Task:
    """A step of a run: where it happens, how long, whether it takes the hands all the while.

    ``follows_at_once``: it begins the moment the one before it ends; film does not wait in it.
    """

    name: Label
    place: Label
    seconds: TaskSeconds
    hands: bool = False
    follows_at_once: bool = False


@dataclass(frozen=True, kw_only=True, slots=True)
class EveningRun:
    """A run and its tasks in their order."""

    id: Id
    tasks: Annotated[tuple[Task, ...], Length("Tasks of a run", 1, 20)]


@dataclass(frozen=True, kw_only=True, slots=True)
class EveningRequest:
    """The runs of an evening, and how many of each kind of place there are."""

    runs: Annotated[tuple[EveningRun, ...], Length("Runs of an evening", 1, 60)]
    places: dict[str, int]

    def __post_init__(self) -> None:
        if len({each.id for each in self.runs}) < len(self.runs):
            raise Unsound("Two runs have the same id.", field="runs")
        for run in self.runs:
            for task in run.tasks:
                if self.places.get(task.place, 0) < 1:
                    raise Impossible(
                        f"{task.name} needs a place “{task.place}”, and there is none.",
                        field="places",
                    )


@dataclass(frozen=True, kw_only=True, slots=True)
class PlacedTask:
    """A task on the evening's clock: which of its places, from when to when."""

    run_id: str
    name: str
    place: str
    number: int
    start_s: float
    end_s: float
    hands: bool


@dataclass(frozen=True, kw_only=True, slots=True)
class EveningAnswer:
    """Every task by its start, when all is done, and how long hands and places stand idle until
    they have done their last."""

    tasks: tuple[PlacedTask, ...]
    finish_s: float
    hands_idle_s: float
    idle: dict[str, float]


def evening(request: EveningRequest) -> EveningAnswer:
    """The earliest finish found."""
    runs = list(request.runs)
    by_length = sorted(runs, key=lambda run: -math.fsum(task.seconds for task in run.tasks))
    tried = [runs, by_length, by_length[::-1]]
    best, order = min(
        ((_placed(order, request.places), order) for order in tried),
        key=lambda found: _finish(found[0]),
    )
    for place in range(min(SWAPS - len(order) // 2, len(order) - 1)):
        changed = order.copy()
        changed[place], changed[place + 1] = changed[place + 1], changed[place]
        found = _placed(changed, request.places)
        if _finish(found) < _finish(best) - 1e-9:
            best, order = found, changed
    finish = _finish(best)
    hands_idle = _idle([each for each in best if each.hands], 1)
    idle = {
        kind: _idle([each for each in best if each.place == kind], number)
        for kind, number in request.places.items()
    }
    tasks = tuple(sorted(best, key=lambda each: (each.start_s, each.run_id, each.end_s)))
    return EveningAnswer(tasks=tasks, finish_s=finish, hands_idle_s=hands_idle, idle=idle)


def _idle(busy: Sequence[PlacedTask], many: int) -> float:
    last = max((each.end_s for each in busy), default=0.0)
    return many * last - math.fsum(each.end_s - each.start_s for each in busy)


def _finish(placed: Sequence[PlacedTask]) -> float:
    return max(each.end_s for each in placed)


class _Spans:
    """What one place, or the pair of hands, is taken for: apart from each other, in order."""

    def __init__(self) -> None:
        self.starts: list[float] = []
        self.ends: list[float] = []

    def free_from(self, start: float, seconds: float) -> float:
        """The first moment, from ``start`` on, at which it is free for so long."""
        at = bisect_right(self.ends, start + 1e-9)
        while at < len(self.starts) and self.starts[at] < start + seconds - 1e-9:
            start = max(start, self.ends[at])
            at += 1
        return start

    def take(self, start: float, end: float) -> None:
        at = bisect_right(self.starts, start)
        self.starts.insert(at, start)
        self.ends.insert(at, end)


class _House:
    """The hands and every place, while an evening is being planned."""

    def __init__(self, places: dict[str, int]) -> None:
        self.hands = _Spans()
        self.places = {kind: [_Spans() for _ in range(many)] for kind, many in places.items()}

    def free_from(self, task: Task, start: float) -> float:
        """The first moment at which its place is free for a task, and hands if it needs them."""
        spans = self.places[task.place]
        while True:
            found = min(each.free_from(start, task.seconds) for each in spans)
            if task.hands:
                found = self.hands.free_from(found, task.seconds)
            if found <= start:
                return start
            start = found

    def earliest(self, chain: Sequence[Task], ready: float) -> float:
        """The first moment at which every task of a chain has its place and, if need be, hands.

        A task that has to wait pushes the whole chain on, until none has to: each push is the least
        one possible, so the moment that is found is the first.
        """
        offsets = list(accumulate((task.seconds for task in chain[:-1]), initial=0.0))
        start, settled = ready, False
        while not settled:
            settled = True
            for task, offset in zip(chain, offsets, strict=True):
                free = self.free_from(task, start + offset)
                if free > start + offset + 1e-9:
                    start, settled = free - offset, False
        return start

    def take(self, run_id: str, task: Task, start: float) -> PlacedTask:
        end = start + task.seconds
        spans = self.places[task.place]
        number = next(
            at
            for at, each in enumerate(spans)
            if each.free_from(start, task.seconds) <= start + 1e-9
        )
        spans[number].take(start, end)
        if task.hands:
            self.hands.take(start, end)
        return PlacedTask(
            run_id=run_id,
            name=task.name,
            place=task.place,
            number=number,
            start_s=start,
            end_s=end,
            hands=task.hands,
        )


def _placed(order: Sequence[EveningRun], places: dict[str, int]) -> list[PlacedTask]:
    house, done = _House(places), []
    for run in order:
        ready = 0.0
        for chain in _chains(run.tasks):
            ready = house.earliest(chain, ready)
            for task in chain:
                placed = house.take(run.id, task, ready)
                done.append(placed)
                ready = placed.end_s
    return done


def _chains(tasks: Sequence[Task]) -> list[list[Task]]:
    """Tasks that follow at once, together."""
    chains: list[list[Task]] = []
    for task in tasks:
        if chains and task.follows_at_once:
            chains[-1].append(task)
        else:
            chains.append([task])
    return chains
