"""The reading line: one line of words and numbers, read the way one says it.

    9 shade III          EV 9, called “shade”, placed on III; III+ is III⅓
    13 1/3 bark          EV 13⅓
    1/2@22 frost VII½    1/2 s at f/22, placed on VII½; 1/2 f/22, f22 1/2 and 4′@22 too
    81920lx   1195 fL    illuminance (of the light itself), luminance
    12 incident          EV of the light itself, with a dome or disc; 12 dome, 12 @incident too
    14 frost high        the important highlight, which decides N; high VII: meant for VII
    12 iso400 wall       EV 12 read with ISO 400 set
    iso 400, +2.5 held   what the meter is set to from here on
    15@150 wall          15 s, as it stands: f/150 is on no lens, so 15 is no mark either
    10 snow +2.5 held    the meter already holds +2½ stops
    6 @through sky       read through the filters that are on
    9 + 9 1/3 + 10 wall  the mean of several readings
    9 shade on 3½        a zone in digits: on 3½ or z3.5; VIII.5 is VIII½
    9 "wall 2"           a name with a number in it
    hazy, overcast snow  no meter: the light by the sky, ±1 of one's own; on snow or sand one more
    side lit hazy at 12° the same with the sun so high, from the side; back lit, too
    dusk, full moon      by where sun and moon stand over the outing's place; dusk at -3°
    street, floodlit     among lamps: bright street, shop windows, lit room, church, quiet street
    f/32                 the aperture; U8 of an old uniform scale
    opening 25 mm        the aperture of a barrel lens by its diameter
    draw 30              millimetres of draw beyond infinity focus; draw 1.2 in too
    bellows 180          the whole extension, from lens to film
    spread 3             millimetres between near and far focus
    near 2 m far 30 m    what must be sharp; far horizon
    1:2                  half life size
    tilt 6, hinge 1.5 m  the lens leaning forward; rise 20, shift 5 in millimetres, square again
    pre-expose II        a little even light before; no pre-exposure
    faces SE, looks 110  where the subject faces, or one looks for sun and moon; skyline 8
    filter deep red      a filter by name; “no filter” takes them off
    nd 0.9, ND8          a neutral filter by density, by factor, or filter 3 stops
    lens 150, film NAME  kit by name; what is not in the kit yet is made of what is said
    pinhole 0.2 at 30    a hole of 0.2 mm at 30 mm; 0.2 f/150, f/150 at 30: any two of the three
    ei 400               what the film is rated at
    N−1, N+½             the development; “n by the highlight” leaves it to that again
    note wind from left  a note on the scene
    time 1/2             the time first: aperture and neutral filter follow
    flash 32 at 2.5 m    its guide number and distance: the aperture follows; 1/4, 3 pops behind it

What could mean two things is asked about, never guessed: every number of a line is used or refused.
What is not understood is answered with the nearest line that is.
"""

from __future__ import annotations

import re
from collections.abc import Callable
from typing import Literal

from emulsa.core import wire
from emulsa.core.corrections.aperture_choice import ByLimits, BySpread
from emulsa.core.corrections.bellows import ByDraw, ByExtension, ByMagnification, Infinity
from emulsa.core.corrections.flash import FlashDistance, FlashPower, GuideNumber, Pops
from emulsa.core.corrections.focusing import Hinge, TiltAngle
from emulsa.core.corrections.pre_exposure import PreZone
from emulsa.core.errors import Ambiguous, Unreadable
from emulsa.core.lengths import mm
from emulsa.core.light.hand_time import watch_s
from emulsa.core.light.marks import literal_seconds, typed_aperture
from emulsa.core.light.meters import Held, MeterSet
from emulsa.core.limits import EI, TIMES, Note
from emulsa.core.line import making, nearest
from emulsa.core.line.number import aperture_word
from emulsa.core.line.spot import HELD, ISO, held_of, spot, taken_out
from emulsa.core.line.words import (
    ApertureWord,
    BearingWord,
    DepthWord,
    FlashWord,
    FocusWord,
    KitWord,
    Line,
    MeterWord,
    MovementsWord,
    NoteWord,
    NWord,
    OpeningWord,
    PreExposeWord,
    RatingWord,
    ReadingWord,
    TimeWord,
)
from emulsa.core.scene.record import Rise, Shift
from emulsa.core.sky.compass import azimuth_of
from emulsa.core.sky.day import Azimuth, Skyline
from emulsa.core.tones.development_number import DevelopmentNumber
from emulsa.core.tones.zones import parse_zone
from emulsa.core.typed import pointed

KIT_WORDS: dict[str, Literal["filter", "lens", "pinhole", "film"]] = {
    "filter": "filter",
    "lens": "lens",
    "pinhole": "pinhole",
    "film": "film",
}
LONGEST = 120  # characters of a line; labels have 80
LONG = r"(\d+(?:\.\d+)?\s*(?:mm|cm|in|″)?)"  # millimetres unless it says otherwise
FAR_OFF = r"(\d+(?:\.\d+)?\s*(?:mm|cm|m|in|″))"  # a distance always says its unit
FACING_DEG, LOOKING_DEG = 90.0, 5.0  # to either side


def parse(text: str, meter: MeterSet = MeterSet()) -> Line:
    """The line's meaning; Unreadable says what to type instead, OutOfRange what is allowed.

    ``meter`` is what the meter is set to: readings are taken so unless the line says otherwise.
    """
    line = _written(text)
    try:
        return _meaning(line, meter)
    except Ambiguous:
        raise
    except Unreadable as problem:
        problem.allowed = problem.allowed or nearest.nearest(line, lambda one: _meaning(one, meter))
        raise


def reading(text: str, meter: MeterSet = MeterSet()) -> ReadingWord:
    """The line as a reading; Unreadable when it means something else."""
    word = parse(text, meter)
    if not isinstance(word, ReadingWord):
        raise Unreadable("Type the new reading of what you placed, as in 8.5.", field="text")
    return word


def _written(text: str) -> str:
    line = " ".join(text.split())
    if not line:
        raise Unreadable("Type a reading, as in 9 shade III.", field="text")
    if len(line) > LONGEST:
        raise Unreadable(f"A line may have {LONGEST} characters at most.", field="text")
    return pointed(line, "text")


def _meaning(line: str, meter: MeterSet) -> Line:
    setting = _setting(line) or _meter(line)
    return setting if setting is not None else spot(line, meter)


def _setting(line: str) -> Line | None:
    if re.fullmatch(r"infinity|draw|no draw", line, re.I):
        return FocusWord(focus=Infinity())
    if re.fullmatch(r"no filters?|filter none", line, re.I):
        return KitWord(kind="filter", words="")
    if re.fullmatch(r"(?:camera )?square|no tilt|no movements", line, re.I):
        return MovementsWord(tilt_deg=0.0, rise_mm=0.0, shift_mm=0.0)
    if re.fullmatch(r"no pre-?exposure", line, re.I):
        return PreExposeWord(zone=None)
    if making.NEUTRAL.fullmatch(line):
        return KitWord(kind="filter", words=line)
    if re.fullmatch(r"no n|n by (?:the )?highlight", line, re.I):
        return NWord(n=None)
    for pattern, made in SETTINGS:
        found = pattern.fullmatch(line)
        if found:
            return made(found)
    return None


def _extension(said: re.Match[str]) -> Line:
    return FocusWord(focus=wire.decode(ByExtension, {"kind": "extension", "extension_mm": said[1]}))


def _draw(said: re.Match[str]) -> Line:
    return FocusWord(focus=wire.decode(ByDraw, {"kind": "draw", "draw_mm": said[1]}))


def _development(said: re.Match[str]) -> Line:
    return NWord(n=wire.decode(DevelopmentNumber, re.sub(r"\s*([-−+])\s*", r"\1", said[1]), "text"))


def _spread(said: re.Match[str]) -> Line:
    return DepthWord(depth=wire.decode(BySpread, {"kind": "spread", "focus_spread_mm": said[1]}))


def _limits(said: re.Match[str]) -> Line:
    far = "horizon" if said[2].lower() in ("infinity", "horizon") else said[2]
    body = {"kind": "limits", "near_mm": said[1], "far_mm": far}
    return DepthWord(depth=wire.decode(ByLimits, body, "text"))


def _ratio(said: re.Match[str]) -> Line:
    image, subject = float(said[1]), float(said[2])
    if 1 not in (image, subject) or not subject:
        raise Unreadable("Say how large the image is as 1:2 or 2:1.", field="text")
    body = {"kind": "magnification", "m": image / subject}
    return FocusWord(focus=wire.decode(ByMagnification, body, "text"))


def _tilt(said: re.Match[str]) -> Line:
    return MovementsWord(tilt_deg=wire.decode(TiltAngle, float(said[1]), "text"))


def _hinge(said: re.Match[str]) -> Line:
    return MovementsWord(hinge_mm=wire.decode(Hinge, said[1], "text"))


def _rise(said: re.Match[str]) -> Line:
    """A rise or a fall, a shift to the right or the left."""
    word, size = said[1].lower(), mm(said[3], "text")
    left = (said[4] or "").lower() == "left"
    if word == "shift":
        size = -size if said[2] or left else size
        return MovementsWord(shift_mm=wire.decode(Shift, size, "text"))
    size = -size if said[2] or word == "fall" else size
    return MovementsWord(rise_mm=wire.decode(Rise, size, "text"))


def _flash(said: re.Match[str]) -> Line:
    return FlashWord(
        guide_number=wire.decode(GuideNumber, float(said[1]), "text"),
        distance=wire.decode(FlashDistance, float(said[2]), "text"),
        unit="ft" if said[3].lower() == "ft" else "m",
        power=wire.decode(FlashPower, 1 / float(said[4] or 1), "text"),
        pops=wire.decode(Pops, int(said[5] or 1), "text"),
    )


def _pre_expose(said: re.Match[str]) -> Line:
    return PreExposeWord(zone=wire.decode(PreZone, parse_zone(said[1]), "text"))


def _bearing(said: re.Match[str]) -> Line:
    """A wall faces half the compass; one looks at a gap or a summit."""
    azimuth = azimuth_of(said[2])
    width = FACING_DEG if said[1].lower() == "faces" else LOOKING_DEG
    return BearingWord(azimuth_deg=wire.decode(Azimuth, azimuth, "text"), width_deg=width)


def _skyline(said: re.Match[str]) -> Line:
    return BearingWord(skyline_deg=wire.decode(Skyline, float(said[1]), "text"))


# a word and what follows it, each with what it means
SETTINGS: tuple[tuple[re.Pattern[str], Callable[[re.Match[str]], Line]], ...] = tuple(
    (re.compile(pattern, re.I), made)
    for pattern, made in (
        (
            r"f\s*/?\s*(\d+(?:\.\d+)?)",
            lambda said: ApertureWord(aperture=aperture_word(said[1])),
        ),
        (
            r"(u\s*\d+)",
            lambda said: ApertureWord(aperture=typed_aperture(said[1].replace(" ", ""))),
        ),
        (rf"opening\s*{LONG}", lambda said: OpeningWord(diameter_mm=mm(said[1], "text"))),
        (rf"(?:bellows|extension)\s*{LONG}", _extension),
        (rf"draw\s*{LONG}", _draw),
        (rf"spread\s*{LONG}", _spread),
        (rf"near\s*{FAR_OFF}\s*,?\s*far\s*({FAR_OFF[1:-1]}|horizon|infinity)", _limits),
        (r"(\d+(?:\.\d+)?)\s*:\s*(\d+(?:\.\d+)?)", _ratio),
        (r"tilt\s*(\d+(?:\.\d+)?)\s*°?", _tilt),
        (rf"hinge\s*{FAR_OFF}", _hinge),
        (
            r"flash\s*(\d+(?:\.\d+)?)\s*(?:at|@)\s*(\d+(?:\.\d+)?)\s*(m|ft)"
            r"(?:\s+1/(\d+))?(?:\s+(\d+)\s*pops?)?",
            _flash,
        ),
        (rf"(rise|fall|shift)\s*([-−])?\s*{LONG}(?:\s+(left|right))?", _rise),
        (r"pre-?expose[d]?\s+(?:to\s+|on\s+)?(?:zone\s+)?(\S+)", _pre_expose),
        (r"(faces|looks)\s+(\S+?)\s*°?", _bearing),
        (r"skyline\s*([-−]?\d+(?:\.\d+)?)\s*°?", _skyline),
        (
            r"ei\s*(\d+(?:\.\d+)?)",
            lambda said: RatingWord(exposure_index=EI.check(float(said[1]), "text")),
        ),
        (r"(n(?:\s*[-−+]\s*\d.*)?|n\s*[-−+]\s*[¼⅓½⅔¾])", _development),
        (r"note\s+(.+)", lambda said: NoteWord(text=wire.decode(Note, said[1], "text"))),
        (r"time\s+(.+)", lambda said: TimeWord(seconds=_wanted_s(said[1]))),
        (
            r"(filter|lens|film|pinhole)\s+(.+)",
            lambda said: KitWord(kind=KIT_WORDS[said[1].lower()], words=said[2]),
        ),
    )
)


def _wanted_s(text: str) -> float:
    """A time as one wants it: ``1/2``, ``2 s``, ``2:10``; Unreadable for another."""
    bare = re.sub(r"\s*(?:s|sec|seconds?)$", "", text)
    found = watch_s(text)
    if found is None:
        found = literal_seconds(bare)
    if found is None:
        raise Unreadable(f"“{text}” is not a time; write time 1/2, 2 s or 2:10.", field="text")
    return TIMES.check(found, "text")


def _meter(line: str) -> MeterWord | None:
    """The meter's ISO, what it holds, or both, on a line with nothing else."""
    if re.fullmatch(r"(?:nothing|no|0) held", line, re.I):
        return MeterWord(held_stops=0.0)
    rest, held = taken_out(line, HELD)
    rest, iso = taken_out(rest, ISO)
    if rest or not (held or iso):
        return None
    return MeterWord(
        iso=EI.check(float(iso[1]), "text") if iso else None,
        held_stops=wire.decode(Held, held_of(held), "text") if held else None,
    )
