"""Scans of the demo: what exposure, film and development make of a drawn scene, grain included.

A scan is turned to a positive: every tone as it prints on a normal paper whose exposure was found
for a right negative of this development, so that too much or too little light shows.
"""

from __future__ import annotations

import math
import random
from array import array
from collections.abc import Sequence
from dataclasses import dataclass
from operator import add
from pathlib import Path

from emulsa.core.light.srgb import encoded
from emulsa.core.rendering.paper import Paper, lightness, reflectance_of, response
from emulsa.core.rendering.tones import TonesRequest, negative
from emulsa.demo.photographed import field_of

# the lower eleven bits of a point are its EV: −8 + i/32; the upper ones number its place
STEP = bytes(upper & 0b111 for upper in range(256))
LOWEST_EV, STEPS_IN_A_STOP, MOST = -8, 32, 1024
BEYOND = 512  # steps: a bicubic curve overshoots by less than half of what it spans
FINENESS = 500  # steps a density of 1 is told in
DENSEST = round(2.6 * FINENESS)
PAPER = Paper()


@dataclass(frozen=True)
class Grain:
    """How strongly and how coarsely film of a kind breaks up a grey: in density, in points."""

    density: float
    size: float


FINE, MEDIUM, COARSE = Grain(0.012, 0.4), Grain(0.03, 0.6), Grain(0.05, 0.9)


@dataclass(frozen=True)
class Shot:
    """A drawn scene on film: a reading on its zone, what was given beyond it, N, grain.

    ``left`` is where the sheet begins in the scene, of its width; 0.5 is the middle of what can be
    moved.
    """

    scene: str
    ev: float
    zone: float
    n: float = 0
    error_stops: float = 0
    grain: Grain = FINE
    left: float = 0.5


def scan(shot: Shot, size: tuple[int, int], target: Path) -> None:
    """Write the scan as an 8-bit picture of this size."""
    from PIL import Image

    width, height = size
    clumps, by = _grain(shot.grain, size, seed=f"{shot.scene} {shot.n} {shot.error_stops}")
    # tables long enough for whatever comes, and no arithmetic in a loop: nine scans in a second
    reach = math.ceil(127.5 * by)
    greys = _greys(shot.n, shot.zone)
    greys = [greys[0]] * reach + greys + [greys[-1]] * reach
    breaks = [reach + round((each - 127.5) * by) for each in range(256)]
    density = map(_densities(shot).__getitem__, _framed(shot, size))
    denser = map(add, density, map(breaks.__getitem__, clumps))
    points = bytes(map(greys.__getitem__, denser))
    Image.frombytes("L", (width, height), points).save(target, optimize=False)


def _framed(shot: Shot, size: tuple[int, int]) -> Sequence[int]:
    """The part of the scene that the sheet holds: where each point of the scan stands in what
    ``_densities`` answers."""
    from PIL import Image

    (columns, rows), upper, lower = field_of(shot.scene)
    ends = bytearray(4 * len(lower))  # of each point its step, in thirty-two bits
    ends[0::4], ends[1::4] = lower, upper.translate(STEP)
    field = Image.frombytes("I", (columns, rows), bytes(ends), "raw", "I;32")
    across = rows * size[0] / size[1]
    left = shot.left * (columns - across)
    box = (left, 0, left + across, rows)
    cut = field.convert("F").resize(size, Image.Resampling.BICUBIC, box=box)
    return array("i", cut.point(lambda step: step * 1 + BEYOND + 0.5).convert("I").tobytes())


def _densities(shot: Shot) -> list[int]:
    """Net density of each step of EV, with as many to either side as resizing may overshoot."""
    net = negative(TonesRequest(zones=(5,), n=shot.n, placed=shot.zone))
    told = [
        min(round(FINENESS * net(_zone(shot, LOWEST_EV + step / STEPS_IN_A_STOP))), DENSEST)
        for step in range(MOST + 1)
    ]
    return [told[0]] * BEYOND + told + [told[-1]] * BEYOND


def _zone(shot: Shot, ev: float) -> float:
    return min(max(shot.zone + ev - shot.ev + shot.error_stops, -2), 14)


def _greys(n: float, placed: float) -> list[int]:
    """The grey each density prints as, where Zone V of a right negative is a grey card."""
    middle = negative(TonesRequest(zones=(5,), n=n, placed=placed))(5)
    paper = response(PAPER)
    white = lightness(10 ** -paper(-2))
    return [
        round(
            255
            * encoded(
                reflectance_of(100 * lightness(10 ** -paper(middle - step / FINENESS)) / white)
            )
        )
        for step in range(DENSEST + 1)
    ]


def _grain(grain: Grain, size: tuple[int, int], seed: str) -> tuple[bytes, float]:
    """A byte for each point, and how many steps of density each step of it is, 127.5 being none."""
    from PIL import Image, ImageFilter, ImageStat

    width, height = size
    chance = random.Random(seed).randbytes(width * height)
    clumps = Image.frombytes("L", size, chance).filter(ImageFilter.GaussianBlur(grain.size))
    return clumps.tobytes(), FINENESS * grain.density / ImageStat.Stat(clumps).stddev[0]
