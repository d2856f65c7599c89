"""Simulated scenes: a field of EVs with named patches, under light that moves."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Annotated, Literal

from emulsa.core.data.mosaics import BASE_EV, COLUMNS, DRIFT_A_MINUTE, MOSAICS, ROWS
from emulsa.core.errors import Missing, Unsound
from emulsa.core.limits import EV, Length, Name, Within, Zone
from emulsa.core.picture.axis import LOWEST_EV, STEPS_IN_A_STOP, indexes
from emulsa.core.picture.spotted import ViewDeg
from emulsa.core.practice.chance import Seed, uniform, uniforms

SceneKind = Literal["sun", "cloud", "haze", "snow", "backlight", "forest", "dusk", "own"]
Minutes = Annotated[float, Within("Minutes after the scene was met", 0, 600, "min")]
Zones = tuple[Zone, Zone]

KINDS: tuple[SceneKind, ...] = (
    "sun",
    "cloud",
    "haze",
    "snow",
    "backlight",
    "forest",
    "dusk",
    "own",
)
USUAL_VIEW_DEG = 50.0
MIDDLE_GREY = math.pi * 12.5 / 250  # what incident and reflected meters agree on
WANDERS, CLOUD_SWING, CLOUD_PERIOD_MIN = 0.5, 0.7, 11.0
PATCH_WANDERS, BOX_WANDERS = 0.2, 0.02
OWN_TEXTURE, OWN_MOST, OWN_LEAST = 0.15, 24, 2
EDGE = 1e-9
# what a number of chance is wanted for
LIGHT, CLOUD, PATCHES, TEXTURE = 0, 1, 10, 3


@dataclass(frozen=True, kw_only=True, slots=True)
class OwnPatch:
    """A tone of one's own scene, and the zones a good print has it on, where they are told."""

    name: Name
    ev100: EV
    zones: Zones | None = None


@dataclass(frozen=True, kw_only=True, slots=True)
class PracticeScene:
    """A scene by its kind and seed, so many minutes after it was met; ``own`` its own tones."""

    kind: SceneKind
    seed: Seed
    minutes: Minutes = 0.0
    own: Annotated[tuple[OwnPatch, ...], Length("Tones of one's own", 0, OWN_MOST)] = ()

    def __post_init__(self) -> None:
        if self.kind != "own" and self.own:
            raise Unsound("Only a scene of one’s own has tones of its own.", field="own")
        if self.kind == "own" and len(self.own) < OWN_LEAST:
            raise Missing("A scene of one’s own needs two tones.", field="own")
        if len({each.name for each in self.own}) < len(self.own):
            raise Unsound("Two tones have the same name.", field="own")


@dataclass(frozen=True, kw_only=True, slots=True)
class SceneMakeRequest:
    """A scene, and how wide it is seen."""

    scene: PracticeScene
    view_deg: ViewDeg = USUAL_VIEW_DEG


@dataclass(frozen=True, slots=True)
class ScenePatch:
    """A patch as it is met: the EV of its mean light, its cells, where one aims at it, its smaller
    side in degrees, its colour, and the zones a good print has it on."""

    name: str
    ev100: float
    cells: int
    x: float
    y: float
    size_deg: float
    colour: str
    zones: Zones | None


@dataclass(frozen=True, slots=True)
class SceneField:
    """The field by rows: where each cell stands on the EV axis, and whose it is."""

    columns: int
    rows: int
    index: tuple[int, ...]
    patch: tuple[int, ...]


@dataclass(frozen=True, slots=True)
class SceneMade:
    """A scene: patches, field, the EV of its mean light, its range, and its light where it has
    one."""

    patches: tuple[ScenePatch, ...]
    field: SceneField
    mean_ev100: float
    range_stops: float
    light_ev: float | None


@dataclass(frozen=True, slots=True)
class _Laid:
    """A patch before it is met: where it lies, its EV, its texture."""

    name: str
    ev100: float
    box: tuple[float, float, float, float]
    texture_stops: float
    colour: str
    zones: Zones | None


def scene_make(request: SceneMakeRequest) -> SceneMade:
    """The operation ``scene_make``."""
    return made(request.scene, request.view_deg)


@lru_cache(maxsize=16)
def made(scene: PracticeScene, view_deg: float = USUAL_VIEW_DEG) -> SceneMade:
    """A scene as it is met."""
    light = None if scene.kind == "own" else light_ev(scene)
    laid = tuple(_own(scene) if light is None else _mosaic(scene, light))
    patch = tuple(_whose(laid))
    place = KINDS.index(scene.kind)
    grain = uniforms(len(patch), scene.seed, place, TEXTURE)
    field = indexes(
        laid[whose].ev100 + laid[whose].texture_stops * (2 * each - 1)
        for whose, each in zip(patch, grain, strict=True)
    )
    evs = [ev_of(each) for each in field]
    return SceneMade(
        patches=tuple(
            _met(each, [cell for cell, whose in enumerate(patch) if whose == k], evs, view_deg)
            for k, each in enumerate(laid)
        ),
        field=SceneField(COLUMNS, ROWS, field, patch),
        mean_ev100=mean_ev(evs),
        range_stops=max(evs) - min(evs),
        light_ev=light,
    )


def light_ev(scene: PracticeScene) -> float:
    """The light at its minute: it fades, or clouds pass."""
    place = KINDS.index(scene.kind)
    ev = BASE_EV[scene.kind] + WANDERS * _either_way(scene.seed, place, LIGHT)
    ev += DRIFT_A_MINUTE.get(scene.kind, 0.0) * scene.minutes
    if scene.kind == "cloud":
        turns = scene.minutes / CLOUD_PERIOD_MIN + uniform(scene.seed, place, CLOUD)
        ev += CLOUD_SWING * math.sin(2 * math.pi * turns)
    return ev


def ev_of(entry: int) -> float:
    """The EV of an entry of the axis."""
    return LOWEST_EV + entry / STEPS_IN_A_STOP


def mean_ev(evs: Sequence[float]) -> float:
    """The EV of the mean light."""
    return math.log2(math.fsum(2**ev for ev in evs) / len(evs))


def middle(cell: int) -> tuple[float, float]:
    """Where a cell's middle lies."""
    row, column = divmod(cell, COLUMNS)
    return (column + 0.5) / COLUMNS, (row + 0.5) / ROWS


def apart(x: float, y: float, other_x: float, other_y: float) -> float:
    """How far two places are apart, as a share of the frame's width."""
    return math.hypot(x - other_x, (y - other_y) * ROWS / COLUMNS)


def _either_way(seed: int, *keys: int) -> float:
    return 2 * uniform(seed, *keys) - 1


def _mosaic(scene: PracticeScene, light: float) -> Iterator[_Laid]:
    place = KINDS.index(scene.kind)
    for k, each in enumerate(MOSAICS[scene.kind]):
        by = PATCHES + k
        wide = each.box[2] >= 1
        across = 0.0 if wide else BOX_WANDERS * _either_way(scene.seed, place, by, 1)
        down = 0.0 if wide else BOX_WANDERS * _either_way(scene.seed, place, by, 2)
        yield _Laid(
            name=each.name,
            ev100=light
            + each.stops
            + math.log2(each.reflectance / MIDDLE_GREY)
            + PATCH_WANDERS * _either_way(scene.seed, place, by, 0),
            box=(each.box[0] + across, each.box[1] + down, *each.box[2:]),
            texture_stops=each.texture_stops,
            colour=each.colour,
            zones=each.zones,
        )


def _own(scene: PracticeScene) -> Iterator[_Laid]:
    """Strips side by side."""
    wide = 1 / len(scene.own)
    for k, each in enumerate(scene.own):
        box = (k * wide, 0.0, wide, 1.0)
        yield _Laid(each.name, each.ev100, box, OWN_TEXTURE, "", each.zones)


def _whose(laid: Sequence[_Laid]) -> list[int]:
    """By cell the last patch whose box holds its middle; else the first."""
    found = [0] * (COLUMNS * ROWS)
    for k, each in enumerate(laid):
        left, top, wide, high = each.box
        columns = [c for c in range(COLUMNS) if _holds(left, wide, (c + 0.5) / COLUMNS)]
        for row in range(ROWS):
            if _holds(top, high, (row + 0.5) / ROWS):
                for column in columns:
                    found[row * COLUMNS + column] = k
    return found


def _holds(low: float, size: float, at: float) -> bool:
    return low - EDGE <= at < low + size - EDGE


def _met(laid: _Laid, cells: list[int], evs: Sequence[float], view_deg: float) -> ScenePatch:
    places = [middle(cell) for cell in cells]
    x = math.fsum(x for x, _ in places) / len(places) if places else 0.0
    y = math.fsum(y for _, y in places) / len(places) if places else 0.0
    aim = min(places, key=lambda at: apart(x, y, *at), default=(0.0, 0.0))
    _, _, wide, high = laid.box
    return ScenePatch(
        name=laid.name,
        ev100=mean_ev([evs[cell] for cell in cells]) if cells else laid.ev100,
        cells=len(cells),
        x=aim[0],
        y=aim[1],
        size_deg=view_deg * min(wide, high * ROWS / COLUMNS),
        colour=laid.colour,
        zones=laid.zones,
    )
