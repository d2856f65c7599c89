"""Levels of a scan, patch by patch, from the file as it was recorded."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path
from typing import Any

from emulsa.core.errors import Unreadable
from emulsa.exchange.pictures import (
    DEEP,
    MEDIA,
    ORIENTATION,
    PHOTOMETRIC,
    WHITE_IS_ZERO,
    one_at_a_time,
)

# Where a place of the upright picture lies in the file, by EXIF orientation (as shares).
SIDEWAYS = (5, 6, 7, 8)
TURNS: dict[int, Callable[[float, float], tuple[float, float]]] = {
    2: lambda x, y: (1 - x, y),
    3: lambda x, y: (1 - x, 1 - y),
    4: lambda x, y: (x, 1 - y),
    5: lambda x, y: (y, x),
    6: lambda x, y: (y, 1 - x),
    7: lambda x, y: (1 - y, 1 - x),
    8: lambda x, y: (1 - y, x),
}


@dataclass(frozen=True)
class Box:
    """A square about a place of the upright picture; ``size`` as a share of its width."""

    x: float
    y: float
    size: float


@dataclass(frozen=True)
class Levels:
    """Full scale, and mean level and spread of every box."""

    white: float
    boxes: tuple[tuple[float, float], ...]


def levels(path: Path, boxes: Sequence[Box]) -> Levels:
    """Mean level and spread of each box, from the file as it was recorded: sixteen bits where it
    has them. A colour picture is read in green, which lies nearest to visual density (common
    practice, no source)."""
    from PIL import Image

    with one_at_a_time:
        try:
            # by its file, not by its name: what Pillow maps into memory it turns wrongly
            with path.open("rb") as file, Image.open(file, formats=tuple(MEDIA)) as opened:
                image: Any = opened
                image.load()
                deep = image.mode in DEEP
                white = 65_535.0 if deep else 255.0
                turned = image.format == "TIFF" and image.tag_v2.get(PHOTOMETRIC) == WHITE_IS_ZERO
                found = [_mean(image, each, deep) for each in boxes]
        except (OSError, SyntaxError, ValueError, MemoryError):
            raise Unreadable(
                "This picture is damaged: it cannot be opened to its end.", field="picture"
            ) from None
    if turned and deep:
        found = [(white - mean, spread) for mean, spread in found]
    return Levels(white, tuple(found))


def _mean(image: Any, box: Box, deep: bool) -> tuple[float, float]:
    """Mean and standard deviation of a box given as shares of the upright picture."""
    from PIL import ImageStat

    at = _pixels(image, box)
    part = image.crop(at)
    if not deep:
        part = part.convert("RGB").getchannel("G") if part.mode not in ("1", "L", "LA") else part
        stat = ImageStat.Stat(part.convert("L"))
        return float(stat.mean[0]), float(stat.stddev[0])
    values = part.convert("I").get_flattened_data()
    mean = math.fsum(values) / len(values)
    return mean, math.sqrt(math.fsum((each - mean) ** 2 for each in values) / len(values))


def _pixels(image: Any, box: Box) -> tuple[int, int, int, int]:
    """A box of the upright picture where the file has it, whatever way round it was recorded."""
    x, y, half = box.x, box.y, box.size / 2
    turned = image.getexif().get(ORIENTATION, 1)
    if turned in TURNS:
        x, y = TURNS[turned](x, y)
    width, height = image.size
    upright = height if turned in SIDEWAYS else width
    across = max(1, round(half * upright))
    left, top = round(x * width), round(y * height)
    return (
        max(0, min(left - across, width - 1)),
        max(0, min(top - across, height - 1)),
        min(width, max(left + across, 1)),
        min(height, max(top + across, 1)),
    )


@lru_cache(32)
def clear_level(view: Path) -> float:
    """The level of clear film in a picture at the size of a screen: its lightest thousandth left
    out, since that is dust and the light table beside the film."""
    from PIL import Image

    with Image.open(view) as image:
        counts = image.convert("L").histogram()
    left = sum(counts) / 1_000
    for level in range(255, 0, -1):
        left -= counts[level]
        if left < 0:
            return float(level)
    return 255.0
