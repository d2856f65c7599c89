"""Exposures as CSV, row by row as they are read from the store: however many, memory stays flat."""

from __future__ import annotations

import csv
import io
import json
from collections.abc import Iterator

from emulsa.exchange.csv_cells import safe
from emulsa.exchange.logbook.columns import NAMES
from emulsa.exchange.logbook.rows import aperture_cell
from emulsa.store import whole
from emulsa.store.database import Connection

ROWS_AT_ONCE = 500


def lines(connection: Connection) -> Iterator[str]:
    """The file in pieces: its header, then the rows, oldest first."""
    text = io.StringIO()
    writer = csv.writer(text, lineterminator="\r\n")
    writer.writerow(NAMES)
    for number, row in enumerate(whole.exposure_rows(connection), start=1):
        row["aperture"] = aperture_cell(json.loads(row["aperture"]))
        writer.writerow([safe(_cell(row[name])) for name in NAMES])
        if number % ROWS_AT_ONCE == 0:
            yield _taken(text)
    yield _taken(text)


def _taken(text: io.StringIO) -> str:
    held = text.getvalue()
    text.seek(0)
    text.truncate()
    return held


def _cell(value: object) -> str:
    if value is None:
        return ""
    return repr(value) if isinstance(value, float) else str(value)
