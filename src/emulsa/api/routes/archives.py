"""Everything in one file: written out, and brought in; both as long work."""

from __future__ import annotations

from contextlib import closing
from dataclasses import asdict, dataclass, field
from pathlib import Path
from typing import Any

from emulsa.api.acting import act_done, long_act
from emulsa.api.jobs import Job
from emulsa.api.limits import MEGABYTE
from emulsa.api.refusals import NotFound
from emulsa.api.replies import ZIP, disposition
from emulsa.api.routing import File, House, Routes, now
from emulsa.api.views.jobs import JobView, exchange_file, finished, job_view
from emulsa.core.limits import Id
from emulsa.exchange.logbook import archive
from emulsa.store import log, staging
from emulsa.store.acts import Act as Doing
from emulsa.store.folder import arrived, latest_only, part_of
from emulsa.store.joining import Choice, Undecided, clashes
from emulsa.store.steps import Steps
from emulsa.store.transactions import snapshot

LARGEST_ARCHIVE = 8_192 * MEGABYTE

routes = Routes("archives", "/api/exchange/archive", "exchange")


ARCHIVES_KEPT = 5  # that were written or handed in, the latest


@dataclass(frozen=True, kw_only=True)
class TwoStories:
    """An archive that was handed in, and which story each piece of film keeps that has two."""

    id: Id
    decided: dict[Id, Choice] = field(default_factory=dict)


@routes.work("POST", "")
def write(house: House, act_id: str) -> JobView:
    """Write everything into one file; fetch it when the job is done."""

    def work(job: Job) -> Steps[dict[str, Any]]:
        house.exchange.mkdir(parents=True, exist_ok=True)
        target = exchange_file(house, job.id, "zip")
        part = part_of(target)
        try:
            with closing(house.connect()) as connection:
                lost = yield from archive.write(connection, house.attachments, part)
            arrived(part, target)
            latest_only(house.exchange, "*.zip", ARCHIVES_KEPT)
        finally:
            part.unlink(missing_ok=True)
        return {"bytes": target.stat().st_size, "lost": lost}

    return job_view(house.jobs.begin(act_id, "archive", work))


@routes.question("/{id}.zip", media_type=ZIP)
def fetch(house: House, id: str) -> File:  # noqa: A002
    """The file a finished job wrote, also by an earlier run of the service."""
    path = exchange_file(house, id, "zip")
    if not path.exists():
        raise NotFound("This archive is not there; write it again.", field="id")
    headers = {"content-disposition": disposition(f"emulsa-archive-{now()[:10]}.zip")}
    return File(ZIP, path=path, headers=headers)


@routes.work("POST", "/merge", upload=True, largest=LARGEST_ARCHIVE)
def merge(house: House, file: Path, act_id: str, moment: str) -> JobView:
    """Bring an archive in: what is not here is added, what is here stays as it is. Where film went
    two ways nothing is done yet, and both stories are told."""
    act = Doing(act_id, moment, "exchange.merge_archive", {"bytes": file.stat().st_size})
    done = act_done(house, act)
    if done is not None:
        return finished(act_id, "merge", done)
    known = house.jobs.find(act_id)
    if known is not None and known.under_way:
        return job_view(known)
    file.replace(_handed_in(house, act_id))
    return _merging(house, act, act_id, {})


@routes.work("POST", "/decide")
def decide(house: House, deciding: TwoStories, act_id: str, moment: str) -> JobView:
    """Bring in an archive that asked, with what was decided."""
    act = Doing(act_id, moment, "exchange.merge_archive", {"decided": dict(deciding.decided)})
    done = act_done(house, act)
    if done is not None:
        return finished(act_id, "merge", done)
    if not _handed_in(house, deciding.id).exists():
        raise NotFound("This archive is not here any more; choose it again.", field="id")
    return _merging(house, act, deciding.id, deciding.decided)


def _merging(house: House, act: Doing, file_id: str, decided: dict[str, Choice]) -> JobView:
    source = _handed_in(house, file_id)

    def work(job: Job) -> Steps[dict[str, Any]]:
        with staging.gathering(house.exchange) as (path, stage):
            merged = yield from archive.gather(stage, house.attachments, source)
            staging.filled(stage)
            two_ways = _two_ways(house, path, decided)
            if two_ways:
                job.asks = True
                return {"file": file_id, "clashes": two_ways}
            try:
                with long_act(house, act, "import an archive", path) as doing:
                    archive.merge(doing.db, merged, decided)
                    doing.result = asdict(merged)
            except Undecided as problem:
                job.asks = True
                return {"file": file_id, "clashes": [asdict(each) for each in problem.clashes]}
        job.settled = True
        with closing(house.connect()) as connection:
            yield from log.catch_up(connection)
        source.unlink(missing_ok=True)
        return doing.result

    return job_view(house.jobs.begin(act.id, "merge", work))


def _two_ways(house: House, path: Path, decided: dict[str, Choice]) -> list[dict[str, Any]]:
    """The film that went two ways, looked for while others may still write."""
    with (
        closing(house.connect()) as connection,
        staging.beside(connection, path),
        snapshot(connection),
    ):
        return [asdict(each) for each in clashes(connection, decided)]


def _handed_in(house: House, id_: str) -> Path:
    return exchange_file(house, f"{id_}-merge", "zip")
