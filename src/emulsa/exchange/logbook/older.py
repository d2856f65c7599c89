"""Rows of archives that older versions wrote, brought up as the store's migrations bring up a file:
a word keeps the meaning it had on the day it was written."""

from __future__ import annotations

import json
from collections.abc import Callable
from typing import Any

Row = dict[str, Any]


def brought_up(version: int, table: str, row: Row) -> Row:
    """A row of an archive of ``version`` as the present version writes it.

    >>> brought_up(1, "judgement", {"shadow": "full"})
    {'shadow': 'at_least_full'}
    >>> brought_up(2, "judgement", {"shadow": "full"})
    {'shadow': 'full'}
    """
    bring = BEFORE_JUDGEMENT.get(table) if version < 2 else None
    return row if bring is None else bring(row)


def _judgement(row: Row) -> Row:
    """There was no word beyond *full*, so it meant full or more."""
    return {**row, "shadow": "at_least_full"} if row.get("shadow") == "full" else row


def _scene(row: Row) -> Row:
    """What was not said was kept as infinity."""
    if '"infinity"' in str(row.get("focus")):
        return {**row, "focus": None}
    return row


def _exposure(row: Row) -> Row:
    """Every share was reckoned as an exposure of its own."""
    share = row.get("share", 1)
    if isinstance(share, (int, float)) and share < 1:
        return {**row, "share_of": "scenes"}
    return row


def _preference(row: Row) -> Row:
    """The blur that was everybody's default goes by the format now."""
    try:
        value = json.loads(str(row.get("value")))
        if value["habits"]["blur_mm"] != 0.1:
            return row
    except (ValueError, KeyError, TypeError):
        return row  # what is wrong with it is said where rows are checked
    del value["habits"]["blur_mm"]
    return {**row, "value": json.dumps(value)}


BEFORE_JUDGEMENT: dict[str, Callable[[Row], Row]] = {
    "judgement": _judgement,
    "scene": _scene,
    "exposure": _exposure,
    "preference": _preference,
}
