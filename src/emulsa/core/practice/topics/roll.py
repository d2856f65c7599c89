"""One development for several frames."""

from __future__ import annotations

import math

from emulsa.core.film.roll_development import WantedFrame, choices, loss
from emulsa.core.practice.question import Dice, Drawn, Question, RollFrame, WayStep, WrongWay
from emulsa.core.tones.development_number import n_text

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


def say(asked: Question) -> str:
    *most, last = (named(each) for each in asked.frames)
    wishes = f"{', '.join(most)} and {last}"
    return f"Frames of one roll want {wishes}. Which N for all? Too hard costs twice too soft."


def named(frame: RollFrame) -> str:
    """A frame's wish, with its weight where it counts more.

    >>> named(RollFrame(n=-1)), named(RollFrame(n=0, weight=3))
    ('N−1', 'N (counts 3)')
    """
    return n_text(frame.n) + (f" (counts {frame.weight})" if frame.weight > 1 else "")


def steps(found: Drawn) -> tuple[WayStep, ...]:
    asked, answer = found.question, found.answer
    return tuple(
        WayStep(
            f"Wants {named(each)}",
            loss(WantedFrame(frame=k + 1, n=each.n, weight=each.weight), answer).says,
            n_text(answer),
        )
        for k, each in enumerate(asked.frames)
    )
