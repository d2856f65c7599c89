"""Exposures as CSV, row by row as they are read from the store: however many, memory stays flat."""

from __future__ import annotations

import json
from collections.abc import Iterable, Iterator

from emulsa.exchange.csv_table import csv_lines
from emulsa.exchange.logbook.columns import NAMES
from emulsa.exchange.logbook.rows import aperture_cell
from emulsa.store import whole
from emulsa.store.database import Connection


def lines(connection: Connection) -> Iterator[str]:
    """The file in pieces: its header, then the rows, oldest first."""
    return csv_lines(_rows(connection))


def _rows(connection: Connection) -> Iterator[Iterable[object]]:
    yield NAMES
    for row in whole.exposure_rows(connection):
        row["aperture"] = aperture_cell(json.loads(row["aperture"]))
        yield [row[name] for name in NAMES]
