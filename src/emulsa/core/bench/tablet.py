"""The exposures of a test's steps: an even row about V, or what a step tablet lets through."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Annotated, Literal

from emulsa.core import tables
from emulsa.core.errors import Missing, Unsound
from emulsa.core.limits import Length, Within
from emulsa.core.sensitometry.curve import STOP, Density, DensityStep

FIRST_STOPS = Within("The first frame, in stops from V", -12, 12)
FirstStops = Annotated[float, FIRST_STOPS]
STEP_STOPS = Within("The step, in stops", 0.1, 7)
StepStops = Annotated[float, STEP_STOPS]
Tablet = Annotated[tuple[Density, ...], Length("Steps of a tablet", 0, 60, tables.numbers)]
Target = Literal[
    "",
    "bracket in stops",
    "21-step tablet",
    "31-step tablet",
    "own tablet",
    "Zone I and Zone VIII",
]

# Common step tablets, by count and density from step to step (the trade's, no source)
TABLETS: dict[str, tuple[int, float]] = {"21-step tablet": (21, 0.15), "31-step tablet": (31, 0.10)}
BASE = 0.05  # of a tablet's own support


@dataclass(frozen=True, kw_only=True, slots=True)
class StepRow:
    """How the steps of a curve were exposed, the least first.

    ``even``: from ``first`` on by ``step``. A tablet: ``first`` is what reached the film beside it,
    each step lets through less by its density. ``kept``: the exposures stand one by one. All are
    stops from V, or log H where ``light`` is set.
    """

    how: Literal["even", "21-step tablet", "31-step tablet", "own tablet", "kept"] = "even"
    first: FirstStops = -6
    step: StepStops = 1
    tablet: Tablet = ()
    kept: Annotated[tuple[float, ...], Length("Exposures", 0, 400)] = ()
    light: bool = False


def row(first_stops: float, step_stops: float, count: int) -> tuple[float, ...]:
    """Stops from V of so many steps.

    >>> row(-6, 0.5, 3)
    (-6.0, -5.5, -5.0)
    """
    return tuple(first_stops + place * step_stops for place in range(count))


def densities_of(target: str, own: Sequence[float] = ()) -> tuple[float, ...]:
    """A tablet's densities, the densest first: its own, or those of its kind. Missing for an own
    tablet nobody has measured.

    >>> densities_of("21-step tablet")[0], len(densities_of("31-step tablet"))
    (3.05, 31)
    """
    if own:
        return tuple(sorted(own, reverse=True))
    if target not in TABLETS:
        raise Missing(
            "Type the densities of your tablet first, as its sheet gives them.", field="tablet"
        )
    count, step = TABLETS[target]
    return tuple(round(BASE + step * place, 2) for place in reversed(range(count)))


def exposures(of: StepRow, count: int) -> tuple[float, ...]:
    """The exposure of every one of ``count`` steps; Unsound when the tablet has another number."""
    if of.how == "even":
        return row(of.first, of.step, count)
    if of.how == "kept":
        found = of.kept
        named = "There were"
    else:
        per_density = 1.0 if of.light else 1 / STOP
        tablet = densities_of(of.how, of.tablet if of.how == "own tablet" else ())
        found = tuple(of.first - each * per_density for each in tablet)
        named = "This tablet has"
    if len(found) != count:
        raise Unsound(
            f"{named} {len(found)} steps, and there are {count} densities; read each step once.",
            field="text",
            allowed=[len(found), len(found)],
        )
    return found


def exposed(densities: Sequence[float], of: StepRow, turn: bool) -> tuple[DensityStep, ...]:
    """Each density with its exposure, the least first; ``turn`` for a column the other way round.

    >>> found = exposed([1.2, 0.1], StepRow(first=-1, step=2), turn=True)
    >>> [(each.stops, each.density) for each in found]
    [(-1.0, 0.1), (1.0, 1.2)]
    """
    ordered = tuple(reversed(densities)) if turn else densities
    at = exposures(of, len(ordered))
    return tuple(
        DensityStep(density=density, log_h=float(x))
        if of.light
        else DensityStep(density=density, stops=float(x))
        for x, density in zip(at, ordered, strict=True)
    )
