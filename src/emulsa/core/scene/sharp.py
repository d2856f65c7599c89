"""What must be sharp in a scene, and what moves: as it is said, and as it stands in its fields."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.corrections.aperture_choice import ByLimits, BySpread
from emulsa.core.corrections.movement import Movement
from emulsa.core.lengths import HORIZON_MM, IN_MM
from emulsa.core.numbers import plain, typed_text
from emulsa.core.scene.record import Scene
from emulsa.core.written import length_text


@dataclass(frozen=True, kw_only=True, slots=True)
class SharpSaid:
    """In a line, and the text of each field: the spread in mm, distances in metres, speed in
    mm/s, how often the sharp time where it shall flow."""

    says: str
    spread: str
    near: str
    far: str
    speed: str
    away: str
    times: str


def sharp_said(scene: Scene) -> SharpSaid:
    """How deep it must be sharp, and what moves; nothing of what was not said."""
    depth, moves = scene.depth, scene.movement
    spread = depth.focus_spread_mm if isinstance(depth, BySpread) else None
    near, far = (depth.near_mm, depth.far_mm) if isinstance(depth, ByLimits) else (None, None)
    beyond = far is not None and far >= HORIZON_MM
    said = [
        "" if spread is None else f"depth {length_text(spread)}",
        ""
        if near is None
        else f"{_metres(near)} m to {'horizon' if beyond else f'{_metres(far)} m'}",
        _moving(moves) if moves else "",
    ]
    return SharpSaid(
        says=", ".join(filter(None, said)),
        spread="" if spread is None else typed_text(spread),
        near=_metres(near),
        far="" if beyond else _metres(far),
        speed="" if moves is None else typed_text(moves.speed_mm_s),
        away="" if moves is None else _metres(moves.distance_mm),
        times="" if moves is None or moves.blur_times is None else typed_text(moves.blur_times),
    )


def _moving(moves: Movement) -> str:
    said = moves.what or "moving"
    return f"{said} shall flow" if moves.blur_times else said


def _metres(mm: float | None) -> str:
    return "" if mm is None else plain(mm / IN_MM["m"])
