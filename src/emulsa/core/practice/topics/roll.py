"""One development for several frames."""

from __future__ import annotations

import math

from emulsa.core.film.roll_development import WantedFrame, choices
from emulsa.core.practice.question import Dice, Drawn, Question, RollFrame, WrongWay

NS, WEIGHTS = (-2.0, -1.5, -1.0, -0.5, 0.0, 0.5, 1.0), (1, 2, 3)
MORE_FRAMES = 2


def draw(dice: Dice) -> Drawn:
    frames = tuple(
        RollFrame(
            n=dice.pick(NS, 2 * k),
            weight=dice.pick(WEIGHTS, 2 * k + 1) if dice.level == 3 else 1,
        )
        for k in range(dice.level + MORE_FRAMES)
    )
    wanted = tuple(
        WantedFrame(frame=k + 1, n=each.n, weight=each.weight) for k, each in enumerate(frames)
    )
    right = next(each.n for each in choices(wanted) if each.best)
    whole = sum(each.weight for each in frames)
    return Drawn(
        Question(frames=frames),
        "n",
        right,
        (
            WrongWay("roll-mean", math.fsum(each.n * each.weight for each in frames) / whole),
            WrongWay("roll-for-flattest", max(each.n for each in frames)),
            WrongWay("roll-for-last", frames[-1].n),
            WrongWay("n-sign", -right),
        ),
    )
