"""The log as it is read: searched as one types, filtered, newest first, a page at a time."""

from __future__ import annotations

import json
import re
import time
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from sqlite3 import Connection
from typing import Any

from emulsa.core.corrections.film_kinds import WITHOUT_N
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.film.states import State
from emulsa.core.limits import Day, ExposureIndex, SearchText
from emulsa.core.tones.development_number import DevelopmentNumber
from emulsa.store.steps import EVERY, Steps
from emulsa.store.transactions import transaction

COUNTED_TO = 10_000  # beyond it the number of matches is said as "more than"
INDEXED_AT_ONCE = 400  # more are indexed afterwards, in slices
# what the index is made of (migration 3)
INDEXED = (
    "exposure piece scene reading judgement outing film lens pinhole filter recipe run".split()
)
SLICE_S = 0.05  # of writing, before others may
BETWEEN_S = 0.002


@dataclass(frozen=True)
class Sought:
    """What is looked for; empty means everything. Days are ISO dates, both included; ``showed`` is
    a word of a judgement, as it is offered."""

    text: SearchText = ""
    film_id: str = ""
    lens_id: str = ""
    pinhole_id: str = ""
    filter_id: str = ""
    outing_id: str = ""
    state: str = ""
    recipe_id: str = ""
    ei: ExposureIndex | None = None
    showed: str = ""
    n: DevelopmentNumber | None = None
    day_from: Day = ""
    day_to: Day = ""


@dataclass(frozen=True)
class Entry:
    """An exposure as a line of the log; ``place`` is where the next page goes on."""

    place: int
    exposure_id: str
    exposed_at: str
    where: str
    kept_in: str
    state: State
    scene_id: str
    scene_title: str
    outing_title: str
    film_name: str
    lens_name: str
    filter_names: str
    aperture: str | float
    seconds: float
    mark: str
    n: float
    film_kind: FilmKindName | None
    error_stops: float
    share: float
    bracket_id: str | None
    bracket_stops: float
    cost: float | None
    note: str
    picture_id: str | None
    printed: bool


@dataclass(frozen=True)
class Counted:
    """So many exposures of one film planned for one N."""

    n: float
    film_name: str
    count: int


@dataclass(frozen=True)
class Month:
    """So many exposures of a month, ``2026-11``."""

    month: str
    count: int


# What a line shows is looked up for the rows of one page only.
LINES = """
    SELECT
        found.place, exposure.id AS exposure_id, exposure.exposed_at, piece.label AS "where",
        piece.kept_in, piece.state, scene.id AS scene_id, scene.title AS scene_title,
        outing.title AS outing_title, film.name AS film_name,
        coalesce(lens.name, pinhole.name, '') AS lens_name,
        coalesce((
            SELECT group_concat(filter.name, ', ') FROM filter
            WHERE filter.id IN (SELECT value FROM json_each(exposure.filter_ids))
        ), '') AS filter_names,
        exposure.aperture, exposure.seconds, exposure.mark, exposure.n, exposure.film_kind,
        exposure.error_stops, exposure.share,
        exposure.bracket_id, exposure.bracket_stops, exposure.cost, exposure.note,
        (
            SELECT attachment.id FROM attachment
            WHERE attachment.exposure_id = exposure.id ORDER BY attachment.rowid LIMIT 1
        ) AS picture_id,
        EXISTS (
            SELECT 1 FROM print JOIN print_try ON print_try.print_id = print.id
            WHERE print.exposure_id = exposure.id
        ) AS printed
    FROM ({found}) AS found
    JOIN exposure ON exposure.id = found.exposure_id
    JOIN piece ON piece.id = exposure.piece_id
    JOIN film ON film.id = piece.film_id
    JOIN scene ON scene.id = exposure.scene_id
    JOIN outing ON outing.id = scene.outing_id
    LEFT JOIN lens ON lens.id = exposure.lens_id
    LEFT JOIN pinhole ON pinhole.id = exposure.pinhole_id
    ORDER BY found.place DESC
"""

# Film that has no N is not one of those planned for N.
HAS_N = f"""log_entry.film_id NOT IN (
    SELECT id FROM film WHERE kind IN ({", ".join(f"'{kind}'" for kind in WITHOUT_N)})
)"""

CONDITIONS = {
    "film_id": "log_entry.film_id = :film_id",
    "lens_id": "log_entry.lens_id = :lens_id",
    "pinhole_id": "log_entry.pinhole_id = :pinhole_id",
    "filter_id": "instr(log_entry.filter_ids, json_quote(:filter_id)) > 0",
    "outing_id": "log_entry.outing_id = :outing_id",
    "state": "log_entry.state = :state",
    "n": f"log_entry.n = :n AND {HAS_N}",
    "day_from": "log_entry.day >= :day_from",
    "day_to": "log_entry.day <= :day_to",
    "recipe_id": """EXISTS (
        SELECT 1 FROM exposure
        JOIN piece ON piece.id = exposure.piece_id LEFT JOIN run ON run.id = piece.run_id
        WHERE exposure.id = log_entry.exposure_id
            AND coalesce(run.recipe_id, exposure.recipe_id) = :recipe_id
    )""",
    "ei": """EXISTS (
        SELECT 1 FROM exposure
        WHERE exposure.id = log_entry.exposure_id AND exposure.exposure_index = :ei
    )""",
    "showed": """EXISTS (
        SELECT 1 FROM exposure JOIN judgement ON judgement.id = exposure.piece_id
        WHERE exposure.id = log_entry.exposure_id AND CASE :showed
            WHEN 'best' THEN judgement.best
            WHEN 'full' THEN judgement.shadow = 'full' AND judgement.highlight = 'full'
            ELSE :showed IN (judgement.shadow, judgement.highlight)
        END
    )""",
}


def page(
    connection: Connection, sought: Sought, before: int | None = None, limit: int = 60
) -> list[Entry]:
    """Matches, newest first, from ``before`` on (not included)."""
    found, values = _found(sought, before)
    rows = connection.execute(
        LINES.format(found=f"{found} LIMIT :limit"), {**values, "limit": limit}
    )
    names = [column[0] for column in rows.description]
    named = (dict(zip(names, row, strict=True)) for row in rows)
    return [_entry(each) for each in named]


def _entry(row: dict[str, Any]) -> Entry:
    read = {"aperture": json.loads(row["aperture"]), "printed": bool(row["printed"])}
    return Entry(**row | read)


def by_n(connection: Connection, sought: Sought) -> list[Counted]:
    """How many of what matches were planned for which N, by film."""
    found, values = _found(sought, None)
    rows = connection.execute(
        f"""
        SELECT counted.n, film.name AS film_name, counted.count
        FROM (
            SELECT log_entry.n, log_entry.film_id, count(*) AS count
            FROM ({found}) AS found JOIN log_entry ON log_entry.place = found.place
            WHERE {HAS_N}
            GROUP BY log_entry.n, log_entry.film_id
        ) AS counted JOIN film ON film.id = counted.film_id
        ORDER BY counted.n, film.name
        """,
        values,
    )
    return [Counted(**dict(row)) for row in rows]


def by_month(connection: Connection, sought: Sought) -> list[Month]:
    """How many of what matches were made in which month, earliest first."""
    found, values = _found(sought, None)
    rows = connection.execute(
        f"""
        SELECT substr(log_entry.day, 1, 7) AS month, count(*) AS count
        FROM ({found}) AS found JOIN log_entry ON log_entry.place = found.place
        GROUP BY month ORDER BY month
        """,
        values,
    )
    return [Month(**dict(row)) for row in rows]


def indices(connection: Connection) -> tuple[float, ...]:
    """Every index something was exposed at, the slowest first."""
    found = connection.execute(
        "SELECT DISTINCT exposure_index FROM exposure"
        " WHERE exposure_index IS NOT NULL ORDER BY exposure_index"
    )
    return tuple(row["exposure_index"] for row in found)


def count(connection: Connection, sought: Sought) -> int:
    """How many match, counted no further than one beyond COUNTED_TO."""
    found, values = _found(sought, None, counted=True)
    row = connection.execute(
        f"SELECT count(*) FROM ({found} LIMIT {COUNTED_TO + 1})", values
    ).fetchone()
    return int(row[0])


@contextmanager
def indexed_afterwards(connection: Connection) -> Iterator[None]:
    """Many exposures at once, inside the caller's transaction: indexed at its end, in the order of
    their time; one by one out of that order, each would cost the index a segment of its own.

    Very many are only named, and indexed by ``catch_up`` while others write between.
    """
    connection.execute("INSERT OR IGNORE INTO log_wait VALUES (1)")
    yield
    connection.execute("DELETE FROM log_wait")
    found = stale(connection)
    if len(found) <= INDEXED_AT_ONCE:
        _index(connection, found)


def stale(connection: Connection) -> list[str]:
    """The exposures the index owes, in the order of their time."""
    found = connection.execute(
        """
        SELECT log_stale.exposure_id FROM log_stale
        LEFT JOIN exposure ON exposure.id = log_stale.exposure_id
        LEFT JOIN log_entry ON log_entry.exposure_id = log_stale.exposure_id
        ORDER BY coalesce(exposure.exposed_at, ''), log_entry.place
        """
    )
    return [row["exposure_id"] for row in found]


def catch_up(connection: Connection) -> Steps[None]:
    """Index what is owed, in slices with room between them for others to write."""
    while owed := stale(connection):
        done = 0
        while done < len(owed):
            until = time.monotonic() + SLICE_S
            with transaction(connection):
                while done < len(owed) and time.monotonic() < until:
                    _index(connection, owed[done : done + EVERY])
                    done += EVERY
            yield min(done, len(owed)), len(owed)
            time.sleep(BETWEEN_S)


def _index(connection: Connection, owed: list[str]) -> None:
    """Named anew, each is indexed by its trigger; what somebody else indexed meanwhile is not."""
    for exposure_id in owed:
        named = {"id": exposure_id}
        if connection.execute("DELETE FROM log_stale WHERE exposure_id = :id", named).rowcount:
            connection.execute("INSERT INTO log_stale VALUES (:id)", named)


def match_text(text: str) -> str:
    """Typed words as a search for their beginnings; accents and case are the index's business.

    >>> match_text('Slate, fro"')
    '"Slate"* "fro"*'
    """
    return " ".join(f'"{word}"*' for word in re.findall(r"\w+", text))


def _found(sought: Sought, before: int | None, counted: bool = False) -> tuple[str, dict[str, Any]]:
    """The query of the places that match, newest first, and its values; counted, in any order."""
    values: dict[str, Any] = {}
    conditions = []
    for name, condition in CONDITIONS.items():
        value = getattr(sought, name)
        if value not in ("", None):
            conditions.append(condition)
            values[name] = value
    words = match_text(sought.text)
    place = "log_text.rowid" if words else "log_entry.place"
    if before is not None:
        conditions.append(f"{place} < :before")
        values["before"] = before
    narrowed, source = bool(conditions), "log_entry"
    if words:
        source = "log_text CROSS JOIN log_entry ON log_entry.place = log_text.rowid"
        conditions.insert(0, "log_text.words MATCH :words")
        values["words"] = words
    where = f"WHERE {' AND '.join(conditions)}" if conditions else ""
    if counted:
        return f"SELECT 1 FROM {source if narrowed or not words else 'log_text'} {where}", values
    return (
        f"SELECT log_entry.place, log_entry.exposure_id FROM {source} {where}"
        f" ORDER BY {place} DESC",
        values,
    )
