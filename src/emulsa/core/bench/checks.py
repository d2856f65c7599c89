"""Shutters and meters checked: several readings of each mark, two meters over the same patches."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core import tables
from emulsa.core.corrections.optics import MeasuredSpeed, Shutter, speeds
from emulsa.core.errors import Missing, Unsound
from emulsa.core.kit.bag import Camera, KitLens, Meter
from emulsa.core.light.hand_time import time_text
from emulsa.core.light.marks import MarkText
from emulsa.core.limits import EV, Id, Label, Length, Seconds
from emulsa.core.written import size_words, stops_text

UNSTEADY = 1 / 6  # of a stop between readings: a shutter that needs a service (common practice)
SAME = 1 / 12
READINGS_OF_A_MARK = Length("Readings of a mark", 1, 20)


@dataclass(frozen=True, kw_only=True, slots=True)
class MarkReadings:
    """What a tester said of one mark, time after time."""

    mark: MarkText
    seconds: Annotated[tuple[Seconds, ...], READINGS_OF_A_MARK]


@dataclass(frozen=True, kw_only=True, slots=True)
class ShutterReadings:
    """A lens's shutter under the tester."""

    lens_id: Id
    marks: Annotated[
        tuple[MarkReadings, ...], Length("Marks of a shutter", 1, 40, tables.shutter_marks)
    ]


@dataclass(frozen=True, kw_only=True, slots=True)
class CheckedMark:
    """A mark: what it gives on the mean, how far off that is, how far its readings lie apart."""

    mark: str
    mean_s: float
    mean_text: str
    error_stops: float
    error_text: str
    spread_stops: float
    says: str


@dataclass(frozen=True, kw_only=True, slots=True)
class ShutterCheck:
    """Every mark from the fastest on, and what is worth saying of the shutter."""

    marks: tuple[CheckedMark, ...]
    says: str


def check_shutter(shutter: Shutter, readings: Sequence[MarkReadings]) -> ShutterCheck:
    """Means by the logarithm, as light adds up in stops; Unsound for a mark that is not there."""
    engraved = dict(speeds(replace(shutter, measured=())))
    rows = []
    for place, each in enumerate(readings):
        if each.mark not in engraved:
            raise Unsound(f"This shutter has no mark {each.mark}.", field=f"marks.{place}.mark")
        rows.append(_mark(each, engraved[each.mark]))
    ordered = sorted(rows, key=lambda each: engraved[each.mark])
    off = [each for each in ordered if abs(each.error_stops) > SAME]
    said = [
        f"{len(off)} of {len(ordered)} marks are off by more than a twelfth of a stop."
        if off
        else "Every mark is right to a twelfth of a stop."
    ]
    if any(each.spread_stops > UNSTEADY for each in ordered):
        said.append("Marks whose readings lie apart cannot be corrected for: have them serviced.")
    return ShutterCheck(marks=tuple(ordered), says=" ".join(said))


def measured_lens(lens: KitLens, found: ShutterCheck) -> KitLens:
    """The lens with the means as its shutter's times."""
    return replace(lens, optics=replace(lens.optics, shutter=measured(lens.optics.shutter, found)))


def measured_body(camera: Camera, shutter: Shutter, found: ShutterCheck) -> Camera:
    """The camera with the means as the times of the shutter in its body: once for all its
    lenses."""
    return replace(camera, shutter=measured(shutter, found))


def measured(shutter: Shutter, found: ShutterCheck) -> Shutter:
    """A shutter with the means as its times; marks that were not tested stay as they are."""
    new = {each.mark: float(f"{each.mean_s:.4g}") for each in found.marks}
    known = {each.mark: each.seconds for each in shutter.measured}
    engraved = [mark for mark, _ in speeds(replace(shutter, measured=()))]
    times = {**known, **new}
    tested = tuple(
        MeasuredSpeed(mark=mark, seconds=times[mark]) for mark in engraved if mark in times
    )
    changed = replace(shutter, measured=tested)
    speeds(changed)
    return changed


def _mark(readings: MarkReadings, engraved_s: float) -> CheckedMark:
    logs = [math.log2(each) for each in readings.seconds]
    mean = 2 ** (math.fsum(logs) / len(logs))
    error, spread = math.log2(mean / engraved_s), max(logs) - min(logs)
    said = []
    if spread > UNSTEADY:
        said.append(f"unsteady: readings {size_words(spread)} apart")
    return CheckedMark(
        mark=readings.mark,
        mean_s=mean,
        mean_text=f"1/{1 / mean:.3g} s" if mean < 0.3 else time_text(mean),
        error_stops=error,
        error_text="right" if abs(error) <= SAME else f"{stops_text(error)} of light",
        spread_stops=spread,
        says="; ".join(said),
    )


@dataclass(frozen=True, kw_only=True, slots=True)
class MeterPair:
    """One patch as two meters read it, both as EV at ISO 100."""

    label: Label = ""
    trusted_ev: EV
    other_ev: EV


@dataclass(frozen=True, kw_only=True, slots=True)
class MeterReadings:
    """Two meters over the same patches; the other is corrected by the trusted one."""

    trusted_id: Id
    other_id: Id
    pairs: Annotated[
        tuple[MeterPair, ...], Length("Patches two meters read", 1, 40, tables.meter_pairs)
    ]


@dataclass(frozen=True, kw_only=True, slots=True)
class MeterCheck:
    """Stops to add to the other meter, how far the patches disagree, and what that says."""

    add_stops: float
    add_text: str
    spread_stops: float
    differences: tuple[str, ...]
    says: tuple[str, ...]


def check_meters(pairs: Sequence[MeterPair]) -> MeterCheck:
    """The mean difference, and whether one number can mend it."""
    if not pairs:
        raise Missing("Read at least one patch with both meters.", field="pairs")
    off = [each.trusted_ev - each.other_ev for each in pairs]
    mean = math.fsum(off) / len(off)
    return MeterCheck(
        add_stops=mean,
        add_text=stops_text(mean) if abs(mean) > SAME else "0",
        spread_stops=max(off) - min(off),
        differences=tuple(stops_text(each) for each in off),
        says=tuple(_said(pairs, mean, max(off) - min(off))),
    )


def corrected_meter(meter: Meter, found: MeterCheck) -> Meter:
    """The meter with the difference added to its own correction, to a hundredth of a stop."""
    offset = round(meter.calibration.offset_stops + found.add_stops, 2)
    return replace(meter, calibration=replace(meter.calibration, offset_stops=offset))


def _said(pairs: Sequence[MeterPair], mean: float, spread: float) -> Iterator[str]:
    if abs(mean) <= SAME:
        yield "They agree."
    else:
        yield f"The other reads {size_words(mean)} too {'low' if mean > 0 else 'high'}."
    if len(pairs) < 3:
        yield "Three patches, dark to light, say more than one."
    elif spread > 1 / 3 + 1e-9:
        yield "They differ from patch to patch: one number does not mend that. Look for flare, or"
        yield "for colours one of them sees differently."
