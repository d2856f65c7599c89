"""Long work as the page sees it, and the files it works with."""

from __future__ import annotations

import hashlib
from dataclasses import dataclass
from pathlib import Path
from typing import Any

from emulsa.api.house import House
from emulsa.api.jobs import Job, State


@dataclass(frozen=True)
class JobView:
    """How far a job is, and what came of it."""

    id: str
    kind: str
    state: State
    done: int
    total: int
    message: str
    result: dict[str, Any] | None


def job_view(job: Job) -> JobView:
    return JobView(job.id, job.kind, job.state, job.done, job.total, job.message, job.result)


def finished(id_: str, kind: str, result: dict[str, Any]) -> JobView:
    """Work that was done before, as by an earlier run of the service."""
    return JobView(id_, kind, "done", 1, 1, "", result)


def exchange_file(house: House, id_: str, ending: str) -> Path:
    """Where a file of this id lies; no id becomes a path as it was given."""
    return house.exchange / f"{hashlib.sha256(id_.encode()).hexdigest()[:32]}.{ending}"
