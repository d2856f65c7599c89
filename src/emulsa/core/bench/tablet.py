"""A row of even steps: the exposures of a test's frames, and of the densities read from them."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Annotated

from emulsa.core.limits import Within
from emulsa.core.sensitometry.curve import DensityStep

FirstStops = Annotated[float, Within("The first frame, in stops from V", -12, 12)]
StepStops = Annotated[float, Within("The step, in stops", 0.1, 3)]


def row(first_stops: float, step_stops: float, count: int) -> tuple[float, ...]:
    """Stops from V of so many steps.

    >>> row(-6, 0.5, 3)
    (-6.0, -5.5, -5.0)
    """
    return tuple(first_stops + place * step_stops for place in range(count))


def exposed(
    densities: Sequence[float], first_stops: float, step_stops: float, turn: bool
) -> tuple[DensityStep, ...]:
    """Each density with its exposure, the least first; ``turn`` for a column the other way round.

    >>> [(each.stops, each.density) for each in exposed([1.2, 0.1], -1, 2, turn=True)]
    [(-1, 0.1), (1, 1.2)]
    """
    ordered = tuple(reversed(densities)) if turn else densities
    at = row(first_stops, step_stops, len(ordered))
    return tuple(
        DensityStep(density=density, stops=stops)
        for stops, density in zip(at, ordered, strict=True)
    )
