"""N, from the range of a scene."""

from __future__ import annotations

from emulsa.core.practice.question import Dice, Drawn, Question, WayStep, WrongWay, told
from emulsa.core.tones.development_number import development_number, n_text
from emulsa.core.tones.zones import ev_text, zone_text
from emulsa.core.written import stops_text

LOWS = range(5, 11)
RANGES, FINER = (3.0, 4.0, 6.0, 7.0, 8.0), (3.5, 4 + 1 / 3, 6.5, 7 + 1 / 3)
USUAL_ZONE, USUAL_TARGET, ZONES, TARGETS = 3.0, 8.0, (3.0, 4.0), (7.0, 8.0)
TEXTURED = 7  # zones from II to VIII, counted as one counts them who forgets where they lie


def draw(dice: Dice) -> Drawn:
    low = float(dice.pick(LOWS, 0))
    wide = dice.pick(FINER if dice.level == 3 else RANGES, 1)
    zone = dice.pick(ZONES, 2) if dice.level > 1 else USUAL_ZONE
    target = dice.pick(TARGETS, 3) if dice.level > 1 else USUAL_TARGET
    right = development_number(target, zone + wide)
    return Drawn(
        Question(low_ev100=low, high_ev100=low + wide, zone=zone, target=target),
        "n",
        right,
        (
            WrongWay("n-sign", -right),
            WrongWay("n-from-range", TEXTURED - wide),
            WrongWay("zones-counted-inclusively", right - 1),
        ),
    )


def say(asked: Question) -> str:
    low, high = ev_text(told(asked.low_ev100)), ev_text(told(asked.high_ev100))
    return (
        f"The shadow, EV {low}, is placed on {zone_text(told(asked.zone))}. The highlight reads"
        f" EV {high} and shall print on {zone_text(told(asked.target))}. Which N?"
    )


def steps(found: Drawn) -> tuple[WayStep, ...]:
    asked, answer = found.question, found.answer
    wide = told(asked.high_ev100) - told(asked.low_ev100)
    falls = told(asked.zone) + wide
    return (
        WayStep("The shadow", "", zone_text(told(asked.zone))),
        WayStep("The highlight is lighter, and falls on", stops_text(wide), zone_text(falls)),
        WayStep(f"It shall print on {zone_text(told(asked.target))}", "", n_text(answer)),
    )
