"""How a simulated scene looks at a minute: as the light falls on an eye that is used to it."""

from __future__ import annotations

from dataclasses import dataclass, replace

from emulsa.core.light.srgb import level_of
from emulsa.core.picture.axis import STEPS_IN_A_STOP, half_up
from emulsa.core.practice.drawn import WHOLE, drawn_scene
from emulsa.core.practice.scene import PracticeScene, light_on, made
from emulsa.core.rendering.preview import EVS

KEY, HELD_FROM, FULL = 0.3, 0.9, 1.12  # how light a mean looks, and how lights are held together
SEEN_STOPS = 1 / 6


@dataclass(frozen=True, slots=True)
class PlaceAimed:
    """A named place, and where one aims at it."""

    name: str
    x: float
    y: float


@dataclass(frozen=True, slots=True)
class PractisedField:
    """A practised scene as the light falls at a minute. Its cells are entries of the EV axis; those
    of a drawn scene are its picture's, ``moved`` by so many entries at each of its places.
    ``grey`` is how light each entry looks to the eye that has got used to the scene."""

    picture: str
    columns: int
    rows: int
    index: tuple[int, ...]
    moved: tuple[int, ...]
    grey: tuple[int, ...]
    places: tuple[PlaceAimed, ...]
    light_text: str


def field_of(source: PracticeScene) -> PractisedField:
    """How a scene looks at its minute."""
    scene = made(source)
    drawn = source.kind == "drawn"
    usual = made(replace(source, minutes=0.0))
    return PractisedField(
        source.name if drawn else "",
        scene.field.columns,
        scene.field.rows,
        () if drawn else scene.field.index,
        _moved(source) if drawn else (),
        tuple(_grey(ev - usual.mean_ev100) for ev in EVS),
        tuple(
            PlaceAimed(each.name, each.x, each.y)
            for each in scene.patches
            if each.cells and each.name != WHOLE
        ),
        _light(scene.mean_ev100 - usual.mean_ev100),
    )


def _moved(source: PracticeScene) -> tuple[int, ...]:
    """By place the entries it moved, first what has no name, as the picture numbers them."""
    *named, elsewhere = light_on(source, drawn_scene(source.name))
    return tuple(half_up(each * STEPS_IN_A_STOP) for each in (elsewhere, *named))


def _light(stops: float) -> str:
    """How the light is against what it was when one came."""
    if abs(stops) < SEEN_STOPS:
        return ""
    return "lighter than when you came" if stops > 0 else "darker than when you came"


def _grey(stops: float) -> int:
    """How light something looks that is so many stops over the mean of what one sees."""
    light = KEY * 2**stops
    return level_of(FULL * light / (1 + light / HELD_FROM))
