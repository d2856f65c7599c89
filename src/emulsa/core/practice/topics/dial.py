"""From an EV to a time at an aperture."""

from __future__ import annotations

import math

from emulsa.core.light.hand_time import time_text
from emulsa.core.light.marks import f_number
from emulsa.core.practice.question import Dice, Drawn, Question, WayStep, WrongWay, told
from emulsa.core.tones.zones import ev_text
from emulsa.core.written import stops_text

EVS, APERTURES = range(5, 15), ("5.6", "8", "11", "16", "22", "32")
ISOS = {2: (25.0, 50.0, 200.0, 400.0), 3: (32.0, 64.0, 125.0, 320.0)}


def draw(dice: Dice) -> Drawn:
    ev = dice.pick(EVS, 0) + (dice.third(1) if dice.level == 3 else 0.0)
    mark = dice.pick(APERTURES, 2)
    iso = dice.pick(ISOS[dice.level], 3) if dice.level > 1 else 100.0
    speed = math.log2(iso / 100)

    def at(value: float) -> float:
        return f_number(mark) ** 2 / 2**value

    right = at(ev + speed)
    return Drawn(
        Question(ev100=ev, aperture=float(mark), iso=iso),
        "s",
        right,
        (
            WrongWay("iso-ignored", at(ev)),
            WrongWay("iso-reversed", at(ev - speed)),
            WrongWay("ev-one-off", 2 * right),
            WrongWay("fraction-as-seconds", 1 / right),
        ),
    )


def say(asked: Question) -> str:
    film = "" if asked.iso == 100 else f", film of ISO {told(asked.iso):g}"
    lit = f"EV {ev_text(told(asked.ev100))} at ISO 100{film}."
    return f"{lit} What time at f/{told(asked.aperture):g}?"


def steps(found: Drawn) -> tuple[WayStep, ...]:
    asked, answer = found.question, found.answer
    speed = math.log2(told(asked.iso) / 100)
    at = ev_text(told(asked.ev100) + speed)
    return (
        WayStep("EV at ISO 100", "", ev_text(told(asked.ev100))),
        WayStep(f"ISO {told(asked.iso):g}", stops_text(speed), at),
        WayStep(f"f/{told(asked.aperture):g} at EV {at}", "", time_text(answer)),
    )
