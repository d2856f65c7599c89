"""What a paper makes of light: print density over log exposure, and the lightness one sees.

A paper is its range (ISO 6846, from memory: log exposure from 0.04 above its white to 90 % of its
net black), or its own measured steps. The logistic between the two points is a typical shape
(common practice, no source). Lightness is CIE 1976 L*, from memory.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Annotated

from emulsa.core.errors import Unsound
from emulsa.core.limits import Length, Within
from emulsa.core.printing.grade import PaperRange
from emulsa.core.sensitometry.curve import Density, LogH
from emulsa.core.straight import straight

PaperBlack = Annotated[float, Within("A paper's black", 0.5, 3)]
PaperWhite = Annotated[float, Within("A paper's white", 0, 0.5)]

ABOVE_WHITE, OF_BLACK = 0.04, 0.9
MIDDLE_LIGHTNESS = 49.5  # of Zone V, a grey card of 18 %
CIE_KAPPA, CIE_EPSILON = 24389 / 27, 216 / 24389


@dataclass(frozen=True, kw_only=True, slots=True)
class PaperStep:
    """A step of a paper's own curve: log exposure of any origin, print density."""

    log_h: LogH
    density: Density


@dataclass(frozen=True, kw_only=True, slots=True)
class Paper:
    """A paper by its range, or by its own steps."""

    range: PaperRange = 1.05
    dmax: PaperBlack = 2.1
    dmin: PaperWhite = 0.05
    steps: Annotated[tuple[PaperStep, ...], Length("Steps of a paper", 0, 60)] = ()


def lightness(reflectance: float) -> float:
    """CIE L* of a reflectance.

    >>> round(lightness(0.18), 2), lightness(1)
    (49.5, 100.0)
    """
    if reflectance > CIE_EPSILON:
        return float(116 * reflectance ** (1 / 3) - 16)
    return CIE_KAPPA * reflectance


def reflectance_of(light: float) -> float:
    """The reflectance of an L*."""
    if light > CIE_KAPPA * CIE_EPSILON:
        return float(((light + 16) / 116) ** 3)
    return light / CIE_KAPPA


MIDDLE_DENSITY = -math.log10(reflectance_of(MIDDLE_LIGHTNESS))


def response(paper: Paper) -> Callable[[float], float]:
    """Print density by log exposure, counted from the exposure that prints Zone V."""
    if paper.steps:
        return _measured(paper.steps)
    if paper.dmax - paper.dmin < 2 * ABOVE_WHITE:
        raise Unsound("A paper's black must lie well above its white.", field="paper.dmax")
    net = paper.dmax - paper.dmin
    low = math.log(1 / (ABOVE_WHITE / net) - 1)
    steep = (low + math.log(OF_BLACK / (1 - OF_BLACK))) / paper.range
    middle = min(max((MIDDLE_DENSITY - paper.dmin) / net, 0.05), 0.95)
    at = math.log(middle / (1 - middle)) / steep
    return lambda x: paper.dmin + net / (1 + math.exp(-steep * (x + at)))


def _measured(steps: Sequence[PaperStep]) -> Callable[[float], float]:
    points = sorted((each.log_h, each.density) for each in steps)
    if len(points) < 5:
        raise Unsound("A paper's own curve needs five steps.", field="paper.steps")
    if any(b[0] <= a[0] or b[1] < a[1] - 0.02 for a, b in pairwise(points)):
        raise Unsound(
            "With more exposure a paper gets darker; look at its steps.", field="paper.steps"
        )
    rising = [points[0]]
    for x, y in points[1:]:
        rising.append((x, max(y, rising[-1][1] + 1e-9)))
    turned = [(y, x) for x, y in rising]
    origin = straight(turned, min(max(MIDDLE_DENSITY, rising[0][1]), rising[-1][1]))
    first, last = rising[0], rising[-1]
    return lambda x: straight(rising, min(max(x + origin, first[0]), last[0]))
