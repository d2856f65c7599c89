"""Long times: what the film needs beyond the metered time, after everything else."""

from __future__ import annotations

import math
from collections.abc import Iterable

from emulsa.core.corrections.filters import Filter, amount_text, total_stops
from emulsa.core.corrections.reciprocity import corrected_s
from emulsa.core.light.hand_time import time_text
from emulsa.core.numbers import plain
from emulsa.core.practice.question import Dice, Drawn, Question, WayStep, WrongWay, told
from emulsa.core.written import size_words, stops_text

TIMES_S, FACTORS, BRACKETS = (4.0, 8.0, 15.0, 30.0, 60.0), (4.0, 8.0), (1.0, 2.0)


def draw(dice: Dice) -> Drawn:
    metered, law = dice.pick(TIMES_S, 0), dice.law()
    long = corrected_s(law, metered)
    if dice.level == 1:
        return Drawn(
            Question(metered_s=metered, law=law),
            "s",
            long,
            (
                WrongWay("reciprocity-forgotten", metered),
                WrongWay("reciprocity-twice", corrected_s(law, long)),
                WrongWay("exponent-as-factor", metered * law.exponent),
            ),
        )
    if dice.level == 2:
        factor = dice.pick(FACTORS, 1)
        return Drawn(
            Question(metered_s=metered, law=law, filters=(Filter(factor=factor),)),
            "s",
            corrected_s(law, metered * factor),
            (
                WrongWay("reciprocity-first", long * factor),
                WrongWay("reciprocity-forgotten", metered * factor),
                WrongWay("filter-forgotten", long),
            ),
        )
    stops = dice.pick(BRACKETS, 1)
    return Drawn(
        Question(metered_s=metered, law=law, bracket_stops=stops),
        "s",
        corrected_s(law, metered * 2**stops),
        (
            WrongWay("bracket-after-reciprocity", long * 2**stops),
            WrongWay("reciprocity-forgotten", metered * 2**stops),
        ),
    )


def say(asked: Question) -> str:
    film = f"This film needs t to the power of {plain(told(asked.law).exponent)} from a second on."
    before = f"The meter says {time_text(told(asked.metered_s))}."
    more = ""
    if asked.filters:
        more = f" The filter, {amount_text(asked.filters[0])}, is not in it."
    if asked.bracket_stops is not None:
        more = f" This frame of its bracket has {size_words(asked.bracket_stops)} more."
    return f"{before}{more} {film} What time?"


def steps(found: Drawn) -> tuple[WayStep, ...]:
    asked = found.question
    added = (("Filter", total_stops(asked.filters)), ("Bracket", asked.bracket_stops or 0.0))
    return chain("Meter", told(asked.metered_s), added, found.answer)


def chain(
    label: str, metered_s: float, added: Iterable[tuple[str, float]], answer_s: float
) -> tuple[WayStep, ...]:
    """A time, the stops that are added to it by name, and what the film needs beyond, last."""
    running = metered_s
    rows = [WayStep(label, "", time_text(running))]
    for name, stops in added:
        if stops:
            running *= 2**stops
            rows.append(WayStep(name, stops_text(stops), time_text(running)))
    if answer_s > running:
        long = stops_text(math.log2(answer_s / running))
        rows.append(WayStep("What the film needs beyond", long, time_text(answer_s)))
    return tuple(rows)
