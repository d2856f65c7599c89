"""Devices: the simulated spot meter, thermometer, shutter tester and densitometer of the house.

They are there in the demo, and where the user turned them on in Preferences; nowhere else does a
simulated thermometer time real film.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from emulsa.api.refusals import NotFound
from emulsa.api.routing import Db, House, Routes
from emulsa.core.corrections.optics import MeasuredSpeed, Shutter
from emulsa.core.darkroom.run import Minute
from emulsa.core.light.reading_text import reading_text
from emulsa.core.limits import Id, Within
from emulsa.core.scene.changes import Edits, Read
from emulsa.core.scene.record import Scene
from emulsa.store import kit, preferences

routes = Routes("devices", "/api/devices")

PatchPlace = Annotated[int, Within("The patch", 0, 400)]
BathC = Annotated[float, Within("The bath", 0, 50, "°C")]


@dataclass(frozen=True)
class MeterTarget:
    """Something to aim at."""

    id: str
    label: str


@dataclass(frozen=True)
class SpotMeterView:
    """A spot meter that is there, and what it can be aimed at."""

    name: str
    targets: list[MeterTarget]


@dataclass(frozen=True, kw_only=True)
class Trigger:
    """A reading of a target into a scene; a reading of that name is taken again."""

    scene: Scene
    target: Id
    reading_id: Id


@dataclass(frozen=True)
class Arrived:
    """What arrived, in words, and the edits that take it into the scene."""

    says: str
    edits: Edits


@dataclass(frozen=True)
class MeasuredShutter:
    """What the shutter tester found."""

    name: str
    measured: tuple[MeasuredSpeed, ...]


@dataclass(frozen=True)
class ThermometerView:
    """What the thermometer says."""

    name: str
    temperature_c: float


@dataclass(frozen=True)
class DensitometerView:
    """What the densitometer shows."""

    name: str
    density: float
    text: str


@dataclass(frozen=True)
class Connected:
    """Which devices are there; all of them are simulated."""

    simulated: bool


@routes.question("")
def connected(db: Db, house: House) -> Connected:
    """Whether the simulated devices are there."""
    return Connected(_on(db, house))


@routes.question("/spot-meter")
def spot_meter(db: Db, house: House, scene_id: str) -> SpotMeterView:
    """The spot meter and its targets before a scene; none where it is not there."""
    patches = house.spot_meter.patches(scene_id) if _on(db, house) else ()
    return SpotMeterView(
        house.spot_meter.name, [MeterTarget(each.id, each.label) for each in patches]
    )


@routes.question("/spot-meter/trigger", "POST")
def trigger(db: Db, house: House, pulled: Trigger) -> Arrived:
    """Pull the trigger: the reading arrives; nothing is kept yet."""
    _must_be_on(db, house)
    scene = pulled.scene
    meter = kit.meter(db, scene.meter_id)
    reading = house.spot_meter.trigger(scene.id, pulled.target, meter.scale if meter else "third")
    patches = house.spot_meter.patches(scene.id)
    label = next(each.label for each in patches if each.id == pulled.target)
    before = next((each for each in scene.readings if each.label == label), None)
    taken = Read(
        id=before.id if before else pulled.reading_id,
        label=label,
        reading=reading,
        incident=before.incident if before else False,
        through=before.through if before else False,
    )
    return Arrived(f"{label}: {reading_text(reading)}", (taken,))


@routes.question("/thermometer")
def thermometer(
    db: Db, house: House, began_c: BathC = 20.0, minute: Minute = 0.0
) -> ThermometerView:
    """Read the bath: it began at a temperature so many minutes ago."""
    _must_be_on(db, house)
    device = house.thermometer
    return ThermometerView(device.name, device.read_c(began_c, minute))


@routes.question("/densitometer")
def densitometer(
    db: Db, house: House, place: PatchPlace = 0, zeroed: bool = False
) -> DensitometerView:
    """Read the patch that lies under the head."""
    _must_be_on(db, house)
    device = house.densitometer
    density = device.read(place, zeroed)
    return DensitometerView(device.name, density, f"{density:.2f}")


@routes.question("/shutter-tester/measure", "POST")
def measure(db: Db, house: House, shutter: Shutter) -> MeasuredShutter:
    """Test every mark of a shutter."""
    _must_be_on(db, house)
    device = house.shutter_tester
    return MeasuredShutter(device.name, device.measure(shutter))


def _on(db: Db, house: House) -> bool:
    return house.demo or preferences.preferences(db).simulated_devices


def _must_be_on(db: Db, house: House) -> None:
    if not _on(db, house):
        raise NotFound("No device is connected; simulated ones are turned on in Preferences.")
