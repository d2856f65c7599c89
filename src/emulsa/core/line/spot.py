"""A reading on the line: its number, how it was taken, what it is of, and its zone."""

from __future__ import annotations

import re
from dataclasses import replace

from emulsa.core import wire
from emulsa.core.errors import OutOfRange, Unreadable
from emulsa.core.light.meters import IlluminanceReading, MeterSet
from emulsa.core.light.sky import OF_THE_LIGHT
from emulsa.core.limits import ZONES, Label
from emulsa.core.line.number import numbers
from emulsa.core.line.words import ReadingWord
from emulsa.core.tones.zones import parse_zone, zone_text
from emulsa.core.typed import FRACTIONS

ZONE_AT_END = re.compile(
    r"(?:^|\s)(?:on\s+(?:zone\s+)?(?=[IVXivx\d]))?"
    r"((?:0|I{1,3}|IV|VI{0,3}|IX|X|i{1,3}|iv|vi{0,3}|ix|x)(?:[+＋−-]|\.\d+|\s*[¼⅓½⅔¾]|\s+\d/\d)?"
    r"|z\s*\d+(?:\.\d+)?(?:\s*[¼⅓½⅔¾])?"
    r"|(?:(?<=on\s)|(?<=zone\s))\d+(?:\.\d+)?(?:\s*[¼⅓½⅔¾]|\s+\d/\d)?)$"
)
ZONE_FIRST = re.compile(
    r"^(?:on\s+)?(?:zone\s+)?((?:II|III|IV|VI|VII|VIII|IX)[+−-]?[¼⅓½⅔¾]?)(?=\s)"
)
ZONE_INSIDE = re.compile(r"(?:^|\s)((?:II|III|IV|VI|VII|VIII|IX)[¼⅓½⅔¾]?)(?=\s)")
SETTING_INSIDE = re.compile(
    r"(?:^|\s)(f/\d+(?:\.\d+)?|f\d+(?:\.\d+)?|(?:ei|draw|bellows|spread)\s*\d+(?:\.\d+)?)(?=\s|$)",
    re.I,
)
PAST_X = re.compile(r"(?:^|\s)(x(?:i{1,3}|iv|vi{0,3}|ix|x))$", re.I)
ISO = re.compile(r"(?:^|\s)iso\s*(\d+)(?=\s|$)", re.I)
THROUGH = re.compile(r"(?:^|\s)@\s*through(?=\s|$)", re.I)
INCIDENT = re.compile(r"(?:^|\s)@\s*(?:incident|dome)(?=\s|$)", re.I)
# a dome or disc reads the light: said as one would, when it is all that is said of the reading
OF_LIGHT = re.compile(r"^(?:incident(?:\s+(?:light|reading|dome))?|dome|disc)$", re.I)
INCIDENT_FIRST = re.compile(r"^incident\s+", re.I)
HIGH = re.compile(r"(?:^|\s)(?:important\s+)?(?:high|highlight)$", re.I)
QUOTED = re.compile(r"(?:^|\s)[\"“„]([^\"“”„]+)[\"”“]")
NUMBERED = re.compile(r"^reading \d+$")  # how a reading without a name is called
NUMBER_INSIDE = re.compile(r"(?:^|\s)(?:at\s+)?(\d+(?:[./]\d+)?[¼⅓½⅔¾]?|[¼⅓½⅔¾])(?=\s|$)")
TIME_WORD = re.compile(r"^(?:min|mins|minutes?|h|hours?|secs?|seconds?)(?=\s|$)", re.I)
STOPS_WORD = re.compile(r"^stops?(?=\s|$)", re.I)
SMALLEST_ISO = 25.0  # a number from here on beside a reading is an ISO rather than a zone
HELD = re.compile(
    r"(?:^|\s)([-−+])\s*(?=[\d¼⅓½⅔¾])(\d+(?:\.\d+)?)?(?:\s+(\d)/([1-9])|\s*([¼⅓½⅔¾]))?\s+held(?=\s|$)",
    re.I,
)


def spot(line: str, meter: MeterSet) -> ReadingWord:
    """A reading with how it was taken, what it is of, and the zone it goes on."""
    line, held = taken_out(line, HELD)
    line, iso = taken_out(line, ISO)
    line, through = taken_out(line, THROUGH)
    line, incident = taken_out(line, INCIDENT)
    line, quoted = taken_out(line, QUOTED)
    number, rest = numbers(line, _set_to(meter, iso, held))
    rest, zone = _zone(rest)
    label, high = taken_out(rest.strip(), HIGH)
    label = label.strip()
    of_light = zone is None and bool(OF_LIGHT.match(label) or INCIDENT_FIRST.match(label))
    if of_light and not OF_LIGHT.match(label):
        label = INCIDENT_FIRST.sub("", label)
    if quoted:
        label = quoted[1].strip()
    else:
        _no_setting_in(label, line)
        _no_number_in(label, line)
    if through and (incident or of_light):
        raise Unreadable("A reading is either through the filters or of the light.", field="text")
    return ReadingWord(
        reading=number,
        label=wire.decode(Label, label.strip(), "text"),
        zone=zone,
        high=high is not None,
        through=through is not None,
        incident=incident is not None
        or of_light
        or isinstance(number, (IlluminanceReading, *OF_THE_LIGHT)),
        iso_said=iso is not None,
    )


def _set_to(meter: MeterSet, iso: re.Match[str] | None, held: re.Match[str] | None) -> MeterSet:
    """What the meter was set to once the line has been heard."""
    if iso:
        meter = replace(meter, ev_iso=float(iso[1]), time_iso=float(iso[1]))
    return replace(meter, held_stops=held_of(held)) if held else meter


def held_of(said: re.Match[str]) -> float:
    """The stops of ``+2½ held``."""
    size = float(said[2] or 0) + FRACTIONS.get(said[5], 0.0)
    size += int(said[3]) / int(said[4]) if said[3] else 0.0
    return size if said[1] == "+" else -size


def _zone(rest: str) -> tuple[str, float | None]:
    """What is behind the number as a name and a zone, which stands at its end or its beginning.

    A numeral within a name is asked about: it is hardly ever part of one.
    """
    first = ZONE_FIRST.match(rest)
    end = ZONE_AT_END.search(rest)
    if end:
        return rest[: end.start()], _zone_of(end[1])
    if first:
        return rest[first.end() :], _zone_of(first[1])
    beyond = PAST_X.search(rest)
    if beyond:
        raise OutOfRange(
            f"“{beyond[1]}” is past the scale: a zone is 0 to X.", field="text", allowed=[0, 10]
        )
    return rest, None


def _zone_of(said: str) -> float:
    """``III+`` is a third above III, ``III−`` a third below."""
    if said[-1] not in "+＋−-":
        return parse_zone(said)
    third = 1 / 3 if said[-1] in "+＋" else -1 / 3
    return ZONES.check(parse_zone(said[:-1]) + third, "text")


def _no_number_in(label: str, line: str) -> None:
    """A number, or what it was counted in, is never taken as a name in silence."""
    if NUMBERED.match(label):
        return
    if TIME_WORD.match(label):
        raise Unreadable("A time needs its aperture: write 120@22 for 2 min at f/22.", field="text")
    if STOPS_WORD.match(label):
        raise Unreadable(
            "Stops are no reading. A bracket gives more or less light; what the meter holds already"
            " is +1⅓ held.",
            field="text",
        )
    found = NUMBER_INSIDE.search(label)
    if found is None:
        return
    said = " ".join(line.replace(found[0], " ", 1).split())
    bare = found[1].replace(".", "").isdigit() and "/" not in found[1]
    size = float(found[1]) if bare else 0.0
    if bare and size >= SMALLEST_ISO:
        raise Unreadable(
            f"Is {found[1]} the ISO the meter was set to? A name with a number stands in quotes.",
            field="text",
            allowed=[f"{said} iso{found[1]}"],
        )
    if bare and size <= ZONES.high:
        raise Unreadable(
            f"Is {found[1]} the zone? A name with a number stands in quotes.",
            field="text",
            allowed=[
                f"{said} {zone_text(size)}",
                f"{line.replace(label, chr(34) + label + chr(34))}",
            ],
        )
    raise Unreadable(
        f"What is {found[1]}? A name with a number stands in quotes.",
        field="text",
        allowed=[line.replace(label, f'"{label}"')],
    )


def _no_setting_in(label: str, line: str) -> None:
    """A numeral or a setting is never taken as part of a name in silence."""
    inside = ZONE_INSIDE.search(label)
    if inside:
        said = " ".join(each for each in line.replace(inside[1], " ").split())
        raise Unreadable(
            f"Is {inside[1]} the zone? A zone stands at the end.",
            field="text",
            allowed=[f"{said} {inside[1]}"],
        )
    setting = SETTING_INSIDE.search(label)
    if setting:
        said = " ".join(line.replace(setting[1], " ").split())
        raise Unreadable(
            f"“{setting[1]}” is no part of a name; a semicolon keeps two things apart.",
            field="text",
            allowed=[f"{said}; {setting[1]}"],
        )


def taken_out(line: str, word: re.Pattern[str]) -> tuple[str, re.Match[str] | None]:
    """The line without a word that may stand anywhere, and the word when it was there."""
    found = word.search(line)
    return (line if not found else f"{line[: found.start()]}{line[found.end() :]}".strip()), found
