"""A picture as it is kept to meter by: what its file says, and where readings lie in it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.core.light.meters import Offset
from emulsa.core.limits import Label, Length, Within
from emulsa.core.picture.area import Counts, GivenSettings
from emulsa.core.picture.calibrated import Share
from emulsa.core.picture.settings import PictureSettings
from emulsa.core.picture.spotted import ViewDeg

LONGEST_FRACTION_S = 0.4
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
class Metering:
    """What a picture is metered by: its settings where they are known, the angle it sees across,
    this camera's own offset, whether its corners are darker than they were, whether its file lies
    on its side, and doubts it raises, as codes. Where it was taken is never read."""

    settings: GivenSettings | None = None
    view_deg: ViewDeg | None = None
    offset_stops: Offset = 0.0
    corners: bool = False
    turned: bool = False
    taken: Label = ""
    doubts: Annotated[tuple[Label, ...], Length("Doubts of a picture", 0, 10)] = ()


def metering_of(told: PictureSettings) -> Metering:
    """How a picture is metered by, begun with what its file says."""
    settings = None
    if told.time_s and told.aperture and told.iso:
        settings = GivenSettings(
            time=_time(told.time_s), aperture=round(told.aperture, 2), iso=round(told.iso, 1)
        )
    return Metering(
        settings=settings,
        view_deg=None if told.view_deg is None else round(told.view_deg, 1),
        turned=told.turned,
        taken=told.taken,
        doubts=tuple(each.code for each in told.advice),
    )


def _time(seconds: float) -> str | float:
    """A time as it is written: a fraction while it is one.

    >>> _time(0.008), _time(2.5)
    ('1/125', 2.5)
    """
    return f"1/{round(1 / seconds)}" if seconds < LONGEST_FRACTION_S else round(seconds, 3)
