"""Extension: by the whole of it, by the draw beyond infinity, by the subject's distance."""

from __future__ import annotations

import math

from emulsa.core.light.hand_time import time_text
from emulsa.core.numbers import plain
from emulsa.core.practice.question import Dice, Drawn, Question, WayStep, WrongWay, told
from emulsa.core.written import length_text, stops_text

TIMES_S, MAGNIFICATIONS = (0.25, 0.5, 1.0, 2.0), (1 / 3, 1 / 2, 2 / 3, 1.0)
PINHOLE_MM, DISTANCES_MM, A_PINHOLE = 0.35, (60.0, 100.0, 150.0), 0.25


def draw(dice: Dice) -> Drawn:
    metered = dice.pick(TIMES_S, 0)
    if dice.level == 3 and dice.uniform(5) < A_PINHOLE:
        distance = dice.pick(DISTANCES_MM, 1)
        return Drawn(
            Question(metered_s=metered, pinhole_mm=PINHOLE_MM, distance_mm=distance),
            "s",
            metered,
            (
                WrongWay("bellows-on-pinhole", 4 * metered),
                WrongWay("bellows-on-pinhole", 2 * metered),
            ),
        )
    m, focal = dice.pick(MAGNIFICATIONS, 1), dice.focal_length_mm()
    right = metered * (1 + m) ** 2
    forgotten = WrongWay("bellows-forgotten", metered)
    plain = WrongWay("bellows-not-squared", metered * (1 + m))
    if dice.level == 1:
        asked = Question(metered_s=metered, focal_length_mm=focal, extension_mm=focal * (1 + m))
        taken = WrongWay("extension-as-draw", metered * (2 + m) ** 2)
        return Drawn(asked, "s", right, (forgotten, plain, taken))
    if dice.level == 2:
        asked = Question(metered_s=metered, focal_length_mm=focal, draw_mm=focal * m)
        return Drawn(
            asked, "s", right, (WrongWay("draw-as-extension", metered * m**2), forgotten, plain)
        )
    away = focal * (1 + 1 / m)
    asked = Question(metered_s=metered, focal_length_mm=focal, subject_mm=away)
    near = WrongWay("distance-from-film", metered * (1 + focal / away) ** 2)
    return Drawn(asked, "s", right, (forgotten, near, plain))


def say(asked: Question) -> str:
    before = f"The meter says {time_text(told(asked.metered_s))}."
    if asked.pinhole_mm is not None:
        away = length_text(told(asked.distance_mm))
        hole = f"A pinhole of {plain(asked.pinhole_mm)} mm, {away} from the film"
        return f"{before} {hole}, its f-number in the meter. What time?"
    lens = f"{told(asked.focal_length_mm):g} mm lens"
    if asked.extension_mm is not None:
        where = f"The {lens} stands {length_text(asked.extension_mm)} from the film."
    elif asked.draw_mm is not None:
        where = f"The {lens} is drawn out {length_text(asked.draw_mm)} beyond infinity."
    else:
        where = f"The {lens} is focused on something {length_text(told(asked.subject_mm))} away."
    return f"{before} {where} What time?"


def steps(found: Drawn) -> tuple[WayStep, ...]:
    asked, answer = found.question, found.answer
    meter = WayStep("Meter", "", time_text(told(asked.metered_s)))
    if asked.pinhole_mm is not None:
        return (meter, WayStep("Its f-number holds the distance", stops_text(0), time_text(answer)))
    focal = told(asked.focal_length_mm)
    if asked.draw_mm is not None:
        m, how = asked.draw_mm / focal, "draw ÷ focal length"
    elif asked.extension_mm is not None:
        m, how = asked.extension_mm / focal - 1, "(extension − focal length) ÷ focal length"
    else:
        m, how = (
            focal / (told(asked.subject_mm) - focal),
            "focal length ÷ (distance − focal length)",
        )
    return (
        meter,
        WayStep(f"m = {how}", "", f"{m:.2f}"),
        WayStep("(1 + m)²", stops_text(2 * math.log2(1 + m)), time_text(answer)),
    )
