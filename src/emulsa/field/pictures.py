"""Pictures where none can be opened: what a file is by its first bytes, its size as the page that
opened it says; home looks at it again before it keeps it."""

from __future__ import annotations

import hashlib
import re
from pathlib import Path

from emulsa.core.errors import Unreadable
from emulsa.core.logged.attachment import PictureType
from emulsa.exchange.pictures import Picture

SIZE = "x-emulsa-size"
SAID = re.compile(r"([1-9]\d{0,5})x([1-9]\d{0,5})")
FIRST_BYTES: tuple[tuple[bytes, PictureType], ...] = (
    (b"\xff\xd8\xff", "image/jpeg"),
    (b"\x89PNG\r\n\x1a\n", "image/png"),
)


def looked(path: Path, said: str) -> Picture:
    """What a file is; Unreadable when it is no picture a browser can open."""
    content = path.read_bytes()
    size = SAID.fullmatch(said)
    kind = next((kind for first, kind in FIRST_BYTES if content.startswith(first)), None)
    if kind is None or size is None:
        raise Unreadable(
            "Out here JPEG and PNG pictures can be attached; others wait for home.",
            field="picture",
        )
    digest = hashlib.sha256(content).hexdigest()
    return Picture(kind, int(size[1]), int(size[2]), len(content), digest)
