"""Extension: by the whole of it, by the draw beyond infinity, by the subject's distance."""

from __future__ import annotations

from emulsa.core.practice.question import Dice, Drawn, Question, WrongWay

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
