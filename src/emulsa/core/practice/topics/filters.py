"""Filters: factors, densities and stops in one sum."""

from __future__ import annotations

from emulsa.core.corrections.filters import Filter
from emulsa.core.practice.question import Dice, Drawn, Question, WrongWay

TIMES_S, FACTORS, DENSITIES = (
    (1 / 64, 1 / 32, 1 / 8, 1 / 4, 1 / 2),
    (2.0, 4.0, 8.0),
    (0.3, 0.6, 0.9),
)
YELLOW_AND_RED, POLARISERS = ((2.0, 4.0), (2.0, 8.0), (4.0, 8.0)), (1.0, 1.5, 2.0)


def draw(dice: Dice) -> Drawn:
    metered = dice.pick(TIMES_S, 0)
    if dice.level == 3:
        return _three(dice, metered)
    factor = dice.pick(FACTORS, 1)
    if dice.level == 1:
        return Drawn(
            Question(metered_s=metered, filters=(Filter(factor=factor),)),
            "s",
            metered * factor,
            (
                WrongWay("factor-as-stops", metered * 2**factor),
                WrongWay("filter-twice", metered * factor**2),
                WrongWay("filter-forgotten", metered),
                WrongWay("filter-reversed", metered / factor),
            ),
        )
    density = dice.pick(DENSITIES, 2)
    grey = 10**density
    return Drawn(
        Question(metered_s=metered, filters=(Filter(factor=factor), Filter(density=density))),
        "s",
        metered * factor * grey,
        (
            WrongWay("density-as-stops", metered * factor * 2**density),
            WrongWay("factor-as-stops", metered * 2**factor * grey),
            WrongWay("filter-forgotten", metered),
            WrongWay("factors-added", metered * (factor + grey)),
        ),
    )


def _three(dice: Dice, metered: float) -> Drawn:
    yellow, red = dice.pick(YELLOW_AND_RED, 1)
    stops = dice.pick(POLARISERS, 2)
    deeper = max(yellow, red)
    filters = (
        Filter(label="Yellow", factor=yellow, type="contrast", colour="yellow"),
        Filter(label="Red", factor=red, type="contrast", colour="red"),
        Filter(label="Polariser", stops=stops, type="polariser"),
    )
    return Drawn(
        Question(metered_s=metered, filters=filters),
        "s",
        metered * deeper * 2**stops,
        (
            WrongWay("same-family-added", metered * yellow * red * 2**stops),
            WrongWay("factors-added", metered * (yellow + red + 2**stops)),
            WrongWay("stops-as-factor", metered * deeper * stops),
        ),
    )
