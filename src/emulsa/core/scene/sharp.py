"""What must be sharp in a scene, and what moves: as it is said, and as it stands in its fields."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.corrections.aperture_choice import ByLimits, BySpread, Depth
from emulsa.core.corrections.movement import Movement
from emulsa.core.lengths import HORIZON_MM, IN_MM
from emulsa.core.numbers import plain, typed_text
from emulsa.core.scene.record import Movements, Scene
from emulsa.core.written import length_text


@dataclass(frozen=True, kw_only=True, slots=True)
class SharpSaid:
    """In a line, and the text of each field: the spread in mm, distances in metres, speed in
    mm/s, how often the sharp time where it shall flow, the tilt in degrees or its hinge in metres,
    rise and shift in mm."""

    says: str
    spread: str
    near: str
    far: str
    speed: str
    away: str
    times: str
    tilt: str
    hinge: str
    rise: str
    shift: str


def sharp_said(scene: Scene) -> SharpSaid:
    """How deep it must be sharp, and what moves; nothing of what was not said."""
    depth, moves, stands = scene.depth, scene.movement, scene.movements or Movements()
    spread = depth.focus_spread_mm if isinstance(depth, BySpread) else None
    near, far = (depth.near_mm, depth.far_mm) if isinstance(depth, ByLimits) else (None, None)
    beyond = far is not None and far >= HORIZON_MM
    said = [
        "" if spread is None else f"depth {length_text(spread)}",
        depth_text(depth) if isinstance(depth, ByLimits) else "",
        movements_text(scene.movements) if scene.movements else "",
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
        tilt=typed_text(stands.tilt_deg) if stands.tilt_deg else "",
        hinge=_metres(stands.hinge_mm),
        rise=typed_text(stands.rise_mm) if stands.rise_mm else "",
        shift=typed_text(stands.shift_mm) if stands.shift_mm else "",
    )


def depth_text(depth: Depth) -> str:
    """How deep it must be sharp: ``2 m to 30 m``, ``depth 3 mm``.

    >>> depth_text(ByLimits(near_mm=2000, far_mm=1e8))
    '2 m to horizon'
    """
    if isinstance(depth, BySpread):
        return f"depth {length_text(depth.focus_spread_mm)}"
    beyond = depth.far_mm >= HORIZON_MM
    return f"{_metres(depth.near_mm)} m to {'horizon' if beyond else f'{_metres(depth.far_mm)} m'}"


def movements_text(moves: Movements) -> str:
    """How the lens stands: ``tilt 6°, rise 20 mm``; nothing of a camera set square.

    >>> movements_text(Movements(hinge_mm=1500, shift_mm=-5))
    'hinge 1.5 m below the lens, shift 5 mm left'
    """
    said = []
    if moves.tilt_deg:
        said.append(f"tilt {plain(moves.tilt_deg)}°")
    if moves.hinge_mm is not None:
        said.append(f"hinge {_metres(moves.hinge_mm)} m below the lens")
    if moves.rise_mm:
        word = "rise" if moves.rise_mm > 0 else "fall"
        said.append(f"{word} {length_text(abs(moves.rise_mm))}")
    if moves.shift_mm:
        way = "" if moves.shift_mm > 0 else " left"
        said.append(f"shift {length_text(abs(moves.shift_mm))}{way}")
    return ", ".join(said)


def _moving(moves: Movement) -> str:
    said = moves.what or "moving"
    return f"{said} shall flow" if moves.blur_times else said


def _metres(mm: float | None) -> str:
    return "" if mm is None else plain(mm / IN_MM["m"])
