"""Files as answers: their types in the document, and names that say what they are."""

from __future__ import annotations

import re
import unicodedata
from typing import Any, Literal
from urllib.parse import quote

from fastapi import Response

PDF: dict[int | str, dict[str, Any]] = {200: {"content": {"application/pdf": {}}}}
ICS: dict[int | str, dict[str, Any]] = {200: {"content": {"text/calendar": {}}}}
CSV: dict[int | str, dict[str, Any]] = {200: {"content": {"text/csv": {}}}}


def attached(
    content: bytes,
    media_type: str,
    name: str,
    ending: str,
    how: Literal["inline", "attachment"] = "inline",
) -> Response:
    """A file of the house, named ``emulsa-<name>.<ending>``."""
    return Response(
        content,
        media_type=media_type,
        headers={"content-disposition": disposition(f"emulsa-{file_name(name)}.{ending}", how)},
    )


def file_name(text: str) -> str:
    """Text as part of a file's name on any system: plain letters, digits, dashes.

    >>> file_name("Étang, 2026/01"), file_name("../..")
    ('etang-2026-01', 'untitled')
    """
    plain = unicodedata.normalize("NFKD", text).encode("ascii", "ignore").decode()
    return re.sub(r"[^a-z0-9]+", "-", plain.lower()).strip("-")[:80] or "untitled"


def disposition(name: str, how: Literal["inline", "attachment"] = "attachment") -> str:
    """The header that names a file, whatever letters the name has."""
    plain = name.encode("ascii", "replace").decode().replace('"', "'").replace("\\", "_")
    return f"{how}; filename=\"{plain}\"; filename*=UTF-8''{quote(name)}"
