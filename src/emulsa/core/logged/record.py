"""A logged exposure: what was reported, what it was taken with, and the plan it was made by."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Any

from emulsa.core.corrections.light_change import Interval
from emulsa.core.corrections.reciprocity import Law
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.development.ratings import RatingReason
from emulsa.core.exposing.request import BracketStops, ExposureRequest
from emulsa.core.exposing.sharing import Part, ShareOf
from emulsa.core.light.marks import ApertureMark, TimeMark
from emulsa.core.limits import (
    DEVELOPMENT_CHANGE,
    FILTERS,
    INTERVALS,
    ExposureIndex,
    Id,
    Label,
    Note,
    Seconds,
    Within,
)
from emulsa.core.tones.development_number import DevelopmentNumber

ErrorStops = Annotated[float, Within("An exposure's error", -20, 20, "stops")]
DevelopmentChange = Annotated[float, DEVELOPMENT_CHANGE]
Cost = Annotated[float, Within("The cost of an exposure", 0, 100_000)]
Share = Part


@dataclass(frozen=True, kw_only=True, slots=True)
class Planned:
    """The plan an exposure is made by: what the scene asked for when the shutter opened, the film
    it was worked out for, and what stood before it."""

    request: ExposureRequest
    film_id: Id
    recipe_id: Id | None = None
    lens_id: Id | None = None
    pinhole_id: Id | None = None
    filter_ids: Annotated[tuple[Id, ...], FILTERS] = ()
    rating_reason: RatingReason | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Given:
    """An exposure as it is reported: empty aperture or time mean *as planned*.

    ``plan`` is what it was made by; without one it is the scene's as it stands. ``bracket_stops``
    is the frame's place in a bracket; ``share`` its part of an intended multiple exposure,
    ``share_of`` whether the other openings are of the same scene; ``intervals`` what the clock
    counted while the light changed, in place of a time. ``happened`` records what nobody would have
    advised: a second exposure by accident, a frame at another EI than its roll. ``unplaced``:
    nobody said which holder it was; film of its own is made for it, under ``piece_id``.
    """

    id: Id
    scene_id: Id
    piece_id: Id
    plan: Planned | None = None
    aperture: ApertureMark | None = None
    time: TimeMark | None = None
    note: Note = ""
    bracket_id: Id | None = None
    bracket_stops: BracketStops = 0.0
    share: Share = 1.0
    share_of: ShareOf = "one_scene"
    intervals: Annotated[tuple[Interval, ...], INTERVALS] = ()
    happened: bool = False
    unplaced: bool = False


@dataclass(frozen=True, kw_only=True, slots=True)
class Correction:
    """What is put right later about a logged exposure; the plan it was made with stays."""

    aperture: ApertureMark
    time: TimeMark
    n: DevelopmentNumber
    recipe_id: Id | None = None
    note: Note = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class Taken:
    """What an exposure was taken with and what its film cost, as it was on the day."""

    lens_id: Id | None = None
    pinhole_id: Id | None = None
    filter_ids: Annotated[tuple[Id, ...], FILTERS] = ()
    exposure_index: ExposureIndex | None = None
    rating_reason: RatingReason | None = None
    cost: Cost | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Exposure:
    """A logged exposure. ``request`` and ``answer`` are the plan as it was, never recomputed: of a
    frame of a bracket its own, shifted to its place.

    Both are empty for an exposure brought in from elsewhere without its plan. ``n`` is the N that
    was planned, ``error_stops`` how far the exposure was off; what development makes of the two is
    worked out when it is asked for. ``mark`` is what the dial of a measured shutter stood at.
    """

    id: Id
    scene_id: Id
    piece_id: Id
    exposed_at: Label
    aperture: ApertureMark
    seconds: Seconds
    error_stops: ErrorStops
    n: DevelopmentNumber
    development_change: DevelopmentChange
    recipe_id: Id | None
    request: dict[str, Any]
    answer: dict[str, Any]
    core_version: Label
    note: Note
    bracket_id: Label | None = None
    bracket_stops: BracketStops = 0.0
    share: Share = 1.0
    share_of: ShareOf = "one_scene"
    mark: Label = ""
    intervals: tuple[Interval, ...] = ()
    taken: Taken = Taken()

    @property
    def film_kind(self) -> FilmKindName | None:
        """The kind of film it was planned for."""
        kind: FilmKindName | None = self.request.get("film_kind")
        return kind


@dataclass(frozen=True, kw_only=True, slots=True)
class Shot:
    """What of an exposure its development goes by, without the sums it was made from; ``law`` only
    where it is one opening of several, whose light adds up by it."""

    id: str
    piece_id: str
    scene_id: str
    exposed_at: str
    aperture: ApertureMark
    seconds: float
    error_stops: float
    n: float
    development_change: float
    recipe_id: str | None
    exposure_index: float | None
    film_kind: FilmKindName | None = None
    rating_reason: RatingReason | None = None
    share: float = 1.0
    share_of: ShareOf = "one_scene"
    mark: str = ""
    bracket_id: str | None = None
    bracket_stops: float = 0.0
    law: Law | None = None
