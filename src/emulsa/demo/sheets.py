"""The demo's film tests: a finished one in four times, another film to lay beside it, and one that
waits for its densities. Curves by the usual formula of a toe, a straight line and a shoulder,
rounded as a densitometer shows them; no real film."""

from __future__ import annotations

import math
from dataclasses import replace

from emulsa.core.bench.record import Colour, Conditions, FilmTest, Observed
from emulsa.core.sensitometry.curve import STOP, Curve, DensityStep, Metered

TOE, SHOULDER = 0.16, 0.30
STEPS = range(-6, 7)  # stops from what the meter renders as V: zone 0 and one under, to one over X


def _density(stops: float, fog: float, slope: float, toe: float, shoulder: float) -> float:
    x = stops * STOP
    rise = TOE * math.log1p(math.exp((x - toe) / TOE))
    bend = SHOULDER * math.log1p(math.exp((x - shoulder) / SHOULDER))
    return fog + slope * (rise - 0.55 * bend)


def _curve(minutes: float, fog: float, slope: float, toe: float, shoulder: float = 1.45) -> Curve:
    return Curve(
        id=f"{minutes:g} min",
        minutes=minutes,
        base_fog=fog,
        exposure=Metered(kind="metered", ei=100),
        steps=tuple(
            DensityStep(stops=each, density=round(_density(each, fog, slope, toe, shoulder), 2))
            for each in STEPS
        ),
    )


# Densities of a colour card on each film, at the exposure that gives equal shadows.
CARD = ("grey", "sky", "moss", "rust", "ice", "heather", "lichen", "own hand", "old leather")
SAME_LIGHT = Conditions(lens="150 mm", light="overcast, north", shutter_measured=True)


def _colours(*found: float) -> tuple[Colour, ...]:
    return tuple(
        Colour(label=label, density=density) for label, density in zip(CARD, found, strict=True)
    )


OSTREL_TEST = FilmTest(
    id="test-ostrel",
    film_id="film-ostrel",
    title="Ostrel 400, one time",
    day="2025-11-20",
    target="bracket in stops",
    curves=(_curve(9, 0.29, 0.60, -1.62),),
    colours=_colours(0.98, 0.92, 0.88, 0.86, 1.06, 0.90, 1.16, 1.12, 0.84),
    conditions=SAME_LIGHT,
    observed=Observed(
        grain="medium", scratches="none", flatness="good", sharpness="fair", price=2.1
    ),
    note="The same card, lens and light as the Corvane test, metered at EI 100.",
)

VELM_BESIDE = FilmTest(
    id="test-velm-one",
    film_id="film-velm",
    title="Velm, one time",
    day="2025-11-21",
    target="bracket in stops",
    curves=(_curve(8, 0.12, 0.66, -0.62),),
    colours=_colours(0.82, 0.80, 0.75, 0.60, 0.95, 0.70, 0.99, 0.86, 0.64),
    conditions=replace(SAME_LIGHT, light="hazy sun"),
    observed=Observed(
        grain="fine",
        scratches="white in the print",
        flatness="poor",
        sharpness="good",
        price=3.4,
    ),
    note="Metered at EI 100 as the others, so that the zones are the same light.",
)

CORVANE_TEST = FilmTest(
    id="test-corvane",
    film_id="film-corvane",
    recipe_id="recipe-corvane-mq",
    title="Corvane 100, four times in trays",
    day="2025-11-20",
    target="bracket in stops",
    curves=(
        _curve(6, 0.20, 0.45, -1.10),
        _curve(8, 0.20, 0.53, -1.12),
        _curve(11, 0.21, 0.62, -1.15),
        _curve(15, 0.22, 0.73, -1.18),
    ),
    beside=OSTREL_TEST.id,
    others=(VELM_BESIDE.id,),
    print_s=12,
    colours=_colours(0.90, 0.85, 0.77, 0.90, 0.93, 0.89, 1.11, 1.12, 0.77),
    conditions=SAME_LIGHT,
    observed=Observed(grain="fine", scratches="none", flatness="good", sharpness="good", price=1.8),
    verdict="Rate it slower than the box; a minute more than the leaflet for trays.",
    note="Grey card on the sorting floor, overcast, one lens, hand-held densitometer.",
)

VELM_TEST = FilmTest(
    id="test-velm",
    film_id="film-velm",
    title="Velm, two times, not measured yet",
    day="2026-01-17",
    target="bracket in stops",
    curves=tuple(
        Curve(
            id=f"{minutes} min",
            minutes=minutes,
            base_fog=0.12,
            exposure=Metered(kind="metered", ei=25),
            steps=(),
        )
        for minutes in (7, 10)
    ),
)

TESTS = (OSTREL_TEST, VELM_BESIDE, CORVANE_TEST, VELM_TEST)
