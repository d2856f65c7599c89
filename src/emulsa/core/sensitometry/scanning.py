"""A scanner, or a camera over a light table, as a densitometer.

sRGB after IEC 61966-2-1, from memory. A wedge of known densities beats a clear patch: it knows what
the machine does to light, flare and all.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.errors import Missing, OutOfRange, Unsound
from emulsa.core.light.srgb import decoded
from emulsa.core.limits import Id, Length, Within
from emulsa.core.sensitometry.curve import Density
from emulsa.core.straight import straight

Level = Annotated[float, Within("A level", 0, 1e9)]
White = Annotated[float, Within("Full scale", 1e-6, 1e9)]
Spread = Annotated[float, Within("The spread of a level", 0, 1e9)]

CLIPPED_LIGHT, CLIPPED_DARK = 0.995, 0.0005  # of full scale: what the machine cannot tell


@dataclass(frozen=True, kw_only=True, slots=True)
class WedgeStep:
    """A step whose density is known, and its level in the scan."""

    level: Level
    density: Density


@dataclass(frozen=True, kw_only=True, slots=True)
class Sample:
    """A patch: its mean level, and how far its pixels spread."""

    id: Id
    level: Level
    spread: Spread = 0


@dataclass(frozen=True, kw_only=True, slots=True)
class ScanRequest:
    """Levels as they were recorded, and what they are measured against."""

    encoding: Literal["linear", "srgb"]
    white: White
    black: Level = 0
    wedge: Annotated[tuple[WedgeStep, ...], Length("Steps of a wedge", 0, 60)] = ()
    clear_level: Level | None = None
    samples: Annotated[tuple[Sample, ...], Length("Samples", 1, 400)]


@dataclass(frozen=True, kw_only=True, slots=True)
class SampleAnswer:
    """A density with its uncertainty; empty where the machine saw no light at all."""

    id: str
    density: float | None
    uncertainty: float | None
    extrapolated: bool
    clipped: bool


@dataclass(frozen=True, kw_only=True, slots=True)
class ScanAnswer:
    """The samples in the order they came."""

    samples: tuple[SampleAnswer, ...]


def scan_density(request: ScanRequest) -> ScanAnswer:
    """Densities of a scan's patches; Missing without anything to measure against."""
    if request.black >= request.white:
        raise Unsound("Black must lie under full scale.", field="black", allowed=[0, request.white])
    if len(request.wedge) < 2 and request.clear_level is None:
        raise Missing(
            "Mark clear film, or a wedge of at least two steps: a level alone is no density.",
            field="wedge" if request.wedge else "clear_level",
        )
    for place, sample in enumerate(request.samples):
        _within(sample.level, request, f"samples.{place}.level")
    scale = _Wedge(request) if len(request.wedge) >= 2 else _Clear(request)
    return ScanAnswer(samples=tuple(_sample(each, scale, request) for each in request.samples))


def light(level: float, request: ScanRequest) -> float:
    """A level as a share of full light."""
    share = (level - request.black) / (request.white - request.black)
    if request.encoding == "srgb" and share > 0:
        return decoded(share)
    return share


class _Clear:
    """Densities over clear film."""

    wander = 0.0

    def __init__(self, request: ScanRequest) -> None:
        assert request.clear_level is not None
        _within(request.clear_level, request, "clear_level")
        self._clear = light(request.clear_level, request)
        if self._clear <= 0:
            raise OutOfRange("Clear film lets light through.", field="clear_level")

    def density(self, seen: float) -> tuple[float, bool]:
        return math.log10(self._clear / seen), False


class _Wedge:
    """Densities by a wedge: straight in log light between its steps."""

    def __init__(self, request: ScanRequest) -> None:
        steps = sorted(request.wedge, key=lambda each: each.density)
        self._points: list[tuple[float, float]] = []
        for each in steps:
            place = request.wedge.index(each)
            _within(each.level, request, f"wedge.{place}.level")
            seen = light(each.level, request)
            if seen <= 0:
                raise OutOfRange(
                    "This step of the wedge let no light through; leave it out.",
                    field=f"wedge.{place}.level",
                )
            at = -math.log10(seen)
            if self._points and (at <= self._points[-1][0] or each.density <= self._points[-1][1]):
                raise Unsound(
                    "A denser step of the wedge must be darker in the scan.",
                    field=f"wedge.{place}",
                )
            self._points.append((at, each.density))
        self.wander = _wander(self._points)

    def density(self, seen: float) -> tuple[float, bool]:
        x, points = -math.log10(seen), self._points
        outside = not points[0][0] - 1e-9 <= x <= points[-1][0] + 1e-9
        return straight(points, x), outside


def _wander(points: Sequence[tuple[float, float]]) -> float:
    """How far the inner steps lie from the line between their neighbours (RMS)."""
    off = [
        y - (y1 + (y2 - y1) * (x - x1) / (x2 - x1))
        for (x1, y1), (x, y), (x2, y2) in zip(points, points[1:], points[2:], strict=False)
    ]
    return math.sqrt(math.fsum(each * each for each in off) / len(off)) if off else 0.0


def _sample(sample: Sample, scale: _Wedge | _Clear, request: ScanRequest) -> SampleAnswer:
    share = sample.level / request.white
    clipped = share >= CLIPPED_LIGHT - 1e-12 or share <= CLIPPED_DARK + 1e-12
    seen = light(sample.level, request)
    if seen <= 0:
        return SampleAnswer(
            id=sample.id, density=None, uncertainty=None, extrapolated=False, clipped=True
        )
    density, outside = scale.density(seen)
    darker = light(max(sample.level - sample.spread, request.black), request)
    lighter = light(min(sample.level + sample.spread, request.white), request)
    half = None
    if darker > 0:
        half = abs(scale.density(darker)[0] - scale.density(lighter)[0]) / 2
    return SampleAnswer(
        id=sample.id,
        density=density,
        uncertainty=None if half is None else math.hypot(half, scale.wander),
        extrapolated=outside,
        clipped=clipped,
    )


def _within(level: float, request: ScanRequest, field: str) -> None:
    if not level <= request.white:
        raise OutOfRange(
            f"A level lies between 0 and full scale, {request.white:g}; this is {level:g}.",
            field=field,
            allowed=[0, request.white],
        )
