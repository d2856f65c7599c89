"""A picture's calibration as it is asked for and answered."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.advice import Advice
from emulsa.core.limits import EV, Id, Length, Within
from emulsa.core.picture.area import PhotoArea, Picture
from emulsa.core.picture.response import Model

PointSigma = Annotated[float, Within("A reading's doubt", 0.01, 10, "stops")]
Share = Annotated[float, Within("Where a place lies in the picture", 0, 1)]
CornerStops = Annotated[float, Within("What the corners lose", 0, 5, "stops")]
TableLevels = Annotated[int, Within("Levels of a picture’s table", 2, 4096)]
Through = Literal["film", "yellow", "orange", "red", "yellow_green", "green", "blue"]


@dataclass(frozen=True, kw_only=True, slots=True)
class CalibrationPoint:
    """A spot reading at a place: what the meter's circle covered, and what was meant in it."""

    id: Id
    ev100: EV
    sigma_stops: PointSigma = 1 / 6
    area: PhotoArea
    patch: PhotoArea | None = None
    x: Share | None = None
    y: Share | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Vignetting:
    """Whether the corners are darker: not, by so many stops, or to be found out."""

    kind: Literal["none", "known", "unknown"] = "none"
    stops: CornerStops | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Veil:
    """Whether stray light lies over the whole picture."""

    kind: Literal["none", "unknown"] = "none"


@dataclass(frozen=True, kw_only=True, slots=True)
class PixelTables:
    """That tables for the page are wanted, and through which filter the film sees."""

    through: Through | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class PhotoCalibrateRequest:
    """A picture, readings at places of it, and what is assumed of it."""

    picture: Picture
    points: Annotated[tuple[CalibrationPoint, ...], Length("Readings in a picture", 0, 60)] = ()
    model: Literal["auto", "plain", "contrast", "curve"] = "auto"
    vignetting: Vignetting = Vignetting()
    veil: Veil = Veil()
    levels: TableLevels | None = None
    pixels: PixelTables | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Estimate:
    """A mean, and how sure it is."""

    mean: float
    sd: float


@dataclass(frozen=True, kw_only=True, slots=True)
class Knot:
    """Where the curve stands at so many picture stops; ``outside`` beyond what was read."""

    picture_stops: float
    ev100: float
    sigma_stops: float
    outside: bool


@dataclass(frozen=True, kw_only=True, slots=True)
class WithoutIt:
    """What a reading would be by all the others."""

    ev100: float
    sigma_stops: float


@dataclass(frozen=True, kw_only=True, slots=True)
class PointAnswer:
    """A reading beside the others; of its patch what the meter would have read of it alone."""

    id: str
    used: bool
    why_not: str
    picture_stops: float
    rho2: float | None
    residual_stops: float | None
    weight: float | None
    without_it: WithoutIt | None
    disagrees: bool
    patch_ev100: float | None
    patch_off_stops: float | None
    patch_light_stops: float | None


@dataclass(frozen=True, kw_only=True, slots=True)
class SettingsCheck:
    """What the settings say of level 118, beside what the readings say."""

    expected_ev100_at_118: float
    found_ev100_at_118: float
    difference_stops: float
    agrees: bool


@dataclass(frozen=True, kw_only=True, slots=True)
class LevelTable:
    """EV by level in the middle of the picture, its doubt, its place on the EV axis, whether it is
    clipped (2 lighter, 1 darker); what is added to the place further out, by ρ² in 64 steps."""

    ev: tuple[float, ...]
    sigma: tuple[float, ...]
    index: tuple[int, ...]
    clipped: tuple[int, ...]
    falloff_index: tuple[int, ...]


@dataclass(frozen=True, kw_only=True, slots=True)
class PixelAnswer:
    """A pixel's light by its channels, to be added, and the EV axis by that sum."""

    red: tuple[int, ...]
    green: tuple[int, ...]
    blue: tuple[int, ...]
    sum_index: tuple[int, ...]


@dataclass(frozen=True, kw_only=True, slots=True)
class Calibration:
    """How the picture's levels answer light, with every doubt, and each reading beside the
    others."""

    model: Model
    curve_known: bool
    ev100_at_118: float
    sigma_stops_at_118: float
    contrast: Estimate | None
    knots: tuple[Knot, ...] | None
    monotone_held: bool
    vignetting: Estimate | None
    veil: Estimate | None
    inflation: float
    freedom: float
    calibrated_stops: tuple[float, float] | None
    points: tuple[PointAnswer, ...]
    disagree: tuple[str, ...]
    settings_check: SettingsCheck | None
    advice: tuple[Advice, ...]
    table: LevelTable | None
    pixels: PixelAnswer | None
