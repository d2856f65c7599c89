"""A simulated spot meter: what its circle takes in, and what else makes it read otherwise."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core.errors import Missing, OutOfRange, Unsound
from emulsa.core.light.flare import FlareShare
from emulsa.core.light.meters import Offset
from emulsa.core.limits import Name, Within
from emulsa.core.picture.calibrated import Share
from emulsa.core.picture.spotted import AngleDeg, ViewDeg
from emulsa.core.practice.chance import normal
from emulsa.core.practice.scene import (
    KINDS,
    USUAL_VIEW_DEG,
    PracticeScene,
    SceneMade,
    ScenePatch,
    ev_of,
    made,
    mean_ev,
)

NoiseStops = Annotated[float, Within("The meter’s noise", 0, 1, "stops")]
Shot = Annotated[int, Within("The shot", 0, 1_000_000)]
DialStep = Annotated[float, Within("The dial’s step", 0, 1, "stops")]
MeterCause = Literal["surround", "flare", "noise", "meter", "dial"]

USUAL_FLARE, USUAL_NOISE, THIRD = 0.005, 0.05, 1 / 3  # of a meter in a hand (common practice)
METERED = 5  # what a number of chance is wanted for
ALMOST = 1e-9


@dataclass(frozen=True, kw_only=True, slots=True)
class Aim:
    """Where the meter is pointed: at a patch by its name, or at a place as shares of the frame."""

    patch: Name | None = None
    x: Share | None = None
    y: Share | None = None

    def __post_init__(self) -> None:
        placed = self.x is not None or self.y is not None
        if self.patch is not None and placed:
            raise Unsound("Aim at a patch or at a place, not at both.", field="")
        if self.patch is None and (self.x is None or self.y is None):
            raise Missing("Aim at a patch by its name, or at a place by x and y.", field="")


@dataclass(frozen=True, kw_only=True, slots=True)
class SceneMeterRequest:
    """A scene, where its meter is pointed, and how that meter is; the same shot reads the same."""

    scene: PracticeScene
    aim: Aim
    angle_deg: AngleDeg = 1.0
    view_deg: ViewDeg = USUAL_VIEW_DEG
    flare_share: FlareShare = USUAL_FLARE
    noise_stops: NoiseStops = USUAL_NOISE
    meter_offset_stops: Offset = 0.0
    shot: Shot = 0
    dial_step: DialStep = THIRD


@dataclass(frozen=True, slots=True)
class OffBy:
    """What made a reading differ, and by how much."""

    cause: MeterCause
    stops: float


@dataclass(frozen=True, slots=True)
class SceneMetered:
    """What the dial says, what was there, and why they differ; causes add up to ``off_stops``."""

    patch: str
    true_ev100: float
    ev100: float
    off_stops: float
    cells: int
    share_of_patch: float
    causes: tuple[OffBy, ...]


def scene_meter(request: SceneMeterRequest) -> SceneMetered:
    """The operation ``scene_meter``."""
    scene, seed = made(request.scene, request.view_deg), request.scene.seed
    x, y = _aimed(scene, request.aim)
    whose = scene.field.patch[scene.field.nearest(x, y)]
    patch = scene.patches[whose]
    reach = request.angle_deg / request.view_deg / 2 + ALMOST
    cells = [*scene.field.around(x, y, reach)] or [scene.field.nearest(x, y)]
    spot = mean_ev([ev_of(scene.field.index[cell]) for cell in cells])
    share = request.flare_share
    flared = math.log2((1 - share) * 2**spot + share * 2**scene.mean_ev100)
    place = KINDS.index(request.scene.kind)
    noise = request.noise_stops * normal(seed, place, METERED, request.shot)
    shown = flared + noise + request.meter_offset_stops
    step = request.dial_step
    dial = step * math.floor(shown / step + 0.5 + ALMOST) if step else shown
    return SceneMetered(
        patch=patch.name,
        true_ev100=patch.ev100,
        ev100=dial,
        off_stops=dial - patch.ev100,
        cells=len(cells),
        share_of_patch=sum(scene.field.patch[cell] == whose for cell in cells) / len(cells),
        causes=(
            OffBy("surround", spot - patch.ev100),
            OffBy("flare", flared - spot),
            OffBy("noise", noise),
            OffBy("meter", request.meter_offset_stops),
            OffBy("dial", dial - shown),
        ),
    )


def named(scene: SceneMade, name: str, field: str) -> ScenePatch:
    """A patch by its name; OutOfRange with those there are."""
    for each in scene.patches:
        if each.name == name and each.cells:
            return each
    there = [each.name for each in scene.patches if each.cells]
    raise OutOfRange(
        f"There is no “{name}” in this scene; there are {', '.join(there)}.",
        field=field,
        allowed=there,
    )


def _aimed(scene: SceneMade, aim: Aim) -> tuple[float, float]:
    if aim.patch is not None:
        patch = named(scene, aim.patch, "aim.patch")
        return patch.x, patch.y
    assert aim.x is not None
    assert aim.y is not None
    return aim.x, aim.y
