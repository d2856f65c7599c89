"""The numbers a reading begins with: an EV, a time at an aperture, a unit, a sky, or a mean."""

from __future__ import annotations

import re

from emulsa.core import wire
from emulsa.core.errors import Ambiguous, Unreadable
from emulsa.core.light.marks import SEARCHED, aperture_marks, literal_seconds, time_marks
from emulsa.core.light.meters import EvReading, MeanReading, MeterSet, Reading, Single, TimeReading
from emulsa.core.line.told import BEHIND_CLOUD, told
from emulsa.core.typed import FRACTIONS

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
# minutes and seconds are sure only as true primes beside an aperture: 4′@22, 2′30″ f/22
PRIMES = re.compile(
    r"^(?:(\d+(?:\.\d+)?)′)?\s*(?:(\d+(?:\.\d+)?)″)?\s*(?=(?:@|at\s|f\s*/?\s*\d))", re.I
)
UNIT = re.compile(r"^(\d+(?:\.\d+)?)\s*(lx|fc|cd/m2|cd/m²|fL)(?=[\s+]|$)")
EV_WORD = re.compile(
    r"^(?:EV\s*)?([-−]?\d+(?:\.\d+)?)(?:\s+(\d)/(\d)(?=[\s+]|$)|\s*([¼⅓½⅔¾]))?(?=[\s+]|$)", re.I
)
# dials leave the "1/" out; as many seconds are as likely (common practice, no source)
ON_DIALS = (60, 100, 125, 200, 250, 400, 500, 800, 1000, 2000, 4000)


def numbers(line: str, meter: MeterSet) -> tuple[Reading, str]:
    """One reading, or several joined by + whose mean counts, and what stands behind them."""
    line = _one_way(line)
    _ask(line)
    first, rest = number(line, meter)
    several = [first]
    while re.match(r"\+\s*\S", rest):
        each, rest = number(rest[1:].strip(), meter)
        several.append(each)
    if len(several) == 1:
        return first, rest
    return wire.decode(MeanReading, {"readings": wire.encode(several)}, "text"), rest


def number(line: str, meter: MeterSet) -> tuple[Single, str]:
    """One reading and what stands behind it; Unreadable when the line does not begin with one."""
    found = told(line, meter.sky)
    if found is not None:
        return found
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
        aperture = aperture_word(_bare(second))
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


def _one_way(line: str) -> str:
    """A time and an aperture said in words or with primes, as time@aperture."""
    primes = PRIMES.match(line)
    if primes and (primes[1] or primes[2]):
        seconds = 60 * float(primes[1] or 0) + float(primes[2] or 0)
        line = f"{seconds:.6g} s {line[primes.end() :].lstrip('@ ')}"
        line = re.sub(r"^(\S+ s) (?:at\s+)?(?:f\s*/?\s*)?(?=\d)", r"\1 f/", line, flags=re.I)
    return APERTURE_FIRST.sub(r"\2@\1", TIME_FIRST.sub(r"\1@\2", line))


def _ask(line: str) -> None:
    """The readings that could mean two things, each with the question and both ways to say it."""
    if BEHIND_CLOUD.match(line):
        raise Ambiguous(
            "Are there shadows? Write hazy sun where they are soft, cloudy bright where there are"
            " none.",
            field="text",
        )
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
    dial = re.match(r"^(\d+)\s*@\s*(f?/?[\d.]+)", line)
    if dial and int(dial[1]) in ON_DIALS and isinstance(aperture_word(_bare(dial[2])), str):
        raise Ambiguous(
            f"{dial[1]} seconds, or 1/{dial[1]} s as a dial shows it?",
            field="text",
            allowed=[f"1/{line}", f"{dial[1]} s{line[len(dial[1]) :]}"],
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


def _bare(aperture: str) -> str:
    """The number of ``f/22``."""
    return aperture.lower().lstrip("f").lstrip("/")


def aperture_word(text: str) -> str | float:
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
