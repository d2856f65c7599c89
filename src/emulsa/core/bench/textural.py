"""The tones a film holds, from its own curve.

Zone I is the speed point, where the tested index puts it. Texture needs a curve that still rises:
at least half as steep as it is at its steepest, over a zone (common practice, no source). Upward
the paper sets the end as well: what stands denser than Zone VIII of a normal negative prints white.
"""

from __future__ import annotations

from dataclasses import dataclass

from emulsa.core.bench.drawing import main_curve
from emulsa.core.bench.record import FilmTest
from emulsa.core.sensitometry.curve import STOP, Drawn
from emulsa.core.sensitometry.figures import speed_point
from emulsa.core.sensitometry.film_test import FilmTestAnswer, Targets
from emulsa.core.tones.zones import zone_text

RISES = 0.5  # of the steepest
STEP = 1 / 6  # of a zone, in which the ends are looked for
LOWEST, HIGHEST = 0.0, 10.0


@dataclass(frozen=True, kw_only=True, slots=True)
class Textural:
    """The lowest and the highest zone that hold texture, and what ends it upward."""

    low: float
    high: float
    text: str
    says: str


def textural_of(test: FilmTest, answer: FilmTestAnswer) -> Textural | None:
    """From the curve nearest to a normal negative; nothing when it is too short to tell."""
    main = main_curve(answer)
    if main is None or main.gamma is None:
        return None
    curve = next(each for each in test.curves if each.id == main.id)
    drawn = Drawn(curve, "curve")
    speed = speed_point(drawn, "curve")
    steep = [
        zone
        for zone in _zones()
        if (slope := _slope(drawn, speed, zone)) and slope >= RISES * main.gamma
    ]
    if not steep:
        return None
    paper = drawn.reaches(Targets().net_at_viii)
    last = steep[-1]
    by_paper = paper is not None and _zone(paper, speed) <= last + 1e-9
    high = _zone(paper, speed) if paper is not None and by_paper else last
    low, high = _halves(steep[0]), _halves(high)
    if high <= low:
        return None
    ends = "the paper ends it" if by_paper else "the shoulder ends it"
    if not by_paper and _zone(drawn.last, speed) < last + 0.5 + STEP + 1e-9:
        ends = "the data end there"
    return Textural(
        low=low,
        high=high,
        text=f"{zone_text(low)} to {zone_text(high)}",
        says=f"Texture from {zone_text(low)} to {zone_text(high)}; {ends}.",
    )


def _zones() -> list[float]:
    return [LOWEST + STEP * place for place in range(round((HIGHEST - LOWEST) / STEP) + 1)]


def _slope(drawn: Drawn, speed: float, zone: float) -> float | None:
    """The mean slope over the zone."""
    return drawn.slope(speed + (zone - 1.5) * STOP, STOP)


def _zone(x: float, speed: float) -> float:
    return 1 + (x - speed) / STOP


def _halves(zone: float) -> float:
    return min(max(round(2 * zone) / 2, LOWEST), HIGHEST)
