"""What the chain is asked: readings, a placement, and what stands before the film."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.corrections.aperture_choice import Blur, Depth, Format
from emulsa.core.corrections.bellows import Focus
from emulsa.core.corrections.film_kinds import check_filters, has_n, no_n_words, on_film, row_of
from emulsa.core.corrections.filters import Filter, Light
from emulsa.core.corrections.movement import Movement
from emulsa.core.corrections.optics import Optics
from emulsa.core.corrections.pre_exposure import PreZone
from emulsa.core.corrections.reciprocity import Law
from emulsa.core.data.contrast import Subject
from emulsa.core.data.film_kinds import FilmKindName
from emulsa.core.errors import Unsound
from emulsa.core.exposing.sharing import WHOLE, Share
from emulsa.core.light.marks import ApertureMark, TimeMark
from emulsa.core.light.meters import Calibrated, Reading
from emulsa.core.limits import FILTERS, ExposureIndex, Id, Label, Length, Within, Zone
from emulsa.core.rendering.own_film import OwnFilm
from emulsa.core.tones import development_number, textural_range
from emulsa.core.tones.development_number import DevelopmentNumber
from emulsa.core.tones.placement import Placement

BracketStops = Annotated[float, Within("A bracket's place", -10, 10, "stops")]


@dataclass(frozen=True, kw_only=True, slots=True)
class SpotReading:
    """One reading with a name of its own.

    ``incident`` reads the light, not a tone; ``through`` was taken through the filters;
    ``graduated`` lies under the graduated filter; ``subject`` is what it is the colour of.
    """

    id: Id
    label: Label = ""
    reading: Reading
    incident: bool = False
    through: bool = False
    graduated: bool = False
    subject: Subject = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class High:
    """The zone highlights are meant for, and the important one where somebody marked it: without
    a reading it is a target and no mark."""

    reading: Id | None = None
    zone: Zone = development_number.TARGET


@dataclass(frozen=True, kw_only=True, slots=True)
class EiPoint:
    """The index a planned N is exposed at: the recipe's own word, or a test's."""

    n: DevelopmentNumber
    ei: ExposureIndex


@dataclass(frozen=True, kw_only=True, slots=True)
class ExposureRequest:
    """A scene as the camera sees it. ``n`` overrides the N that ``high`` asks for.

    ``usual_ei`` is what the film is rated at otherwise; ``ei_by_n`` the index each N is exposed at,
    not used where the scene is rated otherwise. ``depth`` and ``movement`` rule out apertures and
    times by the blur allowed on the film: ``blur_mm``, else the format's diagonal/1500, else 0.1;
    ``focus`` left out is not infinity, and depth is not tested against it. ``share`` is one opening
    of a multiple exposure. ``bracket_stops`` is a frame's own place in
    a bracket: every tone of it falls so much higher, and its development stays the plan's.
    ``own_film``: what falls print as by the film's own test, where its times are in use.
    ``film_kind`` decides what filters and warm light cost, whether N exists, and the textural range
    where none is said; ``pre_exposure_zone``: a little even light before, on that zone, that raises
    what falls low.
    """

    ei: ExposureIndex
    readings: Annotated[tuple[SpotReading, ...], Length("Readings", 1, 200)]
    placement: Placement
    high: High | None = None
    textural_range: tuple[Zone, Zone] | None = None
    filters: Annotated[tuple[Filter, ...], FILTERS] = ()
    optics: Optics
    focus: Focus | None = None
    solve_for: Literal["time", "aperture"] = "time"
    aperture: ApertureMark | None = None
    time: TimeMark | None = None
    law: Law
    meter: Calibrated = Calibrated()
    n: DevelopmentNumber | None = None
    light: Light = "daylight"
    usual_ei: ExposureIndex | None = None
    depth: Depth | None = None
    movement: Movement | None = None
    blur_mm: Blur | None = None
    format_mm: Format | None = None
    ei_by_n: Annotated[tuple[EiPoint, ...], Length("Indices by N", 0, 32)] = ()
    share: Share = WHOLE
    bracket_stops: BracketStops = 0.0
    own_film: OwnFilm | None = None
    film_kind: FilmKindName | None = None
    pre_exposure_zone: PreZone | None = None

    def __post_init__(self) -> None:
        if self.textural_range is not None:
            textural_range.check(*self.textural_range)
        check_filters(self.filters, self.film_kind)
        if self.n is not None and not has_n(self.film_kind):
            raise Unsound(no_n_words(self.film_kind), field="n")
        ids = [each.id for each in self.readings]
        if len(set(ids)) < len(ids):
            raise Unsound("Two readings have the same id; each needs its own.", field="readings")
        if len({each.n for each in self.ei_by_n}) < len(self.ei_by_n):
            raise Unsound("One index for each N.", field="ei_by_n")

    @property
    def stack(self) -> tuple[Filter, ...]:
        """The filters with what they cost on this kind of film."""
        return on_film(self.filters, self.film_kind)

    @property
    def keeps(self) -> tuple[float, float]:
        """The tones that keep their texture: the film's own, its kind's, or what is typical."""
        if self.textural_range is not None:
            return self.textural_range
        row = row_of(self.film_kind)
        return row.textural_range if row else textural_range.TYPICAL
