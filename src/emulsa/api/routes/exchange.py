"""In and out: the log as CSV, everything as an archive, places as GeoJSON; long work as jobs."""

from __future__ import annotations

import hashlib
import json
from collections.abc import Callable, Iterator
from contextlib import closing
from dataclasses import asdict, dataclass, field
from pathlib import Path
from typing import Any, Literal

from emulsa.api.acting import act_done, long_act
from emulsa.api.jobs import Job
from emulsa.api.lookup import needed
from emulsa.api.refusals import NotFound
from emulsa.api.replies import CSV, GEOJSON, ZIP, disposition
from emulsa.api.routing import Db, File, House, Routes, now
from emulsa.core.limits import Id
from emulsa.exchange import places
from emulsa.exchange.logbook import archive, columns, csv_in, csv_out
from emulsa.store import outings
from emulsa.store.acts import Act as Doing

routes = Routes("exchange", "/api/exchange")


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
class ReadingIn:
    """A handed-in CSV and which of its columns is which; ``write`` brings it in."""

    id: Id
    mapping: dict[str, Any] = field(default_factory=dict)
    write: bool = False


@routes.question("/exposures.csv", media_type=CSV)
def exposures_csv(house: House) -> File:
    """The whole log for a spreadsheet, streamed."""

    def text() -> Iterator[bytes]:
        yield "\ufeff".encode()
        with closing(house.connect()) as connection:
            for part in csv_out.lines(connection):
                yield part.encode()

    headers = {"content-disposition": disposition(f"emulsa-exposures-{now()[:10]}.csv")}
    return File(CSV, stream=text(), headers=headers)


@routes.question("/places.geojson", media_type=GEOJSON)
def places_geojson(db: Db) -> File:
    """Outings that have coordinates, as points."""
    headers = {"content-disposition": disposition(f"emulsa-places-{now()[:10]}.geojson")}
    content = json.dumps(places.feature_collection(outings.outings(db)), ensure_ascii=False)
    return File(GEOJSON, content.encode(), headers=headers)


@routes.work("POST", "/csv", upload=True)
def hand_in_csv(house: House, file: Path, act_id: str) -> CsvFile:
    """Hand a CSV in: it is kept until it is brought in, and nothing is written yet."""
    names, sample = csv_in.header(file)
    file.replace(_file(house, act_id, "csv"))
    return CsvFile(
        act_id,
        names,
        sample,
        columns.guess(names),
        [
            ColumnView(each.name, each.means, each.name in columns.NEEDED)
            for each in columns.COLUMNS
        ],
    )


@routes.work("POST", "/csv/read")
def read_csv(house: House, reading: ReadingIn, act_id: str, moment: str) -> JobView:
    """Try a handed-in CSV, or bring it in: all rows or none, one undoable act."""
    act = Doing(act_id, moment, "exchange.read_csv", {"id": reading.id, **reading.mapping})
    done = act_done(house, act) if reading.write else None
    if done is not None:
        return _finished(act_id, "csv", done)
    path = _file(house, reading.id, "csv")
    if not path.exists():
        raise NotFound("This file is not here any more; choose it again.", field="id")
    mapping = {ours: theirs for ours, theirs in reading.mapping.items() if isinstance(theirs, str)}

    def work(job: Job) -> dict[str, Any]:
        if not reading.write:
            with closing(house.connect_to_write_much()) as connection:
                return asdict(csv_in.check(connection, path, mapping, job.progress))
        with long_act(house, act, "import exposures") as doing:
            doing.result = asdict(csv_in.bring_in(doing.db, path, mapping, job.progress))
        path.unlink(missing_ok=True)
        return doing.result

    return _begun(house, act_id, "csv", work)


@routes.work("POST", "/archive")
def write_archive(house: House, act_id: str) -> JobView:
    """Write everything into one file; fetch it when the job is done."""
    house.exchange.mkdir(parents=True, exist_ok=True)

    def work(job: Job) -> dict[str, Any]:
        target = _file(house, job.id, "zip")
        try:
            with closing(house.connect()) as connection:
                archive.write(connection, house.attachments, target, job.progress)
        except BaseException:
            target.unlink(missing_ok=True)
            raise
        return {"bytes": target.stat().st_size}

    return _begun(house, act_id, "archive", work)


@routes.question("/archive/{id}.zip", media_type=ZIP)
def fetch_archive(house: House, id: str) -> File:  # noqa: A002
    """The file a finished job wrote."""
    path = _file(house, id, "zip")
    job = house.jobs.find(id)
    if (job is not None and job.state != "done") or not path.exists():
        raise NotFound("This archive is not there; write it again.", field="id")
    headers = {"content-disposition": disposition(f"emulsa-archive-{now()[:10]}.zip")}
    return File(ZIP, path=path, headers=headers)


@routes.work("POST", "/archive/merge", upload=True)
def merge_archive(house: House, file: Path, act_id: str, moment: str) -> JobView:
    """Bring an archive in: what is not here is added, what is here stays as it is."""
    act = Doing(act_id, moment, "exchange.merge_archive", {"bytes": file.stat().st_size})
    done = act_done(house, act)
    if done is not None:
        return _finished(act_id, "merge", done)
    if house.jobs.find(act_id) is not None:
        return _view(needed(house.jobs.find(act_id), ""))
    kept = _file(house, f"{act_id}-merge", "zip")
    file.replace(kept)

    def work(job: Job) -> dict[str, Any]:
        try:
            with long_act(house, act, "import an archive") as doing:
                merged = archive.merge(doing.db, house.attachments, kept, job.progress)
                doing.result = asdict(merged)
            return doing.result
        finally:
            kept.unlink(missing_ok=True)

    return _begun(house, act_id, "merge", work)


@routes.question("/jobs/{id}")
def job(house: House, db: Db, id: str) -> JobView:  # noqa: A002
    """How far a job is; one that was finished before a restart is still known by what it did."""
    running = house.jobs.find(id)
    if running is not None:
        return _view(running)
    done = act_done(house, Doing(id, "", "", {}), db)
    return _finished(id, "", needed(done, "This job is gone."))


@routes.work("DELETE", "/jobs/{id}")
def stop(house: House, id: str) -> JobView:  # noqa: A002
    """Stop a job; what it began is taken back."""
    found = needed(house.jobs.find(id), "This job is gone.")
    found.stop.set()
    return _view(found)


def _begun(house: House, id_: str, kind: str, work: Callable[[Job], dict[str, Any]]) -> JobView:
    return _view(house.jobs.begin(id_, kind, work))


def _view(job: Job) -> JobView:
    return JobView(job.id, job.kind, job.state, job.done, job.total, job.message, job.result)


def _finished(id_: str, kind: str, result: dict[str, Any]) -> JobView:
    return JobView(id_, kind, "done", 1, 1, "", result)


def _file(house: House, id_: str, ending: str) -> Path:
    """Where a file of this id lies; no id becomes a path as it was given."""
    return house.exchange / f"{hashlib.sha256(id_.encode()).hexdigest()[:32]}.{ending}"
