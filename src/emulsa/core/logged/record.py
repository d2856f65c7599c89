"""A logged exposure: what was reported, what it was taken with, and the plan it was made by."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Any

from emulsa.core.corrections.light_change import Interval
from emulsa.core.light.marks import ApertureMark, TimeMark
from emulsa.core.limits import ExposureIndex, Id, Label, Length, Note, Within
from emulsa.core.tones.development_number import DevelopmentNumber

Share = Annotated[float, Within("A share of a multiple exposure", 0.01, 1)]


BracketStops = Annotated[float, Within("A bracket's place", -10, 10, "stops")]


@dataclass(frozen=True, kw_only=True, slots=True)
class Given:
    """An exposure as it is reported: empty aperture or time mean *as planned*.

    ``bracket_stops`` is the frame's place in a bracket; ``share`` its part of an intended multiple
    exposure; ``intervals`` what the clock counted while the light changed, in place of a time.
    """

    id: Id
    scene_id: Id
    piece_id: Id
    aperture: ApertureMark | None = None
    time: TimeMark | None = None
    note: Note = ""
    bracket_id: Id | None = None
    bracket_stops: BracketStops = 0.0
    share: Share = 1.0
    intervals: Annotated[tuple[Interval, ...], Length("Intervals", 0, 200)] = ()


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
    filter_ids: Annotated[tuple[Id, ...], Length("Filters", 0, 12)] = ()
    exposure_index: ExposureIndex | None = None
    cost: float | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Exposure:
    """A logged exposure. ``request`` and ``answer`` are the plan as it was, never recomputed.

    Both are empty for an exposure brought in from elsewhere without its plan.
    """

    id: Id
    scene_id: Id
    piece_id: Id
    exposed_at: Label
    aperture: ApertureMark
    seconds: float
    error_stops: float
    n: float
    development_change: float
    recipe_id: Id | None
    request: dict[str, Any]
    answer: dict[str, Any]
    core_version: str
    note: str
    bracket_id: str | None = None
    bracket_stops: float = 0.0
    share: float = 1.0
    intervals: tuple[Interval, ...] = ()
    taken: Taken = Taken()


@dataclass(frozen=True, kw_only=True, slots=True)
class Shot:
    """What of an exposure its development goes by."""

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
    exposure_index: float
