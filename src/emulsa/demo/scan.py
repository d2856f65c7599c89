"""A drawn stand-in for a scan: a shed, a roof with a hole, and light on the floor."""

from __future__ import annotations

from pathlib import Path

from emulsa.core.logged.attachment import Attachment
from emulsa.exchange import pictures
from emulsa.store import records
from emulsa.store.database import Connection
from emulsa.store.folder import ATTACHMENTS

SIZE = (600, 475)  # a 4×5 in sheet at 127 dots an inch
NAME = "cutting-shed-5A.png"


def attach(connection: Connection, folder: Path, exposure_id: str, at: str) -> None:
    """Draw the scan and keep it with an exposure."""
    handed_in = folder / NAME
    _draw(handed_in)
    kept = folder / ATTACHMENTS
    kept.mkdir(exist_ok=True)
    picture = pictures.keep(kept, handed_in)
    records.keep(
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
            added_at=at,
        ),
    )


def _draw(path: Path) -> None:
    from PIL import Image, ImageDraw

    width, height = SIZE
    image = Image.linear_gradient("L").resize(SIZE).point([40 + level // 4 for level in range(256)])
    draw = ImageDraw.Draw(image)
    draw.polygon([(0, 0), (width, 0), (width, 130), (310, 45), (0, 150)], fill=34)
    draw.polygon([(320, 20), (400, 35), (385, 75), (330, 60)], fill=246)
    draw.polygon([(345, 75), (380, 75), (480, height), (210, height)], fill=128)
    for left in range(0, width, 75):
        draw.rectangle((left, 150, left + 9, 310), fill=24)
    draw.rectangle((60, 310, 540, 350), fill=58)
    draw.ellipse((240, 210, 390, 360), outline=205, width=5)
    for bed in range(350, height, 25):
        draw.line((0, bed, width, bed + 7), fill=18, width=3)
    image.save(path)
