"""An XMP sidecar: what a scan cannot know of its negative, as plain XML beside it.

Properties of the exif and dc schemas as ISO 16684-1 and its Part 2 name them, from memory; zones, N
and holder in a namespace of the house.
"""

from __future__ import annotations

import math
import re
import xml.etree.ElementTree as ET
from dataclasses import dataclass
from fractions import Fraction

RDF = "http://www.w3.org/1999/02/22-rdf-syntax-ns#"
XMP_META = "adobe:ns:meta/"
EXIF = "http://ns.adobe.com/exif/1.0/"
DC = "http://purl.org/dc/elements/1.1/"
HOUSE = "urn:emulsa:negative:1"
XML = "http://www.w3.org/XML/1998/namespace"

NO_CHARACTERS = re.compile("[^\t\n\r\x20-\ud7ff\ue000-\ufffd\U00010000-\U0010ffff]")
PREFIXES = {"x": XMP_META, "rdf": RDF, "exif": EXIF, "dc": DC, "emulsa": HOUSE}


@dataclass(frozen=True)
class Sidecar:
    """What is written: exposure, kit, place, and the zone system's own words."""

    exposed_at: str
    seconds: float
    f_number: float | None
    iso: float | None
    focal_length_mm: float | None
    description: str
    holder: str
    n: str
    film: str
    zones: tuple[str, ...]
    latitude: float | None = None
    longitude: float | None = None


def xml(sidecar: Sidecar) -> bytes:
    """The sidecar's text, UTF-8."""
    for prefix, uri in PREFIXES.items():
        ET.register_namespace(prefix, uri)
    root = ET.Element(f"{{{XMP_META}}}xmpmeta")
    description = ET.SubElement(
        ET.SubElement(root, f"{{{RDF}}}RDF"), f"{{{RDF}}}Description", {f"{{{RDF}}}about": ""}
    )

    def simple(namespace: str, name: str, text: str | None) -> None:
        if text:
            ET.SubElement(description, f"{{{namespace}}}{name}").text = writable(text)

    def array(namespace: str, name: str, kind: str, entries: tuple[str, ...]) -> None:
        if any(entries):
            outer = ET.SubElement(description, f"{{{namespace}}}{name}")
            inner = ET.SubElement(outer, f"{{{RDF}}}{kind}")
            for text in entries:
                attributes = {f"{{{XML}}}lang": "x-default"} if kind == "Alt" else {}
                ET.SubElement(inner, f"{{{RDF}}}li", attributes).text = writable(text)

    simple(EXIF, "ExposureTime", rational(sidecar.seconds))
    simple(EXIF, "FNumber", rational(sidecar.f_number))
    iso = "" if sidecar.iso is None else str(round(sidecar.iso))
    array(EXIF, "ISOSpeedRatings", "Seq", (iso,))
    simple(EXIF, "FocalLength", rational(sidecar.focal_length_mm))
    simple(EXIF, "DateTimeOriginal", sidecar.exposed_at)
    simple(EXIF, "GPSLatitude", coordinate(sidecar.latitude, "NS"))
    simple(EXIF, "GPSLongitude", coordinate(sidecar.longitude, "EW"))
    array(DC, "description", "Alt", (sidecar.description,))
    simple(HOUSE, "Film", sidecar.film)
    simple(HOUSE, "Holder", sidecar.holder)
    simple(HOUSE, "Development", sidecar.n)
    array(HOUSE, "Zones", "Seq", sidecar.zones)
    ET.indent(root)
    text: bytes = ET.tostring(root, encoding="utf-8", xml_declaration=True)
    return text


def writable(text: str) -> str:
    """Text without what XML 1.0 has no way to write (its production 2, Char).

    >>> writable("pool\\x0b, 9\\ud800")
    'pool, 9'
    """
    return NO_CHARACTERS.sub("", text)


def rational(value: float | None) -> str:
    """A number as the schema's rational, close to a ten-thousandth; nothing for nothing.

    >>> rational(1 / 64), rational(22.627417), rational(9.0)
    ('1/64', '12875/569', '9/1')
    """
    if value is None or not math.isfinite(value):
        return ""
    fraction = Fraction(value).limit_denominator(10_000 if value < 1 else 1_000)
    return f"{fraction.numerator}/{fraction.denominator}"


def coordinate(degrees: float | None, letters: str) -> str:
    """Degrees and minutes with their letter, as the schema writes a GPS coordinate.

    >>> coordinate(53.2, "NS"), coordinate(-4.05, "EW")
    ('53,12.0000N', '4,3.0000W')
    """
    if degrees is None:
        return ""
    size = abs(degrees)
    whole = int(size + 1e-9)
    minutes = max(0.0, (size - whole) * 60)
    return f"{whole},{minutes:.4f}{letters[degrees < 0]}"
