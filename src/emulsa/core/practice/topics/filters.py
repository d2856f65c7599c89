"""Filters: factors, densities and stops in one sum."""

from __future__ import annotations

from emulsa.core.corrections.filters import Filter, amount_text, count
from emulsa.core.light.hand_time import time_text
from emulsa.core.practice.question import Dice, Drawn, Question, WayStep, WrongWay, told
from emulsa.core.written import stops_text

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


def say(asked: Question) -> str:
    *most, last = (named(each) for each in asked.filters)
    stack = f"{', '.join(most)} and {last}" if most else last
    before = f"Without filters the meter says {time_text(told(asked.metered_s))}."
    return f"{before} Before the lens: {stack}. What time?"


def named(each: Filter) -> str:
    """A filter as it is spoken of.

    >>> named(Filter(factor=8)), named(Filter(density=0.6)), named(Filter(label="Red", factor=8))
    ('a filter ×8', 'a grey filter, density 0.6', 'a red one ×8')
    """
    if each.density is not None:
        return f"a grey filter, {amount_text(each)}"
    if each.type == "polariser":
        return f"a polariser, {amount_text(each)}"
    name = f"{each.label.lower()} one" if each.label else "filter"
    return f"a {name} {amount_text(each)}"


def steps(found: Drawn) -> tuple[WayStep, ...]:
    asked = found.question
    running = told(asked.metered_s)
    rows = [WayStep("Meter", "", time_text(running))]
    for each, added in zip(asked.filters, count(asked.filters), strict=True):
        running *= 2**added.stops
        label = named(each).removeprefix("a ").capitalize()
        label = label if added.stops else f"{label}: the deeper one takes it already"
        rows.append(WayStep(label, stops_text(added.stops), time_text(running)))
    return tuple(rows)
