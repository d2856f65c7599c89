"""Work that takes longer than a request: in a thread, with progress, stopped when asked."""

from __future__ import annotations

import logging
import threading
from collections.abc import Callable
from dataclasses import dataclass, field
from typing import Any, Literal

from emulsa.core.errors import CoreError, Impossible

log = logging.getLogger("emulsa")

KEPT_AT_MOST = 20  # finished jobs remembered, so that a page that was away still finds its own


class Cancelled(Exception):
    """The photographer stopped it; nothing of it is kept."""


@dataclass
class Job:
    """A piece of work: how far it is, and what came of it."""

    id: str
    kind: str
    state: Literal["running", "done", "failed", "cancelled"] = "running"
    done: int = 0
    total: int = 0
    message: str = ""
    result: Any = None
    stop: threading.Event = field(default_factory=threading.Event)

    def progress(self, done: int, total: int) -> None:
        """Say how far it is; raises Cancelled when it was stopped meanwhile."""
        self.done, self.total = done, total
        if self.stop.is_set():
            raise Cancelled


class Jobs:
    """The jobs of one service. One that writes runs alone: two imports never mix."""

    def __init__(self) -> None:
        self._jobs: dict[str, Job] = {}
        self._lock = threading.Lock()

    def begin(self, id_: str, kind: str, work: Callable[[Job], Any]) -> Job:
        """Start work in a thread of its own, once by its id; Impossible while another of its kind
        runs. One that failed or was stopped may be begun again under its id."""
        with self._lock:
            known = self._jobs.get(id_)
            if known is not None and known.state in ("running", "done"):
                return known
            if any(each.kind == kind and each.state == "running" for each in self._jobs.values()):
                raise Impossible("The same work is under way already; wait for it, or stop it.")
            job = Job(id_, kind)
            self._jobs[job.id] = job
            finished = [each for each in self._jobs.values() if each.state != "running"]
            for old in finished[: max(0, len(finished) - KEPT_AT_MOST)]:
                del self._jobs[old.id]
        threading.Thread(target=_run, args=(job, work), name=f"emulsa-{kind}", daemon=True).start()
        return job

    def find(self, id_: str) -> Job | None:
        return self._jobs.get(id_)

    def stop_all(self) -> None:
        for job in self._jobs.values():
            job.stop.set()


def _run(job: Job, work: Callable[[Job], Any]) -> None:
    try:
        job.result = work(job)
        job.state = "done"
    except Cancelled:
        job.state, job.message = "cancelled", "Stopped; nothing was changed."
    except CoreError as problem:
        job.state, job.message = "failed", problem.message
    except Exception as problem:  # noqa: BLE001 - whatever it was, the page must not wait for ever
        log.error("%s in the work %s", type(problem).__name__, job.kind)
        job.state = "failed"
        job.message = "This failed for a reason nobody foresaw; nothing was changed."
