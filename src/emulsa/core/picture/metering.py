"""A picture as it is kept to meter by: what its file says, and where readings lie in it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.core.light.flare import USUAL_FLARE, FlareShare
from emulsa.core.light.meters import Offset
from emulsa.core.limits import ExposureIndex, Id, Label, Length, Within
from emulsa.core.numbers import plain
from emulsa.core.picture.area import Counts
from emulsa.core.picture.calibrated import Share
from emulsa.core.picture.settings import PictureSettings
from emulsa.core.picture.spotted import ViewDeg

LONGEST_FRACTION_S = 0.4
PictureTime = Annotated[float, Within("The picture's time", 1e-6, 3_600, "s")]
PictureAperture = Annotated[float, Within("The picture's aperture", 0.5, 128)]
SpotRadius = Annotated[float, Within("A circle's radius over the picture's width", 0.0005, 0.5)]


@dataclass(frozen=True, kw_only=True, slots=True)
class Spot:
    """A circle in a picture: its middle as shares of width and height, its radius as a share of the
    width, and how many of its pixels have each level."""

    x: Share
    y: Share
    radius: SpotRadius
    counts: Counts


@dataclass(frozen=True, kw_only=True, slots=True)
class PictureExposure:
    """What a picture was exposed with: literal figures, as its file has them."""

    time_s: PictureTime
    aperture: PictureAperture
    iso: ExposureIndex


@dataclass(frozen=True, kw_only=True, slots=True)
class Metering:
    """What a picture is metered by: its settings where they are known, the angle it sees across,
    this camera's own offset, whether its corners are darker than they were, whether its file lies
    on its side, and what speaks against its levels, in words; and what its print is seen with: the
    lens's flare, and the paper, none of the kit being a normal one. Where it was taken is never
    read."""

    settings: PictureExposure | None = None
    view_deg: ViewDeg | None = None
    offset_stops: Offset = 0.0
    corners: bool = False
    turned: bool = False
    taken: Label = ""
    doubts: Annotated[tuple[Label, ...], Length("Doubts of a picture", 0, 10)] = ()
    flare_share: FlareShare = USUAL_FLARE
    paper_id: Id | None = None


def metering_of(told: PictureSettings) -> Metering:
    """How a picture is metered by, begun with what its file says."""
    settings = None
    if told.time_s and told.aperture and told.iso:
        settings = PictureExposure(
            time_s=told.time_s, aperture=round(told.aperture, 2), iso=round(told.iso, 1)
        )
    return Metering(
        settings=settings,
        view_deg=None if told.view_deg is None else round(told.view_deg, 1),
        turned=told.turned,
        taken=told.taken,
        doubts=tuple(each.text for each in told.advice if each.code != "settings-missing"),
    )


@dataclass(frozen=True, kw_only=True, slots=True)
class MeteringTyped:
    """What a picture is metered by, as one types it."""

    time: str
    aperture: str
    iso: str
    view: str
    offset: str


def as_typed(metering: Metering) -> MeteringTyped:
    """What is known, as one types it; nothing where it is not.

    >>> known = PictureExposure(time_s=1 / 955, aperture=2, iso=100)
    >>> as_typed(Metering(settings=known)).time
    '1/955'
    """
    known = metering.settings
    return MeteringTyped(
        time=_time(known.time_s) if known else "",
        aperture=plain(known.aperture) if known else "",
        iso=plain(known.iso) if known else "",
        view="" if metering.view_deg is None else plain(metering.view_deg),
        offset=plain(metering.offset_stops) if metering.offset_stops else "",
    )


def _time(seconds: float) -> str:
    if seconds < LONGEST_FRACTION_S:
        return f"1/{round(1 / seconds)}"
    return plain(round(seconds, 3))
