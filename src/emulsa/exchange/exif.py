"""Where a picture's file keeps its EXIF block. Source: EXIF 2.3 and PNG 3, from memory."""

from __future__ import annotations

import base64
import struct
from pathlib import Path
from typing import BinaryIO

from emulsa.core.errors import CoreError
from emulsa.core.picture.metering import Metering, metering_of
from emulsa.core.picture.settings import PictureSettingsRequest, picture_settings

JPEG, PNG = b"\xff\xd8", b"\x89PNG\r\n\x1a\n"
APP1, SCAN, ALONE = 0xE1, 0xDA, (*range(0xD0, 0xD8), 0x01)
ORIENTATION, SETTINGS = 274, 0x8769
HEAD = b"Exif\0\0"
MOST_PARTS = 64  # of a file, before its picture begins
LARGEST = 120_000  # bytes of a block that is read


def metering(path: Path) -> Metering:
    """How a picture is metered by, begun with what its file says; nothing of it where the file says
    nothing, or nothing that can be read."""
    block = exif_block(path)
    if block is None:
        return Metering()
    try:
        request = PictureSettingsRequest(exif_base64=base64.b64encode(block).decode())
        return metering_of(picture_settings(request))
    except CoreError:
        return Metering()


def exif_block(path: Path) -> bytes | None:
    """The EXIF block of a JPEG, a PNG, or (where Pillow is) a TIFF; nothing where there is none."""
    with path.open("rb") as file:
        head = file.read(8)
        if head.startswith(JPEG):
            file.seek(2)
            return _of_jpeg(file)
        if head == PNG:
            return _of_png(file)
    return _of_tiff(path)


def _of_jpeg(file: BinaryIO) -> bytes | None:
    for _ in range(MOST_PARTS):
        marker = file.read(2)
        if len(marker) < 2 or marker[0] != 0xFF or marker[1] == SCAN:
            return None
        if marker[1] in ALONE:
            continue
        size = file.read(2)
        length = struct.unpack(">H", size)[0] - 2 if len(size) == 2 else -1
        if length < 0:
            return None
        if marker[1] == APP1:
            block = file.read(length)
            if block.startswith(HEAD):
                return block
        else:
            file.seek(length, 1)
    return None


def _of_png(file: BinaryIO) -> bytes | None:
    for _ in range(MOST_PARTS):
        head = file.read(8)
        if len(head) < 8 or head[4:] in (b"IDAT", b"IEND"):
            return None
        length = struct.unpack(">I", head[:4])[0]
        if head[4:] == b"eXIf" and length <= LARGEST:
            return file.read(length)
        file.seek(length + 4, 1)
    return None


def _of_tiff(path: Path) -> bytes | None:
    try:
        from PIL import Image

        with Image.open(path, formats=("TIFF",)) as image:
            told, found = image.getexif(), Image.Exif()
            found[ORIENTATION] = told.get(ORIENTATION, 1)
            found.get_ifd(SETTINGS).update(told.get_ifd(SETTINGS))
            block = found.tobytes()
    except (ImportError, OSError, SyntaxError, ValueError, KeyError, TypeError, struct.error):
        return None
    return block if len(block) <= LARGEST else None
