"""A drawn stand-in for a scan: a shed, a roof with a hole, and light on the floor."""

from __future__ import annotations

from pathlib import Path

from emulsa.exchange import pictures
from emulsa.store import attachments, backups
from emulsa.store.attachments import Attachment
from emulsa.store.database import Connection

SIZE = (1200, 950)  # a 4×5 in sheet at 254 dots an inch
NAME = "cutting-shed-5A.png"


def attach(connection: Connection, folder: Path, exposure_id: str) -> None:
    """Draw the scan and keep it with an exposure."""
    handed_in = folder / NAME
    _draw(handed_in)
    kept = folder / backups.ATTACHMENTS
    kept.mkdir(exist_ok=True)
    picture = pictures.keep(kept, handed_in)
    attachments.put(
        connection,
        Attachment(
            id="scan-shed",
            exposure_id=exposure_id,
            name=NAME,
            media_type=picture.media_type,
            bytes=picture.bytes,
            width=picture.width,
            height=picture.height,
            digest=picture.digest,
            added_at="2025-11-27T19:00:00.000Z",
        ),
    )


def _draw(path: Path) -> None:
    from PIL import Image, ImageDraw

    width, height = SIZE
    image = Image.linear_gradient("L").resize(SIZE).point([40 + level // 4 for level in range(256)])
    draw = ImageDraw.Draw(image)
    draw.polygon([(0, 0), (width, 0), (width, 260), (620, 90), (0, 300)], fill=34)
    draw.polygon([(640, 40), (800, 70), (770, 150), (660, 120)], fill=246)
    draw.polygon([(690, 150), (760, 150), (960, height), (420, height)], fill=128)
    for left in range(0, width, 150):
        draw.rectangle((left, 300, left + 18, 620), fill=24)
    draw.rectangle((120, 620, 1080, 700), fill=58)
    draw.ellipse((480, 420, 780, 720), outline=205, width=10)
    for bed in range(700, height, 50):
        draw.line((0, bed, width, bed + 14), fill=18, width=6)
    image.save(path, optimize=True)
