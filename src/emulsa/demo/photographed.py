"""Photographs of the demo's drawn scenes, as the camera in a pocket makes them: fields of known EVs
through a tone curve, in colour, with noise, as JPEG with the settings in it.

The curve is none the picture's calibration contains: a rounded shoulder, a lifted toe. Colours are
those of the things drawn.
"""

from __future__ import annotations

import json
import math
import random
import sys
from dataclasses import dataclass
from functools import cache
from importlib.resources import files
from pathlib import Path
from typing import Any

from emulsa.core.light.srgb import decoded, encoded, level_of
from emulsa.core.picture.metering import Spot

WIDTH, HEIGHT = 720, 480
STEPS = 0x800  # of EV: the lower bits of a point, the upper ones number its place
LOWEST_EV, STEPS_IN_A_STOP = -8, 32
LEVELS = 256
NOISE_OF = 0.1  # levels of noise to a step of chance
QUALITY = 88
FOCAL_35MM = 26
BT709 = (0.2126, 0.7152, 0.0722)
# what each channel gets of a colour's light, against its mean
TINTS: dict[str, tuple[float, float, float]] = {
    "slate": (0.93, 1.0, 1.1),
    "brown": (1.22, 0.98, 0.7),
    "sky": (0.82, 1.0, 1.3),
    "water": (0.92, 1.02, 1.06),
    "ice": (0.94, 1.01, 1.07),
    "white": (1.0, 1.0, 1.0),
    "green": (0.9, 1.1, 0.6),
}
PLAIN = (1.0, 1.0, 1.0)
# tags of EXIF 2.3, from memory
EXIF_IFD, TIME, APERTURE, ISO, TAKEN, FOCAL = 0x8769, 0x829A, 0x829D, 0x8827, 0x9003, 0xA405
COLOUR_SPACE = 0xA001


@dataclass(frozen=True)
class Photograph:
    """A drawn scene as it was photographed: the EV that comes out as middle grey, by a time at
    f/2 and ISO 100 that says so."""

    scene: str
    middle_ev: float

    @property
    def time_s(self) -> float:
        """The time that makes this EV middle grey: a third of a stop over what a meter says."""
        return float(4 / 2 ** (self.middle_ev - 0.3))


def photograph(of: Photograph, taken: str, target: Path) -> None:
    """Write the photograph of a scene; ``taken`` is a day and hour as EXIF writes them."""
    from PIL import Image, ImageChops, ImageFilter

    size, upper, lower = field_of(of.scene)
    points = _points(upper, lower)
    tints = [PLAIN, *(TINTS.get(each, PLAIN) for each in _colours(of.scene))]
    chance = random.Random(of.scene).randbytes(WIDTH * HEIGHT)
    clumps = Image.frombytes("L", (WIDTH, HEIGHT), chance).filter(ImageFilter.GaussianBlur(0.7))
    noise = clumps.point([round(NOISE_OF * (each - 127.5) + 128) for each in range(LEVELS)])
    planes = []
    for channel in range(3):
        # a table for each place, one behind the other, as the places are numbered in the points
        table = [level for tint in tints for level in _levels(of.middle_ev, tint[channel])]
        plane = Image.frombytes("L", size, bytes(map(table.__getitem__, points)))
        large = plane.resize((WIDTH, HEIGHT), Image.Resampling.BICUBIC)
        planes.append(ImageChops.add(large, noise, 1, -128))
    exif = Image.Exif()
    exif.get_ifd(EXIF_IFD).update(_settings(of, taken))
    Image.merge("RGB", planes).save(target, "JPEG", quality=QUALITY, exif=exif)


def spot(picture: Path, x: float, y: float, radius: float) -> Spot:
    """A circle of a picture, counted as the page counts it: by the light of its pixels."""
    from PIL import Image

    counts = [0] * LEVELS
    light = [decoded(level / 255) for level in range(LEVELS)]
    with Image.open(picture) as image:
        reach = max(radius * image.width, 0.5)
        middle = x * image.width, y * image.height
        pixels: Any = image.convert("RGB").load()
        for row in range(int(middle[1] - reach), int(middle[1] + reach) + 1):
            for column in range(int(middle[0] - reach), int(middle[0] + reach) + 1):
                if math.hypot(column + 0.5 - middle[0], row + 0.5 - middle[1]) <= reach:
                    channels = pixels[column, row]
                    y_ = sum(w * light[each] for w, each in zip(BT709, channels, strict=True))
                    counts[level_of(y_)] += 1
    return Spot(x=x, y=y, radius=radius, counts=tuple(counts))


def _settings(of: Photograph, taken: str) -> dict[int, Any]:
    from PIL.TiffImagePlugin import IFDRational

    return {
        TIME: IFDRational(round(of.time_s * 1_000_000), 1_000_000),
        APERTURE: IFDRational(2, 1),
        ISO: 100,
        TAKEN: taken,
        FOCAL: FOCAL_35MM,
        COLOUR_SPACE: 1,
    }


def _colours(scene: str) -> list[str]:
    told = json.loads((files("emulsa") / "scenery" / f"{scene}.json").read_text(encoding="utf-8"))
    return [each["colour"] for each in told["places"]]


@cache
def field_of(scene: str) -> tuple[tuple[int, int], bytes, bytes]:
    """The size of a drawn scene, and its points by their upper and their lower eight bits."""
    from PIL import Image

    source = files("emulsa") / "scenery" / f"{scene}.png"
    with source.open("rb") as file, Image.open(file) as drawn:
        planes = drawn.tobytes()
        return drawn.size, planes[::3], planes[1::3]


def _points(upper: bytes, lower: bytes) -> memoryview:
    """The sixteen bits of each point."""
    bits = bytearray(2 * len(lower))
    bits[sys.byteorder == "big" :: 2], bits[sys.byteorder == "little" :: 2] = lower, upper
    return memoryview(bits).cast("H")


@cache
def _levels(middle_ev: float, tint: float) -> list[int]:
    """The level of each step of EV in a channel."""
    grey = decoded(118 / 255)
    found = []
    for step in range(STEPS):
        light = grey * tint * 2 ** (LOWEST_EV + step / STEPS_IN_A_STOP - middle_ev)
        rounded = 1.12 * light / (1 + (light / 0.9) ** 1.3) ** (1 / 1.3)
        found.append(round(255 * encoded(0.004 + rounded)))
    return found
