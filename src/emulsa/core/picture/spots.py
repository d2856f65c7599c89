"""Places of a calibrated picture: read, compared, counted, proposed."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from functools import lru_cache

from emulsa.core.errors import CoreError, Missing, Unsound
from emulsa.core.light.meters import PhotoReading
from emulsa.core.picture.area import (
    DARKER,
    LIGHTER,
    Clipped,
    PhotoArea,
    Seen,
    decode,
    lights,
    rho2,
    seen,
    stops,
)
from emulsa.core.picture.axis import half_up
from emulsa.core.picture.calibrated import PhotoCalibrateRequest
from emulsa.core.picture.known import KEPT, known
from emulsa.core.picture.mixture import Mixed
from emulsa.core.picture.places import outside
from emulsa.core.picture.settings import WIDE_MM
from emulsa.core.picture.spotted import (
    Bin,
    Bound,
    Distribution,
    PhotoRing,
    PhotoSample,
    PhotoSpots,
    PhotoSpotsRequest,
    Proposal,
    Proposals,
    RangeRead,
    SampleRead,
    SpotCircle,
    SpotShown,
    Tiles,
)
from emulsa.core.picture.tables import WEIGHTS

PERCENTILES = (1, 5, 25, 50, 75, 95, 99)
THIRDS = 3
TEXTURE_FROM, TEXTURE_TO = 0.06, 1.0  # stops a tile varies by
TILE_CLIPPED, LIKE_STOPS, APART_TILES = 0.02, 1.0, 2
ALMOST = 1e-9
BOUNDS: dict[Clipped, Bound] = {"": "", "lighter": "at_least", "darker": "at_most"}


@dataclass(frozen=True, slots=True)
class _Meter:
    """The picture as a meter: its request, its response, what of it was read."""

    request: PhotoSpotsRequest
    mixed: Mixed
    reach: tuple[float, float] | None

    @property
    def aspect(self) -> float:
        return self.request.calibration.picture.aspect


@dataclass(frozen=True, slots=True)
class _Read:
    """A sample with its light and how far out it lies."""

    seen: Seen
    out: float
    answer: SampleRead


def photo_spots(request: PhotoSpotsRequest) -> PhotoSpots:
    """The operation ``photo_spots``; what the calibration refuses is refused under
    ``calibration``."""
    try:
        places, mixed = known(request.calibration)
    except CoreError as refusal:
        refusal.field = f"calibration.{refusal.field}" if refusal.field else "calibration"
        raise
    used = sorted(stops(each.seen.light) for each in places if not each.seen.clipped)
    meter = _Meter(request, mixed, (used[0], used[-1]) if used else None)
    read = _samples(meter)
    return PhotoSpots(
        samples=tuple(each.answer for each in read.values()),
        ranges=tuple(_ranges(meter, read)),
        distribution=_distribution(request.calibration, request.areas) if request.areas else None,
        proposals=_proposals(meter, request.tiles) if request.tiles else None,
        spot=circle(request.spot) if request.spot else None,
    )


def _samples(meter: _Meter) -> dict[str, _Read]:
    found: dict[str, _Read] = {}
    for at, sample in enumerate(meter.request.samples):
        field = f"samples.{at}"
        if sample.id in found:
            raise Unsound("Two places have the same id.", field=f"{field}.id")
        if (sample.x is None) != (sample.y is None):
            missing = "x" if sample.x is None else "y"
            raise Missing("A place has an x and a y.", field=f"{field}.{missing}")
        found[sample.id] = _sample(meter, sample, field)
    return found


def _sample(meter: _Meter, sample: PhotoSample, field: str) -> _Read:
    picture = meter.request.calibration.picture
    if sample.through and sample.area.rgb is None:
        raise Unsound(
            "Through a filter a place is told by its colour: give its rgb.",
            field=f"{field}.through",
        )
    place = seen(picture, sample.area, f"{field}.area")
    out = 0.0 if sample.x is None or sample.y is None else rho2(sample.x, sample.y, meter.aspect)
    ev = sigma = None
    if place.light > 0:
        ev, variance = meter.mixed.ev(place.light, out)
        sigma = math.sqrt(variance + meter.mixed.local**2 + place.doubt_stops**2)
    answer = SampleRead(
        id=sample.id,
        ev100=ev,
        sigma_stops=sigma,
        clipped=place.clipped,
        bound=BOUNDS[place.clipped],
        outside=outside(stops(place.light), meter.reach),
        reading=None if ev is None or sigma is None else PhotoReading(ev100=ev, sigma_stops=sigma),
        shift_stops=_shift(meter, sample) if sample.through else None,
    )
    return _Read(place, out, answer)


def _shift(meter: _Meter, sample: PhotoSample) -> float:
    """How much lighter a colour comes out than on the same film without the filter."""
    assert sample.area.rgb is not None
    assert sample.through is not None
    channels = [decode(meter.request.calibration.picture, each) for each in sample.area.rgb]

    def through(name: str) -> float:
        return math.fsum(w * y for w, y in zip(WEIGHTS[name], channels, strict=True))

    film = through("film")
    return math.log2(max(through(sample.through), 1e-9) / film) if film > 0 else 0.0


def _ranges(meter: _Meter, read: dict[str, _Read]) -> Iterator[RangeRead]:
    for at, each in enumerate(meter.request.ranges):
        for name, id_ in (("low", each.low), ("high", each.high)):
            if id_ not in read:
                raise Missing(f"There is no place “{id_}”.", field=f"ranges.{at}.{name}")
        low, high = read[each.low], read[each.high]
        if not (low.seen.light > 0 and high.seen.light > 0):
            yield RangeRead(low=each.low, high=each.high, stops=None, sigma_stops=None)
            continue
        apart, variance = meter.mixed.between(
            (low.seen.light, low.out), (high.seen.light, high.out)
        )
        doubts = low.seen.doubt_stops**2 + high.seen.doubt_stops**2
        yield RangeRead(
            low=each.low,
            high=each.high,
            stops=apart,
            sigma_stops=math.sqrt(variance + 2 * meter.mixed.local**2 + doubts),
        )


@lru_cache(maxsize=KEPT)
def _distribution(calibration: PhotoCalibrateRequest, rings: tuple[PhotoRing, ...]) -> Distribution:
    picture, (_, mixed) = calibration.picture, known(calibration)
    whole = sum(sum(ring.counts) for ring in rings)
    if not whole:
        raise Unsound("Nothing was counted.", field="areas")
    found: list[tuple[float, int]] = []
    lighter = darker = 0
    for ring in rings:
        each = lights(picture, len(ring.counts))
        fall = mixed.corner * ring.rho2
        for light, ev, count in zip(each, mixed.evs(each), ring.counts, strict=True):
            if count:
                found.append((ev + fall, count))
                lighter += count * (light >= LIGHTER)
                darker += count * (light <= DARKER)
    found.sort()
    bins: dict[int, int] = {}
    for ev, count in found:
        third = half_up(THIRDS * ev)
        bins[third] = bins.get(third, 0) + count
    return Distribution(
        bins=tuple(Bin(ev100=k / THIRDS, share=n / whole) for k, n in sorted(bins.items())),
        percentiles={str(each): _reached(found, each * whole / 100) for each in PERCENTILES},
        mean_ev100=math.log2(math.fsum(n * 2**ev for ev, n in found) / whole),
        clipped_lighter=lighter / whole,
        clipped_darker=darker / whole,
    )


def _reached(found: Iterable[tuple[float, int]], wanted: float) -> float:
    """The EV at which so many are counted."""
    reached = 0
    for ev, count in found:
        reached += count
        if reached >= wanted - ALMOST:
            return ev
    raise AssertionError("less was counted than there is")


def _proposals(meter: _Meter, tiles: Tiles) -> Proposals:
    if len(tiles.cells) != tiles.columns * tiles.rows:
        raise Unsound(
            f"{tiles.columns} × {tiles.rows} tiles are {tiles.columns * tiles.rows}; there are"
            f" {len(tiles.cells)}.",
            field="tiles.cells",
        )
    picture = meter.request.calibration.picture
    places = [
        seen(picture, PhotoArea(level=each.level, spread=each.spread), f"tiles.cells.{at}")
        for at, each in enumerate(tiles.cells)
    ]
    textured = {
        at
        for at, (cell, place) in enumerate(zip(tiles.cells, places, strict=True))
        if TEXTURE_FROM <= place.doubt_stops <= TEXTURE_TO
        and not place.clipped
        and cell.clipped <= TILE_CLIPPED
    }
    shown = {at: _tile(meter, tiles, at, places[at]) for at in sorted(textured)}
    fitting = [
        shown[at]
        for at in sorted(textured)
        if any(
            abs(shown[at].ev100 - shown[beside].ev100) <= LIKE_STOPS + ALMOST
            for beside in _beside(tiles, at)
            if beside in textured
        )
    ]
    return Proposals(
        bright=_apart(sorted(fitting, key=lambda each: -each.ev100), tiles.wanted),
        dark=_apart(sorted(fitting, key=lambda each: each.ev100), tiles.wanted),
    )


def _tile(meter: _Meter, tiles: Tiles, at: int, place: Seen) -> Proposal:
    row, column = divmod(at, tiles.columns)
    x, y = (column + 0.5) / tiles.columns, (row + 0.5) / tiles.rows
    ev, variance = meter.mixed.ev(place.light, rho2(x, y, meter.aspect))
    sigma = math.sqrt(variance + meter.mixed.local**2 + place.doubt_stops**2)
    return Proposal(column=column, row=row, x=x, y=y, ev100=ev, sigma_stops=sigma)


def _beside(tiles: Tiles, at: int) -> Iterator[int]:
    row, column = divmod(at, tiles.columns)
    for down, right in ((-1, 0), (1, 0), (0, -1), (0, 1)):
        if 0 <= row + down < tiles.rows and 0 <= column + right < tiles.columns:
            yield at + down * tiles.columns + right


def _apart(ordered: Iterable[Proposal], wanted: int) -> tuple[Proposal, ...]:
    taken: list[Proposal] = []
    for each in ordered:
        if len(taken) < wanted and all(
            max(abs(each.column - one.column), abs(each.row - one.row)) > APART_TILES
            for one in taken
        ):
            taken.append(each)
    return tuple(taken)


def circle(spot: SpotCircle) -> SpotShown:
    """The meter's circle in the picture; Missing without the picture's view."""
    if (spot.view_deg is None) == (spot.focal_35mm_mm is None):
        raise Missing(
            "Say the picture’s view, or its focal length on 24 × 36.", field="spot.view_deg"
        )
    view = (
        math.radians(spot.view_deg)
        if spot.view_deg is not None
        else 2 * math.atan(WIDE_MM / 2 / (spot.focal_35mm_mm or 1.0))
    )
    angle = math.radians(spot.angle_deg)
    return SpotShown(
        view_deg=math.degrees(view),
        radius_share=math.tan(angle / 2) / (2 * math.tan(view / 2)),
    )
