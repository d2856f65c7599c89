"""Runs: shared as well as can be, timed to the second, and an evening with one pair of hands."""

import math
from itertools import pairwise
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from emulsa.core.darkroom import evening, process
from emulsa.core.darkroom.batch_search import BatchesRequest, Sheet
from emulsa.core.darkroom.batches import batches
from emulsa.core.darkroom.cues import heard
from emulsa.core.darkroom.evening import EveningRequest, EveningRun, PlacedTask, Task
from emulsa.core.darkroom.process import Developer, ProcessRequest, ProcessStep
from emulsa.core.development import agitation
from emulsa.core.errors import Impossible, Missing, Unsound


def costs(runs: list[list[tuple[float, float]]], objective: str) -> float:
    """The cost of runs of (ln minutes, weight), written anew: each centre is searched."""
    found = []
    for run in runs:
        xs, ws = zip(*run, strict=True)
        if objective == "sqlog":
            centre = sum(w * x for x, w in run) / sum(ws)
            found.append(sum(w * (x - centre) ** 2 for x, w in run))
        elif objective == "abslog":
            found.append(min(sum(w * abs(x - centre) for x, w in run) for centre in xs))
        else:
            found.append((max(xs) - min(xs)) / 2)
    return max(found) if objective == "maxlog" else sum(found)


def brute_force(
    sheets: list[tuple[float, float]], capacity: int, most: int, objective: str
) -> float:
    """The least cost of all ways to share."""
    best = math.inf

    def place(at: int, runs: list[list[tuple[float, float]]]) -> None:
        nonlocal best
        if at == len(sheets):
            best = min(best, costs(runs, objective))
            return
        for run in runs:
            if len(run) < capacity:
                run.append(sheets[at])
                place(at + 1, runs)
                run.pop()
        if len(runs) < most:
            runs.append([sheets[at]])
            place(at + 1, runs)
            runs.pop()

    place(0, [])
    return best


@settings(max_examples=150)
@given(
    st.lists(
        st.tuples(st.floats(4, 20), st.sampled_from([1.0, 1.0, 2.0, 0.01, 50.0])),
        min_size=1,
        max_size=7,
    ),
    st.integers(1, 5),
    st.integers(1, 4),
    st.sampled_from(["sqlog", "abslog", "maxlog"]),
)
def test_nothing_shares_better(
    found: list[tuple[float, float]], capacity: int, most: int, objective: Any
) -> None:
    """Against brute force on small cases, unequal weights and tight tanks among them."""
    sheets = tuple(
        Sheet(id=f"{place}", minutes=minutes, weight=weight)
        for place, (minutes, weight) in enumerate(found)
    )
    request = BatchesRequest(sheets=sheets, capacity=capacity, max_runs=most, objective=objective)
    if capacity * most < len(sheets):
        with pytest.raises(Impossible, match="Allow more runs"):
            batches(request)
        return
    answer = batches(request)
    assert answer.optimal
    logs = [(math.log(minutes), weight) for minutes, weight in found]
    assert answer.cost == pytest.approx(brute_force(logs, capacity, most, objective), abs=1e-9)
    assert sorted(id_ for run in answer.runs for id_ in run.ids) == sorted(s.id for s in sheets)
    assert all(len(run.ids) <= capacity for run in answer.runs)
    assert len(answer.runs) <= most


@given(
    st.lists(
        st.tuples(st.floats(4, 20), st.sampled_from([1.0, 3.0, 40.0])), min_size=2, max_size=9
    ),
    st.integers(2, 4),
    st.sampled_from([1, 5, 30]),
)
def test_a_search_cut_short_is_still_a_sharing(
    found: list[tuple[float, float]], capacity: int, nodes: int
) -> None:
    """Given up early it is no proof, but every sheet has its place; more looking never costs."""
    sheets = tuple(
        Sheet(id=str(place), minutes=minutes, weight=weight)
        for place, (minutes, weight) in enumerate(found)
    )
    request = BatchesRequest(sheets=sheets, capacity=capacity, max_runs=len(sheets) // 2 + 1)
    whole = batches(request)
    with pytest.MonkeyPatch.context() as hurried:
        hurried.setattr("emulsa.core.darkroom.batch_search.NODES", nodes)
        short = batches(request)
    assert sorted(id_ for run in short.runs for id_ in run.ids) == sorted(s.id for s in sheets)
    assert all(len(run.ids) <= capacity for run in short.runs)
    assert short.cost >= whole.cost - 1e-12
    if short.optimal:
        assert short.cost == pytest.approx(whole.cost, abs=1e-9)


def test_many_sheets_are_shared_and_the_doubt_is_said() -> None:
    """Equal weights are proven; unequal ones in tight tanks only good, and never worse than
    neighbours."""
    times = [5 + (k * 37 % 130) / 10 for k in range(120)]
    even = tuple(Sheet(id=f"{k}", minutes=t) for k, t in enumerate(times))
    proven = batches(BatchesRequest(sheets=even, capacity=4, max_runs=40))
    assert proven.optimal
    uneven = tuple(Sheet(id=f"{k}", minutes=t, weight=1 + k % 3) for k, t in enumerate(times))
    good = batches(BatchesRequest(sheets=uneven, capacity=4, max_runs=30))
    assert not good.optimal
    by_time = sorted((math.log(t), 1.0 + k % 3) for k, t in enumerate(times))
    assert good.cost <= costs([by_time[at : at + 4] for at in range(0, 120, 4)], "sqlog") + 1e-9


def test_errors_are_in_zones() -> None:
    """Time for one N more is one zone too high. Common practice, no source."""
    pair = (Sheet(id="a", minutes=8), Sheet(id="b", minutes=8 * 1.35**2))
    answer = batches(BatchesRequest(sheets=pair, capacity=2, max_runs=1))
    assert [each.error_zones for each in answer.sheets] == pytest.approx(
        [1.0, -math.log(1.35) / -math.log(0.8)]
    )
    with pytest.raises(Unsound, match="same id"):
        BatchesRequest(sheets=(pair[0], pair[0]), capacity=2, max_runs=1)


@given(
    st.floats(1, 4_000), st.floats(0, 90), st.floats(1, 30), st.floats(31, 700), st.floats(91, 700)
)
def test_movements_are_half_open(
    total: float, first: float, each: float, every: float, repeat: float
) -> None:
    """In order, apart, within the time; none begins at or after its end."""
    scheme = agitation.Scheme(first_s=first, each_s=each, every_s=every, repeat_from_s=repeat)
    events = agitation.events(total, scheme)
    assert all(start < end <= total and start < total for start, end in events)
    assert all(before[1] <= after[0] for before, after in pairwise(events))


def test_schemes_have_names() -> None:
    """The trade's own, and a refusal that names them. Common practice, no source."""
    assert len(agitation.named("semi-stand", 2700)) == 5
    assert agitation.named("rotary", 300) == ((0.0, 300),)
    assert agitation.named("stand", 3600) == ((0.0, 30),)
    with pytest.raises(Missing, match="hangers"):
        agitation.named("shake", 300)


STEPS = (
    ProcessStep(
        name="Developer", kind="developer", seconds=420, agitation="30+10", pour_s=10, drain_s=15
    ),
    ProcessStep(name="Stop", kind="stop", seconds=30, agitation="shuffle", pour_s=5),
    ProcessStep(name="Fixer", kind="fixer", seconds=300, agitation="60+10"),
)


def test_a_run_to_the_second() -> None:
    """The clock starts when the tank is full, draining begins before the end."""
    answer = process.process(
        ProcessRequest(
            steps=STEPS, volume_ml=500, film_area_in2=80, chemistry=Developer(dilution="1+49")
        )
    )
    developer, stop, fixer = answer.steps
    assert (developer.start_s, developer.end_s) == (10, 430)
    assert [(cue.kind, cue.start_s, cue.end_s) for cue in developer.cues] == [
        ("pour", 0, 10),
        ("agitate", 10, 40),
        *(("agitate", 10 + 60 * k, 20 + 60 * k) for k in range(1, 7)),
        ("drain", 415, 430),
    ]
    assert (stop.start_s, stop.end_s, fixer.start_s, answer.total_s) == (435, 465, 465, 765)
    assert {each.part: each.ml for each in answer.mix} == {"concentrate": 10, "water": 490}
    assert answer.advice == ()


@given(st.lists(st.sampled_from(STEPS), min_size=1, max_size=8))
def test_steps_follow_each_other(steps: list[ProcessStep]) -> None:
    """No step begins before the one before it ends; every cue lies in its step or its pouring."""
    found = process.timed(tuple(steps))
    assert found[-1].end_s == sum(step.seconds + step.pour_s for step in steps)
    for before, after in pairwise(found):
        assert after.start_s >= before.end_s
    for step, given_ in zip(found, steps, strict=True):
        assert all(
            step.start_s - given_.pour_s <= cue.start_s < cue.end_s <= step.end_s
            for cue in step.cues
        )
        assert all(before.start_s <= after.start_s for before, after in pairwise(step.cues))


@pytest.mark.parametrize(
    ("seconds", "area", "codes"),
    [
        (420, 80, []),
        (290, 80, ["time-short"]),
        (230, 80, ["time-much-too-short"]),
        (420, 160, ["concentrate-short"]),
    ],
)
def test_what_is_said_of_a_run(seconds: float, area: float, codes: list[str]) -> None:
    """Too short a development, and more film than the concentrate serves."""
    step = ProcessStep(name="Developer", kind="developer", seconds=seconds)
    answer = process.process(
        ProcessRequest(
            steps=(step,),
            volume_ml=500,
            film_area_in2=area,
            chemistry=Developer(dilution="1+50", minimum_ml_per_roll=6),
        )
    )
    assert [each.code for each in answer.advice] == codes
    assert answer.volume_ml == pytest.approx(max(500, area / 80 * 6 * 51))
    capacity = Developer(dilution="1+50", rolls_per_litre=4)
    said = process.process(
        ProcessRequest(steps=(step,), volume_ml=500, film_area_in2=area * 3, chemistry=capacity)
    ).advice
    assert any(each.code == "capacity-short" for each in said) == (area * 3 / 80 > 2)
    with pytest.raises(Unsound, match="nothing is left"):
        ProcessStep(name="Stop", kind="stop", seconds=20, drain_s=20)


def overlaps(placed: tuple[PlacedTask, ...]) -> list[tuple[PlacedTask, PlacedTask]]:
    """Tasks of the hands that run at the same time."""
    by_hand = sorted((each for each in placed if each.hands), key=lambda each: each.start_s)
    return [(a, b) for a, b in pairwise(by_hand) if b.start_s < a.end_s - 1e-9]


tasks = st.builds(
    Task,
    name=st.just("step"),
    place=st.sampled_from(["tank", "washer", "dryer"]),
    seconds=st.floats(10, 900),
    hands=st.booleans(),
    follows_at_once=st.booleans(),
)


@settings(max_examples=60)
@given(
    st.lists(st.lists(tasks, min_size=1, max_size=6), min_size=1, max_size=8),
    st.integers(1, 3),
    st.integers(1, 2),
)
def test_one_pair_of_hands(found: list[list[Task]], tanks: int, washers: int) -> None:
    """The hands do one thing at a time, a place holds one run, steps keep their order, and what
    must follow at once does."""
    runs = tuple(EveningRun(id=f"{k}", tasks=tuple(each)) for k, each in enumerate(found))
    places = {"tank": tanks, "washer": washers, "dryer": 1}
    answer = evening.evening(EveningRequest(runs=runs, places=places))
    assert overlaps(answer.tasks) == []
    assert len(answer.tasks) == sum(len(run.tasks) for run in runs)
    for kind, many in places.items():
        for number in range(many):
            here = sorted(
                (each.start_s, each.end_s)
                for each in answer.tasks
                if (each.place, each.number) == (kind, number)
            )
            assert all(before[1] <= after[0] + 1e-6 for before, after in pairwise(here))
    for run in runs:
        mine = sorted(
            (each for each in answer.tasks if each.run_id == run.id), key=lambda each: each.start_s
        )
        for task, (before, after) in zip(run.tasks[1:], pairwise(mine), strict=True):
            assert after.start_s >= before.end_s - 1e-6
            if task.follows_at_once:
                assert after.start_s == pytest.approx(before.end_s)
    longest = max(sum(task.seconds for task in run.tasks) for run in runs)
    assert (
        longest - 1e-6
        <= answer.finish_s
        <= sum(task.seconds for run in runs for task in run.tasks) + 1e-6
    )
    assert answer.hands_idle_s >= -1e-6
    assert all(idle >= -1e-6 for idle in answer.idle.values())


def test_a_place_that_is_not_there() -> None:
    """The task and the place are named."""
    run = EveningRun(id="a", tasks=(Task(name="wash", place="washer", seconds=600),))
    with pytest.raises(Impossible, match="wash needs a place “washer”"):
        EveningRequest(runs=(run,), places={"tank": 1})
    with pytest.raises(Unsound, match="same id"):
        EveningRequest(runs=(run, run), places={"washer": 1})


whole_tasks = st.builds(
    Task,
    name=st.just("step"),
    place=st.sampled_from(["tank", "washer"]),
    seconds=st.integers(1, 9).map(float),
    hands=st.booleans(),
    follows_at_once=st.booleans(),
)


@settings(max_examples=80)
@given(
    st.lists(st.lists(whole_tasks, min_size=1, max_size=4), min_size=1, max_size=4),
    st.lists(whole_tasks, min_size=1, max_size=4),
    st.integers(0, 12),
)
def test_a_chain_begins_as_soon_as_it_can(
    before: list[list[Task]], chain: list[Task], ready: int
) -> None:
    """Against trying every second: nothing earlier is free for all of it."""
    house = evening._House({"tank": 2, "washer": 1})
    for number, tasks_ in enumerate(before):
        at = house.earliest(tasks_, 0.0)
        for task in tasks_:
            at = house.take(str(number), task, at).end_s

    def fits(start: float) -> bool:
        at = start
        for task in chain:
            places = house.places[task.place]
            free = any(_free(each, at, task.seconds) for each in places)
            if not free or (task.hands and not _free(house.hands, at, task.seconds)):
                return False
            at += task.seconds
        return True

    expected = next(float(at) for at in range(ready, 400) if fits(float(at)))
    assert house.earliest(chain, float(ready)) == expected


def _free(spans: evening._Spans, start: float, seconds: float) -> bool:
    return all(
        end <= start or start + seconds <= begin
        for begin, end in zip(spans.starts, spans.ends, strict=True)
    )


baths = st.builds(
    ProcessStep,
    name=st.sampled_from(["Developer", "Fixer", "Wash"]),
    kind=st.sampled_from(["developer", "fixer", "wash"]),
    seconds=st.floats(31, 900),
    agitation=st.sampled_from([None, "30+10", "semi-stand", "rotary"]),
    pour_s=st.sampled_from([0.0, 10.0]),
    drain_s=st.sampled_from([0.0, 15.0]),
)


@settings(max_examples=60)
@given(st.lists(baths, min_size=1, max_size=6))
def test_what_is_heard_is_what_is_done(steps: list[ProcessStep]) -> None:
    """Each pouring, moving and draining is heard once at its moment, resting where nothing else is
    done then; the end comes last, once."""
    timed = process.timed(tuple(steps))
    found = heard(timed)
    assert [each.at_s for each in found] == sorted(each.at_s for each in found)
    for kind, sound in (("pour", "pour"), ("agitate", "move"), ("drain", "drain")):
        done = sorted(cue.start_s for step in timed for cue in step.cues if cue.kind == kind)
        assert sorted(each.at_s for each in found if each.sound == sound) == done
    stops = sorted(
        cue.end_s
        for step in timed
        for cue in step.cues
        if cue.kind == "agitate"
        and cue.end_s < step.end_s
        and ("drain", cue.end_s) not in {(each.kind, each.start_s) for each in step.cues}
    )
    assert sorted(each.at_s for each in found if each.sound == "rest") == stops
    assert [each.sound for each in found].count("end") == 1
    assert found[-1].at_s == timed[-1].end_s
    assert {each.sound for each in found if each.at_s == timed[-1].end_s} >= {"end"}
    # a bath nobody pours is told by its name
    unpoured = [step for step in timed if not any(cue.kind == "pour" for cue in step.cues)]
    assert [each.says for each in found if each.sound == "next"] == [step.name for step in unpoured]


@pytest.mark.parametrize("count", [61, 120])
@pytest.mark.parametrize("weights", [(1.0, 1.0), (0.5, 3.0)])
def test_many_sheets_are_all_shared(count: int, weights: tuple[float, float]) -> None:
    """Whatever is proven: every sheet in one run, none too full, and neighbours' cost not beaten
    by putting everything together."""
    sheets = tuple(
        Sheet(id=str(at), minutes=5 + (at * 37 % 100) / 10, weight=weights[at % 2])
        for at in range(count)
    )
    runs = -(-count // 4) + 1
    answer = batches(BatchesRequest(sheets=sheets, capacity=4, max_runs=runs))
    assert sorted(id_ for run in answer.runs for id_ in run.ids) == sorted(x.id for x in sheets)
    assert max(len(run.ids) for run in answer.runs) <= 4
    assert len(answer.runs) <= runs
    assert answer.optimal == (weights[0] == weights[1])
    one = batches(BatchesRequest(sheets=sheets, capacity=count, max_runs=1))
    assert answer.cost < one.cost


@given(st.lists(st.floats(4, 20), min_size=2, max_size=9), st.integers(1, 4))
def test_more_runs_never_cost_more(minutes: list[float], capacity: int) -> None:
    sheets = tuple(Sheet(id=str(at), minutes=each) for at, each in enumerate(minutes))
    fewest = -(-len(sheets) // capacity)
    costs = [
        batches(BatchesRequest(sheets=sheets, capacity=capacity, max_runs=runs)).cost
        for runs in range(fewest, len(sheets) + 1)
    ]
    assert all(after <= before + 1e-12 for before, after in pairwise(costs))
    assert costs[-1] == pytest.approx(0)


def test_sheets_change_places_when_that_is_better() -> None:
    """Four times the trap of the check values (10-009), far apart: too many to search, so it is the
    changes between runs that must find what runs of neighbours miss."""
    sheets = tuple(
        Sheet(id=f"{scale} {minutes}", minutes=minutes * scale, weight=weight)
        for scale in (0.25, 1, 4, 16)
        for minutes, weight in ((5, 1), (9, 100), (10, 0.01), (11, 1))
    )
    answer = batches(BatchesRequest(sheets=sheets, capacity=2, max_runs=8))
    assert answer.cost == pytest.approx(4 * 0.04462698827)
    assert not answer.optimal
