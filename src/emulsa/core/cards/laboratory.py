"""The slip that goes with film to a laboratory: what each piece was rated, and what it needs."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from emulsa.core.cards.table import Card
from emulsa.core.numbers import plain
from emulsa.core.written import stops_text

SLIGHT = 1 / 6  # stops from the box nobody pushes or pulls for
# common practice, no source
ASK = "Ask first which pushes are given: many give whole stops, few give N as a zone."
KEEP = "Keep a copy; write your name on the film itself, not on its wrapping alone."


@dataclass(frozen=True, kw_only=True, slots=True)
class SentPiece:
    """A piece that is sent: where it lay, on what, its index and its box's, the N it needs."""

    where: str
    film: str
    ei: float | None
    box_ei: float | None
    n_text: str
    note: str = ""


def slip(name: str, day: str, note: str, pieces: Sequence[SentPiece]) -> Card:
    """The slip of a run that is sent."""
    return Card(
        title="For the laboratory",
        holds_for=", ".join(filter(None, (name, day))),
        columns=("sheet or frame", "film", "EI", "push", "N", "note"),
        rows=tuple(
            (
                each.where,
                each.film,
                "" if each.ei is None else plain(each.ei),
                push_text(each.ei, each.box_ei),
                each.n_text,
                each.note,
            )
            for each in pieces
        ),
        notes=tuple(filter(None, (note, ASK, KEEP))),
    )


def push_text(ei: float | None, box_ei: float | None) -> str:
    """How far a film was rated over its box's speed; nothing where that is slight.

    >>> push_text(800, 200), push_text(100, 200), push_text(180, 200), push_text(None, 200)
    ('push +2', 'pull −1', '', '')
    """
    if ei is None or box_ei is None:
        return ""
    stops = math.log2(ei / box_ei)
    if abs(stops) < SLIGHT:
        return ""
    return f"{'push' if stops > 0 else 'pull'} {stops_text(round(3 * stops) / 3)}"
