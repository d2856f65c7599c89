"""Places of a calibrated picture as they are asked for and answered."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.light.meters import PhotoReading
from emulsa.core.limits import Id, Length, Within
from emulsa.core.picture.area import Clipped, Counts, PhotoArea, PhotoLevel, PhotoSpread
from emulsa.core.picture.calibrated import PhotoCalibrateRequest, Share, Through

Bound = Literal["", "at_least", "at_most"]
Rings = Annotated[float, Within("How far out a ring lies", 0, 1)]
Side = Annotated[int, Within("Tiles of a side", 1, 100)]
Wanted = Annotated[int, Within("Proposals wanted", 0, 20)]
ClippedShare = Annotated[float, Within("What of a tile is clipped", 0, 1)]
ViewDeg = Annotated[float, Within("The picture's view", 1, 170, "degrees")]
AngleDeg = Annotated[float, Within("The meter's angle", 0.1, 90, "degrees")]
Focal35 = Annotated[float, Within("The focal length on 24 × 36", 5, 2_000, "mm")]


@dataclass(frozen=True, kw_only=True, slots=True)
class PhotoSample:
    """A place to be read; ``through`` which filter, by its colour."""

    id: Id
    area: PhotoArea
    x: Share | None = None
    y: Share | None = None
    through: Through | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class PhotoRange:
    """Two of the places, by their ids."""

    low: Id
    high: Id


@dataclass(frozen=True, kw_only=True, slots=True)
class PhotoRing:
    """A ring of the picture by its levels."""

    rho2: Rings = 0.0
    counts: Counts


@dataclass(frozen=True, kw_only=True, slots=True)
class TileCell:
    """A tile: its level, how far that spreads, what of it is clipped."""

    level: PhotoLevel
    spread: PhotoSpread
    clipped: ClippedShare = 0.0


@dataclass(frozen=True, kw_only=True, slots=True)
class Tiles:
    """The picture cut into tiles, row by row, and how many places are to be proposed."""

    columns: Side
    rows: Side
    cells: Annotated[tuple[TileCell, ...], Length("Tiles", 1, 10_000)]
    wanted: Wanted = 3


@dataclass(frozen=True, kw_only=True, slots=True)
class SpotCircle:
    """A meter's angle over a picture's view."""

    angle_deg: AngleDeg
    view_deg: ViewDeg | None = None
    focal_35mm_mm: Focal35 | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class PhotoSpotsRequest:
    """A calibration as it is kept with a picture, and what is asked of it."""

    calibration: PhotoCalibrateRequest
    samples: Annotated[tuple[PhotoSample, ...], Length("Places of a picture", 0, 400)] = ()
    ranges: Annotated[tuple[PhotoRange, ...], Length("Ranges between places", 0, 400)] = ()
    areas: Annotated[tuple[PhotoRing, ...], Length("Rings of a picture", 0, 100)] = ()
    tiles: Tiles | None = None
    spot: SpotCircle | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class SampleRead:
    """A place: its EV and doubt; ``bound`` where a clipped one only says at least or at most;
    ``shift_stops`` how much lighter it comes out through the filter."""

    id: str
    ev100: float | None
    sigma_stops: float | None
    clipped: Clipped
    bound: Bound
    outside: bool
    reading: PhotoReading | None
    shift_stops: float | None


@dataclass(frozen=True, kw_only=True, slots=True)
class RangeRead:
    """How far apart two places are, surer than either is known."""

    low: str
    high: str
    stops: float | None
    sigma_stops: float | None


@dataclass(frozen=True, kw_only=True, slots=True)
class Bin:
    """A third of a stop, and what of the picture falls there."""

    ev100: float
    share: float


@dataclass(frozen=True, kw_only=True, slots=True)
class Distribution:
    """The whole picture by EV; percentiles by their number."""

    bins: tuple[Bin, ...]
    percentiles: dict[str, float]
    mean_ev100: float
    clipped_lighter: float
    clipped_darker: float


@dataclass(frozen=True, kw_only=True, slots=True)
class Proposal:
    """A textured tile to read."""

    column: int
    row: int
    x: float
    y: float
    ev100: float
    sigma_stops: float


@dataclass(frozen=True, kw_only=True, slots=True)
class Proposals:
    """The brightest and the darkest places with texture."""

    bright: tuple[Proposal, ...]
    dark: tuple[Proposal, ...]


@dataclass(frozen=True, kw_only=True, slots=True)
class SpotShown:
    """The meter's circle: its radius over the picture's width in its middle."""

    view_deg: float
    radius_share: float


@dataclass(frozen=True, kw_only=True, slots=True)
class PhotoSpots:
    """What was asked, each in its order."""

    samples: tuple[SampleRead, ...]
    ranges: tuple[RangeRead, ...]
    distribution: Distribution | None
    proposals: Proposals | None
    spot: SpotShown | None
