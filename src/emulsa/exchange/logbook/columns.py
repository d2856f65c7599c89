"""The columns of the log as CSV, what each of them means, and how a foreign header is guessed."""

from __future__ import annotations

import re
from dataclasses import dataclass


@dataclass(frozen=True)
class Column:
    """A column: its name here, what it holds, and other names notebooks give it."""

    name: str
    means: str
    also: tuple[str, ...] = ()


COLUMNS = (
    Column("id", "what tells this exposure from all others; made up when there is none"),
    Column("exposed_at", "when: 2026-01-17 or 17.1.2026, or with a time 2026-01-17T09:20", ("date", "datetime", "when", "taken")),
    Column("outing", "the outing it belongs to; the day stands in", ("trip", "session", "project")),
    Column("place", "where it was", ("location", "where was it")),
    Column("scene", "what was in front of the camera", ("subject", "title", "description", "picture")),
    Column("film", "the film's name as in Kit", ("emulsion", "stock")),
    Column("ei", "the EI it was exposed at; lets an unknown film be added", ("iso", "asa", "exposure index", "speed")),
    Column("rating_reason", "why at another EI than the film's own: index, push_pull, filter or safety"),
    Column("where", "holder and side, or roll and frame: 2B, R3-7", ("holder", "side", "sheet", "frame", "no")),
    Column("lens", "the lens's name as in Kit", ("focal length",)),
    Column("pinhole", "the pinhole's name as in Kit"),
    Column("filters", "filters' names as in Kit, between semicolons", ("filter",)),
    Column("aperture", "f/32 for a mark, 138 for a number", ("f", "f stop", "f number", "stop")),
    Column("time_s", "1/60, 9 s, 2:10; plain numbers where the column is called seconds", ("time", "shutter", "exposure", "exposure time", "seconds")),
    Column("n", "N, N-1, N+1/2, or as a number: -1, 0, 0.5", ("development", "dev", "n number")),
    Column("error_stops", "stops too much (+) or too little (-)"),
    Column("development_change", "what long times do to the developing time, 1 for nothing"),
    Column("share", "its part of a multiple exposure, 1 for all"),
    Column("share_of", "of what: one_scene in several openings, or scenes"),
    Column("bracket", "the same word for every frame of one bracket"),
    Column("bracket_stops", "its place in the bracket: -1, 0, 0.333 stops of light"),
    Column("state", "exposed, developed or judged; developed when empty", ("status",)),
    Column("cost", "what the film cost", ("price",)),
    Column("note", "anything else", ("notes", "remarks", "comment", "comments")),
)  # fmt: skip
NAMES = tuple(each.name for each in COLUMNS)
# what the log adds when it is written, and nobody brings in
ALSO_WRITTEN = ("readings", "minutes", "judgement")
NEEDED = ("exposed_at", "film", "aperture", "time_s")


def guess(header: list[str]) -> dict[str, str]:
    """Which of a file's columns is which of ours, by name; each of ours at most once.

    >>> guess(["Date", "Film", "f-stop", "Shutter"])
    {'exposed_at': 'Date', 'film': 'Film', 'aperture': 'f-stop', 'time_s': 'Shutter'}
    """
    found: dict[str, str] = {}
    by_word = {_word(each): each for each in reversed(header)}
    for column in COLUMNS:
        for name in (column.name, *column.also):
            theirs = by_word.get(_word(name))
            if theirs is not None and theirs not in found.values():
                found[column.name] = theirs
                break
    return found


def _word(name: str) -> str:
    return re.sub(r"[^a-z0-9]+", " ", name.lower()).strip()
