"""Scenes to go out to: which there are, how each is called, and what a good print of it shows."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass

from emulsa.core.data.drawn_scenes import DRAWN
from emulsa.core.data.practised import MET
from emulsa.core.errors import Missing
from emulsa.core.exposing.answer import Fall
from emulsa.core.practice.chance import MASK, mixed
from emulsa.core.practice.drawn import drawn_scene
from emulsa.core.practice.scene import KINDS, OWN_MOST, OwnPatch, PracticeScene, SceneKind

LEAST = 2  # readings a scene of one's own needs
AROUND = 0.5  # zones about a placing that are as good
SEEDS = 2**31


@dataclass(frozen=True, slots=True)
class SceneOffered:
    """A scene one can go out to: its kind, of the drawn ones its name, its title and its brief."""

    kind: SceneKind
    name: str
    title: str
    brief: str


def offered() -> tuple[SceneOffered, ...]:
    """All that can be gone out to: the drawn ones, then the mosaics."""
    return (*(_drawn(each) for each in DRAWN), *_mosaics())


def told(scene: PracticeScene) -> SceneOffered:
    """How a scene is called, and what a good print of it shows."""
    if scene.kind == "drawn":
        return _drawn(scene.name)
    title, brief = MET[scene.kind]
    return SceneOffered(scene.kind, "", title, brief)


def seed_of(text: str) -> int:
    """A seed by a text, the same wherever it is asked for.

    >>> seed_of("a") == seed_of("a"), seed_of("a") == seed_of("b")
    (True, False)
    """
    state = 0
    for each in text.encode():
        state = mixed((state * 257 + each + 1) & MASK)
    return state % SEEDS


def tones_of(
    falls: Iterable[Fall], labels: dict[str, str], placed: str | None, high: str | None
) -> tuple[OwnPatch, ...]:
    """A planned scene's readings as tones to rehearse with: the placed one and the marked highlight
    have the zones they were meant for. Missing where there are fewer than two."""
    tones: dict[str, OwnPatch] = {}
    for each in falls:
        name = _free(labels.get(each.id) or "reading", tones)
        meant = each.zone if each.id == placed else each.lands if each.id == high else None
        zones = None if meant is None else _about(meant)
        tones[name] = OwnPatch(name=name, ev100=each.ev100, zones=zones)
    if len(tones) < LEAST:
        raise Missing("This scene needs two readings before it can be rehearsed.", field="scene_id")
    return tuple(tones.values())[:OWN_MOST]


def _about(zone: float) -> tuple[float, float]:
    held = min(max(zone, 0.0), 10.0)
    return max(held - AROUND, 0.0), min(held + AROUND, 10.0)


def _free(label: str, taken: dict[str, OwnPatch]) -> str:
    """A name no other tone has."""
    if label not in taken:
        return label
    number = 2
    while f"{label} {number}" in taken:
        number += 1
    return f"{label} {number}"


def _drawn(name: str) -> SceneOffered:
    scene = drawn_scene(name)
    return SceneOffered("drawn", name, scene.title, scene.brief)


def _mosaics() -> Iterator[SceneOffered]:
    for kind in KINDS:
        if kind not in ("own", "drawn"):
            title, brief = MET[kind]
            yield SceneOffered(kind, "", title, brief)
