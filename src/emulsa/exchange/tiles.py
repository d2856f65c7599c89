"""A picture in tiles: a large scan is looked at near without being sent whole.

All tiles of all sizes lie in one file beside the picture, made once from the original: a zip that
is not packed again, since its JPEGs are packed. Level 0 is the picture as it was scanned, each
further one half of it.
"""

from __future__ import annotations

import threading
import zipfile
from io import BytesIO
from pathlib import Path
from typing import Any

from emulsa.exchange import pictures
from emulsa.store.folder import part_of

TILE_PX = 512
QUALITY = 88
making = threading.Lock()


def levels(width: int, height: int) -> int:
    """How many sizes there are, the last of which is one tile.

    >>> levels(512, 300), levels(513, 300), levels(12_000, 8_000)
    (1, 2, 6)
    """
    found, longest = 1, max(width, height)
    while longest > TILE_PX:
        found, longest = found + 1, -(-longest // 2)
    return found


def tile(folder: Path, digest: str, media_type: str, place: tuple[int, int, int]) -> bytes | None:
    """One tile by level, column and row; None where there is none."""
    target = made(folder, digest, media_type)
    if target is None:
        return None
    with zipfile.ZipFile(target) as kept:
        try:
            return kept.read(_name(*place))
        except KeyError:
            return None


def made(folder: Path, digest: str, media_type: str) -> Path | None:
    """The file of all tiles, made when it is asked for first; None without the original."""
    target = folder / f"{digest}.tiles.screen.zip"
    source = pictures.original(folder, digest, media_type)
    if not source.exists():
        return None
    with making:
        if not target.exists():
            part = part_of(target)
            with pictures.whole_or_damaged(part), zipfile.ZipFile(part, "w") as kept:
                _cut(pictures.upright(source), kept)
            part.replace(target)
    return target


def _cut(image: Any, kept: zipfile.ZipFile) -> None:
    level = 0
    while True:
        for row in range(-(-image.height // TILE_PX)):
            for column in range(-(-image.width // TILE_PX)):
                left, top = column * TILE_PX, row * TILE_PX
                right, low = min(left + TILE_PX, image.width), min(top + TILE_PX, image.height)
                written = BytesIO()
                image.crop((left, top, right, low)).save(written, "JPEG", quality=QUALITY)
                kept.writestr(_name(level, column, row), written.getvalue())
        if max(image.size) <= TILE_PX:
            return
        image, level = image.reduce(2), level + 1


def _name(level: int, column: int, row: int) -> str:
    return f"{level}-{column}-{row}.jpg"
