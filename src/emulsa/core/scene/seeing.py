"""What is asked of a scene's picture, and what is answered: places, tables for the page, prints."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.core.advice import Advice
from emulsa.core.exposing.request import BracketStops
from emulsa.core.light.meters import PhotoReading
from emulsa.core.limits import Id, Label, Length, Within
from emulsa.core.picture.metering import Spot
from emulsa.core.picture.spotted import PhotoRing, Tiles
from emulsa.core.rendering.blur import Blur
from emulsa.core.scene.changes import Edits


@dataclass(frozen=True, kw_only=True, slots=True)
class Way:
    """Another way of taking the scene, by its edits or by so much more light (a bracket's frame),
    that is to be seen beside it."""

    id: Id
    edits: Edits = ()
    error_stops: BracketStops = 0.0


@dataclass(frozen=True, kw_only=True, slots=True)
class SeeingAsked:
    """What is to be seen of a scene's picture: a place under the finger, the whole by its rings and
    tiles, other ways of taking it; the tables that are there already; how wide the picture is
    drawn."""

    probe: Spot | None = None
    rings: Annotated[tuple[PhotoRing, ...], Length("Rings of a picture as drawn", 0, 16)] = ()
    tiles: Tiles | None = None
    ways: Annotated[tuple[Way, ...], Length("Ways of taking it", 0, 7)] = ()
    tables: Label = ""
    drawn_width: Annotated[int, Within("The picture's drawn width", 16, 20_000, "pixels")] = 900


@dataclass(frozen=True, kw_only=True, slots=True)
class PlaceSeen:
    """A place of the picture as it is shown: its EV and doubt in words, the zone it falls on;
    ``meters`` when a spot reading there makes the picture a meter, and ``without_text`` what it
    would be without it where the others disagree."""

    id: str
    label: str
    x: float
    y: float
    radius: float
    meters: bool
    text: str
    zone_text: str
    clipped: bool
    without_text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class ProbeSeen:
    """The place under the finger: in words, and as a reading where it is one."""

    text: str
    zone_text: str
    reading: PhotoReading | None
    clipped: bool


@dataclass(frozen=True, kw_only=True, slots=True)
class LookedUp:
    """What a page draws by: a pixel's light by its channels, the EV axis by that sum, what is added
    further out (by ρ² in 64 steps), and the same through a filter beside it without one."""

    red: tuple[int, ...]
    green: tuple[int, ...]
    blue: tuple[int, ...]
    sum_index: tuple[int, ...]
    falloff_index: tuple[int, ...]


@dataclass(frozen=True, kw_only=True, slots=True)
class PrintSeen:
    """A print to come: by entry of the EV axis its grey and what is left of texture, and in
    words how much of the picture keeps it, and what it is seen by. ``look_up`` where its pixels are
    looked up otherwise than the picture's: through another filter."""

    id: str
    n_text: str
    placed_text: str
    by_text: str
    look_up: LookedUp | None
    grey: tuple[int, ...]
    mark: tuple[int, ...]
    says: str
    problem: str


@dataclass(frozen=True, kw_only=True, slots=True)
class FringeBin:
    """What of the picture falls on a third of a zone."""

    zone: float
    share: float


@dataclass(frozen=True, kw_only=True, slots=True)
class Falling:
    """What of the picture falls on some zones, in words."""

    text: str
    share: float
    share_text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class Proposed:
    """A place with texture that is worth reading: the darkest or the brightest, in turn."""

    dark: bool
    x: float
    y: float
    text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class PictureSeen:
    """A scene's picture as it is shown.

    ``says`` is how it is known, ``asks`` what would make it known (better), or why it is not;
    ``tables`` names what ``look_up`` is, which is left out where it is there already; ``radius`` is
    that of the meter's circle over the picture's width; ``fringe`` and ``falling`` say what of the
    picture falls where.
    """

    known: bool
    says: str
    asks: str
    places: tuple[PlaceSeen, ...]
    probe: ProbeSeen | None
    radius: float
    view_told: bool
    tables: str
    look_up: LookedUp | None
    prints: tuple[PrintSeen, ...]
    blur: Blur | None
    fringe: tuple[FringeBin, ...]
    falling: tuple[Falling, ...]
    proposed: tuple[Proposed, ...]
    advice: tuple[Advice, ...]
