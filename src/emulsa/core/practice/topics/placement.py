"""A reading placed on a zone; where another falls then."""

from __future__ import annotations

from emulsa.core.practice.question import Dice, Drawn, Question, WrongWay
from emulsa.core.tones.placement import camera_ev, fall
from emulsa.core.tones.zones import MIDDLE

EVS, ZONES, APART = range(6, 13), (2.0, 3.0, 4.0, 7.0, 8.0), (1, 2, 3, 4, 5, -1, -2)


def draw(dice: Dice) -> Drawn:
    finer = dice.level == 3
    ev = dice.pick(EVS, 0) + (dice.third(1) if finer else 0.0)
    zone = dice.pick(ZONES, 2)
    if dice.level == 1:
        return Drawn(
            Question(ev100=ev, zone=zone),
            "ev",
            camera_ev(ev, zone),
            (
                WrongWay("zone-direction", ev - MIDDLE + zone),
                WrongWay("as-metered", ev),
                WrongWay("zone-from-iv", ev + MIDDLE - 1 - zone),
            ),
        )
    apart = dice.pick(APART, 3) + (dice.third(4) if finer else 0.0)
    return Drawn(
        Question(ev100=ev, zone=zone, other_ev100=ev + apart),
        "zone",
        fall(ev + apart, ev, zone),
        (WrongWay("fall-sign", zone - apart), WrongWay("fall-from-v", MIDDLE + apart)),
    )
