"""What a spot meter means by what it says: white and black, a circle that takes in too much."""

from __future__ import annotations

import math

from emulsa.core.practice.question import Dice, Drawn, Question, WayStep, WrongWay, told
from emulsa.core.tones.placement import camera_ev
from emulsa.core.tones.zones import MIDDLE, ev_text, zone_text
from emulsa.core.written import stops_text

A_WHITE = 0.6
WHITES, BLACKS = (range(10, 16), (7.0, 7.5, 8.0)), (range(4, 9), (2.0, 3.0))
WHITE_SUBJECTS = ("fresh snow", "a whitewashed wall", "white lichen on slate")
BLACK_SUBJECTS = ("black cattle", "a wet slate face in shade", "the mouth of an adit")
SHARES, PATCHES, AROUND = (0.25, 0.5, 0.75), range(5, 10), (3, 4, 5, -3, -4)
FLARES = (0.01, 0.02)


def draw(dice: Dice) -> Drawn:
    return _left_on_v(dice) if dice.level == 1 else _mixed(dice)


def _left_on_v(dice: Dice) -> Drawn:
    white = dice.uniform(0) < A_WHITE
    evs, zones = WHITES if white else BLACKS
    ev, zone = float(dice.pick(evs, 1)), dice.pick(zones, 2)
    subject = dice.pick(WHITE_SUBJECTS if white else BLACK_SUBJECTS, 3)
    return Drawn(
        Question(ev100=ev, zone=zone, subject=subject),
        "ev",
        camera_ev(ev, zone),
        (
            WrongWay("white-on-v" if white else "black-on-v", ev),
            WrongWay("zone-direction", ev - MIDDLE + zone),
        ),
    )


def _mixed(dice: Dice) -> Drawn:
    share, patch = dice.pick(SHARES, 0), float(dice.pick(PATCHES, 1))
    apart = dice.pick(AROUND, 2)
    light = share * 2**patch + (1 - share) * 2 ** (patch + apart)
    flare = mean = None
    if dice.level == 3:
        flare, mean = dice.pick(FLARES, 3), patch + 2 * max(apart, 1)
        light = (1 - flare) * light + flare * 2**mean
    return Drawn(
        Question(
            ev100=patch,
            share=share,
            surround_ev100=patch + apart,
            flare_share=flare,
            mean_ev100=mean,
        ),
        "ev",
        math.log2(light),
        (
            WrongWay("spot-sees-patch-only", patch),
            WrongWay("mean-of-evs", patch + (1 - share) * apart),
        ),
    )


PARTS = {
    0.25: "A quarter of the meter’s circle lies",
    0.5: "Half of the meter’s circle lies",
    0.75: "Three quarters of the meter’s circle lie",
}


def say(asked: Question) -> str:
    ev = ev_text(told(asked.ev100))
    if asked.share is None:
        return (
            f"On {asked.subject} the meter says EV {ev}. It shall print on"
            f" {zone_text(told(asked.zone))}. Which EV do you set?"
        )
    around = ev_text(told(asked.surround_ev100))
    circle = f"{PARTS[asked.share]} on a patch of EV {ev}"
    flare = ""
    if asked.flare_share is not None:
        strays = f"{100 * asked.flare_share:g} %"
        mean = ev_text(told(asked.mean_ev100))
        flare = f", and {strays} of the scene’s mean light, EV {mean}, strays in"
    return f"{circle}, the rest on EV {around}{flare}. What does it say?"


def steps(found: Drawn) -> tuple[WayStep, ...]:
    asked, answer = found.question, found.answer
    ev = told(asked.ev100)
    if asked.share is None:
        zone = told(asked.zone)
        return (
            WayStep("The meter puts it on V", "", ev_text(ev)),
            WayStep(f"It shall be {zone_text(zone)}", stops_text(MIDDLE - zone), ev_text(answer)),
        )
    apart = told(asked.surround_ev100) - ev
    mixed = math.log2(asked.share + (1 - asked.share) * 2**apart)
    rows = [
        WayStep("The patch", "", ev_text(ev)),
        WayStep("What lies beside it, by its light", stops_text(mixed), ev_text(ev + mixed)),
    ]
    if asked.flare_share is not None:
        rows.append(WayStep("Flare", stops_text(answer - ev - mixed), ev_text(answer)))
    return tuple(rows)
