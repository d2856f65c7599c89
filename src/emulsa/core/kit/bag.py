"""The kit: cameras, lenses, pinholes, filters and meters, each with a name."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Annotated, Literal

from emulsa.core.corrections.corners import CentreStops, Circle, FallPower
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.optics import Lens, Pinhole, Shutter, aperture_of, speeds
from emulsa.core.corrections.pinhole import Side, pinhole_f_number
from emulsa.core.errors import CoreError, Missing, Unsound
from emulsa.core.kit.leaflet import Leaflet, leaflet_ev
from emulsa.core.light.marks import f_number
from emulsa.core.light.meters import Calibrated, Held, Reading
from emulsa.core.light.sky import SkyReading
from emulsa.core.limits import ExposureIndex, Id, Length, Name, Note, Within

Thread = Annotated[float, Within("A filter thread", 10, 200, "mm")]
SpotAngle = Annotated[float, Within("The spot's angle", 0.1, 180, "degrees")]


@dataclass(frozen=True, kw_only=True, slots=True)
class Back:
    """Another back of a camera, with the image area it gives."""

    name: Name
    format_mm: tuple[Side, Side]


@dataclass(frozen=True, kw_only=True, slots=True)
class Camera:
    """A camera, the image area of its format, its other backs, and its shutter where that is in
    its body: it is then every lens's."""

    id: Id
    name: Name
    format_mm: tuple[Side, Side] = (120.0, 95.0)
    backs: Annotated[tuple[Back, ...], Length("Backs", 0, 12)] = ()
    shutter: Shutter | None = None
    note: Note = ""
    archived: bool = False

    def __post_init__(self) -> None:
        if self.shutter is not None:
            try:
                speeds(self.shutter)
            except CoreError as problem:
                problem.field = "shutter" if problem.field == "time" else problem.field
                raise


@dataclass(frozen=True, kw_only=True, slots=True)
class KitLens:
    """A lens with its widest and smallest marks, both needed: they are what can be set.

    ``circle_mm`` is its image circle at infinity; ``fall_off_power`` 4 by the cosine's law, 3 where
    its pupil tilts with the view; ``centre_filter_stops`` what its centre filter takes, 0 without.
    """

    id: Id
    name: Name
    camera_id: Id | None = None
    optics: Lens
    thread_mm: Thread | None = None
    circle_mm: Circle | None = None
    fall_off_power: FallPower = 4.0
    centre_filter_stops: CentreStops = 0.0
    note: Note = ""
    archived: bool = False

    def __post_init__(self) -> None:
        lens = self.optics
        if lens.widest is None or lens.smallest is None:
            raise Missing("Give the lens its widest and smallest aperture.", field="optics.widest")
        try:
            series = lens.aperture_series
            if f_number(lens.widest, series) > f_number(lens.smallest, series):
                raise Unsound(
                    "The widest aperture is the smaller number, as in f/5.6 to f/64.",
                    field="optics.widest",
                )
            aperture_of(lens, lens.widest, "optics.widest")
            speeds(lens.shutter)
        except CoreError as problem:
            if problem.field in ("aperture", "time"):
                problem.field = "optics.widest" if problem.field == "aperture" else "optics.shutter"
            raise


@dataclass(frozen=True, kw_only=True, slots=True)
class KitPinhole:
    """A pinhole: measured diameter and distance to the film; ``leaflet`` has its times by sky."""

    id: Id
    name: Name
    camera_id: Id | None = None
    optics: Pinhole
    leaflet: Leaflet | None = None
    note: Note = ""
    archived: bool = False


def by_leaflet(reading: Reading, pinhole: KitPinhole | None) -> Reading:
    """A sky as the leaflet of the pinhole before the film tells it; any other reading as it is."""
    if not isinstance(reading, SkyReading) or pinhole is None or pinhole.leaflet is None:
        return reading
    hole = pinhole.optics
    at = pinhole_f_number(hole.distance_mm, hole.diameter_mm)
    return replace(reading, leaflet_ev=leaflet_ev(pinhole.leaflet, reading.sky, at))


@dataclass(frozen=True, kw_only=True, slots=True)
class KitFilter:
    """A filter by factor, stops or density; which thread it has, or the only lenses it goes on."""

    id: Id
    name: Name
    filter: Filter
    thread_mm: Thread | None = None
    lens_ids: Annotated[tuple[Id, ...], Length("Lenses a filter goes on", 0, 40)] = ()
    note: Note = ""
    archived: bool = False


def in_front(lens: KitLens, camera: Camera | None) -> KitLens:
    """A lens as it works in front of its camera: by the body's shutter, where that has one."""
    if camera is None or camera.shutter is None:
        return lens
    return replace(lens, optics=replace(lens.optics, shutter=camera.shutter))


def goes_on(filter_: KitFilter, lens: KitLens | None) -> bool:
    """Whether a filter can be put on a lens: its own lenses, else a thread as wide as the lens's or
    wider, by a ring (common practice). Where nothing is said it goes on everything.

    >>> wide = KitFilter(id="f", name="Grey", filter=Filter(factor=2), thread_mm=77)
    >>> lens = KitLens(
    ...     id="l",
    ...     name="150",
    ...     thread_mm=58,
    ...     optics=Lens(focal_length_mm=150, widest="8", smallest="32"),
    ... )
    >>> goes_on(wide, lens), goes_on(replace(wide, thread_mm=52), lens)
    (True, False)
    """
    if lens is None:
        return True
    if filter_.lens_ids:
        return lens.id in filter_.lens_ids
    if filter_.thread_mm is None or lens.thread_mm is None:
        return True
    return filter_.thread_mm >= lens.thread_mm


@dataclass(frozen=True, kw_only=True, slots=True)
class Meter:
    """A meter: its constants, its own error in stops, the ISO it is kept at, what it already holds,
    the steps its scale is read to, and the angle it sees.

    Without an ISO its EV is read at 100 and its times belong to the EI of the film.
    """

    id: Id
    name: Name
    calibration: Calibrated = Calibrated()
    iso: ExposureIndex | None = None
    held_stops: Held = 0.0
    scale: Literal["third", "half", "tenth", "full"] = "third"
    spot_deg: SpotAngle | None = None
    note: Note = ""
    archived: bool = False
