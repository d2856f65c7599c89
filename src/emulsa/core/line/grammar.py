"""The reading line: one line of words and numbers, read the way one says it.

    9 shade III          EV 9, called “shade”, placed on III
    13 1/3 bark          EV 13⅓
    1/2@22 frost VII½    1/2 s at f/22, placed on VII½; 1/2 f/22 and f22 1/2 too
    81920lx   1195 fL    illuminance (of the light itself), luminance
    12 @incident dome    EV of the light itself, with a dome or disc
    12 iso400 wall       EV 12 read with ISO 400 set
    15@150 wall          15 s, as it stands: f/150 is on no lens, so 15 is no mark either
    10 snow +2.5 held    the meter already holds +2½ stops
    6 @through sky       read through the filters that are on
    9 + 9 1/3 + 10 wall  the mean of several readings
    9 shade on 3½        a zone in digits: on 3½ or z3.5
    f/32                 the aperture
    draw 30              millimetres of draw beyond infinity focus
    bellows 180          the whole extension, from lens to film
    spread 3             millimetres between near and far focus
    filter deep red      a filter by name; “no filter” takes them off
    lens 150, film NAME  kit by name; what is not in the kit yet is made of what is said
    pinhole 0.2 at 30    a hole of 0.2 mm at 30 mm
    ei 400               what the film is rated at

What could mean two things is asked about, never guessed.
"""

from __future__ import annotations

import re
from dataclasses import dataclass, replace
from typing import Literal

from emulsa.core import wire
from emulsa.core.corrections.aperture_choice import BySpread
from emulsa.core.corrections.bellows import ByDraw, ByExtension, Focus, Infinity
from emulsa.core.errors import Ambiguous, OutOfRange, Unreadable
from emulsa.core.light.marks import SEARCHED, aperture_marks, literal_seconds, time_marks
from emulsa.core.light.meters import (
    EvReading,
    IlluminanceReading,
    MeanReading,
    MeterSet,
    Reading,
    Single,
    TimeReading,
)
from emulsa.core.limits import EI, Label
from emulsa.core.tones.zones import FRACTIONS, parse_zone

KIT_WORDS: dict[str, Literal["filter", "lens", "pinhole", "film"]] = {
    "filter": "filter",
    "lens": "lens",
    "pinhole": "pinhole",
    "film": "film",
}
LONGEST = 120  # characters of a line; labels have 80

ZONE_AT_END = re.compile(
    r"(?:^|\s)(?:on\s+(?:zone\s+)?(?=[IVXivx\d]))?"
    r"((?:0|I{1,3}|IV|VI{0,3}|IX|X|i{1,3}|iv|vi{0,3}|ix|x)(?:\s*[¼⅓½⅔¾]|\s+\d/\d)?"
    r"|z\s*\d+(?:\.\d+)?(?:\s*[¼⅓½⅔¾])?"
    r"|(?:(?<=on\s)|(?<=zone\s))\d+(?:\.\d+)?(?:\s*[¼⅓½⅔¾]|\s+\d/\d)?)$"
)
AT = re.compile(r"^(f?/?[\d./]+)\s*(?:s|sec)?\s*@\s*(f?/?[\d./]+)(?:\s*s)?(?=[\s+]|$)")
# the same said in two words, in either order: 1/125 f/11, f11 1/125, 2 s at f/22
TIME_FIRST = re.compile(
    r"^(\d+/\d+|\d+(?:\.\d+)?(?=\s*s(?:ec)?\b))\s*(?:s|sec)?\s+(?:at\s+)?f\s*/?\s*(\d+(?:\.\d+)?)(?=\s|$)",
    re.I,
)
APERTURE_FIRST = re.compile(
    r"^f\s*/?\s*(\d+(?:\.\d+)?)\s+(?:at\s+)?(\d+/\d+|\d+(?:\.\d+)?(?=\s*s(?:ec)?\b))\s*(?:s|sec)?(?=\s|$)",
    re.I,
)
BARE_TIME = re.compile(r"^\d+(?:\.\d+)?\s*s(?:ec)?(?=\s|$)", re.I)
PAST_X = re.compile(r"(?:^|\s)(x(?:i{1,3}|iv|vi{0,3}|ix|x))$", re.I)
UNIT = re.compile(r"^(\d+(?:\.\d+)?)\s*(lx|fc|cd/m2|cd/m²|fL)(?=[\s+]|$)")
EV_WORD = re.compile(
    r"^(?:EV\s*)?([-−]?\d+(?:\.\d+)?)(?:\s+(\d)/(\d)(?=[\s+]|$)|\s*([¼⅓½⅔¾]))?(?=[\s+]|$)", re.I
)
ISO = re.compile(r"(?:^|\s)iso\s*(\d+)(?=\s|$)", re.I)
THROUGH = re.compile(r"(?:^|\s)@\s*through(?=\s|$)", re.I)
INCIDENT = re.compile(r"(?:^|\s)@\s*(?:incident|dome)(?=\s|$)", re.I)
HELD = re.compile(
    r"(?:^|\s)([-−+])\s*(?=[\d¼⅓½⅔¾])(\d+(?:\.\d+)?)?(?:\s+(\d)/([1-9])|\s*([¼⅓½⅔¾]))?\s+held(?=\s|$)",
    re.I,
)


@dataclass(frozen=True, kw_only=True, slots=True)
class ReadingWord:
    """A reading, its label, and the zone to place it on when one was said.

    ``iso_said``: the line itself named the ISO the meter was set to.
    """

    kind: Literal["reading"] = "reading"
    reading: Reading
    label: str
    zone: float | None
    through: bool = False
    incident: bool = False
    iso_said: bool = False


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
class DepthWord:
    """Near to far focus on the ground glass."""

    kind: Literal["depth"] = "depth"
    depth: BySpread


@dataclass(frozen=True, kw_only=True, slots=True)
class KitWord:
    """A piece of kit by words of its name; no words take filters off."""

    kind: Literal["filter", "lens", "pinhole", "film"]
    words: str


@dataclass(frozen=True, kw_only=True, slots=True)
class RatingWord:
    """The EI the film is rated at here."""

    kind: Literal["rating"] = "rating"
    exposure_index: float


Line = ReadingWord | ApertureWord | FocusWord | DepthWord | KitWord | RatingWord


def parse(text: str, meter: MeterSet = MeterSet()) -> Line:
    """The line's meaning; Unreadable says what to type instead, OutOfRange what is allowed.

    ``meter`` is what the meter is set to: readings are taken so unless the line says otherwise.
    """
    line = " ".join(text.split())
    if not line:
        raise Unreadable("Type a reading, as in 9 shade III.", field="text")
    if len(line) > LONGEST:
        raise Unreadable(f"A line may have {LONGEST} characters at most.", field="text")
    setting = _setting(line)
    return setting if setting is not None else _reading(line, meter)


def reading(text: str, meter: MeterSet = MeterSet()) -> ReadingWord:
    """The line as a reading; Unreadable when it means something else."""
    word = parse(text, meter)
    if not isinstance(word, ReadingWord):
        raise Unreadable("Type the new reading of what you placed, as in 8.5.", field="text")
    return word


def _setting(line: str) -> Line | None:
    aperture = re.fullmatch(r"f\s*/?\s*(\d+(?:\.\d+)?)", line, re.I)
    if aperture:
        return ApertureWord(aperture=_aperture(aperture[1]))
    whole = re.fullmatch(r"(?:bellows|extension)\s*(\d+(?:\.\d+)?)\s*(?:mm)?", line, re.I)
    if whole:
        said = {"kind": "extension", "extension_mm": float(whole[1])}
        return FocusWord(focus=wire.decode(ByExtension, said))
    draw = re.fullmatch(r"draw\s*(\d+(?:\.\d+)?)\s*(?:mm)?", line, re.I)
    if draw:
        return FocusWord(focus=wire.decode(ByDraw, {"kind": "draw", "draw_mm": float(draw[1])}))
    spread = re.fullmatch(r"spread\s*(\d+(?:\.\d+)?)\s*(?:mm)?", line, re.I)
    if spread:
        said = {"kind": "spread", "focus_spread_mm": float(spread[1])}
        return DepthWord(depth=wire.decode(BySpread, said))
    rating = re.fullmatch(r"ei\s*(\d+(?:\.\d+)?)", line, re.I)
    if rating:
        return RatingWord(exposure_index=EI.check(float(rating[1]), "text"))
    if re.fullmatch(r"infinity|draw|no draw", line, re.I):
        return FocusWord(focus=Infinity())
    if re.fullmatch(r"no filters?|filter none", line, re.I):
        return KitWord(kind="filter", words="")
    kit = re.fullmatch(r"(filter|lens|film|pinhole)\s+(.+)", line, re.I)
    if kit:
        return KitWord(kind=KIT_WORDS[kit[1].lower()], words=kit[2])
    return None


def _reading(line: str, meter: MeterSet) -> ReadingWord:
    line = TIME_FIRST.sub(r"\1@\2", line)
    line = APERTURE_FIRST.sub(r"\2@\1", line)
    _ask(line)
    line, held = _taken_out(line, HELD)
    line, iso = _taken_out(line, ISO)
    line, through = _taken_out(line, THROUGH)
    line, incident = _taken_out(line, INCIDENT)
    number, rest = _numbers(line, _set_to(meter, iso, held))
    zone = ZONE_AT_END.search(rest)
    beyond = None if zone else PAST_X.search(rest)
    if beyond:
        raise OutOfRange(
            f"“{beyond[1]}” is past the scale: a zone is 0 to X.", field="text", allowed=[0, 10]
        )
    label = rest[: zone.start()] if zone else rest
    if through and incident:
        raise Unreadable("A reading is either through the filters or of the light.", field="text")
    return ReadingWord(
        reading=number,
        label=wire.decode(Label, label.strip(), "text"),
        zone=parse_zone(zone[1]) if zone else None,
        through=through is not None,
        incident=incident is not None or isinstance(number, IlluminanceReading),
        iso_said=iso is not None,
    )


def _set_to(meter: MeterSet, iso: re.Match[str] | None, held: re.Match[str] | None) -> MeterSet:
    """What the meter was set to once the line has been heard."""
    if iso:
        meter = replace(meter, ev_iso=float(iso[1]), time_iso=float(iso[1]))
    if held:
        size = float(held[2] or 0) + FRACTIONS.get(held[5], 0.0)
        size += int(held[3]) / int(held[4]) if held[3] else 0.0
        meter = replace(meter, held_stops=size if held[1] == "+" else -size)
    return meter


def _taken_out(line: str, word: re.Pattern[str]) -> tuple[str, re.Match[str] | None]:
    """The line without a word that may stand anywhere, and the word when it was there."""
    found = word.search(line)
    return (line if not found else f"{line[: found.start()]}{line[found.end() :]}".strip()), found


def _numbers(line: str, meter: MeterSet) -> tuple[Reading, str]:
    """One reading, or several joined by + whose mean counts, and what stands behind them."""
    first, rest = _number(line, meter)
    several = [first]
    while re.match(r"\+\s*\S", rest):
        each, rest = _number(rest[1:].strip(), meter)
        several.append(each)
    if len(several) == 1:
        return first, rest
    return wire.decode(MeanReading, {"readings": wire.encode(several)}, "text"), rest


def _number(line: str, meter: MeterSet) -> tuple[Single, str]:
    unit = UNIT.match(line)
    if unit:
        kind = "illuminance" if unit[2] in ("lx", "fc") else "luminance"
        body = {"kind": kind, "value": float(unit[1]), "unit": unit[2].replace("²", "2")}
        return wire.decode(Single, body, "text"), line[unit.end() :].strip()
    at = AT.match(line)
    if at:
        first, second = at[1], at[2]
        if first.lower().startswith("f"):
            first, second = second, first
        aperture = _aperture(second.lower().lstrip("f").lstrip("/"))
        body = {
            "kind": "time_at_aperture",
            "time": _time(first, marked=isinstance(aperture, str)),
            "aperture": aperture,
            "iso": meter.time_iso,
            "held_stops": meter.held_stops,
        }
        return wire.decode(TimeReading, body, "text"), line[at.end() :].strip()
    word = EV_WORD.match(line)
    if not word:
        raise Unreadable(
            f"“{line[:40]}” does not begin with a reading; start with its EV, as in 9 shade III,"
            " or a time at an aperture, as in 1/2@22.",
            field="text",
        )
    body = {"ev": _ev(word), "iso": meter.ev_iso, "held_stops": meter.held_stops}
    return wire.decode(EvReading, body, "text"), line[word.end() :].strip()


def _ev(word: re.Match[str]) -> float:
    whole = float(word[1].replace("−", "-"))
    part = (
        int(word[2]) / int(word[3]) if word[2] and word[3] != "0" else FRACTIONS.get(word[4], 0.0)
    )
    return whole - part if word[1][0] in "-−" else whole + part


def _ask(line: str) -> None:
    """The readings that could mean two things, each with the question and both ways to say it."""
    if re.match(r"^\d+,\d", line):
        raise Ambiguous("Is the comma a decimal point? Write 13.3 or 13 1/3.", field="text")
    if re.match(r"^\d+(\.\d+)?\s*['\"′″]", line):
        raise Ambiguous(
            "Minutes or seconds, and at which aperture? Write 240@22 for 240 s at f/22.",
            field="text",
        )
    if re.match(r"^\d/\d+(\s|$)", line) or BARE_TIME.match(line):
        raise Ambiguous(
            "A time needs its aperture, as in 1/2@22; a fraction of an EV needs its whole number,"
            " as in 0 1/3.",
            field="text",
        )
    if re.match(r"^[-−][\d./]+\s*(?:s|sec)?\s*@\s*f?/?\d", line):
        raise Unreadable("A time is never negative; write 1/2@22 for 1/2 s at f/22.", field="text")
    bare = re.match(r"^(\d+)(\s|$)", line)
    if bare and not UNIT.match(line) and not AT.match(line) and int(bare[1]) > 24:
        raise Ambiguous(
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


def _time(text: str, marked: bool) -> str | float:
    """A mark only beside a marked aperture, as on a lens or a dial; else the number it is."""
    if marked and any(text in time_marks(series) for series in SEARCHED):
        return text
    number = literal_seconds(text)
    if number is None:
        raise Unreadable(f"“{text}” is not a time; write 1/2 or 15.", field="text")
    return number
