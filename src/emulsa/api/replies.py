"""Answers that are files: bytes, a file on the disk, or a stream; and names that say what they are.

They know nothing of HTTP's frameworks, so that the same routes can answer where there is no server.
"""

from __future__ import annotations

import re
import unicodedata
from collections.abc import Iterator
from dataclasses import dataclass, field
from pathlib import Path
from typing import Literal
from urllib.parse import quote

UNSENDABLE = re.compile("[\0-\x1f\x7f-\x9f\u2028\u2029\ud800-\udfff]")
PDF, CSV, ICS = "application/pdf", "text/csv; charset=utf-8", "text/calendar"
ZIP, GEOJSON, XMP = "application/zip", "application/geo+json", "application/rdf+xml"


@dataclass(frozen=True)
class File:
    """A file as an answer: what it holds, where it lies, or how it is made, and its headers."""

    media_type: str
    content: bytes = b""
    path: Path | None = None
    stream: Iterator[bytes] | None = None
    headers: dict[str, str] = field(default_factory=dict)


def attached(
    content: bytes,
    media_type: str,
    name: str,
    ending: str,
    how: Literal["inline", "attachment"] = "inline",
) -> File:
    """A file of the house, named ``emulsa-<name>.<ending>``."""
    named = disposition(f"emulsa-{file_name(name)}.{ending}", how)
    return File(media_type, content, headers={"content-disposition": named})


def file_name(text: str) -> str:
    """Text as part of a file's name on any system: plain letters, digits, dashes.

    >>> file_name("Étang, 2026/01"), file_name("../..")
    ('etang-2026-01', 'untitled')
    """
    plain = unicodedata.normalize("NFKD", text).encode("ascii", "ignore").decode()
    return re.sub(r"[^a-z0-9]+", "-", plain.lower()).strip("-")[:80] or "untitled"


def disposition(name: str, how: Literal["inline", "attachment"] = "attachment") -> str:
    """The header that names a file, whatever letters the name has."""
    name = UNSENDABLE.sub("_", name)
    plain = name.encode("ascii", "replace").decode().replace('"', "'").replace("\\", "_")
    return f"{how}; filename=\"{plain}\"; filename*=UTF-8''{quote(name)}"
