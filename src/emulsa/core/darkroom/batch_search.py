"""How film that wants different times is best shared among few runs."""

from __future__ import annotations

import math
from bisect import bisect_left
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import accumulate, islice
from typing import Annotated, Literal

from emulsa.core.development.recipes import Minutes
from emulsa.core.errors import Unsound
from emulsa.core.limits import Id, Length, Within

Weight = Annotated[float, Within("The weight of a sheet", 0.01, 1_000)]


Objective = Literal["sqlog", "abslog", "maxlog"]


@dataclass(frozen=True, kw_only=True, slots=True)
class Sheet:
    """A sheet, the minutes it wants, and how much it matters."""

    id: Id
    minutes: Minutes
    weight: Weight = 1.0


@dataclass(frozen=True, kw_only=True, slots=True)
class BatchesRequest:
    """Sheets of one film and recipe, how many a run holds, and how many runs there may be."""

    sheets: Annotated[tuple[Sheet, ...], Length("Sheets", 1, 500)]
    capacity: Annotated[int, Within("What a run holds", 1, 500)]
    max_runs: Annotated[int, Within("Runs", 1, 500)]
    objective: Objective = "sqlog"

    def __post_init__(self) -> None:
        if len({each.id for each in self.sheets}) < len(self.sheets):
            raise Unsound("Two sheets have the same id.", field="sheets")


NODES = 60_000  # partitions looked at before the search is cut short


SEARCHED = 14  # more sheets than this are not searched, only improved


MANY = 60  # of more sheets with unequal weights no sharing is proven to be the best


TRIES = 1_400  # changes between runs tried while improving


class Measure:
    """The cost and the centre (ln minutes) of any part of the sheets, in order of their times."""

    def __init__(self, sheets: Sequence[Sheet], objective: Objective) -> None:
        self.objective = objective
        self.x = [math.log(each.minutes) for each in sheets]
        self.w = [each.weight for each in sheets]
        self._w = [0.0, *accumulate(self.w)]
        self._wx = [0.0, *accumulate(w * x for w, x in zip(self.w, self.x, strict=True))]
        self._wxx = [0.0, *accumulate(w * x * x for w, x in zip(self.w, self.x, strict=True))]

    def stretch(self, start: int, end: int) -> float:
        """The cost of neighbours start … end − 1."""
        if self.objective == "maxlog":
            return (self.x[end - 1] - self.x[start]) / 2
        weight = self._w[end] - self._w[start]
        first = self._wx[end] - self._wx[start]
        if self.objective == "sqlog":
            second = self._wxx[end] - self._wxx[start]
            return max(0.0, second - first * first / weight)
        half = self._w[start] + weight / 2
        middle = min(end - 1, max(start, bisect_left(self._w, half, start + 1, end) - 1))
        x = self.x[middle]
        below = x * (self._w[middle + 1] - self._w[start]) - (
            self._wx[middle + 1] - self._wx[start]
        )
        above = self._wx[end] - self._wx[middle + 1] - x * (self._w[end] - self._w[middle + 1])
        return below + above

    def centre(self, part: Sequence[int]) -> float:
        """ln of the minutes that suit a part best."""
        xs = [self.x[each] for each in part]
        if self.objective == "maxlog":
            return (min(xs) + max(xs)) / 2
        ws = [self.w[each] for each in part]
        if self.objective == "sqlog":
            return math.fsum(w * x for w, x in zip(ws, xs, strict=True)) / math.fsum(ws)
        half, so_far = math.fsum(ws) / 2, 0.0
        for x, w in sorted(zip(xs, ws, strict=True)):
            so_far += w
            if so_far >= half - 1e-12:
                return x
        return xs[-1]

    def cost(self, part: Sequence[int]) -> float:
        """The cost of any part, neighbours or not."""
        centre = self.centre(part)
        off = [abs(self.x[each] - centre) for each in part]
        if self.objective == "maxlog":
            return max(off)
        power = 2 if self.objective == "sqlog" else 1
        return math.fsum(self.w[each] * d**power for each, d in zip(part, off, strict=True))

    def total(self, parts: Sequence[Sequence[int]]) -> float:
        costs = [self.cost(part) for part in parts]
        return max(costs) if self.objective == "maxlog" else math.fsum(costs)


def best_sharing(measure: Measure, request: BatchesRequest) -> tuple[list[list[int]], bool]:
    count = len(measure.x)
    neighbours = _neighbours(measure, request.capacity, request.max_runs)
    even = len(set(measure.w)) == 1 or measure.objective == "maxlog"
    if even or request.capacity >= count:
        return neighbours, True
    if count <= MANY:  # as if no tank were ever full: when none is, nothing is better
        free = _neighbours(measure, count, request.max_runs)
        if all(len(part) <= request.capacity for part in free):
            return free, True
    improved = _improved(measure, neighbours, request.capacity)
    if count > SEARCHED:
        return sorted(map(sorted, improved), key=measure.centre), False
    return _searched(measure, improved, request.capacity, request.max_runs)


def _neighbours(measure: Measure, capacity: int, max_runs: int) -> list[list[int]]:
    """The best runs of neighbouring times, by dynamic programming over where each run ends.

    With no more than ``capacity`` in a run the last one begins at most so far back; the best
    beginning moves up with the end, so that each row is found by halving.
    """
    count = len(measure.x)
    worst = measure.objective == "maxlog"
    best = [0.0, *([math.inf] * count)]
    begins: list[list[int]] = []
    # every row asks the same stretches again: each is worked out once, by its end and its length
    own = [
        [0.0, *(measure.stretch(end - length, end) for length in range(1, min(capacity, end) + 1))]
        for end in range(count + 1)
    ]
    for _ in range(min(max_runs, count)):
        row, begin = [math.inf] * (count + 1), [0] * (count + 1)
        _row(own, best, row, begin, capacity, worst)
        row[0] = 0.0
        begins.append(begin)
        if row[count] >= best[count] - 1e-15 and best[count] < math.inf:
            begins.pop()
            break
        best = row
    parts, end = [], count
    for begin in reversed(begins):
        if end == 0:
            break
        parts.append(list(range(begin[end], end)))
        end = begin[end]
    return parts[::-1]


def _row(
    own: list[list[float]],
    before: list[float],
    row: list[float],
    begin: list[int],
    capacity: int,
    worst: bool,
) -> None:
    """One more run: for every end the best beginning, each searched between its neighbours'."""
    count = len(row) - 1
    waiting = [(1, count, 0, count - 1)]
    while waiting:
        low, high, first, last = waiting.pop()
        if low > high:
            continue
        end = (low + high) // 2
        chosen = max(first, end - capacity)
        least, mine = math.inf, own[end]
        for start in range(chosen, min(last, end - 1) + 1):
            alone = mine[end - start]
            cost = max(before[start], alone) if worst else before[start] + alone
            if cost < least:
                least, chosen = cost, start
        if least < math.inf:
            row[end], begin[end] = least, chosen
        waiting.append((low, end - 1, first, chosen))
        waiting.append((end + 1, high, chosen, last))


def _improved(measure: Measure, parts: list[list[int]], capacity: int) -> list[list[int]]:
    """Sheets moved and changed about between runs next to each other while that costs less."""
    parts = [list(part) for part in parts]
    costs = [measure.cost(part) for part in parts]
    better, tries = True, 0
    while better and tries < TRIES:
        better = False
        for here in range(len(parts) - 1):
            for a, b in ((here, here + 1), (here + 1, here)):
                for change in islice(_changes(parts[a], parts[b], capacity), TRIES - tries):
                    tries += 1
                    new = [measure.cost(part) if part else 0.0 for part in change]
                    if math.fsum(new) < costs[a] + costs[b] - 1e-12:
                        parts[a], parts[b] = list(change[0]), list(change[1])
                        costs[a], costs[b] = new
                        better = True
                        break
    return [part for part in parts if part]


def _changes(a: list[int], b: list[int], capacity: int) -> Iterator[tuple[list[int], list[int]]]:
    """One sheet from a to b, or one of a for one of b."""
    if len(b) < capacity:
        for one in a:
            yield [x for x in a if x != one], [*b, one]
    for one in a:
        without = [x for x in a if x != one]
        for other in b:
            if one < other:
                yield [*without, other], [*(x for x in b if x != other), one]


def _searched(
    measure: Measure, known: list[list[int]], capacity: int, max_runs: int
) -> tuple[list[list[int]], bool]:
    """Every way of sharing, heaviest sheet first, dropping what costs more than the best so far."""
    best, parts = measure.total(known), [list(part) for part in known]
    order = sorted(range(len(measure.x)), key=lambda each: -measure.w[each])
    now: list[list[int]] = []
    looked = 0

    def place(depth: int, spent: list[float]) -> bool:
        nonlocal best, parts, looked
        looked += 1
        if looked > NODES:
            return False
        if depth == len(order):
            best, parts = math.fsum(spent), [list(part) for part in now]
            return True
        one, whole = order[depth], math.fsum(spent)
        for place_ in range(len(now)):
            if len(now[place_]) == capacity:
                continue
            now[place_].append(one)
            cost = measure.cost(now[place_])
            fits = whole - spent[place_] + cost < best - 1e-12
            done = not fits or place(depth + 1, [*spent[:place_], cost, *spent[place_ + 1 :]])
            now[place_].pop()
            if not done:
                return False
        if len(now) < max_runs:
            now.append([one])
            done = place(depth + 1, [*spent, 0.0])
            now.pop()
            if not done:
                return False
        return True

    proven = place(0, [])
    parts = [sorted(part) for part in parts]
    return sorted(parts, key=lambda part: measure.centre(part)), proven
