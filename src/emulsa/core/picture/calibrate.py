"""A picture as a meter: its response by a few spot readings, each reading beside the others."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from functools import lru_cache

from emulsa.core.picture.area import LEAST, LIGHT_118, stops
from emulsa.core.picture.calibrated import (
    Calibration,
    Estimate,
    Knot,
    PhotoCalibrateRequest,
    PointAnswer,
    SettingsCheck,
    WithoutIt,
)
from emulsa.core.picture.doubts import advice
from emulsa.core.picture.known import KEPT, known
from emulsa.core.picture.mixture import Mixed, settings_ev
from emulsa.core.picture.places import ALMOST, Place, curve_known, outside
from emulsa.core.picture.response import KNOTS
from emulsa.core.picture.tables import level_table, pixel_tables

APART, APART_SIGMA = 0.45, 1.25
SETTINGS_OFF = 1.0  # stops


@lru_cache(maxsize=KEPT)
def photo_calibrate(request: PhotoCalibrateRequest) -> Calibration:
    """The operation ``photo_calibrate``."""
    places, mixed = known(request)
    used = [each for each in places if not each.seen.clipped]
    read = sorted(stops(each.seen.light) for each in used)
    reach = (read[0], read[-1]) if read else None
    shown = curve_known(read)
    model = mixed.first.model
    middle, variance = mixed.ev(LIGHT_118)
    points = _points(places, used, mixed)
    disagree = tuple(each.id for each in points if each.disagrees)
    check = _check(request, middle) if used else None
    return Calibration(
        model=model,
        curve_known=model == "curve" and shown,
        ev100_at_118=middle,
        sigma_stops_at_118=math.sqrt(variance + mixed.local**2),
        contrast=_unknown(mixed, 1) if model == "contrast" else None,
        knots=tuple(_knots(mixed, reach)) if model == "curve" else None,
        monotone_held=mixed.first.held,
        vignetting=_corner(request, mixed),
        veil=_veil(request, mixed),
        inflation=mixed.inflation,
        freedom=mixed.freedom,
        calibrated_stops=reach,
        points=points,
        disagree=disagree,
        settings_check=check,
        advice=tuple(advice(used, points, check, model == "curve" and not shown)),
        table=level_table(request, mixed) if request.levels else None,
        pixels=pixel_tables(request, mixed) if request.pixels else None,
    )


def _check(request: PhotoCalibrateRequest, middle: float) -> SettingsCheck | None:
    expected = settings_ev(request)
    if expected is None:
        return None
    return SettingsCheck(
        expected_ev100_at_118=expected,
        found_ev100_at_118=middle,
        difference_stops=middle - expected,
        agrees=abs(middle - expected) <= SETTINGS_OFF,
    )


def _unknown(mixed: Mixed, place: int) -> Estimate:
    mean, square = mixed.estimate(lambda _, each: (each.mean[place], each.covariance[place][place]))
    return Estimate(mean=mean, sd=math.sqrt(square))


def _corner(request: PhotoCalibrateRequest, mixed: Mixed) -> Estimate | None:
    if request.vignetting.kind == "none":
        return None
    if request.vignetting.kind == "known":
        return Estimate(mean=request.vignetting.stops or 0.0, sd=0.0)
    return _unknown(mixed, len(mixed.first.mean) - 1)


def _veil(request: PhotoCalibrateRequest, mixed: Mixed) -> Estimate | None:
    if request.veil.kind == "none":
        return None
    mean = math.fsum(weight * veil for weight, veil, _ in mixed.parts)
    square = math.fsum(weight * (veil - mean) ** 2 for weight, veil, _ in mixed.parts)
    return Estimate(mean=mean, sd=math.sqrt(square))


def _knots(mixed: Mixed, reach: tuple[float, float] | None) -> Iterator[Knot]:
    for at in KNOTS:
        ev, variance = mixed.estimate(
            lambda _, each, at=at: (each.ev(at), each.variance(each.row(at)))  # type: ignore[misc]
        )
        yield Knot(
            picture_stops=float(at),
            ev100=ev,
            sigma_stops=math.sqrt(variance + mixed.local**2),
            outside=outside(float(at), reach),
        )


def _points(
    places: Sequence[Place], used: Sequence[Place], mixed: Mixed
) -> tuple[PointAnswer, ...]:
    order = {each.point.id: at for at, each in enumerate(used)}
    return tuple(_point(each, order.get(each.point.id), len(used), mixed) for each in places)


def _point(place: Place, at: int | None, many: int, mixed: Mixed) -> PointAnswer:
    point = place.point
    residual = weight = None
    others = None
    if at is not None:
        residual = math.fsum(w * each.residuals[at] for w, _, each in mixed.parts)
        weight = math.fsum(w * each.leverages[at] for w, _, each in mixed.parts)
        if many > 1 and weight < 1 - ALMOST:
            sigma = math.hypot(point.sigma_stops, mixed.local, place.seen.doubt_stops)
            others = WithoutIt(
                ev100=point.ev100 - residual / (1 - weight),
                sigma_stops=sigma / math.sqrt(1 - weight),
            )
    off = abs(point.ev100 - others.ev100) if others else 0.0
    patch = _patch(place, mixed)
    return PointAnswer(
        id=point.id,
        used=at is not None,
        why_not=place.seen.clipped,
        picture_stops=stops(place.seen.light),
        rho2=place.rho2,
        residual_stops=residual,
        weight=weight,
        without_it=others,
        disagrees=others is not None
        and off >= APART - ALMOST
        and off >= APART_SIGMA * others.sigma_stops - ALMOST,
        patch_ev100=None if patch is None else point.ev100 + patch[1],
        patch_off_stops=None if patch is None else -patch[1],
        patch_light_stops=None if patch is None else patch[0],
    )


def _patch(place: Place, mixed: Mixed) -> tuple[float, float] | None:
    """How much lighter what was meant is than what the circle covered: in light, and in EV."""
    patch = place.patch_light
    if patch is None:
        return None
    out = place.rho2 or 0.0
    moved, _ = mixed.between((place.seen.light, out), (patch, out))
    return math.log2(max(patch, LEAST) / max(place.seen.light, LEAST)), moved
