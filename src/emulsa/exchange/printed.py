"""The print to come as a small picture, by the core's tables: for paper, where no page draws it."""

from __future__ import annotations

import io
from collections import Counter
from collections.abc import Sequence
from operator import add
from pathlib import Path

from emulsa.core.light.srgb import decoded, level_of
from emulsa.core.picture.area import BT709
from emulsa.core.picture.spotted import PhotoRing
from emulsa.core.picture.tables import COARSE, FINE
from emulsa.core.scene.seeing import LookedUp, PrintSeen

LOST = (0, 4)  # in the shadow, in the light
SHARES = 16_384  # of full light
MIDWAY = 0.4  # how far out a picture's pixels lie, squared, in the mean
APART, WIDE, STRIPE = 7, 2, 130


def printed(picture: Path, tables: LookedUp, print_: PrintSeen) -> bytes:
    """A PNG of the picture as it will print, what has lost its texture striped."""
    from PIL import Image

    with Image.open(picture) as opened:
        image = opened.convert("RGB")
    channels = (tables.red, tables.green, tables.blue)
    red, green, blue = (
        map(table.__getitem__, plane.tobytes())
        for plane, table in zip(image.split(), channels, strict=True)
    )
    greys = _greys(tables.sum_index, print_.grey)
    marks = _greys(tables.sum_index, print_.mark)
    sums = list(map(add, map(add, red, green), blue))
    points = bytearray(map(greys.__getitem__, sums))
    width = image.width
    for at, mark in enumerate(map(marks.__getitem__, sums)):
        if mark in LOST and (at % width + at // width) % APART < WIDE:
            points[at] = STRIPE
    file = io.BytesIO()
    Image.frombytes("L", image.size, bytes(points)).save(file, "PNG")
    return file.getvalue()


def counted(picture: Path) -> tuple[PhotoRing, ...]:
    """A picture counted by the light of its pixels, as the page counts it, in one ring."""
    from PIL import Image

    with Image.open(picture) as opened:
        planes = opened.convert("RGB").split()
    red, green, blue = (
        map([round(SHARES * w * decoded(k / 255)) for k in range(256)].__getitem__, plane.tobytes())
        for w, plane in zip(BT709, planes, strict=True)
    )
    sums = map(add, map(add, red, green), blue)
    level = [level_of(each / SHARES) for each in range(SHARES + 3)]
    found = Counter(map(level.__getitem__, sums))
    return (PhotoRing(rho2=MIDWAY, counts=tuple(found[k] for k in range(256))),)


def _greys(sum_index: Sequence[int], told: Sequence[int]) -> list[int]:
    """What is told of every sum there may be."""
    last = len(sum_index) - 1
    most = FINE + COARSE * (last - FINE)
    return [
        told[sum_index[at if at < FINE else min(FINE + (at - FINE) // COARSE, last)]]
        for at in range(most + 2 * COARSE)
    ]
