"""Devices: the simulated spot meter and shutter tester that ship with the application."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Annotated

from fastapi import Query, Request

from emulsa.api.answers import Routes
from emulsa.api.bodies import body, documented
from emulsa.api.clock import now
from emulsa.api.connection import Db
from emulsa.core.corrections.optics import MeasuredSpeed, Shutter
from emulsa.core.light.reading_text import reading_text
from emulsa.core.limits import Id
from emulsa.core.scene.record import Scene, SceneReading
from emulsa.devices.shutter_tester import ShutterTester
from emulsa.devices.spot_meter import SpotMeter
from emulsa.devices.thermometer import Thermometer
from emulsa.store import kit

router = Routes(prefix="/api/devices", tags=["devices"])


@dataclass(frozen=True)
class Target:
    """Something to aim at."""

    id: str
    label: str


@dataclass(frozen=True)
class SpotMeterView:
    """A spot meter that is there, and what it can be aimed at."""

    name: str
    targets: list[Target]


@dataclass(frozen=True, kw_only=True)
class Trigger:
    """A reading of a target into a scene; a reading of that name is taken anew."""

    scene: Scene
    target: Id
    reading_id: Id


@dataclass(frozen=True)
class Arrived:
    """What arrived, in words, and the scene with it."""

    says: str
    scene: Scene


@dataclass(frozen=True)
class Measured:
    """What the shutter tester found."""

    name: str
    measured: tuple[MeasuredSpeed, ...]


@router.get("/spot-meter")
def spot_meter(request: Request, scene_id: str) -> SpotMeterView:
    """The spot meter and its targets before a scene."""
    device: SpotMeter = request.app.state.spot_meter
    targets = [Target(each.id, each.label) for each in device.patches(scene_id)]
    return SpotMeterView(device.name, targets)


@router.post("/spot-meter/trigger", openapi_extra=documented(Trigger))
def trigger(request: Request, db: Db, pulled: Trigger = body(Trigger)) -> Arrived:
    """Pull the trigger: the reading arrives in the scene; nothing is kept yet."""
    device: SpotMeter = request.app.state.spot_meter
    scene = pulled.scene
    meter = kit.meter(db, scene.meter_id) if scene.meter_id else None
    reading = device.trigger(scene.id, pulled.target, meter.scale if meter else "third")
    label = next(each.label for each in device.patches(scene.id) if each.id == pulled.target)
    before = next((each for each in scene.readings if each.label == label), None)
    taken = (
        replace(before, reading=reading, taken_at=now())
        if before
        else SceneReading(id=pulled.reading_id, label=label, reading=reading, taken_at=now())
    )
    others = tuple(taken if each is before else each for each in scene.readings)
    readings = others if before else (*others, taken)
    return Arrived(f"{label}: {reading_text(reading)}", replace(scene, readings=readings))


@dataclass(frozen=True)
class ThermometerView:
    """What the thermometer says."""

    name: str
    temperature_c: float


@router.get("/thermometer")
def thermometer(
    request: Request,
    began_c: Annotated[float, Query(ge=0, le=50)] = 20.0,
    minute: Annotated[float, Query(ge=0, le=600)] = 0.0,
) -> ThermometerView:
    """Read the bath: it began at a temperature so many minutes ago."""
    device: Thermometer = request.app.state.thermometer
    return ThermometerView(device.name, device.read_c(began_c, minute))


@router.post("/shutter-tester/measure", openapi_extra=documented(Shutter))
def measure(request: Request, shutter: Shutter = body(Shutter)) -> Measured:
    """Test every mark of a shutter."""
    device: ShutterTester = request.app.state.shutter_tester
    return Measured(device.name, device.measure(shutter))
