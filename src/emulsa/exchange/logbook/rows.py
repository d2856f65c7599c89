"""One row of a CSV of exposures, read: every refusal names its column."""

from __future__ import annotations

import hashlib
import json
import re
from collections.abc import Callable
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from functools import lru_cache, partial
from typing import Annotated, Any, Literal

from emulsa.core import wire
from emulsa.core.development.ratings import RatingReason
from emulsa.core.errors import CoreError, Missing, OutOfRange, Unreadable
from emulsa.core.exposing.request import BracketStops
from emulsa.core.exposing.sharing import ShareOf
from emulsa.core.light import marks
from emulsa.core.light.hand_time import watch_s
from emulsa.core.light.marks import mark_text
from emulsa.core.limits import (
    ExposureIndex,
    FNumber,
    Length,
    Name,
    Note,
    Seconds,
)
from emulsa.core.line.number import ON_DIALS
from emulsa.core.logged.record import Cost, DevelopmentChange, ErrorStops, Share
from emulsa.core.tones.development_number import DevelopmentNumber
from emulsa.core.typed import commas
from emulsa.exchange.csv_table import plain

# what is made beside the exposure has this id and a word
RowId = Annotated[str, Length("The id of a row", 1, 56)]
DAY = 10  # letters of a day
INSTANT = re.compile(
    r"\d{4}-\d{2}-\d{2}"
    r"([T ]([01]\d|2[0-3]):\d{2}(:\d{2}(\.\d{1,6})?)?(Z|[+-]\d{2}:\d{2})?)?",
    re.ASCII,
)
DOTTED = re.compile(r"(\d{1,2})\. ?(\d{1,2})\. ?(\d{4})(?:,? (\d{1,2}:\d{2}))?", re.ASCII)
State = Literal["exposed", "developed", "judged"]

LONGEST_CELL = 4_000  # a note has 2,000 at most
YEARS = range(1_800, 2_200)
MADE_UP = "row-"  # begins the id of a row that brought none


@dataclass(frozen=True, kw_only=True)
class Row:
    """A row that was read: everything in the units of the house, names not looked up yet."""

    id: str
    exposed_at: str
    outing: str
    place: str
    scene: str
    film: str
    ei: float | None
    rating_reason: RatingReason | None
    where: str
    lens: str
    pinhole: str
    filters: tuple[str, ...]
    aperture: str | float
    seconds: float
    n: float
    error_stops: float
    development_change: float
    share: float
    share_of: ShareOf
    bracket: str
    bracket_stops: float
    state: State
    cost: float | None
    note: str


class RowRefused(Exception):
    """Everything that is wrong with a row, each with its column in ``field``."""

    def __init__(self, problems: list[CoreError]) -> None:
        super().__init__(problems[0].message)
        self.problems = problems


def read(cells: dict[str, str], *, in_seconds: bool = True) -> Row:
    """A row by our column names; RowRefused with all that is wrong with it. ``in_seconds``: the
    column of times says itself that it holds seconds. A table of somebody else's writes its numbers
    with points or with commas, whatever is said of one's own."""
    with commas(True):
        return _read(cells, in_seconds)


def _read(cells: dict[str, str], in_seconds: bool) -> Row:
    problems: list[CoreError] = []

    def trying(name: str, parse: Callable[[], Any], other: Any = None) -> Any:
        try:
            return parse()
        except CoreError as problem:
            problem.field = name
            problems.append(problem)
            return other

    text = {name: trying(name, partial(_cell, value), "") for name, value in cells.items()}

    def get(name: str, kind: Any, other: Any) -> Any:
        value = text.get(name, "")
        return trying(name, partial(_quantity, kind, value, name), other) if value else other

    def word(name: str, kind: Any) -> Any:
        return trying(name, partial(_word, kind, text, name))

    def named(name: str) -> str:
        return str(trying(name, partial(_named, text, name), ""))

    def needed(name: str, parse: Callable[[str], Any]) -> Any:
        return trying(name, partial(_needed, text.get(name, ""), parse))

    at = needed("exposed_at", _instant)
    filters = (each.strip() for each in text.get("filters", "").split(";"))
    row = Row(
        id=trying("id", partial(_own_id, text), "") or _made_up(text),
        exposed_at=at,
        outing=named("outing") or str(at)[:DAY],
        place=named("place"),
        scene=named("scene") or "untitled",
        film=needed("film", lambda film: _name(film, "film")),
        ei=get("ei", ExposureIndex, None),
        rating_reason=word("rating_reason", RatingReason),
        where=named("where"),
        lens=named("lens"),
        pinhole=named("pinhole"),
        filters=tuple(each for each in filters if each),
        aperture=needed("aperture", _aperture),
        seconds=needed("time_s", _seconds if in_seconds else _asked),
        n=trying("n", partial(wire.decode, DevelopmentNumber, text.get("n") or 0.0, "n")),
        error_stops=get("error_stops", ErrorStops, 0.0),
        development_change=get("development_change", DevelopmentChange, 1.0),
        share=get("share", Share, 1.0),
        share_of=word("share_of", ShareOf) or "one_scene",
        bracket=named("bracket"),
        bracket_stops=get("bracket_stops", BracketStops, 0.0),
        state=trying(
            "state", partial(wire.decode, State, text.get("state") or "developed", "state")
        ),
        cost=get("cost", Cost, None),
        note=trying("note", partial(wire.decode, Note, text.get("note", ""), "note")),
    )
    if problems:
        raise RowRefused(problems)
    return row


def _cell(value: str) -> str:
    if len(value) > LONGEST_CELL:
        raise OutOfRange(f"A cell may have {LONGEST_CELL} characters; this has {len(value)}.")
    return plain(value.strip())


def _needed(value: str, parse: Callable[[str], Any]) -> Any:
    if not value:
        raise Missing("Nothing stands here; it is needed.")
    return parse(value)


def _word(kind: Any, text: dict[str, str], name: str) -> Any:
    """One of a few words; nothing where nothing stands."""
    return wire.decode(kind, text[name], name) if text.get(name) else None


def _own_id(text: dict[str, str]) -> str:
    return str(wire.decode(RowId, text["id"], "id")) if text.get("id") else ""


def again(row: Row, times: int) -> Row:
    """A row whose words stood in the file already so many times: two sheets alike are two."""
    made_up = row.id.startswith(MADE_UP)
    return replace(row, id=f"{row.id}-{times}") if made_up and times else row


def aperture_cell(aperture: str | float) -> str:
    """A mark as ``f/32``, a number with decimals no mark has, so that it is read as a number.

    >>> aperture_cell("32"), aperture_cell(138.0), aperture_cell(2.8)
    ('f/32', '138.0', '2.80')
    """
    if isinstance(aperture, str):
        return mark_text(aperture)
    written = repr(float(aperture))
    return f"{written}0" if isinstance(_aperture(written), str) else written


# Notebooks say the same words again and again; each is read once.
_once = lru_cache(maxsize=8_192)


def _named(text: dict[str, str], name: str) -> str:
    value = text.get(name, "")
    return _name(value, name) if value else ""


@_once
def _name(value: str, field: str) -> str:
    return str(wire.decode(Name, value, field))


@_once
def _quantity(kind: Any, value: str, field: str) -> Any:
    return wire.decode(kind, _number(value, field), field)


@_once
def _instant(text: str) -> str:
    """A day or an instant as the log writes it, or a day with points, 17.1.2026; a day alone is
    noon, which says no hour."""
    iso = text
    if dotted := DOTTED.fullmatch(text):
        day, month, year, hour = dotted.groups()
        iso = f"{year}-{int(month):02d}-{int(day):02d}" + (f"T{hour.zfill(5)}" if hour else "")
    try:
        if not INSTANT.fullmatch(iso):
            raise ValueError
        moment = datetime.fromisoformat(iso if len(iso) > DAY else f"{iso}T12:00")
    except ValueError:
        raise Unreadable(
            f"“{text[:40]}” is not a day; write 2026-01-17, 17.1.2026, or 2026-01-17T09:20.",
            field="exposed_at",
        ) from None
    if moment.year not in YEARS:
        raise OutOfRange(
            f"The year must be between {YEARS[0]} and {YEARS[-1]}; this is {moment.year}.",
            field="exposed_at",
            allowed=[YEARS[0], YEARS[-1]],
        )
    moment = moment if moment.tzinfo is None else moment.astimezone(UTC).replace(tzinfo=None)
    return f"{moment.isoformat(timespec='milliseconds')}Z"


@_once
def _aperture(text: str) -> str | float:
    bare = re.sub(r"^f\s*/?\s*", "", text, flags=re.IGNORECASE)
    try:
        return marks.typed_aperture(bare)
    except CoreError:
        return float(wire.decode(FNumber, _number(bare, "aperture"), "aperture"))


@_once
def _seconds(text: str) -> float:
    counted = watch_s(text)
    if counted is not None:
        return float(wire.decode(Seconds, counted, "time_s"))
    bare = re.sub(r"\s*(s|sec|seconds)$", "", text.strip())
    if "/" in bare:
        try:
            return marks.seconds(bare)
        except CoreError:
            found = marks.literal_seconds(bare)
            if found is None:
                raise
            return float(wire.decode(Seconds, found, "time_s"))
    return float(wire.decode(Seconds, _number(bare, "time_s"), "time_s"))


def _asked(text: str) -> float:
    """A time of a column that does not say what it counts: what stands on a dial is asked."""
    if text.isdecimal() and int(text) in ON_DIALS:
        raise Unreadable(
            f"{text} seconds, or 1/{text} s? Write {text} s or 1/{text}, or call the column"
            " seconds.",
            field="time_s",
        )
    return float(_seconds(text))


def _number(text: str, field: str) -> float:
    """A number with a point or a decimal comma, a minus sign of either kind."""
    try:
        return float(text.replace("−", "-").replace(",", "."))
    except ValueError:
        raise Unreadable(f"“{text}” is not a number.", field=field) from None


def _made_up(text: dict[str, str]) -> str:
    """An id from the row's own words: the same row brought in twice is one exposure."""
    written = json.dumps(sorted(text.items()), ensure_ascii=False)
    return f"{MADE_UP}{hashlib.sha256(written.encode()).hexdigest()[:24]}"
