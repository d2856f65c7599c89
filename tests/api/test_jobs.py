"""Long work: how far it is, stopped when asked, and never a silence."""

import threading
import time

import pytest

from emulsa.api.jobs import KEPT_AT_MOST, Job, Jobs
from emulsa.core.errors import Unreadable
from emulsa.store.steps import Steps


def ended(job: Job) -> Job:
    for _ in range(500):
        if not job.under_way:
            return job
        time.sleep(0.005)
    raise AssertionError("it never ended")


def test_work_that_ends_well() -> None:
    """Its progress is told while it runs, its result kept."""
    go, seen = threading.Event(), threading.Event()

    def work(job: Job) -> Steps[str]:
        yield 3, 10
        seen.set()
        go.wait(5)
        return "all"

    jobs = Jobs()
    job = jobs.begin("a", "count", work)
    assert seen.wait(5)
    assert (job.state, job.done, job.total) == ("running", 3, 10)
    go.set()
    assert ended(job).state == "done"
    assert job.result == "all"
    assert jobs.find(job.id) is job
    assert jobs.find("none") is None


@pytest.mark.parametrize(
    ("problem", "says"),
    [
        (Unreadable("Line 3 is no row."), "Line 3 is no row."),
        (RuntimeError("secret pool"), "for a reason nobody foresaw"),
    ],
)
def test_work_that_fails(problem: Exception, says: str) -> None:
    """A refusal is told in its words, anything else in ours; what was typed is not repeated."""

    def work(job: Job) -> Steps[None]:
        yield 0, 1
        raise problem

    job = ended(Jobs().begin("a", "fail", work))
    assert job.state == "failed"
    assert says in job.message
    assert "secret" not in job.message


def test_work_is_stopped() -> None:
    """At its next step, what it began is taken back; and all of it when the service ends."""
    jobs, taken_back, running = Jobs(), [], threading.Event()

    def work(job: Job) -> Steps[None]:
        try:
            for step in range(10_000):
                yield step, 10_000
                running.set()
                time.sleep(0.002)
        finally:
            taken_back.append(job.id)

    first = jobs.begin("a", "long", work)
    second = jobs.begin("b", "long", work)
    assert jobs.begin("a", "long", work) is first  # handed in again it is the same work
    other = jobs.begin("c", "another", work)
    jobs.stop(second)
    assert (second.state, other.state) == ("cancelled", "waiting")  # it never began
    assert running.wait(5)
    jobs.stop(first)
    assert ended(first).state == "cancelled"
    assert "nothing was changed" in first.message
    jobs.stop_all()
    assert ended(other).state == "cancelled"
    assert jobs.all() == [other, second, first]
    assert taken_back == ["a", "c"]


def test_work_whose_act_is_done_is_finished() -> None:
    """Stopped after that there is nothing to take back: it is done, and says so."""

    def work(job: Job) -> Steps[str]:
        job.settled = True
        job.stop.set()
        yield 1, 2
        return "all"

    job = ended(Jobs().begin("a", "merge", work))
    assert (job.state, job.result) == ("done", "all")


def test_one_after_the_other() -> None:
    """Two jobs never run at once, and each has its turn in the order they were begun."""
    jobs, inside, order = Jobs(), threading.Lock(), []

    def work(job: Job) -> Steps[None]:
        assert inside.acquire(blocking=False)
        order.append(job.id)
        yield 0, 1
        time.sleep(0.005)
        inside.release()

    begun = [jobs.begin(f"{number}", "count", work) for number in range(8)]
    assert [ended(each).state for each in begun] == ["done"] * 8
    assert order == [each.id for each in begun]


def test_work_that_asks_may_be_begun_again() -> None:
    """What it asks is its result; under its own id it is done once somebody decided."""
    jobs = Jobs()

    def asking(job: Job) -> Steps[str]:
        yield 0, 1
        job.asks = True
        return "which?"

    def answered(_: Job) -> Steps[str]:
        yield 0, 1
        return "done"

    job = ended(jobs.begin("a", "merge", asking))
    assert (job.state, job.result) == ("asked", "which?")
    again = ended(jobs.begin("a", "merge", answered))
    assert (again.state, jobs.find("a")) == ("done", again)


def test_few_are_remembered() -> None:
    """The last ones that ended; those that run are never forgotten."""
    jobs, go = Jobs(), threading.Event()

    def quick(_: Job) -> Steps[None]:
        yield 0, 1

    def slow(_: Job) -> Steps[None]:
        yield 0, 1
        go.wait(5)

    done = [ended(jobs.begin(f"q{number}", "quick", quick)) for number in range(KEPT_AT_MOST + 9)]
    running = jobs.begin("runs", "runs", slow)
    assert jobs.find(running.id) is running
    assert jobs.find(done[0].id) is None
    assert jobs.find(done[-1].id) is done[-1]
    go.set()
