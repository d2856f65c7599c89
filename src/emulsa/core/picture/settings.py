"""What a picture's file says of its exposure, out of its EXIF block.

EXIF 2.3 and TIFF 6.0, from memory. Where a picture was taken is not read.
"""

from __future__ import annotations

import base64
import binascii
import math
import struct
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from typing import Annotated

from emulsa.core.advice import Advice
from emulsa.core.errors import Unreadable
from emulsa.core.light.exposure_value import at_hundred, exposure_value
from emulsa.core.limits import Length

ExifText = Annotated[str, Length("The EXIF block", 0, 200_000)]

PREFIX = b"Exif\0\0"
ORIENTATION, ITS_EXIF = 0x0112, 0x8769
TIME, F_NUMBER, TIME_VALUE, APERTURE_VALUE = 0x829A, 0x829D, 0x9201, 0x9202
ISO, ISO_SAID_ELSEWHERE, OTHER_ISOS = 0x8827, (0, 65_535), (0x8833, 0x8831, 0x8832)
BIAS, FLASH, TAKEN, FOCAL_35MM, ZOOM = 0x9204, 0x9209, 0x9003, 0xA405, 0xA404
COLOUR_SPACE, PROCESSED = 0xA001, 0xA401
# bytes of a value by its type; the others hold nothing that is asked for
SIZES = {1: 1, 2: 1, 3: 2, 4: 4, 5: 8, 7: 1, 9: 4, 10: 8}
FORMS = {1: "B", 3: "H", 4: "I", 9: "i"}
WIDE_MM, NARROW_MM = 36.0, 24.0
ZOOMED = 1.001
LARGEST_APEX = 64  # a power of two beyond it is no time and no aperture
SETTINGS = ("time", "aperture", "iso")


@dataclass(frozen=True, kw_only=True, slots=True)
class PictureSettingsRequest:
    """The EXIF block, with or without its heading, as base64."""

    exif_base64: ExifText


@dataclass(frozen=True, kw_only=True, slots=True)
class PictureSettings:
    """Time, aperture and ISO as they were, the EV they stand for, how wide the picture sees, which
    way it is turned; ``missing`` of the three what the file does not say. The bias is told, never
    added: the settings are what was given."""

    time_s: float | None
    aperture: float | None
    iso: float | None
    ev100: float | None
    bias_stops: float | None
    focal_35mm_mm: float | None
    view_deg: float | None
    zoom: float | None
    orientation: int
    turned: bool
    taken: str
    missing: tuple[str, ...]
    advice: tuple[Advice, ...]


def picture_settings(request: PictureSettingsRequest) -> PictureSettings:
    """The operation ``picture_settings``; Unreadable for what is no EXIF block. An entry that makes
    no sense is missing."""
    found = _entries(_bytes(request.exif_base64))
    time_s = _first(found.get(TIME), _apex(found.get(TIME_VALUE), lambda value: 2**-value))
    aperture = _first(
        found.get(F_NUMBER), _apex(found.get(APERTURE_VALUE), lambda value: 2 ** (value / 2))
    )
    iso = _iso(found)
    told = dict(zip(SETTINGS, (time_s, aperture, iso), strict=True))
    missing = tuple(name for name, value in told.items() if value is None)
    orientation = found.get(ORIENTATION)
    turn = int(orientation) if isinstance(orientation, float) and 1 <= orientation <= 8 else 1
    focal = _first(found.get(FOCAL_35MM))
    width = NARROW_MM if turn >= 5 else WIDE_MM
    taken = found.get(TAKEN)
    return PictureSettings(
        time_s=time_s,
        aperture=aperture,
        iso=iso,
        ev100=at_hundred(exposure_value(aperture, time_s), iso)
        if time_s is not None and aperture is not None and iso is not None
        else None,
        bias_stops=_number(found.get(BIAS)),
        focal_35mm_mm=focal,
        view_deg=math.degrees(2 * math.atan(width / 2 / focal)) if focal else None,
        zoom=_first(found.get(ZOOM)),
        orientation=turn,
        turned=turn >= 5,
        taken=taken if isinstance(taken, str) else "",
        missing=missing,
        advice=tuple(_advice(found, missing)),
    )


Value = float | str


def _bytes(text: str) -> bytes:
    try:
        block = base64.b64decode(text, validate=True)
    except (binascii.Error, ValueError):
        raise Unreadable("This is not base64.", field="exif_base64") from None
    block = block.removeprefix(PREFIX)
    if block[:4] not in (b"II*\0", b"MM\0*"):
        raise Unreadable("This is no EXIF block: it has no TIFF header.", field="exif_base64")
    return block


def _entries(block: bytes) -> dict[int, Value]:
    """What the first directory and its EXIF directory say, as far as it lies within the bytes."""
    order = "<" if block[:2] == b"II" else ">"
    found = dict(_directory(block, order, _whole(block, order, 4)))
    there = found.get(ITS_EXIF)
    if isinstance(there, float):
        found.update(_directory(block, order, int(there)))
    return found


def _whole(block: bytes, order: str, at: int) -> int:
    return int(struct.unpack_from(f"{order}I", block, at)[0]) if at + 4 <= len(block) else -1


def _directory(block: bytes, order: str, at: int) -> Iterator[tuple[int, Value]]:
    if at < 8 or at + 2 > len(block):
        return
    (count,) = struct.unpack_from(f"{order}H", block, at)
    for place in range(count):
        entry = at + 2 + 12 * place
        if entry + 12 > len(block):
            return
        tag, kind, many = struct.unpack_from(f"{order}HHI", block, entry)
        value = _value(block, order, kind, many, entry + 8)
        if value is not None:
            yield tag, value


def _value(block: bytes, order: str, kind: int, many: int, at: int) -> Value | None:
    """The first of an entry's values, or its text; None for what lies outside or makes no sense."""
    size = SIZES.get(kind, 0) * many
    if not size:
        return None
    if size > 4:
        at = _whole(block, order, at)
    if at < 0 or at + size > len(block):
        return None
    if kind == 2:
        return block[at : at + size].split(b"\0")[0].decode("ascii", "replace").strip()
    if kind in (5, 10):
        over, under = struct.unpack_from(f"{order}{'II' if kind == 5 else 'ii'}", block, at)
        return over / under if under else None
    if kind not in FORMS:
        return None
    return float(struct.unpack_from(f"{order}{FORMS[kind]}", block, at)[0])


def _number(value: Value | None) -> float | None:
    return value if isinstance(value, float) else None


def _first(*values: Value | None) -> float | None:
    """The first that is more than nothing."""
    return next((each for each in values if isinstance(each, float) and each > 0), None)


def _apex(value: Value | None, meant: Callable[[float], float]) -> float | None:
    """A value that is written as a power of two."""
    return meant(value) if isinstance(value, float) and abs(value) <= LARGEST_APEX else None


def _iso(found: dict[int, Value]) -> float | None:
    said = found.get(ISO)
    if said in ISO_SAID_ELSEWHERE:
        return _first(*(found.get(each) for each in OTHER_ISOS))
    return _first(said)


def _advice(found: dict[int, Value], missing: tuple[str, ...]) -> Iterator[Advice]:
    flash, zoom = found.get(FLASH), _first(found.get(ZOOM))
    if isinstance(flash, float) and int(flash) & 1:
        yield _note("flash-fired", "A flash went off: this light is not the scene’s.")
    if zoom is not None and zoom > ZOOMED:
        yield _note("zoomed", f"Zoomed {zoom:.1f} times: it sees less than its lens says.")
    if found.get(PROCESSED, 0.0) != 0.0:
        yield _note("specially-processed", "Its maker worked it over: shadows may be lightened.")
    if found.get(COLOUR_SPACE, 1.0) != 1.0:
        yield _note("colour-space-unknown", "Its colours are not sRGB: levels may mean others.")
    if missing:
        names = " and ".join(", ".join(missing).rsplit(", ", 1))
        yield _note("settings-missing", f"Its file does not say its {names}: take a reading.")


def _note(code: str, text: str) -> Advice:
    return Advice(code=code, severity="note", text=text)
