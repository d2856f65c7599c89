"""The reading line: one line of words and numbers, read the way one says it.

    9 shade III          EV 9, called “shade”, placed on III
    13 1/3 bark          EV 13⅓
    1/2@22 frost VII½    1/2 s at f/22, placed on VII½
    81920lx   1195 fL    illuminance, luminance
    12 iso400 wall       EV 12 read with ISO 400 set
    f/32                 the aperture
    draw 30              millimetres of draw beyond infinity focus
    filter deep red      a filter by name; “no filter” takes them off
    lens 150, film NAME  kit by name

What could mean two things is asked about, never guessed.
"""

from __future__ import annotations

import re
from dataclasses import dataclass
from typing import Literal

from emulsa.core import wire
from emulsa.core.corrections.bellows import ByDraw, Focus, Infinity
from emulsa.core.errors import Unreadable
from emulsa.core.light.marks import SEARCHED, aperture_marks, literal_seconds, time_marks
from emulsa.core.light.meters import (
    EvReading,
    Reading,
    TimeReading,
)
from emulsa.core.limits import Label
from emulsa.core.tones.zones import FRACTIONS, parse_zone

KIT_WORDS: dict[str, Literal["filter", "lens", "film"]] = {
    "filter": "filter",
    "lens": "lens",
    "pinhole": "lens",
    "film": "film",
}
LONGEST = 120  # characters of a line; labels have 80

ZONE_AT_END = re.compile(
    r"(?:^|\s)((?:0|I{1,3}|IV|VI{0,3}|IX|X)(?:\s*[¼⅓½⅔¾]|\s+\d/\d)?|z\s*\d+(?:\.\d+)?(?:\s*[¼⅓½⅔¾])?)$"
)
AT = re.compile(r"^(f?/?[\d./]+)\s*(?:s|sec)?\s*@\s*(f?/?[\d./]+)(?:\s*s)?(?=\s|$)")
UNIT = re.compile(r"^(\d+(?:\.\d+)?)\s*(lx|fc|cd/m2|cd/m²|fL)(?=\s|$)")
EV_WORD = re.compile(
    r"^(?:EV\s*)?([-−]?\d+(?:\.\d+)?)(?:\s+(\d)/(\d)(?=\s|$)|\s*([¼⅓½⅔¾]))?(?=\s|$)", re.I
)
ISO = re.compile(r"(?:^|\s)iso\s*(\d+)(?=\s|$)", re.I)


@dataclass(frozen=True, kw_only=True, slots=True)
class ReadingWord:
    """A reading, its label, and the zone to place it on when one was said."""

    kind: Literal["reading"] = "reading"
    reading: Reading
    label: str
    zone: float | None


@dataclass(frozen=True, kw_only=True, slots=True)
class ApertureWord:
    """An aperture to set."""

    kind: Literal["aperture"] = "aperture"
    aperture: str | float


@dataclass(frozen=True, kw_only=True, slots=True)
class FocusWord:
    """A draw, or infinity."""

    kind: Literal["focus"] = "focus"
    focus: Focus


@dataclass(frozen=True, kw_only=True, slots=True)
class KitWord:
    """A piece of kit by words of its name; no words take filters off."""

    kind: Literal["filter", "lens", "film"]
    words: str


Line = ReadingWord | ApertureWord | FocusWord | KitWord


def parse(text: str) -> Line:
    """The line's meaning; Unreadable says what to type instead, OutOfRange what is allowed."""
    line = " ".join(text.split())
    if not line:
        raise Unreadable("Type a reading, as in 9 shade III.", field="text")
    if len(line) > LONGEST:
        raise Unreadable(f"A line may have {LONGEST} characters at most.", field="text")
    setting = _setting(line)
    return setting if setting is not None else _reading(line)


def _setting(line: str) -> Line | None:
    aperture = re.fullmatch(r"f\s*/?\s*(\d+(?:\.\d+)?)", line, re.I)
    if aperture:
        return ApertureWord(aperture=_aperture(aperture[1]))
    draw = re.fullmatch(r"(?:draw|bellows)\s*(\d+(?:\.\d+)?)\s*(?:mm)?", line, re.I)
    if draw:
        return FocusWord(focus=wire.decode(ByDraw, {"kind": "draw", "draw_mm": float(draw[1])}))
    if re.fullmatch(r"infinity|draw|no draw", line, re.I):
        return FocusWord(focus=Infinity())
    if re.fullmatch(r"no filters?|filter none", line, re.I):
        return KitWord(kind="filter", words="")
    kit = re.fullmatch(r"(filter|lens|film|pinhole)\s+(.+)", line, re.I)
    if kit:
        return KitWord(kind=KIT_WORDS[kit[1].lower()], words=kit[2])
    return None


def _reading(line: str) -> ReadingWord:
    _ask(line)
    iso = ISO.search(line)
    if iso:
        line = (line[: iso.start()] + line[iso.end() :]).strip()
    number, rest = _number(line, float(iso[1]) if iso else 100.0)
    zone = ZONE_AT_END.search(rest)
    label = rest[: zone.start()] if zone else rest
    return ReadingWord(
        reading=number,
        label=wire.decode(Label, label.strip(), "text"),
        zone=parse_zone(zone[1]) if zone else None,
    )


def _number(line: str, iso: float) -> tuple[Reading, str]:
    unit = UNIT.match(line)
    if unit:
        kind = "illuminance" if unit[2] in ("lx", "fc") else "luminance"
        body = {"kind": kind, "value": float(unit[1]), "unit": unit[2].replace("²", "2")}
        return wire.decode(Reading, body, "text"), line[unit.end() :].strip()
    at = AT.match(line)
    if at:
        first, second = at[1], at[2]
        if first.lower().startswith("f"):
            first, second = second, first
        body = {
            "kind": "time_at_aperture",
            "time": _time(first),
            "aperture": _aperture(second.lower().lstrip("f").lstrip("/")),
            "iso": iso,
        }
        return wire.decode(TimeReading, body, "text"), line[at.end() :].strip()
    word = EV_WORD.match(line)
    if not word:
        raise Unreadable(
            f"“{line[:40]}” does not begin with a reading; start with its EV, as in 9 shade III,"
            " or a time at an aperture, as in 1/2@22.",
            field="text",
        )
    ev = _ev(word)
    return wire.decode(EvReading, {"ev": ev, "iso": iso}, "text"), line[word.end() :].strip()


def _ev(word: re.Match[str]) -> float:
    whole = float(word[1].replace("−", "-"))
    part = (
        int(word[2]) / int(word[3]) if word[2] and word[3] != "0" else FRACTIONS.get(word[4], 0.0)
    )
    return whole - part if word[1][0] in "-−" else whole + part


def _ask(line: str) -> None:
    """The readings that could mean two things, each with the question and both ways to say it."""
    if re.match(r"^\d+,\d", line):
        raise Unreadable("Is the comma a decimal point? Write 13.3 or 13 1/3.", field="text")
    if re.match(r"^\d+(\.\d+)?\s*['\"′″]", line):
        raise Unreadable(
            "Minutes or seconds, and at which aperture? Write 240@22 for 240 s at f/22.",
            field="text",
        )
    if re.match(r"^\d/\d+(\s|$)", line):
        raise Unreadable(
            "A time needs its aperture, as in 1/2@22; a fraction of an EV needs its whole number,"
            " as in 0 1/3.",
            field="text",
        )
    if re.match(r"^[-−].*@", line):
        raise Unreadable("A time is never negative; write 1/2@22 for 1/2 s at f/22.", field="text")
    bare = re.match(r"^(\d+)(\s|$)", line)
    if bare and not UNIT.match(line) and not AT.match(line) and int(bare[1]) > 24:
        raise Unreadable(
            f"EV {bare[1]} is more than any light (EV is between −8 and 24);"
            f" for 1/{bare[1]} s write 1/{bare[1]}@22.",
            field="text",
            allowed=[-8, 24],
        )


def _aperture(text: str) -> str | float:
    """The engraved mark when it is one, else the number itself."""
    if any(text in aperture_marks(series) for series in SEARCHED):
        return text
    number = literal_seconds(text)
    if number is None:
        raise Unreadable(f"“{text}” is not an aperture; write 22 or f/22.", field="text")
    return number


def _time(text: str) -> str | float:
    if any(text in time_marks(series) for series in SEARCHED):
        return text
    number = literal_seconds(text)
    if number is None:
        raise Unreadable(f"“{text}” is not a time; write 1/2 or 15.", field="text")
    return number
