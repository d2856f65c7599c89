"""A scene as it is kept: its readings, one pinned to a zone, and what is chosen for it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core.corrections.aperture_choice import Depth, Format
from emulsa.core.corrections.bellows import Focus
from emulsa.core.corrections.filters import Light
from emulsa.core.corrections.focusing import Hinge, TiltAngle
from emulsa.core.corrections.movement import Movement
from emulsa.core.corrections.pre_exposure import PreZone
from emulsa.core.data.contrast import Subject
from emulsa.core.development.ratings import RatingReason
from emulsa.core.errors import Unsound
from emulsa.core.exposing.request import High
from emulsa.core.exposing.schools import Habits, School
from emulsa.core.kit.bag import KitFilter, KitLens, KitPinhole, Meter
from emulsa.core.kit.films import Film, FilmRecipe
from emulsa.core.kit.printing import PrintingPaper
from emulsa.core.light.marks import ApertureMark
from emulsa.core.light.meters import Held, Reading
from emulsa.core.light.sky import SkyNow
from emulsa.core.limits import FILTERS, ExposureIndex, Id, Label, Length, Name, Note, Within, Zone
from emulsa.core.picture.area import Aspect
from emulsa.core.picture.metering import Metering, Spot
from emulsa.core.rendering.own_film import OwnFilm
from emulsa.core.sky.day import Bearing
from emulsa.core.tones.development_number import DevelopmentNumber

PINNING: tuple[School, ...] = ("shadow", "midtone", "highlight")


@dataclass(frozen=True, kw_only=True, slots=True)
class SceneReading:
    """A reading as it was taken; ``taken_at`` is an ISO instant, ``spot`` where it lies in the
    scene's picture. For the rest see SpotReading."""

    id: Id
    label: Label = ""
    reading: Reading
    taken_at: Label = ""
    incident: bool = False
    through: bool = False
    graduated: bool = False
    subject: Subject = ""
    spot: Spot | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class Pin:
    """The reading the photographer pins, and the zone it is pinned to."""

    reading: Id
    zone: Zone


Rise = Annotated[float, Within("The rise", -500, 500, "mm")]
Shift = Annotated[float, Within("The shift", -500, 500, "mm")]


@dataclass(frozen=True, kw_only=True, slots=True)
class Movements:
    """How the lens stands to the film: leaning forward, by its angle or by the hinge below it; how
    far it is raised and shifted, + up and to the right as one stands behind the camera."""

    tilt_deg: TiltAngle | None = None
    hinge_mm: Hinge | None = None
    rise_mm: Rise = 0.0
    shift_mm: Shift = 0.0

    def __post_init__(self) -> None:
        if self.tilt_deg is not None and self.hinge_mm is not None:
            raise Unsound("Give the tilt by its angle or by its hinge, not both.", field="tilt_deg")


@dataclass(frozen=True, kw_only=True, slots=True)
class Scene:
    """Everything decided in front of one subject; what is empty is not decided yet.

    ``school`` is how the photographer places here; without one, the pin says it. ``low`` marks the
    important shadow when it is not the darkest reading. ``rating_reason`` says why the film is
    rated otherwise than its own EI; ``keep_ei`` keeps that EI whatever N is planned. ``meter_iso``
    and ``meter_held_stops`` are what the meter is set to here, other than its record says.
    ``pre_exposure_zone`` is where a little even light before lifts the film from; ``bearing`` the
    direction sun or moon are wanted from. ``revisits`` is the earlier scene it was copied from.
    """

    id: Id
    outing_id: Id
    title: Name
    note: Note = ""
    intention: Note = ""
    film_id: Id | None = None
    exposure_index: ExposureIndex | None = None
    rating_reason: RatingReason | None = None
    keep_ei: bool = False
    recipe_id: Id | None = None
    lens_id: Id | None = None
    pinhole_id: Id | None = None
    meter_id: Id | None = None
    meter_iso: ExposureIndex | None = None
    meter_held_stops: Held | None = None
    filter_ids: Annotated[tuple[Id, ...], FILTERS] = ()
    focus: Focus | None = None
    aperture: ApertureMark | None = None
    pin: Pin | None = None
    high: High | None = None
    n: DevelopmentNumber | None = None
    school: School | None = None
    low: Id | None = None
    light: Light = "daylight"
    depth: Depth | None = None
    movement: Movement | None = None
    movements: Movements | None = None
    pre_exposure_zone: PreZone | None = None
    bearing: Bearing | None = None
    revisits: Id | None = None
    readings: Annotated[tuple[SceneReading, ...], Length("Readings", 0, 200)] = ()


@dataclass(frozen=True, kw_only=True, slots=True)
class ScenePicture:
    """The photograph of a scene: what it is metered by, its width over its height, and the paper
    its print is seen on, where one of the kit is chosen."""

    metering: Metering
    aspect: Aspect
    paper: PrintingPaper | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class SceneKit:
    """The records a scene names, looked up, the recipe it will be developed by, the format of the
    lens's camera, the photographer's habits, the film's own curve where its tested times are in
    use, the scene's picture, and where sun and moon stand over its place."""

    film: Film | None = None
    lens: KitLens | None = None
    pinhole: KitPinhole | None = None
    meter: Meter | None = None
    filters: tuple[KitFilter, ...] = ()
    habits: Habits = Habits()
    own_film: OwnFilm | None = None
    recipe: FilmRecipe | None = None
    format_mm: Format | None = None
    picture: ScenePicture | None = None
    sky: SkyNow | None = None


FOLLOWED = (
    "film_id",
    "exposure_index",
    "recipe_id",
    "lens_id",
    "pinhole_id",
    "meter_id",
    "meter_iso",
    "meter_held_stops",
    "aperture",
    "school",
    "light",
)


def as_begun(scene: Scene, there: Scene) -> Scene:
    """A new scene with what it began with on another device: whatever came before it here."""
    return replace(scene, **{name: getattr(there, name) for name in FOLLOWED})


def follow_on(scene: Scene, before: Sequence[Scene]) -> Scene:
    """A new scene with the film, lens, aperture and meter of the one before it, if any. A film
    begins at its own EI again: a push is meant for one roll, and is said anew."""
    if not before:
        return scene
    last = before[-1]
    return replace(
        scene,
        film_id=last.film_id,
        exposure_index=last.exposure_index if last.film_id is None else None,
        recipe_id=last.recipe_id,
        lens_id=last.lens_id,
        pinhole_id=last.pinhole_id,
        meter_id=last.meter_id,
        meter_iso=last.meter_iso,
        meter_held_stops=last.meter_held_stops,
        aperture=last.aperture,
        school=last.school or scene.school,
        light=last.light,
    )


def revisit(earlier: Scene, id_: str, outing_id: str) -> Scene:
    """An earlier scene to go back to: its readings and kit as they were, N to be decided again.

    The readings keep their time, so that their age is said until they are taken anew. The picture
    stays with the scene it is of.
    """
    readings = tuple(replace(each, spot=None) for each in earlier.readings)
    return replace(
        earlier, id=id_, outing_id=outing_id, revisits=earlier.id, n=None, readings=readings
    )
