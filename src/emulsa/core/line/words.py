"""What a line on the reading line can mean, before it is carried out."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from emulsa.core.corrections.aperture_choice import Depth
from emulsa.core.corrections.bellows import Focus
from emulsa.core.light.meters import Reading


@dataclass(frozen=True, kw_only=True, slots=True)
class ReadingWord:
    """A reading, its label, and the zone to place it on when one was said.

    ``high``: it is the important highlight, meant for ``zone`` if one was said. ``iso_said``: the
    line itself named the ISO the meter was set to.
    """

    kind: Literal["reading"] = "reading"
    reading: Reading
    label: str
    zone: float | None
    high: bool = False
    through: bool = False
    incident: bool = False
    iso_said: bool = False


@dataclass(frozen=True, kw_only=True, slots=True)
class ApertureWord:
    """An aperture to set."""

    kind: Literal["aperture"] = "aperture"
    aperture: str | float


@dataclass(frozen=True, kw_only=True, slots=True)
class OpeningWord:
    """An aperture by the diameter of its opening, seen through the front of the lens."""

    kind: Literal["opening"] = "opening"
    diameter_mm: float


@dataclass(frozen=True, kw_only=True, slots=True)
class FocusWord:
    """A draw, or infinity."""

    kind: Literal["focus"] = "focus"
    focus: Focus


@dataclass(frozen=True, kw_only=True, slots=True)
class DepthWord:
    """Near to far: on the ground glass, or by what stands where."""

    kind: Literal["depth"] = "depth"
    depth: Depth


@dataclass(frozen=True, kw_only=True, slots=True)
class MovementsWord:
    """A tilt, a rise or a shift; what is empty stays."""

    kind: Literal["movements"] = "movements"
    tilt_deg: float | None = None
    hinge_mm: float | None = None
    rise_mm: float | None = None
    shift_mm: float | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class PreExposeWord:
    """Pre-exposure to a zone; none does without."""

    kind: Literal["pre_expose"] = "pre_expose"
    zone: float | None


@dataclass(frozen=True, kw_only=True, slots=True)
class BearingWord:
    """A direction sun or moon are wanted from, or the skyline there; what is empty stays."""

    kind: Literal["bearing"] = "bearing"
    azimuth_deg: float | None = None
    width_deg: float | None = None
    skyline_deg: float | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class KitWord:
    """A piece of kit by words of its name; no words take filters off."""

    kind: Literal["filter", "lens", "pinhole", "film"]
    words: str


@dataclass(frozen=True, kw_only=True, slots=True)
class RatingWord:
    """The EI the film is rated at here."""

    kind: Literal["rating"] = "rating"
    exposure_index: float


@dataclass(frozen=True, kw_only=True, slots=True)
class MeterWord:
    """What the meter is set to from here on: its ISO, what it already holds, or both."""

    kind: Literal["meter"] = "meter"
    iso: float | None = None
    held_stops: float | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class FlashWord:
    """A flash by its guide number, how far it is from the subject, its power and its pops."""

    kind: Literal["flash"] = "flash"
    guide_number: float
    distance: float
    unit: Literal["m", "ft"] = "m"
    power: float = 1.0
    pops: int = 1


@dataclass(frozen=True, kw_only=True, slots=True)
class TimeWord:
    """A time one wants: the aperture and a neutral filter follow."""

    kind: Literal["time"] = "time"
    seconds: float


@dataclass(frozen=True, kw_only=True, slots=True)
class NWord:
    """The development as chosen; none leaves it to the important highlight."""

    kind: Literal["n"] = "n"
    n: float | None


@dataclass(frozen=True, kw_only=True, slots=True)
class NoteWord:
    """A note on the scene, behind what is noted there already."""

    kind: Literal["note"] = "note"
    text: str


Line = (
    ReadingWord
    | ApertureWord
    | OpeningWord
    | FocusWord
    | DepthWord
    | KitWord
    | RatingWord
    | MeterWord
    | TimeWord
    | FlashWord
    | NWord
    | NoteWord
    | MovementsWord
    | PreExposeWord
    | BearingWord
)
