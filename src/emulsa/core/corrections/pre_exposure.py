"""A little light before: film pre-exposed to a low zone, paper flashed by a strip.

Light adds up: z′ = log2(2^z + 2^p). Derived; how far under a paper's threshold one flashes is
common practice, no source.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.corrections.reciprocity import Law, corrected_s
from emulsa.core.errors import Missing, OutOfRange
from emulsa.core.light.marks import ApertureMark, f_number
from emulsa.core.limits import EV, ExposureIndex, Length, Within
from emulsa.core.tones.zones import MIDDLE

PreZone = Annotated[float, Within("The zone of the pre-exposure", -4, 5)]
RaisedZone = Annotated[float, Within("A zone that is raised", -2, 14)]
FilterStops = Annotated[float, Within("The filter’s stops", 0, 20, "stops")]
StripSeconds = Annotated[float, Within("A strip’s time", 0.05, 3600, "s")]
Under = Annotated[float, Within("How far under the threshold", 0.1, 4, "stops")]

ZONES = tuple(float(zone) for zone in range(11))


@dataclass(frozen=True, kw_only=True, slots=True)
class OfFilm:
    """Film pre-exposed to a zone; what the even card reads, the index and the aperture tell its
    exposure."""

    kind: Literal["film"]
    zone: PreZone
    zones: Annotated[tuple[RaisedZone, ...], Length("Zones that are raised", 1, 60)] = ZONES
    card_ev100: EV | None = None
    ei: ExposureIndex | None = None
    aperture: ApertureMark | None = None
    filter_stops: FilterStops = 0.0
    law: Law | None = None

    def __post_init__(self) -> None:
        asked = {"card_ev100": self.card_ev100, "ei": self.ei, "aperture": self.aperture}
        lacking = [name for name, value in asked.items() if value is None]
        if 0 < len(lacking) < len(asked):
            raise Missing(
                "The card’s EV, the index and the aperture are needed together.", field=lacking[0]
            )


@dataclass(frozen=True, kw_only=True, slots=True)
class OfPaper:
    """A strip of paper under even light: the last step that stays white, the first grey one."""

    kind: Literal["paper"]
    last_white_s: StripSeconds
    first_grey_s: StripSeconds
    under_stops: Under = 0.5

    def __post_init__(self) -> None:
        if self.first_grey_s <= self.last_white_s:
            raise OutOfRange(
                "The first grey step is longer than the last white one.",
                field="first_grey_s",
                allowed=[self.last_white_s, 3600],
            )


PreExposureRequest = OfFilm | OfPaper


@dataclass(frozen=True, slots=True)
class Raised:
    """A zone, what it becomes, and by how much."""

    zone: float
    becomes: float
    raised: float


@dataclass(frozen=True, slots=True)
class CardExposure:
    """The exposure of an even card, out of focus at infinity."""

    camera_ev: float
    metered_s: float
    corrected_s: float


@dataclass(frozen=True, slots=True)
class FilmPreExposed:
    """Every zone as it becomes, the range that is left, and the card's exposure."""

    tones: tuple[Raised, ...]
    range_stops: float
    exposure: CardExposure | None


@dataclass(frozen=True, slots=True)
class PaperFlashed:
    """The threshold with its doubt, the time to flash, and highlights so far below the threshold
    that begin to show."""

    threshold_s: float
    doubt_stops: float
    flash_s: float
    reach_stops: float


PreExposed = FilmPreExposed | PaperFlashed


def pre_exposure(request: PreExposureRequest) -> PreExposed:
    """The operation ``pre_exposure``."""
    return _paper(request) if isinstance(request, OfPaper) else _film(request)


def raised(zone: float, by: float) -> float:
    """Where a zone comes to lie over light of another.

    >>> raised(2, 2), round(raised(8, 2), 3)
    (3.0, 8.022)
    """
    return math.log2(2**zone + 2**by)


def _film(request: OfFilm) -> FilmPreExposed:
    becomes = [raised(zone, request.zone) for zone in request.zones]
    return FilmPreExposed(
        tones=tuple(
            Raised(zone, lifted, lifted - zone)
            for zone, lifted in zip(request.zones, becomes, strict=True)
        ),
        range_stops=max(becomes) - min(becomes),
        exposure=_card(request),
    )


def _card(request: OfFilm) -> CardExposure | None:
    if request.card_ev100 is None or request.ei is None or request.aperture is None:
        return None
    camera = request.card_ev100 + math.log2(request.ei / 100) + MIDDLE - request.zone
    seconds = f_number(request.aperture) ** 2 / 2**camera * 2**request.filter_stops
    corrected = corrected_s(request.law, seconds) if request.law else seconds
    return CardExposure(camera, seconds, corrected)


def _paper(request: OfPaper) -> PaperFlashed:
    threshold = math.sqrt(request.last_white_s * request.first_grey_s)
    under = 2**-request.under_stops
    return PaperFlashed(
        threshold_s=threshold,
        doubt_stops=math.log2(request.first_grey_s / request.last_white_s) / 2,
        flash_s=threshold * under,
        reach_stops=-math.log2(1 - under),
    )
