"""Exposures as CSV, row by row as they are read from the store: however many, memory stays flat."""

from __future__ import annotations

import json
from collections.abc import Iterable, Iterator
from typing import Any

from emulsa.core.film.judgement import HIGHLIGHT_WORDS, SHADOW_WORDS
from emulsa.core.written import doubt_text
from emulsa.exchange.csv_table import csv_lines
from emulsa.exchange.logbook.columns import ALSO_WRITTEN, NAMES
from emulsa.exchange.logbook.rows import aperture_cell
from emulsa.store import whole
from emulsa.store.database import Connection


def lines(connection: Connection) -> Iterator[str]:
    """The file in pieces: its header, then the rows, oldest first."""
    return csv_lines(_rows(connection))


def _rows(connection: Connection) -> Iterator[Iterable[object]]:
    names = (*NAMES, *ALSO_WRITTEN)
    yield names
    for row in whole.exposure_rows(connection):
        row["aperture"] = aperture_cell(json.loads(row["aperture"]))
        row["readings"] = _readings(row.pop("kept_readings"), row.pop("kept_falls"))
        row["judgement"] = _judgement(row)
        yield [row[name] for name in names]


def _readings(readings: str | None, falls: str | None) -> str:
    """What was metered, by its name, its EV at ISO 100 and the zone it fell on; what was read off a
    picture with its doubt."""
    told = zip(json.loads(readings or "[]"), json.loads(falls or "[]"), strict=False)
    return "; ".join(
        f"{reading.get('label') or 'reading'} {fall['ev_text']}{_kind(reading)} {fall['zone_text']}"
        for reading, fall in told
    )


def _kind(taken: dict[str, Any]) -> str:
    reading = taken.get("reading", {})
    if reading.get("kind") != "photo":
        return ""
    return f" {doubt_text(reading['sigma_stops'])}".rstrip() + " from the picture"


def _judgement(row: dict[str, Any]) -> str:
    shadow, highlight = row.pop("shadow"), row.pop("highlight")
    words = (shadow and SHADOW_WORDS[shadow], highlight and HIGHLIGHT_WORDS[highlight])
    return ", ".join(each for each in words if each)
