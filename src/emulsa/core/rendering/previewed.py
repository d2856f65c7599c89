"""A preview of the print before the shutter, as it is asked for and answered."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.light.flare import FlareShare
from emulsa.core.limits import EV, ExposureIndex, Id, Length, Within, Zone
from emulsa.core.rendering.blur import Blur, BlurAsked
from emulsa.core.rendering.own_film import OwnFilm
from emulsa.core.rendering.paper import MIDDLE_LIGHTNESS, Paper
from emulsa.core.rendering.tones import NORMAL_PAPER, TYPICAL_FILM, Flare, TypicalFilm
from emulsa.core.tones.development_number import PIVOT, DevelopmentNumber
from emulsa.core.tones.zones import MIDDLE

CameraEv = Annotated[float, Within("The camera’s EV", -20, 36)]
PreviewError = Annotated[float, Within("The exposure’s error", -20, 20, "stops")]
KeyLightness = Annotated[float, Within("The key’s lightness", 0, 100)]
TimeFactor = Annotated[float, Within("The factor of the developing time", 0.1, 10)]
Counts = Annotated[tuple[float, ...], Length("Counts along the EV axis", 1025, 1025)]

MOST_PLANS = 8


@dataclass(frozen=True, kw_only=True, slots=True)
class PlacedAt:
    """An EV that is put on a zone."""

    ev100: EV
    zone: Zone


@dataclass(frozen=True, kw_only=True, slots=True)
class FilmByTest:
    """A film by its own test."""

    kind: Literal["own"]
    own_film: OwnFilm


@dataclass(frozen=True, kw_only=True, slots=True)
class NoFlare:
    """No stray light."""

    kind: Literal["none"] = "none"


@dataclass(frozen=True, kw_only=True, slots=True)
class FlareByStops:
    """Stray light as so many stops at Zone 0."""

    kind: Literal["stops"]
    stops: Flare


@dataclass(frozen=True, kw_only=True, slots=True)
class FlareByShare:
    """A share of the scene's mean light, spread over everything."""

    kind: Literal["share"]
    share: FlareShare
    mean_ev100: EV | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class LongExposure:
    """What a long exposure asks of the developing time, and whether it is given."""

    development_change: TimeFactor
    compensated: bool = False


@dataclass(frozen=True, kw_only=True, slots=True)
class Key:
    """Which tone the print is exposed for, and how light it shall be."""

    zone: Zone = MIDDLE
    lightness: KeyLightness = MIDDLE_LIGHTNESS


NO_FLARE, MIDDLE_KEY = NoFlare(), Key()


@dataclass(frozen=True, kw_only=True, slots=True)
class PreviewPlan:
    """One way of taking the picture: the exposure, N, film and paper. Stops of error are over (+)
    or under what was meant; the print is exposed as if there were none."""

    id: Id
    camera_ev: CameraEv | None = None
    placed: PlacedAt | None = None
    error_stops: PreviewError = 0
    n: DevelopmentNumber = 0
    pivot: Zone = PIVOT
    film: TypicalFilm | FilmByTest = TYPICAL_FILM
    ei: ExposureIndex | None = None
    paper: Paper = NORMAL_PAPER
    flare: NoFlare | FlareByStops | FlareByShare = NO_FLARE
    long_exposure: LongExposure | None = None
    key: Key = MIDDLE_KEY


@dataclass(frozen=True, kw_only=True, slots=True)
class SceneCounts:
    """How much of the scene lies at each entry of the EV axis."""

    counts: Counts


@dataclass(frozen=True, kw_only=True, slots=True)
class PhotoPreviewRequest:
    """Up to eight plans of one scene, and the hole that blurs it."""

    plans: Annotated[tuple[PreviewPlan, ...], Length("Plans", 1, MOST_PLANS)]
    scene: SceneCounts | None = None
    blur: BlurAsked | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class PreviewZone:
    """Where a zone lies in the scene, and how light it prints."""

    zone: int
    ev100: float
    lightness: float


@dataclass(frozen=True, kw_only=True, slots=True)
class Shares:
    """How much of the scene keeps texture, some, or none, at either end."""

    shadows_lost: float
    shadows_some: float
    full: float
    highlights_some: float
    highlights_lost: float


@dataclass(frozen=True, kw_only=True, slots=True)
class Differs:
    """How far a plan's print is from the first one's: in the mean, and for how much of the scene
    by three steps of lightness and more."""

    mean_lightness: float
    share: float


@dataclass(frozen=True, kw_only=True, slots=True)
class PreviewedPlan:
    """A plan's print: by entry of the EV axis its lightness, its grey against the paper's white,
    and its ``mark`` (0 lost in shadow, 1 some in shadow, 2 full, 3 some in light, 4 lost in
    light)."""

    id: str
    camera_ev: float
    n_effective: float
    contrast_from_long_exposure: float
    mean_ev100: float | None
    lightness: tuple[float, ...]
    grey: tuple[int, ...]
    mark: tuple[int, ...]
    zones: tuple[PreviewZone, ...]
    texture_ev: tuple[float, float] | None
    full_texture_ev: tuple[float, float] | None
    shares: Shares | None
    mean_lightness: float | None
    differs: Differs | None


@dataclass(frozen=True, kw_only=True, slots=True)
class PhotoPreviewAnswer:
    """Every plan's print, and how unsharp a hole makes it."""

    plans: tuple[PreviewedPlan, ...]
    blur: Blur | None
