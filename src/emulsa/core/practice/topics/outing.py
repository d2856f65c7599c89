"""The whole chain, under light that has changed."""

from __future__ import annotations

import math

from emulsa.core.corrections.filters import Filter, amount_text, total_stops
from emulsa.core.corrections.reciprocity import corrected_s
from emulsa.core.light.marks import f_number
from emulsa.core.numbers import plain
from emulsa.core.practice.question import Dice, Drawn, Question, WayStep, WrongWay, told
from emulsa.core.practice.topics.reciprocity import chain
from emulsa.core.tones.zones import MIDDLE, ev_text, zone_text
from emulsa.core.written import length_text, size_words

EVS, ZONES, APERTURES = range(6, 11), (3.0, 4.0), ("16", "22", "32")
CHANGES, FACTORS = (-1.0, -0.5, 0.5, 1.0), (2.0, 4.0, 8.0)
MAGNIFICATIONS, INDICES = (0.0, 1 / 3, 1 / 2), (50.0, 64.0, 200.0)


def draw(dice: Dice) -> Drawn:
    ev, zone, mark = float(dice.pick(EVS, 0)), dice.pick(ZONES, 1), dice.pick(APERTURES, 2)
    light, factor = dice.pick(CHANGES, 3), dice.pick(FACTORS, 4)
    m = dice.pick(MAGNIFICATIONS, 5) if dice.level > 1 else 0.0
    ei = dice.pick(INDICES, 6) if dice.level == 3 else 100.0
    law, drawn_out = dice.law(), (1 + m) ** 2

    def metered(change: float = light, shift: float = MIDDLE - zone) -> float:
        camera = ev + change + shift + math.log2(ei / 100)
        return f_number(mark) ** 2 / 2**camera

    def given(time: float, strength: float = factor, bellows: float = drawn_out) -> float:
        return corrected_s(law, time * strength * bellows)

    right = given(metered())
    focal = dice.focal_length_mm() if m else None
    return Drawn(
        Question(
            ev100=ev,
            zone=zone,
            aperture=float(mark),
            light_change_stops=light,
            filters=(Filter(factor=factor),),
            magnification=m,
            focal_length_mm=focal,
            draw_mm=focal * m if focal else None,
            law=law,
            ei=ei,
        ),
        "s",
        right,
        (
            WrongWay("light-change-ignored", given(metered(0.0))),
            WrongWay("light-change-reversed", given(metered(-light))),
            WrongWay("filter-forgotten", given(metered(), strength=1.0)),
            WrongWay("bellows-forgotten", given(metered(), bellows=1.0)),
            WrongWay("reciprocity-forgotten", metered() * factor * drawn_out),
            WrongWay("reciprocity-first", corrected_s(law, metered()) * factor * drawn_out),
            WrongWay("zone-direction", given(metered(shift=zone - MIDDLE))),
            WrongWay("as-metered", given(metered(shift=0.0))),
            WrongWay("iso-ignored", right * ei / 100),
        ),
    )


def say(asked: Question) -> str:
    light, law = told(asked.light_change_stops), told(asked.law)
    moved = "risen" if light > 0 else "fallen"
    parts = [
        f"The shadow reads EV {ev_text(told(asked.ev100))} and goes on"
        f" {zone_text(told(asked.zone))}, at f/{told(asked.aperture):g}, EI {told(asked.ei):g}.",
        f"A filter {amount_text(asked.filters[0])}.",
    ]
    if asked.draw_mm is not None:
        lens = f"{told(asked.focal_length_mm):g} mm lens"
        parts.append(f"The {lens} is drawn out {length_text(asked.draw_mm)} beyond infinity.")
    parts += [
        f"The film needs t to the power of {plain(law.exponent)} from a second on.",
        f"Since the reading the light has {moved} by {size_words(light)}.",
        "What time?",
    ]
    return " ".join(parts)


def steps(found: Drawn) -> tuple[WayStep, ...]:
    """In the order that is right: light, placement, filter, bellows; what the film needs last."""
    asked = found.question
    zone, light = told(asked.zone), told(asked.light_change_stops)
    camera = told(asked.ev100) + math.log2(told(asked.ei) / 100)
    metered = f_number(f"{told(asked.aperture):g}") ** 2 / 2**camera
    added = (
        ("Light since", -light),
        (f"Placed on {zone_text(zone)}", zone - MIDDLE),
        ("Filter", total_stops(asked.filters)),
        ("Bellows", 2 * math.log2(1 + told(asked.magnification))),
    )
    return chain(f"Meter, at EI {told(asked.ei):g}", metered, added, found.answer)
