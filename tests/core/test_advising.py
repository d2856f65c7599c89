"""Every code of advice: what triggers it, and what is close to it and does not."""

from typing import Any

import pytest

from emulsa.core.corrections.aperture_choice import BySpread
from emulsa.core.corrections.bellows import ByDraw, ByExtension, ByMagnification, Infinity
from emulsa.core.corrections.filters import Filter
from emulsa.core.corrections.movement import Movement
from emulsa.core.corrections.optics import Lens, MeasuredSpeed, Pinhole, Shutter
from emulsa.core.corrections.reciprocity import NoFailure, PowerLaw
from emulsa.core.data.advice import CATALOGUE
from emulsa.core.exposing.advising.metering import aged
from emulsa.core.exposing.advising.setting import given_advice
from emulsa.core.exposing.chain import exposure
from emulsa.core.exposing.request import EiPoint, High, SpotReading
from emulsa.core.light.meters import EvReading, IlluminanceReading
from emulsa.core.light.sky import SkyReading
from emulsa.core.tones.placement import IncidentPair, Placed
from tests.core.requests import canonical


def spot(name: str, ev: float, **marks: Any) -> SpotReading:
    return SpotReading(id=name, label=name, reading=EvReading(ev=ev), **marks)


SHADE, FROST = spot("shade", 9), spot("frost", 14)
RED = Filter(label="Deep red", factor=8, type="contrast", colour="red")
YELLOW = Filter(label="Yellow", factor=2, type="contrast", colour="yellow")
LENS = Lens(focal_length_mm=150, widest="5.6", smallest="64")
CALM: dict[str, Any] = {
    "readings": (SHADE, FROST),
    "filters": (),
    "focus": Infinity(),
    "optics": LENS,
    "law": NoFailure(until_s=100),
    "usual_ei": 100,
}
IV = Placed(school="shadow", reading="shade", zone=4)
PAIR = IncidentPair(low="shade", high="frost")
DOME = tuple(
    SpotReading(id=name, reading=IlluminanceReading(value=lx))
    for name, lx in (("shade", 800.0), ("frost", 6400.0))
)

# code: changes to the calm exposure that trigger it, and changes close by that do not.
CASES: dict[str, tuple[dict[str, Any], dict[str, Any]]] = {
    "ev-sign": (
        {"readings": (SHADE, FROST, spot("moor", -7.5))},
        {"readings": (spot("shade", -1), spot("frost", -3)), "high": None},
    ),
    "iso-differs": (
        {"readings": (SHADE, SpotReading(id="frost", reading=EvReading(ev=16, iso=400)))},
        {
            "readings": tuple(
                SpotReading(id=name, reading=EvReading(ev=11, iso=400))
                for name in ("shade", "frost")
            )
        },
    ),
    "pair-of-spots": (
        {"placement": PAIR},
        {"placement": PAIR, "readings": DOME},
    ),
    "pair-ei-twice": (
        {"placement": PAIR, "readings": DOME, "ei": 200},
        {"placement": PAIR, "readings": DOME, "ei": 100},
    ),
    "highlight-beyond-range": ({"readings": (SHADE, spot("frost", 15))}, {}),
    "shadow-below-range": ({"readings": (SHADE, FROST, spot("cellar", 7.5))}, {}),
    "safety-same": ({"placement": IV, "ei": 200}, {"placement": IV, "ei": 100}),
    "safety-counted-twice": ({"placement": IV, "ei": 50}, {"ei": 50}),
    "development-extreme": ({"n": -2.5}, {"n": -2}),
    "n-sign": (
        {"readings": (SHADE, spot("frost", 15.5)), "n": 1},
        {"readings": (SHADE, spot("frost", 15.5)), "n": -1.5},
    ),
    "filter-counted-twice": ({"filters": (RED,), "ei": 12.5}, {"filters": (RED,), "ei": 50}),
    "same-family": (
        {"filters": (YELLOW, RED)},
        {"filters": (YELLOW, Filter(density=0.9))},
    ),
    "factor-or-stops": (
        {"filters": (Filter(stops=8, type="contrast", colour="red"),)},
        {"filters": (Filter(stops=10),)},
    ),
    "polarisers-stacked": (
        {"filters": (Filter(stops=1, type="polariser"), Filter(stops=2, type="polariser"))},
        {"filters": (Filter(stops=1, type="polariser"), Filter(stops=2))},
    ),
    "polariser-sky": (
        {"filters": (Filter(stops=1, type="polariser"),)},
        {"filters": (Filter(stops=1, type="polariser", metered_through=True),)},
    ),
    "contrast-shift": (
        {"filters": (RED,), "readings": (SHADE, FROST, spot("north sky", 12))},
        {"filters": (RED,), "readings": (SHADE, FROST, spot("north sky", 9, through=True))},
    ),
    "graduated-idle": (
        {"filters": (Filter(stops=2, type="graduated"),)},
        {
            "filters": (Filter(stops=2, type="graduated"),),
            "readings": (SHADE, spot("frost", 16, graduated=True)),
        },
    ),
    "bellows-on-pinhole": (
        {"optics": Pinhole(diameter_mm=0.2, distance_mm=30), "focus": ByDraw(draw_mm=30)},
        {"optics": Pinhole(diameter_mm=0.2, distance_mm=30)},
    ),
    "extension-on-telephoto": (
        {
            "optics": Lens(focal_length_mm=300, telephoto=True),
            "focus": ByExtension(extension_mm=350),
        },
        {"optics": Lens(focal_length_mm=300, telephoto=True), "focus": ByDraw(draw_mm=50)},
    ),
    "depth-too-small": (
        {"aperture": "8", "depth": BySpread(focus_spread_mm=5)},
        {"aperture": "32", "depth": BySpread(focus_spread_mm=5)},
    ),
    "softened": (
        {"aperture": "64", "depth": BySpread(focus_spread_mm=2), "focus": ByMagnification(m=0.5)},
        {"aperture": "32", "depth": BySpread(focus_spread_mm=2), "focus": ByMagnification(m=0.5)},
    ),
    "freezes": (
        {
            "aperture": "8",
            "movement": Movement(speed_mm_s=20, distance_mm=50_000, blur_times=300),
        },
        {"aperture": "64", "movement": Movement(speed_mm_s=20, distance_mm=5000, blur_times=2)},
    ),
    "moves": (
        {"aperture": "64", "movement": Movement(speed_mm_s=100, distance_mm=5000)},
        {"aperture": "8", "movement": Movement(speed_mm_s=20, distance_mm=50_000)},
    ),
    "reciprocity-extrapolated": (
        {"law": PowerLaw(exponent=1.3, tested_until_s=0.2)},
        {"law": PowerLaw(exponent=1.3, tested_until_s=60)},
    ),
    "setting-off": (
        {"optics": Lens(focal_length_mm=150, shutter=Shutter(
            fastest="1/2", measured=(MeasuredSpeed(mark="1/2", seconds=0.7),
                                     MeasuredSpeed(mark="1", seconds=1.35))))
         , "aperture": "45"},
        {"aperture": "11"},
    ),
    "faster-than-shutter": (
        {"optics": Lens(focal_length_mm=150, shutter=Shutter(fastest="1/2", slowest="1"))
         , "aperture": "11"},
        {"aperture": "11"},
    ),
    "mark-highlight": (
        {"high": None, "readings": (SHADE, spot("grass", 11))},
        {"high": None, "readings": (SHADE, spot("hole", 8))},  # a shadow is no highlight
    ),
    "n-by-brightest": (
        {"high": None, "readings": (SHADE, spot("sky", 15))},
        {"readings": (SHADE, spot("frost", 15))},
    ),
    "ei-by-thumb": (
        {"readings": (SHADE, spot("frost", 16))},
        {"readings": (SHADE, spot("frost", 16)), "ei_by_n": (EiPoint(n=-2, ei=64),)},
    ),
    "families-crossed": (
        {"filters": (RED, Filter(label="Green", factor=4, type="contrast", colour="green"))},
        {"filters": (RED, YELLOW)},
    ),
    "too-short-by-hand": (
        {"optics": Pinhole(diameter_mm=1, distance_mm=30), "readings": (SHADE, spot("frost", 14)),
         "placement": Placed(school="shadow", reading="frost", zone=3), "high": None},
        {"optics": Pinhole(diameter_mm=0.2, distance_mm=30)},
    ),
    "sky-estimated": (
        {"readings": (SpotReading(id="shade", label="shade", reading=SkyReading(sky="hazy sun")),
                      spot("frost", 16))},
        {},
    ),
    "kind-range": (
        {"film_kind": "reversal", "readings": (SHADE, spot("frost", 14.5))},
        {"film_kind": "reversal", "readings": (SHADE, spot("frost", 13))},
    ),
    "pre-exposed": ({"pre_exposure_zone": 2}, {}),
    "kind-place": (
        {"film_kind": "reversal"},
        {"film_kind": "reversal", "placement": Placed(school="highlight", reading="frost", zone=7)},
    ),
    "longer-than-shutter": (
        {"aperture": "64", "filters": (RED,),
         "optics": Lens(focal_length_mm=150, shutter=Shutter(by_hand="none"))},
        {"aperture": "64", "filters": (RED,)},
    ),
}  # fmt: skip

# what no exposure by itself can bring about, and where it is tried
ELSEWHERE = {
    *("circle-too-small", "worth-a-centre-filter"),  # test_focusing.py
    *("reading-old", "minutes-as-seconds", "given-off"),  # below
    *("reciprocity-unknown",),  # test_scene.py
    *("bracket-step", "frame-at-another-ei", "exposed-twice"),  # tests/path/test_in_the_field.py
    *("time-short", "time-much-too-short", "time-estimated"),  # test_development.py
    *("rating-reason", "temperature-outside"),  # tests/handbook/test_judgement.py
    *("one-tank",),  # tests/api/test_light.py
    *("capacity-short", "concentrate-short", "bottle"),  # test_runs.py, test_darkroom_plan.py
    *("speed-point-twice", "no-ladder"),  # test_sensitometry.py, tests/handbook
    *("own-film",),  # tests/path/test_bench.py
    *("print-short", "print-long", "print-hold-short"),  # tests/handbook, test_prints.py
    *("print-holds-at-once", "print-burns-much"),  # test_prints.py
    *("colour-prints-otherwise", "colour-with-contrast"),  # test_sensitometry.py, tests/handbook
    # of a picture
    *("flash-fired", "zoomed", "specially-processed", "colour-space-unknown", "settings-missing"),
    *("point-clipped", "spot-mixed", "readings-disagree", "brightened-in-parts"),
    *("settings-disagree", "settings-only", "one-reading", "few-readings", "readings-alike"),
}


def codes(changes: dict[str, Any]) -> list[str]:
    settings = {**CALM, "high": High(reading="frost"), **changes}
    return [each.code for each in exposure(canonical(**settings)).advice]


def test_a_calm_exposure_is_left_alone() -> None:
    """Nothing is said where there is nothing to say."""
    assert codes({}) == []


@pytest.mark.parametrize("code", CASES)
def test_each_code_is_given_when_it_arises(code: str) -> None:
    """Once, as one sentence that ends."""
    settings = {**CALM, "high": High(reading="frost"), **CASES[code][0]}
    said = [each for each in exposure(canonical(**settings)).advice if each.code == code]
    assert len(said) == 1
    assert said[0].text.startswith("f/") or not said[0].text[0].islower()
    assert said[0].text.endswith((".", "?"))


@pytest.mark.parametrize("code", CASES)
def test_each_code_stays_silent_close_by(code: str) -> None:
    """What only looks like the mistake is not called one."""
    assert code not in codes(CASES[code][1])


def test_the_catalogue_is_whole() -> None:
    """Every code has its case here, and no case is without a code."""
    assert set(CASES) | ELSEWHERE == set(CATALOGUE)


def test_the_gravest_comes_first() -> None:
    """Warnings before cautions before notes."""
    said = exposure(
        canonical(
            **{**CALM, "ei": 12.5, "filters": (RED,), "high": None, "readings": (
                SHADE, spot("sky", 16)
            )}
        )
    ).advice  # fmt: skip
    order = ["warning", "caution", "note"]
    ranks = [order.index(each.severity) for each in said]
    assert ranks == sorted(ranks)
    assert len(set(ranks)) == 3


@pytest.mark.parametrize(
    ("age", "said"), [(599, False), (601, True), (43_000, True), (43_300, False)]
)
def test_old_readings(age: float, said: bool) -> None:
    """After ten minutes; not when one only looks back at an outing."""
    assert bool(aged({"a": age}, {"a": "frost"})) is said


@pytest.mark.parametrize(
    ("planned", "given", "off", "code"),
    [
        (150, 2.5, -5, "minutes-as-seconds"),
        (10, 600, 5, "minutes-as-seconds"),
        (10, 15, 0.5, "given-off"),
        (10, 11, 0.1, None),
    ],
)
def test_what_was_given(planned: float, given: float, off: float, code: str | None) -> None:
    """A factor of about sixty is minutes typed as seconds; a third of a stop is worth saying."""
    assert [each.code for each in given_advice(planned, given, off)] == ([code] if code else [])
