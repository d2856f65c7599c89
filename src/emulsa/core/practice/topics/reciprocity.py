"""Long times: what the film needs beyond the metered time, after everything else."""

from __future__ import annotations

from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.reciprocity import corrected_s
from emulsa.core.practice.question import Dice, Drawn, Question, WrongWay

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
