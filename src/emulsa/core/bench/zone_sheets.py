"""The two-sheet test: a plain card on Zone I and on Zone VIII, no curve at all.

Zone I should stand 0.10 above clear film, Zone VIII where every film test aims, 1.25 (common
practice, no source). Several sheets about Zone I show where 0.10 lies; several developments
show which minutes give Zone VIII its density.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

from emulsa.core.bench.record import FilmTest
from emulsa.core.light.hand_time import minutes_text
from emulsa.core.numbers import plain
from emulsa.core.sensitometry.curve import Curve
from emulsa.core.sensitometry.film_test import Targets
from emulsa.core.sensitometry.speeds import rounded
from emulsa.core.straight import straight

ZONE_I, ZONE_VIII = -4.0, 3.0  # stops from V
NET_I, ABOUT_I = 0.10, 0.02
NET_VIII, ABOUT_VIII = Targets().net_at_viii, 0.05
NEAR = 1.5  # stops either way that still belong to the zone


@dataclass(frozen=True, kw_only=True, slots=True)
class SheetLine:
    """A development: what stands on Zone I and VIII above clear film, and what that says."""

    id: str
    shadow: str
    high: str
    says: str


@dataclass(frozen=True, kw_only=True, slots=True)
class ZoneSheets:
    """Every development's two sheets, the index and the minutes that follow from them."""

    lines: tuple[SheetLine, ...]
    ei: float | None
    minutes: float | None
    says: str


def zone_sheets(test: FilmTest) -> ZoneSheets | None:
    """The test's sheets in words; nothing for a test of another kind or without densities."""
    if test.target != "Zone I and Zone VIII":
        return None
    metered = [each for each in test.curves if each.exposure.kind == "metered" and each.steps]
    if not metered:
        return None
    ei, minutes = _index(metered), _minutes(metered)
    said = []
    if ei is not None:
        said.append(f"Zone I stands 0.10 above clear film at EI {plain(rounded(ei))}.")
    if minutes is not None:
        said.append(f"Zone VIII stands {NET_VIII:.2f} above it after {minutes_text(minutes)}.")
    return ZoneSheets(
        lines=tuple(_line(each) for each in metered),
        ei=ei,
        minutes=minutes,
        says=" ".join(said)
        or "Sheets on either side of 0.10, and developments on either side of"
        f" {NET_VIII:.2f}, give figures.",
    )


def _net(curve: Curve, around: float) -> list[tuple[float, float]]:
    """Stops and net densities about a zone, the least exposed first."""
    return sorted(
        (each.stops, each.density - curve.base_fog)
        for each in curve.steps
        if each.stops is not None and abs(each.stops - around) <= NEAR
    )


def _at(curve: Curve, zone: float) -> float | None:
    """The net density on a zone: of its own sheet, or between its neighbours."""
    found = _net(curve, zone)
    if not found or not found[0][0] - 1e-9 <= zone <= found[-1][0] + 1e-9:
        return None
    return found[0][1] if len(found) == 1 else straight(found, zone)


def _line(curve: Curve) -> SheetLine:
    shadow, high = _at(curve, ZONE_I), _at(curve, ZONE_VIII)
    said = []
    if shadow is not None and abs(shadow - NET_I) > ABOUT_I + 1e-9:
        said.append("Zone I is thin: rate it lower" if shadow < NET_I else "rate it higher")
    if high is not None and abs(high - NET_VIII) > ABOUT_VIII + 1e-9:
        said.append("develop longer" if high < NET_VIII else "develop shorter")
    right = "both stand right" if shadow is not None and high is not None else ""
    return SheetLine(
        id=curve.id,
        shadow="" if shadow is None else f"{shadow:.2f}",
        high="" if high is None else f"{high:.2f}",
        says="; ".join(said) or right,
    )


def _index(curves: Sequence[Curve]) -> float | None:
    """The index at which Zone I has 0.10, of the development whose Zone VIII is nearest to right;
    nothing unless sheets lie on either side of it."""
    best = min(curves, key=lambda each: abs((_at(each, ZONE_VIII) or 99) - NET_VIII))
    found = _net(best, ZONE_I)
    for (x1, y1), (x2, y2) in pairwise(found):
        if (
            y1 <= NET_I + 1e-9
            and y2 >= NET_I - 1e-9
            and y2 > y1
            and best.exposure.kind == "metered"
        ):
            at = x1 + (x2 - x1) * (NET_I - y1) / (y2 - y1)
            return float(best.exposure.ei * 2 ** (ZONE_I - at))
    return None


def _minutes(curves: Sequence[Curve]) -> float | None:
    """The minutes that give Zone VIII its density, between developments that lie on either side."""
    known = sorted(
        (high, math.log(each.minutes))
        for each in curves
        if each.minutes and (high := _at(each, ZONE_VIII)) is not None
    )
    if len(known) < 2 or not known[0][0] <= NET_VIII <= known[-1][0]:
        return None
    if any(b[0] <= a[0] or b[1] <= a[1] for a, b in pairwise(known)):
        return None
    return math.exp(straight(known, NET_VIII))
