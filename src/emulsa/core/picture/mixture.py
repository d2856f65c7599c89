"""A picture's response by the readings that can be used; over every veil there may be, weighed."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from emulsa.core.errors import CoreError, Missing, Unsound
from emulsa.core.light.exposure_value import at_hundred, exposure_value
from emulsa.core.light.marks import f_number, seconds
from emulsa.core.picture.area import LEAST, LIGHT_118, GivenSettings, Picture, stops
from emulsa.core.picture.calibrated import PhotoCalibrateRequest
from emulsa.core.picture.places import Place, curve_known
from emulsa.core.picture.response import (
    KNOTS,
    LEAST_SLOPE,
    Model,
    Observed,
    Response,
    fitted,
    inflation,
    local_stops,
)
from emulsa.core.straight import along

Q = 0.65  # what a meter's constant is compared with a picture's by (ISO 2720)
SETTINGS_SD = 0.5
VEIL_STEP, VEIL_STEPS, VEIL_USUAL, VEIL_MOST = 0.0005, 40, 0.004, 0.9


@dataclass(frozen=True, slots=True)
class Mixed:
    """Responses to one veil each, with their weights: one response for the most part."""

    parts: tuple[tuple[float, float, Response], ...]  # weight, veil, response
    local: float
    inflation: float
    freedom: float

    def estimate(self, of: Callable[[float, Response], tuple[float, float]]) -> tuple[float, float]:
        """Mean and variance of the mixture, the variance inflated."""
        told = [(weight, *of(veil, each)) for weight, veil, each in self.parts]
        mean = math.fsum(weight * value for weight, value, _ in told)
        square = math.fsum(
            weight * (variance * self.inflation**2 + (value - mean) ** 2)
            for weight, value, variance in told
        )
        return mean, square

    def evs(self, lights: Sequence[float]) -> list[float]:
        """EVs of many rising lights in the middle of the picture, found in one walk each."""
        found = [0.0] * len(lights)
        for weight, veil, each in self.parts:
            points = [(float(at), each.ev(at)) for at in KNOTS]
            bare = [under(light, veil) for light in lights] if veil else lights
            us = [math.log2((light if light > LEAST else LEAST) / LIGHT_118) for light in bare]
            found = [ev + weight * more for ev, more in zip(found, along(points, us), strict=True)]
        return found

    def ev(self, light: float, out: float = 0.0) -> tuple[float, float]:
        """EV of a light in the picture, and the response's variance there."""

        def there(veil: float, each: Response) -> tuple[float, float]:
            u = stops(under(light, veil))
            return each.ev(u, out), each.variance(each.row(u, out))

        return self.estimate(there)

    @property
    def corner(self) -> float:
        """What the corners lose, in stops; the light of the mean."""
        told = self.first.known_corner
        return told if told is not None else self.estimate(lambda _, one: (one.mean[-1], 0.0))[0]

    def between(self, one: tuple[float, float], other: tuple[float, float]) -> tuple[float, float]:
        """How much more EV the other place has, and the variance of that: what both share drops
        out. A place is its light and ρ²."""

        def apart(veil: float, each: Response) -> tuple[float, float]:
            u, v = (stops(under(light, veil)) for light, _ in (one, other))
            rows = each.row(u, one[1]), each.row(v, other[1])
            row = [b - a for a, b in zip(*rows, strict=True)]
            return each.ev(v, other[1]) - each.ev(u, one[1]), each.variance(row)

        return self.estimate(apart)

    @property
    def first(self) -> Response:
        return self.parts[0][2]


def under(light: float, veil: float) -> float:
    """A light without the stray light that lies over the whole picture."""
    return max((light - veil) / (1 - veil), LEAST) if veil else light


def response(request: PhotoCalibrateRequest, places: Sequence[Place]) -> Mixed:
    """The response by what can be used; refused where nothing can, or where readings run against
    the picture."""
    vignetting = request.vignetting
    if vignetting.kind == "known" and vignetting.stops is None:
        raise Missing("Say how many stops the corners lose.", field="vignetting.stops")
    used = [each for each in places if not each.seen.clipped]
    expected = settings_ev(request)
    if places and not used:
        raise Unsound("Every reading lies where the picture is clipped.", field="points")
    if not used and expected is None:
        raise Missing("Take a reading at a place of this picture.", field="points")
    model = _model(request, used)
    local = local_stops(request.picture.encoding)
    corner = None if vignetting.kind == "unknown" else vignetting.stops or 0.0
    settings = None if used or expected is None else (expected, SETTINGS_SD)

    def fit(as_: Model, veil: float) -> Response:
        return fitted(as_, [_observed(each, local, veil) for each in used], corner, settings)

    if len(used) > 1 and fit("contrast", 0.0).mean[1] < LEAST_SLOPE:
        raise Unsound(
            "These readings run against the picture: what is lighter in it read darker.",
            field="points",
        )
    if request.veil.kind == "none":
        found = fit(model, 0.0)
        return Mixed(
            ((1.0, 0.0, found),), local, inflation(found.misfit, found.freedom), found.freedom
        )
    if model == "curve":
        raise Unsound("A veil is found beside a contrast, not a curve.", field="veil")
    return _veiled(lambda veil: fit(model, veil), used, local)


def _veiled(fit: Callable[[float], Response], used: Sequence[Place], local: float) -> Mixed:
    darkest = min((each.seen.light for each in used), default=1.0)
    veils = [VEIL_STEP * k for k in range(VEIL_STEPS + 1) if VEIL_STEP * k < VEIL_MOST * darkest]
    tried = [(veil, fit(veil)) for veil in veils or [0.0]]
    logs = [
        -veil / VEIL_USUAL - 0.5 * (each.log_determinant + each.misfit + each.prior_misfit)
        for veil, each in tried
    ]
    top = max(logs)
    weights = [math.exp(each - top) for each in logs]
    whole = math.fsum(weights)
    parts = tuple(
        (weight / whole, veil, each) for weight, (veil, each) in zip(weights, tried, strict=True)
    )
    misfit = math.fsum(weight * each.misfit for weight, _, each in parts)
    freedom = math.fsum(weight * each.freedom for weight, _, each in parts)
    return Mixed(parts, local, inflation(misfit, freedom), freedom)


def _observed(place: Place, local: float, veil: float) -> Observed:
    sigma = math.hypot(place.point.sigma_stops, local, place.seen.doubt_stops)
    light = under(place.seen.light, veil)
    return Observed(stops(light), place.rho2 or 0.0, place.point.ev100, sigma)


def _model(request: PhotoCalibrateRequest, used: Sequence[Place]) -> Model:
    if request.model == "auto":
        linear = request.picture.encoding == "linear" or request.veil.kind == "unknown"
        return "contrast" if linear else "curve"
    if request.model == "curve" and not curve_known(
        sorted(stops(each.seen.light) for each in used)
    ):
        raise Unsound("A curve needs four readings over three stops of the picture.", field="model")
    return request.model


def settings_ev(request: PhotoCalibrateRequest) -> float | None:
    """The EV that level 118 stands for by the picture's settings."""
    given = request.picture.settings
    if given is None:
        return None
    try:
        return given_ev(request.picture, given)
    except CoreError as refusal:
        refusal.field = f"picture.settings.{refusal.field}"
        raise


def given_ev(picture: Picture, given: GivenSettings) -> float:
    """The EV that level 118 stands for by settings, this camera's own offset included."""
    ev = exposure_value(f_number(given.aperture), seconds(given.time))
    constant = math.log2(10 / (Q * picture.meter.k))
    return at_hundred(ev, given.iso) + constant + picture.offset_stops
