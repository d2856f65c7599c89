"""In and out: the log as CSV, everything as an archive, places as GeoJSON; long work as jobs."""

from __future__ import annotations

import asyncio
from collections.abc import Callable, Iterator
from contextlib import closing
from dataclasses import asdict, dataclass, field
from pathlib import Path
from typing import Any, Literal
from uuid import uuid4

from fastapi import Request, Response
from fastapi.responses import FileResponse, JSONResponse, StreamingResponse

from emulsa.api.answers import Routes
from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.api.errors import NotFound
from emulsa.api.files import CSV, disposition
from emulsa.api.jobs import Job, Jobs
from emulsa.api.uploads import received
from emulsa.core.errors import Missing
from emulsa.core.limits import Id
from emulsa.exchange import places
from emulsa.exchange.logbook import archive, columns, csv_in, csv_out
from emulsa.store import journal, outings
from emulsa.store.database import Connection, connect, connect_to_write_much

router = Routes(prefix="/api/exchange", tags=["exchange"])

ZIP: dict[int | str, dict[str, Any]] = {200: {"content": {"application/zip": {}}}}
GEOJSON: dict[int | str, dict[str, Any]] = {200: {"content": {"application/geo+json": {}}}}
FILE = {
    "requestBody": {
        "required": True,
        "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}},
    }
}


@dataclass(frozen=True)
class JobView:
    """How far a job is, and what came of it."""

    id: str
    kind: str
    state: Literal["running", "done", "failed", "cancelled"]
    done: int
    total: int
    message: str
    result: dict[str, Any] | None


@dataclass(frozen=True)
class ColumnView:
    """A column of the log: its name, what it holds, and whether it is needed."""

    name: str
    means: str
    needed: bool


@dataclass(frozen=True)
class CsvFile:
    """A CSV that was handed in: its columns, its first rows, and what they are taken for."""

    id: str
    columns: list[str]
    sample: list[list[str]]
    mapping: dict[str, str]
    wanted: list[ColumnView]


@dataclass(frozen=True, kw_only=True)
class Reading:
    """A handed-in CSV and which of its columns is which; ``write`` brings it in."""

    id: Id
    mapping: dict[str, Any] = field(default_factory=dict)
    write: bool = False


@router.get("/exposures.csv", response_class=StreamingResponse, responses=CSV)
def exposures_csv(request: Request) -> Response:
    """The whole log for a spreadsheet, streamed."""

    def text() -> Iterator[bytes]:
        yield "\ufeff".encode()
        with closing(_connect(request)) as connection:
            for part in csv_out.lines(connection):
                yield part.encode()

    headers = {"content-disposition": disposition(f"emulsa-exposures-{now()[:10]}.csv")}
    return StreamingResponse(text(), media_type="text/csv; charset=utf-8", headers=headers)


@router.get("/places.geojson", response_class=JSONResponse, responses=GEOJSON)
def places_geojson(db: Db) -> Response:
    """Outings that have coordinates, as points."""
    headers = {"content-disposition": disposition(f"emulsa-places-{now()[:10]}.geojson")}
    return JSONResponse(
        places.feature_collection(outings.outings(db)),
        media_type="application/geo+json",
        headers=headers,
    )


@router.post("/csv", openapi_extra=FILE)
async def hand_in_csv(request: Request) -> CsvFile:
    """Hand a CSV in: it is kept until it is brought in, and nothing is written yet."""
    id_ = uuid4().hex
    async with received(request, _folder(request)) as path:
        names, sample = csv_in.header(path)
        path.replace(_handed_in(request, id_))
    return CsvFile(
        id_,
        names,
        sample,
        columns.guess(names),
        [
            ColumnView(each.name, each.means, each.name in columns.NEEDED)
            for each in columns.COLUMNS
        ],
    )


@router.post("/csv/read", openapi_extra=documented(Reading))
def read_csv(request: Request, reading: Reading = body(Reading)) -> JobView:
    """Try a handed-in CSV, or bring it in: all rows or none, one undoable action."""
    path = _handed_in(request, reading.id)
    if not path.exists():
        raise NotFound("This file is not here any more; choose it again.", field="id")
    mapping = {ours: theirs for ours, theirs in reading.mapping.items() if isinstance(theirs, str)}

    def work(job: Job) -> dict[str, Any]:
        with closing(_connect_to_write(request)) as connection:
            if not reading.write:
                return asdict(csv_in.check(connection, path, mapping, job.progress))
            with journal.action(connection, "exposures brought in", now()):
                report = csv_in.bring_in(connection, path, mapping, job.progress)
            path.unlink(missing_ok=True)
            return asdict(report)

    return _begun(request, "csv", work)


@router.post("/archive")
def write_archive(request: Request) -> JobView:
    """Write everything into one file; fetch it when the job is done."""
    folder = _folder(request)
    folder.mkdir(parents=True, exist_ok=True)

    def work(job: Job) -> dict[str, Any]:
        target = folder / f"{job.id}.zip"
        try:
            with closing(_connect(request)) as connection:
                archive.write(connection, request.app.state.attachments, target, job.progress)
        except BaseException:
            target.unlink(missing_ok=True)
            raise
        return {"bytes": target.stat().st_size}

    return _begun(request, "archive", work)


@router.get("/archive/{id}.zip", response_class=FileResponse, responses=ZIP)
def fetch_archive(id: str, request: Request) -> Response:  # noqa: A002
    """The file a finished job wrote."""
    job = _job(request, id)
    path = _folder(request) / f"{job.id}.zip"
    if job.state != "done" or not path.exists():
        raise NotFound("This archive is not there; write it again.", field="id")
    headers = {"content-disposition": disposition(f"emulsa-archive-{now()[:10]}.zip")}
    return FileResponse(path, media_type="application/zip", headers=headers)


@router.post("/archive/merge", openapi_extra=FILE)
async def merge_archive(request: Request) -> JobView:
    """Bring an archive in: what is not here is added, what is here stays as it is."""
    kept = _folder(request) / f"{uuid4().hex}.zip"
    async with received(request, _folder(request)) as path:
        path.replace(kept)

    def work(job: Job) -> dict[str, Any]:
        try:
            with (
                closing(_connect_to_write(request)) as connection,
                journal.action(connection, "archive brought in", now()),
            ):
                folder = request.app.state.attachments
                return asdict(archive.merge(connection, folder, kept, job.progress))
        finally:
            kept.unlink(missing_ok=True)

    return await asyncio.to_thread(_begun, request, "merge", work)


@router.get("/jobs/{id}")
def job(id: str, request: Request) -> JobView:  # noqa: A002
    """How far a job is."""
    return _view(_job(request, id))


@router.delete("/jobs/{id}")
def stop(id: str, request: Request) -> JobView:  # noqa: A002
    """Stop a job; what it began is taken back."""
    found = _job(request, id)
    found.stop.set()
    return _view(found)


def _begun(request: Request, kind: str, work: Callable[[Job], dict[str, Any]]) -> JobView:
    jobs: Jobs = request.app.state.jobs
    return _view(jobs.begin(kind, work))


def _view(job: Job) -> JobView:
    return JobView(job.id, job.kind, job.state, job.done, job.total, job.message, job.result)


def _job(request: Request, id_: str) -> Job:
    jobs: Jobs = request.app.state.jobs
    found = jobs.find(id_)
    if found is None:
        raise NotFound("There is no such job any more.", field="id")
    return found


def _connect(request: Request) -> Connection:
    path: Path = request.app.state.database
    return connect(path)


def _connect_to_write(request: Request) -> Connection:
    path: Path = request.app.state.database
    return connect_to_write_much(path)


def _folder(request: Request) -> Path:
    folder: Path = request.app.state.exchange
    return folder


def _handed_in(request: Request, id_: str) -> Path:
    if not id_.isalnum():
        raise Missing("Hand the file in first.", field="id")
    return _folder(request) / f"{id_}.csv"
