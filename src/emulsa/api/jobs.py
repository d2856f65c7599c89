"""Work that takes longer than a request: step by step, with progress, stopped when asked."""

from __future__ import annotations

import logging
import threading
from collections import deque
from collections.abc import Callable, Iterator
from dataclasses import dataclass, field
from typing import Any, Literal

from emulsa.api.ending import STOPS_WITHIN_S
from emulsa.api.refusals import WAITS
from emulsa.core.errors import CoreError
from emulsa.store.steps import Steps
from emulsa.store.transactions import refusing

log = logging.getLogger("emulsa")

KEPT_AT_MOST = 20  # ended jobs remembered, so that a page that was away still finds its own

State = Literal["waiting", "running", "asked", "done", "failed", "cancelled"]
Work = Callable[["Job"], Steps[Any]]
STOPPED = "Stopped; nothing was changed."


@dataclass
class Job:
    """A piece of work: how far it is, and what came of it. ``asked``: nothing was done yet, since
    the photographer must decide something first; the result says what. ``settled``: what was wanted
    is done, and the rest is finished; there is nothing to stop any more."""

    id: str
    kind: str
    state: State = "waiting"
    done: int = 0
    total: int = 0
    message: str = ""
    result: Any = None
    asks: bool = False
    settled: bool = False
    stop: threading.Event = field(default_factory=threading.Event)

    @property
    def under_way(self) -> bool:
        return self.state in ("waiting", "running")

    def steps(self, work: Work) -> Iterator[None]:
        """The work, a step at a time; whatever comes of it is said by the job, never raised."""
        try:
            going = work(self)
            while True:
                with refusing():
                    self.done, self.total = next(going)
                if self.stop.is_set() and not self.settled:
                    going.close()
                    self.message, self.state = STOPPED, "cancelled"
                    return
                yield
        except StopIteration as end:
            self.result = end.value
            self.state = "asked" if self.asks else "done"
        except CoreError as problem:
            self.message, self.state = problem.message, "failed"
        except ModuleNotFoundError:
            self.message, self.state = WAITS, "failed"
        except Exception as problem:  # noqa: BLE001 - whatever it was, the page must not wait for ever
            log.error("%s in the work %s", type(problem).__name__, self.kind)
            self.message = "This failed for a reason nobody foresaw; nothing was changed."
            self.state = "failed"


class Jobs:
    """The jobs of one service: one after the other, in the order they were begun."""

    def __init__(self) -> None:
        self._jobs: dict[str, Job] = {}
        self._queue: deque[tuple[Job, Work]] = deque()
        self._lock = threading.Lock()
        self._worker: threading.Thread | None = None

    def begin(self, id_: str, kind: str, work: Work) -> Job:
        """Put work into the queue, once by its id. Work that failed, was stopped or asked something
        may be begun again under its id."""
        with self._lock:
            known = self._jobs.get(id_)
            if known is not None and (known.under_way or known.state == "done"):
                return known
            job = self._add(id_, kind)
            self._queue.append((job, work))
            self._begun()
        return job

    def _begun(self) -> None:
        """There is work: somebody does it."""
        if self._worker is None:
            self._worker = threading.Thread(target=self._work, name="emulsa-jobs", daemon=True)
            self._worker.start()

    def _add(self, id_: str, kind: str) -> Job:
        """A job of an id, in place of an earlier one; the oldest that ended are forgotten."""
        job = Job(id_, kind)
        self._jobs.pop(id_, None)
        self._jobs[id_] = job
        ended = [each for each in self._jobs.values() if not each.under_way]
        for old in ended[: max(0, len(ended) - KEPT_AT_MOST)]:
            del self._jobs[old.id]
        return job

    def find(self, id_: str) -> Job | None:
        return self._jobs.get(id_)

    def all(self) -> list[Job]:
        """The latest first."""
        return list(self._jobs.values())[::-1]

    def stop(self, job: Job) -> None:
        """Stop a job, now if it waits, else at its next step."""
        with self._lock:
            job.stop.set()
            if job.state == "waiting":
                job.state, job.message = "cancelled", STOPPED

    def stop_all(self) -> None:
        """Stop every job, and wait a little for the one that runs."""
        for job in self._jobs.values():
            self.stop(job)
        worker = self._worker
        if worker is not None:
            worker.join(timeout=STOPS_WITHIN_S)

    def _next(self) -> Iterator[None] | None:
        """The steps of the job that is next; none when nothing waits."""
        while self._queue:
            job, work = self._queue.popleft()
            if not job.stop.is_set():
                job.state = "running"
                return job.steps(work)
        return None

    def _work(self) -> None:
        while True:
            with self._lock:
                steps = self._next()
                if steps is None:
                    self._worker = None
                    return
            for _ in steps:
                pass
