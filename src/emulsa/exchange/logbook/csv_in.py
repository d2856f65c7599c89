"""Exposures from a CSV: a dry run that names every refusal, then all of the rows or none, or the
good ones while the bad come back as a file to mend."""

from __future__ import annotations

import re
from collections import Counter
from dataclasses import dataclass, field, replace
from pathlib import Path

from emulsa.core.errors import CoreError, Missing, Unreadable
from emulsa.core.film.pieces import Piece
from emulsa.core.kit.films import Film
from emulsa.core.logged.record import Exposure, Taken
from emulsa.core.outing.record import Outing
from emulsa.core.scene.record import Scene
from emulsa.exchange.csv_table import csv_file
from emulsa.exchange.logbook import rows
from emulsa.exchange.logbook.columns import NAMES, NEEDED
from emulsa.exchange.logbook.rows import Row, RowRefused
from emulsa.exchange.logbook.unknown_csv import count_rows, opened
from emulsa.store import kit, records, scenes, whole
from emulsa.store.database import Connection
from emulsa.store.steps import EVERY, Steps

REFUSALS_SHOWN = 200
NAMED = ("films", "lenses", "pinholes", "filters")  # what a row names of the kit


@dataclass(frozen=True)
class Refused:
    """Why a row cannot be brought in: its line in the file, the column, the sentence."""

    line: int
    column: str
    message: str


@dataclass
class Report:
    """What a file holds, or what was brought in from it."""

    rows: int = 0
    new: int = 0
    known: int = 0
    refused: int = 0
    new_films: list[str] = field(default_factory=list)
    refusals: list[Refused] = field(default_factory=list)

    def refuse(self, line: int, problems: list[CoreError]) -> None:
        self.refused += 1
        for problem in problems:
            if len(self.refusals) < REFUSALS_SHOWN:
                self.refusals.append(Refused(line, problem.field or "", problem.message))


IN_SECONDS = re.compile(r"(?:^|[^a-z])(?:s|secs?|seconds?)(?:$|[^a-z])", re.I)
MADE_OF = {
    "piece": "{id}-film",
    "film": "film-{id}",
    "scene": "scene-{id}",
    "outing": "outing-{id}",
}


class FreeIds:
    """Ids for what is made beside a row's exposure: after the row's own, and nobody else's."""

    def __init__(self, connection: Connection) -> None:
        self._taken = {table: whole.ids(connection, table) for table in MADE_OF}

    def of(self, table: str, row_id: str) -> str:
        """An id no record of the table has, so that none is written over."""
        wanted = MADE_OF[table].format(id=row_id)
        while wanted in self._taken[table]:
            wanted += "+"
        self._taken[table].add(wanted)
        return wanted


class Names:
    """The kit by its names, as a CSV names it, and what the file itself adds."""

    def __init__(self, connection: Connection, free: FreeIds) -> None:
        self._free = free
        self.films, self.lenses, self.pinholes, self.filters = (
            {each.name.casefold(): each.id for each in owned}
            for owned in map(kit.everything(connection).__getitem__, NAMED)
        )

    def film(self, row: Row) -> Film | None:
        """A film to add, for a name the kit does not know; Missing when its EI is not given."""
        if row.film.casefold() in self.films:
            return None
        if row.ei is None:
            raise Missing(
                f"“{row.film}” is no film in the kit; add it there, or give the file a column ei.",
                field="film",
            )
        film = Film(id=self._free.of("film", row.id), name=row.film, exposure_index=row.ei)
        self.films[row.film.casefold()] = film.id
        return film

    def taken(self, row: Row) -> Taken:
        """Lens, pinhole and filters by name; Missing for one the kit does not know."""
        if row.lens and row.pinhole:
            raise Unreadable("A lens and a pinhole at once.", field="pinhole")
        return Taken(
            lens_id=_known(self.lenses, row.lens, "lens"),
            pinhole_id=_known(self.pinholes, row.pinhole, "pinhole"),
            filter_ids=tuple(
                found
                for found in (_known(self.filters, each, "filters") for each in row.filters)
                if found
            ),
            exposure_index=row.ei,
            rating_reason=row.rating_reason,
            cost=row.cost,
        )


def check(connection: Connection, path: Path, mapping: dict[str, str]) -> Steps[Report]:
    """What bringing the file in would do, row by row; nothing is written."""
    return _through(connection, path, mapping, None)


def gather(
    connection: Connection,
    stage: Connection,
    path: Path,
    mapping: dict[str, str],
    bad: Path | None = None,
) -> Steps[Report]:
    """Gather all rows on a stage; Unreadable for a single one that is refused. With a file for
    ``bad`` rows those go there with what is wrong with each, to be mended, and the others go in.

    ``connection`` is only read. Rows whose exposure is there already are passed over.
    """
    return _through(connection, path, mapping, stage, bad)


def _through(
    connection: Connection,
    path: Path,
    mapping: dict[str, str],
    stage: Connection | None,
    bad: Path | None = None,
) -> Steps[Report]:
    _sensible(mapping)
    free = FreeIds(connection)
    report, names = Report(), Names(connection, free)
    known = whole.ids(connection, "exposure")
    alike: Counter[str] = Counter()
    made = _Made(connection, stage, free) if stage is not None else None
    total = count_rows(path)
    with opened(path) as (columns, lines), _Bad(bad) as refused:
        refused.header(columns)
        place = _places(columns, mapping)
        for number, cells in enumerate(lines, start=2):
            report.rows += 1
            if report.rows % EVERY == 0:
                yield report.rows, total
            try:
                row = rows.read(
                    {name: _cell(cells, at) for name, at in place.items()},
                    in_seconds=bool(IN_SECONDS.search(mapping["time_s"])),
                )
                film, taken = names.film(row), names.taken(row)
            except (CoreError, RowRefused) as problem:
                problems = problem.problems if isinstance(problem, RowRefused) else [problem]
                report.refuse(number, problems)
                refused.row(cells, problems)
                continue
            if film is not None:
                report.new_films.append(film.name)
            times = alike[row.id]
            alike[row.id] += 1
            row = rows.again(row, times)
            if row.id in known:
                report.known += 1
                continue
            known.add(row.id)
            report.new += 1
            if made is not None:
                made.row(row, film, names.films[row.film.casefold()], taken)
    yield report.rows, total
    if stage is not None and bad is None and report.refused:
        first = report.refusals[0]
        raise Unreadable(
            f"Line {first.line}, {first.column}: {first.message} Nothing was brought in"
            f" ({report.refused} of {report.rows} rows are refused).",
            field=first.column,
        )
    return report


class _Bad:
    """The rows that were refused as a file of their own: its columns, and what is wrong."""

    def __init__(self, path: Path | None) -> None:
        self._path = path
        self._rows: list[list[str]] = []

    def __enter__(self) -> _Bad:
        return self

    def header(self, columns: list[str]) -> None:
        self._rows.append([*columns, "what is wrong"])

    def row(self, cells: list[str], problems: list[CoreError]) -> None:
        if self._path is None:
            return
        width = len(self._rows[0]) - 1
        said = " ".join(f"{each.field}: {each.message}" for each in problems)
        self._rows.append([*cells[:width], *[""] * (width - len(cells)), said])

    def __exit__(self, *_: object) -> None:
        if self._path is not None and len(self._rows) > 1:
            self._path.write_bytes(csv_file(self._rows))


class _Made:
    """Writes rows, making the outings and scenes they name once each."""

    def __init__(self, connection: Connection, stage: Connection, free: FreeIds) -> None:
        self._connection = stage
        self._free = free
        self._outings = whole.outing_keys(connection)
        self._scenes = whole.scene_keys(connection)

    def row(self, row: Row, film: Film | None, film_id: str, taken: Taken) -> None:
        if film is not None:
            records.keep(self._connection, film)
        exposure = Exposure(
            id=row.id,
            scene_id=self._scene(row, film_id, taken),
            piece_id=self._free.of("piece", row.id),
            exposed_at=row.exposed_at,
            aperture=row.aperture,
            seconds=row.seconds,
            error_stops=row.error_stops,
            n=row.n,
            development_change=row.development_change,
            recipe_id=None,
            request={},
            answer={},
            core_version="",
            note=row.note,
            share=row.share,
            share_of=row.share_of,
            bracket_id=row.bracket or None,
            bracket_stops=row.bracket_stops,
            taken=taken,
        )
        piece = Piece(
            id=exposure.piece_id,
            film_id=film_id,
            label=row.where,
            state=row.state,
            loaded_at=row.exposed_at,
            in_place=False,
        )
        records.keep(self._connection, piece)
        records.keep(self._connection, exposure)

    def _outing(self, row: Row) -> str:
        key = (row.outing, row.exposed_at[:10])
        if key not in self._outings:
            id_ = self._free.of("outing", row.id)
            records.keep(
                self._connection,
                Outing(id=id_, title=row.outing, day=row.exposed_at[:10], place=row.place),
            )
            self._outings[key] = id_
        return self._outings[key]

    def _scene(self, row: Row, film_id: str, taken: Taken) -> str:
        outing = self._outing(row)
        key = (outing, row.scene)
        if key not in self._scenes:
            scene = Scene(
                id=self._free.of("scene", row.id),
                outing_id=outing,
                title=row.scene,
                film_id=film_id,
            )
            scenes.put(
                self._connection,
                replace(scene, lens_id=taken.lens_id, pinhole_id=taken.pinhole_id),
            )
            self._scenes[key] = scene.id
        return self._scenes[key]


def _sensible(mapping: dict[str, str]) -> None:
    unknown = [name for name in mapping if name not in NAMES]
    if unknown:
        raise Unreadable(f"There is no column {unknown[0]} here.", field="mapping")
    lacking = [name for name in NEEDED if not mapping.get(name)]
    if lacking:
        raise Missing(
            f"Say which column of the file is {lacking[0]}.", field="mapping", allowed=list(NEEDED)
        )


def _places(columns: list[str], mapping: dict[str, str]) -> dict[str, int]:
    chosen = {ours: theirs for ours, theirs in mapping.items() if theirs}
    for theirs in chosen.values():
        if theirs not in columns:
            raise Missing(f"The file has no column “{theirs}”.", field="mapping")
    return {ours: columns.index(theirs) for ours, theirs in chosen.items()}


def _cell(cells: list[str], place: int) -> str:
    return cells[place] if place < len(cells) else ""


def _known(names: dict[str, str], name: str, what: str) -> str | None:
    if not name:
        return None
    found = names.get(name.casefold())
    if found is None:
        raise Missing(
            f"“{name}” is not in the kit; add it there, or leave this column out.", field=what
        )
    return found
