"""What can be changed of a scene: one record for each kind of edit."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.corrections.aperture_choice import Depth
from emulsa.core.corrections.bellows import Focus
from emulsa.core.corrections.filters import Light
from emulsa.core.corrections.movement import Movement
from emulsa.core.corrections.pre_exposure import PreZone
from emulsa.core.data.contrast import Subject
from emulsa.core.development.ratings import RatingReason
from emulsa.core.exposing.schools import School
from emulsa.core.light.marks import ApertureMark
from emulsa.core.light.meters import Held, Reading
from emulsa.core.limits import FILTERS, ExposureIndex, Id, Label, Length, Name, Note, Zone
from emulsa.core.moments import Moment
from emulsa.core.picture.metering import Spot
from emulsa.core.scene.record import Movements
from emulsa.core.sky.day import Bearing
from emulsa.core.tones.development_number import DevelopmentNumber


@dataclass(frozen=True, kw_only=True, slots=True)
class Read:
    """A reading taken, or taken again under the same id; an empty label keeps the one it has, and
    so does no ``spot`` in the scene's picture."""

    kind: Literal["read"] = "read"
    id: Id
    label: Label = ""
    reading: Reading
    taken_at: Moment | None = None
    incident: bool = False
    through: bool = False
    spot: Spot | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class PutAt:
    """Where a reading lies in the scene's picture; none takes it off the picture."""

    kind: Literal["put_at"] = "put_at"
    id: Id
    spot: Spot | None


@dataclass(frozen=True, kw_only=True, slots=True)
class Drop:
    """A reading taken out, with whatever was decided by it."""

    kind: Literal["drop"] = "drop"
    id: Id


@dataclass(frozen=True, kw_only=True, slots=True)
class Describe:
    """What a reading is of, or how it was taken; what is empty stays."""

    kind: Literal["describe"] = "describe"
    id: Id
    incident: bool | None = None
    through: bool | None = None
    graduated: bool | None = None
    subject: Subject | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Place:
    """A reading pinned to a zone: it decides anew, so a chosen N is let go."""

    kind: Literal["place"] = "place"
    reading: Id
    zone: Zone


@dataclass(frozen=True, kw_only=True, slots=True)
class PlaceBy:
    """A way of placing for this scene; none leaves it to the pin."""

    kind: Literal["place_by"] = "place_by"
    school: School | None


@dataclass(frozen=True, kw_only=True, slots=True)
class MarkHigh:
    """The important highlight and the zone it is wanted on; without one the brightest may ask for
    contraction."""

    kind: Literal["mark_high"] = "mark_high"
    reading: Id | None
    zone: Zone = 8.0


@dataclass(frozen=True, kw_only=True, slots=True)
class MarkLow:
    """The important shadow; none leaves it to the darkest."""

    kind: Literal["mark_low"] = "mark_low"
    reading: Id | None


@dataclass(frozen=True, kw_only=True, slots=True)
class SetN:
    """N as chosen; none leaves it to the important highlight."""

    kind: Literal["set_n"] = "set_n"
    n: DevelopmentNumber | None


@dataclass(frozen=True, kw_only=True, slots=True)
class ChooseFilm:
    """Another film: its own EI and recipe, until others are chosen."""

    kind: Literal["film"] = "film"
    film_id: Id


@dataclass(frozen=True, kw_only=True, slots=True)
class Rate:
    """The EI the film is rated at here, and why; none is its own."""

    kind: Literal["rate"] = "rate"
    exposure_index: ExposureIndex | None
    reason: RatingReason | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class KeepEi:
    """Whether the film keeps its EI here, whatever N is planned."""

    kind: Literal["keep_ei"] = "keep_ei"
    keep: bool


@dataclass(frozen=True, kw_only=True, slots=True)
class ChooseRecipe:
    """The recipe it will be developed by; none is the film's first."""

    kind: Literal["recipe"] = "recipe"
    recipe_id: Id | None


@dataclass(frozen=True, kw_only=True, slots=True)
class ChooseLens:
    """A lens before the film."""

    kind: Literal["lens"] = "lens"
    lens_id: Id


@dataclass(frozen=True, kw_only=True, slots=True)
class ChoosePinhole:
    """A pinhole before the film."""

    kind: Literal["pinhole"] = "pinhole"
    pinhole_id: Id


@dataclass(frozen=True, kw_only=True, slots=True)
class ChooseMeter:
    """The meter readings are taken with; none is the standard's."""

    kind: Literal["meter"] = "meter"
    meter_id: Id | None


@dataclass(frozen=True, kw_only=True, slots=True)
class SetMeter:
    """What the meter is set to from here on, its ISO or what it holds; what is empty stays."""

    kind: Literal["set_meter"] = "set_meter"
    iso: ExposureIndex | None = None
    held_stops: Held | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class ChooseFilters:
    """The filters before the lens, all of them; none takes them off."""

    kind: Literal["filters"] = "filters"
    filter_ids: Annotated[tuple[Id, ...], FILTERS] = ()


@dataclass(frozen=True, kw_only=True, slots=True)
class LightIs:
    """Daylight or tungsten, for filters that differ in them."""

    kind: Literal["light"] = "light"
    light: Light


@dataclass(frozen=True, kw_only=True, slots=True)
class SetAperture:
    """The aperture to set."""

    kind: Literal["aperture"] = "aperture"
    aperture: ApertureMark


@dataclass(frozen=True, kw_only=True, slots=True)
class SetFocus:
    """Where the lens is focused; none says nothing of it."""

    kind: Literal["focus"] = "focus"
    focus: Focus | None


@dataclass(frozen=True, kw_only=True, slots=True)
class SetDepth:
    """How deep it must be sharp; none says nothing."""

    kind: Literal["depth"] = "depth"
    depth: Depth | None


@dataclass(frozen=True, kw_only=True, slots=True)
class SetMovement:
    """What moves; none says that nothing does."""

    kind: Literal["movement"] = "movement"
    movement: Movement | None


@dataclass(frozen=True, kw_only=True, slots=True)
class SetMovements:
    """Tilt, rise and shift of the lens; none is a camera set square."""

    kind: Literal["movements"] = "movements"
    movements: Movements | None


@dataclass(frozen=True, kw_only=True, slots=True)
class PreExpose:
    """The zone a little even light before the exposure lifts the film to; none does without."""

    kind: Literal["pre_expose"] = "pre_expose"
    pre_exposure_zone: PreZone | None


@dataclass(frozen=True, kw_only=True, slots=True)
class SetBearing:
    """The direction sun or moon are wanted from; none does not matter."""

    kind: Literal["bearing"] = "bearing"
    bearing: Bearing | None


@dataclass(frozen=True, kw_only=True, slots=True)
class Entitle:
    """The scene's title and note."""

    kind: Literal["name"] = "name"
    title: Name
    note: Note = ""


@dataclass(frozen=True, kw_only=True, slots=True)
class Intend:
    """What the picture shall show, in one's own words."""

    kind: Literal["intend"] = "intend"
    intention: Note = ""


Edit = (
    Read
    | PutAt
    | Drop
    | Describe
    | Place
    | PlaceBy
    | MarkHigh
    | MarkLow
    | SetN
    | ChooseFilm
    | Rate
    | KeepEi
    | ChooseRecipe
    | ChooseLens
    | ChoosePinhole
    | ChooseMeter
    | SetMeter
    | ChooseFilters
    | LightIs
    | SetAperture
    | SetFocus
    | SetDepth
    | SetMovement
    | SetMovements
    | PreExpose
    | SetBearing
    | Entitle
    | Intend
)


Edits = Annotated[tuple[Edit, ...], Length("Edits", 0, 50)]
