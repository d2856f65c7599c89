"""What a spot meter means by what it says: white and black, a circle that takes in too much."""

from __future__ import annotations

import math

from emulsa.core.practice.question import Dice, Drawn, Question, WrongWay
from emulsa.core.tones.placement import camera_ev
from emulsa.core.tones.zones import MIDDLE

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
