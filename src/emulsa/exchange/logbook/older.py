"""Rows of archives that older versions wrote, brought up as the store's migrations bring up a file:
a word keeps the meaning it had on the day it was written."""

from __future__ import annotations

import json
from collections.abc import Callable, Iterator
from typing import Any

from emulsa.store.drawn import plan_apart

Row = dict[str, Any]


def brought_up(version: int, table: str, row: Row) -> Iterator[tuple[str, Row]]:
    """A row of an archive of ``version`` as the present version writes it: the rows it is now, each
    with its table.

    >>> list(brought_up(1, "judgement", {"shadow": "full"}))
    [('judgement', {'shadow': 'at_least_full'})]
    >>> list(brought_up(2, "judgement", {"shadow": "full"}))
    [('judgement', {'shadow': 'full'})]
    """
    if version < 2 and table in BEFORE_JUDGEMENT:
        row = BEFORE_JUDGEMENT[table](row)
    if version < 3 and table == "print":
        yield from _print(row)
    else:
        yield table, row


def _print(row: Row) -> Iterator[tuple[str, Row]]:
    """Strips and tries stood within their print, and a shape in every plan that had it."""
    try:
        plan, shapes, drawn = plan_apart(json.loads(str(row.get("plan"))))
        strips = json.loads(str(row.get("strips", "[]")))
        made = [
            (each, *plan_apart(each["plan"])) for each in json.loads(str(row.get("tries", "[]")))
        ]
        for _, _, _, more in made:
            drawn |= more
        strips = [{**each, "print_id": row["id"], "strip": _text(each["strip"])} for each in strips]
        tries = [
            {
                **each,
                "id": f"{row['id'][:60]}:{each['number']}",
                "print_id": row["id"],
                "plan": _text(bare),
                "shapes": _text(names),
                "marks": _text(each.get("marks", [])),
                "final": int(each.get("final", False)),
            }
            for each, bare, names, _ in made
        ]
    except (ValueError, KeyError, TypeError, AttributeError):
        yield "print", row  # what is wrong with it is said where rows are checked
        return
    own = {name: value for name, value in row.items() if name not in ("strips", "tries")}
    yield "print", {**own, "plan": _text(plan), "shapes": _text(shapes)}
    yield from (("print_shape", {"id": name, "shape": text}) for name, text in drawn.items())
    yield from (("print_strip", each) for each in strips)
    yield from (("print_try", each) for each in tries)


def _text(value: Any) -> str:
    return json.dumps(value, ensure_ascii=False, separators=(",", ":"))


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
