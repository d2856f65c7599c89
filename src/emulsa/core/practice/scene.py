"""Simulated scenes: a field of EVs with named patches, under light that moves."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Annotated, Literal

from emulsa.core.data.mosaics import BASE_EV, COLUMNS, DRIFT_A_MINUTE, MOSAICS, ROWS
from emulsa.core.errors import Missing, Unsound
from emulsa.core.limits import EV, Label, Length, Name, Within, Zone
from emulsa.core.picture.axis import LAST, LOWEST_EV, STEPS_IN_A_STOP, half_up, indexes
from emulsa.core.picture.spotted import ViewDeg
from emulsa.core.practice.chance import Seed, uniform, uniforms
from emulsa.core.practice.drawn import DrawnScene, drawn_scene

SceneKind = Literal["sun", "cloud", "haze", "snow", "backlight", "forest", "dusk", "own", "drawn"]
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
    "drawn",
)
USUAL_VIEW_DEG = 50.0
MIDDLE_GREY = math.pi * 12.5 / 250  # what incident and reflected meters agree on
WANDERS, CLOUD_SWING, CLOUD_PERIOD_MIN = 0.5, 0.7, 11.0
PATCH_WANDERS, BOX_WANDERS = 0.2, 0.02
# of a drawn scene in the sun: clouds come when this wave is above so much, and cover it so fast
CLOUD_FROM, CLOUD_COVERS = 0.3, 3.0
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
    """A scene by its kind and seed, so many minutes after it was met; ``own`` its own tones,
    ``name`` which of the drawn ones it is."""

    kind: SceneKind
    seed: Seed
    name: Label = ""
    minutes: Minutes = 0.0
    own: Annotated[tuple[OwnPatch, ...], Length("Tones of one's own", 0, OWN_MOST)] = ()

    def __post_init__(self) -> None:
        if self.kind != "own" and self.own:
            raise Unsound("Only a scene of one’s own has tones of its own.", field="own")
        if self.kind == "own" and len(self.own) < OWN_LEAST:
            raise Missing("A scene of one’s own needs two tones.", field="own")
        if len({each.name for each in self.own}) < len(self.own):
            raise Unsound("Two tones have the same name.", field="own")
        if (self.kind == "drawn") != bool(self.name):
            raise Unsound("A drawn scene, and no other, is chosen by its name.", field="name")


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

    def middle(self, cell: int) -> tuple[float, float]:
        """Where a cell's middle lies, as shares of the frame."""
        row, column = divmod(cell, self.columns)
        return (column + 0.5) / self.columns, (row + 0.5) / self.rows

    def apart(self, x: float, y: float, other_x: float, other_y: float) -> float:
        """How far two places are apart, as a share of the frame's width; cells are square."""
        return math.hypot(x - other_x, (y - other_y) * self.rows / self.columns)

    def around(self, x: float, y: float, reach: float) -> Iterator[int]:
        """The cells whose middles lie within ``reach`` (a share of the width) of a place."""
        high = reach * self.columns / self.rows
        for row in _reached(y, high, self.rows):
            for column in _reached(x, reach, self.columns):
                cell = row * self.columns + column
                if self.apart(x, y, *self.middle(cell)) <= reach:
                    yield cell

    def nearest(self, x: float, y: float) -> int:
        """The cell whose middle is nearest; the first of equals."""
        rows, columns = (
            _reached(y, 1 / self.rows, self.rows),
            _reached(x, 1 / self.columns, self.columns),
        )
        cells = [row * self.columns + column for row in rows for column in columns]
        return min(cells, key=lambda cell: self.apart(x, y, *self.middle(cell)))


def _reached(at: float, reach: float, many: int) -> range:
    """The rows or columns that may lie within a reach."""
    first, last = math.floor((at - reach) * many) - 1, math.ceil((at + reach) * many) + 1
    return range(max(first, 0), min(last, many))


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


def made(scene: PracticeScene, view_deg: float = USUAL_VIEW_DEG) -> SceneMade:
    """A scene as it is met; the same one is made once, however it is asked for."""
    return anew(scene, view_deg)


@lru_cache(maxsize=16)
def anew(scene: PracticeScene, view_deg: float) -> SceneMade:
    """A scene from its description."""
    if scene.kind == "drawn":
        return _painted(scene, drawn_scene(scene.name))
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
    laid_out = SceneField(COLUMNS, ROWS, field, patch)
    return SceneMade(
        patches=tuple(_met(each, k, laid_out, evs, view_deg) for k, each in enumerate(laid)),
        field=laid_out,
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


def _painted(scene: PracticeScene, drawn: DrawnScene) -> SceneMade:
    """A drawn scene in its light: every place moves as far as the light on it does."""
    moved = [half_up(each * STEPS_IN_A_STOP) for each in light_on(scene, drawn)]
    field = tuple(
        min(max(index + moved[place], 0), LAST)
        for index, place in zip(drawn.index, drawn.patch, strict=True)
    )
    evs = [ev_of(each) for each in field]
    mean = mean_ev(evs)
    light: dict[int, list[float]] = {k: [] for k in range(len(drawn.places))}
    for place, ev in zip(drawn.patch, evs, strict=True):
        light[place].append(ev)
    return SceneMade(
        patches=tuple(
            ScenePatch(
                name=each.name,
                ev100=mean_ev(light[k]) if light[k] else mean,
                cells=len(light[k]),
                x=each.x,
                y=each.y,
                size_deg=each.size_deg,
                colour=each.colour,
                zones=each.zones,
            )
            for k, each in enumerate(drawn.places)
        ),
        field=SceneField(drawn.columns, drawn.rows, field, drawn.patch),
        mean_ev100=mean,
        range_stops=max(evs) - min(evs),
        light_ev=mean,
    )


def light_on(scene: PracticeScene, drawn: DrawnScene) -> Iterator[float]:
    """By place the stops it has more than it was painted with: the day is lighter or darker, light
    fades, clouds pass over, or before the sun."""
    kind = KINDS.index(scene.kind)
    day = WANDERS * _either_way(scene.seed, kind, LIGHT) + drawn.drift_a_minute * scene.minutes
    wave = math.sin(
        2 * math.pi * (scene.minutes / CLOUD_PERIOD_MIN + uniform(scene.seed, kind, CLOUD))
    )
    covered = min(max((wave - CLOUD_FROM) * CLOUD_COVERS, 0.0), 1.0)
    for each in drawn.places:
        if drawn.light == "sun":
            yield day - covered * each.sun_stops
        else:
            yield day + (CLOUD_SWING * wave if drawn.light == "cloud" else 0.0)


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


def _met(
    laid: _Laid, number: int, field: SceneField, evs: Sequence[float], view_deg: float
) -> ScenePatch:
    cells = [cell for cell, whose in enumerate(field.patch) if whose == number]
    places = [field.middle(cell) for cell in cells]
    x = math.fsum(x for x, _ in places) / len(places) if places else 0.0
    y = math.fsum(y for _, y in places) / len(places) if places else 0.0
    aim = min(places, key=lambda at: field.apart(x, y, *at), default=(0.0, 0.0))
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
