"""In and out: the log as CSV, places as GeoJSON; long work as jobs."""

from __future__ import annotations

import json
from collections.abc import Iterator
from contextlib import closing
from dataclasses import asdict, dataclass, field
from pathlib import Path
from typing import Any

from emulsa.api.acting import act_done, long_act
from emulsa.api.jobs import Job
from emulsa.api.limits import MEGABYTE
from emulsa.api.lookup import needed
from emulsa.api.refusals import NotFound
from emulsa.api.replies import CSV, GEOJSON, attached, disposition
from emulsa.api.routing import Db, File, House, Routes, now
from emulsa.api.views.jobs import JobView, exchange_file, finished, job_view
from emulsa.core.limits import Id
from emulsa.exchange import places
from emulsa.exchange.logbook import columns, csv_in, csv_out, unknown_csv
from emulsa.store import log, outings, staging
from emulsa.store.acts import Act as Doing
from emulsa.store.steps import Steps

LARGEST_CSV = 64 * MEGABYTE

routes = Routes("exchange", "/api/exchange")


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
    """A handed-in CSV and which of its columns is which; ``write`` brings it in, ``partly`` its
    good rows although others are refused: those come back as a file."""

    id: Id
    mapping: dict[str, Any] = field(default_factory=dict)
    write: bool = False
    partly: bool = False


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


@routes.work("POST", "/csv", upload=True, largest=LARGEST_CSV)
def hand_in_csv(house: House, file: Path, act_id: str) -> CsvFile:
    """Hand a CSV in: it is kept until it is brought in, and nothing is written yet."""
    names, sample = unknown_csv.header(file)
    file.replace(exchange_file(house, act_id, "csv"))
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
    """Try a handed-in CSV, or bring it in: all rows or none, or those that are good; one undoable
    act."""
    act = Doing(act_id, moment, "exchange.read_csv", {"id": reading.id, **reading.mapping})
    done = act_done(house, act) if reading.write else None
    if done is not None:
        return finished(act_id, "csv", done)
    path = exchange_file(house, reading.id, "csv")
    if not path.exists():
        raise NotFound("This file is not here any more; choose it again.", field="id")
    mapping = {ours: theirs for ours, theirs in reading.mapping.items() if isinstance(theirs, str)}

    def work(job: Job) -> Steps[dict[str, Any]]:
        if not reading.write:
            with closing(house.connect()) as connection:
                return asdict((yield from csv_in.check(connection, path, mapping)))
        with staging.gathering(house.exchange) as (beside, stage):
            with closing(house.connect()) as connection:
                bad = exchange_file(house, act_id, "bad.csv") if reading.partly else None
                report = yield from csv_in.gather(connection, stage, path, mapping, bad)
            staging.filled(stage)
            with long_act(house, act, "import exposures", beside) as doing:
                staging.forget_known(doing.db)
                staging.take_in(doing.db)
                doing.result = asdict(report)
        job.settled = True
        with closing(house.connect()) as connection:
            yield from log.catch_up(connection)
        path.unlink(missing_ok=True)
        return doing.result

    return job_view(house.jobs.begin(act_id, "csv", work))


@routes.question("/csv/{id}/refused.csv", media_type=CSV)
def refused_csv(house: House, id: str) -> File:  # noqa: A002
    """The rows that were not brought in, with what is wrong with each, to be mended."""
    path = exchange_file(house, id, "bad.csv")
    if not path.exists():
        raise NotFound("No row of this file was refused, or it is not here any more.", field="id")
    return attached(path.read_bytes(), CSV, "refused-rows", "csv", "attachment")


@routes.question("/jobs")
def jobs(house: House) -> list[JobView]:
    """The work of this run of the service, the latest first."""
    return [job_view(each) for each in house.jobs.all()]


@routes.question("/jobs/{id}")
def job(house: House, db: Db, id: str) -> JobView:  # noqa: A002
    """How far a job is; one that was finished before a restart is still known by what it did."""
    running = house.jobs.find(id)
    if running is not None:
        return job_view(running)
    written = exchange_file(house, id, "zip")
    if written.exists():
        return finished(id, "archive", {"bytes": written.stat().st_size, "lost": []})
    done = act_done(house, Doing(id, "", "", {}), db)
    return finished(id, "", needed(done, "This job is gone."))


@routes.work("DELETE", "/jobs/{id}")
def stop(house: House, id: str) -> JobView:  # noqa: A002
    """Stop a job; what it began is taken back."""
    found = needed(house.jobs.find(id), "This job is gone.")
    house.jobs.stop(found)
    return job_view(found)
