"""A reading placed on a zone; where another falls then."""

from __future__ import annotations

from emulsa.core.practice.question import Dice, Drawn, Question, WayStep, WrongWay, told
from emulsa.core.tones.placement import camera_ev, fall
from emulsa.core.tones.zones import MIDDLE, ev_text, zone_text
from emulsa.core.written import stops_text

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


def say(asked: Question) -> str:
    ev, zone = ev_text(told(asked.ev100)), zone_text(told(asked.zone))
    if asked.other_ev100 is None:
        return f"A tone reads EV {ev}. You place it on {zone}. Which EV do you set?"
    return f"EV {ev} is placed on {zone}. Where does EV {ev_text(asked.other_ev100)} fall?"


def steps(found: Drawn) -> tuple[WayStep, ...]:
    asked, answer = found.question, found.answer
    ev, zone = told(asked.ev100), told(asked.zone)
    if asked.other_ev100 is None:
        return (
            WayStep("The meter puts it on V", "", ev_text(ev)),
            WayStep(f"Placed on {zone_text(zone)}", stops_text(MIDDLE - zone), ev_text(answer)),
        )
    apart = asked.other_ev100 - ev
    lighter = "lighter" if apart > 0 else "darker"
    return (
        WayStep("The placed tone", "", zone_text(zone)),
        WayStep(f"The other is {lighter}", stops_text(apart), zone_text(answer)),
    )
