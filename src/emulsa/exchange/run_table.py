"""Every run as CSV, a line each, for a spreadsheet."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

from emulsa.core.darkroom.run import Went
from emulsa.exchange.csv_table import csv_file

COLUMNS = (
    "id",
    "name",
    "begun_at",
    "developed_at",
    "film",
    "recipe",
    "n",
    "minutes",
    "temperature_c",
    "tank",
    "line",
    "laboratory",
    "pieces",
    "went_s",
    "measured_c",
    "note",
)


def csv_runs(lines: Iterable[dict[str, Any]]) -> bytes:
    """UTF-8; ``went_s``: each bath and its true seconds, ``measured_c``: minutes and degrees."""
    rows = ({**line, **_went(line["went"])} for line in lines)
    return csv_file([COLUMNS, *([row[name] for name in COLUMNS] for row in rows)])


def _went(went: Went | None) -> dict[str, str]:
    if went is None:
        return {"went_s": "", "measured_c": ""}
    return {
        "went_s": "; ".join(f"{each.name} {each.seconds:g}" for each in went.steps),
        "measured_c": "; ".join(
            f"{each.minute:g} {each.temperature_c:g}" for each in went.measured
        ),
    }
