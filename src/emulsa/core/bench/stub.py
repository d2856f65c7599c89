"""A film test at a glance: its curves, thin, for a list."""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.bench.drawing import CurveLine
from emulsa.core.bench.sheet import Worked
from emulsa.core.straight import straight

POINTS = 24  # of a curve, as many as a stub can show


@dataclass(frozen=True, kw_only=True, slots=True)
class StubLine:
    """A curve as points of a square of side 1, from the left bottom; ``main`` is the one nearest to
    normal, ``speed`` its speed point."""

    points: tuple[tuple[float, float], ...]
    main: bool
    speed: tuple[float, float] | None


@dataclass(frozen=True, kw_only=True, slots=True)
class Stub:
    """A test's curves to one scale, the height of the density wanted at VIII, and what is drawn in
    a sentence."""

    lines: tuple[StubLine, ...]
    wanted: float | None
    text: str


def stub_of(worked: Worked) -> Stub:
    """The stub of a test; without densities it says so and draws nothing."""
    drawn = [each for each in worked.lines if len(each.line) > 1]
    if not drawn:
        return Stub(lines=(), wanted=None, text="no densities yet")
    every = [point for each in drawn for point in each.line]
    left, right = min(x for x, _ in every), max(x for x, _ in every)
    wanted = drawn[0].base_fog + worked.net_at_viii
    low, high = min(y for _, y in every), max(wanted, *(y for _, y in every))

    def at(x: float, y: float) -> tuple[float, float]:
        across = (x - left) / (right - left) if right > left else 0.0
        up = (y - low) / (high - low) if high > low else 0.0
        return round(across, 3), round(up, 3)

    def line(each: CurveLine) -> StubLine:
        step = max(1, len(each.line) // POINTS)
        main = each.id == worked.main
        x = each.speed_x
        seen = main and x is not None and left <= x <= right
        return StubLine(
            points=tuple(at(*point) for point in (*each.line[:-1:step], each.line[-1])),
            main=main,
            speed=at(x, straight(list(each.line), x)) if seen and x is not None else None,
        )

    minutes = ", ".join(each.minutes_text for each in drawn)
    return Stub(
        lines=tuple(line(each) for each in drawn),
        wanted=at(left, wanted)[1],
        text=f"curves for {minutes}",
    )
