"""What the chain answers: falls, ledger, setting, equivalents, development, advice."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from emulsa.core.advice import Advice
from emulsa.core.exposing.setting import Setting

Step = Literal[
    "meter",
    "placement",
    "ei",
    "light",
    "filter",
    "bellows",
    "bracket",
    "share",
    "reciprocity",
    "set",
]


NFrom = Literal["chosen", "pair", "marked", "brightest", "none"]


@dataclass(frozen=True, kw_only=True, slots=True)
class Fall:
    """Where a reading falls, where development carries it, and whether texture is lost there.

    ``sigma_stops`` is how sure its distance from what is placed is, where any reading has a doubt.
    """

    id: str
    zone: float
    lands: float
    ev100: float
    zone_text: str
    lands_text: str
    ev_text: str
    lost: Literal["", "shadow", "highlight"]
    incident: bool = False
    sigma_stops: float | None = None
    doubt_text: str = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class Row:
    """One line of the ledger: what, its stops, the running time, why, and the source's key."""

    step: Step
    label: str
    stops: float
    time_s: float
    stops_text: str
    time_text: str
    why: str
    source: str


@dataclass(frozen=True, kw_only=True, slots=True)
class Equivalent:
    """The same exposure at another mark of the lens, how far off its time leaves it (in words from
    a sixth of a stop on), what rules it out, and whether its depth and diffraction balance best of
    all."""

    aperture: str
    metered_s: float
    corrected_s: float
    seconds: float
    text: str
    error_stops: float
    error_text: str
    ruled_out_by: tuple[str, ...]
    ruled_out_text: str
    best: bool = False


@dataclass(frozen=True, kw_only=True, slots=True)
class Sharpness:
    """What a lens holds sharp as it is set: the limits of depth at the focus, the aperture the
    depth wanted takes with that focus (as marked, and the lens's next mark), where to focus
    instead, the aperture that suits it best, and the longest time for what moves, or the
    shortest where it shall flow; empty where nothing is known."""

    blur_mm: float

    near_mm: float | None
    far_mm: float | None
    spread_mm: float | None
    needed_f_number: float | None
    needed_mark: str
    focus_mm: float | None
    best_f_number: float | None
    best_mark: str
    longest_s: float | None
    shortest_s: float | None
    text: str


@dataclass(frozen=True, kw_only=True, slots=True)
class DevelopmentPlan:
    """N to the half, as planned, who decides it, and the factor reciprocity asks on the developing
    time; ``doubt_text`` how sure the readings make it, as ``± ½``."""

    n: float
    n_text: str
    change: float
    why: str = ""
    doubt_text: str = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class ExposureAnswer:
    """The whole exposure; numbers unrounded, words ready to show.

    ``ei`` is the index worked at. ``n_from`` says who decides N, ``n_if_marked`` what the brightest
    reading would ask for if somebody marked it; ``range_sigma_stops`` and ``n_sigma`` how sure both
    are, where any reading has a doubt.
    """

    camera_ev: float
    ei: float
    range_stops: float
    n: float
    n_from: NFrom
    n_if_marked: float | None
    falls: tuple[Fall, ...]
    metered_s: float
    corrected_s: float
    set: Setting
    ledger: tuple[Row, ...]
    equivalents: tuple[Equivalent, ...]
    development: DevelopmentPlan
    advice: tuple[Advice, ...]
    sharpness: Sharpness | None = None
    range_sigma_stops: float | None = None
    n_sigma: float | None = None
